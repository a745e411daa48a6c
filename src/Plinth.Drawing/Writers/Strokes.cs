using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Writers;

/// <summary>What all writers draw alike: patterns of lines, hatching, the parts of a dimension.</summary>
public static class Strokes
{
    private const double HatchStep = 2.5;
    private const double Gap = 1;
    private const double Beyond = 1.2;
    private const double Tick = 1.1;
    private const double TextGap = 0.8;

    /// <summary>Lengths of dashes and gaps, mm; empty: unbroken.</summary>
    public static double[] Pattern(Dash dash) => dash switch
    {
        Dash.Hidden => [2, 1],
        Dash.Chain => [8, 1.2, 0.6, 1.2],
        Dash.Boundary => [9, 1.2, 0.6, 1.2, 0.6, 1.2],
        _ => [],
    };

    /// <summary>The lines of a hatched area; none for others.</summary>
    public static IEnumerable<PathItem> Hatch(PathItem area)
    {
        ArgumentNullException.ThrowIfNull(area);
        if (area.Fill != Fill.Hatch)
        {
            yield break;
        }

        // Lines x − y = c; crossings with the edges in order along the line are inside from odd to even.
        var (low, high) = (area.Points.Min(p => p.X - p.Y), area.Points.Max(p => p.X - p.Y));
        for (var c = (Math.Floor(low / HatchStep) + 1) * HatchStep; c < high; c += HatchStep)
        {
            var crossings = new List<At>();
            for (var i = 0; i < area.Points.Count; i++)
            {
                var (a, b) = (area.Points[i], area.Points[(i + 1) % area.Points.Count]);
                var (u, v) = (a.X - a.Y - c, b.X - b.Y - c);
                if ((u < 0) != (v < 0))
                {
                    var t = u / (u - v);
                    crossings.Add(new At(a.X + (t * (b.X - a.X)), a.Y + (t * (b.Y - a.Y))));
                }
            }

            crossings.Sort((a, b) => a.X.CompareTo(b.X));
            for (var i = 0; i + 1 < crossings.Count; i += 2)
            {
                yield return new PathItem(area.Layer, [crossings[i], crossings[i + 1]], false, new Stroke(0.13));
            }
        }
    }

    /// <summary>A dimension as lines and text: its line, extension lines, oblique ticks, text over it.</summary>
    public static IEnumerable<Item> Of(DimensionItem d)
    {
        ArgumentNullException.ThrowIfNull(d);
        var (from, to) = d.Ends;
        var layer = d.Layer;
        yield return new PathItem(layer, [from, to], false, Stroke.Fine);
        foreach (var (measured, end) in new[] { (d.From, from), (d.To, to) })
        {
            var way = d.Vertical ? Math.Sign(end.X - measured.X) : Math.Sign(end.Y - measured.Y);
            var away = d.Vertical ? Math.Abs(end.X - measured.X) : Math.Abs(end.Y - measured.Y);
            if (away > Gap)
            {
                At Along(double v) => d.Vertical ? new At(measured.X + (way * v), measured.Y) : new At(measured.X, measured.Y + (way * v));
                yield return new PathItem(layer, [Along(Gap), Along(away + Beyond)], false, Stroke.Fine);
            }

            yield return new PathItem(layer, [end + (-Tick, -Tick), end + (Tick, Tick)], false, Stroke.Thin);
        }

        yield return TextOf(d);
    }

    /// <summary>The text of a dimension: over its line, read from below or from the right.</summary>
    public static TextItem TextOf(DimensionItem d)
    {
        ArgumentNullException.ThrowIfNull(d);
        var (from, to) = d.Ends;
        var middle = new At(from.X + (d.TextShare * (to.X - from.X)), from.Y + (d.TextShare * (to.Y - from.Y)));
        return d.Vertical
            ? new TextItem(d.Layer, middle + (-TextGap, 0), DimensionItem.TextHeight, d.Text, Anchor.Middle, 90)
            : new TextItem(d.Layer, middle + (0, TextGap), DimensionItem.TextHeight, d.Text, Anchor.Middle);
    }
}

/// <summary>Texts as formats may hold them.</summary>
public static class Texts
{
    /// <summary>A text without control characters.</summary>
    public static string Clean(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return text.Any(char.IsControl) ? string.Concat(text.Select(c => char.IsControl(c) ? ' ' : c)) : text;
    }
}
