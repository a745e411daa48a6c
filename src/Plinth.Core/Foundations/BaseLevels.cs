using Plinth.Core.Units;

namespace Plinth.Core.Foundations;

/// <summary>Whether the levels of a base agree: its top below the ground and below where the reactions act.</summary>
public static class BaseLevels
{
    private const double Slack = 1e-6;

    /// <summary>What is wrong with a thickness at any place of a foundation; null if nothing is.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="thickness">The thickness, m.</param>
    /// <param name="units">Units of the message.</param>
    public static string? Fault(Foundation foundation, double thickness, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        string Show(double v) => Dimension.Plan(v, units);
        foreach (var place in foundation.Places)
        {
            var top = place.Ground.Underside(thickness) + thickness;
            if (top > place.Ground.Level + Slack && !foundation.Held.Exposed)
            {
                return $"at thickness {Dimension.Section(thickness, units)} the top of the base ({Show(top)}) stands above the ground "
                    + $"({Show(place.Ground.Level)}): found it deeper, or say exposed = true";
            }

            foreach (var support in place.Supports)
            {
                if (Fault(foundation.Rules.Pedestal, support, top, thickness, units) is { } fault)
                {
                    return fault;
                }
            }
        }

        return null;
    }

    // What is wrong with the levels of a column and what stands under it.
    private static string? Fault(PedestalRules pedestal, Support support, double top, double thickness, UnitSystem units)
    {
        string Show(double v) => Dimension.Plan(v, units);
        if (pedestal.Carries(support))
        {
            var at = $"at thickness {Dimension.Section(thickness, units)} ";
            if (pedestal.TopLevel(support, top) is not { } foot)
            {
                return $"the pedestal under {support.Label} has no top: give [pedestal] top or height, or a level in supports.csv";
            }

            if (pedestal.HoldsInSocket(support) && foot - top < pedestal.Sockets.LeastDepth(support) + pedestal.Sockets.Bed - Slack)
            {
                return at
                    + $"the socket under {support.Label} has {Dimension.Section(foot - top, units)} between its rim and the top of the "
                    + "base, less than its depth and bed, "
                    + $"{Dimension.Section(pedestal.Sockets.LeastDepth(support) + pedestal.Sockets.Bed, units)}: raise the rim, or found "
                    + "the base deeper";
            }

            if (foot < top + Slack)
            {
                return at
                    + $"the top of the base ({Show(top)}) stands above the top of the pedestal ({Show(foot)}) under {support.Label}: found "
                    + "it deeper, or raise the pedestal";
            }

            // A precast column may have its reactions anywhere down to its foot in the socket.
            if (!pedestal.HoldsInSocket(support) && support.Level is { } acts && acts < foot - Slack)
            {
                return $"the top of the pedestal ({Show(foot)}) stands above the level {Show(acts)} where the reactions of {support.Label} "
                    + "act: lower the pedestal, or mend the level";
            }
        }

        if (support.Level is { } level && level < top - Slack)
        {
            return $"at thickness {Dimension.Section(thickness, units)} the top of the base ({Show(top)}) stands above the level "
                + $"{Show(level)} where the reactions of {support.Label} act: found it deeper, or give top-depth";
        }

        return null;
    }
}
