namespace Plinth.Core.Contact;

/// <summary>Operations on polygons in plan that need not be convex.</summary>
public static class PlanPolygon
{
    /// <summary>Whether a point lies within a polygon or on its edge (rays crossed: M. Shimrat, CACM 5 (1962) 434).</summary>
    public static bool Contains(IReadOnlyList<PlanPoint> polygon, PlanPoint p)
    {
        ArgumentNullException.ThrowIfNull(polygon);
        var inside = false;
        for (var (i, j) = (0, polygon.Count - 1); i < polygon.Count; j = i++)
        {
            var (a, b) = (polygon[i], polygon[j]);
            if (OnEdge(a, b, p))
            {
                return true;
            }

            if ((a.Y > p.Y) != (b.Y > p.Y) && p.X < ((b.X - a.X) * (p.Y - a.Y) / (b.Y - a.Y)) + a.X)
            {
                inside = !inside;
            }
        }

        return inside;
    }

    /// <summary>The point of a polygon's outline that is nearest to a point.</summary>
    public static PlanPoint Nearest(IReadOnlyList<PlanPoint> polygon, PlanPoint p)
    {
        ArgumentNullException.ThrowIfNull(polygon);
        var best = polygon[0];
        var least = double.PositiveInfinity;
        for (var i = 0; i < polygon.Count; i++)
        {
            var near = Nearest(polygon[i], polygon[(i + 1) % polygon.Count], p);
            var d = Square(near, p);
            if (d < least)
            {
                (best, least) = (near, d);
            }
        }

        return best;
    }

    /// <summary>Length of its edges, m.</summary>
    public static double Perimeter(IReadOnlyList<PlanPoint> polygon)
    {
        ArgumentNullException.ThrowIfNull(polygon);
        var sum = 0.0;
        for (var i = 0; i < polygon.Count; i++)
        {
            sum += Math.Sqrt(Square(polygon[i], polygon[(i + 1) % polygon.Count]));
        }

        return sum;
    }

    /// <summary>Twice the signed area: positive where the corners run anticlockwise, m2.</summary>
    public static double DoubleArea(IReadOnlyList<PlanPoint> polygon)
    {
        ArgumentNullException.ThrowIfNull(polygon);
        var sum = 0.0;
        for (var i = 0; i < polygon.Count; i++)
        {
            var (a, b) = (polygon[i], polygon[(i + 1) % polygon.Count]);
            sum += (a.X * b.Y) - (b.X * a.Y);
        }

        return sum;
    }

    /// <summary>
    /// A polygon as triangles, anticlockwise, by cutting off ears (G. H. Meisters, Amer. Math. Monthly 82 (1975) 648–651).
    /// </summary>
    public static IReadOnlyList<PlanPoint[]> Triangles(IReadOnlyList<PlanPoint> polygon)
    {
        ArgumentNullException.ThrowIfNull(polygon);
        var rest = polygon.ToList();
        if (DoubleArea(rest) < 0)
        {
            rest.Reverse();
        }

        var result = new List<PlanPoint[]>();
        while (rest.Count > 3)
        {
            var ear = Enumerable.Range(0, rest.Count).FirstOrDefault(i => IsEar(rest, i), -1);
            if (ear < 0)
            {
                break;
            }

            result.Add([rest[(ear + rest.Count - 1) % rest.Count], rest[ear], rest[(ear + 1) % rest.Count]]);
            rest.RemoveAt(ear);
        }

        result.Add([.. rest]);
        return result;
    }

    /// <summary>
    /// Gap of two convex polygons along the edge that parts them best, negative where they overlap, and the way that takes the first off
    /// the second.
    /// </summary>
    /// <param name="a">The first, anticlockwise.</param>
    /// <param name="b">The second, anticlockwise.</param>
    public static (double Gap, PlanPoint Way) Parting(IReadOnlyList<PlanPoint> a, IReadOnlyList<PlanPoint> b)
    {
        ArgumentNullException.ThrowIfNull(a);
        ArgumentNullException.ThrowIfNull(b);
        var (most, way) = (double.NegativeInfinity, default(PlanPoint));
        foreach (var (from, other, sign) in new[] { (a, b, -1), (b, a, 1) })
        {
            for (var i = 0; i < from.Count; i++)
            {
                var (p, q) = (from[i], from[(i + 1) % from.Count]);
                var length = Math.Sqrt(Square(p, q));
                var (nx, ny) = ((q.Y - p.Y) / length, (p.X - q.X) / length);
                var gap = other.Min(c => ((c.X - p.X) * nx) + ((c.Y - p.Y) * ny));
                if (gap > most)
                {
                    (most, way) = (gap, new PlanPoint(-gap * sign * nx, -gap * sign * ny));
                }
            }
        }

        return (most, way);
    }

    private static bool IsEar(List<PlanPoint> polygon, int i)
    {
        var (a, b, c) = (polygon[(i + polygon.Count - 1) % polygon.Count], polygon[i], polygon[(i + 1) % polygon.Count]);
        if (Cross(a, b, c) <= 0)
        {
            return false;
        }

        return !polygon.Exists(p => p != a && p != b && p != c && Cross(a, b, p) >= 0 && Cross(b, c, p) >= 0 && Cross(c, a, p) >= 0);
    }

    private static double Cross(PlanPoint a, PlanPoint b, PlanPoint c) => ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));

    private static bool OnEdge(PlanPoint a, PlanPoint b, PlanPoint p) => Square(Nearest(a, b, p), p) < 1e-18;

    private static PlanPoint Nearest(PlanPoint a, PlanPoint b, PlanPoint p)
    {
        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        var t = Math.Clamp((((p.X - a.X) * dx) + ((p.Y - a.Y) * dy)) / ((dx * dx) + (dy * dy)), 0, 1);
        return new PlanPoint(a.X + (t * dx), a.Y + (t * dy));
    }

    private static double Square(PlanPoint a, PlanPoint b) => ((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y));
}
