using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strap;

/// <summary>A strap from a column whose base an edge confines to its inner neighbour.</summary>
internal static class StrapProposals
{
    // Edges within this of a direction face it: the sine of some 0.06 degrees.
    private const double Faces = 1e-3;

    public static IEnumerable<Proposal> Of(FoundationKind kind, ProposalCase asked)
    {
        if (asked.Stands is not [{ Place.Supports.Count: 1 } a, { Place.Supports.Count: 1 } b]
            || a.Place.Ground.Name != b.Place.Ground.Name)
        {
            yield break;
        }

        // Of two bases that meet, the confined one stands at the edge; where nothing was found for one, that comes first.
        foreach (var (confined, inward) in asked.Cause == ProposalCause.NothingFound ? [(a, b)] : new[] { (a, b), (b, a) })
        {
            if (Held(confined, inward.Place.Support, asked.Cause == ProposalCause.NothingFound) is { } held)
            {
                yield return new Proposal(asked, kind, [confined.Place.Support, inward.Place.Support], held, null);
            }
        }
    }

    // What would be held: the one edge that is held now must lie behind the column, seen from its neighbour. Null: it does not.
    private static HeldValues? Held((Foundation Foundation, Place Place) confined, Support other, bool mayBeFree)
    {
        var own = confined.Place.Support;
        var length = Math.Sqrt(((other.X - own.X) * (other.X - own.X)) + ((other.Y - own.Y) * (other.Y - own.Y)));
        if (length < 1e-3)
        {
            return null;
        }

        var way = new PlanPoint((other.X - own.X) / length, (other.Y - own.Y) / length);
        return Proposals.Outward(confined.Foundation, confined.Place).ToList() switch
        {
            [] when mayBeFree => HeldValues.Nothing,
            [var (normal, edge)] when (normal.X * way.X) + (normal.Y * way.Y) <= -1 + Faces =>
                HeldValues.Nothing with { EdgeX0 = edge.AtColumn ? null : edge },
            _ => null,
        };
    }
}
