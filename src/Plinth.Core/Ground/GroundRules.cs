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
    bool VariableResists = false);
