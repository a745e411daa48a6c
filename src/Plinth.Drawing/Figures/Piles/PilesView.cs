using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Piles;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// What each pile of a cap carries in a combination, on its plan, with the greatest and least of all combinations beside it.
/// </summary>
public static class PilesView
{
    private const double Side = 8;
    private const double Below = 26;
    private const double Above = 7;
    private const double Between = 6;

    // Half the size on paper of a pile that holds its number and loads, mm.
    private const double Roomy = 6;

    // Between two lines of a pile's loads, and what a column may stand off a pile that its loads are written beyond it, mm.
    private const double Spacing = 2.5;
    private const double Near = 4;

    /// <summary>Draws it.</summary>
    /// <param name="mark">The cap's mark.</param>
    /// <param name="s">The cap, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="forces">What its piles carry in that combination, in place, and how much more or less out of it, by number, kN.</param>
    /// <param name="extremes">The greatest and least of all combinations.</param>
    /// <param name="width">Width of the figure, mm.</param>
    /// <param name="height">Its greatest height, mm.</param>
    public static Figure Of(string mark, Trial s, int k, IReadOnlyList<(double Force, double Spread)> forces,
        IReadOnlyList<PileForces> extremes, double width = 160, double height = 110)
    {
        ArgumentNullException.ThrowIfNull(s);
        ArgumentNullException.ThrowIfNull(forces);
        ArgumentNullException.ThrowIfNull(extremes);
        var units = s.Units;
        var (heads, numbers, rows) = Table(extremes, units);
        var table = Layout.Size(heads, rows);
        var room = width - table.Width - Between - (2 * Side);
        var scale = Canvas.Fit(units, (s.Body.Length, room), (s.Body.Width, height - Above - Below));
        var per = 1000 / scale.Ratio;
        var tall = Math.Max((s.Body.Width * per) + Above + Below, table.Height + 10 + Below);
        var view = BaseView.About(s, scale, new At(Side + (s.Body.Length * per / 2), Below + (s.Body.Width * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        view.Standing(to);
        foreach (var p in s.Piles)
        {
            var (at, half) = (view.At(p.X, p.Y), s.Rules.Piles.Side / 2 * per);
            var (force, spread) = forces[p.Index];
            if (s.Rules.Piles.Shape == PileShape.Round)
            {
                to.Circle(Layers.Pile, Stroke.Thin, at, half, Fill.Paper);
            }
            else
            {
                to.Box(Layers.Pile, Stroke.Thin, at + (-half, -half), at + (half, half), Fill.Paper);
            }

            // Within the pile where there is room, else beside it, towards the cap's middle and clear of a column over it.
            var roomy = half >= Roomy;
            var inwards = p.X > 0 ? -1 : 1;
            var beside = half;
            foreach (var c in s.Columns)
            {
                var face = inwards * (c.Face(true, inwards) - p.X) * per;
                beside = Math.Abs(c.Y - p.Y) * per < (c.Outline.Y / 2 * per) + Spacing && face > 0 && face < Near + half
                    ? Math.Max(beside, face)
                    : beside;
            }

            var anchor = roomy ? Anchor.Middle : inwards > 0 ? Anchor.Left : Anchor.Right;
            var first = roomy ? at + (0, -1.7) : at + (inwards * (beside + 1), spread > 0 ? 0.5 : -0.8);
            to.Write(Layers.Pile, at + (0, roomy ? 0.9 : -1.2), p.Number.ToString(CultureInfo.InvariantCulture), Anchor.Middle, 2.4, true);
            to.Write(Layers.Result, first, Unit.Force.Format(force, units), anchor, 1.8, force < 0);
            if (spread > 0)
            {
                to.Write(Layers.Result, first + (0, -Spacing), "± " + Unit.Force.Format(spread, units), anchor, 1.8);
            }
        }

        Layout.Table(to.Items, new(width - table.Width, tall - Above), "Greatest and least", heads, numbers, rows);
        BaseView.Axes(to, new At(3, Below - 10));
        var total = forces.Sum(f => f.Force);
        string[] lines =
        [
            $"{s.Named(k)}: ΣR "
                + $"{Unit.Force.FormatWithSymbol(total, units)}, ΣN {Unit.Force.FormatWithSymbol(s.Body.Loads(k).N, units)}; loads of the "
                + $"piles in {Unit.Force.Symbol(units)}, compression positive,",
            "in place, ± where they stand out of place in the direction that is worst for each.",
            s.Combinations[k].Rule,
        ];
        for (var i = 0; i < lines.Length; i++)
        {
            to.Write(Layers.Note, new(2, Below - 16 - (i * Canvas.Line)), lines[i], Anchor.Left,
                Layout.Fitted(lines[i], Canvas.Text, width - 4));
        }

        return new Figure($"{mark}: loads of the piles", width, tall, scale, to.Items);
    }

    private static (string[] Heads, bool[] Numbers, IReadOnlyList<IReadOnlyList<string>> Rows) Table(IReadOnlyList<PileForces> extremes,
        UnitSystem units)
    {
        var unit = Unit.Force.Symbol(units);
        string F(double v) => Unit.Force.Format(v, units).Replace('-', '−');
        return
        (
            ["pile", $"greatest {unit}", "under", $"least {unit}", "under", $"lateral {unit}"],
            [true, true, false, true, false, true],
            [
                .. extremes.Select(e => (IReadOnlyList<string>)[e.Number.ToString(CultureInfo.InvariantCulture), F(e.Most),
                    e.MostCombination, F(e.Least), e.LeastCombination, F(e.Lateral)])]
        );
    }
}
