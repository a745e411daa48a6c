namespace Plinth.Core.Contact;

/// <summary>
/// Contact between a rigid base and ground that presses back in proportion to indentation and takes no tension.
/// </summary>
/// <remarks>
/// The pressure p = max(0, a + b·x + c·y) minimises the convex function Φ(a, b, c) = ½∫max(0, a+bx+cy)² dA − N(a + b·xR + c·yR):
/// its gradient is the imbalance of force and moments, its Hessian the area moments of the part in contact. Closed forms are used
/// in the kern, for one-way lift-off and for the corner triangle (resultant beyond L/4 and B/4); everything else by Newton's method with a
/// line search and exact polygon moments of the clipped base. Residuals are within 1e-9 of N and of N times the base's length up to 1 −
/// 1e-6 of
/// the way to the edge, and within 1e-6 from there on, where the strip in contact is a few times the spacing of floating-point numbers.
/// Equilibrium ends at 1 − 1e-9 of the way from the centre to the edge.
/// </remarks>
public static class ContactSolver
{
    /// <summary>Share of the way to the edge from which on there is no equilibrium.</summary>
    public const double EdgeLimit = 1 - 1e-9;

    private const int MostIterations = 200;

    /// <summary>Contact of a rectangular base, centred at the origin.</summary>
    /// <param name="length">Side along x, m, positive.</param>
    /// <param name="width">Side along y, m, positive.</param>
    /// <param name="n">Resultant downwards, kN.</param>
    /// <param name="xR">Its distance from the centre along x, m.</param>
    /// <param name="yR">Its distance from the centre along y, m.</param>
    public static ContactSolution Rectangle(double length, double width, double n, double xR, double yR)
    {
        var (hx, hy) = (length / 2, width / 2);
        var (x, y) = (Math.Abs(xR), Math.Abs(yR));
        if (!(n > 0) || !(x < hx * EdgeLimit) || !(y < hy * EdgeLimit))
        {
            return ContactSolution.None;
        }

        var area = length * width;
        var mean = n / area;
        var (u, v) = (x / length, y / width);
        if ((6 * u) + (6 * v) <= 1)
        {
            return new ContactSolution(ContactState.Full,
                new PressureField(mean * (1 + (6 * u) + (6 * v)), 12 * mean * xR / (length * length), 12 * mean * yR / (width * width),
                    Math.CopySign(hx, xR), Math.CopySign(hy, yR)), 1);
        }

        ContactSolution first;
        if (y == 0)
        {
            first = Strip(length, width, n, x, alongX: true);
        }
        else if (x == 0)
        {
            first = Strip(width, length, n, y, alongX: false);
        }
        else if (u >= 0.25 && v >= 0.25)
        {
            first = Corner(length, width, n, hx - x, hy - y);
        }
        else
        {
            first = Biaxial(length, width, n, x, y);
        }

        var p = first.Pressure;
        return first with
        {
            Pressure = new PressureField(p.Peak, xR < 0 ? -p.B : p.B, yR < 0 ? -p.C : p.C, Math.CopySign(hx, xR),
            Math.CopySign(hy, yR))
        };
    }

    /// <summary>Contact of a base of any convex outline.</summary>
    /// <param name="outline">Corners in anticlockwise order about any origin, at most <see cref="ConvexPolygon.MostCorners"/> less
    /// two.</param>
    /// <param name="n">Resultant downwards, kN.</param>
    /// <param name="xR">Its x, m.</param>
    /// <param name="yR">Its y, m.</param>
    /// <exception cref="ArgumentException">The outline has too few or too many corners.</exception>
    public static ContactSolution Polygon(ReadOnlySpan<PlanPoint> outline, double n, double xR, double yR) =>
        Several(outline, outline, outline.Length, n, xR, yR);

    /// <summary>Contact of several bases that one rigid body holds together, which therefore tilt alike.</summary>
    /// <param name="hull">Corners of their convex hull, anticlockwise: a resultant within it has an equilibrium, over a gap too.</param>
    /// <param name="parts">Corners of the bases one after another, each anticlockwise.</param>
    /// <param name="each">How many corners each has.</param>
    /// <param name="n">Resultant downwards, kN.</param>
    /// <param name="xR">Its x, m.</param>
    /// <param name="yR">Its y, m.</param>
    /// <exception cref="ArgumentException">A base or the hull has too few or too many corners.</exception>
    public static ContactSolution Several(ReadOnlySpan<PlanPoint> hull, ReadOnlySpan<PlanPoint> parts, int each, double n, double xR,
        double yR)
    {
        if (each is < 3 or > ConvexPolygon.MostCorners - 2 || hull.Length is < 3 or > ConvexPolygon.MostCorners - 2
            || parts.Length % each != 0)
        {
            throw new ArgumentException($"an outline has 3 to {ConvexPolygon.MostCorners - 2} corners", nameof(parts));
        }

        var whole = Moments(parts, each);
        var (cx, cy) = (whole.X / whole.Area, whole.Y / whole.Area);
        if (!(n > 0) || !(EdgeShare(hull, cx, cy, xR, yR) < EdgeLimit))
        {
            return ContactSolution.None;
        }

        // Axes through the resultant, scaled to its distance from the nearest edge, keep Newton's matrix well conditioned even at the edge.
        Span<PlanPoint> scaled = stackalloc PlanPoint[parts.Length];
        var nearest = double.PositiveInfinity;
        var (nx, ny) = (1.0, 0.0);
        for (var i = 0; i < hull.Length; i++)
        {
            var (p, q) = (hull[i], hull[(i + 1) % hull.Length]);
            var size = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
            var distance = (((q.X - p.X) * (yR - p.Y)) - ((q.Y - p.Y) * (xR - p.X))) / size;
            if (distance < nearest)
            {
                (nearest, nx, ny) = (distance, (q.Y - p.Y) / size, (p.X - q.X) / size);
            }
        }

        // s runs towards the nearest edge, t along it.
        var breadth = Math.Sqrt(whole.Area);
        for (var i = 0; i < parts.Length; i++)
        {
            var (dx, dy) = (parts[i].X - xR, parts[i].Y - yR);
            scaled[i] = new PlanPoint(((dx * nx) + (dy * ny)) / nearest, ((dy * nx) - (dx * ny)) / breadth);
        }

        var (f, share) = Newton(scaled, each, n / (nearest * breadth));
        var (b, c) = ((f.B * nx / nearest) - (f.C * ny / breadth), (f.B * ny / nearest) + (f.C * nx / breadth));
        var (most, peak) = (0, double.NegativeInfinity);
        for (var i = 0; i < parts.Length; i++)
        {
            var p = f.Peak + (f.B * scaled[i].X) + (f.C * scaled[i].Y);
            if (p > peak)
            {
                (most, peak) = (i, p);
            }
        }

        return new ContactSolution(share >= 1 ? ContactState.Full : ContactState.Partial,
            new PressureField(peak, b, c, parts[most].X, parts[most].Y), share);
    }

    private static double EdgeShare(ReadOnlySpan<PlanPoint> outline, double cx, double cy, double xR, double yR)
    {
        var most = 0.0;
        for (var i = 0; i < outline.Length; i++)
        {
            var (p, q) = (outline[i], outline[(i + 1) % outline.Length]);
            var centre = ((q.X - p.X) * (cy - p.Y)) - ((q.Y - p.Y) * (cx - p.X));
            var resultant = ((q.X - p.X) * (yR - p.Y)) - ((q.Y - p.Y) * (xR - p.X));
            most = Math.Max(most, 1 - (resultant / centre));
        }

        return most;
    }

    // Lift-off along one axis: a triangle of pressure over three times the distance from the resultant to the edge.
    private static ContactSolution Strip(double along, double across, double n, double e, bool alongX)
    {
        var bearing = 3 * ((along / 2) - e);
        var highest = 2 * n / (across * bearing);
        var slope = highest / bearing;
        return new ContactSolution(ContactState.Partial,
            alongX
                ? new PressureField(highest, slope, 0, along / 2, across / 2)
                : new PressureField(highest, 0, slope, across / 2, along / 2), bearing / along);
    }

    // A pyramid over a corner triangle: its centroid of volume lies a quarter of each leg from the corner.
    private static ContactSolution Corner(double length, double width, double n, double dx, double dy)
    {
        var (lx, ly) = (4 * dx, 4 * dy);
        var area = lx * ly / 2;
        var highest = 3 * n / area;
        var (b, c) = (highest / lx, highest / ly);
        return new ContactSolution(ContactState.Partial, new PressureField(highest, b, c, length / 2, width / 2), area / (length * width));
    }

    private static ContactSolution Biaxial(double length, double width, double n, double x, double y)
    {
        // Axes from the resultant, scaled so that the part in contact has a size near one both ways, however near the edge it is.
        var sx = Math.Min(length, 3 * ((length / 2) - x));
        var sy = Math.Min(width, 3 * ((width / 2) - y));
        Span<PlanPoint> corners = stackalloc PlanPoint[4];
        ConvexPolygon.Rectangle((-x - (length / 2)) / sx, (-y - (width / 2)) / sy, ((length / 2) - x) / sx, ((width / 2) - y) / sy,
            corners);
        var (f, share) = Newton(corners, corners.Length, n / (sx * sy));
        var peak = f.Peak + (f.B * corners[2].X) + (f.C * corners[2].Y);
        return new ContactSolution(ContactState.Partial, new PressureField(peak, f.B / sx, f.C / sy, length / 2, width / 2), share);
    }

    private static AreaMoments Moments(ReadOnlySpan<PlanPoint> parts, int each)
    {
        var sum = ConvexPolygon.Moments(parts[..each]);
        for (var from = each; from < parts.Length; from += each)
        {
            sum += ConvexPolygon.Moments(parts.Slice(from, each));
        }

        return sum;
    }

    // Damped Newton on Φ, about the resultant (xR = yR = 0). Full contact is the first trial; if nothing lifts under it, it is the answer.
    private static (PressureField Field, double Share) Newton(ReadOnlySpan<PlanPoint> outline, int each, double n)
    {
        var whole = Moments(outline, each);
        Span<PlanPoint> part = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        var now = Evaluate(outline, each, part, Balance(whole, n), n);
        for (var i = 0; i < MostIterations && now.Residual > 1e-15 * n; i++)
        {
            var aim = Balance(now.Part, n);
            var step = 1.0;
            Trial next;
            do
            {
                var f = now.Field;
                next = Evaluate(outline, each, part,
                    new PressureField(f.Peak + (step * (aim.Peak - f.Peak)), f.B + (step * (aim.B - f.B)), f.C + (step * (aim.C - f.C)), 0,
                        0), n);
                step /= 2;
            }
            while (!(next.Part.Area > 0 && next.Value <= now.Value + (1e-14 * Math.Abs(now.Value))) && step > 1e-12);

            if (next.Residual >= now.Residual && now.Residual < 1e-11 * n)
            {
                break;
            }

            now = next;
        }

        return (now.Field, Math.Min(1, now.Part.Area / whole.Area));
    }

    private readonly record struct Trial(PressureField Field, AreaMoments Part, double Value, double Residual);

    private static Trial Evaluate(ReadOnlySpan<PlanPoint> outline, int each, Span<PlanPoint> part, PressureField p, double n)
    {
        var count = ConvexPolygon.Clip(outline[..each], p.Peak, p.B, p.C, part);
        var m = ConvexPolygon.Moments(part[..count]);
        for (var from = each; from < outline.Length; from += each)
        {
            count = ConvexPolygon.Clip(outline.Slice(from, each), p.Peak, p.B, p.C, part);
            m += ConvexPolygon.Moments(part[..count]);
        }

        var f = (p.Peak * m.Area) + (p.B * m.X) + (p.C * m.Y);
        var fx = (p.Peak * m.X) + (p.B * m.XX) + (p.C * m.XY);
        var fy = (p.Peak * m.Y) + (p.B * m.XY) + (p.C * m.YY);
        var residual = Math.Max(Math.Abs(f - n), Math.Max(Math.Abs(fx), Math.Abs(fy)));
        return new Trial(p, m, (((p.Peak * f) + (p.B * fx) + (p.C * fy)) / 2) - (n * p.Peak), residual);
    }

    // The plane that balances n at the origin over an area without lift-off. About the area's centroid the matrix falls into 1 + 2.
    private static PressureField Balance(in AreaMoments m, double n)
    {
        var (gx, gy) = (m.X / m.Area, m.Y / m.Area);
        var ixx = m.XX - (m.Area * gx * gx);
        var iyy = m.YY - (m.Area * gy * gy);
        var ixy = m.XY - (m.Area * gx * gy);
        var (rx, ry) = (-n * gx, -n * gy);
        var det = (ixx * iyy) - (ixy * ixy);
        var b = ((rx * iyy) - (ry * ixy)) / det;
        var c = ((ry * ixx) - (rx * ixy)) / det;
        return new PressureField((n / m.Area) - (b * gx) - (c * gy), b, c, 0, 0);
    }
}
