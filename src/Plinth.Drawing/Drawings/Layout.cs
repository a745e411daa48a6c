using Plinth.Core.Buildings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>What a drawing's title block says beside the project.</summary>
/// <param name="Title">What is drawn.</param>
/// <param name="Number">Number of the drawing; empty if none.</param>
/// <param name="Revision">Its revision; empty: preliminary.</param>
/// <param name="Paper">The paper asked for; null: the smallest that suits.</param>
/// <param name="Scale">The scale asked for; null: the largest that fits.</param>
public sealed record DrawingRequest(string Title, string Number = "", string Revision = "", Paper? Paper = null, double? Scale = null);

/// <summary>Frames, title blocks and tables on sheets.</summary>
internal static class Layout
{
    /// <summary>From the paper's edge to the frame; on the left, for filing.</summary>
    public const double Margin = 10;

    private const double Filing = 20;

    /// <summary>Height of the title block, mm.</summary>
    public const double TitleHeight = 38;

    private const double RowHeight = 5;
    private const double CellPad = 1.2;

    /// <summary>Height of the smallest texts that are legible in print, mm.</summary>
    public const double SmallestText = 1.8;

    /// <summary>Width of the title block, mm.</summary>
    public const double TitleWidth = 170;

    /// <summary>What the frame leaves, lower left and upper right.</summary>
    public static (At Low, At High) Inside(Paper paper) => (new(Filing, Margin), new(paper.Width - Margin, paper.Height - Margin));

    /// <summary>The frame and the title block in its lower right corner; returns the block's upper left corner.</summary>
    public static At Frame(List<Item> items, Paper paper, DrawingScale scale, ProjectTitle title, DrawingRequest request)
    {
        var (low, high) = Inside(paper);
        items.Add(Rectangle(Layers.Frame, low, high, new Stroke(0.7)));
        var corner = new At(high.X - TitleWidth, low.Y + TitleHeight);
        items.Add(Rectangle(Layers.Frame, new(corner.X, low.Y), new(high.X, corner.Y), Stroke.Edge, Fill.Paper));
        void Line(At a, At b) => items.Add(new PathItem(Layers.Frame, [a, b], false, Stroke.Thin));
        void Field(double x, double y, double width, string name, string value, double height = 2.2, bool bold = false)
        {
            items.Add(new TextItem(Layers.Frame, new(x + 1.5, y + 4.9), 1.4, name));
            var (shown, letters) = Legible(value, height, width - 3, bold);
            items.Add(new TextItem(Layers.Frame, new(x + 1.5, y + 1.2), letters, shown.Length == 0 ? "—" : shown, Anchor.Left, 0, bold));
        }

        var (x0, y0) = (corner.X, low.Y);
        Line(new(x0, y0 + 22), new(high.X, y0 + 22));
        Line(new(x0, y0 + 8), new(high.X, y0 + 8));
        Line(new(x0, y0 + 15), new(high.X, y0 + 15));
        Field(x0, y0 + 30.6, TitleWidth, "project", title.Name + (title.Number.Length > 0 ? "   " + title.Number : ""), 2.8, true);
        Field(x0, y0 + 22.8, TitleWidth, "drawing", request.Title, 2.8, true);
        var row = new[] { ("client", title.Client, 60.0), ("site", title.Site, 70.0), ("date", title.Date, 40.0) };
        var second = new[] { ("engineer", title.Engineer, 60.0), ("checker", title.Checker, 70.0), ("sheet", paper.Name, 40.0) };
        var third = new[] { ("drawing no.", request.Number, 60.0), ("scale at " + paper.Name, scale.Words, 70.0),
            ("revision", request.Revision.Length == 0 ? "preliminary" : request.Revision, 40.0) };
        foreach (var (fields, y) in new[] { (row, y0 + 15), (second, y0 + 8), (third, y0 + 0.6) })
        {
            var x = x0;
            foreach (var (name, value, width) in fields)
            {
                if (x > x0)
                {
                    Line(new(x, y0), new(x, y0 + 22));
                }

                Field(x, y, width, name, value);
                x += width;
            }
        }

        return corner;
    }

    /// <summary>The size of a table in columns that hold their texts, mm.</summary>
    public static (double Width, double Height, double[] Columns) Size(IReadOnlyList<string> heads,
        IReadOnlyList<IReadOnlyList<string>> rows)
    {
        var widths =
            heads.Select((h, c) => Math.Max(Lettering.Width(h, SmallestText, true),
                rows.Select(r => Lettering.Width(r[c], SmallestText)).DefaultIfEmpty(0).Max()) + (2 * CellPad)).ToArray();
        return (widths.Sum(), RowHeight * (rows.Count + 2), widths);
    }

    /// <summary>A table with its title, its upper left corner at a point.</summary>
    public static void Table(List<Item> items, At corner, string title, IReadOnlyList<string> heads, IReadOnlyList<bool> numbers,
        IReadOnlyList<IReadOnlyList<string>> rows)
    {
        var (width, _, columns) = Size(heads, rows);
        items.Add(new TextItem(Layers.Schedule, corner + (0, -RowHeight + 1.4), 2.5, title, Anchor.Left, 0, true));
        var top = corner.Y - RowHeight;
        for (var i = 0; i <= rows.Count; i++)
        {
            var y = top - (RowHeight * i);
            var cells = i == 0 ? heads : rows[i - 1];
            if (i == 0)
            {
                items.Add(Rectangle(Layers.Schedule, new(corner.X, y - RowHeight), new(corner.X + width, y), Stroke.Fine, Fill.Light));
            }

            var x = corner.X;
            for (var c = 0; c < cells.Count; c++)
            {
                var right = numbers[c];
                items.Add(new TextItem(Layers.Schedule, new(right ? x + columns[c] - CellPad : x + CellPad, y - RowHeight + 1.6),
                    SmallestText, cells[c], right ? Anchor.Right : Anchor.Left, 0, i == 0));
                x += columns[c];
            }
        }

        var bottom = top - (RowHeight * (rows.Count + 1));
        for (var i = 1; i <= rows.Count + 1; i++)
        {
            items.Add(new PathItem(Layers.Schedule, [new(corner.X, top - (RowHeight * i)), new(corner.X + width, top - (RowHeight * i))],
                false, Stroke.Fine));
        }

        var at = corner.X;
        foreach (var w in columns.Prepend(0))
        {
            at += w;
            items.Add(new PathItem(Layers.Schedule, [new(at, bottom), new(at, top)], false, Stroke.Fine));
        }
    }

    /// <summary>A rectangle.</summary>
    public static PathItem Rectangle(string layer, At low, At high, Stroke stroke, Fill fill = Fill.None) =>
        new(layer, [low, new(high.X, low.Y), high, new(low.X, high.Y)], true, stroke, fill);

    /// <summary>
    /// The part of a line within a box; null where it misses it (Y.-D. Liang, B. A. Barsky, ACM Trans. Graph. 3 (1984) 1).
    /// </summary>
    public static (At From, At To)? Clipped(At a, At b, At low, At high)
    {
        var (from, to) = (0.0, 1.0);
        bool Within(double start, double along, double least, double most)
        {
            if (Math.Abs(along) < 1e-12)
            {
                return start >= least && start <= most;
            }

            var (t0, t1) = ((least - start) / along, (most - start) / along);
            (from, to) = (Math.Max(from, Math.Min(t0, t1)), Math.Min(to, Math.Max(t0, t1)));
            return from <= to;
        }

        At Along(double t) => a + (t * (b.X - a.X), t * (b.Y - a.Y));
        return Within(a.X, b.X - a.X, low.X, high.X) && Within(a.Y, b.Y - a.Y, low.Y, high.Y) ? (Along(from), Along(to)) : null;
    }

    /// <summary>A text in lines that keep within a width, broken between words.</summary>
    public static IReadOnlyList<string> Wrapped(string text, double height, double width)
    {
        var lines = new List<string>();
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (lines.Count > 0 && Lettering.Width(lines[^1] + " " + word, height) <= width)
            {
                lines[^1] += " " + word;
            }
            else
            {
                lines.Add(word);
            }
        }

        return lines;
    }

    /// <summary>
    /// A text with the height at which it keeps within a width; what would be too small to read loses its middle instead.
    /// </summary>
    public static (string Text, double Height) Legible(string text, double height, double width, bool bold)
    {
        ArgumentNullException.ThrowIfNull(text);
        var fitted = Fitted(text, height, width, bold);
        if (fitted >= SmallestText)
        {
            return (text, fitted);
        }

        // Out of its middle: its end may say that something fails. Characters of two parts stay whole.
        var runes = text.EnumerateRunes().ToList();
        string Without(int count) =>
            string.Concat(runes.Take((runes.Count - count) / 2)) + "…" + string.Concat(runes.Skip(((runes.Count - count) / 2) + count));
        var cut = 1;
        while (cut < runes.Count && Lettering.Width(Without(cut), SmallestText, bold) > width)
        {
            cut++;
        }

        return (Without(cut), SmallestText);
    }

    /// <summary>The height at which a text keeps within a width, at most the one asked for, mm.</summary>
    public static double Fitted(string text, double height, double width, bool bold = false)
    {
        var needed = Lettering.Width(text, height, bold);
        return needed <= width ? height : height * width / needed;
    }
}
