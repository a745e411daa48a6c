using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds;

/// <summary>A kind of foundation: all that is its own. The rest of the program knows kinds by this class alone.</summary>
public abstract class FoundationKind
{
    /// <summary>The kind as it stands in files: "combined".</summary>
    public abstract string Id { get; }

    /// <summary>
    /// The key by which it is told from another kind of the same id where that is stated; null: it is the one where none is.
    /// </summary>
    public virtual string? Sign => null;

    /// <summary>What it is called: "combined footing".</summary>
    public abstract string Title { get; }

    /// <summary>What one of it is called on its own drawing: "footing".</summary>
    public virtual string Noun => "footing";

    /// <summary>The letters before the number of a mark that nobody gave.</summary>
    public abstract string MarkLetters { get; }

    /// <summary>Whether one base carries several columns.</summary>
    public virtual bool UnderSeveral => false;

    /// <summary>Whether one base may carry so many columns.</summary>
    /// <param name="columns">How many.</param>
    public virtual bool Carries(int columns) => UnderSeveral == columns > 1;

    /// <summary>Whether its base may be a trapezoid, and bends on springs only where that is asked.</summary>
    public virtual bool Tapers => UnderSeveral;

    /// <summary>Whether it stands on ground springs, whatever is stated, and its ends are stated by what is beyond its columns.</summary>
    public virtual bool OnSprings => false;

    /// <summary>How a foundation bears, in words, where it is no rigid base on the ground; null: it is one.</summary>
    /// <param name="foundation">The foundation.</param>
    public virtual string? Bears(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return OnSprings || foundation.Held.Springs
            ? "on ground springs that pull nowhere, bending along; the pressure is the subgrade modulus times what each point sinks"
            : null;
    }

    /// <summary>Whether it carries walls, and nothing else.</summary>
    public virtual bool OfWalls => false;

    /// <summary>The rules in force for its foundations where they follow from the kind.</summary>
    /// <param name="rules">Those that the project states.</param>
    public virtual RuleSet RulesOf(RuleSet rules) => rules;

    /// <summary>A design as it stands under what its foundation carries, where its sizes follow from that.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">A design of the kind, as files and commands state it.</param>
    public virtual FoundationDesign Fitted(Foundation foundation, FoundationDesign design) => design;

    /// <summary>What it carries, in words.</summary>
    public virtual string Carried => UnderSeveral ? "several supports on one base" : "one support";

    /// <summary>
    /// The tables in which plinth.toml states its parts, each with sizes and bars of its own; none: it is one base, whose keys stand with
    /// the foundation's.
    /// </summary>
    public virtual IReadOnlyList<string> Tables => [];

    /// <summary>Of <see cref="Tables"/> the one whose base may have its −x edge held; null: none.</summary>
    public virtual string? EdgeOf => null;

    /// <summary>Of <see cref="Tables"/> the one that may name sizes of bars of its own; null: none.</summary>
    public virtual string? BarsOf => null;

    /// <summary>Whether codes let plain concrete carry a part of it.</summary>
    public virtual bool MayBePlain => true;

    /// <summary>Whether its checks carry moments about the vertical.</summary>
    public virtual bool CarriesTorsion => false;

    /// <summary>Whether it presses on the ground, whose bearing must then be stated.</summary>
    public virtual bool BearsOnGround => true;

    /// <summary>Ids of what of its own is never checked, whatever is stated.</summary>
    public virtual IReadOnlyList<string> NeverChecked => [];

    /// <summary>Its checks under a code, which number the slots in which trials keep what they found.</summary>
    public abstract CheckList Checks(ConcreteCode code);

    /// <summary>Whether it is checked by a code.</summary>
    public virtual bool Knows(ConcreteCode code) => code is { Annex: null };

    /// <summary>The fields of its designs at a place, in the order in which they are written.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public abstract IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports);

    /// <summary>The same of designs at a place.</summary>
    public IReadOnlyList<DesignField> Fields(Place place)
    {
        ArgumentNullException.ThrowIfNull(place);
        return Fields([.. place.Supports.Select(s => s.Label)]);
    }

    /// <summary>A design in which nothing is filled in yet.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public abstract FoundationDesign Blank(IReadOnlyList<string> supports);

    /// <summary>The design of a foundation all of which plinth.toml states; null: something is open.</summary>
    public abstract FoundationDesign? AllHeld(Foundation foundation);

    /// <summary>
    /// Origin of a place (its column, or midway between its first and last) from the base's centroid, in the axes of the base as it lies
    /// there, m.
    /// </summary>
    public abstract PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design);

    /// <summary>Corners of a design about its centroid in its own axes, anticlockwise, m: of several bases those of their hull.</summary>
    public virtual IReadOnlyList<PlanPoint> Outline(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        return design.Outline;
    }

    /// <summary>Corners of each part of a design, in the same axes, m: its base, or its bases and the beam between them.</summary>
    public virtual IReadOnlyList<IReadOnlyList<PlanPoint>> Parts(Foundation foundation, Place place, FoundationDesign design) =>
        [Outline(foundation, place, design)];

    /// <summary>Whether the bars along x of its bases lie outermost.</summary>
    public virtual bool OuterIsX(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        return foundation.Rules.Steel.OuterIsX(design.Size);
    }

    /// <summary>What its bases are made of and dug for, without what stands on them.</summary>
    public virtual BaseQuantities Quantities(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        return new BaseQuantities(design.Area * design.Size.Thickness, design.Perimeter * design.Size.Thickness, design.Area, design.Area,
            BaseQuantities.With(design));
    }

    /// <summary>Why bars of a layer may not be as they are written, whatever else there is; null: they may.</summary>
    /// <param name="key">The layer's key.</param>
    /// <param name="bars">The bars.</param>
    public virtual string? FaultOfBars(string key, BarSpec bars) => null;

    /// <summary>Why values that are held cannot stand together, whatever sizing finds; null: they can.</summary>
    /// <param name="foundation">The foundation with what is held of it.</param>
    public virtual string? FaultOfHeld(Foundation foundation) => null;

    /// <summary>What makes a design impossible on its plan, whatever its loads; null: nothing.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design.</param>
    /// <param name="units">Units of the message.</param>
    public abstract (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units);

    /// <summary>The bars in a base at a foundation's first place, layer by layer, in the order of the schedule.</summary>
    public abstract IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design);

    /// <summary>Bars of the base that lie in no layer and stand at no column.</summary>
    public virtual IReadOnlyList<BarGroup> OtherBars(Project project, Foundation foundation, FoundationDesign design) => [];

    /// <summary>How far apart bars of a group that lies in no layer of the base stand, m; 0: nothing is said of it.</summary>
    public virtual double SpacingOf(FoundationDesign design, BarGroup group) => 0;

    /// <summary>The shaft of its piles under force with moments; null: it has none, or too little is stated of it.</summary>
    public virtual Figures.InteractionFigure? Shaft(Trial trial) => null;

    /// <summary>The strut-and-tie model of a cap on piles in a combination; null: there is none.</summary>
    public virtual Figures.StrutFigure? Struts(Trial trial, int combination) => null;

    /// <summary>Bars of the piles: scheduled with those of the cap, but no part of its steel.</summary>
    public virtual IReadOnlyList<BarGroup> PileBars(Project project, Foundation foundation, FoundationDesign design) => [];

    /// <summary>What its schedule is called, as a sheet of a workbook and a table to ask for: "Footings".</summary>
    public abstract string ScheduleName { get; }

    /// <summary>The schedule of its foundations, a row each.</summary>
    /// <param name="project">The project.</param>
    /// <param name="rows">What is scheduled; may be empty.</param>
    public abstract DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows);

    /// <summary>A trial of a foundation at a place; a design must be set before it is read.</summary>
    public abstract Trial NewTrial(Project project, Foundation foundation, LoadedPlace place);

    /// <summary>The piles of a design at a place, by number; none of a base on the ground.</summary>
    public virtual IReadOnlyList<Piles.PlacedPile> PilesAt(Foundation foundation, Place place, FoundationDesign design) => [];

    /// <summary>
    /// The greatest and least loads of the piles of a trial whose design is set, by number; none of a base on the ground.
    /// </summary>
    public virtual IReadOnlyList<Piles.PileForces> PileForces(Trial trial) => [];

    /// <summary>
    /// What the piles of a trial carry in a combination, in place, and by how much more or less out of it, by number, kN.
    /// </summary>
    public virtual IReadOnlyList<(double Force, double Spread)> PileForces(Trial trial, int combination) => [];

    /// <summary>Remarks on a trial whose design is set.</summary>
    public virtual IEnumerable<string> Notes(Trial trial) => TrialNotes.Of(trial);

    /// <summary>Why a rigid base is doubtful; null: it is not.</summary>
    public abstract string? DoubtfullyRigid(Trial trial);

    /// <summary>What of the kind could stand in place of bases that cannot be built as they are.</summary>
    /// <param name="asked">The bases.</param>
    public virtual IEnumerable<Proposal> Propose(ProposalCase asked) => [];

    /// <summary>How its foundations are built alike; null: each has a design of its own.</summary>
    public virtual TypesOfKind? Types => null;

    /// <summary>A foundation that is a row of a grid, with what follows for its bars from the rows that it crosses.</summary>
    /// <param name="row">The foundation, which knows its row.</param>
    public virtual Foundation InGrid(Foundation row) => row;

    /// <summary>What rows of a grid that cross have one of: the depth of a design, m.</summary>
    public virtual double Deep(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        return design.Size.Thickness;
    }

    /// <summary>A row of a grid of which more is held.</summary>
    /// <param name="row">The row.</param>
    /// <param name="deep">Its depth, m.</param>
    /// <param name="plan">The design whose plan is held; null: it is open.</param>
    public virtual Foundation Holding(Foundation row, double deep, FoundationDesign? plan) =>
        throw new NotSupportedException($"a {Title} is no row of a grid");

    /// <summary>The search for the sizes and bars of a foundation.</summary>
    public abstract FoundationSizer NewSizer(Project project, Foundation foundation);
}

/// <summary>The kinds that there are.</summary>
public static class FoundationKinds
{
    private static readonly FoundationKind[] List =
    [
        new Isolated.IsolatedKind(), new Combined.CombinedKind(), new Strap.StrapKind(), new Strip.StripKind(), new Strip.RibKind(),
        new Wall.WallKind(), new PileCap.PileCapKind(),
    ];

    /// <summary>Their ids as they stand in files, each once.</summary>
    public static IEnumerable<string> Ids => List.Select(k => k.Id).Distinct(StringComparer.Ordinal);

    /// <summary>All of them.</summary>
    public static IReadOnlyList<FoundationKind> All => List;

    /// <summary>The kind of a foundation that says none, under one support.</summary>
    public static FoundationKind Usual => List[0];

    /// <summary>The kind of a foundation that says none.</summary>
    /// <param name="supports">Under how many supports.</param>
    public static FoundationKind For(int supports) => supports > 1 ? Array.Find(List, k => k.UnderSeveral)! : Usual;

    /// <summary>The kind of a foundation that says none, under a support alone.</summary>
    public static FoundationKind For(Support support)
    {
        ArgumentNullException.ThrowIfNull(support);
        return support.IsWall ? Array.Find(List, k => k.OfWalls)! : Usual;
    }

    /// <summary>The kind with an id, or null.</summary>
    public static FoundationKind? Find(string id) => Find(id, _ => false);

    /// <summary>The same by what is stated beside it.</summary>
    /// <param name="id">The id.</param>
    /// <param name="states">Whether a key is stated.</param>
    public static FoundationKind? Find(string id, Func<string, bool> states) =>
        Array.Find(List, k => k.Id == id && k.Sign is { } sign && states(sign)) ?? Array.Find(List, k => k.Id == id && k.Sign is null);
}
