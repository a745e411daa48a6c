using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The checks of a base under several columns: those of the isolated footing, but for what spans along it and across.</summary>
internal static class CombinedChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<ColumnDistortion, GroundBody, Nothing>("distortion"),
        CheckList.Rule<LongShear, LongSpan, LongShearStrengths>("one-way-shear-x"),
        CheckList.Rule<CrossShear, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<LongFlexure<BottomFace>, LongSpan, Nothing>("flexure-bottom-x"),
        CheckList.Rule<CrossFlexure<BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<LongFlexure<TopFace>, LongSpan, Nothing>("flexure-top-x"),
        CheckList.Rule<CrossFlexure<TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        .. SharedChecks.OfBars(),
        CheckList.Rule<LongAnchorage, LongSpan, AnchorageLengths>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        CheckList.Rule<Curtailment, ExtraZone, ThroughBars>("curtailment-x"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts());
}
