using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// A search sets one state again and again: whatever was set before, it says what a fresh one says, and allocates nothing.
/// </summary>
public class ReuseTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true),
        new("EX", LoadSymbol.E, true)];

    private static readonly Gen<double[]> Numbers = Gen.Double[-1, 1].Array[12];

    private static Project Loaded(double[] v, bool standing) => Project(
        Cases,
        [
            new(600 + (300 * v[0]), 8 * v[1], 6 * v[2], 20 * v[3], 20 * v[4], 0),
            new(250 + (200 * v[5]), 3 * v[6], 3 * v[7], 10 * v[8], 10 * v[9], 0),
            new(-120 + (150 * v[10]), 40 * v[1], 30 * v[2], 60 * v[3], 50 * v[4], 0),
            new(-200 * v[11], 50 * v[6], 40 * v[7], 70 * v[8], 60 * v[9], 0),
        ],
        CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), []),
        Rules with
        {
            Ground = DefaultGround with
            {
                FoundingDepth = 1.8,
                PassiveCoefficient = 1.2,
                WaterDepth = 1.2 + v[2],
                SubgradeModulus = 20e3,
                MostSettlement = 0.02,
                Surcharge = v[5] > 0 ? 8 : 0,
                UpliftSpread = v[7] > 0.3 ? 20 : 0
            },
            Steel = DefaultSteel with { MomentTransfer = v[9] > 0, AnchorageExcess = v[8] > 0, Banded = v[4] > 0 },
            Column = standing ? new ColumnRules { Strength = 35e3 } : ColumnRules.Nothing,
            Pedestal = standing && v[6] > 0 ? new PedestalRules { Under = PedestalUnder.All, Top = -0.1 } : PedestalRules.None,
        },
        Column(0.45, 0.4),
        new HeldValues { OffsetX = 0.2 * v[0], OffsetY = 0.15 * v[1] });

    // Any design at all: small and large, with bars and without, hooked, banded, some that stand in no state of equilibrium.
    private static readonly Gen<IsolatedDesign> Designs = Gen.Select(Gen.Int[0, 8], Gen.Int[0, 8], Gen.Int[0, 6], Gen.Int[0, 7],
        Gen.Int[0, 7], Gen.Int[0, 3]).Select((l, b, h, x, y, top) =>
    {
        string[] bars = ["9 T12", "13 T16", "17 T16", "11 T20", "13 T16 hooked", "9 + 4 T16 banded", "15 T25", "7 T16"];
        string[] tops = ["none", "9 T12", "13 T16", "11 T16 hooked"];
        return Design(1.4 + (0.2 * l), 1.4 + (0.2 * b), 0.35 + (0.1 * h), bars[x], bars[y], tops[top], tops[top]);
    });

    [Fact]
    public void What_exceeds_a_limit_is_what_the_worst_combination_says_whatever_was_set_before() =>
        Gen.Select(Numbers, Gen.Bool, Designs.Array[8]).Sample(
        (v, standing, designs) =>
        {
            var project = Loaded(v, standing);
            var reused = new Checker(project, project.Foundations[0]);
            foreach (var (d, i) in designs.Select((d, i) => (Standing(project, d), i)))
            {
                reused.Set(d);
                var fresh = new Checker(project, project.Foundations[0]);
                fresh.Set(d);
                foreach (var check in reused.List.Listed)
                {
                    // Asked in turns, so that memory of governing combinations is both fresh and old.
                    var limit = i % 3 == 0 ? 1.0 : i % 3 == 1 ? 0.6 : 1.4;
                    var (s, f) = (reused.Trials[0], fresh.Trials[0]);
                    var quick = i % 2 == 0 && check.ExceedsAtHint(s, limit);
                    var exceeds = check.Exceeds(s, limit);
                    var worst = check.Worst(f);
                    var expected = worst is { } w && (w.Outcome.FailsAnyhow || w.Outcome.Utilisation > limit + 1e-9);
                    exceeds.Should().Be(expected, $"{check.Id} of {d.Size} at {limit} after {i} designs: {worst?.Outcome.Utilisation}");
                    (quick && !exceeds).Should().BeFalse("what one combination exceeds, all exceed");
                    var again = check.Worst(s);
                    (again?.Outcome.Utilisation, again?.Outcome.Demand, again?.Outcome.FailsAnyhow).Should().Be((worst?.Outcome.Utilisation,
                        worst?.Outcome.Demand, worst?.Outcome.FailsAnyhow), check.Id);
                }
            }
        },
        iter: 120);

    private static IsolatedDesign Standing(Project project, IsolatedDesign d)
    {
        var rules = project.Foundations[0].Rules;
        return d with
        {
            Pedestal = rules.Pedestal.Under == PedestalUnder.None
                ? null
                : new Pedestal(0.6, 0.55, false, Bars("8 T20"), Bars("T10 @ 150 mm")),
            Dowels = rules.Column.Known ? Bars("8 T16") : BarSpec.None,
        };
    }

    [Fact]
    public void A_trial_allocates_nothing()
    {
        var project = Loaded([0.3, 0.2, -0.1, 0.4, -0.3, 0.2, 0.1, -0.2, 0.3, 0.1, 0.2, 0.1], true);
        var checker = new Checker(project, project.Foundations[0]);
        var designs = Enumerable.Range(0, 6)
            .Select(i => Standing(project,
                Design(2 + (0.1 * i), 2.2, 0.5 + (0.05 * i), "13 T16", "13 T16 hooked", i % 2 == 0 ? "none" : "9 T12",
                    i % 2 == 0 ? "none" : "9 T12")))
            .ToArray();
        var s = (IsolatedTrial)checker.Trials[0];
        var bars = designs.Select(d => d.Bars(project.Foundations[0].Rules.Concrete.CoverSide)).ToArray();
        checker.Set(designs[0]);
        long Round()
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            for (var i = 0; i < designs.Length; i++)
            {
                s.Set(designs[i].Size);
                s.Set(bars[i]);
                foreach (var check in checker.List.All)
                {
                    check.Exceeds(s, 1);
                    check.ExceedsAtHint(s, 1);
                }
            }

            return GC.GetAllocatedBytesForCurrentThread() - before;
        }

        // The first rounds compile and make what is kept.
        for (var i = 0; i < 3; i++)
        {
            Round();
        }

        Round().Should().Be(0);
    }

    [Fact]
    public void No_plan_that_bears_is_smaller_than_its_bound() =>
        Gen.Select(Numbers, Gen.Double[1, 4], Gen.Double[1, 4], Gen.Int[0, 8]).Sample(
        (v, length, width, h) =>
        {
            var project = Loaded(v, false);
            var foundation = project.Foundations[0];
            var checker = new Checker(project, foundation);
            var thickness = 0.35 + (0.1 * h);
            var bound = PlanBound.LeastArea([(IsolatedTrial)checker.Trials[0]], foundation, thickness, null);
            checker.Set(Design(length, width, thickness));
            var bears = !checker.List.Find("bearing")!.Exceeds(checker.Trials[0], 1)
                && !checker.List.Find("equilibrium")!.Exceeds(checker.Trials[0], 1);
            (bears && length * width < bound).Should().BeFalse($"{length} × {width} bears, the bound is {bound} m2");
        },
        iter: 2000);
}
