using System.IO.Compression;
using System.Text;

namespace Plinth.Cli.Tests;

/// <summary>Small files that would cost minutes, memory or the stack, and values beyond all measure: each is told with its place.</summary>
public sealed class EvilInputTests : IDisposable
{
    private const string Namespace = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private const string Head =
        """<row r="1"><c r="A1" t="inlineStr"><is><t>node</t></is></c><c r="B1" t="inlineStr"><is><t>load</t></is></c><c r="C1" t="inlineStr"><is><t>Fz (kN)</t></is></c></row>""";
    private const string Row =
        """<row r="2"><c r="A2" t="inlineStr"><is><t>C1</t></is></c><c r="B2" t="inlineStr"><is><t>DEAD</t></is></c><c r="C2"><v>100</v></c></row>""";

    private readonly Folder f = new();

    public void Dispose() => f.Dispose();

    private void Book(string sheet, string ns = Namespace, Action<ZipArchive>? more = null)
    {
        using var zip = ZipFile.Open(System.IO.Path.Combine(f.Path, "raw.xlsx"), ZipArchiveMode.Create);
        void Part(string name, string content)
        {
            using var to = new StreamWriter(zip.CreateEntry(name, CompressionLevel.Optimal).Open());
            to.Write(content);
        }

        Part("[Content_Types].xml",
            """<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/></Types>""");
        Part("_rels/.rels",
            """<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>""");
        Part("xl/workbook.xml",
            $"""<workbook xmlns="{ns}" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="R" sheetId="1" r:id="rId1"/></sheets></workbook>""");
        Part("xl/_rels/workbook.xml.rels",
            """<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>""");
        Part("xl/worksheets/sheet1.xml",
            sheet.StartsWith("<row", StringComparison.Ordinal)
                ? $"""<worksheet xmlns="{ns}"><sheetData>{sheet}</sheetData></worksheet>"""
                : sheet);
        more?.Invoke(zip);
        f["plinth.toml"] = Folder.Toml
            + "\n[import]\nfile = \"raw.xlsx\"\ncolumns = { support = \"node\", case = \"load\", Fz = \"Fz\" }\n";
    }

    private string Told()
    {
        var ran = f.Run("import", "--dry-run");
        ran.Exit.Should().Be(2, ran.Out);
        return ran.Error;
    }

    [Fact]
    public void A_sound_workbook_is_read()
    {
        Book(Head + Row);
        f.Run("import", "--dry-run").Out.Should().Contain("100.0").And.Contain("1 rows, 1 supports");
    }

    [Theory]
    [InlineData("""<row r="1048576"><c r="XFD1048576"><v>1</v></c></row>""", "cell XFD1048576 may be far from the table")]
    [InlineData("""<row r="2147483647"><c r="A2147483647"><v>1</v></c></row>""", "a row numbered 2147483647, which no sheet has")]
    [InlineData("""<row r="2147483647"/>""", "a row numbered 2147483647, which no sheet has")]
    [InlineData("""<row r="3"><c r="XFE3"><v>1</v></c></row>""", "a cell at XFE3, which no sheet has")]
    [InlineData("""<row r="3"><c r="AAAAAAAAAAAAAAAAAAAAAAAAAA3"><v>1</v></c></row>""", "which no sheet has")]
    [InlineData("""<row r="x"/>""", "a row numbered x")]
    public void A_cell_far_away_is_named_and_not_read_up_to(string far, string told)
    {
        Book(Head + Row + far);
        Told().Should().Contain("raw.xlsx: error: ").And.Contain(told);
    }

    [Theory]
    [InlineData("""<c r="C2"><v>1e</v></c>""", "raw.xlsx:2:3: error: Fz (kN) \"1e\" is not a number")]
    [InlineData("""<c r="C2" t="s"><v>99999</v></c>""", "raw.xlsx:2:3: error: cell C2 holds a text that the workbook has lost")]
    [InlineData("""<c r="C2" t="e"><v>#REF!</v></c>""", "cell C2 holds the spreadsheet error #REF!")]
    [InlineData("""<c r="C2" t="b"><v>1</v></c>""", "raw.xlsx:2:3: error:")]
    [InlineData("""<c r="C2"><v>1e999</v></c>""", "raw.xlsx:2:3: error:")]
    public void A_number_that_is_none_is_told_and_never_another(string cell, string told)
    {
        Book(Head + Row.Replace("""<c r="C2"><v>100</v></c>""", cell, StringComparison.Ordinal));
        Told().Should().Contain(told);
    }

    [Fact]
    public void A_workbook_of_another_kind_of_document_is_told()
    {
        Book(Head + Row, "http://example.org/other");
        Told().Should().Contain("error:");
    }

    [Fact]
    public void Errors_without_end_and_hollow_sheets_are_bounded()
    {
        Book(Head
            + string.Concat(Enumerable.Range(2, 60_000)
                .Select(
                    i =>
                        $"""<row r="{i}"><c r="A{i}" t="inlineStr"><is><t>C1</t></is></c><c r="B{i}" t="inlineStr"><is><t>DEAD</t></is></c><c r="C{i}" t="e"><v>#REF!</v></c></row>""")));
        Told().Should().Contain("#REF!").And.Contain("more messages are not shown");

        File.Delete(System.IO.Path.Combine(f.Path, "raw.xlsx"));
        Book(Head + string.Concat(Enumerable.Range(2, 400_000).Select(i => $"""<row r="{i}"><c/><c/><c/><c/><c/><c/></row>""")));
        Told().Should().Contain("of which 3 hold a value");
    }

    [Fact]
    public void What_swells_is_refused_also_where_padding_hides_it()
    {
        var padding = new byte[8 << 20];
        new Random(1).NextBytes(padding);
        Book(Head + Row + new string(' ', 200 << 20), more: zip =>
        {
            using var to = zip.CreateEntry("xl/media/p.bin").Open();
            to.Write(padding);
        });
        Told().Should().Contain("swells from");
    }

    [Fact]
    public void Brackets_and_points_without_end_are_no_toml_here()
    {
        foreach (var (line, told) in new[]
        {
            ("x = " + new string('[', 65) + new string(']', 65), "deeper than any here"),
            ("x = " + new string('[', 100_000), "deeper than any here"),
            ("x = " + string.Concat(Enumerable.Repeat("{a=", 200)), "deeper than any here"),
            (string.Join('.', Enumerable.Repeat("a", 100_000)) + " = 1", "a key of 100,000 parts"),
            ("[" + string.Join('.', Enumerable.Repeat("a", 100_000)) + "]", "a key of 100,000 parts"),
        })
        {
            f["plinth.toml"] = line + "\n" + Folder.Toml;
            var ran = f.Run("check");
            ran.Exit.Should().Be(2);
            ran.Error.Should().Contain("plinth.toml:1:").And.Contain(told);
        }

        f["plinth.toml"] = Folder.Toml;
        f["adopted.toml"] = "[F1]\nsupports = []\n";
        f.Run("check").Error.Should().Contain("adopted.toml:2:12: error: supports is an empty list");
        File.Delete(System.IO.Path.Combine(f.Path, "adopted.toml"));
        f["plinth.toml"] = Folder.Toml + "\n[[foundation]]\nsupports = []\n";
        f.Run("check").Error.Should().Contain("supports is an empty list; name what stands on the foundation");
    }

    [Theory]
    [InlineData("length = \"1e300 m\"", "is beyond any length")]
    [InlineData("length = \"1e308 ft\"", "is beyond any length")]
    [InlineData("length = \"1e99' 6\\\"\"", "is beyond any length")]
    [InlineData("length = \"20 km\"", "is not a unit")]
    [InlineData("length = \"20000 m\"", "is beyond 10,000 m")]
    [InlineData("thickness = \"1e-30 m\"", "is beyond what is read here")]
    public void A_side_beyond_all_measure_is_refused(string line, string told)
    {
        f.Run("size").Exit.Should().Be(0);
        var key = line.Split(' ')[0];
        f["adopted.toml"] = string.Join('\n',
            f["adopted.toml"].Split('\n').Select(l => l.StartsWith(key + " =", StringComparison.Ordinal) ? line : l));
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("adopted.toml:").And.Contain(told);
    }

    [Theory]
    [InlineData("bearing = \"200 kPa\"", "bearing = \"1e300 kPa\"")]
    [InlineData("bearing = \"200 kPa\"", "bearing = \"2e15 kPa\"")]
    [InlineData("strength = \"30 MPa\"", "strength = \"1e200 MPa\"")]
    [InlineData("founding-depth = \"1.5 m\"", "founding-depth = \"1e8 m\"")]
    [InlineData("bearing = \"200 kPa\"", "bearing = \"200 kPa\"\nfriction = 1e200")]
    [InlineData("bearing = \"200 kPa\"", "bearing = \"200 kPa\"\nuplift-spread = \"1e9 deg\"")]
    public void A_rule_beyond_all_measure_is_refused(string old, string with)
    {
        f.Replace("plinth.toml", old, with);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("plinth.toml:").And.Contain("beyond");
    }

    [Theory]
    [InlineData("supports.csv", "C1,0,0,400,400", "C1,1e300,0,400,400")]
    [InlineData("supports.csv", "C1,0,0,400,400", "C1,0,0,4e8,400")]
    [InlineData("reactions.csv", "C1,DEAD,2,0,420,0,5", "C1,DEAD,2,0,1e300,0,5")]
    [InlineData("reactions.csv", "C1,DEAD,2,0,420,0,5", "C1,DEAD,2,0,420,0,-1e12")]
    public void A_cell_beyond_all_measure_is_refused(string file, string old, string with)
    {
        f.Replace(file, old, with);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(file + ":2:").And.Contain("beyond");
    }

    [Fact]
    public void What_plinth_toml_holds_is_not_set_otherwise()
    {
        f["plinth.toml"] += "\n[[foundation]]\nmark = \"F2\"\nsupports = [\"C2\"]\nthickness = \"900 mm\"\n";
        f.Run("size").Exit.Should().Be(0);
        var before = f["adopted.toml"];
        var ran = f.Run("set", "F2", "thickness=700 mm");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("F2: thickness 700 mm differs from thickness 900 mm, which plinth.toml holds for it");
        f["adopted.toml"].Should().Be(before, "what was adopted would not be read again");
        f.Run("check", "F2", "--set", "thickness=700 mm").Exit.Should().NotBe(2, "a trial writes nothing");
    }

    [Fact]
    public void A_replacement_that_is_none_is_told()
    {
        f["raw.csv"] = "node,load,Fz (kN)\nN1,DEAD,100\n";
        f["plinth.toml"] = Folder.Toml
            + "\n[import]\nfile = \"raw.csv\"\ncolumns = { support = \"node\", case = \"load\", Fz = \"Fz\" }\n"
            + "label-pattern = \"^N(\\\\d+)$\"\nlabel-to = \"C$2147483648\"\n";
        Told().Should().Contain("plinth.toml:27:12: error: label-to = \"C$2147483648\" names a part that label-pattern does not have");
    }

    [Fact]
    public void Labels_are_bounded_and_those_that_are_long_are_drawn_and_reported()
    {
        var longest = new string('L', 200);
        foreach (var file in new[] { "supports.csv", "reactions.csv" })
        {
            f[file] = f[file].Replace("C1", longest + "L", StringComparison.Ordinal);
        }

        f.Run("size").Error.Should().Contain("has a label of 201 characters; labels have up to 200");
        foreach (var file in new[] { "supports.csv", "reactions.csv" })
        {
            f[file] = f[file].Replace(longest + "L", longest, StringComparison.Ordinal);
        }

        f.Run("size").Exit.Should().Be(0);
        foreach (var call in new[] { new[] { "report", "--depth", "full", "--to", "r.pdf" }, ["report", "--to", "r.docx"],
            ["draw", "--to", "p.pdf"], ["draw", "F1", "--to", "d.pdf"], ["schedule"], ["check"] })
        {
            f.Run(call).Exit.Should().Be(0, string.Join(' ', call));
        }

        f["plinth.toml"] = Folder.Toml.Replace("\"Test\"", "\"" + new string('T', 10_000) + "\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("plinth.toml:2:8: error: name has 10,000 characters").And.NotContain("needs name");
        Encoding.UTF8.GetByteCount(f.Run("check").Error).Should().BeLessThan(2000);
    }
}
