using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Kinds;
using Plinth.Files.Adopted;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>The rows of a grid of strips.</content>
internal sealed partial class FoundationReader
{
    // The rows as written; null if something is wrong with them.
    private List<WrittenPlace>? RowsOf(TableReader t)
    {
        foreach (var key in (string[])["supports", "alike"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} and rows are both given; rows are the rows of a grid of strips, each with its supports: keep one");
                return null;
            }
        }

        if (t.Node("rows") is not { Value: List<TomlNode> { Count: > 0 } list }
            || !list.TrueForAll(r => r.Value is List<TomlNode> { Count: > 0 } labels && labels.TrueForAll(l => l.Value is string)))
        {
            t.Fault("rows", "rows must be a list of rows, each a list of supports in order; write for example "
                + "rows = [[\"A1\", \"A2\", \"A3\"], [\"A1\", \"B1\", \"C1\"]]");
            return null;
        }

        List<WrittenPlace> rows =
        [
            .. list.Select(r => new WrittenPlace([.. ((List<TomlNode>)r.Value!).Select(l => (string)l.Value!)], Lie.AsDrawn)),
        ];
        if (rows.Count == 1)
        {
            var own = string.Join(", ", rows[0].Supports.Select(TomlText.Quote));
            t.Fault("rows", $"one row crosses no other; write it as supports = [{own}]");
            return null;
        }

        if (rows.Find(r => r.Supports.Count == 1) is { } single)
        {
            t.Fault("rows", $"\"{single.Supports[0]}\" stands alone in a row; a row has two supports or more");
            return null;
        }

        return rows;
    }

    // Rows are of strips, which alone bend on the ground that they share.
    private static bool CrossesOthers(TableReader t, FoundationKind kind)
    {
        if (!kind.OnSprings)
        {
            t.Fault("rows", $"rows are those of a grid of strips, not of a {kind.Title}; write kind = \"strip\" beside them");
            return false;
        }

        return true;
    }

    // The grid to whose first row a mark belongs; null: to none.
    private static string? GridOf(string? row) =>
        row is not null && row.EndsWith("-1", StringComparison.Ordinal) ? row[..^2] : null;

    // A foundation a row; then where they cross.
    private void AddRows(TableReader t, string grid, IReadOnlyList<WrittenPlace> rows, Action<int> add)
    {
        for (var i = 0; i < rows.Count; i++)
        {
            if (t.Log is { } log)
            {
                Logs[GridRow.MarkOf(grid, i)] = log;
            }

            add(i);
            if (!byMark.ContainsKey(GridRow.MarkOf(grid, i)))
            {
                return;
            }
        }

        var places = Enumerable.Range(0, rows.Count).Select(i => byMark[GridRow.MarkOf(grid, i)].Foundation.Places[0]).ToList();
        var (found, fault) = GridPlan.Of(grid, places, Units);
        if (found is null)
        {
            t.Fault("rows", $"foundation {grid}: {fault}");
            return;
        }

        foreach (var row in found)
        {
            var (foundation, place) = byMark[GridRow.MarkOf(grid, row.Number)];
            byMark[foundation.Mark] = (foundation.Kind.InGrid(foundation with { Row = row }), place);
        }
    }
}
