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
        CheckList.Rule<Equilibrium, GroundBody, Nothing>("equilibrium"),
        CheckList.Rule<Bearing, GroundBody, Nothing>("bearing"),
        CheckList.Rule<BearingBelow, GroundBody, Nothing>("bearing-below"),
        CheckList.Rule<ContactShare, GroundBody, Nothing>("contact"),
        CheckList.Rule<Uplift, GroundBody, Nothing>("uplift"),
        CheckList.Rule<Flotation, GroundBody, Nothing>("flotation"),
        CheckList.Rule<Sliding, GroundBody, Nothing>("sliding"),
        CheckList.Rule<Overturning<AxisX>, GroundBody, Nothing>("overturning-x"),
        CheckList.Rule<Overturning<AxisY>, GroundBody, Nothing>("overturning-y"),
        CheckList.Rule<Settlement, GroundBody, Nothing>("settlement"),
        CheckList.Rule<Boundary, GroundBody, Nothing>("boundary"),
        CheckList.Rule<FrostDepth, GroundBody, Nothing>("frost-depth"),
        CheckList.Rule<LongShear, LongSpan, Nothing>("one-way-shear-x"),
        CheckList.Rule<CrossShear, SlabSpan, OneWayStrength>("one-way-shear-y"),
        CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear"),
        CheckList.Rule<LongFlexure<BottomFace>, LongSpan, Nothing>("flexure-bottom-x"),
        CheckList.Rule<CrossFlexure<BottomFace>, SlabSpan, FaceStrength>("flexure-bottom-y"),
        CheckList.Rule<LongFlexure<TopFace>, LongSpan, Nothing>("flexure-top-x"),
        CheckList.Rule<CrossFlexure<TopFace>, SlabSpan, FaceStrength>("flexure-top-y"),
        CheckList.Rule<MinimumSteel<AxisX>, BarZone, Nothing>("minimum-steel-x"),
        CheckList.Rule<MinimumSteel<AxisY>, BarZone, Nothing>("minimum-steel-y"),
        CheckList.Rule<BarSpacing<AxisX>, BarZone, Nothing>("bar-spacing-x"),
        CheckList.Rule<BarSpacing<AxisY>, BarZone, Nothing>("bar-spacing-y"),
        CheckList.Rule<LeastDepth, GroundBody, Nothing>("least-depth"),
        CheckList.Rule<PunchingSteel, PunchedArea, Nothing>("punching-steel"),
        CheckList.Rule<MomentTransfer, PunchedArea, Nothing>("moment-transfer"),
        CheckList.Rule<LongAnchorage, LongSpan, AnchorageLengths>("anchorage-x"),
        CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        CheckList.Rule<ColumnBearing, Standing, Nothing>("column-bearing"),
        CheckList.Rule<Interface, Standing, JointStrength>("interface"),
        CheckList.Rule<InterfaceShear, Standing, Nothing>("interface-shear"),
        CheckList.Rule<PedestalStrength, Standing, PedestalLimits>("pedestal"),
        CheckList.Rule<PedestalShear, Standing, Nothing>("pedestal-shear"),
        CheckList.Rule<SocketDepth, Standing, Nothing>("socket-depth"),
        CheckList.Rule<SocketPressure, Standing, Nothing>("socket-pressure"),
        CheckList.Rule<SocketWalls, Standing, Nothing>("socket-walls"),
        CheckList.Rule<SocketShear, Standing, Nothing>("socket-shear"),
        CheckList.Rule<SocketFloor, Standing, Nothing>("socket-floor"),
    ],
    [
        CheckList.Part<PunchingSteelAlong<AxisX>, PunchedArea, Nothing>("punching-steel", true),
        CheckList.Part<PunchingSteelAlong<AxisY>, PunchedArea, Nothing>("punching-steel", false),
        CheckList.Part<MomentTransferAlong<AxisX>, PunchedArea, Nothing>("moment-transfer", true),
        CheckList.Part<MomentTransferAlong<AxisY>, PunchedArea, Nothing>("moment-transfer", false),
    ]);
}
