using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Width of the cracks along a base under several columns, at the faces of all of them and where the shear passes through nil (EN 1992-1-1
/// 7.3.4), and the least steel of 7.3.2.
/// </summary>
internal readonly struct LongCracks : ICheckRule<LongSpan, Nothing>
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    public static Nothing Capacity(LongSpan s) => default;

    public static Outcome Evaluate<T>(LongSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Rules.Concrete.CrackWidth is not { } allowed || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (worst, at, moment) = (Outcome.NotDone, 0.0, 0.0);
        var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * s.Length;
        foreach (ref readonly var section in s.Sections(k))
        {
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                var (own, face) = (s.Stretch(bottom, k, section), bottom ? Face.Bottom : Face.Top);
                if (own <= residue || !s.LooksAt(face) || !s.Layer(bottom).Any)
                {
                    continue;
                }

                var o = CrackControl.One(s, bottom, own, Section(s, bottom, section.X), allowed, ref none) with { Face = face };
                (worst, at, moment) = !worst.Done || o.Utilisation > worst.Utilisation ? (o, section.X, own) : (worst, at, moment);
            }
        }

        if (!worst.Done)
        {
            return Outcome.Ratio(0, allowed) with { Face = Face.Bottom };
        }

        if (T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Cracks of the {(bottom ? "bottom" : "top")} along {s.Axis}");
            trace.Given(s.Axis, at, Unit.Length,
                "section from the base's centroid: a face of a column, or where the shear passes through nil");
            trace.Given("Mu", moment, Unit.Moment, "of all towards one side of the section");
            CrackControl.One(s, bottom, moment, Section(s, bottom, at), allowed, ref trace);
        }

        if (T.Notes)
        {
            if (s.AlongX)
            {
                trace.Along(at);
            }

            trace.Note($"{Unit.Length.FormatWithSymbol(at, s.Units)} along {s.Axis} from the base's centroid");
        }

        return worst;
    }

    private static (double Breadth, double Steel) Section(LongSpan s, bool bottom, double at) => (s.BreadthAt(at), s.SteelAt(bottom, at));
}

/// <summary>The same across it: in each column's band, and over the whole length where the columns do not stand on one line.</summary>
internal readonly struct CrossCracks : ICheckRule<SlabSpan, Nothing>
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CombinedTrial)trial).AcrossSpans;

    public static Nothing Capacity(SlabSpan s) => default;

    public static Outcome Evaluate<T>(SlabSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace =>
        s is LongSpan whole
            ? LongCracks.Evaluate(whole, default, k, ref trace)
            : CrackControl<AxisY>.Evaluate(s, default, k, ref trace);
}
