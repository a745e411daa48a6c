using Plinth.Core.Contact;

namespace Plinth.Core.Foundations;

/// <summary>How a steel column's plate is bedded and held, as stated: it is drawn, not checked. Its sides are the support's own.</summary>
/// <param name="Thickness">Of the plate, m; null: not stated.</param>
/// <param name="Grout">Under it, m.</param>
/// <param name="Rods">How many anchor rods, an even number; 0: not stated.</param>
/// <param name="RodDiameter">m.</param>
/// <param name="Embedment">From the top of the concrete to the end of a rod, m.</param>
/// <param name="RodEdge">From the edge of the plate to the centre of a rod, m.</param>
public sealed record BasePlate(double? Thickness = null, double Grout = 0, int Rods = 0, double RodDiameter = 0, double Embedment = 0,
    double RodEdge = 0)
{
    /// <summary>Nothing stated.</summary>
    public static readonly BasePlate NotStated = new();

    /// <summary>From the top of the concrete to the top of the plate, m.</summary>
    public double Height => Grout + (Thickness ?? 0);

    /// <summary>
    /// Centres of the rods about the middle of the plate in its own axes, half of them along either side that runs along x, m.
    /// </summary>
    /// <param name="plateX">Side of the plate along its x, m.</param>
    /// <param name="plateY">Along its y, m.</param>
    public IReadOnlyList<PlanPoint> RodsOn(double plateX, double plateY)
    {
        var (row, x, y) = (Rods / 2, (plateX / 2) - RodEdge, (plateY / 2) - RodEdge);
        return [.. Enumerable.Range(0, Rods)
            .Select(i => new PlanPoint(row == 1 ? 0 : -x + (2 * x * (i % row) / (row - 1)), i < row ? -y : y))];
    }
}
