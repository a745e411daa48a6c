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
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Few types of footing for a whole building.</summary>
internal static class GroupCommand
{
    // Beyond so many types the site builds nothing alike any more.
    private const int MostShown = 12;

    // Share of the time left in which each number of types is asked whether it is enough.
    private const double EnoughWithin = 0.2;

    // Lines are broken here, so that none is broken within a size and the table stays within 100 columns.
    private const int SizesWidth = 52;

    public static Command Build()
    {
        var command = new Command("group", """
            Says what it costs to build the building with 1, 2, 3 … types of footing, each choice the cheapest of its number.
            What is held by hand, or has sizes or rules of its own in plinth.toml, keeps its design and counts as a type;
            what else is written for a mark there (leave-out, combinations, a ground) keeps its mark and takes a type's design.
            Combined footings share designs where their columns stand alike, each under its own mark.

            Examples:
              plinth group               the cost of 1, 2, 3 … types
              plinth group --types 5     adopts the best five: marks made alike in adopted.toml
            """);
        var types = new Option<int?>("--types") { Description = "Adopt the best choice of at most so many types", HelpName = "N" };
        command.Add(types);
        var within = new Option<string>("--within")
        {
            Description = "Look for no choice that would save less than this share: \"1 %\"",
            HelpName = "SHARE",
            DefaultValueFactory = _ => "1 %"
        };
        var shift = new Option<bool>(
            "--shift")
        { Description = "Move footings off the middle of their columns where that lets them join a type" };
        command.Add(within);
        command.Add(shift);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(types), Share(parsed.GetValue(within)!),
            parsed.GetValue(shift)));
        return command;
    }

    private static double Share(string text) =>
        double.TryParse(text.Replace("%", "", StringComparison.Ordinal),
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingWhite | NumberStyles.AllowTrailingWhite, CultureInfo.InvariantCulture,
            out var percent) && percent is >= 0 and <= 50
            ? percent / 100
            : throw new CallException($"--within {text}: it is a share in percent, from 0 to 50; write for example --within \"1 %\"");

    // Whether plinth.toml says something of it, if only which columns it carries: that stands under its mark and would be lost under
    // another.
    private static bool Described(LoadedProject loaded, Foundation f) =>
        f.Kind.UnderSeveral || f.Chosen is not null || loaded.Settings.Foundations.ContainsKey(f.Mark);

    private static int Run(Call call, int? types, double within, bool shift)
    {
        using var held = types is null ? null : call.Hold();
        var loaded = call.Load();
        var project = loaded.Project;
        var missing = project.Foundations.Where(f => loaded.Design(f) is null).Select(f => f.Mark).ToList();
        if (missing.Count == project.Foundations.Count)
        {
            throw new CallException("nothing is sized yet; run: plinth size");
        }

        if (missing.Count > 0 && !call.Quiet)
        {
            Console.Error.WriteLine($"Not sized, so left out: {Wording.Marks(missing)}");
        }

        var adopted = project.Foundations.Where(f => loaded.Design(f) is not null)
            .Select(f => (Foundation: f, Design: loaded.Design(f)!))
            .ToList();
        using var bar = new ProgressLine("grouping", adopted.Count);
        var grouping = new Grouping(project, adopted, f => !f.Held.Built && loaded.Adopted.TryGetValue(f.Mark, out var e) && !e.ByHand,
            GroupingOptions.Default with
            {
                Within = within,
                Time = GroupingOptions.TimeFor(adopted.Count),
                Shift = shift,
                KeepsMark = f => Described(loaded, f)
            }, bar.Step);
        if (types is { } most)
        {
            return Adopt(call, loaded, grouping, most);
        }

        var rows = new List<(int Types, TypedBuilding Building)>();
        var last = Math.Min(grouping.Now, grouping.Kept.Count + MostShown);
        for (var n = grouping.Kept.Count; n <= last; n++)
        {
            Runner.Token.ThrowIfCancellationRequested();
            if (n > 0 && grouping.Best(n, 1.0 / (last - n + 1)) is { } found && (rows.Count == 0 || found.Types.Count > rows[^1].Types))
            {
                rows.Add((found.Types.Count, found));
            }
        }

        if (rows.Count == 0)
        {
            throw new CallException(grouping.Now > last
                ? $"no choice of up to {last} types serves them all; group some of them, by rules of their own"
                : "no design of these serves several footings; nothing can be grouped");
        }

        Print(call, project, grouping, rows);
        return ExitCode.Ok;
    }

    private static CallException TooFew(Grouping grouping, int most)
    {
        var tried = Math.Max(0, most);
        var enough = Enumerable.Range(tried + 1, Math.Max(0, grouping.Now - tried))
            .FirstOrDefault(n => grouping.Best(n, EnoughWithin) is not null);
        var own = grouping.Kept.Count switch
        {
            0 => "",
            1 => "1 keeps a design of its own",
            _ => string.Create(CultureInfo.InvariantCulture, $"{grouping.Kept.Count} keep designs of their own"),
        };
        var kept = own.Length == 0 ? "" : $": {own} ({Wording.Marks([.. grouping.Kept.Select(f => f.Mark)])})";
        return new CallException(string.Create(CultureInfo.InvariantCulture,
            $"{most} {(most == 1 ? "type is" : "types are")} too few{kept}; ")
            + (enough > 0
                ? string.Create(CultureInfo.InvariantCulture,
                    $"no choice of fewer than {enough} was found that serves all; write --types {enough}")
                : "no choice was found that serves all; plinth group lists what there is"));
    }

    private static int Adopt(Call call, LoadedProject loaded, Grouping grouping, int most)
    {
        if (most < 1 || grouping.BestSized(most, Runner.Token) is not { } found)
        {
            throw TooFew(grouping, most);
        }

        var kept = grouping.Kept.Select(f => f.Mark).ToHashSet(StringComparer.Ordinal);
        var us = loaded.Project.Units == UnitSystem.Us;
        var fresh = found.Types.Where(t => !kept.Contains(t.Foundations[0].Mark)).ToList();
        var tables = new List<(Foundation Foundation, FoundationDesign Design)>();
        var gone = new List<string>();
        foreach (var t in fresh)
        {
            List<Foundation> joined = [.. t.Foundations.Where(f => !Described(loaded, f))];
            tables.AddRange(t.Foundations.Where(f => Described(loaded, f)).Select(f => (f, f.Kind.Types!.Under(f, t.Design))));
            gone.AddRange(joined.Skip(1).Select(f => f.Mark));
            if (joined.Count > 0)
            {
                tables.Add((joined.Count > 1 || joined[0].Alike ? Grouping.Joint(joined) : joined[0], t.Design));
            }
        }

        Runner.Token.ThrowIfCancellationRequested();
        var text = AdoptedEditor.Remove(loaded.AdoptedText, gone);
        text = AdoptedEditor.Set(text, [.. tables.Select(t => (t.Foundation.Mark, AdoptedEntry.Write(t.Foundation, t.Design, us)))],
            whole: true);
        loaded.Adopt(text);
        if (!call.Quiet)
        {
            Console.Error.WriteLine(string.Create(CultureInfo.InvariantCulture,
                $"{found.Types.Count} types written to {loaded.AdoptedPath}; {gone.Count} marks went into others"));
        }

        var again = call.Load();
        var reports = CheckCommand.Check(again, again.Project.Foundations);
        return CheckCommand.Print(call, again, reports, screen => ResultTables.Checks(screen, again, reports, call.Quiet));
    }

    private static void Print(Call call, Project project, Grouping grouping, List<(int Types, TypedBuilding Building)> rows)
    {
        var units = project.Units;
        var least = rows[^1].Building.Cost;
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    Json(stdout, grouping, rows);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                csv.Row("types", "cost", $"concrete ({Unit.Volume.Symbol(units)})", $"steel ({Unit.Mass.Symbol(units)})", "type", "number",
                    "marks");
                foreach (var (n, b) in rows)
                {
                    foreach (var t in b.Types)
                    {
                        csv.Row(n, b.Cost, Unit.Volume.In(b.Concrete, units), Unit.Mass.In(b.Steel, units), Words(t.Design, units),
                            t.Number, string.Join(" ", t.Foundations.Select(f => f.Mark)));
                    }
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                var screen = new Screen(call);
                var table = Screen.Table(">types", ">cost", ">above least", $">concrete {Unit.Volume.Symbol(units)}",
                    $">steel {Unit.Mass.Symbol(units)}", "sizes");
                foreach (var (n, b) in rows)
                {
                    table.AddRow(
                        Screen.Cell(n.ToString(CultureInfo.InvariantCulture)),
                        Screen.Cell(b.Cost.ToString("0", CultureInfo.InvariantCulture)),
                        Screen.Cell(string.Create(CultureInfo.InvariantCulture, $"{((b.Cost / least) - 1) * 100:0.0} %")),
                        Screen.Cell(Unit.Volume.Format(b.Concrete, units)), Screen.Cell(Unit.Mass.Format(b.Steel, units)),
                        Screen.Cell(
                            Lines(
                                b.Types.Select(t => string.Create(CultureInfo.InvariantCulture,
                                    $"{t.Number} of {Words(t.Design, units)} "
                                        + $"({Wording.Marks([.. t.Foundations.Select(f => f.Mark)])})")))));
                }

                screen.Write(table);
                screen.Line();
                if (grouping.Kept.Count > 0)
                {
                    screen.Wrapped($"Kept as they are, a type each: {Wording.Marks([.. grouping.Kept.Select(f => f.Mark)])}.");
                }

                screen.Wrapped("Cost by [rates]; each row is the least of all choices of so many among "
                    + (grouping.Asked < grouping.Known
                        ? string.Create(CultureInfo.InvariantCulture,
                            $"{grouping.Asked} of the {grouping.Known} designs adopted and their joins, evenly by cost")
                        : "the designs adopted and their joins")
                    + (rows.TrueForAll(r => r.Building.Proven)
                        ? ""
                        : string.Create(CultureInfo.InvariantCulture,
                            $", or proved to be at most {Math.Ceiling(rows.Max(r => r.Building.Gap) * 1000) / 10:0.0} % above it"))
                    + ". plinth group --types N adopts one, each type sized once more for its places.");
                break;
        }
    }

    private static string Lines(IEnumerable<string> sizes)
    {
        var lines = new List<string>();
        foreach (var size in sizes)
        {
            if (lines.Count > 0 && lines[^1].Length + 2 + size.Length <= SizesWidth)
            {
                lines[^1] += ", " + size;
            }
            else
            {
                lines.Add(size);
            }
        }

        return string.Join('\n', lines);
    }

    private static string Words(FoundationDesign d, UnitSystem units) =>
        $"{Wording.Size(d, units)}{(d.Size.ShiftX != 0 || d.Size.ShiftY != 0 ? " off-centre" : "")}";

    private static void Json(Stream stream, Grouping grouping, List<(int Types, TypedBuilding Building)> rows)
    {
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/types/1");
        json.WriteStartArray("kept");
        foreach (var f in grouping.Kept)
        {
            json.WriteStringValue(f.Mark);
        }

        json.WriteEndArray();
        json.WriteStartArray("choices");
        foreach (var (n, b) in rows)
        {
            json.WriteStartObject();
            json.WriteNumber("types", n);
            json.WriteNumber("cost", b.Cost);
            json.WriteNumber("concrete_m3", b.Concrete);
            json.WriteNumber("steel_kg", b.Steel);
            json.WriteBoolean("proven", b.Proven);
            json.WriteNumber("gap", Math.Min(b.Gap, 99));
            json.WriteStartArray("sizes");
            foreach (var t in b.Types)
            {
                json.WriteStartObject();
                json.WriteNumber("length_m", t.Design.Size.Length);
                json.WriteNumber("width_m", t.Design.Size.Width);
                json.WriteNumber("thickness_m", t.Design.Size.Thickness);
                json.WriteNumber("number", t.Number);
                json.WriteStartArray("marks");
                foreach (var f in t.Foundations)
                {
                    json.WriteStringValue(f.Mark);
                }

                json.WriteEndArray();
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }
}
