using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Steel that is there against steel that is needed, by face and direction.</summary>
public static class SteelView
{
    private const double Row = 10;
    private const double Left = 26;

    /// <summary>Draws it.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="layers">The four layers.</param>
    /// <param name="units">Units.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(string mark, IReadOnlyList<SteelFigure> layers, UnitSystem units, double width = 150)
    {
        ArgumentNullException.ThrowIfNull(layers);
        var to = new Canvas();
        var most = layers.SelectMany(l => new[] { l.Provided, l.Needed }).Where(double.IsFinite).DefaultIfEmpty(0).Max();
        var per = most > 0 ? (width - Left - 6) / most : 0;
        var height = (Row * layers.Count) + 8;
        string A(double v) => double.IsFinite(v) ? Unit.SteelArea.FormatWithSymbol(v, units) : "more than the depth allows";
        for (var i = 0; i < layers.Count; i++)
        {
            var l = layers[i];
            var y = height - (Row * (i + 1));
            to.Write(Layers.Note, new(1, y + 2.6), $"{(l.Bottom ? "bottom" : "top")} along {(l.AlongX ? "x" : "y")}");
            to.Box(Layers.Result, Stroke.None, new(Left, y + 1.5),
                new(Left + (Math.Min(double.IsFinite(l.Needed) ? l.Needed : most, most) * per), y + 4.5), Fill.None, 0x9DBFDF);
            to.Box(Layers.Result, Stroke.Thin, new(Left, y + 1), new(Left + (l.Provided * per), y + 5));
            if (l.Least > 0)
            {
                to.Path(Layers.Result, Stroke.Edge, new(Left + (l.Least * per), y + 0.4), new(Left + (l.Least * per), y + 5.6));
            }

            var words = l.Bars.Any || l.Needed > 0
                ? $"{(l.Bars.Any ? $"{l.Bars}: {A(l.Provided)}" : "no bars")}; needed {A(l.Needed)}: flexure {A(l.Flexure)}"
                    + (l.Combination is null ? "" : $" ({Unit.Moment.FormatWithSymbol(l.Moment, units)}, {l.Combination})")
                    + $", least {A(l.Least)}"
                : "no bars, none needed";
            to.Write(Layers.Note, new(Left, y + 6.4), words, Anchor.Left, Layout.Fitted(words, 1.8, width - Left));
        }

        to.Write(Layers.Note, new(1, 1), "Outline: provided. Filled: needed. Stroke: least steel.", Anchor.Left, 1.8);
        return new Figure($"{mark}: steel needed and provided", width, height, null, to.Items);
    }
}
