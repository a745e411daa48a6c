using System.Globalization;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Toml;

/// <summary>Reads the keys of a table one by one; what was not asked for by the end is an unknown key.</summary>
/// <param name="table">The table; null: an absent one, whose keys all have their defaults.</param>
/// <param name="path">Its name in messages: "[ground]".</param>
/// <param name="bag">Receives what is wrong.</param>
public sealed partial class TableReader(TomlTable? table, string path, DiagnosticBag bag)
{
    private const int LongestText = 2000;

    private readonly HashSet<string> known = new(StringComparer.Ordinal);

    /// <summary>Receives what is wrong.</summary>
    internal DiagnosticBag Bag => bag;

    /// <summary>Keeps what is read; null: nobody asks.</summary>
    public SettingsLog? Log { get; init; }

    /// <summary>Where the table begins.</summary>
    public FilePlace Place => table?.Place ?? default;

    /// <summary>Whether a key is there.</summary>
    public bool Has(string key)
    {
        known.Add(key);
        return table?[key] is not null;
    }

    /// <summary>Where a key's value stands, or the table if it is absent.</summary>
    public FilePlace PlaceOf(string key) => table?[key]?.Place ?? Place;

    /// <summary>The node of a key, or null.</summary>
    public TomlNode? Node(string key)
    {
        known.Add(key);
        return table?[key];
    }

    /// <summary>A text.</summary>
    public string? Text(string key)
    {
        if (Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is string s)
        {
            if (s.Length > LongestText)
            {
                bag.Error(node.Place,
                    string.Create(CultureInfo.InvariantCulture,
                        $"{key} has {s.Length:#,0} characters; texts have up to {LongestText:#,0}"));
                return null;
            }

            return s;
        }

        bag.Error(node.Place, $"{key} must be text in quotes; write for example {key} = \"{node.Source.Trim('"')}\"");
        return null;
    }

    /// <summary>One of several words.</summary>
    public T Choice<T>(string key, T fallback, params ReadOnlySpan<(string Word, T Value)> words)
    {
        if (Text(key) is not { } text)
        {
            var named = fallback is null ? "—" : "";
            foreach (var (word, value) in words)
            {
                named = EqualityComparer<T>.Default.Equals(value, fallback) ? word : named;
            }

            return Keep(key, fallback, named, null);
        }

        var all = new List<string>();
        foreach (var (word, value) in words)
        {
            if (word == text)
            {
                return Keep(key, value, word, null);
            }

            all.Add(word);
        }

        bag.Error(PlaceOf(key), $"{key} = \"{text}\" is not known; {Nearest.OneOf(text, all)}");
        return fallback;
    }

    /// <summary>A plain number.</summary>
    public double Number(string key, double fallback, Sign sign = Sign.NotNegative)
    {
        var value = PlainNumber(key, sign) ?? fallback;
        return Keep(key, value, value, null);
    }

    /// <summary>A plain number, or null if the key is absent or wrong.</summary>
    public double? NumberOrNull(string key, Sign sign = Sign.NotNegative)
    {
        var value = PlainNumber(key, sign);
        return Keep(key, value, value, null);
    }

    private double? PlainNumber(string key, Sign sign)
    {
        if (Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is not double value)
        {
            bag.Error(node.Place, $"{key} must be a plain number, without quotes or unit; write for example {key} = 1.5");
            return null;
        }

        return InRange(key, node, value, sign) ? value : null;
    }

    /// <summary>True or false.</summary>
    public bool Flag(string key, bool fallback)
    {
        var value = TrueOrFalse(key, fallback);
        return Keep(key, value, value ? "true" : "false", null);
    }

    private bool TrueOrFalse(string key, bool fallback)
    {
        if (Node(key) is not { } node)
        {
            return fallback;
        }

        if (node.Value is bool value)
        {
            return value;
        }

        bag.Error(node.Place, $"{key} must be true or false, without quotes");
        return fallback;
    }

    /// <summary>A value with a unit.</summary>
    public double Quantity(string key, Measure measure, double fallback, Sign sign = Sign.NotNegative)
    {
        var value = (Node(key) is { } node ? Quantity(key, node, measure, sign) : null) ?? fallback;
        return Keep(key, value, double.IsNaN(value) ? null : value, measure);
    }

    /// <summary>A value with a unit, or null if the key is absent or wrong.</summary>
    public double? QuantityOrNull(string key, Measure measure, Sign sign = Sign.NotNegative)
    {
        var value = Node(key) is { } node ? Quantity(key, node, measure, sign) : null;
        return Keep(key, value, value, measure);
    }

    /// <summary>Reads a node as a value with a unit, or null if it is wrong.</summary>
    public double? Quantity(string key, TomlNode node, Measure measure, Sign sign)
    {
        ArgumentNullException.ThrowIfNull(node);
        ArgumentNullException.ThrowIfNull(measure);
        if (node.Value is not string text)
        {
            bag.Error(node.Place, node.Value is double bare
                ? string.Create(CultureInfo.InvariantCulture,
                    $"{key} = {node.Source} has no unit; write for example {key} = \"{bare} {measure.Example}\"")
                : $"{key} must be {measure.Name} in quotes; write for example {key} = \"2.5 {measure.Example}\"");
            return null;
        }

        if (!Plinth.Core.Units.Quantity.TryRead(text, measure, out var value, out var fault))
        {
            bag.Error(node.Place, $"{key} {fault}");
            return null;
        }

        if (sign != Sign.Any && measure.Matches(Measure.Length) && value > Measure.MostSize)
        {
            bag.Error(node.Place,
                string.Create(CultureInfo.InvariantCulture,
                    $"{key} = {node.Source} is beyond {Measure.MostSize:#,0} m; look at its digits and its unit"));
            return null;
        }

        return InRange(key, node, value, sign) ? value : null;
    }

    /// <summary>Two values with units, least and most.</summary>
    /// <param name="key">The key.</param>
    /// <param name="measure">What they measure.</param>
    /// <param name="fallback">What holds where the key is absent or wrong.</param>
    public (double Least, double Most) Range(string key, Measure measure, (double Least, double Most) fallback)
    {
        var range = ReadRange(key, measure) ?? fallback;
        return Keep(key, range, range, measure);
    }

    /// <summary>Keeps the default of a key that is read elsewhere, for those who ask what is in force.</summary>
    public void Default(string key, string shown)
    {
        if (Node(key) is null)
        {
            Keep(key, key, shown, null);
        }
    }

    private (double Least, double Most)? ReadRange(string key, Measure measure)
    {
        if (Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is not List<TomlNode> { Count: 2 } list)
        {
            bag.Error(node.Place,
                $"{key} needs two values, least and most; write for example {key} = [\"1 {measure?.Example}\", \"2 {measure?.Example}\"]");
            return null;
        }

        if (Quantity(key, list[0], measure!, Sign.Positive) is not { } least
            || Quantity(key, list[1], measure!, Sign.Positive) is not { } most)
        {
            return null;
        }

        if (least > most)
        {
            bag.Error(node.Place, $"{key}: the least value {list[0].Source} is above the greatest {list[1].Source}; swap them");
            return null;
        }

        return (least, most);
    }

    /// <summary>A list of texts; null if the key is absent or wrong.</summary>
    public IReadOnlyList<(string Text, FilePlace Place)>? Texts(string key)
    {
        if (Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is List<TomlNode> list && list.All(n => n.Value is string))
        {
            Keep(key, node, node.Source, null);
            return [.. list.Select(n => ((string)n.Value!, n.Place))];
        }

        bag.Error(node.Place, $"{key} must be a list of texts; write for example {key} = [\"a\", \"b\"]");
        return null;
    }

    /// <summary>A reader of a table within; absent if it is not there.</summary>
    public TableReader Inner(string key)
    {
        var name = path.Length == 0 ? $"[{key}]" : $"{path.TrimEnd(']')}.{key}]";
        if (Node(key) is not { } node)
        {
            return new TableReader(null, name, bag) { Log = Log };
        }

        if (node.Value is TomlTable inner)
        {
            return new TableReader(inner, name, bag) { Log = Log };
        }

        bag.Error(node.Place, $"{key} must be a table; write [{key}] on a line of its own");
        return new TableReader(null, name, bag);
    }

    /// <summary>Readers of the tables of an array of tables.</summary>
    public IReadOnlyList<TableReader> Each(string key)
    {
        if (Node(key) is not { } node)
        {
            return [];
        }

        if (node.Value is List<TomlNode> list && list.All(n => n.Value is TomlTable))
        {
            return [
                .. list.Select(n => new TableReader((TomlTable)n.Value!, $"[[{key}]]",
                    bag) { Log = Log is null ? null : new SettingsLog() })];
        }

        bag.Error(node.Place, $"{key} must be written [[{key}]], in double brackets: there may be several");
        return [];
    }

    /// <summary>All keys with their nodes; marks them as known.</summary>
    public IReadOnlyList<(string Key, FilePlace Place, TomlNode Node)> All()
    {
        var entries = table is null ? [] : table.Entries.ToList();
        known.UnionWith(entries.Select(e => e.Key));
        return entries;
    }

    /// <summary>Reports keys that nobody asked for.</summary>
    public void Done()
    {
        if (table is null)
        {
            return;
        }

        foreach (var (key, place, _) in table.Entries)
        {
            if (known.Contains(key))
            {
                continue;
            }

            var near = Nearest.Of(key, known);
            bag.Error(place,
                $"{(path.Length == 0 ? "there" : path)} {(path.Length == 0 ? "is no" : "has no")} key \"{key}\"; "
                    + (near is null ? $"known are {string.Join(", ", known.Order(StringComparer.Ordinal))}" : $"did you mean \"{near}\"?"));
        }
    }

    /// <summary>Reports a missing key.</summary>
    public void Missing(string key, string example) =>
        bag.Error(table is null ? new FilePlace("plinth.toml", 0, 0) : Place, $"{path} needs {key}; write for example {key} = {example}");

    /// <summary>Reports something wrong at a key.</summary>
    public void Fault(string key, string message) => bag.Error(PlaceOf(key), message);

    // Keeps a value with its table, by the name that the table has for all: of [grounds.soft] and of a foundation's own it is "ground".
    internal T Keep<T>(string key, T value, object? shown, Measure? measure)
    {
        Log?.Add(new Setting(Named, key, shown, measure, table?[key] is { } node ? node.Place : null));
        return value;
    }

    /// <summary>Forgets a key that does nothing in this project, so that those who ask what is in force are not told of it.</summary>
    internal void Forget(string key) => Log?.Drop(Named, key);

    private string Named
    {
        get
        {
            var name = path.Trim('[', ']');
            return name.StartsWith("foundation.", StringComparison.Ordinal) ? name["foundation.".Length..]
                : name.StartsWith("grounds.", StringComparison.Ordinal) ? "ground"
                : name;
        }
    }
}
