using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Loads;
using Plinth.Core.Piles;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Caps on piles worked by hand: N down, R in compression positive, weightless, piles in place unless said.</summary>
public class PileCapTests
{
    internal static readonly PileCapKind Kind = new();

    internal static readonly PileRules InPlace = new()
    {
        Size = 0.4,
        Compression = 700,
        Tension = 200,
        Lateral = 60,
        Deviation = 0,
        Embedment = 0
    };

    internal static RuleSet Weightless(double coverBottom, PileRules? piles = null) => Rules with
    {
        Ground = DefaultGround with { SoilWeight = 0, FoundingDepth = 0.5 },
        Concrete = DefaultConcrete with { Strength = 28e3, Weight = 0, CoverBottom = coverBottom },
        Piles = piles ?? InPlace,
    };

    internal static Project Project(RuleSet rules, string code, params (double X, double Cx, double Cy, SupportAction Action)[] columns)
    {
        Support[] supports = [
            .. columns.Select((c, i) => new Support($"C{i + 1}", c.X, 0, null, ColumnShape.Rectangular, c.Cx, c.Cy, 0, 0, 0, "", ""))];
        return OneAction(columns[0].Action, rules, code: code) with
        {
            Supports = supports,
            Actions = supports.Zip(columns, (s, c) => (s.Label, c.Action)).ToDictionary(p => p.Label, p => new[] { p.Action }),
            Foundations = [new Foundation("PC1", [new Place(supports, 0, rules.Ground)], false, HeldValues.Nothing, rules) { Kind = Kind }],
        };
    }

    internal static CapDesign Design(string layout, double pitch, double length, double width, double h, string bars, int columns = 1,
        string top = "none") =>
        new(new BaseSize(length, width, h), layout, pitch, Bars(bars), Bars(bars), Bars(top), Bars(top),
            [.. Enumerable.Range(1, columns).Select(i => new CapColumn($"C{i}", new Upright(null, BarSpec.None)))]);

    internal static CapTrial Trial(Project project, CapDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return (CapTrial)checker.Trials[0];
    }

    private static void Is(CheckResult actual, double demand, double capacity)
    {
        actual.Outcome.Demand.Should().BeApproximately(demand, 6e-4 * demand, actual.Id);
        actual.Outcome.Capacity.Should().BeApproximately(capacity, 6e-4 * capacity, actual.Id);
    }

    [Fact]
    public void A_shallow_cap_on_four_piles()
    {
        var project = Project(Weightless(0.075), "aci318m-14", (0, 0.4, 0.4, new(1600, 0, 0, 0, 120, 0)));
        var design = Design("4", 1.8, 2.5, 2.5, 0.6, "12 T20");
        var t = Trial(project, design);
        Enumerable.Range(0, 4).Select(i => Math.Round(t.Group.Force(0, i), 1)).Should().Equal(366.7, 433.3, 366.7, 433.3);
        (t.Spans(true)[0].Depth(true), t.Spans(false)[0].Depth(true)).Should().Be((0.515, 0.495));
        var result = Check(project, design);
        Is(result.Of("flexure-bottom-x"), 606.7, 714.9);
        Is(result.Of("flexure-bottom-y"), 560.0, 686.4);
        Is(result.Of("one-way-shear-x"), 834.2, 868.6);
        Is(result.Of("one-way-shear-y"), 800.0, 834.9);
        Is(result.Of("two-way-shear"), 956, 1310);
        Is(result.Of("pile-punching"), 433.3, 933.1);

        // Struts of 21.9° are none, and no pile stands within d: nothing fails for it, and ties are shown alone.
        result.Checks.Should().NotContain(c => c.Id == "strut");
        result.Of("tie-x").Outcome.Shown.Should().BeTrue();
        result.Of("tie-x").Passes.Should().BeTrue();
        result.Governing.Id.Should().NotBe("tie-x");
    }

    [Theory]
    [InlineData("aci318m-14", 1310, 1142)]
    [InlineData("aci318m-19", 1010, 880.8)]
    public void A_deep_cap_on_four_piles(string code, double twoWay, double punching)
    {
        var project = Project(Weightless(0.090), code, (0, 0.4, 0.4, new(2400, 0, 0, 0, 0, 0)));
        var design = Design("4", 1.2, 1.9, 1.9, 0.7, "12 T20");
        var result = Check(project, design);
        Is(result.Of("flexure-bottom-x"), 480.0, 830.1);
        Is(result.Of("flexure-bottom-y"), 480.0, 801.6);

        // No pile beyond d: shear at the face alone.
        Is(result.Of("one-way-shear-x"), 1200, 3755);
        Is(result.Of("one-way-shear-y"), 1200, 3630);
        Is(result.Of("two-way-shear"), 894.9, twoWay);
        Is(result.Of("pile-punching"), 600, punching);
        Is(result.Of("strut"), 999.2, 1400);
        Is(result.Of("tie-x"), 1111, 1188);
        Is(result.Of("tie-y"), 1149, 1188);
        result.Of("tie-y").Outcome.Shown.Should().BeFalse();

        // The column's node governs: 2400 of 2856; a pile's has 600 of 1346.
        Is(result.Of("node"), 2400, 2856);
        var trial = Trial(project, design);
        var none = default(Tracing.NoTrace);
        trial.Code.Node(ref none, trial.Rules.Concrete, trial.PileRules.Area, Concrete.Codes.NodeTies.BothWays)
            .Should().BeApproximately(1346, 1);
    }

    [Fact]
    public void Six_piles_under_two_columns()
    {
        var project = Project(Weightless(0.075), "aci318m-14", (-0.9, 0.4, 0.4, new(1200, 0, 0, 0, 30, 0)),
            (0.9, 0.4, 0.4, new(1800, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design("6", 1.35, 3.4, 2.1, 0.7, "12 T20", 2));
        Enumerable.Range(0, 6).Select(i => Math.Round(t.Group.Force(0, i), 1)).Should().Equal(394.4, 500.0, 605.6, 394.4, 500.0, 605.6);
        foreach (var (at, moment) in new[] { (-1.1, 197.2), (-0.7, 302.8), (0, 15.0), (0.7, 427.2), (1.1, 302.8) })
        {
            foreach (var side in (int[])[-1, 1])
            {
                var f = CapSections.At(t, 0, true, side, at);
                (f.UpMoment - f.DownMoment).Should().BeApproximately(moment, 0.051, $"at {at} to side {side}");
            }
        }

        var across = CapSections.At(t, 0, false, 1, 0.2);
        across.UpMoment.Should().BeApproximately(712.5, 0.051);
    }

    [Fact]
    public void Piles_out_of_place_in_one_direction_for_all()
    {
        var project = Project(Weightless(0.075, InPlace with { Deviation = 0.075 }), "aci318m-14", (0, 0.4, 0.4, new(2400, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design("4", 1.2, 1.9, 1.9, 0.7, "12 T20"));
        foreach (var p in t.Piles)
        {
            t.Group.Spread(0, p.Index).Should().BeApproximately(53.03, 0.006);
        }

        var f = CapSections.At(t, 0, true, 1, 0.2);
        f.UpMoment.Should().BeApproximately(480.0, 0.01);
        f.SpreadMoment.Should().BeApproximately(30.00, 0.006);
    }
}
