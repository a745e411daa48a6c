namespace Plinth.Core.Concrete;

/// <summary>A strip across the bars of a banded layer, from the middle of the breadth.</summary>
/// <param name="From">Where it begins, m.</param>
/// <param name="To">Where it ends, m.</param>
/// <param name="InBand">Whether it is of a band, or beside one.</param>
/// <param name="Ends">At how many of its sides the layer ends: a bar lies there.</param>
public readonly record struct BarStrip(double From, double To, bool InBand, int Ends)
{
    /// <summary>Its breadth, m.</summary>
    public double Breadth => To - From;

    /// <summary>Whether it begins where the layer does.</summary>
    internal bool IsFirst { get; init; }

    /// <summary>
    /// Distance of so many bars in it, m: each in the middle of an equal strip, but for one that lies where the layer ends.
    /// </summary>
    internal double Spacing(int bars) => Breadth / (bars - (Ends / 2.0));

    /// <summary>The fewest bars in it that stand no farther apart.</summary>
    internal int Bars(double spacing) => Math.Max(1 + (Ends / 2), (int)Math.Ceiling((Breadth / spacing) + (Ends / 2.0) - 1e-9));
}

/// <summary>
/// Where the bars of a banded layer lie: those of all bands at about one distance, those beside them at another, so that like strips hold
/// like numbers (ACI 318 13.3.3.3 of the one band of a rectangular footing).
/// </summary>
public static class BandedBars
{
    // Strips narrower than this are none, m.
    private const double Touch = 1e-6;

    /// <summary>The strips from the first bar's place to the last one's, in order.</summary>
    /// <param name="half">Half the distance of the two, m.</param>
    /// <param name="bands">From where to where each band reaches, from the middle, m; they may overlap, or reach beyond.</param>
    public static IReadOnlyList<BarStrip> Strips(double half, IEnumerable<(double From, double To)> bands)
    {
        ArgumentNullException.ThrowIfNull(bands);
        var (list, reached) = (new List<BarStrip>(), -half);
        foreach (var (from, to) in bands.OrderBy(b => b.From))
        {
            var (low, high) = (Math.Max(from, reached), Math.Min(to, half));
            if (high - low <= Touch)
            {
                continue;
            }

            if (low - reached > Touch)
            {
                list.Add(new BarStrip(reached, low, false, 0));
            }
            else if (list.Count > 0)
            {
                // Bands that touch are one.
                low = list[^1].From;
                list.RemoveAt(list.Count - 1);
            }

            list.Add(new BarStrip(low, high, true, 0));
            reached = high;
        }

        if (half - reached > Touch)
        {
            list.Add(new BarStrip(reached, half, false, 0));
        }

        for (var i = 0; i < list.Count; i++)
        {
            var (first, last) = (i == 0, i == list.Count - 1);
            list[i] = list[i] with { Ends = (first ? 1 : 0) + (last ? 1 : 0), IsFirst = first };
        }

        return list;
    }

    /// <summary>
    /// Places of the bars from the middle, in order, m; null where they do not share alike: a number does where some one distance makes it.
    /// </summary>
    /// <param name="layer">The bars.</param>
    /// <param name="strips">The strips over which they lie.</param>
    public static IReadOnlyList<double>? At(BarLayer layer, IReadOnlyList<BarStrip> strips)
    {
        if (Parts(layer, strips) is not { } parts)
        {
            return null;
        }

        var at = new List<double>(layer.Count);
        foreach (var (s, n, spacing) in parts)
        {
            var first = s.From + (s.IsFirst ? 0 : spacing / 2);
            at.AddRange(Enumerable.Range(0, n).Select(j => first + (j * spacing)));
        }

        return at;
    }

    /// <summary>Strip by strip how many bars lie in it and how far apart, m; null where they do not share alike.</summary>
    /// <param name="layer">The bars.</param>
    /// <param name="strips">The strips over which they lie.</param>
    public static IReadOnlyList<(BarStrip Strip, int Bars, double Spacing)>? Parts(BarLayer layer, IReadOnlyList<BarStrip> strips)
    {
        ArgumentNullException.ThrowIfNull(strips);
        var (inBand, beside) = (Share(strips, true, layer.Band), Share(strips, false, layer.Count - layer.Band));
        return inBand.Sum() != layer.Band || beside.Sum() != layer.Count - layer.Band
            ? null
            : [.. strips.Select((s, i) => (s, inBand[i] + beside[i])).Select(p => (p.s, p.Item2, p.Item2 > 0 ? p.s.Spacing(p.Item2) : 0))];
    }

    /// <summary>
    /// How many bars lie in each strip where at least so many are wanted in those of the bands, or beside them: as few more as share alike.
    /// None where none are wanted; none too where there are no such strips.
    /// </summary>
    /// <param name="strips">The strips.</param>
    /// <param name="inBand">Those of the bands, or beside them.</param>
    /// <param name="wanted">How many.</param>
    public static IReadOnlyList<int> Share(IReadOnlyList<BarStrip> strips, bool inBand, int wanted)
    {
        ArgumentNullException.ThrowIfNull(strips);
        var counts = new int[strips.Count];
        if (wanted <= 0 || !strips.Any(s => s.InBand == inBand))
        {
            return counts;
        }

        // The widest distance that makes so many is one that just fits a strip.
        var (most, found) = (0.0, false);
        foreach (var s in strips.Where(s => s.InBand == inBand))
        {
            for (var n = 1 + (s.Ends / 2); n <= wanted && s.Spacing(n) > most; n++)
            {
                if (Count(s.Spacing(n)) >= wanted)
                {
                    (most, found) = (s.Spacing(n), true);
                }
            }
        }

        for (var i = 0; i < counts.Length && found; i++)
        {
            counts[i] = strips[i].InBand == inBand ? strips[i].Bars(most) : 0;
        }

        return counts;

        int Count(double spacing) => strips.Sum(s => s.InBand == inBand ? s.Bars(spacing) : 0);
    }

    /// <summary>How many bars lie in each strip at no more than a distance, together, in the bands or beside them.</summary>
    /// <param name="strips">The strips.</param>
    /// <param name="inBand">Those of the bands, or beside them.</param>
    /// <param name="spacing">The distance, m.</param>
    public static int Bars(IReadOnlyList<BarStrip> strips, bool inBand, double spacing)
    {
        ArgumentNullException.ThrowIfNull(strips);
        return strips.Sum(s => s.InBand == inBand ? s.Bars(spacing) : 0);
    }

    /// <summary>What is wrong with a banded layer that does not share alike over its strips; null: it does.</summary>
    /// <param name="layer">The bars.</param>
    /// <param name="strips">The strips.</param>
    public static string? Fault(BarLayer layer, IReadOnlyList<BarStrip> strips)
    {
        ArgumentNullException.ThrowIfNull(strips);
        if (layer.Band == 0 || At(layer, strips) is not null)
        {
            return null;
        }

        var (inBand, beside) = (Share(strips, true, layer.Band).Sum(), Share(strips, false, layer.Count - layer.Band).Sum());
        var (name, rest) = (layer.Size!.Name, layer.Count - layer.Band);
        return beside == 0 && rest > 0
            ? $"there is nothing beside the bands for {rest} bars; write all in one number, for example \"{layer.Count} {name}\""
            : $"{layer.Band} bars in bands and {rest} beside them do not share alike over {strips.Count(s => s.InBand)} and "
                + $"{strips.Count(s => !s.InBand)} strips; write for example {{ band = \"{inBand} {name}\", rest = "
                + $"\"{(beside > 0 ? $"{beside} {name}" : "none")}\" }}";
    }
}
