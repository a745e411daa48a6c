using Plinth.Core.Bodies;
using Plinth.Core.Contact;

namespace Plinth.Core.Figures;

/// <summary>What a picture of the contact pressure shows, in the base's own axes about its centre.</summary>
/// <param name="State">How the base bears.</param>
/// <param name="N">Sum of vertical loads, downwards positive, kN.</param>
/// <param name="Resultant">Where it acts, m.</param>
/// <param name="Field">The pressure.</param>
/// <param name="Corners">Pressure at the corners (−x, −y), (+x, −y), (+x, +y), (−x, +y), kPa; of several bases one after another.</param>
/// <param name="ZeroLine">Where the line between contact and lift-off leaves the base: two points, or none.</param>
/// <param name="Share">Area in contact over the area of the base.</param>
/// <param name="Water">Pressure of the water under the base, kPa, not within the contact pressure.</param>
public sealed record ContactFigure(ContactState State, double N, PlanPoint Resultant, PressureField Field, IReadOnlyList<double> Corners,
    IReadOnlyList<PlanPoint> ZeroLine, double Share, double Water)
{
    /// <summary>The highest pressure, kPa; 0 without equilibrium.</summary>
    public double Most => Corners.DefaultIfEmpty(0).Max();

    /// <summary>The contact of a base in a combination.</summary>
    /// <param name="s">The body, its design set.</param>
    /// <param name="k">The combination.</param>
    public static ContactFigure Of(GroundBody s, int k)
    {
        ArgumentNullException.ThrowIfNull(s);
        var loads = s.Loads(k);
        var contact = s.Contact(k);
        var water = s.GroundLoad(k).WaterPressure;
        if (contact.State == ContactState.NoEquilibrium)
        {
            return new ContactFigure(contact.State, loads.N, loads.N > 0 ? new PlanPoint(loads.XR, loads.YR) : default, contact.Pressure,
                [], [], 0, water);
        }

        var p = contact.Pressure;
        PlanPoint[] corners = s.Parts.Length == 0 ? [.. s.Outline]
            : [.. s.Parts.ToArray().SelectMany(p => p.Outline.ToArray().Select(c => c with { X = c.X + p.Middle }))];
        double Plane(PlanPoint c) => p.Peak + (p.B * (c.X - p.AnchorX)) + (p.C * (c.Y - p.AnchorY));
        var line = new List<PlanPoint>();
        for (var i = 0; i < 4 && contact.State == ContactState.Partial && s.Parts.Length == 0; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % 4]);
            var (fa, fb) = (Plane(a), Plane(b));
            if ((fa < 0) != (fb < 0))
            {
                var t = fa / (fa - fb);
                line.Add(new PlanPoint(a.X + (t * (b.X - a.X)), a.Y + (t * (b.Y - a.Y))));
            }
        }

        return new ContactFigure(contact.State, loads.N, new PlanPoint(loads.XR, loads.YR), p, [.. corners.Select(c => p.At(c.X, c.Y))],
            line, contact.Share, water);
    }

    /// <summary>The part of a base whose pressure lies between two values, as convex corners; empty where there is none.</summary>
    /// <param name="outline">Corners of the base, m.</param>
    /// <param name="from">kPa.</param>
    /// <param name="to">kPa.</param>
    public IReadOnlyList<PlanPoint> Between(ReadOnlySpan<PlanPoint> outline, double from, double to)
    {
        Span<PlanPoint> above = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        Span<PlanPoint> part = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        var count = ConvexPolygon.Clip(outline, Field.A - from, Field.B, Field.C, above);
        count = ConvexPolygon.Clip(above[..count], to - Field.A, -Field.B, -Field.C, part);
        return part[..count].ToArray();
    }
}
