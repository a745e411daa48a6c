using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Plinth.Files.Toml;

namespace Plinth.Files.Adopted;

/// <summary>Reads adopted.toml.</summary>
public static class AdoptedReader
{
    /// <summary>The file's name.</summary>
    public const string FileName = "adopted.toml";

    /// <summary>Reads the tables of a text.</summary>
    public static IReadOnlyList<AdoptedEntry> Read(string text, DiagnosticBag bag)
    {
        var result = new List<AdoptedEntry>();
        if (TomlTree.Parse(text, FileName, bag) is not { } root)
        {
            return result;
        }

        foreach (var (mark, place, node) in root.Entries)
        {
            if (node.Value is not TomlTable table)
            {
                bag.Error(place, $"\"{mark}\" stands outside any table; write it under the mark it belongs to, for example [F1]");
                continue;
            }

            if (SupportsReader.Label(mark, "mark", place, bag) && Entry(mark, table, bag) is { } entry)
            {
                result.Add(entry);
            }
        }

        return result;
    }

    private static AdoptedEntry? Entry(string mark, TomlTable table, DiagnosticBag bag)
    {
        var t = new TableReader(table, $"[{mark}]", bag);
        var spots = table.Entries.ToDictionary(e => e.Key, e => e.Node.Place, StringComparer.Ordinal);
        spots[""] = table.Place;
        var kind = t.Text("kind");
        if (kind is not null && FoundationKinds.Find(kind) is null)
        {
            t.Fault("kind",
                $"kind \"{kind}\" is not designed in this version; it is "
                    + $"{string.Join(" or ", FoundationKinds.Ids.Select(k => $"\"{k}\""))}");
        }

        var alike = t.Has("alike");
        var places = Places(t, alike, bag);
        if (!alike && !t.Has("supports"))
        {
            t.Missing("supports", "[\"C1\"]");
        }

        var supports = (IReadOnlyList<string>)(places is [var first, ..] ? first.Supports : [""]);
        var of = (kind is null ? null : FoundationKinds.Find(kind, t.Has)) ?? FoundationKinds.For(supports.Count);
        if (!of.Carries(supports.Count))
        {
            t.Fault(alike ? "alike" : "supports",
                of.UnderSeveral
                    ? $"[{mark}] is kind \"{of.Id}\", which carries {of.Carried}; name them in one list"
                    : $"[{mark}]: a base under several supports ({string.Join(", ", supports)}) is kind "
                        + $"\"{FoundationKinds.For(supports.Count).Id}\"");
            return null;
        }

        var design = FieldText.Read(t, of, supports);
        var found = t.Text("found");
        t.Done();
        if (design is null || places is null)
        {
            return null;
        }

        var digest = AdoptedEntry.DigestOf(Sources("", table));
        return new AdoptedEntry(mark, of, alike, places, design, found, digest, spots);
    }

    // Keys with their values as written; those of a table within, dotted or under its own header, by their whole name.
    private static IEnumerable<(string Key, string Source)> Sources(string within, TomlTable table) =>
        table.Entries.SelectMany(e => e.Node is { Source: "", Value: TomlTable inner }
            ? Sources(within + TomlText.Key(e.Key) + ".", inner)
            : [(within + TomlText.Key(e.Key), e.Node.Source)]);

    /// <summary>The places under `alike` or `supports`, or null if they are wrong or absent.</summary>
    internal static IReadOnlyList<WrittenPlace>? Places(TableReader t, bool alike, DiagnosticBag bag)
    {
        if (!alike)
        {
            if (t.Texts("supports") is { Count: 0 })
            {
                bag.Error(t.PlaceOf("supports"),
                    "supports is an empty list; name what stands on the foundation, for example supports = [\"C7\"], or delete the table");
                return null;
            }

            return t.Texts("supports") is { } texts ? [new WrittenPlace([.. texts.Select(x => x.Text)], Lie.AsDrawn)] : null;
        }

        if (t.Node("alike") is { Value: List<TomlNode> { Count: > 0 } list })
        {
            var places = list.Select(node => Place(node, bag)).ToList();
            if (places.TrueForAll(p => p is not null))
            {
                return places!;
            }
        }

        bag.Error(t.PlaceOf("alike"),
            "alike must be a list of places, each a list of supports, or a table where the design is turned or mirrored; write for example "
                + "alike = [[\"C1\"], { supports = [\"C4\"], turned = \"180 deg\" }]");
        return null;
    }

    private static WrittenPlace? Place(TomlNode node, DiagnosticBag bag)
    {
        if (node.Value is List<TomlNode> { Count: > 0 } labels && labels.TrueForAll(l => l.Value is string))
        {
            return new WrittenPlace([.. labels.Select(l => (string)l.Value!)], Lie.AsDrawn);
        }

        if (node.Value is not TomlTable table)
        {
            return null;
        }

        var t = new TableReader(table, "alike", bag);
        var supports = t.Texts("supports");
        var (turned, mirrored) = (t.Quantity("turned", Measure.Angle, 0, Sign.Any), t.Flag("mirrored", false));
        t.Done();
        var quarters = turned / 90;
        if (Math.Abs(quarters - Math.Round(quarters)) > 1e-9)
        {
            t.Fault("turned", "turned is a whole number of quarter turns; write 90, 180 or 270 deg");
        }

        return supports is { Count: > 0 }
            ? new WrittenPlace([.. supports.Select(x => x.Text)], new Lie((((int)Math.Round(quarters) % 4) + 4) % 4, mirrored))
            : null;
    }
}
