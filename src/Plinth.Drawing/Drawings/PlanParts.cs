using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>What every plan of the building shows: the site, columns and what they stand on.</summary>
internal static class PlanParts
{
    /// <summary>Draws pedestals and columns.</summary>
    public static void Columns(List<Item> items, PlanModel plan, Func<double, double, At> p, double per)
    {
        foreach (var f in plan.Footings)
        {
            for (var i = 0; i < f.Place.Supports.Count; i++)
            {
                if (f.Design.Under(i).Pedestal is { } pedestal)
                {
                    Standing(items, pedestal, f.Place.Supports[i], f.Place.AngleDegrees, p, per);
                }
            }
        }

        foreach (var s in plan.Footings.SelectMany(f => f.Place.Supports))
        {
            Column(items, s, p, per);
        }
    }

    /// <summary>Draws piles under their caps, each with its number where that can be read: its whole mark is the cap's with it.</summary>
    public static void Piles(List<Item> items, PlanModel plan, Func<double, double, At> p, double per)
    {
        foreach (var (f, pile) in plan.Footings.SelectMany(f => f.Piles.Select(pile => (f, pile))))
        {
            var (at, half) = (p(pile.At.X, pile.At.Y), pile.Rules.Side / 2);
            items.Add(pile.Rules.Shape == Core.Piles.PileShape.Round
                ? new CircleItem(Layers.Pile, at, half * per, Stroke.Hidden, Fill.Paper)
                : new PathItem(Layers.Pile, Turned(p, pile.At.X, pile.At.Y, 2 * half, 2 * half, pile.AngleDegrees), true, Stroke.Hidden,
                    Fill.Paper));

            // Within the pile; of one under a column beside that.
            var under = f.Place.Supports.FirstOrDefault(s => Math.Abs(s.X - pile.At.X) < s.SizeX / 2
                && Math.Abs(s.Y - pile.At.Y) < (s.SizeY > 0 ? s.SizeY : s.SizeX) / 2);
            var number = pile.Number.ToString(System.Globalization.CultureInfo.InvariantCulture);
            items.Add(under is null
                ? new TextItem(Layers.Pile, at + (0, -Layout.SmallestText / 2), Layout.SmallestText, number, Anchor.Middle)
                : new TextItem(Layers.Pile,
                    p(under.X, under.Y) + ((under.SizeX / 2 * per) + 0.5, -((under.SizeX / 2 * per) + 0.5 + Layout.SmallestText)),
                    Layout.SmallestText, number));
        }
    }

    public static void Site(List<Item> items, Site site, string boundary, Func<PlanPoint, At> q)
    {
        if (site.Boundary.Count > 0)
        {
            items.Add(new PathItem(Layers.Site, [.. site.Boundary.Select(q)], true, Stroke.Boundary));
            var (a, b) = Enumerable.Range(0, site.Boundary.Count)
                .Select(i => (A: q(site.Boundary[i]), B: q(site.Boundary[(i + 1) % site.Boundary.Count])))
                .MaxBy(e => Math.Abs(e.A.X - e.B.X));
            var left = a.X < b.X ? a : b;
            var below = left.Y < site.Boundary.Average(c => q(c).Y);
            items.Add(new TextItem(Layers.Site, new(left.X + 2, below ? left.Y - 1 - Layout.SmallestText : left.Y + 1), Layout.SmallestText,
                boundary));
        }

        foreach (var zone in site.Zones)
        {
            items.Add(new PathItem(Layers.Site, [.. zone.Corners.Select(q)], true, Stroke.Boundary, Fill.Hatch));
            if (zone.Name.Length > 0)
            {
                items.Add(new TextItem(Layers.Site, q(new PlanPoint(zone.Corners.Average(c => c.X), zone.Corners.Average(c => c.Y))),
                    Layout.SmallestText, zone.Name, Anchor.Middle));
            }
        }
    }

    private static void Standing(List<Item> items, Pedestal pedestal, Support s, double angle, Func<double, double, At> p, double per)
    {
        if (pedestal.Round)
        {
            items.Add(new CircleItem(Layers.Pedestal, p(s.X, s.Y), pedestal.SizeX / 2 * per, Stroke.Thin));
            return;
        }

        items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.SizeX, pedestal.SizeY, angle), true, Stroke.Thin));
        if (pedestal.Socket is not null)
        {
            items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.ClearX, pedestal.ClearY, angle), true, Stroke.Thin));
        }
    }

    private static void Column(List<Item> items, Support s, Func<double, double, At> p, double per)
    {
        if (s.Shape == ColumnShape.Round)
        {
            items.Add(new CircleItem(Layers.Column, p(s.X, s.Y), s.SizeX / 2 * per, Stroke.Thin, Fill.Solid));
            return;
        }

        if (s.Shape == ColumnShape.Steel)
        {
            items.Add(new PathItem(Layers.Column, Turned(p, s.X, s.Y, s.PlateX, s.PlateY, s.AngleDegrees), true, Stroke.Fine));
        }

        items.Add(new PathItem(Layers.Column, Turned(p, s.X, s.Y, s.SizeX, s.SizeY, s.AngleDegrees), true, Stroke.Thin, Fill.Solid));
    }

    private static At[] Turned(Func<double, double, At> p, double x, double y, double length, double width, double angle)
    {
        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(angle);
        At Corner(double a, double b) => p(x + (a * cos) - (b * sin), y + (a * sin) + (b * cos));
        var (l, w) = (length / 2, width / 2);
        return [Corner(-l, -w), Corner(l, -w), Corner(l, w), Corner(-l, w)];
    }
}
