using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What extra bars are held against: the bars that run through beside them.</summary>
/// <param name="Moment">φMn of these alone, kNm.</param>
/// <param name="Half">φMn of half of them, kNm.</param>
/// <param name="Shear">Strength in shear with them alone, kN; no less with closer stirrups.</param>
/// <param name="Beyond">How far extra bars run on beyond where they are not needed any more, m.</param>
/// <param name="AtEnd">What those that run through need at the end of the base, m.</param>
internal readonly record struct ThroughBars(double Moment, double Half, double Shear, double Beyond, double AtEnd);

/// <summary>
/// Ends of extra bars beside those that run through (ACI 318 7.7.3, 9.7.3): they reach d and 12 db beyond the section in which these alone
/// hold the moment, are strong enough on the way there with what of them is developed, end in a stretched face only where the shear is low,
/// and leave a third of the bars to run through; these are developed from where they work alone to the end of the base.
/// </summary>
internal readonly partial struct Curtailment : ICheckRule<ExtraZone, ThroughBars>
{
    // Where extra bars end in a stretched face: of the shear strength, 7.7.3.5, 9.7.3.5.
    private const double TwoThirds = 2.0 / 3;
    private const double ThreeQuarters = 0.75;

    // Bars no thicker may end under the higher share, m (No. 11, No. 36).
    private const double Thickest = 0.0359;

    // One of so many parts of all bars of a face runs through, for moments of either sign, at the end as within (7.7.3.8, 9.7.3.8).
    private const int Parts = 3;

    private const int Diameters = 12;

    private const int Checked = 13;

    public static ReadOnlySpan<ExtraZone> Of(Trial trial) => trial.Extra is { } extra ? extra.Laid : [];

    public static ThroughBars Capacity(ExtraZone z)
    {
        var none = default(NoTrace);
        var (along, layer) = (z.Along, z.Along.Layer(z.Bottom));
        return new(along.Held(z.Bottom, layer.Area, ref none).Strength, along.Held(z.Bottom, layer.Area / 2, ref none).Strength,
            along.Sheared(z.Bottom, layer.Area, double.NaN, ref none), Math.Max(along.Depth(z.Bottom), Diameters * layer.Diameter),
            along.AtEnd(z.Bottom, ref none));
    }

    public static Outcome Evaluate<T>(ExtraZone z, in ThroughBars through, int k, ref T trace)
        where T : struct, ITrace
    {
        var face = z.Bottom ? Face.Bottom : Face.Top;
        if (!z.LooksAt(face) || z.Along.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (worst, part) = (Outcome.NotDone, 0);
        for (var i = 0; i < Checked; i++)
        {
            var o = One(z, through, k, i, ref none);
            if (o.Done && (!worst.Done || o.Utilisation > worst.Utilisation))
            {
                (worst, part) = (o, i);
            }
        }

        if (worst.Done && (T.Records || T.Notes))
        {
            if (T.Records)
            {
                BaseLoadCase.Contact(z.Along.Body, k, true, ref trace);
                trace.Heading($"Extra {(z.Bottom ? "bottom bars over" : "top bars in the bay")} {z.At!}, {z.Layer.ToString()}, "
                    + $"from {Unit.Length.FormatWithSymbol(z.From, z.Units)} to {Unit.Length.FormatWithSymbol(z.To, z.Units)}");
            }

            One(z, through, k, part, ref trace);
        }

        // Lengths, moments and forces: what is told is their ratio.
        return worst.Done ? Outcome.Ratio(worst.Utilisation, 1) with { Face = face } : worst;
    }

    // On either side the reach, strength and shear on the way, the shear where they end, the bond where the moment is nil, what runs on;
    // then the share that runs through.
    private static Outcome One<T>(ExtraZone z, in ThroughBars through, int k, int part, ref T trace)
        where T : struct, ITrace
    {
        if (part == Checked - 1)
        {
            return RunThrough(z, ref trace);
        }

        var side = part % 2 == 0 ? -1 : 1;
        return z.RunsOut(side) ? Outcome.NotDone : (part / 2) switch
        {
            0 => Reach(z, through, k, side, ref trace),
            1 => OnTheWay(z, through, k, side, ref trace),
            2 => WhereTheyEnd(z, through, k, side, ref trace),
            3 => ShearOnTheWay(z, k, side, ref trace),
            4 => AtInflection(z, through, k, side, ref trace),
            _ => RunsOn(z, through, k, side, ref trace),
        };
    }

    private static Outcome Reach<T>(ExtraZone z, in ThroughBars through, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        if (z.Needed(k, side, through.Moment) is not var (_, cut))
        {
            return Outcome.NotDone;
        }

        var (origin, end) = (z.Origin(k, side), z.End(side));
        var (needed, there) = ((side * (cut - origin)) + through.Beyond, side * (end - origin));
        if (T.Records)
        {
            Through(z, k, cut, Alone, ref trace);
            var from = new Sym("x,from", trace.Given("x,from", origin, Unit.Length, z.Bottom ? "the column's face on this side"
                : "where the moment in this bay is greatest"), Unit.Length);
            var beyond = new Sym("beyond", trace.Let("beyond", through.Beyond, Unit.Section,
                $"max({new Sym("d", z.Along.Depth(z.Bottom), Unit.Section)}; 12·{new Sym("db", z.Layer.Diameter, Unit.Section)})",
                $"{z.Code.Name} {z.Along.CutClause}.3"), Unit.Section);
            trace.Let("needed", needed, Unit.Section, $"|{new Sym("x,cut", cut, Unit.Length)} − {from}| + {beyond}");
            trace.Given("x,end", end, Unit.Length, "where the extra bars end");
            trace.Let("there", there, Unit.Section, $"|{new Sym("x,end", end, Unit.Length)} − {from}|");
            if (there > 0)
            {
                trace.Let("utilisation", needed / there, Unit.Ratio,
                    $"{new Sym("needed", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
        }

        if (T.Notes)
        {
            trace.Note($"reach towards {Way(side)}");
        }

        return Outcome.Ratio(needed, Math.Max(0, there));
    }

    // Between where they are needed last and where they are not any more the moment falls, and so does what of the bars is developed.
    private static Outcome OnTheWay<T>(ExtraZone z, in ThroughBars through, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        if (z.Needed(k, side, through.Moment) is not var (from, cut))
        {
            return Outcome.NotDone;
        }

        var x = ExtraStrength.Worst(z, k, false, from, cut);
        var (demand, strength) = (z.Along.Stretch(z.Bottom, k, z.Along.Section(k, x)), ExtraStrength.Of(z, x));
        if (T.Records)
        {
            var section = z.Along.Section(k, x);
            trace.Given("x", x, Unit.Length, "section from the base's centroid, between where the extra bars are needed and where they are "
                + "not any more");
            trace.Given("M", section.Moment, Unit.Moment, "there");
            trace.Given("ld", z.Developed, Unit.Section, "straight development of the extra bars", z.Code.AnchorageClause);
            ExtraTrace.Steel(z.Along.Extra, z.Along.Layer(z.Bottom), z.Bottom, x, ref trace);
            z.Along.Held(z.Bottom, ExtraStrength.Area(z, x), ref trace);
            trace.Let("utilisation", demand / strength, Unit.Ratio,
                $"|{new Sym("M", demand, Unit.Moment)}|/{new Sym("φMn", strength, Unit.Moment)}");
        }

        if (T.Notes)
        {
            trace.Note($"strength {Unit.Length.FormatWithSymbol(x, z.Units)} along x, towards {Way(side)}");
        }

        return Outcome.Ratio(demand, strength);
    }

    // Beyond the section at which shear is looked at it falls, and so does its strength with the bars that are developed.
    private static Outcome ShearOnTheWay<T>(ExtraZone z, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        if (z.Sheared(k, side) is not { } from || side * (z.End(side) - from) <= 0)
        {
            return Outcome.NotDone;
        }

        var x = ExtraStrength.Worst(z, k, true, from, z.End(side));
        var section = z.Along.Section(k, x);
        var none = default(NoTrace);
        var (shear, strength) = (Math.Abs(section.Shear), z.Along.Sheared(z.Bottom, ExtraStrength.Area(z, x), x, ref none));
        if (z.Along.Stretch(z.Bottom, k, section) <= 0)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            trace.Given("x", x, Unit.Length,
                "section from the base's centroid, between where shear is looked at and where the extra bars end");
            trace.Given("V", shear, Unit.Force, "there");
            trace.Given("ld", z.Developed, Unit.Section, "straight development of the extra bars", z.Code.AnchorageClause);
            ExtraTrace.Steel(z.Along.Extra, z.Along.Layer(z.Bottom), z.Bottom, x, ref trace);
            z.Along.Sheared(z.Bottom, ExtraStrength.Area(z, x), x, ref trace);
            trace.Let("utilisation", shear / strength, Unit.Ratio,
                $"{new Sym("V", shear, Unit.Force)}/{new Sym("φVc", strength, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note($"shear {Unit.Length.FormatWithSymbol(x, z.Units)} along x, towards {Way(side)}");
        }

        return Outcome.Ratio(shear, strength);
    }

    private static void Through<T>(ExtraZone z, int k, double x, string words, ref T trace)
        where T : struct, ITrace
    {
        trace.Remark("The bars that run through");
        ExtraTrace.Steel(null, z.Along.Layer(z.Bottom), z.Bottom, x, ref trace);
        z.Along.Held(z.Bottom, z.Along.Layer(z.Bottom).Area, ref trace);
        trace.Given("x,cut", x, Unit.Length, "from the base's centroid: " + words);
        trace.Given("M,cut", z.Along.Section(k, x).Moment, Unit.Moment, "there");
    }

    private const string Alone = "where they begin to hold the moment alone";

    private static string Way(int side) => side < 0 ? "−x" : "+x";
}
