using System.Globalization;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>A raw table that stands before its first row of data, with its columns told apart.</summary>
internal sealed class RawColumns : IDisposable
{
    private static readonly char[] Brackets = ['(', '['];
    private readonly string[] header;
    private readonly string?[] units;
    private bool pending;
    private bool afterHeader;

    private RawColumns(RawTable table, TableSpec spec, int headerLine, string[] header, string?[] units, int unitsLine, bool pending)
    {
        (Table, Spec, HeaderLine, this.header, this.units, UnitsLine, this.pending) = (table, spec, headerLine, header, units, unitsLine,
            pending);
    }

    public RawTable Table { get; }

    public TableSpec Spec { get; }

    /// <summary>Row of the header.</summary>
    public int HeaderLine { get; }

    /// <summary>Row of the units; 0: none.</summary>
    public int UnitsLine { get; }

    /// <summary>The headers, trimmed.</summary>
    public IReadOnlyList<string> Header => header;

    /// <summary>Opens a table of any form.</summary>
    public static RawTable? Open(string directory, TableSpec spec, DiagnosticBag bag)
    {
        var path = Path.Combine(directory, spec.File);
        var name = spec.File;
        if (!File.Exists(path))
        {
            bag.Error(spec.FilePlace, $"there is no file {spec.File} in {directory}; mend file = …");
            return null;
        }

        return Path.GetExtension(path).ToLowerInvariant() switch
        {
            ".xlsx" or ".xlsm" => RawXlsx.Open(path, name, spec.Sheet, spec.SheetPlace, bag),
            ".xls" or ".xlsb" or ".ods" => Refuse(spec, bag),
            _ => RawCsv.Open(path, name, spec.Delimiter, spec.DecimalSign, spec.Encoding, bag),
        };
    }

    /// <summary>Opens a table and reads down to its data.</summary>
    public static RawColumns? OpenAtData(string directory, TableSpec spec, DiagnosticBag bag)
    {
        if (Open(directory, spec, bag) is not { } table)
        {
            return null;
        }

        // The header is the row that is stated, or the first that holds every column named.
        var wanted = spec.Columns.Values.Select(c => c.Header).ToList();
        string[]? found = null;
        var bestMissing = wanted;
        var rows = 0;
        while (table.Next() && (spec.Header is { } stated ? table.Line <= stated : rows++ < RawTable.PreviewRows))
        {
            if (spec.Header is { } row && table.Line < row)
            {
                continue;
            }

            string[] cells = [.. Enumerable.Range(0, table.Count).Select(i => table.Text(i).ToString())];
            var missing = wanted.Where(w => IndexOf(cells, w) < 0).ToList();
            if (missing.Count < bestMissing.Count)
            {
                bestMissing = missing;
            }

            if (missing.Count == 0 || spec.Header is not null)
            {
                found = cells;
                break;
            }
        }

        if (found is null)
        {
            bag.Error(spec.Columns.Values.FirstOrDefault(c => bestMissing.Contains(c.Header)).Place,
                string.Create(CultureInfo.InvariantCulture,
                    $"no row of {table.Name} has the columns {string.Join(", ", bestMissing.Select(m => $"\"{m}\""))}; mend the names, or "
                        + $"say header = the row that names the columns"));
            table.Dispose();
            return null;
        }

        var line = table.Line;
        if (table is RawXlsx xlsx)
        {
            foreach (var m in xlsx.Merged.Where(m => m.FromRow <= line && m.ToRow >= line && m.ToColumn > m.FromColumn
                && m.FromColumn <= found.Length && found[m.FromColumn - 1].Length > 0))
            {
                bag.Error(new FilePlace(table.Name, line, m.FromColumn),
                    string.Create(CultureInfo.InvariantCulture,
                        $"the header cell \"{found[m.FromColumn - 1]}\" is merged over columns {XlsxGuard.Letters(m.FromColumn)} to "
                            + $"{XlsxGuard.Letters(m.ToColumn)}, so these have no names of their own; say header = the row below it that "
                            + $"names each column, or unmerge it"));
                table.Dispose();
                return null;
            }
        }

        for (var i = 0; i < found.Length; i++)
        {
            var twin = found[i].Length == 0 ? -1 : Array.IndexOf(found, found[i], 0, i);
            if (twin >= 0 && wanted.Any(w => IndexOf(found, w) == twin))
            {
                bag.Error(new FilePlace(table.Name, line, i + 1),
                    $"column \"{found[i]}\" stands twice in the header; rename one in the file, so that the right one is read");
            }
        }

        var units = new string?[found.Length];
        var unitsLine = 0;
        var pending = false;
        if (spec.UnitsRow != 0 && table.Next())
        {
            // A row of units has a unit, and no number, under some columns.
            var numbers = Enumerable.Range(0, Math.Min(table.Count, found.Length)).Any(i => table.TryNumber(i, out _));
            var read = Enumerable.Range(0, Math.Min(table.Count, found.Length))
                .Where(i => UnitReader.TryRead(table.Text(i), out _))
                .ToList();
            if (spec.UnitsRow == table.Line || (spec.UnitsRow is null && !numbers && read.Count > 0))
            {
                read.ForEach(i => units[i] = table.Text(i).ToString());
                unitsLine = table.Line;
            }
            else
            {
                pending = true;
            }
        }

        return new RawColumns(table, spec, line, found, units, unitsLine, pending);
    }

    /// <summary>Moves to the next row of data: blank rows, rows to skip and repeated headers are passed over.</summary>
    public bool Next()
    {
        while (pending || Table.Next())
        {
            pending = false;
            if (Spec.Skip.Contains(Table.Line) || Table.Line == Spec.UnitsRow)
            {
                continue;
            }

            if (Table.IsBlank)
            {
                continue;
            }

            if (IsAgain(header))
            {
                Repeated++;
                afterHeader = true;
                continue;
            }

            if (afterHeader && IsAgain(units))
            {
                continue;
            }

            afterHeader = false;

            return true;
        }

        return false;
    }

    /// <summary>Headers that were repeated among the data, as page by page.</summary>
    public int Repeated { get; private set; }

    /// <summary>Place of a column by what it holds; −1 if it is not mapped.</summary>
    public int IndexOf(string key) => Spec.Columns.TryGetValue(key, out var c) ? IndexOf(header, c.Header) : -1;

    /// <summary>The unit of a column: stated, in its header, or in the row of units.</summary>
    /// <param name="key">What it holds.</param>
    /// <param name="index">Its place.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public (ReadUnit Unit, string Text)? UnitOf(string key, int index, DiagnosticBag bag)
    {
        if (Spec.Units.TryGetValue(key, out var stated))
        {
            return stated;
        }

        var measure = ImportReader.MeasureOf(key)!;
        var text = InHeader(header[index]) ?? units[index];
        var place = new FilePlace(Table.Name, units[index] is null ? HeaderLine : UnitsLine, index + 1);
        if (text is null && measure == Measure.Angle && UnitReader.TryRead("deg", out var degrees))
        {
            return (degrees, "deg");
        }

        if (text is null)
        {
            bag.Error(place,
                $"column \"{header[index]}\" has no unit that is known here, in its header or in a row below it; say it in plinth.toml: "
                    + $"units.{key} = \"{measure.Example}\"");
            return null;
        }

        if (!UnitReader.TryRead(text, out var unit) || !unit.Measures(measure))
        {
            bag.Error(place,
                $"column \"{header[index]}\": \"{text}\" is no unit of {measure.Name}; say the right one in plinth.toml: units.{key} = "
                    + $"\"{measure.Example}\"");
            return null;
        }

        return (unit, text);
    }

    public void Dispose() => Table.Dispose();

    /// <summary>The unit that stands in a header: in round or square brackets, or after a comma.</summary>
    internal static string? InHeader(string header)
    {
        var close = header.Length > 0 ? header[^1] : ' ';
        var open = close == ')' ? header.LastIndexOf('(') : close == ']' ? header.LastIndexOf('[') : -1;
        if (open > 0)
        {
            // "Force (X)" names an axis, not a unit.
            var inside = header[(open + 1)..^1].Trim();
            return UnitReader.TryRead(inside, out _) ? inside : null;
        }

        var comma = header.LastIndexOf(',');
        return comma > 0 && UnitReader.TryRead(header.AsSpan(comma + 1), out _) ? header[(comma + 1)..].Trim() : null;
    }

    /// <summary>A header without its unit.</summary>
    internal static string Bare(string header) =>
        InHeader(header) is { } unit ? header[..header.LastIndexOf(unit, StringComparison.Ordinal)].TrimEnd(' ', '(', '[', ',') : header;

    private static int IndexOf(string[] cells, string name)
    {
        var exact = Array.FindIndex(cells, c => string.Equals(c, name, StringComparison.Ordinal));
        exact = exact >= 0 ? exact : Array.FindIndex(cells, c => string.Equals(c, name, StringComparison.OrdinalIgnoreCase));
        exact = exact >= 0 ? exact : Array.FindIndex(cells, c => string.Equals(Bare(c), name, StringComparison.OrdinalIgnoreCase));

        // With a unit that is not known the column is still the one meant: its unit is what is asked for.
        return exact >= 0
            ? exact
            : Array.FindIndex(cells,
                c => c.LastIndexOfAny(Brackets) is > 0 and var at
                    && string.Equals(c[..at].TrimEnd(), name, StringComparison.OrdinalIgnoreCase));
    }

    private static RawTable? Refuse(TableSpec spec, DiagnosticBag bag)
    {
        bag.Error(spec.FilePlace, $"{spec.File} is of a kind that is not read; save it as .xlsx or .csv");
        return null;
    }

    private bool IsAgain(string?[] row)
    {
        var same = 0;
        for (var i = 0; i < Math.Min(Table.Count, row.Length); i++)
        {
            var text = Table.Text(i);
            if (!text.SequenceEqual(row[i] ?? ""))
            {
                return false;
            }

            same += text.IsEmpty ? 0 : 1;
        }

        return same > 1;
    }
}
