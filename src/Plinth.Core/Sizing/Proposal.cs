using Plinth.Core.Foundations;
using Plinth.Core.Kinds;

namespace Plinth.Core.Sizing;

/// <summary>Why another foundation is proposed.</summary>
public enum ProposalCause
{
    /// <summary>Bases overlap in plan.</summary>
    Overlap,

    /// <summary>They leave a small gap.</summary>
    SmallGap,

    /// <summary>Nothing that passes was found for a base that an edge or the site confines.</summary>
    NothingFound,
}

/// <summary>What the kinds are asked for a proposal on.</summary>
/// <param name="Cause">Why.</param>
/// <param name="Stands">What stands there now, place by place; where nothing was found for one, that first and its inner neighbour after
/// it.</param>
/// <param name="Gap">Clear distance of the bases, the least of several, m; negative: they overlap; 0 where nothing was found.</param>
public sealed record ProposalCase(ProposalCause Cause, IReadOnlyList<(Foundation Foundation, Place Place)> Stands, double Gap)
{
    /// <summary>All supports, place by place.</summary>
    public IReadOnlyList<Support> Supports => [.. Stands.SelectMany(s => s.Place.Supports)];

    /// <summary>The marks that stand there.</summary>
    public IReadOnlyList<string> Marks => [.. Stands.Select(s => s.Foundation.Mark).Distinct()];
}

/// <summary>One foundation that could stand in place of others: what plinth.toml would say of it.</summary>
/// <param name="Case">What it is the answer to.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Supports">What it would carry, in order.</param>
/// <param name="Held">Edges and outline that it would state.</param>
/// <param name="Ground">The ground that it would name, where its supports stand on several: the weakest; null: none.</param>
public sealed record Proposal(ProposalCase Case, FoundationKind Kind, IReadOnlyList<Support> Supports, HeldValues Held, string? Ground);
