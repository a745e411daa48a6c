namespace Plinth.Core.Concrete;

/// <summary>A layer of equal bars in a base.</summary>
/// <param name="Count">How many; 0: none.</param>
/// <param name="Size">Their size; null: none.</param>
public readonly record struct BarLayer(int Count, BarSize? Size)
{
    /// <summary>No bars.</summary>
    public static readonly BarLayer None;

    /// <summary>Whether both ends have standard 90° hooks.</summary>
    public bool Hooked { get; init; }

    /// <summary>How many lie in the bands; 0: they lie evenly.</summary>
    public int Band { get; init; }

    /// <summary>The spacing as written, m; 0: they are counted. They stand evenly, no farther apart.</summary>
    public double Spacing { get; init; }

    /// <summary>Whether there are bars.</summary>
    public bool Any => Count > 0;

    /// <summary>Total area, m2.</summary>
    public double Area => Size is null ? 0 : Count * Size.Area;

    /// <summary>Diameter, m; 0 without bars.</summary>
    public double Diameter => Size?.Diameter ?? 0;

    /// <summary>As written: "13 T16" or "none".</summary>
    public override string ToString() => BarSpec.Of(this).ToString();
}

/// <summary>All bars of a base.</summary>
/// <param name="BottomX">Bottom bars along x.</param>
/// <param name="BottomY">Bottom bars along y.</param>
/// <param name="TopX">Top bars along x.</param>
/// <param name="TopY">Top bars along y.</param>
public readonly record struct Reinforcement(BarLayer BottomX, BarLayer BottomY, BarLayer TopX, BarLayer TopY);
