using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;

namespace Plinth.Core.Tests;

/// <summary>
/// A surcharge need not be there (ASCE 7-22 2.3.1 and 2.4.1: loads that do not act): stating one relieves nothing, of any kind.
/// </summary>
public class SurchargeTests
{
    public static TheoryData<string> Kinds => [.. SomeKinds.All];

    private static Project With(Project project, double surcharge)
    {
        var f = project.Foundations[0];
        var rules = f.Rules with { Ground = f.Rules.Ground with { Surcharge = surcharge } };
        List<LoadCase> cases = [.. project.Cases, new LoadCase(LoadCase.SurchargeName, LoadSymbol.L)];
        return project with
        {
            Cases = cases,
            Actions = project.Actions.ToDictionary(a => a.Key, a => (SupportAction[])[.. a.Value, default]),
            Combinations = CombinationBuilder.Build(LoadStandards.Find("asce7-16")!, cases, new LoadOptions { LoadsNotActing = true }, []),
            Foundations = [f with { Rules = rules, Places = [.. f.Places.Select(p => p with { Ground = rules.Ground })] }],
        };
    }

    // The same reactions, leaning so much more that bases lift off in part.
    private static Project Leaning(Project project, double more) => project with
    {
        Actions = project.Actions.ToDictionary(a => a.Key, a => a.Value.Select(s =>
            s with { Fx = more * s.Fx, Fy = more * s.Fy, Mx = more * s.Mx, My = more * s.My }).ToArray()),
    };

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_surcharge_relieves_no_check(string kind) =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1], Gen.Double[1, 7]).Sample(
            (a, b, c, more) =>
            {
                var project = SomeKinds.Of(kind, a, b, c);
                if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is not { } design)
                {
                    return;
                }

                var leaning = Leaning(project, more);
                static Dictionary<string, double> Told(FoundationResult r) =>
                    r.Checks.GroupBy(k => k.Id).ToDictionary(g => g.Key, g => g.Max(k => k.Utilisation));
                var (bare, loaded) = (Told(Given.Check(With(leaning, 0), design)), Told(Given.Check(With(leaning, 25), design)));
                foreach (var (what, was) in bare)
                {
                    loaded[what].Should().BeGreaterThanOrEqualTo(was * (1 - 1e-9), $"{what} of {kind} {design}, leaning {more:0.00}");
                }
            },
            iter: 12);

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Live_load_of_the_floors_relieves_no_check(string kind) =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1], Gen.Double[1, 7], Gen.Double[-1, 1], Gen.Bool).Sample(
            (a, b, c, more, live, surcharge) =>
            {
                var project = SomeKinds.Of(kind, a, b, c);
                if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is not { } design)
                {
                    return;
                }

                // What the floors bring may lean against what else leans.
                Project Floors(double factor)
                {
                    var leaning = With(Leaning(project, more), surcharge ? 25 : 0);
                    var at = leaning.Cases.ToList().FindIndex(l => l.Name == "LIVE");
                    return leaning with
                    {
                        Actions = leaning.Actions.ToDictionary(x => x.Key, x => x.Value.Select((s, i) => i != at ? s
                            : s with { N = Math.Abs(factor) * s.N, Fx = factor * s.Fx, Fy = factor * s.Fy, Mx = factor * s.Mx, My = factor * s.My })
                            .ToArray()),
                    };
                }

                static Dictionary<string, double> Told(FoundationResult r) =>
                    r.Checks.GroupBy(k => k.Id).ToDictionary(g => g.Key, g => g.Max(k => k.Utilisation));
                var (without, with) = (Told(Given.Check(Floors(0), design)), Told(Given.Check(Floors(live), design)));
                foreach (var (what, was) in without)
                {
                    with[what].Should().BeGreaterThanOrEqualTo(was * (1 - 1e-9), $"{what} of {kind} {design}, leaning {more:0.00}, {live:0.00}");
                }
            },
            iter: 10);

    [Fact]
    public void Where_a_base_lifts_off_it_is_the_absent_surcharge_that_bends_it_most()
    {
        // 210 kN with 110 kNm on 2.2 × 2.0 m: U2 = 1.2·150 + 1.6·60 = 276 kN, 1.6·110 = 176 kNm; base and soil 24·0.45 + 18·1.05 less the
        // column's prism, all × 1.2. A wedge of pressure 2N/(3B(L/2 − M/N)) under part of the length without it, all of the length pressed with it; the moment at the column's face.
        var cases = new List<LoadCase> { new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L) };
        var ground = Given.DefaultGround with { FoundingDepth = 1.5, SoilWeight = 18, Surcharge = 0 };
        var rules = Given.Rules with { Ground = ground };
        var project = With(Given.Project(cases, [new(150, 0, 0, 0, 0, 0), new(60, 0, 0, 0, 110, 0)],
            CombinationBuilder.Build(LoadStandards.Find("asce7-16")!, cases, new LoadOptions(), []), rules, Given.Column(0.4, 0.4)), 20);
        var found = Given.Check(project, Given.Design(2.2, 2.0, 0.45, "10 T16", "10 T16")).Checks.Single(c => c.Id == "flexure-bottom-x");
        var (weights, soil) = (1.2 * rules.Concrete.Weight * 2.2 * 2 * 0.45, 1.2 * 18 * 1.05);
        double Face(double q)
        {
            var n = 276 + weights + (soil * ((2.2 * 2) - 0.16)) + (1.6 * q * 2.2 * 2);
            var reach = 3 * (1.1 - (176 / n));
            var (even, tilt) = (n / (2.2 * 2), 176 / (2 * 2.2 * 2.2 / 6));
            var (edge, inner) = reach > 2.2 ? (even + tilt, even + (tilt * 0.2 / 1.1)) : (n / reach, n / reach * (1 - (0.9 / reach)));
            var up = ((edge * 0.9 * 0.9 / 3) + (inner * 0.9 * 0.9 / 6)) * 2;
            var down = ((1.2 * rules.Concrete.Weight * 0.45) + soil + (1.6 * q)) * 2 * 0.9 * 0.9 / 2;
            return up - down;
        }

        Face(0).Should().BeGreaterThan(Face(20));
        found.Outcome.Demand.Should().BeApproximately(Face(0), 1e-6 * Face(0));
        (found.Combination, found.Surcharge).Should().Be(("U2", "no surcharge"));
    }
}
