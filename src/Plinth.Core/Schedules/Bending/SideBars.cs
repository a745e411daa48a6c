using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>Bars along the sides of a base.</summary>
public static class SideBars
{
    /// <summary>
    /// Heights of the bars along the sides of a base over its underside, m: at no more than their spacing, from the bottom bars up to the
    /// top cover, below top bars.
    /// </summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">The design.</param>
    public static IReadOnlyList<double> Levels(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        if (design.SideBars is not { Size: { } size, Spacing: > 0 and var spacing })
        {
            return [];
        }

        var concrete = foundation.Rules.Concrete;
        var (low, high) = (Math.Max(concrete.CoverBottom, foundation.Kind.BearsOnGround ? 0 : foundation.Rules.Piles.Embedment),
            design.Size.Thickness - concrete.CoverTop - (size.Diameter / 2));
        var n = (int)Math.Ceiling(((high - low) / spacing) - 1e-9);
        return [.. Enumerable.Range(1, Math.Max(0, design.HasTop ? n - 1 : n)).Select(i => low + (i * (high - low) / n))];
    }
}
