using Plinth.Core.Foundations;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>The supports that `each` names.</content>
internal sealed partial class FoundationReader
{
    // Labels that are written out: they win over patterns and grounds of `each`.
    private void WriteOut(TableReader t)
    {
        foreach (var key in (string[])["supports", "rows", "alike", "each"])
        {
            if (t.Node(key) is { Value: List<TomlNode> list })
            {
                Take(list);
            }
        }

        void Take(IEnumerable<TomlNode> nodes)
        {
            foreach (var node in nodes)
            {
                switch (node.Value)
                {
                    case string label when supports.ContainsKey(label):
                        writtenOut.Add(label);
                        break;
                    case List<TomlNode> inner:
                        Take(inner);
                        break;
                    case TomlTable table when table["supports"] is { Value: List<TomlNode> own }:
                        Take(own);
                        break;
                }
            }
        }
    }

    // The supports that `each` names: labels, patterns, all on a ground; null if something is wrong with it.
    private List<string>? Each(TableReader t)
    {
        foreach (var key in (string[])["mark", "supports", "rows", "alike"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} and each are both given; each gives every support it names a foundation of its own: keep one");
                return null;
            }
        }

        var found = new List<string>();
        foreach (var (text, place) in t.Texts("each") ?? [])
        {
            var ground = text.StartsWith("ground:", StringComparison.Ordinal) ? text["ground:".Length..].Trim() : null;
            if (supports.ContainsKey(text))
            {
                if (!found.Contains(text))
                {
                    found.Add(text);
                }

                continue;
            }

            var matching = order.Where(l => ground is null ? Pattern.Matches(l, text) : GroundOf(supports[l]) == ground).ToList();
            if (matching.Count == 0)
            {
                var near = Nearest.Of(ground ?? text, ground is null ? supports.Keys : grounds.Keys);
                bag.Error(place,
                    ground is null
                        ? $"each: no support is called or matches \"{text}\"" + (near is null ? "" : $"; did you mean \"{near}\"?")
                        : $"each: no support stands on the ground \"{ground}\""
                            + (near is null || near == ground ? "" : $"; did you mean \"ground:{near}\"?"));
                return null;
            }

            foreach (var label in matching.Where(l => !writtenOut.Contains(l) && !found.Contains(l)))
            {
                if (!caught.TryAdd(label, place))
                {
                    bag.Error(place,
                        $"each: \"{text}\" catches support \"{label}\", which {caught[label]} catches too; write the label out "
                            + "where it belongs");
                    return null;
                }

                found.Add(label);
            }
        }

        if (found.Count == 0)
        {
            t.Fault("each",
                "each names no support that has no foundation written out; write for example each = [\"C1*\", \"ground:soft\"], or "
                    + "delete the table");
            return null;
        }

        return found;
    }

    private string GroundOf((Support Support, FilePlace Place) s) =>
        s.Support.Ground.Length > 0 ? s.Support.Ground : GroundAt(s.Support, s.Place);
}
