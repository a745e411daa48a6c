using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What is to be said of a base under several columns beside its checks.</summary>
internal static class CombinedNotes
{
    // A resultant beyond the middle third leaves a part of the base without pressure for good.
    private const double MiddleThird = 6;

    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(CombinedTrial trial)
    {
        if (trial.Sustained is >= 0 and var k && trial.Body.Loads(k) is { N: > 0 } loads)
        {
            var (x, length) = (Math.Abs(loads.XR), trial.Body.Length);
            if (x > length / MiddleThird)
            {
                yield return string.Create(CultureInfo.InvariantCulture,
                    $"WARNING: under {trial.Combinations[k].Name} the resultant lies {Unit.Length.FormatWithSymbol(x, trial.Units)} from "
                        + $"the centroid, beyond a sixth of the length: lengthen the end that it lies towards, or hold no edge there");
            }
            else if (x > length / 50)
            {
                yield return $"under {trial.Combinations[k].Name} the resultant lies {Unit.Length.FormatWithSymbol(x, trial.Units)} from "
                    + "the centroid along x";
            }
        }

        if (trial.Body.Bed is not null)
        {
            var counted = trial.Body.Bed.Factor == 1 ? ""
                : string.Create(CultureInfo.InvariantCulture, $", counted {trial.Body.Bed.Factor:0.##} times");
            yield return string.Create(CultureInfo.InvariantCulture,
                $"on ground springs that pull nowhere, λ·ℓ = {Rigidity.Of(trial):0.00}: the section along x is gross{counted}");
        }

        var narrow = Math.Min(trial.Body.LowWidth, trial.Body.HighWidth);
        if (narrow < Math.Max(trial.Body.LowWidth, trial.Body.HighWidth))
        {
            yield return "bars along x fan out between the slanted edges; those across are cut to the width where they lie";
        }
    }
}
