using System.Text.Json;
using Plinth.Core.Figures;

namespace Plinth.Files.Json;

/// <summary>Writes shear and moment along bases under several columns: m, kN, kNm, kPa, from the base's centroid along its own x.</summary>
internal static class DiagramsJson
{
    /// <summary>Writes those of a foundation.</summary>
    public static void Write(Utf8JsonWriter json, IReadOnlyList<GoverningDiagram> diagrams)
    {
        json.WriteStartArray("diagrams");
        foreach (var d in diagrams)
        {
            json.WriteStartObject();
            json.WriteString("place", d.Place);
            json.WriteString("combination", d.Combination);
            if (d.Water is { } water)
            {
                json.WriteString("water", water);
            }

            json.WriteStartArray("governs");
            foreach (var id in d.Governs)
            {
                json.WriteStringValue(id);
            }

            json.WriteEndArray();
            json.WriteStartObject("balance");
            json.WriteNumber("columns_kN", d.Balance.Columns);
            json.WriteNumber("weights_kN", d.Balance.Weights);
            json.WriteNumber("loads_kN", d.Balance.Loads);
            json.WriteNumber("ground_kN", d.Balance.Ground);
            json.WriteNumber("water_kN", d.Balance.Water);
            json.WriteNumber("difference_kN", d.Balance.Difference);
            json.WriteEndObject();
            json.WriteStartArray("forces");
            foreach (var f in d.Diagram.Body)
            {
                json.WriteStartObject();
                json.WriteString("of", f.Words);
                json.WriteNumber("down_kN", f.Force);
                json.WriteNumber("x_m", f.At);
                json.WriteNumber("M_kNm", f.Turns);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteStartArray("sections");
            foreach (var s in d.Diagram.Sections)
            {
                json.WriteStartObject();
                json.WriteString("for", s.Mark == SpanMark.Shear ? "shear" : "moment");
                json.WriteString("section", s.Words);
                json.WriteNumber("x_m", s.At);
                json.WriteNumber("V_kN", s.Shear);
                json.WriteNumber("M_kNm", s.Moment);
                json.WriteNumber(s.Mark == SpanMark.Shear ? "strength_kN" : "strength_kNm", s.Strength);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteStartArray("points");
            foreach (var p in d.Diagram.Points)
            {
                json.WriteStartObject();
                json.WriteNumber("x_m", p.At);
                json.WriteNumber("V_kN", p.Shear);
                json.WriteNumber("M_kNm", p.Moment);
                json.WriteNumber("p_kPa", p.Pressure);
                json.WriteNumber("b_m", p.Breadth);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }
}
