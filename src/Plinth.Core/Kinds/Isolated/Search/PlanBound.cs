using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>What no base of a thickness can do without, found without a trial.</summary>
internal static class PlanBound
{
    /// <summary>
    /// Plan area below which bearing cannot pass, m2: the mean pressure never exceeds the highest. A small margin leaves the decision to
    /// the check.
    /// </summary>
    /// <param name="states">The states of the foundation; what they hold is lost.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="thickness">Thickness of the base, m.</param>
    /// <param name="pedestal">Its pedestal; null: none.</param>
    public static double LeastArea(ImmutableArray<IsolatedTrial> states, Foundation foundation, double thickness, Pedestal? pedestal)
    {
        var least = 0.0;
        foreach (var s in states)
        {
            s.Set(pedestal, BarLayer.None);
            s.Set(new BaseSize(1, 1, thickness));
            least = Math.Max(least, Sizing.LeastArea.Of(s, foundation));
        }

        return least;
    }
}
