using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The detail of bases that a beam holds together: plan with a bar of each layer, elevation of the beam with its stirrups through both
/// bases, a section across at each column and one of the beam between the bases.
/// </summary>
public static class BeamDetail
{
    private const double Left = 44;
    private const double Right = 48;
    private const double Below = 34;
    private const double Above = 12;
    private const double UnderSection = 26;
    private const double OverSection = 8;

    // How much of a column is shown over what it stands on, m.
    private const double Stub = 0.3;

    /// <summary>Space that it takes beside the bases along the beam, mm.</summary>
    public static double Around => Left + Right;

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
        view.Standing(to);
        view.Boundary(to, m.Project.Site.Boundary, 5, Wording.Boundary(units));
        string L(double v) => Canvas.Length(v, units);
        var rows = new List<double>();
        for (var i = 0; i < s.Body.Parts.Length; i++)
        {
            var body = s.Body.Parts[i];
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

        Measures(to, s, view, L);
        for (var i = 0; i < s.Columns.Length; i++)
        {
            var x = view.At(s.Columns[i].PlanX, 0).X;
            to.Path(Layers.Note, Stroke.Edge, new(x, view.Low.Y - 5), new(x, view.Low.Y - 1));
            to.Write(Layers.Note, new(x + 1, view.Low.Y - 4), Letter(i), Anchor.Left, 2.4, true);
            to.Write(Layers.Note, new(x + (s.Columns[i].Outline.FaceX / 2 * per) + 1, view.At(0, s.Columns[i].Y).Y + 1),
                s.Columns[i].Support.Label, Anchor.Left, 1.8, true);
        }

        // Where the beam is cut between the bases.
        var mid = view.At(Between(s), 0);
        foreach (var side in (ReadOnlySpan<int>)[-1, 1])
        {
            var at = mid + (0, side * ((s.BeamFigure!.Width * per / 2) + 4));
            to.Path(Layers.Note, Stroke.Edge, at + (0, -2), at + (0, 2));
            to.Write(Layers.Note, at + (1, -0.8), Letter(s.Columns.Length), Anchor.Left, 2.4, true);
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

        List<double> ends = [.. s.Body.Parts.ToArray().SelectMany(p => new[] { p.Middle + p.LowX, p.Middle + p.HighX })];
        Line([s.Body.LowX, .. s.Columns.ToArray().Select(c => c.PlanX), s.Body.HighX], view.Low.Y - 8);
        Line(ends, view.Low.Y - 14);
        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 20, length(s.Body.Length));
        void Width(double x, double width, double line) =>
            to.Measure(new(view.At(x, 0).X, view.At(0, -width / 2).Y), new(view.At(x, 0).X, view.At(0, width / 2).Y),
                true, line, length(width));
        Width(s.Body.LowX, s.Body.Parts[0].Width, view.Low.X - 8);
        Width(s.Body.HighX, s.Body.Parts[^1].Width, view.High.X + 8);
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

    /// <summary>The elevation of the beam with both bases cut along it, or a section across.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Elevation(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete, per) = (m.State, m.Units, m.State.Rules.Concrete, 1000 / scale.Ratio);
        var beam = s.BeamFigure!;
        var (low, high) = (s.Body.LowX, s.Body.HighX);
        var to = new Canvas();
        At P(double u, double z) => new(Left + ((u - low) * per), UnderSection + ((z + concrete.Blinding) * per));
        foreach (var p in s.Body.Parts)
        {
            if (concrete.Blinding > 0)
            {
                to.Box(Layers.Ground, Stroke.Fine, P(p.Middle + p.LowX - concrete.BlindingBeyond, -concrete.Blinding),
                    P(p.Middle + p.HighX + concrete.BlindingBeyond, 0), Fill.Hatch);
            }

            to.Box(Layers.Footing, Stroke.Edge, P(p.Middle + p.LowX, 0), P(p.Middle + p.HighX, p.Thickness), Fill.Light);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(beam.From, beam.Underside), P(beam.To, beam.Top), Fill.Light);
        var calls = new List<(At From, string Text)>();
        var top = Math.Max(s.Columns.ToArray().Max(c => c.ColumnFoot) - s.Body.Underside, beam.Top) + Stub;
        foreach (var c in s.Columns)
        {
            Column(to, m, c, true, c.PlanX, beam.Top, top, P, calls, (c.Body.Middle + c.Body.LowX, c.Body.Middle + c.Body.HighX));
        }

        Beam(to, m, beam, P, calls);
        for (var i = 0; i < s.Body.Parts.Length; i++)
        {
            Base(to, m, i, true, per, P, calls, i == s.Body.Parts.Length - 1);
        }

        Calls(to, calls, P(high, 0).X);
        DetailSection.Levels(to, m, [.. s.Columns.ToArray().Select(c => (c.PlanX, c.Outline.FaceX))], (low, high), P);
        string L(double v) => Canvas.Length(v, units);
        var beneath = P(low, -concrete.Blinding).Y;
        double[] stops = [.. s.Body.Parts.ToArray().SelectMany(p => new[] { p.Middle + p.LowX, p.Middle + p.HighX })];
        for (var i = 1; i < stops.Length; i++)
        {
            to.Measure(new(P(stops[i - 1], 0).X, beneath), new(P(stops[i], 0).X, beneath), false, beneath - 6, L(stops[i] - stops[i - 1]));
        }

        to.Measure(new(P(beam.From, 0).X, beneath), new(P(beam.To, 0).X, beneath), false, beneath - 12, L(beam.To - beam.From));
        // Outside the bases: within, stirrups would cross the numbers; the inner base's own thickness stands on its section.
        to.Measure(P(low, 0), P(low, s.Body.Parts[0].Thickness), true, P(low, 0).X - 4, L(s.Body.Parts[0].Thickness));

        // Feet and inches of the gap may find no room in it: the notes say it too.
        var line = P(low, 0).X - 10;
        if (units == UnitSystem.Us && Lettering.Width(L(beam.Underside), Canvas.Text) > beam.Underside * per)
        {
            to.Measure(P(low, beam.Underside), P(low, beam.Top), true, line, L(beam.Top - beam.Underside));
        }
        else
        {
            PlanDimensions.Pair(to.Items, P(low, 0), P(low, beam.Underside), P(low, beam.Top), true, line,
                (L(beam.Underside), L(beam.Top - beam.Underside)));
        }

        var width = Left + Right + ((high - low) * per);
        Notes(to, m, width);
        return new Figure($"{m.Foundation.Mark}: elevation of the beam, bases cut along it", width,
            UnderSection + OverSection + ((concrete.Blinding + Math.Max(top, s.Ground.Level - s.Body.Underside)) * per), scale, to.Items);
    }

    private static void Notes(Canvas to, DetailModel m, double width)
    {
        var (concrete, units) = (m.State.Rules.Concrete, m.Units);
        string S(double v) => Dimension.Section(v, units);
        string[] lines =
        [
            $"The beam's underside lies {S(m.State.BeamFigure!.Underside)} above the bases'; between them the ground is kept clear of it.",
            (concrete.Blinding > 0 ? $"{S(concrete.Blinding)} {Wording.Blinding(units)}. " : $"No {Wording.Blinding(units)}. ")
                + $"Cover: bottom {S(concrete.CoverBottom)}, sides {S(concrete.CoverSide)}, top {S(concrete.CoverTop)}, "
                + "to stirrups in the beam.",
            PlanNotes.Materials(m.Project, m.Foundation),
        ];
        for (var i = 0; i < lines.Length; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((lines.Length - 1 - i) * Canvas.Line)), lines[i], Anchor.Left,
                Layout.Fitted(lines[i], Canvas.Text, width - 4));
        }
    }

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
        var body = column is { } c ? s.Body.Parts[c] : null;
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
            Base(to, m, i, false, per, P, calls, true);
        }

        Cut(to, m, beam, per, P, calls, column is null);
        Calls(to, calls, P(half, 0).X);
        string L(double v) => Canvas.Length(v, units);
        if (body is not null)
        {
            DetailSection.Levels(to, m, [(s.Columns[column!.Value].Y, s.Columns[column.Value].Outline.FaceY)], (-half, half), P);
            var beneath = P(0, -blinding).Y;
            to.Measure(new(P(-half, 0).X, beneath), new(P(half, 0).X, beneath), false, beneath - 6, L(2 * half));
            to.Measure(P(-half, 0), P(-half, body.Thickness), true, P(-half, 0).X - 8, L(body.Thickness));
        }
        else
        {
            to.Measure(P(-half, beam.Underside), P(half, beam.Underside), false, P(0, beam.Underside).Y - 6, L(beam.Width));
            to.Measure(P(-half, beam.Underside), P(-half, beam.Top), true, P(-half, 0).X - 8, L(beam.Top - beam.Underside));
        }

        var letter = Letter(column ?? s.Columns.Length);
        var what = column is { } at ? $"at {s.Columns[at].Support.Label}" : "beam between the bases";
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
        var (s, body) = (m.State, m.State.Body.Parts[part]);
        var cover = s.Rules.Concrete.CoverSide;
        var middle = alongX ? body.Middle : 0;
        var reach = ((alongX ? body.Length : body.Width) / 2) - cover;
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

    private static double Between(Trial s)
    {
        var (first, last) = (s.Body.Parts[0], s.Body.Parts[^1]);
        return (first.Middle + first.HighX + last.Middle + last.LowX) / 2;
    }

    private static string Letter(int section) => ((char)('B' + section)).ToString();

    private static BarRow? RowOf(DetailModel m, BarRole role, string part) =>
        m.Rows.FirstOrDefault(r => r.Group.Role == role && r.Group.Where == $"in the {part} base");

    private static string CallOf(DetailModel m, BarRole role, string part) => RowOf(m, role, part) is { } row ? m.Call(row) : "";

    private static void Extent(Canvas to, At first, At last)
    {
        to.Path(Layers.BarMark, Stroke.Fine, first, last);
        foreach (var end in new[] { first, last })
        {
            to.Path(Layers.BarMark, Stroke.Thin, end + (-0.9, -0.9), end + (0.9, 0.9));
        }
    }

    private static void Calls(Canvas to, List<(At From, string Text)> calls, double edge) =>
        DetailSection.Calls(to, [.. calls.Where(c => c.Text.Length > 0)], edge);
}
