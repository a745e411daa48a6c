using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The checks of a base under several columns: those of the isolated footing, but for what spans along it and across.</summary>
internal static class CombinedChecks
{
    /// <summary>Makes them.</summary>
    /// <param name="code">The design code.</param>
    public static CheckList Make(ConcreteCode code) => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<ColumnDistortion, GroundBody, Nothing>("distortion"),
        CheckList.Rule<LongShear, LongSpan, LongShearStrengths>("one-way-shear-x"),
        CheckList.Rule<CrossShear, SlabSpan, OneWayStrength>("one-way-shear-y"),
        SharedChecks.TwoWay(code),
        CheckList.Rule<LongFlexure<BottomFace>, LongSpan, Nothing>("flexure-bottom-x"),
        CheckList.Rule<CrossFlexure<BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<LongFlexure<TopFace>, LongSpan, Nothing>("flexure-top-x"),
        CheckList.Rule<CrossFlexure<TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        .. SharedChecks.OfBars(code),
        code is ITieAnchorage
            ? CheckList.Rule<LongTies, LongSpan, TieLengths>("anchorage-x")
            : CheckList.Rule<LongAnchorage, LongSpan, AnchorageLengths>("anchorage-x"),
        SharedChecks.Anchored(code)[1],
        .. code is ICrackWidths
            ? (Check[])
            [
                CheckList.Rule<LongCracks, LongSpan, Nothing>("cracks-x"),
                CheckList.Rule<CrossCracks, SlabSpan, Nothing>("cracks-y"),
            ]
            : [],
        CheckList.Rule<Curtailment, ExtraZone, ThroughBars>("curtailment-x"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts(code));
}
