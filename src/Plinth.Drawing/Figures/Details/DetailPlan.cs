using Plinth.Core.Buildings;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>The detail of a footing in plan: a bar of each layer with the extent of all, dimensions, what stands on it.</summary>
public static class DetailPlan
{
    private const double Left = 26;
    private const double Right = 34;
    private const double Below = 24;
    private const double Above = 16;

    /// <summary>Space that it takes beside the base, mm.</summary>
    public static (double Across, double Up) Around(DetailModel m)
    {
        ArgumentNullException.ThrowIfNull(m);
        return (Left + Right + DetailPiles.Line(m.State), Below + Above + DetailPiles.Line(m.State));
    }

    /// <summary>Draws it at a scale.</summary>
    public static Figure Of(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units) = (m.State, m.Units);
        var per = 1000 / scale.Ratio;
        var more = DetailPiles.Line(s);
        var view = BaseView.About(s, scale, new At(Left + more + (s.Body.Length * per / 2), Below + more + (s.Body.Width * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        DetailPiles.Plan(to, view);
        view.Standing(to);
        DetailPiles.Numbers(to, view);
        view.Boundary(to, m.Project.Site.Boundary, 5, Wording.Boundary(units));
        Layer(to, m, view, true, true, -0.30, -0.40);
        Layer(to, m, view, false, true, 0.30, 0.40);
        Layer(to, m, view, true, false, 0.33, -0.33);
        Layer(to, m, view, false, false, -0.24, -0.43);

        // Whole sizes outermost; a column off the middle is measured from the edges.
        string L(double v) => Canvas.Length(v, units);
        var (low, high) = (view.Low, view.High);
        var offX = Math.Abs(s.Columns[0].X) > 0.001;
        var offY = Math.Abs(s.Columns[0].Y) > 0.001;
        to.Measure(low, new(high.X, low.Y), false, low.Y - (offX ? 14 : 8) - more, L(s.Body.Length));
        to.Measure(low, new(low.X, high.Y), true, low.X - (offY ? 14 : 8) - more, L(s.Body.Width));
        DetailPiles.Measure(to, view, units, low.Y - (offX ? 14 : 8), low.X - (offY ? 14 : 8));
        if (offX)
        {
            var middle = new At(view.At(s.Columns[0].X, 0).X, low.Y);
            PlanDimensions.Pair(to.Items, low, middle, new(high.X, low.Y), false, low.Y - 8,
                (L(s.Columns[0].X - s.Body.LowX), L(s.Body.HighX - s.Columns[0].X)));
        }

        if (offY)
        {
            var middle = new At(low.X, view.At(0, s.Columns[0].Y).Y);
            PlanDimensions.Pair(to.Items, low, middle, new(low.X, high.Y), true, low.X - 8,
                (L(s.Columns[0].Y - s.Body.Low(false)), L(s.Body.High(false) - s.Columns[0].Y)));
        }

        // Where the sections are cut: through the column.
        var (cx, cy) = (view.At(s.Columns[0].X, 0).X, view.At(0, s.Columns[0].Y).Y);
        foreach (var (at, letter) in new[] { (new At(low.X - 3, cy), "A"), (new At(high.X + 3, cy), "A") })
        {
            to.Path(Layers.Note, Stroke.Edge, at + (-2, 0), at + (2, 0));
            to.Write(Layers.Note, at + (0, 1), letter, Anchor.Middle, 2.4, true);
        }

        foreach (var (at, up) in new[] { (new At(cx, low.Y - 3), -0.2), (new At(cx, high.Y + 3), -1.2) })
        {
            // Below, off the dimension under it.
            to.Path(Layers.Note, Stroke.Edge, at + (0, -2), at + (0, 2));
            to.Write(Layers.Note, at + (1, up), "B", Anchor.Left, 2.4, true);
        }

        BaseView.Axes(to, new At(3, 3));
        return new Figure($"{m.Foundation.Mark}: plan", Left + Right + more + (s.Body.Length * per),
            Below + Above + more + (s.Body.Width * per), scale, to.Items);
    }

    // One bar of the layer near a share of the breadth, the extent of all across it, its call outside the base.
    private static void Layer(Canvas to, DetailModel m, BaseView view, bool alongX, bool bottom, double at, double extent)
    {
        if (m.Row(DetailModel.Role(alongX, bottom)) is not { } row)
        {
            return;
        }

        var s = m.State;
        var positions = m.Across(alongX, bottom);
        var breadth = alongX ? s.Body.Width : s.Body.Length;
        var shown = positions.MinBy(p => Math.Abs(p - (at * breadth) - ((positions[0] + positions[^1]) / 2)));
        var (from, to1) = m.Extent(row, alongX, shown);
        At P(double along, double across) => alongX ? view.At(along, across) : view.At(across, along);
        var (a, b) = (P(from, shown), P(to1, shown));
        to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar, a, b);
        var cross = s.Body.IsPolygon
            ? 0.1 * extent * (alongX ? s.Body.Length : s.Body.Width)
            : extent * (alongX ? s.Body.Length : s.Body.Width);
        var (first, last) = (P(cross, positions[0]), P(cross, positions[^1]));
        to.Path(Layers.BarMark, Stroke.Fine, first, last);
        foreach (var end in new[] { first, last })
        {
            to.Path(Layers.BarMark, Stroke.Thin, end + (-0.9, -0.9), end + (0.9, 0.9));
        }

        to.Circle(Layers.BarMark, Stroke.Fine, P(cross, shown), 0.7, Fill.Paper);
        var text = m.Call(row);
        if (alongX)
        {
            to.Path(Layers.BarMark, Stroke.Fine, b, new(view.High.X + 3, b.Y));
            to.Write(Layers.BarMark, new(view.High.X + 3.6, b.Y - 0.9), text);
        }
        else
        {
            var y = view.High.Y + (bottom ? 8 : 12.5);
            to.Path(Layers.BarMark, Stroke.Fine, b, new(b.X, y));
            to.Write(Layers.BarMark, new(b.X + 0.6, y - 0.5), text);
        }
    }
}
