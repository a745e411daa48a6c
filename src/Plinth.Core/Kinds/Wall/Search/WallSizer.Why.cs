using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <content>What the search tells: what stopped it, and what stops the next smaller step.</content>
internal sealed partial class WallSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var design = (WallDesign)Foundation.Kind.Fitted(Foundation, adopted);
        var (result, rules) = (new List<(string, SizingStop?)>(), Foundation.Rules.Sizing);
        string L(double v) => Dimension.Section(v, Project.Units);
        foreach (var first in new[] { true, false })
        {
            if (WallFields.HeldEdge(Foundation, design.Edges.ByFaces, first) is null && Foundation.Held.Width is null)
            {
                var at = Math.Round((first ? design.Edges.First : design.Edges.Second) - rules.PlanStep, 9);
                var key = design.Edges.ByFaces ? first ? "heel" : "toe" : first ? "edge-y0" : "edge-y1";
                var least = design.Edges.ByFaces ? LeastBeyond : LeastBeyond + (wall / 2);
                if (at < least - 1e-9)
                {
                    result.Add(($"{key} {L(at)}", new SizingStop(null, null, null, 0, "the base would not reach beyond the wall", null)));
                    continue;
                }

                var edges = first ? design.Edges with { First = at } : design.Edges with { Second = at };
                result.Add(($"{key} {L(at)}", Smaller(design,
                    (design with { Edges = edges }).Under(Foundation.Places[0].Support, Foundation.Wall))));
            }
        }

        if (Foundation.Held.Thickness is null)
        {
            var h = Math.Round(design.Size.Thickness - rules.ThicknessStep, 9);
            result.Add(($"thickness {L(h)}", h < rules.LeastThickness - 1e-9
                ? new SizingStop(null, null, null, 0, "below the range [sizing] range.thickness", null)
                : Smaller(design, design with { Size = design.Size with { Thickness = h } })));
        }

        var step = Foundation.Rules.Steel.SpacingStep!.Value;
        foreach (var field in Foundation.Kind.Fields(Foundation.Places[0]).Where(f => f.Form is FieldForm.Bars or FieldForm.Shaft))
        {
            if (field.Held(Foundation, design) is null
                && field.Get(design) is FieldValue.Bars { Spec: { Size: not null, Spacing: > 0 } spec })
            {
                // A step wider may be as many bars: then the next.
                var wider = spec;
                do
                {
                    wider = wider with { Spacing = Math.Round(wider.Spacing + step, 9) };
                }
                while (field.Layer is { } layer && layer(Foundation, design, wider).Count > 2
                    && layer(Foundation, design, wider).Count == layer(Foundation, design, spec).Count);
                var check = checker.Check(field.Put(design, new FieldValue.Bars(wider)));
                var g = check.Governing;
                result.Add(($"{field.Key} {wider}",
                    check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note)));
            }
        }

        return result;
    }

    // What stops a smaller size, whatever bars it gets; null: nothing does. What passes with more steel may cost more.
    private SizingStop? Smaller(WallDesign design, WallDesign smaller)
    {
        checker.Set(smaller);
        if (PlanExceeds(smaller.Size))
        {
            return Told(planChecks.Failure!.Value.Check, planChecks.Failure.Value.State, "");
        }

        if (search.Find() is not { } bars)
        {
            return search.Nearest() is { } lacking ? Told(lacking.Check, lacking.State, "")
                : new SizingStop(null, null, null, 0, "no bars fit the spacing", null);
        }

        if (stems.Find() is not { } stem)
        {
            return stems.LastFailure is { } failure ? Told(failure.Check, failure.State, "") : null;
        }

        var other = smaller with
        {
            BottomX = BarSpec.Of(bars.BottomX),
            BottomY = BarSpec.Of(bars.BottomY),
            TopX = BarSpec.Of(bars.TopX),
            TopY = BarSpec.Of(bars.TopY),
            Stem = stem,
        };
        var (more, own) = (Cost(other), Cost(design));
        return more > own * Near
            ? new SizingStop(null, null, null, 0,
                string.Create(CultureInfo.InvariantCulture,
                    $"passes with other bars, but costs {more:0} by [rates] where the design costs {own:0}"), null)
            : null;
    }

    private static SizingStop Told(Check check, Trial state, string bound)
    {
        var worst = check.Worst(state);
        return new SizingStop(check.Id, state.Place.Place.Name,
            worst is { Combination: >= 0 } w ? state.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0, bound,
            worst?.Note);
    }

    // Where nothing was found: what fails least on the widest bases, or the bars that no thickness has room for.
    private SizingStop Stop()
    {
        var rules = Foundation.Rules.Sizing;
        var last = thicknesses.Length == 0 ? 0 : thicknesses.LastOrDefault(h => BaseLevels.Fault(Foundation, h, Project.Units) is null);
        if (last <= 0)
        {
            return new SizingStop(null, null, null, 0, thicknesses.Length == 0
                ? "no thickness of whole steps lies within [sizing] range.thickness"
                : BaseLevels.Fault(Foundation, thicknesses[0], Project.Units) ?? "[sizing] range.thickness", null);
        }

        // A wall that no bars hold is held by no base.
        Set(At(wall, Math.Max(1, 2 * wall), last));
        if (stems.Find() is null && stems.LastFailure is { } weak)
        {
            return Told(weak.Check, weak.State, "the bars of [steel] for the wall");
        }

        const int tries = 400;
        (double Utilisation, Check Check, WallTrial State, BaseSize Size)? best = null;
        var stands = false;
        var all = Widths(last).SelectMany(width => Lows(width).Select(low => (Low: low, Width: width))).ToList();
        foreach (var width in all.Where((_, i) => i % Math.Max(1, all.Count / tries) == 0).GroupBy(a => a.Width))
        {
            foreach (var (low, _) in width)
            {
                var size = At(low, width.Key, last);
                if (!PlanExceeds(size))
                {
                    stands = true;
                    break;
                }

                var worst = trials.SelectMany(t => planChecks.All.Select(c => (Check: c, State: t, Worst: c.Worst(t))))
                    .Where(w => w.Worst is not null)
                    .MaxBy(w => w.Worst!.Value.Outcome.Utilisation);
                if (best is null || worst.Worst!.Value.Outcome.Utilisation < best.Value.Utilisation)
                {
                    best = (worst.Worst!.Value.Outcome.Utilisation, worst.Check, worst.State, size);
                }
            }

            if (stands)
            {
                break;
            }
        }

        string L(double v) => Dimension.Plan(v, Project.Units);
        if (!stands && best is { } b)
        {
            foreach (var t in trials)
            {
                t.Set(b.Size);
            }

            return Told(b.Check, b.State,
                $"width up to {L(Foundation.Held.Width ?? rules.MostPlan)}; the nearest to passing is {L(b.Size.Width)} wide");
        }

        if (!stands)
        {
            return new SizingStop(null, null, null, 0, $"no width of whole steps up to {L(rules.MostPlan)} ([sizing] range.plan)", null);
        }

        var bound = $"thickness up to {Dimension.Section(last, Project.Units)} and the bars of [steel]";
        if (search.Find() is null && search.Nearest() is { } lacking)
        {
            return Told(lacking.Check, lacking.State, bound);
        }

        return stems.Find() is null && stems.LastFailure is { } stem ? Told(stem.Check, stem.State, "the bars of [steel] for the wall")
            : new SizingStop(null, null, null, 0, bound, null);
    }
}
