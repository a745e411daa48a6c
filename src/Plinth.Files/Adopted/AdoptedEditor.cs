using System.Text;
using Plinth.Files.Toml;
using Tomlyn.Parsing;
using Tomlyn.Syntax;

namespace Plinth.Files.Adopted;

/// <summary>Changes tables of adopted.toml and leaves every other byte as it is, comments included.</summary>
public static class AdoptedEditor
{
    private const string Header =
        "# Sizes and bars in force. What you change here by hand is held: size names it and leaves it as it is.\n";

    private readonly record struct Edit(int Offset, int Length, string Text);

    /// <summary>Sets keys of tables; a table that is not there is added at the end.</summary>
    /// <param name="text">The file's text; empty for a new file.</param>
    /// <param name="tables">For each mark its keys with values as TOML text.</param>
    /// <param name="whole">Whether the values are the whole table, so that keys not among them are deleted.</param>
    public static string Set(string text, IReadOnlyList<(string Mark, IReadOnlyList<(string Key, string Value)> Values)> tables, bool whole)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(tables);
        var newline = text.Contains("\r\n", StringComparison.Ordinal) ? "\r\n" : "\n";
        if (text.Length == 0)
        {
            text = Header;
        }

        var document = SyntaxParser.Parse(text, AdoptedReader.FileName, validate: false);
        var present = new Dictionary<string, TableSyntaxBase>(StringComparer.Ordinal);
        foreach (var table in document.Tables)
        {
            present.TryAdd(Name(TomlTree.Parts(table.Name!)), table);
        }

        var edits = new List<Edit>();
        var added = new StringBuilder();
        foreach (var (mark, values) in tables)
        {
            if (present.TryGetValue(Name([mark]), out var table))
            {
                // Keys of a table within that has a header of its own are changed there, in the deepest that there is.
                var within = values.Select(v => (Path: Parts(v.Key), v.Value))
                    .GroupBy(v => Enumerable.Range(1, v.Path.Count - 1)
                        .LastOrDefault(n => present.ContainsKey(Name([mark, .. v.Path.Take(n)])), 0) is var n
                        ? Name([mark, .. v.Path.Take(n)])
                        : "")
                    .ToDictionary(g => g.Key, g => g.ToList());
                Change(text, table, [], within.GetValueOrDefault(Name([mark])) ?? [], whole, newline, edits);
                foreach (var (name, inner) in within.Where(w => w.Key != Name([mark])))
                {
                    Change(text, present[name], [.. name.Split(Between).Skip(1)], inner, whole, newline, edits);
                }

                continue;
            }

            added.Append(newline).Append('[').Append(TomlText.Key(mark)).Append(']').Append(newline);
            foreach (var (key, value) in values)
            {
                added.Append(key).Append(" = ").Append(value).Append(newline);
            }
        }

        var result = new StringBuilder(text);
        foreach (var edit in edits.OrderByDescending(e => e.Offset))
        {
            result.Remove(edit.Offset, edit.Length).Insert(edit.Offset, edit.Text);
        }

        if (added.Length > 0 && result.Length > 0 && result[^1] != '\n')
        {
            result.Append(newline);
        }

        return result.Append(added).ToString();
    }

    /// <summary>Takes out the tables of marks, header and keys; all else stays, the comments between tables included.</summary>
    /// <param name="text">The file's text.</param>
    /// <param name="marks">The marks.</param>
    public static string Remove(string text, IReadOnlyCollection<string> marks)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(marks);
        var document = SyntaxParser.Parse(text, AdoptedReader.FileName, validate: false);
        var result = new StringBuilder(text);
        foreach (var table in document.Tables.Where(t => marks.Contains(TomlTree.Parts(t.Name!)[0]))
            .OrderByDescending(t => t.OpenBracket!.Span.Offset))
        {
            var start = table.OpenBracket!.Span.Offset == 0 ? 0 : text.LastIndexOf('\n', table.OpenBracket.Span.Offset - 1) + 1;
            var end = table.Items.Select(i => i.Value!.Span.Offset + i.Value.Span.Length).Append(table.CloseBracket!.Span.Offset).Max();
            end = LineEnd(text, end);

            // One empty line goes with it, so that none pile up.
            end = end < text.Length && text.AsSpan(end).StartsWith("\n") ? end + 1
                : end < text.Length && text.AsSpan(end).StartsWith("\r\n") ? end + 2
                : end;
            result.Remove(start, end - start);
        }

        return result.ToString();
    }

    // No mark holds a control character, so it parts the names of tables within tables.
    private const char Between = '\u0001';

    private static string Name(IReadOnlyList<string> parts) => string.Join(Between, parts);

    // The parts of a dotted key, quotes taken off.
    private static IReadOnlyList<string> Parts(string key)
    {
        var parts = new List<string>();
        var part = new StringBuilder();
        var (quoted, escaped) = (false, false);
        foreach (var c in key)
        {
            if (escaped)
            {
                part.Append(c);
                escaped = false;
            }
            else if (c == '\\' && quoted)
            {
                escaped = true;
            }
            else if (c == '"')
            {
                quoted = !quoted;
            }
            else if (c == '.' && !quoted)
            {
                parts.Add(part.ToString());
                part.Clear();
            }
            else
            {
                part.Append(c);
            }
        }

        return [.. parts, part.ToString()];
    }

    private static void Change(string text, TableSyntaxBase table, IReadOnlyList<string> path,
        IReadOnlyList<(IReadOnlyList<string> Path, string Value)> values, bool whole, string newline, List<Edit> edits)
    {
        var wanted = values.ToDictionary(v => Name(v.Path), v => v.Value, StringComparer.Ordinal);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        var end = LineEnd(text, table.CloseBracket!.Span.Offset);
        foreach (var item in table.Items)
        {
            var span = item.Value!.Span;
            end = LineEnd(text, span.Offset + span.Length);
            if (!Changed(text, item, path, wanted, seen, whole, edits) && whole)
            {
                var start = text.LastIndexOf('\n', item.Key!.Span.Offset) + 1;
                edits.Add(new Edit(start, end - start, ""));
            }
        }

        var missing = new StringBuilder();
        foreach (var (own, value) in values.Where(v => !seen.Contains(Name(v.Path))))
        {
            missing.Append(string.Join('.', own.Skip(path.Count).Select(TomlText.Key))).Append(" = ").Append(value).Append(newline);
        }

        if (missing.Length > 0)
        {
            var onOwnLine = end > 0 && text[end - 1] == '\n';
            edits.Add(new Edit(end, 0, (onOwnLine ? "" : newline) + missing));
        }
    }

    // Changes a key, or those in the table that stands behind it on its line; whether any of it is wanted.
    private static bool Changed(string text, KeyValueSyntax item, IReadOnlyList<string> path, Dictionary<string, string> wanted,
        HashSet<string> seen, bool whole, List<Edit> edits)
    {
        IReadOnlyList<string> own = [.. path, .. TomlTree.Parts(item.Key!)];
        var span = item.Value!.Span;
        if (wanted.TryGetValue(Name(own), out var value))
        {
            seen.Add(Name(own));
            if (text.Substring(span.Offset, span.Length) != value)
            {
                edits.Add(new Edit(span.Offset, span.Length, value));
            }

            return true;
        }

        var inside = wanted.Where(w => w.Key.StartsWith(Name(own) + Between, StringComparison.Ordinal)).ToList();
        if (inside.Count == 0 || item.Value is not InlineTableSyntax inline)
        {
            return false;
        }

        if (whole)
        {
            // Sizing writes a line a key.
            return false;
        }

        foreach (var one in inline.Items)
        {
            Changed(text, one.KeyValue!, own, wanted, seen, whole, edits);
        }

        var more = inside.Where(w => !seen.Contains(w.Key))
            .Select(w => $"{string.Join('.', w.Key.Split(Between).Skip(own.Count).Select(TomlText.Key))} = {w.Value}")
            .ToList();
        if (more.Count > 0)
        {
            var close = inline.CloseBrace!.Span.Offset;
            var before = text[..close].TrimEnd().Length;
            edits.Add(new Edit(before, close - before, (inline.Items.ChildrenCount > 0 ? ", " : " ") + string.Join(", ", more) + " "));
            seen.UnionWith(inside.Select(w => w.Key));
        }

        return true;
    }

    private static int LineEnd(string text, int from)
    {
        var at = text.IndexOf('\n', Math.Min(from, text.Length));
        return at < 0 ? text.Length : at + 1;
    }
}
