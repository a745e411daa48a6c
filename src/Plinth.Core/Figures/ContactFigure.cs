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
    /// <summary>
    /// What bears by one plane each: the outline of a rigid base, of several bases those of each, of one on springs a piece an element.
    /// </summary>
    public IReadOnlyList<(IReadOnlyList<PlanPoint> Outline, PressureField Field)> Pieces { get; private init; } = [];

    /// <summary>Where under a base on springs the pressure is highest, m; null under a rigid base, whose corners tell.</summary>
    public PlanPoint? Peak { get; private init; }

    /// <summary>
    /// Along a base on springs: where from its centroid, m, the higher and the lower pressure of its edges, kPa, and what its axis settles
    /// beyond what the overburden pressed before, m, all that it sinks where the ground changes along it; empty under a rigid base.
    /// </summary>
    public IReadOnlyList<(double X, double High, double Low, double Settles)> Profile { get; private init; } = [];

    /// <summary>The highest pressure, kPa; 0 without equilibrium.</summary>
    public double Most { get; private init; }

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

        if (s.Bed is { } bed)
        {
            return OnSprings(s, k, bed.Beam(k), water);
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

        double[] values = [.. corners.Select(c => p.At(c.X, c.Y))];
        return new ContactFigure(contact.State, loads.N, new PlanPoint(loads.XR, loads.YR), p, values, line, contact.Share, water)
        {
            Pieces = [.. corners.Chunk(s.Parts.Length == 0 ? corners.Length : PlanPoints).Select(c => ((IReadOnlyList<PlanPoint>)c, p))],
            Most = values.Max(),
        };
    }

    // A rectangle's corners.
    private const int PlanPoints = 4;

    private const double Overlap = 50;

    private static List<(double X, double High, double Low, double Settles)> ProfileOf(GroundBody s, int k,
        Response.SpringBeam beam)
    {
        var none = default(Tracing.NoTrace);
        // Where the ground changes it rose otherwise when it was dug, the beam sinks as one.
        var p0 = s.Bed!.Grounds.Count > 1 ? 0 : Checks.OnGround.Bearing.Overburden(s, k, ref none);
        var profile = new List<(double X, double High, double Low, double Settles)>();
        for (var i = 1; i < beam.Nodes.Count; i++)
        {
            var (from, to) = (beam.Nodes[i - 1], beam.Nodes[i]);
            var modulus = s.Bed.ModulusAt((from + to) / 2);
            foreach (var x in i == 1 ? [from, (from + to) / 2, to] : (double[])[(from + to) / 2, to])
            {
                var (a, b) = (modulus * Math.Max(0, beam.Settlement(x) + (beam.Turn * s.LowY)),
                    modulus * Math.Max(0, beam.Settlement(x) + (beam.Turn * s.HighY)));
                profile.Add((x, Math.Max(a, b), Math.Min(a, b), Math.Max(0, beam.Settlement(x) - (p0 / modulus))));
            }
        }

        return profile;
    }

    // Within an element the pressure is nearly a plane: by both its ends and the turn about the axis.
    private static ContactFigure OnSprings(GroundBody s, int k, Response.SpringBeam beam, double water)
    {
        var (loads, contact, pieces) = (s.Loads(k), s.Contact(k), new List<(IReadOnlyList<PlanPoint>, PressureField)>());
        for (var i = 1; i < beam.Nodes.Count; i++)
        {
            var (from, to) = (beam.Nodes[i - 1], beam.Nodes[i]);
            var modulus = s.Bed!.ModulusAt((from + to) / 2);
            var (low, high) = (beam.Settlement(from), beam.Settlement(to));
            // Neighbours overlap by a hair: pictures show no seams between them.
            var end = Math.Min(to + ((to - from) / Overlap), s.HighX);
            pieces.Add(([new(from, s.LowY), new(end, s.LowY), new(end, s.HighY), new(from, s.HighY)],
                new PressureField(modulus * low, modulus * (high - low) / (to - from), modulus * beam.Turn, from, 0)));
        }

        var (most, _, at) = beam.Pressures();
        return new ContactFigure(contact.State, loads.N, new PlanPoint(loads.XR, loads.YR), contact.Pressure,
            [.. s.Outline.ToArray().Select(c => s.PressureAt(k, c.X, c.Y))], [], contact.Share, water)
        {
            Pieces = pieces,
            Most = most,
            Peak = at,
            Profile = ProfileOf(s, k, beam),
        };
    }

    /// <summary>The part of a piece whose pressure lies between two values, as convex corners; empty where there is none.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="from">kPa.</param>
    /// <param name="to">kPa.</param>
    public static IReadOnlyList<PlanPoint> Between((IReadOnlyList<PlanPoint> Outline, PressureField Field) piece, double from, double to)
    {
        var (outline, field) = piece;
        Span<PlanPoint> above = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        Span<PlanPoint> part = stackalloc PlanPoint[ConvexPolygon.MostCorners];
        var count = ConvexPolygon.Clip([.. outline], field.A - from, field.B, field.C, above);
        count = ConvexPolygon.Clip(above[..count], to - field.A, -field.B, -field.C, part);
        return part[..count].ToArray();
    }
}
