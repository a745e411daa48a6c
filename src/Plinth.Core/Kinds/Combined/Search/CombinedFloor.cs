using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What a base of a size costs at least, and what area it cannot do without, found without a search for its bars.</summary>
internal sealed class CombinedFloor
{
    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly Foundation foundation;
    private readonly RuleSet rules;
    private readonly double lightest;
    private readonly double thinnest;
    private readonly double ratio;
    private readonly int flexureBottom;
    private readonly int flexureTop;
    private readonly Dictionary<double, double> leastAreas = [];

    public CombinedFloor(ImmutableArray<CombinedTrial> trials, Foundation foundation)
    {
        (this.trials, this.foundation, rules) = (trials, foundation, foundation.Rules);
        BarSize[] sizes = [.. new[] { foundation.Held.BottomX?.Size, foundation.Held.TopX?.Size }.OfType<BarSize>(), .. rules.Steel.Bars, .. rules.Steel.TopBars];
        (lightest, thinnest) = (sizes.Min(b => b.MassPerMetre / b.Area), sizes.Min(b => b.Diameter));
        var none = default(Tracing.NoTrace);
        bool Sought(string id) => !foundation.Waives(id);
        ratio = Sought("minimum-steel-x") && Sought("minimum-steel-y") ? trials[0].Code.MinimumSteelRatio(ref none, rules.Steel.Yield) : 0;
        int Index(string id) => Sought(id) ? trials[0].Checks.Find(id)!.Index : -1;
        (flexureBottom, flexureTop) = (foundation.Held.BottomX is null ? Index("flexure-bottom-x") : -1, foundation.Held.TopX is null ? Index("flexure-top-x") : -1);
    }

    /// <summary>By concrete, work and the code's least steel at the bottom.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="thickness">m.</param>
    /// <param name="standing">What stands on the base costs.</param>
    public double Of(in CombinedPlan plan, double thickness, double standing)
    {
        var (width, side) = ((plan.Low + plan.High) / 2, 2 * rules.Concrete.CoverSide);
        var steel = ratio * thickness * ((width * (plan.Length - side)) + (plan.Length * (width - side)));
        return Bare(plan, thickness) + standing + (rules.Rates.Steel * lightest * steel);
    }

    /// <summary>By concrete and work alone.</summary>
    public double Bare(in CombinedPlan plan, double thickness)
    {
        var (r, ground) = (rules.Rates, trials[0].Ground);
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + rules.Concrete.Blinding;
        return (plan.Length * (plan.Low + plan.High) / 2 * ((r.Concrete * thickness) + (r.Excavation * depth))) + (r.Formwork * Perimeter(plan) * thickness);
    }

    /// <summary>The same with the steel along the base that some combinations are known to need, for the size that the trials hold.</summary>
    public double WithSteel(in CombinedPlan plan, double standing)
    {
        var t = trials[0];
        var (thickness, along) = (t.Body.Thickness, plan.Length - (2 * rules.Concrete.CoverSide));
        var least = ratio * thickness * ((plan.Low + plan.High) / 2);
        var depth = thickness - Math.Min(rules.Concrete.CoverBottom, rules.Concrete.CoverTop) - (thinnest / 2);
        if (depth <= 0)
        {
            return Of(plan, thickness, standing);
        }

        var (bottom, top) = (0.0, 0.0);
        foreach (var s in trials)
        {
            bottom = Math.Max(bottom, Needed(s, flexureBottom, 1, depth));
            top = Math.Max(top, Needed(s, flexureTop, -1, depth));
        }

        // Top bars both ways, where any are needed: what lifts a hair needs none.
        var mat = top > 0 && rules.Steel.TopSteel == TopSteel.Demand && trials.Any(s => s.NeedsTopSteel)
            ? (Math.Max(least, top) * along) + (ratio * thickness * plan.Length * (((plan.Low + plan.High) / 2) - (2 * rules.Concrete.CoverSide))) : 0;
        var steel = (Math.Max(0, bottom - least) * along) + mat;
        return Of(plan, thickness, standing) + (rules.Rates.Steel * lightest * steel);
    }

    // Steel that the combination which failed last needs at least: the lever arm is never longer than the depth of the thinnest bars.
    private static double Needed(CombinedTrial t, int check, int sign, double depth)
    {
        if (check < 0)
        {
            return 0;
        }

        var k = t.Hints[(t.Slot(check, t.Long))];
        if (!t.Combinations[k].IsFor(Family.Concrete) || t.Body.Contact(k).State == Contact.ContactState.NoEquilibrium)
        {
            return 0;
        }

        var most = 0.0;
        foreach (var s in t.Long.Sections(k))
        {
            most = Math.Max(most, sign * s.Moment);
        }

        var none = default(Tracing.NoTrace);
        return most <= 0 ? 0 : most / (t.Code.Flexure(ref none, t.Rules.Concrete, t.Rules.Steel.Yield, 1e-9, t.Body.Width, depth).Strength / 1e-9);
    }

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
