using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>All checks of the isolated footing in the order of results, and those whose place is kept.</summary>
public static class CheckCatalog
{
    private static readonly Check[] List = Build();

    /// <summary>The checks that are done.</summary>
    public static ReadOnlySpan<Check> All => List;

    /// <summary>Parts of checks by direction, by which sizing knows what to change; no result names them.</summary>
    internal static IReadOnlyList<Check> ForSearch { get; } = BuildForSearch();

    /// <summary>How many checks there are, those for the search included.</summary>
    internal static int Slots => List.Length + ForSearch.Count;

    /// <summary>The same as a list.</summary>
    public static IReadOnlyList<Check> Listed => List;

    /// <summary>The check with an id, or null.</summary>
    public static Check? Find(string id) => Array.Find(List, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    private static Check[] BuildForSearch()
    {
        Check[] list =
        [
            new Check<PunchingSteelAlong<AxisX>, Nothing> { Id = "punching-steel-x", Name = "steel at column", About = "", For = Family.Concrete, Unit = Unit.SteelArea, Clause = c => c.PunchingSteelClause, OfPlan = false, Index = List.Length },
            new Check<PunchingSteelAlong<AxisY>, Nothing> { Id = "punching-steel-y", Name = "steel at column", About = "", For = Family.Concrete, Unit = Unit.SteelArea, Clause = c => c.PunchingSteelClause, OfPlan = false, Index = List.Length + 1 },
            new Check<MomentTransferAlong<AxisX>, Nothing> { Id = "moment-transfer-x", Name = "moment transfer", About = "", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.MomentTransferClause, OfPlan = false, Index = List.Length + 2 },
            new Check<MomentTransferAlong<AxisY>, Nothing> { Id = "moment-transfer-y", Name = "moment transfer", About = "", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.MomentTransferClause, OfPlan = false, Index = List.Length + 3 },
        ];
        return list;
    }

    private static Check[] Build()
    {
        static string? None(ConcreteCode code)
        {
            _ = code;
            return null;
        }

        static string? NoJoint(Foundations.Foundation f) =>
            !f.Rules.Column.Known && f.Places.Any(p => p.Support.Shape is Foundations.ColumnShape.Rectangular or Foundations.ColumnShape.Round && !f.Rules.Pedestal.HoldsInSocket(p.Support)) ? "give [column] strength" : null;

        Check[] list =
        [
            new Check<Equilibrium, Nothing> { Id = "equilibrium", Name = "equilibrium", About = "the resultant lies within the base: its relative eccentricity is below 1", For = Family.Ground | Family.Stability | Family.Concrete, Unit = Unit.Ratio, Clause = None, OfPlan = true },
            new Check<Bearing, Nothing> { Id = "bearing", Name = "bearing", About = "pressure on the ground against the bearing value", For = Family.Ground, Unit = Unit.Pressure, Clause = None, OfPlan = true },
            new Check<BearingBelow, Nothing> { Id = "bearing-below", Name = "bearing below", About = "pressure on the top of deeper layers whose bearing is stated, the load spread with depth", For = Family.Ground, Unit = Unit.Pressure, Clause = None, OfPlan = true },
            new Check<ContactShare, Nothing> { Id = "contact", Name = "contact", About = "share of the base in contact against the least share; while the whole base bears, the share of the kern used", For = Family.Ground, Unit = Unit.Ratio, Clause = None, OfPlan = true },
            new Check<Uplift, Nothing> { Id = "uplift", Name = "uplift", About = "upward loads, case by case, against permanent loads and weights", For = Family.Stability, Unit = Unit.Force, Clause = None, OfPlan = true },
            new Check<Flotation, Nothing> { Id = "flotation", Name = "flotation", About = "push of water that stands above the underside against weights and permanent loads", For = Family.Stability, Unit = Unit.Force, Clause = None, OfPlan = true },
            new Check<Sliding, Nothing> { Id = "sliding", Name = "sliding", About = "horizontal load against friction, adhesion and passive pressure", For = Family.Stability, Unit = Unit.Force, Clause = None, OfPlan = true },
            new Check<Overturning<AxisX>, Nothing> { Id = "overturning-x", Name = "tipping along x", About = "moments about the edges across x, case by case", For = Family.Stability, Unit = Unit.Moment, Clause = None, OfPlan = true },
            new Check<Overturning<AxisY>, Nothing> { Id = "overturning-y", Name = "tipping along y", About = "moments about the edges across y, case by case", For = Family.Stability, Unit = Unit.Moment, Clause = None, OfPlan = true },
            new Check<Settlement, Nothing> { Id = "settlement", Name = "settlement", About = "mean pressure beyond the overburden over the subgrade modulus, or on elastic layers, against the greatest settlement", For = Family.Settlement, Unit = Unit.Settlement, Clause = None, OfPlan = true, Missing = f => f.Places.Any(p => p.Ground.MostSettlement is null || !Settlement.CanBeFound(p.Ground)) ? "give [ground] max-settlement with subgrade-modulus or layers with a modulus" : null },
            new Check<Boundary, Nothing> { Id = "boundary", Name = "boundary", About = "the base lies within the site's boundary and clear of its zones", OfLeast = true, For = Family.None, Unit = Unit.Length, Clause = None, OfPlan = true, OfPlace = true },
            new Check<FrostDepth, Nothing> { Id = "frost-depth", Name = "frost depth", About = "the underside lies below the depth to which the ground freezes", OfLeast = true, For = Family.None, Unit = Unit.Length, Clause = None, OfPlan = true, OfPlace = true, Missing = f => f.Places.Any(p => p.Ground.FrostDepth is null) ? "give [ground] frost-depth" : null },
            new Check<OneWayShear<AxisX>, OneWayStrength> { Id = "one-way-shear-x", Name = "shear across x", About = "shear over the whole width, upward at d from the face, downward at the face", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.OneWayShearClause, OfPlan = false },
            new Check<OneWayShear<AxisY>, OneWayStrength> { Id = "one-way-shear-y", Name = "shear across y", About = "the same along y", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.OneWayShearClause, OfPlan = false },
            new Check<TwoWayShear, Nothing> { Id = "two-way-shear", Name = "two-way shear", About = "stress at d/2 round the column with unbalanced moments both ways, closed and open sections", For = Family.Concrete, Unit = Unit.Stress, Clause = c => c.TwoWayShearClause, OfPlan = false },
            new Check<Flexure<AxisX, BottomFace>, FaceStrength> { Id = "flexure-bottom-x", Name = "bottom flexure x", About = "moment at the column's face against the bottom bars along x", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisY, BottomFace>, FaceStrength> { Id = "flexure-bottom-y", Name = "bottom flexure y", About = "the same along y", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisX, TopFace>, FaceStrength> { Id = "flexure-top-x", Name = "top flexure x", About = "moment at the column's face where weights exceed the pressure, against the top bars along x", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisY, TopFace>, FaceStrength> { Id = "flexure-top-y", Name = "top flexure y", About = "the same along y", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<MinimumSteel<AxisX>, Nothing> { Id = "minimum-steel-x", Name = "minimum steel x", About = "least steel along x of the bottom, and of the top where it is stretched or top steel is asked", OfLeast = true, For = Family.None, Unit = Unit.SteelArea, Clause = c => c.MinimumSteelClause, OfPlan = false },
            new Check<MinimumSteel<AxisY>, Nothing> { Id = "minimum-steel-y", Name = "minimum steel y", About = "the same along y", OfLeast = true, For = Family.None, Unit = Unit.SteelArea, Clause = c => c.MinimumSteelClause, OfPlan = false },
            new Check<BarSpacing<AxisX>, Nothing> { Id = "bar-spacing-x", Name = "bar spacing x", About = "greatest and least distances of the bars along x", OfLeast = true, For = Family.None, Unit = Unit.Section, Clause = c => c.SpacingClause, OfPlan = false },
            new Check<BarSpacing<AxisY>, Nothing> { Id = "bar-spacing-y", Name = "bar spacing y", About = "the same along y", OfLeast = true, For = Family.None, Unit = Unit.Section, Clause = c => c.SpacingClause, OfPlan = false },
            new Check<LeastDepth, Nothing> { Id = "least-depth", Name = "least depth", About = "effective depth of the shallower bottom layer", OfLeast = true, For = Family.None, Unit = Unit.Section, Clause = c => c.LeastDepthClause, OfPlan = false },
            new Check<PunchingSteel, Nothing> { Id = "punching-steel", Name = "steel at column", About = "least bottom steel within a strip at the column where two-way shear is high", OfLeast = true, For = Family.Concrete, Unit = Unit.SteelArea, Clause = c => c.PunchingSteelClause, OfPlan = false, Missing = f => f.Rules.Steel.PunchingSteel ? null : "[steel] punching-steel = false" },
            new Check<MomentTransfer, Nothing> { Id = "moment-transfer", Name = "moment transfer", About = "share of the moment between column and base that flexure transfers, against the bars within a strip at the column, bottom on one side, top on the other", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.MomentTransferClause, OfPlan = false, Missing = f => f.Rules.Steel.MomentTransfer ? null : "[steel] moment-transfer = true" },
            new Check<Anchorage<AxisX>, AnchorageLengths> { Id = "anchorage-x", Name = "anchorage x", About = "development of the bars along x on both sides of the column's faces, straight or hooked; or the moment there, where plain concrete holds it", For = Family.Concrete, Unit = Unit.Section, Clause = c => c.AnchorageClause, OfPlan = false },
            new Check<Anchorage<AxisY>, AnchorageLengths> { Id = "anchorage-y", Name = "anchorage y", About = "the same along y", For = Family.Concrete, Unit = Unit.Section, Clause = c => c.AnchorageClause, OfPlan = false },
            new Check<ColumnBearing, Nothing> { Id = "column-bearing", Name = "column bearing", About = "bearing of column, plate or pedestal on the concrete below, and of the column's own concrete with its dowels", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.BearingClause, OfPlan = false },
            new Check<Interface, JointStrength> { Id = "interface", Name = "joint", About = "force and moments on the column's section with the dowels for bars, least dowels, their development", For = Family.Concrete, Unit = Unit.Ratio, Clause = c => c.InterfaceClause, OfPlan = false, Missing = NoJoint },
            new Check<InterfaceShear, Nothing> { Id = "interface-shear", Name = "joint shear", About = "shear across the joints below column and pedestal, by friction", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.ShearFrictionClause, OfPlan = false, Missing = NoJoint },
            new Check<PedestalStrength, PedestalLimits> { Id = "pedestal", Name = "pedestal", About = "force and moments both ways on the pedestal, its least and greatest steel, its ties", For = Family.Concrete, Unit = Unit.Ratio, Clause = c => c.ColumnClause, OfPlan = false },
            new Check<PedestalShear, Nothing> { Id = "pedestal-shear", Name = "pedestal shear", About = "shear in the pedestal both ways", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.ColumnShearClause, OfPlan = false },
            new Check<SocketDepth, Nothing> { Id = "socket-depth", Name = "socket depth", About = "depth of a precast column in its socket: ratio to its side, development of its bars, bond against a pull", For = Family.Concrete, Unit = Unit.Section, Clause = _ => "EN 1992-1-1 10.9.6", OfPlan = false },
            new Check<SocketPressure, Nothing> { Id = "socket-pressure", Name = "socket pressure", About = "pressure of the column on grout and walls near rim and foot, both ways", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.BearingClause, OfPlan = false },
            new Check<SocketWalls, Nothing> { Id = "socket-walls", Name = "socket walls", About = "the pressed wall in bending and shear between the walls beside it, with the tension that it ties", For = Family.Concrete, Unit = Unit.Ratio, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<SocketShear, Nothing> { Id = "socket-shear", Name = "socket shear", About = "shear in the walls along each direction between the pressures near rim and foot", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.ColumnShearClause, OfPlan = false },
            new Check<SocketFloor, Nothing> { Id = "socket-floor", Name = "socket floor", About = "punching of the base by the foot of a column in a smooth socket", For = Family.Concrete, Unit = Unit.Stress, Clause = c => c.TwoWayShearClause, OfPlan = false },
        ];
        for (var i = 0; i < list.Length; i++)
        {
            list[i].Index = i;
        }

        return list;
    }
}
