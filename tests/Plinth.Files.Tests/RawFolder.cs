using System.IO.Compression;
using System.Text;
using Plinth.Files.Diagnostics;
using Plinth.Files.Import;

namespace Plinth.Files.Tests;

/// <summary>A folder with raw tables and an [import], and what reading it gives.</summary>
internal sealed class RawFolder : IDisposable
{
    public const string Long = """
        [import]
        file = "raw.csv"
        columns = { support = "Joint", case = "Loading", Fx = "FX", Fz = "FZ", My = "MY" }

        """;

    private readonly string path = Directory.CreateTempSubdirectory("plinth-import-").FullName;

    public string Path => path;

    public ImportReport? Report { get; private set; }

    public string Reactions { get; private set; } = "";

    public string Faults { get; private set; } = "";

    public RawFolder With(string file, string text, Encoding? encoding = null)
    {
        File.WriteAllText(System.IO.Path.Combine(path, file), text, encoding ?? new UTF8Encoding(false));
        return this;
    }

    public RawFolder Import(string import)
    {
        With("plinth.toml",
            "[project]\nname = \"T\"\ncode = \"aci318m-19\"\n[loads]\nstandard = \"asce7-22\"\n[cases]\nDEAD = \"D\"\n" + import);
        var bag = new DiagnosticBag();
        var project = ImportProject.Read(path, bag);
        using var writer = new StringWriter();
        Report = project?.Spec is { } spec ? new Importer(path, spec, project.Context, bag).Run(writer) : null;
        Reactions = writer.ToString();
        Faults = string.Join('\n', bag.Sorted);
        return this;
    }

    /// <summary>A workbook of one or more sheets, each given by the XML of its rows.</summary>
    public RawFolder Workbook(string file, params (string Name, string Rows, string After)[] sheets)
    {
        using var zip = ZipFile.Open(System.IO.Path.Combine(path, file), ZipArchiveMode.Create);
        void Part(string name, string text)
        {
            using var stream = zip.CreateEntry(name).Open();
            stream.Write(Encoding.UTF8.GetBytes(text));
        }

        const string Main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
        const string Office = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
        const string Package = "http://schemas.openxmlformats.org/package/2006";
        Part("[Content_Types].xml",
            $"<Types xmlns=\"{Package}/content-types\"><Default Extension=\"xml\" ContentType=\"application/xml\"/><Default "
                + "Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/></Types>");
        Part("_rels/.rels",
            $"<Relationships xmlns=\"{Package}/relationships\"><Relationship Id=\"rId1\" Type=\"{Office}/officeDocument\" "
                + "Target=\"xl/workbook.xml\"/></Relationships>");
        Part("xl/workbook.xml",
            $"<workbook xmlns=\"{Main}\" "
                + $"xmlns:r=\"{Office}\"><sheets>{string.Concat(sheets.Select((s, i) => $"<sheet name=\"{s.Name}\" sheetId=\"{i + 1}\" r:id=\"rId{i + 1}\"/>"))}</sheets></workbook>");
        Part("xl/_rels/workbook.xml.rels",
            "<Relationships "
                + $"xmlns=\"{Package}/relationships\">{string.Concat(sheets.Select((_, i) => $"<Relationship Id=\"rId{i + 1}\" Type=\"{Office}/worksheet\" Target=\"worksheets/sheet{i + 1}.xml\"/>"))}<Relationship Id=\"rIdS\" Type=\"{Office}/styles\" Target=\"styles.xml\"/></Relationships>");
        Part("xl/styles.xml",
            $"<styleSheet xmlns=\"{Main}\"><fonts count=\"1\"><font/></fonts><fills count=\"1\"><fill/></fills><borders "
                + "count=\"1\"><border/></borders><cellStyleXfs count=\"1\"><xf/></cellStyleXfs><cellXfs count=\"2\"><xf "
                + "numFmtId=\"0\"/><xf numFmtId=\"14\" applyNumberFormat=\"1\"/></cellXfs></styleSheet>");
        for (var i = 0; i < sheets.Length; i++)
        {
            Part($"xl/worksheets/sheet{i + 1}.xml",
                $"<worksheet xmlns=\"{Main}\"><sheetData>{sheets[i].Rows}</sheetData>{sheets[i].After}</worksheet>");
        }

        return this;
    }

    /// <summary>A row of cells: text, numbers, or XML of a cell that is given whole.</summary>
    public static string Row(int number, params object[] cells) =>
        $"<row r=\"{number}\">" + string.Concat(cells.Select((c, i) => c switch
        {
            string s when s.StartsWith('<') => s.Replace("REF", $"{(char)('A' + i)}{number}", StringComparison.Ordinal),
            string s => $"<c r=\"{(char)('A' + i)}{number}\" t=\"inlineStr\"><is><t>{s}</t></is></c>",
            _ => FormattableString.Invariant($"<c r=\"{(char)('A' + i)}{number}\"><v>{c}</v></c>"),
        })) + "</row>";

    public void Dispose() => Directory.Delete(path, true);
}
