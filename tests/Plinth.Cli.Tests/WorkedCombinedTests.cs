namespace Plinth.Cli.Tests;

/// <summary>
/// One combined footing worked apart by a script from the clauses alone, before the program was asked: unequal columns, moments both ways,
/// a part of the base lifted.
/// </summary>
public class WorkedCombinedTests
{
    // Utilisation by the script: contact by Newton on polygon moments, shear nil by bisection, strips across by summing 4,000 slices.
    private static readonly Dictionary<(string Id, string? At), (string Combination, double Utilisation)> Expected = new()
    {
        [("bearing", null)] = ("S1", 1.34580),
        [("contact", null)] = ("S1", 1 / 0.96874),
        [("one-way-shear-x", null)] = ("U1", 0.97915),
        [("one-way-shear-y", "C2")] = ("U1", 0.39582),
        [("two-way-shear", "C1")] = ("U1", 0.26681),
        [("two-way-shear", "C2")] = ("U1", 0.93862),
        [("flexure-bottom-x", null)] = ("U1", 0.48023),
        [("flexure-top-x", null)] = ("U1", 1.29348),
        [("flexure-bottom-y", "C2")] = ("U1", 0.47463),
        [("column-bearing", "C1")] = ("U1", 0.11086),
        [("column-bearing", "C2")] = ("U1", 0.19005),
    };

    [Fact]
    public void Every_check_of_the_concrete_and_the_ground_agrees_with_the_script()
    {
        using var f = new Folder();
        f["plinth.toml"] = """
            [project]
            name = "Worked"
            code = "aci318m-19"
            [loads]
            standard = "asce7-22"
            [cases]
            DEAD = "D"
            [ground]
            founding-depth = "1.5 m"
            bearing = "200 kPa"
            soil-weight = "18 kN/m3"
            [concrete]
            strength = "30 MPa"
            weight = "24 kN/m3"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            mark = "CF1"
            supports = ["C1", "C2"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,3.2,0,500,400\n";
        f["reactions.csv"] =
            "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nC1,DEAD,12,-8,420,30,90\nC2,DEAD,-6,10,900,-60,-1100\n";
        f["adopted.toml"] = """
            [CF1]
            kind = "combined"
            supports = ["C1", "C2"]
            length = "6200 mm"
            width = "2200 mm"
            thickness = "650 mm"
            offset-x = "100 mm"
            bottom-x = "14 T20"
            top-x = "12 T20"
            bottom-y = { at.C1 = "5 T20", at.C2 = "9 T20", rest = "12 T16" }
            top-y = "20 T16"
            """;
        var checks = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .ToDictionary(c => (c.GetProperty("id").GetString()!, c.TryGetProperty("at", out var at) ? at.GetString() : null));
        foreach (var (key, (combination, utilisation)) in Expected)
        {
            var c = checks[key];
            c.GetProperty("combination").GetString().Should().Be(combination, key.ToString());
            c.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, 2e-4 * utilisation, key.ToString());
        }
    }
}
