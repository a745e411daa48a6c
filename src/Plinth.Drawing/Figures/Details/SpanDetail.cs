using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The detail of a base under several columns: plan with the bars of every zone, a section along it through all columns, a section across
/// at each.
/// </summary>
public static partial class SpanDetail
{
    private const double Left = 44;
    private const double Right = 44;
    private const double Below = 26;
    private const double Above = 22;
    private const double UnderSection = 24;
    private const double OverSection = 8;

    // How much of a column is shown over what it stands on, m.
    private const double Stub = 0.3;

    /// <summary>Space that it takes beside the base along it, mm.</summary>
    public static double Around => Left + Right;

    /// <summary>The plan at a scale.</summary>
    public static Figure Plan(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units) = (m.State, m.Units);
        var per = 1000 / scale.Ratio;
        var widest = BaseView.Widest(s);
        var more = DetailPiles.Line(s);
        var view = new BaseView(s, scale, new At(Left - (s.Body.LowX * per), Below + more + (widest * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        view.Crossing(to);
        DetailPiles.Plan(to, view);
        view.Standing(to);
        DetailPiles.Numbers(to, view);
        view.Boundary(to, m.Project.Site.Boundary, 5, Wording.Boundary(units));
        string L(double v) => Canvas.Length(v, units);
        var calls = new List<(At From, string Text)>();
        foreach (var bottom in new[] { true, false })
        {
            // One bar along near an edge, the extent of all across it.
            foreach (var run in s.Runs(true, bottom))
            {
                var at = run.Across[bottom ? 1 : run.Across.Count - 2];
                double Y(double across, double x) => across * s.Body.WidthAt(x) / widest;
                var (a, b) = (s.Body.LowX + s.Rules.Concrete.CoverSide, s.Body.HighX - s.Rules.Concrete.CoverSide);
                to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar, view.At(a, Y(at, a)), view.At(b, Y(at, b)));
                calls.Add((view.At(b, Y(at, b)), CallOf(m, BarRoleOf(true, bottom), run.Where)));
                var x = s.Body.LowX + (s.Body.Length * (bottom ? 0.06 : 0.03));
                Extent(to, view.At(x, Y(run.Across[0], x)), view.At(x, Y(run.Across[^1], x)));
            }
        }

        foreach (var (from, text) in Spread(calls.OrderBy(c => c.From.Y).ToList()))
        {
            to.Path(Layers.BarMark, Stroke.Fine, from.At, new(view.High.X + 3, from.At.Y), new(view.High.X + 6, from.Y));
            to.Write(Layers.BarMark, new(view.High.X + 6.6, from.Y - 0.9), text);
        }

        // Across: one bar of each zone, its extent, its call over the base.
        var over = new List<(double X, string Text)>();
        foreach (var bottom in new[] { true, false })
        {
            foreach (var run in s.Runs(false, bottom))
            {
                foreach (var part in Parts(run.Across,
                    run.Where == "between"
                        ? [.. s.Runs(false, true).Where(r => r != run && r.Where != "between").SelectMany(r => r.Across)]
                        : []))
                {
                    var x = part[part.Count / 2];
                    var half = (s.Body.WidthAt(x) / 2) - s.Rules.Concrete.CoverSide;
                    to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar, view.At(x, -half), view.At(x, half));
                    var level = (bottom ? run.Where == "between" ? -0.28 : -0.36 : 0.40) * Math.Min(s.Body.WidthAt(part[0]),
                        s.Body.WidthAt(part[^1]));
                    Extent(to, view.At(part[0], level), view.At(part[^1], level));
                    to.Circle(Layers.BarMark, Stroke.Fine, view.At(x, level), 0.7, Fill.Paper);
                    over.Add((view.At(x, 0).X,
                        run.Where == "between"
                            ? $"{part.Count} of {CallOf(m, BarRoleOf(false, bottom), run.Where)}"
                            : CallOf(m, BarRoleOf(false, bottom), run.Where)));
                    to.Path(Layers.BarMark, Stroke.Fine, view.At(x, half), new(view.At(x, 0).X, view.High.Y + 2));
                }
            }
        }

        over.AddRange(DetailExtra.Plan(to, m, view));
        var rows = new List<double>();
        foreach (var (x, text) in over.OrderBy(o => o.X))
        {
            var row = rows.FindIndex(end => end + 2 < x);
            if (row < 0)
            {
                row = rows.Count;
                rows.Add(0);
            }

            rows[row] = x + 0.6 + Lettering.Width(text, Canvas.Text);
            var y = view.High.Y + 4 + (3.4 * row);
            to.Path(Layers.BarMark, Stroke.Fine, new(x, view.High.Y + 2), new(x, y + 1.5));
            to.Write(Layers.BarMark, new(x + 0.6, y), text);
        }

        // From end to end by the columns, whole length below; widths at both ends.
        double[] stops = [s.Body.LowX, .. s.Columns.ToArray().Select(c => Math.Round(c.X, 6)).Distinct().Order(), s.Body.HighX];
        for (var i = 1; i < stops.Length; i++)
        {
            to.Measure(new(view.At(stops[i - 1], 0).X, view.Low.Y), new(view.At(stops[i], 0).X, view.Low.Y), false, view.Low.Y - 8,
                L(stops[i] - stops[i - 1]));
        }

        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 14 - more, L(s.Body.Length));
        if (more > 0)
        {
            DetailPiles.Measure(to, view, units, view.Low.Y - 14, view.Low.X - 8);
        }

        void Width(double x, double width, double line) =>
            to.Measure(new(view.At(x, 0).X, view.At(0, -width / 2).Y), new(view.At(x, 0).X, view.At(0, width / 2).Y), true, line, L(width));
        Width(s.Body.LowX, s.Body.LowWidth, view.Low.X - 8 - more);
        if (!s.Body.IsRectangle)
        {
            Width(s.Body.HighX, s.Body.HighWidth, view.High.X + 34);
        }

        foreach (var y in s.Columns.ToArray().Select(c => c.Y).Where(y => Math.Abs(y) > 0.001).Distinct())
        {
            to.Measure(new(view.Low.X, view.At(0, 0).Y), new(view.Low.X, view.At(0, y).Y), true, view.Low.X - 14 - more, L(Math.Abs(y)));
        }

        var middle = view.At(0, s.Columns[0].Y).Y;
        foreach (var x in new[] { view.Low.X - 18 - more, view.High.X + 26 })
        {
            to.Path(Layers.Note, Stroke.Edge, new(x - 2, middle), new(x + 2, middle));
            to.Write(Layers.Note, new(x, middle + 1), "A", Anchor.Middle, 2.4, true);
        }

        for (var i = 0; i < s.Columns.Length; i++)
        {
            var x = view.At(s.Columns[i].X, 0).X;
            to.Path(Layers.Note, Stroke.Edge, new(x, view.Low.Y - 5), new(x, view.Low.Y - 1));
            to.Write(Layers.Note, new(x + 1, view.Low.Y - 4), AlikeSections.Letter(m, i), Anchor.Left, 2.4, true);
            view.Label(to, s.Columns[i], x);
        }

        BaseView.Axes(to, new At(3, 3));
        return new Figure($"{m.Foundation.Mark}: plan", Left + Right + (s.Body.Length * per), Below + Above + more + (widest * per), scale,
            to.Items);
    }

    private static string Notes(DetailModel m)
    {
        var (s, concrete) = (m.State, m.State.Rules.Concrete);
        string S(double v) => Dimension.Section(v, m.Units);
        return $"Cover: bottom {S(concrete.CoverBottom)}, sides {S(concrete.CoverSide)}, top "
            + $"{S(concrete.CoverTop)}{(m.Design.HasPedestal ? $", pedestals {S(s.Rules.Pedestal.Cover)} to the ties" : "")}. "
            + (concrete.Blinding > 0 ? $"{S(concrete.Blinding)} {Wording.Blinding(m.Units)}." : $"No {Wording.Blinding(m.Units)}.") + " "
            + PlanNotes.Materials(m.Project, m.Foundation) + DetailPiles.Words(s, m.Units);
    }

    /// <summary>The section along it, or across at one of its columns.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="column">The column at which it is cut across; null: along through all.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Section(DetailModel m, int? column, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete, per) = (m.State, m.Units, m.State.Rules.Concrete, 1000 / scale.Ratio);
        var alongX = column is null;
        var at = column is { } c ? s.Columns[c] : s.Columns[0];
        var (low, high) = alongX ? (s.Body.LowX, s.Body.HighX) : (-s.Body.WidthAt(at.X) / 2, s.Body.WidthAt(at.X) / 2);
        Standing[] cut = alongX ? [.. s.Columns] : [at];
        var width = Left + Right + ((high - low) * per);
        var notes = alongX ? Layout.Wrapped(Notes(m), Canvas.Text, width - 4) : [];
        var under = UnderSection + (Math.Max(0, notes.Count - 1) * Canvas.Line) + (alongX ? DetailExtra.Tall(m) : 0);
        At P(double u, double z) => new(Left + ((u - low) * per), under + ((z + DetailPiles.Below(s)) * per));
        var to = new Canvas();
        if (concrete.Blinding > 0)
        {
            to.Box(Layers.Ground, Stroke.Fine, P(low - concrete.BlindingBeyond, -concrete.Blinding), P(high + concrete.BlindingBeyond, 0),
                Fill.Hatch);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(low, 0), P(high, s.Body.Thickness), Fill.Light);
        DetailPiles.Section(to, s, alongX, P);
        var calls = new List<(At From, string Text)>();
        DetailPiles.Bars(to, m, alongX, P, calls);
        var top = Top(s);
        foreach (var stands in cut)
        {
            var u = alongX ? stands.X : stands.Y;
            var (shape, sizes) = (stands.Support.Shape,
                alongX
                    ? (stands.Support.SizeX, stands.Pedestal?.SizeX)
                    : (stands.Support.SizeY, stands.Pedestal is { Round: true } r ? r.SizeX : stands.Pedestal?.SizeY));
            var foot = stands.ColumnFoot - s.Body.Underside;
            if (sizes.Item2 is { } pedestal)
            {
                to.Box(Layers.Pedestal, Stroke.Edge, P(u - (pedestal / 2), s.Body.Thickness), P(u + (pedestal / 2), foot), Fill.Light);
            }

            // A turned column as wide as the cut finds it; a round one by its diameter.
            var half = (shape == ColumnShape.Round ? stands.Support.SizeX
                : alongX ? stands.Loaded.Outline.FaceX
                : stands.Loaded.Outline.FaceY) / 2;
            var (a, b) = (P(u - half, top), P(u + half, top));
            to.Path(Layers.Column, Stroke.Edge, a, P(u - half, foot), P(u + half, foot), b);
            var mid = P(u, top);
            to.Path(Layers.Column, Stroke.Fine, a + (-2, 0), mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0),
                b + (2, 0));
            to.Write(Layers.Note, mid + (0, 2.4), stands.Support.Label, Anchor.Middle, 1.8, true);
            Uprights(to, m, stands, alongX, u, (low + concrete.CoverSide, high - concrete.CoverSide), top, P, calls);
        }

        foreach (var bottom in new[] { true, false })
        {
            Mat(to, m, bottom, alongX, column, (low, high), per, P, calls);
        }

        double Level(bool bottom) => bottom ? s.Body.Thickness - s.Zones(true)[0].Depth(true) : s.Zones(true)[0].Depth(false);
        if (!alongX)
        {
            DetailExtra.Across(to, m, at.X, per, P, Level, calls);
        }

        foreach (var (from, text) in Spread(calls.OrderBy(x => x.From.Y).ToList()))
        {
            to.Path(Layers.BarMark, Stroke.Fine, from.At, new(P(high, 0).X + 3, from.At.Y), new(P(high, 0).X + 7, from.Y),
                new(P(high, 0).X + 8, from.Y));
            to.Write(Layers.BarMark, new(P(high, 0).X + 8.6, from.Y - 0.9), text);
        }

        DetailSection.Levels(to, m, alongX ? [.. cut.Select(x => (x.X, x.Outline.FaceX))] : [(at.Y, at.Outline.FaceY)], (low, high), P);
        string L(double v) => Canvas.Length(v, units);
        var beneath = P(low, -DetailPiles.Below(s)).Y;
        // Halves of a section that do not add up as they are written say no more than the whole.
        double[] stops = [low, .. cut.Select(x => alongX ? x.X : x.Y).Order(), high];
        var parts = stops.Zip(stops.Skip(1), (a, b) => b - a).ToList();
        for (var i = 0;
            i < parts.Count
                && (alongX || units == UnitSystem.Us || Math.Abs(parts.Sum(v => Math.Round(v, 3)) - Math.Round(high - low, 3)) < 1e-9); i++)
        {
            to.Measure(new(P(stops[i], 0).X, beneath), new(P(stops[i + 1], 0).X, beneath), false, beneath - 6, L(parts[i]));
        }

        to.Measure(new(P(low, 0).X, beneath), new(P(high, 0).X, beneath), false, beneath - 12, L(high - low));
        to.Measure(P(low, 0), P(low, s.Body.Thickness), true, P(low, 0).X - 8, L(s.Body.Thickness));
        if (alongX)
        {
            DetailExtra.Along(to, m, P, Level, beneath - 12);
        }

        for (var i = 0; i < notes.Count; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((notes.Count - 1 - i) * Canvas.Line)), notes[i]);
        }

        var tall = under + OverSection + ((DetailPiles.Below(s) + Math.Max(top, s.Ground.Level - s.Body.Underside)) * per);
        var letter = column is { } own ? AlikeSections.Letter(m, own) : "A";
        var title = column is { } where ? ", " + AlikeSections.Words(m, where) : "";
        return new Figure($"{m.Foundation.Mark}: section {letter}–{letter}{title}", width, tall, scale, to.Items);
    }

    private static double Top(Trial s)
    {
        var most = 0.0;
        foreach (var c in s.Columns)
        {
            most = Math.Max(most, c.ColumnFoot - s.Body.Underside + Stub);
        }

        return most;
    }
}
