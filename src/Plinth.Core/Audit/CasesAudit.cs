using System.Globalization;
using Plinth.Core.Loads;

namespace Plinth.Core.Audit;

/// <summary>Cases held against each other and against what the load standard needs.</summary>
internal static class CasesAudit
{
    private static readonly (string Name, Func<SupportAction, double> Of)[] Components = [("Fx", a => a.Fx), ("Fy", a => a.Fy),
        ("Fz", a => a.N), ("Mx", a => a.Mx), ("My", a => a.My), ("Mz", a => a.Mz)];

    public static IEnumerable<Finding> Empty(AuditData d)
    {
        for (var k = 0; k < d.Cases.Count; k++)
        {
            if (Enumerable.Range(0, d.Supports.Count).All(i => d.Action(i, k) == default))
            {
                yield return new Finding("case-zero", Grade.Warning, null, d.Cases[k].Source,
                    $"case {d.Cases[k].Source} is zero at every support", "import its rows, or take it out of [cases]");
            }
        }
    }

    public static IEnumerable<Finding> Extremes(AuditData d) =>
        d.Cases.Where(c => LoadCase.HoldsExtremes(c.Source))
            .Select(c => new Finding("extremes", Grade.Warning, null, c.Source,
                $"case {c.Source} holds maxima or minima by its name: each component is the extreme of another moment, so they never "
                    + "act together", "take the cases or steps themselves"));

    public static IEnumerable<Finding> Columns(AuditData d)
    {
        foreach (var (name, of) in Components)
        {
            double[] all = [.. Enumerable.Range(0, d.Cases.Count).SelectMany(k => d.Values(k, of))];
            if (all.Length > 1 && all.All(v => v == all[0]))
            {
                yield return all[0] == 0
                    ? new Finding("column-zero", Grade.Note, null, null, $"{name} is zero in every row",
                        name is "Mx" or "My" or "Mz"
                            ? "right if the columns are hinged there; else import the column"
                            : "import the column, if the analysis has it")
                    : new Finding("column-constant", Grade.Warning, null, null,
                        string.Create(CultureInfo.InvariantCulture, $"{name} has the same value, {all[0]:0.###}, in every row"),
                        "the wrong column was likely imported");
            }
        }
    }

    // One case under two names doubles a load without a trace in the totals of either.
    public static IEnumerable<Finding> Alike(AuditData d)
    {
        for (var k = 0; k < d.Cases.Count; k++)
        {
            for (var j = k + 1; j < d.Cases.Count; j++)
            {
                if (Ratio(d, k, j) is not { } ratio || Math.Abs(ratio) < 1e-9)
                {
                    continue;
                }

                var (a, b) = (d.Cases[k], d.Cases[j]);
                if (Math.Abs(ratio - 1) < 1e-6)
                {
                    // Loads on a roof exclude each other, so equal ones count once.
                    var exclude = IsRoof(a) && IsRoof(b);
                    yield return new Finding("cases-alike", exclude ? Grade.Note : Grade.Warning, null, b.Source,
                        $"case {b.Source} equals {a.Source} at every support: the same case under two "
                            + $"names{(exclude ? "" : " counts twice")}",
                        "take one out, or import the right one, unless the loads are equal");
                }
                else if (a.Symbol == b.Symbol && ratio > 0 && AuditData.IsGravity(a))
                {
                    yield return new Finding("cases-proportional", Grade.Note, null, b.Source,
                        string.Create(CultureInfo.InvariantCulture,
                            $"case {b.Source} is {ratio:0.###} times {a.Source} at every support and has the same symbol: right for even "
                                + $"loads; a factored copy would count twice"), "take it out if it is a combination");
                }
            }
        }
    }

    public static IEnumerable<Finding> Mirror(AuditData d)
    {
        for (var k = 0; k < d.Cases.Count; k++)
        {
            var c = d.Cases[k];
            if (c.Symbol is not (LoadSymbol.W or LoadSymbol.E) || c.Reversible)
            {
                continue;
            }

            var (fx, fy) = (d.Totals[k].Fx, d.Totals[k].Fy);
            var size = Math.Sqrt((fx * fx) + (fy * fy));
            var mirrored = Enumerable.Range(0, d.Cases.Count)
                .Any(j => j != k && d.Cases[j].Symbol == c.Symbol && Opposite(fx, fy, size, d.Totals[j]));
            if (size > 0 && !mirrored)
            {
                yield return new Finding("no-mirror", Grade.Warning, null, c.Source,
                    $"case {c.Source} ({c.Symbol}) pushes one way; no other case pushes back and it is not reversible",
                    $"add the case of the other direction, or write {c.Source} = {{ symbol = \"{c.Symbol}\", reversible = true }}");
            }
        }
    }

    public static IEnumerable<Finding> Symbols(AuditData d)
    {
        var standard = d.Project.Standard;
        (string What, LoadSymbol[] Any)[] wanted = standard is En1990
            ? [("permanent", [LoadSymbol.G]), ("imposed", [LoadSymbol.Q]), ("snow", [LoadSymbol.S]), ("wind", [LoadSymbol.W]),
                ("earthquake", [LoadSymbol.E])]
            : standard is Asce7
                ? [("dead", [LoadSymbol.D]), ("live", [LoadSymbol.L]), ("roof", [LoadSymbol.Lr, LoadSymbol.S, LoadSymbol.R]),
                    ("wind", [LoadSymbol.W]), ("earthquake", [LoadSymbol.E])]
            : [];
        foreach (var (what, any) in wanted)
        {
            if (!d.Project.Cases.Any(c => c.Symbol is { } s && any.Contains(s)))
            {
                var dead = what is "dead" or "permanent";
                yield return new Finding("symbol-missing", dead ? Grade.Warning : Grade.Note, null, null,
                    $"no case is {(what[0] is 'e' or 'i' ? "an" : "a")} {what} load ({string.Join(", ", any)}): the combinations of "
                        + $"{standard.Name} that are about it are left out", "add the case, if the building has the load");
            }
        }
    }

    private static bool IsRoof(LoadCase c) => c.Symbol is LoadSymbol.Lr or LoadSymbol.S or LoadSymbol.R;

    private static bool Opposite(double fx, double fy, double size, in LoadTotals other)
    {
        var o = Math.Sqrt((other.Fx * other.Fx) + (other.Fy * other.Fy));
        return o > 0 && ((fx * other.Fx) + (fy * other.Fy)) / (size * o) < -0.95 && o > size / 3;
    }

    // The one number that makes a case of another at every support, or null.
    private static double? Ratio(AuditData d, int k, int j)
    {
        double xy = 0, xx = 0, yy = 0;
        for (var i = 0; i < d.Supports.Count; i++)
        {
            var (a, b) = (d.Action(i, k), d.Action(i, j));
            foreach (var (_, of) in Components)
            {
                (xy, xx, yy) = (xy + (of(a) * of(b)), xx + (of(a) * of(a)), yy + (of(b) * of(b)));
            }
        }

        if (xx == 0 || yy == 0)
        {
            return null;
        }

        // Rounded digits of an export may differ; what is left over must be less than they are.
        var ratio = xy / xx;
        var rest = yy - (ratio * xy);
        return rest <= 1e-8 * yy ? Math.Abs(ratio - 1) < 1e-4 ? 1 : ratio : null;
    }
}
