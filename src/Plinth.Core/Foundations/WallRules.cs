namespace Plinth.Core.Foundations;

/// <summary>What plinth.toml states of a wall and of the soil behind it.</summary>
public sealed record WallRules
{
    /// <summary>Nothing stated.</summary>
    public static readonly WallRules Nothing = new();

    /// <summary>How far the base reaches beyond both ends of the wall, m.</summary>
    public double Ends { get; init; }

    /// <summary>The wall itself; null: not stated, and not designed here.</summary>
    public StemRules? Stem { get; init; }

    /// <summary>The soil that it holds back; null: none.</summary>
    public RetainedSoil? Retained { get; init; }

    /// <summary>Whether the wall is of masonry.</summary>
    public bool IsMasonry => Stem is { Masonry: true };
}

/// <summary>What is stated of the wall on a footing.</summary>
/// <param name="Height">Over the top of the base, m; null: not stated.</param>
public sealed record StemRules(double? Height)
{
    /// <summary>Whether it is of masonry; else of concrete.</summary>
    public bool Masonry { get; init; }

    /// <summary>f'c of its concrete, kPa; null: that of the base.</summary>
    public double? Strength { get; init; }

    /// <summary>Its unit weight, kN/m3; null: that of concrete.</summary>
    public double? Weight { get; init; }

    /// <summary>In how many layers its bars lie: 1, in the middle, or 2, one at each face.</summary>
    public int Layers { get; init; } = 2;

    /// <summary>Whether its top is held against the soil, by a floor.</summary>
    public bool Propped { get; init; }

    /// <summary>Cover to the outer bars of its faces, m; null: that of the sides of the base.</summary>
    public double? Cover { get; init; }

    /// <summary>Allowable stress of masonry in compression, kPa; null: not stated.</summary>
    public double? Compression { get; init; }

    /// <summary>Allowable stress of masonry in tension by bending, kPa; null: not stated.</summary>
    public double? Tension { get; init; }
}

/// <summary>Soil that a wall holds back.</summary>
/// <param name="AtHigh">Whether it stands on the wall's +y side; else on its −y side.</param>
/// <param name="Height">How high it stands over the top of the base, m.</param>
public sealed record RetainedSoil(bool AtHigh, double Height)
{
    /// <summary>+1 where it stands on the +y side, else −1.</summary>
    public int Side => AtHigh ? 1 : -1;

    /// <summary>How high the soil stands over the base on the other side, m; null: to the finished ground.</summary>
    public double? Other { get; init; }

    /// <summary>Its unit weight above the water, kN/m3; null: that of the ground.</summary>
    public double? Weight { get; init; }

    /// <summary>Its angle of friction φ, degrees.</summary>
    public double FrictionAngle { get; init; }

    /// <summary>Whether its pressure is that at rest; else the active one.</summary>
    public bool AtRest { get; init; }

    /// <summary>What stands on its surface, kPa.</summary>
    public double Surcharge { get; init; }

    /// <summary>Depth of the water in it below its surface, m; null: none.</summary>
    public double? WaterDepth { get; init; }

    /// <summary>
    /// Coefficient of its pressure: 1 − sin φ at rest (J. Jáky 1944), (1 − sin φ)/(1 + sin φ) active (W. J. M. Rankine 1857).
    /// </summary>
    public double Coefficient => CoefficientOf(FrictionAngle);

    /// <summary>The same of soil with another angle of friction.</summary>
    /// <param name="angle">φ, degrees.</param>
    public double CoefficientOf(double angle)
    {
        var sin = Math.Sin(angle * Math.PI / 180);
        return AtRest ? 1 - sin : (1 - sin) / (1 + sin);
    }
}
