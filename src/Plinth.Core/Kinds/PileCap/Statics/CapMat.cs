using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Schedules;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// The bars of a layer in a cap that is no rectangle: each as long as the cap where it lies, and so not all of them across every section.
/// </summary>
public static class CapMat
{
    /// <summary>Where the bars of a layer lie across, m from the cap's centroid.</summary>
    /// <param name="layer">The bars.</param>
    /// <param name="reach">From where to where they are spread, the edges included.</param>
    /// <param name="cover">Cover at the sides, m.</param>
    public static IEnumerable<double> At(BarLayer layer, (double From, double To) reach, double cover)
    {
        var middle = (reach.From + reach.To) / 2;
        return BarPositions.Across(layer, reach.To - reach.From, cover, []).Select(x => x + middle);
    }

    /// <summary>
    /// Area of the bars across a section, each as far as it is developed there on both sides, m2: of straight bars the share of the
    /// development length that they have on
    /// the shorter side (25.4.2.1 taken as even along the bar), hooked ones wholly or not at all.
    /// </summary>
    /// <param name="s">The span with the bars.</param>
    /// <param name="bottom">The bottom bars, or those on top.</param>
    /// <param name="section">Where the section lies along the bars, m from the cap's centroid.</param>
    /// <param name="counts">Which bars count, by where they lie across; null: all.</param>
    internal static double Developed(SlabSpan s, bool bottom, double section, Func<double, bool>? counts = null)
    {
        var mat = ((ICapSpan)s).Mats.Of(s, bottom);
        var (hooked, needed, sum) = (s.Layer(bottom).Hooked, mat.Needed, 0.0);
        foreach (var (at, from, to) in mat.Bars)
        {
            var there = Math.Min(section - from, to - section);
            if (there > 0 && needed > 0 && (counts is null || counts(at)))
            {
                sum += hooked ? (there >= needed - 1e-9 ? 1 : 0) : Math.Min(1, there / needed);
            }
        }

        return sum * (s.Layer(bottom).Size?.Area ?? 0);
    }

    /// <summary>Area of the bars across a section, however far they reach beyond it, m2.</summary>
    internal static double Crossing(SlabSpan s, bool bottom, double section)
    {
        var sum = 0;
        foreach (var (_, from, to) in ((ICapSpan)s).Mats.Of(s, bottom).Bars)
        {
            sum += section > from && section < to ? 1 : 0;
        }

        return sum * (s.Layer(bottom).Size?.Area ?? 0);
    }
}

/// <summary>A span of a cap, which knows where its bars begin and end.</summary>
internal interface ICapSpan
{
    /// <summary>Its bars.</summary>
    MatExtents Mats { get; }
}

/// <summary>
/// Where the bars of a layer lie, begin and end, and what they need to develop; found again only when size or bars have changed.
/// </summary>
internal sealed class MatExtents
{
    private readonly MatBarsAt[] layers = [new(), new()];

    /// <summary>The bars of a face.</summary>
    public MatBarsAt Of(SlabSpan s, bool bottom)
    {
        var known = layers[bottom ? 0 : 1];
        if (!known.IsOf(s, bottom))
        {
            known.Find(s, bottom);
        }

        return known;
    }
}

/// <summary>The bars of a layer one by one.</summary>
internal sealed class MatBarsAt
{
    private readonly FlexuralStrength?[] atFaces = new FlexuralStrength?[2];
    private readonly double?[] atDepth = new double?[2];
    private (int Generation, BarLayer Layer, double Depth) of = (-1, default, 0);
    private (double At, double From, double To)[] bars = [];

    /// <summary>Where each lies across, begins and ends along the axis, m.</summary>
    public ReadOnlySpan<(double At, double From, double To)> Bars => bars.AsSpan(0, of.Layer.Count);

    /// <summary>Length that they need to develop, m.</summary>
    public double Needed { get; private set; }

    /// <summary>Flexural strength at a face of the column, towards −axis or +axis; null: not found yet.</summary>
    public ref FlexuralStrength? AtFace(int side) => ref atFaces[side < 0 ? 0 : 1];

    /// <summary>Shear strength at d from a face, kN; null: not found yet.</summary>
    public ref double? AtDepth(int side) => ref atDepth[side < 0 ? 0 : 1];

    /// <summary>Whether it holds the bars that a span has now.</summary>
    public bool IsOf(SlabSpan s, bool bottom) =>
        of.Generation == s.Trial.Generation && of.Depth == s.Depth(bottom) && of.Layer == s.Layer(bottom);

    /// <summary>Finds them.</summary>
    public void Find(SlabSpan s, bool bottom)
    {
        ref readonly var layer = ref s.Layer(bottom);
        of = (s.Trial.Generation, layer, s.Depth(bottom));
        Array.Clear(atFaces);
        Array.Clear(atDepth);
        if (layer.Size is not { } size)
        {
            return;
        }

        var (none, cover) = (default(NoTrace), s.Rules.Concrete.CoverSide);
        Needed = Anchorage.Length(s, bottom, 1, ref none);
        bars = bars.Length < layer.Count ? new (double At, double From, double To)[layer.Count] : bars;
        var (middle, within) = (s.From + (s.Breadth / 2), s.Breadth - (2 * cover) - layer.Diameter);
        for (var i = 0; i < layer.Count; i++)
        {
            var at = middle + BarPositions.Even(i, layer.Count, within);
            var (from, to) = s.Body.Chord(!s.AlongX, at);
            var half = BarPositions.CutDown(to - from - (2 * cover), size) / 2;
            bars[i] = (at, ((from + to) / 2) - half, ((from + to) / 2) + half);
        }
    }
}
