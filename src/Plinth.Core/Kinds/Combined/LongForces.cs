using Plinth.Core.Bodies;
using Plinth.Core.Contact;

namespace Plinth.Core.Kinds.Combined;

/// <summary>Shear and moment in a section across a body under several columns.</summary>
/// <param name="X">Where it lies from the body's centroid, m.</param>
/// <param name="Shear">V, net push upwards on the part towards −x, kN.</param>
/// <param name="Moment">M, positive where it stretches the bottom, kNm.</param>
internal readonly record struct LongSection(double X, double Shear, double Moment);

/// <summary>
/// The free body towards −x of a section across a body under several columns: V = ∫q dA − ΣN, M = ∫q·(x − ξ) dA − Σ[N·(x − xi) − My'] with My' = My + H·Fx. Within
/// a column's own width its load is spread evenly and its moment linearly.
/// </summary>
internal static class LongForces
{
    /// <summary>Shear and moment in a section.</summary>
    /// <param name="body">The body.</param>
    /// <param name="columns">What stands on it.</param>
    /// <param name="k">The combination.</param>
    /// <param name="x">Where it lies, m from the body's centroid.</param>
    public static LongSection At(GroundBody body, Standing[] columns, int k, double x)
    {
        var part = Part(body, k, x);
        var (shear, moment) = (part.Force, (x * part.Force) - part.MomentX);
        foreach (var c in columns)
        {
            var (low, wide) = (c.X - (c.Outline.X / 2), c.Outline.X);
            if (x <= low)
            {
                continue;
            }

            var share = Math.Min(1, (x - low) / wide);
            var (n, at) = (share * (c.Action(k).N + c.PrismWeight(k)), low + (share * wide / 2));
            (shear, moment) = (shear - n, moment - (n * (x - at)) + (share * c.My(k)));
        }

        return new LongSection(x, shear, moment);
    }

    // What acts on the part towards −x but for the columns: ground and water less weights, with its moment about the centroid.
    private static PressureResultant Part(GroundBody body, int k, double x)
    {
        Span<PlanPoint> corners = stackalloc PlanPoint[4];
        var (half, there) = (body.LowWidth / 2, body.WidthAt(x) / 2);
        (corners[0], corners[1], corners[2], corners[3]) = (new(body.LowX, -half), new(x, -there), new(x, there), new(body.LowX, half));
        var ground = body.IsRectangle ? body.Contact(k).Pressure.OverRectangle(body.LowX, -half, x, half) : body.Contact(k).Pressure.Over(corners);
        var plane = ConvexPolygon.Moments(corners);
        var q = body.GroundLoad(k).WaterPressure - body.WeightPerArea(k);
        var (force, moment) = (ground.Force + (q * plane.Area), ground.MomentX + (q * plane.X));
        if (body.PlacedLoads.Length > 0)
        {
            const double all = double.PositiveInfinity;
            var (beside, besideX, _) = body.LoadsWithin(k, body.LowX, -all, x, all);
            (force, moment) = (force - beside, moment - besideX);
        }

        var (wedge, corner) = body.Rising(k);
        if (wedge != 0)
        {
            // Soil that a rising base lifts beside itself hangs on its edges.
            var (end, sides) = ((wedge * body.LowWidth) + (body.Corners / 2 * corner), wedge * 2 * (x - body.LowX));
            (force, moment) = (force - end - sides, moment - (end * body.LowX) - (sides * (x + body.LowX) / 2));
        }

        return new PressureResultant(force, moment, 0);
    }

    /// <summary>Mean net pressure on a section, upwards, kN/m: the slope of the shear where no column stands.</summary>
    public static double Slope(GroundBody body, int k, double x)
    {
        var (p, half) = (body.Contact(k).Pressure, body.WidthAt(x) / 2);
        var (low, high) = (p.Peak + (p.B * (x - p.AnchorX)) + (p.C * (-half - p.AnchorY)), p.Peak + (p.B * (x - p.AnchorX)) + (p.C * (half - p.AnchorY)));
        var pressed = low >= 0 && high >= 0 ? (low + high) * half : low <= 0 && high <= 0 ? 0 : Math.Max(low, high) * Math.Max(low, high) * half / Math.Abs(high - low);
        return pressed + (2 * half * (body.GroundLoad(k).WaterPressure - body.WeightPerArea(k)));
    }
}
