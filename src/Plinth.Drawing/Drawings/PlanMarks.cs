using System.Globalization;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>The marks of footings on a plan, each where nothing else stands.</summary>
internal static class PlanMarks
{
    // Beyond the upper right corner of the base; where another lies there above it, or beyond another corner; inside its own where all are taken.
    public static void Add(List<Item> items, PlanModel plan, Func<double, double, At> p)
    {
        const double height = 2.5;
        var boxes = plan.Footings.Select(f => (Low: p(f.Corners.Min(c => c.X), f.Corners.Min(c => c.Y)), High: p(f.Corners.Max(c => c.X), f.Corners.Max(c => c.Y)))).ToList();
        var marked = items.OfType<TextItem>().Where(t => t.Layer == Layers.Site).Select(t => (Text: t, Width: Lettering.Width(t.Text, t.Height))).Select(t => (Low: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? -t.Width / 2 : 0, 0), High: t.Text.Point + (t.Text.Anchor == Anchor.Middle ? t.Width / 2 : t.Width, t.Text.Height))).ToList();
        for (var i = 0; i < plan.Footings.Count; i++)
        {
            var (f, (low, high)) = (plan.Footings[i], boxes[i]);
            var turn = Math.IEEERemainder(f.Place.AngleDegrees, 90);
            var words = string.Join(", ", new[] { turn == 0 ? "" : f.Place.AngleDegrees.ToString("0.##", CultureInfo.InvariantCulture) + "°", f.Place.Lie.Words }.Where(w => w.Length > 0));
            var width = Math.Max(Lettering.Width(f.Mark, height, true), Lettering.Width(words, Layout.SmallestText));
            var deep = height + (words.Length > 0 ? Layout.SmallestText + 1 : 0);
            var column = p(f.Place.Support.X, f.Place.Support.Y).X;
            At[] corners = [new(high.X + 1, high.Y + 1), new(column + 1, high.Y + 1), new(high.X + 1, low.Y - 1 - deep), new(column + 1, low.Y - 1 - deep), new(low.X - 1 - width, high.Y + 1), new(low.X - 1 - width, low.Y - 1 - deep)];
            bool Free(At at) => !boxes.Concat(marked).Any(b => at.X < b.High.X + 0.5 && at.X + width > b.Low.X - 0.5 && at.Y < b.High.Y + 0.5 && at.Y + deep > b.Low.Y - 0.5);
            var free = corners.Where(Free).ToList();
            var where = free.Count > 0 ? free[0] : new At(high.X - 1 - width, high.Y - 1 - deep);
            marked.Add((where, where + (width, deep)));
            items.Add(new TextItem(Layers.Mark, where + (0, deep - height), height, f.Mark, Anchor.Left, 0, true));
            if (words.Length > 0)
            {
                items.Add(new TextItem(Layers.Mark, where, Layout.SmallestText, words));
            }
        }
    }
}
