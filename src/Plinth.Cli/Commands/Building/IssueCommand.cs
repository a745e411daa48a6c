using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using Plinth.Files;
using Plinth.Files.Diagnostics;
using Plinth.Files.Issuing;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Plinth.Reports.Building;
using Plinth.Reports.Writers;

namespace Plinth.Cli.Commands;

/// <summary>Freezes a revision.</summary>
internal static class IssueCommand
{
    public static Command Build()
    {
        var command = new Command("issue", """
            Freezes what is adopted as a revision: the files it was read from, plan, details, schedules, report and results,
            with their digests, under issued/REV/, which is never overwritten. What changed since the issue before gets a cloud
            on the plan, its revision in the schedule, and a change note.

            Examples:
              plinth issue A
              plinth issue B --depth full
              plinth issue C --anyway          although foundations fail; the report says so
            """);
        var revision = new Argument<string>("rev") { Description = "The revision: letters, digits, points, dashes, underscores" };
        var depth = new Option<string>("--depth")
        {
            Description = "Depth of the report: summary, checks or full",
            HelpName = "DEPTH",
            DefaultValueFactory = _ => "checks"
        };
        depth.AcceptOnlyFromAmong("summary", "checks", "full");
        var anyway = new Option<bool>("--anyway") { Description = "Issue although foundations fail or are not sized" };
        var dated = new Option<bool>("--dated") { Description = "Write today's date into issue.toml" };
        command.Add(revision);
        foreach (var option in new Option[] { depth, anyway, dated })
        {
            command.Add(option);
        }

        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(revision)!,
            Enum.Parse<ReportDepth>(parsed.GetValue(depth)!, true), parsed.GetValue(anyway), parsed.GetValue(dated)));
        return command;
    }

    private static int Run(Call call, string revision, ReportDepth depth, bool anyway, bool dated)
    {
        using var held = call.Hold();
        var loaded = call.Load();
        var project = loaded.Project;
        var issued = new IssuedFolder(loaded.Directory);
        if (issued.Fault(revision) is { } fault)
        {
            throw new CallException(fault);
        }

        var input = ReportCommand.Input(loaded, project.Foundations) with { Depth = depth, Revision = revision, Version = Call.Version };
        var passes = input.Reports.All(r => r.Passes) && input.Building.Passes;
        if (!passes && !anyway)
        {
            Console.Error.WriteLine($"Not issued: {Wording.Summary(input.Reports)} plinth check says what fails; --anyway issues it so.");
            return ExitCode.Fails;
        }

        var before = All(loaded);
        var (changes, files) = before.Count > 0 ? Since(call, before[^1], loaded) : ([], []);
        using var bar = new ProgressLine("issuing", project.Foundations.Count);
        List<(string, string)> facts =
        [
            ("program", "plinth " + Call.Version), ("code", project.Code.Name), ("standard", project.LoadsAndGround),
            ("result", Wording.Summary(input.Reports)),
            .. before.Count > 0
                ? (List<(string, string)>)[("before", before[^1].Revision), ("changed", string.Join(", ", changes.Select(c => c.Mark)))]
                : [],
            .. dated ? (List<(string, string)>)[("date", DateTime.Now.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture))] : [],
        ];
        var folder = issued.Write(revision, before.Count == 0 ? 1 : before[^1].Number + 1, loaded.Files, facts, made =>
        {
            Outputs(loaded, input with { Progress = ReportCommand.Step(bar) }, changes, made);
            if (before.Count > 0)
            {
                using var note = new MemoryStream();
                new PdfReport().Write(ChangeNote.Of(project, revision, before[^1].Revision, changes, files, Call.Version), note);
                TextFile.WriteAtomically(Path.Combine(made, "change-note.pdf"), note.ToArray());
            }
        });
        if (!call.Quiet)
        {
            Console.Error.WriteLine(
                $"Issued as {revision} in {Path.GetRelativePath(Directory.GetCurrentDirectory(), folder)}: "
                    + $"{Wording.Summary(input.Reports)}");
            foreach (var change in changes)
            {
                Console.Error.WriteLine($"  {change.Mark}: {change.Words}");
            }

            if (before.Count > 0 && changes.Count == 0)
            {
                Console.Error.WriteLine($"  No footing changed since issue {before[^1].Revision}.");
            }
        }

        return passes ? ExitCode.Ok : ExitCode.Fails;
    }

    /// <summary>The issues of a project, first to last.</summary>
    /// <exception cref="InputException">One says nothing that can be read of itself.</exception>
    public static IReadOnlyList<Issue> All(LoadedProject loaded)
    {
        var bag = new DiagnosticBag();
        var all = new IssuedFolder(loaded.Directory).All(bag);
        return bag.HasErrors ? throw new InputException(bag) : all;
    }

    /// <summary>What changed since an issue: rows of the schedule, and input files.</summary>
    public static (IReadOnlyList<ScheduleChange> Changes, IReadOnlyList<string> Files) Since(Call call, Issue issue, LoadedProject loaded)
    {
        var bag = call.Bag();
        var altered = IssuedFolder.Altered(issue, bag);
        if (altered.Count > 0 && !call.Quiet)
        {
            Console.Error.WriteLine(
                $"warning: issue {issue.Revision} no longer is what was issued: {string.Join(", ", altered)} changed; restore it from "
                    + "version control");
        }

        var old = bag.HasErrors ? null : ProjectReader.Read(issue.Project, bag);
        if (old is null)
        {
            throw new InputException(bag);
        }

        var changes = ScheduleChanges.Of(old.Project, Designs(old), loaded.Project, Designs(loaded));
        string Bytes(string file) =>
            Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(Plinth.Files.Access.InputFile.ReadAll(file)));
        var was = old.Files.ToDictionary(f => Path.GetRelativePath(old.Directory, f), Bytes, StringComparer.Ordinal);
        var now = loaded.Files.ToDictionary(f => Path.GetRelativePath(loaded.Directory, f), Bytes, StringComparer.Ordinal);
        return (changes,
            [.. was.Keys.Union(now.Keys).Where(k => was.GetValueOrDefault(k) != now.GetValueOrDefault(k)).Order(StringComparer.Ordinal)]);
    }

    private static List<(Foundation Foundation, FoundationDesign Design)> Designs(LoadedProject loaded) =>
        [.. loaded.Project.Foundations.Where(f => loaded.Design(f) is not null).Select(f => (f, loaded.Design(f)!))];

    private static void Outputs(LoadedProject loaded, ReportInput input, IReadOnlyList<ScheduleChange> changes, string folder)
    {
        var project = loaded.Project;
        var designs = Designs(loaded);
        var revision = input.Revision;
        var changed = changes.Where(c => !c.Went).Select(c => c.Mark).ToHashSet(StringComparer.Ordinal);
        string In(string name) => Path.Combine(folder, name);

        // What is issued although it fails says so on every sheet and in every row.
        var fails = input.Reports.Where(r => r.Result is { Passes: false })
            .ToDictionary(r => r.Foundation.Mark,
                r => "fails: "
                    + string.Join(", ",
                        r.Result!.Checks.Where(c => !c.Passes)
                            .DistinctBy(c => c.Id)
                            .Take(3)
                            .Select(c => $"{Wording.Check(c.Id)} {Wording.Utilisation(c.Utilisation, false)}")), StringComparer.Ordinal);
        var all = fails.Count == 0 ? "" : " · FAILS: " + Wording.Marks([.. fails.Keys]);
        if (designs.Count > 0)
        {
            if (FoundationPlan.Of(project, designs, new DrawingRequest("Foundation plan" + all, project.Drawings.Plan, revision), changed,
                fails) is { } plan)
            {
                TextFile.WriteAtomically(In("foundation-plan.pdf"), PdfWriter.Write([plan]));
                TextFile.WriteAtomically(In("foundation-plan.dxf"), DxfWriter.Write(plan));
            }

            var sheets = designs.AsParallel().AsOrdered()
                .Select(d => FigureSheet.Detail(new DetailModel(project, d.Foundation, d.Design, input.Bars),
                    new DrawingRequest(
                        $"{d.Foundation.Mark}: {d.Foundation.Kind.Noun} under {Wording.Supports(d.Foundation)}, "
                            + "details"
                            + (fails.TryGetValue(d.Foundation.Mark, out var why) ? " · " + why.ToUpperInvariant()[..5] + why[5..] : ""),
                        DrawingRules.Number(project.Drawings.Details, project.PlaceOf(d.Foundation), d.Foundation.Mark), revision)))
                .OfType<Sheet>()
                .ToList();
            TextFile.WriteAtomically(In("details.pdf"), PdfWriter.Write(sheets));
            using var book = new MemoryStream();
            XlsxBook.Write(book, project, ScheduleTables.Of(project, designs, new ScheduleRevision(revision, changed) { Fails = fails }));
            TextFile.WriteAtomically(In("schedules.xlsx"), book.ToArray());
        }

        using var results = new MemoryStream();
        ResultsJson.Write(results, project, input.Version, loaded.Warnings, input.Reports, input.Building);
        TextFile.WriteAtomically(In("results.json"), results.ToArray());
        foreach (var name in new[] { "report.html", "report.pdf" })
        {
            ReportCommand.Write(ReportCommand.WriterOf(name), input, In(name));
        }
    }
}
