namespace Plinth.Core.Bodies;

/// <summary>A stretch of a beam along x on a body of several bases, its loads even; what it takes on depends on the water.</summary>
internal sealed class BodyLine
{
    /// <summary>Where it begins from the body's centroid, m.</summary>
    public double From { get; set; }

    /// <summary>Where it ends, m; no farther than <see cref="From"/>: there is nothing of it.</summary>
    public double To { get; set; }

    /// <summary>Breadth on which a surcharge stands that stands on no base, m.</summary>
    public double Breadth { get; set; }

    /// <summary>Weight of its concrete, kN/m.</summary>
    public double Concrete { get; set; }

    /// <summary>Weight of the soil on it, less that of the soil whose place it takes, by state of the water, kN/m.</summary>
    public double[] Soil { get; } = new double[3];

    /// <summary>Push of the water on its underside, by state of the water, kN/m.</summary>
    public double[] Push { get; } = new double[3];

    /// <summary>Its length, m.</summary>
    public double Length => Math.Max(0, To - From);

    /// <summary>Its middle, m.</summary>
    public double Middle => (From + To) / 2;
}
