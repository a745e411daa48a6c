using System.Globalization;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>Walls from the project's files to schedules and drawings, through the built program.</summary>
public class WallTests
{
    private const string Stem = "\nstem = { height = \"3 m\" }\nretained = { side = \"+y\", height = \"2.8 m\", friction-angle = \"32 deg\", pressure = \"active\", surcharge = \"10 kPa\" }\n";

    private static Folder Made(string foundation = Stem, string wall = "line.DEAD = { Fz = \"40 kN/m\" }", string ends = "x = \"0 m\"\ny = \"40 m\"\nx2 = \"6 m\"\ny2 = \"40 m\"\ncx = \"300 mm\"")
    {
        var f = new Folder();
        f["plinth.toml"] += $"""

            [[support]]
            label = "W1"
            shape = "wall"
            {ends}
            {wall}

            [[foundation]]
            supports = ["W1"]
            {foundation}
            """;
        return f;
    }

    [Fact]
    public void Of_those_that_pass_one_is_taken()
    {
        using var f = Made();
        f.Run("size").Exit.Should().Be(0);
        var listed = f.Run("options", "WF1", "--format", "json");
        listed.Exit.Should().Be(0, listed.Error);
        var all = listed.Json.GetProperty("options").EnumerateArray().ToList();
        all.Should().NotBeEmpty().And.OnlyContain(o => o.GetProperty("utilisation").GetDouble() <= 1);
        f.Run("options", "WF1", "--take", "1").Exit.Should().Be(0);
        f.Run("check", "WF1").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("stem.vertical-soil = ", "the wall's bars are taken with its base");
    }

    [Fact]
    public void It_is_sized_written_checked_and_read_again()
    {
        using var f = Made();
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        var written = f["adopted.toml"];
        written.Should().MatchRegex("\\[WF1\\]\nkind = \"wall\"\nsupports = \\[\"W1\"\\]\nheel = \"\\d+ mm\"\ntoe = \"\\d+ mm\"\nthickness = ")
            .And.Contain("stem.vertical-soil = \"T").And.Contain(" @ ");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "WF1", "--format", "json").Json.GetProperty("foundations")[0];
        found.GetProperty("kind").GetString().Should().Be("wall");
        var checks = found.GetProperty("checks").EnumerateArray().ToList();
        checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain(["sliding", "overturning-y", "flexure-top-y", "wall-flexure",
            "wall-shear", "wall-steel", "minimum-steel-x"]);
        found.GetProperty("not_checked").EnumerateArray().Select(e => e.GetString()).Should().Contain("wall-in-plane");
        f.Run("show", "WF1", "wall-flexure").Out.Should().Contain("m,soil");
        f.Run("combos").Out.Should().Contain("U2:EARTH").And.Contain("SURCHARGE-WALL");
        f.Run("size", "WF1", "--why").Out.Should().Contain("heel ").And.Contain("thickness ").And.NotContain("nothing: it passes too");
        f.Run("schedule").Out.Should().Contain("Wall footings");
        var bars = f.Run("schedule", "--what", "bars");
        bars.Out.Should().Contain("starters of the wall at the soil's face").And.Contain("wall, level");
    }

    [Theory]
    [InlineData("12", false)]
    [InlineData("15", true)]
    public void Bars_longer_than_those_sold_are_said_to_lack_laps(string length, bool lacks)
    {
        using var f = Made("", ends: $"x = \"0 m\"\ny = \"40 m\"\nx2 = \"{length} m\"\ny2 = \"40 m\"\ncx = \"300 mm\"");
        f.Run("size");
        f.Run("schedule", "--what", "bars").Out.Contains("Bars over 12 m stand whole", StringComparison.Ordinal).Should().Be(lacks);
        f.Run("schedule", "--what", "quantities").Out.Contains("no laps of bars over 12 m", StringComparison.Ordinal).Should().Be(lacks);
        f.Run("draw", "WF1", "--to", "wall.svg");
        f["wall.svg"].Contains("Bars over", StringComparison.Ordinal).Should().Be(lacks);
    }

    [Fact]
    public void Columns_beside_it_have_no_soil_in_their_combinations()
    {
        using var f = Made();
        using var plain = new Folder();
        f.Run("size");
        plain.Run("size");
        var (with, without) = (f.Run("check", "F1", "--format", "json").Json, plain.Run("check", "F1", "--format", "json").Json);
        with.GetProperty("foundations")[0].GetProperty("checks").GetRawText().Should().Be(
            without.GetProperty("foundations")[0].GetProperty("checks").GetRawText());
    }

    [Fact]
    public void A_change_by_hand_moves_its_edges()
    {
        using var f = Made();
        f.Run("size");
        f.Run("set", "WF1", "heel=2.2 m", "toe=900 mm", "stem.horizontal=T12 @ 150 mm").Error.Should().Contain("WF1 is held from now on");
        f["adopted.toml"].Should().Contain("heel = \"2.2 m\"").And.Contain("stem.horizontal = \"T12 @ 150 mm\"");
        var body = f.Run("check", "WF1", "--format", "json").Json.GetProperty("foundations")[0];
        body.GetProperty("width_m").GetDouble().Should().BeApproximately(3.4, 1e-9);
        f.Run("check", "WF1", "--set", "toe=200 mm").Exit.Should().Be(1);
        f.Run("set", "WF1", "edge-y0=1 m").Error.Should().Contain("heel");
    }

    [Fact]
    public void Without_soil_its_edges_count_from_its_centreline()
    {
        using var f = Made("");
        var ran = f.Run("size", "WF1");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        f["adopted.toml"].Should().Contain("edge-y0 = ").And.Contain("edge-y1 = ").And.NotContain("heel").And.NotContain("stem");
        f.Run("check", "WF1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("not_checked").GetRawText().Should()
            .Contain("wall-flexure");
    }

    [Fact]
    public void A_turned_wall_takes_its_loads_along_its_own_line()
    {
        using var f = Made("", "line.DEAD = { Fz = \"40 kN/m\", Fy = \"2 kN/m\", Mx = \"5 kNm/m\" }",
            "x = \"0 m\"\ny = \"40 m\"\nx2 = \"3 m\"\ny2 = \"44 m\"\ncx = \"300 mm\"");
        var actions = f.Run("combos", "W1", "--format", "json");
        actions.Exit.Should().Be(0, actions.Error);

        // 5 m long, turned by 53.13°: 10 kN across it are −8 along x and 6 along y; a reaction turned round.
        var s1 = actions.Json.GetProperty("combinations").EnumerateArray().Single(c => c.GetProperty("name").GetString() == "S1").GetProperty("action");
        s1.GetProperty("N_kN").GetDouble().Should().BeApproximately(200, 1e-6);
        s1.GetProperty("Fx_kN").GetDouble().Should().BeApproximately(8, 1e-6);
        s1.GetProperty("Fy_kN").GetDouble().Should().BeApproximately(-6, 1e-6);
        s1.GetProperty("Mx_kNm").GetDouble().Should().BeApproximately(-15, 1e-6);
        s1.GetProperty("My_kNm").GetDouble().Should().BeApproximately(-20, 1e-6);
    }

    [Fact]
    public void Walls_stand_in_the_table_of_supports()
    {
        using var f = new Folder();
        f["supports.csv"] = "support,x (m),y (m),shape,cx (mm),cy (mm),x2 (m),y2 (m)\nC1,0,0,rect,400,400,,\nC2,6,0,rect,400,400,,\n"
            + "C3,12,0,rect,400,500,,\nW1,0,50,wall,250,,5,50\n";
        f["reactions.csv"] = f["reactions.csv"].TrimEnd() + "\nW1,DEAD,0,0,300,0,0\n";
        var ran = f.Run("size", "WF1");
        ran.Out.Should().Contain("WF1", ran.Error);
        ran.Out.Should().Contain("5.00 × ");
    }

    [Theory]
    [InlineData("kind = \"isolated\"", "is a wall: its foundation is kind \"wall\"")]
    [InlineData("kind = \"combined\"", "carries several supports")]
    [InlineData("angle = \"10 deg\"", "angle is not for a wall's footing")]
    [InlineData("heel = \"1 m\"", "give retained")]
    [InlineData("stem = { prop = \"top\" }", "write stem.height")]
    [InlineData("stem = { height = \"2 m\" }\nretained = { side = \"+y\", height = \"2.5 m\", friction-angle = \"30 deg\", pressure = \"active\" }", "stands higher than the wall")]
    [InlineData("retained = { height = \"2.5 m\", friction-angle = \"30 deg\", pressure = \"active\" }", "side")]
    [InlineData("retained = { side = \"+y\", friction-angle = \"30 deg\", pressure = \"active\" }", "height")]
    [InlineData("retained = { side = \"+y\", height = \"2.5 m\", pressure = \"active\" }", "friction-angle")]
    [InlineData("retained = { side = \"+y\", height = \"2.5 m\", friction-angle = \"30 deg\" }", "pressure")]
    [InlineData("retained = { side = \"+y\", height = \"-1 m\", friction-angle = \"30 deg\", pressure = \"active\" }", "height")]
    [InlineData("retained = { side = \"+y\", height = \"1 m\", other = \"2 m\", friction-angle = \"30 deg\", pressure = \"active\" }", "higher than that behind")]
    [InlineData("stem = { height = \"3 m\", prop = \"top\" }\nretained = { side = \"+y\", height = \"2.5 m\", friction-angle = \"30 deg\", pressure = \"active\" }", "that at rest")]
    [InlineData("stem = { height = \"3 m\", layers = 3 }", "one layer")]
    [InlineData("stem = { height = \"3 m\", layers = 1, vertical-soil = \"T12 @ 200 mm\" }", "write vertical in place")]
    [InlineData("stem = { height = \"3 m\", vertical-soil = \"12 T12\" }", "bars of a wall are spaced")]
    [InlineData("stem = { height = \"3 m\", tension = \"0.1 MPa\" }", "allowable stress of masonry")]
    [InlineData("stem = { hight = \"3 m\" }", "hight")]
    [InlineData("ends = \"-1 m\"", "ends")]
    [InlineData("edge-x0 = \"1 m\"", "edge-x0 is not for a wall's footing")]
    public void What_cannot_be_is_refused_with_its_place(string foundation, string words)
    {
        using var f = Made(foundation);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(words).And.MatchRegex(@"plinth\.toml:\d+");
        File.Exists(Path.Combine(f.Path, "adopted.toml")).Should().BeFalse();
    }

    [Fact]
    public void Soil_behind_a_wall_is_refused_where_its_friction_takes_a_factor()
    {
        using var f = Made();
        f["plinth.toml"] = f["plinth.toml"].Replace("asce7-22", "en1990").Replace("\"D\"", "\"G\"")
            .Replace("\"L\"", "{ symbol = \"Q\", category = \"B\" }");
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().MatchRegex(@"plinth\.toml:\d+:\d+: .*wall of WF1 has a friction angle that EN 1990 divides");
        f["plinth.toml"] = f["plinth.toml"].Replace("retained = ", "# retained = ");
        f.Run("size", "WF1").Exit.Should().Be(0, "a wall that holds nothing back is free of it");
    }

    [Theory]
    [InlineData("x = \"0 m\"\ny = \"40 m\"\nx2 = \"0 m\"\ny2 = \"40 m\"\ncx = \"300 mm\"", "has no length")]
    [InlineData("x = \"0 m\"\ny = \"40 m\"\ncx = \"300 mm\"", "x2")]
    [InlineData("x = \"0 m\"\ny = \"40 m\"\nx2 = \"5 m\"\ny2 = \"40 m\"", "thickness")]
    [InlineData("x = \"0 m\"\ny = \"40 m\"\nx2 = \"5 m\"\ny2 = \"40 m\"\ncx = \"300 mm\"\ncy = \"1 m\"", "delete cy")]
    public void A_wall_that_is_none_is_refused(string ends, string words)
    {
        using var f = Made("", ends: ends);
        var ran = f.Run("check");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(words);
    }

    [Fact]
    public void A_wall_shares_no_base_and_a_column_has_no_wall_footing()
    {
        using var f = Made("", wall: "line.DEAD = { Fz = \"40 kN/m\" }");
        f["plinth.toml"] = f["plinth.toml"].Replace("supports = [\"W1\"]", "supports = [\"W1\", \"C1\"]", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("shares no base with other supports");
        f["plinth.toml"] = f["plinth.toml"].Replace("supports = [\"W1\", \"C1\"]", "kind = \"wall\"\nsupports = [\"C1\"]", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("\"C1\" is a column");
    }

    [Fact]
    public void A_case_of_the_analysis_may_not_be_called_as_the_soil()
    {
        using var f = Made();
        f["plinth.toml"] = f["plinth.toml"].Replace("[cases]", "[cases]\nEARTH = \"H\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("the soil behind the wall of WF1 has this name");
    }

    [Fact]
    public void Own_combinations_must_say_how_much_the_soil_counts()
    {
        using var f = Made();
        f["plinth.toml"] += "\n[[combination]]\nname = \"X\"\nfor = [\"concrete\"]\nfactors = { D = 1.3 }\n";
        f.Run("check").Error.Should().Contain("[[combination]] X has no factor for H");
        f["plinth.toml"] = f["plinth.toml"].Replace("factors = { D = 1.3 }", "factors = { D = 1.3, H = 1.5 }", StringComparison.Ordinal);
        f.Run("combos").Out.Should().Contain("1.3 DEAD").And.Contain("1.5 EARTH");
    }

    [Fact]
    public void Drawings_show_the_wall_with_its_soil()
    {
        using var f = Made();
        f.Run("size");
        foreach (var what in new[] { "detail", "pressure", "sections", "forces", "steel", "bars" })
        {
            var ran = f.Run("draw", "WF1", "--what", what, "--to", what + ".svg");
            ran.Exit.Should().Be(0, what + ran.Error);
        }

        var detail = File.ReadAllText(Path.Combine(f.Path, "detail.svg"));
        detail.Should().Contain("retained soil").And.Contain("top of wall").And.Contain("section B–B");
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        f.Run("report", "WF1", "--depth", "full", "--to", "r.html").Exit.Should().BeOneOf(0, 1);
        File.ReadAllText(Path.Combine(f.Path, "r.html")).Should().Contain("wall in bending").And.Contain("Forces on a metre of wall");
        f.Run("draw", "WF1", "--to", "d.dxf").Exit.Should().Be(0);
    }

    [Fact]
    public void It_is_issued_and_what_changed_is_told()
    {
        using var f = Made();
        f.Run("size");
        f.Run("issue", "A").Exit.Should().Be(0);
        f["plinth.toml"] = f["plinth.toml"].Replace("surcharge = \"10 kPa\"", "surcharge = \"25 kPa\"", StringComparison.Ordinal);
        f.Run("check", "WF1").Exit.Should().Be(1, "more stands behind the wall than it was sized for");
        f.Run("size", "WF1").Exit.Should().Be(0);
        f.Run("check", "WF1").Exit.Should().Be(0);
        var issued = f.Run("issue", "B");
        issued.Exit.Should().Be(0, issued.Error);
        issued.Error.Should().MatchRegex("(?m)^  WF1: .*to −y ").And.NotMatchRegex("(?m)^  F1:",
            "no column has the soil in its combinations");
        f.Has("issued/B/change-note.pdf").Should().BeTrue();
    }

    [Theory]
    [InlineData("bars.xlsx", "schedule")]
    [InlineData("all.csv", "schedule")]
    [InlineData("wall.dxf", "draw")]
    [InlineData("wall.pdf", "draw")]
    [InlineData("wall.png", "draw")]
    [InlineData("calc.docx", "report")]
    [InlineData("calc.pdf", "report")]
    public void Every_form_of_output_has_the_wall(string file, string command)
    {
        using var f = Made();
        f.Run("size");
        var ran = command == "schedule" ? f.Run(command, "--to", file) : f.Run(command, "WF1", "--to", file);
        ran.Exit.Should().Be(0, ran.Error);
        var written = Directory.GetFiles(f.Path).Where(p => Path.GetFileName(p).StartsWith(file.Split('.')[0], StringComparison.Ordinal));
        written.Should().NotBeEmpty().And.OnlyContain(p => new FileInfo(p).Length > 100);
    }

    [Fact]
    public void Moments_of_a_metre_are_told_in_their_unit()
    {
        using var f = Made();
        f.Run("size");
        var told = f.Run("show", "WF1", "wall-flexure").Out;
        told.Should().MatchRegex(@"m,soil += [\d.]+ kNm/m ").And.MatchRegex(@"mu += [\d.]+ kNm/m ");
        f.Run("show", "WF1", "wall-steel").Out.Should().Contain("distance of upright bars at the soil's face = max(s/s,most; s,least/s)")
            .And.Contain("Starters at the other face");
    }

    [Fact]
    public void Room_is_left_out_where_no_reaction_could_grow()
    {
        using var loaded = Made();
        using var alone = Made(wall: "");
        foreach (var (f, has) in new[] { (loaded, true), (alone, false) })
        {
            f.Run("size");
            var wall = f.Run("check", "WF1", "--room", "--format", "json").Json.GetProperty("foundations")[0];
            wall.TryGetProperty("room", out _).Should().Be(has);
            f.Run("check", "WF1").Out.Contains(">200 %", StringComparison.Ordinal).Should().BeFalse();
        }
    }

    [Fact]
    public void Quantities_say_that_walls_are_in_them()
    {
        using var f = Made();
        f.Run("size");
        f.Run("schedule", "--what", "quantities").Out.Should().Contain("footings, pedestals, sockets and walls");
        f.Run("schedule").Out.Should().Contain("Concrete and steel: with the wall.");
        using var plain = new Folder();
        plain.Run("size");
        plain.Run("schedule", "--what", "quantities").Out.Should().Contain("footings, pedestals and sockets").And.NotContain("walls");
    }

    [Fact]
    public void A_wall_too_low_for_its_starters_fails_and_says_so()
    {
        using var f = Made("""

            stem = { height = "600 mm", vertical-soil = "T25 @ 150 mm", vertical-free = "T12 @ 200 mm" }
            retained = { side = "+y", height = "500 mm", friction-angle = "32 deg", pressure = "active" }

            """);
        var ran = f.Run("size", "WF1");
        ran.Exit.Should().Be(1, "the bars are held");
        ran.Out.Should().Contain("steel of wall");
        f["plinth.toml"] = f["plinth.toml"].Replace(", vertical-soil = \"T25 @ 150 mm\"", "", StringComparison.Ordinal);
        f.Run("size", "WF1").Exit.Should().Be(0, "thinner ones are found");
    }

    [Fact]
    public void By_the_first_family_in_feet_it_is_the_same_wall()
    {
        using var f = Made();
        f.Run("size");
        var metric = f.Run("check", "WF1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .ToDictionary(c => c.GetProperty("id").GetString()!, c => c.GetProperty("utilisation").GetDouble());
        f["plinth.toml"] = Regex.Replace(f["plinth.toml"], "code = \"[^\"]+\"", "code = \"aci318-19\"\nunits = \"metric\"");
        var us = f.Run("check", "WF1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .ToDictionary(c => c.GetProperty("id").GetString()!, c => c.GetProperty("utilisation").GetDouble());
        foreach (var id in new[] { "bearing", "sliding", "overturning-y", "flexure-top-y" })
        {
            us[id].Should().BeApproximately(metric[id], 0.03 * metric[id], string.Create(CultureInfo.InvariantCulture, $"{id}"));
        }
    }
}
