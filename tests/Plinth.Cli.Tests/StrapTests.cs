namespace Plinth.Cli.Tests;

/// <summary>Straps from the project's file to schedules and drawings, through the built program.</summary>
public class StrapTests
{
    private static Folder Made(string table = "supports = [\"C1\", \"C2\"]\nedge.edge-x0 = \"column\"")
    {
        var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nkind = \"strap\"\n" + table + "\n";
        return f;
    }

    [Fact]
    public void It_is_sized_written_checked_and_read_again()
    {
        using var f = Made();
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        ran.Out.Should().MatchRegex(@"stirrups[\s\S]{0,160}?T1\d @ ", "they may stand a line apart in a narrow column").And.Contain("beam 0.");
        var written = f["adopted.toml"];
        written.Should().Contain("[SF1]\nkind = \"strap\"\nsupports = [\"C1\", \"C2\"]\nedge.length = ").And.Contain("beam.stirrups = \"T10 @ ")
            .And.Contain("[F1]\nkind = \"isolated\"");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "SF1", "--format", "json").Json.GetProperty("foundations")[0];
        found.GetProperty("kind").GetString().Should().Be("strap");
        found.GetProperty("bars").GetProperty("edge.bottom-x").GetString().Should().NotBe("none");
        var checks = found.GetProperty("checks").EnumerateArray().ToList();
        checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain(["contact", "shear-stirrups", "stirrup-spacing", "beam-steel",
            "flexure-top-x", "anchorage-x", "two-way-shear", "column-bearing"]);
        checks.Where(c => c.GetProperty("id").GetString() == "two-way-shear").Select(c => c.GetProperty("at").GetString()).Should().Equal("C1", "C2");
        found.GetProperty("not_checked").EnumerateArray().Select(e => e.GetString()).Should().Contain("beam-torsion");
        f.Run("show", "SF1", "flexure-top-x").Out.Should().Contain("Top flexure of the beam");
        f.Run("show", "SF1", "--diagrams").Out.Should().Contain("end of the inner base").And.Contain("difference 0.0");
    }

    [Fact]
    public void Why_options_and_a_change_by_hand()
    {
        using var f = Made();
        f.Run("size");
        var why = f.Run("size", "SF1", "--why");
        why.Out.Should().Contain("inner.length").And.Contain("beam.depth").And.NotContain("nothing: it passes too");
        var options = f.Run("options", "SF1", "--format", "json");
        options.Exit.Should().Be(0, options.Error);
        options.Json.GetProperty("options").GetArrayLength().Should().BeGreaterThan(1);
        f.Run("options", "SF1", "--take", "1").Exit.Should().Be(0);
        f.Run("set", "SF1", "beam.depth=1.5 m", "edge.bottom-y=14 T20").Error.Should().Contain("SF1 is held from now on");
        f["adopted.toml"].Should().Contain("\nbeam.depth = \"1.5 m\"\n").And.Contain("\nedge.bottom-y = \"14 T20\"\n");
        f.Run("check", "SF1", "--set", "beam.top=2 T12").Exit.Should().Be(1);
        f.Run("set", "SF1", "beam.deep=1 m").Error.Should().Contain("there is no key \"beam.deep\"; did you mean");
    }

    [Fact]
    public void Values_that_are_stated_are_kept()
    {
        using var f = Made("""
            supports = ["C1", "C2"]
            edge = { width = "3.4 m", edge-x0 = "300 mm" }
            inner.thickness = "700 mm"
            beam = { width = "600 mm", gap = "150 mm", reach = "column", bars = ["T25"], stirrups = "T12 @ 150 mm" }
            """);
        var ran = f.Run("size", "SF1");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        f["adopted.toml"].Should().Contain("edge.width = \"3400 mm\"").And.Contain("inner.thickness = \"700 mm\"")
            .And.Contain("beam.width = \"600 mm\"").And.Contain("beam.gap = \"150 mm\"").And.Contain("beam.stirrups = \"T12 @ 150 mm\"")
            .And.MatchRegex("beam.top = .*T25").And.MatchRegex("beam.bottom = .*T25");
        f.Run("show", "SF1").Out.Should().Contain("to the inner column");
    }

    [Theory]
    [InlineData("supports = [\"C1\", \"C2\", \"C3\"]", "two")]
    [InlineData("supports = [\"C1\"]", "two")]
    [InlineData("supports = [\"C1\", \"C2\"]\nedge.length = \"5 m\"\ninner.length = \"3 m\"", "overlap")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbeam.width = \"150 mm\"\nbeam.stirrups = \"T10 @ 200 mm\"", "stirrups are wider than the beam")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbeam.stirrups = \"6 T10\"", "write their spacing")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbeam.top = \"T20 @ 100 mm\"", "bars of a beam are counted")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbeam.reach = \"edge\"", "is neither")]
    [InlineData("supports = [\"C1\", \"C2\"]\nmiddle.length = \"2 m\"", "middle")]
    [InlineData("supports = [\"C1\", \"C2\"]\nlength = \"2 m\"", "length")]
    [InlineData("supports = [\"C1\", \"C2\"]\nedge.length = \"-2 m\"", "must be more than zero")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbeam.gap = \"2 m\"\nedge.thickness = \"500 mm\"", "gap")]
    public void What_cannot_be_is_refused_with_its_place(string table, string words)
    {
        using var f = Made(table);
        var ran = f.Run("size", "SF1");
        ran.Exit.Should().NotBe(0);
        (ran.Error + ran.Out).Should().Contain(words);
        ran.Error.Should().MatchRegex(@"plinth\.toml:\d+:\d+|nothing found", ran.Error);
        f.Has("adopted.toml").Should().BeFalse();
    }

    [Fact]
    public void An_inner_base_that_would_lift_says_so_and_what_length_would_keep_it_down()
    {
        using var f = Made("supports = [\"C1\", \"C2\"]\nedge = { edge-x0 = \"column\", length = \"3.2 m\" }");
        f.Replace("reactions.csv", "C2,DEAD,0,0,640", "C2,DEAD,0,0,60");
        f.Replace("reactions.csv", "C2,LIVE,0,0,260", "C2,LIVE,0,0,10");
        var ran = f.Run("size", "SF1");
        ran.Exit.Should().Be(1);
        ran.Error.Should().Contain("the inner base would lift under S2").And.MatchRegex(@"edge\.length below \d\.\d+ m would keep it down");
    }

    [Fact]
    public void It_is_scheduled_with_its_beam_and_its_bars_weigh_what_is_totalled()
    {
        using var f = Made();
        f.Run("size");
        var text = f.Run("schedule").Out;
        text.Should().Contain("Strap footings: Test").And.MatchRegex(@"stirrups[\s\S]{0,160}?T1\d @ ", "they may stand a line apart in a narrow column");
        f.Run("schedule", "--what", "straps", "--format", "csv").Out.Should().Contain("beam depth").And.Contain("stirrups");
        var bars = f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n').Where(l => l.StartsWith("SF1,", StringComparison.Ordinal)).ToList();
        bars.Should().Contain(l => l.Contains("stirrups of the beam") && l.Contains(",51,"), "closed links have a shape of their own");
        var json = f.Run("schedule", "--format", "json").Json;
        var row = json.GetProperty("footings").EnumerateArray().Single(r => r.GetProperty("mark").GetString() == "SF1");
        var mass = bars.Sum(l => double.Parse(l.Split(',')[^1], System.Globalization.CultureInfo.InvariantCulture));
        row.GetProperty("steel_kg").GetDouble().Should().BeApproximately(mass, 0.01);
        double Of(string key) => row.GetProperty(key).GetDouble();
        var (bases, beam) = ((Of("edge_length_m") * Of("edge_width_m") * Of("edge_thickness_m"))
            + (Of("inner_length_m") * Of("inner_width_m") * Of("inner_thickness_m")), Of("concrete_m3"));
        beam.Should().BeGreaterThan(bases).And.BeLessThan(bases + (Of("beam_width_m") * Of("beam_depth_m") * 9));
        f.Run("schedule", "--to", "out.xlsx").Exit.Should().Be(0);
    }

    [Theory]
    [InlineData("detail")]
    [InlineData("pressure")]
    [InlineData("sections")]
    [InlineData("forces")]
    public void Every_figure_is_drawn(string what)
    {
        using var f = Made();
        f.Run("size");
        var ran = f.Run("draw", "SF1", "--what", what, "--to", "out.svg");
        ran.Exit.Should().Be(0, ran.Error);
        f["out.svg"].Should().Contain("SF1").And.NotContain("NaN");
        f.Run("draw", "SF1", "--what", what, "--to", "out.dxf").Exit.Should().Be(0);
        f.Run("draw", "SF1", "--what", what, "--to", "out.pdf").Exit.Should().Be(0);
    }

    [Fact]
    public void It_is_reported_issued_and_compared()
    {
        using var f = Made("supports = [\"C1\", \"C2\"]\nedge.edge-x0 = \"column\"\nbeam.depth = \"900 mm\"");
        f.Run("size");
        f.Replace("plinth.toml", "beam.depth = \"900 mm\"\n", "");
        f.Run("report", "--to", "out.html").Exit.Should().Be(0);
        f["out.html"].Should().Contain("SF1").And.Contain("beam");
        f.Run("issue", "A").Exit.Should().Be(0);
        f.Run("set", "SF1", "beam.depth=1.6 m", "beam.sides=6 T16").Exit.Should().BeOneOf(0, 1);
        var next = f.Run("issue", "B", "--anyway");
        next.Error.Should().Contain("SF1: ").And.Contain("beam depth 900 → 1600").And.NotContain(" F1: ");
        f["old.csv"] = f["reactions.csv"];
        f.Replace("reactions.csv", "C2,DEAD,0,0,640", "C2,DEAD,0,0,1640");
        f.Run("compare", "old.csv").Out.Should().Contain("SF1");
    }

    [Fact]
    public void An_edge_base_that_finds_nothing_is_offered_a_strap_and_its_price()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nsupports = [\"C1\"]\nedge-x0 = \"250 mm\"\n\n[sizing]\nrange = { plan = [\"1.0 m\", \"2.6 m\"] }\n";
        var ran = f.Run("size");
        ran.Exit.Should().Be(1);
        ran.Out.Should().Contain("kind = \"strap\"").And.Contain("edge.edge-x0 = \"250 mm\"");
        f.Run("size", "--propose", "--format", "json").Json.GetRawText().Should().Contain("strap");
    }
}
