namespace Plinth.Cli.Tests;

/// <summary>Extra bars along strips from [steel] curtail to schedules, drawings and hand edits, through the built program.</summary>
public class CurtailmentTests
{
    private static Folder Made(string table = "", string curtail = "0.1")
    {
        var f = new Folder();
        f["plinth.toml"] += $"\n[[foundation]]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\", \"C3\", \"C4\", \"C5\"]\n"
            + $"ground.subgrade-modulus = \"20 MN/m3\"\nground.bearing = \"150 kPa\"\nsteel.curtail = {curtail}\n{table}\n";
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,5,0,500,500\nC3,10.5,0,500,500\nC4,15,0,400,400\nC5,19.6,0,400,400\n";
        f["reactions.csv"] = "support,case,Fz (kN)\n" + string.Concat(
            new[] { (400, 200), (900, 450), (950, 480), (800, 300), (380, 160) }.Select((n, i) => $"C{i + 1},DEAD,{n.Item1}\nC{i + 1},LIVE,{n.Item2}\n"));
        return f;
    }

    private const string Sizes = "ends = \"400 mm\"\nwidth = \"2.4 m\"\nthickness = \"750 mm\"";

    [Fact]
    public void They_are_found_written_read_and_shown()
    {
        using var f = Made(Sizes);
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        var written = f["adopted.toml"];
        written.Should().MatchRegex("at\\.C\\d\\.extra = \"\\d+ T\\d+\"\nat\\.C\\d\\.extra-reach = \"\\d+00 mm\"", "they end at round lengths, on both sides alike");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];
        found.GetProperty("checks").EnumerateArray().Should().OnlyContain(c => c.GetProperty("passes").GetBoolean())
            .And.Contain(c => c.GetProperty("id").GetString() == "curtailment-x");
        var extra = found.GetProperty("extra_bars").EnumerateArray().First();
        var at = extra.GetProperty("at").GetString()!;
        extra.GetProperty("face").GetString().Should().Be("bottom");
        extra.GetProperty("low_m").GetDouble().Should().BeGreaterThan(0.5);
        f.Run("check").Out.Should().Contain("1 pass");
        f.Run("show", "ST1").Out.Should().Contain($"at {at}").And.Contain("curtailment x");
        f.Run("show", "ST1", "curtailment-x").Out.Should().Contain("Extra bottom bars over").And.NotContain("NaN");

        // Cut to length, named by the column over which they lie, in quantities too.
        f.Run("schedule", "--what", "bars", "--format", "csv").Out.Should().Contain($"bottom along x over {at} (B1)");
        f.Run("schedule", "--what", "strips", "--format", "csv").Out.Should().Contain("extra over columns").And.Contain("to either side");
        using var through = Made(Sizes, "1");
        through.Run("size").Exit.Should().Be(0);
        through["adopted.toml"].Should().NotContain("extra");
        double Steel(Folder of) => of.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("steel_kg").GetDouble();
        Steel(f).Should().BeLessThan(Steel(through), "that is what they are for");
        foreach (var what in (string[])["detail", "forces", "sections"])
        {
            f.Run("draw", "ST1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
            f[what + ".svg"].Should().NotContain("NaN", what);
        }

        f["detail.svg"].Should().Contain($"B1 over {at}");
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("curtailment x").And.NotContain("NaN ");
        f.Run("size", "ST1", "--why").Out.Should().NotContain("nothing: it passes too");
    }

    [Fact]
    public void By_hand_they_are_held_and_checked()
    {
        using var f = Made(Sizes, "1");
        f.Run("size").Exit.Should().Be(0);
        var ran = f.Run("set", "ST1", "bottom-x=9 T25", "top-x=11 T20", "at.C3.extra=4 T25", "at.C3.extra-reach=[\"1600 mm\", \"1700 mm\"]",
            "between.C1+C2.extra=2 T20", "between.C1+C2.extra-reach=900 mm");
        ran.Error.Should().Contain("ST1 is held from now on");
        f["adopted.toml"].Should().Contain("at.C3.extra = \"4 T25\"\nat.C3.extra-reach = [\"1600 mm\", \"1700 mm\"]\n")
            .And.Contain("between.\"C1+C2\".extra = \"2 T20\"\nbetween.\"C1+C2\".extra-reach = \"900 mm\"\n");
        f.Run("check", "--set", "at.C3.extra-reach=500 mm").Out.Should().Contain("FAIL");
        f.Run("draw", "ST1", "--to", "d.svg").Exit.Should().Be(0);
        f["d.svg"].Should().Contain("over C3").And.Contain("in C1+C2");
        f.Run("schedule", "--what", "strips", "--format", "csv").Out.Should().Contain("extra in bays");
    }

    [Fact]
    public void In_feet_a_long_strip_finds_its_sheet_with_its_sections_in_rows()
    {
        using var f = Made("ends = \"400 mm\"\nwidth = \"2.44 m\"\nthickness = \"760 mm\"", "0.05");
        f.Replace("plinth.toml", "code = \"aci318m-19\"", "code = \"aci318-19\"\nunits = \"us\"");
        f["plinth.toml"] = System.Text.RegularExpressions.Regex.Replace(f["plinth.toml"], "bars = .*\n", "");
        f.Run("size").Exit.Should().Be(0);
        var ran = f.Run("draw", "ST1", "--to", "d.svg");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain("1/4\" = 1'-0\"");
        f["d.svg"].Should().Contain("section B–B").And.Contain("section C–C");
    }

    [Theory]
    [InlineData("at.C3.extra = \"4 T20\"\nat.C3.extra-reach = \"1 m\"", "as thick as those that run through, T25 by bottom-x")]
    [InlineData("at.C3.extra = \"9 T25\"\nat.C3.extra-reach = \"1 m\"", "so that there are 8 at most")]
    [InlineData("at.C3.extra = \"4 T25\"", "at.C3.extra-reach is missing")]
    [InlineData("at.C3.extra-reach = \"1 m\"", "given without bars")]
    [InlineData("at.C2.extra = \"4 T25\"\nat.C2.extra-reach = \"3 m\"\nat.C3.extra = \"4 T25\"\nat.C3.extra-reach = \"3 m\"", "over C2 and C3 overlap")]
    [InlineData("at.C9.extra = \"4 T25\"", "C9")]
    public void What_cannot_be_laid_is_refused_with_place(string lines, string message)
    {
        using var f = Made(Sizes, "1");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"] = System.Text.RegularExpressions.Regex.Replace(f["adopted.toml"], "bottom-x = .*", "bottom-x = \"9 T25\"\n" + lines);
        var ran = f.Run("check");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"adopted\.toml:\d+:\d+: ");
    }

    [Theory]
    [InlineData("1.5", "at most 1 (bars run through)")]
    [InlineData("-0.1", "curtail")]
    public void A_share_that_is_none_is_refused(string share, string message)
    {
        using var f = Made(curtail: share);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: ");
    }
}
