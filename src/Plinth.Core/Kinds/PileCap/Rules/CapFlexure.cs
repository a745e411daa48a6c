using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// Moment of the piles, at their centres, about the faces of each column over the whole cap, and between columns, against the bars of a
/// face.
/// </summary>
internal readonly struct CapFlexure<TAxis, TFace> : ICheckRule<SlabSpan, FaceStrength>
    where TAxis : struct, IAxis
    where TFace : struct, IFace
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CapTrial)trial).Flexed(TAxis.IsX);

    // Where the cap is no rectangle its two faces have strengths of their own.
    public static double GoverningKey(SlabSpan s) => s.Body.IsRectangle ? Flexure<TAxis, TFace>.GoverningKey(s) : double.NaN;

    public static FaceStrength Capacity(SlabSpan s) => s.Body.IsRectangle ? Flexure<TAxis, TFace>.Capacity(s) : default;

    public static Outcome Evaluate<T>(SlabSpan s, in FaceStrength both, int k, ref T trace)
        where T : struct, ITrace => s.Body.IsRectangle ? Flexure<TAxis, TFace>.Evaluate(s, both, k, ref trace) : InPolygon(s, k, ref trace);

    private static Outcome InPolygon<T>(SlabSpan s, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!s.LooksAt(TFace.IsBottom ? Face.Bottom : Face.Top) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var (worst, governing, none) = (Outcome.NotDone, default(SectionForces), default(NoTrace));
        for (var side = -1; side <= 1; side += 2)
        {
            var f = s.AtFace(k, side);
            var demand = TFace.IsBottom ? f.MomentUp : OneWayShear<TAxis>.Significant(f.MomentDown, f.DownMoment);
            ref var known = ref ((ICapSpan)s).Mats.Of(s, TFace.IsBottom).AtFace(side);
            var strength = s is CapSpan ? known ??= Strength(s, f.At, ref none) : Strength(s, f.At, ref none);
            var o = Outcome.Ratio(demand, strength.Strength) with { Face = TFace.IsBottom ? Face.Bottom : Face.Top };
            if (!strength.Ductile && demand > 0)
            {
                o = o with { Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
            }

            if (!worst.Done || o.Utilisation > worst.Utilisation)
            {
                (worst, governing) = (o, f);
            }
        }

        if (worst.FailsAnyhow)
        {
            trace.Note("too much steel for the depth: the section is not tension-controlled; thicken the base");
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"{(TFace.IsBottom ? "Bottom" : "Top")} flexure along {TAxis.Name}, at the face");
            s.Tell(governing, k, TFace.IsBottom, moment: true, ref trace);
            if (worst.Capacity > 0)
            {
                Strength(s, governing.At, ref trace);
                trace.Let("utilisation", worst.Demand / worst.Capacity, Unit.Ratio,
                    $"{new Sym("Mu", worst.Demand, Unit.Moment)}/{new Sym("φMn", worst.Capacity, Unit.Moment)}");
            }
        }

        if (!s.Layer(TFace.IsBottom).Any && worst.Demand > 0)
        {
            trace.Note(TFace.IsBottom ? "no bottom bars" : "weights exceed the pressure beyond the face: top steel is needed");
        }

        return worst;
    }

    private static FlexuralStrength Strength<T>(SlabSpan s, double at, ref T trace)
        where T : struct, ITrace
    {
        if (!s.Layer(TFace.IsBottom).Any)
        {
            return new FlexuralStrength(0, true, double.PositiveInfinity);
        }

        var (area, breadth) = CapSections.Across(s, TFace.IsBottom, at, developed: true, ref trace);
        trace.Given("d", s.Depth(TFace.IsBottom), Unit.Section, $"of the {(TFace.IsBottom ? "bottom" : "top")} bars along {TAxis.Name}");
        return s.Code.Flexure(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, area, breadth, s.Depth(TFace.IsBottom));
    }
}
