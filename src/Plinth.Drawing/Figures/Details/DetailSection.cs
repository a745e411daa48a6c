using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>The detail of a footing cut through its column: bars, covers, pedestal or socket, blinding, levels.</summary>
public static class DetailSection
{
    private const double Left = 44;
    private const double Right = 40;
    private const double Below = 19.5;
    private const double Above = 8;

    // How much of the column is shown over what it stands on, beyond the dowels, m.
    private const double Stub = 0.3;

    /// <summary>Space that it takes beside what is drawn to scale, mm.</summary>
    public static (double Across, double Up) Around(DetailModel m)
    {
        ArgumentNullException.ThrowIfNull(m);
        return (Left + Right, Math.Max(Under(m, true), Under(m, false)) + Above);
    }

    // Banded bars take a line of words each.
    private static double Under(DetailModel m, bool alongX) =>
        Below + (Canvas.Line * ((m.Banded(!alongX, true).Length > 0 ? 1 : 0) + (m.Banded(!alongX, false).Length > 0 ? 1 : 0)));

    /// <summary>Height of what is drawn to scale, from the underside of the blinding up, m.</summary>
    public static double Height(DetailModel m)
    {
        ArgumentNullException.ThrowIfNull(m);
        return DetailPiles.Below(m.State) + Math.Max(Top(m), m.State.Ground.Level - m.State.Body.Underside);
    }

    private static double Top(DetailModel m)
    {
        var foot = m.State.Columns[0].ColumnFoot - m.State.Body.Underside;
        var dowels = m.Row(BarRole.Dowels) is { } row ? m.FootHeight(row) + row.Group.Shape.A - (row.Group.Size.Diameter / 2) : 0;
        return Math.Max(foot + Stub, dowels + 0.1);
    }

    /// <summary>Draws it at a scale.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="alongX">Cut along x, or along y.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Of(DetailModel m, bool alongX, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete) = (m.State, m.Units, m.State.Rules.Concrete);
        var per = 1000 / scale.Ratio;
        var side = alongX ? s.Body.Length : s.Body.Width;
        var column = alongX ? s.Columns[0].X : s.Columns[0].Y;
        var (lowest, highest) = (s.Body.Low(alongX), s.Body.High(alongX));
        var below = Under(m, alongX);
        At P(double u, double z) => new(Left + ((u - lowest) * per), below + ((z + DetailPiles.Below(s)) * per));
        var to = new Canvas();
        var calls = new List<(At From, string Text)>();

        // Concrete first, bars over it.
        if (concrete.Blinding > 0)
        {
            to.Box(Layers.Ground, Stroke.Fine, P(lowest - concrete.BlindingBeyond, -concrete.Blinding),
                P(highest + concrete.BlindingBeyond, 0), Fill.Hatch);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(lowest, 0), P(highest, s.Body.Thickness), Fill.Light);
        DetailPiles.Section(to, s, alongX, P);
        Standing(to, m, alongX, column, P, calls);
        Boundary(to, m, alongX, P);
        Mats(to, m, alongX, side, per, P, calls);
        foreach (var role in new[] { BarRole.Pedestal, BarRole.Dowels })
        {
            Upright(to, m, role, alongX, column, P, calls);
        }

        Ties(to, m, alongX, column, P, calls);
        DetailPiles.Bars(to, m, alongX, P, calls);
        Calls(to, calls, P(highest, 0).X);
        Levels(to, m, [(column, Math.Max(s.Columns[0].Outline.FaceX, s.Columns[0].Outline.FaceY))], (lowest, highest), P);

        string L(double v) => Canvas.Length(v, units);
        var low = P(lowest, 0);
        var beneath = P(0, -DetailPiles.Below(s)).Y;
        to.Measure(new(low.X, beneath), new(P(highest, 0).X, beneath), false, beneath - 5, L(side));
        if (s.Columns[0].PedestalHeight > 1e-6)
        {
            Drawings.PlanDimensions.Pair(to.Items, low, P(lowest, s.Body.Thickness),
                P(lowest, s.Body.Thickness + s.Columns[0].PedestalHeight), true, low.X - 8,
                (L(s.Body.Thickness), L(s.Columns[0].PedestalHeight)));
        }
        else
        {
            to.Measure(low, P(lowest, s.Body.Thickness), true, low.X - 8, L(s.Body.Thickness));
        }

        var cover =
            $"Cover: bottom {S(concrete.CoverBottom)}, sides {S(concrete.CoverSide)}, top "
                + $"{S(concrete.CoverTop)}{(s.Columns[0].Pedestal is null ? "" : $", pedestal {S(s.Rules.Pedestal.Cover)} to the ties")}.";
        var width = Left + Right + (side * per);
        var over = 1 + Canvas.Line;
        foreach (var words in (string[])[DetailPiles.Words(s, units).Trim(), m.Banded(!alongX, true), m.Banded(!alongX, false)])
        {
            if (words.Length > 0)
            {
                over += Canvas.Line;
                to.Write(Layers.Note, new(2, over), words, Anchor.Left, Drawings.Layout.Fitted(words, Canvas.Text, width - 4));
            }
        }

        to.Write(Layers.Note, new(2, 1 + Canvas.Line), cover, Anchor.Left, Drawings.Layout.Fitted(cover, Canvas.Text, width - 4));
        var materials = (concrete.Blinding > 0
            ? $"{S(concrete.Blinding)} "
                + $"{Wording.Blinding(units)}{(concrete.BlindingBeyond > 0 ? $", {S(concrete.BlindingBeyond)} beyond the base" : "")}."
            : $"No {Wording.Blinding(units)}.") + " " + Drawings.PlanNotes.Materials(m.Project, m.Foundation);
        to.Write(Layers.Note, new(2, 1), materials, Anchor.Left, Drawings.Layout.Fitted(materials, Canvas.Text, width - 4));
        return new Figure($"{m.Foundation.Mark}: section {(alongX ? "A–A" : "B–B")}", width, below + Above + (Height(m) * per), scale,
            to.Items);

        string S(double v) => Dimension.Section(v, units);
    }

    // Pedestal or socket, and the column above, broken off.
    private static void Standing(Canvas to, DetailModel m, bool alongX, double column, Func<double, double, At> p, List<(At, string)> calls)
    {
        var s = m.State;
        var support = s.Columns[0].Support;
        var foot = s.Columns[0].ColumnFoot - s.Body.Underside;
        var half = (alongX || support.Shape == ColumnShape.Round ? support.SizeX : support.SizeY) / 2;
        if (s.Columns[0].Pedestal is { } pedestal)
        {
            var own = (alongX || pedestal.Round ? pedestal.SizeX : pedestal.SizeY) / 2;
            if (pedestal.Socket is { } socket)
            {
                to.Box(Layers.Pedestal, Stroke.Edge, p(column - own, s.Body.Thickness), p(column - own + socket.Wall, foot), Fill.Light);
                to.Box(Layers.Pedestal, Stroke.Edge, p(column + own - socket.Wall, s.Body.Thickness), p(column + own, foot), Fill.Light);
                foot -= socket.Depth;
            }
            else
            {
                to.Box(Layers.Pedestal, Stroke.Edge, p(column - own, s.Body.Thickness), p(column + own, foot), Fill.Light);
            }
        }

        if (support.Shape == ColumnShape.Steel)
        {
            Plate(to, m, alongX, column, foot, p, calls);
            foot += s.Rules.Column.Plate.Height;
        }

        var top = Top(m);
        var (a, b, c, d) = (p(column - half, foot), p(column - half, top), p(column + half, top), p(column + half, foot));
        to.Path(Layers.Column, Stroke.Edge, b, a, d, c);
        var mid = p(column, top);
        to.Path(Layers.Column, Stroke.Fine, b + (-2, 0), mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0), c + (2, 0));
    }

    // Grout, plate and rods, as far as they are stated.
    private static void Plate(Canvas to, DetailModel m, bool alongX, double column, double foot, Func<double, double, At> p,
        List<(At, string)> calls)
    {
        var (support, plate) = (m.State.Columns[0].Support, m.State.Rules.Column.Plate);
        var half = (alongX ? support.PlateX : support.PlateY) / 2;
        string S(double v) => Dimension.Section(v, m.Units);
        if (plate.Grout > 0)
        {
            to.Box(Layers.Column, Stroke.Fine, p(column - half, foot), p(column + half, foot + plate.Grout), Fill.Hatch);
            calls.Add((p(column + half, foot + (plate.Grout / 2)), $"grout {S(plate.Grout)}"));
        }

        if (plate.Rods > 0)
        {
            foreach (var at in plate.RodsOn(support.PlateX, support.PlateY).Select(r => alongX ? r.X : r.Y).Distinct())
            {
                to.Path(Layers.Column, Stroke.Edge, p(column + at, foot - plate.Embedment),
                    p(column + at, foot + plate.Height + (2 * plate.RodDiameter)));
                to.Path(Layers.Column, Stroke.Edge, p(column + at - plate.RodDiameter, foot - plate.Embedment),
                    p(column + at + plate.RodDiameter, foot - plate.Embedment));
            }

            var edge = plate.RodsOn(support.PlateX, support.PlateY).Max(r => alongX ? r.X : r.Y);
            calls.Add((p(column + edge, foot - (plate.Embedment * 0.6)),
                $"{plate.Rods} rods {S(plate.RodDiameter)}, {S(plate.Embedment)} deep"));
        }

        var (low, high) = (p(column - half, foot + plate.Grout), p(column + half, foot + plate.Height));
        if (plate.Thickness is null)
        {
            to.Path(Layers.Column, Stroke.Bar, low, high);
        }
        else
        {
            to.Box(Layers.Column, Stroke.Edge, low, high, Fill.Paper);
        }

        calls.Add((high,
            $"plate {Dimension.PlainSection(support.PlateX, m.Units)} × "
                + $"{S(support.PlateY)}{(plate.Thickness is { } t ? " × " + S(t) : "")}"));
    }

    // Where the section crosses the site's boundary.
    private static void Boundary(Canvas to, DetailModel m, bool alongX, Func<double, double, At> p)
    {
        var s = m.State;
        var view = new BaseView(s, Figure.NotToScale, default);
        var boundary = m.Project.Site.Boundary;
        var beyond = (alongX ? s.Body.Length : s.Body.Width) / 2;
        foreach (var (first, second) in boundary.Zip(boundary.Skip(1).Concat(boundary.Take(1))))
        {
            var (a, b) = (view.Local(first), view.Local(second));
            var (across0, across1, cut) = alongX ? (a.Y, b.Y, s.Columns[0].Y) : (a.X, b.X, s.Columns[0].X);
            if ((across0 - cut) * (across1 - cut) >= 0)
            {
                continue;
            }

            var t = (cut - across0) / (across1 - across0);
            var at = alongX ? a.X + (t * (b.X - a.X)) : a.Y + (t * (b.Y - a.Y));
            if (Math.Abs(at) <= beyond + 0.3)
            {
                var top = Math.Max(Top(m), s.Ground.Level - s.Body.Underside);
                to.Path(Layers.Site, Stroke.Boundary, p(at, 0) + (0, -4), p(at, top));
                to.Write(Layers.Site, p(at, top) + (-0.8, -22), Wording.Boundary(m.Units), Anchor.Left, 1.8, false, 90);
            }
        }
    }

    internal static void Mats(Canvas to, DetailModel m, bool alongX, double side, double per, Func<double, double, At> p,
        List<(At, string)> calls)
    {
        foreach (var bottom in new[] { true, false })
        {
            if (m.Row(DetailModel.Role(alongX, bottom)) is { } run)
            {
                var shape = run.Group.Shape;
                var z = m.Height(alongX, bottom);
                var db = run.Group.Size.Diameter / 2;
                var mid = (m.State.Body.Low(alongX) + m.State.Body.High(alongX)) / 2;
                var half = (shape.Code == "21" ? shape.B : shape.A) / 2;
                if (shape.Code == "21")
                {
                    var tip = z + ((bottom ? 1 : -1) * (shape.A - db));
                    to.Path(Layers.Bar, Stroke.Bar, p(mid - half + db, tip), p(mid - half + db, z), p(mid + half - db, z),
                        p(mid + half - db, tip));
                }
                else
                {
                    to.Path(Layers.Bar, Stroke.Bar, p(mid - half, z), p(mid + half, z));
                }

                calls.Add((p(mid + half - db, z), m.Call(run)));
            }

            if (m.Row(DetailModel.Role(!alongX, bottom)) is { } dots)
            {
                var z = m.Height(!alongX, bottom);
                var positions = m.Across(!alongX, bottom);
                foreach (var u in positions)
                {
                    to.Circle(Layers.Bar, Stroke.None, p(u, z), Math.Max(dots.Group.Size.Diameter / 2 * per, 0.35), Fill.Solid);
                }

                calls.Add((p(positions[^1], z), m.Call(dots)));
            }
        }
    }

    /// <summary>Which way the foot of an upright bar lies: outwards, but inwards where it would leave the base or its cover.</summary>
    /// <param name="bar">Where the bar stands, m.</param>
    /// <param name="foot">Length of its foot, m.</param>
    /// <param name="outwards">−1 or 1.</param>
    /// <param name="within">The base less its side cover, m.</param>
    internal static int FootWay(double bar, double foot, int outwards, (double Low, double High) within) =>
        bar + (outwards * foot) is var end && end >= within.Low - 1e-9 && end <= within.High + 1e-9 ? outwards : -outwards;

    // Upright bars with their feet on the bottom mat.
    private static void Upright(Canvas to, DetailModel m, BarRole role, bool alongX, double column, Func<double, double, At> p,
        List<(At, string)> calls)
    {
        if (m.Row(role) is not { } row)
        {
            return;
        }

        var at = m.UprightAt(role, alongX);
        var z = m.FootHeight(row);
        var db = row.Group.Size.Diameter / 2;
        var (top, foot) = (z + row.Group.Shape.A - db, row.Group.Shape.B - db);
        var (cover, lowest, highest) = (m.State.Rules.Concrete.CoverSide, m.State.Body.Low(alongX), m.State.Body.High(alongX));
        foreach (var sign in new[] { -1, 1 })
        {
            var u = column + (sign * at);
            to.Path(Layers.Bar, Stroke.Bar, p(u + (FootWay(u, foot, sign, (lowest + cover, highest - cover)) * foot), z), p(u, z),
                p(u, top));
        }

        // Called where the bar stands free of others: dowels at their top, pedestal bars a little below theirs.
        calls.Add((p(column + at,
            role == BarRole.Dowels ? top - 0.02 : Math.Min(top, m.State.Columns[0].ColumnFoot - m.State.Body.Underside) - 0.05),
            m.Call(row)));
    }

    private static void Ties(Canvas to, DetailModel m, bool alongX, double column, Func<double, double, At> p, List<(At, string)> calls)
    {
        if (m.Row(BarRole.Ties) is not { } row || m.Design.Under(0).Pedestal is not { } pedestal)
        {
            return;
        }

        var s = m.State;
        var half = ((alongX || pedestal.Round ? pedestal.SizeX : pedestal.SizeY) / 2) - s.Rules.Pedestal.Cover;
        foreach (var level in m.PedestalTies()!.Levels)
        {
            to.Path(Layers.Bar, new Stroke(0.35), p(column - half, s.Body.Thickness + level), p(column + half, s.Body.Thickness + level));
        }

        if (m.Row(alongX ? BarRole.CrossTiesX : BarRole.CrossTiesY) is { } cross)
        {
            calls.Add((p(column + half, s.Body.Thickness + (s.Columns[0].PedestalHeight / 3)), m.Call(cross)));
        }

        calls.Add((p(column + half, s.Body.Thickness + (s.Columns[0].PedestalHeight / 2)), m.Call(row)));
        if (m.Row(BarRole.InnerTies) is { } inner)
        {
            calls.Add((p(column + half, s.Body.Thickness + (s.Columns[0].PedestalHeight / 3)), m.Call(inner)));
        }
    }

    internal static string Level(double level, UnitSystem units)
    {
        var text = Dimension.Plan(level, units);
        return text[0] == '-' ? "−" + text[1..] : text;
    }

    // Calls stand in a column on the right, none on another, each with its line.
    internal static void Calls(Canvas to, List<(At From, string Text)> calls, double edge)
    {
        var y = double.NegativeInfinity;
        foreach (var (from, text) in calls.OrderBy(c => c.From.Y))
        {
            y = Math.Max(from.Y, y + 4);
            to.Path(Layers.BarMark, Stroke.Fine, from, new(edge + 3, from.Y), new(edge + 7, y), new(edge + 8, y));
            to.Circle(Layers.BarMark, Stroke.None, from, 0.5, Fill.Solid);
            to.Write(Layers.BarMark, new(edge + 8.6, y - 0.9), text);
        }
    }

    // What is level with what, and the ground on both sides of what stands there.
    internal static void Levels(Canvas to, DetailModel m, IReadOnlyList<(double At, double Face)> stands, (double Low, double High) side,
        Func<double, double, At> p)
    {
        var (s, units) = (m.State, m.Units);
        var levels = new List<(double Level, string Name)> { (s.Body.Underside, Wording.Underside(units)),
            (s.Body.Underside + s.Body.Thickness,
                s.Body.RibRise > 0 ? "top of flange" : units == UnitSystem.Us ? "top of footing" : "top of base") };
        if (s.Columns[0].Pedestal is { } pedestal)
        {
            levels.Add((s.Columns[0].ColumnFoot, pedestal.Socket is null ? "top of pedestal" : "rim"));
        }

        if (s.Body.RibRise > 0)
        {
            levels.Add((s.Body.Underside + s.Body.Height, "top of rib"));
        }

        if (!s.Piles.IsEmpty)
        {
            levels.Add((s.Body.Underside + s.Rules.Piles.Embedment, "pile cut-off"));
        }

        var ground = s.Ground.Level;
        if (levels.TrueForAll(l => Math.Abs(l.Level - ground) > 1e-6))
        {
            levels.Add((ground, "ground"));
        }

        // The ground on both sides of what stands there.
        var z = ground - s.Body.Underside;
        if (z > s.Body.Thickness - 1e-6)
        {
            var from = side.Low;
            foreach (var (at, face) in stands)
            {
                to.Path(Layers.Ground, new Stroke(0.35, Dash.Chain), p(from, z), p(Math.Max(from, at - (face / 2)), z));
                from = Math.Min(side.High, at + (face / 2));
            }

            to.Path(Layers.Ground, new Stroke(0.35, Dash.Chain), p(from, z), p(side.High, z));
        }

        var x = p(side.Low, 0).X - 14;
        var y = double.NegativeInfinity;
        foreach (var (level, name) in levels.OrderBy(l => l.Level))
        {
            var at = new At(x, p(0, level - s.Body.Underside).Y);
            y = Math.Max(at.Y, y + 6);
            to.Path(Layers.Note, Stroke.Fine, new(x + 2.5, at.Y), at, new(x - 2, y), new(x - 28, y));
            to.Area(Layers.Note, Stroke.Fine, [new(x - 5, y), new(x - 6.2, y + 1.8), new(x - 3.8, y + 1.8)], Fill.Paper);
            to.Write(Layers.Note, new(x - 28, y + 0.7), Level(level, units), Anchor.Left, 1.8, true);
            to.Write(Layers.Note, new(x - 28, y - 2.4), name, Anchor.Left, 1.8);
        }
    }
}
