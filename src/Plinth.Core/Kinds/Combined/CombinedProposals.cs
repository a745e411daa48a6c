using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>One base under columns that stand near each other, or under a confined column and its inner neighbour.</summary>
internal static class CombinedProposals
{
    // Columns farther beside the line of the outermost, as a share of its length, are no row.
    private const double MostAside = 0.1;

    // Edges within this of a direction face it: the sine of some 0.06 degrees.
    private const double Faces = 1e-3;

    public static IEnumerable<Proposal> Of(FoundationKind kind, ProposalCase asked)
    {
        if (Row(asked) is not { } row || Held(asked, row) is not { } held || Ground(asked) is not { } ground)
        {
            yield break;
        }

        var named = ground.Length == 0 ? null : ground;
        yield return new Proposal(asked, kind, row, held, named);
        if ((held.EdgeX0 is not null || held.EdgeX1 is not null) && (held.EdgeY0 is null || held.EdgeY1 is null))
        {
            // Where an end is held, a trapezoid brings the centroid nearer to the resultant; both long sides held leave it one width.
            yield return new Proposal(asked, kind, row, held with { Trapezoid = true }, named);
        }
    }

    // The supports along the line of the two that stand farthest apart, a confined one first; null: they are no row.
    private static List<Support>? Row(ProposalCase asked)
    {
        var all = asked.Supports;
        (Support A, Support B, double Square) ends = (all[0], all[^1], -1);
        foreach (var a in all)
        {
            foreach (var b in all)
            {
                var square = ((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y));
                if (square > ends.Square + 1e-9
                    && (asked.Cause == ProposalCause.NothingFound ? a == all[0] : (a.X, a.Y).CompareTo((b.X, b.Y)) <= 0))
                {
                    ends = (a, b, square);
                }
            }
        }

        var length = Math.Sqrt(Math.Max(0, ends.Square));
        if (length < 1e-3)
        {
            return null;
        }

        var (ux, uy) = ((ends.B.X - ends.A.X) / length, (ends.B.Y - ends.A.Y) / length);
        double Along(Support s) => ((s.X - ends.A.X) * ux) + ((s.Y - ends.A.Y) * uy);
        double Aside(Support s) => ((s.Y - ends.A.Y) * ux) - ((s.X - ends.A.X) * uy);
        return all.All(s => Math.Abs(Aside(s)) <= MostAside * length) ? [.. all.OrderBy(Along)] : null;
    }

    // The edges that are held now, as edges of the one base; null: one of them lies between its columns, or at a skew.
    private static HeldValues? Held(ProposalCase asked, List<Support> row)
    {
        var (first, last) = (row[0], row[^1]);
        var length = Math.Sqrt(((last.X - first.X) * (last.X - first.X)) + ((last.Y - first.Y) * (last.Y - first.Y)));
        var (ux, uy) = ((last.X - first.X) / length, (last.Y - first.Y) / length);
        var held = HeldValues.Nothing;
        foreach (var (foundation, place) in asked.Stands.Where(s => s.Place.Supports.Count == 1))
        {
            var support = place.Support;
            var aside = ((support.Y - first.Y) * ux) - ((support.X - first.X) * uy);
            foreach (var (normal, edge) in Proposals.Outward(foundation, place))
            {
                var (x, y) = ((normal.X * ux) + (normal.Y * uy), (normal.Y * ux) - (normal.X * uy));
                if (x < -1 + Faces && support == first)
                {
                    held = held with { EdgeX0 = edge };
                }
                else if (x > 1 - Faces && support == last)
                {
                    held = held with { EdgeX1 = edge };
                }
                else if (y < -1 + Faces)
                {
                    held = held with { EdgeY0 = Inner(held.EdgeY0, edge, -aside) };
                }
                else if (y > 1 - Faces)
                {
                    held = held with { EdgeY1 = Inner(held.EdgeY1, edge, aside) };
                }
                else
                {
                    return null;
                }
            }
        }

        return held;
    }

    // Of two edges on a side the one that lies nearer to the columns, from their line.
    private static HeldEdge Inner(HeldEdge? other, HeldEdge edge, double aside)
    {
        var own = edge.AtColumn ? edge : new HeldEdge(false, edge.Distance + aside);
        return other is not { } o || own.AtColumn || (!o.AtColumn && own.Distance < o.Distance) ? own : o;
    }

    // The weakest of several grounds, by its name; empty: all stand on one; null: the weakest has no name that could be given.
    private static string? Ground(ProposalCase asked)
    {
        var grounds = asked.Stands.Select(s => s.Place.Ground).DistinctBy(g => g.Name).ToList();
        return grounds.Count == 1 ? "" : grounds.MinBy(g => g.Bearing)!.Name is { Length: > 0 } name ? name : null;
    }
}
