using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What steel a base needs at least for what some combinations are known to ask.</summary>
/// <param name="Bottom">Bottom bars along, m2.</param>
/// <param name="Top">Top bars along, m2.</param>
/// <param name="Across">Bottom bars across, m2.</param>
/// <param name="Wider">How many times as wide it must be for shear along with the most bars; 1: it is wide enough.</param>
/// <param name="IsHopeless">Whether with the most bars shear across fails in it and in any wider base of its length.</param>
/// <param name="TurnsAcross">Whether moments rule the shear across, which a wider base may lessen.</param>
internal readonly record struct SteelNeed(double Bottom, double Top, double Across, double Wider, bool IsHopeless, bool TurnsAcross)
{
    /// <summary>Whether no bars make it pass.</summary>
    public bool Fails => Wider > 1 || IsHopeless;

    /// <summary>What both ask.</summary>
    public SteelNeed With(in SteelNeed other) => new(
        Math.Max(Bottom, other.Bottom),
        Math.Max(Top, other.Top),
        Math.Max(Across, other.Across),
        Math.Max(Wider, other.Wider),
        IsHopeless || other.IsHopeless,
        TurnsAcross || other.TurnsAcross);
}

/// <summary>
/// What steel the size that the trials hold needs at least, without a search for its bars: by the combinations that failed last, with the
/// depth that
/// the thinnest bars leave. Moment and shear along a base that bears wholly do not depend on its breadth.
/// </summary>
internal sealed class SteelFloor
{
    // What is needed is found to so many halvings of what is the most.
    private const int Halvings = 7;

    // The check decides what is this near.
    private const double Margin = 1e-6;

    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly RuleSet rules;
    private readonly (BarSize Size, double Closest)[] bottomBars;
    private readonly (BarSize Size, double Closest)[] topBars;
    private readonly double thinnest;
    private readonly double thickestOfAll;
    private readonly double lessDepth;
    private readonly double leastRatio;
    private readonly int flexureBottom;
    private readonly int flexureTop;
    private readonly int flexureAcross;
    private readonly int shearAlong;
    private readonly int shearAcross;

    private static readonly SteelNeed Nothing = new(0, 0, 0, 1, false, false);

    /// <summary>Prepares it.</summary>
    public SteelFloor(ImmutableArray<CombinedTrial> trials, Foundation foundation)
    {
        (this.trials, rules) = (trials, foundation.Rules);
        double Closest(BarSize b) =>
            Math.Max(rules.Steel.LeastSpacing, trials[0].Code.LeastClear(b.Diameter, rules.Concrete.Aggregate) + b.Diameter);
        (BarSize, double)[] Allowed(IEnumerable<BarSize> sizes) => [.. sizes.Select(b => (b, Closest(b)))];
        bottomBars = Allowed(rules.Steel.Bars);
        topBars = Allowed(rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars);
        thinnest = rules.Steel.Bars.Concat(rules.Steel.TopBars).Min(b => b.Diameter);

        thickestOfAll = CombinedFloor.Sizes(foundation).Max(b => b.Diameter);

        // The bottom bars along may be so much nearer to the top than the thinnest: by half of their own, by all of those under them.
        var thickest = rules.Steel.Bars.Max(b => b.Diameter);
        lessDepth = 1.5 * (thickest - thinnest);
        var (held, openAcross) = (foundation.Held, CombinedFields.HeldRest(foundation.Held) is null);
        foreach (var support in foundation.Places[0].Supports)
        {
            openAcross &= CombinedFields.HeldBand(held, support.Label) is null;
        }

        var none = default(Tracing.NoTrace);
        var waived = foundation.Waives("minimum-steel-x") || foundation.Waives("minimum-steel-y");
        leastRatio = waived ? 0 : trials[0].Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield);
        int Sought(string id, bool open) => open && !foundation.Waives(id) ? trials[0].Checks.Find(id)!.Index : -1;
        flexureBottom = Sought("flexure-bottom-x", held.BottomX is null);
        flexureTop = Sought("flexure-top-x", held.TopX is null);
        flexureAcross = Sought("flexure-bottom-y", openAcross);
        shearAlong = Sought("one-way-shear-x", held.BottomX is null && held.TopX is null);
        shearAcross = Sought("one-way-shear-y", openAcross);
    }

    /// <summary>What the size that the trials hold needs; they must hold the thinnest bars.</summary>
    public SteelNeed Need()
    {
        var need = Nothing;
        foreach (var t in trials)
        {
            need = need.With(Of(t));
        }

        return need;
    }

    private SteelNeed Of(CombinedTrial t)
    {
        var topDepth = t.Body.Thickness - rules.Concrete.CoverTop - (thinnest / 2);
        if (t.Long.Depth(true) <= 0 || topDepth <= 0)
        {
            return Nothing;
        }

        var (bottom, top, wider) = Shear(t, topDepth);
        bottom = Math.Max(bottom, Bending(t, flexureBottom, 1, t.Long.Depth(true)));
        top = Math.Max(top, Bending(t, flexureTop, -1, topDepth));
        var (across, hopeless, turns) = Across(t, t.OuterIsX ? Thinnest(t.Body.Width, bottom) - thinnest : 0);
        return new SteelNeed(bottom, top, across, wider, hopeless, turns);
    }

    // The combination that failed last; −1: none that bears wholly.
    private static int Hint(CombinedTrial t, int check, Subject subject) =>
        check >= 0 && t.Body.Bed is null && t.Hints[t.Slot(check, subject)] is var k && t.Combinations[k].IsFor(Family.Concrete)
            && t.Body.Contact(k).State == ContactState.Full ? k : -1;

    // Area by the longest lever arm there may be: the whole depth.
    private static double Area(CombinedTrial t, double moment, double breadth, double depth)
    {
        var none = default(Tracing.NoTrace);
        const double little = 1e-9;
        return moment <= 0
            ? 0
            : moment * little / t.Code.Flexure(ref none, t.Rules.Concrete, t.Rules.Steel.Yield, little, breadth, depth).Strength;
    }

    // At the faces, and between columns where the shear would pass through nil if it were linear: no more than the greatest anywhere.
    private static double Bending(CombinedTrial t, int check, int sign, double depth)
    {
        if (Hint(t, check, t.Long) is not (>= 0 and var k))
        {
            return 0;
        }

        var (s, most) = (t.Long, 0.0);
        foreach (var c in s.Columns)
        {
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                var face = s.Face(c, side);
                if (face <= s.Low || face >= s.High)
                {
                    continue;
                }

                var own = s.Section(k, face);
                most = Math.Max(most, sign * own.Moment);
                if (side > 0 && s.Next(c, side) is (var to, true) && to > face)
                {
                    var other = s.Section(k, to);
                    var share = own.Shear * other.Shear < 0 ? own.Shear / (own.Shear - other.Shear) : 0;
                    most = share > 0 ? Math.Max(most, sign * s.Section(k, face + ((to - face) * share)).Moment) : most;
                }
            }
        }

        return Area(t, most, t.Body.Width, depth);
    }

    private (double Bottom, double Top, double Wider) Shear(CombinedTrial t, double topDepth)
    {
        var (below, above) = (default(LongSection), default(LongSection));
        if (!t.Body.IsRectangle || Hint(t, shearAlong, t.Long) is not (>= 0 and var k))
        {
            return (0, 0, 1);
        }

        var s = t.Long;
        foreach (var c in s.Columns)
        {
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                if (LongShear.Place(s, k, c, side) is not { } place)
                {
                    continue;
                }

                // Plain concrete may hold what stretches the top of an overhang. Over one breadth the greatest shear tells. Thicker bars
                // draw the section
                // nearer to the face, where it may stretch the other side.
                var section = s.Section(k, place.At);
                if (Math.Abs(section.Moment) <= Math.Abs(section.Shear) * lessDepth)
                {
                    continue;
                }

                if (section.Moment >= 0)
                {
                    below = Math.Abs(section.Shear) > Math.Abs(below.Shear) ? section : below;
                }
                else if (!s.IsBeyond(place.At) && Math.Abs(section.Shear) > Math.Abs(above.Shear))
                {
                    above = section;
                }
            }
        }

        var cover = 2 * rules.Concrete.CoverSide;
        var (bottom, under) = Shear(t, Math.Abs(below.Shear), s.Body.Width, s.Depth(true), bottomBars, cover);
        var (top, over) = Shear(t, Math.Abs(above.Shear), s.Body.Width, topDepth, topBars, cover);
        return (bottom, top, Math.Max(under, over));
    }

    // Diameter of the thinnest bars that make so much area along.
    private double Thinnest(double breadth, double area)
    {
        var least = double.PositiveInfinity;
        foreach (var (size, closest) in bottomBars)
        {
            least = Held(breadth, size, closest, 2 * rules.Concrete.CoverSide) >= area ? Math.Min(least, size.Diameter) : least;
        }

        return double.IsInfinity(least) ? thinnest : least;
    }

    // The most area of a size that spacing allows.
    private static double Held(double breadth, BarSize size, double closest, double cover)
    {
        var free = Math.Max(0, breadth - cover - (cover > 0 ? size.Diameter : 0));
        return ((free / closest) + 1) * size.Area;
    }

    // The area that shear needs, and how many times the strength with the most bars that spacing allows it is; 1: no more. Thicker bars
    // leave less
    // depth.
    private (double Area, double Over) Shear(
        CombinedTrial t, double shear, double breadth, double depth, (BarSize Size, double Closest)[] bars, double cover)
    {
        if (shear <= 0)
        {
            return (0, 1);
        }

        var none = default(Tracing.NoTrace);
        var target = rules.Sizing.Target * (1 + Margin);
        double Strength(double area, double deep)
        {
            return deep <= 0 ? 0 : t.Code.OneWayShear(ref none, rules.Concrete, breadth, deep, area) * target;
        }

        var least = t.Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield)
            * CombinedFloor.LeastDepth(t, t.Body.Thickness, thickestOfAll) * breadth;
        if (Strength(least, depth) >= shear)
        {
            return (0, 1);
        }

        var (most, held) = (0.0, 0.0);
        foreach (var (size, closest) in bars)
        {
            var area = Held(breadth, size, closest, cover);
            (most, held) = (Math.Max(most, area), Math.Max(held, Strength(area, depth - ((size.Diameter - thinnest) / 2))));
        }

        if (held < shear)
        {
            return (most, shear / held);
        }

        var (low, high) = (least, Math.Max(least, most));
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Strength(middle, depth) < shear ? (middle, high) : (low, middle);
        }

        return (low, 1);
    }

    // The bars along lie under them, so much thicker than the thinnest.
    private (double Area, bool IsHopeless, bool Turns) Across(CombinedTrial t, double lost)
    {
        var ratio = leastRatio * CombinedFloor.LeastDepth(t, t.Body.Thickness, thickestOfAll);
        var (bent, sheared, turns) = (ratio * t.Body.Length, ratio * t.Body.Length, false);
        for (var g = 0; g < t.Bands.Length; g++)
        {
            var (band, strip) = (t.Bands[g], (CrossSpan)t.TributarySpans[g]);
            var depth = strip.Depth(true) - lost;
            if (depth <= 0)
            {
                continue;
            }

            if (Hint(t, flexureAcross, band) is >= 0 and var k)
            {
                var moment = Math.Max(band.AtFace(k, -1).MomentUp, band.AtFace(k, 1).MomentUp);
                bent += Math.Max(0, Area(t, moment, band.Breadth, depth) - (ratio * band.Breadth));
            }

            if (Hint(t, shearAcross, strip) is >= 0 and var s)
            {
                // Where moments do not rule, the shear of a wider base is no less.
                var (low, high) = (strip.Beyond(s, -1, strip.Depth(true)).ShearUp, strip.Beyond(s, 1, strip.Depth(true)).ShearUp);
                var even = Math.Min(low, high) >= Math.Max(low, high) / 2;
                turns |= !even;
                var (area, over) = Shear(t, Math.Max(low, high), strip.Breadth, depth, bottomBars, 0);
                if (over > 1 && even)
                {
                    return (0, true, turns);
                }

                sheared += Math.Max(0, area - (ratio * strip.Breadth));
            }
        }

        return (Math.Max(bent, sheared), false, turns);
    }
}
