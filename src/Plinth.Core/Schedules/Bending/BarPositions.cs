using Plinth.Core.Concrete;

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

    /// <summary>
    /// Distances of the bars from the base's middle, in order, m. Even from cover to cover; of a banded layer those of the band stand in
    /// the middle of equal
    /// strips as wide together as the base's shorter side, and those beside it begin half a distance off its edge (ACI 318 13.3.3.3).
    /// </summary>
    /// <param name="layer">The bars.</param>
    /// <param name="breadth">Breadth of the base across the bars, m.</param>
    /// <param name="span">Side of the base along the bars, m.</param>
    /// <param name="sideCover">Cover at the sides, m.</param>
    public static IReadOnlyList<double> Across(BarLayer layer, double breadth, double span, double sideCover)
    {
        if (!layer.Any)
        {
            return [];
        }

        var within = breadth - (2 * sideCover) - layer.Diameter;
        if (layer.Band == 0)
        {
            return [.. Enumerable.Range(0, layer.Count).Select(i => Even(i, layer.Count, within))];
        }

        var band = Math.Min(span, within);
        var inBand = band / layer.Band;
        var beside = (layer.Count - layer.Band) / 2;
        var outside = beside == 0 ? 0 : (within - band) / 2 / (beside - 0.5);
        var right = Enumerable.Range(0, beside).Select(j => (band / 2) + (outside * (j + 0.5))).ToList();
        return [.. right.AsEnumerable().Reverse().Select(v => -v),
            .. Enumerable.Range(0, layer.Band).Select(i => (-band / 2) + (inBand * (i + 0.5))), .. right];
    }
}
