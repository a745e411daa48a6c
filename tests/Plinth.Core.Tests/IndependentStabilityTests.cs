using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Sliding, uplift, tipping and flotation of random footings from statics alone, and how they answer to what is changed.</summary>
public class IndependentStabilityTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W)];

    private sealed record Footing(double Length, double Width, double H, double Depth, double OffsetX, double OffsetY, SupportAction Dead,
        SupportAction Live, SupportAction Wind)
    {
        public IEnumerable<(SupportAction Action, bool Permanent)> Actions => [(Dead, true), (Live, false), (Wind, false)];
    }

    private static readonly Gen<SupportAction> Small = Gen.Select(Gen.Double[-80, 80], Gen.Double[-40, 40], Gen.Double[-40, 40],
        Gen.Double[-60, 60], Gen.Double[-60, 60]).Select(v => new SupportAction(v.Item1, v.Item2, v.Item3, v.Item4, v.Item5, 0));

    private static readonly Gen<Footing> Footings = Gen.Select(
        Gen.Select(Gen.Double[1.5, 3.5], Gen.Double[1.5, 3.5], Gen.Double[0.4, 0.8], Gen.Double[0.9, 2.0], Gen.Double[-0.3, 0.3],
            Gen.Double[-0.3, 0.3]),
        Gen.Double[150, 900], Small, Small)
        .Select((g, dead, live, wind) => new Footing(g.Item1, g.Item2, g.Item3, g.Item4, g.Item5, g.Item6,
            new SupportAction(dead, 0, 0, 0, 0, 0), live, wind));

    private static Project Of(Footing f, GroundRules? ground = null, StabilityRules? stability = null) => Project(
        Cases,
        [f.Dead, f.Live, f.Wind],
        new CombinationSet([Combination("A", Family.All, 1, (0, 1), (1, 1), (2, 1))], []),
        Rules with
        {
            Ground = (ground ?? DefaultGround) with { FoundingDepth = f.Depth, Bearing = 1e5 },
            Stability = stability ?? new StabilityRules()
        },
        Column(),
        new HeldValues { OffsetX = f.OffsetX, OffsetY = f.OffsetY, OffsetXGiven = true, OffsetYGiven = true });

    private static (FoundationResult Result, Trial State) Checked(Footing f, Project project)
    {
        var design = Design(f.Length, f.Width, f.H);
        var checker = new Checker(project, project.Foundations[0]);
        var result = checker.Check(design);
        return (result, checker.Trials[0]);
    }

    // Factors are told up to 99.99.
    private static void Near(double factor, double expected, string why) =>
        factor.Should().BeApproximately(Math.Min(expected, 99.99), 1e-6 * (1 + Math.Abs(expected)), why);

    // Base and soil over it, less the soil where the column stands, kN.
    private static double Weights(Footing f) =>
        (24 * f.Length * f.Width * f.H) + (18 * ((f.Length * f.Width) - (0.4 * 0.4)) * Math.Max(0, f.Depth - f.H));

    [Fact]
    public void Sliding_by_friction_adhesion_and_passive_pressure() =>
        Gen.Select(Footings, Gen.Double[0.2, 0.6], Gen.Double[0, 2.5], Gen.Double[0, 0.6]).Sample(
        (f, friction, kp, ignored) =>
        {
            var (result, _) = Checked(f,
                Of(f, DefaultGround with { Friction = friction, PassiveCoefficient = kp, PassiveIgnoredDepth = ignored }));
            var (fx, fy) = (f.Actions.Sum(a => a.Action.Fx), f.Actions.Sum(a => a.Action.Fy));
            var force = Math.Sqrt((fx * fx) + (fy * fy));
            if (force == 0)
            {
                return; // Nothing slides.
            }

            var n = f.Actions.Sum(a => a.Action.N) + Weights(f);
            var front = ((f.Length * Math.Abs(fy)) + (f.Width * Math.Abs(fx))) / force;
            var top = Math.Max(ignored, f.Depth - f.H);
            var passive = top >= f.Depth ? 0 : kp * 18 / 2 * ((f.Depth * f.Depth) - (top * top)) * front;
            Near(result.Of("sliding").Outcome.Factor, ((friction * Math.Max(0, n)) + passive) / force, "sliding");
        },
        iter: 300);

    [Fact]
    public void Uplift_is_what_pulls_against_what_is_permanent() => Footings.Sample(
        f =>
        {
            var (result, _) = Checked(f, Of(f));
            var up = f.Actions.Sum(a => Math.Max(0, -a.Action.N));
            var down = f.Actions.Where(a => a.Permanent).Sum(a => Math.Max(0, a.Action.N)) + Weights(f);
            var check = result.Checks.SingleOrDefault(c => c.Id == "uplift");
            if (up == 0)
            {
                check.Should().BeNull("nothing pulls");
            }
            else
            {
                Near(check!.Outcome.Factor, down / up, "uplift");
                check.Passes.Should().Be(down / up >= 1.5);
            }
        },
        iter: 300);

    [Fact]
    public void Tipping_about_each_edge() => Footings.Sample(
        f =>
        {
            var (result, s) = Checked(f, Of(f));
            foreach (var (id, half, column, turns) in new (string, double, double, Func<SupportAction, double>)[]
            {
                ("overturning-x", f.Length / 2, s.Columns[0].X, a => a.My + (a.Fx * f.H)),
                ("overturning-y", f.Width / 2, s.Columns[0].Y, a => -a.Mx + (a.Fy * f.H)),
            })
            {
                var least = double.PositiveInfinity;
                foreach (var side in new[] { -1, 1 })
                {
                    // About the edge on this side: its distance from the column along the axis.
                    var arm = half - (side * column);
                    var (tips, holds) = (0.0, 0.0);
                    foreach (var (a, permanent) in f.Actions)
                    {
                        foreach (var (tipping, holding) in new[] { (Math.Max(0, side * turns(a)), Math.Max(0, -side * turns(a))),
                            (Math.Max(0, -a.N * arm), Math.Max(0, a.N * arm)) })
                        {
                            tips += tipping;
                            holds += permanent ? holding : 0;
                        }
                    }

                    var soil = 18 * Math.Max(0, f.Depth - f.H);
                    holds += (((24 * f.H) + soil) * f.Length * f.Width * half) - (soil * 0.4 * 0.4 * arm);
                    least = tips > 0 ? Math.Min(least, holds / tips) : least;
                }

                if (double.IsFinite(least))
                {
                    Near(result.Of(id).Outcome.Factor, least, id);
                }
            }
        },
        iter: 300);

    [Fact]
    public void Variable_loads_resist_only_where_that_is_stated() => Gen.Select(Footings, Gen.Double[10, 90], Gen.Double[-90, -50]).Sample(
        (any, presses, pulls) =>
        {
            var f = any with { Live = any.Live with { N = presses }, Wind = any.Wind with { N = pulls } };
            var (without, _) = Checked(f, Of(f));
            var (with, _) = Checked(f, Of(f, stability: new StabilityRules { VariableResists = true }));
            var gained = (with.Of("uplift").Outcome.Factor - without.Of("uplift").Outcome.Factor) * -f.Wind.N;
            gained.Should().BeApproximately(f.Live.N, 1e-6 * (1 + Math.Abs(f.Live.N) + Math.Abs(f.Wind.N) + Weights(f)));
            with.Of("overturning-x").Outcome.Factor.Should().BeGreaterThanOrEqualTo(without.Of("overturning-x").Outcome.Factor - 1e-9);
        },
        iter: 150);

    [Fact]
    public void A_base_in_water_floats_by_the_water_that_it_displaces()
    {
        var floated = 0;
        Gen.Select(Footings, Gen.Double[0, 0.8]).Sample(
        (f, water) =>
        {
            var project = Of(f, DefaultGround with { WaterDepth = water, WaterDepthLow = 5, SaturatedWeight = 20 });
            var (result, _) = Checked(f, project);
            var flotation = result.Of("flotation");
            Interlocked.Increment(ref floated);

            // Total weights: soil moist above the water, saturated below; the water's own push on the underside.
            var cover = Math.Max(0, f.Depth - f.H);
            var (moist, wet) = (Math.Min(cover, water), Math.Max(0, cover - water));
            var soil = ((18 * moist) + (20 * wet)) * ((f.Length * f.Width) - (0.4 * 0.4));
            var push = 9.81 * (f.Depth - water) * f.Length * f.Width;
            var holds = (24 * f.Length * f.Width * f.H) + soil + Math.Max(0, f.Dead.N);
            Near(flotation.Outcome.Factor, holds / push, "flotation");
        },
        iter: 200);
        floated.Should().BeGreaterThanOrEqualTo(200);
    }

    [Fact]
    public void More_friction_a_deeper_base_and_a_larger_one_never_make_stability_worse() =>
        Gen.Select(Footings, Gen.Double[1.01, 1.5]).Sample(
        (f, more) =>
        {
            double[] Factors(Footing g, GroundRules? ground = null)
            {
                var (r, _) = Checked(g, Of(g, ground));
                return [r.Of("sliding").Outcome.Factor,
                    r.Checks.SingleOrDefault(c => c.Id == "uplift")?.Outcome.Factor ?? double.PositiveInfinity];
            }

            var basis = Factors(f);
            foreach (var (better, what) in new[] { (Factors(f, DefaultGround with { Friction = 0.45 * more }), "friction"),
                (Factors(f with { Depth = f.Depth * more }), "depth"), (Factors(f with { Length = f.Length * more }), "length"),
                (Factors(f with { H = f.H * more }), "thickness") })
            {
                // More concrete in place of soil weighs more; all of them hold at least as well.
                better[0].Should().BeGreaterThanOrEqualTo(basis[0] - 1e-9, what);
                better[1].Should().BeGreaterThanOrEqualTo(basis[1] - 1e-9, what);
            }
        },
        iter: 200);

    [Fact]
    public void Turning_the_loads_and_the_base_by_a_right_angle_changes_the_axes_and_nothing_else() => Footings.Sample(
        f =>
        {
            static SupportAction Turned(SupportAction a) => new(a.N, -a.Fy, a.Fx, -a.My, a.Mx, 0);
            var g = new Footing(f.Width, f.Length, f.H, f.Depth, -f.OffsetY, f.OffsetX, Turned(f.Dead), Turned(f.Live), Turned(f.Wind));
            var (a, _) = Checked(f, Of(f));
            var (b, _) = Checked(g, Of(g));
            foreach (var id in new[] { "bearing", "contact", "sliding", "two-way-shear" })
            {
                b.Of(id).Outcome.Demand.Should().BeApproximately(a.Of(id).Outcome.Demand, 1e-6 * (1 + Math.Abs(a.Of(id).Outcome.Demand)),
                    id);
            }

            foreach (var id in new[] { "overturning",
                "flexure-bottom" }.Where(id => a.Checks.Any(c => c.Id == id + "-x") && a.Checks.Any(c => c.Id == id + "-y")))
            {
                b.Of(id + "-y").Outcome.Demand.Should().BeApproximately(a.Of(id + "-x").Outcome.Demand,
                    1e-6 * (1 + a.Of(id + "-x").Outcome.Demand), id);
                b.Of(id + "-x").Outcome.Demand.Should().BeApproximately(a.Of(id + "-y").Outcome.Demand,
                    1e-6 * (1 + a.Of(id + "-y").Outcome.Demand), id);
            }
        },
        iter: 150);

    [Fact]
    public void Actions_and_weights_together_twice_as_large_press_twice_as_much() => Gen.Select(Footings, Gen.Double[0.3, 3]).Sample(
        (f, factor) =>
        {
            var project = Of(f);
            var rules = project.Foundations[0].Rules;
            var scaled = rules with
            {
                Concrete = rules.Concrete with { Weight = factor * 24 },
                Ground = rules.Ground with { SoilWeight = factor * 18 }
            };
            var g = f with { Dead = factor * f.Dead, Live = factor * f.Live, Wind = factor * f.Wind };
            var other = Project(Cases, [g.Dead, g.Live, g.Wind], project.Combinations, scaled, Column(), project.Foundations[0].Held);
            var (a, _) = Checked(f, project);
            var (b, _) = Checked(g, other);
            foreach (var id in new[] { "bearing", "flexure-bottom-x", "flexure-bottom-y", "one-way-shear-x", "one-way-shear-y",
                "two-way-shear" })
            {
                b.Of(id).Outcome.Demand.Should().BeApproximately(factor * a.Of(id).Outcome.Demand,
                    1e-6 * (1 + Math.Abs(factor * a.Of(id).Outcome.Demand)), id);
            }

            foreach (var id in new[] { "sliding", "overturning-x", "overturning-y" }.Where(id => a.Checks.Any(c => c.Id == id)))
            {
                b.Of(id).Outcome.Factor.Should().BeApproximately(a.Of(id).Outcome.Factor, 1e-6 * (1 + Math.Abs(a.Of(id).Outcome.Factor)),
                    id);
            }
        },
        iter: 150);
}
