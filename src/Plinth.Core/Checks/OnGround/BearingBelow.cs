using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Pressure on the top of deeper layers whose bearing is stated: the load on the effective area spreads evenly with depth.
/// </summary>
internal readonly struct BearingBelow : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bearers;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var layers = s.Ground.Layers;
        if (layers.Count == 0 || s.Ground.Design?.Of(s.Combinations[k].State) is not null
            || s.Contact(k) is { State: ContactState.NoEquilibrium } or { Share: <= 0 })
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        var (top, governing, at) = (0.0, -1, 0.0);
        for (var i = 0; i < layers.Count; i++)
        {
            if (layers[i].Bearing is not null && top > s.FoundingDepth)
            {
                var o = On(s, k, layers[i], top, ref none);
                if (!worst.Done || o.Utilisation > worst.Utilisation)
                {
                    (worst, governing, at) = (o, i, top);
                }
            }

            top += layers[i].Thickness;
        }

        if (governing >= 0 && T.Notes)
        {
            trace.Note(
                $"on {(layers[governing].Name.Length > 0 ? layers[governing].Name : "the layer")} "
                    + $"{Unit.Length.FormatWithSymbol(at - s.FoundingDepth, s.Units)} below the underside");
        }

        if (governing >= 0 && T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
            On(s, k, layers[governing], at, ref trace);
        }

        return worst;
    }

    private static Outcome On<T>(GroundBody s, int k, GroundLayer layer, double depth, ref T trace)
        where T : struct, ITrace
    {
        var (g, ground) = (s.Ground, s.GroundColumn(k));
        ref readonly var l = ref s.Loads(k);
        trace.Heading($"Pressure on {(layer.Name.Length > 0 ? layer.Name : "the layer below")}");
        var z = trace.Let("z", depth - s.FoundingDepth, Unit.Length,
            $"{new Sym("d,layer", depth, Unit.Length)} − {new Sym("Df", s.FoundingDepth, Unit.Length)}");
        var (lx, ly) = s.Bed is null ? Bearing.Sides(s, l, ref trace)
            : (trace.Given("Lx'", s.Length, Unit.Length, "the whole length, as if the greatest pressure acted all along"),
                trace.Given("Ly'", s.Width, Unit.Length, "the whole width"));
        var p0 = Bearing.Overburden(s, k, ref trace);
        var n = s.Bed is null ? l.N : trace.Let("ΣN", s.MostPressure(k) * lx * ly, Unit.Force,
            $"{new Sym("p,most", s.MostPressure(k), Unit.Pressure)}·{new Sym("Lx'", lx, Unit.Length)}·{new Sym("Ly'", ly, Unit.Length)}");
        var extra = trace.Let("ΔN", Math.Max(0, n - (p0 * lx * ly)), Unit.Force,
            $"max(0; {new Sym("ΣN", n, Unit.Force)} − {new Sym("p0", p0, Unit.Pressure)}·{new Sym("Lx'", lx, Unit.Length)}·"
                + $"{new Sym("Ly'", ly, Unit.Length)})");
        var (spread, deep) = (new Sym("t", g.LoadSpread, Unit.Ratio), new Sym("z", z, Unit.Length));
        var added = trace.Let("Δp", extra / ((lx + (2 * g.LoadSpread * z)) * (ly + (2 * g.LoadSpread * z))), Unit.Pressure,
            $"{new Sym("ΔN", extra, Unit.Force)}/(({new Sym("Lx'", lx, Unit.Length)} + 2·{spread}·{deep})·"
                + $"({new Sym("Ly'", ly, Unit.Length)} + 2·{spread}·{deep}))");
        var pressure = added;
        if (g.Basis == BearingBasis.Gross)
        {
            var own = trace.Given("pz", ground.EffectiveStress(depth), Unit.Pressure, "effective overburden on the layer");
            pressure = trace.Let("p", added + own, Unit.Pressure,
                $"{new Sym("Δp", added, Unit.Pressure)} + {new Sym("pz", own, Unit.Pressure)}");
        }

        var allowed = layer.Bearing!.Value * (s.Combinations[k].Transient ? g.TransientIncrease : 1);
        trace.Given("q", allowed, Unit.Pressure,
            s.Combinations[k].Transient && g.TransientIncrease != 1
                ? "allowable on the layer, with the transient increase"
                : "allowable on the layer");
        trace.Let("utilisation", pressure / allowed, Unit.Ratio,
            $"{new Sym("p", pressure, Unit.Pressure)}/{new Sym("q", allowed, Unit.Pressure)}");
        return Outcome.Ratio(pressure, allowed);
    }
}
