using Plinth.Core.Piles;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What is to be said of a cap beside its checks.</summary>
internal static class CapNotes
{
    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(CapTrial trial)
    {
        var rules = trial.PileRules;
        var held = rules.OfStrength ? "resistances" : "allowable capacities";
        if (trial.Capacity is { } found)
        {
            string F(double v) => Unit.Force.FormatWithSymbol(v, trial.Units);
            yield return $"{held} of the piles found from the ground's layers at a length of "
                + $"{Unit.Length.FormatWithSymbol(trial.PileLength!.Value, trial.Units)}: {F(found.Compression)} in "
                + $"compression{(rules.Tension is null ? $", {F(found.Tension)} in tension" : "")}; failure of the group as a block, and a "
                + "softer layer below the toes, are not checked";
        }

        if (trial.Capacity is null || rules.Source.Length > 0)
        {
            yield return rules.Source.Length > 0
                ? $"{held} of the piles: {rules.Source}"
                : $"{held} of the piles as stated in [piles]; their source is not";
        }

        if (trial.Group.Deviation > 0)
        {
            yield return $"piles up to {Unit.Section.FormatWithSymbol(rules.Deviation, trial.Units)} out of place, any way";
        }

        if (trial.Shaft is { } shaft && double.IsNaN(shaft.MomentPerLoad) && PileRules.MissingForBending(trial.Foundation) is null)
        {
            yield return "the bending of the shafts is not checked: they are shorter than "
                + $"{Unit.Length.FormatWithSymbol(Piles.PileShaft.LeastLength(rules, trial.Group.Stiffness), trial.Units)}, for which the "
                + "rule of long piles holds";
        }

        if (trial.Code.DeepMemberPhi(false) is null && rules.IsConcrete)
        {
            yield return "axial stresses of the shafts are left to the general building code, and not checked";
        }

        if (trial.Sustained is >= 0 and var k && trial.Group.Loads(k) is { N: > 0 } l && trial.Columns.Length > 1)
        {
            var (x, y) = (l.X / l.N, l.Y / l.N);
            if (Math.Max(Math.Abs(x), Math.Abs(y)) > trial.Group.LeastPitch / 10)
            {
                yield return $"under {trial.Combinations[k].Name} the resultant lies {Unit.Length.FormatWithSymbol(x, trial.Units)}, "
                    + $"{Unit.Length.FormatWithSymbol(y, trial.Units)} from the piles' centroid";
            }
        }
    }
}
