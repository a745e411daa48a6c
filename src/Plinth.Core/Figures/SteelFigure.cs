using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;

namespace Plinth.Core.Figures;

/// <summary>Steel of a face in a direction: what is there against what is needed.</summary>
/// <param name="Bottom">The bottom, or the top.</param>
/// <param name="AlongX">Bars along x, or along y.</param>
/// <param name="Bars">The bars.</param>
/// <param name="Provided">As, m2.</param>
/// <param name="Flexure">As needed for the greatest moment, m2; infinite where no steel suffices; 0 where plain concrete does.</param>
/// <param name="Least">As,min, m2; 0 for a face without bars that needs none.</param>
/// <param name="Moment">The greatest moment, kNm.</param>
/// <param name="Combination">Where it arises; null without moment.</param>
public sealed record SteelFigure(bool Bottom, bool AlongX, BarLayer Bars, double Provided, double Flexure, double Least, double Moment,
    string? Combination)
{
    /// <summary>As needed, m2.</summary>
    public double Needed => Math.Max(Flexure, Least);

    /// <summary>The four layers of a base: bottom x, bottom y, top x, top y.</summary>
    /// <param name="states">The base at each of its places, its design set.</param>
    public static IReadOnlyList<SteelFigure> Of(IReadOnlyList<Trial> states)
    {
        ArgumentNullException.ThrowIfNull(states);
        return [One(states, true, true), One(states, true, false), One(states, false, true), One(states, false, false)];
    }

    private static SteelFigure One(IReadOnlyList<Trial> states, bool bottom, bool alongX)
    {
        var check = states[0].Checks.Find($"flexure-{(bottom ? "bottom" : "top")}-{(alongX ? "x" : "y")}");
        var worst = check is null ? default : states.Select(s => (State: s, Found: check.Worst(s)))
            .Where(f => f.Found is { Outcome.Done: true })
            .OrderByDescending(f => f.Found!.Value.Outcome.Demand)
            .FirstOrDefault();
        var first = states[0].Spans(alongX)[0];
        var layer = first.Layer(bottom);
        var breadth = first.Breadth;
        var none = default(NoTrace);
        var least = layer.Any || bottom
            ? first.Code.MinimumSteelRatio(ref none, first.Rules.Concrete, first.Rules.Steel.Yield) * breadth
                * first.Code.LeastSteelDepth(first.Thickness, first.Depth(bottom)).Value
            : 0;
        if (worst.State is null || worst.Found!.Value is not { Outcome.Demand: > 0 } found)
        {
            return new SteelFigure(bottom, alongX, layer, layer.Area, 0, least, 0, null);
        }

        var plain = !bottom && !layer.Any && found.Outcome.Passes;
        return new SteelFigure(bottom, alongX, layer, layer.Area,
            plain ? 0 : Required(worst.State.Spans(alongX)[0], bottom, found.Outcome.Demand), least, found.Outcome.Demand,
            worst.State.Combinations[found.Combination].Name);
    }

    // The strength grows with the steel until the section is no longer tension-controlled: halving finds the least that carries the moment.
    private static double Required(SlabSpan s, bool bottom, double moment)
    {
        var (breadth, depth) = (s.Breadth, s.Depth(bottom));
        FlexuralStrength At(double area)
        {
            var none = default(NoTrace);
            return s.Code.Flexure(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, area, breadth, depth);
        }

        var (low, high) = (0.0, 0.1 * breadth * depth);
        if (depth <= 0)
        {
            return double.PositiveInfinity;
        }

        for (var i = 0; i < 60; i++)
        {
            var mid = (low + high) / 2;
            var strength = At(mid);
            (low, high) = strength.Ductile && strength.Strength < moment ? (mid, high) : (low, mid);
        }

        var spread = s.Layer(bottom).Band > 0 ? 1 : s.ShortWayFactor;
        return At(high) is { Ductile: true } enough && enough.Strength >= moment * (1 - 1e-9) ? high * spread : double.PositiveInfinity;
    }
}
