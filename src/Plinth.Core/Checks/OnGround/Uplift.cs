using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Upward loads against permanent ones and weights. Cases count one by one: what lifts never offsets what holds.</summary>
internal readonly struct Uplift : ICheckRule<Nothing>
{
    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
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
            var own = s.Place.CaseActions[term.Case].N;
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

        var f = combination.WeightFactor;
        var weights = trace.Let("W", f * (s.BaseWeight + s.SoilWeight), Unit.Force, $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", s.SoilWeight, Unit.Force)})");
        trace.Given("upward", up, Unit.Force, "sum of U");
        trace.Let("downward", down + weights, Unit.Force, $"{new Sym("sum of R", down, Unit.Force)} + {new Sym("W", weights, Unit.Force)}");
        return StabilityFactor.Judge(s, combination, rules.Uplift, up, down + weights, Unit.Force, ref trace);
    }

    private static void Tell<T>(ref T trace, string letter, string name, double value, string sign, double factor, double n)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Let($"{letter}[{name}]", value, Unit.Force, $"{sign}{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N[{name}]", n, Unit.Force)}");
        }
    }
}
