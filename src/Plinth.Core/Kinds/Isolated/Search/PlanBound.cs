using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>What no base of a thickness can do without, found without a trial.</summary>
internal static class PlanBound
{
    /// <summary>Plan area below which bearing cannot pass, m2: the mean pressure never exceeds the highest. A small margin leaves the decision to the check.</summary>
    /// <param name="states">The states of the foundation; what they hold is lost.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="thickness">Thickness of the base, m.</param>
    /// <param name="pedestal">Its pedestal; null: none.</param>
    public static double LeastArea(ImmutableArray<IsolatedTrial> states, Foundation foundation, double thickness, Pedestal? pedestal)
    {
        if (foundation.Waives("bearing"))
        {
            return 0;
        }

        var least = 0.0;
        foreach (var s in states)
        {
            s.Set(pedestal, BarLayer.None);
            s.Set(new BaseSize(1, 1, thickness));
            var g = s.Ground;
            foreach (var k in s.CombinationsFor(Loads.Family.Ground))
            {
                var c = s.Combinations[k];
                var allowed = g.MostStatedBearing * (c.Transient ? g.TransientIncrease : 1) * foundation.Rules.Sizing.Target;
                if (double.IsInfinity(allowed))
                {
                    continue;
                }

                allowed += g.Basis == Ground.BearingBasis.Net ? g.OverburdenBefore(s.Body.GroundColumn(k), s.Body.FoundingDepth) : 0;
                var left = allowed + s.Body.GroundLoad(k).WaterPressure - s.Body.WeightPerArea(k) - s.Place.LoadPressure(k);
                if (left > 0)
                {
                    least = Math.Max(least, (s.Place.Sums[k].N + s.Place.LoadForce(k) + s.Column.PrismWeight(k)) / left);
                }
            }
        }

        return least * (1 - 1e-6);
    }
}
