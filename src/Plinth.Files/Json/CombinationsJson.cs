using System.Text.Json;
using Plinth.Core.Buildings;
using Plinth.Core.Loads;

namespace Plinth.Files.Json;

/// <summary>Writes combinations as JSON.</summary>
public static class CombinationsJson
{
    /// <summary>The action of a support in a combination, project axes, at the level where the reactions act.</summary>
    public static SupportAction ActionOf(Project project, string support, Combination combination)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(combination);
        var sum = default(SupportAction);
        foreach (var term in combination.Terms)
        {
            sum += term.Factor * project.Actions[support][term.Case];
        }

        return sum;
    }

    /// <summary>A limit state in words.</summary>
    public static string WordOf(LimitState state) => state switch
    {
        LimitState.Equ => "EQU",
        LimitState.Upl => "UPL",
        LimitState.SetB => "STR/GEO set B",
        LimitState.SetC => "STR/GEO set C",
        _ => state.ToString().ToLowerInvariant(),
    };

    /// <summary>Writes the combinations.</summary>
    /// <param name="stream">Receives UTF-8.</param>
    /// <param name="project">The project.</param>
    /// <param name="set">The combinations of the project, or those chosen for a foundation.</param>
    /// <param name="shown">Those of them to write.</param>
    /// <param name="envelope">Whether what each can govern is written.</param>
    /// <param name="support">Label of a support whose actions are added; null: none.</param>
    /// <param name="all">Whether those left out are listed.</param>
    public static void Write(Stream stream, Project project, CombinationSet set, IReadOnlyList<EnvelopeEntry> shown, bool envelope,
        string? support, bool all)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(set);
        ArgumentNullException.ThrowIfNull(shown);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", "keen-plinth/combinations/1");
        if (support is not null)
        {
            json.WriteString("support", support);
        }

        json.WriteStartArray("combinations");
        foreach (var entry in shown)
        {
            var c = set.Used[entry.Index];
            json.WriteStartObject();
            json.WriteString("name", c.Name);
            json.WriteStartArray("for");
            foreach (var word in FamilyWords.Of(c.For))
            {
                json.WriteStringValue(word);
            }

            json.WriteEndArray();
            json.WriteStartObject("factors");
            foreach (var term in c.Terms)
            {
                json.WriteNumber(project.Cases[term.Case].Name, term.Factor);
            }

            json.WriteEndObject();
            if (c.Terms.Any(t => t.Differs))
            {
                json.WriteStartObject("overturning_factors");
                foreach (var term in c.Terms)
                {
                    json.WriteStartObject(project.Cases[term.Case].Name);
                    json.WriteNumber("tips", term.Tips);
                    json.WriteNumber("holds", term.Holds);
                    json.WriteEndObject();
                }

                json.WriteEndObject();
            }

            json.WriteNumber("weights", c.WeightFactor);
            json.WriteBoolean("transient", c.Transient);
            json.WriteBoolean("counteracting", c.Counteracting);
            if (c.State != LimitState.None)
            {
                json.WriteString("limit_state", WordOf(c.State));
            }

            json.WriteString("rule", c.Rule);
            json.WriteString("clause", c.Clause);
            if (support is not null)
            {
                var a = ActionOf(project, support, c);
                json.WriteStartObject("action");
                json.WriteNumber("N_kN", a.N);
                json.WriteNumber("Fx_kN", a.Fx);
                json.WriteNumber("Fy_kN", a.Fy);
                json.WriteNumber("Mx_kNm", a.Mx);
                json.WriteNumber("My_kNm", a.My);
                json.WriteNumber("Mz_kNm", a.Mz);
                json.WriteEndObject();
            }

            if (envelope)
            {
                json.WriteStartArray("can_govern");
                foreach (var word in FamilyWords.Of(entry.For))
                {
                    json.WriteStringValue(word);
                }

                json.WriteEndArray();
                json.WriteStartArray("extremes");
                foreach (var word in entry.Extremes)
                {
                    json.WriteStringValue(word);
                }

                json.WriteEndArray();
            }

            json.WriteEndObject();
        }

        json.WriteEndArray();
        if (all)
        {
            json.WriteStartArray("dropped");
            foreach (var d in project.Combinations.Dropped)
            {
                json.WriteStartObject();
                json.WriteString("name", d.Name);
                json.WriteString("rule", d.Rule);
                json.WriteString("reason", d.Reason);
                json.WriteEndObject();
            }

            json.WriteEndArray();
        }

        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }
}
