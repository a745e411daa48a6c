namespace Plinth.Core.Ground;

/// <summary>A layer of the ground. Its own values serve settlement and the check of the ground below a base.</summary>
/// <param name="Name">Its name; empty if none.</param>
/// <param name="Thickness">m; infinite for the lowest.</param>
/// <param name="Modulus">Young's modulus, kPa; null: not stated, so that it takes no part in settlement.</param>
/// <param name="Poisson">Poisson's ratio, 0 to 0.5.</param>
/// <param name="Bearing">Allowable pressure on its top, kPa, by the basis of the ground's own; null: not stated.</param>
public sealed record GroundLayer(string Name, double Thickness, double? Modulus, double Poisson, double? Bearing);
