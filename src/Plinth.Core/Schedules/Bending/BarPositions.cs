using Plinth.Core.Concrete;

namespace Plinth.Core.Schedules;

/// <summary>Where the bars of a layer lie across a base.</summary>
public static class BarPositions
{
    /// <summary>
    /// Distances of the bars from the base's middle, in order, m. Even from cover to cover; of a banded layer those of the band stand in the middle of equal
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
            return layer.Count == 1 ? [0] : [.. Enumerable.Range(0, layer.Count).Select(i => (-within / 2) + (within * i / (layer.Count - 1)))];
        }

        var band = Math.Min(span, within);
        var inBand = band / layer.Band;
        var beside = (layer.Count - layer.Band) / 2;
        var outside = beside == 0 ? 0 : (within - band) / 2 / (beside - 0.5);
        var right = Enumerable.Range(0, beside).Select(j => (band / 2) + (outside * (j + 0.5))).ToList();
        return [.. right.AsEnumerable().Reverse().Select(v => -v), .. Enumerable.Range(0, layer.Band).Select(i => (-band / 2) + (inBand * (i + 0.5))), .. right];
    }
}
