using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>
/// A retaining wall's footing worked apart by a script from statics and the clauses alone, to whose numbers the program was then held:
/// soil with water and surcharge behind it, wind along it that lifts an end, reactions above its foot, the base longer than the wall. Live
/// load on the wall holds it; that behind comes without it.
/// </summary>
public class WorkedWallTests
{
    private static Folder Worked()
    {
        var f = new Folder();
        f["plinth.toml"] = """
            [project]
            name = "Worked wall"
            code = "aci318m-19"
            [loads]
            standard = "asce7-16"
            [cases]
            DEAD = "D"
            LIVE = "L"
            WIND = { symbol = "W", reversible = true }
            [ground]
            founding-depth = "1.4 m"
            bearing = "220 kPa"
            soil-weight = "18 kN/m3"
            soil-weight-saturated = "20 kN/m3"
            friction = 0.5
            passive-coefficient = 2.5
            passive-ignored-depth = "0.5 m"
            surcharge = "5 kPa"
            [concrete]
            strength = "30 MPa"
            weight = "24 kN/m3"
            [steel]
            yield = "420 MPa"
            [[support]]
            label = "W1"
            shape = "wall"
            x = "0 m"
            y = "0 m"
            x2 = "5 m"
            y2 = "0 m"
            cx = "300 mm"
            level = "-0.4 m"
            reactions.DEAD = { Fz = "200 kN", Mx = "-15 kNm" }
            reactions.LIVE = { Fz = "90 kN" }
            reactions.WIND = { Fx = "-80 kN", My = "-1500 kNm" }
            [[foundation]]
            mark = "WF1"
            supports = ["W1"]
            ends = "200 mm"
            heel = "1.6 m"
            toe = "0.8 m"
            thickness = "500 mm"
            bottom-y = "T16 @ 175 mm"
            bottom-x = "T16 @ 200 mm"
            top-y = "T16 @ 150 mm"
            top-x = "T16 @ 200 mm"
            [foundation.stem]
            height = "3.4 m"
            vertical-soil = "T16 @ 125 mm"
            vertical-free = "T12 @ 200 mm"
            horizontal = "T12 @ 200 mm"
            [foundation.retained]
            side = "-y"
            height = "3 m"
            friction-angle = "30 deg"
            pressure = "active"
            weight = "19 kN/m3"
            surcharge = "12 kPa"
            water-depth = "1.8 m"
            """;
        File.Delete(Path.Combine(f.Path, "supports.csv"));
        File.Delete(Path.Combine(f.Path, "reactions.csv"));
        return f;
    }

    [Theory]
    [InlineData("bearing", "S7:+WIND:EARTH", 266.222, 220.0)]
    [InlineData("sliding", "S2:surcharge:EARTH", 338.708, 615.005)]
    [InlineData("overturning-y", "S2:EARTH", 407.079, 1323.892)]
    [InlineData("overturning-x", "S7:+WIND:EARTH", 948.0, 1408.607)]
    [InlineData("flexure-bottom-y", "U5:-WIND:EARTH", 855.122, 960.075)]
    [InlineData("flexure-top-y", "U4:+WIND:EARTH", 655.258, 1179.132)]
    [InlineData("one-way-shear-y", "U5:-WIND:EARTH", 833.436, 857.201)]
    [InlineData("wall-shear", "U4:+WIND:surcharge:EARTH", 65.518, 88.291)]
    [InlineData("wall-flexure", "U4:+WIND:surcharge:EARTH", 0.7363, 1)]
    public void Demand_and_capacity(string id, string combination, double demand, double capacity)
    {
        using var f = Worked();
        var check = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .Single(c => c.GetProperty("id").GetString() == id);
        check.GetProperty("combination").GetString().Should().StartWith(combination);
        check.GetProperty("demand").GetDouble().Should().BeApproximately(demand, 0.0005 * demand);
        check.GetProperty("capacity").GetDouble().Should().BeApproximately(capacity, 0.0005 * capacity);
    }

    [Fact]
    public void Its_contact_and_what_governs()
    {
        using var f = Worked();
        var ran = f.Run("check", "--format", "json");
        ran.Exit.Should().Be(1, "the bearing is exceeded under wind");
        var checks = ran.Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray().ToList();
        JsonElement Of(string id) => checks.Single(c => c.GetProperty("id").GetString() == id);
        Of("contact").GetProperty("utilisation").GetDouble().Should().BeApproximately(0.8595, 0.0001);
        Of("bearing").GetProperty("utilisation").GetDouble().Should().BeApproximately(1.2101, 0.0001);
        Of("bearing").GetProperty("note").GetString().Should().Contain("39 % of the base in contact");
        f.Run("show", "WF1").Out.Should().Contain("as plinth.toml holds it");
    }
}
