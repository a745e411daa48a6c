using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>
/// A strap footing worked apart by a script from statics and the clauses alone, to whose numbers the program was then held. Both columns
/// bring forces and moments both ways; weights of bases, beam, soil and what the columns displace count.
/// </summary>
public class WorkedStrapTests
{
    private static Folder Worked(string code = "aci318m-19", string stirrups = "T10 @ 200 mm")
    {
        var f = new Folder();
        f["plinth.toml"] = $"""
            [project]
            name = "Worked strap"
            code = "{code}"
            [loads]
            standard = "asce7-16"
            [cases]
            DEAD = "D"
            LIVE = "L"
            [ground]
            level = "0.00 m"
            top-depth = "0.80 m"
            bearing = "220 kPa"
            soil-weight = "18 kN/m3"
            [concrete]
            strength = "30 MPa"
            weight = "24 kN/m3"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            mark = "SF1"
            kind = "strap"
            supports = ["C1", "C2"]
            edge.edge-x0 = "300 mm"
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,6,0,500,500\n";
        f["reactions.csv"] = """
            support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)
            C1,DEAD,6,3,420,8,-15
            C1,LIVE,4,2,230,5,-10
            C2,DEAD,-5,2,600,6,12
            C2,LIVE,-3,1,330,4,8
            """;
        f["adopted.toml"] = $$"""
            [SF1]
            kind = "strap"
            supports = ["C1", "C2"]
            edge.length = "1800 mm"
            edge.width = "2600 mm"
            edge.thickness = "600 mm"
            edge.bottom-x = "13 T16"
            edge.bottom-y = "10 T20"
            edge.top-x = "none"
            edge.top-y = "none"
            inner.length = "2500 mm"
            inner.width = "2500 mm"
            inner.thickness = "600 mm"
            inner.bottom-x = "13 T16"
            inner.bottom-y = "13 T16"
            inner.top-x = "none"
            inner.top-y = "none"
            beam.width = "500 mm"
            beam.depth = "1000 mm"
            beam.gap = "100 mm"
            beam.top = { bars = "5 T20", ends = "hooked" }
            beam.bottom = "4 T20"
            beam.stirrups = "{{stirrups}}"
            beam.sides = "3 T16"
            """;
        return f;
    }

    private static List<JsonElement> Checks(Folder f) =>
        [.. f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()];

    [Theory]
    [InlineData("bearing", "edge", "S2", 194.69023, 220)]
    [InlineData("flexure-top-x", "beam", "U2", 393.52103, 536.83599)]
    [InlineData("flexure-bottom-x", "beam", "U2", 230.84582, 420.05145)]
    [InlineData("flexure-bottom-y", "inner", "U2", 241.23433, 502.29846)]
    [InlineData("one-way-shear-y", "edge", "U2", 208.78385, 377.51621)]
    [InlineData("shear-stirrups", "beam", "U2", 122.47676, 554.81338)]
    [InlineData("two-way-shear", "C1", "U2", 0.90607787, 1.35561333)]
    [InlineData("two-way-shear", "C2", "U2", 0.52863517, 1.35561333)]
    [InlineData("minimum-steel-x", "edge", null, 0.002808, 0.00261381)]
    [InlineData("column-bearing", "C1", "U2", 872, 3978)]
    public void Demand_and_capacity(string id, string at, string? combination, double demand, double capacity)
    {
        using var f = Worked();
        var c = Checks(f).Single(c => c.GetProperty("id").GetString() == id && c.GetProperty("at").GetString() == at);
        c.GetProperty("combination").GetString().Should().Be(combination);
        c.GetProperty("demand").GetDouble().Should().BeApproximately(demand, 1e-5 * demand);
        c.GetProperty("capacity").GetDouble().Should().BeApproximately(capacity, 1e-5 * capacity);
    }

    [Theory]
    [InlineData("stirrup-spacing", 0.340 / 0.600)] // legs 500 − 2·75 − 10 apart, at most 600 (9.7.6.2.2)
    [InlineData("beam-steel", 208.75 / 167.5)] // sides: (930 + 905 − 1000)/4 apart, at most 380 − 2.5·85 (24.3.2)
    public void Lengths_of_the_beam(string id, double utilisation)
    {
        using var f = Worked();
        var c = Checks(f).Single(c => c.GetProperty("id").GetString() == id);
        c.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, 1e-9);
    }

    [Theory]
    [InlineData("aci318m-19", "T10 @ 200 mm", 554.81338)] // Av over its least: 0.17·√f'c·bw·d + Av·fy·d/s, d = 930
    [InlineData("aci318m-14", "T10 @ 200 mm", 554.81338)]
    [InlineData("aci318m-19", "T10 @ 400 mm", 238.17718)] // under it: 0.66·λs·ρw^⅓·√f'c with λs = √(2/(1 + 0.004·930))
    [InlineData("aci318m-14", "T10 @ 400 mm", 439.77218)]
    public void Concrete_carries_less_where_stirrups_are_below_their_least(string code, string stirrups, double capacity)
    {
        using var f = Worked(code, stirrups);
        Checks(f).Single(c => c.GetProperty("id").GetString() == "shear-stirrups").GetProperty("capacity").GetDouble()
            .Should().BeApproximately(capacity, 1e-5 * capacity);
    }
}
