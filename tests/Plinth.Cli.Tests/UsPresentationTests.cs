using System.Globalization;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>
/// A US building as a US office reads it: feet and inches wherever a size is built, plain numbers wherever a program reads.
/// </summary>
public sealed class UsPresentationTests
{
    private const string Plates =
        "\n[column]\nplate-thickness = \"1 in\"\nplate-grout = \"1 1/2 in\"\nrods = 4\n"
            + "rod-diameter = \"3/4 in\"\nrod-embedment = \"12 in\"\n[pedestal]\nunder = \"steel\"\n"
            + "height = \"2 ft\"\n";

    private const string Drawings = "\n[drawings]\nplan = \"S-101\"\ndetails = \"S-2{nn}\"\nothers = \"C-{n}\"\nnotes = \"notes.txt\"\n";

    private static Folder Workshop(string more = "")
    {
        var f = Folder.Building("workshop-frame");
        f["plinth.toml"] += more;
        if (more.Contains("[pedestal]", StringComparison.Ordinal))
        {
            f.Replace("plinth.toml", "top-depth = \"6 in\"", "top-depth = \"3 ft\"");
        }

        return f;
    }

    private static string[] Svgs(string text) =>
        [.. Regex.Matches(text, @"<text[^>]*>([^<]*)</text>").Select(m => System.Net.WebUtility.HtmlDecode(m.Groups[1].Value))];

    [Fact]
    public void Sizes_are_in_feet_and_inches_on_every_screen()
    {
        using var f = Workshop();
        var sized = f.Run("size");
        sized.Exit.Should().Be(0, sized.Error);
        foreach (var screen in new[] { sized.Out, f.Run("check").Out, f.Run("schedule").Out, f.Run("options", "F1").Out,
            f.Run("group").Out })
        {
            screen.Should().MatchRegex(@"\d+'-\d+"" × \d+'-\d+""").And.NotContain("plan ft").And.NotContain(" h in ");
        }

        f.Run("show", "F1").Out.Split('\n')[1].Should().MatchRegex(@"^\d+'-\d+"" × \d+'-\d+"" × \d+"", as sized; ");
        f.Run("show", "F1").Out.Should().Contain("bottom of footing at −");
        f.Run("show", "F1", "bearing").Out.Split('\n')[1].Should().MatchRegex(@"^\d+'-\d+"" × ");
        f.Run("schedule").Out.Should().Contain("yd3").And.Contain("Level: of the bottom of footing").And.Contain("mud slab").And.NotContain(
            "blinding").And.NotContain("ft3");
    }

    [Fact]
    public void Files_of_data_keep_plain_numbers_that_agree_with_what_is_shown()
    {
        using var f = Workshop();
        f.Run("size");
        var csv = f.Run("schedule", "--format", "csv").Out.Split('\n');
        var heads = csv[0].Split(',');
        heads.Should().Contain("length (ft)").And.Contain("thickness (in)").And.Contain("bottom of footing (ft)");
        var shown = f.Run("schedule").Out.Split('\n').First(l => l.StartsWith("F1 ", StringComparison.Ordinal));
        var length = double.Parse(csv[1].Split('"').Length > 1
            ? Regex.Replace(csv[1], "\"[^\"]*\"", "x").Split(',')[Array.IndexOf(heads, "length (ft)")]
            : csv[1].Split(',')[Array.IndexOf(heads, "length (ft)")], CultureInfo.InvariantCulture);
        var (feet, inches) = ((int)Math.Floor(length + 1e-9), (int)Math.Round((length - Math.Floor(length + 1e-9)) * 12));
        shown.Should().Contain($"{feet}'-{inches}\" × ");
        var json = f.Run("schedule", "--format", "json").Json.GetProperty("footings")[0];
        json.GetProperty("length_m").GetDouble().Should().BeApproximately(length * 0.3048, 1e-6);
    }

    [Fact]
    public void Bars_are_bent_by_the_typical_bends()
    {
        using var f = Workshop(Plates);
        f.Run("size").Exit.Should().Be(0);
        var bars = f.Run("schedule", "--what", "bars").Out;
        bars.Should().Contain(" bend ").And.Contain(" T1 ").And.Contain("Typical bends of ACI 315").And.NotContain("ISO 3766");
        bars.Split('\n')
            .Where(l => l.Contains(" ties ", StringComparison.Ordinal))
            .Should().OnlyContain(l => Regex.IsMatch(l, @" T1 +4 1/4"""));

        // In numbers too: a straight bar is as long as its base less three inches at each end.
        var csv = f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n');
        csv[0].Should().EndWith("length (in),bend,A (in),B (in),C (in),D (in),E (in),G (in),O (in),mass (lb)");
        var first = csv[1].Split(',');
        var side = f.Run("schedule", "--format", "json").Json.GetProperty("footings")[0].GetProperty("length_m").GetDouble();
        double.Parse(first[7], CultureInfo.InvariantCulture).Should().BeApproximately((side / 0.0254) - 6, 1e-6);
        first[8].Should().Be("str");
        f.Run("schedule", "--format", "json").Json.GetProperty("bars")[0].GetProperty("shape").GetString()
            .Should().Be("00", "data keep the codes of ISO 3766");
    }

    [Fact]
    public void The_plan_has_numbers_notes_grades_and_levels()
    {
        using var f = Workshop(Drawings);
        f["notes.txt"] =
            "All work to the project manual.\n"
                + "A second note that is so long that it must be broken between its words into several lines, since no note may be written smaller than what is legible in print, whatever the office puts into it, and none is cut off.\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        var texts = Svgs(f["plan.svg"]);
        texts.Should().Contain("S-101").And.Contain("1. Dimensions and levels in feet and inches.");
        texts.Should().Contain(t => t.StartsWith("2. Concrete f'c ", StringComparison.Ordinal)
            && t.Contains(" psi; reinforcement Grade 60, fy 60,000 psi", StringComparison.Ordinal));
        texts.Should().Contain(t => t.StartsWith("3. Allowable bearing ", StringComparison.Ordinal));
        texts.Should().Contain(t => t.EndsWith(". All work to the project manual.", StringComparison.Ordinal));
        texts.Count(t => t.StartsWith("    ", StringComparison.Ordinal))
            .Should().BeGreaterThanOrEqualTo(1, "the long note goes on in lines of its own");
        string.Concat(texts).Should().Contain("none is cut off.");
        texts.Should().NotContain(t => t.Contains("blinding", StringComparison.OrdinalIgnoreCase) || t == "underside");
        f.Run("draw", "--what", "utilisation", "--to", "map.svg").Exit.Should().Be(0);
        Svgs(f["map.svg"]).Should().Contain("C-1");
    }

    [Fact]
    public void Notes_that_an_office_states_are_read_beside_its_own_file_even_where_that_has_the_projects_name()
    {
        using var f = new Folder();
        foreach (var folder in new[] { "office", "job" })
        {
            Directory.CreateDirectory(System.IO.Path.Combine(f.Path, folder));
        }

        f["office/plinth.toml"] = "[drawings]\nnotes = \"notes.txt\"\n";
        f["office/notes.txt"] = "As the office builds.\n";
        f["job/notes.txt"] = "Not this one.\n";
        f["job/plinth.toml"] = "extends = \"../office/plinth.toml\"\n" + Folder.Toml;
        f["job/supports.csv"] = Folder.Supports;
        f["job/reactions.csv"] = Folder.Reactions;
        f.Run("size", "--project", "job").Exit.Should().Be(0);
        f.Run("draw", "--project", "job", "--to", "plan.svg").Exit.Should().Be(0);
        var plan = f[f.Has("plan.svg") ? "plan.svg" : "job/plan.svg"];
        string.Concat(Svgs(plan)).Should().Contain("As the office builds.").And.NotContain("Not this one.");
    }

    [Fact]
    public void Details_are_at_three_quarters_of_an_inch_with_plate_rods_and_grout()
    {
        using var f = Workshop(Plates + Drawings);
        f["notes.txt"] = "One.\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "F2", "--to", "d.svg").Error.Should().Contain("3/4\" = 1'-0\"");
        var texts = Svgs(f["d.svg"]);
        texts.Should().Contain("S-202").And.Contain("3/4\" = 1'-0\"").And.Contain("grout 1 1/2\"").And.Contain(
            "4 rods 3/4\", 12\" deep").And.Contain("bottom of footing").And.Contain("top of pedestal");
        texts.Should().Contain(t => Regex.IsMatch(t, @"^plate \d+"" × \d+"" × 1""$") || Regex.IsMatch(t, @"^plate .*× 1""$"));
        texts.Should().Contain(t => t.Contains("reinforcement Grade 60", StringComparison.Ordinal));
        texts.Should().Contain(t => Regex.IsMatch(t, @"#3-\d+ @ \d+""$"), "ties are called with their spacing");
    }

    [Fact]
    public void A_base_by_the_property_line_shows_it_on_plan_and_section()
    {
        using var f =
            Workshop(
                "\n[site]\n"
                    + "boundary = [[\"-1.5 ft\", \"-30 ft\"], [\"200 ft\", \"-30 ft\"], [\"200 ft\", \"300 ft\"], [\"-1.5 ft\", \"300 ft\"]]\n");
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "F1", "--to", "d.svg").Exit.Should().Be(0);
        var label = f["supports.csv"].Split('\n')[1].Split(',');
        double.Parse(label[1], CultureInfo.InvariantCulture).Should().Be(0, "F1 stands by the line");
        Svgs(f["d.svg"])
            .Count(t => t == "property line")
            .Should().Be(2, "on the plan and on the section that crosses it, not on the one along it");
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        Svgs(f["plan.svg"]).Should().Contain("property line");

        // Its edge lies on the line or within half an inch of it, at a round distance from the column.
        var row = Svgs(f["d.svg"]).Where(t => Regex.IsMatch(t, @"^\d+'-\d+( 1/2)?""$")).ToList();
        row.Should().Contain(t => t == "1'-6\"" || t == "1'-5 1/2\"");
    }

    [Fact]
    public void The_workbook_shows_what_the_site_reads()
    {
        using var f = Workshop();
        f.Run("size");
        f.Run("schedule", "--to", "s.xlsx").Exit.Should().Be(0);
        using var zip = System.IO.Compression.ZipFile.OpenRead(System.IO.Path.Combine(f.Path, "s.xlsx"));
        string Read(string part)
        {
            using var reader = new StreamReader(zip.Entries.Single(e => e.FullName.EndsWith(part, StringComparison.Ordinal)).Open());
            return reader.ReadToEnd();
        }

        var sheets =
            zip.Entries.Where(e => e.FullName.Contains("sheet", StringComparison.OrdinalIgnoreCase)
                && e.FullName.EndsWith(".xml", StringComparison.Ordinal)).Select(e => Read(e.Name)).ToList();
        var all = string.Concat(sheets);
        System.Net.WebUtility.HtmlDecode(all)
            .Should().MatchRegex(@">\d+'-\d+""<").And.Contain(">bottom of footing<").And.Contain("concrete each (yd3)").And.NotContain(
                "length (ft)");
        all.Should().NotContain("<x:f>").And.NotContain("<f>");
    }

    [Fact]
    public void The_same_project_in_metres_says_millimetres_grades_and_blinding()
    {
        using var f = Workshop();
        f.Replace("plinth.toml", "units = \"us\"", "units = \"metric\"");
        f.Run("size").Exit.Should().Be(0);
        f.Run("schedule").Out.Should().Contain("plan m").And.Contain("h mm").And.Contain("blinding").And.NotContain("'-");
        f.Run("draw", "F1", "--to", "d.svg").Error.Should().MatchRegex("1:(20|25|10)");
        Svgs(f["d.svg"])
            .Should().Contain("underside").And.Contain(t => t.Contains("reinforcement Grade 414", StringComparison.Ordinal)
                || t.Contains("reinforcement Grade 413", StringComparison.Ordinal));
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        Svgs(f["plan.svg"]).Should().Contain("1. Dimensions in millimetres, levels in metres.");
    }

    [Fact]
    public void What_changed_is_told_in_feet_and_inches_and_by_the_bars_that_are_cut_otherwise()
    {
        using var f = Workshop();
        f.Run("size");
        f.Run("issue", "A").Exit.Should().Be(0);
        f.Run("set", "F1", "thickness=40 in").Exit.Should().BeOneOf(0, 1);
        var issued = f.Run("issue", "B", "--anyway");
        var change = issued.Error.Split('\n').Single(l => l.TrimStart().StartsWith("F1:", StringComparison.Ordinal));
        change.Should().MatchRegex(@"thickness \d+"" → 40""").And.NotContain("bars as cut").And.NotContain("length ");
    }
}
