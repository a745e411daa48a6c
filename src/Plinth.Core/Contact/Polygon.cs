using System.Runtime.CompilerServices;

namespace Plinth.Core.Contact;

/// <summary>A point in the plan of a base, m, in the base's own axes.</summary>
public readonly record struct PlanPoint(double X, double Y);

/// <summary>Moments of a plane area about the origin.</summary>
/// <param name="Area">∫dA, m2.</param>
/// <param name="X">∫x dA, m3.</param>
/// <param name="Y">∫y dA, m3.</param>
/// <param name="XX">∫x² dA, m4.</param>
/// <param name="XY">∫xy dA, m4.</param>
/// <param name="YY">∫y² dA, m4.</param>
public readonly record struct AreaMoments(double Area, double X, double Y, double XX, double XY, double YY)
{
    /// <summary>Those of two areas together.</summary>
    public static AreaMoments operator +(in AreaMoments a, in AreaMoments b) =>
        new(a.Area + b.Area, a.X + b.X, a.Y + b.Y, a.XX + b.XX, a.XY + b.XY, a.YY + b.YY);
}

/// <summary>Exact operations on convex polygons given by their corners in anticlockwise order.</summary>
public static class ConvexPolygon
{
    /// <summary>Most corners a clipped polygon may have; a base has at most two fewer.</summary>
    public const int MostCorners = 16;

    /// <summary>Area moments by Green's theorem, exact for polygons.</summary>
    public static AreaMoments Moments(ReadOnlySpan<PlanPoint> corners)
    {
        double a = 0, x = 0, y = 0, xx = 0, xy = 0, yy = 0;
        if (corners.Length < 3)
        {
            return default;
        }

        var p = corners[^1];
        foreach (var q in corners)
        {
            var cross = (p.X * q.Y) - (q.X * p.Y);
            a += cross;
            x += (p.X + q.X) * cross;
            y += (p.Y + q.Y) * cross;
            xx += ((p.X * p.X) + (p.X * q.X) + (q.X * q.X)) * cross;
            yy += ((p.Y * p.Y) + (p.Y * q.Y) + (q.Y * q.Y)) * cross;
            xy += ((p.X * q.Y) + (2 * p.X * p.Y) + (2 * q.X * q.Y) + (q.X * p.Y)) * cross;
            p = q;
        }

        return new AreaMoments(a / 2, x / 6, y / 6, xx / 12, xy / 24, yy / 12);
    }

    /// <summary>The part of a convex polygon in which a + b·x + c·y ≥ 0.</summary>
    /// <param name="corners">The polygon.</param>
    /// <param name="a">Value at the origin.</param>
    /// <param name="b">Slope along x.</param>
    /// <param name="c">Slope along y.</param>
    /// <param name="clipped">Receives the corners; needs room for one more than the polygon has.</param>
    /// <returns>The number of corners; 0 if nothing is left.</returns>
    public static int Clip(ReadOnlySpan<PlanPoint> corners, double a, double b, double c, Span<PlanPoint> clipped)
    {
        var count = 0;
        if (corners.Length == 0)
        {
            return 0;
        }

        var p = corners[^1];
        var fp = a + (b * p.X) + (c * p.Y);
        foreach (var q in corners)
        {
            var fq = a + (b * q.X) + (c * q.Y);
            if ((fp < 0) != (fq < 0))
            {
                var t = fp / (fp - fq);
                clipped[count++] = new PlanPoint(p.X + (t * (q.X - p.X)), p.Y + (t * (q.Y - p.Y)));
            }

            if (fq >= 0)
            {
                clipped[count++] = q;
            }

            (p, fp) = (q, fq);
        }

        return count;
    }

    /// <summary>Where a line across an axis crosses a convex polygon, m along the other axis; at its end where it lies beyond.</summary>
    /// <param name="corners">The polygon.</param>
    /// <param name="alongX">The line stands across x, or across y.</param>
    /// <param name="at">Where, m.</param>
    public static (double From, double To) Chord(ReadOnlySpan<PlanPoint> corners, bool alongX, double at)
    {
        var (low, high) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var c in corners)
        {
            var u = alongX ? c.X : c.Y;
            (low, high) = (Math.Min(low, u), Math.Max(high, u));
        }

        at = Math.Clamp(at, low, high);
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        for (var i = 0; i < corners.Length; i++)
        {
            var (p, q) = (corners[i], corners[(i + 1) % corners.Length]);
            var (u0, u1, v0, v1) = alongX ? (p.X, q.X, p.Y, q.Y) : (p.Y, q.Y, p.X, q.X);
            if (at < Math.Min(u0, u1) || at > Math.Max(u0, u1))
            {
                continue;
            }

            var (a, b) = u0 == u1 ? (v0, v1) : (v0 + ((v1 - v0) * (at - u0) / (u1 - u0)), v0 + ((v1 - v0) * (at - u0) / (u1 - u0)));
            (from, to) = (Math.Min(from, Math.Min(a, b)), Math.Max(to, Math.Max(a, b)));
        }

        return (from, to);
    }

    /// <summary>The corners of a rectangle, anticlockwise from (x0, y0).</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static void Rectangle(double x0, double y0, double x1, double y1, Span<PlanPoint> corners)
    {
        corners[0] = new PlanPoint(x0, y0);
        corners[1] = new PlanPoint(x1, y0);
        corners[2] = new PlanPoint(x1, y1);
        corners[3] = new PlanPoint(x0, y1);
    }

    /// <summary>Corners of the convex hull of points, anticlockwise (A. M. Andrew, Inf. Proc. Letters 9 (1979) 216–219).</summary>
    /// <param name="points">The points.</param>
    public static IReadOnlyList<PlanPoint> Hull(IEnumerable<PlanPoint> points)
    {
        var sorted = points.Distinct().OrderBy(p => p.X).ThenBy(p => p.Y).ToList();
        var hull = new List<PlanPoint>();
        foreach (var pass in new[] { sorted, Enumerable.Reverse(sorted).ToList() })
        {
            var start = hull.Count;
            foreach (var p in pass)
            {
                while (hull.Count >= start + 2
                    && ((hull[^1].X - hull[^2].X) * (p.Y - hull[^2].Y)) - ((hull[^1].Y - hull[^2].Y) * (p.X - hull[^2].X)) <= 0)
                {
                    hull.RemoveAt(hull.Count - 1);
                }

                hull.Add(p);
            }

            hull.RemoveAt(hull.Count - 1);
        }

        return hull;
    }
}
