using System.CommandLine;
using System.Text.Json;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Sizing;
using Plinth.Files.Adopted;
using Plinth.Files.Json;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Where a project stands.</summary>
internal static class StatusCommand
{
    // Each state in a line: what it is called, the marks it holds for, whether it must be mended, what to do.
    private sealed record Line(string State, IReadOnlyList<string> Marks, bool Fails, string Advice);

    public static Command Build()
    {
        var command = new Command("status", """
            Says where the project stands: what fails, what is not sized, what is held by hand, waived or accepted,
            and what would be sized otherwise under the loads and rules as they are now.

            Examples:
              plinth status
              plinth status --format json
            """);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed)));
        return command;
    }

    private static int Run(Call call)
    {
        var loaded = call.Load();
        var foundations = loaded.Project.Foundations;
        var reports = CheckCommand.Check(loaded, foundations);
        bool ByHand(FoundationReport r) => loaded.Adopted.TryGetValue(r.Foundation.Mark, out var e) && e.ByHand;
        IReadOnlyList<string> Marks(Func<FoundationReport, bool> which) => [.. reports.Where(which).Select(r => r.Foundation.Mark)];

        // What passes as it is but would come out otherwise if it were sized today: the loads or the rules have changed since.
        var sized = reports.Where(r => r.Passes && !ByHand(r) && !r.Foundation.Held.Built).ToList();
        var kept = reports.Where(r => ByHand(r) || r.Foundation.Held.Built).ToDictionary(r => r.Foundation.Mark, r => r.Design,
            StringComparer.Ordinal);
        var anew = Building.Size(loaded.Project, [.. sized.Select(r => r.Foundation)], null, Runner.Token,
            kept: f => kept.GetValueOrDefault(f.Mark));
        var stale = sized.Zip(anew)
            .Where(p => p.Second.Design is { } d && !AdoptedEntry.Same(p.First.Foundation, d, p.First.Design!))
            .Select(p => p.First.Foundation.Mark)
            .ToList();
        var near = SitePlan.Near(reports.Where(r => r.Design is not null).Select(r => (r.Foundation, r.Design!)));
        var issue = IssueCommand.All(loaded) is { Count: > 0 } all ? all[^1] : null;
        List<Line> lines =
        [
            new("fails", Marks(r => r.Design is not null && !r.Passes), true,
                "plinth check says in which check; plinth size finds it anew"),
            new("not sized", Marks(r => r.Design is null), true, "plinth size"),
            new("overlaps", [.. near.Where(n => n.Overlaps).Select(n => $"{n.First} with {n.Second}")], true,
                "carry both on one base, or hold an edge"),
            new("stale", stale, false, "passes, but sizing would now give another design: plinth size --all"),
            .. issue is null
                ? (List<Line>)[]
                : [new($"changed since issue {issue.Revision}", [.. IssueCommand.Since(call, issue, loaded).Changes.Select(c => c.Mark)],
                    false, "plinth issue REV")],
            new("built", Marks(r => r.Foundation.Held.Built), false, "only checked"),
            new("by hand", Marks(ByHand), false, "held as written in adopted.toml; plinth size --over frees it"),
            new("waived",
                [
                    .. reports.SelectMany(r => r.Foundation.Leaves.Where(l => l.UpTo is null)
                        .Select(l => $"{r.Foundation.Mark} {Wording.Check(l.Check)}")).Distinct()], false, "[[waive]] in plinth.toml"),
            new("accepted",
                [.. reports.Where(r => r.Result is not null)
                    .SelectMany(r => r.Result!.Checks.Where(c => c.Allowed && c.Leave!.UpTo is not null)
                        .Select(c => $"{r.Foundation.Mark} {Wording.Check(c.Id)} {Wording.Utilisation(c.Utilisation, false)}"))], false,
                "[[accept]] in plinth.toml"),
            new("passes", Marks(r => r.Passes), false, ""),
        ];
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    Json(stdout, loaded.Project, lines);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                csv.Row("state", "what");
                foreach (var (line, mark) in lines.SelectMany(l => l.Marks.Select(m => (l, m))))
                {
                    csv.Row(line.State, mark);
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                Table(new Screen(call), loaded.Project, lines, call.Quiet);
                break;
        }

        return lines.Any(l => l.Fails && l.Marks.Count > 0) ? ExitCode.Fails : ExitCode.Ok;
    }

    private static void Table(Screen screen, Core.Buildings.Project project, List<Line> lines, bool quiet)
    {
        var fails = lines.Any(l => l.Fails && l.Marks.Count > 0);
        if (quiet && !fails)
        {
            return;
        }

        screen.Line($"{project.Title.Name}: {project.Foundations.Count} foundations under {project.Supports.Count} supports", Styles.Head);
        screen.Line();
        var table = Screen.Table("", ">count", "which", "");
        foreach (var line in lines.Where(l => l.Marks.Count > 0))
        {
            table.AddRow(Screen.Cell((line.Fails ? "✗ " : line.State == "passes" ? "✓ " : "! ") + line.State,
                line.Fails ? Styles.Fail : line.State == "passes" ? Styles.Ok : Styles.Leave),
                Screen.Cell(line.Marks.Count.ToString(System.Globalization.CultureInfo.InvariantCulture)),
                Screen.Cell(line.State == "passes" ? "" : Wording.Marks(line.Marks)), Screen.Cell(line.Advice, Styles.Quiet));
        }

        screen.Write(table);
    }

    private static void Json(Stream stream, Core.Buildings.Project project, List<Line> lines)
    {
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/status/1");
        json.WriteString("project", project.Title.Name);
        foreach (var line in lines)
        {
            json.WriteStartArray(line.State.Replace(' ', '_'));
            foreach (var mark in line.Marks)
            {
                json.WriteStringValue(mark);
            }

            json.WriteEndArray();
        }

        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }
}
