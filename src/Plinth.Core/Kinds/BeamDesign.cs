using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>A beam that carries a foundation along x: between the bases of a strap, or the rib of a strip.</summary>
/// <param name="Width">m.</param>
/// <param name="Depth">Whole depth, m.</param>
/// <param name="Gap">Its underside over that of the bases, m; 0 of a rib.</param>
/// <param name="Top">Top bars, in one layer.</param>
/// <param name="Bottom">Bottom bars, in one layer.</param>
/// <param name="Stirrups">Closed stirrups of two legs, by spacing.</param>
/// <param name="Sides">Bars along each side; none where there are none.</param>
public sealed record BeamDesign(double Width, double Depth, double Gap, BarSpec Top, BarSpec Bottom, BarSpec Stirrups, BarSpec Sides)
{
    /// <summary>A beam of which nothing is known yet.</summary>
    public static readonly BeamDesign Blank = new(0, 0, 0, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None);

    /// <summary>Of a strap: whether it runs over the whole inner base, or stops at the outer face of the inner column.</summary>
    public bool OverBase { get; init; } = true;
}

/// <summary>What stands on a base that a beam carries.</summary>
/// <param name="Label">The support.</param>
/// <param name="Upright">What is between base and column.</param>
public sealed record CarriedColumn(string Label, Upright Upright);

/// <summary>A trial that a beam carries along x.</summary>
internal interface IBeamTrial
{
    /// <summary>The beam.</summary>
    BeamSpan Beam { get; }

    /// <summary>Sets the steel of the beam; sizes stay.</summary>
    void SetBeam(BeamDesign beam);
}
