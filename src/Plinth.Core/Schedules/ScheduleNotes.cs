using Plinth.Core.Buildings;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>
/// Sentences under a kind's table: below the table as it is issued those of all its columns, below the brief one on a screen those of what
/// that shows.
/// </summary>
/// <param name="project">The project.</param>
/// <param name="rows">What is scheduled.</param>
internal sealed class ScheduleNotes(Project project, IReadOnlyList<FootingRow> rows)
{
    private readonly List<string> issued = [];
    private readonly List<string> brief = [];

    /// <summary>The notes of the table as it is issued.</summary>
    public IReadOnlyList<string> Issued => [string.Join(" ", issued), .. ScheduleCells.Existing(project, rows)];

    /// <summary>The notes of the brief one.</summary>
    public IReadOnlyList<string> Brief => [string.Join(" ", brief), .. ScheduleCells.Existing(project, rows)];

    /// <summary>A sentence about what both show.</summary>
    public ScheduleNotes Both(string sentence)
    {
        issued.Add(sentence);
        brief.Add(sentence);
        return this;
    }

    /// <summary>The same where it is of something that there is.</summary>
    public ScheduleNotes BothIf(bool there, string sentence) => there ? Both(sentence) : this;

    /// <summary>A sentence about a column that the brief one lacks.</summary>
    public ScheduleNotes InFull(string sentence)
    {
        issued.Add(sentence);
        return this;
    }

    /// <summary>What levels are of.</summary>
    public ScheduleNotes Levels()
    {
        brief.Add($"Level: of the {Wording.Underside(project.Units)}.");
        return project.Units == UnitSystem.Us ? this : InFull("Underside: level of the founding plane, above the blinding.");
    }
}
