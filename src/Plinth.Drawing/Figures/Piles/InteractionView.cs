using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>The design strength of a pedestal or of a pile's shaft under force and moments with the loads of all combinations.</summary>
public static class InteractionView
{
    private const double Below = 18;
    private const double Gap = 16;

    /// <summary>
    /// Draws three sections through the strength: with Mx alone, with My alone, and Mx with My at the force of the load used most.
    /// </summary>
    /// <param name="title">What it is of: "PC1: shaft, force with moments".</param>
    /// <param name="f">The strength and the loads.</param>
    /// <param name="units">Units.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(string title, InteractionFigure f, UnitSystem units, double width = 240)
    {
        ArgumentNullException.ThrowIfNull(f);
        var to = new Canvas();
        var side = (width - (3 * Gap)) / 3;
        var height = side + Below + 8;
        var (force, moment) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        var worst = f.Loads.Count > 0 ? f.Loads[0] : default;
        string Signed(double value, Unit unit) => unit.FormatWithSymbol(value, units).Replace('-', '−');
        Panel(to, new(Gap - 4, Below), side, "N with Mx", $"Mx {moment}", $"N {force}", f.AboutX,
            [.. f.Loads.Select(l => new ForceWithMoment(l.N, l.Mx))], Unit.Moment, Unit.Force, units);
        Panel(to, new((2 * Gap) + side - 4, Below), side, "N with My", $"My {moment}", $"N {force}", f.AboutY,
            [.. f.Loads.Select(l => new ForceWithMoment(l.N, l.My))], Unit.Moment, Unit.Force, units);
        if (f.Across.Count > 0)
        {
            Panel(to, new((3 * Gap) + (2 * side) - 4, Below), side, $"Mx with My at N = {Signed(worst.N, Unit.Force)}", $"My {moment}",
                $"Mx {moment}", f.Across, [new ForceWithMoment(worst.Mx, worst.My)], Unit.Moment, Unit.Moment, units);
        }

        var words = f.Loads.Count == 0
            ? "No combination for concrete."
            : $"Most used (●): {worst.Combination} {worst.Where}, N {Signed(worst.N, Unit.Force)}, Mx {Signed(worst.Mx, Unit.Moment)}, My "
                + $"{Signed(worst.My, Unit.Moment)}: {Wording.Utilisation(worst.Utilisation, worst.Utilisation <= Outcome.Limit)} in its "
                + "own direction.";
        to.Write(Layers.Note, new(2, 5), words, Anchor.Left, Layout.Fitted(words, Canvas.Text, width - 4));
        to.Write(Layers.Note, new(2, 1), "Curves: design strength. Points: all combinations for concrete; N presses down.", Anchor.Left,
            1.8);
        return new Figure(title, width, height, null, to.Items);
    }

    private static void Panel(Canvas to, At low, double side, string title, string across, string up, IReadOnlyList<ForceWithMoment> curve,
        IReadOnlyList<ForceWithMoment> points, Unit unitAcross, Unit unitUp, UnitSystem units)
    {
        var all = curve.Concat(points).Append(default).ToList();
        var (m0, m1, n0, n1) = (all.Min(p => p.M), all.Max(p => p.M), all.Min(p => p.N), all.Max(p => p.N));
        double X(double m) => low.X + ((m - m0) / Math.Max(m1 - m0, 1e-9) * side);
        double Y(double n) => low.Y + ((n - n0) / Math.Max(n1 - n0, 1e-9) * side);
        to.Write(Layers.Note, new(low.X, low.Y + side + 3), title, Anchor.Left, Canvas.Text, true);
        to.Path(Layers.Result, Stroke.Fine, new(low.X, Y(0)), new(low.X + side, Y(0)));
        to.Path(Layers.Result, Stroke.Fine, new(X(0), low.Y), new(X(0), low.Y + side));
        to.Area(Layers.Result, Stroke.Edge, [.. curve.Select(p => new At(X(p.M), Y(p.N)))]);
        for (var i = points.Count - 1; i >= 0; i--)
        {
            var used = i == 0;
            to.Circle(Layers.Result, Stroke.Fine, new(X(points[i].M), Y(points[i].N)), used ? 0.8 : 0.45, used ? Fill.Solid : Fill.Paper);
        }

        to.Write(Layers.Note, new(low.X, low.Y - 3), unitAcross.Format(m0, units).Replace('-', '−'), Anchor.Left, 1.8);
        to.Write(Layers.Note, new(low.X + side, low.Y - 3), $"{unitAcross.Format(m1, units)}", Anchor.Right, 1.8);
        to.Write(Layers.Note, new(low.X + (side / 2), low.Y - 6), across, Anchor.Middle, 1.8);
        to.Write(Layers.Note, new(low.X - 1, low.Y), unitUp.Format(n0, units).Replace('-', '−'), Anchor.Left, 1.8, false, 90);
        to.Write(Layers.Note, new(low.X - 1, low.Y + side), unitUp.Format(n1, units), Anchor.Right, 1.8, false, 90);
        to.Write(Layers.Note, new(low.X - 1, low.Y + (side / 2)), up, Anchor.Middle, 1.8, false, 90);
    }
}
