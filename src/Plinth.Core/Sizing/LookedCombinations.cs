using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Sizing;

/// <summary>
/// The combinations that a search looks at: first those that lie farthest out, then those too under which what it found fails. What fewer
/// combinations leave cheapest and
/// all allow is the cheapest of all.
/// </summary>
/// <param name="trials">A trial a place.</param>
/// <param name="foundation">The foundation.</param>
internal sealed class LookedCombinations(ImmutableArray<Trial> trials, Foundation foundation)
{
    // After so many rounds all combinations are looked at.
    private const int MostRounds = 8;

    private readonly bool[][] chosen = [.. trials.Select(OutermostCombinations.Of)];
    private int round;

    /// <summary>Whether so many were found wanting that all are looked at.</summary>
    public bool IsAll => round >= MostRounds;

    /// <summary>Looks at those chosen so far; after some rounds at all.</summary>
    public void LookAtSome()
    {
        for (var i = 0; i < trials.Length; i++)
        {
            if (!IsAll)
            {
                trials[i].LookAt(chosen[i]);
            }
            else
            {
                trials[i].LookAtAll();
            }
        }
    }

    /// <summary>Looks at all.</summary>
    public void LookAtAll()
    {
        foreach (var t in trials)
        {
            t.LookAtAll();
        }
    }

    /// <summary>
    /// Whether the design that the trials hold stands under all combinations, which they look at; if not, those under which it fails are
    /// looked at from now on.
    /// </summary>
    public bool AllAllow()
    {
        if (IsAll)
        {
            return true;
        }

        var fails = false;
        for (var i = 0; i < trials.Length; i++)
        {
            foreach (var check in trials[i].Checks.Listed)
            {
                if (foundation.Waives(check.Id) || !check.Exceeds(trials[i], foundation.Rules.Sizing.Target))
                {
                    continue;
                }

                fails = true;
                var worst = check.For == Family.None ? [] : check.Findings(trials[i]).Where(f => f.Combination >= 0).ToList();
                if (worst.Count == 0)
                {
                    // What knows no combination changed with all of them: none may be left out.
                    Array.Fill(chosen[i], true);
                }

                foreach (var finding in worst)
                {
                    chosen[i][finding.Combination] = true;
                    chosen[i][check.HintOf(finding.Subject)] = true;
                }
            }
        }

        round += fails ? 1 : 0;
        return !fails;
    }
}
