using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds.Strip;

/// <summary>The checks of a strip with a rib: the ground's, those of the flange across, those of the rib along.</summary>
internal static class RibChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<ColumnDistortion, GroundBody, Nothing>("distortion"),
        CheckList.Rule<OneWayShear<AxisY>, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<BeamShear, Subject, BeamShearStrengths>("shear-stirrups"),
        CheckList.Rule<BeamStirrups, Subject, MostOfStirrups>("stirrup-spacing"),
        CheckList.Rule<BeamFlexure<BottomFace>, Subject, FlexuralStrength>("flexure-bottom-x"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<BeamFlexure<TopFace>, Subject, FlexuralStrength>("flexure-top-x"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<BeamSteel, Subject, LeastOfBeam>("beam-steel"),
        CheckList.Rule<MinimumSteel<AxisX>, BarZone, Nothing>("minimum-steel-x"),
        CheckList.Rule<MinimumSteel<AxisY>, BarZone, Nothing>("minimum-steel-y"),
        CheckList.Rule<BarSpacing<AxisX>, BarZone, Nothing>("bar-spacing-x"),
        CheckList.Rule<BarSpacing<AxisY>, BarZone, Nothing>("bar-spacing-y"),
        CheckList.Rule<LeastDepth, GroundBody, Nothing>("least-depth"),
        CheckList.Rule<BeamAnchorage, Subject, BeamBars>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        CheckList.Rule<Curtailment, ExtraZone, ThroughBars>("curtailment-x"),
        .. SharedChecks.AtColumns(),
    ],
    []);
}
