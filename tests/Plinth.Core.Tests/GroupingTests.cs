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
        return Project(Cases, new SupportAction[3],
            CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), [])) with
        {
            Supports = supports,
            Foundations = [
                .. supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, DefaultGround)], false, HeldValues.Nothing,
                    Rules))],
            Actions = supports.Zip(columns)
                .ToDictionary(p => p.First.Label,
                    p => new SupportAction[] { new(0.6 * p.Second.N, 0, 0, 0, 0, 0), new(0.4 * p.Second.N, 0, 0, 0, 0, 0),
                        new(0, p.Second.M / 4, 0, 0, p.Second.M, 0) }),
        };
    }

    private static List<(Foundation, FoundationDesign)> Sized(Project project) =>
        [.. project.Foundations.Select(f => (f,
            FoundationSizer.Of(project, f).Size() is { Design: { } d }
                ? d
                : throw new InvalidOperationException(f.Mark + " is not sized: " + FoundationSizer.Of(project, f).Size().Stop)))];

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
            // The least itself, however long it takes: as usual one within a percent is enough, and time is short.
            var grouping = new Grouping(project, adopted, _ => true, new GroupingOptions(0, TimeSpan.FromMinutes(10), false));
            var cost = new Dictionary<string, double>();
            double Cost(List<int> group)
            {
                var key = string.Join(',', group.Order());
                if (!cost.TryGetValue(key, out var c))
                {
                    var joint = Grouping.Joint([.. group.Order().Select(i => project.Foundations[i])]);
                    var sizer = FoundationSizer.Of(project, joint);
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
                building.Types.SelectMany(t => t.Foundations)
                    .Select(f => f.Mark)
                    .Should().BeEquivalentTo(project.Foundations.Select(f => f.Mark));
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
        var rules = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 1.8 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = 0 }
        };
        var project = Building([(900, 10), (400, 10)]);
        project = project with
        {
            Supports = [project.Supports[0], project.Supports[1] with { SizeX = 0.7, SizeY = 0.7 }],
        };
        project =
            project with
            {
                Foundations = [
                .. project.Foundations.Select((f, i) => f with { Rules = rules,
                    Places = [new Place(project.Supports[i], 0, rules.Ground)] })]
            };
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

    // Four columns in the corners of a site that leaves little beyond them, pushed inwards as mirror images of each other.
    private static Project Corners(double jitter = 0)
    {
        (double X, double Y)[] at = [(0, 0), (12, 0), (12, 9), (0, 9)];
        var supports = at.Select((p, i) => Column(0.4, 0.5) with { Label = $"C{i + 1}", X = p.X, Y = p.Y }).ToList();
        var project = Building([.. at.Select((_, i) => (500 + (jitter * i), 0.0))]);
        return project with
        {
            Supports = supports,
            Foundations = [
                .. supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, DefaultGround)], false, HeldValues.Nothing,
                    Rules))],
            Actions = supports.ToDictionary(s => s.Label,
                s => new SupportAction[] { new(300, 0, 0, s.Y > 4 ? 110 : -110, s.X > 6 ? -110 : 110, 0),
                    new(200 + (jitter * s.X), 0, 0, 0, 0, 0), new(0, 4, 0, 0, 8, 0) }),
            Site = new Site([new(-0.7, -0.72), new(12.7, -0.72), new(12.7, 9.72), new(-0.7, 9.72)], []),
        };
    }

    [Fact]
    public void Corner_bases_are_one_type_turned_and_mirrored()
    {
        var project = Corners();
        var adopted = Sized(project);
        adopted.Should().OnlyContain(a => a.Item2.Size.ShiftX != 0 && a.Item2.Size.ShiftY != 0, "the site pushes each base inwards");
        adopted.Select(a => (a.Item2.Size.ShiftX > 0, a.Item2.Size.ShiftY > 0)).Should().OnlyHaveUniqueItems();
        var one = new Grouping(project, adopted, _ => true).BestSized(1, CancellationToken.None)!;
        var type = one.Types.Should().ContainSingle().Subject;
        type.Number.Should().Be(4);
        type.Foundations.Select(f => f.Places[0].Lie).Should().OnlyHaveUniqueItems();
        new Checker(project, Grouping.Joint(type.Foundations)).Check(type.Design).Passes.Should().BeTrue();
        one.Cost.Should().BeApproximately(adopted.Sum(a => FoundationSizer.Of(project, a.Item1).Cost(a.Item2)), 1e-6,
            "mirror images cost what they cost each");
    }

    [Fact]
    public void A_larger_corner_base_serves_the_smaller_lying_its_way()
    {
        var project = Corners(1.5);
        var one = new Grouping(project, Sized(project), _ => true).Best(1)!;
        foreach (var f in one.Types.Single().Foundations)
        {
            var place = f.Places[0];
            var centre = BaseGeometry.Centre(f, place, one.Types[0].Design);
            project.Site.Beyond(BaseGeometry.Corners(place, centre, one.Types[0].Design.Size)).Beyond.Should().BeLessThanOrEqualTo(1e-9);
            Math.Sign(centre.X - place.Support.X).Should().Be(place.Support.X > 6 ? -1 : 1, "towards the middle of the site");
        }
    }

    [Fact]
    public void Lies_follow_one_another_as_points_do() =>
        Gen.Select(Gen.Int[0, 7], Gen.Int[0, 7], Gen.Double[-2, 2], Gen.Double[-2, 2]).Sample(
        (inner, outer, x, y) =>
        {
            static (double X, double Y) Turned(Lie lie, double x, double y)
            {
                var p = lie.Of(new(x, y));
                (x, y) = (p.X, p.Y);
                for (var i = 0; i < lie.QuarterTurns; i++)
                {
                    (x, y) = (-y, x);
                }

                return (x, y);
            }

            var (a, b) = (Lie.All[inner], Lie.All[outer]);
            var first = Turned(a, x, y);
            Turned(a.Within(b), x, y).Should().Be(Turned(b, first.X, first.Y));
        },
        iter: 500);

    [Fact]
    public void However_a_base_lies_with_its_actions_it_is_used_alike() =>
        Gen.Select(Gen.Int[0, 7], Gen.Double[-60, 60], Gen.Double[-60, 60], Gen.Double[-30, 30], Gen.Double[-0.5, 0.5],
            Gen.Double[-0.4, 0.4]).Sample(
        (way, mx, my, f, sx, sy) =>
        {
            var lie = Lie.All[way];
            var action = new SupportAction(600, f, -f / 2, mx, my, 0);
            var design = Design(2.6, 2.2, 0.5, "13 T16", "14 T16", "10 T16",
                "10 T16") with
            { Size = new BaseSize(2.6, 2.2, 0.5) { ShiftX = sx, ShiftY = sy } };
            var plain = Check(OneAction(action, column: Column(0.4, 0.5)), design);

            // The same actions as seen from a base that lies otherwise: x reversed, then turned, the column with it.
            var seen = lie.Mirrored ? new SupportAction(action.N, -action.Fx, action.Fy, action.Mx, -action.My, 0) : action;
            var column = Column(0.4, 0.5, angle: 90 * lie.QuarterTurns);
            var turned = OneAction(seen.InAxesTurnedBy(-90 * lie.QuarterTurns), column: column);
            var place = turned.Foundations[0].Places[0].Lying(lie);
            var lain = turned with { Foundations = [turned.Foundations[0] with { Places = [place] }] };
            var result = Check(lain, design);
            foreach (var c in plain.Checks)
            {
                result.Of(c.Id).Utilisation.Should().BeApproximately(c.Utilisation, 1e-6 * Math.Max(1, c.Utilisation), $"{c.Id} {lie}");
            }
        },
        iter: 120);
}
