using Plinth.Core.Loads;

namespace Plinth.Core.Ground;

/// <summary>Whether a bearing value includes the weight of the ground that stood at the underside before.</summary>
public enum BearingBasis
{
    /// <summary>The whole pressure is compared.</summary>
    Gross,

    /// <summary>The pressure less the effective overburden is compared.</summary>
    Net,
}

/// <summary>Which pressure is compared with the bearing value.</summary>
public enum BearingMethod
{
    /// <summary>The largest corner pressure.</summary>
    Corner,

    /// <summary>The mean pressure on the area reduced by twice the eccentricities.</summary>
    ReducedArea,
}

/// <summary>The values of the ground under a foundation. Levels in m, pressures in kPa, weights in kN/m3.</summary>
/// <param name="Name">Its name; empty for the default ground.</param>
/// <param name="Level">Level of the finished ground, m.</param>
/// <param name="FoundingDepth">Ground to underside, m: the underside is held. Null if <paramref name="TopDepth"/> is given.</param>
/// <param name="TopDepth">Ground to top of base, m: the top is held. Null if <paramref name="FoundingDepth"/> is given.</param>
/// <param name="Bearing">Allowable bearing pressure, kPa.</param>
/// <param name="Basis">Gross or net.</param>
/// <param name="Method">Corner pressure or reduced area.</param>
/// <param name="TransientIncrease">Times the bearing in combinations with wind or earthquake.</param>
/// <param name="SoilWeight">Unit weight of the soil over the base, kN/m3.</param>
/// <param name="Friction">Coefficient of friction at the underside.</param>
/// <param name="Adhesion">Adhesion on the area in contact, kPa.</param>
/// <param name="PassiveCoefficient">The Kp that may be relied on against sliding.</param>
/// <param name="Surcharge">Variable load on the ground over the base, kPa.</param>
public sealed record GroundRules(
    string Name,
    double Level,
    double? FoundingDepth,
    double? TopDepth,
    double Bearing,
    BearingBasis Basis,
    BearingMethod Method,
    double TransientIncrease,
    double SoilWeight,
    double Friction,
    double Adhesion,
    double PassiveCoefficient,
    double Surcharge)
{
    /// <summary>Unit weight of the soil below the water, kN/m3.</summary>
    public double SaturatedWeight { get; init; } = 20;

    /// <summary>Unit weight of water, kN/m3.</summary>
    public double WaterWeight { get; init; } = 9.81;

    /// <summary>Depth of the highest water below the ground, m; null: none is stated.</summary>
    public double? WaterDepth { get; init; }

    /// <summary>Depth of the lowest water, m; null: the ground may be dry.</summary>
    public double? WaterDepthLow { get; init; }

    /// <summary>Depth from the ground in which no passive pressure is relied on, m.</summary>
    public double PassiveIgnoredDepth { get; init; }

    /// <summary>Angle from the vertical at which the soil that a rising base lifts spreads, degrees; 0: only what stands over it.</summary>
    public double UpliftSpread { get; init; }

    /// <summary>Depth below the finished ground to which it freezes, m; null: not stated.</summary>
    public double? FrostDepth { get; init; }

    /// <summary>Level of the ground before it was filled or dug, m; null: as the finished ground.</summary>
    public double? LevelBefore { get; init; }

    /// <summary>Effective overburden that stood at an underside before the work, kPa: what net bearing and settlement deduct.</summary>
    /// <param name="ground">The ground by depth from the finished level.</param>
    /// <param name="foundingDepth">Depth of the underside below the finished ground, m.</param>
    public double OverburdenBefore(in GroundColumn ground, double foundingDepth)
    {
        var filled = Level - (LevelBefore ?? Level);
        return filled <= 0
            ? ground.EffectiveStress(foundingDepth) + (SoilWeight * -filled)
            : Math.Max(0, ground.EffectiveStress(foundingDepth) - ground.EffectiveStress(Math.Min(filled, foundingDepth)));
    }

    /// <summary>Modulus of subgrade reaction, kN/m3; null: not stated.</summary>
    public double? SubgradeModulus { get; init; }

    /// <summary>Greatest settlement, m; null: not stated, so that settlement is not checked.</summary>
    public double? MostSettlement { get; init; }

    /// <summary>Greatest angular distortion between neighbouring bases, as a ratio; null: not checked.</summary>
    public double? MostDistortion { get; init; }

    /// <summary>Soil strength from which bearing is found; null: the stated value is used.</summary>
    public BearingCapacity? Capacity { get; init; }

    /// <summary>Design by limit states; null: allowable values and least factors.</summary>
    public LimitStateDesign? Design { get; init; }

    /// <summary>Design resistance of the ground to bearing on the effective area, kPa, its factor within; null: not stated.</summary>
    public double? Resistance { get; init; }

    /// <summary>φcv' of the soil at the underside, degrees; null: not stated.</summary>
    public double? CriticalAngle { get; init; }

    /// <summary>Whether the base was cast elsewhere and lies on the ground with a smooth face.</summary>
    public bool SmoothFace { get; init; }

    /// <summary>Whether neither water nor air can reach between base and undrained ground.</summary>
    public bool Sealed { get; init; }

    /// <summary>Bearing by least side of the base: sides rising, m and kPa; empty: one value for all.</summary>
    public IReadOnlyList<(double Side, double Bearing)> BearingBySide { get; init; } = [];

    /// <summary>Layers from the ground downwards; empty: none are stated.</summary>
    public IReadOnlyList<GroundLayer> Layers { get; init; } = [];

    /// <summary>What is stated of piles there.</summary>
    public Piles.PileRules Piles { get; init; } = Core.Piles.PileRules.Nothing;

    /// <summary>By how much a load spreads sideways on each side per depth below the underside.</summary>
    public double LoadSpread { get; init; } = 0.5;

    /// <summary>The part of the plan in which this ground stands; empty: only where it is named.</summary>
    public IReadOnlyList<Contact.PlanPoint> Area { get; init; } = [];

    /// <summary>The greatest unit weight that the soil over a base may have, kN/m3.</summary>
    internal double HeaviestSoil => WaterDepth is null ? SoilWeight : Math.Max(SoilWeight, SaturatedWeight);

    /// <summary>The ground by depth with a state of the water.</summary>
    public GroundColumn Column(WaterState water) =>
        new(SoilWeight, SaturatedWeight, WaterWeight,
            (water == WaterState.High ? WaterDepth : water == WaterState.Low ? WaterDepthLow : null) ?? double.PositiveInfinity);

    /// <summary>Whether water may stand above an underside that lies no deeper than a depth.</summary>
    /// <param name="deepest">m.</param>
    public bool WaterAbove(double deepest) => WaterDepth is { } d && d < deepest;

    /// <summary>The highest bearing stated for any base, kPa; infinite where none is stated.</summary>
    public double MostStatedBearing => BearingBySide.Count == 0 ? StatedBearing(0) : BearingBySide.Max(b => b.Bearing);

    /// <summary>
    /// What is stated for a combination: with limit states the bearing is that of characteristic loads, and its resistance that of
    /// ultimate ones.
    /// </summary>
    /// <param name="state">Of the combination.</param>
    /// <param name="bearing">The stated bearing that would count, kPa.</param>
    /// <returns>kPa; infinite where nothing is stated.</returns>
    internal double StatedIn(LimitState state, double bearing) => Design is null || state == LimitState.Characteristic ? bearing
        : Design.Of(state) is null ? double.PositiveInfinity
        : Resistance ?? double.PositiveInfinity;

    /// <summary>Whether what is stated for a combination is compared with the pressure less the overburden.</summary>
    /// <param name="state">Of the combination.</param>
    internal bool IsNet(LimitState state) => Basis == BearingBasis.Net && (Design is null || state == LimitState.Characteristic);

    /// <summary>The stated bearing for a base, kPa; infinite where none is stated.</summary>
    /// <param name="side">Its lesser side, m.</param>
    public double StatedBearing(double side)
    {
        if (BearingBySide.Count == 0)
        {
            return double.IsNaN(Bearing) ? double.PositiveInfinity : Bearing;
        }

        var table = BearingBySide;
        if (side <= table[0].Side)
        {
            return table[0].Bearing;
        }

        for (var i = 1; i < table.Count; i++)
        {
            if (side <= table[i].Side)
            {
                return table[i - 1].Bearing
                    + ((table[i].Bearing - table[i - 1].Bearing) * (side - table[i - 1].Side) / (table[i].Side - table[i - 1].Side));
            }
        }

        return table[^1].Bearing;
    }

    /// <summary>Level of the underside of a base of a thickness, m.</summary>
    public double Underside(double thickness) => Level - (FoundingDepth ?? (TopDepth!.Value + thickness));
}

/// <summary>Least factors of safety and least shares in contact.</summary>
/// <param name="Sliding">Least factor against sliding.</param>
/// <param name="Overturning">Least factor against overturning.</param>
/// <param name="Uplift">Least factor against uplift.</param>
/// <param name="Counteracting">In their place in the standard's own 0.6D combinations.</param>
/// <param name="Contact">Least share of the base in contact.</param>
/// <param name="ContactTransient">The same with wind or earthquake.</param>
/// <param name="ContactCounteracting">The same in counteracting combinations.</param>
/// <param name="VariableResists">Whether variable cases may help in uplift and overturning.</param>
public sealed record StabilityRules(
    double Sliding = 1.5,
    double Overturning = 1.5,
    double Uplift = 1.5,
    double Counteracting = 1.0,
    double Contact = 1.0,
    double ContactTransient = 0.75,
    double ContactCounteracting = 0.0,
    bool VariableResists = false)
{
    /// <summary>Least factor against flotation.</summary>
    public double Flotation { get; init; } = 1.1;
}
