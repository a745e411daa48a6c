using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What bars may weigh, and what they do at least, kg.</summary>
/// <param name="Most">All together, for the base to be worth its cost; infinite: anything.</param>
/// <param name="Along">At least at the bottom along.</param>
/// <param name="Across">At least at the bottom across.</param>
/// <param name="Top">At least at the top.</param>
/// <param name="Area">Area that those at the bottom along need in any case, m2.</param>
internal readonly record struct BarBudget(double Most, double Along, double Across, double Top, double Area)
{
    /// <summary>Anything will do.</summary>
    public static readonly BarBudget Any = new(double.PositiveInfinity, 0, 0, 0, 0);
}

/// <summary>What a base of a size costs at least, and what area it cannot do without, found without a search for its bars.</summary>
internal sealed class CombinedFloor
{
    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly Foundation foundation;
    private readonly RuleSet rules;
    private readonly double lightest;
    private readonly double thickest;
    private readonly double ratio;
    private readonly Dictionary<double, double> leastAreas = [];

    public CombinedFloor(ImmutableArray<CombinedTrial> trials, Foundation foundation)
    {
        (this.trials, this.foundation, rules) = (trials, foundation, foundation.Rules);
        var sizes = Sizes(foundation);
        lightest = sizes.Min(b => b.MassPerMetre / b.Area);
        thickest = sizes.Max(b => b.Diameter);
        var none = default(Tracing.NoTrace);
        bool Sought(string id) => !foundation.Waives(id);
        ratio = Sought("minimum-steel-x") && Sought("minimum-steel-y")
            ? trials[0].Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield)
            : 0;
    }

    /// <summary>By concrete, work and the code's least steel at the bottom.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="thickness">m.</param>
    /// <param name="standing">What stands on the base costs.</param>
    public double Of(in CombinedPlan plan, double thickness, double standing)
    {
        var (width, side) = ((plan.Low + plan.High) / 2, 2 * rules.Concrete.CoverSide);
        var steel = Least(thickness) * ((width * (plan.Length - side)) + (plan.Length * (width - side)));
        return Bare(plan, thickness) + standing + (rules.Rates.Steel * lightest * steel);
    }

    /// <summary>By concrete and work alone.</summary>
    public double Bare(in CombinedPlan plan, double thickness)
    {
        var (r, ground) = (rules.Rates, trials[0].Ground);
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + rules.Concrete.Blinding;
        return (plan.Length * (plan.Low + plan.High) / 2 * ((r.Concrete * thickness) + (r.Excavation * depth)))
            + (r.Formwork * Perimeter(plan) * thickness);
    }

    /// <summary>
    /// The same with the steel that some combinations are known to need, for the size that the trials hold, with the thinnest bars.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="standing">What stands on the base costs.</param>
    /// <param name="need">What steel it needs at least.</param>
    public double WithSteel(in CombinedPlan plan, double standing, in SteelNeed need)
    {
        var mass = Mass(plan, need);
        return Bare(plan, trials[0].Body.Thickness) + standing + (rules.Rates.Steel * (mass.Along + mass.Across + mass.Top));
    }

    /// <summary>
    /// What bars weigh at least, for the size that the trials hold, and how much they may for the base to cost less than so much.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="standing">What stands on the base costs.</param>
    /// <param name="need">What steel it needs at least.</param>
    /// <param name="most">What it must cost less than; infinite: anything.</param>
    public BarBudget Budget(in CombinedPlan plan, double standing, in SteelNeed need, double most) =>
        Mass(plan,
            need) with
        {
            Most = rules.Rates.Steel > 0
                ? (most - Bare(plan, trials[0].Body.Thickness) - standing) / rules.Rates.Steel
                : double.PositiveInfinity
        };

    private BarBudget Mass(in CombinedPlan plan, in SteelNeed need)
    {
        var (thickness, side, width) = (trials[0].Body.Thickness, 2 * rules.Concrete.CoverSide, (plan.Low + plan.High) / 2);
        var (along, across) = (Math.Max(0, plan.Length - side) * lightest, Math.Max(0, width - side) * lightest);
        var (least, leastAcross) = (Least(thickness) * width, Least(thickness) * plan.Length);

        // Top bars both ways, where any are needed: what lifts a hair needs none.
        var needsTop = need.Top > 0 && rules.Steel.TopSteel == TopSteel.Demand && trials.Any(s => s.NeedsTopSteel);
        var top = needsTop ? (Math.Max(least, need.Top) * along) + (leastAcross * across) : 0;

        // What a band needs beyond the code's least may lie where a trapezoid is narrowest.
        var narrow = Math.Max(0, Math.Min(plan.Low, plan.High) - side) * lightest;
        var acrossAll = (leastAcross * across) + (Math.Max(0, need.Across - leastAcross) * narrow);
        return new BarBudget(double.PositiveInfinity, Math.Max(least, need.Bottom) * along, acrossAll, top, need.Bottom);
    }

    /// <summary>Sizes of the bars that may lie in it, those held along it among them.</summary>
    internal static BarSize[] Sizes(Foundation foundation) =>
    [
        .. new[] { foundation.Held.BottomX?.Size, foundation.Held.TopX?.Size }.OfType<BarSize>(), .. foundation.Rules.Steel.Bars,
        .. foundation.Rules.Steel.TopBars,
    ];

    private double Least(double thickness) => ratio * LeastDepth(trials[0], thickness, thickest);

    /// <summary>The depth by which the code's least steel goes, m: at the least, by the thickest bars in the inner layer.</summary>
    internal static double LeastDepth(CombinedTrial trial, double thickness, double thickest) => trial.Code.LeastSteelDepth(thickness,
        Math.Max(0, thickness - Math.Max(trial.Rules.Concrete.CoverBottom, trial.Rules.Concrete.CoverTop) - (1.5 * thickest))).Value;

    private static double Perimeter(in CombinedPlan plan) =>
        plan.Low + plan.High + (2 * Math.Sqrt((plan.Length * plan.Length) + ((plan.Low - plan.High) * (plan.Low - plan.High) / 4)));

    /// <summary>Plan area below which bearing cannot pass at a thickness, m2; the size that the trials hold is lost.</summary>
    public double LeastArea(double thickness)
    {
        if (!leastAreas.TryGetValue(thickness, out var least))
        {
            foreach (var t in trials)
            {
                t.Set(new BaseSize(t.Body.Length, t.Body.LowWidth, thickness), t.Body.HighWidth, t.Offset);
                least = Math.Max(least, Sizing.LeastArea.Of(t, foundation));
            }

            leastAreas.Add(thickness, least);
        }

        return least;
    }
}
