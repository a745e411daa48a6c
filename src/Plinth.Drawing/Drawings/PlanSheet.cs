using Plinth.Core.Buildings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>A table beside a plan.</summary>
/// <param name="Title">Its title.</param>
/// <param name="Heads">Headings.</param>
/// <param name="Numbers">Which columns hold numbers.</param>
/// <param name="Rows">Cells.</param>
internal sealed record PlanTable(string Title, IReadOnlyList<string> Heads, IReadOnlyList<bool> Numbers,
    IReadOnlyList<IReadOnlyList<string>> Rows)
{
    /// <summary>No table.</summary>
    public static readonly PlanTable None = new("", [], [], []);
}

/// <summary>
/// Lays a plan of the building out on a sheet: the smallest paper and the largest scale that suit, a table and notes on the right, the
/// title block.
/// </summary>
internal static class PlanSheet
{
    // Above the plan and on its right, mm.
    private const double Around = 10;

    // A plan at a smaller scale than the first of these takes larger paper, if there is any; then the next.
    private static readonly double[] SmallestScales = [100, 200, 500, double.PositiveInfinity];

    /// <summary>Draws the sheet; null where it does not fit on the paper at the scale asked for.</summary>
    /// <param name="project">The building.</param>
    /// <param name="plan">What lies where.</param>
    /// <param name="request">Title, paper and scale.</param>
    /// <param name="table">The table.</param>
    /// <param name="notes">The notes.</param>
    /// <param name="draw">Draws the plan, given where a point lies and how many millimetres are a metre.</param>
    public static Sheet? Of(Project project, PlanModel plan, DrawingRequest request, PlanTable table, IReadOnlyList<string> notes,
        Action<List<Item>, Func<double, double, At>, double> draw)
    {
        var size = table.Rows.Count > 0 ? Layout.Size(table.Heads, table.Rows) : (Width: 0, Height: 0, Columns: []);
        var papers = request.Paper is { } asked ? [asked] : Paper.For(project.Units).Skip(1).ToList();
        foreach (var limit in SmallestScales)
        {
            foreach (var paper in papers)
            {
                var (low, high) = Layout.Inside(paper);
                var right = Math.Max(Layout.TitleWidth, size.Width + 6);
                var (width, height) = (high.X - low.X - right - Around - 4, high.Y - low.Y - Around - 8);
                if (size.Height + Layout.Margin > high.Y - low.Y - Layout.TitleHeight - PlanNotes.Height(notes))
                {
                    continue;
                }

                var scale = DrawingScale.For(project.Units)
                    .FirstOrDefault(s => (request.Scale is null ? s.Ratio <= limit : Math.Abs(s.Ratio - request.Scale.Value) < 1e-6)
                    && (plan.Width * 1000 / s.Ratio) + Beside(plan.Across, s) <= width
                        && (plan.Height * 1000 / s.Ratio) + Beside(plan.Along, s) <= height);
                if (scale is not null)
                {
                    var (left, below) = (Beside(plan.Across, scale), Beside(plan.Along, scale));
                    var origin = new At(low.X + left + ((width - left - (plan.Width * 1000 / scale.Ratio)) / 2),
                        low.Y + below + ((height - below - (plan.Height * 1000 / scale.Ratio)) / 2));
                    return Make(project, plan, request, paper, scale, origin, table, size.Width, notes, draw);
                }
            }
        }

        return null;
    }

    // Room for dimensions and one row of bubbles, or as many rows as close lines need.
    private static double Beside(IReadOnlyList<GridLine> lines, DrawingScale scale) =>
        GridLines.DimensionsBeside + ((GridLines.BubbleRows(lines, 1000 / scale.Ratio).DefaultIfEmpty(0).Max() + 1) * GridLines.BubbleStep)
            + 1;

    private static Sheet Make(Project project, PlanModel plan, DrawingRequest request, Paper paper, DrawingScale scale, At origin,
        PlanTable table, double tableWidth, IReadOnlyList<string> notes, Action<List<Item>, Func<double, double, At>, double> draw)
    {
        var items = new List<Item>();
        var per = 1000 / scale.Ratio;
        At P(double x, double y) => new(origin.X + ((x - plan.Low.X) * per), origin.Y + ((y - plan.Low.Y) * per));
        PlanParts.Site(items, project.Site, Wording.Boundary(project.Units), p => P(p.X, p.Y));
        draw(items, P, per);
        var corner = Layout.Frame(items, paper, scale, project.Title, request);
        var (low, high) = Layout.Inside(paper);
        if (table.Rows.Count > 0)
        {
            Layout.Table(items, new(high.X - 3 - tableWidth, high.Y - 3), table.Title, table.Heads, table.Numbers, table.Rows);
        }

        PlanNotes.Add(items, project, notes, corner, scale, per, low);
        return new Sheet(request.Title, paper, scale, project.Units, items);
    }
}
