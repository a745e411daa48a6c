using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Anchorage of the bars along a base under several columns by their pull: beyond the outer faces from the first inclined crack on, at
/// every other section by the greatest moment within d of it (EN 1992-1-1 9.8.2.2, 9.2.1.3(2)), to the nearer end of the base.
/// </summary>
internal readonly struct LongTies : ICheckRule<LongSpan, TieLengths>
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    public static TieLengths Capacity(LongSpan s) => TieAnchorage<AxisX>.Capacity(s);

    public static Outcome Evaluate<T>(LongSpan s, in TieLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var (worst, at) = (TieAnchorage<AxisX>.Evaluate(s, lengths, k, ref none), default(LongSection?));
        if (s.Body.Contact(k).State != ContactState.NoEquilibrium)
        {
            var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * s.Length;
            foreach (ref readonly var section in s.Sections(k))
            {
                foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
                {
                    if (s.IsBeyond(section.X) || !s.LooksAt(bottom ? Face.Bottom : Face.Top) || !s.Layer(bottom).Any)
                    {
                        continue;
                    }

                    var from = Shifted(s, k, section, bottom);
                    if ((bottom ? from.Moment : -from.Moment) > residue
                        && Between(s, bottom ? lengths.Bottom : lengths.Top, section.X, from.Moment, bottom) is var o
                        && (!worst.Done || o.Utilisation > worst.Utilisation))
                    {
                        (worst, at) = (o, section);
                    }
                }
            }
        }

        if (at is not { } governing)
        {
            return TieAnchorage<AxisX>.Evaluate(s, lengths, k, ref trace);
        }

        if (T.Records)
        {
            Tell(s, k, governing, worst, ref trace);
        }

        if (T.Notes)
        {
            trace.Along(governing.X);
            trace.Note($"{(s.Layer(worst.Face == Face.Bottom).Hooked ? "hooked" : "straight")} ends, "
                + $"{Unit.Length.FormatWithSymbol(governing.X, s.Units)} along {s.Axis} from the base's centroid");
        }

        return worst;
    }

    private static double There(LongSpan s, double at) => Math.Max(0, LongShear.Beyond(s, at));

    // Of all sections within d the one that stretches a face most.
    private static LongSection Shifted(LongSpan s, int k, in LongSection at, bool bottom)
    {
        var (d, sign, worst) = (s.Depth(bottom), bottom ? 1 : -1, at);
        Take(s.Section(k, Math.Max(s.Low, at.X - d)));
        Take(s.Section(k, Math.Min(s.High, at.X + d)));
        foreach (ref readonly var other in s.Sections(k))
        {
            if (Math.Abs(other.X - at.X) < d)
            {
                Take(other);
            }
        }

        return worst;

        void Take(in LongSection own) => worst = sign * own.Moment > sign * worst.Moment ? own : worst;
    }

    // The length grows with the stress, but for its least.
    private static Outcome Between(LongSpan s, double full, double at, double moment, bool bottom)
    {
        var layer = s.Layer(bottom);
        var least = Math.Max(10 * layer.Diameter, 0.100);
        var pull = Math.Abs(moment) / (TieAnchorage.LeverArm * s.Depth(bottom));
        var share = pull / (s.SteelAt(bottom, at) * ((ITieAnchorage)s.Code).DesignYield(s.Rules.Steel.Yield));
        return Outcome.Ratio(Math.Max(full * Math.Min(1, share), least), There(s, at)) with { Face = bottom ? Face.Bottom : Face.Top };
    }

    private static void Tell<T>(LongSpan s, int k, in LongSection at, in Outcome worst, ref T trace)
        where T : struct, ITrace
    {
        var (bottom, code) = (worst.Face == Face.Bottom, (ITieAnchorage)s.Code);
        var layer = s.Layer(bottom);
        BaseLoadCase.Contact(s.Body, k, true, ref trace);
        trace.Heading($"Anchorage of the {(bottom ? "bottom" : "top")} bars along {s.Axis}, {(layer.Hooked ? "hooked" : "straight")}");
        trace.Given(s.Axis, at.X, Unit.Length, "section between the columns, from the base's centroid");
        var d = trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {s.Axis}");
        var from = Shifted(s, k, at, bottom);
        trace.Given($"{s.Axis},M", from.X, Unit.Length, "of all sections within d the one where they are stretched most",
            $"{s.Code.Name} 9.2.1.3(2)");
        var m = trace.Given("M", Math.Abs(from.Moment), Unit.Moment, bottom ? "stretches the bottom there" : "stretches the top there");
        var zi = trace.Let("z", TieAnchorage.LeverArm * d, Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}",
            $"{s.Code.Name} 9.2.1.3(2)");
        var pull = trace.Let("Fs", m / zi, Unit.Force, $"{new Sym("M", m, Unit.Moment)}/{new Sym("z", zi, Unit.Section)}");
        var area = trace.Given("As", s.SteelAt(bottom, at.X), Unit.SteelArea, layer.ToString());
        var yield = TieAnchorage.TellYield(s, ref trace);
        var stress = trace.Let("σsd", Math.Min(pull / area, yield), Unit.Stress,
            $"min({new Sym("Fs", pull, Unit.Force)}/{new Sym("As", area, Unit.SteelArea)}; {new Sym("fyd", yield, Unit.Stress)})");
        var bar = Anchorage.Bar(s, bottom, ref trace);
        var needed = code.Anchored(ref trace, s.Rules.Concrete, bar, stress, layer.Hooked);
        var there = trace.Given("there", There(s, at.X), Unit.Section, "from the section to the nearer end, less the cover");
        if (there > 0)
        {
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("lbd", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
        }
        else
        {
            trace.Given("utilisation", worst.Utilisation, Unit.Ratio, "there is no length beyond the section");
        }
    }
}
