using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>Moment along a base under several columns, at the faces of all columns and where the shear passes through nil, against the bars of a face over the whole breadth there.</summary>
internal readonly struct LongFlexure<TFace> : ICheckRule<LongSpan, Nothing>
    where TFace : struct, IFace
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

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
        var worst = Outcome.Ratio(0, Strength(s, k, 0, false, ref none).Strength) with { Face = face };
        var (at, ductile, plain) = (0.0, true, false);
        var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * s.Length;
        for (var i = 0; i < sections.Length; i++)
        {
            var demand = Demand(s, k, sections[i], residue);
            if (demand <= 0)
            {
                continue;
            }

            var strength = Strength(s, k, sections[i].X, false, ref none);
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
                    Strength(s, k, at, true, ref trace);
                }

                trace.Let("utilisation", worst.Demand / worst.Capacity, Unit.Ratio, $"{new Sym("Mu", worst.Demand, Unit.Moment)}/{new Sym("φMn", worst.Capacity, Unit.Moment)}");
            }
        }

        if (T.Notes && worst.Demand > 0)
        {
            trace.Note($"{Unit.Length.FormatWithSymbol(at, s.Units)} along {s.Axis} from the base's centroid"
                + (!ductile ? ": too much steel for the depth; thicken the base" : plain && worst.Passes ? ": plain concrete holds it (14.5)" : s.Layer(TFace.IsBottom).Any || plain ? "" : TFace.IsBottom ? ": no bottom bars" : ": top steel is needed"));
        }

        return worst;
    }

    // Gross pressure deducts no weights from what pushes the overhangs up; between columns there is but one balance.
    private static double Demand(LongSpan s, int k, in LongSection at, double residue)
    {
        if (TFace.IsBottom && s.Rules.Concrete.Pressure == Concrete.SectionPressure.Gross && s.IsBeyond(at.X))
        {
            var side = at.X < 0 ? -1 : 1;
            return Math.Max(0, s.Beyond(k, side, 0).MomentUp);
        }

        var moment = TFace.IsBottom ? at.Moment : -at.Moment;
        return moment > residue ? moment : 0;
    }

    private static void Tell<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var section = s.Section(k, at);
        trace.Given(s.Axis, at, Unit.Length, "section from the base's centroid: a face of a column, or where the shear passes through nil between them");
        trace.Given("V", section.Shear, Unit.Force, $"∫(p + u − w) dA − ΣN of all towards −{s.Axis}");
        trace.Given("M", section.Moment, Unit.Moment, s.AlongX ? "∫(p + u − w)·(x − ξ) dA − Σ(N·(x − xi) − My,col) of all towards −x; positive stretches the bottom" : "∫(p + u − w)·(y − η) dA − Σ(N·(y − yi) + Mx,col) of all towards −y; positive stretches the bottom");
        trace.Given("b", s.BreadthAt(at), Unit.Section, "breadth there");
    }

    // Between columns a slab without top bars is no plain footing.
    private static double Plain<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain <= 0 || !s.IsBeyond(at) || !s.PlainOnTop(k) ? 0 : s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.BreadthAt(at), plain);
    }

    private static FlexuralStrength Strength<T>(LongSpan s, int k, double at, bool tell, ref T trace)
        where T : struct, ITrace
    {
        _ = k;
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
                trace.Let("As", layer.Area, Unit.SteelArea, $"{new Sym("n", layer.Count, Unit.Ratio)}·{new Sym("Ab", layer.Size!.Area, Unit.SteelArea)}");
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

/// <summary>
/// Shear along a base under several columns: at d from each face where the ground pushes towards that column, else at the face; between columns nearer than twice d once,
/// in the middle; against the concrete with the bars of the stretched side there.
/// </summary>
internal readonly struct LongShear : ICheckRule<LongSpan, Nothing>
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    public static Nothing Capacity(LongSpan s) => default;

    public static Outcome Evaluate<T>(LongSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var worst = Outcome.Ratio(0, Strength(s, k, 0, true, false, ref none)) with { Face = Face.Bottom };
        var governing = default(LongSection);
        var (bottom, atFace) = (true, false);
        foreach (var c in s.Columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                if (Place(s, k, c, side) is not { } place)
                {
                    continue;
                }

                var section = s.Section(k, place.At);
                var below = section.Moment >= 0;
                if (!s.LooksAt(below ? Face.Bottom : Face.Top))
                {
                    continue;
                }

                var demand = OneWayShear<AxisX>.Significant(Math.Abs(section.Shear), s.Body.Loads(k).N);
                var strength = Strength(s, k, place.At, below, false, ref none);
                var held = below ? 0 : Plain(s, k, place.At, ref none);
                var outcome = Outcome.Ratio(demand, Math.Max(strength, held)) with { Face = below ? Face.Bottom : Face.Top, Plain = held > strength };
                if (outcome.Utilisation > worst.Utilisation)
                {
                    (worst, governing, bottom, atFace) = (outcome, section, below, place.AtFace);
                }
            }
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading(atFace ? $"Shear across {s.Axis}, at the face" : $"Shear across {s.Axis}, at d from the face");
            trace.Given(s.Axis, governing.X, Unit.Length, "section from the base's centroid");
            trace.Given("V", governing.Shear, Unit.Force, $"∫(p + u − w) dA − ΣN of all towards −{s.Axis}");
            trace.Given("M", governing.Moment, Unit.Moment, bottom ? "stretches the bottom there" : "stretches the top there");
            trace.Given("b", s.BreadthAt(governing.X), Unit.Section, "breadth there");
            if (worst.Capacity > 0)
            {
                if (worst.Plain)
                {
                    Plain(s, k, governing.X, ref trace);
                }
                else
                {
                    Strength(s, k, governing.X, bottom, true, ref trace);
                }

                trace.Let("utilisation", worst.Utilisation, Unit.Ratio, $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVc", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes && worst.Demand > 0)
        {
            trace.Note($"{Unit.Length.FormatWithSymbol(governing.X, s.Units)} along {s.Axis} from the base's centroid{(atFace ? ", at the face" : "")}");
        }

        return worst;
    }

    /// <summary>Where the section of a column's side lies; null where it lies beyond the base.</summary>
    public static (double At, bool AtFace)? Place(LongSpan s, int k, Standing c, int side)
    {
        var face = s.Face(c, side);
        if (face <= s.Low + 1e-9 || face >= s.High - 1e-9)
        {
            return null;
        }

        // The part beyond the face must be pushed up towards the column, and the column must press: else nothing spreads out from it.
        var pushed = -side * s.Section(k, face).Shear > 0 && c.Action(k).N > 0;
        if (!pushed)
        {
            return (face, true);
        }

        var d = s.Depth(true);
        var (to, isColumn) = s.Next(c, side);
        var clear = side * (to - face);
        if (isColumn)
        {
            // Of columns side by side the outer one's section tells.
            if (clear <= 0)
            {
                return null;
            }

            return (clear < 2 * d ? (face + to) / 2 : face + (side * d), false);
        }

        return clear > d ? (face + (side * d), false) : null;
    }

    private static double Plain<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain > 0 && s.IsBeyond(at) && s.PlainOnTop(k) ? s.Code.PlainOneWayShear(ref trace, s.Rules.Concrete, s.BreadthAt(at), plain) : 0;
    }

    private static double Strength<T>(LongSpan s, int k, double at, bool bottom, bool tell, ref T trace)
        where T : struct, ITrace
    {
        _ = k;
        if (!s.Layer(bottom).Any)
        {
            return 0;
        }

        if (tell)
        {
            trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {s.Axis}");
        }

        return s.Code.OneWayShear(ref trace, s.Rules.Concrete, s.BreadthAt(at), s.Depth(bottom), s.SteelAt(bottom, at));
    }
}

/// <summary>Moment across a base under several columns: in each column's band, and where the columns do not stand on one line over the whole length too.</summary>
internal readonly struct CrossFlexure<TFace> : ICheckRule<SlabSpan, FaceStrength>
    where TFace : struct, IFace
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CombinedTrial)trial).AcrossSpans;

    public static FaceStrength Capacity(SlabSpan s) => s is LongSpan ? default : Flexure<AxisY, TFace>.Capacity(s);

    public static Outcome Evaluate<T>(SlabSpan s, in FaceStrength strength, int k, ref T trace)
        where T : struct, ITrace => s is LongSpan whole ? LongFlexure<TFace>.Evaluate(whole, default, k, ref trace) : Flexure<AxisY, TFace>.Evaluate(s, strength, k, ref trace);
}

/// <summary>
/// Shear across a base under several columns: in each column's tributary strip, at d from the face upward, at the face downward; and where the columns do not stand on one
/// line over the whole length too.
/// </summary>
internal readonly struct CrossShear : ICheckRule<SlabSpan, OneWayStrength>
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CombinedTrial)trial).TributarySpans;

    public static OneWayStrength Capacity(SlabSpan s) => s is LongSpan ? default : OneWayShear<AxisY>.Capacity(s);

    public static Outcome Evaluate<T>(SlabSpan s, in OneWayStrength strength, int k, ref T trace)
        where T : struct, ITrace => s is LongSpan whole ? LongShear.Evaluate(whole, default, k, ref trace) : OneWayShear<AxisY>.Evaluate(s, strength, k, ref trace);
}

/// <summary>
/// Development of the bars along a base under several columns: beyond the outer faces as in any overhang, and at every other section from the bars' stressed point to both
/// ends of the base.
/// </summary>
internal readonly struct LongAnchorage : ICheckRule<LongSpan, AnchorageLengths>
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    public static AnchorageLengths Capacity(LongSpan s) => Anchorage<AxisX>.Capacity(s);

    public static Outcome Evaluate<T>(LongSpan s, in AnchorageLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var outer = Anchorage<AxisX>.Evaluate(s, lengths, k, ref none);
        var (worst, at) = (outer, double.NaN);
        if (s.Body.Contact(k).State != ContactState.NoEquilibrium)
        {
            var sections = s.Sections(k);
            var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * s.Length;
            for (var i = 0; i < sections.Length; i++)
            {
                var bottom = sections[i].Moment > 0;
                if (s.IsBeyond(sections[i].X) || Math.Abs(sections[i].Moment) <= residue || !s.LooksAt(bottom ? Face.Bottom : Face.Top) || !s.Layer(bottom).Any)
                {
                    continue;
                }

                var o = Outcome.Ratio(bottom ? lengths.Bottom : lengths.Top, There(s, sections[i].X)) with { Face = bottom ? Face.Bottom : Face.Top };
                if (!worst.Done || o.Utilisation > worst.Utilisation)
                {
                    (worst, at) = (o, sections[i].X);
                }
            }
        }

        if (double.IsNaN(at))
        {
            return Anchorage<AxisX>.Evaluate(s, lengths, k, ref trace);
        }

        if (T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            trace.Heading($"Anchorage of the {(bottom ? "bottom" : "top")} bars along x");
            trace.Given("x", at, Unit.Length, "section between the columns, from the base's centroid");
            var there = trace.Given("there", There(s, at), Unit.Section, "from the section to the nearer end, less the cover", $"{s.Code.Name} 13.2.8.2 (both sides of the section)");
            var needed = Anchorage.Length(s, bottom, 1, ref trace);
            if (there > 0)
            {
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio, $"{new Sym(s.Layer(bottom).Hooked ? "ldh" : "ld", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
        }

        if (T.Notes)
        {
            trace.Note($"{Unit.Length.FormatWithSymbol(at, s.Units)} along {s.Axis} from the base's centroid");
        }

        return worst;
    }

    private static double There(LongSpan s, double at) => Math.Max(0, Math.Min(at - s.Body.LowX, s.Body.HighX - at) - s.Rules.Concrete.CoverSide);
}
