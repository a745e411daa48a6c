using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Tests;

/// <summary>Makes projects of one footing for tests: metric, dry, no soil over the base unless said.</summary>
internal static class Given
{
    public const double Foot = 0.3048;
    public const double Inch = 0.0254;
    public const double Kip = 4.4482216152605;
    public const double Ksf = Kip / (Foot * Foot);
    public const double Psi = 6.894757293168361;

    public static readonly GroundRules DefaultGround = new("", 0, 1.0, null, 200, BearingBasis.Gross, BearingMethod.Corner, 1, 18, 0.45, 0,
        0, 0);

    public static readonly ConcreteRules DefaultConcrete = new(30e3, 24, 0.075, 0.075, 0.050, 0.020, 0.050);

    public static readonly SteelRules DefaultSteel = new(420e3, Sizes("T12", "T16", "T20", "T25"), 0.100, 0.300, TopSteel.Demand,
        LowerLayer.X);

    public static readonly SizingRules DefaultSizing = new(PlanShape.Square, 0.9, 6, 0.3, 1.5, 0.05, 0.05, 2, 1);

    public static readonly RuleSet Rules = new(DefaultGround, new StabilityRules(), DefaultConcrete, DefaultSteel, DefaultSizing,
        new RateRules());

    public static BarSize[] Sizes(params string[] names) =>
        [.. names.Select(n => BarSize.TryParse(n, out var b) ? b : throw new ArgumentException(n))];

    public static BarSpec Bars(string text) =>
        BarSpec.TryParse(text, out var spec, out var fault) ? spec : throw new ArgumentException(fault);

    public static Support Column(double cx = 0.4, double cy = 0.4, double? level = null, double angle = 0) =>
        new("C1", 0, 0, level, ColumnShape.Rectangular, cx, cy, 0, 0, angle, "", "");

    public static Combination Combination(string name, Family family, double weights, params (int Case, double Factor)[] terms) =>
        new(name, family, [.. terms.Select(t => new Term(t.Case, t.Factor))], weights, false, false, null, null, name);

    public static Project Project(
        IReadOnlyList<LoadCase> cases,
        SupportAction[] actions,
        CombinationSet combinations,
        RuleSet? rules = null,
        Support? column = null,
        HeldValues? held = null,
        string code = "aci318m-19",
        double angle = 0,
        UnitSystem units = UnitSystem.Metric)
    {
        rules ??= Rules;
        column ??= Column();
        var foundation = new Foundation("F1", [new Place(column, angle, rules.Ground)], false, held ?? HeldValues.Nothing, rules);
        return new Project(
            new ProjectTitle("Test", "", "", "", "", "", ""),
            units,
            ConcreteCodes.Find(code)!,
            LoadStandards.Find("own")!,
            cases,
            combinations,
            [column],
            new Dictionary<string, SupportAction[]> { [column.Label] = actions },
            [foundation]);
    }

    /// <summary>One dead case under one combination for everything, weights with factor 1.</summary>
    public static Project OneAction(SupportAction action, RuleSet? rules = null, Support? column = null, HeldValues? held = null,
        string code = "aci318m-19", double angle = 0, double weights = 1) =>
        Project([new LoadCase("DEAD", LoadSymbol.D)], [action], new CombinationSet([Combination("A", Family.All, weights, (0, 1))], []),
            rules, column, held, code, angle);

    public static IsolatedDesign Design(double length, double width, double thickness, string x = "13 T16", string y = "13 T16",
        string topX = "none", string topY = "none") =>
        new(new BaseSize(length, width, thickness), Bars(x), Bars(y), Bars(topX), Bars(topY));

    /// <summary>What sizing finds for the only foundation of a project, which is isolated and can be sized.</summary>
    public static IsolatedDesign Sized(Project project) =>
        (IsolatedDesign)FoundationSizer.Of(project, project.Foundations[0]).Size().Design!;

    public static FoundationResult Check(Project project, FoundationDesign design) =>
        new Checker(project, project.Foundations[0]).Check(design);

    public static CheckResult Of(this FoundationResult result, string id) => result.Checks.Single(c => c.Id == id);
}
