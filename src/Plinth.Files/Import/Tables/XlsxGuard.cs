using System.Globalization;
using System.IO.Compression;
using System.Xml;
using Plinth.Files.Access;

namespace Plinth.Files.Import;

/// <summary>Looks at a workbook before it is read: whether it would swell beyond all measure, and which formulas have no result.</summary>
internal static class XlsxGuard
{
    private const int MostFaults = 1000;

    internal static readonly XmlReaderSettings Settings = new()
    {
        DtdProcessing = DtdProcessing.Prohibit,
        XmlResolver = null,
        IgnoreComments = true
    };

    /// <summary>What makes a workbook unfit to open; null: nothing. Sizes, rows and columns are counted, not believed.</summary>
    public static string? Fault(Stream stream)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Read, leaveOpen: true);
        var room = (long)InputFile.Limit << 20;
        foreach (var entry in zip.Entries)
        {
            using var content = new CountedPart(entry, room);
            var fault = entry.FullName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase) ? SheetExtent.Fault(content) : content.Drain();
            if ((content.Fault ?? fault) is { } told)
            {
                return told;
            }

            room -= content.Count;
        }

        return zip.GetEntry("xl/workbook.xml") is null ? "is not an XLSX workbook; save it as .xlsx, or export CSV" : null;
    }

    /// <summary>
    /// The cells of a sheet that hold an error, or a formula without a stored result, by row and column from 1; each with what to say of
    /// it. There may be more than are told.
    /// </summary>
    public static IReadOnlyDictionary<(int Row, int Column), string> Faults(string path, string sheet)
    {
        var result = new Dictionary<(int, int), string>();
        using var zip = new ZipArchive(InputFile.Open(path), ZipArchiveMode.Read);
        if (PathOf(zip, sheet) is not { } part || zip.GetEntry(part) is not { } entry)
        {
            return result;
        }

        using var xml = XmlReader.Create(entry.Open(), Settings);
        string? cell = null;
        string? formula = null;
        string? type = null;
        var valued = false;
        var texts = SharedTexts(zip);
        while (xml.Read())
        {
            switch (xml.NodeType, xml.LocalName)
            {
                case (XmlNodeType.Element, "c"):
                    (cell, formula, valued, type) = (xml.GetAttribute("r"), null, false, xml.GetAttribute("t"));
                    break;
                case (XmlNodeType.Element, "f"):
                    formula = xml.IsEmptyElement ? "" : xml.ReadString();
                    break;
                case (XmlNodeType.Element, "v")
                    when type == "e" && result.Count < MostFaults && cell is not null && SheetExtent.Split(cell) is { } at:
                    result[at] =
                        $"cell {cell} holds the spreadsheet error {(xml.IsEmptyElement ? "" : xml.ReadString())}; mend its formula "
                            + "and save again";
                    valued = true;
                    break;
                case (XmlNodeType.Element, "v") when type == "s" && !xml.IsEmptyElement:
                    // The library would take the number of a text that is not there for the cell's own.
                    var index = xml.ReadString();
                    if ((!int.TryParse(index, NumberStyles.None, CultureInfo.InvariantCulture, out var i) || i >= texts) && cell is not null
                        && SheetExtent.Split(cell) is { } lost)
                    {
                        result[lost] = $"cell {cell} holds a text that the workbook has lost; type it again and save";
                    }

                    valued = true;
                    break;
                case (XmlNodeType.Element, "v" or "is"):
                    valued = !xml.IsEmptyElement;
                    break;
                case (XmlNodeType.EndElement, "c")
                    when formula is not null && !valued && result.Count < MostFaults && cell is not null
                        && SheetExtent.Split(cell) is { } at:
                    result[at] =
                        $"cell {cell} holds a formula{(formula.Length == 0 ? "" : ", =" + formula + ",")} without its result; open the "
                            + "workbook in a spreadsheet program, let it compute, and save";
                    break;
            }
        }

        return result;
    }

    /// <summary>The names of a workbook's sheets, in order.</summary>
    public static IReadOnlyList<string> SheetNames(string path)
    {
        var names = new List<string>();
        using var zip = new ZipArchive(InputFile.Open(path), ZipArchiveMode.Read);
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

    // workbook.xml names a sheet by a relation; the relation names its part.
    private static string? PathOf(ZipArchive zip, string sheet)
    {
        var id = Find(zip, "xl/workbook.xml", "sheet",
            x => x.GetAttribute("name") == sheet
                ? x.GetAttribute("id", "http://schemas.openxmlformats.org/officeDocument/2006/relationships")
                    ?? x.GetAttribute("id", "http://purl.oclc.org/ooxml/officeDocument/relationships")
                : null);
        var target = id is null
            ? null
            : Find(zip, "xl/_rels/workbook.xml.rels", "Relationship", x => x.GetAttribute("Id") == id ? x.GetAttribute("Target") : null);
        return target is null ? null : target.StartsWith('/') ? target[1..] : "xl/" + target;
    }

    // How many texts the cells share.
    private static int SharedTexts(ZipArchive zip)
    {
        var count = 0;
        if (Find(zip, "xl/_rels/workbook.xml.rels", "Relationship",
            x => x.GetAttribute("Type")?.EndsWith("/sharedStrings", StringComparison.Ordinal) == true
                ? x.GetAttribute("Target")
                : null) is { } target)
        {
            Find(zip, target.StartsWith('/') ? target[1..] : "xl/" + target, "si", _ =>
            {
                count++;
                return null;
            });
        }

        return count;
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
