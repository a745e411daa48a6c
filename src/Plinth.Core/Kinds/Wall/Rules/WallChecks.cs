using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;

namespace Plinth.Core.Kinds.Wall;

/// <summary>The checks of a wall's footing: the ground's, those of slabs across the wall, and the wall's own.</summary>
internal static class WallChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<OneWayShear<AxisY>, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<MinimumSteel<AxisX>, BarZone, Nothing>("minimum-steel-x"),
        CheckList.Rule<MinimumSteel<AxisY>, BarZone, Nothing>("minimum-steel-y"),
        CheckList.Rule<BarSpacing<AxisX>, BarZone, Nothing>("bar-spacing-x"),
        CheckList.Rule<BarSpacing<AxisY>, BarZone, Nothing>("bar-spacing-y"),
        CheckList.Rule<LeastDepth, GroundBody, Nothing>("least-depth"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        CheckList.Rule<WallFlexure, WallStem, WallSection>("wall-flexure"),
        CheckList.Rule<WallShear, WallStem, Nothing>("wall-shear"),
        CheckList.Rule<WallAxial, WallStem, Nothing>("wall-axial"),
        CheckList.Rule<WallSteel, WallStem, Nothing>("wall-steel"),
    ],
    []);
}
