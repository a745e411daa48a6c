using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Strip;

/// <summary>Extra bars of a strip as they are cut.</summary>
/// <param name="Bottom">At the bottom over a column, or on top in a bay.</param>
/// <param name="Where">What schedules call them: "over C2", "in C2+C3".</param>
/// <param name="Layer">The bars; hooked where those that run through are.</param>
/// <param name="From">Where they begin, m from the base's centroid.</param>
/// <param name="To">Where they end, m.</param>
/// <param name="Ends">How many of their ends are those of the bars that run through.</param>
internal readonly record struct ExtraCuts(bool Bottom, string Where, BarLayer Layer, double From, double To, int Ends)
{
    private const double Close = 1e-9;

    /// <summary>Those of a face at the first place, in order.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="extra">The extra bars.</param>
    /// <param name="bottom">The face.</param>
    /// <param name="offset">The middle between first and last column from the base's centroid, m.</param>
    /// <param name="length">Of the base, m.</param>
    /// <param name="hooked">Whether those that run through are hooked.</param>
    public static IEnumerable<ExtraCuts> Of(Foundation foundation, ExtraLayout extra, bool bottom, double offset, double length,
        bool hooked)
    {
        var (place, cover) = (foundation.Places[0], foundation.Rules.Concrete.CoverSide);
        double[] at = [.. place.InOwnAxes().Select(p => p.X + offset)];
        string[] labels = [.. place.Supports.Select(s => s.Label)];
        var all = extra.Of(bottom);
        for (var i = 0; i < all.Length; i++)
        {
            if (!all[i].Any)
            {
                continue;
            }

            var (from, to) = bottom ? (at[i] - all[i].Low, at[i] + all[i].High) : (at[i] + all[i].Low, at[i + 1] - all[i].High);
            var (low, high) = (from <= (-length / 2) + Close, to >= (length / 2) - Close);
            yield return new(bottom, bottom ? "over " + labels[i] : "in " + ExtraLayout.Bay(labels, i),
                new BarLayer(all[i].Bars.Count, all[i].Bars.Size) { Hooked = hooked },
                low ? (-length / 2) + cover : from, high ? (length / 2) - cover : to, (low ? 1 : 0) + (high ? 1 : 0));
        }
    }

    /// <summary>The same as bars of a layer.</summary>
    public MatBars Mat(BarRole role) => new(role, Layer, To - From, Where) { Ends = Ends };
}
