using System.CommandLine;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Reading;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Finds sizes and bars.</summary>
internal static class SizeCommand
{
    public static Command Build()
    {
        var command = new Command("size", """
            Finds sizes and bars where none are adopted or what is adopted fails, and writes them to adopted.toml.
            What was written or changed by hand is left as it is, and named.

            Examples:
              plinth size              what is not sized yet, or fails
              plinth size --all        everything that is not held
              plinth size F7 --over    F7 even if it was edited by hand
              plinth size --dry-run    shows what would change, writes nothing
              plinth size --propose    prices one base for those that overlap, writes nothing
            """);
        var marks = new Argument<string[]>("mark") { Description = "Marks or patterns (default: all)", Arity = ArgumentArity.ZeroOrMore };
        var all = new Option<bool>("--all") { Description = "Size everything that is not held, also what passes" };
        var over = new Option<bool>("--over") { Description = "Size hand edits too" };
        var dry = new Option<bool>("--dry-run") { Description = "Show old and new, write nothing" };
        var why = new Option<bool>("--why") { Description = "Say what stopped each next smaller step" };
        command.Add(marks);
        command.Add(all);
        command.Add(over);
        command.Add(dry);
        var propose = new Option<bool>(
            "--propose")
        { Description = "Size and price what could stand in place of bases that overlap or find nothing; write nothing" };
        command.Add(why);
        command.Add(propose);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(marks) ?? [], parsed.GetValue(all), parsed.GetValue(over),
            parsed.GetValue(dry) || parsed.GetValue(propose), parsed.GetValue(why), parsed.GetValue(propose)));
        return command;
    }

    private static int Run(Call call, string[] marks, bool all, bool over, bool dry, bool why, bool propose)
    {
        using var held = dry ? null : call.Hold();
        var loaded = call.Load();

        // What one row of a grid carries follows from the sizes of all.
        var chosen = Call.Choose(loaded.Project, marks);
        var grids = chosen.Select(f => f.Row?.Grid).OfType<string>().ToHashSet(StringComparer.Ordinal);
        var foundations = grids.Count == 0 ? chosen
            : [.. loaded.Project.Foundations.Where(f => chosen.Contains(f) || (f.Row is { } row && grids.Contains(row.Grid)))];
        var before = CheckCommand.Check(loaded, foundations).ToDictionary(r => r.Foundation.Mark, StringComparer.Ordinal);
        bool ByHand(Foundation f) => loaded.Adopted.TryGetValue(f.Mark, out var e) && e.ByHand;
        bool Keeps(Foundation f) => f.Held.Built || (ByHand(f) && !over);
        var wanted = foundations.Where(f => !Keeps(f) && (all || over && ByHand(f) || !before[f.Mark].Passes)).ToList();
        grids = wanted.Select(f => f.Row?.Grid).OfType<string>().ToHashSet(StringComparer.Ordinal);
        wanted = grids.Count == 0 ? wanted
            : [.. foundations.Where(f => f.Row is { } row ? grids.Contains(row.Grid) : wanted.Contains(f))];
        var found = Size(loaded, wanted, f => Keeps(f) ? loaded.Own(f) : null);
        var reports = foundations.Select(f => Report(f, found.GetValueOrDefault(f.Mark), before[f.Mark], ByHand(f), Keeps(f))).ToList();
        var wrote = false;
        if (!dry)
        {
            Runner.Token.ThrowIfCancellationRequested();
            wrote = Adopt(loaded, reports);
        }

        if (propose)
        {
            return Proposing.Price(call, loaded, reports);
        }

        var exit = CheckCommand.Print(call, loaded, reports, screen =>
        {
            ResultTables.Sizes(screen, loaded, reports, call.Quiet);
            if (why)
            {
                Why(screen, loaded, reports);
            }

            if (dry)
            {
                Differences(screen, loaded, reports, before);
            }
        });
        if (call.Format == OutputFormat.Table && !call.Quiet)
        {
            Proposing.Name(call, loaded, reports);
        }

        Tell(call, loaded, reports, found, dry, wrote);
        return exit;
    }

    private static Dictionary<string, SizingResult> Size(LoadedProject loaded, List<Foundation> wanted,
        Func<Foundation, FoundationDesign?> kept)
    {
        using var bar = new ProgressLine("sizing", wanted.Count);
        var results = Building.Size(loaded.Project, wanted, bar.Step, Runner.Token, check: true, kept);
        return wanted.Zip(results).ToDictionary(p => p.First.Mark, p => p.Second, StringComparer.Ordinal);
    }

    private static FoundationReport Report(Foundation f, SizingResult? found, FoundationReport before, bool byHand, bool keeps)
    {
        if (found is null || keeps)
        {
            var kept = f.Held.Built ? "built" : byHand ? "by hand" : "kept";
            return found?.Design is { } own
                ? new FoundationReport(found.Stands ?? f, own, found.Checked, kept)
                : before with { State = kept };
        }

        // What was adopted stays in force where nothing was found: it fails, and says so.
        return found.Design is { } design
            ? new FoundationReport(found.Stands ?? f, design, found.Checked, "sized")
            : before with { State = "none found", Stop = found.Stop };
    }

    private static bool Adopt(LoadedProject loaded, List<FoundationReport> reports)
    {
        var us = loaded.Project.Units == UnitSystem.Us;
        var tables = reports.Where(r => r.State == "sized")
            .Select(r => (r.Foundation.Mark, AdoptedEntry.Write(r.Foundation, r.Design!, us)))
            .ToList();
        if (tables.Count == 0)
        {
            return false;
        }

        var text = AdoptedEditor.Set(loaded.AdoptedText, tables, whole: true);
        if (text == loaded.AdoptedText)
        {
            return false;
        }

        loaded.Adopt(text);
        return true;
    }

    private static void Tell(Call call, LoadedProject loaded, List<FoundationReport> reports, Dictionary<string, SizingResult> found,
        bool dry, bool wrote)
    {
        foreach (var r in reports.Where(r => r.Stop is not null))
        {
            Console.Error.WriteLine($"{r.Foundation.Mark} ({Wording.Supports(r.Foundation)}): nothing found: {r.Stop!.Reason}");
        }

        var built = reports.Where(r => r.State == "built").Select(r => r.Foundation.Mark).ToList();
        if (built.Count > 0)
        {
            Console.Error.WriteLine($"Built, so only checked: {string.Join(", ", built)}");
        }

        var held = reports.Where(r => r.State == "by hand").Select(r => r.Foundation.Mark).ToList();
        if (held.Count > 0 && !call.Quiet)
        {
            Console.Error.WriteLine($"Held, as written by hand in adopted.toml: {string.Join(", ", held)} (--over sizes them too)");
        }

        if (call.Verbose)
        {
            foreach (var (mark, result) in found)
            {
                foreach (var step in result.Steps)
                {
                    Console.Error.WriteLine($"{mark}: {step.What}: {Wording.Size(step.Size, loaded.Project.Units)}");
                }
            }
        }

        var sized = reports.Count(r => r.State == "sized"
            && !(loaded.Design(r.Foundation) is { } old && AdoptedEntry.Same(r.Foundation, old, r.Design!)));
        if (!call.Quiet)
        {
            Console.Error.WriteLine(dry ? sized == 0 ? "Nothing would change." : $"Nothing written: {sized} would be."
                : wrote ? $"{Math.Max(sized, 1)} written to {loaded.AdoptedPath}"
                : "Nothing to write.");
        }
    }

    /// <summary>What stops each next smaller step.</summary>
    public static void Why(Screen screen, LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        foreach (var r in reports.Where(r => r.Design is not null))
        {
            screen.Line();
            screen.Line($"{r.Foundation.Mark}: what stops the next smaller step", Styles.Head);
            var table = Screen.Table("step", ">util.", "stopped by", "combination", "");
            foreach (var (step, stop) in FoundationSizer.Of(loaded.Project, r.Foundation).Why(r.Design!))
            {
                if (stop is null)
                {
                    table.AddRow(Screen.Cell(step), Screen.Cell(""), Screen.Cell("nothing: it passes too"), Screen.Cell(""),
                        Screen.Cell(""));
                }
                else if (stop.Check is null)
                {
                    table.AddRow(Screen.Cell(step), Screen.Cell(""), Screen.Cell(stop.Bound), Screen.Cell(""), Screen.Cell(""));
                }
                else
                {
                    table.AddRow(Screen.Cell(step), Screen.Cell(Wording.Utilisation(stop.Utilisation, false)),
                        Screen.Cell(Wording.Check(stop.Check)), Screen.Cell(stop.Combination ?? "—"),
                        Screen.Cell(r.Foundation.Places.Count > 1 ? stop.Place ?? "" : ""));
                }
            }

            screen.Write(table);
            screen.Line("Plan and thickness with the bars that come nearest, found anew; bars with all else as it is.", Styles.Quiet);
        }
    }

    private static void Differences(Screen screen, LoadedProject loaded, List<FoundationReport> reports,
        Dictionary<string, FoundationReport> before)
    {
        var units = loaded.Project.Units;
        var changed =
            reports.Where(r => r.State == "sized" && before[r.Foundation.Mark].Design is { } old
                && !AdoptedEntry.Same(r.Foundation, old, r.Design!)).ToList();
        if (changed.Count == 0)
        {
            return;
        }

        screen.Line();
        screen.Line("Old and new", Styles.Head);
        string Moved(FoundationDesign d) =>
            d.Size.ShiftX == 0 && d.Size.ShiftY == 0
                ? ""
                : $"\nmoved {Dimension.Section(d.Size.ShiftX, units)}, {Dimension.Section(d.Size.ShiftY, units)}";
        var table = Screen.Table("mark", "", Dimension.Heading("plan", Unit.Length, units), Dimension.Heading(">h", Unit.Section, units),
            "bottom", "top");
        foreach (var r in changed)
        {
            void Row(string mark, string which, FoundationDesign d) =>
                table.AddRow(Screen.Cell(mark), Screen.Cell(which), Screen.Cell(Wording.Plan(d, units) + Moved(d)),
                    Screen.Cell(Dimension.PlainSection(d.Size.Thickness, units)), Screen.Cell(Wording.Bars(d, true)),
                    Screen.Cell(Wording.Bars(d, false)));
            Row(r.Foundation.Mark, "old", before[r.Foundation.Mark].Design!);
            Row("", "new", r.Design!);
        }

        screen.Write(table);
    }
}
