using System.Text.Json;
using Plinth.Core.Audit;
using Plinth.Files.Reading;

namespace Plinth.Files.Json;

/// <summary>Writes an audit as JSON.</summary>
public static class AuditJson
{
    /// <summary>Writes it.</summary>
    public static void Write(Stream stream, LoadedProject loaded, AuditResult result, bool passes)
    {
        ArgumentNullException.ThrowIfNull(loaded);
        ArgumentNullException.ThrowIfNull(result);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/audit/1");
        json.WriteString("project", loaded.Project.Title.Name);
        json.WriteBoolean("passes", passes);
        json.WriteStartArray("cases");
        foreach (var c in result.Cases)
        {
            json.WriteStartObject();
            json.WriteString("case", c.Case.Source);
            json.WriteString("symbol", c.Case.Symbol?.ToString());
            json.WriteNumber("supports", c.Rows);
            ImportJson.Totals(json, c.Totals, true);
            if (c.Totals.Resultant is { } r)
            {
                json.WriteNumber("x_m", r.X);
                json.WriteNumber("y_m", r.Y);
            }

            if (c.Stated?.N is { } n)
            {
                json.WriteNumber("stated_N_kN", n);
            }

            json.WriteStartObject("shares");
            foreach (var (support, share) in loaded.Project.Supports.Zip(c.Shares))
            {
                json.WriteNumber(support.Label, share);
            }

            json.WriteEndObject();
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("findings");
        foreach (var f in result.Findings)
        {
            var place = loaded.Sources.Of(f, loaded.Project.Cases);
            Finding(json, f.Code, f.Grade.ToString().ToLowerInvariant(), place.ToString(), f.Support, f.Case, f.Message, f.Remedy);
        }

        foreach (var d in loaded.Doubts)
        {
            Finding(json, d.Code, "warning", d.Place.ToString(), null, null, d.Message, null);
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    private static void Finding(Utf8JsonWriter json, string code, string grade, string place, string? support, string? @case,
        string message, string? remedy)
    {
        json.WriteStartObject();
        json.WriteString("code", code);
        json.WriteString("grade", grade);
        json.WriteString("place", place);
        json.WriteString("support", support);
        json.WriteString("case", @case);
        json.WriteString("message", message);
        json.WriteString("remedy", remedy);
        json.WriteEndObject();
    }
}
