namespace Plinth.Cli.Tests;

/// <summary>Closer stirrups about the columns of ribs, from [steel] zone-stirrups to schedules, drawings and hand edits, through the built program.</summary>
public class StirrupZoneTests
{
    private static Folder Made(string share = "0.05")
    {
        var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\", \"C3\", \"C4\", \"C5\"]\nends = \"400 mm\"\nwidth = \"2.4 m\"\nthickness = \"300 mm\"\nrib = [\"700 mm\", \"800 mm\"]\n"
            + $"ground.subgrade-modulus = \"20 MN/m3\"\nground.bearing = \"150 kPa\"\nsteel.zone-stirrups = {share}\n";
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,5,0,500,500\nC3,10.5,0,500,500\nC4,15,0,400,400\nC5,19.6,0,400,400\n";
        f["reactions.csv"] = "support,case,Fz (kN)\n" + string.Concat(
            new[] { (400, 200), (900, 450), (950, 480), (800, 300), (380, 160) }.Select((n, i) => $"C{i + 1},DEAD,{n.Item1}\nC{i + 1},LIVE,{n.Item2}\n"));
        return f;
    }

    private static System.Text.Json.JsonElement Found(Folder f) => f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];

    [Fact]
    public void They_are_found_written_read_and_shown()
    {
        using var f = Made();
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        var written = f["adopted.toml"];
        written.Should().MatchRegex("at\\.C\\d\\.stirrups = \"T\\d+ @ \\d+ mm\"\nat\\.C\\d\\.stirrup-reach = \"\\d+00 mm\"", "they end at round lengths, on both sides alike");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(written, "what is read is what was written");
        var found = Found(f);
        found.GetProperty("checks").EnumerateArray().Should().OnlyContain(c => c.GetProperty("passes").GetBoolean());
        var zone = found.GetProperty("closer_stirrups").EnumerateArray().First();
        var at = zone.GetProperty("at").GetString()!;
        zone.GetProperty("low_m").GetDouble().Should().BeGreaterThan(0.5);
        written.Should().Contain($"at.{at}.stirrups = \"{zone.GetProperty("stirrups").GetString()}\"");
        f.Run("show", "ST1").Out.Should().MatchRegex(@"@ \d+ mm, @ \d+ mm at C\d");
        f.Run("show", "ST1", "shear-stirrups").Out.Should().Contain("φVn").And.NotContain("NaN");
        f.Run("schedule", "--what", "ribbed-strips", "--format", "csv").Out.Should().Contain("closer at columns").And.Contain("to either side");

        // As many as the elevation shows, and fewer than alike all along.
        int Bars(Folder of) => int.Parse(of.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n')
            .Single(l => l.Contains("stirrups of the rib")).Split(',')[6], System.Globalization.CultureInfo.InvariantCulture);
        using var alike = Made("1");
        alike.Run("size").Exit.Should().Be(0);
        alike["adopted.toml"].Should().NotContain("stirrup-reach");
        Bars(f).Should().BeLessThan((int)(0.95 * Bars(alike)) + 1);
        Found(f).GetProperty("steel_kg").GetDouble().Should().BeLessThan(Found(alike).GetProperty("steel_kg").GetDouble());
        foreach (var what in (string[])["detail", "forces"])
        {
            f.Run("draw", "ST1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
            f[what + ".svg"].Should().NotContain("NaN", what);
        }

        f["detail.svg"].Should().Contain($"{Bars(f)} ").And.MatchRegex(@"@ \d+ mm, \d+ mm", "both spacings are called");
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain(" at C2").And.NotContain("NaN ");
        f.Run("size", "ST1", "--why").Exit.Should().Be(0);
        f.Run("status").Exit.Should().Be(0);
    }

    [Fact]
    public void By_hand_they_are_held_and_checked_and_taken_away()
    {
        using var f = Made("1");
        f.Run("size").Exit.Should().Be(0);
        var before = Found(f).GetProperty("checks").EnumerateArray().Single(c => c.GetProperty("id").GetString() == "shear-stirrups").GetProperty("utilisation").GetDouble();
        f.Run("set", "ST1", "stirrups=T12 @ 300 mm").Out.Should().Contain("FAIL");
        f.Run("set", "ST1", "at.C2.stirrups=T12 @ 125 mm", "at.C2.stirrup-reach=[\"1500 mm\", \"1600 mm\"]").Error.Should().NotContain("error");
        f["adopted.toml"].Should().Contain("at.C2.stirrups = \"T12 @ 125 mm\"\nat.C2.stirrup-reach = [\"1500 mm\", \"1600 mm\"]\n");
        using var was = Made("1");
        was.Run("size").Exit.Should().Be(0);
        was.Run("set", "ST1", "stirrups=T12 @ 300 mm").Exit.Should().Be(1);
        was.Run("set", "ST1", "at.C2.stirrups=T12 @ 125 mm", "at.C2.stirrup-reach=1500 mm");
        var compared = was.Run("compare", was.Path, f.Path).Out;
        compared.Should().Contain("ST1").And.Contain("(design changed)", "a zone alone is a change, whatever governs");
        f.Run("issue", "A", "--anyway");
        f.Run("set", "ST1", "at.C2.stirrup-reach=1700 mm");
        f.Run("issue", "B", "--anyway").Error.Should().Contain("ST1: ").And.Contain("1.50 and 1.60 m to either side → C2: T12 @ 125 mm, 1.70 m");
        f.Run("set", "ST1", "at.C2.stirrup-reach=[\"1500 mm\", \"1600 mm\"]");
        f.Run("draw", "ST1", "--to", "d.svg").Exit.Should().Be(0);
        f["d.svg"].Should().Contain(">3100<", "1500 and 1600 mm are one stretch").And.Contain("@ 125 mm");
        f.Run("set", "ST1", "at.C2.stirrups=none").Error.Should().NotContain("error");
        f["adopted.toml"].Should().NotContain("at.C2.stirrup");
        before.Should().BeLessThanOrEqualTo(1);
    }

    // By a script from statics and the clauses alone: a beam of 2,025 Hermite elements on springs, loads spread over the columns' widths, the
    // soil missing where they stand.
    [Fact]
    public void Shear_where_they_end_is_that_of_a_script()
    {
        using var f = Made("1");
        f["adopted.toml"] = "[ST1]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\", \"C3\", \"C4\", \"C5\"]\nends = [\"420 mm\", \"230 mm\"]\n"
            + "width = \"2350 mm\"\nthickness = \"300 mm\"\nrib = [\"700 mm\", \"800 mm\"]\nbottom-x = \"7 T25\"\ntop-x = \"7 T20\"\n"
            + "stirrups = \"T12 @ 325 mm\"\nflange = \"4 T12\"\nbottom-y = \"T20 @ 300 mm\"\ntop-y = \"none\"\n"
            + "at.C2.stirrups = \"T12 @ 150 mm\"\nat.C2.stirrup-reach = \"1300 mm\"\nat.C3.stirrups = \"T12 @ 150 mm\"\nat.C3.stirrup-reach = \"1300 mm\"\n"
            + "at.C4.stirrups = \"T12 @ 150 mm\"\nat.C4.stirrup-reach = \"900 mm\"\n";
        f.Replace("plinth.toml", "ends = \"400 mm\"\nwidth = \"2.4 m\"\nthickness = \"300 mm\"\nrib = [\"700 mm\", \"800 mm\"]", "rib = \"700 mm\"");
        var check = Found(f).GetProperty("checks").EnumerateArray().Single(c => c.GetProperty("id").GetString() == "shear-stirrups");
        check.GetProperty("utilisation").GetDouble().Should().BeApproximately(0.99334, 1e-4);
        check.GetProperty("demand").GetDouble().Should().BeApproximately(512.047, 0.03);
        check.GetProperty("capacity").GetDouble().Should().BeApproximately(515.4804, 0.01);
        check.GetProperty("x_m").GetDouble().Should().BeApproximately(6.195, 1e-6, "the end towards +x of the zone about C4");
    }

    [Theory]
    [InlineData("at.C3.stirrups = \"T16 @ 100 mm\"\nat.C3.stirrup-reach = \"1 m\"", "as thick as those elsewhere, T12 by stirrups")]
    [InlineData("at.C3.stirrups = \"T12 @ 300 mm\"\nat.C3.stirrup-reach = \"1 m\"", "no closer than those elsewhere, 300 mm by stirrups")]
    [InlineData("at.C3.stirrups = \"4 T12\"\nat.C3.stirrup-reach = \"1 m\"", "how far apart they stand")]
    [InlineData("at.C3.stirrups = \"T12 @ 100 mm\"", "at.C3.stirrup-reach is missing")]
    [InlineData("at.C3.stirrup-reach = \"1 m\"", "given without stirrups")]
    [InlineData("at.C2.stirrups = \"T12 @ 100 mm\"\nat.C2.stirrup-reach = \"3 m\"\nat.C3.stirrups = \"T12 @ 100 mm\"\nat.C3.stirrup-reach = \"3 m\"", "about C2 and C3 overlap")]
    [InlineData("at.C9.stirrups = \"T12 @ 100 mm\"", "C9")]
    public void What_cannot_stand_is_refused_with_place(string lines, string message)
    {
        using var f = Made("1");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"] = System.Text.RegularExpressions.Regex.Replace(f["adopted.toml"], "(?m)^stirrups = .*$", "stirrups = \"T12 @ 300 mm\"\n" + lines);
        var ran = f.Run("check");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"adopted\.toml:\d+:\d+: ");
    }

    [Theory]
    [InlineData("1.5", "at most 1 (all stand alike)")]
    [InlineData("-0.1", "zone-stirrups")]
    public void A_share_that_is_none_is_refused(string share, string message)
    {
        using var f = Made(share);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Out);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: ");
    }
}
