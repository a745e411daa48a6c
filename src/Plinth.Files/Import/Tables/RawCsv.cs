using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using System.Text.Unicode;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;
using Sylvan.Data.Csv;

namespace Plinth.Files.Import;

/// <summary>A CSV file of any delimiter, decimal sign and common encoding, read as a stream.</summary>
internal sealed partial class RawCsv : RawTable
{
    private const int LongestRecord = 1 << 20;
    private const int SampleLength = 1 << 16;
    private static readonly char[] Delimiters = [';', '\t', ',', '|'];

    private readonly CsvDataReader reader;
    private readonly DiagnosticBag bag;
    private int line;
    private int lines;

    private RawCsv(CsvDataReader reader, string name, char delimiter, char decimalSign, string encoding, DiagnosticBag bag)
    {
        (this.reader, Name, Delimiter, DecimalSign, EncodingName, this.bag) = (reader, name, delimiter, decimalSign, encoding, bag);
    }

    public override string Name { get; }

    public override int Line => line;

    public override int Count => reader.RowFieldCount;

    /// <summary>Between cells.</summary>
    public char Delimiter { get; }

    /// <summary>'.' or ','.</summary>
    public char DecimalSign { get; }

    /// <summary>Encoding as found.</summary>
    public string EncodingName { get; }

    /// <summary>Opens a file.</summary>
    /// <param name="path">The file.</param>
    /// <param name="name">Its name in messages.</param>
    /// <param name="delimiter">Stated delimiter; null: found.</param>
    /// <param name="decimalSign">Stated decimal sign; null: found.</param>
    /// <param name="encodingName">Stated encoding; null: found.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public static RawCsv? Open(string path, string name, char? delimiter, char? decimalSign, string? encodingName, DiagnosticBag bag)
    {
        Encoding? encoding;
        string sample;
        try
        {
            encoding = encodingName is null ? Detect(path) : Named(encodingName);
            bag.Reads(path, name);
            if (encoding is null)
            {
                bag.Error(new FilePlace(name, 0, 0), $"is not a text file; export the table as CSV or XLSX");
                return null;
            }

            using var probe = new StreamReader(InputFile.Open(path), encoding, detectEncodingFromByteOrderMarks: true);
            var buffer = new char[SampleLength];
            sample = new string(buffer, 0, probe.ReadBlock(buffer, 0, buffer.Length));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            bag.Error(new FilePlace(name, 0, 0),
                e is FileNotFoundException or DirectoryNotFoundException
                    ? $"there is no such file at {path}"
                    : $"cannot be read: {e.Message}");
            return null;
        }

        if (string.IsNullOrWhiteSpace(sample))
        {
            bag.Error(new FilePlace(name, 0, 0), "is empty");
            return null;
        }

        var cut = delimiter ?? FindDelimiter(sample);
        var mark = decimalSign ?? FindDecimal(sample, cut);
        var options = new CsvDataReaderOptions
        {
            HasHeaders = false,
            Delimiter = cut,
            MaxBufferSize = LongestRecord,
            BufferSize = 1 << 16,
            Culture = CultureInfo.InvariantCulture
        };
        var text = new StreamReader(InputFile.Open(path), encoding, detectEncodingFromByteOrderMarks: true, bufferSize: 1 << 16);
        return new RawCsv(CsvDataReader.Create(text, options), name, cut, mark, encoding.WebName, bag);
    }

    public override bool Next()
    {
        line += lines;
        try
        {
            if (!reader.Read())
            {
                return false;
            }
        }
        catch (Exception e) when (e is CsvRecordTooLargeException or CsvFormatException or DecoderFallbackException)
        {
            bag.Error(new FilePlace(Name, Math.Max(1, line), 1),
                e is CsvRecordTooLargeException
                    ? "a row here is longer than a million characters; a quote may be left open"
                    : $"cannot be read from here on: {e.Message}");
            return false;
        }

        line = line == 0 ? 1 : line;
        lines = Math.Max(1, reader.GetRawRecordSpan().Count('\n'));
        return true;
    }

    public override ReadOnlySpan<char> Text(int cell) => cell < reader.RowFieldCount ? reader.GetFieldSpan(cell).Trim() : default;

    public override bool TryNumber(int cell, out RawNumber number) => RawNumber.TryRead(Text(cell), DecimalSign, out number);

    public override string? Fault(int cell)
    {
        var text = Text(cell);
        return text.Length > 1 && text[0] == '#' && ErrorCell().IsMatch(text)
            ? $"holds the spreadsheet error {text}; mend its formula and export again"
            : null;
    }

    public override FilePlace Place(int cell)
    {
        var (quoted, at, start) = (false, 0, 0);
        var raw = reader.GetRawRecordSpan();
        for (var i = 0; i < raw.Length && at < cell; i++)
        {
            quoted ^= raw[i] == '"';
            if (raw[i] == Delimiter && !quoted)
            {
                (at, start) = (at + 1, i + 1);
            }
        }

        return new FilePlace(Name, line, start + 1);
    }

    public override void Dispose()
    {
        reader.Dispose();
        base.Dispose();
    }

    // UTF-8 if it is valid throughout; UTF-16 by its mark or its zeros; else Latin-1, in which nothing is invalid.
    private static Encoding? Detect(string path)
    {
        using var stream = InputFile.Open(path);
        var buffer = new byte[1 << 16];
        var kept = 0;
        var first = true;
        var utf8 = true;
        while (true)
        {
            var read = stream.Read(buffer, kept, buffer.Length - kept);
            var length = kept + read;
            if (first)
            {
                first = false;
                if (length >= 2 && ((buffer[0] == 0xFF && buffer[1] == 0xFE) || (buffer[0] == 0xFE && buffer[1] == 0xFF)))
                {
                    return new UnicodeEncoding(buffer[0] == 0xFE, true, true);
                }

                if (length >= 2 && (buffer[0] == 0) != (buffer[1] == 0))
                {
                    return new UnicodeEncoding(buffer[0] == 0, false, true);
                }
            }

            if (buffer.AsSpan(0, length).Contains((byte)0))
            {
                return null;
            }

            // A letter may be cut by the end of the buffer: its first bytes wait for the rest.
            var whole = read == 0 ? length : length - Cut(buffer.AsSpan(0, length));
            utf8 = utf8 && Utf8.IsValid(buffer.AsSpan(0, whole));
            if (read == 0)
            {
                return utf8 ? new UTF8Encoding(false, true) : Encoding.Latin1;
            }

            buffer.AsSpan(whole, length - whole).CopyTo(buffer);
            kept = length - whole;
        }
    }

    private static int Cut(ReadOnlySpan<byte> bytes)
    {
        for (var back = 1; back <= Math.Min(3, bytes.Length); back++)
        {
            var b = bytes[^back];
            if (b >= 0xC0)
            {
                return back < (b >= 0xF0 ? 4 : b >= 0xE0 ? 3 : 2) ? back : 0;
            }

            if (b < 0x80)
            {
                return 0;
            }
        }

        return 0;
    }

    private static Encoding? Named(string name) => name switch
    {
        "utf-8" => new UTF8Encoding(false, true),
        "utf-16" => new UnicodeEncoding(false, true, true),
        "latin-1" => Encoding.Latin1,
        _ => null,
    };

    // The delimiter that cuts most lines alike, outside quotes.
    private static char FindDelimiter(string sample)
    {
        var lines = sample.Split('\n').Where(l => !string.IsNullOrWhiteSpace(l)).Take(40).ToList();
        var best = (Delimiter: ',', Score: 0);
        foreach (var d in Delimiters)
        {
            var counts = lines.Select(l => Cells(l, d))
                .Where(n => n > 0)
                .GroupBy(n => n)
                .OrderByDescending(g => g.Count())
                .ThenByDescending(g => g.Key)
                .FirstOrDefault();
            var score = counts is null ? 0 : counts.Count() * 100 / Math.Max(1, lines.Count) * Math.Min(counts.Key, 8);
            if (score > best.Score)
            {
                best = (d, score);
            }
        }

        return best.Delimiter;
    }

    private static int Cells(string line, char delimiter)
    {
        var (quoted, count) = (false, 0);
        foreach (var c in line)
        {
            quoted ^= c == '"';
            count += c == delimiter && !quoted ? 1 : 0;
        }

        return count;
    }

    private static char FindDecimal(string sample, char delimiter)
    {
        var (comma, point) = (0, 0);
        foreach (var line in sample.Split('\n').Take(200))
        {
            foreach (var cell in line.Trim().Split(delimiter))
            {
                var text = cell.Trim().Trim('"');
                comma += CommaNumber().IsMatch(text) ? 1 : 0;
                point += PointNumber().IsMatch(text) ? 1 : 0;
            }
        }

        return comma > point ? ',' : '.';
    }

    [GeneratedRegex(@"^[-+−]?\d+,\d+([eE][-+]?\d+)?$")]
    private static partial Regex CommaNumber();

    [GeneratedRegex(@"^[-+−]?\d+\.\d+([eE][-+]?\d+)?$")]
    private static partial Regex PointNumber();

    [GeneratedRegex(@"^#(DIV/0!|N/A|NAME\?|NULL!|NUM!|REF!|VALUE!|SPILL!|CALC!)$", RegexOptions.IgnoreCase)]
    private static partial Regex ErrorCell();
}
