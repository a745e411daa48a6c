using Plinth.Core.Bodies;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Sizing;

/// <summary>The plan area below which bearing cannot pass, found without a trial of any plan.</summary>
internal static class LeastArea
{
    // The check decides what is this near.
    private const double Margin = 1e-6;

    /// <summary>
    /// The area at a place for the thickness that its trial holds, whatever the plan, m2: the mean pressure never exceeds the highest. 0
    /// where bearing is waived or stated nowhere.
    /// </summary>
    /// <param name="s">The trial.</param>
    /// <param name="foundation">The foundation.</param>
    public static double Of(Trial s, Foundation foundation)
    {
        if (foundation.Waives("bearing"))
        {
            return 0;
        }

        var (least, g) = (0.0, s.Ground);
        if (s.Body.Bed is { Grounds.Count: > 1 })
        {
            // Which ground bears how much is found by its springs alone.
            return 0;
        }

        foreach (var k in s.CombinationsFor(Family.Ground))
        {
            var c = s.Combinations[k];
            var allowed = g.StatedIn(c.State, g.MostStatedBearing) * (c.Transient ? g.TransientIncrease : 1)
                * foundation.Rules.Sizing.Target;
            if (double.IsInfinity(allowed))
            {
                continue;
            }

            allowed += g.IsNet(c.State) ? g.OverburdenBefore(s.Body.GroundColumn(k), s.Body.FoundingDepth) : 0;
            var left = allowed + s.Body.GroundLoad(k).WaterPressure - s.Body.WeightPerArea(k) - s.Place.LoadPressure(k);
            var down = s.Place.Sums[k].N + s.Place.LoadForce(k);
            foreach (var column in s.Columns)
            {
                down += column.PrismWeight(k);
            }

            least = left > 0 ? Math.Max(least, down / left) : least;
        }

        return least * (1 - Margin);
    }
}
