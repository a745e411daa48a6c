namespace Plinth.Cli.Tests;

/// <summary>
/// One footing with water, uplift, moments both ways, a pedestal and offsets, worked apart from the program in docs/validation.md: every
/// check to three digits, with its combination and water.
/// </summary>
public class WorkedPedestalTests
{
    private const string Metric = """
        [project]
        name = "Worked footing"
        code = "aci318m-19"
        [loads]
        standard = "asce7-22"
        [cases]
        DEAD = "D"
        LIVE = "L"
        WX = { symbol = "W", reversible = true }
        [ground]
        level = "0.00 m"
        founding-depth = "2.0 m"
        bearing = "250 kPa"
        bearing-transient = 1.33
        soil-weight = "18 kN/m3"
        soil-weight-saturated = "20 kN/m3"
        friction = 0.45
        passive-coefficient = 1.5
        passive-ignored-depth = "0.5 m"
        water-depth = "1.2 m"
        subgrade-modulus = "24 MN/m3"
        max-settlement = "25 mm"
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"
        [column]
        strength = "35 MPa"
        [pedestal]
        under = "all"
        top = "-0.20 m"
        [stability]
        contact-transient = 0.5
        [[foundation]]
        mark = "F1"
        supports = ["C1"]
        offset-x = "0.15 m"
        offset-y = "-0.10 m"

        """;

    private const string Supports = "support,x (m),y (m),level (m),cx (mm),cy (mm)\nC1,0,0,-0.20,400,400\n";

    private const string Reactions =
        "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nC1,DEAD,-8,5,420,10,12\nC1,LIVE,-5,3,170,6,8\nC1,WX,-45,18,-250,-30,-70\n";

    private const string Adopted = """
        [F1]
        kind = "isolated"
        supports = ["C1"]
        length = "2400 mm"
        width = "2200 mm"
        thickness = "500 mm"
        bottom-x = "11 T16"
        bottom-y = "12 T16"
        top-x = "none"
        top-y = "none"
        dowels = "4 T16"
        pedestal.size = ["500 mm", "450 mm"]
        pedestal.bars = "8 T16"
        pedestal.ties = "T10 @ 150 mm"

        """;

    private static readonly Dictionary<string, (string? Combination, string? Water, double Utilisation)> ByHand = new()
    {
        ["equilibrium"] = ("U5:+WX", "high water", 0.5214),
        ["bearing"] = ("S2", "dry", 0.8971),
        ["contact"] = ("S2", "high water", 0.5100),
        ["uplift"] = ("S7:+WX", "high water", 0.4456),
        ["flotation"] = ("S1", "high water", 0.0723),
        ["sliding"] = ("S7:+WX", "high water", 0.2396),
        ["overturning-x"] = ("S7:+WX", "high water", 0.6817),
        ["overturning-y"] = ("S7:+WX", "high water", 0.5423),
        ["settlement"] = ("S2", "dry", 0.1916),
        ["one-way-shear-x"] = ("U4:-WX", "dry", 0.8023),
        ["one-way-shear-y"] = ("U4:-WX", "dry", 0.6391),
        ["two-way-shear"] = ("U4:-WX", "dry", 0.5413),
        ["flexure-bottom-x"] = ("U4:-WX", "dry", 0.6934),
        ["flexure-bottom-y"] = ("U4:-WX", "dry", 0.5477),
        ["flexure-top-x"] = ("U5:+WX", "dry", 0.3558),
        ["flexure-top-y"] = ("U5:+WX", "dry", 0.0133),
        ["minimum-steel-x"] = (null, null, 0.8952),
        ["minimum-steel-y"] = (null, null, 0.8952),
        ["bar-spacing-x"] = (null, null, 0.6780),
        ["bar-spacing-y"] = (null, null, 0.6770),
        ["least-depth"] = (null, null, 0.3741),
        ["punching-steel"] = ("U1", "high water", 0.0000),
        ["anchorage-x"] = ("U1", "high water", 0.4923),
        ["anchorage-y"] = ("U1", "high water", 0.5099),
        ["column-bearing"] = ("U4:-WX", null, 0.3097),
        ["interface"] = ("U1", null, 0.8950),
        ["interface-shear"] = ("U5:+WX", null, 0.2712),
        ["pedestal"] = ("U5:+WX", null, 0.8767),
        ["pedestal-shear"] = ("U4:+WX", null, 0.1839),
    };

    private static Folder Worked()
    {
        var f = new Folder();
        f["plinth.toml"] = Metric;
        f["supports.csv"] = Supports;
        f["reactions.csv"] = Reactions;
        f["adopted.toml"] = Adopted;
        return f;
    }

    private static List<System.Text.Json.JsonElement> Checks(Folder f) =>
        [.. f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()];

    [Fact]
    public void Every_check_agrees_with_the_hand_calculation()
    {
        using var f = Worked();
        var checks = Checks(f);
        checks.Select(c => c.GetProperty("id").GetString()).Should().Equal(ByHand.Keys);
        foreach (var c in checks)
        {
            var (combination, water, utilisation) = ByHand[c.GetProperty("id").GetString()!];
            c.GetProperty("combination").GetString().Should().Be(combination, c.ToString());
            (c.TryGetProperty("water", out var w) ? w.GetString() : null).Should().Be(water, c.ToString());
            c.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, (0.001 * utilisation) + 0.00005, c.ToString());
        }
    }

    [Fact]
    public void The_trace_shows_water_pedestal_and_offset()
    {
        using var f = Worked();
        f.Run("show", "F1", "sliding").Out.Should()
            .Contain("Water in the ground: high water")
            .And.Contain("Wped      = γc·Aped·hp = 24·0.225·1.3 = 7.02 kN")
            .And.Contain("σs        = γs·d,moist + γsat·d,wet = 18·1.2 + 20·0.3 = 27.6 kPa")
            .And.Contain("U         = u·L·B = 7.848·2.4·2.2 = 41.44 kN")
            .And.Contain("ex        = 0.15 m");
        f.Run("show", "F1", "bearing", "--combination", "S8:+WX").Exit.Should().Be(2);
        f.Run("show", "F1", "bearing", "--combination", "S5:+WX").Out.Should().Contain("bearing at C1, S5:+WX");
    }

    [Fact]
    public void In_the_other_unit_system_it_is_used_alike()
    {
        using var f = Worked();
        var metric = Checks(f).ToDictionary(c => c.GetProperty("id").GetString()!, c => c.GetProperty("utilisation").GetDouble());

        // The same values, written in feet, inches, kips and pounds.
        const double Foot = 0.3048, Inch = 0.0254, Kip = 4.4482216152605;
        string Say(double v) => v.ToString("R", System.Globalization.CultureInfo.InvariantCulture);
        string Feet(double m) => $"\"{Say(m / Foot)} ft\"";
        string Inches(double m) => $"\"{Say(m / Inch)} in\"";
        string Ksf(double kPa) => $"\"{Say(kPa / (Kip / Foot / Foot))} ksf\"";
        string Psi(double mPa) => $"\"{Say(mPa * 1000 / (Kip / 1000 / Inch / Inch))} psi\"";
        string Pcf(double v) => $"\"{Say(v / (Kip / 1000 / Foot / Foot / Foot))} pcf\"";
        f["plinth.toml"] = Metric.Replace("code =", "units = \"us\"\ncode =", StringComparison.Ordinal)
            .Replace("\"2.0 m\"", Feet(2), StringComparison.Ordinal).Replace("\"250 kPa\"", Ksf(250), StringComparison.Ordinal)
            .Replace("\"18 kN/m3\"", Pcf(18), StringComparison.Ordinal)
            .Replace("\"20 kN/m3\"", Pcf(20), StringComparison.Ordinal).Replace("\"0.5 m\"", Feet(0.5), StringComparison.Ordinal)
            .Replace("\"1.2 m\"", Feet(1.2), StringComparison.Ordinal)
            .Replace("\"24 MN/m3\"", Pcf(24000), StringComparison.Ordinal).Replace("\"25 mm\"", Inches(0.025), StringComparison.Ordinal)
            .Replace("\"30 MPa\"", Psi(30), StringComparison.Ordinal)
            .Replace("\"35 MPa\"", Psi(35), StringComparison.Ordinal).Replace("\"420 MPa\"", Psi(420), StringComparison.Ordinal)
            .Replace("\"-0.20 m\"", Feet(-0.2), StringComparison.Ordinal)
            .Replace("\"0.15 m\"", Feet(0.15), StringComparison.Ordinal).Replace("\"-0.10 m\"", Feet(-0.1), StringComparison.Ordinal);
        f["supports.csv"] =
            $"support,x (ft),y (ft),level (ft),cx (in),cy (in)\nC1,0,0,{Say(-0.2 / Foot)},{Say(0.4 / Inch)},{Say(0.4 / Inch)}\n";
        var rows = new (string Case, double[] Values)[] { ("DEAD", [-8, 5, 420, 10, 12]), ("LIVE", [-5, 3, 170, 6, 8]),
            ("WX", [-45, 18, -250, -30, -70]) };
        f["reactions.csv"] = "support,case,Fx (kip),Fy (kip),Fz (kip),Mx (kip ft),My (kip ft)\n"
            + string.Concat(
                rows.Select(r => $"C1,{r.Case},{string.Join(",", r.Values.Select((v, i) => Say(i < 3 ? v / Kip : v / Kip / Foot)))}\n"));
        f["adopted.toml"] = Adopted.Replace("\"2400 mm\"", Inches(2.4), StringComparison.Ordinal)
            .Replace("\"2200 mm\"", Inches(2.2), StringComparison.Ordinal).Replace("\"500 mm\"", Inches(0.5), StringComparison.Ordinal)
            .Replace("\"450 mm\"", Inches(0.45), StringComparison.Ordinal)
            .Replace("@ 150 mm", $"@ {Say(0.15 / Inch)} in", StringComparison.Ordinal);
        var us = Checks(f).ToDictionary(c => c.GetProperty("id").GetString()!, c => c.GetProperty("utilisation").GetDouble());
        us.Keys.Should().Equal(metric.Keys);
        foreach (var (id, utilisation) in metric)
        {
            us[id].Should().BeApproximately(utilisation, 1e-6, id);
        }
    }
}
