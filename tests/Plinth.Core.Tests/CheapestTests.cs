using System.Globalization;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Sizing held against every plan and thickness: PLINTH_BRUTE_FORCE says how many footings of each character (default 4).
/// </summary>
public class CheapestTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    private static readonly int Footings = int.TryParse(Environment.GetEnvironmentVariable("PLINTH_BRUTE_FORCE"), NumberStyles.None,
        CultureInfo.InvariantCulture, out var n) ? n : 4;

    private static Project Of(string character, double a, double b, double c, string code)
    {
        var ground = DefaultGround with { FoundingDepth = 1.5, Bearing = 220, TransientIncrease = 1.33 };
        SupportAction[] actions = [new(600 + (450 * a), 0, 0, 10 * b, 10 * c, 0), new(300 + (250 * b), 0, 0, 5 * c, 5 * a, 0),
            new(-60 * c, 20 * a, 5 * b, 20 * c, 40 * a, 0)];
        var (sizing, held, rules) = (DefaultSizing, HeldValues.Nothing, Rules);
        switch (character)
        {
            case "uplift":
                ground = ground with { FoundingDepth = null, TopDepth = 0.5 };
                actions = [new(300 + (150 * a), 0, 0, 0, 0, 0), new(150 + (100 * b), 0, 0, 0, 0, 0),
                    new(-450 - (250 * c), 40 * a, 0, 0, 20 * b, 0)];
                break;
            case "sliding":
                ground = ground with { Friction = 0.35, FoundingDepth = null, TopDepth = 0.6 };
                actions[2] = new SupportAction(-40 * c, 130 + (60 * a), 30 * b, 0, 60 * c, 0);
                break;
            case "edges":
                held = new HeldValues { EdgeX0 = new HeldEdge(true, 0) };
                ground = ground with { Bearing = 350 };
                actions = [.. actions.Select(x => 0.35 * x)];
                break;
            case "rectangular":
                sizing = sizing with { Shape = PlanShape.Rectangular, LeastPlan = 0.6, PlanStep = 0.1 };
                actions[2] = actions[2] with { My = 150 + (100 * a) };
                break;
            case "pedestal":
                rules = rules with
                {
                    Column = new ColumnRules { Strength = 35e3 },
                    Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 0.6 }
                };
                break;
            case "dowels":
                rules = rules with { Column = new ColumnRules { Strength = 35e3, Bars = Bars("8 T20") } };
                actions[2] = actions[2] with { N = -300 - (150 * c) };
                break;
            case "spacing":
                rules = rules with { Steel = rules.Steel with { SpacingStep = 0.025 } };
                break;
            case "bands":
                rules = rules with { Steel = rules.Steel with { Banded = true } };
                sizing = sizing with { Shape = PlanShape.Rectangular, PlanStep = 0.2 };
                actions[2] = actions[2] with { My = 180 + (80 * a) };
                break;
            case "spread uplift":
                ground = ground with { FoundingDepth = null, TopDepth = 1.0, UpliftSpread = 25 };
                actions = [new(250 + (150 * a), 0, 0, 0, 0, 0), new(100 + (80 * b), 0, 0, 0, 0, 0),
                    new(-600 - (250 * c), 30 * a, 0, 0, 20 * b, 0)];
                break;
            case "water":
                ground = ground with { WaterDepth = 0.4, WaterDepthLow = 2.0 };
                break;
            case "rectangular uplift":
                sizing = sizing with { Shape = PlanShape.Rectangular, PlanStep = 0.2 };
                actions = [new(300 + (150 * a), 0, 0, 0, 0, 0), new(150 + (100 * b), 0, 0, 0, 0, 0),
                    new(-400 - (200 * c), 40 * a, 0, 0, 60 * b, 0)];
                break;
        }

        var set = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions { LoadsNotActing = true }, []);
        return Project(Cases, actions, set,
            rules with { Ground = ground, Sizing = sizing, Stability = new StabilityRules(Contact: 0.6, ContactTransient: 0.5) }, Column(),
            held, code);
    }

    // Every plan and thickness on the steps by itself, but for those whose concrete alone costs more than a design in hand.
    private static (double Cost, IsolatedDesign Design)? BruteForce(Project project, double most)
    {
        var foundation = project.Foundations[0];
        var rules = foundation.Rules.Sizing;
        (double Cost, IsolatedDesign Design)? best = null;
        double[] Steps(double from, double to, double step) =>
            [.. Enumerable.Range(0, 1000).Select(i => Math.Round(i * step, 6)).Where(v => v >= from - 1e-9 && v <= to + 1e-9)];
        foreach (var h in Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep))
        {
            foreach (var x in Steps(rules.LeastPlan, rules.MostPlan, rules.PlanStep))
            {
                foreach (var y in rules.Shape == PlanShape.Square
                    ? [x]
                    : Steps(rules.LeastPlan, rules.MostPlan, rules.PlanStep).Where(y => x <= 2 * y && y <= 2 * x))
                {
                    if (foundation.Rules.Rates.Concrete * x * y * h > Math.Min(most, best?.Cost ?? double.PositiveInfinity))
                    {
                        continue;
                    }

                    var fixedSize = foundation with { Held = foundation.Held with { Length = x, Width = y, Thickness = h } };
                    var sizer = FoundationSizer.Of(project with { Foundations = [fixedSize] }, fixedSize);
                    if (sizer.Size().Design is { } design && sizer.Cost(design) is var cost && (best is null || cost < best.Value.Cost))
                    {
                        best = (cost, (IsolatedDesign)design);
                    }
                }
            }
        }

        return best;
    }

    [Theory]
    [InlineData("gravity", "aci318m-19")]
    [InlineData("rectangular", "aci318m-19")]
    [InlineData("gravity", "en1992")]
    public void At_round_spacings_no_pair_of_layers_is_better(string character, string code) =>
        Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[-1, 1]).Sample(
        (a, b, c) =>
        {
            var project = Of(character, a, b, c, code);
            var f = project.Foundations[0];
            f = f with { Rules = f.Rules with { Steel = f.Rules.Steel with { SpacingStep = 0.025 } } };
            project = project with { Foundations = [f] };
            var found = Sized(project);

            // Every size at every spacing that is allowed, both ways.
            var layers = f.Rules.Steel.Bars.SelectMany(size => Enumerable.Range(4, 9).Select(k => new BarSpec(size, 0, k * 0.025)))
                .ToList();
            // Where the pull decides the length of bars, hooks may do with fewer of them.
            layers = code == "en1992" ? [.. layers.SelectMany(l => (BarSpec[])[l, l with { Hooked = true }])] : layers;
            var checker = new Checker(project, f);
            var passing = new List<(IsolatedDesign Design, double Mass, int Bars)>();
            foreach (var design in layers.SelectMany(x => layers.Select(y => found with { BottomX = x, BottomY = y })))
            {
                if (checker.Check(design).Passes)
                {
                    var bars = design.Bars(f.Rules.Concrete.CoverSide);
                    passing.Add((design, Schedules.Quantities.Of(project, f, design).Steel, bars.BottomX.Count + bars.BottomY.Count));
                }
            }

            var least = passing.Min(p => p.Mass);
            var best = passing.Where(p => p.Mass <= least * 1.05).OrderBy(p => p.Bars).ThenBy(p => p.Mass).First();
            var own = found.Bars(f.Rules.Concrete.CoverSide);
            (own.BottomX.Count + own.BottomY.Count).Should().Be(best.Bars,
                $"{found.BottomX}, {found.BottomY} for {best.Design.BottomX}, {best.Design.BottomY}");
            Schedules.Quantities.Of(project, f, found).Steel.Should().BeApproximately(best.Mass, 0.01);
            (found.BottomX.Spacing > 0 && found.BottomY.Spacing > 0).Should().BeTrue("bars stand at whole steps");
        },
        iter: code == "en1992" ? 4 : 12,
        threads: 2);

    [Theory]
    [InlineData("gravity", "aci318m-19")]
    [InlineData("gravity", "aci318m-14")]
    [InlineData("uplift", "aci318m-19")]
    [InlineData("sliding", "aci318m-19")]
    [InlineData("edges", "aci318m-19")]
    [InlineData("rectangular", "aci318m-19")]
    [InlineData("rectangular uplift", "aci318m-19")]
    [InlineData("pedestal", "aci318m-19")]
    [InlineData("dowels", "aci318m-14")]
    [InlineData("spacing", "aci318m-19")]
    [InlineData("bands", "aci318m-19")]
    [InlineData("spread uplift", "aci318m-19")]
    [InlineData("water", "aci318m-19")]
    [InlineData("gravity", "en1992")]
    [InlineData("uplift", "en1992")]
    [InlineData("edges", "en1992")]
    [InlineData("rectangular", "en1992")]
    [InlineData("pedestal", "en1992")]
    [InlineData("dowels", "en1992")]
    [InlineData("spacing", "en1992")]
    public void No_plan_and_thickness_is_cheaper_by_more_than_half_a_percent(string character, string code)
    {
        var (worst, sum, count) = (0.0, 0.0, 0);
        Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[-1, 1]).Sample(
            (a, b, c) =>
            {
                var project = Of(character, a, b, c, code);
                var sizer = FoundationSizer.Of(project, project.Foundations[0]);
                var found = sizer.Size().Design;
                var brute = BruteForce(project, found is null ? double.PositiveInfinity : sizer.Cost(found));
                (found is null).Should().Be(brute is null, "a design that exists is found");
                if (found is not null)
                {
                    var gap = (sizer.Cost(found) / brute!.Value.Cost) - 1;
                    lock (Cases)
                    {
                        (worst, sum, count) = (Math.Max(worst, gap), sum + gap, count + 1);
                    }

                    gap.Should().BeLessThan(0.005,
                        $"{found.Size} {found.Bars(true, true)} for {brute.Value.Design.Size} {brute.Value.Design.BottomX}");
                }
            },
            iter: Footings,
            threads: 2);
        TestContext.Current.SendDiagnosticMessage(
            $"{character} {code}: {count} footings, worst gap {worst:0.0000}, mean {sum / Math.Max(1, count):0.0000}");
        Console.WriteLine(
            $"{character} {code}: {count} footings, worst gap {worst * 100:0.00} %, mean {sum / Math.Max(1, count) * 100:0.000} %");
    }
}
