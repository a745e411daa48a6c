using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>
/// A strip with a rib worked apart by a script from statics and the clauses alone (a chain of 1,800 rigid links with springs of curvature
/// between and of the ground below; sections by ACI 318M-19), to whose numbers the program was then held.
/// </summary>
public class WorkedStripTests
{
    private static Folder Worked()
    {
        var f = new Folder();
        f["plinth.toml"] = """
            [project]
            name = "Worked strip"
            code = "aci318m-19"
            [loads]
            standard = "asce7-16"
            [cases]
            DEAD = "D"
            LIVE = "L"
            [ground]
            founding-depth = "1.30 m"
            bearing = "220 kPa"
            soil-weight = "18 kN/m3"
            subgrade-modulus = "22 MN/m3"
            max-settlement = "25 mm"
            max-distortion = 0.002
            [concrete]
            strength = "30 MPa"
            weight = "24 kN/m3"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            kind = "strip"
            supports = ["C1", "C2", "C3"]
            rib = ["450 mm", "850 mm"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,4.2,0,400,400\nC3,9,0,400,400\n";
        f["reactions.csv"] = """
            support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)
            C1,DEAD,4,1,300,6,-12
            C1,LIVE,2,0.5,140,3,-6
            C2,DEAD,-2,2,520,4,5
            C2,LIVE,-1,1,260,2,2
            C3,DEAD,3,1,380,5,9
            C3,LIVE,1,0.5,170,2,5
            """;
        f["adopted.toml"] = """
            [ST1]
            kind = "strip"
            supports = ["C1", "C2", "C3"]
            ends = ["700 mm", "900 mm"]
            width = "1500 mm"
            thickness = "350 mm"
            rib = ["450 mm", "850 mm"]
            bottom-x = "5 T25"
            top-x = "6 T20"
            stirrups = "T10 @ 200 mm"
            flange = "4 T12"
            bottom-y = "T16 @ 200 mm"
            """;
        return f;
    }

    // Check, combination, demand, capacity; 0: not worked.
    [Theory]
    [InlineData("bearing", "S2", 168.818, 220.0)]
    [InlineData("settlement", "S2", 0.00641664, 0.025)]
    [InlineData("distortion", "S2", 0.000209447, 0.002)]
    [InlineData("shear-stirrups", "U2", 342.067, 438.092)]
    [InlineData("flexure-top-x", "U2", 382.280, 547.860)]
    [InlineData("flexure-bottom-x", "U2", 227.095, 641.618)]
    [InlineData("flexure-bottom-y", "U2", 274.877, 0)]
    [InlineData("one-way-shear-y", "U2", 515.544, 0)]
    public void Every_check_is_that_of_the_script(string id, string combination, double demand, double capacity)
    {
        using var f = Worked();
        var check = f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .Where(c => c.GetProperty("id").GetString() == id).MaxBy(c => c.GetProperty("utilisation").GetDouble());
        check.GetProperty("combination").GetString().Should().Be(combination);
        double Of(string key) => check.GetProperty(key).GetDouble();
        var scale = id == "settlement" ? Of("demand") > 1 ? 1000 : 1 : 1;
        (Of("demand") / scale).Should().BeApproximately(demand, 2e-4 * demand);
        if (capacity > 0)
        {
            (Of("capacity") / scale).Should().BeApproximately(capacity, 1e-4 * capacity);
        }
    }

    [Fact]
    public void Shear_and_moment_along_it_are_those_of_the_script()
    {
        using var f = Worked();
        var told = f.Run("check", "ST1", "--format", "json", "--diagrams");
        told.Exit.Should().Be(0);
        var shown = f.Run("show", "ST1", "--diagrams").Out;
        foreach (var (words, x, v, m) in (ReadOnlySpan<(string, double, double, double)>)
        [
            ("face left of C1", -4.80, 125.4, 31.6), ("face right of C1", -4.40, -360.0, 1.9), ("d right of C1", -3.66, -189.4, -199.8),
            ("d left of C2", -1.34, 307.1, -55.8), ("face left of C2", -0.60, 461.1, 227.1), ("face right of C2", -0.20, -493.8, 214.8),
            ("d left of C3", 3.46, 265.8, -220.8), ("face left of C3", 4.20, 440.1, 38.3), ("face right of C3", 4.60, -185.8, 65.8),
        ])
        {
            var line = shown.Split('\n').First(l => l.StartsWith(words, StringComparison.Ordinal))[words.Length..]
                .Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(3).Select(n => double.Parse(n, CultureInfo.InvariantCulture)).ToList();
            line[0].Should().BeApproximately(x, 0.006, words);
            line[1].Should().BeApproximately(v, 0.15, words);
            line[2].Should().BeApproximately(m, 0.15, words);
        }
    }
}
