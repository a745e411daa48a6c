using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Bodies;

/// <summary>Shear and moment in a section across a body under several columns.</summary>
/// <param name="X">Where it lies from the body's centroid along the axis, m.</param>
/// <param name="Shear">V, net push upwards on the part towards the axis's beginning, kN.</param>
/// <param name="Moment">M, positive where it stretches the bottom, kNm.</param>
internal readonly record struct LongSection(double X, double Shear, double Moment);

/// <summary>Forces on a part of a body, with their moment about its centroid along an axis, kN and kNm.</summary>
internal readonly record struct PartForce(double Force, double Moment)
{
    public static PartForce operator -(PartForce a, PartForce b) => new(a.Force - b.Force, a.Moment - b.Moment);
}

/// <summary>
/// The plane of a part of a body: its area, and that with the distance along an axis from the body's centroid and with its square, m2, m3
/// and m4.
/// </summary>
internal readonly record struct PartPlane(double Area, double First, double Second);

/// <summary>
/// The free body towards the beginning of an axis from a section across a body under several columns. Along x: V = ∫q dA − ΣN, M = ∫q·(x −
/// ξ) dA − Σ[N·(x − xi) − My'] with
/// My' = My + H·Fx; along y with −Mx' = H·Fy − Mx. Within a column's own width its load is spread evenly and its moment linearly.
/// </summary>
internal static class LongForces
{
    /// <summary>Shear and moment in a section.</summary>
    /// <param name="body">The body.</param>
    /// <param name="columns">What stands on it.</param>
    /// <param name="alongX">Along x, or along y.</param>
    /// <param name="k">The combination.</param>
    /// <param name="x">Where it lies, m from the body's centroid.</param>
    public static LongSection At(GroundBody body, Standing[] columns, bool alongX, int k, double x)
    {
        var plane = Plane(body, alongX, x);
        var part = Push(body, alongX, k, x, plane) - Press(body, alongX, k, x, plane);
        var (shear, moment) = (part.Force, (x * part.Force) - part.Moment);
        foreach (var c in columns)
        {
            var (low, wide, turns) = alongX
                ? (c.X - (c.Outline.X / 2), c.Outline.X, c.My(k))
                : (c.Y - (c.Outline.Y / 2), c.Outline.Y, -c.Mx(k));
            if (x <= low)
            {
                continue;
            }

            var share = Math.Min(1, (x - low) / wide);
            var (n, at) = (share * (c.Action(k).N + c.PrismWeight(k)), low + (share * wide / 2));
            (shear, moment) = (shear - n, moment - (n * (x - at)) + (share * turns));
        }

        return new LongSection(x, shear, moment);
    }

    /// <summary>What ground and water push up on the part before a section.</summary>
    public static PartForce Push(GroundBody body, bool alongX, int k, double x) => Push(body, alongX, k, x, Plane(body, alongX, x));

    private static PartForce Push(GroundBody body, bool alongX, int k, double x, in PartPlane plane)
    {
        ref readonly var contact = ref body.Contact(k);
        var water = body.GroundLoad(k).WaterPressure;
        var pushed = new PartForce(water * plane.Area, water * plane.First);
        if (body.Bed is { } bed)
        {
            var beam = bed.Beam(k);
            if (alongX)
            {
                var (force, moment) = beam.Before(x);
                return new PartForce(pushed.Force + force, pushed.Moment + moment);
            }

            var below = beam.Over(body.LowX, body.LowY, body.HighX, x);
            return new PartForce(pushed.Force + below.Force, pushed.Moment + below.MomentY);
        }

        var p = contact.Pressure;
        if (contact.State == ContactState.Full && (alongX || body.IsRectangle))
        {
            // The part lies alike on both sides of the axis: what the pressure changes across it cancels.
            var (middle, slope) = (p.A, alongX ? p.B : p.C);
            return new PartForce(pushed.Force + (middle * plane.Area) + (slope * plane.First),
                pushed.Moment + (middle * plane.First) + (slope * plane.Second));
        }

        PressureResultant ground;
        if (body.IsRectangle)
        {
            var half = body.Width / 2;
            ground = alongX ? p.OverRectangle(body.LowX, -half, x, half) : p.OverRectangle(body.LowX, -half, body.HighX, x);
        }
        else
        {
            Span<PlanPoint> corners = stackalloc PlanPoint[ConvexPolygon.MostCorners];
            ground = p.Over(Before(body, alongX, x, corners));
        }

        return new PartForce(ground.Force + pushed.Force, (alongX ? ground.MomentX : ground.MomentY) + pushed.Moment);
    }

    /// <summary>What presses down on it but for the columns: weights, loads beside them, and soil that a rising base lifts.</summary>
    public static PartForce Press(GroundBody body, bool alongX, int k, double x) => Press(body, alongX, k, x, Plane(body, alongX, x));

    private static PartForce Press(GroundBody body, bool alongX, int k, double x, in PartPlane plane)
    {
        var q = body.PressedPerArea(k);
        var (force, moment) = (q * plane.Area, q * plane.First);
        if (body.PlacedLoads.Length > 0)
        {
            // Loads that stand on the very edge are not lost by rounding.
            const double all = double.PositiveInfinity;
            var to = x >= body.High(alongX) ? all : x;
            var (beside, besideX, besideY) = alongX ? body.LoadsWithin(k, -all, -all, to, all) : body.LoadsWithin(k, -all, -all, all, to);
            (force, moment) = (force + beside, moment + (alongX ? besideX : besideY));
        }

        var (rising, turning) = body.RisingPart(k, alongX, x);
        return new PartForce(force + rising, moment + turning);
    }

    // The plane before a section.
    private static PartPlane Plane(GroundBody body, bool alongX, double x)
    {
        if (!alongX && !body.IsRectangle)
        {
            Span<PlanPoint> corners = stackalloc PlanPoint[ConvexPolygon.MostCorners];
            var m = ConvexPolygon.Moments(Before(body, false, x, corners));
            return new PartPlane(m.Area, m.Y, m.YY);
        }

        // Between two parallel edges, about the first of them.
        var low = alongX ? body.LowX : -body.Width / 2;
        var (length, from, to) = (x - low, alongX ? body.LowWidth : body.Length, alongX ? body.WidthAt(x) : body.Length);
        var area = length * (from + to) / 2;
        var (first, second) = (length * length * (from + (2 * to)) / 6, length * length * length * (from + (3 * to)) / 12);
        return new PartPlane(area, first + (low * area), second + (2 * low * first) + (low * low * area));
    }

    // The outline before a section.
    private static ReadOnlySpan<PlanPoint> Before(GroundBody body, bool alongX, double x, Span<PlanPoint> corners)
    {
        if (!alongX)
        {
            return corners[..ConvexPolygon.Clip(body.Outline, x, 0, -1, corners)];
        }

        var (half, there) = (body.LowWidth / 2, body.WidthAt(x) / 2);
        (corners[0], corners[1], corners[2], corners[3]) = (new(body.LowX, -half), new(x, -there), new(x, there), new(body.LowX, half));
        return corners[..4];
    }

    /// <summary>Net pressure on a section, upwards, kN/m: the slope of the shear where no column stands.</summary>
    public static double Slope(GroundBody body, bool alongX, int k, double x)
    {
        var (from, to) = body.Chord(alongX, x);
        return (to - from) * (Pressure(body, alongX, k, x) + body.GroundLoad(k).WaterPressure - body.PressedPerArea(k));
    }

    /// <summary>Pressure of the ground in a section, its mean over the breadth there, kPa.</summary>
    public static double Pressure(GroundBody body, bool alongX, int k, double x)
    {
        var (from, to) = body.Chord(alongX, x);
        if (body.Bed is { } bed)
        {
            return (alongX ? bed.Beam(k).Along(x) : bed.Beam(k).Across(x)) / (to - from);
        }

        var p = body.Contact(k).Pressure;
        var (low, high) = alongX ? (p.Plane(x, from), p.Plane(x, to)) : (p.Plane(from, x), p.Plane(to, x));
        return low >= 0 && high >= 0 ? (low + high) / 2
            : low <= 0 && high <= 0 ? 0
            : Math.Max(low, high) * Math.Max(low, high) / (2 * Math.Abs(high - low));
    }

    /// <summary>
    /// What loads beside the columns and soil that rises beside the base press on a metre of an axis, kN/m; what lies over the whole of a
    /// trapezoid stands in <see cref="Slope"/>.
    /// </summary>
    public static double LoadSlope(GroundBody body, bool alongX, int k, double x)
    {
        var sum = 0.0;
        for (var i = 0; i < body.PlacedLoads.Length; i++)
        {
            var load = body.PlacedLoads[i];
            var (a, b) = alongX
                ? (Math.Min(load.X0, load.X1), Math.Max(load.X0, load.X1))
                : (Math.Min(load.Y0, load.Y1), Math.Max(load.Y0, load.Y1));
            var whole = !body.IsRectangle && body.Place.Loads[i].Shape == PlanLoadShape.WholeBase;
            sum += !whole && b > a && x > a && x < b ? body.Place.LoadTerms[k][i].Factor * load.N / (b - a) : 0;
        }

        return sum + body.RisingSlope(k, alongX, x);
    }
}
