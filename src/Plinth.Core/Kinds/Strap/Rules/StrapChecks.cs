using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;

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
        CheckList.Rule<BeamShear, Subject, Nothing>("shear-stirrups"),
        CheckList.Rule<BeamStirrups, Subject, Nothing>("stirrup-spacing"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<BeamFlexure<BottomFace>, Subject, Nothing>("flexure-bottom-x"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<BeamFlexure<TopFace>, Subject, Nothing>("flexure-top-x"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<BeamSteel, Subject, Nothing>("beam-steel"),
        .. SharedChecks.OfBars(),
        CheckList.Rule<BeamAnchorage, Subject, Nothing>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts());
}
