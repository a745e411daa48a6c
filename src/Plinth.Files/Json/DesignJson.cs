using System.Text.Json;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;

namespace Plinth.Files.Json;

/// <summary>Writes a design field by field, as its kind describes it; lengths in m.</summary>
/// <param name="json">Where to; it stands within an object.</param>
/// <param name="foundation">The foundation.</param>
/// <param name="design">Its design.</param>
public sealed class DesignJson(Utf8JsonWriter json, Foundation foundation, FoundationDesign design)
{
    private readonly IReadOnlyList<DesignField> fields = [.. foundation.Kind.Fields(foundation.Places[0]).Where(f => f.Listed)];

    /// <summary>Sizes: "length_m"; of a base with two widths both in a list.</summary>
    public void Sizes()
    {
        foreach (var (key, metres) in design.Following)
        {
            json.WriteNumber(key + "_m", metres);
        }

        foreach (var f in fields)
        {
            switch (f.Form, f.Get(design))
            {
                case (FieldForm.Length, FieldValue.Length length):
                    json.WriteNumber(Metres(f), length.Metres);
                    break;
                case (FieldForm.Word, FieldValue.Word word):
                    json.WriteString(f.Key, word.Text);
                    break;
                case (FieldForm.Turn, var turn):
                    json.WriteNumber(f.Key + "_deg", turn is FieldValue.Turn t ? 90 * t.Quarters : 0);
                    break;
                case (FieldForm.Shaft, FieldValue.Bars bars):
                    json.WriteString(f.Key.Replace('.', '_'), bars.Spec.ToString());
                    break;
                case (FieldForm.Widths, FieldValue.Length width):
                    json.WriteNumber(Metres(f), width.Metres);
                    break;
                case (FieldForm.Widths, FieldValue.Ends ends):
                    json.WriteStartArray(Metres(f));
                    json.WriteNumberValue(ends.Low);
                    json.WriteNumberValue(ends.High);
                    json.WriteEndArray();
                    break;
            }
        }

        Extra();
        Closer();
    }

    // Extra bars along a strip: how far they reach from the column's centre, or begin and end off those of a bay.
    private void Extra()
    {
        var extra = design.ExtraBars;
        if (!extra.Any)
        {
            return;
        }

        string[] labels = [.. foundation.Places[0].Supports.Select(s => s.Label)];
        json.WriteStartArray("extra_bars");
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            for (var i = 0; i < extra.Of(bottom).Length; i++)
            {
                if (extra.Of(bottom)[i] is { Any: true } own)
                {
                    json.WriteStartObject();
                    json.WriteString("at", bottom ? labels[i] : Core.Concrete.ExtraLayout.Bay(labels, i));
                    json.WriteString("face", bottom ? "bottom" : "top");
                    json.WriteString("bars", own.Bars.ToString());
                    json.WriteNumber("low_m", own.Low);
                    json.WriteNumber("high_m", own.High);
                    json.WriteEndObject();
                }
            }
        }

        json.WriteEndArray();
    }

    // Stirrups that stand closer about columns: how far apart, and how far they reach from the column's centre.
    private void Closer()
    {
        var zones = design.CloserStirrups;
        if (!zones.Any)
        {
            return;
        }

        json.WriteStartArray("closer_stirrups");
        for (var i = 0; i < zones.At.Length; i++)
        {
            if (zones.At[i] is { Any: true } own)
            {
                json.WriteStartObject();
                json.WriteString("at", foundation.Places[0].Supports[i].Label);
                json.WriteString("stirrups", own.Stirrups.ToString());
                json.WriteNumber("low_m", own.Low);
                json.WriteNumber("high_m", own.High);
                json.WriteEndObject();
            }
        }

        json.WriteEndArray();
    }

    /// <summary>Layers of bars by key.</summary>
    public void Bars()
    {
        foreach (var f in fields.Where(f => f.Form == FieldForm.Bars))
        {
            json.WriteString(f.Key, Words(f));
        }
    }

    /// <summary>How far the base was moved, where it was.</summary>
    public void Shifts()
    {
        var shifts = fields.Where(f => f.Form == FieldForm.Shift).ToList();
        if (shifts.Exists(f => f.Get(design) is not null))
        {
            foreach (var f in shifts)
            {
                json.WriteNumber(Metres(f), f.Get(design) is FieldValue.Length shift ? shift.Metres : 0);
            }
        }
    }

    /// <summary>Dowels and pedestals.</summary>
    /// <param name="all">Whether dowels that there are none of are said too.</param>
    public void Uprights(bool all)
    {
        foreach (var f in fields)
        {
            if (f.Form == FieldForm.Dowels && (all || f.Get(design) is not null))
            {
                json.WriteString(f.Key, Words(f));
            }
            else if (f.Get(design) is FieldValue.Upright upright)
            {
                Write(f.Key, upright.Of);
            }
        }
    }

    private string Words(DesignField f) => (f.Get(design) is FieldValue.Bars bars ? bars.Spec : Core.Concrete.BarSpec.None).ToString();

    private static string Metres(DesignField f) => f.Key.Replace('-', '_').Replace('.', '_') + "_m";

    // A pedestal or socket.
    private void Write(string key, Pedestal pedestal)
    {
        json.WriteStartObject(key);
        json.WriteBoolean("round", pedestal.Round);
        json.WriteNumber("size_x_m", pedestal.SizeX);
        json.WriteNumber("size_y_m", pedestal.SizeY);
        json.WriteString("bars", pedestal.Bars.ToString());
        json.WriteString("ties", pedestal.Ties.ToString());
        if (pedestal.Socket is { } socket)
        {
            json.WriteNumber("socket_depth_m", socket.Depth);
            json.WriteNumber("socket_wall_m", socket.Wall);
        }

        json.WriteEndObject();
    }
}
