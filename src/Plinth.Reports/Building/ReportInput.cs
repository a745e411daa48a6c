using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Schedules;

namespace Plinth.Reports.Building;

/// <summary>How much a report tells.</summary>
public enum ReportDepth
{
    /// <summary>The building in a page or two.</summary>
    Summary,

    /// <summary>And all checks of every footing.</summary>
    Checks,

    /// <summary>And every governing check step by step.</summary>
    Full,
}

/// <summary>A value in force.</summary>
/// <param name="Table">Its table in plinth.toml.</param>
/// <param name="Key">Its key.</param>
/// <param name="Value">The value with its unit.</param>
/// <param name="Set">File, line and column where it is set; "default" where nothing sets it.</param>
/// <param name="Stated">Whether the engineer set it.</param>
public readonly record struct SettingLine(string Table, string Key, string Value, string Set, bool Stated);

/// <summary>What a report is made from.</summary>
/// <param name="Project">The project.</param>
/// <param name="Reports">The foundations that it tells of, checked, with their room.</param>
/// <param name="Bars">The whole bar schedule.</param>
/// <param name="Building">What is seen of all bases together.</param>
/// <param name="Audit">What the audit found.</param>
/// <param name="Settings">Values in force for the first foundation.</param>
public sealed record ReportInput(Project Project, IReadOnlyList<FoundationReport> Reports, BarSchedule Bars, WholeBuilding Building,
    AuditResult Audit, IReadOnlyList<SettingLine> Settings)
{
    /// <summary>The chapters that there are, in order.</summary>
    public static IReadOnlyList<string> AllChapters { get; } = ["basis", "loads", "results", "schedule", "footings"];

    /// <summary>How much is told.</summary>
    public ReportDepth Depth { get; init; } = ReportDepth.Checks;

    /// <summary>The chapters asked for; empty: all that the depth has.</summary>
    public IReadOnlyList<string> Chapters { get; init; } = [];

    /// <summary>The combination in which steps and figures are told; null: the governing one of each check.</summary>
    public string? Combination { get; init; }

    /// <summary>The revision; empty: preliminary.</summary>
    public string Revision { get; init; } = "";

    /// <summary>Version of the program.</summary>
    public string Version { get; init; } = "";

    /// <summary>Told how many footings are done, of how many.</summary>
    public Action<int, int>? Progress { get; init; }

    /// <summary>Whether a chapter is in it.</summary>
    public bool Has(string chapter) =>
        Chapters.Count > 0
            ? Chapters.Contains(chapter)
            : chapter switch { "footings" => Depth != ReportDepth.Summary, "schedule" => Depth != ReportDepth.Summary, _ => true };
}
