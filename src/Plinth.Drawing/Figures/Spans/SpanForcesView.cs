using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The free body of a base under several columns, and shear and moment along it with values at faces, at d, where the shear is nil and at
/// peaks; all forces on the
/// body, and the strips across, as tables.
/// </summary>
internal static class SpanForcesView
{
    private const double Left = 12;
    private const double Right = 22;
    private const double Beside = 8;
    private const double Between = 3;
    private const double Plot = 40;
    private const double Gap = 9;
    private const double Row = 2.6;
    private const int MostSteps = 16;

    /// <summary>Draws it.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="d">Its forces.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(string mark, Trial s, int k, SpanDiagram d, double width)
    {
        var units = s.Units;
        var to = new Canvas();
        string[] heads = [s.Body.Parts.Length > 0 ? "across" : "across at",
            Head(s.Body.Parts.Length > 0 ? "from" : "band from", Unit.Length), "to",
            Head("M", Unit.Moment), s.Code.Letter("φMn"), Head("V", Unit.Force), s.Code.Letter("φVc")];
        var rows =
            d.Bands.Select(b => (IReadOnlyList<string>)[b.Column, Unit.Length.Format(b.From, units), Unit.Length.Format(b.To, units),
                Unit.Moment.Format(b.Moment, units), Unit.Moment.Format(b.MomentStrength, units), Unit.Force.Format(b.Shear, units),
                Unit.Force.Format(b.ShearStrength, units)]).ToList();
        bool[] numbers = [false, true, true, true, true, true, true];
        var table = Layout.Size(heads, rows);
        var (low, high) = (s.Body.LowX, s.Body.HighX);
        var per = (width - Left - Right) / (high - low);
        double X(double at) => Left + ((at - low) * per);
        var body = new FreeBodyView(s, d, X);
        var (forceHeads, forceRows) = body.Table();
        var forces = Layout.Size(forceHeads, forceRows);
        var sideBySide = Left + table.Width + Beside + forces.Width <= width;
        var tables = sideBySide ? Math.Max(table.Height, forces.Height) : table.Height + forces.Height + Between;
        var height = body.Height + (2 * (Plot + Gap)) + tables + 14;
        body.Draw(to, height - 2);
        var ground = height - 2 - body.Height;
        var shearZero = ground - (Plot / 2);
        var shear = Curve(to, d, X, shearZero, p => p.Shear);
        to.Write(Layers.Note, new(X(low) - 1, shearZero - 0.9), Head("V", Unit.Force), Anchor.Right, 1.8);
        var momentZero = shearZero - Plot - Gap;
        var moment = Curve(to, d, X, momentZero, p => -p.Moment);
        to.Write(Layers.Note, new(X(low) - 1, momentZero - 0.9), Head("M", Unit.Moment), Anchor.Right, 1.8);
        foreach (var face in d.Columns.SelectMany(c => new[] { c.Low, c.High }).Where(f => f > low && f < high))
        {
            to.Path(Layers.Result, new Stroke(0.13, Dash.Hidden), new(X(face), ground), new(X(face), momentZero - (Plot / 2)));
        }

        var placed = new List<(At Low, At High)>();
        foreach (var x in d.Sections.DistinctBy(x => (x.Mark == SpanMark.Shear, Math.Round(x.At, 6))).OrderByDescending(x => x.Demand))
        {
            var isShear = x.Mark == SpanMark.Shear;
            var at = new At(X(x.At), isShear ? shearZero + (x.Shear * shear) : momentZero - (x.Moment * moment));
            var unit = isShear ? Unit.Force : Unit.Moment;
            var value = isShear ? x.Shear : x.Moment;
            var strength = x.Strength > 0 ? $" / {unit.Format(x.Strength, units)}" : value == 0 ? "" : " / no bars";
            Label(to, placed, width, at, Canvas.Signed(unit, value, units) + strength, isShear ? value >= 0 : value < 0);
        }

        var words =
            $"{s.Named(k)}: {s.Combinations[k].Rule}. V of the part "
                + "towards −x, at d from the faces where the ground pushes towards the column; M at faces and where V = 0, drawn on the "
                + "side that it stretches: value / strength there. M of a force, its own at the underside and that about the base's "
                + "centroid, presses the +x side where it is positive.";
        var note = Layout.Wrapped(words, 1.8, width - Left - 2);
        var corner = new At(Left, tables + 8 + (Row * (note.Count - 1)));
        Layout.Table(to.Items, corner, "Free body along x, factored", forceHeads, [false, true, true, true, true], forceRows);
        Layout.Table(to.Items, sideBySide ? corner + (forces.Width + Beside, 0) : corner + (0, -forces.Height - Between),
            s.Body.Parts.Length > 0 ? "Across, in each base: worse side"
                : "Across, in the strip of each column: worse side", heads, numbers, rows);
        foreach (var (line, i) in note.Select((line, i) => (line, i)))
        {
            to.Write(Layers.Note, new(Left, 1 + (Row * (note.Count - 1 - i))), line, Anchor.Left, 1.8);
        }

        return new Figure($"{mark}: free body, shear and moment", width, height, null, to.Items);

        string Head(string symbol, Unit unit) => $"{symbol} {unit.Symbol(units)}";
    }

    private static double Curve(Canvas to, SpanDiagram d, Func<double, double> x, double zero, Func<SpanPoint, double> value)
    {
        var scale = Plot / 2 / Math.Max(d.Points.Max(p => Math.Abs(value(p))), 1e-9);
        to.Area(Layers.Result, Stroke.Thin,
            [new(x(d.Points[0].At), zero), .. d.Points.Select(p => new At(x(p.At), zero + (value(p) * scale))),
                new(x(d.Points[^1].At), zero)], Fill.Light);
        to.Path(Layers.Result, Stroke.Fine, new(x(d.Points[0].At), zero), new(x(d.Points[^1].At), zero));
        return scale;
    }

    // Each value where no other stands, within the figure, nearest to its point first.
    private static void Label(Canvas to, List<(At Low, At High)> placed, double most, At at, string text, bool above)
    {
        to.Circle(Layers.Result, Stroke.Thin, at, 0.6, Fill.Solid);
        var width = Lettering.Width(text, 1.8);
        for (var step = 0; step < MostSteps; step++)
        {
            foreach (var right in (ReadOnlySpan<bool>)[true, false])
            {
                var y = above == (step % 2 == 0) ? 1.2 + (2.6 * (step / 2)) : -3 - (2.6 * (step / 2));
                var low = at + (right ? 1 : -1 - width, y);
                var high = low + (width, 1.8);
                if (low.X >= 0.5 && high.X <= most - 0.5 && !placed.Exists(b => low.X < b.High.X + 0.6 && high.X > b.Low.X - 0.6
                    && low.Y < b.High.Y + 0.5 && high.Y > b.Low.Y - 0.5))
                {
                    placed.Add((low, high));
                    to.Box(Layers.Result, Stroke.None, low + (-0.3, -0.4), high + (0.3, 0.4), Fill.Paper);
                    to.Write(Layers.Result, low, text, Anchor.Left, 1.8);
                    return;
                }
            }
        }
    }
}
