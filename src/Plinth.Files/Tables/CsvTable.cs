using System.Globalization;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Sylvan.Data.Csv;

namespace Plinth.Files.Tables;

/// <summary>A column that a table may have.</summary>
/// <param name="Name">Its header, without unit.</param>
/// <param name="Measure">What it measures, its unit standing in the header; null: text.</param>
/// <param name="Required">Whether it must be there.</param>
public sealed record CsvColumn(string Name, Measure? Measure, bool Required = false);

/// <summary>Reads a CSV file row by row: columns by header, units from the header, every fault with line and column.</summary>
public sealed class CsvTable : IDisposable
{
    private const int LongestRecord = 1 << 20;

    private readonly string name;
    private readonly DiagnosticBag bag;
    private readonly CsvDataReader? reader;
    private readonly IReadOnlyList<CsvColumn> columns;
    private readonly int[] ordinals;
    private readonly ReadUnit[] units;
    private int headerCells;
    private int line;
    private int lines;

    private CsvTable(CsvDataReader? reader, string name, IReadOnlyList<CsvColumn> columns, DiagnosticBag bag)
    {
        this.reader = reader;
        this.name = name;
        this.columns = columns;
        this.bag = bag;
        ordinals = new int[columns.Count];
        units = new ReadUnit[columns.Count];
        Array.Fill(ordinals, -1);
        Array.Fill(units, new ReadUnit(1, 0, 0, false));
    }

    /// <summary>Opens a text and reads its header.</summary>
    /// <param name="text">The content.</param>
    /// <param name="name">The file's name in messages.</param>
    /// <param name="columns">The columns known.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <returns>The table; null if its header is wrong.</returns>
    public static CsvTable? Open(string text, string name, IReadOnlyList<CsvColumn> columns, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(columns);
        ArgumentNullException.ThrowIfNull(bag);
        if (string.IsNullOrWhiteSpace(text))
        {
            bag.Error(new FilePlace(name, 0, 0),
                $"is empty; its first line must name the columns: {string.Join(", ", columns.Where(c => c.Required).Select(c => c.Name))}");
            return null;
        }

        var options = new CsvDataReaderOptions
        {
            HasHeaders = false,
            Delimiter = ',',
            MaxBufferSize = LongestRecord,
            BufferSize = 1 << 15,
            Culture = CultureInfo.InvariantCulture
        };
        var table = new CsvTable(CsvDataReader.Create(new StringReader(text), options), name, columns, bag);
        return table.Advance() && table.ReadHeader() ? table : null;
    }

    /// <summary>Line of the current row.</summary>
    public int Line => line;

    /// <summary>Whether a column is there.</summary>
    public bool Has(int column) => ordinals[column] >= 0;

    /// <summary>Moves to the next row that is not blank and has as many cells as the header.</summary>
    public bool Next()
    {
        while (Advance())
        {
            var count = reader!.RowFieldCount;
            if (count == 1 && reader.GetFieldSpan(0).Trim().IsEmpty)
            {
                continue;
            }

            if (count == headerCells)
            {
                return true;
            }

            bag.Error(new FilePlace(name, line, 1),
                string.Create(CultureInfo.InvariantCulture,
                    $"this row has {count} cells where the header has {headerCells}; a decimal comma or a stray "
                        + $"delimiter may be the cause"));
        }

        return false;
    }

    /// <summary>Text of a column, trimmed; empty if the column is absent.</summary>
    public ReadOnlySpan<char> Text(int column) => ordinals[column] < 0 ? default : reader!.GetFieldSpan(ordinals[column]).Trim();

    /// <summary>
    /// Number of a column in kN, m, degrees; <paramref name="fallback"/> if the column is absent or its cell empty. Wrong numbers are
    /// reported and read as NaN.
    /// </summary>
    public double Number(int column, double fallback)
    {
        var text = Text(column);
        if (text.IsEmpty)
        {
            return fallback;
        }

        if (UnitReader.TryNumber(text, out var value))
        {
            var read = units[column].ToBase(value);
            if (columns[column].Measure is not { } measure || Math.Abs(read) <= measure.Most)
            {
                return read;
            }

            bag.Error(Place(column),
                string.Create(CultureInfo.InvariantCulture,
                    $"{columns[column].Name} \"{text}\" is beyond any "
                        + $"{measure.Name[(measure.Name.IndexOf(' ', StringComparison.Ordinal) + 1)..]} that is read here; look at its "
                        + $"digits and at the unit in the header"));
            return double.NaN;
        }

        bag.Error(Place(column), double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out _)
            ? $"{columns[column].Name} \"{text}\" is not a finite number"
            : $"{columns[column].Name} \"{text}\" is not a number; write it with a decimal point and without separators or unit, for "
                + "example 12.5");
        return double.NaN;
    }

    /// <summary>Where a column's cell of the current row stands.</summary>
    public FilePlace Place(int column) => new(name, line, ColumnOf(ordinals[column]));

    /// <summary>Reports an error at a cell.</summary>
    public void Error(int column, string message) => bag.Error(Place(column), message);

    /// <summary>Reports a doubt about a cell of this row.</summary>
    public void Warning(int column, string message) => bag.Warning(Place(column), message);

    /// <inheritdoc/>
    public void Dispose() => reader?.Dispose();

    private bool Advance()
    {
        line += lines;
        try
        {
            if (!reader!.Read())
            {
                return false;
            }
        }
        catch (CsvRecordTooLargeException)
        {
            bag.Error(new FilePlace(name, Math.Max(1, line), 1),
                "a row here is longer than a million characters; a quote may be left open");
            return false;
        }
        catch (CsvFormatException e)
        {
            bag.Error(new FilePlace(name, Math.Max(1, line == 0 ? 1 : line), 1), $"cannot be read as CSV from here on: {e.Message}");
            return false;
        }

        line = line == 0 ? 1 : line;
        lines = Math.Max(1, reader.GetRawRecordSpan().Count('\n'));
        return true;
    }

    private bool ReadHeader()
    {
        var ok = true;
        headerCells = reader!.RowFieldCount;
        for (var i = 0; i < headerCells; i++)
        {
            var cell = reader.GetFieldSpan(i).Trim().ToString();
            var place = new FilePlace(name, line, ColumnOf(i));
            var (header, unit) = Split(cell);
            var column = IndexOf(header);
            if (column < 0)
            {
                if (header.Length > 0)
                {
                    var near = Nearest.Of(header, columns.Select(c => c.Name));
                    bag.Warning(place,
                        $"column \"{header}\" is not known and not read; "
                            + (near is null ? $"known are {string.Join(", ", columns.Select(c => c.Name))}" : $"did you mean \"{near}\"?"));
                }

                continue;
            }

            if (ordinals[column] >= 0)
            {
                bag.Error(place, $"column \"{header}\" stands twice; delete one");
                ok = false;
                continue;
            }

            ordinals[column] = i;
            ok &= ReadUnit(column, header, unit, place);
        }

        foreach (var (c, i) in columns.Select((c, i) => (c, i)))
        {
            if (c.Required && ordinals[i] < 0)
            {
                bag.Error(new FilePlace(name, line, 1),
                    $"column \"{c.Name}\" is missing; name it in the header"
                        + (c.Measure is { } m ? $" with its unit, for example {c.Name} ({m.Example})" : ""));
                ok = false;
            }
        }

        return ok;
    }

    private bool ReadUnit(int column, string header, string? unit, FilePlace place)
    {
        if (columns[column].Measure is not { } measure)
        {
            return true;
        }

        if (unit is null && measure == Measure.Angle)
        {
            // An angle without a unit is in degrees.
            UnitReader.TryRead("deg", out units[column]);
            return true;
        }

        if (unit is null)
        {
            bag.Error(place, $"column \"{header}\" has no unit; write for example {header} ({measure.Example})");
            return false;
        }

        if (!UnitReader.TryRead(unit, out var read))
        {
            bag.Error(place, $"column \"{header}\": \"{unit}\" is not a unit known here; write for example {header} ({measure.Example})");
            return false;
        }

        if (!read.Measures(measure))
        {
            bag.Error(place,
                $"column \"{header}\": {unit} is {Measure.NameOf(read.Force, read.Length, read.IsAngle)}, but {measure.Name} is needed; "
                    + $"write for example {header} ({measure.Example})");
            return false;
        }

        units[column] = read;
        return true;
    }

    private int IndexOf(string header)
    {
        for (var i = 0; i < columns.Count; i++)
        {
            if (string.Equals(columns[i].Name, header, StringComparison.OrdinalIgnoreCase))
            {
                return i;
            }
        }

        return -1;
    }

    private static (string Header, string? Unit) Split(string cell)
    {
        var open = cell.LastIndexOf('(');
        return open > 0 && cell.EndsWith(')') ? (cell[..open].Trim(), cell[(open + 1)..^1].Trim()) : (cell, null);
    }

    // Where a cell begins on its line; found only for messages.
    private int ColumnOf(int ordinal)
    {
        var raw = reader!.GetRawRecordSpan();
        var quoted = false;
        var cell = 0;
        var start = 0;
        for (var i = 0; i < raw.Length && cell < ordinal; i++)
        {
            if (raw[i] == '"')
            {
                quoted = !quoted;
            }
            else if (raw[i] == ',' && !quoted)
            {
                cell++;
                start = i + 1;
            }
        }

        var lineStart = start > 0 ? raw[..start].LastIndexOf('\n') + 1 : 0;
        return start - lineStart + 1;
    }
}
