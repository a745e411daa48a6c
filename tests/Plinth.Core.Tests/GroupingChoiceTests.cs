using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>What may take a type's design, what it is checked for then, and how near the least a choice is said to be.</summary>
public class GroupingChoiceTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    private static Project Building(IReadOnlyList<(double N, double M)> columns, RuleSet? rules = null)
    {
        var supports = columns.Select((c, i) => Column() with { Label = $"C{i + 1}", X = 8 * i }).ToList();
        return Project(Cases, new SupportAction[3],
            CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), [])) with
        {
            Supports = supports,
            Foundations = [
                .. supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, DefaultGround)], false, HeldValues.Nothing,
                    rules ?? Rules))],
            Actions = supports.Zip(columns)
                .ToDictionary(p => p.First.Label,
                    p => new SupportAction[] { new(0.6 * p.Second.N, 0, 0, 0, 0, 0), new(0.4 * p.Second.N, 0, 0, 0, 0, 0),
                        new(0, p.Second.M / 4, 0, 0, p.Second.M, 0) }),
        };
    }

    private static List<(Foundation Foundation, FoundationDesign Design)> Sized(Project project) =>
        [.. project.Foundations.Select(f => (f, FoundationSizer.Of(project, f).Size().Design!))];

    // A foundation that is not checked for wind.
    private static Foundation Sheltered(Project project, Foundation f) =>
        f with
        {
            Chosen = new ChosenCombinations(project.Combinations.Where(c => !c.Name.Contains('W', StringComparison.Ordinal)),
            project.Combinations.Used.Length, [], ["*W*"])
        };

    private static Project With(Project project, Foundation changed) =>
        project with { Foundations = [.. project.Foundations.Select(f => f.Mark == changed.Mark ? changed : f)] };

    [Fact]
    public void A_foundation_with_combinations_of_its_own_takes_a_types_design()
    {
        var project = Building([(600, 20), (600, 20), (620, 22), (610, 18)]);
        project = With(project, Sheltered(project, project.Foundations[2]));
        var grouping = new Grouping(project, Sized(project), _ => true);
        grouping.Kept.Should().BeEmpty("leave-out alone forces no type of its own");
        var one = grouping.Best(1)!;
        one.Types.Should().ContainSingle().Which.Foundations.Select(f => f.Mark).Should().Equal("F1", "F2", "F3", "F4");
        foreach (var f in one.Types[0].Foundations)
        {
            new Checker(project, f).Check(one.Types[0].Design).Passes.Should().BeTrue(f.Mark);
        }
    }

    [Fact]
    public void A_type_is_sized_for_what_each_of_its_places_is_checked_for()
    {
        // The first of them leaves the wind out; the others must stand in it all the same.
        var project = Building([(500, 260), (480, 260), (470, 250)]);
        project = With(project, Sheltered(project, project.Foundations[0]));
        var grouping = new Grouping(project, Sized(project), _ => true);
        var sized = grouping.BestSized(1, CancellationToken.None)!;
        var type = sized.Types.Should().ContainSingle().Subject;
        foreach (var f in type.Foundations)
        {
            var result = new Checker(project, f).Check(type.Design);
            result.Passes.Should().BeTrue($"{f.Mark}: {result.Governing.Id} {result.Governing.Utilisation}");
        }

        project.Foundations[0].Chosen.Should().NotBeNull();
    }

    [Fact]
    public void One_that_keeps_its_mark_lies_as_it_is_drawn()
    {
        // Its own table in the project's file cannot say that it lies turned.
        var project = Building([(400, 5), (420, 6)]) with
        {
            Site = new Site([new(-0.7, -9), new(8.7, -9), new(8.7, 9), new(-0.7, 9)], []),
        };
        var adopted = Sized(project);
        adopted.Should().OnlyContain(a => a.Design.Size.ShiftX != 0, "the site moves both");
        var turned = new Grouping(project, adopted, _ => true).Best(1)!;
        turned.Types.Should().ContainSingle("mirror images are one type");
        var apart = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { KeepsMark = f => f.Mark == "F2" });
        Lie LieOf(int types, string mark) =>
            apart.Best(types)!.Types.SelectMany(t => t.Foundations).Single(f => f.Mark == mark).Places[0].Lie;
        LieOf(1, "F2").Should().Be(Lie.AsDrawn);
        LieOf(1, "F1").Should().NotBe(Lie.AsDrawn, "the other one turns instead");
        LieOf(2, "F2").Should().Be(Lie.AsDrawn);
        var both = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { KeepsMark = _ => true });
        both.Best(1).Should().BeNull("only turned would one serve the other");
        both.Best(2)!.Types.SelectMany(t => t.Foundations).Should().OnlyContain(f => f.Places[0].Lie == Lie.AsDrawn);
    }

    [Fact]
    public void Rules_of_its_own_are_a_type_of_its_own()
    {
        // The first of all is the odd one: the rules that most have are those of the types.
        var project = Building([(600, 20), (620, 20), (640, 20), (660, 20)]);
        var own = project.Foundations[0] with { Rules = Rules with { Concrete = DefaultConcrete with { Strength = 40e3 } } };
        project = With(project, own);
        new Grouping(project, Sized(project), _ => true).Kept.Select(f => f.Mark).Should().Equal("F1");
        var held = project.Foundations[1] with { Held = new HeldValues { Thickness = 0.8 } };
        project = With(project, held);
        new Grouping(project, Sized(project), _ => true).Kept.Select(f => f.Mark)
            .Should().BeEquivalentTo(["F1", "F2"], "a held thickness and concrete of its own");
    }

    [Fact]
    public void A_footing_is_moved_off_its_column_only_where_that_is_asked_for()
    {
        // Two at the edge of the site are pushed inwards; the third stands in the middle and stays there.
        var project = Building([(400, 5), (420, 6), (200, 2)]) with
        {
            Site = new Site([new(-0.7, -9), new(30, -9), new(30, 9), new(-0.7, 9)], []),
        };
        var adopted = Sized(project);
        adopted[0].Design.Size.ShiftX.Should().NotBe(0);
        List<string> Off(bool shift, int types) =>
            [.. new Grouping(project, adopted, _ => true, GroupingOptions.Default with { Shift = shift }).Best(types)?.Types
            .Where(t => t.Design.Size.ShiftX != 0 || t.Design.Size.ShiftY != 0).SelectMany(t => t.Foundations).Select(f => f.Mark) ?? []];
        Off(false, 1).Should().BeEmpty("no one design serves them all where they stand");
        Off(false, 2).Should().Equal("F1");
        Off(false, 3).Should().Equal("F1");
        Off(true, 1).Should().BeEquivalentTo("F1", "F2", "F3");
    }

    [Fact]
    public void What_a_choice_may_cost_above_the_least_is_kept_whatever_is_asked()
    {
        Gen.Select(Gen.Double[200, 1800], Gen.Double[0, 60]).List[6, 9].Sample(
            columns =>
            {
                var project = Building([.. columns]);
                var adopted = Sized(project);
                var exact = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { Within = 0 });
                var loose = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { Within = 0.05 });
                for (var n = 1; n <= 4; n++)
                {
                    var (least, near) = (exact.Best(n)!, loose.Best(n)!);
                    least.Proven.Should().BeTrue();
                    near.Gap.Should().BeLessThanOrEqualTo(0.05 + 1e-9);
                    near.Cost.Should().BeInRange(least.Cost - 1e-6, (least.Cost * (1 + near.Gap)) + 1e-6, $"{n} types");
                    (exact.Asked, exact.Known).Should().Be((loose.Asked, loose.Known));
                }
            },
            iter: 6,
            threads: 2);
    }

    [Fact]
    public void More_types_cost_no_more_and_as_many_as_designs_cost_what_is_adopted()
    {
        var project = Building([(300, 5), (500, 20), (800, 10), (1200, 40), (1500, 0)]);
        var adopted = Sized(project);
        var grouping = new Grouping(project, adopted, _ => true);
        var costs = Enumerable.Range(1, 5).Select(n => grouping.Best(n)!.Cost).ToList();
        costs.Should().BeInDescendingOrder();
        var all = adopted.Sum(a => FoundationSizer.Of(project, a.Foundation).Cost(a.Design));
        grouping.Best(5)!.Cost.Should().BeLessThanOrEqualTo(all + 1e-6);
        grouping.Now.Should().Be(adopted.Select(a => a.Design).Distinct().Count());
    }

    [Fact]
    public void Time_grows_with_the_footings_up_to_forty_seconds()
    {
        GroupingOptions.TimeFor(17).Should().Be(TimeSpan.FromSeconds(8));
        GroupingOptions.TimeFor(1000).Should().Be(TimeSpan.FromSeconds(8));
        GroupingOptions.TimeFor(5000).Should().Be(TimeSpan.FromSeconds(20));
        GroupingOptions.TimeFor(100_000).Should().Be(TimeSpan.FromSeconds(40));
    }

    [Fact]
    public void However_little_time_there_is_every_footing_has_its_type()
    {
        var project = Building([.. Enumerable.Range(0, 30).Select(i => (300.0 + (40 * i), 2.0 * i))]);
        var adopted = Sized(project);
        var hasty = new Grouping(project, adopted, _ => true, GroupingOptions.Default with { Time = TimeSpan.FromMilliseconds(1) });
        var found = hasty.Best(hasty.Now)!;
        found.Types.SelectMany(t => t.Foundations).Select(f => f.Mark).Should().BeEquivalentTo(project.Foundations.Select(f => f.Mark));
        foreach (var t in found.Types)
        {
            foreach (var f in t.Foundations)
            {
                new Checker(project, f).Check(t.Design).Passes.Should().BeTrue();
            }
        }
    }
}
