using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>The table of column sizes, grounds and grids: cells by support as supports.csv names its columns.</summary>
internal sealed class SizeTable
{
    private static readonly string[] Texts = ["shape", "ground", "grid"];
    private readonly Dictionary<string, Dictionary<string, (string Text, RawNumber Number, ReadUnit Unit)>> rows = new(
        StringComparer.Ordinal);

    private SizeTable(IReadOnlyList<(string Key, string? Unit)> columns) => Columns = columns;

    /// <summary>The columns it has, with their units.</summary>
    public IReadOnlyList<(string Key, string? Unit)> Columns { get; }

    /// <summary>The cells of a support; null: it has none.</summary>
    public IReadOnlyDictionary<string, (string Text, RawNumber Number, ReadUnit Unit)>? Find(string label) => rows.GetValueOrDefault(label);

    /// <summary>Reads the table; null if it is wrong.</summary>
    public static SizeTable? Read(string directory, TableSpec spec, DiagnosticBag bag, out string? read)
    {
        read = null;
        using var columns = RawColumns.OpenAtData(directory, spec, bag);
        if (columns is null)
        {
            return null;
        }

        var support = columns.IndexOf("support");
        var used = spec.Columns.Keys.Where(k => k != "support")
            .Select(k => (Key: k, At: columns.IndexOf(k),
                Unit: ImportReader.MeasureOf(k) is null ? null : columns.UnitOf(k, columns.IndexOf(k), bag)))
            .ToList();
        var result = new SizeTable([.. used.Select(u => (u.Key, u.Unit?.Text))]);
        var t = columns.Table;
        while (columns.Next())
        {
            var label = t.Text(support).ToString();
            if (label.Length == 0)
            {
                continue;
            }

            var cells = new Dictionary<string, (string, RawNumber, ReadUnit)>(StringComparer.Ordinal);
            foreach (var (key, at, unit) in used)
            {
                if (t.Fault(at) is { } fault)
                {
                    bag.Error(t.Place(at), fault);
                }
                else if (t.Text(at).IsEmpty)
                {
                    continue;
                }
                else if (Texts.Contains(key))
                {
                    cells[key] = (t.Text(at).ToString(), default, default);
                }
                else if (t.TryNumber(at, out var n))
                {
                    cells[key] = (n.ToString(), n, unit?.Unit ?? default);
                }
                else
                {
                    bag.Error(t.Place(at), $"{columns.Header[at]} \"{t.Text(at)}\" of \"{label}\" is not a number");
                }
            }

            if (!result.rows.TryAdd(label, cells))
            {
                bag.Error(t.Place(support), $"\"{label}\" stands twice among the sizes; delete one");
            }
        }

        read = RawText.Describe(columns, result.rows.Count, "columns");
        return result;
    }
}
