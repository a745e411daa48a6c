using System.Text.Json;
using Plinth.Core.Piles;

namespace Plinth.Files.Json;

/// <summary>Writes piles with their loads: places in project axes, loads in kN, compression positive.</summary>
internal static class PilesJson
{
    public static void Write(Utf8JsonWriter json, IReadOnlyList<PileResult> piles)
    {
        json.WriteStartArray("piles");
        foreach (var (p, forces) in piles)
        {
            json.WriteStartObject();
            json.WriteString("mark", p.Mark);
            json.WriteNumber("number", p.Number);
            json.WriteNumber("x_m", Math.Round(p.At.X, 9));
            json.WriteNumber("y_m", Math.Round(p.At.Y, 9));
            json.WriteNumber("cut_off_m", Math.Round(p.CutOff, 9));
            if (p.Toe is { } toe)
            {
                json.WriteNumber("toe_m", Math.Round(toe, 9));
            }

            if (forces is { } f)
            {
                json.WriteNumber("most_kN", f.Most);
                json.WriteString("most_combination", f.MostCombination);
                json.WriteNumber("least_kN", f.Least);
                json.WriteString("least_combination", f.LeastCombination);
                json.WriteNumber("lateral_kN", f.Lateral);
            }

            json.WriteEndObject();
        }

        json.WriteEndArray();
    }
}
