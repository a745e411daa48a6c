using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <content>The plan.</content>
public static partial class BeamDetail
{
    /// <summary>The plan at a scale.</summary>
    public static Figure Plan(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, per) = (m.State, m.Units, 1000 / scale.Ratio);
        var widest = BaseView.Widest(s);
        var view = new BaseView(s, scale, new At(Left - (s.Body.LowX * per), Below + (widest * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        view.Crossing(to);
        view.Standing(to);
        view.Boundary(to, m.Project.Site.Boundary, 5, Wording.Boundary(units));
        string L(double v) => Canvas.Length(v, units);
        var rows = new List<double>();
        for (var i = 0; i < Pads(s).Length; i++)
        {
            var body = Pads(s)[i];
            foreach (var (alongX, bottom) in new[] { (true, true), (false, true), (true, false), (false, false) })
            {
                if (s.Zones(alongX)[i] is not SlabSpan span || !span.Layer(bottom).Any)
                {
                    continue;
                }

                // A bar near an end of the layer, the extent of all across it, its call over the base.
                var bars = span.Bars(bottom);
                var shown = bars[bottom ? Math.Min(1, bars.Count - 1) : bars.Count - 1];
                var cover = s.Rules.Concrete.CoverSide;
                var half = (alongX ? body.Length : body.Width) / 2 - cover;
                At P(double along, double across) => alongX ? view.At(body.Middle + along, across) : view.At(body.Middle + across, along);
                to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar, P(-half, shown), P(half, shown));
                var cross = (alongX ? -0.32 : bottom ? -0.40 : 0.40) * 2 * half;
                Extent(to, P(cross, bars[0]), P(cross, bars[^1]));
                to.Circle(Layers.BarMark, Stroke.Fine, P(cross, shown), 0.7, Fill.Paper);
                var from = alongX ? P(cross, bars[^1]) : P(half, shown);
                Call(to, m, rows, view, from, CallOf(m, DetailModel.Role(alongX, bottom), span.At!));
            }
        }

        Flange(to, m, view, rows);
        Measures(to, s, view, L);
        for (var i = 0; i < s.Columns.Length; i++)
        {
            var x = view.At(s.Columns[i].PlanX, 0).X;
            to.Path(Layers.Note, Stroke.Edge, new(x, view.Low.Y - 5), new(x, view.Low.Y - 1));
            to.Write(Layers.Note, new(x + 1, view.Low.Y - 4), AlikeSections.Letter(m, i), Anchor.Left, 2.4, true);
            view.Label(to, s.Columns[i], x);
        }

        // Where the beam is cut between the bases.
        var mid = view.At(Between(s), 0);
        foreach (var side in (ReadOnlySpan<int>)[-1, 1])
        {
            var at = mid + (0, side * ((s.BeamFigure!.Width * per / 2) + 4));
            to.Path(Layers.Note, Stroke.Edge, at + (0, -2), at + (0, 2));
            to.Write(Layers.Note, at + (1, -0.8), AlikeSections.Letter(m, s.Columns.Length), Anchor.Left, 2.4, true);
        }

        BaseView.Axes(to, new At(3, 3));
        return new Figure($"{m.Foundation.Mark}: plan", Left + Right + (s.Body.Length * per), Below + Above
            + (3.6 * rows.Count) + (widest * per),
            scale, to.Items);
    }

    // Ends of bases and columns along, the whole below; widths at both ends and of the beam.
    private static void Measures(Canvas to, Trial s, BaseView view, Func<double, string> length)
    {
        void Line(IEnumerable<double> places, double y)
        {
            double[] stops = [.. places.Select(x => Math.Round(x, 6)).Distinct().Order()];
            for (var i = 1; i < stops.Length; i++)
            {
                to.Measure(new(view.At(stops[i - 1], 0).X, view.Low.Y), new(view.At(stops[i], 0).X, view.Low.Y), false, y,
                    length(stops[i] - stops[i - 1]));
            }
        }

        List<double> ends = Ends(s);
        Line([s.Body.LowX, .. s.Columns.ToArray().Select(c => c.PlanX), s.Body.HighX], view.Low.Y - 8);
        if (s.Body.Parts.Length > 0)
        {
            Line(ends, view.Low.Y - 14);
        }

        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 20, length(s.Body.Length));
        void Width(double x, double width, double line) =>
            to.Measure(new(view.At(x, 0).X, view.At(0, -width / 2).Y), new(view.At(x, 0).X, view.At(0, width / 2).Y),
                true, line, length(width));
        Width(s.Body.LowX, Pads(s)[0].Width, view.Low.X - 8);
        if (s.Body.Parts.Length > 0)
        {
            Width(s.Body.HighX, Pads(s)[^1].Width, view.High.X + 8);
        }

        Width(Between(s), s.BeamFigure!.Width, view.At(Between(s), 0).X - 8);
    }

    private static void Call(Canvas to, DetailModel m, List<double> rows, BaseView view, At from, string text)
    {
        _ = m;
        var row = rows.FindIndex(end => end + 2 < from.X);
        if (row < 0)
        {
            row = rows.Count;
            rows.Add(0);
        }

        rows[row] = from.X + 0.6 + Lettering.Width(text, Canvas.Text);
        var y = view.High.Y + 4 + (3.6 * row);
        to.Path(Layers.BarMark, Stroke.Fine, from, new(from.X, y + 1.5));
        to.Write(Layers.BarMark, new(from.X + 0.6, y), text);
    }

    // Bars along in the flange beside a rib: one near an end of each side.
    private static void Flange(Canvas to, DetailModel m, BaseView view, List<double> rows)
    {
        var s = m.State;
        if (s.Body.Parts.Length > 0)
        {
            return;
        }

        foreach (var run in s.Runs(true, true))
        {
            var half = (s.Body.Length / 2) - s.Rules.Concrete.CoverSide;
            foreach (var y in (double[])[run.Across[0], run.Across[^1]])
            {
                to.Path(Layers.Bar, Stroke.Bar, view.At(-half, y), view.At(half, y));
            }

            Call(to, m, rows, view, view.At(-half * 0.9, run.Across[^1]), CallOf(m, BarRole.BottomX, ""));
        }
    }
}
