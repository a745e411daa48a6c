using Plinth.Core.Bodies;
using Plinth.Core.Concrete;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Distances between the bars of a layer, centre to centre, m.</summary>
/// <param name="Least">The least.</param>
/// <param name="Most">The greatest.</param>
internal readonly record struct BarGaps(double Least, double Most)
{
    /// <summary>
    /// The distances: even, or for a banded layer those in the middle band, as wide as the base's shorter side, and those beside it (ACI
    /// 318 13.3.3.3).
    /// </summary>
    public static BarGaps Of(SlabSpan s, BarLayer layer)
    {
        var breadth = s.Breadth;
        var within = breadth - (2 * s.Rules.Concrete.CoverSide) - layer.Diameter;
        if (layer.Band == 0)
        {
            var even = within / (layer.Count - 1);
            return new BarGaps(even, even);
        }

        // Bars of the band stand in the middle of equal strips; those beside it begin half a distance off its edge.
        var band = Math.Min(s.Length, within);
        var inBand = band / layer.Band;
        var beside = (layer.Count - layer.Band) / 2;
        if (beside == 0)
        {
            var last = (within - band) / 2;
            return new BarGaps(inBand, Math.Max(inBand, last));
        }

        var outside = (within - band) / 2 / (beside - 0.5);
        var between = (inBand + outside) / 2;
        return new BarGaps(Math.Min(inBand, Math.Min(outside, between)), Math.Max(inBand, Math.Max(outside, between)));
    }

    /// <summary>The bars of a short-way layer that must lie in the band, for an even number beside it.</summary>
    /// <param name="count">All bars.</param>
    /// <param name="beta">Longer over shorter side.</param>
    public static int InBand(int count, double beta)
    {
        var band = Math.Max(2, (int)Math.Ceiling((2 * count / (beta + 1)) - 1e-9));
        return (count - band) % 2 == 0 ? band : band + 1;
    }
}
