using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>The foundation plan: grids, columns and footings to scale with their marks and dimensions, the site's boundary, the schedule beside it.</summary>
public static class FoundationPlan
{
    // Above the plan and on its right, mm.
    private const double Around = 10;

    // A plan at a smaller scale than the first of these takes larger paper, if there is any; then the next.
    private static readonly double[] SmallestScales = [100, 200, 500, double.PositiveInfinity];

    /// <summary>Draws the plan.</summary>
    /// <param name="project">The building.</param>
    /// <param name="designs">The designs in force.</param>
    /// <param name="request">Title, paper and scale.</param>
    /// <returns>The sheet; null where it does not fit on the paper at the scale asked for.</returns>
    public static Sheet? Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs, DrawingRequest request)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        ArgumentNullException.ThrowIfNull(request);
        var plan = new PlanModel(project, designs);
        var (heads, numbers, rows) = Schedule(project, designs);
        var table = Layout.Size(heads, rows);
        var papers = request.Paper is { } asked ? [asked] : Paper.For(project.Units).Skip(1).ToList();
        foreach (var limit in SmallestScales)
        {
            foreach (var paper in papers)
            {
                var (low, high) = Layout.Inside(paper);
                var right = Math.Max(Layout.TitleWidth, table.Width + 6);
                var (width, height) = (high.X - low.X - right - Around - 4, high.Y - low.Y - Around - 8);
                if (table.Height + Layout.Margin > high.Y - low.Y - 60)
                {
                    continue;
                }

                var scale = DrawingScale.For(project.Units).FirstOrDefault(s => (request.Scale is null ? s.Ratio <= limit : Math.Abs(s.Ratio - request.Scale.Value) < 1e-6)
                    && (plan.Width * 1000 / s.Ratio) + Beside(plan.Across, s) <= width && (plan.Height * 1000 / s.Ratio) + Beside(plan.Along, s) <= height);
                if (scale is not null)
                {
                    var (left, below) = (Beside(plan.Across, scale), Beside(plan.Along, scale));
                    var origin = new At(low.X + left + ((width - left - (plan.Width * 1000 / scale.Ratio)) / 2), low.Y + below + ((height - below - (plan.Height * 1000 / scale.Ratio)) / 2));
                    return Make(project, request, plan, paper, scale, (heads, numbers, rows, table.Width), origin);
                }
            }
        }

        return null;
    }

    // Room for dimensions and one row of bubbles, or as many rows as close lines need.
    private static double Beside(IReadOnlyList<GridLine> lines, DrawingScale scale) => GridLines.DimensionsBeside + ((GridLines.BubbleRows(lines, 1000 / scale.Ratio).DefaultIfEmpty(0).Max() + 1) * GridLines.BubbleStep) + 1;

    private static Sheet Make(Project project, DrawingRequest request, PlanModel plan, Paper paper, DrawingScale scale, (IReadOnlyList<string> Heads, IReadOnlyList<bool> Numbers, IReadOnlyList<IReadOnlyList<string>> Rows, double Width) schedule, At origin)
    {
        var items = new List<Item>();
        var per = 1000 / scale.Ratio;
        At P(double x, double y) => new(origin.X + ((x - plan.Low.X) * per), origin.Y + ((y - plan.Low.Y) * per));
        At Q(PlanPoint p) => P(p.X, p.Y);
        Site(items, project.Site, Q);
        GridLines.Add(items, plan, P, per);
        foreach (var f in plan.Footings)
        {
            items.Add(new PathItem(Layers.Footing, [.. f.Corners.Select(Q)], true, Stroke.Edge, Fill.Light));
        }

        foreach (var f in plan.Footings.Where(f => f.Pedestal is not null))
        {
            Standing(items, f, P, per);
        }

        foreach (var f in plan.Footings)
        {
            Column(items, f.Place.Support, P, per);
        }

        PlanMarks.Add(items, plan, P);
        PlanDimensions.Add(items, project, plan, P);
        var corner = Layout.Frame(items, paper, scale, project.Title, request);
        var (low, high) = Layout.Inside(paper);
        Layout.Table(items, new(high.X - 3 - schedule.Width, high.Y - 3), "Footing schedule", schedule.Heads, schedule.Numbers, schedule.Rows);
        PlanNotes.Add(items, project, new(corner.X, corner.Y), scale, per, low);
        return new Sheet(request.Title, paper, scale, project.Units, items);
    }

    private static void Site(List<Item> items, Site site, Func<PlanPoint, At> q)
    {
        if (site.Boundary.Count > 0)
        {
            items.Add(new PathItem(Layers.Site, [.. site.Boundary.Select(q)], true, Stroke.Boundary));
            var (a, b) = Enumerable.Range(0, site.Boundary.Count).Select(i => (A: q(site.Boundary[i]), B: q(site.Boundary[(i + 1) % site.Boundary.Count]))).MaxBy(e => Math.Abs(e.A.X - e.B.X));
            var left = a.X < b.X ? a : b;
            var below = left.Y < site.Boundary.Average(c => q(c).Y);
            items.Add(new TextItem(Layers.Site, new(left.X + 2, below ? left.Y - 1 - Layout.SmallestText : left.Y + 1), Layout.SmallestText, "site boundary"));
        }

        foreach (var zone in site.Zones)
        {
            items.Add(new PathItem(Layers.Site, [.. zone.Corners.Select(q)], true, Stroke.Boundary, Fill.Hatch));
            if (zone.Name.Length > 0)
            {
                items.Add(new TextItem(Layers.Site, q(new PlanPoint(zone.Corners.Average(c => c.X), zone.Corners.Average(c => c.Y))), Layout.SmallestText, zone.Name, Anchor.Middle));
            }
        }
    }

    private static void Standing(List<Item> items, PlacedFooting f, Func<double, double, At> p, double per)
    {
        var pedestal = f.Pedestal!;
        var s = f.Place.Support;
        if (pedestal.Round)
        {
            items.Add(new CircleItem(Layers.Pedestal, p(s.X, s.Y), pedestal.SizeX / 2 * per, Stroke.Thin));
            return;
        }

        items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.SizeX, pedestal.SizeY, f.Place.AngleDegrees), true, Stroke.Thin));
        if (pedestal.Socket is not null)
        {
            items.Add(new PathItem(Layers.Pedestal, Turned(p, s.X, s.Y, pedestal.ClearX, pedestal.ClearY, f.Place.AngleDegrees), true, Stroke.Thin));
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

    private static (IReadOnlyList<string> Heads, IReadOnlyList<bool> Numbers, IReadOnlyList<IReadOnlyList<string>> Rows) Schedule(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        var units = project.Units;
        var issued = Core.Schedules.ScheduleTables.Of(project, designs)[0];
        string[] titles = ["mark", "number off", "length", "width", "thickness", "underside", "bottom B1", "bottom B2", "top T1", "top T2", "dowels", "pedestal", "pedestal bars", "ties"];
        var columns = titles.Select(t => issued.Columns.ToList().FindIndex(c => c.Title == t)).Where(i => i >= 0 && (issued.Columns[i].Decimals is not null || issued.Rows.Any(r => r[i] is string s && s != "—"))).ToList();
        string Cell(object? value, int c) => value switch
        {
            double d => Math.Round(d, issued.Columns[c].Decimals!.Value).ToString("F" + issued.Columns[c].Decimals!.Value.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture),
            int n => n.ToString(CultureInfo.InvariantCulture),
            _ => value as string ?? "",
        };
        string Head(int c) => issued.Columns[c].Title switch { "number off" => "no.", "thickness" => "h " + Unit.Section.Symbol(units), "underside" => "underside " + Unit.Length.Symbol(units), var t => t + (issued.Columns[c].UnitSymbol.Length > 0 ? " " + issued.Columns[c].UnitSymbol : "") };
        return ([.. columns.Select(Head)], [.. columns.Select(c => issued.Columns[c].Decimals is not null)], [.. issued.Rows.Select(r => (IReadOnlyList<string>)[.. columns.Select(c => Cell(r[c], c))])]);
    }
}
