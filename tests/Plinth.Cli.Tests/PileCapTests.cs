namespace Plinth.Cli.Tests;

/// <summary>Caps on piles through the program: how they are stated, what is refused and with which words.</summary>
public class PileCapTests
{
    private const string Head = """
        [project]
        name = "Caps"
        code = "aci318m-19"
        [loads]
        standard = "asce7-16"
        [cases]
        DEAD = "D"
        WX = "W"
        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"

        """;

    private const string Piles = "[piles]\nsize = \"450 mm\"\ncompression = \"650 kN\"\nlateral = \"45 kN\"\n";

    private const string Each = "[[foundation]]\nkind = \"pile-cap\"\neach = [\"C*\"]\n";

    private static Folder Given(string toml, string dead = "900", string wind = "50", string moment = "20")
    {
        var f = new Folder();
        f["plinth.toml"] = Head + toml;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,500,500\n";
        f["reactions.csv"] =
            $"support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nC1,DEAD,4,-3,{dead},10,20\nC1,WX,6,2,{wind},8,{moment}\n";
        return f;
    }

    [Theory]
    [InlineData("[piles]\nsize = \"450 mm\"\n", "give piles.compression, what one pile may carry")]
    [InlineData("[piles]\ncompression = \"450 kN\"\n", "give piles.size")]
    [InlineData(Piles + "layouts = [\"4\", \"5x\"]\n", "plinth.toml:20:17: error: there is no layout \"5x\"; layouts are 1, 2, 3")]
    [InlineData(Piles + "group = \"feld\"\n", "group \"feld\" is not known; write a share, for example 0.85, or \"converse-labarre\"")]
    [InlineData(Piles + "head = \"fixed\"\n", "needs what the shafts bend by: give strength")]
    [InlineData(Piles
        + "modulus-rise = \"5 MN/m3\"\nsubgrade-modulus = \"20 MN/m3\"\n", "modulus-rise and subgrade-modulus are both given; keep one")]
    [InlineData(Piles + "count = 4.5\n", "count is a whole number of piles")]
    [InlineData(Piles + "lateral-group = 1.5\n", "lateral-group is a share of the capacity, at most 1")]
    [InlineData(Piles + "bars = \"7 T20\"\n", "an even number from 4")]
    [InlineData(Piles + "cap = 1\n", "[piles] has no key \"cap\"")]
    public void What_is_wrong_with_piles_is_told_with_its_place(string piles, string message)
    {
        using var f = Given(piles + Each);
        var run = f.Run("size");
        run.Exit.Should().Be(2);
        run.Error.Should().Contain(message).And.Contain("plinth.toml:");
        f.Has("adopted.toml").Should().BeFalse();
    }

    [Theory]
    [InlineData("edge-x0 = \"1 m\"\n", "edge-x0 is not for a pile cap, which lies round its piles")]
    [InlineData("layout = \"4 by 4\"\n", "there is no layout \"4 by 4\"")]
    [InlineData("turned = \"45 deg\"\n", "is a whole number of quarter turns")]
    public void What_is_wrong_with_a_cap_is_told_with_its_place(string key, string message)
    {
        using var f = Given(Piles + Each + key);
        var run = f.Run("size");
        run.Exit.Should().Be(2);
        run.Error.Should().Contain(message).And.Contain("plinth.toml:");
    }

    [Fact]
    public void A_pulled_pile_without_tension_fails_and_says_what_to_give()
    {
        using var f = Given(Piles + Each, wind: "-6000");
        var run = f.Run("size");
        run.Exit.Should().Be(1);
        run.Error.Should().Contain("pile tension").And.Contain("[piles] tension is not given; give what one pile may carry in tension");
    }

    [Fact]
    public void A_row_needs_tie_beams_or_fixed_heads()
    {
        using var f = Given(Piles + Each + "layout = \"2\"\n");
        var run = f.Run("size");
        run.Exit.Should().Be(1);
        run.Error.Should().Contain("equilibrium").And.Contain("piles.tie-beams = \"y\"").And.Contain("piles.head = \"fixed\"");
        f["plinth.toml"] += "piles.tie-beams = \"y\"\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("show", "PC1").Out.Should().Contain("equilibrium");
        f.Run("show", "PC1", "equilibrium").Out.Should().Contain("tie beams take").And.Contain("their sections are not checked");
    }

    [Fact]
    public void One_pile_needs_tie_beams_both_ways()
    {
        using var f = Given(Piles + Each + "layout = \"1\"\n", dead: "400", wind: "10");
        f.Run("size").Error.Should().Contain("one pile cannot take").And.Contain("piles.tie-beams = \"both\"");
        f["plinth.toml"] += "piles.tie-beams = \"both\"\n";
        f.Run("size").Exit.Should().Be(0);
    }

    [Theory]
    [InlineData("spacing = \"900 mm\"", "pile spacing", 1)]
    [InlineData("thickness = \"140 mm\"", "more than half of it", 2)]
    [InlineData("length = \"1500 mm\"", "piles stand beyond the cap along x", 2)]
    [InlineData("layout = \"99\"", "there is no layout \"99\"", 2)]
    [InlineData("layout = \"5 x 5\"", "is not among those allowed", 2)]
    public void A_cap_changed_by_hand_is_held_to_its_piles(string change, string message, int code)
    {
        using var f = Given(Piles + "outline = \"rectangle\"\n" + Each);
        f.Run("size").Exit.Should().Be(0);
        var key = change[..change.IndexOf(' ', StringComparison.Ordinal)];
        f["adopted.toml"] = System.Text.RegularExpressions.Regex.Replace(f["adopted.toml"], $"(?m)^{key} = .*$", change);
        var run = f.Run("check");
        run.Exit.Should().Be(code);
        (run.Out + run.Error + (code == 1 ? f.Run("show", "PC1").Out : "")).Should().Contain(message);
    }

    [Fact]
    public void Set_changes_a_cap_and_checks_it_at_once()
    {
        using var f = Given(Piles + "outline = \"rectangle\"\n" + Each);
        f.Run("size").Exit.Should().Be(0);
        f.Run("set", "PC1", "layout=6", "spacing=1400mm", "length=3600mm", "width=2200mm", "turned=90deg").Exit.Should().Be(2,
            "a turned layout of six stands beyond");
        f.Run("set", "PC1", "layout=6", "spacing=1400mm", "length=3600mm", "width=2200mm",
            "turned=0deg").Out.Should().Contain("3.60 × 2.20");
        f["adopted.toml"].Should().Contain("layout = \"6\"").And.Contain("spacing = \"1400mm\"");
        f.Run("set", "PC1", "layout=eight").Error.Should().Contain("there is no layout \"eight\"");
    }

    [Fact]
    public void Piles_of_a_ground_fall_through_to_what_stands_there()
    {
        using var f = Given("""
            [piles]
            size = "450 mm"
            compression = "650 kN"
            lateral = "45 kN"
            source = "report 1"
            [grounds.soft]
            bearing = "90 kPa"
            [grounds.soft.piles]
            compression = "300 kN"
            source = "report 2"
            [[foundation]]
            kind = "pile-cap"
            each = ["ground:soft"]
            piles.deviation = "0 mm"
            """);
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm),ground\nC1,0,0,500,500,soft\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("show", "PC1").Out.Should().Contain("300.0").And.Contain("report 2").And.NotContain("out of place");
    }

    [Fact]
    public void Bars_lie_closer_over_the_piles_where_that_is_asked()
    {
        using var f = Given(Piles + "pitch = 5\nlayouts = [\"4\"]\nbands = true\n" + Each + "thickness = \"800 mm\"\n");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().MatchRegex("bottom-x = \\{ band = \"\\d+ T\\d+\", rest = \"\\d T\\d+\" \\}");
        f.Run("check").Exit.Should().Be(0);
        f.Run("draw", "PC1", "--to", "d.svg").Exit.Should().Be(0);
        f["d.svg"].Should().MatchRegex("B2 from −x: \\d+ × \\d+, (.*, )?\\d+ × \\d+ mm\\.");
        f.Run("schedule", "--what", "bars").Out.Should().Contain("bottom along x");
        f.Run("size", "--why", "PC1").Out.Should().Contain("banded");
        f.Run("show", "PC1", "bar-spacing-x").Out.Should().Contain("A band over each row of piles, as wide as they are and twice d.")
            .And.Contain("strip 2, beside").And.MatchRegex("s\\[2\\] += w\\[2\\]/n\\[2\\]");
        f.Run("set", "PC1", "bottom-x=9 + 2 T20 banded").Error.Should().Contain("9 bars in bands and 2 beside them do not share alike")
            .And.Contain("write for example { band = \"10 T20\", rest = \"2 T20\" }");
    }

    // The short way of a footing has nothing to do with where piles stand.
    [Fact]
    public void The_short_way_of_a_cap_is_not_banded()
    {
        using var f = Given("short-way = \"band\"\n" + Piles + "layouts = [\"6\"]\n" + Each, dead: "2400");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("layout = \"6\"").And.NotContain("band =");
    }

    [Fact]
    public void Nothing_of_the_ground_is_told_of_a_cap()
    {
        using var f = Given(Piles + Each);
        f.Run("size").Exit.Should().Be(0);
        var checks = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];
        checks.GetProperty("checks").EnumerateArray()
            .Select(c => c.GetProperty("id").GetString())
            .Should().NotContain(["bearing", "contact", "sliding", "uplift", "overturning-x", "settlement", "flotation"]);
        checks.GetProperty("not_checked").EnumerateArray()
            .Select(c => c.GetString())
            .Should().Contain(["pile-bending", "group-settlement", "raked-piles", "tie-beams", "group-uplift", "pile-anchorage"]);
        f.Run("draw", "PC1", "--what", "pressure", "--to", "p.svg").Exit.Should().Be(2);
        f.Run("draw", "PC1", "--what", "piles", "--to", "p.svg").Exit.Should().Be(0);
    }

    [Fact]
    public void A_shaft_with_all_that_is_stated_is_checked()
    {
        using var f = Given(Piles
            + "strength = \"30 MPa\"\nbars = \"8 T20\"\nties = \"T10 @ 200 mm\"\nlength = \"14 m\"\nmodulus-rise = \"5 MN/m3\"\n" + Each);
        f.Run("size").Exit.Should().Be(0);
        var ids = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .Select(c => c.GetProperty("id").GetString())
            .ToList();
        ids.Should().Contain("pile-bending").And.Contain("pile-axial");
        f.Run("show", "PC1", "pile-bending").Out.Should().Contain("M/H").And.Contain("0.77·T");
        f["plinth.toml"] = f["plinth.toml"].Replace("length = \"14 m\"", "length = \"4 m\"", StringComparison.Ordinal);
        f.Run("size").Exit.Should().Be(0);
        f.Run("show", "PC1").Out.Should().Contain("the bending of the shafts is not checked");
    }

    [Fact]
    public void A_cap_is_proposed_where_no_base_on_the_ground_is_found()
    {
        using var f = Given(Piles.Replace("lateral", "length = \"12 m\"\nlateral", StringComparison.Ordinal));
        f["plinth.toml"] = f["plinth.toml"].Replace("bearing = \"200 kPa\"", "bearing = \"20 kPa\"", StringComparison.Ordinal);
        var named = f.Run("size");
        named.Exit.Should().Be(1);
        named.Out.Should().Contain("kind = \"pile-cap\"").And.Contain("supports = [\"C1\"]");
        f.Run("size", "--propose").Out.Should().Contain("serves");
        f["plinth.toml"] += "[[foundation]]\nkind = \"pile-cap\"\nsupports = [\"C1\"]\n";
        f.Run("size").Exit.Should().Be(0);

        // Metres of pile and their number stand in the cost and the quantities.
        f.Run("schedule", "--what", "quantities").Out.Should().Contain("piles ø450 mm bored, metres").And.Contain("36.00");
    }

    [Fact]
    public void Every_output_of_a_project_is_made_with_caps_among_its_foundations()
    {
        using var f = Given(Piles + "tension = \"120 kN\"\nsource = \"report 3\"\n" + """
            [column]
            strength = "30 MPa"
            [[foundation]]
            kind = "pile-cap"
            supports = ["C2", "C3"]
            [[foundation]]
            kind = "pile-cap"
            each = ["C1"]
            """);
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,500,500\nC2,8,0,500,500\nC3,9.6,0,400,400\nC4,16,0,400,400\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(Enumerable.Range(1, 4).Select(i => $"C{i},DEAD,2,-3,{600 + (100 * i)},10,8\nC{i},WX,6,2,50,8,9\n"));
        f.Run("size").Exit.Should().Be(0);
        f.Run("check").Exit.Should().Be(0);
        f.Run("options", "PC1").Out.Should().Contain("cheapest");
        f.Run("group").Out.Should().Contain("(PC1)").And.Contain("(PC2)");
        f.Run("size", "--why", "PC1").Out.Should().Contain("what stops the next smaller step").And.Contain("piles");
        foreach (var what in (string[])["plan", "utilisation", "loads", "detail", "bars", "piles", "sections", "steel"])
        {
            f.Run("draw", "--what", what, "--to", $"out/{what}.dxf").Exit.Should().Be(0, what);
            f.Run("draw", "--what", what, "--to", $"out/{what}.pdf").Exit.Should().Be(0, what);
        }

        f.Run("schedule", "--to", "out/all.xlsx").Exit.Should().Be(0);
        foreach (var form in (string[])["html", "docx", "pdf"])
        {
            f.Run("report", "--depth", "full", "--to", "out/report." + form).Exit.Should().Be(0, form);
        }

        f["out/report.html"].Should().Contain("report 3").And.Contain("loads of the piles");
        f.Run("issue", "A").Exit.Should().Be(0);
        f["plinth.toml"] = f["plinth.toml"].Replace("650 kN", "430 kN", StringComparison.Ordinal);
        f.Run("size", "--over").Exit.Should().Be(0);
        f.Run("issue", "B").Exit.Should().Be(0);
        f["old.csv"] = f["reactions.csv"].Replace("C1,DEAD,2,-3,700", "C1,DEAD,2,-3,500", StringComparison.Ordinal);
        f.Run("compare", "old.csv").Out.Should().Contain("governed otherwise").And.Contain("PC1   C1");
        f.Run("schedule", "--what", "piles").Out.Should().Contain("PC1/3").And.NotContain("PC1/4");
    }
}
