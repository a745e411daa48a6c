using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>The foundation plan: grids, columns and footings to scale with their marks and dimensions, the site's boundary, the schedule beside it.</summary>
public static class FoundationPlan
{
    // Beside the plan, mm: room for dimensions and bubbles on the left and below, for nothing on the other sides.
    private const double DimensionsBeside = 23;
    private const double Around = 10;
    private const double Bubble = 4;
    private const double BubbleStep = (2 * Bubble) + 1;
    private const double SmallestText = 1.8;

    // A plan at a smaller scale than the first of these takes larger paper, if there is any; then the next.
    private static readonly double[] SmallestScales = [100, 200, 500, double.PositiveInfinity];

    /// <summary>Draws the plan.</summary>
    /// <param name="project">The building.</param>
    /// <param name="designs">The designs in force.</param>
    /// <param name="request">Title, paper and scale.</param>
    /// <returns>The sheet; null where it does not fit on the paper at the scale asked for.</returns>
    public static Sheet? Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs, DrawingRequest request)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        ArgumentNullException.ThrowIfNull(request);
        var plan = new Plan(project, designs);
        var (heads, numbers, rows) = Schedule(project, designs);
        var table = Layout.Size(heads, rows);
        var papers = request.Paper is { } asked ? [asked] : Paper.For(project.Units).Skip(1).ToList();
        foreach (var limit in SmallestScales)
        {
            foreach (var paper in papers)
            {
                var (low, high) = Layout.Inside(paper);
                var right = Math.Max(Layout.TitleWidth, table.Width + 6);
                var (width, height) = (high.X - low.X - right - Around - 4, high.Y - low.Y - Around - 8);
                if (table.Height + Layout.Margin > high.Y - low.Y - 60)
                {
                    continue;
                }

                var scale = DrawingScale.For(project.Units).FirstOrDefault(s => (request.Scale is null ? s.Ratio <= limit : Math.Abs(s.Ratio - request.Scale.Value) < 1e-6)
                    && (plan.Width * 1000 / s.Ratio) + Beside(plan.Across, s) <= width && (plan.Height * 1000 / s.Ratio) + Beside(plan.Along, s) <= height);
                if (scale is not null)
                {
                    var (left, below) = (Beside(plan.Across, scale), Beside(plan.Along, scale));
                    var origin = new At(low.X + left + ((width - left - (plan.Width * 1000 / scale.Ratio)) / 2), low.Y + below + ((height - below - (plan.Height * 1000 / scale.Ratio)) / 2));
                    return Make(project, request, plan, paper, scale, (heads, numbers, rows, table.Width), origin);
                }
            }
        }

        return null;
    }

    // Room for dimensions and one row of bubbles, or as many rows as close lines need.
    private static double Beside(IReadOnlyList<GridLine> lines, DrawingScale scale) => DimensionsBeside + ((BubbleRows(lines, 1000 / scale.Ratio).DefaultIfEmpty(0).Max() + 1) * BubbleStep) + 1;

    // The row of each line's bubble: the first in which it touches none before it.
    private static List<int> BubbleRows(IReadOnlyList<GridLine> lines, double per)
    {
        var ends = new List<double>();
        var rows = new List<int>();
        foreach (var line in lines)
        {
            var at = line.Position * per;
            var row = ends.FindIndex(e => at - e >= BubbleStep);
            if (row < 0)
            {
                row = ends.Count;
                ends.Add(0);
            }

            ends[row] = at;
            rows.Add(row);
        }

        return rows;
    }

    private static Sheet Make(Project project, DrawingRequest request, Plan plan, Paper paper, DrawingScale scale, (IReadOnlyList<string> Heads, IReadOnlyList<bool> Numbers, IReadOnlyList<IReadOnlyList<string>> Rows, double Width) schedule, At origin)
    {
        var items = new List<Item>();
        var per = 1000 / scale.Ratio;
        At P(double x, double y) => new(origin.X + ((x - plan.Low.X) * per), origin.Y + ((y - plan.Low.Y) * per));
        At Q(PlanPoint p) => P(p.X, p.Y);
        Site(items, project.Site, Q);
        Grid(items, plan, P, per);
        foreach (var f in plan.Footings)
        {
            items.Add(new PathItem(Layers.Footing, [.. f.Corners.Select(Q)], true, Stroke.Edge, Fill.Light));
        }

        foreach (var f in plan.Footings.Where(f => f.Pedestal is not null))
        {
            Standing(items, f, P, per);
        }

        foreach (var f in plan.Footings)
        {
            Column(items, f.Place.Support, P, per);
        }

        Marks(items, plan, P);
        Dimensions(items, project, plan, P);
        var corner = Layout.Frame(items, paper, scale, project.Title, request);
        var (low, high) = Layout.Inside(paper);
        Layout.Table(items, new(high.X - 3 - schedule.Width, high.Y - 3), "Footing schedule", schedule.Heads, schedule.Numbers, schedule.Rows);
        Notes(items, project, new(corner.X, corner.Y), scale, per, low);
        return new Sheet(request.Title, paper, scale, project.Units, items);
    }

    private static void Site(List<Item> items, Site site, Func<PlanPoint, At> q)
    {
        if (site.Boundary.Count > 0)
        {
            items.Add(new PathItem(Layers.Site, [.. site.Boundary.Select(q)], true, Stroke.Boundary));
            var (a, b) = Enumerable.Range(0, site.Boundary.Count).Select(i => (A: q(site.Boundary[i]), B: q(site.Boundary[(i + 1) % site.Boundary.Count]))).MaxBy(e => Math.Abs(e.A.X - e.B.X));
            var left = a.X < b.X ? a : b;
            var below = left.Y < site.Boundary.Average(c => q(c).Y);
            items.Add(new TextItem(Layers.Site, new(left.X + 2, below ? left.Y - 1 - SmallestText : left.Y + 1), SmallestText, "site boundary"));
        }

        foreach (var zone in site.Zones)
        {
            items.Add(new PathItem(Layers.Site, [.. zone.Corners.Select(q)], true, Stroke.Boundary, Fill.Hatch));
            if (zone.Name.Length > 0)
            {
                items.Add(new TextItem(Layers.Site, q(new PlanPoint(zone.Corners.Average(c => c.X), zone.Corners.Average(c => c.Y))), SmallestText, zone.Name, Anchor.Middle));
            }
        }
    }

    // Lines run over the whole plan; bubbles stand below and on the left, beyond the dimensions.
    private static void Grid(List<Item> items, Plan plan, Func<double, double, At> p, double per)
    {
        var (low, high) = (p(plan.Low.X, plan.Low.Y), p(plan.High.X, plan.High.Y));
        foreach (var (line, row) in plan.Along.Zip(BubbleRows(plan.Along, per)))
        {
            var (x, y) = (p(line.Position, 0).X, low.Y - DimensionsBeside - (row * BubbleStep));
            items.Add(new PathItem(Layers.Grid, [new(x, y), new(x, high.Y + 4)], false, Stroke.Grid));
            Head(items, new(x, y - Bubble), line.Label);
        }

        foreach (var (line, row) in plan.Across.Zip(BubbleRows(plan.Across, per)))
        {
            var (x, y) = (low.X - DimensionsBeside - (row * BubbleStep), p(0, line.Position).Y);
            items.Add(new PathItem(Layers.Grid, [new(x, y), new(high.X + 4, y)], false, Stroke.Grid));
            Head(items, new(x - Bubble, y), line.Label);
        }
    }

    private static void Head(List<Item> items, At at, string label)
    {
        items.Add(new CircleItem(Layers.Grid, at, Bubble, Stroke.Thin, Fill.Paper));
        if (label.Length > 0)
        {
            var height = Layout.Fitted(label, 2.8, (2 * Bubble) - 1.6);
            items.Add(new TextItem(Layers.Grid, at + (0, -height / 2), height, label, Anchor.Middle));
        }
    }

    private static void Standing(List<Item> items, PlacedFooting f, Func<double, double, At> p, double per)
    {
        var pedestal = f.Pedestal!;
        var s = f.Place.Support;
        if (pedestal.Round)
        {
            items.Add(new CircleItem(Layers.Pedestal, p(s.X, s.Y), pedestal.SizeX / 2 * per, Stroke.Thin));
            return;
        }

        items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.SizeX, pedestal.SizeY, f.Place.AngleDegrees), true, Stroke.Thin));
        if (pedestal.Socket is not null)
        {
            items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.ClearX, pedestal.ClearY, f.Place.AngleDegrees), true, Stroke.Thin));
        }
    }

    private static void Column(List<Item> items, Support s, Func<double, double, At> p, double per)
    {
        if (s.Shape == ColumnShape.Round)
        {
            items.Add(new CircleItem(Layers.Column, p(s.X, s.Y), s.SizeX / 2 * per, Stroke.Thin, Fill.Solid));
            return;
        }

        if (s.Shape == ColumnShape.Steel)
        {
            items.Add(new PathItem(Layers.Column, Turned(p, s.X, s.Y, s.PlateX, s.PlateY, s.AngleDegrees), true, Stroke.Fine));
        }

        items.Add(new PathItem(Layers.Column, Turned(p, s.X, s.Y, s.SizeX, s.SizeY, s.AngleDegrees), true, Stroke.Thin, Fill.Solid));
    }

    private static At[] Turned(Func<double, double, At> p, double x, double y, double length, double width, double angle)
    {
        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(angle);
        At Corner(double a, double b) => p(x + (a * cos) - (b * sin), y + (a * sin) + (b * cos));
        var (l, w) = (length / 2, width / 2);
        return [Corner(-l, -w), Corner(l, -w), Corner(l, w), Corner(-l, w)];
    }

    // Beyond the upper right corner of the base; where another lies there above it, or beyond another corner; inside its own where all are taken.
    private static void Marks(List<Item> items, Plan plan, Func<double, double, At> p)
    {
        const double height = 2.5;
        var boxes = plan.Footings.Select(f => (Low: p(f.Corners.Min(c => c.X), f.Corners.Min(c => c.Y)), High: p(f.Corners.Max(c => c.X), f.Corners.Max(c => c.Y)))).ToList();
        var marked = items.OfType<TextItem>().Where(t => t.Layer == Layers.Site).Select(t => (Text: t, Width: Lettering.Width(t.Text, t.Height))).Select(t => (Low: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? -t.Width / 2 : 0, 0), High: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? t.Width / 2 : t.Width, t.Text.Height))).ToList();
        for (var i = 0; i < plan.Footings.Count; i++)
        {
            var (f, (low, high)) = (plan.Footings[i], boxes[i]);
            var turn = Math.IEEERemainder(f.Place.AngleDegrees, 90);
            var words = string.Join(", ", new[] { turn == 0 ? "" : f.Place.AngleDegrees.ToString("0.##", CultureInfo.InvariantCulture) + "°", f.Place.Lie.QuarterTurns == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $"turned {90 * f.Place.Lie.QuarterTurns}°"), f.Place.Lie.Mirrored ? "mirrored" : "" }.Where(w => w.Length > 0));
            var width = Math.Max(Lettering.Width(f.Mark, height, true), Lettering.Width(words, SmallestText));
            var deep = height + (words.Length > 0 ? SmallestText + 1 : 0);
            var column = p(f.Place.Support.X, f.Place.Support.Y).X;
            At[] corners = [new(high.X + 1, high.Y + 1), new(column + 1, high.Y + 1), new(high.X + 1, low.Y - 1 - deep), new(column + 1, low.Y - 1 - deep), new(low.X - 1 - width, high.Y + 1), new(low.X - 1 - width, low.Y - 1 - deep)];
            bool Free(At at) => !boxes.Concat(marked).Any(b => at.X < b.High.X + 0.5 && at.X + width > b.Low.X - 0.5 && at.Y < b.High.Y + 0.5 && at.Y + deep > b.Low.Y - 0.5);
            var free = corners.Where(Free).ToList();
            var where = free.Count > 0 ? free[0] : new At(high.X - 1 - width, high.Y - 1 - deep);
            marked.Add((where, where + (width, deep)));
            items.Add(new TextItem(Layers.Mark, where + (0, deep - height), height, f.Mark, Anchor.Left, 0, true));
            if (words.Length > 0)
            {
                items.Add(new TextItem(Layers.Mark, where, SmallestText, words));
            }
        }
    }

    private static void Dimensions(List<Item> items, Project project, Plan plan, Func<double, double, At> p)
    {
        var units = project.Units;
        string L(double v) => units == UnitSystem.Us ? Feet(v) : Math.Round(v * 1000).ToString("0", CultureInfo.InvariantCulture);
        var low = p(plan.Low.X, plan.Low.Y);
        void Chain(IReadOnlyList<GridLine> lines, bool vertical)
        {
            At Point(double v) => vertical ? new(low.X, p(0, v).Y) : new(p(v, 0).X, low.Y);
            var (near, far) = vertical ? (low.X - 9, low.X - 17) : (low.Y - 9, low.Y - 17);
            for (var i = 0; i + 1 < lines.Count; i++)
            {
                items.Add(new DimensionItem(Point(lines[i].Position), Point(lines[i + 1].Position), vertical, near, L(lines[i + 1].Position - lines[i].Position)));
            }

            if (lines.Count > 2)
            {
                // Its text stands between two grid lines, not on one.
                var (first, all) = (lines[0].Position, lines[^1].Position - lines[0].Position);
                var bay = Enumerable.Range(0, lines.Count - 1).Select(i => (lines[i].Position + lines[i + 1].Position) / 2).MinBy(m => Math.Abs(m - first - (all / 2)));
                items.Add(new DimensionItem(Point(first), Point(lines[^1].Position), vertical, far, L(all)) { TextShare = (bay - first) / all });
            }
        }

        Chain(plan.Along, false);
        Chain(plan.Across, true);

        // A base that is not centred under its column is dimensioned from it to both edges.
        foreach (var f in plan.Footings.Where(f => Math.IEEERemainder(f.Place.AngleDegrees, 90) == 0))
        {
            var s = f.Place.Support;
            var (x0, x1, y0, y1) = (f.Corners.Min(c => c.X), f.Corners.Max(c => c.X), f.Corners.Min(c => c.Y), f.Corners.Max(c => c.Y));
            if (Math.Abs(x0 + x1 - (2 * s.X)) > 0.001)
            {
                Pair(items, p(x0, y0), new(p(s.X, 0).X, p(0, y0).Y), p(x1, y0), false, p(0, y0).Y - 5, (L(s.X - x0), L(x1 - s.X)));
            }

            if (Math.Abs(y0 + y1 - (2 * s.Y)) > 0.001)
            {
                Pair(items, p(x0, y0), new(p(x0, 0).X, p(0, s.Y).Y), p(x0, y1), true, p(x0, 0).X - 5, (L(s.Y - y0), L(y1 - s.Y)));
            }
        }
    }

    // Two dimensions on one line; a text that is too wide for its part stands away from the other.
    private static void Pair(List<Item> items, At from, At middle, At to, bool vertical, double line, (string First, string Second) texts)
    {
        static double Share(double part, double width, bool first) => width + 1 <= part || part <= 0 ? 0.5 : first ? 1 - (((width / 2) + 0.6) / part) : ((width / 2) + 0.6) / part;
        double Part(At a, At b) => vertical ? b.Y - a.Y : b.X - a.X;
        double Width(string text) => Lettering.Width(text, DimensionItem.TextHeight);
        items.Add(new DimensionItem(from, middle, vertical, line, texts.First) { TextShare = Share(Part(from, middle), Width(texts.First), true) });
        items.Add(new DimensionItem(middle, to, vertical, line, texts.Second) { TextShare = Share(Part(middle, to), Width(texts.Second), false) });
    }

    /// <summary>Feet and inches to the sixteenth: 12'-6 1/2".</summary>
    public static string Feet(double metres)
    {
        var sixteenths = (long)Math.Round(Math.Abs(metres) / 0.0254 * 16);
        var (feet, rest) = (sixteenths / 192, sixteenths % 192);
        var (inches, part) = (rest / 16, rest % 16);
        var divisor = part == 0 ? 16 : (long)System.Numerics.BigInteger.GreatestCommonDivisor(part, 16);
        return string.Create(CultureInfo.InvariantCulture, $"{(metres < 0 ? "−" : "")}{feet}'-{inches}{(part == 0 ? "" : $" {part / divisor}/{16 / divisor}")}\"");
    }

    private static void Notes(List<Item> items, Project project, At corner, DrawingScale scale, double per, At low)
    {
        var units = project.Units;
        var first = project.Foundations[0].Rules;
        string S(double v) => Unit.Section.FormatWithSymbol(v, units);
        string[] notes =
        [
            units == UnitSystem.Us ? "Dimensions in feet and inches, levels in feet." : "Dimensions in millimetres, levels in metres.",
            $"Concrete f'c {Unit.Stress.FormatTraced(first.Concrete.Strength, units)}, reinforcement fy {Unit.Stress.FormatTraced(first.Steel.Yield, units)}, where a footing has no other.",
            $"Cover: bottom {S(first.Concrete.CoverBottom)}, sides {S(first.Concrete.CoverSide)}, top {S(first.Concrete.CoverTop)}. Blinding {S(first.Concrete.Blinding)}.",
            $"Designed to {project.Code.Name} and {project.Standard.Name}.",
            "Footings are centred under their columns where no dimension says otherwise.",
        ];
        var y = corner.Y + 6 + (3.6 * notes.Length);
        items.Add(new TextItem(Layers.Note, new(corner.X, y), 2.2, "Notes", Anchor.Left, 0, true));
        foreach (var note in notes)
        {
            y -= 3.6;
            items.Add(new TextItem(Layers.Note, new(corner.X, y), Layout.Fitted(note, SmallestText, Layout.TitleWidth - 4), note));
        }

        // A bar of whole metres (or tens of feet) of about 50 mm.
        var unit = units == UnitSystem.Us ? 0.3048 : 1;
        var step = new[] { 0.5, 1, 2, 5, 10, 20, 50, 100 }.First(s => s * unit * per >= 8);
        var (x0, y0) = (low.X + 6, low.Y + 4);
        for (var i = 0; i < 5; i++)
        {
            var (a, b) = (x0 + (i * step * unit * per), x0 + ((i + 1) * step * unit * per));
            items.Add(Layout.Rectangle(Layers.Note, new(a, y0), new(b, y0 + 1.5), Stroke.Fine, i % 2 == 0 ? Fill.Solid : Fill.Paper));
            items.Add(new TextItem(Layers.Note, new(a, y0 + 2.4), SmallestText, (i * step).ToString("0.#", CultureInfo.InvariantCulture), Anchor.Middle));
        }

        items.Add(new TextItem(Layers.Note, new(x0 + (5 * step * unit * per), y0 + 2.4), SmallestText, (5 * step).ToString("0.#", CultureInfo.InvariantCulture) + (units == UnitSystem.Us ? " ft" : " m") + "   " + scale.Words, Anchor.Left));

        // The project's axes; the north is not known.
        var (ax, ay) = (low.X + 6, low.Y + 12);
        items.Add(new PathItem(Layers.Note, [new(ax, ay + 9), new(ax, ay), new(ax + 9, ay)], false, Stroke.Thin));
        items.Add(new PathItem(Layers.Note, [new(ax - 0.8, ay + 7.4), new(ax, ay + 9.6), new(ax + 0.8, ay + 7.4)], true, Stroke.Fine, Fill.Solid));
        items.Add(new PathItem(Layers.Note, [new(ax + 7.4, ay - 0.8), new(ax + 9.6, ay), new(ax + 7.4, ay + 0.8)], true, Stroke.Fine, Fill.Solid));
        items.Add(new TextItem(Layers.Note, new(ax + 10.4, ay - 0.9), 2, "x"));
        items.Add(new TextItem(Layers.Note, new(ax - 0.8, ay + 10.6), 2, "y"));
    }

    private static (IReadOnlyList<string> Heads, IReadOnlyList<bool> Numbers, IReadOnlyList<IReadOnlyList<string>> Rows) Schedule(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        var units = project.Units;
        var issued = Core.Schedules.ScheduleTables.Of(project, designs)[0];
        string[] titles = ["mark", "number off", "length", "width", "thickness", "underside", "bottom B1", "bottom B2", "top T1", "top T2", "dowels", "pedestal", "pedestal bars", "ties"];
        var columns = titles.Select(t => issued.Columns.ToList().FindIndex(c => c.Title == t)).Where(i => i >= 0 && (issued.Columns[i].Decimals is not null || issued.Rows.Any(r => r[i] is string s && s != "—"))).ToList();
        string Cell(object? value, int c) => value switch
        {
            double d => Math.Round(d, issued.Columns[c].Decimals!.Value).ToString("F" + issued.Columns[c].Decimals!.Value.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture),
            int n => n.ToString(CultureInfo.InvariantCulture),
            _ => value as string ?? "",
        };
        string Head(int c) => issued.Columns[c].Title switch { "number off" => "no.", "thickness" => "h " + Unit.Section.Symbol(units), "underside" => "underside " + Unit.Length.Symbol(units), var t => t + (issued.Columns[c].UnitSymbol.Length > 0 ? " " + issued.Columns[c].UnitSymbol : "") };
        return ([.. columns.Select(Head)], [.. columns.Select(c => issued.Columns[c].Decimals is not null)], [.. issued.Rows.Select(r => (IReadOnlyList<string>)[.. columns.Select(c => Cell(r[c], c))])]);
    }

    /// <summary>A footing where it lies.</summary>
    private sealed record PlacedFooting(string Mark, Place Place, PlanPoint[] Corners, Pedestal? Pedestal);

    /// <summary>What is to be drawn, in project axes, m.</summary>
    private sealed class Plan
    {
        public Plan(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
        {
            Footings = [.. designs.SelectMany(d => d.Foundation.Places.Select(place => new PlacedFooting(d.Foundation.Mark, place, BaseGeometry.Corners(place, BaseGeometry.Centre(d.Foundation, place, d.Design), d.Design.Size), d.Design.Pedestal)))];
            Along = GridLines.Of(project.Supports, true);
            Across = GridLines.Of(project.Supports, false);
            var points = Footings.SelectMany(f => f.Corners).Concat(project.Site.Boundary).Concat(project.Site.Zones.SelectMany(z => z.Corners)).Concat(project.Supports.Select(s => new PlanPoint(s.X, s.Y))).ToList();
            (Low, High) = (new PlanPoint(points.Min(p => p.X), points.Min(p => p.Y)), new PlanPoint(points.Max(p => p.X), points.Max(p => p.Y)));
        }

        public IReadOnlyList<PlacedFooting> Footings { get; }

        public IReadOnlyList<GridLine> Along { get; }

        public IReadOnlyList<GridLine> Across { get; }

        public PlanPoint Low { get; }

        public PlanPoint High { get; }

        public double Width => High.X - Low.X;

        public double Height => High.Y - Low.Y;
    }
}
