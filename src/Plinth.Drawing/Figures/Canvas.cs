using System.Globalization;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Collects what a figure is made of.</summary>
internal sealed class Canvas
{
    /// <summary>Height of texts, mm.</summary>
    public const double Text = 2;

    /// <summary>Height of headings within a figure, mm.</summary>
    public const double Heading = 2.4;

    /// <summary>From a line of text to the next, mm.</summary>
    public const double Line = 3.8;

    public List<Item> Items { get; } = [];

    public void Path(string layer, Stroke stroke, params At[] points) => Items.Add(new PathItem(layer, points, false, stroke));

    public void Area(string layer, Stroke stroke, IReadOnlyList<At> points, Fill fill = Fill.None, int? tint = null) =>
        Items.Add(new PathItem(layer, points, true, stroke, fill) { Tint = tint });

    public void Box(string layer, Stroke stroke, At low, At high, Fill fill = Fill.None, int? tint = null) =>
        Area(layer, stroke, [low, new(high.X, low.Y), high, new(low.X, high.Y)], fill, tint);

    public void Circle(string layer, Stroke stroke, At centre, double radius, Fill fill = Fill.None) =>
        Items.Add(new CircleItem(layer, centre, radius, stroke, fill));

    public void Write(string layer, At at, string text, Anchor anchor = Anchor.Left, double height = Text, bool bold = false,
        double angle = 0) => Items.Add(new TextItem(layer, at, height, text, anchor, angle, bold));

    public void Measure(At from, At to, bool vertical, double line, string text) =>
        Items.Add(new DimensionItem(from, to, vertical, line, text));

    /// <summary>A tag: a letter or number in a ring.</summary>
    public void Tag(string layer, At at, string text)
    {
        Circle(layer, Stroke.Fine, at, 2, Fill.Paper);
        Write(layer, at + (0, -0.8), text, Anchor.Middle, 1.8, true);
    }

    /// <summary>A length as dimensions write it: millimetres, or feet and inches.</summary>
    public static string Length(double metres, UnitSystem units) =>
        units == UnitSystem.Us ? Dimension.Feet(metres) : Math.Round(metres * 1000).ToString("0", CultureInfo.InvariantCulture);

    /// <summary>The largest usual scale at which a length keeps within a space; the smallest where none does.</summary>
    /// <param name="units">Units.</param>
    /// <param name="sizes">Lengths, m, and the spaces for them, mm.</param>
    public static DrawingScale Fit(UnitSystem units, params (double Length, double Space)[] sizes)
    {
        var scales = DrawingScale.For(units);
        return scales.FirstOrDefault(s => sizes.All(v => v.Length * 1000 / s.Ratio <= v.Space)) ?? scales[^1];
    }

    /// <summary>A signed value with its unit: "+12.3 kPa".</summary>
    public static string Signed(Unit unit, double value, UnitSystem units)
    {
        var text = unit.FormatWithSymbol(value, units);
        return text[0] == '-' ? "−" + text[1..] : "+" + text;
    }
}
