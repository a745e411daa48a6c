using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Moment along a base under several columns, at the faces of all columns and where the shear passes through nil, against the bars of a
/// face over the whole breadth there.
/// </summary>
internal readonly struct LongFlexure<TFace> : ICheckRule<LongSpan, Nothing>
    where TFace : struct, IFace
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    // Over one breadth the bars strengthen every section alike.
    public static double GoverningKey(LongSpan s) => TFace.IsBottom && s.Body.IsRectangle && !s.HasExtra(true) ? 0 : double.NaN;

    public static Nothing Capacity(LongSpan s) => default;

    public static Outcome Evaluate<T>(LongSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var face = TFace.IsBottom ? Face.Bottom : Face.Top;
        if (!s.LooksAt(face) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var sections = s.Sections(k);
        var worst = Outcome.Ratio(0, Strength(s, 0, false, ref none).Strength) with { Face = face };
        var (at, ductile, plain) = (0.0, true, false);
        var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * s.Length;
        for (var i = 0; i < sections.Length; i++)
        {
            var demand = s.Stretch(TFace.IsBottom, k, sections[i]);
            if (demand <= residue)
            {
                continue;
            }

            var strength = Strength(s, sections[i].X, false, ref none);
            var held = TFace.IsBottom ? 0 : Plain(s, k, sections[i].X, ref none);
            var isPlain = held > strength.Strength;
            var outcome = Outcome.Ratio(demand, isPlain ? held : strength.Strength) with { Face = face, Plain = isPlain };
            if (!strength.Ductile && !isPlain)
            {
                outcome = outcome with { Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
            }

            if (outcome.Utilisation > worst.Utilisation || worst.Demand == 0)
            {
                (worst, at, ductile, plain) = (outcome, sections[i].X, strength.Ductile, isPlain);
            }
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"{(TFace.IsBottom ? "Bottom" : "Top")} flexure along {s.Axis}");
            Tell(s, k, at, ref trace);
            if (worst.Capacity > 0)
            {
                if (plain)
                {
                    Plain(s, k, at, ref trace);
                }
                else
                {
                    Strength(s, at, true, ref trace);
                }

                trace.Let("utilisation", worst.Demand / worst.Capacity, Unit.Ratio,
                    $"{new Sym("Mu", worst.Demand, Unit.Moment)}/{new Sym("φMn", worst.Capacity, Unit.Moment)}");
            }
        }

        if (T.Notes && worst.Demand > 0)
        {
            if (s.AlongX)
            {
                trace.Along(at);
            }

            trace.Note($"{Unit.Length.FormatWithSymbol(at, s.Units)} along {s.Axis} from the base's centroid"
                + (!ductile ? ": too much steel for the depth; thicken the base"
                    : plain && worst.Passes ? $": plain concrete holds it ({s.Code.PlainShort})"
                    : s.Layer(TFace.IsBottom).Any || plain ? ""
                    : TFace.IsBottom ? ": no bottom bars"
                    : ": top steel is needed"));
        }

        return worst;
    }

    private static void Tell<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var section = s.Section(k, at);
        trace.Given(s.Axis, at, Unit.Length,
            "section from the base's centroid: a face of a column, or where the shear passes through nil between them");
        trace.Given("V", section.Shear, Unit.Force, $"∫(p + u − w) dA − ΣN of all towards −{s.Axis}");
        trace.Given("M", section.Moment, Unit.Moment,
            s.AlongX
                ? "∫(p + u − w)·(x − ξ) dA − Σ(N·(x − xi) − My,col) of all towards −x; positive stretches the bottom"
                : "∫(p + u − w)·(y − η) dA − Σ(N·(y − yi) + Mx,col) of all towards −y; positive stretches the bottom");
        trace.Given("b", s.BreadthAt(at), Unit.Section, "breadth there");
    }

    // Between columns a slab without top bars is no plain footing.
    private static double Plain<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain <= 0 || !s.IsBeyond(at) || !s.PlainOnTop(k)
            ? 0
            : s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.BreadthAt(at), plain);
    }

    private static FlexuralStrength Strength<T>(LongSpan s, double at, bool tell, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(TFace.IsBottom);
        if (!layer.Any)
        {
            return new FlexuralStrength(0, true, double.PositiveInfinity);
        }

        var steel = s.SteelAt(TFace.IsBottom, at);
        if (tell)
        {
            if (s.AlongX)
            {
                ExtraTrace.Steel(s.Extra, layer, TFace.IsBottom, at, ref trace);
            }
            else
            {
                trace.Given("As", steel, Unit.SteelArea, "of all bars across within the section, in bands and between");
            }

            trace.Given("d", s.Depth(TFace.IsBottom), Unit.Section, $"of the {(TFace.IsBottom ? "bottom" : "top")} bars along {s.Axis}");
        }

        return s.Code.Flexure(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, steel, s.BreadthAt(at), s.Depth(TFace.IsBottom));
    }
}
