using Plinth.Core.Concrete;
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

    /// <summary>The keys that `set` and `check --set` change.</summary>
    public static IReadOnlyList<string> Keys { get; } = ["length", "width", "thickness", "bottom-x", "bottom-y", "top-x", "top-y", "shift-x", "shift-y", "dowels", "pedestal.size", "pedestal.bars", "pedestal.ties", "pedestal.socket", "pedestal.wall"];

    /// <summary>Reads a value of a key as `set` and `check --set` give it; reports nothing, tells the fault.</summary>
    /// <param name="design">The design to change.</param>
    /// <param name="key">One of <see cref="Keys"/>.</param>
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

            if (v <= 0 || v > Measure.MostSize)
            {
                fault = v <= 0 ? $"{key} \"{value}\" must be more than zero" : $"{key} \"{value}\" is beyond any side of a foundation; look at its digits and its unit";
                return null;
            }

            var size = design.Size;
            return design with { Size = key switch { "length" => size with { Length = v }, "width" => size with { Width = v }, _ => size with { Thickness = v } } };
        }

        if (key is "shift-x" or "shift-y")
        {
            if (!Quantity.TryRead(value, Measure.Length, out var shift, out fault))
            {
                fault = $"{key} {fault}";
                return null;
            }

            return design with { Size = key == "shift-x" ? design.Size with { ShiftX = shift } : design.Size with { ShiftY = shift } };
        }

        if (key == "dowels" || key.StartsWith("pedestal.", StringComparison.Ordinal))
        {
            return Upright(design, key, value, out fault);
        }

        if (key is not ("bottom-x" or "bottom-y" or "top-x" or "top-y"))
        {
            string[] keys = [.. Keys];
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

    private static FoundationDesign? Upright(FoundationDesign design, string key, string value, out string? fault)
    {
        fault = null;
        if (key == "pedestal.size")
        {
            var sides = value.Trim('[', ']').Split(['×', 'x', ','], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(s => s.Trim('"')).ToArray();
            if (sides.Length is 0 or > 2 || design.Pedestal is not { } pedestal)
            {
                fault = design.Pedestal is null ? "there is no pedestal to change; ask for one in plinth.toml: [pedestal] under = \"all\"" : $"pedestal.size \"{value}\" is not one side or two; write for example \"450 mm, 450 mm\"";
                return null;
            }

            if (!Quantity.TryRead(sides[0], Measure.Length, out var x, out fault) || !Quantity.TryRead(sides[^1], Measure.Length, out var y, out fault))
            {
                fault = $"{key} {fault}";
                return null;
            }

            if (x <= 0 || y <= 0)
            {
                fault = $"{key} \"{value}\" must be more than zero";
                return null;
            }

            return design with { Pedestal = pedestal with { SizeX = x, SizeY = y } };
        }

        if (key is "pedestal.socket" or "pedestal.wall")
        {
            return InSocket(design, key, value, out fault);
        }

        if (!BarSpec.TryParse(value, out var bars, out fault))
        {
            return null;
        }

        if (key != "dowels" && design.Pedestal is null)
        {
            fault = "there is no pedestal to change; ask for one in plinth.toml: [pedestal] under = \"all\"";
            return null;
        }

        if (key == "pedestal.ties" ? bars.Spacing <= 0 : bars.Size is not null && (bars.Count < 4 || bars.Count % 2 != 0))
        {
            fault = key == "pedestal.ties" ? $"{key} \"{value}\": ties are a size and a spacing; write for example \"T10 @ 150 mm\"" : $"{key} \"{value}\": bars stand round the section, an even number from 4; write for example \"8 T20\"";
            return null;
        }

        return key switch
        {
            "dowels" => design with { Dowels = bars },
            "pedestal.bars" => design with { Pedestal = design.Pedestal! with { Bars = bars } },
            "pedestal.ties" => design with { Pedestal = design.Pedestal! with { Ties = bars } },
            _ => Unknown(key, out fault),
        };
    }

    private static FoundationDesign? InSocket(FoundationDesign design, string key, string value, out string? fault)
    {
        if (design.Pedestal?.Socket is not { } socket)
        {
            fault = "there is no socket to change; ask for one in plinth.toml: [socket] under = \"concrete\"";
            return null;
        }

        if (!Quantity.TryRead(value, Measure.Length, out var v, out fault) || v <= 0)
        {
            fault = fault is null ? $"{key} \"{value}\" must be more than zero" : $"{key} {fault}";
            return null;
        }

        return design with { Pedestal = design.Pedestal with { Socket = key == "pedestal.socket" ? socket with { Depth = v } : socket with { Wall = v } } };
    }

    private static FoundationDesign? Unknown(string key, out string? fault)
    {
        fault = $"there is no key \"{key}\"; keys are {string.Join(", ", Keys)}";
        return null;
    }

    private static AdoptedEntry? Entry(string mark, TomlTable table, DiagnosticBag bag)
    {
        var t = new TableReader(table, $"[{mark}]", bag);
        var spots = table.Entries.ToDictionary(e => e.Key, e => e.Node.Place, StringComparer.Ordinal);
        spots[""] = table.Place;
        var kind = t.Text("kind");
        if (kind is not null && FoundationKinds.Find(kind) is null)
        {
            t.Fault("kind", $"kind \"{kind}\" is not designed in this version; it is {string.Join(" or ", FoundationKinds.All.Select(k => $"\"{k.Id}\""))}");
        }

        var alike = t.Has("alike");
        var places = Places(t, alike, bag);
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
        var (shiftX, shiftY) = (t.Quantity("shift-x", Measure.Length, 0, Sign.Any), t.Quantity("shift-y", Measure.Length, 0, Sign.Any));
        var dowels = ColumnReader.Upright(t, "dowels");
        Pedestal? pedestal = null;
        if (t.Has("pedestal"))
        {
            (pedestal, var inPedestal) = ColumnReader.Adopted(t.Inner("pedestal"));
            if (pedestal is null)
            {
                t.Done();
                return null;
            }

            dowels ??= inPedestal;
        }

        t.Done();
        if (length is null || width is null || thickness is null || bx is null || by is null || tx is null || ty is null || places is null)
        {
            return null;
        }

        var digest = AdoptedEntry.DigestOf(Sources("", table));
        var size = new BaseSize(length.Value, width.Value, thickness.Value) { ShiftX = shiftX, ShiftY = shiftY };
        return new AdoptedEntry(mark, alike, places, new FoundationDesign(size, bx, by, tx, ty) { Pedestal = pedestal, Dowels = dowels ?? BarSpec.None }, found, digest, spots);
    }

    // Keys with their values as written; those of a table within, dotted or under its own header, by their whole name.
    private static IEnumerable<(string Key, string Source)> Sources(string within, TomlTable table) =>
        table.Entries.SelectMany(e => e.Node is { Source: "", Value: TomlTable inner } ? Sources(within + e.Key + ".", inner) : [(within + e.Key, e.Node.Source)]);

    /// <summary>The places under `alike` or `supports`, or null if they are wrong or absent.</summary>
    internal static IReadOnlyList<WrittenPlace>? Places(TableReader t, bool alike, DiagnosticBag bag)
    {
        if (!alike)
        {
            if (t.Texts("supports") is { Count: 0 })
            {
                bag.Error(t.PlaceOf("supports"), "supports is an empty list; name what stands on the foundation, for example supports = [\"C7\"], or delete the table");
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

        bag.Error(t.PlaceOf("alike"), "alike must be a list of places, each a list of supports, or a table where the design is turned or mirrored; write for example alike = [[\"C1\"], { supports = [\"C4\"], turned = \"180 deg\" }]");
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

        return supports is { Count: > 0 } ? new WrittenPlace([.. supports.Select(x => x.Text)], new Lie((((int)Math.Round(quarters) % 4) + 4) % 4, mirrored)) : null;
    }
}
