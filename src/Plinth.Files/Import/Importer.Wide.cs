using System.Text.RegularExpressions;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <content>Tables with a column a case.</content>
public sealed partial class Importer
{
    private int Wide(RawColumns columns, TextWriter? output)
    {
        var words = ImportSpec.Components.ToDictionary(c => spec.Reactions.Columns.TryGetValue(c, out var w) ? w.Header : c, c => c,
            StringComparer.OrdinalIgnoreCase);
        var pattern = new Regex("^"
            + Regex.Escape(spec.Wide!).Replace(@"\{case}", "(?<case>.+?)", StringComparison.Ordinal)
                .Replace(@"\{component}",
                    "(?<component>" + string.Join('|', words.Keys.OrderByDescending(k => k.Length).Select(Regex.Escape)) + ")",
                    StringComparison.Ordinal) + "$",
            RegexOptions.CultureInvariant | RegexOptions.IgnoreCase | RegexOptions.NonBacktracking);
        var (supportAt, componentAt) = (columns.IndexOf("support"), columns.IndexOf("component"));
        if (supportAt < 0)
        {
            bag.Error(spec.Place, "[import] needs columns.support: the header of the column that names the support or joint");
            return 0;
        }

        // A column belongs to a case if its header fits and no other use is named for it.
        var mapped = new List<(int Column, string Case, int Component, (ReadUnit Unit, string Text) Unit)>();
        for (var i = 0; i < columns.Header.Count; i++)
        {
            if (i == supportAt || i == componentAt || columns.Header[i].Length == 0
                || pattern.Match(RawColumns.Bare(columns.Header[i])) is not { Success: true } m)
            {
                continue;
            }

            var word = m.Groups["component"] is { Success: true } g ? words[g.Value] : spec.Component;
            var component = word is null ? -1 : ImportSpec.Components.ToList().IndexOf(word);
            if ((component >= 0 ? columns.UnitOf(word!, i, bag) : (default, "")) is { } unit)
            {
                mapped.Add((i, m.Groups["case"].Value.Trim(), component, unit));
            }
        }

        if (mapped.Count == 0)
        {
            bag.Error(spec.Place, $"no header of {columns.Table.Name} fits wide = \"{spec.Wide}\"");
        }

        // Where a cell names the component, its unit must be stated by component.
        var units = new (ReadUnit, string)?[6];
        for (var c = 0; c < 6; c++)
        {
            var own = mapped.Where(m => m.Component == c).Select(m => m.Unit).Distinct().ToList();
            units[c] = own.Count > 0 ? own[0]
                : componentAt >= 0 && spec.Reactions.Units.TryGetValue(ImportSpec.Components[c], out var stated) ? stated
                : null;
            if (own.Count > 1)
            {
                bag.Error(spec.Place,
                    $"the columns of {ImportSpec.Components[c]} have several units: {string.Join(", ", own.Select(u => u.Text))}; say one: "
                        + $"units.{ImportSpec.Components[c]} = …");
            }
        }

        if (bag.HasErrors)
        {
            return 0;
        }

        sink = new ReactionsSink(spec, units, project.AsReaction, output, bag);
        var table = new Dictionary<(int Support, int Case), (RawNumber[] Model, FilePlace Place)>();
        var order = new List<(int Support, int Case)>();
        var t = columns.Table;
        var (last, rows) = ("", 0);
        while (columns.Next())
        {
            rows++;
            var label = t.Text(supportAt).ToString();
            label = label.Length == 0 && spec.CarryDown.Contains("support") ? last : label;
            last = label;
            if (label.Length == 0)
            {
                bag.Error(t.Place(supportAt),
                    t.Fault(supportAt)
                        ?? "this row names no support; carry-down = [\"support\"] repeats the one above, and skip leaves a row out");
                continue;
            }

            if (!supports.TryGetValue(label, out var support))
            {
                support = AddSupport(label, t, supportAt);
            }

            if (support < 0)
            {
                Leave(reasons[-support - 1], t, supportAt);
                continue;
            }

            var rowComponent = -1;
            if (componentAt >= 0)
            {
                var word = t.Text(componentAt).ToString();
                rowComponent = words.TryGetValue(word, out var named) ? ImportSpec.Components.ToList().IndexOf(named) : -1;
                if (rowComponent < 0 || units[rowComponent] is null)
                {
                    bag.Error(t.Place(componentAt),
                        rowComponent < 0
                            ? $"\"{word}\" names no component; say in plinth.toml which it is: columns.Fz = \"{word}\""
                            : $"{named} has no unit; say in plinth.toml: units.{named} = \"{ImportReader.MeasureOf(named!)!.Example}\"");
                    continue;
                }
            }

            foreach (var m in mapped)
            {
                var component = m.Component >= 0 ? m.Component : rowComponent;
                if (t.Text(m.Column).IsEmpty && t.Fault(m.Column) is null)
                {
                    continue;
                }

                if (!t.TryNumber(m.Column, out var n))
                {
                    NotNumber(t, columns, m.Column);
                    continue;
                }

                var k = cases.Find(m.Case, default, new FilePlace(t.Name, columns.HeaderLine, m.Column + 1));
                if (k < 0)
                {
                    continue;
                }

                if (!table.TryGetValue((support, k), out var entry))
                {
                    entry = (new RawNumber[6], t.Place(supportAt));
                    table[(support, k)] = entry;
                    order.Add((support, k));
                }

                entry.Model[component] = n;
            }
        }

        foreach (var key in order)
        {
            var (model, place) = table[key];
            sink.Take(key.Support, key.Case, cases.Names, model, () => place);
        }

        return rows;
    }
}
