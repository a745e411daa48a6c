using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds;

/// <summary>A kind of foundation: all that is its own. The rest of the program knows kinds by this class alone.</summary>
public abstract class FoundationKind
{
    /// <summary>The kind as it stands in files: "combined".</summary>
    public abstract string Id { get; }

    /// <summary>What it is called: "combined footing".</summary>
    public abstract string Title { get; }

    /// <summary>The letters before the number of a mark that nobody gave.</summary>
    public abstract string MarkLetters { get; }

    /// <summary>Its checks under a code, which number the slots in which trials keep what they found.</summary>
    public abstract CheckList Checks(ConcreteCode code);

    /// <summary>A trial of a foundation at a place; a design must be set before it is read.</summary>
    public abstract Trial NewTrial(Project project, Foundation foundation, LoadedPlace place);

    /// <summary>Remarks on a trial whose design is set.</summary>
    public virtual IEnumerable<string> Notes(Trial trial) => TrialNotes.Of(trial);

    /// <summary>Why a rigid base is doubtful; null: it is not.</summary>
    public abstract string? DoubtfullyRigid(Trial trial);

    /// <summary>The search for the sizes and bars of a foundation.</summary>
    public abstract FoundationSizer NewSizer(Project project, Foundation foundation);
}

/// <summary>The kinds that there are.</summary>
public static class FoundationKinds
{
    private static readonly FoundationKind[] List = [new Isolated.IsolatedKind()];

    /// <summary>All of them.</summary>
    public static IReadOnlyList<FoundationKind> All => List;

    /// <summary>The kind of a foundation that says none, under one support.</summary>
    public static FoundationKind Usual => List[0];

    /// <summary>The kind with an id, or null.</summary>
    public static FoundationKind? Find(string id) => Array.Find(List, k => string.Equals(k.Id, id, StringComparison.Ordinal));
}
