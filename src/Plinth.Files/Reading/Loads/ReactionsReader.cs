using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Tables;

namespace Plinth.Files.Reading;

/// <summary>Reads reactions.csv into actions.</summary>
internal static class ReactionsReader
{
    private static readonly CsvColumn[] Columns =
    [
        new("support", null, true), new("case", null, true), new("Fx", Measure.Force), new("Fy", Measure.Force), new("Fz", Measure.Force),
        new("Mx", Measure.Moment), new("My", Measure.Moment), new("Mz", Measure.Moment),
    ];

    /// <summary>Reads the actions of every support in every case.</summary>
    /// <param name="text">The content.</param>
    /// <param name="name">The file's name in messages.</param>
    /// <param name="supports">The supports with the place of each.</param>
    /// <param name="labels">All labels of supports.csv, also of rows with faults.</param>
    /// <param name="cases">Index of each case; SURCHARGE among them has no rows.</param>
    /// <param name="caseFault">Says what to do about a case without symbol.</param>
    /// <param name="asReaction">Whether rows are reactions, or actions.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <param name="lines">Line of each support's row by case; 0: it has none.</param>
    public static Dictionary<string, SupportAction[]> Read(
        string text,
        string name,
        IReadOnlyDictionary<string, FilePlace> supports,
        IReadOnlyCollection<string> labels,
        IReadOnlyList<LoadCase> cases,
        Func<string, string> caseFault,
        bool asReaction,
        DiagnosticBag bag,
        out Dictionary<string, int[]> lines)
    {
        var actions = supports.Keys.ToDictionary(s => s, _ => new SupportAction[cases.Count], StringComparer.Ordinal);
        lines = supports.Keys.ToDictionary(s => s, _ => new int[cases.Count], StringComparer.Ordinal);
        using var table = CsvTable.Open(text, name, Columns, bag);
        if (table is null)
        {
            return actions;
        }

        if (!Enumerable.Range(2, 6).Any(table.Has))
        {
            bag.Error(new FilePlace(name, 1, 1),
                "has no column of forces; name at least one of Fx, Fy, Fz, Mx, My, Mz with its unit, for example Fz (kN)");
            return actions;
        }

        // The variants of an unsigned result share its rows; the first stands for all.
        var index = cases.Select((c, i) => (c, i))
            .Where(p => p.c.HasReactions)
            .GroupBy(p => p.c.Source)
            .ToDictionary(g => g.Key, g => g.First().i, StringComparer.Ordinal);
        var byLabel = actions.GetAlternateLookup<ReadOnlySpan<char>>();
        var linesByLabel = lines.GetAlternateLookup<ReadOnlySpan<char>>();
        var byCase = index.GetAlternateLookup<ReadOnlySpan<char>>();
        var unknownSupports = new HashSet<string>(labels.Where(l => !supports.ContainsKey(l)), StringComparer.Ordinal);
        var unknownCases = new HashSet<string>(StringComparer.Ordinal);
        Span<double> v = stackalloc double[6];
        while (table.Next())
        {
            var label = table.Text(0);
            var knownSupport = byLabel.TryGetValue(label, out var row);
            if (!knownSupport && unknownSupports.Add(label.ToString()))
            {
                var near = Nearest.Of(label.ToString(), supports.Keys);
                table.Error(0,
                    label.IsEmpty
                        ? "this row names no support"
                        : $"support \"{label}\" does not stand in supports.csv; add it there, or delete its rows"
                            + (near is null ? "" : $" (nearest: \"{near}\")"));
            }

            var caseName = table.Text(1);
            var knownCase = byCase.TryGetValue(caseName, out var k);
            if (!knownCase && unknownCases.Add(caseName.ToString()))
            {
                table.Error(1, caseName.IsEmpty ? "this row names no case" : caseFault(caseName.ToString()));
            }

            for (var i = 0; i < 6; i++)
            {
                v[i] = table.Number(i + 2, 0);
            }

            if (!knownSupport || !knownCase)
            {
                continue;
            }

            linesByLabel.TryGetValue(label, out var at);
            if (at![k] != 0)
            {
                table.Error(0, $"support \"{label}\" has case \"{caseName}\" twice: first on line {at[k]}; delete one");
                continue;
            }

            at[k] = table.Line;
            var action = asReaction
                ? SupportAction.FromReaction(v[0], v[1], v[2], v[3], v[4], v[5])
                : SupportAction.FromAction(v[0], v[1], v[2], v[3], v[4], v[5]);
            for (var i = k; i < cases.Count && (i == k || string.Equals(cases[i].Source, cases[k].Source, StringComparison.Ordinal)); i++)
            {
                row![i] = cases[i].Signs is { } signs ? signs.Of(action) : action;
                at[i] = table.Line;
            }
        }

        Absent(name, supports, cases, lines, bag);
        return actions;
    }

    private static void Absent(string name, IReadOnlyDictionary<string, FilePlace> supports, IReadOnlyList<LoadCase> cases,
        Dictionary<string, int[]> lines, DiagnosticBag bag)
    {
        for (var k = 0; k < cases.Count; k++)
        {
            if (!cases[k].HasReactions || (k > 0 && cases[k - 1].Source == cases[k].Source))
            {
                continue;
            }

            if (!lines.Values.Any(l => l[k] != 0))
            {
                bag.Warning(new FilePlace(name, 0, 0),
                    $"case \"{cases[k].Source}\" has a symbol in plinth.toml but no rows here: it is zero everywhere", "case-missing");
            }
        }

        foreach (var (label, at) in lines)
        {
            if (at.All(l => l == 0))
            {
                bag.Error(supports[label], $"support \"{label}\" has no reactions in {name}; add its rows, or delete the support");
                continue;
            }

            var missing = cases.Where((c, k) => c.HasReactions && at[k] == 0 && lines.Values.Any(l => l[k] != 0))
                .Select(c => c.Source)
                .Distinct()
                .ToList();
            if (missing.Count > 0)
            {
                bag.Warning(supports[label],
                    $"support \"{label}\" has no row for {string.Join(", ", missing)}, which others have: taken as zero", "row-missing");
            }
        }
    }
}
