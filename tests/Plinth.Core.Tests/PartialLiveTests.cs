using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;

namespace Plinth.Core.Tests;

/// <summary>Live load on some of the columns of one foundation alone (ASCE 7 4.3.3).</summary>
public class PartialLiveTests
{
    public static TheoryData<string> Kinds => ["combined", "trapezoid", "strap", "strip", "rib"];

    private static List<string> Named(Project project) =>
        [.. PartialLive.Used(project, project.Foundations[0]).Select(c => c.Name).Where(n => n == "S2" || n.StartsWith("S2:", StringComparison.Ordinal))];

    [Theory]
    [InlineData("isolated", "S2")]
    [InlineData("combined", "S2", "S2:L@C1", "S2:L@C2")]
    [InlineData("strip", "S2", "S2:L@C1", "S2:L@C2+C3", "S2:L@C2", "S2:L@C1+C3", "S2:L@C3", "S2:L@C1+C2")]
    public void Each_column_alone_all_but_each_and_every_second_one_are_looked_at_once(string kind, params string[] names)
    {
        var project = SomeKinds.Of(kind, 0.4, 0.6, 0.2);
        Named(project).Should().Equal("S2");
        Named(project with { PartialLive = true }).Should().Equal(names);
        NotChecked.Of(project, project.Foundations[0]).Any(n => n.Id == "partial-live").Should().Be(kind != "isolated");
        NotChecked.Of(project with { PartialLive = true }, project.Foundations[0]).Select(n => n.Id).Should().NotContain("partial-live");
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_presses_is_what_would_if_the_analysis_had_no_such_load(string kind) =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1]).Sample(
            (a, b, c) =>
            {
                var project = SomeKinds.Of(kind, a, b, c);
                if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is not { } design)
                {
                    return;
                }

                var live = project.Cases.ToList().FindIndex(l => l.Symbol == LoadSymbol.L);
                static Trial At(Project p, FoundationDesign d)
                {
                    var checker = new Checker(p, p.Foundations[0]);
                    checker.Set(d);
                    return checker.Trials[0];
                }

                var trial = At(project with { PartialLive = true }, design);
                for (var k = 0; k < trial.Combinations.Length; k++)
                {
                    var name = trial.Combinations[k].Name;
                    if (name.IndexOf(":L@", StringComparison.Ordinal) is not (> 0 and var cut))
                    {
                        continue;
                    }

                    var on = name[(cut + 3)..].Split('+');
                    var without = At(project with
                    {
                        Actions = project.Actions.ToDictionary(x => x.Key, x => on.Contains(x.Key) ? x.Value
                            : [.. x.Value.Select((s, i) => i == live ? default : s)]),
                    }, design);
                    var same = Enumerable.Range(0, without.Combinations.Length).First(i => without.Combinations[i].Name == name[..cut]);
                    var (one, other) = (trial.Body.Loads(k), without.Body.Loads(same));
                    one.N.Should().BeApproximately(other.N, 1e-9 * other.N, name);
                    one.XR.Should().BeApproximately(other.XR, 1e-9, name);
                    one.YR.Should().BeApproximately(other.YR, 1e-9, name);
                    trial.Body.MostPressure(k).Should().BeApproximately(without.Body.MostPressure(same), 1e-6 * Math.Max(1, other.N), name);
                }
            },
            iter: 3);

    [Fact]
    public void At_places_made_alike_each_column_is_asked_for_by_its_own_name()
    {
        var project = SomeKinds.Of("combined", 0.4, 0.6, 0.2) with { PartialLive = true };
        var (f, first) = (project.Foundations[0], project.Foundations[0].Places[0]);
        List<Support> others = [.. first.Supports.Select(s => s with { Label = "B" + s.Label[1..], Y = s.Y + 20 })];
        project = project with
        {
            Supports = [.. project.Supports, .. others],
            Actions = project.Actions.Concat(project.Actions.Select(a => KeyValuePair.Create("B" + a.Key[1..], a.Value)))
                .ToDictionary(a => a.Key, a => a.Value),
            Foundations = [f with { Places = [first, new Place(others, 0, f.Rules.Ground)] }],
        };
        var checker = new Checker(project, project.Foundations[0]);
        var design = FoundationSizer.Of(project, project.Foundations[0]).Size().Design!;
        foreach (var name in new[] { "S2:L@C1", "S2:L@C2", "S2:L@B1", "S2:L@B2" })
        {
            var (subject, k) = checker.Find(design, "bearing", null, name)!.Value;
            subject.Trial.Combinations[k].Name.Should().Be(name);
        }
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void It_relieves_no_check_and_what_is_sized_for_it_passes(string kind)
    {
        var project = SomeKinds.Of(kind, 0.5, 0.9, 0.3);
        var (whole, partial) = (project, project with { PartialLive = true });
        var design = FoundationSizer.Of(whole, whole.Foundations[0]).Size().Design!;
        static Dictionary<string, double> Told(FoundationResult r) =>
            r.Checks.GroupBy(k => k.Id).ToDictionary(g => g.Key, g => g.Max(k => k.Utilisation));
        var (all, some) = (Told(Given.Check(whole, design)), Told(Given.Check(partial, design)));
        foreach (var (what, was) in all)
        {
            some[what].Should().BeGreaterThanOrEqualTo(was * (1 - 1e-9), what);
        }

        some.Should().Contain(s => s.Value > all[s.Key] + 1e-3, "live load on one of them leans on the base");
        var found = FoundationSizer.Of(partial, partial.Foundations[0]).Size().Design!;
        Given.Check(partial, found).Passes.Should().BeTrue();
    }
}
