using System.Text.Json;
using Plinth.Core.Loads;
using Plinth.Files.Import;

namespace Plinth.Files.Json;

/// <summary>Writes what an import read as JSON.</summary>
public static class ImportJson
{
    /// <summary>Writes it.</summary>
    public static void Write(Stream stream, ImportReport report, bool written)
    {
        ArgumentNullException.ThrowIfNull(report);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/import/1");
        json.WriteBoolean("written", written);
        json.WriteNumber("rows", report.Rows);
        json.WriteNumber("supports", report.Supports);
        Texts(json, "read", report.Read);
        json.WriteStartArray("left_out");
        foreach (var l in report.LeftOut)
        {
            json.WriteStartObject();
            json.WriteString("reason", l.Reason);
            json.WriteNumber("rows", l.Rows);
            Texts(json, "examples", l.Examples);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("cases");
        foreach (var c in report.Cases)
        {
            json.WriteStartObject();
            json.WriteString("case", c.Case);
            json.WriteString("symbol", c.Symbol);
            json.WriteString("proposed", c.Proposed);
            json.WriteNumber("supports", c.Supports);
            Totals(json, c.Totals, report.HasPositions);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        Texts(json, "came", report.Came);
        Texts(json, "went", report.Went);
        Texts(json, "moved", report.Moved);
        Texts(json, "kept", report.Kept);
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    internal static void Totals(Utf8JsonWriter json, in LoadTotals t, bool moments)
    {
        json.WriteNumber("N_kN", t.N);
        json.WriteNumber("Fx_kN", t.Fx);
        json.WriteNumber("Fy_kN", t.Fy);
        if (moments)
        {
            json.WriteNumber("Mx_kNm", t.Mx);
            json.WriteNumber("My_kNm", t.My);
            json.WriteNumber("Mz_kNm", t.Mz);
        }
    }

    internal static void Texts(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts)
        {
            json.WriteStringValue(text);
        }

        json.WriteEndArray();
    }
}
