using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <content>Bars in the sections.</content>
public static partial class SpanDetail
{
    // The bars of a face: those in the plane of the section as a line, those across it as dots, zone by zone.
    private static void Mat(Canvas to, DetailModel m, bool bottom, bool alongX, int? column, (double Low, double High) side, double per,
        Func<double, double, At> p, List<(At, string)> calls)
    {
        var s = m.State;
        var cover = s.Rules.Concrete.CoverSide;
        double Level(BarRun run) => bottom ? s.Body.Thickness - run.Depth : run.Depth;
        foreach (var run in s.Runs(alongX, bottom))
        {
            // Across, the band of the column that is cut; on top the one layer.
            if (column is { } i && bottom && run.Where.Length > 0 && run.Where != "at " + Shared(s, i))
            {
                continue;
            }

            var z = Level(run);
            var tip = z
                + ((bottom ? 1 : -1) * (Rows(m, BarRoleOf(alongX, bottom), run.Where).FirstOrDefault()?.Group.Shape is { Code: "21" } hook
                    ? hook.A
                    : 0));
            At[] line = tip == z
                ? [p(side.Low + cover, z), p(side.High - cover, z)]
                : [p(side.Low + cover, tip), p(side.Low + cover, z), p(side.High - cover, z), p(side.High - cover, tip)];
            to.Path(Layers.Bar, bottom ? Stroke.Bar : Stroke.TopBar, line);
            calls.Add((p(side.High - cover, z), CallOf(m, BarRoleOf(alongX, bottom), run.Where)));
        }

        foreach (var run in s.Runs(!alongX, bottom))
        {
            var z = Level(run);
            var share = alongX ? 1 : (side.High - side.Low) / BaseView.Widest(s);
            foreach (var u in run.Across)
            {
                to.Circle(Layers.Bar, Stroke.None, p(u * share, z), Math.Max(run.Layer.Diameter / 2 * per, 0.35), Fill.Solid);
            }

            calls.Add((p(run.Across[^1] * share, z), CallOf(m, BarRoleOf(!alongX, bottom), run.Where)));
        }
    }

    // The column under which the band of another is stated.
    private static string Shared(Trial s, int column) =>
        s.Runs(false, true)
            .Where(r => r.Where.StartsWith("at ", StringComparison.Ordinal))
            .MinBy(r => Math.Abs(((r.Across[0] + r.Across[^1]) / 2) - s.Columns[column].X))?.Where[3..] ?? "";

    // Dowels and pedestal bars with their feet on the bottom mat.
    private static void Uprights(Canvas to, DetailModel m, Standing stands, bool alongX, double u, (double Low, double High) within,
        double top, Func<double, double, At> p, List<(At, string)> calls)
    {
        var s = m.State;
        var z = s.Rules.Concrete.CoverBottom + s.Runs(true, true).Max(r => r.Layer.Diameter)
            + s.Runs(false, true).Select(r => r.Layer.Diameter).DefaultIfEmpty(0).Max();
        foreach (var role in new[] { BarRole.Pedestal, BarRole.Dowels })
        {
            if (Rows(m, role, "at " + stands.Support.Label).FirstOrDefault() is not { } row)
            {
                continue;
            }

            var size = row.Group.Size.Diameter;
            var half = role == BarRole.Pedestal && stands.Pedestal is { } ped
                ? ((alongX || ped.Round ? ped.SizeX : ped.SizeY) / 2) - s.Rules.Pedestal.Cover - (ped.Ties.Size?.Diameter ?? 0) - (size / 2)
                : ((alongX ? stands.Loaded.Outline.FaceX : stands.Loaded.Outline.FaceY) / 2) - s.Rules.Column.Cover - s.Code.LeastTie(size)
                    - (size / 2);
            var end = Math.Min(z + row.Group.Shape.A, top);
            foreach (var sign in new[] { -1, 1 })
            {
                var at = u + (sign * half);
                var foot = DetailSection.FootWay(at, row.Group.Shape.B, sign, within) * row.Group.Shape.B;
                to.Path(Layers.Bar, Stroke.Bar, p(at + foot, z), p(at, z), p(at, end));
            }

            calls.Add((p(u + half, role == BarRole.Dowels ? end - 0.05 : Math.Min(end, stands.ColumnFoot - s.Body.Underside) - 0.1),
                CallOf(m, role, row.Group.Where)));
        }

        if (stands.Pedestal is { } pedestal && m.PedestalTies(stands.Index) is { } ties)
        {
            Ties(to, m, stands, pedestal, ties, alongX, u, p, calls);
        }
    }

    // Ties at their levels; those across the section are called with them.
    private static void Ties(Canvas to, DetailModel m, Standing stands, Pedestal pedestal, PedestalTies ties, bool alongX, double u,
        Func<double, double, At> p, List<(At, string)> calls)
    {
        var (half, foot) = (((alongX || pedestal.Round ? pedestal.SizeX : pedestal.SizeY) / 2) - m.State.Rules.Pedestal.Cover,
            m.State.Body.Thickness);
        foreach (var level in ties.Levels)
        {
            to.Path(Layers.Bar, new Stroke(0.35), p(u - half, foot + level), p(u + half, foot + level));
        }

        foreach (var (role, share) in new[] { (BarRole.Ties, 0.5), (BarRole.InnerTies, 0.4),
            (alongX ? BarRole.CrossTiesX : BarRole.CrossTiesY, 0.3) })
        {
            if (CallOf(m, role, "at " + stands.Support.Label) is { Length: > 0 } call)
            {
                calls.Add((p(u + half, foot + (stands.PedestalHeight * share)), call));
            }
        }
    }

    private static BarRole BarRoleOf(bool alongX, bool bottom) => DetailModel.Role(alongX, bottom);

    private static List<BarRow> Rows(DetailModel m, BarRole role, string where) =>
        [.. m.Rows.Where(r => r.Group.Role == role && r.Group.Where == where)];

    // Bars of a zone that are cut to several lengths have several marks.
    private static string CallOf(DetailModel m, BarRole role, string where)
    {
        var rows = Rows(m, role, where);
        return rows.Count switch
        {
            0 => "",
            1 => m.Call(rows[0]),
            _ => $"{rows.Sum(r => r.Group.Count)} {rows[0].Group.Size.Name}-{rows[0].BarMark}…{rows[^1].BarMark} {rows[0].Group.Layer}",
        };
    }

    private static void Extent(Canvas to, At first, At last)
    {
        to.Path(Layers.BarMark, Stroke.Fine, first, last);
        foreach (var end in new[] { first, last })
        {
            to.Path(Layers.BarMark, Stroke.Thin, end + (-0.9, -0.9), end + (0.9, 0.9));
        }
    }

    // Bars between the bands stand in several parts.
    private static IEnumerable<IReadOnlyList<double>> Parts(IReadOnlyList<double> across, double[] banded)
    {
        var part = new List<double>();
        for (var i = 0; i < across.Count; i++)
        {
            if (part.Count > 0 && Array.Exists(banded, b => b > across[i - 1] && b < across[i]))
            {
                yield return part;
                part = [];
            }

            part.Add(across[i]);
        }

        if (part.Count > 0)
        {
            yield return part;
        }
    }

    // Calls stand in a column, none on another.
    private static IEnumerable<((At At, double Y) From, string Text)> Spread(List<(At From, string Text)> calls)
    {
        var y = double.NegativeInfinity;
        foreach (var (from, text) in calls)
        {
            y = Math.Max(from.Y, y + 4);
            yield return ((from, y), text);
        }
    }
}
