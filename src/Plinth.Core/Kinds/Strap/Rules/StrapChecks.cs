using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds.Strap;

/// <summary>The checks of a strap footing: the ground's of both bases, those of slabs across the beam, and the beam's.</summary>
internal static class StrapChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<Rotation, GroundBody, Nothing>("rotation"),
        CheckList.Rule<OneWayShear<AxisX>, SlabSpan, OneWayStrength>("one-way-shear-x"),
        CheckList.Rule<OneWayShear<AxisY>, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<BeamShear, Subject, BeamShearStrengths>("shear-stirrups"),
        CheckList.Rule<BeamStirrups, Subject, MostOfStirrups>("stirrup-spacing"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<BeamFlexure<BottomFace>, Subject, FlexuralStrength>("flexure-bottom-x"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<BeamFlexure<TopFace>, Subject, FlexuralStrength>("flexure-top-x"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<BeamSteel, Subject, LeastOfBeam>("beam-steel"),
        .. SharedChecks.OfBars(),
        CheckList.Rule<BeamAnchorage, Subject, BeamBars>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts());
}
