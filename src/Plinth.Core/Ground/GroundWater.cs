namespace Plinth.Core.Ground;

/// <summary>
/// Which water stands in the ground while a combination acts: every combination is done at the highest and at the lowest.
/// </summary>
public enum WaterState
{
    /// <summary>No water is stated, or it lies below every underside: nothing is said of it.</summary>
    None,

    /// <summary>The highest water.</summary>
    High,

    /// <summary>The lowest water.</summary>
    Low,
}

/// <summary>
/// Weights and pressures in the ground by depth: moist above the water, saturated below. Depths from the ground's level downwards, m.
/// </summary>
/// <param name="Moist">Unit weight above the water, kN/m3.</param>
/// <param name="Saturated">Unit weight below it, kN/m3.</param>
/// <param name="WaterWeight">Unit weight of water, kN/m3.</param>
/// <param name="Water">Depth of the water, m; infinite where the ground is dry.</param>
public readonly record struct GroundColumn(double Moist, double Saturated, double WaterWeight, double Water)
{
    /// <summary>Whether there is water at any depth.</summary>
    public bool IsWet => !double.IsPositiveInfinity(Water);

    /// <summary>Pressure of the water at a depth, kPa.</summary>
    public double WaterPressure(double depth) => IsWet ? WaterWeight * Math.Max(0, depth - Water) : 0;

    /// <summary>Full weight of the soil between two depths on a unit of area, kPa.</summary>
    public double Weight(double from, double to) => To(to) - To(from);

    /// <summary>Effective vertical stress at a depth, kPa: full weight less the pressure of the water.</summary>
    public double EffectiveStress(double depth) => To(depth) - WaterPressure(depth);

    /// <summary>∫ of the effective vertical stress between two depths, kN/m: what passive pressure is a multiple of.</summary>
    public double EffectiveStressOver(double from, double to) => Integral(to) - Integral(from);

    private double To(double depth)
    {
        var dry = Math.Clamp(Water, 0, depth);
        return (Moist * dry) + (Saturated * (depth - dry));
    }

    private double Integral(double depth)
    {
        var dry = Math.Clamp(Water, 0, depth);
        var wet = depth - dry;
        return (Moist * dry * dry / 2) + (Moist * dry * wet) + ((Saturated - WaterWeight) * wet * wet / 2);
    }
}
