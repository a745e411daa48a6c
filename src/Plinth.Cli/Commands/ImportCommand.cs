using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Units;
using Plinth.Files;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;
using Plinth.Files.Import;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Turns raw analysis tables into supports.csv and reactions.csv.</summary>
internal static class ImportCommand
{
    public static Command Build()
    {
        var command = new Command("import", """
            Turns raw tables of the analysis (CSV, XLSX) into supports.csv and reactions.csv, by the [import] part of
            plinth.toml, and says what it read, what it left out, and the totals of each case.

            Examples:
              plinth import raw/base.xlsx   no [import] yet: prints a guess to paste into plinth.toml, writes nothing
              plinth import --dry-run       reads by [import] and shows the totals, writes nothing
              plinth import                 the same, and writes; what was added to supports.csv by hand stays

            An [import] part:
              [import]
              file = "raw/base.csv"         # sheet, header, units-row, skip, delimiter, decimal, encoding as needed
              axes = ["x", "-z", "y"]       # project x, y, up in the model's axes
              sense = "reaction"
              columns = { support = "node", case = "load", Fx = "R1", Fy = "R2", Fz = "R3" }
              labels = { "12" = "C1" }      # or label-pattern and label-to; keep, leave-out, keep-level
              positions = { file = "raw/nodes.csv", columns = { support = "node", x = "at 1", y = "at 2", z = "at 3" } }
            docs/files.md has all keys.
            """);
        var file = new Argument<string?>("file") { Description = "A raw table to guess [import] from", Arity = ArgumentArity.ZeroOrOne };
        var dry = new Option<bool>("--dry-run") { Description = "Show what would be read; write nothing" };
        command.Add(file);
        command.Add(dry);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(file), parsed.GetValue(dry)));
        return command;
    }

    private static int Run(Call call, string? file, bool dry)
    {
        var directory = call.Find();
        var bag = call.Bag();
        if (file is not null)
        {
            bag.Names(file);
        }

        using var held = dry ? null : call.Hold();
        var project = ImportProject.Read(directory, bag) ?? throw new InputException(bag);
        if (!project.IsComplete)
        {
            return Guess(call, directory, project, file, bag);
        }

        if (file is not null && Path.GetFullPath(file) != Path.GetFullPath(Path.Combine(directory, project.File!)))
        {
            throw new CallException(
                $"[import] in plinth.toml names {project.File}; write file = "
                    + $"{Plinth.Files.Toml.TomlText.Quote(Path.GetRelativePath(directory, file))} there, so that the import can be "
                    + "repeated, and run plinth import");
        }

        var target = Path.Combine(directory, project.ReactionsName);
        var supportsPath = Path.Combine(directory, ProjectReader.SupportsName);
        if (!dry && OutputRules.FaultOfOwn(supportsPath, directory, []) is { } fault)
        {
            throw new CallException(fault);
        }

        if (!dry)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(target)!);
        }

        using var reactions = dry ? null : TextFile.WriteAtomically(target);
        var report = new Importer(directory, project.Spec!, project.Context, bag).Run(reactions?.Writer);
        Runner.Token.ThrowIfCancellationRequested();
        if (report is null)
        {
            throw new InputException(bag);
        }

        if (!dry)
        {
            // Supports without their reactions would be another building: both or none.
            using var supports = report.SupportsText is null ? null : TextFile.WriteAtomically(supportsPath);
            supports?.Writer.Write(report.SupportsText);
            PendingWrites.Commit(directory, [.. new[] { reactions, supports }.OfType<AtomicFile>()]);
        }

        foreach (var warning in bag.Sorted.Where(_ => !call.Quiet))
        {
            Console.Error.WriteLine(warning);
        }

        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    ImportJson.Write(stdout, report, !dry);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(Csv(report, project.Context.Units));
                break;
            default:
                if (!call.Quiet || dry)
                {
                    Print(new Screen(call), report, project, dry);
                }

                break;
        }

        return ExitCode.Ok;
    }

    private static int Guess(Call call, string directory, ImportProject project, string? file, DiagnosticBag bag)
    {
        var name = file is null ? project.File : Path.GetRelativePath(directory, file);
        if (name is null)
        {
            throw new CallException("plinth.toml has no [import]; name a table to guess it from: plinth import raw/reactions.xlsx");
        }

        if (file is null && !call.Verbose && !InputFile.IsWithin(Path.Combine(directory, name), directory))
        {
            throw new CallException(
                $"[import] in plinth.toml names {name}, which lies outside the project's folder; to see what it holds, name it: plinth "
                    + $"import {name}");
        }

        if (!File.Exists(Path.Combine(directory, name)))
        {
            throw new CallException($"there is no file {name} in {directory}");
        }

        var text = ImportGuess.Text(directory, name, project.Sheet, project.Context.Symbols.Keys.ToHashSet(StringComparer.Ordinal),
            project.Context.European, bag) ?? throw new InputException(bag);
        Console.Out.Write(text);
        Console.Error.WriteLine();
        Console.Error.WriteLine(
            "This is a guess by the headers; nothing was written. Look at each line, paste it into plinth.toml, then: plinth "
                + "import --dry-run");
        return ExitCode.Wrong;
    }

    private static void Print(Screen screen, ImportReport report, ImportProject project, bool dry)
    {
        foreach (var line in report.Read)
        {
            screen.Wrapped("Read " + line);
        }

        foreach (var l in report.LeftOut)
        {
            var examples = string.Join(", ", l.Examples) + (l.Rows > l.Examples.Count ? " …" : "");
            screen.Wrapped(string.Create(CultureInfo.InvariantCulture,
                $"Left out: {l.Rows:#,0} rows: {l.Reason}{(l.Examples.Count == 0 ? "" : $" ({examples})")}"));
        }

        screen.Line();
        var units = project.Context.Units;
        var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        screen.Line(report.HasPositions
            ? "Totals of each case as actions, N downwards, moments about the origin"
            : "Totals of each case as actions, N downwards; no positions are known, so no moments");
        screen.Line();
        var table = Screen.Table(["case", "symbol", ">supports", $">N {f}", $">Fx {f}", $">Fy {f}",
            .. report.HasPositions ? [$">Mx {m}", $">My {m}", $">Mz {m}"] : Array.Empty<string>()]);
        foreach (var c in report.Cases)
        {
            string F(double v) => Unit.Force.Format(v, units);
            string M(double v) => Unit.Moment.Format(v, units);
            string[] cells = [c.Case, c.Symbol ?? (c.Proposed is null ? "? none" : $"? {c.Proposed}"),
                c.Supports.ToString(CultureInfo.InvariantCulture), F(c.Totals.N), F(c.Totals.Fx), F(c.Totals.Fy),
                .. report.HasPositions ? [M(c.Totals.Mx), M(c.Totals.My), M(c.Totals.Mz)] : Array.Empty<string>()];
            table.AddRow(
                cells.Select((t, i) => Screen.Cell(t,
                    (i == 1 && c.Symbol is null) || (i == 2 && c.Supports < report.Supports) ? Styles.Fail : Style.Plain)).ToArray());
        }

        screen.Write(table);
        screen.Line();
        List(screen, "Came", report.Came, report.Supports);
        List(screen, "Moved", report.Moved, report.Supports);
        List(screen, "Kept as written by hand", report.Kept, report.Supports);
        foreach (var row in report.Went)
        {
            screen.Line($"Went: {row}   (its row is taken out of {ProjectReader.SupportsName})");
        }

        if (report.Cases.Any(c => c.Symbol is null))
        {
            screen.Line("Cases without a symbol; proposed by their names, for [cases] in plinth.toml:");
            foreach (var c in report.Cases.Where(c => c.Symbol is null))
            {
                screen.Line($"  {Plinth.Files.Toml.TomlText.Key(c.Case)} = \"{c.Proposed ?? "?"}\"");
            }
        }

        screen.Line(string.Create(CultureInfo.InvariantCulture,
            $"{report.Rows:#,0} rows, {report.Supports:#,0} supports, {report.Cases.Count} cases: ")
            + (dry
                ? "nothing was written (--dry-run)"
                : $"written to {project.ReactionsName}"
                    + (report.SupportsText is null ? "; supports.csv stays as it is" : " and supports.csv")));
    }

    private static void List(Screen screen, string what, IReadOnlyList<string> items, int all)
    {
        const int Most = 12;
        if (items.Count > 0)
        {
            screen.Wrapped(items.Count == all && all > Most
                ? string.Create(CultureInfo.InvariantCulture, $"{what}: all {all}")
                : string.Create(CultureInfo.InvariantCulture,
                    $"{what} ({items.Count}): {string.Join(", ", items.Take(Most))}{(items.Count > Most ? " …" : "")}"));
        }
    }

    private static string Csv(ImportReport report, UnitSystem units)
    {
        var csv = new CsvText();
        var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        csv.Row("case", "symbol", "proposed", "supports", $"N ({f})", $"Fx ({f})", $"Fy ({f})", $"Mx ({m})", $"My ({m})", $"Mz ({m})");
        foreach (var c in report.Cases)
        {
            var t = c.Totals;
            csv.Row(c.Case, c.Symbol ?? "", c.Proposed ?? "", c.Supports, Unit.Force.In(t.N, units), Unit.Force.In(t.Fx, units),
                Unit.Force.In(t.Fy, units), Unit.Moment.In(t.Mx, units), Unit.Moment.In(t.My, units), Unit.Moment.In(t.Mz, units));
        }

        return csv.ToString();
    }
}
