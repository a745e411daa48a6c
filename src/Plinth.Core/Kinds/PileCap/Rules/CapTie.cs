using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The tie along an axis: the moment at a column's quarter points over the height of the model, against the bars.</summary>
internal readonly struct CapTie<TAxis> : ICheckRule<CapSpan, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<CapSpan> Of(Trial trial) => ((CapTrial)trial).CapSpans(TAxis.IsX);

    public static Nothing Capacity(CapSpan s) => default;

    public static Outcome Evaluate<T>(CapSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!StrutAndTie.IsShown(s.Cap) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var must = StrutAndTie.Must(s.Cap);
        if (StrutAndTie.Load(s.Cap, s.Column, k) is not { } load)
        {
            return StrutAndTieChecks.None(must, StrutAndTieChecks.Eccentric, ref trace);
        }

        var (worst, governing) = (Outcome.NotDone, default(SectionForces));
        for (var side = -1; side <= 1; side += 2)
        {
            var at = TAxis.IsX ? s.Column.X + load.Off.X + (side * load.X / 4) : s.Column.Y + load.Off.Y + (side * load.Y / 4);
            var f = CapSections.At(s.Cap, k, TAxis.IsX, side, at, s.Column);
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                var moment = bottom ? f.MomentUp : OneWayShear<AxisX>.Significant(f.MomentDown, f.DownMoment);
                if (!s.LooksAt(bottom ? Face.Bottom : Face.Top) || (!bottom && moment <= 0))
                {
                    continue;
                }

                var none = default(NoTrace);
                var height = StrutAndTie.Height(s.Depth(bottom));
                var o = Outcome.Ratio(height > 0 ? moment / height : 0,
                    s.Layer(bottom).Any ? s.Code.Tie(ref none, Steel(s, bottom, at), s.Rules.Steel.Yield) : 0) with
                {
                    Face = bottom
                        ? Face.Bottom
                        : Face.Top,
                    Shown = !must
                };
                if (!worst.Done || o.Utilisation > worst.Utilisation)
                {
                    (worst, governing) = (o, f);
                }
            }
        }

        if (!worst.Done)
        {
            return worst;
        }

        if (T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Tie along {TAxis.Name}, by the strut-and-tie model");
            StrutAndTieChecks.TellLoad(s.Column, load, ref trace);
            CapSections.Tell(s.Cap, TAxis.IsX, governing, k, bottom, moment: true, ref trace);
            var d = trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}");
            var z = trace.Let("z", StrutAndTie.Height(d), Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}");
            var moment = bottom ? governing.MomentUp : governing.MomentDown;
            trace.Let("T", worst.Demand, Unit.Force, $"{new Sym("Mu", moment, Unit.Moment)}/{new Sym("z", z, Unit.Section)}");
            if (worst.Capacity > 0)
            {
                trace.Given("As", Steel(s, bottom, governing.At), Unit.SteelArea,
                    s.Body.IsRectangle
                        ? "of the bars that tie the piles"
                        : "of the bars that tie the piles, each as far as it is developed there on both sides");
                s.Code.Tie(ref trace, Steel(s, bottom, governing.At), s.Rules.Steel.Yield);
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("T", worst.Demand, Unit.Force)}/{new Sym("φFnt", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes)
        {
            trace.Note(must ? "strut-and-tie model" : "strut-and-tie model, shown: no pile stands within d of a face");
        }

        return worst;
    }

    // All bars, if none is far from a pile; else those over the piles, within their size and twice the depth.
    private static double Steel(CapSpan s, bool bottom, double section)
    {
        var layer = s.Layer(bottom);
        if (layer.Band > 0)
        {
            return BarGaps.Of(s, bottom).Most <= s.Code.MostTieSpacing + 1e-9 ? layer.Area : layer.Area * layer.Band / layer.Count;
        }

        var spacing = layer.Count < 2
            ? double.PositiveInfinity
            : (s.Breadth - (2 * s.Rules.Concrete.CoverSide) - layer.Diameter) / (layer.Count - 1);
        if (spacing <= s.Code.MostTieSpacing + 1e-9)
        {
            return s.Body.IsRectangle ? layer.Area : CapMat.Developed(s, bottom, section);
        }

        var rows = Rows(s);
        if (!s.Body.IsRectangle)
        {
            var near = (s.Cap.PileRules.Side / 2) + s.Depth(bottom);
            return CapMat.Developed(s, bottom, section, at => Array.Exists(rows, r => Math.Abs(r - at) <= near));
        }

        var (half, covered) = ((s.Cap.PileRules.Side / 2) + s.Depth(bottom), 0.0);
        var reach = -s.Breadth / 2;
        foreach (var at in rows)
        {
            var (from, to) = (Math.Max(reach, at - half), Math.Min(s.Breadth / 2, at + half));
            (covered, reach) = to > from ? (covered + to - from, to) : (covered, reach);
        }

        return layer.Area * covered / s.Breadth;
    }

    // Where rows of piles stand across the bars, in order.
    private static double[] Rows(CapSpan s)
    {
        var at = new double[s.Cap.Piles.Length];
        for (var i = 0; i < at.Length; i++)
        {
            at[i] = s.Cap.Piles[i].Along(!s.AlongX);
        }

        Array.Sort(at);
        return at;
    }
}
