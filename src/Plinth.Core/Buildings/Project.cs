using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Buildings;

/// <summary>The rules in force for a foundation, after its own have fallen through those of the project.</summary>
/// <param name="Ground">Ground, where the place names no other.</param>
/// <param name="Stability">Least factors and contact shares.</param>
/// <param name="Concrete">Concrete and covers.</param>
/// <param name="Steel">Reinforcement.</param>
/// <param name="Sizing">Bounds and steps of the search.</param>
/// <param name="Rates">Rates by which more steel is weighed against more concrete.</param>
public sealed record RuleSet(GroundRules Ground, StabilityRules Stability, ConcreteRules Concrete, SteelRules Steel, SizingRules Sizing,
    RateRules Rates)
{
    /// <summary>Concrete columns over the bases.</summary>
    public ColumnRules Column { get; init; } = ColumnRules.Nothing;

    /// <summary>Pedestals.</summary>
    public PedestalRules Pedestal { get; init; } = PedestalRules.None;

    /// <summary>Piles.</summary>
    public Piles.PileRules Piles { get; init; } = Core.Piles.PileRules.Nothing;
}

/// <summary>What a project is called and who works on it, for title blocks.</summary>
/// <param name="Name">Name of the project.</param>
/// <param name="Number">Its number; empty if none.</param>
/// <param name="Client">Client; empty if none.</param>
/// <param name="Site">Site; empty if none.</param>
/// <param name="Engineer">Engineer; empty if none.</param>
/// <param name="Checker">Checker; empty if none.</param>
/// <param name="Date">Date as written; empty if none.</param>
public sealed record ProjectTitle(string Name, string Number, string Client, string Site, string Engineer, string Checker, string Date);

/// <summary>A whole building: valid by construction.</summary>
/// <param name="Title">Its title block.</param>
/// <param name="Units">Units of display.</param>
/// <param name="Code">Design code for the concrete.</param>
/// <param name="Standard">Load standard.</param>
/// <param name="Cases">Load cases, by the index that terms name.</param>
/// <param name="Combinations">All combinations.</param>
/// <param name="Supports">All supports, in file order.</param>
/// <param name="Actions">For each support, in order, its action in each case, project axes, at the level where reactions act.</param>
/// <param name="Foundations">All foundations, in natural order of mark.</param>
public sealed record Project(
    ProjectTitle Title,
    UnitSystem Units,
    ConcreteCode Code,
    LoadStandard Standard,
    IReadOnlyList<LoadCase> Cases,
    CombinationSet Combinations,
    IReadOnlyList<Support> Supports,
    IReadOnlyDictionary<string, SupportAction[]> Actions,
    IReadOnlyList<Foundation> Foundations)
{
    /// <summary>Where bases may lie.</summary>
    public Site Site { get; init; } = Site.Open;

    /// <summary>Design of the ground by limit states; null: by allowable values and least factors.</summary>
    public Ground.LimitStateDesign? Design { get; init; }

    /// <summary>What loads and ground are held to, as cited: "EN 1990, EN 1997-1 (design approach 1)".</summary>
    public string LoadsAndGround => Design is { } design
        ? FormattableString.Invariant($"{Standard.Name}, {Plinth.Core.Ground.LimitStateDesign.Name} (design approach {design.Approach})")
        : Standard.Name;

    /// <summary>Seismic design category; null: not stated.</summary>
    public SeismicCategory? Category { get; init; }

    /// <summary>Whether live load is also looked at on some of the columns of a foundation alone (ASCE 7 4.3.3).</summary>
    public bool PartialLive { get; init; }

    /// <summary>SDS, the design spectral acceleration at short periods.</summary>
    public double Sds { get; init; }

    /// <summary>What stands on every drawing.</summary>
    public DrawingRules Drawings { get; init; } = DrawingRules.None;

    /// <summary>Stated factors of embodied carbon.</summary>
    public Schedules.CarbonFactors Carbon { get; init; } = new();

    /// <summary>Which of all foundations one is, from 1; 0: none of them.</summary>
    public int PlaceOf(Foundation foundation) =>
        Foundations.TakeWhile(f => !ReferenceEquals(f, foundation)).Count() + 1 is var place && place <= Foundations.Count ? place : 0;

    /// <summary>The combinations that a foundation is checked for.</summary>
    public CombinationSet CombinationsOf(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return foundation.Chosen?.Set ?? Combinations.Of(foundation.Wall.Retained is not null);
    }
}
