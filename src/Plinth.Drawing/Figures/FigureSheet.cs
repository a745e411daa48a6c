using Plinth.Core.Buildings;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Puts figures on a sheet with frame and title block.</summary>
public static class FigureSheet
{
    private const double Between = 8;
    private const double Heading = 6;

    // Height of the title block with a gap, mm.
    private const double Block = 42;

    // A section across a long strip is drawn at a scale at least so many times as large as its plan.
    private const double Closer = 2;

    // Details are drawn at 1:25, or 3/4 in to the foot, where any paper holds them so, else smaller.
    private static readonly double[] LargeScales = [25, 50, 100];
    private static readonly double[] LargeScalesInFeet = [16, 24, 50, 100];

    /// <summary>
    /// The detail of a footing: plan, two sections, pedestal, bars; null where it does not fit on the paper at the scale asked for.
    /// </summary>
    public static Sheet? Detail(DetailModel m, DrawingRequest request)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(request);
        var bars = DetailParts.Bars(m);
        List<Paper> papers = request.Paper is { } asked ? [asked] : [.. Paper.For(m.Units).Skip(1)];
        foreach (var limit in m.Units == Core.Units.UnitSystem.Us ? LargeScalesInFeet : LargeScales)
        {
            foreach (var paper in papers)
            {
                foreach (var scale in DrawingScale.For(m.Units)
                    .Where(s => request.Scale is null ? s.Ratio <= limit : Math.Abs(s.Ratio - request.Scale.Value) < 1e-6))
                {
                    var several = m.State.Columns.Length > 1;
                    var head = PileHeadDetail.Of(m, scale);
                    Figure[] heads = head is null ? [] : [head];
                    var beam = m.State.BeamFigure is not null;
                    Figure[] left = beam ? [BeamDetail.Plan(m, scale), BeamDetail.Elevation(m, scale), .. DetailParts.Pedestals(m, scale)]
                        : several
                        ? [SpanDetail.Plan(m, scale), SpanDetail.Section(m, null, scale), .. DetailParts.Pedestals(m, scale)]
                        : [DetailPlan.Of(m, scale), DetailSection.Of(m, true, scale)];
                    Figure[] right = beam
                        ? [bars, .. AlikeSections.Shown(m).Select(i => Across(m, scale, s => BeamDetail.Section(m, i, s))),
                            Across(m, scale, s => BeamDetail.Section(m, null, s))]
                        : several
                        ? [bars, .. AlikeSections.Shown(m).Select(i => Across(m, scale, s => SpanDetail.Section(m, i, s))), .. heads]
                        : m.State.WallFigure is not null ? [bars, WallDetail.Of(m, scale)]
                        : [bars, DetailSection.Of(m, false, scale), .. heads];
                    var pedestal = several ? null : DetailParts.Pedestal(m, scale);
                    if ((Columns(m.Project, request, paper, scale, left, right, pedestal)
                        ?? (pedestal is null ? Rows(m.Project, request, paper, scale, left, right) : null)) is { } sheet)
                    {
                        return sheet;
                    }
                }
            }
        }

        return null;
    }

    // Two columns: the right one keeps clear of the title block.
    private static Sheet? Columns(Project project, DrawingRequest request, Paper paper, DrawingScale scale, Figure[] left, Figure[] right,
        Figure? extra)
    {
        var (low, high) = Layout.Inside(paper);
        var (width, height) = (high.X - low.X - (2 * Between), high.Y - low.Y - Between);
        var leftWidth = left.Max(f => f.Width);
        var rightWidth = Math.Max(right.Max(f => f.Width), right[1].Width + (extra is null ? 0 : extra.Width + Between));
        double Tall(IEnumerable<Figure> figures) => figures.Sum(f => f.Height + Heading + Between);
        bool Fits() =>
            leftWidth + Between + Math.Max(rightWidth, Layout.TitleWidth) <= width && Tall(left) <= height && Tall(right) + Block <= height;
        if (!Fits() || (extra is not null && extra.Height > right[1].Height))
        {
            // What does not stand beside the section may stand below it.
            if (extra is null)
            {
                return null;
            }

            (right, extra) = ([.. right, extra], null);
            rightWidth = right.Max(f => f.Width);
            if (!Fits())
            {
                return null;
            }
        }

        var items = new List<Item>();
        Layout.Frame(items, paper, scale, project.Title, request);
        Stack(items, left, low.X + Between, high.Y - Between);
        var x = high.X - Between - Math.Max(rightWidth, Layout.TitleWidth - Between);
        var y = Stack(items, right, x, high.Y - Between);
        if (extra is not null)
        {
            Place(items, extra, x + right[1].Width + Between, y + Between + right[1].Height - extra.Height);
        }

        return new Sheet(request.Title, paper, scale, project.Units, items);
    }

    // What is long above, what is cut across it in rows below, only the first of the right column beside them: as much as a smaller sheet
    // holds.
    private static Sheet? Rows(Project project, DrawingRequest request, Paper paper, DrawingScale scale, Figure[] left, Figure[] right)
    {
        var (low, high) = Layout.Inside(paper);
        var (width, height) = (high.X - low.X - (2 * Between), high.Y - low.Y - Between);
        double Tall(Figure f) => f.Height + Heading + Between;
        var (beside, below) = (right[0], right[1..]);
        var column = Math.Max(beside.Width, Layout.TitleWidth);
        var room = width - Between - column;
        if (below.Length == 0 || Math.Max(left.Max(f => f.Width), below.Max(f => f.Width)) > room || Tall(beside) + Block > height)
        {
            return null;
        }

        var rows = new List<List<Figure>>();
        foreach (var f in below)
        {
            if (rows.Count == 0 || rows[^1].Sum(r => r.Width + Between) + f.Width > room)
            {
                rows.Add([]);
            }

            rows[^1].Add(f);
        }

        if (left.Sum(Tall) + rows.Sum(r => r.Max(Tall)) > height)
        {
            return null;
        }

        var items = new List<Item>();
        Layout.Frame(items, paper, scale, project.Title, request);
        var y = Stack(items, left, low.X + Between, high.Y - Between);
        foreach (var row in rows)
        {
            var x = low.X + Between;
            foreach (var f in row)
            {
                Place(items, f, x, y - Heading - f.Height);
                x += f.Width + Between;
            }

            y -= row.Max(Tall);
        }

        Stack(items, [beside], high.X - Between - Math.Max(beside.Width, Layout.TitleWidth - Between), high.Y - Between);
        return new Sheet(request.Title, paper, scale, project.Units, items);
    }

    private static double Stack(List<Item> items, IEnumerable<Figure> figures, double x, double top)
    {
        var y = top;
        foreach (var f in figures)
        {
            y -= Heading + f.Height;
            Place(items, f, x, y);
            y -= Between;
        }

        return y;
    }

    private static void Place(List<Item> items, Figure f, double x, double y)
    {
        if (f.Title.Length > 0)
        {
            items.Add(new TextItem(Layers.Note, new(x, y + f.Height + 1.5), 2.8, f.Title, Anchor.Left, 0, true));
        }

        items.AddRange(f.PlacedAt(new(x, y)));
    }

    /// <summary>Figures side by side, the next below where the row is full; null where they do not fit on the paper asked for.</summary>
    /// <param name="project">The project.</param>
    /// <param name="request">Title and paper.</param>
    /// <param name="figures">The figures.</param>
    public static Sheet? Of(Project project, DrawingRequest request, IReadOnlyList<Figure> figures)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(figures);
        IEnumerable<Paper> papers = request.Paper is { } asked ? [asked] : Paper.For(project.Units);
        foreach (var paper in papers)
        {
            var (low, high) = Layout.Inside(paper);
            var items = new List<Item>();
            var (x, top, row, fits) = (low.X + Between, high.Y - 3, 0.0, true);
            foreach (var f in figures)
            {
                if (x + f.Width > high.X - 2 && x > low.X + Between)
                {
                    (x, top, row) = (low.X + Between, top - row, 0);
                }

                var tall = f.Height + Heading + Between;
                fits = fits && x + f.Width <= high.X - 2 && top - tall >= low.Y + Block - Between - 2;
                Place(items, f, x, top - Heading - f.Height);
                x += f.Width + Between;
                row = Math.Max(row, tall);
            }

            if (fits)
            {
                var scale = figures.Select(f => f.Scale).FirstOrDefault(s => s is not null) ?? Figure.NotToScale;
                var frame = new List<Item>();
                Layout.Frame(frame, paper, scale, project.Title, request);
                return new Sheet(request.Title, paper, scale, project.Units, [.. frame, .. items]);
            }
        }

        return null;
    }

    private static Figure Across(DetailModel m, DrawingScale scale, Func<DrawingScale, Figure> of)
    {
        var own = m.State.Body.Bed is null ? scale
            : DrawingScale.For(m.Units).Where(s => s.Ratio <= scale.Ratio / Closer).MaxBy(s => s.Ratio) ?? scale;
        var (figure, times) = (of(own), scale.Ratio / own.Ratio);
        return times == 1 ? figure : figure with
        {
            Title = $"{figure.Title}, {own.Words}",
            Items = [.. figure.Items.Select(i => i is DimensionItem d ? d with { Times = times } : i)],
        };
    }
}
