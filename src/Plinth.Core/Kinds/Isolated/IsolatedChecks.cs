using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>The checks of the isolated footing.</summary>
internal static class IsolatedChecks
{
    /// <summary>Makes them.</summary>
    public static CheckList Make() => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<OneWayShear<AxisX>, SlabSpan, OneWayStrength>("one-way-shear-x"),
        CheckList.Rule<OneWayShear<AxisY>, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<Flexure<AxisX, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-x"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<Flexure<AxisX, TopFace>, SlabSpan, FaceStrength>("flexure-top-x"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        .. SharedChecks.OfBars(),
        CheckList.Rule<Anchorage<AxisX>, SlabSpan, AnchorageLengths>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts());
}
