using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What anchorage by the pull of the bars knows before it looks at loads.</summary>
/// <param name="Hook">Height of the highest hook over the height there.</param>
/// <param name="Most">The utilisation if the bars yielded from the first crack on: no combination exceeds it.</param>
internal readonly record struct TieLengths(double Hook, double Most);

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
        var most = 0.0;
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            if (s.LooksAt(bottom ? Face.Bottom : Face.Top) && s.Layer(bottom).Any)
            {
                var full = Anchorage.Length(s, bottom, 1, ref none);
                for (var side = -1; side <= 1; side += 2)
                {
                    var there = TieAnchorage.First(s, side) - s.Rules.Concrete.CoverSide;
                    most = s.Overhang(side) <= Anchorage.Touch ? most
                        : Math.Max(most, there > 0 ? full / there : double.PositiveInfinity);
                }
            }
        }

        return new TieLengths(hook, Math.Max(hook, most));
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
                var (found, x) = TieAnchorage.Worst(s, k, side, bottom);
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
            trace.Heading(
                $"Anchorage of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}, {(s.Layer(bottom).Hooked ? "hooked" : "straight")}");
            TieAnchorage.At(s, k, governing, bottom, at, ref trace);
            if (worst.Plain)
            {
                s.Tell(s.AtFace(k, governing), k, bottom, moment: true, ref trace);
                var held = s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.Breadth, s.Code.PlainThickness(s.Thickness));
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
    private const double LeverArm = 0.9;
    private const double IntoColumn = 0.15;

    /// <summary>Distance from the edge of the first inclined crack: half the thickness, or the face if that is nearer, m (9.8.2.2(5)).</summary>
    public static double First(SlabSpan s, int side) => Math.Min(s.Thickness / 2, s.Overhang(side));

    /// <summary>The distance from the edge at which the bars are anchored worst.</summary>
    /// <returns>Not done where there is no overhang.</returns>
    public static (Outcome Outcome, double At) Worst(SlabSpan s, int k, int side, bool bottom)
    {
        var none = default(NoTrace);
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

        var (worst, at) = (At(s, k, side, bottom, first, ref none), first);
        if (overhang - first <= Anchorage.Touch || face.Lost)
        {
            return Plain(worst, at);
        }

        var best = 0;
        for (var i = 1; i <= Steps; i++)
        {
            var x = first + ((overhang - first) * i / Steps);
            var o = At(s, k, side, bottom, x, ref none);
            (worst, at, best) = o.Utilisation > worst.Utilisation ? (o, x, i) : (worst, at, best);
        }

        // Between its neighbours; from an end the peak may lie inside.
        var (low, high) = (first + ((overhang - first) * Math.Max(0, best - 1) / Steps),
            first + ((overhang - first) * Math.Min(Steps, best + 1) / Steps));
        for (var i = 0; i < Halvings; i++)
        {
            var (x1, x2) = (low + ((high - low) / 3), high - ((high - low) / 3));
            var (o1, o2) = (At(s, k, side, bottom, x1, ref none), At(s, k, side, bottom, x2, ref none));
            (worst, at) = o1.Utilisation > worst.Utilisation ? (o1, x1) : (worst, at);
            (worst, at) = o2.Utilisation > worst.Utilisation ? (o2, x2) : (worst, at);
            (low, high) = o1.Utilisation > o2.Utilisation ? (low, x2) : (x1, high);
        }

        return Plain(worst, at);

        // Where plain concrete alone holds the moment at the face, as at a short overhang, no stress of the bars is called on.
        (Outcome, double) Plain(in Outcome found, double x) =>
            OnPlain(s, moment) is var plain && plain < found.Utilisation ? (found with { Utilisation = plain, Plain = true }, x) : (found, x);
    }

    /// <summary>Moment at a face over what plain concrete holds there.</summary>
    private static double OnPlain(SlabSpan s, double moment)
    {
        var none = default(NoTrace);
        return moment / s.Code.PlainFlexure(ref none, s.Rules.Concrete, s.Breadth, s.Code.PlainThickness(s.Thickness));
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
        var into = IntoColumn * s.FaceSide;
        var d = s.Depth(bottom);
        var (sx, sf) = (new Sym("x", x, Unit.Section), new Sym("to the face", fromFace, Unit.Section));
        trace.Given("x", x, Unit.Section, "from the edge: the worst from h/2 to the face", $"{s.Code.Name} 9.8.2.2(5)");
        trace.Let("to the face", fromFace, Unit.Section, $"{new Sym("overhang", overhang, Unit.Section)} − {sx}");
        trace.Given("R", r, Unit.Force, bottom ? "net pressure beyond x" : "weights less pressure beyond x");
        trace.Given("M", m, Unit.Moment, "of R about the section at x");
        var zi = trace.Let("zi", LeverArm * d, Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}", $"{s.Code.Name} 9.8.2.2(3)");
        var e = trace.Let("e", into, Unit.Section, $"0.15·{new Sym("column", s.FaceSide, Unit.Section)}", $"{s.Code.Name} 9.8.2.2(3)");
        // R·ze: from R to 0.15 of the column's side within its face.
        var pull = trace.Let("Fs", zi > 0 ? (m + (r * (fromFace + into))) / zi : double.PositiveInfinity, Unit.Force,
            $"({new Sym("M", m, Unit.Moment)} + {new Sym("R", r, Unit.Force)}·({sf} + {new Sym("e", e, Unit.Section)}))/"
                + $"{new Sym("zi", zi, Unit.Section)}", $"{s.Code.Name} 9.8.2.2(2)");
        var area = trace.Given("As", layer.Area, Unit.SteelArea, layer.ToString());
        var yield = trace.Let("fyd", code.DesignYield(s.Rules.Steel.Yield), Unit.Stress,
            $"{new Sym("fyk", s.Rules.Steel.Yield, Unit.Stress)}/{new Sym("γS", s.Rules.Steel.Yield / code.DesignYield(s.Rules.Steel.Yield), Unit.Ratio)}");
        var stress = trace.Let("σsd", Math.Min(pull / area, yield), Unit.Stress,
            $"min({new Sym("Fs", pull, Unit.Force)}/{new Sym("As", area, Unit.SteelArea)}; {new Sym("fyd", yield, Unit.Stress)})");
        var bar = Anchorage.Bar(s, bottom, ref trace);
        var needed = code.Anchored(ref trace, s.Rules.Concrete, bar, stress, layer.Hooked);
        var there = trace.Let("there", Math.Max(0, x - cover), Unit.Section, $"{sx} − {new Sym("cover", cover, Unit.Section)}");
        return Outcome.Ratio(needed, there);
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
