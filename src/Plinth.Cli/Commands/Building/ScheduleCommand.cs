using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Files;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Footing schedule, bar schedule and quantities: on the screen, or as CSV, XLSX or JSON.</summary>
internal static class ScheduleCommand
{
    private static readonly string[] Names = [.. FoundationKinds.All.Select(k => k.ScheduleName.ToLowerInvariant()), "piles", "bars",
        "quantities"];

    public static Command Build()
    {
        var command = new Command("schedule", """
            Schedules what is adopted: footings, bars with shape codes and cutting lengths, quantities.

            Examples:
              plinth schedule
              plinth schedule --what bars
              plinth schedule --to out/footings.xlsx              all three, a sheet each
              plinth schedule --what bars --to out/bars.csv
              plinth schedule --format json
            """);
        var what = new Option<string?>("--what")
        {
            Description = $"One of {string.Join(", ", Names)} (default: the footings of every kind)",
            HelpName = "TABLE"
        };
        what.AcceptOnlyFromAmong([.. Names]);
        var to = new Option<string?>("--to") { Description = "Write to this file (.xlsx, .csv) instead", HelpName = "FILE" };
        command.Add(what);
        command.Add(to);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(what) ?? "", parsed.GetValue(to)));
        return command;
    }

    private static int Run(Call call, string what, string? to)
    {
        var ending = to is null ? "" : Path.GetExtension(to).ToLowerInvariant();
        if (to is not null && ending is not (".csv" or ".xlsx"))
        {
            throw new CallException($"--to {to}: schedules are written as .xlsx or .csv; name the file so");
        }

        var loaded = call.Load();
        var project = loaded.Project;
        var all = project.Foundations.Select(f => (Foundation: f, Design: loaded.Design(f))).ToList();
        var missing = all.Where(d => d.Design is null).Select(d => d.Foundation.Mark).ToList();
        var designs = all.Where(d => d.Design is not null).Select(d => (d.Foundation, d.Design!)).ToList();
        var tables = ScheduleTables.Of(project, designs);
        var chosen = tables.FirstOrDefault(t => what.Length == 0 || t.Name.Equals(what, StringComparison.OrdinalIgnoreCase))
            ?? throw new CallException(
                $"--what {what}: there are no such foundations; there are "
                    + $"{string.Join(", ", tables.Select(t => t.Name.ToLowerInvariant()))}");
        if (to is not null)
        {
            Call.MayWrite(loaded, to);
            Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
            if (ending == ".xlsx")
            {
                using var book = new MemoryStream();
                XlsxBook.Write(book, project, what.Length == 0 ? tables : [chosen]);
                TextFile.WriteAtomically(to, book.ToArray());
            }
            else
            {
                TextFile.WriteAtomically(to, Csv(chosen));
            }

            if (!call.Quiet)
            {
                Console.Error.WriteLine($"Written to {to}");
            }
        }
        else if (call.Format == OutputFormat.Json)
        {
            using var stdout = Streams.Results();
            ScheduleJson.Write(stdout, project, designs);
        }
        else if (call.Format == OutputFormat.Csv)
        {
            Console.Out.Write(Csv(chosen));
        }
        else if (what.Length == 0)
        {
            var screen = new Screen(call);
            var schedule = FootingSchedule.Of(project, designs);
            var members = ScheduleTables.Members(project, schedule).ToList();
            foreach (var table in members)
            {
                if (table.Name == FoundationKinds.Usual.ScheduleName)
                {
                    Print(screen, loaded, schedule);
                }
                else
                {
                    screen.Line();
                    Print(screen, project, table, [.. schedule.Rows.Where(r => table.Rows.Any(c => (string)c[0]! == r.Mark))]);
                }
            }

            Print(screen, project.Units, schedule.Total, members.Count > 1 ? "Total of all foundations" : "Total");
        }
        else
        {
            Print(new Screen(call), project.Title.Name, chosen);
        }

        if (missing.Count > 0)
        {
            Console.Error.WriteLine($"Not sized yet, so not in the schedule: {string.Join(", ", missing)} (run: plinth size)");
        }

        return missing.Count > 0 ? ExitCode.Fails : ExitCode.Ok;
    }

    private static string Csv(DataTable table)
    {
        var csv = new CsvText();
        csv.Row(table.Columns.Select(c => c.Heading));
        foreach (var row in table.Rows)
        {
            csv.Row(row);
        }

        return csv.ToString();
    }

    // A table as it is issued; columns without any value are left out.
    private static void Print(Screen screen, string project, DataTable data)
    {
        screen.Line($"{data.Title}: {project}", Styles.Head);
        screen.Line();
        var shown = Enumerable.Range(0, data.Columns.Count).Where(c => data.Rows.Any(r => r[c] is not null)).ToList();
        var numeric = shown.Select(c => data.Rows.All(r => r[c] is not string)).ToList();
        var table =
            Screen.Table(
                [.. shown.Select((c, i) => (numeric[i] ? ">" : "") + data.Columns[c].Title
                    + (data.Columns[c].UnitSymbol.Length == 0 || data.Columns[c].Form != ColumnForm.Decimals
                        ? ""
                        : " " + data.Columns[c].UnitSymbol))]);
        foreach (var row in data.Total is { } total ? [.. data.Rows, total] : data.Rows)
        {
            table.AddRow([.. shown.Select(c => Screen.Cell(data.Columns[c].Words(row[c])))]);
        }

        screen.Write(table);
        screen.Line();
        foreach (var note in data.Notes)
        {
            screen.Wrapped(note);
        }
    }

    private static void Print(Screen screen, LoadedProject loaded, FootingSchedule schedule)
    {
        var units = loaded.Project.Units;
        screen.Line($"Footing schedule: {loaded.Project.Title.Name}", Styles.Head);
        screen.Line();
        var v = Unit.Volume.Symbol(units);
        static string Bars(FootingRow r, bool alongX, bool bottom) =>
            r.Design.Drawn(alongX, bottom) is var words && words == Core.Concrete.BarSpec.None.Drawn ? "—" : words;
        var top = schedule.Rows.Any(r => Usual(r) && r.Design.HasTop);
        var (dowels, pedestals) = (schedule.Rows.Any(r => Usual(r) && r.Design.HasDowels),
            schedule.Rows.Any(r => Usual(r) && r.Design.HasPedestal));
        List<(string Head, Func<FootingRow, string> Cell)> columns =
        [
            ("mark", r => r.Mark), ("under", r => string.Join(", ", r.Supports) + (r.Existing ? " (existing)" : "")),
            (">no.", r => r.NumberOff.ToString(CultureInfo.InvariantCulture)),
            (Dimension.Heading("plan", Unit.Length, units), r => Wording.Plan(r.Design, units)),
            (Dimension.Heading(">h", Unit.Section, units), r => Dimension.PlainSection(r.Size.Thickness, units)),
            (Dimension.Heading(">level", Unit.Length, units), r => Dimension.PlainPlan(r.Underside, units)),
            ("bot. x", r => Bars(r, true, true)), ("bot. y", r => Bars(r, false, true)),
            .. top
                ? [("top x", r => Bars(r, true, false)), ("top y", r => Bars(r, false, false))]
                : (List<(string, Func<FootingRow, string>)>)[],
            .. dowels || pedestals
                ? [(dowels && pedestals ? "dowels, pedestal" : dowels ? "dowels" : "pedestal", r => Upright(r.Design.Under(0), units))]
                : (List<(string, Func<FootingRow, string>)>)[],
            (">" + v, r => Unit.Volume.Format(r.NumberOff * r.Each.Concrete, units)),
            (">" + Unit.Mass.Symbol(units), r => Unit.Mass.Format(r.NumberOff * r.Each.Steel, units)),
        ];
        var table = Screen.Table([.. columns.Select(c => c.Head)]);
        foreach (var r in schedule.Rows.Where(Usual))
        {
            table.AddRow([.. columns.Select(c => Screen.Cell(c.Cell(r)))]);
        }

        screen.Write(table);
        screen.Line();
        screen.Wrapped(
            $"Level: of the {Wording.Underside(units)}. {v}: concrete, {Unit.Mass.Symbol(units)}: steel by cutting lengths, of all that a "
                + $"row counts; bot. x: bottom bars along the base's x.{(top ? "" : " No footing has top bars.")}");
    }

    // Of all tables, below the last of them.
    private static void Print(Screen screen, UnitSystem units, Quantities t, string of)
    {
        screen.Line();
        screen.Wrapped(string.Create(CultureInfo.InvariantCulture,
            $"{of}: concrete {Unit.Volume.FormatWithSymbol(t.Concrete, units)}, steel {Unit.Mass.FormatWithSymbol(t.Steel, units)}, "
                + $"excavation {Unit.Volume.FormatWithSymbol(t.Excavation, units)} (plan of the bases, no working space), formwork "
                + $"{Unit.Area.FormatWithSymbol(t.Formwork, units)}, {Wording.Blinding(units)} "
                + $"{Unit.Volume.FormatWithSymbol(t.Blinding, units)}."));
    }

    private const int WidestZone = 9;

    // Of a kind with zones of bars: a line a zone.
    private static void Print(Screen screen, Project project, DataTable issued, IReadOnlyList<FootingRow> rows)
    {
        var units = project.Units;
        screen.Line($"{issued.Title}: {project.Title.Name}", Styles.Head);
        screen.Line();
        var (upright, others) = (rows.Any(r => r.Design.HasDowels || r.Design.HasPedestal), rows.Any(r => r.Design.OtherBars.Count > 0));

        // Both ways one below the other where they would be too wide beside each other.
        var merged = others || rows.Any(r => Wording.Zones(r.Design.Drawn(true, true)).Split('\n').Any(z => z.Length > WidestZone));
        var table = Screen.Table("mark", "under", ">no.", Dimension.Heading("plan", Unit.Length, units),
            Dimension.Heading(">h", Unit.Section, units), Dimension.Heading(">level", Unit.Length, units),
            merged ? "bottom" : "bottom x", merged ? "" : "bottom y", others ? "top, others" : "top",
            upright ? "dowels" : "", ">" + Unit.Volume.Symbol(units), ">" + Unit.Mass.Symbol(units));
        foreach (var r in rows)
        {
            string Bars(bool alongX, bool bottom) => Wording.Zones(r.Design.Drawn(alongX, bottom));
            IEnumerable<string> Both(bool bottom) => new[] { ("x", Bars(true, bottom)), ("y", Bars(false, bottom)) }
                .Where(l => l.Item2 != Core.Concrete.BarSpec.None.Drawn).Select(l => $"{l.Item1} {l.Item2}");
            var dowels = string.Join('\n',
                Enumerable.Range(0, r.Design.Columns).Select(i => Upright(r.Design.Under(i), units)).Where(w => w.Length > 0).Distinct());
            table.AddRow(
                Screen.Cell(r.Mark), Screen.Cell(string.Join('\n', r.Supports) + (r.Existing ? "\n(existing)" : "")),
                Screen.Cell(r.NumberOff.ToString(CultureInfo.InvariantCulture)),
                Screen.Cell(string.Join('\n', r.Design.Members(units).Select(m => m.Plan))),
                Screen.Cell(string.Join('\n', r.Design.Members(units).Select(m => m.Thickness))),
                Screen.Cell(Dimension.PlainPlan(r.Underside, units)),
                Screen.Cell(merged ? string.Join('\n', Both(true)) : Bars(true, true)),
                Screen.Cell(merged ? "" : Bars(false, true)),
                Screen.Cell(string.Join('\n',
                    [.. r.Design.HasTop ? Both(false) : ["—"], .. r.Design.OtherBars])),
                Screen.Cell(!upright ? "" : dowels.Length == 0 ? "—" : dowels),
                Screen.Cell(Unit.Volume.Format(r.NumberOff * r.Each.Concrete, units)),
                Screen.Cell(Unit.Mass.Format(r.NumberOff * r.Each.Steel, units)));
        }

        screen.Write(table);
        screen.Line();
        foreach (var note in issued.Brief)
        {
            screen.Wrapped(note);
        }
    }

    private static bool Usual(FootingRow row) => row.Foundation.Kind == FoundationKinds.Usual;

    private static string Upright(Upright d, UnitSystem units) =>
        (d.Dowels.Size is null ? "" : d.Dowels.Drawn)
            + (d.Pedestal is { } p
                ? $"{(d.Dowels.Size is null ? "" : "\n")}{ScheduleTables.Words(p, units)}, {p.Bars}, {p.Ties.Drawn}"
                : "");
}
