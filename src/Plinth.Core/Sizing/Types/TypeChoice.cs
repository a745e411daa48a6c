namespace Plinth.Core.Sizing;

/// <summary>
/// Chooses at most N of some candidate types so that every footing is served and the total cost is least. Each footing takes the cheapest
/// chosen type that serves it.
/// </summary>
/// <remarks>
/// Branch and bound (A. H. Land, A. G. Doig, Econometrica 28 (1960) 497–520). The bound relaxes which type serves which footing to an
/// order: a footing may take any
/// type that costs at least as much as the cheapest that truly serves it. In that order the best N are found exactly by dynamic
/// programming, and no true choice
/// can cost less, as every true one is allowed in it. Where the relaxed choice truly serves every footing at its cost, it is the optimum of
/// the branch; else the
/// search goes on with one of its types taken and with it left out. All choices lie in one branch or the other, so what is left at the end
/// is least of all; where
/// branches are cut by time or because they can save too little, the least of their bounds says how far the choice may be from the least
/// possible.
/// A first choice is found by taking in turn the type that saves most, then by exchanging one at a time.
/// </remarks>
public sealed class TypeChoice
{
    private const int MostNodes = 50_000;
    private const int ManyFootings = 64;
    private const double Unserved = 1e15;

    private readonly double[] costs;
    private readonly double[] weights;
    private readonly Func<int, int, bool> serves;
    private readonly sbyte[,] known;
    private readonly int[] byCost;
    private int nodes;
    private double best;
    private double lowest;
    private double within;
    private DateTime until = DateTime.MaxValue;
    private int[] bestTypes = [];
    private int[] warm = [];
    private bool doubts;

    /// <summary>Prepares the choice.</summary>
    /// <param name="costs">Cost of one of each candidate.</param>
    /// <param name="weights">How many of each footing there are.</param>
    /// <param name="serves">Whether a candidate serves a footing; asked once for a pair, of different footings at once.</param>
    public TypeChoice(IReadOnlyList<double> costs, IReadOnlyList<double> weights, Func<int, int, bool> serves)
    {
        this.costs = [.. costs];
        this.weights = [.. weights];
        this.serves = serves;
        known = new sbyte[this.costs.Length, this.weights.Length];
        byCost = [.. Enumerable.Range(0, this.costs.Length).OrderBy(t => this.costs[t]).ThenBy(t => t)];
    }

    /// <summary>The best choice of at most some types; null if no choice of so few serves all.</summary>
    /// <param name="most">How many.</param>
    /// <param name="near">Choices that would save less than this share are not looked for.</param>
    /// <param name="time">When to stop; the best so far is returned.</param>
    public ChosenTypes? Best(int most, double near = 0, DateTime? time = null)
    {
        if (weights.Length == 0 || most < 1)
        {
            return null;
        }

        (nodes, best, bestTypes, lowest, within, until) = (0, double.PositiveInfinity, [], double.PositiveInfinity, near,
            time ?? DateTime.MaxValue);
        if (time is not null)
        {
            Greedy(most);
        }

        Search(most, [], new bool[costs.Length]);
        if (double.IsInfinity(best))
        {
            return null;
        }

        warm = bestTypes;
        var types = bestTypes.OrderBy(t => costs[t]).ThenBy(t => t).ToArray();
        var of = new int[weights.Length];
        for (var i = 0; i < of.Length; i++)
        {
            of[i] = types.First(t => Serves(t, i));
        }

        return new ChosenTypes([.. types.Where(of.Contains)], of, best,
            lowest >= best ? 0 : lowest > 0 ? (best / lowest) - 1 : double.PositiveInfinity);
    }

    /// <summary>Forgets what served: it is asked again, as a closer look has found otherwise.</summary>
    public void Doubt() => doubts = true;

    private bool OutOfTime => DateTime.UtcNow >= until;

    // The last choice with types added by what they save, then exchanged one by one while that saves more.
    private void Greedy(int most)
    {
        var n = weights.Length;
        var chosen = warm.Take(most).ToList();
        double Total(List<int> types)
        {
            var ordered = types.OrderBy(t => costs[t]).ToArray();
            var sum = 0.0;
            for (var i = 0; i < n; i++)
            {
                var pays = Array.FindIndex(ordered, t => Serves(t, i));
                sum += weights[i] * (pays < 0 ? Unserved : costs[ordered[pays]]);
            }

            return sum;
        }

        var total = Total(chosen);
        while (chosen.Count < most && !OutOfTime)
        {
            var (add, least) = (-1, total);
            for (var t = 0; t < costs.Length && !OutOfTime; t++)
            {
                if (!chosen.Contains(t) && Total([.. chosen, t]) is var with && with < least)
                {
                    (add, least) = (t, with);
                }
            }

            if (add < 0)
            {
                break;
            }

            chosen.Add(add);
            total = least;
        }

        for (var again = true; again && !OutOfTime;)
        {
            again = false;
            for (var j = 0; j < chosen.Count; j++)
            {
                for (var t = 0; t < costs.Length && !OutOfTime; t++)
                {
                    if (chosen.Contains(t))
                    {
                        continue;
                    }

                    var was = chosen[j];
                    chosen[j] = t;
                    if (Total(chosen) is var exchanged && exchanged < total * (1 - 1e-12))
                    {
                        (total, again) = (exchanged, true);
                    }
                    else
                    {
                        chosen[j] = was;
                    }
                }
            }
        }

        if (total < Unserved)
        {
            (best, bestTypes) = (total, [.. chosen]);
        }
    }

    private bool Serves(int t, int i)
    {
        // What serves may turn out not to under a closer look; what does not stays so.
        if (known[t, i] == 0 || (known[t, i] > 0 && doubts))
        {
            known[t, i] = (sbyte)(serves(t, i) ? 1 : -1);
        }

        return known[t, i] > 0;
    }

    // Asking whether a type serves may take long; footings are asked side by side.
    private void Each(Action<int> work)
    {
        if (weights.Length >= ManyFootings)
        {
            Parallel.For(0, weights.Length, work);
            return;
        }

        for (var i = 0; i < weights.Length; i++)
        {
            work(i);
        }
    }

    private void Search(int most, List<int> taken, bool[] leftOut)
    {
        // What each footing pays at most (with the types taken) and at least (with any that is not left out).
        var n = weights.Length;
        var high = new double[n];
        var low = new double[n];
        for (var i = 0; i < n; i++)
        {
            high[i] = taken.Where(t => Serves(t, i)).Select(t => costs[t]).DefaultIfEmpty(double.PositiveInfinity).Min();
            low[i] = high[i];
            foreach (var t in byCost)
            {
                if (costs[t] >= low[i])
                {
                    break;
                }

                if (!leftOut[t] && Serves(t, i))
                {
                    low[i] = costs[t];
                    break;
                }
            }

            if (double.IsInfinity(low[i]))
            {
                return;
            }
        }

        var (bound, levels) = Relaxed(most - taken.Count, low, high);
        if (bound >= best - (1e-9 * Math.Abs(bound)))
        {
            return;
        }

        if (bound * (1 + within) >= best || ++nodes >= MostNodes || OutOfTime)
        {
            lowest = Math.Min(lowest, bound);
            if (double.IsFinite(best))
            {
                return;
            }
        }

        var chosen = levels.Select(l => byCost.First(t => costs[t] == l && !leftOut[t])).ToList();
        var (real, worst) = Real([.. taken, .. chosen], low, chosen);
        if (real < best)
        {
            (best, bestTypes) = (real, [.. taken, .. chosen]);
        }

        if (real <= bound + (1e-9 * Math.Abs(bound)) || worst < 0)
        {
            return;
        }

        Search(most, [.. taken, worst], leftOut);
        leftOut[worst] = true;
        Search(most, taken, leftOut);
        leftOut[worst] = false;
    }

    // The true cost of a choice, and of its new types the one that disappoints most.
    private (double Cost, int Worst) Real(List<int> types, double[] low, List<int> fresh)
    {
        // Cheapest first: the first that serves is what a footing pays. No type below a footing's own least serves it.
        var ordered = types.OrderBy(t => costs[t]).ToArray();
        var pays = new double[weights.Length];
        Each(i =>
        {
            pays[i] = double.PositiveInfinity;
            foreach (var t in ordered)
            {
                if (costs[t] >= low[i] && Serves(t, i))
                {
                    pays[i] = costs[t];
                    break;
                }
            }
        });
        var cost = 0.0;
        var missed = new double[costs.Length];
        for (var i = 0; i < weights.Length; i++)
        {
            cost += weights[i] * pays[i];
            foreach (var t in fresh)
            {
                if (costs[t] >= low[i] && costs[t] < pays[i])
                {
                    missed[t] += weights[i];
                }
            }
        }

        return (cost, fresh.Count == 0 ? -1 : fresh.MaxBy(t => missed[t]));
    }

    // The best cost levels, at most k, where a footing pays the least level that is no lower than its own, or what it has already.
    private (double Cost, List<double> Levels) Relaxed(int k, double[] low, double[] high)
    {
        var order = Enumerable.Range(0, low.Length).Where(i => low[i] < high[i]).OrderBy(i => low[i]).ToArray();
        var settled = 0.0;
        for (var i = 0; i < low.Length; i++)
        {
            settled += low[i] < high[i] ? 0 : weights[i] * high[i];
        }

        // Groups of one level; ends[j] is one past the last footing of level j.
        var levels = new List<double>();
        var ends = new List<int>();
        for (var i = 0; i < order.Length; i++)
        {
            if (i == 0 || low[order[i]] > low[order[i - 1]])
            {
                levels.Add(low[order[i]]);
                ends.Add(i);
            }

            ends[^1] = i + 1;
        }

        var m = levels.Count;
        var cost = new double[k + 1, m + 1];
        var from = new int[k + 1, m + 1];
        for (var used = 0; used <= k; used++)
        {
            for (var j = 0; j <= m; j++)
            {
                cost[used, j] = j == 0 ? 0 : double.PositiveInfinity;
            }
        }

        // cost[used, j]: the first j levels' footings, the j-th level chosen.
        for (var j = 1; j <= m; j++)
        {
            var segment = 0.0;
            for (var a = j - 1; a >= 0; a--)
            {
                for (var i = a == 0 ? 0 : ends[a - 1]; i < ends[a]; i++)
                {
                    segment += weights[order[i]] * Math.Min(high[order[i]], levels[j - 1]);
                }

                for (var used = 1; used <= k; used++)
                {
                    var total = cost[used - 1, a] + segment;
                    if (total < cost[used, j])
                    {
                        (cost[used, j], from[used, j]) = (total, a);
                    }
                }
            }
        }

        // Footings above the last level chosen pay what they have.
        var (bestCost, bestUsed, bestLast) = (double.PositiveInfinity, 0, 0);
        var above = 0.0;
        for (var j = m; j >= 0; j--)
        {
            for (var used = 0; used <= k; used++)
            {
                if (cost[used, j] + above < bestCost)
                {
                    (bestCost, bestUsed, bestLast) = (cost[used, j] + above, used, j);
                }
            }

            for (var i = j < 2 ? 0 : ends[j - 2]; j > 0 && i < ends[j - 1]; i++)
            {
                above += weights[order[i]] * high[order[i]];
            }
        }

        var chosen = new List<double>();
        for (var (used, j) = (bestUsed, bestLast); j > 0; (used, j) = (used - 1, from[used, j]))
        {
            chosen.Add(levels[j - 1]);
        }

        return (settled + bestCost, chosen);
    }
}
