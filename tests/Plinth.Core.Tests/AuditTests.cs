using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Comparing;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Findings on a building of nine columns that is right, made wrong in one way at a time; and comparison of two states.</summary>
public class AuditTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("SNOW", LoadSymbol.S),
        new("WX", LoadSymbol.W, true), new("EX", LoadSymbol.E, true)];

    // A grid of 6 m; dead 300, live 120, snow 30 at the middle, halves and quarters at edges and corners.
    private static Project Building(Func<string, string, SupportAction, SupportAction>? change = null, LoadCase[]? cases = null)
    {
        cases ??= Cases;
        var supports = Enumerable.Range(0, 9)
            .Select(i => new Support($"C{i + 1}", i % 3 * 6.0, i / 3 * 6.0, 0, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", ""))
            .ToList();
        var actions = supports.ToDictionary(s => s.Label, s =>
        {
            var share = (s.X == 6 ? 1 : 0.5) * (s.Y == 6 ? 1 : 0.5);
            SupportAction[] own = [new(300 * share, 0, 0, 0, 2, 0.1), new(120 * share, 0, 0, 1, 1, 0), new(30 * share, 0, 0, 0.5, 0, 0),
                new(s.X - 6, 5, 0, 0, 12, 0), new(2 * (s.X - 6), 8, 0.1, 0, 20, 0)];
            return own.Select((a, k) => change is null ? a : change(s.Label, cases[k].Name, a)).ToArray();
        });
        var combinations = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, cases, new LoadOptions(), []);
        var foundations =
            supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, Rules.Ground)], false, HeldValues.Nothing, Rules))
                .ToList();
        return OneAction(default) with
        {
            Standard = LoadStandards.Find("asce7-22")!,
            Cases = cases,
            Supports = supports,
            Actions = actions,
            Combinations = combinations,
            Foundations = foundations
        };
    }

    private static IReadOnlyList<Finding> Findings(Project p, params (string Case, StatedTotal Total)[] stated) =>
        Auditor.Run(p, stated.ToDictionary(s => s.Case, s => s.Total)).Findings;

    [Fact]
    public void A_building_that_is_right_raises_no_doubt()
    {
        var result = Auditor.Run(Building(),
            new Dictionary<string, StatedTotal> { ["DEAD"] = new(1200, null, null), ["WX"] = new(null, 45, 0) });
        result.Findings.Where(f => f.Grade > Grade.Note).Should().BeEmpty();
        var dead = result.Cases[0];
        dead.Totals.N.Should().BeApproximately(1200, 1e-9);
        dead.Totals.Resultant!.Value.X.Should().BeApproximately(6 + (9 * 2 / 1200.0), 1e-9);
        dead.Shares.Sum().Should().BeApproximately(1, 1e-12);
        result.Cases[3].Shares.Should().OnlyContain(s => Math.Abs(s - (1 / 9.0)) < 1e-12, "of the horizontal force");
    }

    private static SupportAction Swap(SupportAction a) => new(a.Fy, a.Fx, a.N, a.Mx, a.Mz, a.My);

    public static TheoryData<string, Func<string, string, SupportAction, SupportAction>, string, string?, string?> Wrongs => new()
    {
        { "the sense", (_, _, a) => -1 * a, "gravity-lifts", null, null },
        { "y and z", (_, _, a) => Swap(a), "gravity-sideways", null, null },
        { "a unit of force", (_, _, a) => 0.2248 * a with { N = a.N / 50 }, "plan-pressure", null, null },
        { "the sign of a case", (_, c, a) => c == "LIVE" ? -1 * a : a, "case-lifts", null, "LIVE" },
        { "the sign at a support", (s, _, a) => s == "C5" ? -1 * a : a, "sign-unlike", "C5", null },
        { "a decimal point", (s, c, a) => s == "C2" && c == "DEAD" ? a with { My = 2000 } : a, "unit-outlier", "C2", "DEAD" },
        { "a unit at a support", (s, _, a) => s == "C2" ? 1000 * a : a, "unit-outlier", "C2", null },
        { "a unit of moment", (_, _, a) => a with { My = 1000 * a.My }, "moment-unit", null, null },
        { "a case twice",
            (s, c, a) => c == "LIVE"
                ? (s == "C5" ? new(300, 0, 0, 0, 2, 0.1)
                    : s is "C1" or "C3" or "C7" or "C9" ? new(75, 0, 0, 0, 2, 0.1)
                    : new(150, 0, 0, 0, 2, 0.1))
                : a, "cases-alike", null, "LIVE" },
        { "a case of nothing", (_, c, a) => c == "SNOW" ? default : a, "case-zero", null, "SNOW" },
        { "the wrong column", (_, _, a) => a with { Fy = 7 }, "column-constant", null, null },
        { "a forgotten hinge", (s, c, a) => a with { Mx = s is "C5" ? 30 : 0 }, "moment-at-pin", "C5", null },
        { "coordinates", (_, c, a) => c == "SNOW" ? a with { Mx = 900 } : a, "resultant-outside", null, "SNOW" },
    };

    [Theory]
    [MemberData(nameof(Wrongs))]
    public void What_is_made_wrong_is_found(string what, Func<string, string, SupportAction, SupportAction> change, string code,
        string? support, string? @case)
    {
        var findings = Findings(Building(change));
        findings.Should().Contain(f => f.Code == code && f.Grade > Grade.Note && (support == null || f.Support == support)
            && (@case == null || f.Case == @case), what + ": " + string.Join("; ", findings.Select(f => f.Code + " " + f.Message)));
        Findings(Building()).Should().NotContain(f => f.Code == code && f.Grade > Grade.Note);
    }

    [Theory]
    [InlineData(1200 / 4.4482, "4.448 times as much, so kN were read as kip")]
    [InlineData(1200 * 4.4482, "0.225 times as much, so kip were read as kN")]
    [InlineData(-1200, "the sign is turned round")]
    [InlineData(600, "2 times as much, so it is there twice")]
    [InlineData(1100, "1.091 times as much")]
    public void Totals_are_held_against_those_of_the_analysis(double stated, string says)
    {
        var f = Findings(Building(), ("DEAD", new StatedTotal(stated, null, null))).Single(f => f.Code == "total-differs");
        f.Grade.Should().Be(Grade.Error);
        f.Message.Should().Contain(says);
    }

    [Fact]
    public void A_wind_that_never_turns_round_and_loads_the_standard_asks_for()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("SNOW", LoadSymbol.L, Alternatives: "x"),
            new("WX", LoadSymbol.W), new("EX", LoadSymbol.W, true)];
        var findings = Findings(Building(cases: cases));
        findings.Where(f => f.Code == "no-mirror").Select(f => f.Case).Should().Equal("WX");
        findings.Where(f => f.Code == "symbol-missing")
            .Select(f => f.Message)
            .Should().HaveCount(2).And.Contain(m => m.Contains("earthquake")).And.Contain(m => m.Contains("roof"));
    }

    [Theory]
    [InlineData("ENV MAX", true)]
    [InlineData("wind-min", true)]
    [InlineData("Comb 1/Max", true)]
    [InlineData("MAXWELL", false)]
    [InlineData("ENVIRONMENT", false)]
    [InlineData("ADMIN", false)]
    public void A_case_of_extremes_is_known_by_its_name(string name, bool extremes)
    {
        LoadCase[] cases = [.. Cases.Take(4), new(name, LoadSymbol.E, true)];
        Findings(Building(cases: cases)).Any(f => f.Code == "extremes" && f.Case == name).Should().Be(extremes);
    }

    [Fact]
    public void Equal_loads_on_a_roof_and_even_loads_are_only_noted()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("SDL", LoadSymbol.D), new("ROOF", LoadSymbol.Lr), new("SNOW", LoadSymbol.S),
            new("WX", LoadSymbol.W, true)];
        var p = Building((_, _, a) => a, cases);
        var actions = p.Actions.ToDictionary(a => a.Key,
            a => new[] { a.Value[0], 0.3 * a.Value[0], 0.1 * a.Value[0], 0.1 * a.Value[0], a.Value[3] });
        var findings = Findings(p with { Actions = actions });
        findings.Single(f => f.Code == "cases-alike").Should().Match<Finding>(f => f.Grade == Grade.Note && f.Case == "SNOW");
        findings.Single(f => f.Code == "cases-proportional")
            .Should().Match<Finding>(f => f.Grade == Grade.Note && f.Case == "SDL" && f.Message.Contains("0.3 times DEAD"));
    }

    [Fact]
    public void Where_the_building_stands_changes_no_finding()
    {
        // Moved by kilometres, as on a national grid; moments at the supports stay, those about the origin do not.
        var p = Building((s, c, a) => s == "C5" ? -1 * a : a);
        var away = p with { Supports = [.. p.Supports.Select(s => s with { X = s.X + 4000, Y = s.Y - 2500 })] };
        Findings(away).Select(f => (f.Code, f.Support, f.Case)).Should().Equal(Findings(p).Select(f => (f.Code, f.Support, f.Case)));
    }

    [Fact]
    public void Columns_that_stand_close_and_supports_that_lift_are_noted()
    {
        var p = Building((s, c, a) => s == "C4" && c == "WX" ? a with { N = -400 } : a);
        var near = p.Supports.Select(s => s.Label == "C9" ? s with { X = 6.9, Y = 6.5 } : s).ToList();
        var findings = Findings(p with { Supports = near });
        findings.Single(f => f.Code == "columns-near").Message.Should().Contain("C5 and C9");
        findings.Single(f => f.Code == "uplift").Message.Should().Contain("C4").And.Contain("S7:+WX");
    }

    [Fact]
    public void Comparison_tells_what_changed_and_what_became_of_each_foundation()
    {
        var design = Design(1.8, 1.8, 0.4, "12 T12", "12 T12", "12 T12", "12 T12");
        ProjectState State(Project p) =>
            new(p,
                p.Foundations.ToDictionary(f => f.Mark,
                    f => ((FoundationDesign, Checks.FoundationResult)?)(design, new Checks.Checker(p, f).Check(design))));
        var before = State(Building());
        Comparison.Of(before, before, 0.02, 0.0)
            .Should().Match<Comparison>(c => c.Actions.Count == 0
                && c.Foundations.All(f => f.Fate == Fate.AsBefore || f.Fate == Fate.FailsStill));
        var after = State(Building((s, c, a) => c == "LIVE" && s == "C2" ? 8 * a : c == "LIVE" ? 1.01 * a : a));
        var comparison = Comparison.Of(before, after, 0.02, 0.0);
        comparison.Actions.Should().Equal(new ActionChange("C2", "LIVE", "N", 60, 480));
        comparison.Foundations[0].Should().Match<FoundationChange>(f => f.Mark == "F2" && f.Fate == Fate.FailsNow && !f.DesignChanged);
        comparison.Foundations.Count(f => f.Fate == Fate.FailsNow).Should().Be(1);
        Comparison.Of(after, before, 0.02, 0.0).Foundations.Single(f => f.Mark == "F2").Fate.Should().Be(Fate.PassesAgain);
        Comparison.Of(before, before, 0.02, 0.99).Foundations.Should().Contain(f => f.Fate == Fate.HasRoom);
    }
}
