using System.Globalization;
using Plinth.Files.Diagnostics;
using Tomlyn;
using Tomlyn.Parsing;
using Tomlyn.Syntax;

namespace Plinth.Files.Toml;

/// <summary>A value with its place.</summary>
/// <param name="Value">A string, double, long, bool, <see cref="TomlTable"/>, or list of <see cref="TomlNode"/>; null for a date.</param>
/// <param name="Place">Where it stands.</param>
/// <param name="Source">As written.</param>
public sealed record TomlNode(object? Value, FilePlace Place, string Source);

/// <summary>A table with the places of its keys.</summary>
/// <param name="place">Where its header or first key stands.</param>
public sealed class TomlTable(FilePlace place)
{
    private readonly Dictionary<string, (FilePlace Place, TomlNode Node)> entries = new(StringComparer.Ordinal);

    /// <summary>Where it begins.</summary>
    public FilePlace Place { get; } = place;

    /// <summary>Whether it was written as [table] or as a value; dotted keys alone leave it open.</summary>
    public bool Closed { get; set; }

    /// <summary>Keys in file order with the place of each.</summary>
    public IEnumerable<(string Key, FilePlace Place, TomlNode Node)> Entries => entries.Select(e => (e.Key, e.Value.Place, e.Value.Node));

    /// <summary>The value of a key, or null.</summary>
    public TomlNode? this[string key] => entries.TryGetValue(key, out var e) ? e.Node : null;

    /// <summary>Where a key stands.</summary>
    public FilePlace PlaceOf(string key) => entries.TryGetValue(key, out var e) ? e.Place : Place;

    /// <summary>Takes from another table what this one does not say, table by table; values and lists are taken whole.</summary>
    public void FallBackOn(TomlTable basis)
    {
        ArgumentNullException.ThrowIfNull(basis);
        foreach (var (key, place, node) in basis.Entries)
        {
            if (!Add(key, place, node) && this[key]!.Value is TomlTable own && node.Value is TomlTable other)
            {
                own.FallBackOn(other);
            }
        }
    }

    /// <summary>Adds a key.</summary>
    /// <returns>False if it is there already.</returns>
    public bool Add(string key, FilePlace at, TomlNode node) => entries.TryAdd(key, (at, node));
}

/// <summary>Parses TOML into tables with places, every fault collected.</summary>
public static class TomlTree
{
    // More than any key has; each part is a table within a table.
    private const int Deepest = 16;

    /// <summary>Parses a text.</summary>
    /// <returns>The root table; null if the syntax is broken.</returns>
    public static TomlTable? Parse(string text, string name, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(bag);
        DocumentSyntax document;
        try
        {
            document = SyntaxParser.Parse(text, name, validate: false);
        }
        catch (TomlException e)
        {
            // Nested deeper than the parser goes.
            var at = e.Diagnostics.FirstOrDefault()?.Span.Start;
            bag.Error(at is { } start ? new FilePlace(name, start.Line + 1, start.Column + 1) : new FilePlace(name, 1, 1),
                e.Message.Contains("depth", StringComparison.OrdinalIgnoreCase)
                    ? "lists or tables stand within each other deeper than any here; look for brackets too many"
                    : "not TOML: " + e.Message.TrimEnd('.'));
            return null;
        }

        foreach (var d in document.Diagnostics)
        {
            var m = d.Message;
            bag.Error(new FilePlace(name, d.Span.Start.Line + 1, d.Span.Start.Column + 1), "not TOML: " + m.TrimEnd('.'));
        }

        if (document.HasErrors)
        {
            return null;
        }

        var builder = new Builder(text, name, bag);
        var root = new TomlTable(new FilePlace(name, 1, 1));
        foreach (var item in document.KeyValues)
        {
            builder.Add(root, item);
        }

        foreach (var table in document.Tables)
        {
            builder.Add(root, table);
        }

        Unfit(root, bag);
        return root;
    }

    // What is escaped in the text may still be a character that no document can hold.
    private static void Unfit(TomlTable table, DiagnosticBag bag)
    {
        foreach (var (key, place, node) in table.Entries)
        {
            if (TextFile.FaultOf(key) is { } fault)
            {
                bag.Error(place, $"the key {fault}");
            }

            Unfit(node, bag);
        }
    }

    private static void Unfit(TomlNode node, DiagnosticBag bag)
    {
        switch (node.Value)
        {
            case string text when TextFile.FaultOf(text) is { } fault:
                bag.Error(node.Place, $"the text {fault}");
                break;
            case TomlTable inner:
                Unfit(inner, bag);
                break;
            case List<TomlNode> list:
                list.ForEach(n => Unfit(n, bag));
                break;
        }
    }

    /// <summary>The parts of a dotted key.</summary>
    public static IReadOnlyList<string> Parts(KeySyntax key)
    {
        ArgumentNullException.ThrowIfNull(key);
        var parts = new List<string> { Text(key.Key) };
        foreach (var dotted in key.DotKeys)
        {
            parts.Add(Text(dotted.Key));
        }

        return parts;
    }

    private static string Text(BareKeyOrStringValueSyntax? key) => key switch
    {
        BareKeySyntax bare => bare.Key?.Text ?? "",
        StringValueSyntax quoted => quoted.Value ?? "",
        _ => "",
    };

    private sealed class Builder(string text, string name, DiagnosticBag bag)
    {
        public void Add(TomlTable root, TableSyntaxBase table)
        {
            var parts = Parts(table.Name!);
            var at = PlaceOf(table.Name!);
            if (TooDeep(parts, at))
            {
                return;
            }

            var parent = root;
            for (var i = 0; i < parts.Count - 1; i++)
            {
                if (Enter(parent, parts[i], at) is not { } inner)
                {
                    return;
                }

                parent = inner;
            }

            var last = parts[^1];
            TomlTable target;
            if (table is TableArraySyntax)
            {
                target = new TomlTable(at) { Closed = true };
                var node = new TomlNode(target, at, "");
                if (parent[last]?.Value is List<TomlNode> list)
                {
                    list.Add(node);
                }
                else if (!parent.Add(last, at, new TomlNode(new List<TomlNode> { node }, at, "")))
                {
                    bag.Error(at, $"[[{last}]] is already a single table or value at {parent.PlaceOf(last)}");
                    return;
                }
            }
            else if (parent[last]?.Value is TomlTable { Closed: false } open)
            {
                open.Closed = true;
                target = open;
            }
            else
            {
                target = new TomlTable(at) { Closed = true };
                if (!parent.Add(last, at, new TomlNode(target, at, "")))
                {
                    bag.Error(at, $"table [{string.Join('.', parts)}] stands twice: first at {parent.PlaceOf(last)}; join the two");
                    return;
                }
            }

            foreach (var item in table.Items)
            {
                Add(target, item);
            }
        }

        public void Add(TomlTable table, KeyValueSyntax item)
        {
            var parts = Parts(item.Key!);
            var at = PlaceOf(item.Key!);
            if (TooDeep(parts, at))
            {
                return;
            }

            var parent = table;
            for (var i = 0; i < parts.Count - 1; i++)
            {
                if (Enter(parent, parts[i], at) is not { } inner)
                {
                    return;
                }

                parent = inner;
            }

            if (!parent.Add(parts[^1], at, Node(item.Value!)))
            {
                bag.Error(at, $"key \"{string.Join('.', parts)}\" stands twice: first at {parent.PlaceOf(parts[^1])}; delete one");
            }
        }

        private bool TooDeep(IReadOnlyList<string> parts, FilePlace at)
        {
            if (parts.Count <= Deepest)
            {
                return false;
            }

            bag.Error(at,
                string.Create(CultureInfo.InvariantCulture,
                    $"a key of {parts.Count:#,0} parts: none here has more than {Deepest}; look for points too many"));
            return true;
        }

        private TomlTable? Enter(TomlTable parent, string key, FilePlace at)
        {
            switch (parent[key]?.Value)
            {
                case null when parent[key] is null:
                    var made = new TomlTable(at);
                    parent.Add(key, at, new TomlNode(made, at, ""));
                    return made;
                case TomlTable table:
                    return table;
                case List<TomlNode> list when list.Count > 0 && list[^1].Value is TomlTable last:
                    return last;
                default:
                    bag.Error(at, $"\"{key}\" is a value at {parent.PlaceOf(key)}, so it cannot hold keys of its own");
                    return null;
            }
        }

        private TomlNode Node(ValueSyntax value)
        {
            var at = PlaceOf(value);
            object? content = value switch
            {
                StringValueSyntax s => s.Value ?? "",
                IntegerValueSyntax n => (double)n.Value,
                FloatValueSyntax n => n.Value,
                BooleanValueSyntax b => b.Value,
                ArraySyntax a => Items(a),
                InlineTableSyntax t => Table(t, at),
                _ => null,
            };
            var span = value.Span;
            return new TomlNode(content, at, text.Substring(span.Offset, Math.Min(span.Length, text.Length - span.Offset)));
        }

        private List<TomlNode> Items(ArraySyntax array)
        {
            var items = new List<TomlNode>();
            foreach (var item in array.Items)
            {
                items.Add(Node(item.Value!));
            }

            return items;
        }

        private TomlTable Table(InlineTableSyntax inline, FilePlace at)
        {
            var table = new TomlTable(at) { Closed = true };
            foreach (var item in inline.Items)
            {
                Add(table, item.KeyValue!);
            }

            return table;
        }

        private FilePlace PlaceOf(SyntaxNode node) => new(name, node.Span.Start.Line + 1, node.Span.Start.Column + 1);
    }
}
