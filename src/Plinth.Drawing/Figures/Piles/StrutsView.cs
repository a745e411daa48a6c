using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Piles;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Struts and ties of a cap on piles in a combination: in plan, and seen from −y, with the force and strength of each.</summary>
public static class StrutsView
{
    private const double Side = 12;
    private const double Below = 31;
    private const double Above = 7;
    private const double Between = 14;

    // Room over the cap for the arrow of the column's load, mm.
    private const double Arrow = 12;

    /// <summary>Draws it.</summary>
    /// <param name="mark">The cap's mark.</param>
    /// <param name="s">The cap, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="f">The model.</param>
    /// <param name="width">Width of the figure, mm.</param>
    /// <param name="height">Its greatest height, mm.</param>
    public static Figure Of(string mark, Trial s, int k, StrutFigure f, double width = 160, double height = 130)
    {
        ArgumentNullException.ThrowIfNull(s);
        ArgumentNullException.ThrowIfNull(f);
        var units = s.Units;
        var (heads, numbers, rows) = Struts(f, units);
        var (tieHeads, tieNumbers, tieRows) = Ties(f, units);
        var (table, ties) = (Layout.Size(heads, rows), Layout.Size(tieHeads, tieRows));
        var room = width - Math.Max(table.Width, ties.Width) - (2 * Side);
        var scale = Canvas.Fit(units, (s.Body.Length, room), (s.Body.Width + s.Body.Thickness, height - Above - Below - Between - Arrow));
        var per = 1000 / scale.Ratio;
        var drawn = ((s.Body.Width + s.Body.Thickness) * per) + Between + Arrow;
        var tall = Math.Max(drawn, table.Height + ties.Height + 16) + Above + Below;
        var to = new Canvas();
        var middle = Side + (s.Body.Length * per / 2);
        Elevation(to, s, f, per, new At(middle, Below), units);

        var view = BaseView.About(s, scale, new At(middle, Below + (s.Body.Thickness * per) + Arrow + Between + (s.Body.Width * per / 2)));
        view.Outline(to);
        foreach (var n in f.Nodes)
        {
            to.Box(Layers.Column, Stroke.Thin, view.At(n.At.X - (n.X / 2), n.At.Y - (n.Y / 2)),
                view.At(n.At.X + (n.X / 2), n.At.Y + (n.Y / 2)), Fill.Light);
        }

        foreach (var strut in f.Struts)
        {
            // The number stands where no strut leaves: on the side away from its column.
            var beside = strut.At.X < strut.Ends.X ? -1 : 1;
            Head(to, s, view.At(strut.At.X, strut.At.Y), per);
            to.Path(Layers.Result, strut.IsFlat ? Stroke.Hidden : Stroke.Bar, view.At(strut.At.X, strut.At.Y),
                view.At(strut.Ends.X, strut.Ends.Y));
            // Under a column, beside that.
            var under = s.Columns.ToArray()
                .FirstOrDefault(c => Math.Abs(c.X - strut.At.X) < c.Outline.X / 2 && Math.Abs(c.Y - strut.At.Y) < c.Outline.Y / 2);
            var off = under is null
                ? s.Rules.Piles.Side / 2
                : Math.Max(s.Rules.Piles.Side / 2, Math.Abs(under.X + (under.Outline.X / 2) - strut.At.X));
            to.Write(Layers.Pile, view.At(strut.At.X, strut.At.Y) + (beside * ((off * per) + 0.6), -0.8),
                strut.Pile.ToString(CultureInfo.InvariantCulture), beside > 0 ? Anchor.Left : Anchor.Right, 2.2, true);
        }

        var (left, top) = (width - Math.Max(table.Width, ties.Width), tall - Above);
        Layout.Table(to.Items, new(left, top), "Struts", heads, numbers, rows);
        Layout.Table(to.Items, new(left, top - table.Height - 10), "Ties and nodes under columns", tieHeads, tieNumbers, tieRows);
        BaseView.Axes(to, new At(2, Below - 14));
        string[] lines =
        [
            $"{s.Named(k)}: {s.Combinations[k].Rule}. "
                + (f.Must
                    ? "A pile stands within d of a column's face: the model must hold."
                    : "No pile stands within d of a face: the model is shown, the sections hold."),
            $"d {Unit.Section.FormatWithSymbol(f.Depth, units)}, z = 0.9·d = {Unit.Section.FormatWithSymbol(f.Height, units)}; R out of "
                + "place in the direction that is worst for each pile.",
            "Struts end at the quarter points of the column's load; broken: flatter than 25°.",
        ];
        for (var i = 0; i < lines.Length; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((lines.Length - 1 - i) * Canvas.Line)), lines[i], Anchor.Left,
                Layout.Fitted(lines[i], Canvas.Text, width - 4));
        }

        return new Figure($"{mark}: struts and ties", width, tall, scale, to.Items);
    }

    private static void Head(Canvas to, Trial s, At at, double per)
    {
        var half = s.Rules.Piles.Side / 2 * per;
        if (s.Rules.Piles.Shape == PileShape.Round)
        {
            to.Circle(Layers.Pile, Stroke.Thin, at, half, Fill.Paper);
        }
        else
        {
            to.Box(Layers.Pile, Stroke.Thin, at + (-half, -half), at + (half, half), Fill.Paper);
        }
    }

    // Seen from −y: the cap, the tie's level, every strut as it is seen from there.
    private static void Elevation(Canvas to, Trial s, StrutFigure f, double per, At foot, UnitSystem units)
    {
        At P(double x, double z) => foot + (x * per, z * per);
        var (left, right, h) = (s.Body.LowX, s.Body.HighX, s.Body.Thickness);
        var tie = h - f.Depth;
        to.Box(Layers.Footing, Stroke.Edge, P(left, 0), P(right, h), Fill.None);
        var piles = f.Struts.Select(t => t.At.X).Order().ToList();
        foreach (var x in piles.Distinct())
        {
            var side = s.Rules.Piles.Side / 2;
            to.Path(Layers.Pile, Stroke.Thin, P(x - side, s.Rules.Piles.Embedment) + (0, -3 - (s.Rules.Piles.Embedment * per)),
                P(x - side, s.Rules.Piles.Embedment), P(x + side, s.Rules.Piles.Embedment),
                P(x + side, s.Rules.Piles.Embedment) + (0, -3 - (s.Rules.Piles.Embedment * per)));
        }

        foreach (var strut in f.Struts)
        {
            to.Path(Layers.Result, strut.IsFlat ? Stroke.Hidden : Stroke.Edge, P(strut.At.X, tie), P(strut.Ends.X, tie + f.Height));
        }

        to.Path(Layers.Bar, Stroke.Bar, P(piles[0], tie), P(piles[^1], tie));
        foreach (var n in f.Nodes)
        {
            var (a, b) = (P(n.At.X, h) + (0, Arrow - 2), P(n.At.X, h));
            to.Path(Layers.Column, Stroke.Thin, P(n.At.X - (n.X / 2), h), P(n.At.X + (n.X / 2), h));
            to.Path(Layers.Column, Stroke.Thin, a, b);
            to.Path(Layers.Column, Stroke.Thin, b + (-0.7, 1.8), b, b + (0.7, 1.8));
            to.Write(Layers.Result, a + (1, -2), $"{(n.Name.Length > 0 ? n.Name + " " : "")}N {Unit.Force.FormatWithSymbol(n.Load, units)}",
                Anchor.Left, Canvas.Text);
        }

        to.Measure(P(right, tie), P(right, tie + f.Height), true, P(right, 0).X + 6, Canvas.Length(f.Height, units));
    }

    private static string Used(double demand, double capacity) =>
        Wording.Utilisation(demand / capacity, demand / capacity <= Outcome.Limit);

    private static (string[] Heads, bool[] Numbers, IReadOnlyList<IReadOnlyList<string>> Rows) Struts(StrutFigure f, UnitSystem units)
    {
        var unit = Unit.Force.Symbol(units);
        string F(double v) => Unit.Force.Format(v, units).Replace('-', '−');
        return
        (
            ["pile", $"R {unit}", "slope", $"strut {unit}", $"φFns {unit}", "used", $"node φFnn {unit}", "used"],
            [true, true, true, true, true, true, true, true],
            [
                .. f.Struts.Select(t => (IReadOnlyList<string>)
                [
                    t.Pile.ToString(CultureInfo.InvariantCulture), F(t.Load),
                    t.SlopeDegrees.ToString("0.0", CultureInfo.InvariantCulture) + "°",
                    t.Force > 0 ? F(t.Force) : "—", t.Force > 0 ? F(t.Strength) : "—", t.Force > 0 ? Used(t.Force, t.Strength) : "—",
                    t.Force > 0 ? F(t.NodeStrength) : "—", t.Force > 0 ? Used(t.Load, t.NodeStrength) : "—",
                ]),
            ]
        );
    }

    private static (string[] Heads, bool[] Numbers, IReadOnlyList<IReadOnlyList<string>> Rows) Ties(StrutFigure f, UnitSystem units)
    {
        var unit = Unit.Force.Symbol(units);
        return
        (
            ["", $"force {unit}", $"strength {unit}", "used"],
            [false, true, true, true],
            [
                .. f.Ties.Select(
                    t =>
                        (IReadOnlyList<string>)[
                            $"tie {(t.AlongX ? "x" : "y")}{(t.IsTop ? ", top" : "")}{(t.Name.Length > 0 ? " at " + t.Name : "")}",
                            Unit.Force.Format(t.Force, units), Unit.Force.Format(t.Strength, units), Used(t.Force, t.Strength)]),
                .. f.Nodes.Select(n => (IReadOnlyList<string>)[$"node under {(n.Name.Length > 0 ? n.Name : "the column")}",
                    Unit.Force.Format(n.Load, units), Unit.Force.Format(n.Strength, units), Used(n.Load, n.Strength)]),
            ]
        );
    }
}
