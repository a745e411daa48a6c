using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What anchorage by the pull of the bars knows before it looks at loads.</summary>
/// <param name="Bottom">Length that the bottom bars need at their design yield strength, m; 0 without.</param>
/// <param name="Top">The same of the top bars, m.</param>
/// <param name="Hook">Height of the highest hook over the height there.</param>
/// <param name="Most">The utilisation if the bars yielded from the first crack on: no combination exceeds it.</param>
internal readonly record struct TieLengths(double Bottom, double Top, double Hook, double Most);

/// <summary>
/// Anchorage of the bars of a base by the pull in them at every distance from its edge: from where the first inclined crack may open, at
/// half the thickness, to the face of the column (EN 1992-1-1 9.8.2.2, 8.4).
/// </summary>
internal readonly struct TieAnchorage<TAxis> : ICheckRule<SlabSpan, TieLengths>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => trial.Spans(TAxis.IsX);

    public static TieLengths Capacity(SlabSpan s)
    {
        var none = default(NoTrace);
        var hook = Math.Max(Anchorage.HookFits(s, true), Anchorage.HookFits(s, false));
        var (most, lengths) = (0.0, (Bottom: 0.0, Top: 0.0));
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            if (s.LooksAt(bottom ? Face.Bottom : Face.Top) && s.Layer(bottom).Any)
            {
                var full = Anchorage.Length(s, bottom, 1, ref none);
                lengths = bottom ? (full, lengths.Top) : (lengths.Bottom, full);
                for (var side = -1; side <= 1; side += 2)
                {
                    var there = TieAnchorage.First(s, side) - s.Rules.Concrete.CoverSide;
                    most = s.Overhang(side) <= Anchorage.Touch ? most
                        : Math.Max(most, there > 0 ? full / there : double.PositiveInfinity);
                }
            }
        }

        return new TieLengths(lengths.Bottom, lengths.Top, hook, Math.Max(hook, most));
    }

    public static double UpperBound(SlabSpan s, in TieLengths lengths, int k) => lengths.Most;

    public static Outcome Evaluate<T>(SlabSpan s, in TieLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var worst = Outcome.NotDone;
        var (governing, at) = (0, 0.0);
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return worst;
        }

        foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
        {
            var bottom = face == Face.Bottom;
            if (!s.LooksAt(face) || !s.Layer(bottom).Any)
            {
                continue;
            }

            for (var side = -1; side <= 1; side += 2)
            {
                var (found, x) = TieAnchorage.Worst(s, k, side, bottom, bottom ? lengths.Bottom : lengths.Top);
                if (found.Done && (!worst.Done || found.Utilisation > worst.Utilisation))
                {
                    (worst, governing, at) = (found with { Face = face }, side, x);
                }
            }
        }

        if (lengths.Hook > Math.Max(1, worst.Utilisation) && worst.Done)
        {
            trace.Note("the hooks are higher than the base: thinner bars or a thicker base");
            trace.Given("utilisation", lengths.Hook, Unit.Ratio, "height of the hooks over the height between the covers");
            return Outcome.Ratio(lengths.Hook, 1) with { Face = worst.Face };
        }

        if (worst.Done && T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Anchorage of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}, "
                + $"{(s.Layer(bottom).Hooked ? "hooked" : "straight")}");
            TieAnchorage.At(s, k, governing, bottom, at, ref trace);
            if (worst.Plain)
            {
                s.Tell(s.AtFace(k, governing), k, bottom, moment: true, ref trace);
                var held = s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.NarrowBreadth, s.Code.PlainThickness(s.Thickness));
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("Mu", worst.Utilisation * held, Unit.Moment)}/{new Sym("φMn", held, Unit.Moment)}");
            }
            else if (worst.Utilisation == 0)
            {
                trace.Given("utilisation", 0, Unit.Ratio, "nothing pulls at the bars");
            }
            else if (worst.Utilisation < Outcome.NoCapacity)
            {
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("lbd", worst.Demand, Unit.Section)}/{new Sym("there", worst.Capacity, Unit.Section)}");
            }
            else
            {
                trace.Given("utilisation", worst.Utilisation, Unit.Ratio, "there is no length beyond the first crack");
            }
        }

        if (worst.Done && T.Notes)
        {
            trace.Note((s.Layer(worst.Face == Face.Bottom).Hooked ? "hooked ends" : "straight ends")
                + (worst.Plain
                    ? worst.Passes ? $"; plain concrete holds the moment at the face ({s.Code.PlainShort})"
                        : " are too short, and plain concrete does not hold the moment at the face either"
                    : $", {Unit.Section.FormatWithSymbol(at, s.Units)} from the edge"));
        }

        return worst;
    }
}

/// <summary>What anchorage by the pull of the bars shares with the search for them.</summary>
internal static class TieAnchorage
{
    // So many distances are looked at before the worst is sought between its neighbours.
    private const int Steps = 8;
    private const int Halvings = 12;
    public const double LeverArm = 0.9;
    private const double IntoColumn = 0.15;

    // Less than there is would make the pull too small: a span that does not say what stands on it is none to look at here.
    private static double Into(SlabSpan s, int side) => s.FaceSide(side) > 0
        ? IntoColumn * s.FaceSide(side)
        : throw new InvalidOperationException("a span that does not say the side of its column is not anchored by the pull of its bars");

    /// <summary>
    /// Distance from the edge of the first inclined crack: half the thickness, or the face if that is nearer, m (9.8.2.2(5)).
    /// </summary>
    public static double First(SlabSpan s, int side) => Math.Min(s.Thickness / 2, s.Overhang(side));

    /// <summary>The distance from the edge at which the bars are anchored worst.</summary>
    /// <param name="s">The span.</param>
    /// <param name="k">The combination.</param>
    /// <param name="side">+1 or −1.</param>
    /// <param name="bottom">The bottom bars, or the top ones.</param>
    /// <param name="full">Length that the bars need at their design yield strength, m.</param>
    /// <returns>Not done where there is no overhang.</returns>
    public static (Outcome Outcome, double At) Worst(SlabSpan s, int k, int side, bool bottom, double full)
    {
        var overhang = s.Overhang(side);
        if (overhang <= Anchorage.Touch)
        {
            return (Outcome.NotDone, 0);
        }

        var first = First(s, side);
        ref readonly var face = ref s.AtFace(k, side);
        var moment = bottom ? face.MomentUp : OneWayShear<AxisX>.Significant(face.MomentDown, face.DownMoment);
        if (moment <= 0 && !face.Lost)
        {
            return (Outcome.Ratio(0, Math.Max(Anchorage.Touch, overhang - s.Rules.Concrete.CoverSide)), overhang);
        }

        var pull = new Pull(s, k, side, bottom, full);
        var (worst, at) = (pull.At(first), first);
        if (overhang - first <= Anchorage.Touch || face.Lost || pull.IsWorstFirst)
        {
            return Plain(worst, at);
        }

        var best = 0;
        for (var i = 1; i <= Steps; i++)
        {
            var x = first + ((overhang - first) * i / Steps);
            var o = pull.At(x);
            (worst, at, best) = o.Utilisation > worst.Utilisation ? (o, x, i) : (worst, at, best);
        }

        // Between its neighbours; from an end the peak may lie inside.
        var (low, high) = (first + ((overhang - first) * Math.Max(0, best - 1) / Steps),
            first + ((overhang - first) * Math.Min(Steps, best + 1) / Steps));
        for (var i = 0; i < Halvings; i++)
        {
            var (x1, x2) = (low + ((high - low) / 3), high - ((high - low) / 3));
            var (o1, o2) = (pull.At(x1), pull.At(x2));
            (worst, at) = o1.Utilisation > worst.Utilisation ? (o1, x1) : (worst, at);
            (worst, at) = o2.Utilisation > worst.Utilisation ? (o2, x2) : (worst, at);
            (low, high) = o1.Utilisation > o2.Utilisation ? (low, x2) : (x1, high);
        }

        return Plain(worst, at);

        // Where plain concrete alone holds the moment at the face, as at a short overhang, no stress of the bars is called on.
        (Outcome, double) Plain(in Outcome found, double x) =>
            OnPlain(s, moment) is var plain && plain < found.Utilisation
                ? (found with { Utilisation = plain, Plain = true }, x)
                : (found, x);
    }

    // The pull in the bars along an overhang without the steps of a trace. Where the whole of it bears and nothing stands on it, what acts
    // is a straight line that shear and moment at the face tell, and the pull a cubic of the distance.
    private readonly ref struct Pull
    {
        private readonly SlabSpan s;
        private readonly int k;
        private readonly int side;
        private readonly bool bottom;
        private readonly double full;
        private readonly double least;
        private readonly double yield;
        private readonly double area;
        private readonly double arm;
        private readonly double overhang;
        private readonly double into;
        private readonly double cover;
        private readonly bool linear;
        private readonly double atEdge;
        private readonly double slope;

        public Pull(SlabSpan s, int k, int side, bool bottom, double full)
        {
            (this.s, this.k, this.side, this.bottom, this.full) = (s, k, side, bottom, full);
            var layer = s.Layer(bottom);
            least = Math.Max(10 * layer.Diameter, 0.100);
            yield = ((ITieAnchorage)s.Code).DesignYield(s.Rules.Steel.Yield);
            (area, arm) = (layer.Area, LeverArm * s.Depth(bottom));
            (overhang, into, cover) = (s.Overhang(side), Into(s, side), s.Rules.Concrete.CoverSide);
            ref readonly var face = ref s.AtFace(k, side);
            linear = !face.Lost && s.IsStraight(k, side);
            if (linear)
            {
                var (r, m) = bottom
                    ? (face.UpShear - (face.Deduct * face.DownShear), face.UpMoment - (face.Deduct * face.DownMoment))
                    : (face.DownShear - face.UpShear, face.DownMoment - face.UpMoment);
                // R = r0·o + r1·o²/2 and M = r0·o²/2 + r1·o³/6.
                slope = ((overhang * r) - (2 * m)) * 6 / (overhang * overhang * overhang);
                atEdge = (r - (slope * overhang * overhang / 2)) / overhang;
            }
        }

        // A pull that grows ever slower from the edge on, over a length that grows evenly, needs most of it where it begins.
        public bool IsWorstFirst => linear && atEdge >= 0 && slope * (overhang + into) <= atEdge;

        public Outcome At(double x)
        {
            double pull;
            if (linear)
            {
                // Nothing is pulled where what acts beyond x acts the other way.
                var (r, m) = ((atEdge * x) + (slope * x * x / 2), (atEdge * x * x / 2) + (slope * x * x * x / 6));
                pull = (Math.Max(0, m) + (Math.Max(0, r) * (overhang - x + into))) / arm;
            }
            else
            {
                var fromFace = Math.Max(0, overhang - x);
                var f = fromFace <= Anchorage.Touch ? s.AtFace(k, side) : s.Beyond(k, side, fromFace);
                if (f.Lost)
                {
                    return new Outcome { Done = true, Capacity = 1, Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
                }

                pull = bottom
                    ? (f.MomentUp + (f.ShearUp * (fromFace + into))) / arm
                    : (OneWayShear<AxisX>.Significant(f.MomentDown, f.DownMoment)
                        + (OneWayShear<AxisX>.Significant(f.ShearDown, f.DownShear) * (fromFace + into))) / arm;
            }

            // lbd grows with the stress, but for its least length.
            return Outcome.Ratio(Math.Max(full * Math.Min(1, pull / (area * yield)), least), Math.Max(0, x - cover));
        }
    }

    /// <summary>Moment at a face over what plain concrete holds there.</summary>
    private static double OnPlain(SlabSpan s, double moment)
    {
        var none = default(NoTrace);
        return moment / s.Code.PlainFlexure(ref none, s.Rules.Concrete, s.NarrowBreadth, s.Code.PlainThickness(s.Thickness));
    }

    /// <summary>The length that the bars need at a distance from the edge against the length there.</summary>
    public static Outcome At<T>(SlabSpan s, int k, int side, bool bottom, double x, ref T trace)
        where T : struct, ITrace
    {
        var code = (ITieAnchorage)s.Code;
        var layer = s.Layer(bottom);
        var (overhang, cover) = (s.Overhang(side), s.Rules.Concrete.CoverSide);
        var fromFace = Math.Max(0, overhang - x);
        var forces = fromFace <= Anchorage.Touch ? s.AtFace(k, side) : s.Beyond(k, side, fromFace);
        if (forces.Lost)
        {
            return SectionForces.NoEquilibrium(1, bottom ? Face.Bottom : Face.Top, ref trace);
        }

        var (r, m) = bottom
            ? (forces.ShearUp, forces.MomentUp)
            : (OneWayShear<AxisX>.Significant(forces.ShearDown, forces.DownShear),
                OneWayShear<AxisX>.Significant(forces.MomentDown, forces.DownMoment));
        var into = Into(s, side);
        var d = s.Depth(bottom);
        var (sx, sf) = (new Sym("x", x, Unit.Section), new Sym("to the face", fromFace, Unit.Section));
        trace.Given("x", x, Unit.Section, "from the edge: the worst from h/2 to the face", $"{s.Code.Name} 9.8.2.2(5)");
        trace.Let("to the face", fromFace, Unit.Section, $"{new Sym("overhang", overhang, Unit.Section)} − {sx}");
        trace.Given("R", r, Unit.Force, bottom ? "net pressure beyond x" : "weights less pressure beyond x");
        trace.Given("M", m, Unit.Moment, "of R about the section at x");
        var zi = trace.Let("zi", LeverArm * d, Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}", $"{s.Code.Name} 9.8.2.2(3)");
        var e = trace.Let("e", into, Unit.Section, $"0.15·{new Sym("column", s.FaceSide(side), Unit.Section)}",
            $"{s.Code.Name} 9.8.2.2(3)");
        // R·ze: from R to 0.15 of the column's side within its face.
        var pull = trace.Let("Fs", zi > 0 ? (m + (r * (fromFace + into))) / zi : double.PositiveInfinity, Unit.Force,
            $"({new Sym("M", m, Unit.Moment)} + {new Sym("R", r, Unit.Force)}·({sf} + {new Sym("e", e, Unit.Section)}))/"
                + $"{new Sym("zi", zi, Unit.Section)}", $"{s.Code.Name} 9.8.2.2(2)");
        var area = trace.Given("As", layer.Area, Unit.SteelArea, layer.ToString());
        var yield = TellYield(s, ref trace);
        var stress = trace.Let("σsd", Math.Min(pull / area, yield), Unit.Stress,
            $"min({new Sym("Fs", pull, Unit.Force)}/{new Sym("As", area, Unit.SteelArea)}; {new Sym("fyd", yield, Unit.Stress)})");
        var bar = Anchorage.Bar(s, bottom, ref trace);
        var needed = code.Anchored(ref trace, s.Rules.Concrete, bar, stress, layer.Hooked);
        var there = trace.Let("there", Math.Max(0, x - cover), Unit.Section, $"{sx} − {new Sym("cover", cover, Unit.Section)}");
        return Outcome.Ratio(needed, there);
    }

    /// <summary>fyd, kPa, told.</summary>
    public static double TellYield<T>(SlabSpan s, ref T trace)
        where T : struct, ITrace
    {
        var (yield, design) = (s.Rules.Steel.Yield, ((ITieAnchorage)s.Code).DesignYield(s.Rules.Steel.Yield));
        return trace.Let("fyd", design, Unit.Stress, $"{new Sym("fyk", yield, Unit.Stress)}/{new Sym("γS", yield / design, Unit.Ratio)}");
    }

    /// <summary>Whether the bars of a layer hold without hooks even if they yield at the first crack.</summary>
    public static bool SurelyFits(SlabSpan s, bool bottom)
    {
        var none = default(NoTrace);
        var needed = Anchorage.Straight(s, bottom, ref none);
        for (var side = -1; side <= 1; side += 2)
        {
            if (s.Overhang(side) > Anchorage.Touch && needed > First(s, side) - s.Rules.Concrete.CoverSide)
            {
                return false;
            }
        }

        return true;
    }
}
