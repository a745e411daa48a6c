using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <content>The layers that are sought, and how they are put into the trials.</content>
internal sealed partial class CombinedBars
{
    // All along a strip bars stand by whole spacings, which a site sets out from one end.
    private double? EvenStep => rules.Steel.SpacingStep
        ?? (trials[0].Foundation.Kind.OnSprings ? rules.Steel.Bars[0].IsUs ? 0.0254 : 0.025 : null);

    private void Look(Face face)
    {
        foreach (var t in trials)
        {
            t.Looking = face;
        }
    }

    private void Thinnest()
    {
        var thin = new BarLayer(2, rules.Steel.Bars.MinBy(b => b.Diameter));
        along = held.BottomX is { } x ? new BarLayer(2, x.Size) : thin;
        rest = CombinedFields.HeldRest(held) is { } r ? new BarLayer(2, r.Size) : thin;
        (alongTop, acrossTop) = (BarLayer.None, BarLayer.None);
        for (var g = 0; g < bands; g++)
        {
            inBand[g] = CombinedFields.HeldBand(held, labels[g]) is { } band ? new BarLayer(2, band.Size) : thin;
        }

        Put();
    }

    private void Put()
    {
        foreach (var t in trials)
        {
            t.Set(along, alongTop, acrossTop, rest, inBand);
        }
    }

    private List<SoughtZone> Zones(bool alongX, Face face)
    {
        var (t, side, bottom) = (trials[0], 2 * rules.Concrete.CoverSide, face == Face.Bottom);
        if (alongX)
        {
            var (widest, narrow) = (Math.Max(t.Body.LowWidth, t.Body.HighWidth), Math.Min(t.Body.LowWidth, t.Body.HighWidth));
            return
            [
                new SoughtZone(t, bottom ? held.BottomX : held.TopX, bottom ? () => along : () => alongTop,
                    bottom ? l => along = l : l => alongTop = l)
                {
                    Breadth = () => widest,
                    Narrow = narrow,
                    Length = t.Body.Length - side,
                    LeastArea = bottom ? budget.Area : 0,
                },
            ];
        }

        var cut = t.Body.Width - side;
        if (!bottom)
        {
            var length = t.Body.Length;
            return [new SoughtZone(t, held.TopY, () => acrossTop, l => acrossTop = l) { Breadth = () => length, Narrow = length,
                Length = cut, Step = EvenStep }];
        }

        var zones = new List<SoughtZone>();
        for (var g = 0; g < bands; g++)
        {
            var band = g;
            zones.Add(new SoughtZone(t, CombinedFields.HeldBand(held, labels[g]), () => inBand[band], l => inBand[band] = l)
            {
                Breadth = () => t.Bands[band].Breadth,
                Length = cut,
                Inner = true,
                Is = s => s is LongSpan || (s is CrossSpan c && c.Index == band) || (s is PunchedArea p && t.BandOf(p.First.Index) == band),
            });
        }

        var between = t.Zones(false)[bands];
        zones.Add(new SoughtZone(t, CombinedFields.HeldRest(held), () => rest, l => rest = l)
        {
            Breadth = () => between.Breadth,
            Length = cut,
            Inner = true,
            Step = EvenStep,
            Is = s => s is LongSpan or InnerZone,
        });
        return zones;
    }
}
