using Plinth.Core.Schedules;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>What stands beside the plan and the sections of a detail: its bars as a table, its pedestal cut across.</summary>
public static class DetailParts
{
    // From a line of notes to the next, mm.
    private const double Between = 3;

    /// <summary>The bars of the footing as the bar schedule has them.</summary>
    public static Figure Bars(DetailModel m)
    {
        ArgumentNullException.ThrowIfNull(m);
        var table = ScheduleTables.Bars(m.Project, new BarSchedule(m.Rows, []));
        var shown = table.Filled.Where(c => table.Columns[c].Title is not ("member" or "members" or "total" or "mass")).ToList();
        string[] heads = [.. shown.Select(c => table.Columns[c].Title == "length" && table.Columns[c].Form == ColumnForm.Decimals
            ? "length " + table.Columns[c].UnitSymbol
            : table.Columns[c].Title)];
        bool[] numbers = [.. shown.Select(c => table.Columns[c].Decimals is not null)];
        var rows = table.Rows.Select(r => (IReadOnlyList<string>)[.. shown.Select(c => table.Columns[c].Words(r[c]))]).ToList();
        var (width, height, _) = Layout.Size(heads, rows);
        var to = new Canvas();
        var words = Layout.Wrapped(
            string.Join(' ', new[] { ScheduleTables.ShapeWords(m.Units), ScheduleTables.LongWords(m.Rows, m.Units) }.OfType<string>()),
            Layout.SmallestText, width);
        var below = 0.5 + (Between * (words.Count - 1));
        height += below - 0.5;
        Layout.Table(to.Items, new(0, height + 4), $"{m.Foundation.Mark}: bars of one {m.Foundation.Kind.Noun}", heads, numbers, rows);
        foreach (var (line, i) in words.Select((line, i) => (line, i)))
        {
            to.Write(Layers.Note, new(0, below - (Between * i)), line, Anchor.Left, Layout.SmallestText);
        }
        return new Figure("", width, height + 4, null, to.Items);
    }

    /// <summary>The pedestal of a column cut across; null without one.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="scale">Its scale.</param>
    /// <param name="column">Which column, in the order of the supports.</param>
    public static Figure? Pedestal(DetailModel m, DrawingScale scale, int column = 0)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        if (m.Design.Under(column).Pedestal is not { } p)
        {
            return null;
        }

        var per = 1000 / scale.Ratio;
        var (x, y) = (p.SizeX / 2 * per, (p.Round ? p.SizeX : p.SizeY) / 2 * per);
        var to = new Canvas();
        var centre = new At(22 + x, 14 + y);
        var cover = m.State.Rules.Pedestal.Cover * per;
        if (p.Round)
        {
            to.Circle(Layers.Pedestal, Stroke.Edge, centre, x, Fill.Light);
            to.Circle(Layers.Bar, Stroke.Thin, centre, x - cover);
        }
        else
        {
            to.Box(Layers.Pedestal, Stroke.Edge, centre + (-x, -y), centre + (x, y), Fill.Light);
            to.Box(Layers.Bar, Stroke.Thin, centre + (-x + cover, -y + cover), centre + (x - cover, y - cover));
            if (p.Socket is not null)
            {
                var (cx, cy) = (p.ClearX / 2 * per, p.ClearY / 2 * per);
                to.Box(Layers.Pedestal, Stroke.Edge, centre + (-cx, -cy), centre + (cx, cy), Fill.Paper);
                to.Box(Layers.Bar, Stroke.Thin, centre + (-cx - cover, -cy - cover), centre + (cx + cover, cy + cover));
            }
        }

        var ties = m.PedestalTies(column)!;
        foreach (var at in ties.AlongY)
        {
            to.Path(Layers.Bar, Stroke.Thin, centre + (at * per, -y + cover), centre + (at * per, y - cover));
        }

        foreach (var at in ties.AlongX)
        {
            to.Path(Layers.Bar, Stroke.Thin, centre + (-x + cover, at * per), centre + (x - cover, at * per));
        }

        foreach (var role in new[] { BarRole.Pedestal, BarRole.Dowels })
        {
            foreach (var bar in m.UprightBars(role, column))
            {
                to.Circle(Layers.Bar, role == BarRole.Dowels ? Stroke.Thin : Stroke.None, centre + (bar.X * per, bar.Y * per),
                    Math.Max(Math.Sqrt(bar.Area / Math.PI) * per, 0.5), role == BarRole.Dowels ? Fill.Paper : Fill.Solid);
            }
        }

        to.Measure(centre + (-x, -y), centre + (x, -y), false, centre.Y - y - 7, Canvas.Length(p.SizeX, m.Units));
        if (!p.Round)
        {
            to.Measure(centre + (-x, -y), centre + (-x, y), true, centre.X - x - 7, Canvas.Length(p.SizeY, m.Units));
        }

        if (m.Row(BarRole.Dowels) is not null)
        {
            to.Write(Layers.Note, new(2, 1), "● pedestal bars   ○ dowels", Anchor.Left, 1.8);
        }

        return new Figure($"{m.Foundation.Mark}: pedestal{Under(m, column)}", Math.Max(44, 24 + (2 * x)), 18 + (2 * y), scale, to.Items);
    }

    // Of several columns those whose pedestals are alike.
    private static string Under(DetailModel m, int column) =>
        m.State.Columns.Length == 1
            ? ""
            : " of "
                + string.Join(", ",
                    m.State.Columns.ToArray().Where(c => m.Design.Under(c.Index) == m.Design.Under(column)).Select(c => c.Support.Label));

    /// <summary>The pedestals of a base under several columns cut across, alike ones once.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="scale">Their scale.</param>
    public static IEnumerable<Figure> Pedestals(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        var seen = new HashSet<Core.Foundations.Upright>();
        for (var i = 0; i < m.State.Columns.Length; i++)
        {
            if (seen.Add(m.Design.Under(i)) && Pedestal(m, scale, i) is { } figure)
            {
                yield return figure;
            }
        }
    }
}
