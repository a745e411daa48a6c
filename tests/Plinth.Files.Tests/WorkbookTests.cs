using System.IO.Compression;
using Plinth.Files.Diagnostics;
using Plinth.Files.Import;
using static Plinth.Files.Tests.RawFolder;

namespace Plinth.Files.Tests;

/// <summary>XLSX: what a workbook holds that is no plain value is told, never taken for zero.</summary>
public class WorkbookTests
{
    private const string Import = "[import]\nfile = \"raw.xlsx\"\ncolumns = { support = \"Joint\", case = \"Loading\", Fz = \"FZ\" }\n";
    private static readonly string Header = Row(1, "Reactions") + Row(2, "Joint", "Loading", "FZ") + Row(3, "", "", "kN");

    private static RawFolder Given(string rows, string after = "", string import = Import) =>
        new RawFolder().Workbook("raw.xlsx", ("Base", rows, after)).Import(import);

    [Fact]
    public void Numbers_texts_and_gaps_are_read_to_the_digits_a_spreadsheet_keeps()
    {
        using var f = Given(Header + Row(4, 1, "DEAD", 8.534000000000001) + Row(6, "A2", "DEAD", -1e-3) + Row(7, "A3", "DEAD", "12.50"));
        f.Faults.Should().BeEmpty();
        f.Reactions.Should().Be("support,case,Fz (kN)\n1,DEAD,8.534\nA2,DEAD,-0.001\nA3,DEAD,12.50\n");
        f.Report!.Read[0].Should().Be("raw.xlsx: header in row 2, units in row 3; 3 rows");
    }

    [Theory]
    [InlineData("<c r=\"REF\"><f>A4*2</f></c>", "raw.xlsx:4:3: error: cell C4 holds a formula, =A4*2, without its result; open the "
        + "workbook in a spreadsheet program")]
    [InlineData("<c r=\"REF\" t=\"e\"><v>#DIV/0!</v></c>", "cell C4 holds the spreadsheet error #DIV/0!")]
    [InlineData("<c r=\"REF\" s=\"1\"><v>45717</v></c>", "cell C4 holds a date, 2025-03-01: the spreadsheet may have taken a number such "
        + "as 1.3 for one")]
    [InlineData("<c r=\"REF\" t=\"b\"><v>1</v></c>", "is not a number; mend it, or skip = [4]")]
    public void Cells_that_hold_no_value_are_told(string cell, string message)
    {
        using var f = Given(Header + Row(4, 1, "DEAD", cell));
        f.Report.Should().BeNull();
        f.Faults.Should().Contain(message);
    }

    [Fact]
    public void A_formula_with_its_result_is_its_result()
    {
        using var f = Given(Header + Row(4, 1, "DEAD", "<c r=\"REF\"><f>40*2</f><v>80</v></c>"));
        f.Reactions.Should().EndWith("1,DEAD,80\n");
    }

    [Fact]
    public void Merged_header_cells_have_no_names_of_their_own()
    {
        var import = Import.Replace("Fz = \"FZ\"", "Fz = \"Forces\"", StringComparison.Ordinal);
        using var f = Given(Row(1, "Joint", "Loading", "Forces", "") + Row(2, "", "", "FX", "FZ") + Row(3, 1, "DEAD", 1, 2),
            "<mergeCells count=\"1\"><mergeCell ref=\"C1:D1\"/></mergeCells>", import);
        f.Faults.Should().Contain(
            "raw.xlsx:1:3: error: the header cell \"Forces\" is merged over columns C to D, so these have no names of their own; say "
                + "header = the row below it");
    }

    [Fact]
    public void Sheets_are_named_when_there_are_several()
    {
        var sheets = new[] { ("Base", Header + Row(4, 1, "DEAD", 5), ""), ("Other", Row(1, "x"), "") };
        using var f = new RawFolder().Workbook("raw.xlsx", sheets).Import(Import);
        f.Faults.Should().Contain("raw.xlsx: error: has several sheets; name one: sheet = \"Base\" (sheets are \"Base\", \"Other\")");
        using var g = new RawFolder().Workbook("raw.xlsx", sheets).Import(Import + "sheet = \"Bese\"\n");
        g.Faults.Should().Contain("raw.xlsx has no sheet \"Bese\"; did you mean \"Base\"?");
        using var h = new RawFolder().Workbook("raw.xlsx", sheets).Import(Import + "sheet = \"Base\"\n");
        h.Reactions.Should().EndWith("1,DEAD,5\n");
    }

    [Fact]
    public void What_swells_beyond_measure_is_not_opened()
    {
        using var f = new RawFolder();
        using (var zip = ZipFile.Open(Path.Combine(f.Path, "raw.xlsx"), ZipArchiveMode.Create))
        {
            using var stream = zip.CreateEntry("xl/worksheets/sheet1.xml").Open();
            var block = new byte[1 << 20];
            for (var i = 0; i < 100; i++)
            {
                stream.Write(block);
            }
        }

        new FileInfo(Path.Combine(f.Path, "raw.xlsx")).Length.Should().BeLessThan(1 << 20);
        f.Import(Import).Faults.Should().Contain("when unpacked: no table of reactions does");
    }

    [Theory]
    [InlineData("no zip at all", "is not a whole XLSX workbook")]
    [InlineData("", "is not a whole XLSX workbook")]
    public void What_is_no_workbook_is_told(string content, string message)
    {
        using var f = new RawFolder().With("raw.xlsx", content).Import(Import);
        f.Faults.Should().Contain(message);
    }

    [Fact]
    public void A_guess_names_columns_axes_sense_positions_and_symbols()
    {
        using var f = new RawFolder().Workbook(
            "raw.xlsx",
            ("Notes", Row(1, "hello"), ""),
            ("Reactions",
                Row(1, "Node no.", "Load case", "Force X", "Force Y", "Force Z", "Moment X") + Row(2, "", "", "kN", "kN", "kN", "kNm")
                    + Row(3, 4, "DEAD", 1, -50, 2, 3) + Row(4, 4, "WIND X", 9, 0, 1, 3), ""),
            ("Nodes", Row(1, "Node no.", "X", "Y", "Z") + Row(2, "", "m", "m", "m") + Row(3, 4, 0, 1, 2), ""));
        var bag = new DiagnosticBag();
        var text = ImportGuess.Text(f.Path, "raw.xlsx", null, new HashSet<string>(), false, bag);
        bag.Sorted.Should().BeEmpty();
        text.Should().Contain("sheet = \"Reactions\"").And.Contain("header = 1").And.Contain("axes = [\"x\", \"-z\", \"y\"]").And.Contain(
            "sense = \"action\"")
            .And.Contain(
                "columns = { support = \"Node no.\", case = \"Load case\", Fx = \"Force X\", Fy = \"Force Y\", Fz = \"Force Z\", Mx = "
                    + "\"Moment X\" }")
            .And.Contain("[import.positions]").And.Contain("sheet = \"Nodes\"").And.Contain("DEAD = \"D\"").And.Contain(
                "\"WIND X\" = \"W\"");
        f.Import(text!.Split("[cases]")[0]).Faults.Should().BeEmpty("what is printed can be pasted");
        f.Report!.Cases[0].Totals.N.Should().Be(50, "weight presses down by the guess");
    }

    [Theory]
    [InlineData("12.50", '.', 12.5, "12.50")]
    [InlineData("-0,125", ',', -0.125, "-0.125")]
    [InlineData("+7", '.', 7, "7")]
    [InlineData(".5", '.', 0.5, "0.5")]
    [InlineData("5.", '.', 5, "5")]
    [InlineData("-0.000", '.', 0, "0.000")]
    [InlineData("1.5e3", '.', 1500, "1500")]
    [InlineData("123456789012345678", '.', 1.2345678901234568e17, "1.2345678901234568E+17")]
    [InlineData("0.1234567890123456789", '.', 0.12345678901234568, "0.12345678901234568")]
    public void Numbers_keep_their_digits(string text, char sign, double value, string written)
    {
        RawNumber.TryRead(text, sign, out var n).Should().BeTrue();
        n.Value.Should().Be(value);
        n.ToString().Should().Be(written);
        n.Negated.Negated.Should().Be(n);
    }

    [Theory]
    [InlineData("")]
    [InlineData("-")]
    [InlineData(".")]
    [InlineData("1.2.3")]
    [InlineData("1,2")]
    [InlineData("e5")]
    [InlineData("NaN")]
    [InlineData("1e999")]
    [InlineData("12 kN")]
    public void What_is_no_number_is_none(string text) => RawNumber.TryRead(text, '.', out _).Should().BeFalse();

    [Fact]
    public void Random_numbers_come_back_as_double_Parse_reads_them() =>
        CsCheck.Check.Sample(CsCheck.Gen.Select(CsCheck.Gen.Long[-999_999_999_999, 999_999_999_999], CsCheck.Gen.Int[0, 12]), p =>
        {
            var text = ((decimal)p.Item1 / (decimal)Math.Pow(10, p.Item2)).ToString(System.Globalization.CultureInfo.InvariantCulture);
            return RawNumber.TryRead(text, '.', out var n)
                && n.Value == double.Parse(text, System.Globalization.CultureInfo.InvariantCulture)
                && double.Parse(n.ToString(), System.Globalization.CultureInfo.InvariantCulture) == n.Value;
        });
}

/// <summary>What the names of cases and headers suggest; a guess that is wrong is worse than none.</summary>
public class GuessTests
{
    [Theory]
    [InlineData("DEAD", "D")]
    [InlineData("Dead load", "D")]
    [InlineData("Superimposed", "D")]
    [InlineData("SDL", "D")]
    [InlineData("self weight", "D")]
    [InlineData("G1", "D")]
    [InlineData("LIVE", "L")]
    [InlineData("Imposed 2", "L")]
    [InlineData("Roof live", "Lr")]
    [InlineData("CRANE", "L")]
    [InlineData("SNOW drift", "S")]
    [InlineData("Wind +X", "W")]
    [InlineData("WX", "W")]
    [InlineData("W90-", "W")]
    [InlineData("WXPS", "W")]
    [InlineData("WYN", "W")]
    [InlineData("Earthquake Y", "E")]
    [InlineData("EY", "E")]
    [InlineData("E 1", "E")]
    [InlineData("Earth pressure", "H")]
    [InlineData("Temperature fall", "T")]
    [InlineData("EMPTY", null)]
    [InlineData("SERVICE", null)]
    [InlineData("LEVEL 3", null)]
    [InlineData("Total", null)]
    [InlineData("LC7", null)]
    [InlineData("12", null)]
    public void Symbols_by_name(string name, string? symbol)
    {
        using var f = new RawFolder().With("raw.csv", $"Joint,Load case,Fz (kN)\n1,{name},5\n");
        var text = ImportGuess.Text(f.Path, "raw.csv", null, new HashSet<string>(), false, new DiagnosticBag())!;
        var line = text.Split('\n').Last(l => l.Contains('=', StringComparison.Ordinal));
        line.Should().EndWith(symbol is null ? " = \"?\"" : $" = \"{symbol}\"");
        line.StartsWith('#').Should().Be(symbol is null, "what is not known is left to the engineer");
    }

    [Theory]
    [InlineData("Node,Case,FX (kN),FY (kN),FZ (kN)", "Fx = \"FX (kN)\", Fy = \"FY (kN)\", Fz = \"FZ (kN)\"")]
    [InlineData("Support label,Load combination,Reaction x (kN),Reaction y (kN),Vertical (kN)", "Fx = \"Reaction x (kN)\", Fy = \"Reaction "
        + "y (kN)\", Fz = \"Vertical (kN)\"")]
    [InlineData("Joint No.,Loading,Moment about x (kNm),Hx (kN),Rz (kN)", "Mx = \"Moment about x (kNm)\", Fx = \"Hx (kN)\", Fz = "
        + "\"Rz (kN)\"")]
    [InlineData("Node,Loading,Force (X),Force (Y) [kN],Force (Z), Moment (X)", "Fx = \"Force (X)\", Fy = \"Force (Y) [kN]\", Fz = \"Force "
        + "(Z)\", Mx = \"Moment (X)\"")]
    [InlineData("Point,LC,Step,Fz (kN),My (kNm)", "step = \"Step\", Fz = \"Fz (kN)\", My = \"My (kNm)\"")]
    public void Columns_by_header(string header, string columns)
    {
        using var f = new RawFolder().With("raw.csv", $"Some title\n{header}\n1,DEAD,1,2,3\n");
        ImportGuess.Text(f.Path, "raw.csv", null, new HashSet<string>(), false, new DiagnosticBag()).Should().Contain(columns);
    }

    [Theory]
    [InlineData("1,2,-300", "[\"x\", \"y\", \"z\"]", "action")]
    [InlineData("1,2,300", "[\"x\", \"y\", \"z\"]", "reaction")]
    [InlineData("1,300,2", "[\"x\", \"-z\", \"y\"]", "reaction")]
    [InlineData("-300,1,2", "[\"y\", \"z\", \"x\"]", "action")]
    public void Up_and_sense_by_what_permanent_cases_add_up_to(string values, string axes, string sense)
    {
        using var f = new RawFolder().With("raw.csv", $"Joint,Case,Fx (kN),Fy (kN),Fz (kN)\n1,DEAD,{values}\n1,WIND,999,999,999\n");
        var text = ImportGuess.Text(f.Path, "raw.csv", null, new HashSet<string> { "DEAD" }, false, new DiagnosticBag())!;
        text.Should().Contain($"axes = {axes}").And.Contain($"sense = \"{sense}\"").And.NotContain("DEAD = ", "it has a symbol already");
        f.Import(text.Split("[cases]")[0]).Report!.Cases[0].Totals.N.Should().BeGreaterThan(0, "weight presses down by the guess");
    }

    [Theory]
    [InlineData("a,b\n1,2\n", "no row of it looks like the header of a table of reactions")]
    [InlineData("", "is empty")]
    public void What_is_no_table_of_reactions_is_told(string raw, string message)
    {
        using var f = new RawFolder().With("raw.csv", raw);
        var bag = new DiagnosticBag();
        ImportGuess.Text(f.Path, "raw.csv", null, new HashSet<string>(), false, bag).Should().BeNull();
        string.Join('\n', bag.Sorted).Should().Contain(message);
    }
}
