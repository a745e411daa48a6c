using Plinth.Core.Figures;
using Plinth.Core.Schedules;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Extra bars along a strip in its details: as lines beside those that run through, with their extents below.</summary>
internal static class DetailExtra
{
    private const double Row = 9;
    private const double UnderLine = 3.4;

    // Beside the bars that run through, so that both are seen, mm.
    private const double Beside = 1.1;
    private const double Tick = 0.8;

    /// <summary>Room that their extents take below the section along, mm.</summary>
    public static double Tall(DetailModel m) => Row * Faces(m).Count;

    /// <summary>Draws them in the section along, and from where to where they reach.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="m">The footing.</param>
    /// <param name="p">Where a point of the section lies on the sheet.</param>
    /// <param name="level">Height of the bars of a face that run through over the underside, m.</param>
    /// <param name="under">Where the lowest line of measures lies, mm.</param>
    public static void Along(Canvas to, DetailModel m, Func<double, double, At> p, Func<bool, double> level, double under)
    {
        var rows = Faces(m);
        foreach (var run in m.State.ExtraRuns)
        {
            var way = run.Bottom ? 1 : -1;
            var (a, b) = (p(run.From, level(run.Bottom)) + (0, way * Beside), p(run.To, level(run.Bottom)) + (0, way * Beside));
            var hook = RowOf(m, run)?.Group.Shape.Code == "11" ? RowOf(m, run)!.Group.Shape.B : 0;
            var tall = p(0, level(run.Bottom) + (way * hook)).Y - p(0, level(run.Bottom)).Y;
            var stroke = run.Bottom ? Stroke.Bar : Stroke.TopBar;
            to.Path(Layers.Bar, stroke, a, b);
            foreach (var (end, hooked, inward) in new[] { (a, run.Hooks.Low, 1), (b, run.Hooks.High, -1) })
            {
                // A bar that ends within the base has a tick at its end, one with a hook has that.
                to.Path(Layers.Bar, stroke, end, hooked ? end + (0, tall) : end + (inward * Tick, way * Tick));
            }

            // From the column to both ends; in a bay from either column to the nearer end too.
            var y = under - 6 - (Row * rows.IndexOf(run.Bottom));
            double[] columns = [.. m.State.Columns.ToArray().Select(c => c.X).Order()];
            double[] stops = run.Bottom ? [run.From, columns.First(x => x > run.From), run.To]
                : [columns.Last(x => x < run.From), run.From, run.To, columns.First(x => x > run.To)];
            for (var i = 1; i < stops.Length; i++)
            {
                to.Measure(new(p(stops[i - 1], 0).X, y), new(p(stops[i], 0).X, y), false, y,
                    Canvas.Length(stops[i] - stops[i - 1], m.Units));
            }

            to.Write(Layers.BarMark, new((a.X + b.X) / 2, y - UnderLine), Call(m, run), Anchor.Middle);
        }
    }

    /// <summary>Draws those that a section across at a column cuts.</summary>
    public static void Across(Canvas to, DetailModel m, double x, double per, Func<double, double, At> p, Func<bool, double> level,
        List<(At From, string Text)> calls)
    {
        foreach (var run in m.State.ExtraRuns.Where(r => r.From < x && x < r.To))
        {
            foreach (var u in run.Across)
            {
                to.Circle(Layers.Bar, Stroke.None, p(u, level(run.Bottom)), Math.Max(run.Layer.Diameter / 2 * per, 0.35), Fill.Solid);
            }

            calls.Add((p(run.Across[^1], level(run.Bottom)), Call(m, run)));
        }
    }

    /// <summary>The bar of a zone in plan, the extent of all across it, and its call over the base.</summary>
    public static IEnumerable<(double X, string Text)> Plan(Canvas to, DetailModel m, BaseView view)
    {
        foreach (var run in m.State.ExtraRuns)
        {
            var (at, middle) = (run.Across[run.Bottom ? 0 : ^1], (run.From + run.To) / 2);
            to.Path(Layers.Bar, run.Bottom ? Stroke.Bar : Stroke.TopBar, view.At(run.From, at), view.At(run.To, at));
            var across = middle + ((run.To - run.From) * 0.2);
            foreach (var x in new[] { run.From, run.To })
            {
                to.Path(Layers.Bar, Stroke.Bar, view.At(x, at) + (0, -Tick), view.At(x, at) + (0, Tick));
            }

            if (run.Across.Count > 1)
            {
                to.Path(Layers.BarMark, Stroke.Fine, view.At(across, run.Across[0]), view.At(across, run.Across[^1]));
            }

            to.Path(Layers.BarMark, Stroke.Fine, view.At(across, at), new(view.At(across, 0).X, view.High.Y + 2));
            to.Circle(Layers.BarMark, Stroke.Fine, view.At(across, at), 0.7, Fill.Paper);
            yield return (view.At(across, 0).X, $"{Call(m, run)} {run.Where}");
        }
    }

    private static List<bool> Faces(DetailModel m) => [.. m.State.ExtraRuns.Select(r => r.Bottom).Distinct()];

    private static BarRow? RowOf(DetailModel m, ExtraRun run) =>
        m.Rows.FirstOrDefault(r => r.Group.Where == run.Where
            && (run.Bottom ? r.Group.Role is BarRole.BottomX or BarRole.BeamBottom : r.Group.Role is BarRole.TopX or BarRole.BeamTop));

    private static string Call(DetailModel m, ExtraRun run) => RowOf(m, run) is { } row ? m.Call(row) : "";
}
