using Plinth.Core.Buildings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>Dimensions of a plan: the grid in chains with their sums, and bases that are not centred under their columns.</summary>
internal static class PlanDimensions
{
    /// <summary>Adds them.</summary>
    /// <returns>What the dimensions of each footing of its own take up.</returns>
    public static ILookup<PlacedFooting, At> Add(List<Item> items, Project project, PlanModel plan, Func<double, double, At> p)
    {
        var own = new List<(PlacedFooting Footing, At Corner)>();
        var units = project.Units;
        string L(double v) => Figures.Canvas.Length(v, units);
        var low = p(plan.Low.X, plan.Low.Y);
        void Chain(IReadOnlyList<GridLine> lines, bool vertical)
        {
            At Point(double v) => vertical ? new(low.X, p(0, v).Y) : new(p(v, 0).X, low.Y);
            var (near, far) = vertical ? (low.X - 9, low.X - 17) : (low.Y - 9, low.Y - 17);
            for (var i = 0; i + 1 < lines.Count; i++)
            {
                items.Add(new DimensionItem(Point(lines[i].Position), Point(lines[i + 1].Position), vertical, near,
                    L(lines[i + 1].Position - lines[i].Position)));
            }

            if (lines.Count > 2)
            {
                // Its text stands between two grid lines, not on one.
                var (first, all) = (lines[0].Position, lines[^1].Position - lines[0].Position);
                var bay = Enumerable.Range(0, lines.Count - 1)
                    .Select(i => (lines[i].Position + lines[i + 1].Position) / 2)
                    .MinBy(m => Math.Abs(m - first - (all / 2)));
                items.Add(new DimensionItem(Point(first), Point(lines[^1].Position), vertical, far,
                    L(all))
                { TextShare = (bay - first) / all });
            }
        }

        Chain(plan.Along, false);
        Chain(plan.Across, true);

        // A base that is not centred under its column is dimensioned from it to both edges.
        foreach (var f in plan.Footings.Where(f => Math.IEEERemainder(f.Place.AngleDegrees, 90) == 0))
        {
            var s = f.Place.Support;
            var from = items.Count;
            var (x0, x1, y0, y1) = (f.Corners.Min(c => c.X), f.Corners.Max(c => c.X), f.Corners.Min(c => c.Y), f.Corners.Max(c => c.Y));
            if (f.Place.Supports.Count > 1)
            {
                Stops(f.Place.Supports.Select(c => c.X), x0, x1, false);
                Stops(f.Place.Supports.Select(c => c.Y), y0, y1, true);
                own.AddRange(items.Skip(from).OfType<DimensionItem>().SelectMany(Corners).Select(c => (f, c)));
                continue;

                // From edge to edge by all columns, but for one in the middle; and from a grid line to the nearest column, where none
                // stands on one.
                void Stops(IEnumerable<double> columns, double low, double high, bool vertical)
                {
                    double[] at = [.. columns.Select(c => Math.Round(c, 3)).Distinct().Order()];
                    double[] stops = [low, .. at.Where(c => c > low + 0.001 && c < high - 0.001), high];
                    var (line, between) = (vertical ? p(x0, 0).X - 5 : p(0, y0).Y - 5,
                        stops.Length != 3 || Math.Abs(stops[0] + stops[2] - (2 * stops[1])) >= 0.002);
                    At Stop(double at) => vertical ? new(p(x0, 0).X, p(0, at).Y) : new(p(at, 0).X, p(0, y0).Y);
                    for (var i = 1; between && i < stops.Length; i++)
                    {
                        Add(stops[i - 1], stops[i], line, i == 1 ? -1 : i == stops.Length - 1 ? 1 : 0);
                    }

                    var ties = (vertical ? plan.Across : plan.Along).SelectMany(g => at.Select(c => (Grid: g.Position, Column: c)))
                        .ToList();
                    if (ties.Count > 0 && ties.MinBy(t => Math.Round(Math.Abs(t.Grid - t.Column), 3)) is var (grid, column)
                        && Math.Abs(grid - column) > 0.001)
                    {
                        Add(Math.Min(grid, column), Math.Max(grid, column), between ? line - 5 : line, column < grid ? -1 : 1);
                    }

                    // A text that is too wide for its part stands before it, −1, or after it, +1; between others it cannot.
                    void Add(double from, double to, double line, int aside)
                    {
                        var (a, b, text) = (Stop(from), Stop(to), L(to - from));
                        var (part, width) = (vertical ? b.Y - a.Y : b.X - a.X, Lettering.Width(text, DimensionItem.TextHeight) + 1);
                        items.Add(new DimensionItem(a, b, vertical, line,
                            text)
                        { TextShare = width <= part ? 0.5 : 0.5 + (aside * (0.5 + (((width / 2) + 0.5) / part))) });
                    }
                }
            }

            if (Math.Abs(x0 + x1 - (2 * s.X)) > 0.001)
            {
                Pair(items, p(x0, y0), new(p(s.X, 0).X, p(0, y0).Y), p(x1, y0), false, p(0, y0).Y - 5, (L(s.X - x0), L(x1 - s.X)));
            }

            if (Math.Abs(y0 + y1 - (2 * s.Y)) > 0.001)
            {
                Pair(items, p(x0, y0), new(p(x0, 0).X, p(0, s.Y).Y), p(x0, y1), true, p(x0, 0).X - 5, (L(s.Y - y0), L(y1 - s.Y)));
            }

            own.AddRange(items.Skip(from).OfType<DimensionItem>().SelectMany(Corners).Select(c => (f, c)));
        }

        return own.ToLookup(o => o.Footing, o => o.Corner);
    }

    // What a dimension takes up: its line and its text.
    private static IEnumerable<At> Corners(DimensionItem d)
    {
        var (from, to) = d.Ends;
        var text = Writers.Strokes.TextOf(d);
        var half = Lettering.Width(text.Text, text.Height) / 2;
        return d.Vertical
            ? [from, to, text.Point + (-text.Height, -half), text.Point + (0, half)]
            : [from, to, text.Point + (-half, 0), text.Point + (half, text.Height)];
    }

    /// <summary>Two dimensions on one line; a text that is too wide for its part stands away from the other.</summary>
    public static void Pair(List<Item> items, At from, At middle, At to, bool vertical, double line, (string First, string Second) texts)
    {
        static double Share(double part, double width, bool first) =>
            width + 1 <= part || part <= 0 ? 0.5 : first ? 1 - (((width / 2) + 0.6) / part) : ((width / 2) + 0.6) / part;
        double Part(At a, At b) => vertical ? b.Y - a.Y : b.X - a.X;
        double Width(string text) => Lettering.Width(text, DimensionItem.TextHeight);
        items.Add(new DimensionItem(from, middle, vertical, line,
            texts.First)
        { TextShare = Share(Part(from, middle), Width(texts.First), true) });
        items.Add(new DimensionItem(middle, to, vertical, line,
            texts.Second)
        { TextShare = Share(Part(middle, to), Width(texts.Second), false) });
    }
}
