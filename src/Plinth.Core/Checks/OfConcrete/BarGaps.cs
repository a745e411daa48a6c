using Plinth.Core.Bodies;
using Plinth.Core.Concrete;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Distances between the bars of a layer, centre to centre, m.</summary>
/// <param name="Least">The least; 0 where bars of a banded layer do not share alike over its strips.</param>
/// <param name="Most">The greatest; infinite there.</param>
internal readonly record struct BarGaps(double Least, double Most)
{
    /// <summary>The distances: even, or of a banded layer those that there are, a strip without bars at its edge among them.</summary>
    public static BarGaps Of(SlabSpan s, bool bottom)
    {
        ref readonly var layer = ref s.Layer(bottom);
        if (layer.Band == 0)
        {
            var even = (s.Breadth - (2 * s.Rules.Concrete.CoverSide) - layer.Diameter) / (layer.Count - 1);
            return new BarGaps(even, even);
        }

        var strips = s.Strips(bottom);
        if (BandedBars.At(layer, strips) is not { Count: > 1 } at)
        {
            return new BarGaps(0, double.PositiveInfinity);
        }

        var (least, most) = (double.PositiveInfinity, 0.0);
        for (var i = 1; i < at.Count; i++)
        {
            (least, most) = (Math.Min(least, at[i] - at[i - 1]), Math.Max(most, at[i] - at[i - 1]));
        }

        // Without bars beside the bands the layer ends at one of them.
        foreach (var strip in strips)
        {
            most = layer.Count == layer.Band && !strip.InBand && strip.Ends > 0 ? Math.Max(most, strip.Breadth) : most;
        }

        return new BarGaps(least, most);
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
