namespace Plinth.Core.Loads;

/// <summary>Sum of the actions of a case over supports, about the origin of the project's axes.</summary>
/// <param name="N">Downwards, kN.</param>
/// <param name="Fx">Along x, kN.</param>
/// <param name="Fy">Along y, kN.</param>
/// <param name="Mx">Moment about the x axis through the origin, kNm.</param>
/// <param name="My">Moment about the y axis through the origin, kNm.</param>
/// <param name="Mz">Moment about the z axis through the origin, kNm.</param>
public readonly record struct LoadTotals(double N, double Fx, double Fy, double Mx, double My, double Mz)
{
    /// <summary>Adds the action of a support.</summary>
    /// <param name="a">The action where it acts.</param>
    /// <param name="x">Position, m.</param>
    /// <param name="y">Position, m.</param>
    /// <param name="z">Level, m.</param>
    public LoadTotals Plus(in SupportAction a, double x, double y, double z) => new(
        N + a.N,
        Fx + a.Fx,
        Fy + a.Fy,
        Mx + a.Mx - (y * a.N) - (z * a.Fy),
        My + a.My + (x * a.N) + (z * a.Fx),
        Mz + a.Mz + (x * a.Fy) - (y * a.Fx));

    /// <summary>Where in plan the resultant of N acts, m; null where nothing presses.</summary>
    public (double X, double Y)? Resultant => Math.Abs(N) > 1e-9 ? (My / N, -Mx / N) : null;
}
