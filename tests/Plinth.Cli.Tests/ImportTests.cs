using System.Globalization;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>Raw tables of a real analysis through the built program.</summary>
public class ImportTests
{
    // Joint = support, as the model numbers them.
    private const string Labels =
        "labels = { 1 = \"P1\", 27 = \"P3\", 71 = \"P7\", 3 = \"P9\", 29 = \"P11\", 73 = \"P15\", 12 = \"G1\", 38 = \"P4\", 82 = \"P8\", 13 = \"G2\", 40 = \"P12\", 84 = \"P16\", 14 = \"G3\", 49 = \"P5\", 93 = \"G5\", 15 = \"G4\", 51 = \"P13\", 94 = \"G6\", 16 = \"P2\", 60 = \"P6\", 95 = \"G7\", 18 = \"P10\", 62 = \"P14\", 96 = \"G8\" }\n";

    private const string FromCsv = """
        [import]
        file = "raw/base-reactions.csv"
        axes = ["x", "-z", "y"]
        columns = { support = "Joint no.", case = "Loading", Fx = "X force", Fy = "Y force", Fz = "Z force", Mx = "X moment", My = "Y moment", Mz = "Z moment" }
        positions = { file = "raw/positions.csv", columns = { support = "Joint no.", x = "X", y = "Y", z = "Z" } }

        """;

    private const string FromXlsx = """
        [import]
        file = "raw/workshop-reactions.xlsx"
        sheet = "Base reactions"
        axes = ["x", "-z", "y"]
        columns = { support = "Joint no.", case = "Loading", Fx = "X force", Fy = "Y force", Fz = "Z force", Mx = "X moment", My = "Y moment", Mz = "Z moment" }
        positions = { file = "raw/workshop-reactions.xlsx", sheet = "Positions", columns = { support = "Joint no.", x = "X", y = "Y", z = "Z" } }

        """;

    private static Dictionary<(string, string), double[]> Rows(string csv) =>
        csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1).Select(l => l.TrimEnd('\r').Split(','))
        .ToDictionary(c => (c[0], c[1]), c => c.Skip(2).Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray());

    [Theory]
    [InlineData(FromCsv)]
    [InlineData(FromXlsx)]
    public void A_y_up_export_gives_the_very_reactions_positions_and_sizes(string import)
    {
        using var canonical = Folder.Building("workshop-frame");
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        f["plinth.toml"] += "\n" + import + Labels;
        var (supports, reactions) = (f["supports.csv"], f["reactions.csv"]);
        f["reactions.csv"] = "support,case,Fz (kN)\n";
        var ran = f.Run("import");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain("312 rows, 24 supports, 13 cases: written to reactions.csv; supports.csv stays as it is");
        f["supports.csv"].Should().Be(supports, "the model's positions are those of the table, so not a byte changes");
        var (now, then) = (Rows(f["reactions.csv"]), Rows(reactions));
        now.Keys.Should().BeEquivalentTo(then.Keys);
        foreach (var (key, values) in now)
        {
            values.Should().Equal(then[key], $"{key}: every number is the same to its last digit");
        }

        f.Run("size").Exit.Should().Be(0);
        canonical.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Be(canonical["adopted.toml"]);
    }

    [Fact]
    public void Without_a_table_of_supports_one_is_made_and_sizes_are_asked_for()
    {
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        f["plinth.toml"] += "\n" + FromCsv + Labels;
        File.Delete(Path.Combine(f.Path, "supports.csv"));
        f.Run("import").Exit.Should().Be(0);
        f["supports.csv"]
            .Should().StartWith(
                "support,x (ft),y (ft),level (ft),shape,cx (in),cy (in),grid\nP1,0.000,0.000,-0.500,,,,\nP9,80.000,0.000,-0.500,,,,\n");
        f.Run("size").Error.Should().Contain("supports.csv:2:").And.Contain("support \"P1\" has no column size; give cx and cy");
    }

    [Fact]
    public void A_guess_is_printed_and_nothing_written_until_it_is_pasted()
    {
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        var before = f["reactions.csv"];
        var ran = f.Run("import", "raw/workshop-reactions.xlsx");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("This is a guess by the headers; nothing was written");
        f["reactions.csv"].Should().Be(before);
        ran.Out.Should().Contain("axes = [\"x\", \"-z\", \"y\"]");
        f["plinth.toml"] += "\n" + Regex.Replace(ran.Out, @"\n\[import.labels\][^\n]*", "") + "\n[import.labels]\n"
            + Labels.Split('{', '}')[1].Replace(", ", "\n", StringComparison.Ordinal) + "\n";
        f.Run("import", "--dry-run").Out.Should().Contain("312 rows, 24 supports, 13 cases: nothing was written (--dry-run)");
        f["reactions.csv"].Should().Be(before);
        f.Run("import").Exit.Should().Be(0);
        f["reactions.csv"].Should().NotBe(before, "trailing zeros of the export are those of the export");
    }

    [Fact]
    public void Totals_of_each_case_are_those_of_the_analysis()
    {
        // From the analysis itself, kip and kip ft: what acts on the structure.
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        f["plinth.toml"] += "\n" + FromXlsx + Labels;
        var cases = f.Run("import", "--dry-run", "--format", "json").Json.GetProperty("cases").EnumerateArray()
            .ToDictionary(c => c.GetProperty("case").GetString()!);
        const double Kip = 4.4482216152605;
        const double KipFoot = Kip * 0.3048;
        (string Case, string Component, double Value)[] stated =
        [
            ("DEAD", "N_kN", 105.8 * Kip), ("SNOW", "N_kN", 420.0 * Kip), ("WXP", "N_kN", -586.5 * Kip), ("WXP", "Fx_kN", 167.3 * Kip),
            ("WYN", "Fy_kN", -73.7 * Kip),
            ("DEAD", "Mx_kNm", -9256.4 * KipFoot), ("DEAD", "My_kNm", 4231.5 * KipFoot), ("CRANE", "Mz_kNm", -656.5 * KipFoot),
            ("WYN", "Mx_kNm", 43759.1 * KipFoot), ("EX", "Mz_kNm", -5741.3 * KipFoot),
        ];
        foreach (var (name, component, value) in stated)
        {
            cases[name].GetProperty(component).GetDouble().Should().BeApproximately(value, 0.001 * Math.Abs(value), $"{name} {component}");
        }
    }

    [Fact]
    public void What_came_went_and_moved_is_printed()
    {
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        f["plinth.toml"] += "\n" + FromCsv + Labels;
        f["supports.csv"] = string.Join('\n', f["supports.csv"].Split('\n').Where(l => !l.StartsWith("G8,", StringComparison.Ordinal)))
            .Replace("P2,0.000,25.000", "P2,0.000,24.000", StringComparison.Ordinal) + "OLD,1,2,3,rect,1,1,1,1,Z/9\n";
        var ran = f.Run("import");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain("Came (1): G8").And.Contain("Moved (1): P2 y 24.00 → 25.00 ft").And.Contain(
            "Went: OLD,1,2,3,rect,1,1,1,1,Z/9");
        f["supports.csv"]
            .Should().Contain("\nP2,0.000,25.000,-0.500,steel,24.00,10.00,30.00,16.00,A/2\n").And.Contain(
                "\nG8,64.000,175.000,-0.500,").And.NotContain("OLD");
        f.Run("import", "--quiet").Out.Should().BeEmpty("quiet when all is well");
        f.Run("import", "--dry-run", "--format",
            "csv").Out.Should().StartWith("case,symbol,proposed,supports,N (kip),Fx (kip)").And.Contain("\nDEAD,D,D,24,");
        f.Replace("plinth.toml", "file = \"raw/base-reactions.csv\"", "file = \"reactions.csv\"");
        f.Run("import").Error.Should().Contain(
            "file = \"reactions.csv\" is the table that the import writes; keep the raw table under another name");
    }

    [Fact]
    public void What_cannot_be_read_leaves_both_tables_as_they_were()
    {
        using var f = Folder.Building("workshop-frame").WithRaw("workshop-frame");
        f["plinth.toml"] += "\n" + FromCsv + Labels.Replace("1 = \"P1\", ", "", StringComparison.Ordinal);
        var (supports, reactions) = (f["supports.csv"], f["reactions.csv"]);
        var ran = f.Run("import");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("raw/base-reactions.csv:5:1: error: \"1\" has no support: it is not in [import.labels]");
        (f["supports.csv"], f["reactions.csv"]).Should().Be((supports, reactions));
        Directory.GetFiles(f.Path, ".*").Should().BeEmpty("no half-written file stays behind");
    }
}
