using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>How a foundation of a schedule differs from an earlier one.</summary>
/// <param name="Mark">Its mark.</param>
/// <param name="Came">Whether it was not there.</param>
/// <param name="Went">Whether it is no longer there.</param>
/// <param name="Differences">What reads otherwise: the heading of its column, before, now.</param>
public sealed record ScheduleChange(string Mark, bool Came, bool Went, IReadOnlyList<(string What, string Before, string Now)> Differences)
{
    /// <summary>The change in words.</summary>
    public string Words =>
        Came ? "new" : Went ? "no longer there" : string.Join("; ", Differences.Select(d => $"{d.What} {d.Before} → {d.Now}"));
}

/// <summary>Compares the schedules of two states of a project, as they are issued: row by row, and where each footing lies.</summary>
public static class ScheduleChanges
{
    /// <summary>What changed, in order of mark.</summary>
    /// <param name="before">The earlier project.</param>
    /// <param name="designsBefore">Its designs.</param>
    /// <param name="now">The later project; its units are shown.</param>
    /// <param name="designsNow">Its designs.</param>
    public static IReadOnlyList<ScheduleChange> Of(Project before,
        IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designsBefore, Project now,
        IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designsNow)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(now);
        var (old, current) = (Rows(before with { Units = now.Units }, designsBefore), Rows(now, designsNow));
        var changes = new List<ScheduleChange>();
        foreach (var mark in old.Keys.Union(current.Keys).Order(MarkOrder.Natural))
        {
            if (!old.TryGetValue(mark, out var was))
            {
                changes.Add(new ScheduleChange(mark, true, false, []));
            }
            else if (!current.TryGetValue(mark, out var own))
            {
                changes.Add(new ScheduleChange(mark, false, true, []));
            }
            else
            {
                var different = was.Keys.Union(own.Keys)
                    .Select(k => (What: k, Before: was.GetValueOrDefault(k, "—"), Now: own.GetValueOrDefault(k, "—")))
                    .Where(d => d.Before != d.Now)
                    .ToList();
                if (different.Count > 0)
                {
                    changes.Add(new ScheduleChange(mark, false, false, different));
                }
            }
        }

        return changes;
    }

    // A footing as its row of the schedule reads, with its materials, where it lies and its bars as they are cut.
    private static Dictionary<string, Dictionary<string, string>> Rows(Project project,
        IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        var issued = ScheduleTables.Members(project, FootingSchedule.Of(project, designs))
            .SelectMany(t => t.Rows.Select(r => (Table: t, Cells: r)))
            .ToDictionary(r => (string)r.Cells[0]!, StringComparer.Ordinal);
        var rows = new Dictionary<string, Dictionary<string, string>>(StringComparer.Ordinal);
        string L(double v) =>
            project.Units == Units.UnitSystem.Us ? Units.Dimension.Feet(v) : v.ToString("0.000", CultureInfo.InvariantCulture);
        foreach (var (f, design) in designs)
        {
            var (table, cells) = issued[f.Mark];
            var row = new Dictionary<string, string>(StringComparer.Ordinal);
            for (var c = 1; c < cells.Count; c++)
            {
                // Quantities follow from the rest.
                if (!table.Columns[c].Title.EndsWith(" each", StringComparison.Ordinal))
                {
                    row[table.Columns[c].Title] = table.Columns[c].Words(cells[c]);
                }
            }

            var units = project.Units;
            row[project.Code.Letter("f'c")] = Units.Unit.Stress.FormatTraced(f.Rules.Concrete.Strength, units);
            row[project.Code.Letter("fy")] = Units.Unit.Stress.FormatTraced(f.Rules.Steel.Yield, units);
            row["cover"] = string.Join(", ",
                new[] { f.Rules.Concrete.CoverBottom, f.Rules.Concrete.CoverSide,
                    f.Rules.Concrete.CoverTop }.Select(v => Units.Dimension.Section(v, units)));
            row["centre"] = string.Join("; ", f.Places.Select(p =>
            {
                var at = BaseGeometry.Centre(f, p, design);
                return $"{L(at.X)}, {L(at.Y)}"
                    + (p.AngleDegrees == 0 ? "" : " at " + p.AngleDegrees.ToString("0.##", CultureInfo.InvariantCulture) + "°");
            }));
            foreach (var g in BarList.Of(project, f, design))
            {
                row[$"cut of {ScheduleTables.Use(g)}"] = units == Units.UnitSystem.Us
                    ? $"{g.Count} {g.Size.Name} × {Units.Dimension.Bar(g.Shape.Length)} {TypicalBend.Of(g).Type}"
                    : $"{g.Count} {g.Size.Name} × {Units.Unit.Section.Format(g.Shape.Length, units)} shape {g.Shape.Code}";
            }

            rows[f.Mark] = row;
        }

        return rows;
    }
}
