using System.CommandLine;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Sizing;
using Plinth.Files.Adopted;
using Plinth.Files.Json;
using Plinth.Files.Reading;

namespace Plinth.Cli.Commands;

/// <summary>Checks what is adopted.</summary>
internal static class CheckCommand
{
    // To find the room takes some ten times the check itself.
    private const int MostWithRoom = 200;

    public static Command Build()
    {
        var command = new Command("check", """
            Checks what is adopted; a row a foundation.

            Examples:
              plinth check                          all foundations
              plinth check 'F1*' --below 0.7        what has room among F1, F10, F11 …
              plinth check F7 --set width="2.2 m"   tries a value, writes nothing
              plinth check --watch                  again on every save, until Ctrl-C
            """);
        var marks = new Argument<string[]>("mark") { Description = "Marks or patterns (default: all)", Arity = ArgumentArity.ZeroOrMore };
        var set = new Option<string[]>(
            "--set")
        {
            Description = "Try KEY=VALUE without writing (length, thickness, bottom-x, dowels, pedestal.bars …)",
            HelpName = "KEY=VALUE",
            AllowMultipleArgumentsPerToken = false
        };
        var below = new Option<double?>("--below") { Description = "List only what is used below this utilisation", HelpName = "U" };
        command.Add(marks);
        command.Add(set);
        command.Add(below);
        var room = new Option<bool>(
            "--room")
        {
            Description =
                "Say how much all actions may grow also of many foundations, in JSON and CSV (a table of up to 200 says so anyway)"
        };
        var watch = new Option<bool>("--watch") { Description = "Check again whenever a file of the project is saved" };
        var diagrams = new Option<bool>(
            "--diagrams")
        {
            Description =
                "In JSON also shear and moment along bases under several columns, in the combinations that govern"
        };
        command.Add(room);
        command.Add(diagrams);
        command.Add(watch);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(marks) ?? [], parsed.GetValue(set) ?? [],
            parsed.GetValue(below), parsed.GetValue(room), parsed.GetValue(diagrams), parsed.GetValue(watch)));
        return command;
    }

    /// <summary>Checks the designs in force.</summary>
    public static IReadOnlyList<FoundationReport> Check(LoadedProject loaded, IReadOnlyList<Foundation> foundations,
        Func<Foundation, FoundationDesign?>? design = null)
    {
        design ??= loaded.Design;
        var designs = GridCoupling.Together(loaded.Project, [.. foundations.Select(f => (f, design(f)))]);
        var done = designs.Where(d => d.Design is not null).Select(d => (d.Foundation, d.Design!)).ToList();
        var results = Building.Check(loaded.Project, done, Runner.Token);
        var byMark = done.Zip(results).ToDictionary(p => p.First.Foundation.Mark, p => p.Second, StringComparer.Ordinal);
        return [.. designs.Select(d => new FoundationReport(d.Foundation, d.Design, byMark.GetValueOrDefault(d.Foundation.Mark)))];
    }

    /// <summary>Changes a design by KEY=VALUE.</summary>
    /// <exception cref="CallException">It cannot be read, or makes the base impossible.</exception>
    public static FoundationDesign With(LoadedProject loaded, Foundation foundation, FoundationDesign design, IReadOnlyList<string> pairs)
    {
        foreach (var pair in pairs)
        {
            var (key, value) = Split(pair);
            design = FieldText.With(design, foundation.Kind.Fields(foundation.Places[0]), key, value, out var fault)
                ?? throw new CallException($"{foundation.Mark}, {foundation.Kind.Noun}: {fault}");
        }

        design = foundation.Kind.Fitted(foundation, design);
        return DesignFaults.Impossible(foundation, design, loaded.Project.Units) is { } impossible
            ? throw new CallException($"{foundation.Mark}: {impossible.Message}")
            : design;
    }

    /// <summary>Splits KEY=VALUE.</summary>
    public static (string Key, string Value) Split(string pair)
    {
        var at = pair.IndexOf('=', StringComparison.Ordinal);
        return at > 0
            ? (pair[..at].Trim(), pair[(at + 1)..].Trim().Trim('"'))
            : throw new CallException($"\"{pair}\" is not KEY=VALUE; write for example width=\"2.2 m\"");
    }

    /// <summary>Prints reports in the form asked.</summary>
    public static int Print(Call call, LoadedProject loaded, IReadOnlyList<FoundationReport> reports, Action<Screen> table)
    {
        var building = Whole(loaded, reports);
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    using var buffer = new BufferedStream(stdout, 1 << 16);
                    ResultsJson.Write(buffer, loaded.Project, Call.Version, loaded.Warnings, reports, building);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(ResultTables.Csv(loaded, reports));
                break;
            default:
                var screen = new Screen(call);
                table(screen);
                ResultTables.Building(screen, loaded.Project.Units, building, call.Quiet);
                break;
        }

        return reports.All(r => r.Passes) && building.Passes ? ExitCode.Ok : ExitCode.Fails;
    }

    /// <summary>What is seen of all bases together: each was designed alone, what is shown is held against all that are sized.</summary>
    public static WholeBuilding Whole(LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        var shown = reports.ToDictionary(r => r.Foundation.Mark, r => r.Design, StringComparer.Ordinal);
        var bases =
            loaded.Project.Foundations.Select(f => (Foundation: f, Design: shown.TryGetValue(f.Mark, out var d) ? d : loaded.Design(f)))
                .Where(b => b.Design is not null)
                .Select(b => (b.Foundation, b.Design!))
                .ToList();
        var all = WholeBuilding.Of(loaded.Project, bases);
        bool Shown(string a, string b) => shown.ContainsKey(a) || shown.ContainsKey(b);
        return all with
        {
            Near = [.. all.Near.Where(n => Shown(n.First, n.Second))],
            Steps = [.. all.Steps.Where(s => Shown(s.Upper, s.Lower))],
            Ties = [.. all.Ties.Where(t => Shown(t.First, t.Second))],
            Distortions = [.. all.Distortions.Where(d => Shown(d.First, d.Second))],
        };
    }

    private static int Run(Call call, string[] marks, string[] set, double? below, bool room, bool diagrams, bool watch) =>
        watch ? Watch.Repeat(call, () => Once(call, marks, set, below, room, diagrams)) : Once(call, marks, set, below, room, diagrams);

    private static int Once(Call call, string[] marks, string[] set, double? below, bool room, bool diagrams)
    {
        if (diagrams && call.Format != OutputFormat.Json)
        {
            throw new CallException("--diagrams goes with --format json here; as a table: plinth show MARK --diagrams");
        }

        var loaded = call.Load();
        var foundations = Call.Choose(loaded.Project, marks);
        var reports = Check(loaded, foundations, f => loaded.Design(f) is { } d ? With(loaded, f, d, set) : null);
        if (below is { } limit)
        {
            reports = [.. reports.Where(r => r.Result is { } result && result.Governing.Utilisation < limit)];
        }

        if (room || (call.Format == OutputFormat.Table && reports.Count <= MostWithRoom))
        {
            reports = WithRoom(loaded, reports);
        }

        reports = diagrams ? WithDiagrams(loaded, reports) : reports;
        return Print(call, loaded, reports, screen => ResultTables.Checks(screen, loaded, reports, call.Quiet));
    }

    /// <summary>The reports with shear and moment along those under several columns.</summary>
    public static IReadOnlyList<FoundationReport> WithDiagrams(LoadedProject loaded, IReadOnlyList<FoundationReport> reports) =>
        [.. reports.Select(r => r.Design is { } d && r.Foundation.Kind.UnderSeveral
            ? r with { Diagrams = new Checker(loaded.Project, r.Foundation).Diagrams(d) }
            : r)];

    /// <summary>The reports with the room of those that are sized.</summary>
    public static IReadOnlyList<FoundationReport> WithRoom(LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        var sized = reports.Where(r => r.Design is not null).ToList();
        var room = Building.Room(loaded.Project, [.. sized.Select(r => (r.Foundation, r.Design!, r.Result))], Runner.Token);
        var byMark = sized.Zip(room).ToDictionary(p => p.First.Foundation.Mark, p => p.Second, StringComparer.Ordinal);
        return [.. reports.Select(r => byMark.TryGetValue(r.Foundation.Mark, out var value) ? r with { Room = value } : r)];
    }
}
