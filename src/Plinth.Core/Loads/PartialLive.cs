using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;

namespace Plinth.Core.Loads;

/// <summary>
/// Live load on some of the columns of one foundation alone (ASCE 7-16 and 7-22, 4.3.3): each without that of one column, with that of one
/// alone, and with that of every second one.
/// </summary>
/// <remarks>
/// The reactions of a live case are those of all floors at once; which column which floor loads only the analysis knows, so that here the
/// whole reaction of a column comes or stays away, and loads on the base beside the columns stay away with it.
/// </remarks>
public static class PartialLive
{
    /// <summary>The combinations of a place, each followed by those with live load on some of its columns.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="place">One of its places.</param>
    /// <returns>Cases of the project with those of single columns after them, and the combinations of these.</returns>
    public static (IReadOnlyList<LoadCase> Cases, CombinationSet Set) Of(Project project, Foundation foundation, Place place)
    {
        ArgumentNullException.ThrowIfNull(project);
        var (set, columns) = (project.CombinationsOf(foundation), Columns(foundation, place));
        if (!Applies(project, columns))
        {
            return (project.Cases, set);
        }

        string[] labels = [.. columns.Select(s => s.Label)];
        int[] live = [.. Live(project)];
        List<LoadCase> cases = [.. project.Cases];
        foreach (var k in live)
        {
            cases.AddRange(labels.Select(l => project.Cases[k] with { Name = $"{project.Cases[k].Name}@{l}", Alternatives = null }));
        }

        var patterns = Patterns(labels);
        var used = set.Used.SelectMany(c => c.Terms.Any(t => t.Factor != 0 && live.Contains(t.Case))
            ? patterns.Select(p => Some(c, p)).Prepend(c)
            : [c]);
        return (cases, new CombinationSet(used, set.Dropped));

        Combination Some(Combination c, (bool[] On, string Words) pattern) => c with
        {
            Name = $"{c.Name}:{pattern.Words}",
            Terms =
            [
                .. c.Terms.Where(t => !live.Contains(t.Case)),
                .. c.Terms.Where(t => live.Contains(t.Case)).SelectMany(t => Enumerable.Range(0, labels.Length).Where(i => pattern.On[i])
                    .Select(i => t with { Case = project.Cases.Count + (Array.IndexOf(live, t.Case) * labels.Length) + i })),
            ],
        };
    }

    /// <summary>What a foundation is checked for at any of its places, combinations with live load on some columns among them.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    public static IEnumerable<Combination> Used(Project project, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return foundation.Places.SelectMany(p => Of(project, foundation, p).Set.Used).DistinctBy(c => c.Name);
    }

    /// <summary>How their names are read; null where none are looked at.</summary>
    /// <param name="project">The project.</param>
    public static string? Words(Project project)
    {
        ArgumentNullException.ThrowIfNull(project);
        return project.Foundations.SelectMany(f => f.Places).FirstOrDefault(p => Applies(project, p.Supports)) is
        { Supports: [var first, ..] }
            ? "Where several columns stand on one foundation each combination with live load also stands with that of some of them alone "
                + $"(ASCE 7 4.3.3): S2:L@{first.Label} with that of {first.Label} alone; of three or more also noL@, without that of those "
                + "named."
            : null;
    }

    /// <summary>What a support of a place does in these cases: in the project's, then of each live case at each column.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="place">The place.</param>
    /// <param name="support">One of its supports.</param>
    public static SupportAction[] Actions(Project project, Foundation foundation, Place place, Support support)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(support);
        var (own, columns) = (project.Actions[support.Label], Columns(foundation, place));
        return Applies(project, columns)
            ? [.. own, .. Live(project).SelectMany(k => columns.Select(s => s.Label == support.Label ? own[k] : default))]
            : own;
    }

    // Rows that cross share what the columns of all bring.
    private static IReadOnlyList<Support> Columns(Foundation foundation, Place place)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        return foundation.Row?.Supports ?? place.Supports;
    }

    private static bool Applies(Project project, IReadOnlyList<Support> columns) =>
        project.PartialLive && columns.Count > 1 && Live(project).Any();

    private static IEnumerable<int> Live(Project project) =>
        Enumerable.Range(0, project.Cases.Count).Where(k => project.Cases[k] is { Symbol: LoadSymbol.L, HasReactions: true });

    private static List<(bool[] On, string Words)> Patterns(string[] labels)
    {
        var n = labels.Length;
        var list = new List<(bool[] On, string Words)>();
        void Add(Func<int, bool> on)
        {
            bool[] pattern = [.. Enumerable.Range(0, n).Select(on)];
            if (pattern.Contains(true) && pattern.Contains(false) && !list.Exists(p => p.On.SequenceEqual(pattern)))
            {
                // By the fewer of those that have it and those that have not.
                var few = pattern.Count(o => o) <= (n + 1) / 2;
                list.Add((pattern, (few ? "L@" : "noL@") + string.Join('+', labels.Where((_, i) => pattern[i] == few))));
            }
        }

        for (var i = 0; i < n; i++)
        {
            var at = i;
            Add(j => j == at);
            Add(j => j != at);
        }

        Add(j => j % 2 == 0);
        Add(j => j % 2 == 1);
        return list;
    }
}
