using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>The checks of the isolated footing.</summary>
internal static class IsolatedChecks
{
    /// <summary>Makes them.</summary>
    /// <param name="code">The design code.</param>
    public static CheckList Make(ConcreteCode code) => new(
    [
        .. SharedChecks.OnGround(),
        CheckList.Rule<OneWayShear<AxisX>, SlabSpan, OneWayStrength>("one-way-shear-x"),
        CheckList.Rule<OneWayShear<AxisY>, SlabSpan, OneWayStrength>("one-way-shear-y"),
        SharedChecks.TwoWay(code),
        CheckList.Rule<Flexure<AxisX, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-x"),
        CheckList.Rule<Flexure<AxisY, BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<Flexure<AxisX, TopFace>, SlabSpan, FaceStrength>("flexure-top-x"),
        CheckList.Rule<Flexure<AxisY, TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        .. SharedChecks.OfBars(code),
        .. SharedChecks.Anchored(code),
        .. SharedChecks.Cracks(code),
        .. SharedChecks.AtColumns(),
    ],
    SharedChecks.Parts(code));
}
