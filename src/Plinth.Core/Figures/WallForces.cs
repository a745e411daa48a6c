namespace Plinth.Core.Figures;

/// <summary>A force on a metre of a wall and its base.</summary>
/// <param name="Words">What it is.</param>
/// <param name="Force">Factored, kN/m: of weights downwards, of thrusts away from the soil.</param>
/// <param name="At">Of weights: along y from the body's centroid, m; of thrusts: over the underside, m.</param>
public readonly record struct WallForce(string Words, double Force, double At);

/// <summary>What acts on a wall at a height over its base.</summary>
/// <param name="Up">The height, m.</param>
/// <param name="Pressure">Of the soil with its water and surcharge, factored, kPa.</param>
/// <param name="Shear">Away from the soil, kN/m.</param>
/// <param name="Moment">Positive where it stretches the face towards the soil, kNm/m.</param>
public readonly record struct WallPoint(double Up, double Pressure, double Shear, double Moment);

/// <summary>A metre of a wall and its base as a free body in a combination.</summary>
/// <param name="Down">Weights and loads.</param>
/// <param name="Across">Thrusts and the forces of the wall across it.</param>
/// <param name="Low">Pressure of the ground at the −y edge in the middle of the length, kPa.</param>
/// <param name="High">The same at the +y edge.</param>
/// <param name="Ground">∫p on the whole underside over its length, kN/m.</param>
/// <param name="Water">What the water pushes up, kN/m.</param>
/// <param name="Stem">Up the wall; empty where its height is not stated.</param>
/// <param name="Turns">Moment about the middle of the underside of what is not told by forces, kNm/m: positive towards +y.</param>
public sealed record WallForces(IReadOnlyList<WallForce> Down, IReadOnlyList<WallForce> Across, double Low, double High, double Ground,
    double Water, IReadOnlyList<WallPoint> Stem, double Turns);
