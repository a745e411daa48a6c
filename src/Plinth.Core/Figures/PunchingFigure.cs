using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;

namespace Plinth.Core.Figures;

/// <summary>The critical section for two-way shear that governs in a combination, with the stress at its corners.</summary>
/// <param name="Low">Its lower left corner from the base's centre, m.</param>
/// <param name="High">Its upper right corner, m.</param>
/// <param name="OpenX">−1 or +1: open to that edge of the base; 0: closed along x.</param>
/// <param name="OpenY">The same along y.</param>
/// <param name="Stresses">At the corners (−x, −y), (+x, −y), (+x, +y), (−x, +y), kPa; null where the section has none.</param>
/// <param name="Strength">φvc, kPa.</param>
/// <param name="Shear">Vu, kN.</param>
/// <param name="Perimeter">bo, m.</param>
/// <param name="Depth">d, m.</param>
/// <param name="Pulled">Whether the column pulls up.</param>
public sealed record PunchingFigure(PlanPoint Low, PlanPoint High, int OpenX, int OpenY, IReadOnlyList<double?> Stresses, double Strength,
    double Shear, double Perimeter, double Depth, bool Pulled)
{
    /// <summary>Radius of its round corners, m; 0: they are square.</summary>
    public double Radius { get; init; }

    /// <summary>How far it lies from the column, m; null: at d/2.</summary>
    public double? Distance { get; init; }

    /// <summary>The one stress on it, moments included, kPa; null: it differs from corner to corner.</summary>
    public double? Stress { get; init; }

    /// <summary>Whether a corner is round: none is beside an open side.</summary>
    /// <param name="sideX">−1 or +1.</param>
    /// <param name="sideY">−1 or +1.</param>
    public bool IsRound(int sideX, int sideY) => Radius > 0 && OpenX != sideX && OpenY != sideY;

    /// <summary>The section in a combination; null where none lies within the base, or there is no equilibrium.</summary>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    public static PunchingFigure? Of(PunchedArea s, int k)
    {
        ArgumentNullException.ThrowIfNull(s);
        return s.Body.Contact(k).State == ContactState.NoEquilibrium ? null
            : s.Code is Concrete.Codes.IShearPerimeters ? PerimeterShear.Figure(s, k)
            : TwoWayShear.Figure(s, k);
    }
}
