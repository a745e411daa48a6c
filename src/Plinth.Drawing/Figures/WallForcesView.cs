using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// A metre of a wall and its base as a free body: weights, thrusts, the pressure under it; beside it pressure, shear and moment up the
/// wall.
/// </summary>
public static class WallForcesView
{
    private const double Tall = 122;
    private const double Bottom = 32;
    private const double Room = 62;
    private const double Arrow = 9;

    /// <summary>Draws it.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The wall's trial, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="forces">What acts in it.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(string mark, Trial s, int k, WallForces forces, double width = 235)
    {
        ArgumentNullException.ThrowIfNull(s);
        ArgumentNullException.ThrowIfNull(forces);
        var (units, w, to) = (s.Units, s.WallFigure!, new Canvas());
        var body = width * 0.56;
        var high = Math.Max(w.Top ?? 0, Math.Max(w.Behind, s.Body.Thickness + 0.6));
        var per = Math.Min((body - 56) / s.Body.Width, Room / high);
        var left = 28 + ((body - 56 - (s.Body.Width * per)) / 2);
        At P(double y, double z) => new(left + ((y - s.Body.LowY) * per), Bottom + (z * per));
        string Line(double v) => Unit.LineLoad.FormatWithSymbol(v, units);
        to.Box(Layers.Footing, Stroke.Edge, P(s.Body.LowY, 0), P(s.Body.HighY, s.Body.Thickness), Fill.Light);
        to.Box(Layers.Column, Stroke.Edge, P(w.At - (w.Thickness / 2), s.Body.Thickness), P(w.At + (w.Thickness / 2),
            w.Top ?? s.Body.Thickness + 0.5), Fill.Light);
        if (w.SoilSide != 0)
        {
            var edge = w.SoilSide > 0 ? s.Body.HighY : s.Body.LowY;
            to.Path(Layers.Ground, new Stroke(0.35, Dash.Chain), P(w.At + (w.SoilSide * w.Thickness / 2), w.Behind), P(edge, w.Behind));
            to.Path(Layers.Ground, new Stroke(0.13, Dash.Hidden), P(edge, 0), P(edge, w.Behind));
        }

        Pressure(to, s, forces, P, units);
        var weights = Down(to, forces, P, high, Line);
        Across(to, s, forces, w, P, Line);
        var sum = forces.Down.Sum(d => d.Force);
        string[] words =
        [
            weights,
            $"down {Line(sum)} = ground {Line(forces.Ground)}"
                + (forces.Water > 1e-9 ? $" + water {Line(forces.Water)}" : "")
                + $"; difference {Line(sum - forces.Ground - forces.Water)}",
            $"{s.Named(k)}: {s.Combinations[k].Rule}. Factored, "
                + "over the length of the base"
                + (Math.Abs(forces.Turns) <= 1e-9 ? ""
                    : $"; the reactions bring {Unit.LineMoment.FormatWithSymbol(forces.Turns, units)} too")
                + ".",
        ];
        for (var i = 0; i < words.Length; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((words.Length - 1 - i) * Canvas.Line)), words[i], Anchor.Left,
                Layout.Fitted(words[i], Canvas.Text, width - 4));
        }

        if (forces.Stem.Count > 0)
        {
            Stem(to, forces.Stem, body + 4, width - body - 6, units);
        }

        return new Figure($"{mark}: free body of a metre of wall", width, Tall, null, to.Items);
    }

    private static void Pressure(Canvas to, Trial s, WallForces f, Func<double, double, At> p, UnitSystem units)
    {
        const double most = 11;
        var highest = Math.Max(Math.Max(f.Low, f.High), 1e-9);
        var (a, b) = (p(s.Body.LowY, 0) + (0, -1), p(s.Body.HighY, 0) + (0, -1));
        to.Area(Layers.Result, Stroke.Thin, [a, a + (0, -most * f.Low / highest), b + (0, -most * f.High / highest), b], Fill.Light);
        to.Write(Layers.Result, a + (-1.5, -4), Unit.Pressure.FormatWithSymbol(f.Low, units), Anchor.Right, 1.8);
        to.Write(Layers.Result, b + (1.5, -4), Unit.Pressure.FormatWithSymbol(f.High, units), Anchor.Left, 1.8);
    }

    // Weights are lettered over the figure by where they act; what they are is said below.
    private static string Down(Canvas to, WallForces f, Func<double, double, At> p, double high, Func<double, string> line)
    {
        var y = p(0, high).Y + 3;
        var (x, row, words) = (double.NegativeInfinity, 0, new List<string>());
        foreach (var d in f.Down.Where(d => Math.Abs(d.Force) > 1e-9).OrderBy(d => d.At))
        {
            var (at, letter) = (p(d.At, 0).X, ((char)('a' + words.Count)).ToString());
            row = at - x < 5 ? (row + 1) % 3 : 0;
            x = at;
            var from = y + 5 + (row * 5);
            to.Path(Layers.Result, Stroke.Thin, new(at, from), new(at, y));
            Head(to, new(at, y), 0, -1);
            to.Tag(Layers.Result, new(at, from + 2), letter);
            words.Add($"{letter} {d.Words} {line(d.Force)}");
        }

        return string.Join(", ", words);
    }

    private static void Across(Canvas to, Trial s, WallForces f, WallFigure w, Func<double, double, At> p, Func<double, string> line)
    {
        var side = w.SoilSide == 0 ? 1 : w.SoilSide;
        var edge = side > 0 ? s.Body.HighY : s.Body.LowY;
        foreach (var a in f.Across)
        {
            var tip = p(a.Words is "prop" or "reactions" ? w.At + (side * w.Thickness / 2) : edge, a.At);
            var way = a.Force >= 0 ? -side : side;
            var tail = tip + (-way * Arrow, 0);
            to.Path(Layers.Result, new Stroke(0.35), tail, tip);
            Head(to, tip, way, 0);
            var outer = side > 0 ? Math.Max(tail.X, tip.X) : Math.Min(tail.X, tip.X);
            to.Write(Layers.Result, new(outer + side, tip.Y - 0.8), $"{a.Words} {line(Math.Abs(a.Force))}",
                side > 0 ? Anchor.Left : Anchor.Right, 1.8);
        }
    }

    private static void Head(Canvas to, At tip, double x, double y) => to.Area(Layers.Result, Stroke.None,
        [tip, tip + ((-1.8 * x) - (0.6 * y), (-1.8 * y) + (0.6 * x)), tip + ((-1.8 * x) + (0.6 * y), (-1.8 * y) - (0.6 * x))], Fill.Solid);

    // Pressure, shear and moment up the wall side by side, with their values at the foot and where the moment is greatest above it.
    private static void Stem(Canvas to, IReadOnlyList<WallPoint> stem, double x, double width, UnitSystem units)
    {
        var (top, each, tall) = (stem[^1].Up, width / 3, Tall - Bottom - 22);
        (string Name, Unit Unit, Func<WallPoint, double> Of)[] plots =
        [
            ("p", Unit.Pressure, q => q.Pressure), ("V", Unit.LineLoad, q => q.Shear), ("M", Unit.LineMoment, q => q.Moment),
        ];
        for (var i = 0; i < plots.Length; i++)
        {
            var (name, unit, of) = plots[i];
            var zero = x + (i * each) + (each * 0.3);
            var most = Math.Max(stem.Max(q => Math.Abs(of(q))), 1e-9);
            var scale = each * 0.42 / most;
            At Of(WallPoint q) => new(zero + (of(q) * scale), Bottom + (q.Up / top * tall));
            to.Area(Layers.Result, Stroke.Thin, [new(zero, Bottom), .. stem.Select(Of), new(zero, Bottom + tall)], Fill.Light);
            to.Path(Layers.Result, Stroke.Edge, new(zero, Bottom), new(zero, Bottom + tall));
            to.Write(Layers.Note, new(zero - 2, Bottom + tall + 3), $"{name} {unit.Symbol(units)}", Anchor.Left, Canvas.Text, true);
            var peak = stem.MinBy(of);
            foreach (var q in of(peak) < -0.02 * most ? (WallPoint[])[stem[0], peak] : [stem[0]])
            {
                var text = unit.Format(of(q), units).Replace('-', '−');
                var at = Of(q);
                to.Circle(Layers.Result, Stroke.Thin, at, 0.6, Fill.Solid);
                var (beside, anchor) = of(q) >= 0 ? (1.2, Anchor.Left) : (-1.2, Anchor.Right);
                to.Write(Layers.Result, at + (beside, q.Up == 0 ? -3.2 : 0.6), text, anchor, 1.8);
            }
        }

        to.Path(Layers.Footing, Stroke.Edge, new(x, Bottom), new(x + width, Bottom));
    }
}
