using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Moment along a foundation against the bars of a face of its beam; and against those of a base that reaches beyond the beam.
/// </summary>
internal readonly struct BeamFlexure<TFace> : ICheckRule<Subject, FlexuralStrength>
    where TFace : struct, IFace
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => trial.Bending;

    // The moments know no bars, and these strengthen all sections alike.
    public static double GoverningKey(Subject s) => s is BeamSpan beam && !beam.HasExtra(TFace.IsBottom) ? 0 : double.NaN;

    public static FlexuralStrength Capacity(Subject s)
    {
        var none = default(NoTrace);
        return s is BeamSpan beam ? beam.Strength(TFace.IsBottom, ref none) : default;
    }

    public static Outcome Evaluate<T>(Subject s, in FlexuralStrength strength, int k, ref T trace)
        where T : struct, ITrace =>
        s is BeamSpan beam ? Of(beam, strength, k, ref trace)
            : Flexure<AxisX, TFace>.Evaluate((SlabSpan)s, Flexure<AxisX, TFace>.Capacity((SlabSpan)s), k, ref trace);

    private static Outcome Of<T>(BeamSpan s, in FlexuralStrength strength, int k, ref T trace)
        where T : struct, ITrace
    {
        var face = TFace.IsBottom ? Face.Bottom : Face.Top;
        if (!s.LooksAt(face) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var (most, own) = Worst(s, strength, k);
        var demand = Math.Abs(most.Moment);
        var outcome = Outcome.Ratio(demand, own.Strength) with { Face = face };
        if (!own.Ductile && demand > 0)
        {
            outcome = outcome with { Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"{(TFace.IsBottom ? "Bottom" : "Top")} flexure of the {s.Noun}");
            BeamTrace.Section(s, most, ref trace);
            if (outcome.Capacity > 0)
            {
                BeamTrace.Bars(s, TFace.IsBottom, most.X, ref trace);
                s.StrengthAt(TFace.IsBottom, most.X, ref trace);
                trace.Let("utilisation", demand / outcome.Capacity, Unit.Ratio,
                    $"|{new Sym("M", most.Moment, Unit.Moment)}|/{new Sym("φMn", outcome.Capacity, Unit.Moment)}");
            }
        }

        if (T.Notes && demand > 0)
        {
            trace.Along(most.X);
            trace.Note(BeamTrace.Where(s, most.X)
                + (!own.Ductile ? ": too much steel for the depth; make it deeper or wider"
                    : s.Layer(TFace.IsBottom).Any ? ""
                    : $": no {(TFace.IsBottom ? "bottom" : "top")} bars"));
        }

        return outcome;
    }

    // Where all bars run through the greatest moment tells; extra ones strengthen some sections alone.
    private static (LongSection At, FlexuralStrength Strength) Worst(BeamSpan s, in FlexuralStrength through, int k)
    {
        var (most, own) = (s.Greatest(k, TFace.IsBottom), through);
        if (!s.HasExtra(TFace.IsBottom))
        {
            return (most, own);
        }

        var none = default(NoTrace);
        own = s.StrengthAt(TFace.IsBottom, most.X, ref none);
        foreach (ref readonly var at in s.Sections(k))
        {
            var moment = TFace.IsBottom ? at.Moment : -at.Moment;
            if (moment > 0 && s.StrengthAt(TFace.IsBottom, at.X, ref none) is var there
                && (there.Ductile != own.Ductile ? own.Ductile : moment * own.Strength > Math.Abs(most.Moment) * there.Strength))
            {
                (most, own) = (at, there);
            }
        }

        return (most, own);
    }
}

/// <summary>What the traces of a beam's checks have in common.</summary>
internal static class BeamTrace
{
    /// <summary>Where a section lies, in words.</summary>
    public static string Where(BeamSpan s, double x) =>
        $"{s.Noun}, {Unit.Length.FormatWithSymbol(x, s.Units)} along x from {s.Origin}";

    /// <summary>Tells a section in bending with its forces.</summary>
    public static void Section<T>(BeamSpan s, in LongSection at, ref T trace)
        where T : struct, ITrace => Section(s, at, s.SectionWords, ref trace);

    /// <summary>Tells a section in shear with its forces.</summary>
    public static void Sheared<T>(BeamSpan s, in LongSection at, ref T trace)
        where T : struct, ITrace => Section(s, at, "section from " + s.Origin, ref trace);

    private static void Section<T>(BeamSpan s, in LongSection at, string words, ref T trace)
        where T : struct, ITrace
    {
        trace.Given("x", at.X, Unit.Length, words);
        trace.Given("V", at.Shear, Unit.Force, s.ShearWords);
        trace.Given("M", at.Moment, Unit.Moment, s.MomentWords);
    }

    /// <summary>Tells the bars of a face that run through.</summary>
    public static void Bars<T>(BeamSpan s, bool bottom, ref T trace)
        where T : struct, ITrace => Bars(s, null, bottom, 0, ref trace);

    /// <summary>Tells the bars of a face in a section.</summary>
    public static void Bars<T>(BeamSpan s, bool bottom, double x, ref T trace)
        where T : struct, ITrace => Bars(s, s.Extra, bottom, x, ref trace);

    private static void Bars<T>(BeamSpan s, ExtraZones? extra, bool bottom, double x, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(bottom);
        ExtraTrace.Steel(extra, layer, bottom, x, ref trace);
        trace.Let("d", s.Depth(bottom), Unit.Section,
            $"{new Sym("h", s.Height, Unit.Section)} − {new Sym("cover", s.Cover(bottom), Unit.Section)} − "
                + $"{new Sym("db", layer.Diameter, Unit.Section)}/2");
    }
}
