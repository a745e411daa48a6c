using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// Development of a cap's bars beyond the faces of its columns, to both sides; where a strut-and-tie model must hold a pile, from the inner
/// face of each pile outwards
/// (ACI 318 13.2.8, 23.8). No plain concrete stands in for it.
/// </summary>
internal readonly struct CapAnchorage<TAxis> : ICheckRule<CapSpan, AnchorageLengths>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<CapSpan> Of(Trial trial) => ((CapTrial)trial).CapSpans(TAxis.IsX);

    public static AnchorageLengths Capacity(CapSpan s)
    {
        var none = default(NoTrace);
        var (bottom, top) = (s.LooksAt(Face.Bottom) ? Anchorage.Length(s, true, 1, ref none) : 0,
            s.LooksAt(Face.Top) ? Anchorage.Length(s, false, 1, ref none) : 0);
        var hook = Math.Max(Anchorage.HookFits(s, true), Anchorage.HookFits(s, false));
        var (there, needed) = (CapAnchorage.Shortest(s), Math.Max(bottom, top));
        return new AnchorageLengths(bottom, top, hook,
            Math.Max(hook, needed <= 0 ? 0 : there > 0 ? needed / there : double.PositiveInfinity));
    }

    public static double UpperBound(CapSpan s, in AnchorageLengths lengths, int k) => lengths.Most;

    public static Outcome Evaluate<T>(CapSpan s, in AnchorageLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var bottom = !(lengths.Top > lengths.Bottom) && s.Layer(true).Any && s.LooksAt(Face.Bottom);
        if (!bottom && !(s.Layer(false).Any && s.LooksAt(Face.Top)))
        {
            return Outcome.NotDone;
        }

        var face = bottom ? Face.Bottom : Face.Top;
        if (lengths.Hook > Math.Max(1, lengths.Most - 1e-12) || (lengths.Hook > 1 && lengths.Hook >= lengths.Most))
        {
            trace.Note("the hooks are higher than the cap: thinner bars or a thicker cap");
            trace.Given("utilisation", lengths.Hook, Unit.Ratio, "height of the hooks over the height between the covers");
            return Outcome.Ratio(lengths.Hook, 1) with { Face = face };
        }

        var (there, from) = CapAnchorage.Least(s);
        if (double.IsInfinity(there))
        {
            return Outcome.NotDone;
        }

        var layer = s.Layer(bottom);
        if (T.Records)
        {
            trace.Heading(
                $"Anchorage of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}, {(layer.Hooked ? "hooked" : "straight")}");
            trace.Given("there", there, Unit.Section, CapAnchorage.Where(from) + ", less the cover", $"{s.Code.Name} 13.2.8.2");
            var needed = Anchorage.Length(s, bottom, 1, ref trace);
            if (there > 0)
            {
                trace.Let("utilisation", needed / there, Unit.Ratio,
                    $"{new Sym(layer.Hooked ? "ldh" : "ld", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
        }

        if (T.Notes)
        {
            trace.Note((layer.Hooked ? "hooked ends, " : "straight ends, ") + CapAnchorage.Where(from));
        }

        return Outcome.Ratio(bottom ? lengths.Bottom : lengths.Top, there) with { Face = face };
    }
}

/// <summary>What anchorage and the search for bars share.</summary>
internal static class CapAnchorage
{
    /// <summary>The least length of bar on either side of a section that stresses it, m; infinite where none does.</summary>
    public static double Shortest(CapSpan s) => Least(s).Length;

    /// <summary>The same with the pile from whose inner face it counts; null: from the column's face.</summary>
    public static (double Length, Pile? From) Least(CapSpan s)
    {
        var (least, from, half) = (double.PositiveInfinity, default(Pile), s.Length / 2);
        var must = StrutAndTie.Must(s.Cap);
        if (!s.Body.IsRectangle)
        {
            return InPolygon(s, must);
        }

        for (var side = -1; side <= 1; side += 2)
        {
            var overhang = s.Overhang(side);
            if (overhang <= Anchorage.Touch || !HasPileBeyond(s, side))
            {
                continue;
            }

            var own = Math.Min(overhang, s.Length - overhang);
            (least, from) = own < least - Alike ? (own, null) : (least, from);

            // A tie takes hold between its pile's inner face and its end.
            foreach (var p in s.Cap.Piles)
            {
                if (must && side * (p.Along(s.AlongX) - s.Face(side)) > 0
                    && half - (side * p.Along(s.AlongX)) + (s.Cap.PileRules.Side / 2) is var length && length < least - Alike)
                {
                    (least, from) = (length, p);
                }
            }
        }

        return (double.IsInfinity(least) ? least : Math.Max(0, least - s.Rules.Concrete.CoverSide), from);
    }

    // Of the bars over each pile beyond a face: they end where the outline does. Of all others flexure and tie count what is developed at
    // their sections.
    private static (double Length, Pile? From) InPolygon(CapSpan s, bool must)
    {
        var (least, from) = (double.PositiveInfinity, default(Pile));
        foreach (var p in s.Cap.Piles)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                if (side * (p.Along(s.AlongX) - s.Face(side)) <= 0)
                {
                    continue;
                }

                var (low, high) = s.Body.Chord(!s.AlongX, p.Along(!s.AlongX));
                var beyond = side > 0 ? high - s.Face(side) : s.Face(side) - low;
                var own = Math.Min(beyond, high - low - beyond);
                (least, from) = own < least - Alike ? (own, null) : (least, from);
                var hold = (side > 0 ? high - p.Along(s.AlongX) : p.Along(s.AlongX) - low) + (s.Cap.PileRules.Side / 2);
                (least, from) = must && hold < least - Alike ? (hold, p) : (least, from);
            }
        }

        return (double.IsInfinity(least) ? least : Math.Max(0, least - s.Rules.Concrete.CoverSide), from);
    }

    /// <summary>From where to where a bar takes hold, in words.</summary>
    public static string Where(Pile? from) =>
        from is null ? "from the column's face to the bar's end" : $"from the inner face of {from.Name} to the bar's end";

    // Lengths that differ by less are one, m.
    private const double Alike = 1e-12;

    private static bool HasPileBeyond(CapSpan s, int side)
    {
        foreach (var p in s.Cap.Piles)
        {
            if (side * (p.Along(s.AlongX) - s.Face(side)) > 0)
            {
                return true;
            }
        }

        return false;
    }
}
