using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>What a base of a size costs at least, found without a search for its bars: no design of that size is cheaper.</summary>
internal sealed class CostBound
{
    private readonly ImmutableArray<IsolatedTrial> states;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private readonly double lightest;
    private readonly double lightestOnTop;
    private readonly bool topIsSought;
    private readonly double thinnest;
    private readonly double thickest;
    private readonly double ratio;
    private readonly int[] flexure;
    private readonly int[] shear;

    public CostBound(ImmutableArray<IsolatedTrial> states, Foundation foundation)
    {
        this.states = states;
        (rules, held) = (foundation.Rules, foundation.Held);
        var bars = new[] { held.BottomX?.Size, held.BottomY?.Size }.OfType<Concrete.BarSize>().Concat(rules.Steel.Bars).ToList();
        lightest = bars.Min(b => b.MassPerMetre / b.Area);
        lightestOnTop = rules.Steel.Bars.Concat(rules.Steel.TopBars).Min(b => b.MassPerMetre / b.Area);
        (thinnest, thickest) = (bars.Min(b => b.Diameter), bars.Concat(rules.Steel.TopBars).Max(b => b.Diameter));
        var none = default(Tracing.NoTrace);
        bool Sought(string id) => !foundation.Waives(id);
        ratio = Sought("minimum-steel-x") && Sought("minimum-steel-y")
            ? states[0].Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield)
            : 0;
        flexure = [Sought("flexure-bottom-x") ? Index("flexure-bottom-x") : -1,
            Sought("flexure-bottom-y") ? Index("flexure-bottom-y") : -1];
        topIsSought = Sought("flexure-top-x") && Sought("flexure-top-y") && Sought("one-way-shear-x") && Sought("one-way-shear-y");
        shear = [Sought("one-way-shear-x") ? Index("one-way-shear-x") : -1, Sought("one-way-shear-y") ? Index("one-way-shear-y") : -1];
        int Index(string id) => states[0].Checks.Find(id)!.Index;
    }

    /// <summary>By concrete, work and the code's least steel alone.</summary>
    /// <param name="length">Side along x, m.</param>
    /// <param name="width">Side along y, m.</param>
    /// <param name="thickness">m.</param>
    /// <param name="standing">What stands on the base costs.</param>
    public double Floor(double length, double width, double thickness, double standing)
    {
        var (r, side) = (rules.Rates, 2 * rules.Concrete.CoverSide);
        var ground = states[0].Ground;
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + rules.Concrete.Blinding;
        var steel = Least(thickness) * ((width * (length - side)) + (length * (width - side)));
        return (length * width * ((r.Concrete * thickness) + (r.Excavation * depth))) + (r.Formwork * 2 * (length + width) * thickness)
            + (r.Steel * lightest * steel) + standing;
    }

    /// <summary>The same with the steel that some combinations are known to need, for the size that the states hold.</summary>
    public double WithSteel(double standing)
    {
        var s = states[0];
        var size = s.Size;
        var side = 2 * rules.Concrete.CoverSide;
        var least = Least(size.Thickness);
        var depth = size.Thickness - rules.Concrete.CoverBottom - (thinnest / 2);
        var more = 0.0;
        for (var i = 0; i < 2 && depth > 0; i++)
        {
            var (breadth, along) = i == 0 ? (size.Width, size.Length) : (size.Length, size.Width);
            if ((i == 0 ? held.BottomX : held.BottomY) is not null)
            {
                continue;
            }

            var needed = 0.0;
            foreach (var at in states)
            {
                needed = Math.Max(needed, Needed(at, i == 0, breadth, depth));
            }

            more += Math.Max(0, needed - (least * breadth)) * (along - side);
        }

        return Floor(size.Length, size.Width, size.Thickness, standing) + (rules.Rates.Steel * lightest * more);
    }

    /// <summary>
    /// What top bars cost at least where the size that the states hold needs any: the code's least steel both ways. What is waived asks for
    /// none.
    /// </summary>
    public double TopMat()
    {
        if (held.TopX is not null || held.TopY is not null || rules.Steel.TopSteel == Concrete.TopSteel.None
            || (rules.Steel.TopSteel != Concrete.TopSteel.Least && !(topIsSought && states.Any(s => s.NeedsTopSteel))))
        {
            return 0;
        }

        var (size, side) = (states[0].Size, 2 * rules.Concrete.CoverSide);
        return rules.Rates.Steel * lightestOnTop * Least(size.Thickness) * ((size.Width * (size.Length - side))
            + (size.Length * (size.Width - side)));
    }

    // Least steel over the breadth: where it goes by d, by that of the thickest bars in the inner layer.
    private double Least(double thickness) => ratio * states[0].Code.LeastSteelDepth(thickness,
        Math.Max(0, thickness - Math.Max(rules.Concrete.CoverBottom, rules.Concrete.CoverTop) - (1.5 * thickest))).Value;

    // At least so much by the combinations that failed last; the lever arm is never longer than the depth of the thinnest bars.
    private double Needed(IsolatedTrial s, bool alongX, double breadth, double depth)
    {
        var needed = 0.0;
        var i = alongX ? 0 : 1;
        var none = default(Tracing.NoTrace);
        foreach (var (index, isShear) in (ReadOnlySpan<(int, bool)>)[(flexure[i], false), (shear[i], true)])
        {
            if (index < 0 || !s.Combinations[s.Hints[index]].IsFor(Family.Concrete)
                || s.Body.Contact(s.Hints[index]).State == Contact.ContactState.NoEquilibrium)
            {
                continue;
            }

            for (var side = -1; side <= 1; side += 2)
            {
                var f = s.Along(alongX).Beyond(s.Hints[index], side, isShear ? depth : 0);
                var steel = isShear
                    ? s.Code.LeastSteelForShear(rules.Concrete, breadth, depth, f.ShearUp)
                    : f.MomentUp <= 0 ? 0
                    : f.MomentUp / (s.Code.Flexure(ref none, rules.Concrete, rules.Steel.Yield, 1e-9, breadth, depth).Strength / 1e-9)
                        * (rules.Steel.Banded ? 1 : s.Along(alongX).ShortWayFactor);
                needed = Math.Max(needed, steel);
            }
        }

        return needed;
    }
}
