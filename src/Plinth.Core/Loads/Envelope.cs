namespace Plinth.Core.Loads;

/// <summary>A combination that lies on the outside of all at a support, and for what.</summary>
/// <param name="Index">Index of the combination.</param>
/// <param name="For">The families in which no weighted mean of others of its kind gives the same.</param>
/// <param name="Extremes">The components of which it has the highest or lowest value of its family: "most N", "least Mx".</param>
public sealed record EnvelopeEntry(int Index, Family For, IReadOnlyList<string> Extremes);

/// <summary>
/// Finds the combinations that can govern at a support. A combination whose action and weight factor are a weighted mean of those of others
/// of its
/// kind (families, transient, counteracting, least factor, limit state) is exceeded by one of them in every check that is quasi-convex in
/// the action.
/// Stability sums case by case, so there the factors on the cases that act at the support stand in place of their sum.
/// </summary>
public static class Envelope
{
    private const double Tolerance = 1e-9;
    private static readonly Family[] Families = [Family.Ground, Family.Stability, Family.Settlement, Family.Concrete, Family.Crack];
    private static readonly (string Name, Func<SupportAction, double> Of)[] Components = [("N", a => a.N), ("Fx", a => a.Fx),
        ("Fy", a => a.Fy), ("Mx", a => a.Mx), ("My", a => a.My)];

    /// <summary>Finds them.</summary>
    /// <param name="set">The combinations.</param>
    /// <param name="cases">The cases.</param>
    /// <param name="actions">The support's action in each case.</param>
    public static IReadOnlyList<EnvelopeEntry> Find(CombinationSet set, IReadOnlyList<LoadCase> cases, IReadOnlyList<SupportAction> actions)
    {
        ArgumentNullException.ThrowIfNull(set);
        ArgumentNullException.ThrowIfNull(cases);
        ArgumentNullException.ThrowIfNull(actions);
        var sums = set.Used.Select(c => c.Terms.Aggregate(default(SupportAction), (s, t) => s + (t.Factor * actions[t.Case]))).ToArray();
        var found = new Family[set.Used.Length];
        var extremes = set.Used.Select(_ => new List<string>()).ToArray();
        foreach (var family in Families)
        {
            var own = set.For(family).ToArray();
            var surcharge = cases.Select((c, i) => (c, i)).Where(p => p.c.IsSurcharge).Select(p => p.i).ToHashSet();
            double[] Vector(int k)
            {
                var c = set.Used[k];
                if (family == Family.Stability)
                {
                    var v = new double[1 + (2 * cases.Count)];
                    v[^1] = c.WeightFactor;
                    foreach (var t in c.Terms.Where(t => actions[t.Case] != default))
                    {
                        (v[2 * t.Case], v[(2 * t.Case) + 1]) = (t.Tips, t.Holds);
                    }

                    return v;
                }

                return [.. Components.Select(p => p.Of(sums[k])), c.WeightFactor,
                    c.Terms.Where(t => surcharge.Contains(t.Case)).Sum(t => t.Factor)];
            }

            foreach (var kind in own.GroupBy(k => (set.Used[k].For, set.Used[k].Transient, set.Used[k].Counteracting, set.Used[k].Least,
                set.Used[k].State)))
            {
                foreach (var k in Outside([.. kind.Select(k => (k, Vector(k)))]))
                {
                    found[k] |= family & set.Used[k].For;
                }
            }

            foreach (var (name, of) in Components)
            {
                if (own.Length > 0 && own.Any(k => of(sums[k]) != 0))
                {
                    Mark(extremes[own.MaxBy(k => of(sums[k]))], $"most {name}");
                    Mark(extremes[own.MinBy(k => of(sums[k]))], $"least {name}");
                }
            }
        }

        return [.. Enumerable.Range(0, found.Length)
            .Where(k => found[k] != Family.None)
            .Select(k => new EnvelopeEntry(k, found[k], extremes[k]))];
    }

    private static void Mark(List<string> list, string word)
    {
        if (!list.Contains(word))
        {
            list.Add(word);
        }
    }

    /// <summary>The vertices of the convex hull of points; of equal points the first.</summary>
    public static IEnumerable<int> Outside(IReadOnlyList<(int Key, double[] Point)> points)
    {
        ArgumentNullException.ThrowIfNull(points);
        if (points.Count == 0)
        {
            return [];
        }

        var size = points[0].Point.Length;
        var scale = Enumerable.Range(0, size).Select(i => points.Max(p => Math.Abs(p.Point[i]))).Select(m => m > 0 ? m : 1).ToArray();
        var left = new List<(int Key, double[] Point)>();
        foreach (var (key, point) in points)
        {
            double[] scaled = [.. point.Select((v, i) => v / scale[i])];
            if (!left.Any(p => p.Point.AsSpan().SequenceEqual(scaled)))
            {
                left.Add((key, scaled));
            }
        }

        // What lies inside may go at once: the hull of the rest stays the same.
        for (var i = left.Count - 1; i >= 0; i--)
        {
            if (IsMean(left[i].Point, [.. left.Where((_, j) => j != i).Select(p => p.Point)]))
            {
                left.RemoveAt(i);
            }
        }

        return left.Select(p => p.Key);
    }

    /// <summary>
    /// Whether a point is a weighted mean of others: λ ≥ 0, Σλ = 1, Σλ·q = p. Phase one of the simplex method with Bland's rule, which
    /// cannot cycle
    /// (R. G. Bland, Mathematics of Operations Research 2 (1977) 103–107).
    /// </summary>
    private static bool IsMean(double[] point, IReadOnlyList<double[]> others)
    {
        var (rows, columns) = (point.Length + 1, others.Count);
        var t = new double[rows + 1, columns + 1];
        for (var r = 0; r < rows; r++)
        {
            var b = r < point.Length ? point[r] : 1;
            var sign = b < 0 ? -1 : 1;
            for (var c = 0; c < columns; c++)
            {
                t[r, c] = sign * (r < point.Length ? others[c][r] : 1);
                t[rows, c] -= t[r, c];
            }

            t[r, columns] = sign * b;
            t[rows, columns] -= t[r, columns];
        }

        var basis = Enumerable.Range(columns, rows).ToArray();
        while (true)
        {
            var enter = Enumerable.Range(0, columns).Where(c => t[rows, c] < -Tolerance).DefaultIfEmpty(-1).First();
            if (enter < 0)
            {
                return -t[rows, columns] <= Tolerance * rows;
            }

            var leave = -1;
            for (var r = 0; r < rows; r++)
            {
                if (t[r, enter] > Tolerance)
                {
                    var ratio = leave < 0 ? -1 : (t[r, columns] / t[r, enter]).CompareTo(t[leave, columns] / t[leave, enter]);
                    leave = ratio < 0 || (ratio == 0 && basis[r] < basis[leave]) ? r : leave;
                }
            }

            if (leave < 0)
            {
                return false;
            }

            Pivot(t, leave, enter);
            basis[leave] = enter;
        }
    }

    private static void Pivot(double[,] t, int row, int column)
    {
        var width = t.GetLength(1);
        var by = t[row, column];
        for (var c = 0; c < width; c++)
        {
            t[row, c] /= by;
        }

        for (var r = 0; r < t.GetLength(0); r++)
        {
            var f = t[r, column];
            if (r == row || f == 0)
            {
                continue;
            }

            for (var c = 0; c < width; c++)
            {
                t[r, c] -= f * t[row, c];
            }
        }
    }
}
