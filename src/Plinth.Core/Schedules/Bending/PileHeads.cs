using Plinth.Core.Buildings;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>Bars of piles at their heads.</summary>
public static class PileHeads
{
    /// <summary>
    /// How far the bars of piles run on into a cap above their heads, m: their development length, no farther than the top cover.
    /// </summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">The design.</param>
    public static double BarsIntoCap(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        if (foundation.Rules.Piles.Bars is not { Size: { } size } bars)
        {
            return 0;
        }

        var (rules, none) = (foundation.Rules, default(Tracing.NoTrace));
        var round = Math.PI * (rules.Piles.Side - (2 * rules.Piles.Cover)) / Math.Max(1, bars.Count);
        var length = project.Code.StraightDevelopment(ref none, rules.Concrete,
            new DevelopedBar(size, rules.Steel.Yield, round,
                rules.Piles.Cover + (rules.Piles.Ties?.Size?.Diameter ?? 0) + (size.Diameter / 2), rules.Piles.ToEdge, 0));
        return Math.Max(0, Math.Min(size.CutUp(length), design.Size.Thickness - rules.Piles.Embedment - rules.Concrete.CoverTop));
    }
}
