using Plinth.Core.Concrete;

namespace Plinth.Core.Foundations;

/// <summary>
/// A pedestal in force: the short column between footing and column, concentric with the column and turned with the base.
/// </summary>
/// <param name="SizeX">Side along the base's x, m; a round one's diameter.</param>
/// <param name="SizeY">Side along the base's y, m.</param>
/// <param name="Round">Whether it is round.</param>
/// <param name="Bars">Vertical bars, evenly round it, run on into the base.</param>
/// <param name="Ties">Ties, a size and a spacing.</param>
public sealed record Pedestal(double SizeX, double SizeY, bool Round, BarSpec Bars, BarSpec Ties)
{
    /// <summary>The hollow in which a precast column is grouted; null: the pedestal is solid.</summary>
    public Socket? Socket { get; init; }

    /// <summary>Plan area, a socket's hollow included, m2.</summary>
    public double Area => Round ? Math.PI * SizeX * SizeX / 4 : SizeX * SizeY;

    /// <summary>Area of its own concrete: of the walls, where it has a socket, m2.</summary>
    public double OwnArea => Socket is null ? Area : Area - (ClearX * ClearY);

    /// <summary>Clear size of the socket along x, m.</summary>
    public double ClearX => SizeX - (2 * (Socket?.Wall ?? 0));

    /// <summary>Clear size of the socket along y, m.</summary>
    public double ClearY => SizeY - (2 * (Socket?.Wall ?? 0));
}

/// <summary>Where pedestals stand.</summary>
public enum PedestalUnder
{
    /// <summary>Nowhere.</summary>
    None,

    /// <summary>Under steel columns.</summary>
    Steel,

    /// <summary>Under every column.</summary>
    All,
}

/// <summary>What the engineer has stated of pedestals; what is null is open to sizing. Lengths in m, pressures in kPa.</summary>
public sealed record PedestalRules
{
    /// <summary>No pedestals.</summary>
    public static readonly PedestalRules None = new();

    /// <summary>Where they stand.</summary>
    public PedestalUnder Under { get; init; }

    /// <summary>Level of their top; null: by <see cref="Height"/>, else where the reactions act.</summary>
    public double? Top { get; init; }

    /// <summary>Height over the base; null: by <see cref="Top"/>.</summary>
    public double? Height { get; init; }

    /// <summary>Whether they are round.</summary>
    public bool Round { get; init; }

    /// <summary>Held side along x, or diameter.</summary>
    public double? SizeX { get; init; }

    /// <summary>Held side along y.</summary>
    public double? SizeY { get; init; }

    /// <summary>Least distance from the column's face, or its plate's edge, to the pedestal's.</summary>
    public double Ledge { get; init; } = 0.05;

    /// <summary>Sides are whole multiples of it.</summary>
    public double Step { get; init; } = 0.05;

    /// <summary>Greatest side that sizing may try.</summary>
    public double MostSize { get; init; } = 1.5;

    /// <summary>Cover to the ties.</summary>
    public double Cover { get; init; } = 0.05;

    /// <summary>f'c of the pedestals; null: as of the base.</summary>
    public double? Strength { get; init; }

    /// <summary>Held vertical bars.</summary>
    public BarSpec? Bars { get; init; }

    /// <summary>Held ties.</summary>
    public BarSpec? Ties { get; init; }

    /// <summary>Sockets for precast columns.</summary>
    public SocketRules Sockets { get; init; } = SocketRules.None;

    /// <summary>Whether a column stands on a pedestal or in a socket.</summary>
    public bool Carries(Support support)
    {
        ArgumentNullException.ThrowIfNull(support);
        return (Under == PedestalUnder.All && !support.IsWall)
            || (Under == PedestalUnder.Steel && support.Shape == ColumnShape.Steel)
            || HoldsInSocket(support);
    }

    /// <summary>Whether a column is precast and stands in a socket: rectangular ones of concrete.</summary>
    public bool HoldsInSocket(Support support)
    {
        ArgumentNullException.ThrowIfNull(support);
        return Sockets.Used && support.Shape == ColumnShape.Rectangular;
    }

    /// <summary>Level of the top of a pedestal, or of a socket's rim; null where nothing states it.</summary>
    /// <param name="support">What it carries.</param>
    /// <param name="topOfBase">Level of the top of the base, m.</param>
    /// <param name="socketDepth">Depth of the socket, m; null: the least that the rules allow.</param>
    public double? TopLevel(Support support, double topOfBase, double? socketDepth = null)
    {
        ArgumentNullException.ThrowIfNull(support);
        return Top
            ?? (Height is { } h ? topOfBase + h
                : HoldsInSocket(support) ? topOfBase + (socketDepth ?? Sockets.LeastDepth(support)) + Sockets.Bed
                : support.Level);
    }
}

/// <summary>How the surface of a joint is left before concrete is placed against it (ACI 318 22.9.4.2).</summary>
public enum JointSurface
{
    /// <summary>Clean but not roughened, μ 0.6λ.</summary>
    Plain,

    /// <summary>Roughened to about 6 mm (1/4 in), μ 1.0λ.</summary>
    Roughened,

    /// <summary>Cast in one, μ 1.4λ.</summary>
    Monolithic,
}

/// <summary>What is stated of the concrete columns over the bases. Lengths in m, pressures in kPa.</summary>
public sealed record ColumnRules
{
    /// <summary>Nothing stated: joints are not checked.</summary>
    public static readonly ColumnRules Nothing = new();

    /// <summary>f'c of the columns; null: not stated.</summary>
    public double? Strength { get; init; }

    /// <summary>Vertical bars of the columns; null: not stated.</summary>
    public BarSpec? Bars { get; init; }

    /// <summary>Held dowels of the joint; null: found where <see cref="Strength"/> is stated.</summary>
    public BarSpec? Dowels { get; init; }

    /// <summary>Cover to the ties of the columns.</summary>
    public double Cover { get; init; } = 0.04;

    /// <summary>Surface of the joints at base and pedestal.</summary>
    public JointSurface Joint { get; init; }

    /// <summary>Plates of steel columns, as drawn.</summary>
    public BasePlate Plate { get; init; } = BasePlate.NotStated;

    /// <summary>Whether the joints of concrete columns are designed.</summary>
    public bool Known => Strength is not null || Dowels is not null;
}
