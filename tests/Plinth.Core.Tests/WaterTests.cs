using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Water, layers, settlement and soil strength: statics by hand, and properties.</summary>
public class WaterTests
{
    private static readonly GroundRules Wet = DefaultGround with
    {
        FoundingDepth = 2.0,
        WaterDepth = 0.8,
        SaturatedWeight = 20,
        PassiveCoefficient = 2,
        Adhesion = 5
    };

    private static RuleSet With(GroundRules ground) => Rules with { Ground = ground };

    [Fact]
    public void The_ground_by_depth()
    {
        var column = Wet.Column(WaterState.High);
        column.Weight(0, 2).Should().BeApproximately((18 * 0.8) + (20 * 1.2), 1e-12);
        column.WaterPressure(2).Should().BeApproximately(9.81 * 1.2, 1e-12);
        column.EffectiveStress(2).Should().BeApproximately((18 * 0.8) + (10.19 * 1.2), 1e-12);
        column.EffectiveStressOver(0.5, 2)
            .Should().BeApproximately((18 * ((0.8 * 0.8) - 0.25) / 2) + (18 * 0.8 * 1.2) + (10.19 * 1.2 * 1.2 / 2), 1e-12);
        Wet.Column(WaterState.Low).IsWet.Should().BeFalse("no lowest water is stated: the ground may be dry");
        (Wet with { WaterDepthLow = 1.5 }).Column(WaterState.Low).Water.Should().Be(1.5);
    }

    [Fact]
    public void Flotation_by_hand()
    {
        // 3 × 3 × 0.5 m at 2.0 m, water at 0.8 m: U = 9.81·1.2·9; W = 24·4.5 + (18·0.8 + 20·0.7)·(9 − 0.16).
        var r = Check(OneAction(new SupportAction(60, 0, 0, 0, 0, 0), With(Wet)), Design(3, 3, 0.5));
        var o = r.Of("flotation");
        o.Outcome.Demand.Should().BeApproximately(9.81 * 1.2 * 9, 1e-9);
        o.Outcome.Capacity.Should().BeApproximately(60 + (24 * 4.5) + (((18 * 0.8) + (20 * 0.7)) * (9 - 0.16)), 1e-9);
        o.Outcome.Least.Should().Be(1.1);
        o.Water.Should().Be("high water");
        r.Of("bearing").Water.Should().Be("dry", "the grains carry most when no water helps");
    }

    [Fact]
    public void Water_below_the_underside_changes_nothing()
    {
        var action = new SupportAction(400, 30, 10, 20, 40, 0);
        var dry = Check(OneAction(action, With(Wet with { WaterDepth = null })), Design(2.2, 2.2, 0.5));
        var deep = Check(OneAction(action, With(Wet with { WaterDepth = 2.5 })), Design(2.2, 2.2, 0.5));
        deep.Checks.Select(c => (c.Id, c.Utilisation)).Should().Equal(dry.Checks.Select(c => (c.Id, c.Utilisation)));
        deep.Checks.Should().OnlyContain(c => c.Water == null);
    }

    [Fact]
    public void Higher_water_never_helps_sliding_uplift_flotation_or_tipping() =>
        Gen.Select(Gen.Double[0, 1.8], Gen.Double[0, 1.8], Gen.Double[20, 200], Gen.Double[-40, 40]).Sample(
        (a, b, n, f) =>
        {
            SupportAction[] actions = [new(n, 4, 3, 5, 6, 0), new(-60, f, 10, 20, 30, 0)];
            double Worst(string id, double depth) => Check(
                Project([new LoadCase("DEAD", LoadSymbol.D), new LoadCase("WX", LoadSymbol.W)], actions,
                    new CombinationSet([Combination("A", Family.Stability, 0.9, (0, 0.9), (1, 1))], []),
                    With(Wet with { WaterDepth = depth, Adhesion = 0 })), Design(2.4, 2.4, 0.5))
                .Checks.SingleOrDefault(c => c.Id == id)?.Utilisation ?? 0;
            foreach (var id in new[] { "sliding", "uplift", "flotation", "overturning-x" })
            {
                Worst(id, Math.Min(a, b)).Should().BeGreaterThanOrEqualTo(Worst(id, Math.Max(a, b)) * (1 - 1e-9), id);
            }
        },
        iter: 150);

    [Fact]
    public void Full_contact_passes_the_load_through_whatever_weights_and_water_are()
    {
        // With no prism deducted the section's upward shear is N/A·part, whatever w and u.
        double Shear(GroundRules g) =>
            Check(OneAction(new SupportAction(900, 0, 0, 0, 0, 0), With(g)), Design(2.4, 2.4, 0.6)).Of("one-way-shear-x").Outcome.Demand;
        var plain = Shear(DefaultGround with { SoilWeight = 0, SaturatedWeight = 0 });
        Shear(DefaultGround with { FoundingDepth = 1.9, SoilWeight = 0, SaturatedWeight = 0, WaterDepth = 0.3, WaterWeight = 9.81 })
            .Should().BeApproximately(plain, 1e-9 * plain);
    }

    [Fact]
    public void Passive_pressure_in_water_with_an_ignored_depth_by_hand()
    {
        var g = Wet with { PassiveIgnoredDepth = 1.7, Adhesion = 0 };
        var r = Check(OneAction(new SupportAction(500, 60, 0, 0, 0, 0), With(g)), Design(2, 2, 0.5)).Of("sliding");
        r.Water.Should().Be("high water");
        var n = 500 + (24 * 2) + (((18 * 0.8) + (20 * 0.7)) * (4 - 0.16)) - (9.81 * 1.2 * 4);
        var stress = ((18 * 0.8) + (10.19 * 0.9) + (18 * 0.8) + (10.19 * 1.2)) / 2 * 0.3;
        r.Outcome.Capacity.Should().BeApproximately((0.45 * n) + (2 * stress * 2), 1e-9);
    }

    [Fact]
    public void A_rising_base_lifts_the_soil_beside_it_where_that_is_asked()
    {
        SupportAction[] actions = [new(50, 0, 0, 0, 0, 0), new(-150, 0, 0, 0, 0, 0)];
        double Held(GroundRules g) =>
            Check(Project([new LoadCase("DEAD", LoadSymbol.D), new LoadCase("WX", LoadSymbol.W)], actions,
                new CombinationSet([Combination("A", Family.Stability, 0.6, (0, 0.6), (1, 1))], []), With(g)), Design(2, 1.5, 0.5))
                .Of("uplift").Outcome.Capacity;
        var ground = DefaultGround with { FoundingDepth = 1.7 };
        var tan = Math.Tan(30 * Math.PI / 180);
        (Held(ground with { UpliftSpread = 30 }) - Held(ground)).Should().BeApproximately(0.6 * 18 * ((3.5 * 1.44 * tan)
            + (4.0 / 3 * 1.2 * 1.2 * 1.2 * tan * tan)), 1e-9);
    }

    [Fact]
    public void Settlement_by_the_modulus_and_by_layers()
    {
        var g = DefaultGround with { SubgradeModulus = 20e3, MostSettlement = 0.02 };
        var action = new SupportAction(900, 0, 0, 0, 0, 0);
        var n = 900 + (24 * 4.5 * 0.5 / 0.5) + (18 * 0.5 * (9 - 0.16));
        var q = (n / 9) - 18;
        Check(OneAction(action, With(g)), Design(3, 3, 0.5)).Of("settlement").Outcome.Demand.Should().BeApproximately(q / 20e3, 1e-12);

        // One layer without end is the half-space; cut in two of the same modulus it settles the same.
        GroundLayer[] one = [new("sand", double.PositiveInfinity, 30e3, 0.3, null)];
        GroundLayer[] two = [new("sand", 4, 30e3, 0.3, null), new("sand", double.PositiveInfinity, 30e3, 0.3, null)];
        double Of(GroundLayer[] layers) =>
            Check(OneAction(action, With(g with { SubgradeModulus = null, Layers = layers })), Design(3, 3, 0.5))
                .Of("settlement").Outcome.Demand;
        Of(one).Should().BeApproximately(q * 0.91 / 30e3 * ElasticSettlement.Factor(3, 3, 0.74, double.PositiveInfinity, 0.3), 1e-12);
        Of(two).Should().BeApproximately(Of(one), 1e-12);
        Of([new("", 1, 5e3, 0.3, null), new("rock", double.PositiveInfinity, null, 0.3, null)])
            .Should().Be(0, "what lies above the underside does not settle, rock not at all");
    }

    [Fact]
    public void The_layer_below_bears_the_spread_load()
    {
        // 700 kN on 2 × 2 m, soft layer 1.5 m below the underside at 1.0 m: ΔN over (2 + 1.5)².
        var g = DefaultGround with { Layers = [new("sand", 2.5, null, 0.3, null), new("clay", double.PositiveInfinity, null, 0.3, 90)] };
        var o = Check(OneAction(new SupportAction(700, 0, 0, 0, 0, 0), With(g)), Design(2, 2, 0.5)).Of("bearing-below");
        var n = 700 + (24 * 2) + (18 * 0.5 * (4 - 0.16));
        o.Outcome.Demand.Should().BeApproximately(((n - (18 * 4)) / (3.5 * 3.5)) + (18 * 2.5), 1e-9);
        o.Outcome.Capacity.Should().Be(90);
        o.Note.Should().Be("on clay 1.50 m below the underside");
    }

    [Fact]
    public void Bearing_by_the_lesser_side_is_read_between_rows()
    {
        var g = DefaultGround with { Bearing = double.NaN, BearingBySide = [(1, 150), (2, 200), (3, 220)] };
        double Allowed(double l, double b) =>
            Check(OneAction(new SupportAction(100, 0, 0, 0, 0, 0), With(g)), Design(l, b, 0.5)).Of("bearing").Outcome.Capacity;
        Allowed(3, 1.5).Should().BeApproximately(175, 1e-9);
        Allowed(0.9, 0.9).Should().Be(150);
        Allowed(4, 4).Should().Be(220);

        // Falling with the side, as settlement would have it: sizing still finds the least plan.
        var falling = OneAction(new SupportAction(900, 0, 0, 0, 0, 0), With(g with { BearingBySide = [(1, 300), (2, 250), (4, 150)] }));
        var side = Plinth.Core.Sizing.FoundationSizer.Of(falling, falling.Foundations[0]).Size().Design!.Size.Length;
        Check(falling, Design(side, side, 0.5)).Of("bearing").Passes.Should().BeTrue();
        Check(falling, Design(side - 0.05, side - 0.05, 0.5)).Of("bearing").Passes.Should().BeFalse();
    }

    [Fact]
    public void Bearing_from_soil_strength_is_the_least_of_what_is_stated()
    {
        var drained = new BearingCapacity(BearingTheory.Find("vesic")!, 30, 0, null, 3);
        var action = new SupportAction(600, 0, 0, 0, 0, 0);
        CheckResult Of(GroundRules g) => Check(OneAction(action, With(g)), Design(2, 2, 0.5)).Of("bearing");
        var alone = Of(DefaultGround with { Bearing = double.NaN, Capacity = drained });

        // By hand: Nq 18.40, Nγ 22.40; sq 1.577, sγ 0.6, dq 1 + 0.289·0.5; q 18.
        var expected = ((18 * 18.401 * 1.5774 * 1.1443) + (9 * 2 * 22.402 * 0.6)) / 3;
        alone.Outcome.Capacity.Should().BeApproximately(expected, 0.002 * expected);
        Of(DefaultGround with { Bearing = 60, Capacity = drained }).Outcome.Capacity.Should().Be(60, "the stated value caps it");
        Of(DefaultGround with { Bearing = double.NaN, Capacity = drained with { Undrained = 30 } }).Outcome.Capacity.Should().BeLessThan(
            alone.Outcome.Capacity, "the undrained analysis governs");
    }

    [Theory]
    [InlineData("vesic")]
    [InlineData("hansen")]
    [InlineData("meyerhof")]
    public void Inclined_and_eccentric_loads_and_water_lower_the_bearing_found(string theory) =>
        Gen.Select(Gen.Double[15, 40], Gen.Double[0, 20], Gen.Double[0, 0.3], Gen.Double[0, 0.4]).Sample(
        (phi, c, tilt, e) =>
        {
            var g = DefaultGround with
            {
                Bearing = double.NaN,
                FoundingDepth = 1.2,
                Capacity = new BearingCapacity(BearingTheory.Find(theory)!, phi, c, null, 3)
            };
            double Used(GroundRules ground, double h, double eccentricity) =>
                Check(OneAction(new SupportAction(500, 500 * h, 0, 0, (500 * eccentricity) - (500 * h * 0.5), 0), With(ground)),
                    Design(2, 2, 0.5)).Of("bearing").Utilisation;
            var straight = Used(g, 0, 0);
            Used(g, tilt, 0).Should().BeGreaterThanOrEqualTo(straight * (1 - 1e-9));
            Used(g, 0, e).Should().BeGreaterThanOrEqualTo(straight * (1 - 1e-9));
            Used(g with { WaterDepth = 1.3 }, 0, 0).Should().BeGreaterThanOrEqualTo(straight * (1 - 1e-9));
        },
        iter: 100);
}
