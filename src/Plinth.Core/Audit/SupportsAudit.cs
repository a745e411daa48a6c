using System.Globalization;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Audit;

/// <summary>Supports held against each other: units, hinges, distances, uplift, ground.</summary>
internal static class SupportsAudit
{
    private const double Outlier = 200;
    private const double LongestLever = 100;
    private static readonly (string Name, Func<SupportAction, double> Of)[] Moments = [("Mx", a => a.Mx), ("My", a => a.My)];

    public static IEnumerable<Finding> Outliers(AuditData d)
    {
        double[] most = [.. Enumerable.Range(0, d.Supports.Count)
            .Select(i => Enumerable.Range(0, d.Cases.Count).Where(k => AuditData.IsDead(d.Cases[k])).Sum(k => Math.Abs(d.Action(i, k).N)))];
        var middle = AuditData.Median(most);
        for (var i = 0; i < d.Supports.Count && middle > 0; i++)
        {
            if (most[i] > Outlier * middle || (most[i] > 0 && most[i] < middle / Outlier))
            {
                yield return new Finding("unit-outlier", Grade.Warning, d.Supports[i].Label, null,
                    string.Create(CultureInfo.InvariantCulture,
                        $"support {d.Supports[i].Label} carries {Unit.Force.FormatWithSymbol(most[i], d.Project.Units)} of permanent load, "
                            + $"{Times(most[i] / middle)} what others carry"),
                    "compare its rows with the analysis: a decimal point or a unit is likely wrong");
            }
        }

        // One value alone that towers over its like in a case.
        (string Name, Func<SupportAction, double> Of)[] all = [("Fx", a => a.Fx), ("Fy", a => a.Fy), ("Fz", a => a.N), ("Mx", a => a.Mx),
            ("My", a => a.My)];
        for (var k = 0; k < d.Cases.Count; k++)
        {
            foreach (var (name, of) in all)
            {
                var values = d.Values(k, of);
                var peak = Enumerable.Range(0, values.Length).MaxBy(i => Math.Abs(values[i]));
                var second = values.Where((_, i) => i != peak).Select(Math.Abs).DefaultIfEmpty(0).Max();
                if (values.Length >= 4 && second > 0 && Math.Abs(values[peak]) > Outlier * second)
                {
                    var unit = name[0] == 'F' ? Unit.Force : Unit.Moment;
                    yield return new Finding("unit-outlier", Grade.Warning, d.Supports[peak].Label, d.Cases[k].Source,
                        $"{name} of {d.Supports[peak].Label} in {d.Cases[k].Source} is "
                            + $"{unit.FormatWithSymbol(values[peak], d.Project.Units)}, {Times(Math.Abs(values[peak]) / second)} the "
                            + "next largest", "compare this value with the analysis: a decimal point or a unit is likely wrong");
                }
            }
        }
    }

    public static IEnumerable<Finding> Levers(AuditData d)
    {
        foreach (var (name, of,
            shear) in (ReadOnlySpan<(string, Func<SupportAction, double>, Func<SupportAction, double>)>)[("Mx", a => a.Mx, a => a.Fy),
                ("My", a => a.My, a => a.Fx)])
        {
            var levers = new List<double>();
            for (var k = 0; k < d.Cases.Count; k++)
            {
                var least = 0.01 * d.Values(k, shear).Max(Math.Abs);
                for (var i = 0; i < d.Supports.Count; i++)
                {
                    var a = d.Action(i, k);
                    if (Math.Abs(shear(a)) > least && of(a) != 0)
                    {
                        levers.Add(of(a) / shear(a));
                    }
                }
            }

            var lever = AuditData.Median(levers);
            if (lever > LongestLever)
            {
                return [new Finding("moment-unit", Grade.Warning, null, null,
                    $"{name} is {Unit.Length.FormatWithSymbol(lever, d.Project.Units)} times the shear at the middle one of all supports: "
                        + "a unit of moment is likely wrong", $"compare the unit of {name} in reactions.csv with that of the analysis")];
            }
        }

        return [];
    }

    // Most are hinged, a few are not: a release was likely forgotten in the model.
    public static IEnumerable<Finding> Hinges(AuditData d)
    {
        foreach (var (name, of) in Moments)
        {
            double[] most = [.. Enumerable.Range(0, d.Supports.Count)
                .Select(i => Enumerable.Range(0, d.Cases.Count).Select(k => Math.Abs(of(d.Action(i, k)))).DefaultIfEmpty(0).Max())];
            var limit = 0.01 * most.DefaultIfEmpty(0).Max();
            var fixedOnes = d.Supports.Where((_, i) => most[i] > limit).ToList();
            if (fixedOnes.Count > 0 && fixedOnes.Count <= d.Supports.Count / 4)
            {
                yield return new Finding("moment-at-pin", Grade.Warning, fixedOnes[0].Label, null,
                    $"{name} acts at {Some(fixedOnes)} alone; the other {d.Supports.Count - fixedOnes.Count} supports are hinged "
                        + "about that axis", "right if these columns are fixed; else release them in the model");
            }
        }
    }

    public static IEnumerable<Finding> Uplift(AuditData d)
    {
        var p = d.Project;
        var lifted = new List<(Support Support, double N, string Combination)>();
        foreach (var s in d.Supports)
        {
            var (least, name) = (0.0, "");
            var actions = p.Actions[s.Label];
            foreach (var k in p.Combinations.For(Family.Uplift))
            {
                var c = p.Combinations.Used[k];
                var n = Sum(c, actions);
                (least, name) = n < least ? (n, c.Name) : (least, name);
            }

            if (least < 0)
            {
                lifted.Add((s, least, name));
            }
        }

        foreach (var (s, n, name) in lifted.OrderBy(l => l.N))
        {
            yield return new Finding("uplift", Grade.Note, s.Label, null,
                $"support {s.Label} is lifted by {Unit.Force.FormatWithSymbol(-n, p.Units)} under {name}",
                "these bases need weight, or piles in tension (the weight of the base is left aside here)");
        }
    }

    public static IEnumerable<Finding> Distances(AuditData d)
    {
        var grounds = d.Project.Foundations.SelectMany(f => f.Places)
            .SelectMany(p => p.Supports.Select(s => (s.Label, p.Ground.Bearing)))
            .DistinctBy(p => p.Label)
            .ToDictionary(p => p.Label, p => p.Bearing, StringComparer.Ordinal);
        double[] sides = [.. d.Supports.Select(s => grounds.TryGetValue(s.Label, out var bearing) ? Side(d, s, bearing) : 0)];
        var largest = sides.DefaultIfEmpty(0).Max();
        var near = new List<(int I, int J)>();
        for (var at = 0; at < d.ByX.Count; at++)
        {
            // Along x no pair further apart than the largest base can meet.
            for (var next = at + 1; next < d.ByX.Count && d.Supports[d.ByX[next]].X - d.Supports[d.ByX[at]].X < largest; next++)
            {
                var (i, j) = (Math.Min(d.ByX[at], d.ByX[next]), Math.Max(d.ByX[at], d.ByX[next]));
                var (a, b) = (d.Supports[i], d.Supports[j]);
                var reach = (sides[i] + sides[j]) / 2;
                if (Math.Abs(a.X - b.X) < reach && Math.Abs(a.Y - b.Y) < reach)
                {
                    near.Add((i, j));
                }
            }
        }

        var marks =
            d.Project.Foundations.SelectMany(f => f.Places.SelectMany(p => p.Supports.Select(s =>
                (s.Label, Place: f.Row is { } row ? (row.Grid, "") : (f.Mark, p.Name)))))
                .DistinctBy(x => x.Label)
                .ToDictionary(x => x.Label, x => x.Place, StringComparer.Ordinal);
        foreach (var (i, j) in near.Order())
        {
            var (a, b) = (d.Supports[i], d.Supports[j]);
            if (marks.TryGetValue(a.Label, out var first) && marks.TryGetValue(b.Label, out var second) && first == second)
            {
                continue;
            }

            var (dx, dy) = (a.X - b.X, a.Y - b.Y);
            string Show(double v) => Unit.Length.FormatWithSymbol(v, d.Project.Units);
            yield return new Finding("columns-near", Grade.Note, a.Label, null,
                $"supports {a.Label} and {b.Label} stand {Show(Math.Sqrt((dx * dx) + (dy * dy)))} apart; square bases of about "
                    + $"{Show(sides[i])} and {Show(sides[j])} would overlap",
                $"one base under both may serve better: supports = [\"{a.Label}\", \"{b.Label}\"] under [[foundation]] in plinth.toml");
        }
    }

    public static IEnumerable<Finding> Grounds(AuditData d)
    {
        var without = d.Supports.Where(s => s.Ground.Length == 0).ToList();
        if (without.Count > 0 && without.Count < d.Supports.Count)
        {
            yield return new Finding("no-ground", Grade.Note, without[0].Label, null,
                $"{without.Count} of {d.Supports.Count} supports name no ground and take [ground]: {Some(without)}",
                "name a ground for each, if the site has several");
        }
    }

    // Least square that the bearing value allows under the sustained combinations; nine tenths are left to the column.
    private static double Side(AuditData d, Support s, double bearing)
    {
        var p = d.Project;
        var actions = p.Actions[s.Label];
        var n = 0.0;
        foreach (var k in p.Combinations.For(Family.Ground))
        {
            n = p.Combinations.Used[k].Transient ? n : Math.Max(n, Sum(p.Combinations.Used[k], actions));
        }

        return Math.Sqrt(n / (0.9 * bearing));
    }

    private static double Sum(Combination c, SupportAction[] actions)
    {
        var n = 0.0;
        foreach (var t in c.Terms)
        {
            n += t.Factor * actions[t.Case].N;
        }

        return n;
    }

    private static string Times(double ratio) =>
        ratio >= 1
            ? string.Create(CultureInfo.InvariantCulture, $"{ratio:0} times")
            : string.Create(CultureInfo.InvariantCulture, $"1/{1 / ratio:0} of");

    private static string Some(List<Support> supports) =>
        string.Join(", ", supports.Take(6).Select(s => s.Label))
            + (supports.Count > 6 ? string.Create(CultureInfo.InvariantCulture, $" and {supports.Count - 6} more") : "");
}
