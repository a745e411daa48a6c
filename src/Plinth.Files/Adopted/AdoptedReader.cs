using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
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

            if (Entry(mark, table, bag) is { } entry)
            {
                result.Add(entry);
            }
        }

        return result;
    }

    /// <summary>Reads a value of a key as `set` and `check --set` give it; reports nothing, tells the fault.</summary>
    /// <param name="design">The design to change.</param>
    /// <param name="key">length, width, thickness, bottom-x, bottom-y, top-x, top-y.</param>
    /// <param name="value">The value, without quotes.</param>
    /// <param name="fault">Why not; null if it could be read.</param>
    public static FoundationDesign? With(FoundationDesign design, string key, string value, out string? fault)
    {
        ArgumentNullException.ThrowIfNull(design);
        fault = null;
        if (key is "length" or "width" or "thickness")
        {
            if (!Quantity.TryRead(value, Measure.Length, out var v, out fault))
            {
                fault = $"{key} {fault}";
                return null;
            }

            if (v <= 0)
            {
                fault = $"{key} \"{value}\" must be more than zero";
                return null;
            }

            var size = design.Size;
            return design with { Size = key switch { "length" => size with { Length = v }, "width" => size with { Width = v }, _ => size with { Thickness = v } } };
        }

        if (key is not ("bottom-x" or "bottom-y" or "top-x" or "top-y"))
        {
            string[] keys = ["length", "width", "thickness", "bottom-x", "bottom-y", "top-x", "top-y"];
            var near = Nearest.Of(key, keys);
            fault = $"there is no key \"{key}\"; " + (near is null ? $"keys are {string.Join(", ", keys)}" : $"did you mean \"{near}\"?");
            return null;
        }

        if (!BarSpec.TryParse(value, out var bars, out fault))
        {
            return null;
        }

        return key switch { "bottom-x" => design with { BottomX = bars }, "bottom-y" => design with { BottomY = bars }, "top-x" => design with { TopX = bars }, _ => design with { TopY = bars } };
    }

    private static AdoptedEntry? Entry(string mark, TomlTable table, DiagnosticBag bag)
    {
        var t = new TableReader(table, $"[{mark}]", bag);
        var spots = table.Entries.ToDictionary(e => e.Key, e => e.Node.Place, StringComparer.Ordinal);
        spots[""] = table.Place;
        var kind = t.Text("kind");
        if (kind is not null && kind != Foundation.Kind)
        {
            t.Fault("kind", $"kind \"{kind}\" is not designed in this version; it is \"{Foundation.Kind}\"");
        }

        var alike = t.Has("alike");
        var places = alike ? Lists(t, "alike", bag) : t.Texts("supports") is { } s ? [[.. s.Select(x => x.Text)]] : null;
        if (!alike && !t.Has("supports"))
        {
            t.Missing("supports", "[\"C1\"]");
        }

        double? Size(string key)
        {
            var value = t.QuantityOrNull(key, Measure.Length, Sign.Positive);
            if (value is null && !t.Has(key))
            {
                t.Missing(key, "\"2400 mm\"");
            }

            return value;
        }

        BarSpec? Bars(string key, bool required)
        {
            if (!t.Has(key))
            {
                if (required)
                {
                    t.Missing(key, "\"13 T16\"");
                }

                return required ? null : BarSpec.None;
            }

            return t.Bars(key);
        }

        var (length, width, thickness) = (Size("length"), Size("width"), Size("thickness"));
        var (bx, by, tx, ty) = (Bars("bottom-x", true), Bars("bottom-y", true), Bars("top-x", false), Bars("top-y", false));
        var found = t.Text("found");
        t.NotYet("pedestal");
        t.Done();
        if (length is null || width is null || thickness is null || bx is null || by is null || tx is null || ty is null || places is null)
        {
            return null;
        }

        var digest = AdoptedEntry.DigestOf(table.Entries.Select(e => (e.Key, e.Node.Source)));
        return new AdoptedEntry(mark, alike, places, new FoundationDesign(new BaseSize(length.Value, width.Value, thickness.Value), bx, by, tx, ty), found, digest, spots);
    }

    /// <summary>A list of lists of labels, or null if it is wrong.</summary>
    internal static IReadOnlyList<IReadOnlyList<string>>? Lists(TableReader t, string key, DiagnosticBag bag)
    {
        if (t.Node(key) is { Value: List<TomlNode> outer } && outer.Count > 0 && outer.All(o => o.Value is List<TomlNode> inner && inner.Count > 0 && inner.All(i => i.Value is string)))
        {
            return [.. outer.Select(o => (IReadOnlyList<string>)[.. ((List<TomlNode>)o.Value!).Select(i => (string)i.Value!)])];
        }

        bag.Error(t.PlaceOf(key), $"{key} must be a list of places, each a list of supports; write for example {key} = [[\"C1\"], [\"C4\"]]");
        return null;
    }
}
