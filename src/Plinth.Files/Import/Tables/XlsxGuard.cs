using System.Globalization;
using System.IO.Compression;
using System.Xml;

namespace Plinth.Files.Import;

/// <summary>Looks at a workbook before it is read: whether it would swell beyond all measure, and which formulas have no result.</summary>
internal static class XlsxGuard
{
    private const long MostBytes = 1L << 30;
    private const long HarmlessBytes = 64L << 20;
    private const int MostRatio = 150;

    private static readonly XmlReaderSettings Settings = new() { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, IgnoreComments = true };

    /// <summary>What makes a workbook unfit to open; null: nothing. Sizes are counted, not believed.</summary>
    public static string? Fault(Stream stream)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Read, leaveOpen: true);
        var buffer = new byte[1 << 16];
        long total = 0;
        var packed = Math.Max(1, stream.Length);
        foreach (var entry in zip.Entries)
        {
            using var content = entry.Open();
            int read;
            while ((read = content.Read(buffer)) > 0)
            {
                total += read;
                if (total > MostBytes || (total > HarmlessBytes && total / packed > MostRatio))
                {
                    return string.Create(CultureInfo.InvariantCulture, $"swells from {packed >> 10} KB to over {total >> 20} MB when unpacked: no table of reactions does; export it anew, or as CSV");
                }
            }
        }

        return zip.GetEntry("xl/workbook.xml") is null ? "is not an XLSX workbook; save it as .xlsx, or export CSV" : null;
    }

    /// <summary>The cells of a sheet that hold an error, or a formula without a stored result, by row and column from 1; each with what to say of it.</summary>
    public static IReadOnlyDictionary<(int Row, int Column), string> Faults(string path, string sheet)
    {
        var result = new Dictionary<(int, int), string>();
        using var zip = ZipFile.OpenRead(path);
        if (PathOf(zip, sheet) is not { } part || zip.GetEntry(part) is not { } entry)
        {
            return result;
        }

        using var xml = XmlReader.Create(entry.Open(), Settings);
        string? cell = null;
        string? formula = null;
        var (valued, error) = (false, false);
        while (xml.Read())
        {
            switch (xml.NodeType, xml.LocalName)
            {
                case (XmlNodeType.Element, "c"):
                    (cell, formula, valued, error) = (xml.GetAttribute("r"), null, false, xml.GetAttribute("t") == "e");
                    break;
                case (XmlNodeType.Element, "f"):
                    formula = xml.IsEmptyElement ? "" : xml.ReadString();
                    break;
                case (XmlNodeType.Element, "v") when error && cell is not null && Split(cell) is { } at:
                    result[at] = $"cell {cell} holds the spreadsheet error {(xml.IsEmptyElement ? "" : xml.ReadString())}; mend its formula and save again";
                    valued = true;
                    break;
                case (XmlNodeType.Element, "v" or "is"):
                    valued = !xml.IsEmptyElement;
                    break;
                case (XmlNodeType.EndElement, "c") when formula is not null && !valued && cell is not null && Split(cell) is { } at:
                    result[at] = $"cell {cell} holds a formula{(formula.Length == 0 ? "" : ", =" + formula + ",")} without its result; open the workbook in a spreadsheet program, let it compute, and save";
                    break;
            }
        }

        return result;
    }

    /// <summary>The names of a workbook's sheets, in order.</summary>
    public static IReadOnlyList<string> SheetNames(string path)
    {
        var names = new List<string>();
        using var zip = ZipFile.OpenRead(path);
        Find(zip, "xl/workbook.xml", "sheet", x =>
        {
            names.Add(x.GetAttribute("name") ?? "");
            return null;
        });
        return names;
    }

    /// <summary>Letters of a column: 1 is A, 27 is AA.</summary>
    public static string Letters(int column)
    {
        var text = "";
        for (; column > 0; column = (column - 1) / 26)
        {
            text = (char)('A' + ((column - 1) % 26)) + text;
        }

        return text;
    }

    private static (int Row, int Column)? Split(string address)
    {
        var (i, column) = (0, 0);
        for (; i < address.Length && char.IsAsciiLetterUpper(address[i]); i++)
        {
            column = (26 * column) + (address[i] - 'A' + 1);
        }

        return int.TryParse(address.AsSpan(i), NumberStyles.None, CultureInfo.InvariantCulture, out var row) ? (row, column) : null;
    }

    // workbook.xml names a sheet by a relation; the relation names its part.
    private static string? PathOf(ZipArchive zip, string sheet)
    {
        var id = Find(zip, "xl/workbook.xml", "sheet", x => x.GetAttribute("name") == sheet ? x.GetAttribute("id", "http://schemas.openxmlformats.org/officeDocument/2006/relationships") ?? x.GetAttribute("id", "http://purl.oclc.org/ooxml/officeDocument/relationships") : null);
        var target = id is null ? null : Find(zip, "xl/_rels/workbook.xml.rels", "Relationship", x => x.GetAttribute("Id") == id ? x.GetAttribute("Target") : null);
        return target is null ? null : target.StartsWith('/') ? target[1..] : "xl/" + target;
    }

    private static string? Find(ZipArchive zip, string part, string element, Func<XmlReader, string?> of)
    {
        if (zip.GetEntry(part) is not { } entry)
        {
            return null;
        }

        using var xml = XmlReader.Create(entry.Open(), Settings);
        while (xml.Read())
        {
            if (xml.NodeType == XmlNodeType.Element && xml.LocalName == element && of(xml) is { } found)
            {
                return found;
            }
        }

        return null;
    }
}
