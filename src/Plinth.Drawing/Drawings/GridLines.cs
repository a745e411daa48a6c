using Plinth.Core.Foundations;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>A grid line.</summary>
/// <param name="Position">Its x or y, m.</param>
/// <param name="Label">Its label; empty if the supports give none.</param>
internal sealed record GridLine(double Position, string Label);

/// <summary>Finds the grid lines of a building: where two columns or more stand in line along the project's axes.</summary>
internal static class GridLines
{
    private const double Slack = 0.005;
    private const double Bubble = 4;

    /// <summary>From one row of bubbles to the next, mm.</summary>
    public const double BubbleStep = (2 * Bubble) + 1;

    /// <summary>Room for dimensions between a plan and the first row of bubbles, mm.</summary>
    public const double DimensionsBeside = 23;

    /// <summary>
    /// Lines along y, by their x; or along x, by their y. Labels are the part of "A/1" that all named supports of a line share.
    /// </summary>
    public static IReadOnlyList<GridLine> Of(IReadOnlyList<Support> supports, bool alongY)
    {
        var lines = new List<(double Position, List<Support> On)>();
        foreach (var s in supports.OrderBy(s => alongY ? s.X : s.Y))
        {
            var position = alongY ? s.X : s.Y;
            if (lines.Count > 0 && position - lines[^1].Position <= Slack)
            {
                lines[^1].On.Add(s);
            }
            else
            {
                lines.Add((position, [s]));
            }
        }

        // Where the project names its lines, columns in a row off them make none.
        var named = supports.Any(s => s.Grid.Length > 0);
        return [.. lines.Where(l => l.On.Any(s => s.Grid.Length > 0) || (!named && l.On.Count > 1))
            .Select(l => new GridLine(l.Position, Label(l.On, alongY)))];
    }

    /// <summary>The two lines that a grid label names: "A/1", "A-1" and "A1" are alike; any other text is one part.</summary>
    internal static string[] Parts(string grid)
    {
        var split = grid.Split(['/', '-'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (split.Length == 2)
        {
            return split;
        }

        // Letters before numbers, or numbers before letters.
        var at = grid.Length == 0 ? -1 : grid.AsSpan(1).IndexOfAnyInRange('0', '9') + 1;
        at = grid.Length > 0 && char.IsDigit(grid[0]) ? Array.FindIndex([.. grid], char.IsLetter) : at;
        return split.Length == 1 && at > 0 && grid.All(char.IsLetterOrDigit) ? [grid[..at], grid[at..]] : [grid];
    }

    private static string Label(List<Support> on, bool alongY)
    {
        // Supports between the lines have no name and spoil none.
        var parts = on.Where(s => s.Grid.Length > 0).Select(s => Parts(s.Grid)).ToList();
        if (parts.Count == 0 || parts.Exists(p => p.Length != 2))
        {
            return "";
        }

        // Of one support both parts are shared: then the first names the line along y.
        for (var i = 0; i < 2; i++)
        {
            var part = parts.Count == 1 ? (alongY ? 0 : 1) : i;
            if (parts.TrueForAll(p => p[part] == parts[0][part]))
            {
                return parts[0][part];
            }
        }

        return "";
    }

    /// <summary>The row of each line's bubble: the first in which it touches none before it.</summary>
    /// <param name="lines">The lines, in order.</param>
    /// <param name="per">Millimetres of paper to a metre.</param>
    public static IReadOnlyList<int> BubbleRows(IReadOnlyList<GridLine> lines, double per)
    {
        var ends = new List<double>();
        var rows = new List<int>();
        foreach (var line in lines)
        {
            var at = line.Position * per;
            var row = ends.FindIndex(e => at - e >= BubbleStep);
            if (row < 0)
            {
                row = ends.Count;
                ends.Add(0);
            }

            ends[row] = at;
            rows.Add(row);
        }

        return rows;
    }

    /// <summary>Draws them over a whole plan; bubbles stand below and on the left, beyond the dimensions.</summary>
    public static void Add(List<Item> items, PlanModel plan, Func<double, double, At> p, double per)
    {
        var (low, high) = (p(plan.Low.X, plan.Low.Y), p(plan.High.X, plan.High.Y));
        foreach (var (line, row) in plan.Along.Zip(BubbleRows(plan.Along, per)))
        {
            var (x, y) = (p(line.Position, 0).X, low.Y - DimensionsBeside - (row * BubbleStep));
            items.Add(new PathItem(Layers.Grid, [new(x, y), new(x, high.Y + 4)], false, Stroke.Grid));
            Head(items, new(x, y - Bubble), line.Label);
        }

        foreach (var (line, row) in plan.Across.Zip(BubbleRows(plan.Across, per)))
        {
            var (x, y) = (low.X - DimensionsBeside - (row * BubbleStep), p(0, line.Position).Y);
            items.Add(new PathItem(Layers.Grid, [new(x, y), new(high.X + 4, y)], false, Stroke.Grid));
            Head(items, new(x - Bubble, y), line.Label);
        }
    }

    private static void Head(List<Item> items, At at, string label)
    {
        items.Add(new CircleItem(Layers.Grid, at, Bubble, Stroke.Thin, Fill.Paper));
        if (label.Length > 0)
        {
            var height = Layout.Fitted(label, 2.8, (2 * Bubble) - 1.6);
            items.Add(new TextItem(Layers.Grid, at + (0, -height / 2), height, label, Anchor.Middle));
        }
    }
}
