namespace Plinth.Core.Bodies;

/// <summary>Everything that acts on a body in a combination, summed at the centroid of its underside, its own axes.</summary>
/// <param name="N">Sum downwards, weights included, kN.</param>
/// <param name="Fx">Horizontal forces of the columns along x, kN.</param>
/// <param name="Fy">The same along y, kN.</param>
/// <param name="Mx">Sum of moments about x, kNm.</param>
/// <param name="My">Sum of moments about y, kNm.</param>
public readonly record struct BaseLoads(double N, double Fx, double Fy, double Mx, double My)
{
    /// <summary>Resultant's distance from the centre along x, m.</summary>
    public double XR => My / N;

    /// <summary>Resultant's distance from the centre along y, m.</summary>
    public double YR => -Mx / N;
}
