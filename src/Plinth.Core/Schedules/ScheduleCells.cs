using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>What the schedules of all kinds of foundation say alike.</summary>
internal static class ScheduleCells
{
    /// <summary>Where a foundation stands, and how it lies there.</summary>
    public static string Places(FootingRow row) =>
        string.Join(row.Foundation.Places.Any(p => p.Supports.Count > 1) ? "; " : ", ", row.Foundation.Places.Select(Place))
            + (row.Existing ? " (existing)" : "");

    private static string Place(Place p) => p.Lie == Lie.AsDrawn ? p.Name : $"{p.Name} ({p.Lie.Words})";

    /// <summary>What is built already, with the concrete and steel it has.</summary>
    public static IEnumerable<string> Existing(Project project, IReadOnlyList<FootingRow> rows)
    {
        var units = project.Units;
        return rows.Where(d => d.Existing).GroupBy(d => (d.Foundation.Rules.Concrete.Strength, d.Foundation.Rules.Steel.Yield))
            .Select(
                g =>
                    $"Existing, not in bars and quantities: {string.Join(", ", g.Select(d => d.Foundation.Mark))} "
                        + $"({project.Code.Letter("f'c")} "
                        + $"{Unit.Stress.FormatWithSymbol(g.Key.Strength, units)}, {project.Code.Letter("fy")} "
                        + $"{Unit.Stress.FormatWithSymbol(g.Key.Yield, units)}).");
    }
}
