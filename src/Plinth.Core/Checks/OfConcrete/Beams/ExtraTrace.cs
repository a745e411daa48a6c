using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>How traces tell the steel of a section in which extra bars may lie.</summary>
internal static class ExtraTrace
{
    /// <summary>Tells it: what runs through, and what of extra bars is developed there.</summary>
    public static void Steel<T>(ExtraZones? extra, in BarLayer layer, bool bottom, double x, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records || layer.Size is not { } size)
        {
            return;
        }

        var (n, ab) = (new Sym("n", layer.Count, Unit.Ratio), new Sym("Ab", size.Area, Unit.SteelArea));
        if (extra?.At(bottom, x) is not { } zone)
        {
            trace.Let("As", layer.Area, Unit.SteelArea, $"{n}·{ab}");
            return;
        }

        var share = trace.Given("share", zone.Share(x), Unit.Ratio,
            $"of the extra bars at {zone.At!}, developed on both sides of the section: its distance from their ends over ld, at most 1",
            $"{zone.Code.Name} 25.4.1.1");
        trace.Let("As", layer.Area + (share * zone.Layer.Area), Unit.SteelArea,
            $"({n} + {new Sym("share", share, Unit.Ratio)}·{new Sym("n,extra", zone.Layer.Count, Unit.Ratio)})·{ab}");
    }
}
