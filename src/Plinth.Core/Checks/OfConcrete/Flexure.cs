using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>A face of a base as a type.</summary>
internal interface IFace
{
    /// <summary>Whether it is the bottom.</summary>
    static abstract bool IsBottom { get; }
}

/// <summary>The bottom, stretched by upward pressure.</summary>
internal readonly struct BottomFace : IFace
{
    public static bool IsBottom => true;
}

/// <summary>The top, stretched where weights exceed the pressure.</summary>
internal readonly struct TopFace : IFace
{
    public static bool IsBottom => false;
}

/// <summary>Flexural strengths of a face.</summary>
/// <param name="Bars">Of its bars.</param>
/// <param name="Plain">φMn of plain concrete, kNm; it counts where <see cref="PlainConcrete"/> says.</param>
internal readonly record struct FaceStrength(FlexuralStrength Bars, double Plain);

/// <summary>Moment at both faces of the column over the whole base against the bars of a face that span along an axis.</summary>
internal readonly struct Flexure<TAxis, TFace> : ICheckRule<SlabSpan, FaceStrength>
    where TAxis : struct, IAxis
    where TFace : struct, IFace
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => trial.Spans(TAxis.IsX);

    // At the bottom the strength is the same for all combinations, and the moment at the face knows no bars.
    public static double GoverningKey(SlabSpan s) => TFace.IsBottom ? 0 : double.NaN;

    public static FaceStrength Capacity(SlabSpan s)
    {
        var none = default(NoTrace);
        return new FaceStrength(Strength(s, ref none), TFace.IsBottom ? 0 : Plain(s, ref none));
    }

    public static Outcome Evaluate<T>(SlabSpan s, in FaceStrength both, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!s.LooksAt(TFace.IsBottom ? Face.Bottom : Face.Top) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var governing = default(SectionForces);
        var demand = 0.0;
        for (var side = -1; side <= 1; side += 2)
        {
            var f = s.AtFace(k, side);
            if (f.Lost)
            {
                governing = f;
                break;
            }

            var m = TFace.IsBottom ? f.MomentUp : OneWayShear<TAxis>.Significant(f.MomentDown, f.DownMoment);
            if (m > demand || governing.Side == 0)
            {
                (demand, governing) = (m, f);
            }
        }

        var face = TFace.IsBottom ? Face.Bottom : Face.Top;
        var strength = both.Bars;
        if (governing.Lost)
        {
            return TFace.IsBottom ? SectionForces.NoEquilibrium(strength.Strength, face, ref trace) : Outcome.NotDone;
        }

        var plain = !TFace.IsBottom && s.PlainOnTop(k) && both.Plain > strength.Strength;
        var outcome = Outcome.Ratio(demand, plain ? both.Plain : strength.Strength) with { Face = face, Plain = plain && demand > 0 };
        if (!strength.Ductile && demand > 0 && !plain)
        {
            outcome = outcome with { Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
            trace.Note(s.Code.TooMuchSteel);
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"{(TFace.IsBottom ? "Bottom" : "Top")} flexure along {TAxis.Name}, at the face");
            s.Tell(governing, k, TFace.IsBottom, moment: true, ref trace);
            if (outcome.Capacity > 0)
            {
                if (plain)
                {
                    Plain(s, ref trace);
                }
                else
                {
                    Strength(s, ref trace);
                }

                trace.Let("utilisation", demand / outcome.Capacity, Unit.Ratio,
                    $"{new Sym("Mu", demand, Unit.Moment)}/{new Sym("φMn", outcome.Capacity, Unit.Moment)}");
            }
        }

        if (outcome.Plain && outcome.Passes)
        {
            trace.Note($"plain concrete holds what weights exceed the pressure ({s.Code.PlainShort})");
        }
        else if (!s.Layer(TFace.IsBottom).Any && demand > 0)
        {
            trace.Note(TFace.IsBottom ? "no bottom bars" : "weights exceed the pressure beyond the face: top steel is needed");
        }

        return outcome;
    }

    private static double Plain<T>(SlabSpan s, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain <= 0 ? 0 : s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.Breadth, plain);
    }

    private static FlexuralStrength Strength<T>(SlabSpan s, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(TFace.IsBottom);
        if (!layer.Any)
        {
            return new FlexuralStrength(0, true, double.PositiveInfinity);
        }

        var area = trace.Let("As", layer.Area, Unit.SteelArea,
            $"{new Sym("n", layer.Count, Unit.Ratio)}·{new Sym("Ab", layer.Size!.Area, Unit.SteelArea)}");
        var spread = s.ShortWayFactor;
        if (spread > 1)
        {
            var beta = s.Breadth / s.Length;
            var b = new Sym("β", beta, Unit.Ratio);
            area = layer.Band > 0
                ? trace.Let("As,eff", Math.Min(area, layer.Band * layer.Size!.Area * (beta + 1) / 2), Unit.SteelArea,
                    $"min({new Sym("As", area, Unit.SteelArea)}; {new Sym("nband", layer.Band, Unit.Ratio)}·"
                        + $"{new Sym("Ab", layer.Size.Area, Unit.SteelArea)}·({b} + 1)/2)",
                    s.Code.ShortWayClause)
                : trace.Let("As,eff", area / spread, Unit.SteelArea, $"{new Sym("As", area, Unit.SteelArea)}/(2·{b}/({b} + 1))",
                    s.Code.ShortWayClause);
        }

        trace.Given("d", s.Depth(TFace.IsBottom), Unit.Section, $"of the {(TFace.IsBottom ? "bottom" : "top")} bars along {TAxis.Name}");
        return s.Code.Flexure(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, area, s.Breadth, s.Depth(TFace.IsBottom));
    }
}
