using System.Globalization;
using ExcelDataReader;
using ExcelDataReader.Exceptions;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>A sheet of an XLSX workbook. Values are those the spreadsheet last computed; what cannot be a value is told as such.</summary>
internal sealed class RawXlsx : RawTable
{
    private readonly FileStream stream;
    private readonly DiagnosticBag bag;
    private readonly IExcelDataReader reader;
    private readonly IReadOnlyDictionary<(int Row, int Column), string> faults;
    private readonly string[] texts;
    private int line;

    private RawXlsx(FileStream stream, IExcelDataReader reader, string name, IReadOnlyDictionary<(int Row, int Column), string> faults,
        DiagnosticBag bag)
    {
        (this.stream, this.reader, Name, this.faults, this.bag) = (stream, reader, name, faults, bag);
        texts = new string[reader.FieldCount];
    }

    public override string Name { get; }

    public override int Line => line;

    public override int Count => reader.FieldCount;

    /// <summary>The ranges of merged cells, rows and columns from 1.</summary>
    public IEnumerable<(int FromRow, int ToRow, int FromColumn, int ToColumn)> Merged =>
        (reader.MergeCells ?? []).Select(m => (m.FromRow + 1, m.ToRow + 1, m.FromColumn + 1, m.ToColumn + 1));

    /// <summary>Opens a sheet.</summary>
    /// <param name="path">The workbook.</param>
    /// <param name="name">Its name in messages.</param>
    /// <param name="sheet">Name of the sheet; null: the only one.</param>
    /// <param name="sheetPlace">Where the sheet is named, for messages.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public static RawXlsx? Open(string path, string name, string? sheet, FilePlace sheetPlace, DiagnosticBag bag)
    {
        var whole = new FilePlace(name, 0, 0);
        FileStream? stream = null;
        try
        {
            stream = InputFile.Open(path);
            bag.Reads(path, name);
            if (XlsxGuard.Fault(stream) is { } fault)
            {
                bag.Error(whole, fault);
                stream.Dispose();
                return null;
            }

            // The library asks for code page 1252 before it looks at the file.
            System.Text.Encoding.RegisterProvider(System.Text.CodePagesEncodingProvider.Instance);
            stream.Position = 0;
            var reader = ExcelReaderFactory.CreateOpenXmlReader(stream, new ExcelReaderConfiguration { LeaveOpen = false });
            var names = new List<string>();
            do
            {
                names.Add(reader.Name);
                if (string.Equals(reader.Name, sheet, StringComparison.Ordinal) || (sheet is null && reader.ResultsCount == 1))
                {
                    var shown = reader.ResultsCount == 1 || bag.IsConcealed(name) ? name : $"{name}[{reader.Name}]";
                    var faults = XlsxGuard.Faults(path, reader.Name);
                    return new RawXlsx(stream, reader, shown, faults, bag);
                }
            }
            while (reader.NextResult());
            var listed = string.Join(", ", names.Select(n => $"\"{n}\""));
            if (names.Count == 0 || bag.IsConcealed(name))
            {
                bag.Error(whole, "has no sheet that can be read; save it again from the spreadsheet program");
                reader.Dispose();
                return null;
            }

            bag.Error(sheet is null ? whole : sheetPlace, sheet is null
                ? $"has several sheets; name one: sheet = {Toml.TomlText.Quote(names[0])} (sheets are {listed})"
                : $"{name} has no sheet \"{sheet}\"; "
                    + (Nearest.Of(sheet, names) is { } near ? $"did you mean \"{near}\"?" : $"sheets are {listed}"));
            reader.Dispose();
        }
        catch (Exception e) when (e is FileNotFoundException or DirectoryNotFoundException)
        {
            bag.Error(whole, $"there is no such file at {path}");
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            bag.Error(whole, $"cannot be read: {e.Message}");
        }
        catch (Exception e) when (Damaged(e))
        {
            bag.Error(whole, $"is not a whole XLSX workbook ({e.Message.TrimEnd('.')}); save it again from the spreadsheet program");
        }

        stream?.Dispose();
        return null;
    }

    /// <summary>The names of a workbook's sheets; null if it cannot be read.</summary>
    public static IReadOnlyList<string>? SheetNames(string path, string name, DiagnosticBag bag)
    {
        var aside = new DiagnosticBag();
        using var first = Open(path, name, null, default, aside);
        if (first is not null)
        {
            return [first.reader.Name];
        }

        // Several sheets are no fault here: they are what is asked.
        try
        {
            using var stream = InputFile.Open(path);
            if (XlsxGuard.Fault(stream) is null)
            {
                return XlsxGuard.SheetNames(path);
            }
        }
        catch (Exception e) when (e is IOException or InvalidDataException or UnauthorizedAccessException or System.Xml.XmlException)
        {
            // Told below, as the opening told it.
        }

        foreach (var d in aside.Sorted)
        {
            bag.Error(d.Place, d.Message);
        }

        return null;
    }

    public override bool Next()
    {
        line++;
        Array.Clear(texts);
        try
        {
            return reader.Read();
        }
        catch (Exception e) when (Damaged(e))
        {
            bag.Error(new FilePlace(Name, line, 1),
                $"cannot be read from here on ({e.Message.TrimEnd('.')}); save the workbook again from the spreadsheet program");
            return false;
        }
    }

    // The library takes a workbook for sound, and throws what comes of it where it is not.
    private static bool Damaged(Exception e) =>
        e is ExcelReaderException or InvalidDataException or System.Xml.XmlException or NotSupportedException or FormatException
            or OverflowException or ArgumentException or InvalidOperationException or NullReferenceException or KeyNotFoundException
            or IndexOutOfRangeException or InvalidCastException or EndOfStreamException;

    public override ReadOnlySpan<char> Text(int cell)
    {
        if (cell >= texts.Length)
        {
            return default;
        }

        return texts[cell] ??= reader.GetValue(cell) switch
        {
            null => "",
            string s => s.Trim(),
            double d => RawNumber.Of(d).ToString(),
            IFormattable f => f.ToString(null, CultureInfo.InvariantCulture),
            var other => other.ToString() ?? "",
        };
    }

    public override bool TryNumber(int cell, out RawNumber number)
    {
        number = default;
        if (faults.ContainsKey((line, cell + 1)))
        {
            return false;
        }

        switch (cell < Count ? reader.GetValue(cell) : null)
        {
            case double d when double.IsFinite(d):
                number = RawNumber.Of(d);
                return true;
            case int i:
                number = RawNumber.Of(i);
                return true;
            case string s:
                return RawNumber.TryRead(s.AsSpan().Trim(), '.', out number);
            default:
                return false;
        }
    }

    public override string? Fault(int cell)
    {
        if (cell >= Count)
        {
            return null;
        }

        if (faults.TryGetValue((line, cell + 1), out var fault))
        {
            return fault;
        }

        return reader.GetValue(cell) switch
        {
            DateTime date =>
                string.Create(CultureInfo.InvariantCulture,
                    $"cell {Address(cell)} holds a date, {date:yyyy-MM-dd}: the spreadsheet may have taken a number such as "
                        + $"{date.Day}.{date.Month} for one; format the column as numbers and type it again"),
            TimeSpan => $"cell {Address(cell)} holds a time; format the column as numbers and type it again",
            _ => null,
        };
    }

    public override void Dispose()
    {
        reader.Dispose();
        stream.Dispose();
        base.Dispose();
    }

    private string Address(int cell) => XlsxGuard.Letters(cell + 1) + line.ToString(CultureInfo.InvariantCulture);
}
