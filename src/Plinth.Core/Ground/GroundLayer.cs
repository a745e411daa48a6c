namespace Plinth.Core.Ground;

/// <summary>A layer of the ground. Its own values serve settlement and the check of the ground below a base.</summary>
/// <param name="Name">Its name; empty if none.</param>
/// <param name="Thickness">m; infinite for the lowest.</param>
/// <param name="Modulus">Young's modulus, kPa; null: not stated, so that it takes no part in settlement.</param>
/// <param name="Poisson">Poisson's ratio, 0 to 0.5.</param>
/// <param name="Bearing">Allowable pressure on its top, kPa, by the basis of the ground's own; null: not stated.</param>
public sealed record GroundLayer(string Name, double Thickness, double? Modulus, double Poisson, double? Bearing)
{
    /// <summary>su: undrained shear strength of a clay, kPa; null: it is none, or not stated.</summary>
    public double? Undrained { get; init; }

    /// <summary>α: share of su that holds a pile's shaft; null: not stated.</summary>
    public double? AdhesionFactor { get; init; }

    /// <summary>β: share of the effective vertical stress that holds a pile's shaft; null: not stated.</summary>
    public double? ShaftFactor { get; init; }

    /// <summary>Most that β·σ'v may be, kPa; null: no limit is stated.</summary>
    public double? ShaftLimit { get; init; }

    /// <summary>Pressure under a pile's base when the ground gives way, kPa; null: not stated.</summary>
    public double? Base { get; init; }

    /// <summary>Whether something is stated by which it holds piles.</summary>
    public bool HoldsPiles => Undrained is not null || ShaftFactor is not null || Base is not null;
}
