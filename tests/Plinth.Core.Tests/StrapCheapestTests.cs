using System.Collections.Immutable;
using System.Globalization;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Strap;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Sizing of straps held against every set of sizes on coarse steps, and against each single smaller step: PLINTH_BRUTE_FORCE says how many
/// of each code (default 1).
/// </summary>
public class StrapCheapestTests
{
    private static readonly int Straps = int.TryParse(Environment.GetEnvironmentVariable("PLINTH_BRUTE_FORCE"), NumberStyles.None,
        CultureInfo.InvariantCulture, out var n) ? n : 1;

    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    private static Project Of(double a, double b, double c, string code, bool coarse)
    {
        var ground = DefaultGround with { FoundingDepth = 1.5, Bearing = 240, TransientIncrease = 1.33 };
        var sizing = coarse
            ? DefaultSizing with { LeastPlan = 1.0, MostPlan = 5, PlanStep = 0.25, LeastThickness = 0.4, MostThickness = 1.2, ThicknessStep = 0.2 }
            : DefaultSizing with { MostPlan = 6, MostThickness = 1.4 };
        var set = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions { LoadsNotActing = true }, []);
        var project = StrapTests.Project(Rules with { Ground = ground, Sizing = sizing }, 5.5 + a, (0.4, 0.4, default), (0.5, 0.5, default),
            new HeldValues { EdgeX0 = new HeldEdge(true, 0) }, code);
        return project with
        {
            Cases = Cases,
            Combinations = set,
            Actions = new Dictionary<string, SupportAction[]>
            {
                ["C1"] = [new(450 + (200 * a), 5 * b, 3 * c, 5 * c, 10 * b, 0), new(220 + (120 * b), 2 * c, 0, 3 * a, 5 * c, 0), new(15 * c, 20 * a, 0, 0, 35 * b, 0)],
                ["C2"] = [new(800 + (250 * b), -4 * a, 2 * b, 4 * a, 8 * c, 0), new(380 + (200 * c), 0, 2 * a, 5 * c, -5 * a, 0), new(-15 * c, 20 * a, 0, 0, 35 * b, 0)],
            },
        };
    }

    private static double[] Steps(double from, double to, double step) =>
        [.. Enumerable.Range(0, 1000).Select(i => Math.Round(from + (i * step), 6)).TakeWhile(v => v <= to + 1e-9)];

    private static Project Holding(Project project, params (string Key, double Value)[] sizes)
    {
        var f = project.Foundations[0];
        return project with
        {
            Foundations =
            [
                f with
                {
                    Held = f.Held with { Own = sizes.ToImmutableDictionary(s => s.Key, s => (FieldValue)new FieldValue.Length(s.Value)) },
                },
            ],
        };
    }

    // Every set of sizes by itself whose concrete, forms and least steel alone cost less than what is in hand.
    private static (double Cost, StrapDesign Design)? BruteForce(Project project, double most)
    {
        var f = project.Foundations[0];
        var (s, rates) = (f.Rules.Sizing, f.Rules.Rates);
        (double Cost, StrapDesign Design)? best = null;
        var (plan, thick, depths) = (Steps(s.LeastPlan, s.MostPlan, s.PlanStep), Steps(s.LeastThickness, s.MostThickness, s.ThicknessStep),
            Steps(0.6, 2, s.ThicknessStep));
        var none = Bars("none");
        StrapBase Blank(double l, double b, double h) => new(l, b, h, none, none, none, none);
        double Least(double l, double b, double h) => rates.Steel * 7850 * 0.0018 * h * ((b * (l - 0.15)) + (l * (b - 0.15)));
        foreach (var l1 in plan)
        {
            foreach (var b1 in plan)
            {
                foreach (var side in plan)
                {
                    foreach (var (h1, h2) in thick.SelectMany(x => thick.Select(y => (x, y))))
                    {
                        foreach (var width in (double[])[0.4, 0.6, 0.8])
                        {
                            foreach (var depth in depths.Where(d => d >= Math.Max(h1, h2) - 0.1 - 1e-9))
                            {
                                var d = new StrapDesign(Blank(l1, b1, h1), Blank(side, side, h2), new BeamDesign(width, depth, 0.1, none, none, none, none),
                                    [new CarriedColumn("C1", new Upright(null, none)), new CarriedColumn("C2", new Upright(null, none))]);
                                if (StrapFaults.OfPlan(f, d) is not null
                                    || rates.Cost(Quantities.Of(project, f, d)) + Least(l1, b1, h1) + Least(side, side, h2)
                                        >= Math.Min(most, best?.Cost ?? double.PositiveInfinity))
                                {
                                    continue;
                                }

                                var own = Holding(project, ("edge.length", l1), ("edge.width", b1), ("edge.thickness", h1), ("inner.length", side),
                                    ("inner.width", side), ("inner.thickness", h2), ("beam.width", width), ("beam.depth", depth));
                                var sizer = FoundationSizer.Of(own, own.Foundations[0]);
                                if (sizer.Size().Design is StrapDesign made && sizer.Cost(made) is var cost && cost < (best?.Cost ?? double.PositiveInfinity))
                                {
                                    best = (cost, made);
                                }
                            }
                        }
                    }
                }
            }
        }

        return best;
    }

    [Theory]
    [InlineData("aci318m-19")]
    [InlineData("aci318m-14")]
    public void No_set_of_sizes_is_cheaper_by_more_than_a_percent(string code) =>
        Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[-1, 1]).Sample((a, b, c) =>
        {
            var project = Of(a, b, c, code, true);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design;
            var brute = BruteForce(project, found is null ? double.PositiveInfinity : sizer.Cost(found));
            found.Should().NotBeNull();
            var gap = brute is { } other ? (sizer.Cost(found!) / other.Cost) - 1 : 0;
            Console.WriteLine($"strap {code}: {gap * 100:0.00} % over the cheapest set of sizes");
            gap.Should().BeLessThan(0.01, $"{found} for {brute?.Design}");
        }, iter: Straps, threads: 2);

    // Less of both bases at once stands where less of either alone does not.
    [Fact]
    public void Both_bases_are_made_smaller_together()
    {
        var project = Of(0, -0.5672079245372776, 21d / 46, "aci318m-14", true);
        var held = Holding(project, ("edge.length", 2), ("edge.width", 1.75), ("edge.thickness", 0.8), ("inner.length", 2.25),
            ("inner.width", 2.25), ("inner.thickness", 0.4), ("beam.width", 0.4), ("beam.depth", 0.8));
        var (open, closed) = (FoundationSizer.Of(project, project.Foundations[0]), FoundationSizer.Of(held, held.Foundations[0]));
        open.Cost(open.Size().Design!).Should().BeLessThanOrEqualTo(closed.Cost(closed.Size().Design!) + 1e-6);
    }

    // What is told is found by greatest shears and moments, what is traced section by section.
    [Theory]
    [InlineData("aci318m-19")]
    [InlineData("aci318m-14")]
    public void No_combination_that_is_traced_is_worse_than_what_is_told(string code) =>
        Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[0.5, 1.3]).Sample((a, b, c, fewer) =>
        {
            var project = Of(a, b, c, code, false);
            var foundation = project.Foundations[0];
            var found = (StrapDesign)FoundationSizer.Of(project, foundation).Size().Design!;
            var beam = found.Beam with
            {
                Top = found.Beam.Top with { Count = Math.Max(2, (int)(found.Beam.Top.Count * fewer)) },
                Stirrups = found.Beam.Stirrups with { Spacing = found.Beam.Stirrups.Spacing / fewer },
            };
            var checker = new Checker(project, foundation);
            checker.Set(found.With(found.Edge, found.Inner, beam));
            var trial = checker.Trials[0];
            foreach (var check in checker.List.Listed.Where(x => x.For != Family.None))
            {
                foreach (var told in check.Findings(trial))
                {
                    foreach (var k in trial.CombinationsFor(check.For))
                    {
                        var traced = check.Trace(told.Subject, k, [], new NoteSlot());
                        (traced.Done ? traced.Utilisation : 0).Should().BeLessThanOrEqualTo(
                            told.Outcome.Utilisation * (1 + 1e-9), $"{check.Id} under {trial.Combinations[k].Name}");
                    }
                }
            }
        }, iter: 6, threads: 2);

    [Fact]
    public void No_single_smaller_step_passes_and_is_cheaper() =>
        Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1], Gen.Double[-1, 1]).Sample((a, b, c) =>
        {
            var project = Of(a, b, c, "aci318m-19", false);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design!;
            found.Should().NotBeNull();
            sizer.Why(found).Should().OnlyContain(s => s.Stop != null, "else that step would have been taken");
        }, iter: 4, threads: 2);
}
