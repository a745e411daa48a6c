using Plinth.Core.Concrete;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The bars in a base under several columns as they are cut.</summary>
internal static class CombinedMats
{
    /// <summary>Layer by layer: bottom along, bands from −x, between them, top along and across.</summary>
    public static IReadOnlyList<MatBars> Of(CombinedTrial t, CombinedDesign design)
    {
        var side = t.Rules.Concrete.CoverSide;
        var along = t.Body.Length - (2 * side);
        var list = new List<MatBars> { new(BarRole.BottomX, t.Long.Layer(true), along) };
        foreach (var band in t.Bands)
        {
            list.AddRange(Across(t, BarRole.BottomY, band.Layer(true), CombinedTrial.Even(band.From, band.To, band.Layer(true).Count),
                "at " + design.At[band.First.Index].Label));
        }

        var rest = t.Zones(false)[t.Bands.Length].Layer(true);
        list.AddRange(Across(t, BarRole.BottomY, rest, t.RestAt(), "between"));
        list.Add(new MatBars(BarRole.TopX, t.Long.Layer(false), along));
        var top = t.Zones(false)[t.Bands.Length + 1].Layer(false);
        list.AddRange(Across(t, BarRole.TopY, top,
            BarPositions.Across(top, t.Body.Length, side, []).Select(x => x + ((t.Body.LowX + t.Body.HighX) / 2)), ""));
        return list;
    }

    private static IEnumerable<MatBars> Across(CombinedTrial t, BarRole role, BarLayer layer, IEnumerable<double> at, string where)
    {
        if (!layer.Any)
        {
            return [];
        }

        var side = 2 * t.Rules.Concrete.CoverSide;
        if (t.Body.IsRectangle)
        {
            return [new MatBars(role, layer, t.Body.Width - side, where)];
        }

        // Each no longer than the width where it lies.
        return at.Select(x => BarPositions.CutDown(t.Body.WidthAt(x) - side, layer.Size!)).GroupBy(l => l).OrderByDescending(g => g.Key)
            .Select(g => new MatBars(role, layer with { Count = g.Count() }, g.Key, where));
    }
}
