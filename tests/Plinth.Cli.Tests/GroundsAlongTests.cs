namespace Plinth.Cli.Tests;

/// <summary>
/// A strip across two grounds, worked apart by a script from statics alone (a chain of 1,548 rigid links with springs of curvature between
/// and of each ground below), and what of it cannot be.
/// </summary>
public class GroundsAlongTests
{
    private static Folder Crossing(string fill = "subgrade-modulus = \"6 MN/m3\"\nbearing = \"110 kPa\"")
    {
        var f = new Folder();
        f["plinth.toml"] = $"""
            [project]
            name = "Two grounds"
            code = "aci318m-19"
            [loads]
            standard = "asce7-22"
            [cases]
            DEAD = "D"
            LIVE = "L"
            [ground]
            founding-depth = "1.2 m"
            bearing = "180 kPa"
            soil-weight = "18 kN/m3"
            subgrade-modulus = "20 MN/m3"
            max-settlement = "25 mm"
            max-distortion = 0.002
            [grounds.fill]
            area = [["9 m", "-5 m"], ["30 m", "-5 m"], ["30 m", "5 m"], ["9 m", "5 m"]]
            {fill}
            [concrete]
            strength = "30 MPa"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            kind = "strip"
            supports = ["A1", "A2", "A3", "A4", "A5"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nA1,0,0,350,350\nA2,4.5,0,350,350\nA3,9,0,350,350\nA4,13.5,0,350,350\n"
            + "A5,18,0,350,350\n";
        f["reactions.csv"] = """
            support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)
            A1,DEAD,0,0,180,0,4
            A2,DEAD,0,0,320,0,0
            A3,DEAD,0,0,300,0,0
            A4,DEAD,0,0,320,0,0
            A5,DEAD,0,0,180,0,-4
            A1,LIVE,0,0,90,0,3
            A2,LIVE,0,0,190,0,0
            A3,LIVE,0,0,170,0,0
            A4,LIVE,0,0,190,0,0
            A5,LIVE,0,0,90,0,-3
            """;
        f["adopted.toml"] = """
            [ST1]
            kind = "strip"
            supports = ["A1", "A2", "A3", "A4", "A5"]
            ends = ["680 mm", "670 mm"]
            width = "1500 mm"
            thickness = "550 mm"
            bottom-x = "10 T20"
            top-x = "10 T20"
            bottom-y.rest = "T16 @ 200 mm"
            bottom-y.at.A1 = "4 T16"
            bottom-y.at.A2 = "4 T16"
            bottom-y.at.A3 = "4 T16"
            bottom-y.at.A4 = "4 T16"
            bottom-y.at.A5 = "4 T16"
            top-y = "T16 @ 200 mm"
            """;
        return f;
    }

    [Theory]
    [InlineData("bearing", 109.349, 110.0)]
    [InlineData("distortion", (14.5266 - 8.74894) / 4500, 0.002)]
    public void It_presses_and_sinks_as_in_the_script(string id, double demand, double capacity)
    {
        using var f = Crossing();
        var check = f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .Where(c => c.GetProperty("id").GetString() == id).MaxBy(c => c.GetProperty("utilisation").GetDouble());
        check.GetProperty("combination").GetString().Should().Be("S2");
        check.GetProperty("demand").GetDouble().Should().BeApproximately(demand, 2e-3 * demand);
        check.GetProperty("capacity").GetDouble().Should().BeApproximately(capacity, 1e-6);
    }

    [Fact]
    public void Each_ground_is_told_with_what_it_may_bear()
    {
        using var f = Crossing();
        var told = f.Run("show", "ST1", "bearing").Out;
        told.Should().Contain("k1        = 20 MN/m3   subgrade modulus of [ground]").And.Contain("subgrade modulus of [grounds.fill]")
            .And.Contain("on [grounds.fill]").And.Contain("p,most    = 174.8 kPa", "as the script has it, on the harder ground");
        f.Run("draw", "ST1", "--what", "pressure", "--to", "p.svg").Exit.Should().Be(0);
        f["p.svg"].Should().Contain("w mm").And.NotContain("NaN");

        // On the one ground that is named it is another strip.
        f.Replace("plinth.toml", "kind = \"strip\"\n", "kind = \"strip\"\nground = \"fill\"\n");
        f.Run("show", "ST1", "bearing").Out.Should().Contain("= 6 MN/m3").And.NotContain("k1 ").And.NotContain("on [grounds");
    }

    [Fact]
    public void It_is_sized_for_both_grounds()
    {
        using var f = Crossing("subgrade-modulus = \"6 MN/m3\"\nbearing = \"80 kPa\"");
        f.Run("check").Exit.Should().Be(1, "the fill bears less now");
        f["adopted.toml"] = "";
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        f.Run("check").Exit.Should().Be(0);
    }

    [Theory]
    [InlineData("subgrade-modulus = \"6 MN/m3\"\nfriction = 0.3", "[ground] and [grounds.fill] along it differ in friction")]
    [InlineData("water-depth = \"2 m\"", "differ in water-depth, of which a strip has one value; write ground.water-depth on it")]
    [InlineData("strength = { theory = \"vesic\", undrained = \"60 kPa\", safety = 3 }", "[grounds.fill] along it has its bearing found from strength")]
    public void What_may_not_change_along_it_is_named(string fill, string words)
    {
        using var f = Crossing(fill);
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("plinth.toml:").And.Contain("foundation ST1: ").And.Contain(words);
    }

    [Fact]
    public void A_column_said_to_stand_on_other_ground_than_its_place_is_named()
    {
        using var f = Crossing();
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm),ground\nA1,0,0,350,350,fill\nA2,4.5,0,350,350,\nA3,9,0,350,350,\n"
            + "A4,13.5,0,350,350,\nA5,18,0,350,350,\n";
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("and A1 on \"fill\"").And.Contain("name the one by which their base is designed");
    }
}
