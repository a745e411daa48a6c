using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Kinds.Strap;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Kinds.Wall;
using Plinth.Core.Loads;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Makes projects of one foundation of any kind that can be sized: three numbers say how it is loaded.</summary>
internal static class SomeKinds
{
    public static readonly string[] All = ["isolated", "combined", "trapezoid", "strap", "strip", "rib", "cap", "wall", "retaining"];

    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    private static readonly SizingRules Sizes = DefaultSizing with
    {
        MostPlan = 4,
        MostThickness = 1.2,
        PlanStep = 0.1,
        ThicknessStep = 0.1,
    };

    private static readonly PileRules Piles = new()
    {
        Size = 0.4,
        Compression = 1000,
        Tension = 200,
        Lateral = 60,
    };

    /// <summary>A project with one foundation of a kind.</summary>
    /// <param name="kind">One of <see cref="All"/>.</param>
    /// <param name="a">0 to 1: how far apart and how heavily.</param>
    /// <param name="b">0 to 1: how much of it moves.</param>
    /// <param name="c">−1 to 1: which way it leans.</param>
    /// <param name="units">What its results are told in.</param>
    public static Project Of(string kind, double a, double b, double c, UnitSystem units = UnitSystem.Metric)
    {
        var ground = DefaultGround with { FoundingDepth = 1.6, TransientIncrease = 1.33, Friction = 0.5, SubgradeModulus = 15e3 + (25e3 * b) };
        var rules = Rules with { Ground = ground, Sizing = Sizes, Piles = Piles };
        SupportAction[] On(double n) =>
        [
            new(n * (1 + (0.8 * a)), 3 * c, 2 * b, 5 * b, 12 * c, 0), new(0.5 * n * (1 + b), 2 * c, 0, 3 * c, 6 * b, 0),
            new(6 * c, 12 * b, 0, 0, 20 * b, 0),
        ];
        return kind switch
        {
            "isolated" => Made(rules, null, HeldValues.Nothing, units, (0, On(600))),
            "combined" => Made(rules, new CombinedKind(), HeldValues.Nothing, units, (0, On(400)), (1.8 + (2 * a), On(550))),
            "trapezoid" => Made(rules with { Sizing = Sizes with { MostPlan = 6, PlanStep = 0.2 } }, new CombinedKind(),
                HeldValues.Nothing with { Trapezoid = true, EdgeX0 = new HeldEdge(true, 0) }, units, (0, On(450)), (2.6 + a, On(300))),
            "strap" => Made(rules, new StrapKind(), new HeldValues { EdgeX0 = new HeldEdge(true, 0) }, units, (0, On(300)), (4.8 + (2 * a), On(550))),
            "strip" => Made(rules with { Sizing = Sizes with { MostPlan = 3 } }, new StripKind(), HeldValues.Nothing, units,
                (0, On(250)), (3.6 + a, On(400)), (8.1 + a, On(300))),
            "rib" => Made(rules with { Sizing = Sizes with { MostPlan = 3 } }, new RibKind(),
                new HeldValues { Own = HeldValues.Nothing.Own.Add("rib", new FieldValue.Length(0.5)) }, units,
                (0, On(250)), (3.6 + a, On(400)), (8.1 + a, On(300))),
            "cap" => Made(rules with { Sizing = Sizes with { MostThickness = 1.6 } }, new PileCapKind(), HeldValues.Nothing, units, (0, On(950))),
            _ => Wall(rules, kind == "retaining", 4 + (3 * a), On(600), units),
        };
    }

    private static Project Made(RuleSet rules, FoundationKind? kind, HeldValues held, UnitSystem units,
        params (double X, SupportAction[] Actions)[] columns)
    {
        List<Support> supports = [.. columns.Select((k, i) => Column(0.4, 0.4) with { Label = $"C{i + 1}", X = k.X })];
        var project = Project(Cases, columns[0].Actions, Combinations(Cases), rules, supports[0], held, units: units);
        var of = kind?.RulesOf(rules) ?? rules;
        return kind is null ? project : project with
        {
            Supports = supports,
            Actions = supports.Zip(columns).ToDictionary(p => p.First.Label, p => p.Second.Actions),
            Foundations = [new Foundation(kind.MarkLetters + "1", [new Place(supports, 0, of.Ground)], false, held, of) { Kind = kind }],
        };
    }

    private static Project Wall(RuleSet rules, bool retains, double length, SupportAction[] actions, UnitSystem units)
    {
        var kind = new WallKind();
        rules = kind.RulesOf(rules);
        var wall = new WallRules
        {
            Stem = retains ? new StemRules(3) : null,
            Retained = retains ? new RetainedSoil(true, 2.6) { FrictionAngle = 32, Surcharge = 8 } : null,
        };
        LoadCase[] cases = [.. Cases, .. retains ? LoadStandards.Find("asce7-16")!.BehindWalls : []];
        var support = Support.Wall("W1", 0, 0, length, 0, 0.3, null, "", "");
        SupportAction[] all = [.. actions, .. cases.Skip(Cases.Length).Select(_ => default(SupportAction))];
        return Project(cases, all, Combinations(cases), rules, support, units: units) with
        {
            Foundations =
            [
                new Foundation("WF1", [new Place(support, support.AngleDegrees, rules.Ground)], false, HeldValues.Nothing, rules)
                {
                    Kind = kind,
                    Wall = wall,
                },
            ],
        };
    }

    private static CombinationSet Combinations(LoadCase[] cases) =>
        CombinationBuilder.Build(LoadStandards.Find("asce7-16")!, cases, new LoadOptions { LoadsNotActing = true }, []);
}
