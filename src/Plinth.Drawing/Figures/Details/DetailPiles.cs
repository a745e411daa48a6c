using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Piles on the detail of a cap: in plan with their numbers and places, and cut off below it in a section.</summary>
internal static class DetailPiles
{
    // So much of a shaft is shown below the cap, times its size.
    private const double Stub = 1.0;

    // Places nearer than this are one on a dimension line, m.
    private const double Same = 5e-4;

    /// <summary>Space on paper for the line of their dimensions, mm; 0 without piles.</summary>
    public static double Line(Trial s) => s.Piles.IsEmpty ? 0 : 6;

    /// <summary>How much is shown below the underside, m.</summary>
    public static double Below(Trial s) =>
        s.Piles.IsEmpty ? s.Rules.Concrete.Blinding : Math.Max(s.Rules.Concrete.Blinding, Stub * s.Rules.Piles.Side);

    /// <summary>Draws them in plan, without their numbers.</summary>
    public static void Plan(Canvas to, BaseView view)
    {
        var s = view.State;
        foreach (var p in s.Piles)
        {
            var (at, half) = (view.At(p.X, p.Y), s.Rules.Piles.Side / 2);
            if (s.Rules.Piles.Shape == PileShape.Round)
            {
                to.Circle(Layers.Pile, Stroke.Hidden, at, half * view.Per);
            }
            else
            {
                to.Box(Layers.Pile, Stroke.Hidden, view.At(p.X - half, p.Y - half), view.At(p.X + half, p.Y + half));
            }

            to.Path(Layers.Pile, Stroke.Grid, view.At(p.X - (1.3 * half), p.Y), view.At(p.X + (1.3 * half), p.Y));
            to.Path(Layers.Pile, Stroke.Grid, view.At(p.X, p.Y - (1.3 * half)), view.At(p.X, p.Y + (1.3 * half)));
        }
    }

    /// <summary>Writes their numbers, over what stands on the cap.</summary>
    public static void Numbers(Canvas to, BaseView view)
    {
        foreach (var p in view.State.Piles)
        {
            to.Write(Layers.Pile, view.At(p.X, p.Y) + (1, -3.4), p.Number.ToString(CultureInfo.InvariantCulture), Anchor.Left, 2.4, true);
        }
    }

    /// <summary>
    /// Measures where they stand, from edge to edge through every place, on a line below the base and on one at its left.
    /// </summary>
    /// <param name="to">The canvas.</param>
    /// <param name="view">The base in plan.</param>
    /// <param name="units">Units.</param>
    /// <param name="below">Where the line below stands, mm.</param>
    /// <param name="left">Where the line at the left stands, mm.</param>
    public static void Measure(Canvas to, BaseView view, UnitSystem units, double below, double left)
    {
        var (s, low) = (view.State, view.Low);
        if (s.Piles.IsEmpty)
        {
            return;
        }

        var xs = Places(s, true);
        for (var i = 1; i < xs.Count; i++)
        {
            to.Measure(new(view.At(xs[i - 1], 0).X, low.Y), new(view.At(xs[i], 0).X, low.Y), false, below,
                Canvas.Length(xs[i] - xs[i - 1], units));
        }

        var ys = Places(s, false);
        for (var i = 1; i < ys.Count; i++)
        {
            to.Measure(new(low.X, view.At(0, ys[i - 1]).Y), new(low.X, view.At(0, ys[i]).Y), true, left,
                Canvas.Length(ys[i] - ys[i - 1], units));
        }
    }

    // The edges and every place between, along an axis.
    private static List<double> Places(Trial s, bool alongX)
    {
        List<double> all = [s.Body.Low(alongX)];
        foreach (var at in s.Piles.ToArray().Select(p => p.Along(alongX)).Order())
        {
            if (at - all[^1] > Same)
            {
                all.Add(at);
            }
        }

        return [.. all, s.Body.High(alongX)];
    }

    /// <summary>Draws their heads in a section: those at every place along it, nearest to the cut, broken off below.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="s">The base.</param>
    /// <param name="alongX">Cut along x, or along y.</param>
    /// <param name="p">A point of the section on paper.</param>
    public static void Section(Canvas to, Trial s, bool alongX, Func<double, double, At> p)
    {
        var (half, head, foot) = (s.Piles.IsEmpty ? 0 : s.Rules.Piles.Side / 2, s.Rules.Piles.Embedment, -Below(s));
        foreach (var at in s.Piles.ToArray()
            .Select(q => q.Along(alongX))
            .Order()
            .Aggregate(new List<double>(), (list, v) => list.Count == 0 || v - list[^1] > Same ? [.. list, v] : list))
        {
            var (a, b, c, d) = (p(at - half, head), p(at - half, foot), p(at + half, foot), p(at + half, head));
            to.Area(Layers.Pile, Stroke.None, [a, b, c, d], Fill.Paper);
            to.Path(Layers.Pile, Stroke.Edge, b, a, d, c);
            var mid = p(at, foot);
            to.Path(Layers.Pile, Stroke.Fine, b + (-1, 0), mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0),
                c + (1, 0));
            to.Path(Layers.Pile, Stroke.Grid, p(at, foot) + (0, -1), p(at, head) + (0, 3));
        }
    }

    /// <summary>Draws the bars of the piles in a section, up into the cap, and the bars along its sides.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="m">The cap.</param>
    /// <param name="alongX">Cut along x, or along y.</param>
    /// <param name="p">A point of the section on paper.</param>
    /// <param name="calls">Receives how they are called.</param>
    public static void Bars(Canvas to, DetailModel m, bool alongX, Func<double, double, At> p, List<(At From, string Text)> calls)
    {
        var (s, rules) = (m.State, m.Foundation.Rules);
        if (m.Rows.FirstOrDefault(r => r.Group.Role == BarRole.Sides
            && (s.Body.IsPolygon || r.Group.Where == (alongX ? "along y" : "along x"))) is { } links)
        {
            var inset = rules.Concrete.CoverSide + (links.Group.Size.Diameter / 2);
            double[] ends = [s.Body.Low(alongX) + inset, s.Body.High(alongX) - inset];
            foreach (var z in SideBars.Levels(m.Foundation, m.Design))
            {
                foreach (var end in ends)
                {
                    to.Circle(Layers.Bar, Stroke.None, p(end, z), 0.4, Fill.Solid);
                }
            }

            calls.Add((p(ends[1], SideBars.Levels(m.Foundation, m.Design)[^1]), m.Call(links)));
        }

        if (m.Row(BarRole.PileBars) is not { } bars)
        {
            return;
        }

        var (piles, tie) = (rules.Piles, rules.Piles.Ties?.Size?.Diameter ?? 0);
        var (across, reach) = ((piles.Side / 2) - piles.Cover, piles.Embedment + PileHeads.BarsIntoCap(m.Project, m.Foundation, m.Design));
        var at = s.Piles.ToArray().Select(q => q.Along(alongX)).Order().ToList();
        foreach (var x in at)
        {
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                var u = x + (side * (across - tie - (bars.Group.Size.Diameter / 2)));
                to.Path(Layers.Bar, Stroke.Bar, p(u, -Below(s)), p(u, reach));
            }

            if (piles.Ties is { Spacing: > 0 and var spacing })
            {
                for (var z = piles.Embedment - piles.Cover; z > -Below(s); z -= spacing)
                {
                    to.Path(Layers.Bar, new Stroke(0.35), p(x - across, z), p(x + across, z));
                }
            }
        }

        calls.Add((p(at[^1] + across - tie - (bars.Group.Size.Diameter / 2), -Below(s) * 0.35), m.Call(bars)));
        if (m.Row(BarRole.PileTies) is { } ties)
        {
            calls.Add((p(at[^1] + across, -Below(s) * 0.7), m.Call(ties)));
        }
    }

    // From the first pile to the nearest edge.
    private static double Toward(Trial s)
    {
        PlanPoint[] outline = [.. s.Body.Outline];
        var (p, least) = (s.Piles[0], double.PositiveInfinity);
        for (var i = 0; i < outline.Length; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
            least = Math.Min(least,
                (((b.X - a.X) * (p.Y - a.Y)) - ((b.Y - a.Y) * (p.X - a.X))) / Math.Sqrt(Math.Pow(b.X - a.X, 2) + Math.Pow(b.Y - a.Y, 2)));
        }

        return least;
    }

    /// <summary>What is said of them under a section; empty without piles.</summary>
    public static string Words(Trial s, UnitSystem units)
    {
        if (s.Piles.IsEmpty)
        {
            return "";
        }

        var rules = s.Rules.Piles;
        string S(double v) => Dimension.Section(v, units);
        var edge = s.Body.IsPolygon ? $" All edges {S(Toward(s))} off their centres." : "";
        return $" {s.Piles.Length} piles "
            + $"{PileWords.Of(rules, units)}{(s.PileLength is { } length ? ", " + Dimension.Plan(length, units) + " long" : "")}"
            + $"{(rules.Bars is { Size: not null } bars ? ", " + bars.Drawn : "")}"
            + $"{(rules.Ties is { Size: not null } ties ? ", ties " + ties.Drawn : "")}, {S(rules.Embedment)} into the cap.{edge}";
    }
}
