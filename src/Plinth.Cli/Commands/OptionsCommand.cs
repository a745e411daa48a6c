using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Json;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Passing designs of a foundation side by side.</summary>
internal static class OptionsCommand
{
    private sealed record Row(int Number, string What, Alternative Of, double Utilisation);

    public static Command Build()
    {
        var command = new Command("options", """
            Shows passing designs of a foundation side by side: the best in plan, thickness, steel, concrete and cost.

            Examples:
              plinth options F7
              plinth options F7 --take 2     adopts the second; it is held from then on
            """);
        var mark = new Argument<string>("mark") { Description = "The mark" };
        var take = new Option<int?>("--take") { Description = "Adopt the one with this number", HelpName = "N" };
        command.Add(mark);
        command.Add(take);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(mark)!, parsed.GetValue(take)));
        return command;
    }

    private static int Run(Call call, string mark, int? take)
    {
        using var held = take is null ? null : call.Hold();
        var loaded = call.Load();
        var f = Call.ChooseOne(loaded.Project, mark);
        var found = FoundationSizer.Of(loaded.Project, f).Alternatives();
        if (found.Count == 0)
        {
            throw new CallException($"{f.Mark}: nothing within the bounds of [sizing] passes; plinth size {f.Mark} says what stops it");
        }

        var reports = found.Select(a => CheckCommand.Check(loaded, [f], _ => a.Design)[0]).ToList();
        var rows = found.Select((a, i) => new Row(i + 1, string.Join(", ", a.BestIn), a, reports[i].Result!.Governing.Utilisation))
            .ToList();
        if (take is { } number)
        {
            Call.NotBuilt(f);
            var chosen = rows.Find(r => r.Number == number)
                ?? throw new CallException(string.Create(CultureInfo.InvariantCulture,
                    $"there is no option {number} of {f.Mark}; there are 1 to {rows.Count}"));
            var values = AdoptedEntry.Write(f, chosen.Of.Design, loaded.Project.Units == UnitSystem.Us)
                .Where(v => v.Key != "found")
                .ToList();
            loaded.Adopt(AdoptedEditor.Set(loaded.AdoptedText, [(f.Mark, values)], whole: true));
            var exit = CheckCommand.Print(call, loaded, [reports[number - 1]],
                screen => ResultTables.Checks(screen, loaded, [reports[number - 1]], call.Quiet));
            if (!call.Quiet)
            {
                Console.Error.WriteLine(
                    $"Written to {loaded.AdoptedPath}; {f.Mark} is held from now on (plinth size {f.Mark} --over frees it)");
            }

            return exit;
        }

        Print(call, f, rows, loaded.Design(f), loaded.Project.Units);
        return ExitCode.Ok;
    }

    private static void Print(Call call, Foundation f, List<Row> rows, FoundationDesign? adopted, UnitSystem units)
    {
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    Json(stdout, f, rows);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                var piled = rows.Exists(r => r.Of.Design.Piling.Count > 0);
                csv.Row([(object)"option", "best in", $"length ({Unit.Length.Symbol(units)})", $"width ({Unit.Length.Symbol(units)})",
                    $"thickness ({Unit.Section.Symbol(units)})", "bottom-x", "bottom-y", "top-x", "top-y", "utilisation",
                    $"concrete ({Unit.Volume.Symbol(units)})", $"steel ({Unit.Mass.Symbol(units)})", "cost",
                    .. piled ? (object[])["layout", $"spacing ({Unit.Section.Symbol(units)})", "piles"] : []]);
                foreach (var r in rows)
                {
                    var d = r.Of.Design;
                    csv.Row([(object)r.Number, r.What, Unit.Length.In(d.Size.Length, units), Unit.Length.In(d.Size.Width, units),
                        Unit.Section.In(d.Size.Thickness, units), d.Bars(true, true), d.Bars(false, true), d.Bars(true, false),
                        d.Bars(false, false), r.Utilisation, Unit.Volume.In(r.Of.Each.Concrete, units),
                        Unit.Mass.In(r.Of.Each.Steel, units), r.Of.Cost,
                        .. piled ? (object[])[d.Piling.Layout, Unit.Section.In(d.Piling.Pitch, units), d.Piling.Count] : []]);
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                var screen = new Screen(call);
                screen.Line($"{f.Mark}: designs that pass", Styles.Head);
                screen.Line();
                var table = Screen.Table(">no.", "best in", Dimension.Heading("plan", Unit.Length, units),
                    Dimension.Heading(">h", Unit.Section, units), "bars", ">util.", $">concrete {Unit.Volume.Symbol(units)}",
                    $">steel {Unit.Mass.Symbol(units)}", ">cost");

                // Layouts of as many piles differ in their distance and their name.
                string Laid(FoundationDesign d) =>
                    d.Piling is { Count: > 1 } p
                        ? $" at {Dimension.Section(p.Pitch, units)}"
                            + (p.Layout == p.Count.ToString(CultureInfo.InvariantCulture) ? "" : $", {p.Layout}")
                        : "";
                foreach (var r in rows)
                {
                    var d = r.Of.Design;
                    var bars = Wording.Bars(d, true) + (d.HasTop ? "\ntop " + Wording.Bars(d, false) : "")
                        + string.Concat(d.OtherBars.Select(b => "\n" + b));
                    table.AddRow(
                        Screen.Cell(r.Number.ToString(CultureInfo.InvariantCulture)),
                        Screen.Cell(string.Join('\n', new[] { adopted == d ? "as adopted" : "", r.What }.Where(w => w.Length > 0))),
                        Screen.Cell(string.Join('\n', d.Members(units).Select(m => m.Plan)).Replace(", ", ",\n", StringComparison.Ordinal)
                            + Laid(d)),
                        Screen.Cell(string.Join('\n', d.Members(units).Select(m => m.Thickness))), Screen.Cell(bars),
                        Screen.Cell(Wording.Utilisation(r.Utilisation, true)), Screen.Cell(Unit.Volume.Format(r.Of.Each.Concrete, units)),
                        Screen.Cell(Unit.Mass.Format(r.Of.Each.Steel, units)),
                        Screen.Cell(r.Of.Cost.ToString("0", CultureInfo.InvariantCulture)));
                }

                screen.Write(table);
                screen.Line();
                screen.Wrapped($"Cost by [rates], in their currency. plinth options {f.Mark} --take N adopts one.");
                break;
        }
    }

    private static void Json(Stream stream, Foundation f, List<Row> rows)
    {
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/options/1");
        json.WriteString("mark", f.Mark);
        json.WriteStartArray("options");
        foreach (var r in rows)
        {
            var d = r.Of.Design;
            json.WriteStartObject();
            json.WriteNumber("option", r.Number);
            json.WriteStartArray("best_in");
            foreach (var what in r.Of.BestIn)
            {
                json.WriteStringValue(what);
            }

            json.WriteEndArray();
            var fields = new DesignJson(json, f, d);
            fields.Sizes();
            fields.Bars();
            json.WriteNumber("utilisation", r.Utilisation);
            json.WriteNumber("concrete_m3", r.Of.Each.Concrete);
            json.WriteNumber("steel_kg", r.Of.Each.Steel);
            json.WriteNumber("cost", r.Of.Cost);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }
}
