using System.Text.Json;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Files.Json;

/// <summary>Writes the schedules as JSON, in m, kg.</summary>
public static class ScheduleJson
{
    /// <summary>Writes the footing schedule, the bar schedule and the quantities of designs in force.</summary>
    public static void Write(Stream stream, Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(project);
        var schedule = FootingSchedule.Of(project, designs);
        var bars = BarSchedule.Of(project, designs);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/schedule/1");
        json.WriteString("project", project.Title.Name);
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
            if (row.Existing)
            {
                json.WriteBoolean("existing", true);
            }

            json.WriteNumber("number_off", row.NumberOff);
            var fields = new DesignJson(json, row.Foundation, row.Design);
            fields.Sizes();
            json.WriteNumber("underside_m", row.Underside);
            fields.Bars();
            fields.Uprights(true);
            Write(json, row.Each);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("bars");
        foreach (var row in bars.Rows)
        {
            var g = row.Group;
            json.WriteStartObject();
            json.WriteString("member", row.Member);
            json.WriteString("bar_mark", row.BarMark);
            json.WriteString("use", ScheduleTables.Use(g));
            json.WriteString("size", g.Size.Name);
            json.WriteNumber("members", row.Members);
            json.WriteNumber("in_each", g.Count);
            json.WriteNumber("total", row.Total);
            json.WriteNumber("length_m", g.Shape.Length);
            json.WriteString("shape", g.Shape.Code);
            json.WriteNumber("a_m", g.Shape.A);
            json.WriteNumber("b_m", g.Shape.B);
            json.WriteNumber("c_m", g.Shape.C);
            json.WriteNumber("r_m", g.Shape.Radius);
            json.WriteNumber("mass_kg", row.Mass);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartObject("total");
        Write(json, schedule.Total);
        if (project.Carbon.Any)
        {
            json.WriteNumber("carbon_kgCO2e", project.Carbon.Of(schedule.Total));
        }

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
