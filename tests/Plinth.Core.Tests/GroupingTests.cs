using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Few types for several footings: each serves its places, none of so many costs less.</summary>
public class GroupingTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    private static Project Building(IReadOnlyList<(double N, double M)> columns)
    {
        var supports = columns.Select((c, i) => Column() with { Label = $"C{i + 1}", X = 8 * i }).ToList();
        return Project(Cases, new SupportAction[3], CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), [])) with
        {
            Supports = supports,
            Foundations = [.. supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, DefaultGround)], false, HeldValues.Nothing, Rules))],
            Actions = supports.Zip(columns).ToDictionary(p => p.First.Label, p => new SupportAction[] { new(0.6 * p.Second.N, 0, 0, 0, 0, 0), new(0.4 * p.Second.N, 0, 0, 0, 0, 0), new(0, p.Second.M / 4, 0, 0, p.Second.M, 0) }),
        };
    }

    private static List<(Foundation, FoundationDesign)> Sized(Project project) => [.. project.Foundations.Select(f => (f, new FoundationSizer(project, f).Size().Design!))];

    private static readonly Gen<List<(double, double)>> Columns = Gen.Select(Gen.Double[200, 1600], Gen.Double[0, 80]).List[2, 5];

    // All ways to part the first n footings into at most k groups.
    private static IEnumerable<List<List<int>>> Partitions(int n, int k)
    {
        if (n == 0)
        {
            yield return [];
            yield break;
        }

        foreach (var rest in Partitions(n - 1, k))
        {
            for (var g = 0; g < rest.Count; g++)
            {
                yield return [.. rest.Select((x, i) => i == g ? [.. x, n - 1] : x)];
            }

            if (rest.Count < k)
            {
                yield return [.. rest, [n - 1]];
            }
        }
    }

    [Fact]
    public void Brute_force_over_all_ways_to_part_small_sets_finds_nothing_cheaper() => Columns.Sample(
        columns =>
        {
            var project = Building(columns);
            var adopted = Sized(project);
            var grouping = new Grouping(project, adopted, _ => true);
            var cost = new Dictionary<string, double>();
            double Cost(List<int> group)
            {
                var key = string.Join(',', group.Order());
                if (!cost.TryGetValue(key, out var c))
                {
                    var joint = Grouping.Joint([.. group.Order().Select(i => project.Foundations[i])]);
                    var sizer = new FoundationSizer(project, joint);
                    c = group.Count * (sizer.Size().Design is { } d ? sizer.Cost(d) : double.PositiveInfinity);
                    cost.Add(key, c);
                }

                return c;
            }

            for (var most = 1; most <= 3; most++)
            {
                var least = Partitions(columns.Count, most).Min(p => p.Sum(Cost));
                var found = grouping.BestSized(most, CancellationToken.None);
                found!.Cost.Should().BeLessThanOrEqualTo(least * (1 + 1e-9), string.Join("; ", columns));
                found.Types.Count.Should().BeLessThanOrEqualTo(most);
            }
        },
        iter: 60);

    [Fact]
    public void Every_type_passes_at_all_its_places()
    {
        var project = Building([(300, 10), (500, 60), (700, 0), (900, 40), (1200, 20), (1500, 70)]);
        var grouping = new Grouping(project, Sized(project), _ => true);
        for (var most = 1; most <= 6; most++)
        {
            foreach (var building in new[] { grouping.Best(most)!, grouping.BestSized(most, CancellationToken.None)! })
            {
                building.Proven.Should().BeTrue();
                building.Types.SelectMany(t => t.Foundations).Select(f => f.Mark).Should().BeEquivalentTo(project.Foundations.Select(f => f.Mark));
                foreach (var t in building.Types)
                {
                    new Checker(project, Grouping.Joint(t.Foundations)).Check(t.Design).Passes.Should().BeTrue();
                }
            }
        }
    }

    [Fact]
    public void A_type_whose_pedestal_is_too_small_for_a_column_does_not_serve_it()
    {
        var rules = Rules with { Ground = DefaultGround with { FoundingDepth = 1.8 }, Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = 0 } };
        var project = Building([(900, 10), (400, 10)]);
        project = project with
        {
            Supports = [project.Supports[0], project.Supports[1] with { SizeX = 0.7, SizeY = 0.7 }],
        };
        project = project with { Foundations = [.. project.Foundations.Select((f, i) => f with { Rules = rules, Places = [new Place(project.Supports[i], 0, rules.Ground)] })] };
        var grouping = new Grouping(project, Sized(project), _ => true);
        for (var most = 1; most <= 2; most++)
        {
            foreach (var t in grouping.Best(most)!.Types)
            {
                t.Foundations.Should().OnlyContain(f => BaseGeometry.Standing(f, t.Design).Fit == PedestalFit.Fits);
            }
        }
    }

    [Fact]
    public void What_is_held_or_fails_keeps_its_design_and_counts()
    {
        var project = Building([(300, 10), (500, 20), (900, 0)]);
        var adopted = Sized(project);
        adopted[2] = (adopted[2].Item1, Design(1, 1, 0.3));
        var grouping = new Grouping(project, adopted, f => f.Mark != "F1");
        grouping.Kept.Select(f => f.Mark).Should().Equal("F1", "F3");
        grouping.Best(2).Should().BeNull("two are kept and one is left");
        grouping.Best(3)!.Types.Should().HaveCount(3);
    }
}
