using Plinth.Core.Bodies;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The sections across a base under several columns: where three columns or more stand on it, those at which it looks alike share one.
/// </summary>
internal static class AlikeSections
{
    private const int Few = 3;

    /// <summary>The first column of each section, in order.</summary>
    public static IReadOnlyList<int> Shown(DetailModel m) =>
        [.. Enumerable.Range(0, m.State.Columns.Length).Where(i => First(m, i) == i)];

    /// <summary>The letter of the section at a column; of one beyond all columns the next that is free.</summary>
    public static string Letter(DetailModel m, int column)
    {
        var shown = Shown(m);
        var index = column >= m.State.Columns.Length ? shown.Count : shown.ToList().IndexOf(First(m, column));
        return ((char)('B' + index)).ToString();
    }

    /// <summary>Where it is: "at A1; alike at A2, A3".</summary>
    public static string Words(DetailModel m, int column)
    {
        var columns = m.State.Columns;
        var others = Enumerable.Range(0, columns.Length).Where(i => i != column && First(m, i) == column)
            .Select(i => m.State.Columns[i].Support.Label).ToList();
        return "at " + columns[column].Support.Label + (others.Count == 0 ? "" : $"; alike at {string.Join(", ", others)}");
    }

    private static int First(DetailModel m, int column)
    {
        if (m.State.Columns.Length < Few)
        {
            return column;
        }

        for (var i = 0; i < column; i++)
        {
            if (AreAlike(m, i, column))
            {
                return i;
            }
        }

        return column;
    }

    private static bool AreAlike(DetailModel m, int i, int j)
    {
        const double slack = 1e-6;
        var (a, b) = (m.State.Columns[i], m.State.Columns[j]);
        return a.Support.Shape == b.Support.Shape && Math.Abs(a.Y - b.Y) < slack
            && Math.Abs(a.Outline.FaceY - b.Outline.FaceY) < slack && Math.Abs(a.Loaded.Outline.FaceY - b.Loaded.Outline.FaceY) < slack
            && Math.Abs(a.ColumnFoot - b.ColumnFoot) < slack && m.Design.Under(i) == m.Design.Under(j)
            && Math.Abs(m.State.Body.WidthAt(a.X) - m.State.Body.WidthAt(b.X)) < slack
            && Bars(m, a) == Bars(m, b) && Extra(m, a.X, true) == Extra(m, b.X, true) && Extra(m, a.X, false) == Extra(m, b.X, false);
    }

    // The extra bars of a face that a section cuts.
    private static int Extra(DetailModel m, double x, bool bottom) =>
        m.State.ExtraRuns.Where(r => r.Bottom == bottom && r.From < x && x < r.To).Sum(r => r.Layer.Count);

    // The bars across at a column.
    private static (string? Size, int Count) Bars(DetailModel m, Standing c) =>
        m.Rows.FirstOrDefault(r => r.Group.Role == Core.Schedules.BarRole.BottomY && r.Group.Where == "at " + c.Support.Label) is { } row
            ? (row.Group.Size.Name, row.Group.Count) : default;
}
