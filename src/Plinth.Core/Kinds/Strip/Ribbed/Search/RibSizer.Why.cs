using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <content>What the search tells: what stopped it, and what stops the next smaller step.</content>
internal sealed partial class RibSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        var (design, result, held, units) = ((RibDesign)adopted, new List<(string, SizingStop?)>(), Foundation.Held, Project.Units);
        string L(double v) => Dimension.Plan(v, units);
        double Less(double v, double step) => Math.Round(v - step, 6);
        foreach (var t in trials)
        {
            t.LookAtAll();
        }

        if (RibFields.HeldEnds(held) is null)
        {
            foreach (var first in (ReadOnlySpan<bool>)[true, false])
            {
                var (low, high) = first ? (Less(design.Ends.Low, rules.PlanStep), design.Ends.High)
                    : (design.Ends.Low, Less(design.Ends.High, rules.PlanStep));
                result.Add(($"ends {L(first ? low : high)} beyond the {(first ? "first" : "last")} column",
                    low < least.Low - 1e-9 || high < least.High - 1e-9
                        ? new SizingStop(null, null, null, 0,
                            "a column would stand beyond the strip or nearer its end than [sizing] overhang", null)
                        : Smaller(design, design.With(low, high))));
            }
        }

        if (held.Width is null)
        {
            var w = Less(design.Size.Width, rules.PlanStep);
            result.Add(($"width {L(w)}", w < widths[0] - 1e-9
                ? new SizingStop(null, null, null, 0, "below the range [sizing] range.plan, or no wider than the rib", null)
                : Smaller(design, design with { Size = design.Size with { Width = w } })));
        }

        if (held.Thickness is null)
        {
            var h = Less(design.Size.Thickness, rules.ThicknessStep);
            result.Add(($"thickness {L(h)}", h < rules.LeastThickness - 1e-9
                ? new SizingStop(null, null, null, 0, "below the range [sizing] range.thickness", null)
                : Smaller(design, design with { Size = design.Size with { Thickness = h } })));
        }

        if (RibFields.HeldRib(held).Depth is null)
        {
            var d = Less(design.Rib.Depth, rules.ThicknessStep);
            result.Add(($"rib {L(d)} deep", d <= design.Size.Thickness + 1e-9
                ? new SizingStop(null, null, null, 0, "no deeper than the flange is thick", null)
                : Smaller(design, design with { Rib = design.Rib with { Depth = d } })));
        }

        foreach (var field in Foundation.Kind.Fields(Foundation.Places[0])
            .Where(f => f.Form is FieldForm.Bars or FieldForm.Shaft && f.Held(Foundation, design) is null))
        {
            if (field.Get(design) is not FieldValue.Bars { Spec: { Size: not null } spec })
            {
                continue;
            }

            var fewer = spec.Spacing > 0
                ? spec with { Spacing = Math.Round(spec.Spacing + Foundation.Rules.Steel.SpacingStep!.Value, 9) }
                : spec with { Count = spec.Count - 1 };
            // No extra bars are single.
            if (fewer is { Spacing: 0, Count: < 1 } || (!field.Listed && fewer.Count < 2))
            {
                continue;
            }

            var check = checker.Check(field.Put(design, new FieldValue.Bars(fewer)));
            var g = check.Governing;
            result.Add(($"{field.Key} {fewer}",
                check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note)));
        }

        return result;
    }

    /// <inheritdoc/>
    /// <remarks>
    /// Beside the cheapest of all one of each depth of the rib and of some reaches, the least width that stands with its flange.
    /// </remarks>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        const int depthsLooked = 6;
        var looked = new LookedCombinations([.. trials], Foundation);
        while (true)
        {
            planChecks.Forget();
            known.Clear();
            looked.LookAtSome();
            var found = new List<Alternative>();
            if (Cheapest() is { } cheapest)
            {
                Add(cheapest, Cost(cheapest));
            }

            var passed = 0;
            for (var i = 0; i < depths.Length && passed < depthsLooked && found.Count > 0; i += coarseDepth)
            {
                var before = found.Count;
                for (var j = 0; j < reaches.Length; j += coarseReach * Wider)
                {
                    if (At(depths[i], reaches[j], double.PositiveInfinity) is { } made)
                    {
                        Add(made.Design, made.Cost);
                    }
                }

                passed += found.Count > before ? 1 : 0;
            }

            var best = Alternative.Best(found);
            looked.LookAtAll();
            var all = true;
            foreach (var own in best)
            {
                checker.Set(own.Design);
                all &= looked.AllAllow();
            }

            if (all)
            {
                return best;
            }

            void Add(RibDesign design, double cost) =>
                found.Add(new Alternative(design, Schedules.Quantities.Of(Project, Foundation, design), cost, []));
        }
    }

    // What stops a smaller size, whatever bars it gets; null: it passes and costs less.
    private SizingStop? Smaller(RibDesign design, RibDesign smaller)
    {
        if (Fails(smaller))
        {
            return Told(planChecks.Failure!.Value.Check, planChecks.Failure.Value.State, "");
        }

        failure = null;
        if (Barred(smaller) is not { } found)
        {
            return failure is { } lacking ? Told(lacking.Check, lacking.State, "")
                : new SizingStop(null, null, null, 0, "no bars fit the spacing", null);
        }

        return found.Cost > Cost(design) * Near
            ? new SizingStop(null, null, null, 0,
                string.Create(CultureInfo.InvariantCulture,
                    $"passes with other bars, but costs {found.Cost:0} by [rates] where the design costs {Cost(design):0}"), null)
            : null;
    }

    private static SizingStop Told(Check check, Trial state, string bound)
    {
        var worst = check.Worst(state);
        return new SizingStop(check.Id, state.Place.Place.Name,
            worst is { Combination: >= 0 } w ? state.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0, bound,
            worst?.Note);
    }

    // Where nothing was found: what the largest strip fails says what to relax.
    private SizingStop Stop()
    {
        string L(double v) => Dimension.Plan(v, Project.Units);
        if (depths.Length == 0 || thicknesses.Length == 0 || widths.Length == 0 || reaches.Length == 0)
        {
            return new SizingStop(null, null, null, 0, "no size of whole steps lies within [sizing] range", null);
        }

        var depth = depths.LastOrDefault(d => BaseLevels.Fault(Foundation, d, Project.Units) is null);
        if (depth <= 0)
        {
            return new SizingStop(null, null, null, 0, BaseLevels.Fault(Foundation, depths[0], Project.Units) ?? "[sizing] range.thickness",
                null);
        }

        var thickness = thicknesses.LastOrDefault(h => h < depth - (rules.ThicknessStep / 2));
        var bound = $"rib up to {L(depth)} deep, width up to {L(widths[^1])}, flange up to {L(thickness)} thick";
        if (thickness <= 0 || Standing(reaches[^1], thickness, depth) is not { } bare)
        {
            return failure is { } stands ? Told(stands.Check, stands.State, bound) : new SizingStop(null, null, null, 0, bound, null);
        }

        foreach (var reach in (ReadOnlySpan<double>)[reaches[reaches.Length / 2], reaches[^1]])
        {
            if (Standing(reach, thickness, depth) is { } one && Fails(one))
            {
                return Told(planChecks.Failure!.Value.Check, planChecks.Failure.Value.State, bound);
            }
        }

        failure = null;
        return Barred(bare) is null && failure is { } lacking ? Told(lacking.Check, lacking.State, bound + " and the bars of [steel]")
            : new SizingStop(null, null, null, 0, bound, null);
    }
}
