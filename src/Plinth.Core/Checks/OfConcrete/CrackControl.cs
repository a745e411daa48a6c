using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Width of the cracks at the column's faces under quasi-permanent loads, of both layers of bars that span along an axis (EN 1992-1-1
/// 7.3.4), and the least steel of 7.3.2.
/// </summary>
internal readonly struct CrackControl<TAxis> : ICheckRule<SlabSpan, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => trial.Spans(TAxis.IsX);

    public static Nothing Capacity(SlabSpan s) => default;

    public static Outcome Evaluate<T>(SlabSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Rules.Concrete.CrackWidth is not { } allowed || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        var governing = default(SectionForces);
        for (var side = -1; side <= 1; side += 2)
        {
            ref readonly var f = ref s.AtFace(k, side);
            if (f.Lost)
            {
                return SectionForces.NoEquilibrium(allowed, Face.Bottom, ref trace);
            }

            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                var bottom = face == Face.Bottom;
                var moment = bottom ? f.MomentUp : OneWayShear<TAxis>.Significant(f.MomentDown, f.DownMoment);
                if (!s.LooksAt(face) || !s.Layer(bottom).Any || moment <= 0)
                {
                    continue;
                }

                var o = CrackControl.One(s, bottom, moment, (s.Breadth, s.Layer(bottom).Area), allowed, ref none) with { Face = face };
                (worst, governing) = !worst.Done || o.Utilisation > worst.Utilisation ? (o, f) : (worst, governing);
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
            trace.Heading($"Cracks of the {(bottom ? "bottom" : "top")} along {TAxis.Name}, at the face");
            s.Tell(governing, k, bottom, moment: true, ref trace);
            CrackControl.One(s, bottom, bottom ? governing.MomentUp : governing.MomentDown, (s.Breadth, s.Layer(bottom).Area), allowed,
                ref trace);
        }

        return worst;
    }
}

/// <summary>What checks of cracks share.</summary>
internal static class CrackControl
{
    /// <summary>Cracks of a face in a section.</summary>
    /// <param name="s">The span.</param>
    /// <param name="bottom">The bottom, or the top.</param>
    /// <param name="moment">Under which they open, kNm.</param>
    /// <param name="section">Its breadth, m, and the area of its bars, m2.</param>
    /// <param name="allowed">Their greatest width, m.</param>
    /// <param name="trace">Receives the steps.</param>
    public static Outcome One<T>(SlabSpan s, bool bottom, double moment, (double Breadth, double Steel) section, double allowed,
        ref T trace)
        where T : struct, ITrace
    {
        var (layer, rules) = (s.Layer(bottom), s.Rules.Concrete);
        var bar = Anchorage.Bar(s, bottom, ref trace);
        var d = s.Depth(bottom);
        trace.Let("MEk", moment, Unit.Moment, $"{new Sym("Mu", moment, Unit.Moment)}");
        trace.Given("As", section.Steel, Unit.SteelArea, layer.ToString());
        trace.Given("d", d, Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {s.Axis}");
        var cover = trace.Given("c", s.Thickness - d - (layer.Diameter / 2), Unit.Section, "cover of these bars");
        var (width, least) = ((ICrackWidths)s.Code).CrackWidth(ref trace, rules, s.Rules.Steel.Yield,
            new CrackedSection(section.Breadth, s.Thickness, d, section.Steel, layer.Diameter,
                bar.Spacing * section.Breadth / s.NarrowBreadth, cover, moment));
        var outcome = Outcome.Ratio(width, allowed);
        trace.Given("wk,most", allowed, Unit.Settlement, "[concrete] crack-width");
        if (least / section.Steel > Math.Max(1, outcome.Utilisation))
        {
            trace.Note("less steel than keeps cracks apart (7.3.2)");
            trace.Let("utilisation", least / section.Steel, Unit.Ratio,
                $"{new Sym("As,crack", least, Unit.SteelArea)}/{new Sym("As", section.Steel, Unit.SteelArea)}");
            return outcome with { Utilisation = least / section.Steel };
        }

        trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
            $"{new Sym("wk", width, Unit.Settlement)}/{new Sym("wk,most", allowed, Unit.Settlement)}");
        return outcome;
    }
}
