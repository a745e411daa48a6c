using Plinth.Core.Bodies;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>The end that checks of a factor of safety share.</summary>
internal static class StabilityFactor
{
    /// <summary>The least factor in force for a combination.</summary>
    public static double Least(GroundBody s, Combination combination, double stated) =>
        combination.Least ?? (combination.Counteracting ? s.Rules.Stability.Counteracting : stated);

    /// <summary>Compares a demand with what resists, by the least factor in force for the combination.</summary>
    public static Outcome Judge<T>(GroundBody s, Combination combination, double stated, double demand, double resistance, Unit unit,
        ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.Design is not null)
        {
            // The margin stands in the factors on either side.
            if (resistance > 0)
            {
                trace.Let("utilisation", demand / resistance, Unit.Ratio,
                    $"{new Sym("acting", demand, unit)}/{new Sym("resisting", resistance, unit)}", combination.Clause);
            }

            return Outcome.Ratio(demand, resistance);
        }

        var least = Least(s, combination, stated);
        var outcome = Outcome.Safety(demand, resistance, least);
        trace.Given("least factor", least, Unit.Ratio,
            combination.Least is not null ? "of the combination"
                : combination.Counteracting ? "counteracting combination: the margin stands in its factors"
                : "stated");
        if (demand > 0 && resistance > 0)
        {
            trace.Let("factor", resistance / demand, Unit.Ratio,
                $"{new Sym("resisting", resistance, unit)}/{new Sym("acting", demand, unit)}");
            trace.Let("utilisation", least * demand / resistance, Unit.Ratio,
                $"{new Sym("least factor", least, Unit.Ratio)}·{new Sym("acting", demand, unit)}/{new Sym("resisting", resistance, unit)}");
        }

        return outcome;
    }
}
