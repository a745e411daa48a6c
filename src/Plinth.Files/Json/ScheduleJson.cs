using System.Text.Json;
using Plinth.Core.Schedules;

namespace Plinth.Files.Json;

/// <summary>Writes the footing schedule as JSON.</summary>
public static class ScheduleJson
{
    /// <summary>Writes a schedule.</summary>
    public static void Write(Stream stream, string project, FootingSchedule schedule)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(schedule);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("project", project);
        json.WriteStartArray("footings");
        foreach (var row in schedule.Rows)
        {
            json.WriteStartObject();
            json.WriteString("mark", row.Mark);
            json.WriteStartArray("supports");
            foreach (var s in row.Supports)
            {
                json.WriteStringValue(s);
            }

            json.WriteEndArray();
            json.WriteNumber("number_off", row.NumberOff);
            json.WriteNumber("length_m", row.Size.Length);
            json.WriteNumber("width_m", row.Size.Width);
            json.WriteNumber("thickness_m", row.Size.Thickness);
            json.WriteNumber("underside_m", row.Underside);
            json.WriteString("bottom-x", row.Design.BottomX.ToString());
            json.WriteString("bottom-y", row.Design.BottomY.ToString());
            json.WriteString("top-x", row.Design.TopX.ToString());
            json.WriteString("top-y", row.Design.TopY.ToString());
            json.WriteString("dowels", row.Design.Dowels.ToString());
            Write(json, row.Each);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartObject("total");
        Write(json, schedule.Total);
        json.WriteEndObject();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    private static void Write(Utf8JsonWriter json, Quantities q)
    {
        json.WriteNumber("concrete_m3", q.Concrete);
        json.WriteNumber("steel_kg", q.Steel);
        json.WriteNumber("excavation_m3", q.Excavation);
        json.WriteNumber("formwork_m2", q.Formwork);
        json.WriteNumber("blinding_m3", q.Blinding);
    }
}
