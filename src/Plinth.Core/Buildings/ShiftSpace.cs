using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Buildings;

/// <summary>
/// Where a rectangle may be shifted so that no line passes through it. A line blocks the shifts within its sum with the rectangle, a
/// hexagon
/// (T. Lozano-Pérez, IEEE Trans. Computers C-32 (1983) 108–120).
/// </summary>
/// <param name="size">The rectangle.</param>
internal sealed class ShiftSpace(BaseSize size)
{
    private static readonly double[] Once = [1];
    private static readonly double[] Both = [1, -1];

    private readonly double hx = (size.Length / 2) - Site.Touch;
    private readonly double hy = (size.Width / 2) - Site.Touch;
    private readonly List<Hexagon> hexagons = [];
    private readonly List<(PlanPoint[] Outline, bool Within)> outlines = [];
    private readonly List<(double From, double To)> blocked = [];

    // What lies within the outlines lies within the least rectangles round them.
    private double lowX = double.NegativeInfinity;
    private double highX = double.PositiveInfinity;
    private double lowY = double.NegativeInfinity;
    private double highY = double.PositiveInfinity;
    private PlanPoint? best;
    private double square;

    /// <summary>Adds an outline, points from the rectangle's centre in its own axes.</summary>
    /// <param name="outline">The polygon.</param>
    /// <param name="within">Whether the rectangle must lie within it, or clear of it.</param>
    public void Add(PlanPoint[] outline, bool within)
    {
        outlines.Add((outline, within));
        if (within)
        {
            (lowX, highX) = (Math.Max(lowX, outline.Min(p => p.X) + hx), Math.Min(highX, outline.Max(p => p.X) - hx));
            (lowY, highY) = (Math.Max(lowY, outline.Min(p => p.Y) + hy), Math.Min(highY, outline.Max(p => p.Y) - hy));
        }

        for (var i = 0; i < outline.Length; i++)
        {
            hexagons.Add(new Hexagon(outline[i], outline[(i + 1) % outline.Length], hx, hy));
        }
    }

    /// <summary>The least shift on whole steps that is free; null if there is none within half the rectangle's own size.</summary>
    /// <remarks>
    /// Row by row from the middle outwards: on a row each hexagon blocks an interval, and the nearest step beyond what they block together
    /// is looked at.
    /// Hexagons are convex: what one blocks on two rows it blocks on all between, so that rows which are blocked whole are left out many at
    /// a time.
    /// </remarks>
    /// <param name="freeX">Whether it may move along x.</param>
    /// <param name="freeY">Whether it may move along y.</param>
    /// <param name="step">The step, m.</param>
    public PlanPoint? Least(bool freeX, bool freeY, double step)
    {
        if (Free(default))
        {
            return default(PlanPoint);
        }

        if ((!freeX && !freeY) || lowX > highX || lowY > highY)
        {
            return null;
        }

        // No shift beyond half the base's own size keeps the middle of its column on it.
        (best, square) = (null, double.PositiveInfinity);
        Rows(0, freeX ? (int)Math.Floor((size.Length / 2 / step) + 1e-6) : 0, Both, freeY, step);
        return best;
    }

    // Rows from one number to another, on the sides of the middle that are not blocked whole.
    private void Rows(int from, int to, double[] sides, bool freeY, double step)
    {
        var near = from * step;
        if (near * near >= square - 1e-12)
        {
            return;
        }

        var limit = freeY ? Math.Min(size.Width / 2, Math.Sqrt(square - (near * near))) : 0;
        var open = Array.FindAll(sides, side => !Covered(Math.Round(side * from * step, 6), Math.Round(side * to * step, 6), limit, step));
        if (open.Length == 0)
        {
            return;
        }

        if (from < to)
        {
            var middle = (from + to) / 2;
            Rows(from, middle, open, freeY, step);
            Rows(middle + 1, to, open, freeY, step);
            return;
        }

        foreach (var side in from == 0 ? Once : open)
        {
            var x = Math.Round(side * from * step, 6);
            foreach (var way in freeY ? Both : Once)
            {
                Gather(x, way);
                if (Nearest(x, way, freeY ? Math.Min(size.Width / 2, Math.Sqrt(square - (x * x))) : 0, step) is { } found
                    && Square(found) < square - 1e-12)
                {
                    (best, square) = (found, Square(found));
                }
            }
        }
    }

    // Whether no step from −limit to limit is free on any row between two.
    private bool Covered(double x, double other, double limit, double step)
    {
        if (Math.Max(x, other) < lowX || Math.Min(x, other) > highX)
        {
            return true;
        }

        blocked.Clear();
        foreach (var h in hexagons)
        {
            if (h.Blocked(x) is { } a && h.Blocked(other) is { } b && Math.Max(a.From, b.From) is var from && Math.Min(a.To, b.To) is var to
                && from < to)
            {
                blocked.Add((from, to));
            }
        }

        blocked.Sort(Order);
        double Step(double y) => Math.Ceiling((y / step) - 1e-9) * step;
        var (at, end) = (Step(Math.Max(-limit, lowY)), Math.Min(limit, highY));
        foreach (var (from, to) in blocked)
        {
            if (at > end || from >= at)
            {
                break;
            }

            at = Math.Max(at, Step(to));
        }

        return at > end + 1e-9;
    }

    // What the hexagons block on a row, in order on the way.
    private void Gather(double x, double way)
    {
        blocked.Clear();
        foreach (var h in hexagons)
        {
            if (h.Blocked(x) is { } interval)
            {
                blocked.Add(way > 0 ? interval : (-interval.To, -interval.From));
            }
        }

        blocked.Sort(Order);
    }

    // The first step on the way along a row that is free.
    private PlanPoint? Nearest(double x, double way, double limit, double step)
    {
        var y = 0.0;
        for (var i = 0; i <= blocked.Count; i++)
        {
            var (from, to) = i == blocked.Count ? (double.PositiveInfinity, 0) : blocked[i];
            if (i < blocked.Count && to <= y)
            {
                continue;
            }

            if (y > limit + 1e-9)
            {
                return null;
            }

            // Free of every line; beyond the boundary or within a zone all of a gap is so.
            if (from >= y && new PlanPoint(x, Math.Round(way * y, 6)) is var shift && Free(shift))
            {
                return shift;
            }

            y = Math.Max(y, Math.Ceiling(to / step) * step);
        }

        return null;
    }

    private bool Free(PlanPoint shift)
    {
        foreach (var h in hexagons)
        {
            if (h.Blocks(shift))
            {
                return false;
            }
        }

        return outlines.TrueForAll(o => PlanPolygon.Contains(o.Outline, shift) == o.Within);
    }

    private static int Order((double From, double To) a, (double From, double To) b) => a.From.CompareTo(b.From);

    private static double Square(PlanPoint p) => (p.X * p.X) + (p.Y * p.Y);

    private readonly struct Hexagon
    {
        private readonly double x0, x1, y0, y1, nx, ny, low, high;

        public Hexagon(PlanPoint a, PlanPoint b, double hx, double hy)
        {
            (x0, x1) = (Math.Min(a.X, b.X) - hx, Math.Max(a.X, b.X) + hx);
            (y0, y1) = (Math.Min(a.Y, b.Y) - hy, Math.Max(a.Y, b.Y) + hy);
            var length = Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));
            (nx, ny) = length > 0 ? ((b.Y - a.Y) / length, (a.X - b.X) / length) : (0, 0);
            var (middle, reach) = ((a.X * nx) + (a.Y * ny), (hx * Math.Abs(nx)) + (hy * Math.Abs(ny)));
            (low, high) = (middle - reach, middle + reach);
        }

        /// <summary>The shifts along y that it blocks at a shift along x; null: none.</summary>
        public (double From, double To)? Blocked(double x)
        {
            if (x <= x0 || x >= x1)
            {
                return null;
            }

            var (from, to) = (y0, y1);
            if (ny == 0)
            {
                return x * nx > low && x * nx < high ? (from, to) : null;
            }

            var (a, b) = ((low - (x * nx)) / ny, (high - (x * nx)) / ny);
            (from, to) = (Math.Max(from, Math.Min(a, b)), Math.Min(to, Math.Max(a, b)));
            return from < to ? (from, to) : null;
        }

        public bool Blocks(PlanPoint p)
        {
            var along = (p.X * nx) + (p.Y * ny);
            return p.X > x0 && p.X < x1 && p.Y > y0 && p.Y < y1 && along > low && along < high;
        }
    }
}
