using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <content>What the search tells: what stopped it, what stops the next smaller step, and designs side by side.</content>
internal sealed partial class CombinedSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        var design = (CombinedDesign)adopted;
        var (rules, held, size) = (Foundation.Rules.Sizing, Foundation.Held, design.Size);
        var result = new List<(string, SizingStop?)>();
        string L(double v) => Dimension.Section(v, Project.Units);
        double Less(double side) => Math.Round(side - rules.PlanStep, 6);
        void Sized(string step, CombinedPlan plan, double thickness, bool below)
        {
            result.Add((step,
                below
                    ? new SizingStop(null, null, null, 0,
                        $"below the range [sizing] range.{(step.StartsWith("thickness", StringComparison.Ordinal) ? "thickness" : "plan")}",
                        null)
                    : Smaller(plan, thickness, design)));
        }

        if (plans.HeldLength is null)
        {
            var length = Shorter(size.Length);
            Sized($"length {L(length)}", new CombinedPlan(length, size.Width, design.HighWidth, 0), size.Thickness, false);
        }

        if (plans.HeldWidth is null && design.IsRectangle && !held.Trapezoid)
        {
            Sized($"width {L(Less(size.Width))}", new CombinedPlan(size.Length, Less(size.Width), Less(size.Width), 0), size.Thickness,
                Less(size.Width) < rules.LeastPlan - 1e-9);
        }
        else if (plans.HeldWidth is null)
        {
            Sized($"width {L(Less(size.Width))} at −x", new CombinedPlan(size.Length, Less(size.Width), design.HighWidth, 0),
                size.Thickness, Less(size.Width) < rules.LeastPlan - 1e-9);
            Sized($"width {L(Less(design.HighWidth))} at +x", new CombinedPlan(size.Length, size.Width, Less(design.HighWidth), 0),
                size.Thickness, Less(design.HighWidth) < rules.LeastPlan - 1e-9);
        }

        if (held.Thickness is null)
        {
            var h = Math.Round(size.Thickness - rules.ThicknessStep, 6);
            Sized($"thickness {L(h)}", new CombinedPlan(size.Length, size.Width, design.HighWidth, 0), h, h < rules.LeastThickness - 1e-9);
        }

        foreach (var field in Foundation.Kind.Fields(Foundation.Places[0])
            .Where(f => f.Form == FieldForm.Bars && f.Held(Foundation, design) is null))
        {
            if (field.Get(design) is FieldValue.Bars { Spec: { Size: not null, Count: > 2 } spec })
            {
                var fewer = spec with { Count = spec.Count - 1 };
                var check = checker.Check(field.Put(design, new FieldValue.Bars(fewer)));
                var g = check.Governing;
                result.Add(($"{field.Key} {fewer}",
                    check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note)));
            }
        }

        return result;
    }

    // What stops a smaller size with any bars; null: it passes.
    private SizingStop? Smaller(in CombinedPlan plan, double thickness, CombinedDesign adopted)
    {
        if (plans.Place(plan) is not { } offset)
        {
            return new SizingStop(null, null, null, 0,
                "a column would stand beyond the base or nearer its edge than [sizing] least-overhang, or the base beyond the site", null);
        }

        var smaller = adopted with { Size = new BaseSize(plan.Length, plan.Low, thickness), HighWidth = plan.High, Offset = offset };
        checker.Set(smaller);
        if (planChecks.Fail())
        {
            return Stop(planChecks.Failure!.Value, "");
        }

        if (search.Find(smaller, BarBudget.Any) is not { } barred)
        {
            return search.LastFailure is { } lacking
                ? Stop(lacking, "")
                : new SizingStop(null, null, null, 0, "no number of bars fits the spacing", null);
        }

        for (var i = 0; i < joints.Length; i++)
        {
            if (joints[i].FindDowels() is not { } dowels)
            {
                return Stop(joints[i].LastFailure!.Value, "");
            }

            barred = barred.With(i, barred.At[i] with { Upright = barred.At[i].Upright with { Dowels = BarSpec.Of(dowels) } });
        }

        var check = checker.Check(barred);
        if (check.Passes)
        {
            var (more, own) = (Cost(barred), Cost(adopted));
            return more < own - 1e-9
                ? null
                : new SizingStop(null, null, null, 0,
                    string.Create(CultureInfo.InvariantCulture,
                        $"passes with other bars, but costs {more:0} by [rates] where the design costs {own:0}"), null);
        }

        return new SizingStop(check.Governing.Id, check.Governing.Place, check.Governing.Combination, check.Governing.Utilisation, "",
            check.Governing.Note);
    }

    private SizingStop NoThickness() => thicknesses.Length == 0
        ? new SizingStop(null, null, null, 0, "no thickness of whole steps lies within [sizing] range.thickness", null)
        : new SizingStop(null, null, null, 0, BaseLevels.Fault(Foundation, thicknesses[0], Project.Units) ?? "[sizing] range.thickness",
            null);

    // What the largest plan at the greatest thickness fails says what to relax.
    private SizingStop Stopped()
    {
        var (rules, units) = (Foundation.Rules.Sizing, Project.Units);
        string L(double v) => Dimension.Plan(v, units);
        var t = last - 1;
        if (Pedestals(t) is not { } standing)
        {
            var joint = joints.First(j => j.HasPedestal && j.LastFailure is not null);
            return Stop(joint.LastFailure!.Value, "what [pedestal] holds or allows");
        }

        if (plans.All.Length == 0)
        {
            return new SizingStop(null, null, null, 0, "no side of whole steps lies within [sizing] range.plan and between what is held",
                null);
        }

        var bound =
            $"length {(plans.HeldLength is { } l ? "held at " + L(l) : "up to " + L(plans.Lengths[^1]))}, width "
                + $"{(plans.HeldWidth is { } w ? "held at " + L(w) : "up to " + L(rules.MostPlan))}";
        for (var i = plans.All.Length - 1; i >= 0; i--)
        {
            if (Set(plans.All[i], t, standing) is not { } offset)
            {
                continue;
            }

            if (planChecks.Fail())
            {
                return Stop(planChecks.Failure!.Value, bound);
            }

            var thick =
                $"{bound}, thickness "
                    + $"{(Foundation.Held.Thickness is { } h ? "held at " : "up to ")}{Dimension.Section(thicknesses[t], units)} and the "
                    + "bars of [steel]";
            if (search.Find(plans.Design(plans.All[i], thicknesses[t], offset), BarBudget.Any) is null)
            {
                return search.LastFailure is { } lacking ? Stop(lacking, thick) : new SizingStop(null, null, null, 0, thick, null);
            }

            return joints.FirstOrDefault(j => j.FindDowels() is null)?.LastFailure is { } joint
                ? Stop(joint, thick + ", and its dowels")
                : new SizingStop(null, null, null, 0, thick, null);
        }

        return new SizingStop(null, null, null, 0,
            bound + ": the columns do not stand on any such base within the site, with [sizing] least-overhang beside them", null);
    }

    private static SizingStop Stop((Check Check, Trial State) failure, string bound)
    {
        var worst = failure.Check.Worst(failure.State);
        return new SizingStop(failure.Check.Id, failure.State.Place.Place.Name,
            worst is { Combination: >= 0 } w ? failure.State.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0,
            bound, worst?.Note);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        const int plansLooked = 40;
        const int thicknessesLooked = 8;
        var found = new List<Alternative>();

        // Where few plans take bars at all, that of sizing is one at least.
        if (Size().Design is CombinedDesign cheapest)
        {
            found.Add(new Alternative(cheapest, Quantities.Of(Project, Foundation, cheapest), Cost(cheapest), []));
        }

        var passed = 0;
        for (var t = 0; t < thicknesses.Length && passed < thicknessesLooked && LevelsFit(thicknesses[t]); t++)
        {
            if (Pedestals(t) is not { } standing)
            {
                continue;
            }

            var before = found.Count;
            var tried = 0;
            for (var i = plans.FirstOf(floor.LeastArea(thicknesses[t])); i < plans.All.Length && tried < plansLooked; i++)
            {
                if (Set(plans.All[i], t, standing) is not { } offset || planChecks.Fail())
                {
                    continue;
                }

                tried++;
                if (Complete(plans.All[i], t, offset, BarBudget.Any) is { Design: var design, Cost: var cost })
                {
                    found.Add(new Alternative(design, Quantities.Of(Project, Foundation, design), cost, []));
                }
            }

            passed += found.Count > before ? 1 : 0;
        }

        return Alternative.Best(found);
    }
}
