using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <content>Sections across: the rib or the beam, the base under it, what stands on it.</content>
public static partial class BeamDetail
{
    /// <summary>A section across: at a column, or of the beam between the bases.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="column">The column; null: between the bases.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Section(DetailModel m, int? column, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete, per) = (m.State, m.Units, m.State.Rules.Concrete, 1000 / scale.Ratio);
        var beam = s.BeamFigure!;
        var body = column is { } c ? Pads(s)[Math.Min(c, Pads(s).Length - 1)] : s.Body.Parts.Length == 0 ? Pads(s)[0] : null;
        var half = Math.Max(body?.Width ?? 0, beam.Width) / 2;
        var blinding = body is null ? 0 : concrete.Blinding;
        var to = new Canvas();
        At P(double u, double z) => new(Left + ((u + half) * per), UnderSection + ((z + blinding) * per));
        var calls = new List<(At From, string Text)>();
        var top = beam.Top;
        if (body is not null)
        {
            if (blinding > 0)
            {
                to.Box(Layers.Ground, Stroke.Fine, P(-half - concrete.BlindingBeyond, -blinding),
                    P(half + concrete.BlindingBeyond, 0), Fill.Hatch);
            }

            to.Box(Layers.Footing, Stroke.Edge, P(-half, 0), P(half, body.Thickness), Fill.Light);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(-beam.Width / 2, beam.Underside), P(beam.Width / 2, beam.Top), body is null
            ? Fill.Light : Fill.None);
        if (column is { } i)
        {
            var stands = s.Columns[i];
            top = Math.Max(stands.ColumnFoot - s.Body.Underside, beam.Top) + Stub;
            Column(to, m, stands, false, stands.Y, beam.Top, top, P, calls, (-half, half));
        }

        if (body is not null)
        {
            Base(to, m, Math.Min(column ?? 0, Pads(s).Length - 1), false, per, P, calls, true);
        }

        Cut(to, m, beam, per, P, calls, column is null);
        DetailExtra.Across(to, m, column is { } j ? s.Columns[j].X : Between(s), per, P, bottom => bottom ? beam.BottomAt : beam.TopAt,
            calls);
        Calls(to, calls, P(half, 0).X);
        string L(double v) => Canvas.Length(v, units);
        if (body is not null)
        {
            DetailSection.Levels(to, m, column is { } k ? [(s.Columns[k].Y, s.Columns[k].Outline.FaceY)] : [], (-half, half), P);
            var beneath = P(0, -blinding).Y;
            to.Measure(new(P(-half, 0).X, beneath), new(P(half, 0).X, beneath), false, beneath - 6, L(2 * half));
            var ribbed = s.Body.Parts.Length == 0;
            to.Measure(P(-half, 0), P(-half, body.Thickness), true, P(-half, 0).X - (ribbed ? 4 : 8), L(body.Thickness));
            if (ribbed)
            {
                to.Measure(P(-half, 0), P(-half, beam.Top), true, P(-half, 0).X - 9.5, L(beam.Top));
                to.Measure(new(P(-beam.Width / 2, 0).X, P(0, -blinding).Y), new(P(beam.Width / 2, 0).X, P(0, -blinding).Y), false,
                    P(0, -blinding).Y - 11, L(beam.Width));
            }
        }
        else
        {
            to.Measure(P(-half, beam.Underside), P(half, beam.Underside), false, P(0, beam.Underside).Y - 6, L(beam.Width));
            to.Measure(P(-half, beam.Underside), P(-half, beam.Top), true, P(-half, 0).X - 8, L(beam.Top - beam.Underside));
        }

        var letter = AlikeSections.Letter(m, column ?? s.Columns.Length);
        var what = column is { } at ? AlikeSections.Words(m, at)
            : s.Body.Parts.Length > 0 ? "beam between the bases" : "between columns";
        var tall = UnderSection + OverSection + ((blinding + Math.Max(top, body is null ? 0 : s.Ground.Level - s.Body.Underside)) * per);
        return new Figure($"{m.Foundation.Mark}: section {letter}–{letter}, {what}", Left + Right
            + (2 * half * per), tall, scale, to.Items);
    }

    // Top and bottom bars with their hooks, the stirrups, the bars along the side that is seen.
    private static void Beam(Canvas to, DetailModel m, BeamFigure beam, Func<double, double, At> p, List<(At, string)> calls)
    {
        foreach (var x in beam.Stirrups)
        {
            to.Path(Layers.Bar, new Stroke(0.25), p(x, beam.Underside + beam.Cover.Bottom), p(x, beam.Top - beam.Cover.Top));
        }

        foreach (var (role, z, sign) in new[] { (BarRole.BeamTop, beam.TopAt, -1), (BarRole.BeamBottom, beam.BottomAt, 1) })
        {
            if (m.Row(role) is not { } row)
            {
                continue;
            }

            var (from, to1) = (beam.From + beam.Cover.Side, beam.To - beam.Cover.Side);
            var tip = z + (sign * (row.Group.Shape.Code == "21" ? row.Group.Shape.A : 0));
            to.Path(Layers.Bar, sign > 0 ? Stroke.Bar : Stroke.TopBar,
                tip == z ? [p(from, z), p(to1, z)] : [p(from, tip), p(from, z), p(to1, z), p(to1, tip)]);
            calls.Add((p(to1, z), m.Call(row)));
        }

        foreach (var z in beam.SidesAt)
        {
            to.Path(Layers.Bar, new Stroke(0.18), p(beam.From + beam.Cover.Side, z), p(beam.To - beam.Cover.Side, z));
        }

        if (m.Row(BarRole.BeamSides) is { } sides)
        {
            calls.Add((p(beam.To - beam.Cover.Side, beam.SidesAt[beam.SidesAt.Count / 2]), m.Call(sides)));
        }

        if (m.Row(BarRole.Stirrups) is { } stirrups)
        {
            calls.Add((p(beam.Stirrups[^1], (beam.BottomAt + beam.Underside) / 2 + 0.1), m.Call(stirrups)));
        }
    }

    // The beam cut across: stirrup, bars in its corners and between, along its sides.
    private static void Cut(Canvas to, DetailModel m, BeamFigure beam, double per, Func<double, double, At> p,
        List<(At, string)> calls, bool called)
    {
        var (half, low, high) = ((beam.Width / 2) - beam.Cover.Side, beam.Underside + beam.Cover.Bottom, beam.Top - beam.Cover.Top);
        to.Box(Layers.Bar, new Stroke(0.35), p(-half, low), p(half, high));
        void Dots(BarRole role, IEnumerable<(double U, double Z)> at)
        {
            if (m.Row(role) is not { } row)
            {
                return;
            }

            var all = at.ToList();
            foreach (var (u, z) in all)
            {
                to.Circle(Layers.Bar, Stroke.None, p(u, z), Math.Max(row.Group.Size.Diameter / 2 * per, 0.35), Fill.Solid);
            }

            if (called && all.Count > 0)
            {
                calls.Add((p(all[^1].U, all[^1].Z), m.Call(row)));
            }
        }

        Dots(BarRole.BeamBottom, beam.BottomAcross.Select(u => (u, beam.BottomAt)));
        Dots(BarRole.BeamTop, beam.TopAcross.Select(u => (u, beam.TopAt)));
        var side = m.Row(BarRole.BeamSides) is { } sides
            ? half - (m.Row(BarRole.Stirrups)?.Group.Size.Diameter ?? 0) - (sides.Group.Size.Diameter / 2) : half;
        Dots(BarRole.BeamSides, beam.SidesAt.SelectMany(z => new[] { (-side, z), (side, z) }));
        if (called && m.Row(BarRole.Stirrups) is { } stirrups)
        {
            calls.Add((p(half, (low + beam.BottomAt) / 2 + 0.12), m.Call(stirrups)));
        }
    }

    // The bars of a base: those in the plane of the section as lines, those across as dots.
    private static void Base(Canvas to, DetailModel m, int part, bool alongX, double per, Func<double, double, At> p,
        List<(At, string)> calls, bool called)
    {
        var (s, body) = (m.State, Pads(m.State)[part]);
        var cover = s.Rules.Concrete.CoverSide;
        var middle = alongX ? body.Middle : 0;
        var reach = ((alongX ? body.Length : body.Width) / 2) - cover;
        if (!alongX && s.Body.Parts.Length == 0)
        {
            // Along in the flange, on the bars across.
            foreach (var run in s.Runs(true, true))
            {
                foreach (var u in run.Across)
                {
                    to.Circle(Layers.Bar, Stroke.None, p(u, body.Thickness - run.Depth), Math.Max(run.Layer.Diameter / 2 * per, 0.35),
                        Fill.Solid);
                }

                if (called)
                {
                    calls.Add((p(run.Across[^1], body.Thickness - run.Depth), CallOf(m, BarRole.BottomX, "")));
                }
            }
        }

        foreach (var bottom in new[] { true, false })
        {
            if (s.Zones(alongX)[part] is SlabSpan line && line.Layer(bottom).Any)
            {
                var z = bottom ? body.Thickness - line.Depth(true) : line.Depth(false);
                var role = DetailModel.Role(alongX, bottom);
                var tip = z + ((bottom ? 1 : -1) * (RowOf(m, role, line.At!)?.Group.Shape is { Code: "21" } hook ? hook.A : 0));
                to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar,
                    tip == z
                        ? [p(middle - reach, z), p(middle + reach, z)]
                        : [p(middle - reach, tip), p(middle - reach, z), p(middle + reach, z), p(middle + reach, tip)]);
                if (called)
                {
                    calls.Add((p(middle + reach, z), CallOf(m, role, line.At!)));
                }
            }

            if (s.Zones(!alongX)[part] is SlabSpan dots && dots.Layer(bottom).Any)
            {
                var z = bottom ? body.Thickness - dots.Depth(true) : dots.Depth(false);
                foreach (var u in dots.Bars(bottom))
                {
                    to.Circle(Layers.Bar, Stroke.None, p(middle + u, z), Math.Max(dots.Layer(bottom).Diameter / 2 * per, 0.35), Fill.Solid);
                }

                if (called)
                {
                    calls.Add((p(middle + dots.Bars(bottom)[^1], z), CallOf(m, DetailModel.Role(!alongX, bottom), dots.At!)));
                }
            }
        }
    }

    // A column and its pedestal as they stand behind or in the section; what the beam covers is hidden.
    private static void Column(Canvas to, DetailModel m, Standing stands, bool alongX, double u, double over, double top,
        Func<double, double, At> p, List<(At, string)> calls, (double Low, double High) within)
    {
        var s = m.State;
        var foot = stands.ColumnFoot - s.Body.Underside;
        if (stands.Pedestal is { } pedestal)
        {
            var own = (alongX || pedestal.Round ? pedestal.SizeX : pedestal.SizeY) / 2;
            to.Box(Layers.Pedestal, Stroke.Edge, p(u - own, stands.Body.Thickness), p(u + own, foot), Fill.Light);
        }

        var half = (stands.Support.Shape == ColumnShape.Round ? stands.Support.SizeX
            : alongX ? stands.Loaded.Outline.FaceX
            : stands.Loaded.Outline.FaceY) / 2;
        to.Path(Layers.Column, Stroke.Hidden, p(u - half, Math.Min(over, top)), p(u - half, foot), p(u + half, foot),
            p(u + half, Math.Min(over, top)));
        var (a, b) = (p(u - half, top), p(u + half, top));
        to.Path(Layers.Column, Stroke.Edge, a, p(u - half, Math.Max(foot, over)));
        to.Path(Layers.Column, Stroke.Edge, b, p(u + half, Math.Max(foot, over)));
        var mid = p(u, top);
        to.Path(Layers.Column, Stroke.Fine, a + (-2, 0), mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0), b + (2, 0));
        to.Write(Layers.Note, mid + (0, 2.4), stands.Support.Label, Anchor.Middle, 1.8, true);
        foreach (var role in new[] { BarRole.Pedestal, BarRole.Dowels })
        {
            if (m.Rows.FirstOrDefault(r => r.Group.Role == role && r.Group.Where == "at " + stands.Support.Label) is not { } row)
            {
                continue;
            }

            var (cover, z) = (s.Rules.Concrete.CoverSide, s.Rules.Concrete.CoverBottom + stands.Diameter(true) + stands.Diameter(false));
            var at = m.UprightAt(role, alongX, stands.Index);
            var end = Math.Min(z + row.Group.Shape.A, top);
            foreach (var sign in new[] { -1, 1 })
            {
                var bar = u + (sign * at);
                var way = DetailSection.FootWay(bar, row.Group.Shape.B, sign,
                    (within.Low + cover, within.High - cover)) * row.Group.Shape.B;
                to.Path(Layers.Bar, Stroke.Bar, p(bar + way, z), p(bar, z), p(bar, end));
            }

            calls.Add((p(u + at, end - 0.05), m.Call(row)));
        }
    }
}
