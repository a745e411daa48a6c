using System.Text.Encodings.Web;
using System.Text.Json;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Schedules;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Files.Json;

/// <summary>Writes results as JSON: m, kN, kNm, kPa, MPa, degrees, full precision.</summary>
public static class ResultsJson
{
    /// <summary>The schema's name.</summary>
    public const string Schema = "keen-plinth/results/1";

    /// <summary>Options that all JSON output shares.</summary>
    public static readonly JsonWriterOptions Options = new() { Indented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Writes the results of a project.</summary>
    /// <param name="stream">Receives UTF-8.</param>
    /// <param name="project">The project.</param>
    /// <param name="version">Version of the program.</param>
    /// <param name="warnings">Doubts about the input.</param>
    /// <param name="reports">The foundations, in order of mark.</param>
    /// <param name="building">What is seen of all bases together.</param>
    public static void Write(Stream stream, Project project, string version, IReadOnlyList<string> warnings,
        IReadOnlyList<FoundationReport> reports, WholeBuilding building)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(warnings);
        ArgumentNullException.ThrowIfNull(reports);
        ArgumentNullException.ThrowIfNull(building);
        using var json = new Utf8JsonWriter(stream, Options);
        json.WriteStartObject();
        json.WriteString("schema", Schema);
        json.WriteString("version", version);
        json.WriteString("project", project.Title.Name);
        json.WriteString("code", project.Code.Id);
        json.WriteString("standard", project.Standard.Id);
        json.WriteBoolean("passes", reports.All(r => r.Passes) && building.Passes);
        json.WriteStartArray("warnings");
        foreach (var w in warnings)
        {
            json.WriteStringValue(w);
        }

        json.WriteEndArray();
        json.WriteStartArray("foundations");
        foreach (var report in reports)
        {
            Write(json, project, report);
        }

        json.WriteEndArray();
        BuildingJson.Write(json, building);
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    /// <summary>Writes a check.</summary>
    public static void Write(Utf8JsonWriter json, CheckResult check)
    {
        ArgumentNullException.ThrowIfNull(json);
        ArgumentNullException.ThrowIfNull(check);
        var (symbol, factor) = MachineUnit(check.Unit);
        var o = check.Outcome;
        json.WriteStartObject();
        json.WriteString("id", check.Id);
        json.WriteString("place", check.Place);
        if (check.At is { } at)
        {
            json.WriteString("at", at);
        }

        if (check.Along is { } along)
        {
            json.WriteNumber("x_m", along);
        }

        json.WriteString("combination", check.Combination);
        if (check.Water is { } water)
        {
            json.WriteString("water", water);
        }

        if (check.Surcharge is { } surcharge)
        {
            json.WriteString("surcharge", surcharge);
        }

        if (o.Face != Face.None)
        {
            json.WriteString("face", o.Face == Face.Bottom ? "bottom" : "top");
        }

        json.WriteNumber("demand", o.Demand * factor);
        json.WriteNumber("capacity", o.Capacity * factor);
        json.WriteString("unit", symbol);
        if (o.Least > 0 || o.Factor > 0)
        {
            json.WriteNumber("factor", o.Factor);
            json.WriteNumber("least", o.Least);
        }

        json.WriteNumber("utilisation", o.Utilisation);
        json.WriteBoolean("passes", check.Passes);
        if (o.Shown)
        {
            json.WriteBoolean("shown", true);
        }

        if (check.Leave is { } leave)
        {
            json.WriteString(leave.Word, leave.Why);
            if (leave.UpTo is { } upTo)
            {
                json.WriteNumber("accepted_up_to", upTo);
            }
        }

        json.WriteString("clause", check.Clause);
        json.WriteString("note", check.Note);
        json.WriteEndObject();
    }

    /// <summary>Writes the steps of a trace.</summary>
    public static void WriteTrace(Stream stream, string mark, CheckResult result, IReadOnlyList<TraceStep> steps, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(steps);
        using var json = new Utf8JsonWriter(stream, Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/trace/1");
        json.WriteString("mark", mark);
        json.WritePropertyName("check");
        Write(json, result);
        json.WriteStartArray("steps");
        foreach (var s in steps)
        {
            json.WriteStartObject();
            json.WriteString("kind", s.Kind.ToString().ToLowerInvariant());
            json.WriteString("symbol", s.Symbol);
            if (s.Kind is not (TraceKind.Heading or TraceKind.Remark))
            {
                json.WriteString(s.Kind == TraceKind.Given ? "source" : "formula", s.FormulaText);
                if (s.Kind != TraceKind.Given)
                {
                    json.WriteString("substituted", s.Substituted(units));
                }

                json.WriteNumber("value", s.Unit.In(s.Value, units));
                json.WriteString("unit", s.Unit.Symbol(units));
                json.WriteString("clause", s.Clause);
            }

            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    // Where a row of a grid crosses others, and what it carries of the columns there in the sustained combination.
    private static void WriteRow(Utf8JsonWriter json, Foundation f, GridRow row)
    {
        json.WriteStartObject("grid");
        json.WriteString("mark", row.Grid);
        json.WriteNumber("row", row.Number + 1);
        json.WriteStartArray("crossings");
        foreach (var crossing in row.Crossings)
        {
            json.WriteStartObject();
            json.WriteString("support", f.Places[0].Supports[crossing.Column].Label);
            json.WriteString("with", GridRow.MarkOf(row.Grid, crossing.Other));
            json.WriteBoolean("joined", crossing.Carries);
            if (row.ShareOf(crossing) is { } share)
            {
                json.WriteNumber("share", share.Share);
            }

            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Write(Utf8JsonWriter json, Project project, FoundationReport report)
    {
        var f = report.Foundation;
        json.WriteStartObject();
        json.WriteString("mark", f.Mark);
        json.WriteString("kind", f.Kind.Id);
        json.WriteStartArray("places");
        foreach (var place in f.Places)
        {
            json.WriteStartObject();
            json.WriteStartArray("supports");
            foreach (var support in place.Supports)
            {
                json.WriteStringValue(support.Label);
            }

            json.WriteEndArray();
            var centre = report.Design is { } d ? BaseGeometry.Centre(f, place, d) : place.Origin;
            json.WriteNumber("x_m", centre.X);
            json.WriteNumber("y_m", centre.Y);
            json.WriteNumber("angle_deg", place.AngleDegrees);
            if (place.Lie != Lie.AsDrawn)
            {
                json.WriteNumber("turned_deg", 90 * place.Lie.QuarterTurns);
                json.WriteBoolean("mirrored", place.Lie.Mirrored);
            }

            json.WriteEndObject();
        }

        json.WriteEndArray();
        if (f.Row is { } row)
        {
            WriteRow(json, f, row);
        }

        if (report.State is { } state)
        {
            json.WriteString("sizing", state);
        }

        if (report.Stop is { } stop)
        {
            json.WriteStartObject("stopped");
            json.WriteString("check", stop.Check);
            json.WriteString("place", stop.Place);
            json.WriteString("combination", stop.Combination);
            json.WriteNumber("utilisation", stop.Utilisation);
            json.WriteString("bound", stop.Bound);
            json.WriteString("note", stop.Note);
            json.WriteEndObject();
        }

        if (report.Design is { } design)
        {
            Write(json, project, f, design);
        }

        json.WriteBoolean("passes", report.Passes);
        if (report.Result is { } result)
        {
            var governing = result.Governing;
            json.WriteNumber("utilisation", governing.Utilisation);
            json.WriteString("governing", governing.Id);
            if (report.Room is { } room)
            {
                json.WriteNumber("room", room);
            }
        }
        else
        {
            json.WriteNull("utilisation");
            json.WriteNull("governing");
        }

        json.WriteStartArray("not_checked");
        foreach (var (id, _) in NotChecked.Of(project, f))
        {
            json.WriteStringValue(id);
        }

        json.WriteEndArray();
        json.WriteStartArray("notes");
        foreach (var note in report.Result?.Notes ?? [])
        {
            json.WriteStringValue(note);
        }

        json.WriteEndArray();
        json.WriteStartArray("checks");
        foreach (var check in report.Result?.Checks ?? [])
        {
            Write(json, check);
        }

        json.WriteEndArray();
        if (report.Result is { Piles.Count: > 0 } piled)
        {
            PilesJson.Write(json, piled.Piles);
        }

        if (report.Diagrams is { Count: > 0 } diagrams)
        {
            DiagramsJson.Write(json, diagrams);
        }

        json.WriteEndObject();
    }

    private static void Write(Utf8JsonWriter json, Project project, Foundation f, FoundationDesign design)
    {
        var q = Quantities.Of(project, f, design);
        var ground = f.Places[0].Ground;
        var fields = new DesignJson(json, f, design);
        fields.Sizes();
        json.WriteNumber("founding_depth_m", ground.Level - ground.Underside(design.WholeDepth));
        json.WriteStartObject("bars");
        fields.Bars();
        json.WriteEndObject();
        fields.Shifts();
        fields.Uprights(false);
        json.WriteNumber("concrete_m3", q.Concrete);
        json.WriteNumber("steel_kg", q.Steel);
    }

    private static (string Symbol, double Factor) MachineUnit(Unit unit)
    {
        if (unit == Unit.Section)
        {
            return ("m", 1);
        }

        return unit == Unit.SteelArea ? ("m2", 1) : (unit.Symbol(UnitSystem.Metric), unit.In(1, UnitSystem.Metric));
    }
}
