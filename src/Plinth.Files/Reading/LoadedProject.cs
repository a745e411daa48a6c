using System.Text;
using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Files.Access;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>A project folder as read, without faults.</summary>
/// <param name="Directory">The folder.</param>
/// <param name="Project">The building.</param>
/// <param name="Adopted">What is adopted, by mark.</param>
/// <param name="AdoptedText">The text of adopted.toml; empty if there is none.</param>
/// <param name="AdoptedEncoding">Its encoding.</param>
/// <param name="Doubts">Doubts that do not stop the work.</param>
/// <param name="Sources">Where supports, cases and rows stand in the files.</param>
/// <param name="Totals">Totals that the analysis reports, by case.</param>
/// <param name="Settings">What was read of the tables and where it stands.</param>
public sealed record LoadedProject(
    string Directory,
    Project Project,
    IReadOnlyDictionary<string, AdoptedEntry> Adopted,
    string AdoptedText,
    Encoding AdoptedEncoding,
    IReadOnlyList<Diagnostic> Doubts,
    SourcePlaces Sources,
    IReadOnlyDictionary<string, StatedTotal> Totals,
    SettingsBook Settings)
{
    /// <summary>Full paths of the files that were read.</summary>
    public IReadOnlyList<string> Files { get; init; } = [];

    /// <summary>Full paths of the raw tables that [import] names.</summary>
    public IReadOnlyList<string> Raw { get; init; } = [];

    /// <summary>The files that no output may replace: all that the project is read from, there or not.</summary>
    public IEnumerable<string> Inputs => [.. Files, .. Raw, .. OwnNames.Select(n => Path.Combine(Directory, n))];

    /// <summary>Marks whose tables sizing wrote before plinth.toml said otherwise: they are sized anew.</summary>
    public IReadOnlySet<string> Stale { get; init; } = new HashSet<string>();

    private static readonly string[] OwnNames = [ProjectReader.FileName, ProjectReader.SupportsName, AdoptedReader.FileName,
        PendingWrites.ListName];

    /// <summary>The doubts as printed.</summary>
    public IReadOnlyList<string> Warnings => [.. Doubts.Select(d => d.ToString())];

    /// <summary>Path of adopted.toml.</summary>
    public string AdoptedPath => Path.Combine(Directory, AdoptedReader.FileName);

    /// <summary>Writes adopted.toml whole or not at all; with the project's lock held.</summary>
    /// <param name="text">Its new text.</param>
    /// <exception cref="IOException">It cannot be written, or was changed since the project was read.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public void Adopt(string text)
    {
        if (OutputRules.FaultOfOwn(AdoptedPath, Directory,
            [Path.Combine(Directory, ProjectReader.FileName), Path.Combine(Directory, ProjectReader.SupportsName)]) is { } fault)
        {
            throw new IOException(fault);
        }

        using var file = new AtomicFile(AdoptedPath);
        file.Stream.Write([.. AdoptedEncoding.GetPreamble(), .. AdoptedEncoding.GetBytes(text)]);

        // An editor knows no lock of ours: what it saved meanwhile is not to be lost.
        var now = File.Exists(AdoptedPath) ? TextFile.Read(AdoptedPath, AdoptedReader.FileName, new DiagnosticBag()) : "";
        if (now != AdoptedText)
        {
            throw new IOException(
                $"{AdoptedReader.FileName} was changed while plinth worked on it, so nothing was written; run the command again");
        }

        PendingWrites.Commit(Directory, file);
    }

    /// <summary>The design in force of a foundation, or null if it is not sized: a row of a grid, where one of its rows is not.</summary>
    public FoundationDesign? Design(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return foundation.Row is { Shares: null } ? null : Own(foundation);
    }

    /// <summary>The same of a row of a grid, whatever the other rows are.</summary>
    public FoundationDesign? Own(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return Adopted.TryGetValue(foundation.Mark, out var entry) && !Stale.Contains(foundation.Mark)
            ? entry.Design
            : foundation.Kind.AllHeld(foundation);
    }
}

/// <summary>Where the parts of a project stand in its files, for what is said of them later.</summary>
/// <param name="Supports">Row of each support.</param>
/// <param name="Cases">Key of each case in [cases].</param>
/// <param name="ReactionsName">Name of the table of reactions.</param>
/// <param name="Rows">Line of each support's row by index of case; 0: none.</param>
public sealed record SourcePlaces(IReadOnlyDictionary<string, FilePlace> Supports, IReadOnlyDictionary<string, FilePlace> Cases,
    string ReactionsName, IReadOnlyDictionary<string, int[]> Rows)
{
    /// <summary>The place of what a finding is about: the row of a support in a case, the support, the case, or the table.</summary>
    public FilePlace Of(Finding finding, IReadOnlyList<LoadCase> cases)
    {
        ArgumentNullException.ThrowIfNull(finding);
        ArgumentNullException.ThrowIfNull(cases);
        if (finding.Support is { } support)
        {
            var k = finding.Case is null ? -1 : Enumerable.Range(0, cases.Count).FirstOrDefault(i => cases[i].Source == finding.Case, -1);
            return k >= 0 && Rows.TryGetValue(support, out var lines) && lines[k] > 0
                ? new FilePlace(ReactionsName, lines[k], 1)
                : Supports.GetValueOrDefault(support);
        }

        return finding.Case is { } name && Cases.TryGetValue(name, out var place) ? place : new FilePlace(ReactionsName, 0, 0);
    }
}
