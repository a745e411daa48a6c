using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>The push of water that stands above the underside against weights and downward dead load alone: a tank may be empty.</summary>
internal readonly struct Flotation : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var pressure = s.GroundLoad(k).WaterPressure;
        if (pressure <= 0 || combination.Counteracting)
        {
            return Outcome.NotDone;
        }

        trace.Heading($"Flotation, {combination.Name}");
        if (T.Records)
        {
            BaseLoadCase.TellWeights(s, k, ref trace);
        }

        var none = default(NoTrace);
        var weights = T.Records ? BaseLoadCase.Weights(s, k, ref trace) : BaseLoadCase.Weights(s, k, ref none);
        var down = 0.0;
        foreach (var term in combination.Terms)
        {
            var c = s.Place.Cases[term.Case];
            var own = s.CaseForce(term.Case);
            var n = term.Holds * own;
            if (n > 0 && Holds(c) && term.Case != s.Place.SurchargeCase)
            {
                down += n;
                if (T.Records)
                {
                    trace.Let($"R[{c.Name}]", n, Unit.Force,
                        $"{new Sym("f", term.Holds, Unit.Ratio)}·{new Sym($"N[{c.Name}]", own, Unit.Force)}");
                }
            }
        }

        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (term, load) = (s.Place.LoadTerms[k][i], s.PlacedLoads[i]);
            var c = s.Place.Cases[load.Case];
            if (term.Holds * load.N > 0 && Holds(c))
            {
                down += trace.Let($"R{i + 1}[{c.Name}]", term.Holds * load.N, Unit.Force,
                    $"{new Sym("f", term.Holds, Unit.Ratio)}·{new Sym($"N{i + 1}[{c.Name}]", load.N, Unit.Force)}");
            }
        }

        var push = s.WaterPush(k);
        trace.Given("acting", push, Unit.Force, "the push U of the water, factor one");
        trace.Let("resisting", down + weights, Unit.Force,
            $"{new Sym("sum of R", down, Unit.Force)} + {new Sym("W", weights, Unit.Force)}");
        return StabilityFactor.Judge(s, combination, s.Rules.Stability.Flotation, push, down + weights, Unit.Force, ref trace);
    }

    // Fluids may be drawn off, earth taken away; results combined beforehand cannot be told apart.
    private static bool Holds(Loads.LoadCase c) => c.Symbol is Loads.LoadSymbol.D or Loads.LoadSymbol.G || c.Combined is not null;
}
