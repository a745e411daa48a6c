using System.Globalization;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>A line of what is written beside a footing on a plan.</summary>
internal readonly record struct MarkLine(string Layer, string Text, double Height, bool Bold);

/// <summary>What is written beside footings on a plan, each where nothing else stands.</summary>
internal static class PlanMarks
{
    private const double MarkHeight = 2.5;

    /// <summary>A footing's mark, its angle and how it lies.</summary>
    public static IReadOnlyList<MarkLine> Of(PlacedFooting f)
    {
        var turn = Math.IEEERemainder(f.Place.AngleDegrees, 90);
        var words = string.Join(", ",
            new[] { turn == 0 ? "" : f.Place.AngleDegrees.ToString("0.##", CultureInfo.InvariantCulture) + "°", f.Place.Lie.Words,
                f.Existing ? "existing" : "" }.Where(w => w.Length > 0));
        return [new(Layers.Mark, f.Mark, MarkHeight, true),
            .. words.Length > 0 ? (MarkLine[])[new(Layers.Mark, words, Layout.SmallestText, false)] : []];
    }

    // Beside the middle of each bay of a row, where no other row crosses it: above it or below, right of it or left.
    private static IEnumerable<At> Bays(PlacedFooting f, Func<double, double, At> p, At low, At high, double width, double deep)
    {
        for (var i = 1; i < f.Place.Supports.Count; i++)
        {
            var (a, b) = (f.Place.Supports[i - 1], f.Place.Supports[i]);
            var middle = p((a.X + b.X) / 2, (a.Y + b.Y) / 2);
            foreach (var at in Math.Abs(a.X - b.X) > Math.Abs(a.Y - b.Y)
                ? (At[])[new(middle.X - (width / 2), high.Y + 1), new(middle.X - (width / 2), low.Y - 1 - deep)]
                : [new(high.X + 1, middle.Y - (deep / 2)), new(low.X - 1 - width, middle.Y - (deep / 2))])
            {
                yield return at;
            }
        }
    }

    /// <summary>
    /// Writes beside each footing: beyond the upper right corner of the base; where another lies there above it, or beyond another corner;
    /// inside its own where all are taken.
    /// </summary>
    /// <returns>Where each footing's stands: lower left and upper right.</returns>
    public static IReadOnlyList<(At Low, At High)> Add(List<Item> items, PlanModel plan, Func<double, double, At> p,
        Func<PlacedFooting, IReadOnlyList<MarkLine>> write)
    {
        var boxes =
            plan.Footings.Select(f => (Low: p(f.Corners.Min(c => c.X), f.Corners.Min(c => c.Y)),
                High: p(f.Corners.Max(c => c.X), f.Corners.Max(c => c.Y)))).ToList();
        var marked = items.OfType<TextItem>()
            .Where(t => t.Layer == Layers.Site)
            .Select(t => (Text: t, Width: Lettering.Width(t.Text, t.Height)))
            .Select(t => (Low: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? -t.Width / 2 : 0, 0),
                High: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? t.Width / 2 : t.Width, t.Text.Height)))
            .ToList();
        var written = new List<(At, At)>();
        var edges = items.OfType<PathItem>()
            .Where(i => i.Layer == Layers.Site && i.Points.Count > 2)
            .SelectMany(i => i.Points.Zip(i.Points.Skip(1).Append(i.Points[0])))
            .ToList();
        for (var i = 0; i < plan.Footings.Count; i++)
        {
            var (f, (low, high)) = (plan.Footings[i], boxes[i]);
            var lines = write(f);
            var width = lines.Max(l => Lettering.Width(l.Text, l.Height, l.Bold));
            var deep = lines.Sum(l => l.Height + 1) - 1;
            var column = p(f.Place.Support.X, f.Place.Support.Y).X;
            At[] corners = [new(high.X + 1, high.Y + 1), new(column + 1, high.Y + 1), new(high.X + 1, low.Y - 1 - deep),
                new(column + 1, low.Y - 1 - deep), new(low.X - 1 - width, high.Y + 1), new(low.X - 1 - width, low.Y - 1 - deep)];
            corners = f.Crosses ? [.. Bays(f, p, low, high, width, deep), .. corners] : corners;
            bool Free(At at) =>
                !boxes.Concat(marked)
                    .Any(b => at.X < b.High.X + 0.5 && at.X + width > b.Low.X - 0.5 && at.Y < b.High.Y + 0.5 && at.Y + deep > b.Low.Y - 0.5)
                    && !edges.Exists(e => Layout.Clipped(e.First, e.Second, at, at + (width, deep)) is not null);
            var free = corners.Where(Free).ToList();
            var where = free.Count > 0 ? free[0] : new At(high.X - 1 - width, high.Y - 1 - deep);
            marked.Add((where, where + (width, deep)));
            written.Add((where, where + (width, deep)));
            var y = deep;
            foreach (var line in lines)
            {
                items.Add(new TextItem(line.Layer, where + (0, y - line.Height), line.Height, line.Text, Anchor.Left, 0, line.Bold));
                y -= line.Height + 1;
            }
        }

        return written;
    }
}
