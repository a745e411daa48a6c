using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Buildings;

/// <summary>
/// Where a rectangle may be shifted so that no line passes through it. A line blocks the shifts within its sum with the rectangle, a hexagon
/// (T. Lozano-Pérez, IEEE Trans. Computers C-32 (1983) 108–120); the least free shift lies on an edge of a hexagon or where two edges cross.
/// </summary>
/// <param name="size">The rectangle.</param>
internal sealed class ShiftSpace(BaseSize size)
{
    // Rounding to whole steps looks so many steps round a found shift.
    private static readonly int[] Round = [-1, 0, 1, 2];

    private readonly double hx = (size.Length / 2) - Site.Touch;
    private readonly double hy = (size.Width / 2) - Site.Touch;
    private readonly List<Hexagon> hexagons = [];
    private readonly List<(PlanPoint[] Outline, bool Within)> outlines = [];

    /// <summary>Adds an outline, points from the rectangle's centre in its own axes.</summary>
    /// <param name="outline">The polygon.</param>
    /// <param name="within">Whether the rectangle must lie within it, or clear of it.</param>
    public void Add(PlanPoint[] outline, bool within)
    {
        outlines.Add((outline, within));
        for (var i = 0; i < outline.Length; i++)
        {
            hexagons.Add(new Hexagon(outline[i], outline[(i + 1) % outline.Length], hx, hy));
        }
    }

    /// <summary>The least shift on whole steps that is free; null if there is none within the rectangle's own size.</summary>
    /// <param name="freeX">Whether it may move along x.</param>
    /// <param name="freeY">Whether it may move along y.</param>
    /// <param name="step">The step, m.</param>
    public PlanPoint? Least(bool freeX, bool freeY, double step)
    {
        if (Free(default))
        {
            return default(PlanPoint);
        }

        if (!freeX && !freeY)
        {
            return null;
        }

        // No shift beyond the base's own size keeps its column on it.
        var near = hexagons.Where(h => h.Reaches(2 * hx, 2 * hy)).ToList();
        var lines = near.SelectMany(h => h.Lines).ToList();
        if (!freeX)
        {
            lines.Add(new Line(1, 0, 0));
        }

        if (!freeY)
        {
            lines.Add(new Line(0, 1, 0));
        }

        var candidates = new List<PlanPoint>();
        for (var i = 0; i < lines.Count; i++)
        {
            candidates.Add(lines[i].NearestToOrigin);
            for (var j = i + 1; j < lines.Count; j++)
            {
                if (lines[i].Crossing(lines[j]) is { } p)
                {
                    candidates.Add(p);
                }
            }
        }

        (PlanPoint Shift, double Square)? best = null;
        var slack = 2 * Math.Sqrt(2) * step;
        foreach (var c in candidates.Where(c => Math.Abs(c.X) <= 2 * hx && Math.Abs(c.Y) <= 2 * hy).OrderBy(Square))
        {
            if (best is { } b && Math.Sqrt(Square(c)) - slack > Math.Sqrt(b.Square))
            {
                break;
            }

            foreach (var i in Round)
            {
                foreach (var j in Round)
                {
                    var shift = new PlanPoint(freeX ? Step(c.X, i, step) : 0, freeY ? Step(c.Y, j, step) : 0);
                    if ((best is null || Square(shift) < best.Value.Square - 1e-12) && Free(shift))
                    {
                        best = (shift, Square(shift));
                    }
                }
            }
        }

        return best is { } found && freeX && freeY ? Nearer(found.Shift, found.Square, step) : best?.Shift;
    }

    // Beside a slope a whole step that is free may lie nearer than those round where edges cross: all of them between the least way out and what was found.
    private PlanPoint Nearer(PlanPoint found, double square, double step)
    {
        var least = Math.Pow(hexagons.Where(h => h.Blocks(default)).Select(h => h.Lines.Min(l => Math.Sqrt(Square(l.NearestToOrigin)))).DefaultIfEmpty(0).Max(), 2) - 1e-9;
        var most = (int)Math.Ceiling(Math.Sqrt(square) / step);
        for (var i = -most; i <= most; i++)
        {
            var x = i * step;
            var from = (int)Math.Floor(Math.Sqrt(Math.Max(0, least - (x * x))) / step);
            for (var j = from; (x * x) + (j * step * j * step) < square - 1e-12; j++)
            {
                foreach (var y in (ReadOnlySpan<double>)[j * step, -j * step])
                {
                    var shift = new PlanPoint(Math.Round(x, 6), Math.Round(y, 6));
                    if (Square(shift) < square - 1e-12 && Free(shift))
                    {
                        (found, square) = (shift, Square(shift));
                    }
                }
            }
        }

        return found;
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

    private static double Step(double value, int more, double step) => Math.Round((Math.Floor((value / step) + 1e-6) + more) * step, 6);

    private static double Square(PlanPoint p) => (p.X * p.X) + (p.Y * p.Y);

    // a·x + b·y = c.
    private readonly record struct Line(double A, double B, double C)
    {
        public PlanPoint NearestToOrigin => new(A * C / ((A * A) + (B * B)), B * C / ((A * A) + (B * B)));

        public PlanPoint? Crossing(Line other)
        {
            var det = (A * other.B) - (B * other.A);
            return Math.Abs(det) < 1e-12 * Math.Sqrt(((A * A) + (B * B)) * ((other.A * other.A) + (other.B * other.B))) ? null : new PlanPoint(((C * other.B) - (B * other.C)) / det, ((A * other.C) - (C * other.A)) / det);
        }
    }

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

        public IEnumerable<Line> Lines =>
            [new Line(1, 0, x0), new Line(1, 0, x1), new Line(0, 1, y0), new Line(0, 1, y1), .. nx != 0 && ny != 0 ? new[] { new Line(nx, ny, low), new Line(nx, ny, high) } : []];

        public bool Reaches(double x, double y) => x0 < x && x1 > -x && y0 < y && y1 > -y;

        public bool Blocks(PlanPoint p)
        {
            var along = (p.X * nx) + (p.Y * ny);
            return p.X > x0 && p.X < x1 && p.Y > y0 && p.Y < y1 && along > low && along < high;
        }
    }
}
