using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Upward loads against permanent ones and weights. Cases count one by one: what lifts never offsets what holds.</summary>
internal readonly struct Uplift : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var rules = s.Rules.Stability;
        double up = 0, down = 0;
        trace.Heading($"Uplift, {combination.Name}");
        foreach (var term in combination.Terms)
        {
            if (term.Case == s.Place.SurchargeCase)
            {
                continue;
            }

            var c = s.Place.Cases[term.Case];
            var own = s.CaseForce(term.Case);
            var factor = term.Factor * own < 0 ? term.Tips : term.Holds;
            var n = factor * own;
            if (n < 0)
            {
                up -= n;
                Tell(ref trace, "U", c.Name, -n, "−", factor, own);
            }
            else if (n > 0 && (c.IsPermanent || rules.VariableResists))
            {
                down += n;
                Tell(ref trace, "R", c.Name, n, "", factor, own);
            }
        }

        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (term, own) = (s.Place.LoadTerms[k][i], s.PlacedLoads[i].N);
            var c = s.Place.Cases[term.Case];
            var factor = term.Factor * own < 0 ? term.Tips : term.Holds;
            if (factor * own < 0)
            {
                up -= factor * own;
                Tell(ref trace, "U", $"{c.Name}, load {i + 1}", -factor * own, "−", factor, own);
            }
            else if (factor * own > 0 && (c.IsPermanent || rules.VariableResists))
            {
                down += factor * own;
                Tell(ref trace, "R", $"{c.Name}, load {i + 1}", factor * own, "", factor, own);
            }
        }

        if (up == 0)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var weights = T.Records
            ? TellWeights(s, k, ref trace)
            : BaseLoadCase.Weights(s, k, ref none) + Spread(s, k, ref none) - s.WaterPush(k);
        trace.Given("upward", up, Unit.Force, "sum of U");
        trace.Let("downward", down + weights, Unit.Force, $"{new Sym("sum of R", down, Unit.Force)} + {new Sym("W", weights, Unit.Force)}");
        return StabilityFactor.Judge(s, combination, rules.Uplift, up, down + weights, Unit.Force, ref trace);
    }

    private static double TellWeights<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        BaseLoadCase.TellWeights(s, k, ref trace);
        var w = BaseLoadCase.Weights(s, k, ref trace);
        if (s.Ground.UpliftSpread > 0 && s.Parts.Length == 0)
        {
            var spread = Spread(s, k, ref trace);
            w = trace.Let("W", w + spread, Unit.Force, $"{new Sym("W", w, Unit.Force)} + {new Sym("Wspread", spread, Unit.Force)}");
        }

        var u = s.WaterPush(k);
        return u > 0 ? trace.Let("W", w - u, Unit.Force, $"{new Sym("W", w, Unit.Force)} − {new Sym("U", u, Unit.Force)}") : w;
    }

    // Soil beside the block over the base that rises with it: four wedges and, at the corners, four pyramids.
    private static double Spread<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        // Between bases that a beam holds together the soil is not taken to rise.
        if (s.Ground.UpliftSpread <= 0 || s.Parts.Length > 0)
        {
            return 0;
        }

        ref readonly var g = ref s.GroundLoad(k);
        var wedge = trace.Given("w,edge", g.Wedge, Unit.LineLoad,
            "weight of the soil within the spread on a metre of edge, buoyant below the water");
        var corner = trace.Given("w,corner", g.Corner, Unit.Force, "the same at each corner");
        if (!s.IsRectangle)
        {
            var fw = s.Combinations[k].WeightFactor;
            var around = trace.Given("around", s.Perimeter, Unit.Length, "length of the outline");
            var corners = trace.Given("corners", s.Corners(-1) + s.Corners(1), Unit.Ratio,
                "sum of tan θ/2 of the angles by which its corners turn");
            return trace.Let("Wspread", fw * ((around * wedge) + (corners * corner)), Unit.Force,
                $"{new Sym("fw", fw, Unit.Ratio)}·({new Sym("around", around, Unit.Length)}·{new Sym("w,edge", wedge, Unit.LineLoad)} + "
                    + $"{new Sym("corners", corners, Unit.Ratio)}·{new Sym("w,corner", corner, Unit.Force)})");
        }

        return trace.Let("Wspread", s.Combinations[k].WeightFactor * ((2 * (s.Length + s.Width) * wedge) + (4 * corner)), Unit.Force,
            $"{new Sym("fw", s.Combinations[k].WeightFactor, Unit.Ratio)}·(2·({new Sym("L", s.Length, Unit.Length)} + "
                + $"{new Sym("B", s.Width, Unit.Length)})·{new Sym("w,edge", wedge, Unit.LineLoad)} + 4·"
                + $"{new Sym("w,corner", corner, Unit.Force)})");
    }

    private static void Tell<T>(ref T trace, string letter, string name, double value, string sign, double factor, double n)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Let($"{letter}[{name}]", value, Unit.Force,
                $"{sign}{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N[{name}]", n, Unit.Force)}");
        }
    }
}
