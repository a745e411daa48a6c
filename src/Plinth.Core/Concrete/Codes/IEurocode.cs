using Plinth.Core.Tracing;

namespace Plinth.Core.Concrete.Codes;

/// <summary>Concrete and mean depth of a slab in punching, with the steel that counts. Lengths in m.</summary>
/// <param name="Depth">d, mean of both layers.</param>
/// <param name="Steel">ρl of the bars that are anchored beyond the perimeter.</param>
public readonly record struct PunchedSlab(double Depth, double Steel);

/// <summary>
/// A code that checks punching of bases at every perimeter within twice the effective depth, and at the face of the column.
/// </summary>
internal interface IShearPerimeters
{
    /// <summary>How far from the column the basic control perimeter lies, over d.</summary>
    double Farthest { get; }

    /// <summary>Stress that a slab holds at the basic control perimeter without shear reinforcement, vRd,c, kPa.</summary>
    double PunchingResistance<T>(ref T trace, ConcreteRules concrete, in PunchedSlab slab)
        where T : struct, ITrace;

    /// <summary>Greatest stress of punching on the perimeter of the column itself, vRd,max, kPa.</summary>
    double MostPunching<T>(ref T trace, ConcreteRules concrete)
        where T : struct, ITrace;

    /// <summary>Share of a moment that uneven shear carries, k.</summary>
    /// <param name="along">Side of the column along the eccentricity, m.</param>
    /// <param name="across">Side across it, m.</param>
    /// <param name="round">Whether it is round.</param>
    double ShareOfMoment(double along, double across, bool round);

    /// <summary>Where that stands.</summary>
    string ShareOfMomentClause { get; }

    /// <summary>Where perimeters within 2d of bases stand.</summary>
    string PerimeterClause { get; }

    /// <summary>
    /// Length by which a bar must run beyond a section in shear so that it counts there, lbd + d, m (EN 1992-1-1 6.2.2(1), figure 6.3).
    /// </summary>
    double ShearSteelBeyond<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, bool hooked, double depth)
        where T : struct, ITrace;
}

/// <summary>
/// A code that anchors the bars of a base by the pull in them at every section, from the inclined cracks of its edge inwards.
/// </summary>
internal interface ITieAnchorage
{
    /// <summary>Length that a bar needs beyond a section where it has a stress, m.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="bar">The bar.</param>
    /// <param name="stress">σsd, kPa; not above the design yield strength.</param>
    /// <param name="hooked">Whether it ends in a hook.</param>
    double Anchored<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, double stress, bool hooked)
        where T : struct, ITrace;

    /// <summary>fyd, kPa.</summary>
    /// <param name="yield">fyk, kPa.</param>
    double DesignYield(double yield);
}

/// <summary>A code that finds the width of cracks under long-term load.</summary>
internal interface ICrackWidths
{
    /// <summary>Where it stands.</summary>
    string CrackClause { get; }

    /// <summary>Width of the cracks, m, and the least steel without which they cannot be told, m2.</summary>
    (double Width, double LeastSteel) CrackWidth<T>(ref T trace, ConcreteRules concrete, double yield, in CrackedSection section)
        where T : struct, ITrace;
}

/// <summary>A section whose cracks are told. Lengths in m, areas in m2.</summary>
/// <param name="Breadth">b.</param>
/// <param name="Thickness">h.</param>
/// <param name="Depth">d.</param>
/// <param name="Steel">As.</param>
/// <param name="Diameter">φ.</param>
/// <param name="Spacing">Centre to centre.</param>
/// <param name="Cover">c of these bars.</param>
/// <param name="Moment">Under which they open, kNm.</param>
internal readonly record struct CrackedSection(double Breadth, double Thickness, double Depth, double Steel, double Diameter,
    double Spacing, double Cover, double Moment);
