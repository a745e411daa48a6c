namespace Plinth.Core.Contact;

/// <summary>Force and first moments of a pressure over a part of a base.</summary>
/// <param name="Force">∫p dA, kN.</param>
/// <param name="MomentX">∫p·x dA, kNm.</param>
/// <param name="MomentY">∫p·y dA, kNm.</param>
public readonly record struct PressureResultant(double Force, double MomentX, double MomentY);

/// <summary>
/// Pressure between a rigid base and ground that takes no tension: p(x, y) = max(0, peak + b·(x − x0) + c·(y − y0)), kPa, in axes about the
/// base's centre.
/// </summary>
/// <remarks>
/// It hangs on the corner that is pressed most, not on the centre: near the edge the plane is so steep that its value at the centre would
/// cost all digits.
/// </remarks>
/// <param name="Peak">Value at the anchor, kPa.</param>
/// <param name="B">Slope along the base's x, kPa/m.</param>
/// <param name="C">Slope along the base's y, kPa/m.</param>
/// <param name="AnchorX">x0: the corner pressed most, m.</param>
/// <param name="AnchorY">y0, m.</param>
public readonly record struct PressureField(double Peak, double B, double C, double AnchorX, double AnchorY)
{
    /// <summary>Value of the plane at the base's centre, kPa; negative where the ground has let go there.</summary>
    public double A => Peak - (B * AnchorX) - (C * AnchorY);

    /// <summary>Value of the plane at a point, kPa; negative where the base has lifted.</summary>
    public double Plane(double x, double y) => Peak + (B * (x - AnchorX)) + (C * (y - AnchorY));

    /// <summary>The pressure at a point, kPa; 0 where the base has lifted.</summary>
    public double At(double x, double y) => Math.Max(0, Plane(x, y));

    /// <summary>Whether the whole of a rectangle bears, so that the pressure over it is one plane.</summary>
    public bool BearsWholly(double x0, double y0, double x1, double y1) =>
        Peak + (B * (((x0 + x1) / 2) - AnchorX))
            + (C * (((y0 + y1) / 2) - AnchorY)) >= ((Math.Abs(B) * (x1 - x0)) + (Math.Abs(C) * (y1 - y0))) / 2;

    /// <summary>Exact force and moments over a rectangle that lies within the base.</summary>
    public PressureResultant OverRectangle(double x0, double y0, double x1, double y1)
    {
        if (x1 <= x0 || y1 <= y0)
        {
            return default;
        }

        var xm = (x0 + x1) / 2;
        var ym = (y0 + y1) / 2;
        var mid = Peak + (B * (xm - AnchorX)) + (C * (ym - AnchorY));
        var swing = ((Math.Abs(B) * (x1 - x0)) + (Math.Abs(C) * (y1 - y0))) / 2;
        if (mid <= -swing)
        {
            return default;
        }

        if (mid >= swing)
        {
            var area = (x1 - x0) * (y1 - y0);
            var force = mid * area;
            var mx = (force * xm) + (B * area * (x1 - x0) * (x1 - x0) / 12);
            var my = (force * ym) + (C * area * (y1 - y0) * (y1 - y0) / 12);
            return new PressureResultant(force, mx, my);
        }

        Span<PlanPoint> corners = stackalloc PlanPoint[4];
        ConvexPolygon.Rectangle(x0, y0, x1, y1, corners);
        return Over(corners);
    }

    /// <summary>Exact force and moments over a convex polygon that lies within the base.</summary>
    public PressureResultant Over(ReadOnlySpan<PlanPoint> corners)
    {
        Span<PlanPoint> shifted = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        for (var i = 0; i < corners.Length; i++)
        {
            shifted[i] = new PlanPoint(corners[i].X - AnchorX, corners[i].Y - AnchorY);
        }

        Span<PlanPoint> clipped = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        var count = ConvexPolygon.Clip(shifted[..corners.Length], Peak, B, C, clipped);
        var m = ConvexPolygon.Moments(clipped[..count]);
        var force = (Peak * m.Area) + (B * m.X) + (C * m.Y);
        return new PressureResultant(
            force,
            (Peak * m.X) + (B * m.XX) + (C * m.XY) + (AnchorX * force),
            (Peak * m.Y) + (B * m.XY) + (C * m.YY) + (AnchorY * force));
    }
}
