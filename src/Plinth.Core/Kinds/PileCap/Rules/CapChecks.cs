using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// The checks of a cap on piles: of its piles in place of the ground, of sections across it, of its strut-and-tie model, and those that all
/// bases have.
/// </summary>
internal static class CapChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        CheckList.Rule<CapEquilibrium, GroundBody, Nothing>("equilibrium"),
        CheckList.Rule<Boundary, GroundBody, Nothing>("boundary"),
        CheckList.Rule<FrostDepth, GroundBody, Nothing>("frost-depth"),
        CheckList.Rule<PileCompression, Pile, Nothing>("pile-compression"),
        CheckList.Rule<PileTension, Pile, Nothing>("pile-tension"),
        CheckList.Rule<PileLateral, Pile, Nothing>("pile-lateral"),
        CheckList.Rule<PileAxial, Pile, Nothing>("pile-axial"),
        CheckList.Rule<PileBending, Pile, Nothing>("pile-bending"),
        CheckList.Rule<PileSpacing, GroundBody, Nothing>("pile-spacing"),
        CheckList.Rule<CapShear<AxisX>, CapSpan, CapShearStrength>("one-way-shear-x"),
        CheckList.Rule<CapShear<AxisY>, CapSpan, CapShearStrength>("one-way-shear-y"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<PilePunching, Pile, Nothing>("pile-punching"),
        CheckList.Rule<CapFlexure<AxisX, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-x"),
        CheckList.Rule<CapFlexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<CapFlexure<AxisX, TopFace>, SlabSpan, FaceStrength>("flexure-top-x"),
        CheckList.Rule<CapFlexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<CapTie<AxisX>, CapSpan, Nothing>("tie-x"),
        CheckList.Rule<CapTie<AxisY>, CapSpan, Nothing>("tie-y"),
        CheckList.Rule<CapStrutCheck, Pile, Nothing>("strut"),
        CheckList.Rule<CapNode, Subject, Nothing>("node"),
        CheckList.Rule<MinimumSteel<AxisX>, BarZone, Nothing>("minimum-steel-x"),
        CheckList.Rule<MinimumSteel<AxisY>, BarZone, Nothing>("minimum-steel-y"),
        CheckList.Rule<BarSpacing<AxisX>, BarZone, Nothing>("bar-spacing-x"),
        CheckList.Rule<BarSpacing<AxisY>, BarZone, Nothing>("bar-spacing-y"),
        CheckList.Rule<CapDepth, GroundBody, Nothing>("least-depth", c => c.PileCapDepthClause),
        CheckList.Rule<PunchingSteel, PunchedArea, Nothing>("punching-steel"),
        CheckList.Rule<MomentTransfer, PunchedArea, Nothing>("moment-transfer"),
        CheckList.Rule<CapAnchorage<AxisX>, CapSpan, AnchorageLengths>("anchorage-x"),
        CheckList.Rule<CapAnchorage<AxisY>, CapSpan, AnchorageLengths>("anchorage-y"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts());
}
