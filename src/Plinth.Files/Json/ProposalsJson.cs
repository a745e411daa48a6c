using System.Text.Json;
using Plinth.Core.Sizing;
using Plinth.Files.Reading;

namespace Plinth.Files.Json;

/// <summary>Writes proposals with their prices as JSON.</summary>
public static class ProposalsJson
{
    /// <summary>The schema's name.</summary>
    public const string Schema = "keen-plinth/proposals/1";

    /// <summary>The cause as files write it.</summary>
    public static string Word(ProposalCause cause) =>
        cause switch { ProposalCause.Overlap => "overlap", ProposalCause.SmallGap => "small-gap", _ => "nothing-found" };

    /// <summary>Writes proposals.</summary>
    /// <param name="stream">Receives UTF-8.</param>
    /// <param name="loaded">The project.</param>
    /// <param name="proposals">What was priced.</param>
    public static void Write(Stream stream, LoadedProject loaded, IReadOnlyList<PricedProposal> proposals)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(loaded);
        ArgumentNullException.ThrowIfNull(proposals);
        using var json = new Utf8JsonWriter(stream, ResultsJson.Options);
        json.WriteStartObject();
        json.WriteString("schema", Schema);
        json.WriteStartArray("proposals");
        foreach (var p in proposals)
        {
            Write(json, loaded, p);
        }

        json.WriteEndArray();
        json.WriteEndObject();
        json.Flush();
        stream.WriteByte((byte)'\n');
    }

    private static void Write(Utf8JsonWriter json, LoadedProject loaded, PricedProposal p)
    {
        json.WriteStartObject();
        json.WriteString("kind", p.Proposal.Kind.Id);
        Texts(json, "supports", p.Proposal.Supports.Select(s => s.Label));
        Texts(json, "in_place_of", p.Proposal.Case.Marks);
        json.WriteString("cause", Word(p.Proposal.Case.Cause));
        if (p.Proposal.Case.Cause != ProposalCause.NothingFound)
        {
            json.WriteNumber("gap_m", p.Proposal.Case.Gap);
        }

        json.WriteString("toml", string.Join('\n', ProposalPrices.Toml(p.Proposal, loaded.Project.Units)));
        json.WriteStartArray("tables_replaced");
        foreach (var (place, mark, lost) in ProposalPrices.Replaced(loaded, p.Proposal))
        {
            json.WriteStartObject();
            json.WriteString("mark", mark);
            json.WriteString("place", place.ToString());
            Texts(json, "not_carried_over", lost);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteBoolean("serves", p.Serves);
        if (p.Found is { Design: { } design } found)
        {
            var fields = new DesignJson(json, found.Foundation, design);
            fields.Sizes();
            fields.Bars();
            json.WriteNumber("utilisation", found.Result!.Governing.Utilisation);
        }

        Number(json, "cost_now", p.CostNow);
        Number(json, "cost_then", p.CostThen);
        json.WriteStartArray("near");
        foreach (var (mark, gap) in p.Near)
        {
            json.WriteStartObject();
            json.WriteString("mark", mark);
            json.WriteNumber("gap_m", gap);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        if ((p.Fault ?? p.Found?.Stop?.Reason) is { } reason)
        {
            json.WriteString("stopped", reason);
        }

        json.WriteEndObject();
    }

    private static void Number(Utf8JsonWriter json, string name, double? value)
    {
        if (value is { } v)
        {
            json.WriteNumber(name, v);
        }
    }

    private static void Texts(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts)
        {
            json.WriteStringValue(text);
        }

        json.WriteEndArray();
    }
}
