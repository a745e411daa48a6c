namespace Plinth.Core.Contact;

/// <summary>How a rectangle lies against the outline of a polygon that need not be convex.</summary>
public static class PlanReach
{
    // Depths are found to this, m.
    private const double Accuracy = 1e-4;
    private const int MostCells = 200_000;

    /// <summary>
    /// Whether an edge of an outline passes through the inside of a rectangle, or all of the rectangle lies on the wrong side of the
    /// outline.
    /// </summary>
    /// <param name="outline">The polygon.</param>
    /// <param name="corners">Corners of the rectangle, anticlockwise.</param>
    /// <param name="within">Whether the rectangle must lie within the polygon, or clear of it.</param>
    /// <param name="touch">What still counts as touching, m.</param>
    public static bool Crosses(IReadOnlyList<PlanPoint> outline, IReadOnlyList<PlanPoint> corners, bool within, double touch)
    {
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(corners);
        for (var i = 0; i < outline.Count; i++)
        {
            if (Passes(outline[i], outline[(i + 1) % outline.Count], corners, touch))
            {
                return true;
            }
        }

        // No edge passes through it: all of the rectangle lies where its middle lies.
        return PlanPolygon.Contains(outline, Middle(corners)) != within;
    }

    /// <summary>
    /// The greatest distance of a point of a rectangle on the wrong side of an outline from that outline, m; 0 where none lies there.
    /// </summary>
    /// <param name="outline">The polygon.</param>
    /// <param name="corners">Corners of the rectangle, anticlockwise.</param>
    /// <param name="within">Whether the rectangle must lie within the polygon, or clear of it.</param>
    /// <remarks>
    /// Branch and bound over quarters of the rectangle: distance to an outline changes no faster than the point moves, so no point of a
    /// quarter lies deeper than
    /// its middle by more than half its diagonal. Found to 0.1 mm.
    /// </remarks>
    public static double Depth(IReadOnlyList<PlanPoint> outline, IReadOnlyList<PlanPoint> corners, bool within)
    {
        ArgumentNullException.ThrowIfNull(outline);
        ArgumentNullException.ThrowIfNull(corners);
        double At(PlanPoint p)
        {
            var near = PlanPolygon.Nearest(outline, p);
            var distance = Math.Sqrt(((near.X - p.X) * (near.X - p.X)) + ((near.Y - p.Y) * (near.Y - p.Y)));
            return PlanPolygon.Contains(outline, p) == within ? -distance : distance;
        }

        var best = Math.Max(0, corners.Max(At));
        var open = new PriorityQueue<(PlanPoint Middle, PlanPoint A, PlanPoint B), double>();
        void Add(PlanPoint middle, PlanPoint a, PlanPoint b)
        {
            // a and b: half sides as vectors.
            var depth = At(middle);
            best = Math.Max(best, depth);
            var bound = depth + Math.Sqrt((a.X * a.X) + (a.Y * a.Y) + (b.X * b.X) + (b.Y * b.Y));
            if (bound > best + Accuracy)
            {
                open.Enqueue((middle, a, b), -bound);
            }
        }

        Add(Middle(corners), Half(corners[0], corners[1]), Half(corners[0], corners[3]));
        for (var cells = 0; cells < MostCells && open.TryDequeue(out var cell, out var bound) && -bound > best + Accuracy; cells++)
        {
            var (m, a, b) = (cell.Middle, Scaled(cell.A), Scaled(cell.B));
            foreach (var (i, j) in (ReadOnlySpan<(int, int)>)[(-1, -1), (-1, 1), (1, -1), (1, 1)])
            {
                Add(new PlanPoint(m.X + (i * a.X) + (j * b.X), m.Y + (i * a.Y) + (j * b.Y)), a, b);
            }
        }

        return best;
    }

    private static PlanPoint Middle(IReadOnlyList<PlanPoint> corners) =>
        new((corners[0].X + corners[2].X) / 2, (corners[0].Y + corners[2].Y) / 2);

    private static PlanPoint Half(PlanPoint from, PlanPoint to) => new((to.X - from.X) / 2, (to.Y - from.Y) / 2);

    private static PlanPoint Scaled(PlanPoint v) => new(v.X / 2, v.Y / 2);

    // Whether some of a line from a to b lies deeper inside a convex polygon than it may touch (M. Cyrus, J. Beck, Computers & Graphics 3
    // (1978) 23–28).
    private static bool Passes(PlanPoint a, PlanPoint b, IReadOnlyList<PlanPoint> convex, double touch)
    {
        var (from, to) = (0.0, 1.0);
        for (var i = 0; i < convex.Count; i++)
        {
            var (p, q) = (convex[i], convex[(i + 1) % convex.Count]);
            var length = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
            double Inside(PlanPoint c) => ((((q.X - p.X) * (c.Y - p.Y)) - ((q.Y - p.Y) * (c.X - p.X))) / length) - touch;
            var (fa, fb) = (Inside(a), Inside(b));
            if (fa <= 0 && fb <= 0)
            {
                return false;
            }

            if (fa < 0)
            {
                from = Math.Max(from, fa / (fa - fb));
            }
            else if (fb < 0)
            {
                to = Math.Min(to, fa / (fa - fb));
            }
        }

        return from < to;
    }
}
