using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The head of a pile in its cap, cut through its middle: how far it stands in, its bars up into the cap, cover and ties, the bars of the
/// cap over it.
/// </summary>
public static class PileHeadDetail
{
    private const double Left = 34;
    private const double Right = 34;
    private const double Below = 13;
    private const double Above = 3;

    // Shown of the cap beside the shaft and over the bars, and of the shaft below the underside, m.
    private const double Beside = 0.2;
    private const double Over = 0.1;
    private const double Stub = 0.5;

    /// <summary>Draws it at a scale; null without piles.</summary>
    /// <param name="m">The cap.</param>
    /// <param name="scale">The scale.</param>
    public static Figure? Of(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        if (m.State.Piles.IsEmpty)
        {
            return null;
        }

        var (s, rules, units, per) = (m.State, m.Foundation.Rules, m.Units, 1000 / scale.Ratio);
        var (piles, half) = (rules.Piles, rules.Piles.Side / 2);
        var run = m.Row(BarRole.PileBars) is null ? 0 : PileHeads.BarsIntoCap(m.Project, m.Foundation, m.Design);
        var (foot, top) = (-Math.Max(Stub, 1.5 * piles.Side),
            Math.Min(s.Body.Thickness, piles.Embedment + Math.Max(run, piles.Side) + Over));
        var wide = half + Math.Max(Beside, half);
        At P(double u, double z) => new(Left + ((u + wide) * per), Below + ((z - foot) * per));
        string L(double v) => Canvas.Length(v, units);
        var (to, calls) = (new Canvas(), new List<(At From, string Text)>());

        // The cap, broken off at its sides and on top.
        if (rules.Concrete.Blinding > 0)
        {
            to.Box(Layers.Ground, Stroke.Fine, P(-wide, -rules.Concrete.Blinding), P(wide, 0), Fill.Hatch);
        }

        to.Area(Layers.Footing, Stroke.None, [P(-wide, 0), P(wide, 0), P(wide, top), P(-wide, top)], Fill.Light);
        to.Path(Layers.Footing, Stroke.Edge, P(-wide, 0), P(wide, 0));
        Break(to, P(-wide, -rules.Concrete.Blinding), P(-wide, top));
        Break(to, P(wide, -rules.Concrete.Blinding), P(wide, top));
        if (top < s.Body.Thickness)
        {
            Break(to, P(-wide, top), P(wide, top));
        }
        else
        {
            to.Path(Layers.Footing, Stroke.Edge, P(-wide, top), P(wide, top));
        }

        to.Area(Layers.Pile, Stroke.None, [P(-half, foot), P(half, foot), P(half, piles.Embedment), P(-half, piles.Embedment)], Fill.Paper);
        to.Path(Layers.Pile, Stroke.Edge, P(-half, foot), P(-half, piles.Embedment), P(half, piles.Embedment), P(half, foot));
        Break(to, P(-half, foot), P(half, foot));
        to.Path(Layers.Pile, Stroke.Grid, P(0, foot) + (0, -1.5), P(0, piles.Embedment) + (0, 3));
        Mats(to, m, wide, per, P, calls);
        Shaft(to, m, foot, run, P, calls);
        calls.Add((P(half, piles.Embedment * 0.4), $"{Dimension.Section(piles.Embedment, units)} into the cap"));
        DetailSection.Calls(to, calls, P(wide, 0).X);

        var low = P(-wide, 0);
        to.Measure(P(-half, foot), P(half, foot), false, P(0, foot).Y - 6, L(piles.Side));
        if (run > 0)
        {
            to.Measure(new(low.X, P(0, piles.Embedment).Y), new(low.X, P(0, piles.Embedment + run).Y), true, low.X - 4, L(run));
        }

        string S(double v) => Dimension.Section(v, units);
        var said =
            $"Pile {PileWords.Of(piles, units)}. "
                + $"{(piles.Bars is { Size: not null } ? $"Cover of the shaft {S(piles.Cover)}; bars straight into the cap. " : "")}Out of "
                + $"place up to {S(piles.Deviation)}.";
        var width = Left + Right + (2 * wide * per);
        to.Write(Layers.Note, new(2, 1), said, Anchor.Left, Drawings.Layout.Fitted(said, Canvas.Text, width - 4));
        return new Figure($"{m.Foundation.Mark}: pile head", width, Below + Above + ((top - foot) * per), scale, to.Items);
    }

    // The bottom bars of the cap as far as they are shown: those along x lie in the cut.
    private static void Mats(Canvas to, DetailModel m, double wide, double per, Func<double, double, At> p, List<(At, string)> calls)
    {
        if (m.Row(BarRole.BottomX) is { } run)
        {
            var z = m.Height(true, true);
            to.Path(Layers.Bar, Stroke.Bar, p(-wide, z), p(wide, z));
            calls.Add((p(wide, z) + (-1, 0), m.Call(run)));
        }

        if (m.Row(BarRole.BottomY) is { } dots)
        {
            var (z, pile) = (m.Height(false, true), m.State.Piles[0].X);
            var shown = m.Across(false, true).Select(x => x - pile).Where(u => Math.Abs(u) < wide - 0.01).ToList();
            foreach (var u in shown)
            {
                to.Circle(Layers.Bar, Stroke.None, p(u, z), Math.Max(dots.Group.Size.Diameter / 2 * per, 0.35), Fill.Solid);
            }

            if (shown.Count > 0)
            {
                calls.Add((p(shown[^1], z), m.Call(dots)));
            }
        }
    }

    // The shaft's bars up into the cap, its ties to the head.
    private static void Shaft(Canvas to, DetailModel m, double foot, double run, Func<double, double, At> p, List<(At, string)> calls)
    {
        var piles = m.Foundation.Rules.Piles;
        if (m.Row(BarRole.PileBars) is not { } bars)
        {
            return;
        }

        var (across, tie) = ((piles.Side / 2) - piles.Cover, piles.Ties?.Size?.Diameter ?? 0);
        var at = across - tie - (bars.Group.Size.Diameter / 2);
        foreach (var u in (ReadOnlySpan<double>)[-at, at])
        {
            to.Path(Layers.Bar, Stroke.Bar, p(u, foot), p(u, piles.Embedment + run));
        }

        calls.Add((p(at, piles.Embedment + (run * 0.85)), m.Call(bars)));
        if (piles.Ties is not { Spacing: > 0 and var spacing } || m.Row(BarRole.PileTies) is not { } ties)
        {
            return;
        }

        var last = piles.Embedment - piles.Cover;
        for (var z = last; z > foot; z -= spacing)
        {
            to.Path(Layers.Bar, new Stroke(0.35), p(-across, z), p(across, z));
            last = z;
        }

        calls.Add((p(across, last), m.Call(ties)));
    }

    // A line where something goes on.
    private static void Break(Canvas to, At a, At b)
    {
        var mid = new At((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        if (Math.Abs(a.X - b.X) < 1e-9)
        {
            to.Path(Layers.Note, Stroke.Fine, a, mid + (0, -1.2), mid + (1.6, -0.5), mid + (-1.6, 0.5), mid + (0, 1.2), b);
        }
        else
        {
            to.Path(Layers.Note, Stroke.Fine, a, mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0), b);
        }
    }
}
