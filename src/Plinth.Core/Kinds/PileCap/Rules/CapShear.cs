using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>Strengths of a cap in one-way shear.</summary>
/// <param name="Bottom">φVc with the bottom bars, kN.</param>
/// <param name="Top">φVc with the top bars; 0 without, kN.</param>
/// <param name="Steep">φVn that no section at a face may exceed, kN.</param>
internal readonly record struct CapShearStrength(double Bottom, double Top, double Steep);

/// <summary>
/// Shear across a whole cap at d from the faces of each column, each pile by the share of its size beyond (ACI 318 13.4.2.5 of -14,
/// 13.4.6.5 of -19); where a pile
/// stands nearer to the face than d, at the face too, against the most that a deep member may carry (9.9.2.1): the strut-and-tie model must
/// hold that pile.
/// </summary>
internal readonly struct CapShear<TAxis> : ICheckRule<CapSpan, CapShearStrength>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<CapSpan> Of(Trial trial) => ((CapTrial)trial).CapSpans(TAxis.IsX);

    public static double GoverningKey(CapSpan s) =>
        s.Trial.Looking == Face.Bottom && s.Body.IsRectangle && s.Cap.Columns.Length == 1 && !s.Code.OneWayShearGrowsWithSteel
            ? s.Depth(true)
            : double.NaN;

    public static bool BoundsBars => true;

    // Towards the edge fewer piles and less weight lie beyond; strength grows with depth and with steel.
    public static double LowerBound(CapSpan s, in BarRange range, int k)
    {
        if (s.Cap.Columns.Length > 1 || s.Body.PlacedLoads.Length > 0 || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return 0;
        }

        // Water presses less on a cap that reaches less deep, and heavy soil may take its place.
        if (range.Thinner > 0 && (s.Body.GroundLoad(k).WaterPressure > 0 || s.Body.Ground.HeaviestSoil > s.Rules.Concrete.Weight))
        {
            return 0;
        }

        var least = double.PositiveInfinity;
        foreach (var bars in range.Along(TAxis.IsX))
        {
            // Of bars that lie on others each of those counts by itself; of thinner caps all at once.
            if (range.Thinner > 0 || range.IsOuter(TAxis.IsX))
            {
                least = Math.Min(least, LowerBound(s, k, bars, 0, range.Lifted(TAxis.IsX), range.Thinner));
                continue;
            }

            foreach (var across in range.Along(!TAxis.IsX))
            {
                least = Math.Min(least, LowerBound(s, k, bars, 2 * across.Less, 2 * across.Less, 0));
            }
        }

        return least;
    }

    // Of bars of one size that lie less deep by no less and no more than is given.
    private static double LowerBound(CapSpan s, int k, in MostBars bars, double least, double most, double thinner)
    {
        var (none, depth, worst) = (default(NoTrace), s.Depth(true) - bars.Less - least, 0.0);
        for (var side = -1; side <= 1; side += 2)
        {
            var (near, far) = (s.Face(side) + (side * (depth + least - most)), s.Face(side) + (side * depth));
            if (s.Overhang(side) > depth && CapSections.LeastShear(s.Cap, k, TAxis.IsX, side, near, far, thinner) is > 0 and var demand)
            {
                // Bars that cross reach farther by the cover.
                var cover = side * s.Rules.Concrete.CoverSide;
                var area = s.Most(bars.Layer, s.Widest(near + cover, far + cover));
                worst = Math.Max(worst,
                    demand / s.Code.OneWayShear(ref none, s.Rules.Concrete, s.Widest(near, far), depth, area, ofFooting: false));
            }
        }

        return worst;
    }

    public static CapShearStrength Capacity(CapSpan s)
    {
        if (!s.Body.IsRectangle)
        {
            return default;
        }

        var none = default(NoTrace);
        return new CapShearStrength(Strength(s, true, ref none), Strength(s, false, ref none),
            s.Code.SteepShear(ref none, s.Rules.Concrete, s.Breadth, s.Depth(true)));
    }

    public static Outcome Evaluate<T>(CapSpan s, in CapShearStrength strength, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var own = strength;
        var (worst, governing, how, upward) = (Outcome.Ratio(0, strength.Bottom) with { Face = Face.Bottom }, default(SectionForces),
            How.AtDepth, true);
        for (var side = -1; side <= 1; side += 2)
        {
            var between = HasColumnBeyond(s, side);
            if (IsWithin(s, side))
            {
                var f = s.Beyond(k, side, s.Depth(true));

                // Between columns the shear counts whichever way it goes, with the bars of the face that is stretched.
                var hogs = between && f.DownMoment > f.UpMoment;
                if (s.LooksAt(hogs ? Face.Top : Face.Bottom))
                {
                    Take(f, !between || f.ShearUp >= f.ShearDown, hogs ? How.Between : How.AtDepth);
                }

                if (s.LooksAt(Face.Bottom) && s.HasPileWithin(side, s.Depth(true)))
                {
                    var at = s.AtFace(k, side);
                    Take(at, at.ShearUp >= at.ShearDown, How.Steep);
                }
            }

            if (s.LooksAt(Face.Top) && s.Overhang(side) > 0 && !between)
            {
                Take(s.AtFace(k, side), false, How.Down);
            }
        }

        if (T.Records)
        {
            Tell(s, k, worst, governing, how, upward, ref trace);
        }

        if (T.Notes)
        {
            trace.Note(worst.Utilisation == 0 ? "no pile stands beyond the section at d"
                : how == How.Steep ? "at the face, as a pile stands nearer than d; the strut-and-tie model must hold it too"
                : how == How.Down
                    ? s.Layer(false).Any ? "piles pull beyond the face" : "piles or weights pull down beyond the face: top steel is needed"
                : how == How.Between ? "at d from the face, between columns"
                : "at d from the face");
        }

        return worst;

        void Take(in SectionForces f, bool up, How by)
        {
            var none = default(NoTrace);
            var capacity = s.Body.IsRectangle ? by switch { How.Steep => own.Steep, How.AtDepth => own.Bottom, _ => own.Top }
                : by == How.Steep ? Steep(s, f.At, ref none)
                : by == How.AtDepth ? s.Mats.Of(s, true).AtDepth(f.Side) ??= StrengthAt(s, true, f.At, ref none)
                : StrengthAt(s, false, f.At, ref none);
            var demand = up ? f.ShearUp : OneWayShear<AxisX>.Significant(f.ShearDown, f.DownShear);
            var o = Outcome.Ratio(demand, capacity) with { Face = by is How.Down or How.Between ? Face.Top : Face.Bottom };
            if (o.Utilisation > worst.Utilisation)
            {
                (worst, governing, how, upward) = (o, f, by, up);
            }
        }
    }

    private enum How
    {
        AtDepth,
        Between,
        Steep,
        Down,
    }

    // Whether the section at d lies within the cap, and short of the next column.
    private static bool IsWithin(CapSpan s, int side)
    {
        var at = side * (s.Face(side) + (side * s.Depth(true)));
        foreach (var c in s.Cap.Columns)
        {
            if (side * ((s.AlongX ? c.X : c.Y) - s.Face(side)) > 0 && at > side * c.Face(s.AlongX, -side))
            {
                return false;
            }
        }

        return s.Overhang(side) > 0;
    }

    private static bool HasColumnBeyond(CapSpan s, int side)
    {
        foreach (var c in s.Cap.Columns)
        {
            if (side * ((s.AlongX ? c.X : c.Y) - s.Face(side)) > 0)
            {
                return true;
            }
        }

        return false;
    }

    private static void Tell<T>(CapSpan s, int k, in Outcome worst, in SectionForces governing, How how, bool upward, ref T trace)
        where T : struct, ITrace
    {
        BaseLoadCase.Contact(s.Body, k, true, ref trace);
        trace.Heading($"Shear across {TAxis.Name}, {(how is How.AtDepth or How.Between ? "at d from the face" : "at the face")}");
        if (worst.Utilisation == 0)
        {
            trace.Remark("No pile stands beyond the sections.");
            return;
        }

        var bottom = how is How.AtDepth or How.Steep;
        trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}");
        CapSections.Tell(s.Cap, s.AlongX, governing, k, upward, moment: false, ref trace);
        if (worst.Capacity <= 0)
        {
            return;
        }

        if (how == How.Steep)
        {
            Steep(s, governing.At, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVn", worst.Capacity, Unit.Force)}");
            return;
        }

        StrengthAt(s, bottom, governing.At, ref trace);
        trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
            $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVc", worst.Capacity, Unit.Force)}");
    }

    // At a section of a cap that is no rectangle by its breadth and bars there.
    private static double StrengthAt<T>(CapSpan s, bool bottom, double at, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.IsRectangle || !s.Layer(bottom).Any)
        {
            return Strength(s, bottom, ref trace);
        }

        var (area, breadth) = CapSections.Across(s, bottom, at, developed: false, ref trace);
        return s.Code.OneWayShear(ref trace, s.Rules.Concrete, breadth, s.Depth(bottom), area, ofFooting: false);
    }

    private static double Steep<T>(CapSpan s, double at, ref T trace)
        where T : struct, ITrace
    {
        var (from, to) = s.Body.Chord(s.AlongX, at);
        return s.Code.SteepShear(ref trace, s.Rules.Concrete, s.Body.IsRectangle ? s.Breadth : to - from, s.Depth(true));
    }

    private static double Strength<T>(CapSpan s, bool bottom, ref T trace)
        where T : struct, ITrace =>
        !s.Layer(bottom).Any
            ? 0
            : s.Code.OneWayShear(ref trace, s.Rules.Concrete, s.Breadth, s.Depth(bottom), s.Steel(bottom), ofFooting: false);
}
