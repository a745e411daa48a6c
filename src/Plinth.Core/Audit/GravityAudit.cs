using System.Globalization;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Audit;

/// <summary>Whether weight presses down, as much as a building weighs, and where it should.</summary>
internal static class GravityAudit
{
    private const double LightestPressure = 0.5;
    private const double HeaviestPressure = 100;
    private const int Neighbours = 4;
    private const double StatedTolerance = 0.005;

    public static IEnumerable<Finding> Direction(AuditData d)
    {
        var dead = d.Cases.Select((c, k) => (c, k))
            .Where(p => AuditData.IsDead(p.c))
            .Select(p => d.Totals[p.k])
            .Aggregate(default(LoadTotals), (a, b) => new(a.N + b.N, a.Fx + b.Fx, a.Fy + b.Fy, 0, 0, 0));
        string Show(double v) => Unit.Force.FormatWithSymbol(v, d.Project.Units);
        if (Math.Max(Math.Abs(dead.Fx), Math.Abs(dead.Fy)) > Math.Abs(dead.N))
        {
            // Of the action; weight presses along it, so up is the other way.
            var alongX = Math.Abs(dead.Fx) > Math.Abs(dead.Fy);
            var axes = alongX ? "[\"y\", \"z\", \"x\"]" : "[\"x\", \"-z\", \"y\"]";
            var upward = alongX ? dead.Fx < 0 : dead.Fy < 0;
            yield return new Finding("gravity-sideways", Grade.Error, null, null,
                $"permanent cases add up to {Show(alongX ? dead.Fx : dead.Fy)} along {(alongX ? "x" : "y")} and {Show(dead.N)} downwards: "
                    + $"the model's {(alongX ? "x" : "y")} axis is likely up",
                $"import with axes = {axes}{(upward ? "" : " and the other sense")}, which makes them press down");
        }
        else if (dead.N < 0)
        {
            yield return new Finding("gravity-lifts", Grade.Error, null, null,
                $"permanent cases add up to {Show(-dead.N)} upwards: the sense is likely turned round",
                "write the other sense in [loads] (reaction: +Fz holds the column up; action: −Fz presses down), which makes "
                    + "them press down");
        }
        else
        {
            for (var k = 0; k < d.Cases.Count; k++)
            {
                var c = d.Cases[k];
                if (AuditData.IsGravity(c) && !c.Reversible && d.Totals[k].N < 0
                    && -d.Totals[k].N > 0.05 * d.Values(k, a => a.N).Sum(Math.Abs))
                {
                    yield return new Finding("case-lifts", Grade.Warning, null, c.Source,
                        $"case {c.Source} ({c.Symbol}) adds up to {Show(-d.Totals[k].N)} upwards, where the permanent cases press down: "
                            + "its sign is likely wrong", "turn the sign of its rows, or give it the symbol of what it is");
                }
            }
        }
    }

    public static IEnumerable<Finding> Pressure(AuditData d)
    {
        var dead = d.Cases.Select((c, k) => (c, k)).Where(p => AuditData.IsDead(p.c)).Sum(p => d.Totals[p.k].N);
        var area = AuditData.Area(d.Outline());
        if (dead <= 0 || area < 1 || d.Supports.Count < 4)
        {
            yield break;
        }

        var pressure = dead / area;
        if (pressure is < LightestPressure or > HeaviestPressure)
        {
            var units = d.Project.Units;
            string Show(double p) => Unit.Pressure.FormatWithSymbol(p, units);
            yield return new Finding("plan-pressure", Grade.Warning, null, null,
                $"permanent load over the plan of the supports is {Show(pressure)}: "
                    + (pressure < LightestPressure ? $"lighter than any building (from {Show(LightestPressure)})"
                        : $"heavier than thirty storeys (to {Show(HeaviestPressure)})")
                    + "; a unit of force or length is likely wrong (1 kip = 4.448 kN, 1 tonf = 9.807 kN)",
                "compare the units in the headers of reactions.csv and supports.csv with those of the analysis");
        }
    }

    public static IEnumerable<Finding> Neighbour(AuditData d)
    {
        if (d.Supports.Count <= Neighbours)
        {
            yield break;
        }

        var nearest = Nearest(d);
        for (var i = 0; i < d.Supports.Count; i++)
        {
            var near = nearest[i];
            var odd = new List<string>();
            for (var k = 0; k < d.Cases.Count; k++)
            {
                // Of a live load some bays pull their neighbours up a little: only permanent weight must press everywhere.
                if (!AuditData.IsGravity(d.Cases[k]) || d.Cases[k].Reversible || d.Totals[k].N <= 0)
                {
                    continue;
                }

                var own = d.Action(i, k).N;
                double[] others = [.. near.Select(j => d.Action(j, k).N)];
                if (own < 0 && others.All(n => n > 0) && -own > AuditData.Median(others) / 2)
                {
                    odd.Add(d.Cases[k].Source);
                }
            }

            if (odd.Count > 0)
            {
                yield return new Finding("sign-unlike", Grade.Warning, d.Supports[i].Label, odd.Count == 1 ? odd[0] : null,
                    $"support {d.Supports[i].Label} is lifted by {string.Join(", ", odd)}, which press{(odd.Count == 1 ? "es" : "")} on "
                        + $"all {Neighbours} supports around it: the sign of its rows is likely wrong",
                    "compare these rows with the analysis");
            }
        }
    }

    public static IEnumerable<Finding> Resultant(AuditData d)
    {
        var outline = d.Outline();
        if (outline.Count < 3)
        {
            yield break;
        }

        for (var k = 0; k < d.Cases.Count; k++)
        {
            if (AuditData.IsGravity(d.Cases[k]) && d.Totals[k].N > 0 && d.Totals[k].Resultant is { } r && !Within(outline, r))
            {
                string Show(double v) => Unit.Length.Format(v, d.Project.Units);
                yield return new Finding("resultant-outside", Grade.Warning, null, d.Cases[k].Source,
                    $"the resultant of {d.Cases[k].Source} acts at x {Show(r.X)}, y {Show(r.Y)} {Unit.Length.Symbol(d.Project.Units)}, "
                        + "outside the plan of the supports: moments, coordinates or their units are likely wrong",
                    "compare a moment and a coordinate with the analysis");
            }
        }
    }

    public static IEnumerable<Finding> Stated(AuditData d, IReadOnlyDictionary<string, StatedTotal> stated)
    {
        for (var k = 0; k < d.Cases.Count; k++)
        {
            if (!stated.TryGetValue(d.Cases[k].Source, out var s))
            {
                continue;
            }

            var t = d.Totals[k];
            var scale = Math.Max(Math.Abs(s.N ?? 0), Math.Max(Math.Abs(s.Fx ?? 0), Math.Abs(s.Fy ?? 0)));
            (string Name, double? Want, double Has)[] components = [("N", s.N, t.N), ("Fx", s.Fx, t.Fx), ("Fy", s.Fy, t.Fy)];
            foreach (var (name, want, has) in components)
            {
                if (want is { } w && Math.Abs(has - w) > StatedTolerance * scale)
                {
                    string Show(double v) => Unit.Force.FormatWithSymbol(v, d.Project.Units);
                    yield return new Finding("total-differs", Grade.Error, null, d.Cases[k].Source,
                        $"{name} of {d.Cases[k].Source} adds up to {Show(has)}, the analysis reports {Show(w)}{Ratio(has / w)}",
                        "mend the reactions, or [totals] if the analysis was run again");
                }
            }
        }
    }

    private static string Ratio(double ratio)
    {
        (double Value, string Says)[] known =
        [
            (-1, "the sign is turned round"), (2, "it is there twice"), (4.4482216, "kN were read as kip"),
            (1 / 4.4482216, "kip were read as kN"), (9.80665, "kN were read as tonf"), (1 / 9.80665, "tonf were read as kN"),
            (1000, "a factor of a thousand"), (0.001, "a factor of a thousand"), (4.4482216 * 1000, "a unit of force is wrong"),
        ];
        foreach (var (value, says) in known)
        {
            if (Math.Abs((ratio / value) - 1) < 0.01)
            {
                return string.Create(CultureInfo.InvariantCulture, $": {ratio:0.###} times as much, so {says}");
            }
        }

        return double.IsFinite(ratio) ? string.Create(CultureInfo.InvariantCulture, $": {ratio:0.###} times as much") : "";
    }

    private static bool Within(IReadOnlyList<(double X, double Y)> outline, (double X, double Y) p)
    {
        for (var i = 0; i < outline.Count; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Count]);
            if (((b.X - a.X) * (p.Y - a.Y)) - ((b.Y - a.Y) * (p.X - a.X)) < -1e-6 * (Math.Abs(b.X - a.X) + Math.Abs(b.Y - a.Y)))
            {
                return false;
            }
        }

        return true;
    }

    // From each support outwards along x, until no further one can be nearer than those found.
    private static int[][] Nearest(AuditData d)
    {
        var result = new int[d.Supports.Count][];
        var distances = new double[Neighbours];
        for (var at = 0; at < d.ByX.Count; at++)
        {
            var i = d.ByX[at];
            var found = result[i] = new int[Neighbours];
            Array.Fill(distances, double.PositiveInfinity);
            var (low, high) = (at - 1, at + 1);
            while (low >= 0 || high < d.ByX.Count)
            {
                var below = low >= 0 ? d.Supports[i].X - d.Supports[d.ByX[low]].X : double.PositiveInfinity;
                var above = high < d.ByX.Count ? d.Supports[d.ByX[high]].X - d.Supports[i].X : double.PositiveInfinity;
                var dx = Math.Min(below, above);
                if (dx * dx >= distances[^1])
                {
                    break;
                }

                var j = below <= above ? d.ByX[low--] : d.ByX[high++];
                var dy = d.Supports[i].Y - d.Supports[j].Y;
                Insert(found, distances, j, (dx * dx) + (dy * dy));
            }
        }

        return result;
    }

    private static void Insert(int[] found, double[] distances, int j, double distance)
    {
        if (distance >= distances[^1])
        {
            return;
        }

        var slot = found.Length - 1;
        for (; slot > 0 && distances[slot - 1] > distance; slot--)
        {
            (distances[slot], found[slot]) = (distances[slot - 1], found[slot - 1]);
        }

        (distances[slot], found[slot]) = (distance, j);
    }
}
