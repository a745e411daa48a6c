using System.Globalization;
using System.IO.Compression;
using System.Xml;
using Plinth.Files.Access;

namespace Plinth.Files.Import;

/// <summary>A part of a workbook as it is unpacked: what swells beyond all measure ends early, with what to say of it.</summary>
internal sealed class CountedPart(ZipArchiveEntry entry, long room) : Stream
{
    private const long HarmlessBytes = 16L << 20;
    private const int MostRatio = 150;

    private readonly Stream content = entry.Open();

    /// <summary>Bytes so far.</summary>
    public long Count { get; private set; }

    /// <summary>Why it ended early; null: it did not.</summary>
    public string? Fault { get; private set; }

    public override bool CanRead => true;

    public override bool CanSeek => false;

    public override bool CanWrite => false;

    public override long Length => throw new NotSupportedException();

    public override long Position { get => Count; set => throw new NotSupportedException(); }

    /// <summary>Reads on to its end.</summary>
    /// <returns>Nothing: <see cref="Fault"/> tells.</returns>
    public string? Drain()
    {
        Span<byte> buffer = new byte[1 << 16];
        while (Read(buffer) > 0)
        {
            // Counted as it is read.
        }

        return null;
    }

    public override int Read(Span<byte> buffer)
    {
        var read = Fault is null ? content.Read(buffer) : 0;
        Count += read;

        // Each part by itself: padding elsewhere does not excuse one that swells.
        if (Count > HarmlessBytes && Count / Math.Max(1, entry.CompressedLength) > MostRatio)
        {
            Fault = string.Create(CultureInfo.InvariantCulture,
                $"swells from {entry.CompressedLength >> 10} KB to over {Count >> 20} MB when unpacked: no table of reactions does; export "
                    + $"it anew, or as CSV");
        }
        else if (Count > room)
        {
            Fault = string.Create(CultureInfo.InvariantCulture,
                $"has over {InputFile.Limit} MB when unpacked; export the table alone, as CSV (--limit reads more)");
        }

        return Fault is null ? read : 0;
    }

    public override int Read(byte[] buffer, int offset, int count) => Read(buffer.AsSpan(offset, count));

    public override void Flush() => throw new NotSupportedException();

    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    public override void SetLength(long value) => throw new NotSupportedException();

    public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();

    protected override void Dispose(bool disposing)
    {
        content.Dispose();
        base.Dispose(disposing);
    }
}

/// <summary>
/// How far a sheet reaches and how much of that is filled: each empty cell within its bounds is read as one, so that one cell far away
/// costs as much as millions.
/// </summary>
internal static class SheetExtent
{
    private const int LastRow = 1 << 20;
    private const int LastColumn = 1 << 14;
    private const long HarmlessArea = 5_000_000;
    private const int MostEmpty = 50;
    private const int HarmlessCells = 1_000_000;
    private const int MostHollow = 10;
    private const long HarmlessText = 32L << 20;
    private const int MostTextPerCell = 1000;

    /// <summary>Why a sheet cannot be read as a table; null: it can, or it is no sheet.</summary>
    public static string? Fault(CountedPart part)
    {
        using var xml = XmlReader.Create(part, XlsxGuard.Settings);
        var (cells, filled, row, column) = (0L, 0L, 0, 0);
        var (lowest, rightmost) = ("", "");
        while (Read(xml, part))
        {
            if (xml.NodeType != XmlNodeType.Element)
            {
                continue;
            }

            switch (xml.LocalName)
            {
                case "row" when xml.GetAttribute("r") is { } number:
                    // Also a row without cells is one up to which is read.
                    if (!int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var r) || r > LastRow)
                    {
                        return $"has a row numbered {Short(number)}, which no sheet has; save it again from the spreadsheet program";
                    }

                    (row, lowest) = r > row ? (r, $"row {number}") : (row, lowest);
                    break;
                case "c":
                    if (++cells > 2 * HarmlessCells && cells / Math.Max(1, filled) > MostHollow)
                    {
                        return Hollow(part, cells, filled);
                    }

                    if (xml.GetAttribute("r") is { } cell)
                    {
                        if (Split(cell) is not { } at)
                        {
                            return $"has a cell at {Short(cell)}, which no sheet has; save it again from the spreadsheet program";
                        }

                        (row, lowest) = at.Row > row ? (at.Row, $"cell {cell}") : (row, lowest);
                        (column, rightmost) = at.Column > column ? (at.Column, $"cell {cell}") : (column, rightmost);
                    }

                    break;
                case "v" or "is" or "f":
                    filled++;
                    break;
            }
        }

        if ((long)row * column is > HarmlessArea and var area && area / Math.Max(1, filled) > MostEmpty)
        {
            return string.Create(CultureInfo.InvariantCulture,
                $"holds {filled:#,0} values in {row:#,0} rows and {column:#,0} columns: "
                    + $"{string.Join(" and ", new[] { lowest, rightmost }.Distinct())} may be far from the table; delete what is there in "
                    + $"the spreadsheet program and save again");
        }

        return (cells > HarmlessCells && cells / Math.Max(1, filled) > MostHollow)
            || (cells > 0 && part.Count > HarmlessText && part.Count / Math.Max(1, filled) > MostTextPerCell)
            ? Hollow(part, cells, filled)
            : null;
    }

    private static string Hollow(CountedPart part, long cells, long filled) =>
        string.Create(CultureInfo.InvariantCulture,
            $"has a sheet of {part.Count >> 20} MB or more with {cells:#,0} cells, of which {filled:#,0} hold a value; copy the table to a "
                + $"new workbook and save that");

    /// <summary>Row and column of a cell, from 1; null: no sheet has such a cell.</summary>
    public static (int Row, int Column)? Split(string address)
    {
        var (i, column) = (0, 0);
        for (; i < address.Length && i < 4 && char.IsAsciiLetterUpper(address[i]); i++)
        {
            column = (26 * column) + (address[i] - 'A' + 1);
        }

        return int.TryParse(address.AsSpan(i), NumberStyles.None, CultureInfo.InvariantCulture, out var row) && row is > 0 and <= LastRow
            && column is > 0 and <= LastColumn ? (row, column) : null;
    }

    private static bool Read(XmlReader xml, CountedPart part)
    {
        try
        {
            return xml.Read();
        }
        catch (XmlException)
        {
            // No XML, or ended early because it swells: the part tells the one, who opens the workbook the other.
            part.Drain();
            return false;
        }
    }

    private static string Short(string text) => text.Length > 20 ? text[..20] + "…" : text;
}
