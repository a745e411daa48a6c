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
    /// <summary>The section in a combination; null where none lies within the base, or there is no equilibrium.</summary>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    public static PunchingFigure? Of(PunchedArea s, int k)
    {
        ArgumentNullException.ThrowIfNull(s);
        return s.Body.Contact(k).State == ContactState.NoEquilibrium ? null : TwoWayShear.Figure(s, k);
    }
}
