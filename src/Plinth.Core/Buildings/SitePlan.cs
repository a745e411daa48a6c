using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Buildings;

/// <summary>Two bases that are too near each other in plan.</summary>
/// <param name="First">Mark of one.</param>
/// <param name="FirstPlace">Its place.</param>
/// <param name="Second">Mark of the other.</param>
/// <param name="SecondPlace">Its place.</param>
/// <param name="Gap">Clear distance in plan, m; negative: how far one must move for them to part.</param>
/// <param name="ApartInLevel">Whether one lies wholly above the other, so that they overlap in plan alone.</param>
public sealed record NearBases(string First, string FirstPlace, string Second, string SecondPlace, double Gap, bool ApartInLevel)
{
    /// <summary>Whether both cannot be built as they are.</summary>
    public bool Overlaps => Gap < 0;
}

/// <summary>Looks at all bases of a building together, where each was designed alone.</summary>
public static class SitePlan
{
    /// <summary>Clear distance below which forms and excavation of neighbours meet, m.</summary>
    public const double SmallGap = 0.3;

    private const double Touch = 1e-6;

    /// <summary>The pairs of bases that overlap or leave a small gap, by mark.</summary>
    /// <param name="bases">Foundations with their designs.</param>
    public static IReadOnlyList<NearBases> Near(IEnumerable<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        ArgumentNullException.ThrowIfNull(bases);
        var placed = bases.SelectMany(b => b.Foundation.Places.SelectMany(p => Placed.Of(b.Foundation, b.Design, p)))
            .OrderBy(p => p.LowX)
            .ToList();
        var found = new List<NearBases>();
        for (var i = 0; i < placed.Count; i++)
        {
            for (var j = i + 1; j < placed.Count && placed[j].LowX < placed[i].HighX + SmallGap; j++)
            {
                if (placed[i].Apart(placed[j]) >= SmallGap || placed[i].HangsWith(placed[j]))
                {
                    continue;
                }

                var gap = Gap(placed[i].Corners, placed[j].Corners);
                if (gap is > -Touch and < Touch)
                {
                    gap = 0;
                }

                if (gap < SmallGap)
                {
                    var (a, b) = MarkOrder.Natural.Compare(placed[i].Mark, placed[j].Mark) <= 0
                        ? (placed[i], placed[j])
                        : (placed[j], placed[i]);
                    found.Add(new NearBases(a.Mark, a.Place, b.Mark, b.Place, gap, a.Top <= b.Bottom + Touch || b.Top <= a.Bottom + Touch));
                }
            }
        }

        // Of several parts the nearest tells.
        return [.. found.GroupBy(n => (n.First, n.FirstPlace, n.Second, n.SecondPlace))
            .Select(g => g.MinBy(n => n.Gap)!)
            .OrderBy(n => n.First, MarkOrder.Natural)
            .ThenBy(n => n.Second, MarkOrder.Natural)
            .ThenBy(n => n.FirstPlace, MarkOrder.Natural)
            .ThenBy(n => n.SecondPlace, MarkOrder.Natural)];
    }

    /// <summary>
    /// Neighbouring bases at different levels of which the lower stands within the spread of the upper's load; overlapping ones are told as
    /// such.
    /// </summary>
    /// <param name="bases">Foundations with their designs.</param>
    public static IReadOnlyList<FoundingStep> Steps(IEnumerable<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        ArgumentNullException.ThrowIfNull(bases);
        var placed = bases.SelectMany(b => b.Foundation.Places.SelectMany(p => Placed.Of(b.Foundation, b.Design, p)))
            .OrderBy(p => p.LowX)
            .ToList();
        var reach = placed.Count == 0 ? 0 : (placed.Max(p => p.Bottom) - placed.Min(p => p.Bottom)) * placed.Max(p => p.Spread);
        var found = new List<FoundingStep>();
        for (var i = 0; i < placed.Count && reach > 0; i++)
        {
            for (var j = i + 1; j < placed.Count && placed[j].LowX < placed[i].HighX + reach; j++)
            {
                if (placed[i].HangsWith(placed[j]))
                {
                    continue;
                }

                var (upper, lower) = placed[i].Bottom >= placed[j].Bottom ? (placed[i], placed[j]) : (placed[j], placed[i]);
                var step = upper.Bottom - lower.Bottom;
                var gap = step > Touch && upper.Apart(lower) < step * upper.Spread
                    ? Gap(upper.Corners, lower.Corners)
                    : double.PositiveInfinity;
                if (gap >= 0 && gap < (step * upper.Spread) - Touch)
                {
                    found.Add(new FoundingStep(upper.Mark, upper.Place, lower.Mark, lower.Place, step, gap, step * upper.Spread));
                }
            }
        }

        return [.. found.GroupBy(s => (s.Upper, s.UpperPlace, s.Lower, s.LowerPlace))
            .Select(g => g.MinBy(s => s.Gap)!)
            .OrderBy(s => s.Upper, MarkOrder.Natural)
            .ThenBy(s => s.Lower, MarkOrder.Natural)
            .ThenBy(s => s.UpperPlace, MarkOrder.Natural)
            .ThenBy(s => s.LowerPlace, MarkOrder.Natural)];
    }

    /// <summary>
    /// Clear distance of two convex polygons, corners anticlockwise; where they overlap, less the least way that parts them (separating
    /// axes:
    /// S. Gottschalk, M. C. Lin, D. Manocha, SIGGRAPH 1996, 171–180).
    /// </summary>
    public static double Gap(IReadOnlyList<PlanPoint> a, IReadOnlyList<PlanPoint> b)
    {
        ArgumentNullException.ThrowIfNull(a);
        ArgumentNullException.ThrowIfNull(b);
        var most = double.NegativeInfinity;
        foreach (var (from, edges) in new[] { (a, true), (b, false) })
        {
            for (var i = 0; i < from.Count; i++)
            {
                // Outward normal of an edge; the other polygon's nearest corner along it.
                var (p, q) = (from[i], from[(i + 1) % from.Count]);
                var length = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
                var (nx, ny) = ((q.Y - p.Y) / length, (p.X - q.X) / length);
                most = Math.Max(most, (edges ? b : a).Min(c => ((c.X - p.X) * nx) + ((c.Y - p.Y) * ny)));
            }
        }

        // Apart, the nearest points may be two corners, which no edge's normal measures.
        return most <= 0 ? most : Math.Min(Distance(a, b), Distance(b, a));
    }

    private static double Distance(IReadOnlyList<PlanPoint> corners, IReadOnlyList<PlanPoint> edges) =>
        corners.Min(c => Enumerable.Range(0, edges.Count).Min(i =>
        {
            var (p, q) = (edges[i], edges[(i + 1) % edges.Count]);
            var (dx, dy) = (q.X - p.X, q.Y - p.Y);
            var t = Math.Clamp((((c.X - p.X) * dx) + ((c.Y - p.Y) * dy)) / ((dx * dx) + (dy * dy)), 0, 1);
            var (ex, ey) = (c.X - p.X - (t * dx), c.Y - p.Y - (t * dy));
            return Math.Sqrt((ex * ex) + (ey * ey));
        }));

    private sealed record Placed(string Mark, string Place, Grids.GridRow? Row, PlanPoint[] Corners, double Bottom, double Top,
        double Spread)
    {
        // Parts of one foundation, and rows of a grid that cross, are cast together; rows that lie side by side are not.
        public bool HangsWith(Placed other) => (Mark == other.Mark && Place == other.Place)
            || (Row is { } own && other.Row is { } row && own.Grid == row.Grid && own.Crossings.Any(c => c.Other == row.Number));

        public double LowX { get; } = Corners.Min(c => c.X);

        public double HighX { get; } = Corners.Max(c => c.X);

        public double LowY { get; } = Corners.Min(c => c.Y);

        public double HighY { get; } = Corners.Max(c => c.Y);

        // No less than this lies between them: the gap of their boxes.
        public double Apart(Placed other) =>
            Math.Max(Math.Max(other.LowX - HighX, LowX - other.HighX), Math.Max(other.LowY - HighY, LowY - other.HighY));

        public static IEnumerable<Placed> Of(Foundation f, FoundationDesign design, Place place)
        {
            var size = design.Size;
            var bottom = place.Ground.Underside(size.Thickness);
            return BaseGeometry.Parts(f, place, design)
                .Select(corners => new Placed(f.Mark, place.Name, f.Row, corners, bottom, bottom + size.Thickness,
                    place.Ground.LoadSpread));
        }
    }
}
