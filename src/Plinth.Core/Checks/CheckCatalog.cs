using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>What a check is called and what it is for, the same in every kind of foundation.</summary>
/// <param name="Id">Its id in files: "two-way-shear".</param>
/// <param name="Name">Its name for people: "two-way shear".</param>
/// <param name="About">What it compares, in a sentence for the guide.</param>
/// <param name="For">The families of combinations it is for; none: it does not depend on loads.</param>
/// <param name="Unit">Unit of demand and capacity.</param>
/// <param name="Decides">What of a design it decides: by this a search knows what to look at, and what to change where it fails.</param>
/// <param name="ClauseOf">Clause under a code; null for statics.</param>
public sealed record CheckDefinition(string Id, string Name, string About, Family For, Unit Unit, Decides Decides,
    Func<ConcreteCode, string?>? ClauseOf = null)
{
    /// <summary>For <see cref="Decisions.Upright"/>: which part of it.</summary>
    public Uprights Of { get; init; }

    /// <summary>Whether it is of a least amount (steel, spacing, depth): it governs only where it fails.</summary>
    public bool OfLeast { get; init; }

    /// <summary>Whether every part that it looks at gets a row of its own in results; else the worst alone.</summary>
    public bool Lists { get; init; }

    /// <summary>Whether more effective depth never makes it worse; else thicker bars may pass where thinner ones do not.</summary>
    public bool GainsByDepth { get; init; } = true;

    /// <summary>Whether it depends on the place though not on loads.</summary>
    public bool OfPlace { get; init; }

    /// <summary>Whether it does not depend on loads or place.</summary>
    public bool IsOfBars => For == Family.None;

    /// <summary>What the project must state for it to be done, where it does not; null: nothing is missing.</summary>
    public Func<Foundation, string?> Missing { get; init; } = _ => null;

    /// <summary>Clause where the ground is designed by limit states; null: the check is none of the ground, or statics.</summary>
    public string? LimitStateClause { get; init; }

    /// <summary>Clause under a code; null for statics.</summary>
    public string? Clause(ConcreteCode code) => ClauseOf?.Invoke(code);
}

/// <summary>All checks that there are, in the order of results; each kind of foundation does those that it has rules for.</summary>
public static class CheckCatalog
{
    private static readonly CheckDefinition[] List =
    [
        new("equilibrium", "equilibrium", "the resultant lies within the base: its relative eccentricity is below 1",
            Family.Ground | Family.Stability | Family.Concrete, Unit.Ratio, Decides.Plan),
        new("bearing", "bearing", "pressure on the ground against the bearing value",
            Family.Ground, Unit.Pressure, Decides.Plan) { LimitStateClause = "EN 1997-1 6.5.2" },
        new("bearing-below", "bearing below", "pressure on the top of deeper layers whose bearing is stated, the load spread with depth",
            Family.Ground, Unit.Pressure, Decides.Plan),
        new("contact", "contact",
            "share of the base in contact against the least share; while the whole base bears, the share of "
            + "the kern used",
            Family.Ground, Unit.Ratio, Decides.Plan),
        new("uplift", "uplift", "upward loads, case by case, against permanent loads and weights",
            Family.Uplift, Unit.Force, Decides.Plan) { LimitStateClause = "EN 1997-1 2.4.7.4" },
        new("flotation", "flotation", "push of water that stands above the underside against weights and permanent loads",
            Family.Uplift, Unit.Force, Decides.Plan) { LimitStateClause = "EN 1997-1 10.2" },
        new("sliding", "sliding", "horizontal load against friction, adhesion and passive pressure",
            Family.Sliding, Unit.Force, Decides.Plan) { LimitStateClause = "EN 1997-1 6.5.3" },
        new("overturning-x", "tipping along x", "moments about the edges across x, case by case",
            Family.Overturning, Unit.Moment, Decides.Plan) { LimitStateClause = "EN 1997-1 2.4.7.2" },
        new("overturning-y", "tipping along y", "moments about the edges across y, case by case",
            Family.Overturning, Unit.Moment, Decides.Plan) { LimitStateClause = "EN 1997-1 2.4.7.2" },
        new("settlement", "settlement",
            "mean pressure beyond the overburden over the subgrade modulus, or on elastic layers, against the "
            + "greatest settlement",
            Family.Settlement, Unit.Settlement, Decides.Plan)
        {
            Missing = f => f.Places.Any(p => p.Ground.MostSettlement is null || !Settlement.CanBeFound(p.Ground))
                ? "give [ground] max-settlement with subgrade-modulus or layers with a modulus"
                : null,
        },
        new("distortion", "distortion",
            "angular distortion between neighbouring columns of one base on ground springs against the greatest",
            Family.Settlement, Unit.Ratio, Decides.Plan)
        {
            Missing = f => (f.Held.Springs || f.Kind.OnSprings) && f.Places.Any(p => p.Ground.MostDistortion is null)
                ? "give [ground] max-distortion" : null,
        },
        new("rotation", "tilt along", "tilt of both bases of a strap footing along its beam by the subgrade modulus: told, never failing",
            Family.Settlement, Unit.Ratio, Decides.Nothing)
        {
            Missing = f => f.Places.Any(p => p.Ground.SubgradeModulus is null) ? "give [ground] subgrade-modulus" : null,
        },
        new("boundary", "boundary", "the base lies within the site's boundary and clear of its zones",
            Family.None, Unit.Length, Decides.Plan) { OfLeast = true, OfPlace = true },
        new("frost-depth", "frost depth", "the underside lies below the depth to which the ground freezes",
            Family.None, Unit.Length, Decides.Plan)
        {
            OfLeast = true,
            OfPlace = true,
            Missing = f => f.Places.Any(p => p.Ground.FrostDepth is null) ? "give [ground] frost-depth" : null,
        },
        new("pile-compression", "pile compression",
            "greatest load of a pile, out of place in its worst direction, against what one may carry in the group",
            Family.Ground | Family.Concrete, Unit.Force, Decides.Plan),
        new("pile-tension", "pile tension", "greatest pull of a pile, surcharge left out, against what one may carry in tension",
            Family.Ground | Family.Stability | Family.Concrete, Unit.Force, Decides.Plan),
        new("pile-lateral", "pile lateral", "load across the pile that gets most of it, against what one may carry",
            Family.Ground | Family.Stability | Family.Concrete, Unit.Force, Decides.Plan),
        new("pile-axial", "pile axial", "greatest force in a concrete shaft against its axial strength by how it is made",
            Family.Concrete, Unit.Force, Decides.Plan,
            c => c.DeepMemberPhi(false) is null ? null : c.Name + " 13.4.3") { Missing = Piles.PileRules.MissingForAxial },
        new("pile-bending", "pile bending", "force with bending in a concrete shaft by the load across its head in elastic ground",
            Family.Concrete, Unit.Ratio, Decides.Plan, c => c.ColumnClause) { Missing = Piles.PileRules.MissingForBending },
        new("pile-spacing", "pile spacing", "least distance of piles' centres, and of a centre from the edge of the cap",
            Family.None, Unit.Section, Decides.Plan) { OfLeast = true },
        new("one-way-shear-x", "shear across x", "shear over the whole width, upward at d from the face, downward at the face",
            Family.Concrete, Unit.Force, Decides.Bars(true), c => c.OneWayShearClause),
        new("one-way-shear-y", "shear across y", "the same along y",
            Family.Concrete, Unit.Force, Decides.Bars(false), c => c.OneWayShearClause),
        new("shear-stirrups", "beam shear",
            "shear of a beam at d from the columns' faces, or at the face where the ground does not push towards the column, against "
                + "concrete and stirrups",
            Family.Concrete, Unit.Force, Decides.Nothing, c => c.BeamShearClause),
        new("stirrup-spacing", "stirrups", "least stirrups of a beam where they are needed, their greatest distances along and across it",
            Family.Concrete, Unit.Ratio, Decides.Nothing, c => c.StirrupClause) { OfLeast = true },
        new("two-way-shear", "two-way shear", "stress at d/2 round the column with unbalanced moments both ways, closed and open sections",
            Family.Concrete, Unit.Stress, Decides.Depth, c => c.TwoWayShearClause) { Lists = true },
        new("pile-punching", "pile punching",
            "load of a pile on the section at d/2 round it, or round two whose sections overlap, closed or open to edges",
            Family.Concrete, Unit.Force, Decides.Depth, c => c.TwoWayShearClause),
        new("flexure-bottom-x", "bottom flexure x", "moment at the column's face against the bottom bars along x",
            Family.Concrete, Unit.Moment, Decides.Bars(true, Face.Bottom), c => c.FlexureClause),
        new("flexure-bottom-y", "bottom flexure y", "the same along y",
            Family.Concrete, Unit.Moment, Decides.Bars(false, Face.Bottom), c => c.FlexureClause),
        new("flexure-top-x", "top flexure x", "moment at the column's face where weights exceed the pressure, against the top bars along x",
            Family.Concrete, Unit.Moment, Decides.Bars(true, Face.Top), c => c.FlexureClause),
        new("flexure-top-y", "top flexure y", "the same along y",
            Family.Concrete, Unit.Moment, Decides.Bars(false, Face.Top), c => c.FlexureClause),
        new("beam-steel", "steel of beam",
            "least steel of the stretched faces of a beam, distances of its bars, bars along the sides of a deep one",
            Family.Concrete, Unit.Ratio, Decides.Nothing, c => c.BeamSteelClause) { OfLeast = true },
        new("tie-x", "tie x",
            "pull of the bars along x in the strut-and-tie model of a pile cap, where a pile stands within d of a column's face",
            Family.Concrete, Unit.Force, Decides.Bars(true), c => c.StrutAndTieClause),
        new("tie-y", "tie y", "the same along y",
            Family.Concrete, Unit.Force, Decides.Bars(false), c => c.StrutAndTieClause),
        new("strut", "strut", "push in the strut from a pile to the column's load",
            Family.Concrete, Unit.Force, Decides.Depth, c => c.StrutAndTieClause) { GainsByDepth = false },
        new("node", "node", "bearing of the struts at the piles' heads and under the column",
            Family.Concrete, Unit.Force, Decides.Depth, c => c.StrutAndTieClause),
        new("minimum-steel-x", "minimum steel x",
            "least steel along x of the bottom, and of the top where it is stretched or top steel is asked",
            Family.None, Unit.SteelArea, Decides.Bars(true), c => c.MinimumSteelClause) { OfLeast = true },
        new("minimum-steel-y", "minimum steel y", "the same along y",
            Family.None, Unit.SteelArea, Decides.Bars(false), c => c.MinimumSteelClause) { OfLeast = true },
        new("bar-spacing-x", "bar spacing x", "greatest and least distances of the bars along x",
            Family.None, Unit.Section, Decides.Bars(true), c => c.SpacingClause) { OfLeast = true },
        new("bar-spacing-y", "bar spacing y", "the same along y",
            Family.None, Unit.Section, Decides.Bars(false), c => c.SpacingClause) { OfLeast = true },
        new("least-depth", "least depth", "effective depth of the shallower bottom layer",
            Family.None, Unit.Section, Decides.Depth, c => c.LeastDepthClause) { OfLeast = true },
        new("punching-steel", "steel at column", "least bottom steel within a strip at the column where two-way shear is high",
            Family.Concrete, Unit.SteelArea, Decides.Nothing, c => c.PunchingSteelClause)
        {
            OfLeast = true,
            Lists = true,
            Missing = f => f.Rules.Steel.PunchingSteel ? null : "[steel] punching-steel = false",
        },
        new("moment-transfer", "moment transfer",
            "share of the moment between column and base that flexure transfers, against the bars within a "
            + "strip at the column, bottom on one side, top on the other",
            Family.Concrete, Unit.Moment, Decides.Nothing, c => c.MomentTransferClause)
        {
            Lists = true,
            Missing = f => f.Rules.Steel.MomentTransfer ? null : "[steel] moment-transfer = true",
        },
        new("anchorage-x", "anchorage x",
            "development of the bars along x on both sides of the column's faces, straight or hooked; or the "
            + "moment there, where plain concrete holds it",
            Family.Concrete, Unit.Section, Decides.Ends(true), c => c.AnchorageClause),
        new("anchorage-y", "anchorage y", "the same along y",
            Family.Concrete, Unit.Section, Decides.Ends(false), c => c.AnchorageClause),
        new("cracks-x", "cracks x",
            "width of the cracks at the column's face under quasi-permanent loads against what is allowed, and the least steel without "
                + "which it cannot be told",
            Family.Crack, Unit.Settlement, Decides.Bars(true), CrackClause) { Missing = NoCracks },
        new("cracks-y", "cracks y", "the same along y",
            Family.Crack, Unit.Settlement, Decides.Bars(false), CrackClause) { Missing = NoCracks },
        new("curtailment-x", "curtailment x",
            "reach of extra bars along a strip beyond where those that run through hold the moment alone, strength and shear "
                + "on the way there, shear where they end, bond where the moment is nil, the share that runs through",
            Family.Concrete, Unit.Ratio, Decides.Nothing, c => c.Name + " 7.7.3, 9.7.3"),
        new("wall-flexure", "wall in bending",
            "force and moment on a metre of wall where it meets its base and where it bends most, both ends and both faces; of masonry its "
                + "stresses against those stated",
            Family.Concrete | Family.Ground, Unit.Ratio, Decides.Nothing, c => c.WallFlexureClause) { Missing = NoWall },
        new("wall-shear", "wall in shear", "shear across a wall where it meets its base, of the concrete and by friction in the joint",
            Family.Concrete, Unit.Force, Decides.Nothing, c => c.OneWayShearClause) { Missing = NoWall },
        new("wall-axial", "wall axial", "axial force on a metre of wall whose resultant lies within the middle third",
            Family.Concrete, Unit.LineLoad, Decides.Nothing, c => c.WallAxialClause) { Missing = NoWall },
        new("wall-steel", "steel of wall",
            "least steel of a wall upright and level, distances and layers of its bars, development of its starters in the base",
            Family.None, Unit.Ratio, Decides.Nothing, c => c.WallSteelClause) { OfLeast = true, Missing = NoWall },
        new("column-bearing", "column bearing",
            "bearing of column, plate or pedestal on the concrete below, and of the column's own concrete "
            + "with its dowels",
            Family.Concrete, Unit.Force, Decides.Upright, c => c.BearingClause)
        {
            Of = Uprights.Pedestal | Uprights.Dowels | Uprights.Hollow,
            Lists = true,
        },
        new("interface", "joint", "force and moments on the column's section with the dowels for bars, least dowels, their development",
            Family.Concrete, Unit.Ratio, Decides.Upright, c => c.InterfaceClause)
        {
            Of = Uprights.Dowels,
            Lists = true,
            Missing = NoJoint,
        },
        new("interface-shear", "joint shear", "shear across the joints below column and pedestal, by friction",
            Family.Concrete, Unit.Force, Decides.Upright, c => c.ShearFrictionClause)
        {
            Of = Uprights.Dowels,
            Lists = true,
            Missing = NoJoint,
        },
        new("pedestal", "pedestal", "force and moments both ways on the pedestal, its least and greatest steel, its ties",
            Family.Concrete, Unit.Ratio, Decides.Upright, c => c.ColumnClause) { Of = Uprights.Pedestal, Lists = true },
        new("pedestal-shear", "pedestal shear", "shear in the pedestal both ways",
            Family.Concrete, Unit.Force, Decides.Upright, c => c.ColumnShearClause) { Of = Uprights.Ties, Lists = true },
        new("socket-depth", "socket depth",
            "depth of a precast column in its socket: ratio to its side, development of its bars, bond "
            + "against a pull",
            Family.Concrete, Unit.Section, Decides.Upright, _ => "EN 1992-1-1 10.9.6") { Of = Uprights.Hollow, Lists = true },
        new("socket-pressure", "socket pressure", "pressure of the column on grout and walls near rim and foot, both ways",
            Family.Concrete, Unit.Force, Decides.Upright, c => c.BearingClause) { Of = Uprights.Hollow, Lists = true },
        new("socket-walls", "socket walls",
            "the pressed wall in bending and shear between the walls beside it, with the tension that it ties",
            Family.Concrete, Unit.Ratio, Decides.Upright, c => c.FlexureClause)
        {
            Of = Uprights.Walls | Uprights.Bending,
            Lists = true,
        },
        new("socket-shear", "socket shear", "shear in the walls along each direction between the pressures near rim and foot",
            Family.Concrete, Unit.Force, Decides.Upright, c => c.ColumnShearClause) { Of = Uprights.Walls, Lists = true },
        new("socket-floor", "socket floor", "punching of the base by the foot of a column in a smooth socket",
            Family.Concrete, Unit.Stress, Decides.Depth, c => c.TwoWayShearClause) { Of = Uprights.Floor, Lists = true },
    ];

    /// <summary>All checks in the order of results.</summary>
    public static IReadOnlyList<CheckDefinition> Listed => List;

    /// <summary>The check with an id, or null.</summary>
    public static CheckDefinition? Find(string id) => Array.Find(List, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    private static string? CrackClause(ConcreteCode code) => (code as ICrackWidths)?.CrackClause;

    private static string? NoCracks(Foundation f) => f.Rules.Concrete.CrackWidth is null ? "give [concrete] crack-width" : null;

    private static string? NoWall(Foundation f) => Kinds.Wall.Stems.Designed(f) || (f.Wall.IsMasonry
        && f.Wall.Stem is { Compression: not null } or { Tension: not null })
        ? null
        : f.Wall.IsMasonry ? "give stem.compression and stem.tension" : "give stem.height, and material where it is masonry";

    private static string? NoJoint(Foundation f) =>
        !f.Rules.Column.Known && f.Supports.Any(s => s.IsConcrete && !f.Rules.Pedestal.HoldsInSocket(s)) ? "give [column] strength" : null;
}
