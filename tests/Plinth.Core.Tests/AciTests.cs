using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// The concrete rules against results worked by hand: D 350, L 275 kip on a 13 ft square base, 30 × 12 in column, h 33, d 28 in, f'c 3000,
/// fy 60.
/// </summary>
public class AciTests
{
    private static readonly RuleSet Us = Rules with
    {
        Ground = DefaultGround with { FoundingDepth = 33 * Inch, Bearing = 4.5 * Ksf, SoilWeight = 0 },
        Concrete = DefaultConcrete with
        {
            Strength = 3000 * Psi,
            Weight = 0,
            CoverBottom = 4 * Inch,
            CoverSide = 3 * Inch,
            CoverTop = 2 * Inch
        },
        Steel = DefaultSteel with { Yield = 60000 * Psi, LowerLayer = Core.Concrete.LowerLayer.Y },
    };

    private static Project Example(string code, double cover) => Project(
        [new LoadCase("DEAD", LoadSymbol.D), new LoadCase("LIVE", LoadSymbol.L)],
        [new SupportAction(350 * Kip, 0, 0, 0, 0, 0), new SupportAction(275 * Kip, 0, 0, 0, 0, 0)],
        new CombinationSet([Combination("U2", Family.Concrete, 1.2, (0, 1.2), (1, 1.6)),
            Combination("S2", Family.Ground, 1, (0, 1), (1, 1))], []),
        Us with { Concrete = Us.Concrete with { CoverBottom = cover * Inch } },
        Column(30 * Inch, 12 * Inch),
        code: code);

    // As 9.7 in2 to within a bar: 16 #7 of 0.60 is 9.6; #8 gives the 1 in bars that make d 28 of the mean.
    private static readonly IsolatedDesign Base13 = Design(13 * Foot, 13 * Foot, 33 * Inch, "13 #8", "13 #8");

    [Fact]
    public void Factored_load_and_net_pressure()
    {
        var state = new Checker(Example("aci318-14", 4), Example("aci318-14", 4).Foundations[0]);
        state.Set(Base13);
        state.Trials[0].Body.Loads(0).N.Should().BeApproximately(860 * Kip, 1e-6);
        state.Trials[0].Body.Contact(0).Pressure.A.Should().BeApproximately(5.089 * Ksf, 0.0005 * Ksf);
    }

    [Fact]
    public void Two_way_shear_of_318_14()
    {
        // Covers 4 in and 1 in bars: d 28.5 and 27.5, mean 28 in.
        var r = Check(Example("aci318-14", 4), Base13).Of("two-way-shear");
        var bo = 196 * Inch;
        (r.Outcome.Demand * bo * 28 * Inch / Kip).Should().BeApproximately(778, 0.5);
        (r.Outcome.Capacity * bo * 28 * Inch / Kip).Should().BeApproximately(811.6, 0.1);
        r.Utilisation.Should().BeApproximately(778 / 811.6, 1e-3);
    }

    [Fact]
    public void One_way_shear_and_flexure_of_318_14()
    {
        // Bars along y outermost under 4.5 in of cover: d 28 in.
        var result = Check(Example("aci318-14", 4.5), Base13);
        var shear = result.Of("one-way-shear-y").Outcome;
        (shear.Demand / Kip).Should().BeApproximately(242.6, 0.1);
        (shear.Capacity / Kip).Should().BeApproximately(358.9, 0.1);
        (result.Of("flexure-bottom-y").Outcome.Demand / (Kip * Foot)).Should().BeApproximately(1191, 0.5);
        (result.Of("minimum-steel-y").Outcome.Demand / (Inch * Inch)).Should().BeApproximately(9.27, 0.01);
    }

    [Fact]
    public void Steel_for_1191_kip_ft_is_9_7_in2()
    {
        var none = default(NoTrace);
        var code = ConcreteCodes.Find("aci318-14")!;
        var f = code.Flexure(ref none, Us.Concrete, 60000 * Psi, 9.7 * Inch * Inch, 156 * Inch, 28 * Inch);
        (f.Strength / (Kip * Foot)).Should().BeApproximately(1191, 2);
        f.Ductile.Should().BeTrue();
    }

    [Fact]
    public void One_way_shear_of_318_19_falls_with_little_steel()
    {
        var none = default(NoTrace);
        var strength = ConcreteCodes.Find("aci318-19")!.OneWayShear(ref none, Us.Concrete, 156 * Inch, 28 * Inch, 9.7 * Inch * Inch);
        (strength / Kip).Should().BeApproximately(187, 0.5);
        (242.6 * Kip / strength).Should().BeApproximately(1.30, 0.005);
    }

    [Fact]
    public void Allowable_gross_less_weights_gives_13_ft()
    {
        // 4.5 ksf less 130 pcf over 5 ft and 100 psf of surcharge leaves 3.75 ksf: 625 kip need 166.7 ft2.
        var pcf = Kip / (Foot * Foot * Foot) / 1000;
        var rules = Us with
        {
            Ground = Us.Ground with { FoundingDepth = 5 * Foot, SoilWeight = 130 * pcf, Surcharge = 0.1 * Ksf },
            Concrete = Us.Concrete with { Weight = 130 * pcf },
        };
        var project = Project(
            [new LoadCase("DEAD", LoadSymbol.D), new LoadCase("LIVE", LoadSymbol.L), new LoadCase(LoadCase.SurchargeName, LoadSymbol.L)],
            [new SupportAction(350 * Kip, 0, 0, 0, 0, 0), new SupportAction(275 * Kip, 0, 0, 0, 0, 0), default],
            new CombinationSet([Combination("S2", Family.Ground, 1, (0, 1), (1, 1), (2, 1))], []),
            rules,
            Column(0.01, 0.01));
        double Utilisation(double squareFeet) =>
            Check(project, Design(Math.Sqrt(squareFeet) * Foot, Math.Sqrt(squareFeet) * Foot, 33 * Inch, "13 #8", "13 #8"))
                .Of("bearing").Utilisation;
        Utilisation(625 / 3.75).Should().BeApproximately(1, 1e-4);
        Utilisation(169).Should().BeLessThan(1);
        Utilisation(12.75 * 12.75).Should().BeGreaterThan(1);
    }

    [Fact]
    public void Punching_with_moment()
    {
        // Base 2.4 m square, column 0.4 m, d 0.42 m, N 1200 kN, My 150 kNm at the underside.
        var rules = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 0.5, SoilWeight = 0 },
            Concrete = DefaultConcrete with { Weight = 0, CoverBottom = 0.064 }
        };
        var project = OneAction(new SupportAction(1200, 0, 0, 0, 150, 0), rules);
        var checker = new Checker(project, project.Foundations[0]);
        var trace = checker.Trace(Design(2.4, 2.4, 0.5), "two-way-shear", null, null)!.Value.Steps;
        double Value(string symbol) => trace.Last(s => s.Symbol == symbol).Value;
        Value("d").Should().BeApproximately(0.42, 1e-12);
        Value("Vu").Should().BeApproximately(1059.9, 0.05);
        Value("My,c").Should().BeApproximately(147.96, 0.005);
        Value("Jy").Should().BeApproximately(0.16451, 5e-6);
        Value("γv,y").Should().BeApproximately(0.4, 1e-12);
        (Value("v0") / 1000).Should().BeApproximately(0.769, 5e-4);
        (Value("vu") / 1000).Should().BeApproximately(0.917, 5e-4);
    }

    [Theory]
    [InlineData("aci318m-14", 500, 0.0018 * 420 / 500)]
    [InlineData("aci318m-14", 300, 0.0020)]
    [InlineData("aci318m-14", 600, 0.0014)]
    [InlineData("aci318m-19", 500, 0.0018)]
    [InlineData("aci318m-19", 300, 0.0018)]
    public void Least_steel_ratio(string code, double fy, double ratio)
    {
        var none = default(NoTrace);
        ConcreteCodes.Find(code)!.MinimumSteelRatio(ref none, Given.DefaultConcrete, fy * 1000).Should().BeApproximately(ratio, 1e-12);
    }

    [Theory]
    [InlineData(0.3, 0.450, 0.450)]
    [InlineData(0.2, 0.400, 0.400)]
    public void Greatest_spacing(double h, double most, double expected)
    {
        ConcreteCodes.Find("aci318m-19")!.MostSpacing(h).Should().BeApproximately(Math.Min(most, expected), 1e-12);
        ConcreteCodes.Find("aci318-19")!.MostSpacing(1).Should().BeApproximately(18 * Inch, 1e-12);
    }

    [Fact]
    public void Too_much_steel_is_not_ductile_and_phi_falls_between()
    {
        var none = default(NoTrace);
        var c19 = ConcreteCodes.Find("aci318m-19")!;
        var c14 = ConcreteCodes.Find("aci318m-14")!;

        // b 1 m, d 0.4 m, f'c 30 (β1 0.85 − 0.05·2/7 = 0.83571): εt 0.0045 needs c = 0.4·3/7.5 = 0.16, As = 0.85·30·0.83571·0.16/420 m2 =
        // 8118 mm2.
        var steel = 0.85 * 30 * (0.85 - (0.05 * 2 / 7)) * 0.16 / 420;
        var f14 = c14.Flexure(ref none, DefaultConcrete, 420e3, steel, 1, 0.4);
        f14.Strain.Should().BeApproximately(0.0045, 1e-9);
        f14.Ductile.Should().BeTrue("318-14 asks for 0.004");
        var a = steel * 420 / (0.85 * 30);
        f14.Strength.Should().BeApproximately((0.65 + (0.25 * (0.0045 - 0.0021) / (0.005 - 0.0021))) * steel * 420e3 * (0.4 - (a / 2)),
            1e-6);
        c19.Flexure(ref none, DefaultConcrete, 420e3, steel, 1, 0.4).Ductile.Should().BeFalse("318-19 asks for εty + 0.003");
    }

    [Fact]
    public void Shear_root_is_limited()
    {
        var none = default(NoTrace);
        var code = ConcreteCodes.Find("aci318m-14")!;
        var at = code.OneWayShear(ref none, DefaultConcrete with { Strength = 8.3 * 8.3 * 1000 }, 1, 0.4, 0.001);
        code.OneWayShear(ref none, DefaultConcrete with { Strength = 90e3 }, 1, 0.4, 0.001).Should().BeApproximately(at, 1e-9);
    }
}
