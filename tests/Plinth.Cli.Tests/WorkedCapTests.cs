using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>
/// Two caps on piles worked apart by a script from the clauses alone, to whose numbers the program was then held: four piles with moments
/// both ways, one of them pulled;
/// six piles under two unequal columns. Weights, soil, torsion and piles out of place count.
/// </summary>
public class WorkedCapTests
{
    private const string Project = """
        [project]
        name = "Worked caps"
        code = "aci318m-19"
        [loads]
        standard = "asce7-16"
        [cases]
        DEAD = "D"
        WX = "W"
        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"
        soil-weight = "18 kN/m3"
        [concrete]
        strength = "30 MPa"
        weight = "24 kN/m3"
        [steel]
        yield = "420 MPa"
        [piles]
        size = "450 mm"
        compression = "650 kN"
        tension = "140 kN"
        lateral = "45 kN"
        transient = 1.2

        """;

    private static void Holds(Folder f, params (string Id, string? At, string Combination, double Utilisation)[] expected)
    {
        var checks = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray().ToList();
        foreach (var (id, at, combination, utilisation) in expected)
        {
            var c = checks.Single(c => c.GetProperty("id").GetString() == id && (at is null || c.GetProperty("at").GetString() == at));
            c.GetProperty("combination").GetString().Should().Be(combination, id);
            c.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, Math.Max(5e-4 * utilisation, 1e-5), id);
        }
    }

    [Fact]
    public void Four_piles_with_moments_both_ways_one_of_them_pulled()
    {
        using var f = new Folder();
        f["plinth.toml"] = Project + """
            [[foundation]]
            mark = "PC1"
            kind = "pile-cap"
            supports = ["C1"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,500,400\n";
        f["reactions.csv"] =
            "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\nC1,DEAD,-10,6,900,-30,-40,-4\nC1,WX,-50,-12,-700,-60,-180,9\n";
        f["adopted.toml"] = """
            [PC1]
            kind = "pile-cap"
            supports = ["C1"]
            layout = "4"
            spacing = "1800 mm"
            length = "2550 mm"
            width = "2550 mm"
            thickness = "600 mm"
            bottom-x = "16 T20"
            bottom-y = "16 T20"
            top-x = "14 T16"
            top-y = "14 T16"
            """;
        Holds(f,
            ("pile-compression", null, "S1", 0.48029), ("pile-tension", null, "S7:+WX", 0.00717), ("pile-lateral", null, "S5:+WX", 0.18901),
            ("one-way-shear-x", null, "U1", 1.35937), ("one-way-shear-y", null, "U1", 1.63164), ("two-way-shear", null, "U1", 0.66989),
            ("pile-punching", null, "U1", 0.48825),
            ("flexure-bottom-x", null, "U1", 0.51199), ("flexure-bottom-y", null, "U1", 0.56554),
            ("flexure-top-x", null, "U5:+WX", 0.06798),
            ("tie-x", null, "U1", 0.76511), ("tie-y", null, "U1", 0.81508), ("node", null, "U1", 0.48076));
    }

    [Fact]
    public void Six_piles_under_two_columns()
    {
        using var f = new Folder();
        f["plinth.toml"] = Project + """
            [[foundation]]
            mark = "PC1"
            kind = "pile-cap"
            supports = ["C1", "C2"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,500,500\nC2,1.8,0,400,600\n";
        f["reactions.csv"] =
            "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\nC1,DEAD,-4,3,900,-10,-20,0\n"
                + "C1,WX,-6,-2,40,-8,-25,0\nC2,DEAD,3,-5,1300,12,15,-2\nC2,WX,-5,-3,-60,-9,-18,0\n";
        f["adopted.toml"] = """
            [PC1]
            kind = "pile-cap"
            supports = ["C1", "C2"]
            layout = "6"
            spacing = "1350 mm"
            length = "3450 mm"
            width = "2100 mm"
            thickness = "900 mm"
            bottom-x = "18 T20"
            bottom-y = "18 T20"
            top-x = "20 T16"
            top-y = "20 T16"
            """;
        Holds(f,
            ("pile-compression", null, "S1", 0.76397), ("pile-lateral", null, "S5:+WX", 0.05334), ("one-way-shear-x", null, "U1", 1.11679),
            ("one-way-shear-y", null, "U1", 0.17797),
            ("two-way-shear", "C1", "U1", 0.31670), ("two-way-shear", "C2", "U1", 0.42121), ("pile-punching", null, "U1", 0.26633),
            ("flexure-bottom-x", null, "U1", 0.32503), ("flexure-bottom-y", null, "U1", 0.42331), ("flexure-top-x", null, "U1", 0.01354),
            ("tie-x", null, "U1", 0.46662), ("tie-y", null, "U1", 0.73773), ("strut", null, "U1", 0.79365), ("node", null, "U1", 0.43415));
    }

    [Fact]
    public void Piles_stand_at_one_place_in_every_output()
    {
        using var f = new Folder();
        f["plinth.toml"] = Project + """
            [[foundation]]
            kind = "pile-cap"
            each = ["C*"]
            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm),angle (deg)\nC1,2.5,1.25,500,500,0\nC2,9.3,4.1,400,400,30\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nC1,DEAD,4,-3,1500,10,20\nC2,DEAD,3,-5,900,12,15\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("schedule", "--what", "piles", "--to", "out/piles.csv").Exit.Should().Be(0);
        f.Run("draw", "--to", "out/plan.dxf").Exit.Should().Be(0);
        var listed = f["out/piles.csv"].Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1)
            .Select(l => l.Trim().Split(','))
            .Select(c => (Mark: c[0], X: Number(c[1]), Y: Number(c[2])))
            .ToList();
        listed.Should().HaveCountGreaterThan(5);
        var json = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .SelectMany(x => x.GetProperty("piles").EnumerateArray())
            .Select(p => (Mark: p.GetProperty("mark").GetString()!, X: p.GetProperty("x_m").GetDouble(),
                Y: p.GetProperty("y_m").GetDouble()))
            .ToList();
        json.Select(p => p.Mark).Should().Equal(listed.Select(p => p.Mark));
        json.Zip(listed).Should().OnlyContain(p => Math.Abs(p.First.X - p.Second.X) < 1e-6 && Math.Abs(p.First.Y - p.Second.Y) < 1e-6);

        // Circles of the plan, in mm of the model: each pile to 1 mm from the first.
        var circles = Circles(f["out/plan.dxf"]);
        circles.Should().HaveCount(listed.Count);
        for (var i = 1; i < listed.Count; i++)
        {
            (circles[i].X - circles[0].X).Should().BeApproximately((listed[i].X - listed[0].X) * 1000, 1, listed[i].Mark);
            (circles[i].Y - circles[0].Y).Should().BeApproximately((listed[i].Y - listed[0].Y) * 1000, 1, listed[i].Mark);
        }
    }

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    // Centres of the circles on the layer of piles.
    private static List<(double X, double Y)> Circles(string dxf)
    {
        var lines = dxf.Split('\n').Select(l => l.Trim()).ToList();
        var found = new List<(double X, double Y)>();
        for (var i = 0; i + 1 < lines.Count; i += 2)
        {
            if (lines[i] != "0" || lines[i + 1] != "CIRCLE")
            {
                continue;
            }

            var (layer, x, y) = ("", 0.0, 0.0);
            for (var j = i + 2; j + 1 < lines.Count && lines[j] != "0"; j += 2)
            {
                (layer, x, y) = (lines[j] == "8" ? lines[j + 1] : layer, lines[j] == "10" ? Number(lines[j + 1]) : x,
                    lines[j] == "20" ? Number(lines[j + 1]) : y);
            }

            if (layer == "PILE")
            {
                found.Add((x, y));
            }
        }

        return found;
    }
}
