using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Buildings;

/// <summary>A part of the plan that no base may enter.</summary>
/// <param name="Name">Its name; empty if none.</param>
/// <param name="Corners">Its corners, project axes, m.</param>
public sealed record KeepOut(string Name, IReadOnlyList<PlanPoint> Corners);

/// <summary>Where bases may lie: within the boundary, clear of zones. Project axes, m.</summary>
/// <param name="Boundary">Corners of the boundary; empty: none.</param>
/// <param name="Zones">Zones that no base may enter.</param>
public sealed record Site(IReadOnlyList<PlanPoint> Boundary, IReadOnlyList<KeepOut> Zones)
{
    private const double Touch = 1e-6;
    private const int MostPushes = 24;

    /// <summary>A site without bounds.</summary>
    public static readonly Site Open = new([], []);

    /// <summary>Direction of north, degrees anticlockwise from the project's y axis; null: not stated.</summary>
    public double? NorthDegrees { get; init; }

    /// <summary>Whether it bounds anything.</summary>
    public bool IsOpen => Boundary.Count == 0 && Zones.Count == 0;

    /// <summary>How far a base reaches beyond the boundary or into a zone, m; 0 where it lies well; with the way that leads out, and what is crossed.</summary>
    /// <param name="corners">Corners of the base, anticlockwise.</param>
    public (double Beyond, PlanPoint Out, string Crossed) Beyond(IReadOnlyList<PlanPoint> corners)
    {
        ArgumentNullException.ThrowIfNull(corners);
        var worst = (Beyond: 0.0, Out: default(PlanPoint), Crossed: "");
        void Take(double beyond, PlanPoint way, string what)
        {
            if (beyond > worst.Beyond && beyond > Touch)
            {
                worst = (beyond, way, what);
            }
        }

        if (Boundary.Count > 0)
        {
            foreach (var c in corners)
            {
                if (!PlanPolygon.Contains(Boundary, c))
                {
                    var near = PlanPolygon.Nearest(Boundary, c);
                    Take(Length(near.X - c.X, near.Y - c.Y), new PlanPoint(near.X - c.X, near.Y - c.Y), "the boundary");
                }
            }

            // A corner of the boundary that points into the base.
            foreach (var b in Boundary)
            {
                if (PlanPolygon.Contains(corners, b))
                {
                    var near = PlanPolygon.Nearest(corners, b);
                    Take(Length(near.X - b.X, near.Y - b.Y), new PlanPoint(b.X - near.X, b.Y - near.Y), "the boundary");
                }
            }
        }

        foreach (var zone in Zones)
        {
            foreach (var part in PlanPolygon.Triangles(zone.Corners))
            {
                var (gap, way) = PlanPolygon.Parting(corners, part);
                Take(-gap, way, zone.Name.Length > 0 ? $"the zone {zone.Name}" : "a zone to keep out of");
            }
        }

        return worst;
    }

    /// <summary>The least shift of a base along its own axes that brings it within the site at all its places; null if none is found.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="pedestal">Its pedestal; null: none.</param>
    /// <param name="size">The base without shift.</param>
    /// <param name="step">Shifts are whole multiples of it, m.</param>
    public BaseSize? Fit(Foundation foundation, Pedestal? pedestal, BaseSize size, double step)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        if (IsOpen)
        {
            return size;
        }

        var held = foundation.Held;
        var freeX = held.EdgeX0 is null && held.EdgeX1 is null && !held.OffsetXGiven;
        var freeY = held.EdgeY0 is null && held.EdgeY1 is null && !held.OffsetYGiven;
        for (var i = 0; i <= MostPushes; i++)
        {
            var worst = (Beyond: 0.0, Out: default(PlanPoint), Place: foundation.Places[0]);
            foreach (var place in foundation.Places)
            {
                var offset = place.Lie.Of(BaseGeometry.Offset(held, BaseGeometry.Outline(place, pedestal), size));
                var (beyond, way, _) = Beyond(BaseGeometry.Corners(place, BaseGeometry.Centre(place, offset), size));
                if (beyond > worst.Beyond)
                {
                    worst = (beyond, way, place);
                }
            }

            if (worst.Beyond <= 0)
            {
                return size;
            }

            var (sin, cos) = Loads.SupportAction.SinCosDegrees(worst.Place.AngleDegrees);
            var push = worst.Place.Lie.Of(new PlanPoint((worst.Out.X * cos) + (worst.Out.Y * sin), (worst.Out.Y * cos) - (worst.Out.X * sin)));
            var (shiftX, shiftY) = (freeX ? size.ShiftX + push.X : size.ShiftX, freeY ? size.ShiftY + push.Y : size.ShiftY);
            var next = size with { ShiftX = Away(shiftX, step), ShiftY = Away(shiftY, step) };
            if (next == size)
            {
                return null;
            }

            size = next;
        }

        return null;
    }

    private static double Away(double shift, double step) => Math.Round(Math.Sign(shift) * Math.Ceiling((Math.Abs(shift) / step) - 1e-6) * step, 6);

    private static double Length(double x, double y) => Math.Sqrt((x * x) + (y * y));
}
