using System.Globalization;
using System.Text.Json;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Plinth.Files.Toml;
using Plinth.Reports.Building;
using Spectre.Console;

namespace Plinth.Cli.Output;

/// <summary>Shows every value in force for a foundation and where it is set.</summary>
internal static class SettingsTable
{
    private const string NotSet = "—";
    private static readonly string[] Order = ["foundation", "ground", "annex", "stability", "concrete", "steel", "column", "pedestal",
        "socket", "sizing", "rates", "loads", "seismic"];

    public static int Show(Call call, string mark)
    {
        var loaded = call.Load();
        var f = Call.ChooseOne(loaded.Project, mark);
        var units = loaded.Project.Units;
        var rows = Rows(loaded, f);
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    Json(stdout, f.Mark, rows);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                csv.Row("table", "key", "value", "set");
                foreach (var s in rows)
                {
                    csv.Row(s.Table, s.Key, Value(s, units), Where(s));
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                var screen = new Screen(call);
                screen.Line($"{f.Mark}: every value in force, and where it is set", Styles.Head);
                screen.Line();
                var table = Screen.Table("table", "key", "value", "set");
                var last = "";
                foreach (var s in rows)
                {
                    table.AddRow(Screen.Cell(s.Table == last ? "" : s.Table), Screen.Cell(s.Key), Screen.Cell(Value(s, units)),
                        Screen.Cell(Where(s), s.Place is null ? Styles.Quiet : Style.Plain));
                    last = s.Table;
                }

                screen.Write(table);
                break;
        }

        return ExitCode.Ok;
    }

    /// <summary>The values in force for a foundation, as reports show them.</summary>
    public static IReadOnlyList<SettingLine> Lines(LoadedProject loaded, Foundation f) =>
        [.. Rows(loaded, f).Select(s => new SettingLine(s.Table, s.Key, Value(s, loaded.Project.Units), Where(s), s.Place is not null))];

    private static List<Setting> Rows(LoadedProject loaded, Foundation f)
    {
        static int Rank(Setting s) => Array.IndexOf(Order, s.Table.Split('.')[0]);
        return [.. loaded.Settings.Of(f).Where(s => Rank(s) >= 0 && (s.Table != "foundation" || s.Place is not null)).OrderBy(Rank)];
    }

    private static string Where(Setting s) => s.Place is { } place ? place.ToString() : s.Value is null ? "" : "default";

    private static string Value(Setting s, UnitSystem units) => s.Value switch
    {
        null => NotSet,
        (double least, double most) when s.Measure is { } measure =>
            $"{Value(s with { Value = least }, units)} to {Value(s with { Value = most }, units)}",
        double v when s.Measure is { } measure =>
            UnitOf(measure, v) is { } unit ? unit.FormatTraced(v, units) : string.Create(CultureInfo.InvariantCulture, $"{v:0.####} deg"),
        double v => v.ToString("0.######", CultureInfo.InvariantCulture),
        _ => s.Value.ToString()!,
    };

    // A length under two metres reads as a size, a pressure above a megapascal as a strength.
    private static Unit? UnitOf(Measure measure, double value) =>
        measure == Measure.Length ? Math.Abs(value) < 2 && value != 0 ? Unit.Section : Unit.Length
        : measure == Measure.Pressure ? value >= 5000 ? Unit.Stress : Unit.Pressure
        : measure == Measure.UnitWeight ? value >= 1000 ? Unit.Subgrade : Unit.UnitWeight
        : measure == Measure.Force ? Unit.Force
        : measure == Measure.Moment ? Unit.Moment
        : null;

    private static void Json(Stream stream, string mark, IReadOnlyList<Setting> rows)
    {
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/settings/1");
        json.WriteString("mark", mark);
        json.WriteStartArray("settings");
        foreach (var s in rows)
        {
            json.WriteStartObject();
            json.WriteString("table", s.Table);
            json.WriteString("key", s.Key);
            json.WritePropertyName("value");
            if (s.Value is double v && double.IsFinite(v))
            {
                json.WriteNumberValue(v);
            }
            else if (s.Value is (double least, double most))
            {
                json.WriteStartArray();
                json.WriteNumberValue(least);
                json.WriteNumberValue(most);
                json.WriteEndArray();
            }
            else if (s.Value is string text)
            {
                json.WriteStringValue(text);
            }
            else
            {
                json.WriteNullValue();
            }

            json.WriteString("set", s.Place?.ToString());
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }
}
