using Plinth.Core.Foundations;

namespace Plinth.Drawing.Drawings;

/// <summary>A grid line.</summary>
/// <param name="Position">Its x or y, m.</param>
/// <param name="Label">Its label; empty if the supports give none.</param>
internal sealed record GridLine(double Position, string Label);

/// <summary>Finds the grid lines of a building: where two columns or more stand in line along the project's axes.</summary>
internal static class GridLines
{
    private const double Slack = 0.005;

    /// <summary>Lines along y, by their x; or along x, by their y. Labels are the part of "A/1" that all supports of a line share.</summary>
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

        return [.. lines.Where(l => l.On.Count > 1 || l.On[0].Grid.Length > 0).Select(l => new GridLine(l.Position, Label(l.On, alongY)))];
    }

    private static string Label(List<Support> on, bool alongY)
    {
        var parts = on.Select(s => s.Grid.Split('/')).ToList();
        if (parts.Exists(p => p.Length != 2))
        {
            return "";
        }

        // Of one support both parts are shared: then the first names the line along y.
        for (var i = 0; i < 2; i++)
        {
            var part = on.Count == 1 ? (alongY ? 0 : 1) : i;
            if (parts.TrueForAll(p => p[part] == parts[0][part]))
            {
                return parts[0][part];
            }
        }

        return "";
    }
}
