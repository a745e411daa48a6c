using System.Text.Json;
using Plinth.Core.Buildings;

namespace Plinth.Files.Json;

/// <summary>Writes what is seen of all bases together.</summary>
internal static class BuildingJson
{
    /// <summary>Writes it as properties of the object that is open.</summary>
    public static void Write(Utf8JsonWriter json, WholeBuilding building)
    {
        json.WriteStartArray("near");
        foreach (var n in building.Near)
        {
            json.WriteStartObject();
            Pair(json, "marks", n.First, n.Second);
            Pair(json, "places", n.FirstPlace, n.SecondPlace);
            json.WriteNumber("gap_m", n.Gap);
            json.WriteBoolean("overlaps", n.Overlaps);
            json.WriteBoolean("apart_in_level", n.ApartInLevel);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("distortions");
        foreach (var d in building.Distortions)
        {
            json.WriteStartObject();
            Pair(json, "marks", d.First, d.Second);
            Pair(json, "places", d.FirstPlace, d.SecondPlace);
            json.WriteString("combination", d.Combination);
            json.WriteStartArray("settlements_m");
            json.WriteNumberValue(d.FirstSettles);
            json.WriteNumberValue(d.SecondSettles);
            json.WriteEndArray();
            json.WriteNumber("distance_m", d.Distance);
            json.WriteNumber("distortion", d.Ratio);
            json.WriteNumber("most", d.Most);
            json.WriteBoolean("passes", d.Passes);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("steps");
        foreach (var s in building.Steps)
        {
            json.WriteStartObject();
            Pair(json, "marks", s.Upper, s.Lower);
            Pair(json, "places", s.UpperPlace, s.LowerPlace);
            json.WriteNumber("step_m", s.Step);
            json.WriteNumber("gap_m", s.Gap);
            json.WriteNumber("needed_m", s.Needed);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        if (building.Ties.Count > 0)
        {
            json.WriteStartArray("footing_ties");
            foreach (var t in building.Ties)
            {
                json.WriteStartObject();
                Pair(json, "marks", t.First, t.Second);
                Pair(json, "places", t.FirstPlace, t.SecondPlace);
                json.WriteNumber("force_kN", t.Force);
                json.WriteEndObject();
            }

            json.WriteEndArray();
        }

        if (building.Covered is { } share)
        {
            json.WriteNumber("covered_share", share);
        }
    }

    private static void Pair(Utf8JsonWriter json, string name, string first, string second)
    {
        json.WriteStartArray(name);
        json.WriteStringValue(first);
        json.WriteStringValue(second);
        json.WriteEndArray();
    }
}
