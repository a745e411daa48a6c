using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>
/// The checks that length and width of a base decide, asked at all its places. What failed last is asked first: plans that are alike mostly
/// fail in the same.
/// </summary>
/// <typeparam name="TTrial">What is asked.</typeparam>
/// <param name="trials">A trial a place.</param>
/// <param name="foundation">The foundation.</param>
internal sealed class PlanChecks<TTrial>(ImmutableArray<TTrial> trials, Foundation foundation)
    where TTrial : Trial
{
    /// <summary>The checks that are not waived.</summary>
    public Check[] All { get; } =
        [.. trials[0].Checks.Listed.Where(c => c.Decides.What == Decisions.Plan && !foundation.Waives(c.Id))];

    /// <summary>The check that failed last, and where; null: none did.</summary>
    public (Check Check, TTrial State)? Failure { get; private set; }

    /// <summary>Forgets what failed last.</summary>
    public void Forget() => Failure = null;

    /// <summary>Whether what failed last fails for the plan that the trials hold.</summary>
    public bool FailAsBefore() => Failure is { } last && last.Check.Exceeds(last.State, foundation.Rules.Sizing.Target);

    /// <summary>Whether any fails for the plan that the trials hold.</summary>
    public bool Fail()
    {
        if (FailAsBefore())
        {
            return true;
        }

        foreach (var t in trials)
        {
            foreach (var check in All)
            {
                if (check.Exceeds(t, foundation.Rules.Sizing.Target))
                {
                    Failure = (check, t);
                    return true;
                }
            }
        }

        return false;
    }
}
