using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// The bands of a rectangular cap, in which bars lie closer: over each row of piles as wide as they are and twice the depth of the bars,
/// not beyond the edge. Those beside them are the code's least.
/// </summary>
internal static class CapStrips
{
    /// <summary>
    /// From where to where the bands of bars at a depth reach, m from the cap's middle; they may overlap, or reach beyond the edge.
    /// </summary>
    public static IEnumerable<(double From, double To)> Bands(SlabSpan s, double depth)
    {
        var piles = s.Trial.Piles;
        var half = Half(s.Rules.Piles, depth);
        var bands = new (double From, double To)[piles.Length];
        for (var i = 0; i < bands.Length; i++)
        {
            var at = piles[i].Along(!s.AlongX);
            bands[i] = (at - half, at + half);
        }

        return bands;
    }

    /// <summary>Where they lie, in words.</summary>
    public const string Words = "A band over each row of piles, as wide as they are and twice d.";

    /// <summary>Breadth of the cap beside the bands, cover at the edges included, m.</summary>
    public static double Beside(SlabSpan s, bool bottom) =>
        Beside(s.Strips(bottom), s.Rules.Concrete.CoverSide, s.Layer(bottom).Diameter);

    private static double Beside(IReadOnlyList<BarStrip> strips, double cover, double diameter) =>
        strips.Sum(b => b.InBand ? 0 : b.Breadth + (b.Ends * (cover + (diameter / 2))));

    /// <summary>
    /// Bottom bars of at least a number with the code's least beside the bands and all others in them, while they are not full; as they
    /// were where the bands reach across the whole cap.
    /// </summary>
    /// <param name="s">The span, which holds bars of its other axis and face.</param>
    /// <param name="layer">The bars.</param>
    public static BarLayer Of(SlabSpan s, in BarLayer layer)
    {
        // As deep as these bars will lie.
        var (size, rules) = (layer.Size!, s.Rules);
        var depth = s.Depth(true) + ((s.Layer(true).Diameter - size.Diameter) / 2);
        var strips = Strips(s, depth, size.Diameter);
        if (strips.All(b => b.InBand))
        {
            return layer;
        }

        var none = default(NoTrace);
        var least = s.Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield) * s.Thickness;
        var widest = Math.Min(Math.Min(rules.Steel.MostSpacing, s.Code.MostSpacing(s.Thickness)), least > 0 ? size.Area / least : 1);
        var beside = BandedBars.Bars(strips, false, widest);
        while (beside * size.Area < least * Beside(strips, rules.Concrete.CoverSide, size.Diameter) * (1 - 1e-9))
        {
            beside = BandedBars.Share(strips, false, beside + 1).Sum();
        }

        var fewest = BandedBars.Bars(strips, true, Math.Min(rules.Steel.MostSpacing, s.Code.MostSpacing(s.Thickness)));
        var inBand = BandedBars.Share(strips, true, Math.Max(layer.Count - beside, fewest));
        var closest = Math.Max(rules.Steel.LeastSpacing, s.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
        for (var n = inBand.Sum() - 1; n >= fewest && IsTooClose(inBand); n--)
        {
            // Bands that are full leave the others beside them.
            inBand = BandedBars.Share(strips, true, n);
            beside = BandedBars.Share(strips, false, Math.Max(beside, layer.Count - inBand.Sum())).Sum();
        }

        // Where those are full too, all lie evenly as close as may be.
        return IsTooClose(BandedBars.Share(strips, false, beside))
            ? layer
            : layer with { Count = beside + inBand.Sum(), Band = inBand.Sum() };

        bool IsTooClose(IReadOnlyList<int> counts)
        {
            for (var i = 0; i < counts.Count; i++)
            {
                if (counts[i] > 0 && strips[i].Spacing(counts[i]) < closest - 1e-9)
                {
                    return true;
                }
            }

            return false;
        }
    }

    /// <summary>What is wrong with a banded layer of a design; null: nothing.</summary>
    public static string? Fault(Foundation f, CapDesign d, bool alongX, bool bottom, in BarLayer layer)
    {
        if (layer.Band == 0)
        {
            return null;
        }

        if (d.ToEdge is not null)
        {
            return "the bars of a cap with cut corners lie evenly; write them in one number, for example "
                + $"\"{layer.Count} {layer.Size!.Name}\"";
        }

        var (bars, concrete, outerIsX) = (d.Bars(f.Rules.Concrete.CoverSide), f.Rules.Concrete, f.Rules.Steel.OuterIsX(d.Size));
        var outer = outerIsX == alongX ? 0 : (bottom, outerIsX) switch
        {
            (true, true) => bars.BottomX.Diameter,
            (true, false) => bars.BottomY.Diameter,
            (false, true) => bars.TopX.Diameter,
            _ => bars.TopY.Diameter,
        };
        var cover = bottom ? Math.Max(concrete.CoverBottom, f.Rules.Piles.Embedment) : concrete.CoverTop;
        var half = Half(f.Rules.Piles, d.Size.Thickness - cover - outer - (layer.Diameter / 2));
        var strips = BandedBars.Strips((d.MatBreadth(alongX) - (2 * concrete.CoverSide) - layer.Diameter) / 2,
            d.Piles.Select(p => alongX ? p.Y + d.PilesAt.Y : p.X + d.PilesAt.X).Select(at => (at - half, at + half)));
        return BandedBars.Fault(layer, strips);
    }

    private static IReadOnlyList<BarStrip> Strips(SlabSpan s, double depth, double diameter) =>
        BandedBars.Strips((s.Breadth - (2 * s.Rules.Concrete.CoverSide) - diameter) / 2, Bands(s, depth));

    private static double Half(PileRules piles, double depth) => (piles.Side / 2) + Math.Max(0, depth);
}
