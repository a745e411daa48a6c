namespace Plinth.Core.Foundations;

/// <summary>The hollow of a pedestal in which a precast column is grouted.</summary>
/// <param name="Depth">From the rim to the column's foot, m; the bed of grout lies below it.</param>
/// <param name="Wall">Thickness of the walls, m.</param>
public sealed record Socket(double Depth, double Wall);

/// <summary>How the faces of a socket and of the column in it are cast.</summary>
public enum SocketFace
{
    /// <summary>Smooth: pressure alone passes between column and walls.</summary>
    Smooth,

    /// <summary>Keyed or roughened to about 6 mm (1/4 in): shear passes too, so that the socket holds a pull.</summary>
    Keyed,
}

/// <summary>
/// What is stated of sockets; what is null is open to sizing. Cover, concrete, bars, ties, top and height are those of the pedestals.
/// Lengths in m, pressures in kPa.
/// </summary>
public sealed record SocketRules
{
    /// <summary>No sockets.</summary>
    public static readonly SocketRules None = new();

    /// <summary>Whether rectangular concrete columns are precast and stand in sockets.</summary>
    public bool Used { get; init; }

    /// <summary>Held depth from the rim to the column's foot.</summary>
    public double? Depth { get; init; }

    /// <summary>Held thickness of the walls.</summary>
    public double? Wall { get; init; }

    /// <summary>How the faces are cast.</summary>
    public SocketFace Face { get; init; }

    /// <summary>Least clear distance from column to wall, for the grout and its vibrator.</summary>
    public double Gap { get; init; } = 0.075;

    /// <summary>Thickness of the bed of grout under the column's foot.</summary>
    public double Bed { get; init; } = 0.05;

    /// <summary>f'c of the grout; null: as of the base.</summary>
    public double? Grout { get; init; }

    /// <summary>Least depth over the column's larger side (EN 1992-1-1 10.9.6.3(1): 1.2).</summary>
    public double DepthRatio { get; init; } = 1.2;

    /// <summary>Greatest depth over the column's larger side that sizing may try.</summary>
    public double MostDepthRatio { get; init; } = 3;

    /// <summary>Least thickness of walls that sizing may try.</summary>
    public double LeastWall { get; init; } = 0.15;

    /// <summary>Greatest thickness of walls that sizing may try.</summary>
    public double MostWall { get; init; } = 0.5;

    /// <summary>The least depth for a column, m.</summary>
    public double LeastDepth(Support support)
    {
        ArgumentNullException.ThrowIfNull(support);
        return Depth ?? (DepthRatio * Math.Max(support.SizeX, support.SizeY));
    }
}
