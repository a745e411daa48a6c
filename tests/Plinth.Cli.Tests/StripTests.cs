namespace Plinth.Cli.Tests;

/// <summary>Strips under rows of columns from the project's file to schedules and drawings, through the built program.</summary>
public class StripTests
{
    private static Folder Made(string table = "", string ground = "ground.subgrade-modulus = \"18 MN/m3\"")
    {
        var f = new Folder();
        f["plinth.toml"] += $"\n[[foundation]]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\", \"C3\"]\n{ground}\n{table}\n";
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,4,0,400,400\nC3,8.5,0.05,400,400\n";
        return f;
    }

    [Fact]
    public void It_is_sized_written_checked_and_read_again()
    {
        using var f = Made("ground.max-settlement = \"25 mm\"\nground.max-distortion = 0.002");
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        var written = f["adopted.toml"];
        written.Should().Contain("[ST1]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\", \"C3\"]\nends = ").And.NotContain("length")
            .And.MatchRegex("bottom-y.rest = \"T\\d+ @ \\d+ mm\"", "all along they stand by whole spacings");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0];
        found.GetProperty("kind").GetString().Should().Be("strip");
        var checks = found.GetProperty("checks").EnumerateArray().ToList();
        checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain(["bearing", "contact", "settlement", "distortion",
            "flexure-top-x", "one-way-shear-x", "two-way-shear", "minimum-steel-y", "column-bearing"]);
        f.Run("show", "ST1").Out.Should().Contain("on ground springs that pull nowhere");
        f.Run("show", "ST1", "--diagrams").Out.Should().Contain("V = 0").And.Contain("difference 0.0");
        var schedule = f.Run("schedule").Out;
        schedule.IndexOf("Total: concrete", StringComparison.Ordinal).Should()
            .BeGreaterThan(schedule.LastIndexOf("ST1", StringComparison.Ordinal), "below the table that it adds up");
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("But ST1: on ground springs that pull nowhere", "its base is not rigid");
        var told = f.Run("show", "ST1", "distortion").Out;
        told.Should().Contain("Angular distortion").And.Contain("between").And.NotContain("NaN");
    }

    [Fact]
    public void Of_flat_and_ribbed_strips_that_pass_one_is_taken()
    {
        foreach (var (table, sizes) in new[] { ("", "width"), ("rib = \"500 mm\"", "rib") })
        {
            using var f = Made(table);
            f.Run("size").Exit.Should().Be(0);
            var listed = f.Run("options", "ST1", "--format", "json");
            listed.Exit.Should().Be(0, listed.Error);
            var all = listed.Json.GetProperty("options").EnumerateArray().ToList();
            all.Should().NotBeEmpty().And.OnlyContain(o => o.GetProperty("utilisation").GetDouble() <= 1);
            var taken = f.Run("options", "ST1", "--take", "1");
            taken.Exit.Should().Be(0, taken.Error + taken.Out);
            f["adopted.toml"].Should().Contain("[ST1]").And.Contain("ends = ").And.Contain(sizes);
            f.Run("check", "ST1").Exit.Should().Be(0);
        }
    }

    [Fact]
    public void Ends_are_held_for_both_or_for_each_and_changed_by_hand()
    {
        using var f = Made("ends = \"700 mm\"\nwidth = \"2 m\"");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("ends = \"700 mm\"").And.Contain("width = \"2000 mm\"");
        f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("length_m").GetDouble()
            .Should().BeApproximately(Math.Sqrt((8.5 * 8.5) + (0.05 * 0.05)) + 1.4, 1e-9);
        f.Replace("plinth.toml", "ends = \"700 mm\"\n", "ends = [\"500 mm\", \"900 mm\"]\n");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("ends = [\"500 mm\", \"900 mm\"]");
        f.Replace("plinth.toml", "ends = [\"500 mm\", \"900 mm\"]\n", "");
        f.Run("set", "ST1", "ends=[\"600 mm\", \"800 mm\"]").Exit.Should().BeOneOf(0, 1);
        f["adopted.toml"].Should().Contain("ends = [\"600 mm\", \"800 mm\"]");
        f.Run("check", "ST1", "--set", "ends=650 mm").Exit.Should().BeOneOf(0, 1);
    }

    [Fact]
    public void Columns_that_move_leave_the_ends_as_they_are()
    {
        using var f = Made("ends = \"800 mm\"");
        f.Run("size");
        f.Replace("supports.csv", "C3,8.5,0.05", "C3,8.8,0");
        f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("length_m").GetDouble()
            .Should().BeApproximately(8.8 + 1.6, 1e-9);
        f["adopted.toml"].Should().Contain("ends = \"800 mm\"");
    }

    [Fact]
    public void It_stands_in_schedules_drawings_and_the_report()
    {
        using var f = Made();
        f.Run("size");
        f.Run("schedule").Out.Should().Contain("Strip footings").And.Contain("T");
        f.Run("schedule", "--format", "csv", "--what", "strips").Out.Should().Contain("beyond first").And.Contain("ST1");
        f.Run("draw", "ST1", "--what", "pressure", "--to", "p.svg").Exit.Should().Be(0);
        f["p.svg"].Should().Contain("p kPa").And.Contain("s mm").And.NotContain("NaN");
        f.Run("draw", "--what", "plan", "--to", "plan.svg").Exit.Should().Be(0);
        f["plan.svg"].Should().Contain("ST1");
        foreach (var what in (string[])["detail", "forces", "sections"])
        {
            f.Run("draw", "ST1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
            f[what + ".svg"].Should().NotContain("NaN", what);
        }

        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("strip footing").And.NotContain(">NaN").And.NotContain("NaN ");
    }

    [Fact]
    public void Columns_that_settle_too_differently_fail_it()
    {
        using var f = Made("thickness = \"400 mm\"\nwidth = \"2 m\"\nends = \"600 mm\"\nground.max-settlement = \"90 mm\"\n"
            + "ground.max-distortion = 0.00001", "ground.subgrade-modulus = \"4 MN/m3\"");
        f.Run("size").Out.Should().Contain("distortion");
    }

    [Fact]
    public void With_a_rib_it_is_sized_written_checked_and_read_again()
    {
        using var f = Made("rib = \"500 mm\"\nground.max-settlement = \"25 mm\"\nground.max-distortion = 0.002");
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        ran.Out.Should().Contain("rib 0.50");
        var written = f["adopted.toml"];
        written.Should().Contain("[ST1]\nkind = \"strip\"\n").And.MatchRegex("rib = \\[\"500 mm\", \"\\d+ mm\"\\]")
            .And.MatchRegex("stirrups = \"T1\\d @ \\d+ mm\"").And.MatchRegex("flange = \"\\d T1").And.MatchRegex("bottom-y = \"T\\d+ @ \\d+ mm\"");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0];
        found.GetProperty("kind").GetString().Should().Be("strip");
        found.GetProperty("rib_m").GetArrayLength().Should().Be(2);
        var checks = found.GetProperty("checks").EnumerateArray().ToList();
        checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain(["bearing", "distortion", "shear-stirrups", "stirrup-spacing",
            "beam-steel", "flexure-top-x", "flexure-bottom-y", "one-way-shear-y", "anchorage-x", "column-bearing"])
            .And.NotContain("two-way-shear");
        found.GetProperty("not_checked").EnumerateArray().Select(e => e.GetString()).Should().Contain("beam-torsion");
        f.Run("show", "ST1", "flexure-top-x").Out.Should().Contain("Top flexure of the rib").And.NotContain("NaN");
        f.Run("show", "ST1", "bearing").Out.Should().Contain("hr").And.Contain("of all columns and the rib");
        f.Run("size", "ST1", "--why").Out.Should().Contain("rib ").And.Contain("stirrups").And.NotContain("nothing: it passes too");
        f.Run("set", "ST1", "rib=[\"500 mm\", \"1000 mm\"]", "stirrups=T10 @ 150 mm").Error.Should().Contain("ST1 is held from now on");
        f["adopted.toml"].Should().Contain("rib = [\"500 mm\", \"1000 mm\"]").And.Contain("stirrups = \"T10 @ 150 mm\"");
    }

    [Fact]
    public void With_a_rib_it_stands_in_schedules_drawings_and_the_report()
    {
        using var f = Made("rib = [\"500 mm\", \"900 mm\"]");
        f.Replace("supports.csv", "8.5,0.05", "8.5,0");
        f.Run("size").Exit.Should().Be(0);
        f.Run("schedule").Out.Should().Contain("Strip footings with ribs");
        f.Run("schedule", "--format", "csv", "--what", "ribbed-strips").Out.Should().Contain("rib depth").And.Contain("stirrups");
        f.Run("schedule", "--format", "csv", "--what", "bars").Out.Should().Contain("stirrups");
        foreach (var what in (string[])["detail", "forces", "sections", "pressure"])
        {
            f.Run("draw", "ST1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
            f[what + ".svg"].Should().NotContain("NaN", what);
        }

        // Sections at a scale of their own measure what is built: their dimensions count less of what is drawn.
        f.Run("draw", "ST1", "--what", "detail", "--to", "detail.dxf").Exit.Should().Be(0);
        f["detail.dxf"].Should().Contain("DSTYLE");
        f["detail.svg"].Should().Contain("elevation of the rib").And.Contain("between columns").And.Contain("alike at C2, C3");
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("strip footing with a rib").And.NotContain(">NaN").And.NotContain("NaN ");
    }

    [Theory]
    [InlineData("rib = [\"400 mm\", \"300 mm\"]\nthickness = \"350 mm\"", "the rib is no deeper than the thickness of the flange")]
    [InlineData("rib = \"1500 mm\"\nwidth = \"1.4 m\"", "the rib is as broad as the strip is wide, or broader")]
    [InlineData("rib = \"150 mm\"", "within the side covers the stirrups are wider than the rib")]
    [InlineData("rib = \"500 mm\"\nstirrups = \"6 T10\"", "is a number; write their spacing")]
    [InlineData("rib = \"500 mm\"\nbottom-x = \"T20 @ 100 mm\"", "bars of a rib are counted")]
    [InlineData("stirrups = \"T10 @ 200 mm\"", "has no key \"stirrups\"")]
    public void Wrong_ribs_are_refused_with_place_and_mend(string table, string message)
    {
        using var f = Made(table);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: ");
        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }

    [Theory]
    [InlineData("rib = [\"300 mm\", \"900 mm\"]", "stands beyond the rib; make the rib")]
    [InlineData("rib = [\"500 mm\", \"250 mm\"]", "no more than the flange")]
    public void A_rib_written_by_hand_is_judged(string rib, string message)
    {
        using var f = Made("rib = \"500 mm\"");
        f.Run("size");
        f["adopted.toml"] = System.Text.RegularExpressions.Regex.Replace(f["adopted.toml"], "rib = .*", rib);
        f["plinth.toml"] = f["plinth.toml"].Replace("rib = \"500 mm\"", rib.Contains("300 mm", StringComparison.Ordinal) ? "rib = \"300 mm\"" : "rib = \"500 mm\"",
            StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain(message);
    }

    [Theory]
    [InlineData("", "", "a strip footing stands on ground springs and needs the modulus of the ground")]
    [InlineData("length = \"9 m\"", "ground.subgrade-modulus = \"9 MN/m3\"", "length of a strip follows from its ends; write for example ends")]
    [InlineData("offset-x = \"0.1 m\"", "ground.subgrade-modulus = \"9 MN/m3\"", "offset-x of a strip follows from its ends")]
    [InlineData("ends = \"0.5 m\"\nedge-x0 = \"0.5 m\"", "ground.subgrade-modulus = \"9 MN/m3\"", "ends and edge-x0 are both given; keep one")]
    [InlineData("ends = [\"0.5 m\", \"0.5 m\", \"1 m\"]", "ground.subgrade-modulus = \"9 MN/m3\"", "ends is a list of two, at −x and at +x")]
    [InlineData("width = [\"2 m\", \"1 m\"]", "ground.subgrade-modulus = \"9 MN/m3\"", "width")]
    [InlineData("soil = \"rigid\"", "ground.subgrade-modulus = \"9 MN/m3\"", "has no key \"soil\"")]
    [InlineData("rows = [[\"C1\", \"C2\"]]", "ground.subgrade-modulus = \"9 MN/m3\"", "supports and rows are both given; rows are the rows of a grid of strips")]
    [InlineData("ends = \"-0.5 m\"", "ground.subgrade-modulus = \"9 MN/m3\"", "ends")]
    public void Wrong_strips_are_refused_with_place_and_mend(string table, string ground, string message)
    {
        using var f = Made(table, ground);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: ");
        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }
}
