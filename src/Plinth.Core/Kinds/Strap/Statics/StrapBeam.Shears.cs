using Plinth.Core.Bodies;

namespace Plinth.Core.Kinds.Strap;

/// <content>Sections in shear.</content>
internal sealed partial class StrapBeam
{
    // At d or at the face on both sides of two columns, the ends of two bases, and where the push changes sign.
    private const int MostShears = 8 + MostTurns;

    /// <summary>
    /// Sections at which shear is looked at in a combination: at d from a column's face where the ground pushes the part beyond up towards
    /// it, else at the face; and farther from it at the ends of bases and where the push changes sign, as under the lifted part of one.
    /// Found once for each combination, size and depth.
    /// </summary>
    /// <param name="k">The combination.</param>
    public override ReadOnlySpan<BeamShearAt> Shears(int k)
    {
        var into = shears.AsSpan(k * MostShears, MostShears);
        ref var kept = ref sheared[k];
        if (kept.Generation != Trial.Generation || kept.Depth != Depth(true))
        {
            kept = (Trial.Generation, Depth(true), FindShears(k, into));
        }

        return into[..kept.Count];
    }

    /// <summary>
    /// What the shear outside the columns nowhere exceeds in a combination, kN: between two turns it rises or falls all the way.
    /// </summary>
    public override double MostShear(int k)
    {
        Sections(k);
        return greatest[k].Shear * (1 + (1000 * Close));
    }

    private int FindShears(int k, Span<BeamShearAt> into)
    {
        Sections(k);
        var (count, d) = (0, Depth(true));
        var columns = Body.Columns;
        var standing = stands.AsSpan(k * MostStands, MostStands);
        Span<(double Low, double High)> near = stackalloc (double, double)[2 * columns.Length];
        for (var i = 0; i < columns.Length; i++)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                ref readonly var at = ref standing[(2 * i) + ((side + 1) / 2)];
                var face = at.X;
                near[(2 * i) + ((side + 1) / 2)] = (face, face);
                if (double.IsNaN(at.Shear))
                {
                    continue;
                }

                // The part beyond the face must be pushed up towards the column, and the column must press: else nothing spreads from it.
                if (!(-side * at.Shear > 0) || !(columns[i].Action(k).N > 0))
                {
                    into[count++] = new(at, true) { Side = side };
                    continue;
                }

                // Between both columns, of which the section of neither may lie in the reach of the other.
                var inwards = side > 0 == (i == 0);
                var clear = inwards ? columns[1].Face(true, -1) - columns[0].Face(true, 1) : side > 0 ? High - face : face - Low;
                var reach = inwards ? Math.Min(d, clear / 2) : d;
                near[(2 * i) + ((side + 1) / 2)] = side > 0 ? (face, face + reach) : (face - reach, face);
                if (inwards || clear > d)
                {
                    into[count++] = new(Section(k, face + (side * reach)), false) { Side = side };
                }
            }
        }

        foreach (ref readonly var end in standing[FirstEnd..])
        {
            Farther(end, near, into);
        }

        foreach (ref readonly var turn in turns.AsSpan(k * MostTurns, turned[k]))
        {
            Farther(turn, near, into);
        }

        return count;

        void Farther(in LongSection at, ReadOnlySpan<(double Low, double High)> near, Span<BeamShearAt> into)
        {
            var x = at.X;
            var free = !double.IsNaN(at.Shear) && !IsWithinColumn(x);
            foreach (var (low, high) in near)
            {
                free &= x <= low || x >= high;
            }

            if (free)
            {
                into[count++] = new(at, false);
            }
        }
    }
}
