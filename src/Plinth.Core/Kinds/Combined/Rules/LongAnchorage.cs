using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Development of the bars along a base under several columns: beyond the outer faces as in any overhang, and at every other section from
/// the bars' stressed point to both
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
                if (s.IsBeyond(sections[i].X) || Math.Abs(sections[i].Moment) <= residue || !s.LooksAt(bottom ? Face.Bottom : Face.Top)
                    || !s.Layer(bottom).Any)
                {
                    continue;
                }

                var o = Outcome.Ratio(bottom ? lengths.Bottom : lengths.Top,
                    There(s, sections[i].X)) with
                { Face = bottom ? Face.Bottom : Face.Top };
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
            var there = trace.Given("there", There(s, at), Unit.Section, "from the section to the nearer end, less the cover",
                $"{s.Code.Name} 13.2.8.2 (both sides of the section)");
            var needed = Anchorage.Length(s, bottom, 1, ref trace);
            if (there > 0)
            {
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym(s.Layer(bottom).Hooked ? "ldh" : "ld", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
        }

        if (T.Notes)
        {
            trace.Along(at);
            trace.Note($"{Unit.Length.FormatWithSymbol(at, s.Units)} along {s.Axis} from the base's centroid");
        }

        return worst;
    }

    private static double There(LongSpan s, double at) =>
        Math.Max(0, Math.Min(at - s.Body.LowX, s.Body.HighX - at) - s.Rules.Concrete.CoverSide);
}
