using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Building;

/// <summary>The note that goes with an issue: what changed since the one before.</summary>
public static class ChangeNote
{
    /// <summary>Makes the note.</summary>
    /// <param name="project">The project as issued.</param>
    /// <param name="revision">The issue.</param>
    /// <param name="before">The issue before.</param>
    /// <param name="changes">What changed in the schedules.</param>
    /// <param name="inputs">Input files that changed, as words.</param>
    /// <param name="version">Version of the program.</param>
    public static ReportDocument Of(Project project, string revision, string before, IReadOnlyList<ScheduleChange> changes,
        IReadOnlyList<string> inputs, string version)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(changes);
        ArgumentNullException.ThrowIfNull(inputs);
        const string Anchor = "changes";
        var title = $"Changes from issue {before} to issue {revision}";
        var went = changes.Count(c => c.Went);
        var gone = went == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $", {went} no longer there");
        List<Block> blocks =
        [
            new Heading(1, title, Anchor),
            new Paragraph(changes.Count == 0
                ? "No footing changed."
                : string.Create(CultureInfo.InvariantCulture,
                    $"{changes.Count(c => !c.Went)} of {project.Foundations.Count} footings changed or "
                        + $"new{gone}; on the plan each has a cloud, in the schedule the revision in its first column."),
                Tone.Strong),
            new Paragraph(inputs.Count == 0 ? "No input file changed." : "Input files that changed: " + string.Join(", ", inputs) + "."),
        ];
        if (changes.Count > 0)
        {
            blocks.Add(new Table("Footings", [new("mark"), new("what"), new("before"), new("now")],
                [.. changes.SelectMany(c => c.Came || c.Went
                    ? [[new Cell(c.Mark, Tone.Strong), new Cell(c.Words, Tone.Strong), new Cell(c.Came ? "—" : ""), new Cell("")]]
                    : c.Differences.Select((d, i) => (IReadOnlyList<Cell>)[new Cell(i == 0 ? c.Mark : "", Tone.Strong), new Cell(d.What),
                        new Cell(d.Before), new Cell(d.Now)]))]));
        }

        return new ReportDocument(project.Title, title, revision, "plinth " + version, project.Units, [new ContentsEntry(1, title, Anchor)],
            blocks);
    }
}
