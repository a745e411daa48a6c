using CsCheck;
using Plinth.Core.Sizing;

namespace Plinth.Core.Tests;

/// <summary>The choice of types is the least of all: every subset of candidates is tried.</summary>
public class TypeChoiceTests
{
    private static double BruteForce(double[] costs, double[] weights, bool[,] serves, int most)
    {
        var best = double.PositiveInfinity;
        for (var set = 1; set < 1 << costs.Length; set++)
        {
            if (System.Numerics.BitOperations.PopCount((uint)set) > most)
            {
                continue;
            }

            var total = 0.0;
            for (var i = 0; i < weights.Length; i++)
            {
                var pays = double.PositiveInfinity;
                for (var t = 0; t < costs.Length; t++)
                {
                    if ((set & (1 << t)) != 0 && serves[t, i])
                    {
                        pays = Math.Min(pays, costs[t]);
                    }
                }

                total += weights[i] * pays;
            }

            best = Math.Min(best, total);
        }

        return best;
    }

    // Mostly a ladder, where dearer types serve more, with exceptions; at times no order at all, at times several of one cost.
    private static readonly Gen<(double[] Costs, double[] Weights, bool[,] Serves)> Cases =
        from types in Gen.Int[1, 11]
        from footings in Gen.Int[1, 12]
        from costs in Gen.Double[1, 10].Array[types]
        from needs in Gen.Double[0.5, 10].Array[footings]
        from weights in Gen.Int[1, 4].Array[footings]
        from noise in Gen.Double[0, 1].Array[types * footings]
        from whole in Gen.Bool
        from disorder in Gen.OneOf(Gen.Const(0.0), Gen.Const(0.1), Gen.Const(0.4))
        let rounded = whole ? [.. costs.Select(c => Math.Ceiling(c))] : costs
        select (rounded, weights.Select(w => (double)w).ToArray(), Matrix(rounded, needs, noise, disorder));

    private static bool[,] Matrix(double[] costs, double[] needs, double[] noise, double disorder)
    {
        var serves = new bool[costs.Length, needs.Length];
        for (var t = 0; t < costs.Length; t++)
        {
            for (var i = 0; i < needs.Length; i++)
            {
                serves[t, i] = (costs[t] >= needs[i]) ^ (noise[(t * needs.Length) + i] < disorder);
            }
        }

        return serves;
    }

    [Fact]
    public void No_choice_of_so_many_types_costs_less() => Cases.Sample(
        c =>
        {
            var choice = new TypeChoice(c.Costs, c.Weights, (t, i) => c.Serves[t, i]);
            for (var most = 1; most <= 4; most++)
            {
                var expected = BruteForce(c.Costs, c.Weights, c.Serves, most);
                var found = choice.Best(most);
                if (double.IsInfinity(expected))
                {
                    found.Should().BeNull();
                    continue;
                }

                found!.Cost.Should().BeApproximately(expected, 1e-9 * expected);
                found.Proven.Should().BeTrue();
                found.Types.Count.Should().BeLessThanOrEqualTo(most);
                found.Of.Select((t, i) => c.Serves[t, i]).Should().OnlyContain(s => s);
                found.Of.Select((t, i) => c.Weights[i] * c.Costs[t]).Sum().Should().BeApproximately(expected, 1e-9 * expected);
            }
        },
        iter: 3000);

    [Fact]
    public void More_types_never_cost_more() => Cases.Sample(
        c =>
        {
            var choice = new TypeChoice(c.Costs, c.Weights, (t, i) => c.Serves[t, i]);
            var last = double.PositiveInfinity;
            for (var most = 1; most <= 6; most++)
            {
                var cost = choice.Best(most)?.Cost ?? double.PositiveInfinity;
                cost.Should().BeLessThanOrEqualTo(last * (1 + 1e-12));
                last = cost;
            }
        },
        iter: 500);
}
