namespace Plinth.Core.Ground;

/// <summary>Strength of the soil from which the bearing of a base is found. Stresses in kPa, angles in degrees.</summary>
/// <param name="Theory">The method.</param>
/// <param name="FrictionAngle">φ' of the drained analysis, degrees; null: no drained analysis.</param>
/// <param name="Cohesion">c' of the drained analysis, kPa.</param>
/// <param name="Undrained">su of the undrained analysis, kPa; null: no undrained analysis.</param>
/// <param name="Safety">Factor of safety on the ultimate pressure.</param>
public sealed record BearingCapacity(BearingTheory Theory, double? FrictionAngle, double Cohesion, double? Undrained, double Safety);
