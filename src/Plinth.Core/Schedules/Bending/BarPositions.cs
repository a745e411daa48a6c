using Plinth.Core.Concrete;
using Plinth.Core.Contact;

namespace Plinth.Core.Schedules;

/// <summary>Where the bars of a layer lie across a base.</summary>
public static class BarPositions
{
    // Bars that a slanted edge makes of many lengths are cut in such steps.
    private const double MetricCut = 0.05;
    private const double InchCut = 2 * 0.0254;

    /// <summary>Distance of a bar of a layer that is spread evenly from its middle, m.</summary>
    /// <param name="i">Which, from 0.</param>
    /// <param name="count">How many there are.</param>
    /// <param name="within">Distance of the first from the last, m.</param>
    public static double Even(int i, int count, double within) => count == 1 ? 0 : (-within / 2) + (within * i / (count - 1));

    /// <summary>A length cut down to whole steps of 50 mm, of bars by inches 2 in, m.</summary>
    /// <param name="length">The most that there is room for, m.</param>
    /// <param name="size">The bar.</param>
    public static double CutDown(double length, BarSize size)
    {
        ArgumentNullException.ThrowIfNull(size);
        var step = size.IsUs ? InchCut : MetricCut;
        return Math.Round(Math.Floor((length / step) + 1e-9) * step, 6);
    }

    /// <summary>Length to which a bar is cut where it lies, in steps of 50 mm or 2 in, m.</summary>
    /// <param name="outline">Corners of the base, anticlockwise.</param>
    /// <param name="alongX">Whether it runs along x, or along y.</param>
    /// <param name="at">Where it lies across, m.</param>
    /// <param name="size">The bar.</param>
    /// <param name="cover">Cover at its ends, m.</param>
    public static double Cut(ReadOnlySpan<PlanPoint> outline, bool alongX, double at, BarSize size, double cover)
    {
        var (from, to) = ConvexPolygon.Chord(outline, !alongX, at);
        return CutDown(to - from - (2 * cover), size);
    }

    /// <summary>Some of a list of places, spread over it as evenly as may be.</summary>
    /// <param name="places">Where bars may lie, in order, m.</param>
    /// <param name="count">How many bars there are, no more than places.</param>
    public static IReadOnlyList<double> Spread(IReadOnlyList<double> places, int count)
    {
        ArgumentNullException.ThrowIfNull(places);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(count, places.Count);
        return [.. Enumerable.Range(0, count).Select(i => places[(int)Math.Floor((i + 0.5) * places.Count / count)])];
    }

    /// <summary>Places between cover and cover, evenly, which bars that run through share with extra ones.</summary>
    /// <param name="through">How many bars run through, those in the corners among them.</param>
    /// <param name="extra">How many places extra ones have, no two side by side.</param>
    /// <param name="within">Distance of the first from the last, m.</param>
    public static (IReadOnlyList<double> Through, IReadOnlyList<double> Extra) Shared(int through, int extra, double within)
    {
        var gaps = Spread([.. Enumerable.Range(0, through - 1).Select(i => (double)i)], extra).Select(g => (int)g).ToHashSet();
        var (own, others, place) = (new List<double>(), new List<double>(), 0);
        for (var i = 0; i < through; i++)
        {
            own.Add(Even(place++, through + extra, within));
            if (gaps.Contains(i))
            {
                others.Add(Even(place++, through + extra, within));
            }
        }

        return (own, others);
    }

    /// <summary>Distances of bars of a layer from the middle of the breadth, in order, m: even from cover to cover, or banded.</summary>
    /// <param name="layer">The bars.</param>
    /// <param name="breadth">Breadth across the bars, edges included, m.</param>
    /// <param name="sideCover">Cover at the sides, m.</param>
    /// <param name="strips">The strips of a banded layer; of others none are asked for.</param>
    /// <exception cref="ArgumentException">The bars do not share alike over the strips.</exception>
    public static IReadOnlyList<double> Across(BarLayer layer, double breadth, double sideCover, IReadOnlyList<BarStrip> strips)
    {
        var within = breadth - (2 * sideCover) - layer.Diameter;
        return layer.Band == 0
            ? [.. Enumerable.Range(0, layer.Count).Select(i => Even(i, layer.Count, within))]
            : BandedBars.At(layer, strips) ?? throw new ArgumentException($"{layer} does not share alike over its strips", nameof(layer));
    }
}
