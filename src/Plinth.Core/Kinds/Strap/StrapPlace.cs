using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strap;

/// <summary>Where the parts of a strap footing lie along its x, m from the place's origin midway between both columns.</summary>
/// <param name="EdgeFrom">The edge base's −x end.</param>
/// <param name="EdgeTo">Its end towards the inner base.</param>
/// <param name="InnerFrom">The inner base's end towards the edge base.</param>
/// <param name="InnerTo">Its +x end.</param>
/// <param name="BeamTo">Where the beam ends; it begins with the edge base.</param>
internal readonly record struct StrapPlace(double EdgeFrom, double EdgeTo, double InnerFrom, double InnerTo, double BeamTo)
{
    /// <summary>Clear distance between both bases, m.</summary>
    public double Clear => InnerFrom - EdgeTo;

    /// <summary>The middle of a base.</summary>
    public double Middle(int part) => part == 0 ? (EdgeFrom + EdgeTo) / 2 : (InnerFrom + InnerTo) / 2;

    /// <summary>The centroid of both areas.</summary>
    public double Centroid(StrapDesign d)
    {
        var (a, b) = (d.Edge.Length * d.Edge.Width, d.Inner.Length * d.Inner.Width);
        return ((a * Middle(0)) + (b * Middle(1))) / (a + b);
    }

    /// <summary>Places the parts.</summary>
    /// <param name="held">What is held: the edge base's −x edge, else it is flush with what stands on it.</param>
    /// <param name="place">The place.</param>
    /// <param name="design">The design.</param>
    public static StrapPlace Of(HeldValues held, Place place, StrapDesign design)
    {
        var at = place.InOwnAxes();
        var (first, last) = (BaseGeometry.Outline(place, place.Supports[0], design.Under(0).Pedestal),
            BaseGeometry.Outline(place, place.Supports[1], design.Under(1).Pedestal));
        return Of(at[0].X, at[1].X, Edge(held).From(first.FaceX), last.X, design.Edge.Length, design.Inner.Length, design.Beam.OverBase);
    }

    /// <summary>The same by numbers.</summary>
    /// <param name="first">Where the edge column stands, m.</param>
    /// <param name="last">Where the inner one does, m.</param>
    /// <param name="before">From the edge base's −x end to its column, m.</param>
    /// <param name="side">Side of what stands on the inner base along x, m.</param>
    /// <param name="edge">Length of the edge base, m.</param>
    /// <param name="inner">Length of the inner base, m.</param>
    /// <param name="overBase">Whether the beam runs over the whole inner base.</param>
    public static StrapPlace Of(double first, double last, double before, double side, double edge, double inner, bool overBase) =>
        new(first - before, first - before + edge, last - (inner / 2), last + (inner / 2),
            overBase ? last + (inner / 2) : Math.Min(last + (inner / 2), last + (side / 2)));

    /// <summary>Where the edge base's −x edge is held: flush with the column where nothing is said.</summary>
    public static HeldEdge Edge(HeldValues held) => held.EdgeX0 ?? new HeldEdge(true, 0);

    /// <summary>Corners of base or beam from the place's origin, anticlockwise.</summary>
    /// <param name="part">0 and 1: the bases; 2: the beam.</param>
    /// <param name="design">The design.</param>
    public IReadOnlyList<PlanPoint> Corners(int part, StrapDesign design)
    {
        var (from, to, half) = part switch
        {
            0 => (EdgeFrom, EdgeTo, design.Edge.Width / 2),
            1 => (InnerFrom, InnerTo, design.Inner.Width / 2),
            _ => (EdgeFrom, BeamTo, design.Beam.Width / 2),
        };
        return [new(from, -half), new(to, -half), new(to, half), new(from, half)];
    }
}
