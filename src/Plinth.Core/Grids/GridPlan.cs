using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Units;

namespace Plinth.Core.Grids;

/// <summary>How the rows of a grid cross in plan.</summary>
public static class GridPlan
{
    // Rows cross at right angles, to 5 degrees.
    private const double MostCotangent = 0.0875;

    // A column at a crossing stands on the lines of both rows, m.
    private const double Beside = 0.005;

    private const double Touch = 1e-6;

    /// <summary>The rows, each with where it crosses the others.</summary>
    /// <param name="grid">The grid's mark.</param>
    /// <param name="rows">The place of each row, in order.</param>
    /// <param name="units">Units of the message.</param>
    /// <returns>The rows, or why they are no grid.</returns>
    public static (IReadOnlyList<GridRow>? Rows, string? Fault) Of(string grid, IReadOnlyList<Place> rows, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(rows);
        var own = rows.Select(r => r.InOwnAxes()).ToList();
        var at = rows.SelectMany((r, i) => r.Supports.Select((s, c) => (s.Label, Row: i, Column: c)))
            .ToLookup(x => x.Label, StringComparer.Ordinal);
        var crossings = rows.Select(_ => new List<GridCrossing>()).ToList();
        foreach (var shared in at.Where(g => g.Count() > 1))
        {
            if (shared.Count() > 2)
            {
                return (null, $"support \"{shared.Key}\" stands in {shared.Count()} rows; two rows cross at a support");
            }

            var (a, b) = (shared.First(), shared.Last());
            if (Cross(rows[a.Row], rows[b.Row]) is not { } cotangent)
            {
                return (null, $"rows {a.Row + 1} and {b.Row + 1}, which share \"{shared.Key}\", cross at "
                    + $"{Angle(rows[a.Row], rows[b.Row]):0}°; rows of a grid that cross at right angles, to 5°, are designed");
            }

            foreach (var (_, row, column) in (ReadOnlySpan<(string, int, int)>)[a, b])
            {
                if (Math.Abs(own[row][column].Y - own[row][0].Y) is var off && off > Beside)
                {
                    return (null, $"support \"{shared.Key}\" stands {Unit.Length.FormatWithSymbol(off, units)} beside the line of row "
                        + $"{row + 1}, {rows[row].Supports[0].Label} to {rows[row].Supports[^1].Label}; a column at a crossing stands on "
                        + "both lines: mend its place, or part the row");
                }
            }

            bool Ends((string, int Row, int Column) x) => x.Column == 0 || x.Column == rows[x.Row].Supports.Count - 1;
            crossings[a.Row].Add(new GridCrossing(a.Column, b.Row, b.Column, cotangent, Ends(a), Ends(b), true));
            crossings[b.Row].Add(new GridCrossing(b.Column, a.Row, a.Column, -cotangent, Ends(b), Ends(a), false));
        }

        return Apart(rows, crossings) is { } fault ? (null, fault)
            : Grounds(rows) is { } differing ? (null, differing)
            : ([.. rows.Select((r, i) => new GridRow(grid, i, [.. crossings[i].OrderBy(c => c.Column)],
                [.. rows.SelectMany(x => x.Supports).DistinctBy(s => s.Label)])
            { Across = Math.Abs(Dot(rows[0], r)) < 0.5 })], null);
    }

    // Rows that share no column, and rows that cross beside any.
    private static string? Apart(IReadOnlyList<Place> rows, List<List<GridCrossing>> crossings)
    {
        var (joined, open) = (new HashSet<int> { 0 }, new Queue<int>([0]));
        while (open.TryDequeue(out var row))
        {
            foreach (var other in crossings[row].Select(c => c.Other).Where(joined.Add))
            {
                open.Enqueue(other);
            }
        }

        for (var i = 0; i < rows.Count; i++)
        {
            if (!joined.Contains(i))
            {
                return $"row {i + 1}, {rows[i].Supports[0].Label} to {rows[i].Supports[^1].Label}, meets the others at no support that "
                    + "both name; name in both rows the support at which they cross, or give it a foundation of its own";
            }

            for (var j = i + 1; j < rows.Count; j++)
            {
                if (!crossings[i].Exists(c => c.Other == j) && Meet(rows[i], rows[j]))
                {
                    return $"rows {i + 1} and {j + 1} cross at no support that both name; name the support there in both, or add one";
                }
            }
        }

        return null;
    }

    // All of it is asked of every row by itself, and shared between rows.
    private static string? Grounds(IReadOnlyList<Place> rows)
    {
        foreach (var r in rows.Skip(1))
        {
            if (GroundAlong.Differing(rows[0].Ground, r.Ground) is { } key)
            {
                return $"{GroundAlong.NameOf(rows[0].Ground)} and {GroundAlong.NameOf(r.Ground)} under its rows differ in {key}, of which "
                    + $"a grid has one value; write ground.{key} on it";
            }
        }

        return null;
    }

    private static (double X, double Y) Along(Place row)
    {
        var (sin, cos) = Loads.SupportAction.SinCosDegrees(row.AngleDegrees);
        return (cos, sin);
    }

    private static double Dot(Place a, Place b) => (Along(a).X * Along(b).X) + (Along(a).Y * Along(b).Y);

    private static double Angle(Place a, Place b) => Math.Acos(Math.Clamp(Math.Abs(Dot(a, b)), 0, 1)) * 180 / Math.PI;

    // Cotangent of the angle from the first to the second; null: far from a right one.
    private static double? Cross(Place a, Place b)
    {
        var (from, to) = (Along(a), Along(b));
        var sine = (from.X * to.Y) - (from.Y * to.X);
        var cotangent = Dot(a, b) / sine;
        return Math.Abs(cotangent) <= MostCotangent ? Math.Abs(cotangent) < 1e-12 ? 0 : cotangent : null;
    }

    private static bool Meet(Place a, Place b)
    {
        static double Side(Support p, Support q, Support of) => ((q.X - p.X) * (of.Y - p.Y)) - ((q.Y - p.Y) * (of.X - p.X));
        static bool Parted(Place a, Place b)
        {
            var (p, q) = (a.Supports[0], a.Supports[^1]);
            var (one, other) = (Side(p, q, b.Supports[0]), Side(p, q, b.Supports[^1]));
            return (one > Touch && other > Touch) || (one < -Touch && other < -Touch);
        }

        return !Parted(a, b) && !Parted(b, a) && Cross(a, b) is not null;
    }
}
