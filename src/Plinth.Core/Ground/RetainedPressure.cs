using Plinth.Core.Foundations;

namespace Plinth.Core.Ground;

/// <summary>What presses on a wall from the soil behind it.</summary>
public enum RetainedLoad
{
    /// <summary>The soil itself.</summary>
    Earth,

    /// <summary>The water in it.</summary>
    Water,

    /// <summary>What stands on its surface.</summary>
    Surcharge,
}

/// <summary>A force on a metre of wall with its moment about a level, kN/m and kNm/m.</summary>
/// <param name="Force">Away from the soil, kN/m.</param>
/// <param name="Moment">Turning away from the soil, kNm/m.</param>
public readonly record struct Thrust(double Force, double Moment);

/// <summary>
/// Pressures of soil behind a wall by depth below its surface: K·σ' of the soil and of what stands on it, σ' by buoyant weight below the
/// water, and the water's own. The wall's back is upright and smooth, the surface level (W. J. M. Rankine 1857; at rest J. Jáky 1944).
/// </summary>
/// <param name="soil">The soil.</param>
/// <param name="ground">The ground that it stands on, whose weights hold where it states none of its own.</param>
public sealed class RetainedPressure(RetainedSoil soil, GroundRules ground)
{
    private readonly double moist = soil.Weight ?? ground.SoilWeight;
    private readonly double coefficient = soil.Coefficient;

    /// <summary>The soil by depth below its surface.</summary>
    /// <param name="wet">Whether its water stands in it.</param>
    public GroundColumn Column(bool wet) =>
        new(moist, ground.SaturatedWeight, ground.WaterWeight, wet && soil.WaterDepth is { } depth ? depth : double.PositiveInfinity);

    /// <summary>Pressure at a depth, kPa.</summary>
    /// <param name="load">Of what.</param>
    /// <param name="wet">Whether water stands in the soil.</param>
    /// <param name="depth">Depth below the surface, m.</param>
    public double At(RetainedLoad load, bool wet, double depth)
    {
        var column = Column(wet);
        return depth < 0 ? 0 : load switch
        {
            RetainedLoad.Earth => coefficient * column.EffectiveStress(depth),
            RetainedLoad.Water => column.WaterPressure(depth),
            _ => coefficient * soil.Surcharge,
        };
    }

    /// <summary>The thrust down to a depth, its moment about that depth.</summary>
    /// <param name="load">Of what.</param>
    /// <param name="wet">Whether water stands in the soil.</param>
    /// <param name="depth">Depth below the surface, m.</param>
    public Thrust Above(RetainedLoad load, bool wet, double depth)
    {
        if (depth <= 0)
        {
            return default;
        }

        var column = Column(wet);
        var dry = Math.Clamp(column.Water, 0, depth);
        var below = depth - dry;
        switch (load)
        {
            case RetainedLoad.Water:
                return new Thrust(column.WaterWeight * below * below / 2, column.WaterWeight * below * below * below / 6);
            case RetainedLoad.Surcharge:
                var even = coefficient * soil.Surcharge;
                return new Thrust(even * depth, even * depth * depth / 2);
            default:
                var buoyant = column.Saturated - column.WaterWeight;
                var (top, block, wedge) = (column.Moist * dry * dry / 2, column.Moist * dry * below, buoyant * below * below / 2);
                return new Thrust(coefficient * (top + block + wedge),
                    coefficient * ((top * (below + (dry / 3))) + (block * below / 2) + (wedge * below / 3)));
        }
    }

    /// <summary>
    /// What a prop takes at the top of a wall that stands fixed on its base, kN/m: ∫p·η²·(3H − η)/(2H³) dη over the height η.
    /// </summary>
    /// <param name="load">Of what.</param>
    /// <param name="wet">Whether water stands in the soil.</param>
    /// <param name="wall">Height of the wall H, m; not below that of the soil.</param>
    public double Prop(RetainedLoad load, bool wet, double wall)
    {
        var column = Column(wet);
        var dry = Math.Clamp(column.Water, 0, soil.Height);
        return Between(0, dry) + Between(dry, soil.Height);

        // Pressure is linear there, so the integrand is of the fourth degree: three points of Gauss are exact.
        double Between(double from, double to)
        {
            var (middle, half, sum) = ((from + to) / 2, (to - from) / 2, 0.0);
            foreach (var (at, weight) in (ReadOnlySpan<(double, double)>)[(-Math.Sqrt(0.6), 5.0 / 9), (0, 8.0 / 9),
                (Math.Sqrt(0.6), 5.0 / 9)])
            {
                var depth = middle + (at * half);
                var height = soil.Height - depth;
                sum += weight * half * At(load, wet, depth) * height * height * ((3 * wall) - height) / (2 * wall * wall * wall);
            }

            return sum;
        }
    }
}
