using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Types among combined footings: only where columns stand alike, and never dearer than every way to part them.</summary>
public class CombinedGroupingTests
{
    private static readonly RuleSet Own = Rules with
    {
        Sizing = Rules.Sizing with { PlanStep = 0.1, ThicknessStep = 0.1, MostPlan = 5 },
        Ground = DefaultGround with { FoundingDepth = 1.6, SubgradeModulus = 40e3 }
    };

    // Pairs by their span and the force under each column.
    private static Project Building(params (double Span, double N0, double N1)[] pairs)
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L)];
        Support[] of = [.. pairs.SelectMany((p, i) => new[]
        {
            Column(0.4, 0.4) with { Label = $"A{i}", Y = 10 * i },
            Column(0.4, 0.4) with { Label = $"B{i}", X = p.Span, Y = 10 * i },
        })];
        SupportAction[] Of(double n) => [new(0.6 * n, 0, 0, 0, 0, 0), new(0.4 * n, 0, 0, 0, 0, 0)];
        return OneAction(default, Own) with
        {
            Supports = of,
            Cases = cases,
            Combinations = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, cases, new LoadOptions(), []),
            Actions = pairs.SelectMany((p, i) => new[] { ($"A{i}", Of(p.N0)), ($"B{i}", Of(p.N1)) })
                .ToDictionary(a => a.Item1, a => a.Item2),
            Foundations = [
                .. pairs.Select((_, i) => new Foundation($"CF{i + 1}", [new Place([of[2 * i], of[(2 * i) + 1]], 0, Own.Ground)], false,
                    HeldValues.Nothing, Own) { Kind = CombinedTests.Combined })],
        };
    }

    private static List<(Foundation Foundation, FoundationDesign Design)> Sized(Project project) =>
        [.. project.Foundations.Select(f => (f, FoundationSizer.Of(project, f).Size().Design!))];

    [Fact]
    public void Pairs_whose_columns_stand_alike_share_a_design_and_others_keep_theirs()
    {
        var project = Building((3, 600, 700), (3.0008, 640, 690), (3.2, 600, 700), (3, 620, 660));
        var grouping = new Grouping(project, Sized(project), _ => true);
        grouping.Kept.Select(f => f.Mark).Should().Equal("CF3");
        var two = grouping.Best(2)!;
        two.Types.Select(t => string.Join(" ", t.Foundations.Select(f => f.Mark))).Should().BeEquivalentTo("CF3", "CF1 CF2 CF4");
        foreach (var f in two.Types.Single(t => t.Foundations.Count == 3).Foundations)
        {
            var design = (CombinedDesign)f.Kind.Types!.Under(f, two.Types.Single(t => t.Foundations.Count == 3).Design);
            design.At.Select(a => a.Label).Should().Equal(f.Places[0].Supports.Select(s => s.Label));
            new Checker(project, f).Check(design).Passes.Should().BeTrue(f.Mark);
        }

        grouping.Best(1).Should().BeNull("columns 200 mm farther apart take no design of the others");
    }

    [Fact]
    public void No_way_to_part_them_is_cheaper()
    {
        var project = Building((3, 400, 500), (3, 430, 480), (3, 900, 800), (3, 850, 850));
        var adopted = Sized(project);
        var grouping = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { Within = 0 });
        for (var most = 1; most <= 3; most++)
        {
            var found = grouping.BestSized(most, CancellationToken.None)!;
            found.Types.Count.Should().BeLessThanOrEqualTo(most);
            found.Cost.Should().BeLessThanOrEqualTo(Least(project, most) + 1e-6, $"{most} types");
        }
    }

    // Every way to put the pairs into so many sets, each sized for all of its places.
    private static double Least(Project project, int most)
    {
        var (n, cost, best) = (project.Foundations.Count, new Dictionary<int, double>(), double.PositiveInfinity);
        double Of(int set)
        {
            if (!cost.TryGetValue(set, out var known))
            {
                var joint = Grouping.Joint([.. project.Foundations.Where((_, i) => (set & (1 << i)) != 0)]);
                var sizer = FoundationSizer.Of(project, joint);
                cost.Add(set, known = sizer.Size().Design is { } d ? joint.Places.Count * sizer.Cost(d) : double.PositiveInfinity);
            }

            return known;
        }

        void Part(int next, int[] sets)
        {
            if (next == n)
            {
                best = Math.Min(best, sets.Sum(Of));
                return;
            }

            for (var i = 0; i < sets.Length; i++)
            {
                Part(next + 1, [.. sets.Select((s, j) => j == i ? s | (1 << next) : s)]);
            }

            if (sets.Length < most)
            {
                Part(next + 1, [.. sets, 1 << next]);
            }
        }

        Part(0, []);
        return best;
    }
}
