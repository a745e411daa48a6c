using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Files;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Prints the footing schedule with quantities.</summary>
internal static class ScheduleCommand
{
    public static Command Build()
    {
        var command = new Command("schedule", """
            Prints the footing schedule of what is adopted, with quantities.

            Examples:
              plinth schedule
              plinth schedule --to out/footings.csv
              plinth schedule --format json
            """);
        var to = new Option<string?>("--to") { Description = "Write to this file (.csv) instead", HelpName = "FILE" };
        command.Add(to);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(to)));
        return command;
    }

    private static int Run(Call call, string? to)
    {
        if (to is not null && !to.EndsWith(".csv", StringComparison.OrdinalIgnoreCase))
        {
            throw new CallException($"--to {to}: this version writes .csv; name the file so");
        }

        var loaded = call.Load();
        var designs = loaded.Project.Foundations.Select(f => (Foundation: f, Design: loaded.Design(f))).ToList();
        var missing = designs.Where(d => d.Design is null).Select(d => d.Foundation.Mark).ToList();
        var schedule = FootingSchedule.Of(loaded.Project.Code, designs.Where(d => d.Design is not null).Select(d => (d.Foundation, d.Design!)));
        if (to is not null)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
            TextFile.WriteAtomically(to, Csv(loaded, schedule));
            if (!call.Quiet)
            {
                Console.Error.WriteLine($"Written to {to}");
            }
        }
        else if (call.Format == OutputFormat.Json)
        {
            using var stdout = Console.OpenStandardOutput();
            ScheduleJson.Write(stdout, loaded.Project.Title.Name, schedule);
        }
        else if (call.Format == OutputFormat.Csv)
        {
            Console.Out.Write(Csv(loaded, schedule));
        }
        else
        {
            Print(new Screen(call), loaded, schedule);
        }

        if (missing.Count > 0)
        {
            Console.Error.WriteLine($"Not sized yet, so not in the schedule: {string.Join(", ", missing)} (run: plinth size)");
        }

        return missing.Count > 0 ? ExitCode.Fails : ExitCode.Ok;
    }

    private static void Print(Screen screen, LoadedProject loaded, FootingSchedule schedule)
    {
        var units = loaded.Project.Units;
        screen.Line($"Footing schedule: {loaded.Project.Title.Name}", Styles.Head);
        screen.Line();
        var (m, mm, v) = (Unit.Length.Symbol(units), Unit.Section.Symbol(units), Unit.Volume.Symbol(units));
        var upright = schedule.Rows.Any(r => r.Design.Dowels.Size is not null || r.Design.Pedestal is not null);
        var table = Screen.Table("mark", "under", ">no.", $"plan {m}", $">h {mm}", $">level {m}", "bot. x", "bot. y", "top x", "top y", upright ? "dowels, pedestal" : "", $">{v}", ">kg");
        foreach (var r in schedule.Rows)
        {
            static string Bars(Core.Concrete.BarSpec b) => b.Size is null ? "—" : b.ToString();
            table.AddRow(
                Screen.Cell(r.Mark), Screen.Cell(string.Join(", ", r.Supports)), Screen.Cell(r.NumberOff.ToString(CultureInfo.InvariantCulture)), Screen.Cell(Say.Plan(r.Size, units)), Screen.Cell(Unit.Section.Format(r.Size.Thickness, units)),
                Screen.Cell(Unit.Length.Format(r.Underside, units)), Screen.Cell(Bars(r.Design.BottomX)), Screen.Cell(Bars(r.Design.BottomY)), Screen.Cell(Bars(r.Design.TopX)), Screen.Cell(Bars(r.Design.TopY)), Screen.Cell(Upright(r.Design, units)),
                Screen.Cell(Unit.Volume.Format(r.NumberOff * r.Each.Concrete, units)), Screen.Cell((r.NumberOff * r.Each.Steel).ToString("0", CultureInfo.InvariantCulture)));
        }

        screen.Write(table);
        screen.Line();
        var t = schedule.Total;
        screen.Wrapped(string.Create(CultureInfo.InvariantCulture, $"Total: concrete {Unit.Volume.FormatWithSymbol(t.Concrete, units)}, steel {t.Steel:0} kg, excavation {Unit.Volume.FormatWithSymbol(t.Excavation, units)} (plan of the bases, no working space), formwork {Unit.Area.FormatWithSymbol(t.Formwork, units)}, blinding {Unit.Volume.FormatWithSymbol(t.Blinding, units)}."));
        screen.Wrapped($"Level: of the underside. {v}: concrete, kg: steel, of all that a row counts. Bars cut to the base less side cover, hooks, dowels with a compression lap and pedestals included; bot. x: bottom bars along the base's x.");
    }

    private static string Upright(FoundationDesign d, UnitSystem units) =>
        (d.Dowels.Size is null ? "" : d.Dowels.ToString()) + (d.Pedestal is { } p ? $"{(d.Dowels.Size is null ? "" : "\n")}{Say.Pedestal(p, units)}, {p.Bars}, {p.Ties}" : "");

    private static string Csv(LoadedProject loaded, FootingSchedule schedule)
    {
        var units = loaded.Project.Units;
        var (m, mm, v, a) = (Unit.Length.Symbol(units), Unit.Section.Symbol(units), Unit.Volume.Symbol(units), Unit.Area.Symbol(units));
        var csv = new CsvText();
        csv.Row("mark", "supports", "number off", $"length ({m})", $"width ({m})", $"thickness ({mm})", $"underside ({m})", "bottom-x", "bottom-y", "top-x", "top-y", "dowels", "pedestal", "pedestal bars", "pedestal ties", $"concrete each ({v})", "steel each (kg)", $"excavation each ({v})", $"formwork each ({a})", $"blinding each ({v})");
        foreach (var r in schedule.Rows)
        {
            csv.Row(
                r.Mark, string.Join(" ", r.Supports), r.NumberOff, Unit.Length.In(r.Size.Length, units), Unit.Length.In(r.Size.Width, units), Unit.Section.In(r.Size.Thickness, units), Unit.Length.In(r.Underside, units),
                r.Design.BottomX.ToString(), r.Design.BottomY.ToString(), r.Design.TopX.ToString(), r.Design.TopY.ToString(), r.Design.Dowels.ToString(), r.Design.Pedestal is { } p ? Say.Pedestal(p, units) : "none", r.Design.Pedestal?.Bars.ToString() ?? "", r.Design.Pedestal?.Ties.ToString() ?? "", Unit.Volume.In(r.Each.Concrete, units), r.Each.Steel, Unit.Volume.In(r.Each.Excavation, units), Unit.Area.In(r.Each.Formwork, units), Unit.Volume.In(r.Each.Blinding, units));
        }

        return csv.ToString();
    }
}
