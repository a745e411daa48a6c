using System.Text.Json;
using Plinth.Core.Checks;
using Plinth.Core.Comparing;

namespace Plinth.Files.Json;

/// <summary>Writes a comparison as JSON.</summary>
public static class ComparisonJson
{
    /// <summary>A fate in words.</summary>
    public static string WordOf(Fate fate) => fate switch
    {
        Fate.FailsNow => "fails now",
        Fate.FailsStill => "fails still",
        Fate.NotSized => "not sized",
        Fate.Came => "new",
        Fate.Went => "gone",
        Fate.PassesAgain => "passes again",
        Fate.HasRoom => "has room",
        Fate.GovernedOtherwise => "governed otherwise",
        _ => "as before",
    };

    /// <summary>Writes it.</summary>
    public static void Write(Stream stream, Comparison comparison, string before, string after, bool passes)
    {
        ArgumentNullException.ThrowIfNull(comparison);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/comparison/1");
        json.WriteString("before", before);
        json.WriteString("after", after);
        json.WriteBoolean("passes", passes);
        ImportJson.Texts(json, "cases_came", comparison.CasesCame);
        ImportJson.Texts(json, "cases_went", comparison.CasesWent);
        ImportJson.Texts(json, "supports_came", comparison.SupportsCame);
        ImportJson.Texts(json, "supports_went", comparison.SupportsWent);
        ImportJson.Texts(json, "supports_moved", comparison.SupportsMoved);
        json.WriteStartArray("actions");
        foreach (var a in comparison.Actions)
        {
            var unit = a.Component[0] == 'M' ? "kNm" : "kN";
            json.WriteStartObject();
            json.WriteString("support", a.Support);
            json.WriteString("case", a.Case);
            json.WriteString("component", a.Component);
            json.WriteNumber("before_" + unit, a.Before);
            json.WriteNumber("after_" + unit, a.After);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteStartArray("foundations");
        foreach (var f in comparison.Foundations)
        {
            json.WriteStartObject();
            json.WriteString("mark", f.Mark);
            ImportJson.Texts(json, "supports", f.Supports);
            json.WriteString("fate", WordOf(f.Fate));
            if (f.NowIn is { } mark)
            {
                json.WriteString("now_in", mark);
            }

            json.WriteBoolean("design_changed", f.DesignChanged);
            Check(json, "before", f.Before);
            Check(json, "after", f.After);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    private static void Check(Utf8JsonWriter json, string name, CheckResult? check)
    {
        if (check is null)
        {
            json.WriteNull(name);
            return;
        }

        json.WriteStartObject(name);
        json.WriteString("governing", check.Id);
        json.WriteString("combination", check.Combination);
        json.WriteNumber("utilisation", check.Utilisation);
        json.WriteBoolean("passes", check.Passes);
        json.WriteEndObject();
    }
}
