using Plinth.Core.Concrete;

namespace Plinth.Core.Checks;

/// <summary>The most bars of one size that a search may lay along an axis.</summary>
/// <param name="Less">By how much their effective depth is less than that of the thinnest both ways, over the thinnest bars across,
/// m.</param>
/// <param name="Layer">The bars.</param>
internal readonly record struct MostBars(double Less, BarLayer Layer);

/// <summary>The bottom bars that a search may lay, beside the thinnest both ways, which leave the greatest depths.</summary>
/// <param name="alongX">Of each size along x.</param>
/// <param name="alongY">Of each size along y.</param>
/// <param name="outerIsX">Whether the bars along x lie outermost.</param>
internal readonly ref struct BarRange(ReadOnlySpan<MostBars> alongX, ReadOnlySpan<MostBars> alongY, bool outerIsX)
{
    private readonly ReadOnlySpan<MostBars> alongX = alongX;
    private readonly ReadOnlySpan<MostBars> alongY = alongY;

    /// <summary>By how much thinner the base may be too, m.</summary>
    public double Thinner { get; init; }

    /// <summary>The most bars of each size along an axis.</summary>
    public ReadOnlySpan<MostBars> Along(bool x) => x ? alongX : alongY;

    /// <summary>Whether the bars along an axis lie outermost.</summary>
    public bool IsOuter(bool x) => x == outerIsX;

    /// <summary>
    /// By how much less deep bars along an axis may lie in a thinner base, and where those across are thicker, m: the inner ones lie on
    /// them.
    /// </summary>
    public double Lifted(bool x) => Thinner + (x == outerIsX ? 0 : 2 * Thickest(!x));

    /// <summary>By how much their effective depth may be less in all, m.</summary>
    public double Less(bool x) => Thickest(x) + Lifted(x);

    /// <summary>By how much the mean depth may be less, m.</summary>
    public double LessMean => (Less(true) + Less(false)) / 2;

    private double Thickest(bool x)
    {
        var less = 0.0;
        foreach (var m in Along(x))
        {
            less = Math.Max(less, m.Less);
        }

        return less;
    }
}
