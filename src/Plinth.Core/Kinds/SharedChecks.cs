using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds;

/// <summary>Checks that several kinds of foundation have in common, in the order of results.</summary>
internal static class SharedChecks
{
    /// <summary>Of a body on the ground.</summary>
    public static Check[] OnGround() =>
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
    ];

    /// <summary>Two-way shear round columns, by the sections or perimeters of a code.</summary>
    public static Check TwoWay(ConcreteCode code) => code is IShearPerimeters perimeters
        ? CheckList.Rule<PerimeterShear, PunchedArea, Nothing>("two-way-shear", _ => perimeters.PerimeterClause + ", 6.4.5(3)", false)
        : CheckList.Rule<TwoWayShear, PunchedArea, Nothing>("two-way-shear");

    /// <summary>Anchorage of the bars of a slab both ways.</summary>
    public static Check[] Anchored(ConcreteCode code) => code is ITieAnchorage
        ?
        [
            CheckList.Rule<TieAnchorage<AxisX>, SlabSpan, TieLengths>("anchorage-x"),
            CheckList.Rule<TieAnchorage<AxisY>, SlabSpan, TieLengths>("anchorage-y"),
        ]
        :
        [
            CheckList.Rule<Anchorage<AxisX>, SlabSpan, AnchorageLengths>("anchorage-x"),
            CheckList.Rule<Anchorage<AxisY>, SlabSpan, AnchorageLengths>("anchorage-y"),
        ];

    /// <summary>Cracks both ways, where the code finds their width.</summary>
    public static Check[] Cracks(ConcreteCode code) => code is ICrackWidths
        ?
        [
            CheckList.Rule<CrackControl<AxisX>, SlabSpan, Nothing>("cracks-x"),
            CheckList.Rule<CrackControl<AxisY>, SlabSpan, Nothing>("cracks-y"),
        ]
        : [];

    /// <summary>Of the bars of a slab, and of those near its columns where the code asks for any there.</summary>
    public static Check[] OfBars(ConcreteCode code) => code is IShearPerimeters ? OfLayers() : OfBars();

    /// <summary>The same of codes that ask for least depths and for steel near columns.</summary>
    public static Check[] OfBars() =>
    [
        .. OfLayers(),
        CheckList.Rule<LeastDepth, GroundBody, Nothing>("least-depth"),
        CheckList.Rule<PunchingSteel, PunchedArea, Nothing>("punching-steel"),
        CheckList.Rule<MomentTransfer, PunchedArea, Nothing>("moment-transfer"),
    ];

    private static Check[] OfLayers() =>
    [
        CheckList.Rule<MinimumSteel<AxisX>, BarZone, Nothing>("minimum-steel-x"),
        CheckList.Rule<MinimumSteel<AxisY>, BarZone, Nothing>("minimum-steel-y"),
        CheckList.Rule<BarSpacing<AxisX>, BarZone, Nothing>("bar-spacing-x"),
        CheckList.Rule<BarSpacing<AxisY>, BarZone, Nothing>("bar-spacing-y"),
    ];

    /// <summary>Of a column, what it stands on, and the joints between.</summary>
    public static Check[] AtColumns() =>
    [
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
    ];

    /// <summary>Parts by direction of those near columns, for a search.</summary>
    public static Check[] Parts(ConcreteCode code) => code is IShearPerimeters ? [] : Parts();

    /// <summary>The same of codes that ask for steel near columns.</summary>
    public static Check[] Parts() =>
    [
        CheckList.Part<PunchingSteelAlong<AxisX>, PunchedArea, Nothing>("punching-steel", true),
        CheckList.Part<PunchingSteelAlong<AxisY>, PunchedArea, Nothing>("punching-steel", false),
        CheckList.Part<MomentTransferAlong<AxisX>, PunchedArea, Nothing>("moment-transfer", true),
        CheckList.Part<MomentTransferAlong<AxisY>, PunchedArea, Nothing>("moment-transfer", false),
    ];
}
