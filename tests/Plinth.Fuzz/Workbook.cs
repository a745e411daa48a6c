using System.Globalization;
using System.IO.Compression;
using System.Security;

namespace Plinth.Fuzz;

/// <summary>The least workbook that a table needs.</summary>
internal static class Workbook
{
    private const string Relations = "http://schemas.openxmlformats.org/package/2006/relationships";
    private const string Office = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private const string Main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";

    /// <summary>Writes a table; texts are shared, as spreadsheet programs write them.</summary>
    public static void Write(string path, IReadOnlyList<string[]> rows)
    {
        using var zip = ZipFile.Open(path, ZipArchiveMode.Create);
        void Part(string name, string content)
        {
            using var to = new StreamWriter(zip.CreateEntry(name).Open());
            to.Write(content);
        }

        var shared = new List<string>();
        string Cell(string text, int row, int column)
        {
            var at = string.Create(CultureInfo.InvariantCulture, $"{(char)('A' + column)}{row + 1}");
            if (double.TryParse(text.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number))
            {
                return string.Create(CultureInfo.InvariantCulture, $"<c r=\"{at}\"><v>{number}</v></c>");
            }

            if (!shared.Contains(text))
            {
                shared.Add(text);
            }

            return string.Create(CultureInfo.InvariantCulture, $"<c r=\"{at}\" t=\"s\"><v>{shared.IndexOf(text)}</v></c>");
        }

        Part("[Content_Types].xml",
            "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"rels\" "
                + "ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/><Default Extension=\"xml\" "
                + "ContentType=\"application/xml\"/></Types>");
        Part("_rels/.rels",
            $"<Relationships xmlns=\"{Relations}\"><Relationship Id=\"rId1\" Type=\"{Office}/officeDocument\" "
                + "Target=\"xl/workbook.xml\"/></Relationships>");
        Part("xl/workbook.xml",
            $"<workbook xmlns=\"{Main}\" xmlns:r=\"{Office}\"><sheets><sheet name=\"Base\" sheetId=\"1\" "
                + "r:id=\"rId1\"/></sheets></workbook>");
        Part("xl/_rels/workbook.xml.rels",
            $"<Relationships xmlns=\"{Relations}\"><Relationship Id=\"rId1\" Type=\"{Office}/worksheet\" "
                + $"Target=\"worksheets/sheet1.xml\"/><Relationship Id=\"rId2\" Type=\"{Office}/sharedStrings\" "
                + "Target=\"sharedStrings.xml\"/></Relationships>");
        Part("xl/worksheets/sheet1.xml",
            $"<worksheet xmlns=\"{Main}\"><sheetData>{string.Concat(rows.Select((r, i) => string.Create(CultureInfo.InvariantCulture, $"<row r=\"{i + 1}\">{string.Concat(r.Select((t, j) => Cell(t, i, j)))}</row>")))}</sheetData></worksheet>");
        Part("xl/sharedStrings.xml",
            $"<sst xmlns=\"{Main}\">{string.Concat(shared.Select(t => $"<si><t>{SecurityElement.Escape(t)}</t></si>"))}</sst>");
    }
}
