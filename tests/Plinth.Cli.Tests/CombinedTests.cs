using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>Bases under several columns, from the project's file to schedules and drawings, through the built program.</summary>
public class CombinedTests
{
    // Columns 2.4 m apart stand on one base; the third alone.
    private static Folder Made(string table = "supports = [\"C1\", \"C2\"]")
    {
        var f = new Folder();
        f.Replace("supports.csv", "C2,6,0,400,400", "C2,2.4,0,400,400");
        f["plinth.toml"] += "\n[[foundation]]\n" + table + "\n";
        return f;
    }

    [Fact]
    public void A_pair_is_sized_written_checked_and_read_again()
    {
        using var f = Made();
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        var written = f["adopted.toml"];
        written.Should().Contain("[CF1]\nkind = \"combined\"\nsupports = [\"C1\", \"C2\"]\n").And.Contain("bottom-y.at.C1 = ").And.Contain(
            "bottom-y.rest = ").And.Contain("[F1]\nkind = \"isolated\"\nsupports = [\"C3\"]");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray().First();
        found.GetProperty("kind").GetString().Should().Be("combined");
        found.GetProperty("places")[0].GetProperty("supports").EnumerateArray().Select(s => s.GetString()).Should().Equal("C1", "C2");
        found.GetProperty("bars").GetProperty("bottom-y.at.C2").GetString().Should().NotBe("none");
        var checks = found.GetProperty("checks").EnumerateArray().ToList();
        checks.Where(c => c.GetProperty("id").GetString() == "two-way-shear")
            .Select(c => c.GetProperty("at").GetString())
            .Should().Contain(["C1", "C2"]);
        checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        f.Run("show", "C2").Out.Should().Contain("CF1, combined footing under C1, C2");
        f.Run("show", "CF1", "flexure-bottom-x").Out.Should().Contain("V         = ");
        f.Run("options", "CF1").Exit.Should().Be(0);
        f.Run("size", "CF1", "--over", "--why").Out.Should().Contain("bottom-y.rest");
    }

    [Fact]
    public void A_value_is_set_where_it_stands_dotted_inline_or_under_a_header()
    {
        using var f = Made();
        f.Run("size");
        f.Run("set", "CF1", "bottom-y.at.C2=12 T16").Error.Should().Contain("CF1 is held from now on");
        f["adopted.toml"].Should().Contain("\nbottom-y.at.C2 = \"12 T16\"\n");
        var band = f["adopted.toml"].Split('\n').First(l => l.StartsWith("bottom-y.at.C1", StringComparison.Ordinal)).Split(" = ")[1];
        var rest = f["adopted.toml"].Split('\n').First(l => l.StartsWith("bottom-y.rest", StringComparison.Ordinal)).Split(" = ")[1];
        f["adopted.toml"] = f["adopted.toml"]
            .Replace($"bottom-y.at.C1 = {band}\nbottom-y.at.C2 = \"12 T16\"\nbottom-y.rest = {rest}\n",
                $"bottom-y = {{ at.C1 = {band}, at.C2 = \"12 T16\", rest = {rest} }} # by hand\n", StringComparison.Ordinal);
        f.Run("set", "CF1", "bottom-y.at.C2=13 T16");
        f["adopted.toml"].Should().Contain($"bottom-y = {{ at.C1 = {band}, at.C2 = \"13 T16\", rest = {rest} }} # by hand\n");
        f.Run("check", "CF1", "--set", "width=[\"2.8 m\", \"2.4 m\"]").Out.Should().Contain("2.80/2.40");
        f.Run("set", "CF1", "bottom-y.at.C9=8 T16").Error.Should().Contain("there is no key \"bottom-y.at.C9\"; did you mean");
    }

    [Fact]
    public void Its_pedestals_are_drawn_cut_across_with_their_ties_alike_ones_once()
    {
        using var f = Made("supports = [\"C1\", \"C2\"]\npedestal.under = \"all\"\npedestal.height = \"700 mm\"");
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "CF1", "--to", "one.svg").Exit.Should().Be(0);
        f["one.svg"].Should().Contain("CF1: pedestal of C1, C2");
        f.Run("set", "CF1", "at.C2.pedestal.ties=T10 @ 150 mm");
        f.Run("draw", "CF1", "--to", "two.svg").Exit.Should().Be(0);
        f["two.svg"].Should().Contain("CF1: pedestal of C1<").And.Contain("CF1: pedestal of C2<").And.Contain("@ 150 mm");
        var set = f["adopted.toml"].Split('\n').First(l => l.StartsWith("at.C1.pedestal.ties", StringComparison.Ordinal)).Split('"')[1]
            .Split('@')[1].Trim();
        f["two.svg"].Should().Contain("@ " + set, "the ties of each pedestal are called with their own spacing");
    }

    [Fact]
    public void Pairs_whose_columns_stand_alike_are_built_to_one_design_under_their_own_marks()
    {
        using var f = Made("""
            supports = ["C1", "C2"]

            [[foundation]]
            supports = ["C4", "C5"]
            """);
        f["supports.csv"] += "C4,0,9,400,400\nC5,2.4,9,400,400\n";
        f["reactions.csv"] += "C4,DEAD,2,0,380,0,5\nC4,LIVE,1,0,170,0,3\nC4,WX,-15,0,-20,0,-30\nC5,DEAD,0,0,660,4,0\nC5,LIVE,0,0,280,2,0\nC5,WX,-18,0,0,0,-36\n";
        f.Run("size");
        string Table(string mark) => f["adopted.toml"].Split($"[{mark}]\n")[1].Split("\n[")[0];
        Table("CF1").Replace("C1", "C4").Replace("C2", "C5").Should().NotBe(Table("CF2"), "each is sized for its own columns");
        f.Run("group").Out.Should().Contain("2 of ").And.Contain("(CF1, CF2)");
        var ran = f.Run("group", "--types", "2");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        string Sizes(string mark) =>
            string.Join('\n',
                Table(mark).Split('\n')
                    .Where(l => !l.StartsWith("supports", StringComparison.Ordinal) && !l.StartsWith("found", StringComparison.Ordinal)
                        && l.Length > 0));
        Sizes("CF1").Replace("C1", "C4").Replace("C2", "C5").Should().Be(Sizes("CF2"));
        Table("CF2").Should().Contain("supports = [\"C4\", \"C5\"]").And.Contain("bottom-y.at.C4");
        f.Run("check").Exit.Should().Be(0);
        f.Run("schedule").Out.Should().Contain("CF2");
    }

    [Fact]
    public void It_is_scheduled_drawn_and_reported()
    {
        using var f = Made();
        f.Run("size");
        f.Run("schedule").Out.Should().Contain("Combined footings: Test");
        f.Run("schedule", "--what", "combined", "--format", "csv").Out.Should().Contain("CF1").And.NotContain("\nF1");
        f.Run("schedule", "--what", "bars", "--format", "csv").Out.Should().Contain("bottom along y at C1 (B2)").And.Contain(
            "bottom along y between (B2)");
        foreach (var what in new[] { "plan", "utilisation", "loads" })
        {
            f.Run("draw", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
        }

        foreach (var what in new[] { "detail", "pressure", "sections", "forces" })
        {
            f.Run("draw", "CF1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
        }

        f.Run("draw", "CF1", "--what", "steel", "--to", "x.svg").Error.Should().Contain("--what forces shows strength beside demand");
        f.Run("draw", "CF1", "--what", "bars", "--to", "x.svg").Error.Should().Contain("are shown by its detail");
        f.Has("x.svg").Should().BeFalse();
        f["forces.svg"].Should().Contain("C1").And.Contain("C2").And.Contain("Free body along x").And.Contain("ground −");
        f["detail.svg"].Should().Contain("section C–C, at C2");
        f.Run("report", "--depth", "full", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("Combined footings").And.Contain("of all towards −x");
    }

    [Fact]
    public void Shear_and_moment_along_it_are_told_section_by_section()
    {
        using var f = Made();
        f.Run("size");
        var found = f.Run("check", "--diagrams", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        found[1].TryGetProperty("diagrams", out _).Should().BeFalse("the other stands under one column");
        var checks = found[0].GetProperty("checks").EnumerateArray()
            .ToDictionary(c => c.GetProperty("id").GetString() + c.GetProperty("place").GetString()
                + (c.TryGetProperty("at", out var at) ? at.GetString() : ""));
        var (width, governs) = (found[0].GetProperty("width_m").GetDouble(), new List<string>());
        foreach (var d in found[0].GetProperty("diagrams").EnumerateArray())
        {
            double Balance(string name) => d.GetProperty("balance").GetProperty(name + "_kN").GetDouble();
            Balance("difference").Should().BeApproximately(0, 1e-6 * Balance("columns"));
            (Balance("columns") + Balance("weights") + Balance("loads") - Balance("ground") - Balance("water")).Should().BeApproximately(0,
                1e-6 * Balance("columns"));
            var forces = d.GetProperty("forces").EnumerateArray()
                .Select(p => (Down: p.GetProperty("down_kN").GetDouble(), X: p.GetProperty("x_m").GetDouble(),
                    M: p.GetProperty("M_kNm").GetDouble()))
                .ToList();
            forces.Sum(p => p.Down).Should().BeApproximately(0, 1e-6 * Balance("columns"));
            forces.Sum(p => (p.Down * p.X) + p.M).Should().BeApproximately(0, 1e-6 * Balance("columns"));
            var points = d.GetProperty("points").EnumerateArray()
                .Select(p => (X: p.GetProperty("x_m").GetDouble(), V: p.GetProperty("V_kN").GetDouble(),
                    M: p.GetProperty("M_kNm").GetDouble(), P: p.GetProperty("p_kPa").GetDouble()))
                .ToList();
            points.Zip(points.Skip(1))
                .Sum(p => (p.First.P + p.Second.P) / 2 * width * (p.Second.X - p.First.X))
                .Should().BeApproximately(Balance("ground"), 0.01 * Balance("ground"),
                    "the pressure over the base is what the ground holds");
            foreach (var end in new[] { points[0], points[^1] })
            {
                Math.Abs(end.V).Should().BeLessThan(1e-6 * Balance("columns"));
                Math.Abs(end.M).Should().BeLessThan(1e-6 * Balance("columns"));
            }

            foreach (var id in d.GetProperty("governs").EnumerateArray().Select(g => g.GetString()!))
            {
                // What a check tells stands among the sections, at the place that it tells.
                governs.Add(id);
                var check = checks.Values.Single(c => c.GetProperty("id").GetString() == id);
                check.GetProperty("combination").GetString().Should().Be(d.GetProperty("combination").GetString());
                var (x, name) = (check.GetProperty("x_m").GetDouble(),
                    id.StartsWith("one-way", StringComparison.Ordinal) ? "V_kN" : "M_kNm");
                d.GetProperty("sections").EnumerateArray()
                    .Should().Contain(s => Math.Abs(s.GetProperty("x_m").GetDouble() - x) < 1e-9
                        && Math.Abs(Math.Abs(s.GetProperty(name).GetDouble()) - check.GetProperty("demand").GetDouble()) < 1e-6);
            }
        }

        governs.Should().Contain(["one-way-shear-x", "flexure-bottom-x"]).And.OnlyHaveUniqueItems();
        var shown = f.Run("show", "C1", "--diagrams").Out;
        shown.Should().Contain("the ground holds").And.Contain("difference 0.0").And.MatchRegex("face (left|right) of C1").And.MatchRegex(
            "d (left|right) of C2");
        shown.Should().MatchRegex("bottom flexure x +x -?\\d\\.\\d\\d ", "its row says where");
        f.Run("show", "C3", "--diagrams").Error.Should().Contain("stands under one column").And.Contain("plinth draw F1 --what forces");
        f.Run("show", "CF1", "bearing", "--diagrams").Error.Should().Contain("--diagrams goes without \"bearing\"");
        f.Run("show", "CF1", "--diagrams", "--format", "csv").Error.Should().Contain("no CSV");
        f.Run("check", "--diagrams").Error.Should().Contain("plinth show MARK --diagrams");
    }

    [Fact]
    public void A_trapezoid_is_asked_for_and_found()
    {
        using var f = Made("supports = [\"C1\", \"C2\"]\noutline = \"trapezoid\"\nedge-x0 = \"0.5 m\"\nedge-x1 = \"0.5 m\"\nbearing = 1");
        f.Run("size").Error.Should().Contain("has no key \"bearing\"");
        f.Replace("plinth.toml", "\nbearing = 1", "");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().MatchRegex("width = \\[\"\\d+ mm\", \"\\d+ mm\"\\]").And.Contain("length = \"3400 mm\"");
        f.Run("schedule", "--what", "combined", "--format", "csv").Out.Should().Contain("width at −x");

        // A table that told but one width would pass for a rectangle.
        var plan = Regex.Match(f.Run("check").Out, "3\\.40 × \\d\\.\\d\\d/\\d\\.\\d\\d").Value;
        plan.Should().NotBeEmpty();
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain(">" + plan + "<");
    }

    [Fact]
    public void Each_gives_every_support_a_foundation_with_rules_of_its_own()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\neach = [\"C*\"]\nthickness = \"700 mm\"\n\n[[foundation]]\nsupports = [\"C2\"]\n"
            + "thickness = \"800 mm\"\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Select(x => x.GetProperty("thickness_m").GetDouble())
            .Should().Equal(0.7, 0.8, 0.7);
    }

    [Theory]
    [InlineData("supports = [\"C1\", \"C1\"]", "support \"C1\" stands twice in one list")]
    [InlineData("supports = [\"C1\", \"C7\"]", "support \"C7\" does not stand in supports.csv")]
    [InlineData("supports = [\"C1\", \"C2\"]\n\n[[foundation]]\nsupports = [\"C2\", \"C3\"]", "support \"C2\" belongs to")]
    [InlineData("supports = [\"C1\", \"C2\"]\noutline = \"trapezoid\"\nedge-y0 = \"1 m\"\nedge-y1 = \"1 m\"", "edge-y0 and edge-y1 hold "
        + "one width, and a trapezoid has two; leave one of them out")]
    [InlineData("supports = [\"C1\", \"C2\"]\noutline = \"trapezoid\"\nwidth = \"2 m\"", "a trapezoid has a width at each end; write for "
        + "example width = [")]
    [InlineData("supports = [\"C1\", \"C2\"]\nwidth = [\"2 m\", \"1.5 m\", \"1 m\"]", "width of a trapezoid is a list of two")]
    [InlineData("supports = [\"C1\", \"C2\"]\nedge-x0 = \"0.5 m\"\nedge-x1 = \"0.5 m\"\nlength = \"9 m\"", "length and both edges along x "
        + "are given; keep two of the three")]
    [InlineData("supports = [\"C1\", \"C2\"]\nangle = \"10 deg\"", "angle is not for a base under several supports")]
    [InlineData("supports = [\"C1\", \"C2\"]\nsoil = \"springs\"", "soil = \"springs\" needs the modulus of the ground; write [ground] "
        + "subgrade-modulus")]
    [InlineData("supports = [\"C1\", \"C2\"]\nsoil = \"springs\"\noutline = \"trapezoid\"\nground.subgrade-modulus = \"20 MN/m3\"",
        "a trapezoid is not solved on ground springs")]
    [InlineData("supports = [\"C1\", \"C2\"]\nstiffness = 0.5", "stiffness counts on ground springs only")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbottom-y = \"9 T16\"", "bottom-y of a combined footing goes by columns and between them")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbottom-y = { at.C3 = \"9 T16\" }", "has no key \"C3\"")]
    [InlineData("supports = [\"C1\", \"C2\"]\nbottom-x = { band = \"9 T16\", rest = \"4 T16\" }", "bottom-x: bars of a combined footing lie "
        + "closer only under its columns, by bottom-y.at; write them in one number, for example \"13 T16\"")]
    [InlineData("kind = \"combined\"\nsupports = [\"C1\"]", "kind \"combined\" carries several supports on one base, and one is named")]
    [InlineData("kind = \"isolated\"\nsupports = [\"C1\", \"C2\"]", "kind \"isolated\" carries one support")]
    [InlineData("kind = \"raft\"\nsupports = [\"C1\", \"C2\"]", "kind \"raft\" is not designed in this version")]
    [InlineData("each = [\"C1\"]\nmark = \"F9\"", "mark and each are both given")]
    [InlineData("each = [\"X*\"]", "each: no support is called or matches \"X*\"")]
    [InlineData("each = [\"ground:clay\"]", "each: no support stands on the ground \"clay\"")]
    [InlineData("each = [\"C*\"]\n\n[[foundation]]\neach = [\"*2\"]", "catches support \"C2\", which")]
    [InlineData("alike = [[\"C1\", \"C2\"], [\"C3\"]]", "one design is for 2 supports at C1 and for 1 at C3")]
    [InlineData("alike = [[\"C1\", \"C2\"], [\"C2\", \"C3\"]]", "stand otherwise than C1, C2")]
    public void Wrong_bases_are_refused_with_place_and_mend(string table, string message)
    {
        using var f = Made(table);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: ");
        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }

    [Fact]
    public void On_springs_a_base_is_sized_checked_told_and_drawn()
    {
        using var f = Made("supports = [\"C1\", \"C2\"]\nsoil = \"springs\"\nground.subgrade-modulus = \"15 MN/m3\"");
        f.Run("size").Exit.Should().Be(0);
        var checks = f.Run("check", "CF1", "--format", "json").Json.GetProperty("foundations")[0];
        checks.GetProperty("passes").GetBoolean().Should().BeTrue();
        var shown = f.Run("show", "CF1");
        shown.Out.Should().Contain("on ground springs that pull nowhere");
        var told = f.Run("show", "CF1", "bearing");
        told.Exit.Should().Be(0);
        told.Out.Should().Contain("Ground springs under a beam").And.Contain("∫p dA").And.Contain("subgrade modulus")
            .And.NotContain("NaN").And.NotContain("undefined");
        foreach (var id in (string[])["settlement", "contact", "equilibrium", "flexure-bottom-x", "one-way-shear-x", "two-way-shear"])
        {
            f.Run("show", "CF1", id).Out.Should().NotContain("NaN").And.NotContain("undefined");
        }

        f.Run("draw", "CF1", "--what", "pressure", "--to", "p.svg").Exit.Should().Be(0);
        f["p.svg"].Should().Contain("contact pressure").And.NotContain("NaN");
        f.Run("draw", "CF1", "--what", "forces", "--to", "f.svg").Exit.Should().Be(0);
        f["f.svg"].Should().NotContain("NaN");
    }

    [Fact]
    public void Two_supports_at_one_point_are_refused()
    {
        using var f = Made();
        f.Replace("supports.csv", "C2,2.4,0,400,400", "C2,0,0,400,400");
        f.Run("size").Error.Should().Contain("supports \"C1\" and \"C2\" stand at one point");
    }

    [Fact]
    public void A_design_by_hand_that_cannot_be_is_refused_at_its_key()
    {
        using var f = Made();
        f.Run("size");
        var text = f["adopted.toml"];
        foreach (var (old, with, message) in new[]
        {
            ("length = \"", "length = \"1500 mm\" # ", "stands beyond the base"),
            ("bottom-y.at.C1 = \"", "bottom-y.at.C1 = \"none\" # ", "has no bottom bars across at C1"),
            ("top-x = \"", "top-x = { band = \"9 T16\", rest = \"4 T16\" } # ", "top-x: bars of a combined footing lie closer only under"),
            ("kind = \"combined\"", "kind = \"isolated\"", "carries several supports"),
        })
        {
            var at = text.IndexOf(old, StringComparison.Ordinal);
            f["adopted.toml"] = text[..at] + with + text[(at + old.Length)..];
            var ran = f.Run("check");
            ran.Exit.Should().Be(2, ran.Out);
            ran.Error.Should().MatchRegex(@"adopted\.toml:\d+:\d+: ");
            if (!message.StartsWith("carries", StringComparison.Ordinal))
            {
                ran.Error.Should().Contain(message);
            }
        }
    }

    [Fact]
    public void Every_column_of_it_can_be_followed_and_every_row_says_where()
    {
        using var f = Made();
        f.Run("size");
        f.Run("show", "CF1", "two-way-shear", "--at", "C1").Out.Should().StartWith("CF1, two-way shear at C1, C2: C1, ");
        f.Run("show", "CF1", "flexure-bottom-y", "--at", "C2").Out.Should().Contain("at C1, C2: C2, ").And.Contain(
            "width of the strip, over which its pressure is linear without tension");
        f.Run("show", "CF1", "two-way-shear", "--at", "C9").Error.Should().Contain("two-way shear has no part \"C9\"; it looks at C1, C2");
        f.Run("show", "F1", "bearing", "--at", "C3").Error.Should().Contain("it is of the whole foundation");
        f.Run("show", "CF1", "--at", "C1").Error.Should().Contain("--at goes with a check");
        f.Run("check", "--format", "csv").Out.Should().Contain("two-way-shear,\"C1, C2: C1\",").And.Contain(
            "two-way-shear,\"C1, C2: C2\",");
        f.Run("report", "--depth", "checks", "--to", "r.html");
        f["r.html"].Should().MatchRegex("two-way shear</td>\\s*<td[^>]*>C1</td>");
    }

    [Fact]
    public void It_is_issued_and_a_revision_tells_what_it_breaks()
    {
        using var f = Made();
        f.Run("size");
        var issued = f.Run("issue", "A");
        issued.Exit.Should().Be(0, issued.Error);
        f.Run("set", "CF1", "bottom-y.at.C2=8 T20", "bottom-y.rest=32 T12", "thickness=550 mm").Exit.Should().Be(0);
        var next = f.Run("issue", "B");
        next.Exit.Should().Be(0, next.Error);
        next.Error.Should().Contain("CF1: ").And.Contain("thickness").And.Contain("cut of bottom along y at C2").And.NotContain(" F1: ");
        f["old.csv"] = f["reactions.csv"];
        f["reactions.csv"] = f["reactions.csv"].Replace("C2,DEAD,0,0,640", "C2,DEAD,0,0,1640", StringComparison.Ordinal);
        var compared = f.Run("compare", "old.csv");
        compared.Out.Should().Contain("CF1");
        compared.Exit.Should().Be(1);
    }

    [Fact]
    public void Columns_of_the_office_at_its_movement_joint_share_bases()
    {
        using var f = Folder.Building("office-frame");
        f.Run("size").Exit.Should().Be(0);
        var found = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Where(x => x.GetProperty("kind").GetString() == "combined")
            .ToList();
        found.Select(x => string.Join('+', x.GetProperty("places")[0].GetProperty("supports").EnumerateArray().Select(s => s.GetString())))
            .Should().Equal("C13+C19+C20+C14", "C15+C21");
        found.Should().OnlyContain(x => x.GetProperty("passes").GetBoolean());
    }
}
