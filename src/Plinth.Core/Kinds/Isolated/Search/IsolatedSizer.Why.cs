using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Isolated;

/// <content>What the search tells: what stopped it, and what stops the next smaller step.</content>
internal sealed partial class IsolatedSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var design = (IsolatedDesign)adopted;
        var rules = foundation.Rules.Sizing;
        var size = design.Size;
        var result = new List<(string, SizingStop?)>();
        void Try(string step, IsolatedDesign smaller, bool anyBars)
        {
            var pedestal = smaller.Pedestal;
            if (anyBars && Placed(smaller.Size with { ShiftX = 0, ShiftY = 0 }, pedestal) is not { })
            {
                result.Add((step,
                    new SizingStop(null, null, null, 0, "the column would stand beyond the base, or the base beyond the site", null)));
                return;
            }

            if (anyBars)
            {
                smaller = smaller with { Size = Placed(smaller.Size with { ShiftX = 0, ShiftY = 0 }, pedestal)!.Value };
                checker.Set(smaller);
                if (PlanExceeds(smaller.Size, pedestal))
                {
                    result.Add((step, Stop(planChecks.Failure!.Value, "")));
                    return;
                }

                if (search.Find() is not { } bars)
                {
                    result.Add((step,
                        search.Nearest() is { } lacking
                            ? Stop(lacking, "")
                            : new SizingStop(null, null, null, 0, "no number of bars fits the spacing", null)));
                    return;
                }

                if (joints.FindDowels() is not { } dowels)
                {
                    // With the dowels of the design, as a check of this step would find it.
                    checker.Set(smaller with
                    {
                        BottomX = BarSpec.Of(bars.BottomX),
                        BottomY = BarSpec.Of(bars.BottomY),
                        TopX = BarSpec.Of(bars.TopX),
                        TopY = BarSpec.Of(bars.TopY)
                    });
                    result.Add((step, Stop(joints.LastFailure!.Value, "")));
                    return;
                }

                smaller = Design(smaller.Size, bars, pedestal, dowels);
            }

            var check = checker.Check(smaller);
            var g = check.Governing;
            result.Add((step, check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note)));
        }

        string L(double v) => Dimension.Section(v, project.Units);
        if (heldLength is null && heldWidth is null && rules.Shape == PlanShape.Square && Math.Abs(size.Length - size.Width) < 1e-9)
        {
            Plan($"length and width {L(size.Length - rules.PlanStep)}", size with { Length = Less(size.Length), Width = Less(size.Width) });
        }
        else
        {
            if (heldLength is null)
            {
                Plan($"length {L(size.Length - rules.PlanStep)}", size with { Length = Less(size.Length) });
            }

            if (heldWidth is null)
            {
                Plan($"width {L(size.Width - rules.PlanStep)}", size with { Width = Less(size.Width) });
            }
        }

        void Plan(string name, BaseSize smaller)
        {
            if (Math.Min(smaller.Length, smaller.Width) < rules.LeastPlan - 1e-9)
            {
                result.Add((name, new SizingStop(null, null, null, 0, "below the range [sizing] range.plan", null)));
            }
            else if (Math.Max(smaller.Length / smaller.Width, smaller.Width / smaller.Length) > rules.Aspect + 1e-9 && heldLength is null
                && heldWidth is null)
            {
                result.Add((name, new SizingStop(null, null, null, 0, "beyond [sizing] aspect", null)));
            }
            else
            {
                Try(name, design with { Size = smaller }, true);
            }
        }

        double Less(double side) => Math.Round(side - rules.PlanStep, 6);
        if (foundation.Held.Thickness is null)
        {
            var h = Math.Round(size.Thickness - rules.ThicknessStep, 6);
            if (h < rules.LeastThickness - 1e-9)
            {
                result.Add(($"thickness {L(h)}", new SizingStop(null, null, null, 0, "below the range [sizing] range.thickness", null)));
            }
            else
            {
                Try($"thickness {L(h)}", design with { Size = size with { Thickness = h } }, true);
            }
        }

        (string Name, BarSpec Spec, BarSpec? Held, Func<BarSpec, IsolatedDesign> With)[] layers =
        [
            ("bottom-x", design.BottomX, foundation.Held.BottomX, b => design with { BottomX = b }),
            ("bottom-y", design.BottomY, foundation.Held.BottomY, b => design with { BottomY = b }),
            ("top-x", design.TopX, foundation.Held.TopX, b => design with { TopX = b }),
            ("top-y", design.TopY, foundation.Held.TopY, b => design with { TopY = b }),
        ];
        foreach (var (name, spec, heldSpec, with) in layers)
        {
            if (spec is { Size: not null, Count: > 2 } && heldSpec is null)
            {
                var fewer = spec.Band > 0 ? spec with { Count = spec.Count - 2 } : spec with { Count = spec.Count - 1 };
                Try($"{name} {fewer}", with(fewer), false);
            }
        }

        return result;
    }

    private SizingResult Stopped(int at)
    {
        if (thicknesses.Length == 0)
        {
            return Failed(new SizingStop(null, null, null, 0, "no thickness of whole steps lies within [sizing] range.thickness", null));
        }

        var h = thicknesses[Math.Min(at, thicknesses.Length - 1)];
        return Failed(new SizingStop(null, null, null, 0, BaseLevels.Fault(foundation, h, project.Units) ?? "[sizing] range.thickness",
            null));
    }

    private SizingStop PlanStop(int at)
    {
        var l = (double v) => Dimension.Plan(v, project.Units);
        var rules = foundation.Rules.Sizing;
        if (plans.Count == 0)
        {
            return new SizingStop(null, null, null, 0, "no side of whole steps lies within [sizing] range.plan", null);
        }

        var (length, width) = plans[^1];
        var size = new BaseSize(length, width, thicknesses[at]);
        var bound = (heldLength, heldWidth) switch
        {
            ({ } a, { } b) => $"plan held at {l(a)} × {l(b)}",
            ({ } a, null) => $"length held at {l(a)}, width up to {l(rules.MostPlan)}",
            (null, { } b) => $"width held at {l(b)}, length up to {l(rules.MostPlan)}",
            _ => $"plan up to {l(length)} × {l(width)} ([sizing] range.plan)",
        };
        if (!plans.Any(p => Fits(new BaseSize(p.Length, p.Width, thicknesses[at]), Pedestal(at))))
        {
            return new SizingStop(null, null, null, 0, bound + ": the column or a load beside it does not stand wholly on it", null);
        }

        return plans.Any(p => Placed(new BaseSize(p.Length, p.Width, thicknesses[at]), Pedestal(at)) is not null)
            ? Nearest(at, bound)
            : new SizingStop("boundary", null, null, Outcome.NoCapacity, bound + ": no base lies within the site with its column on it",
                null);
    }

    private SizingStop PedestalStop()
    {
        var rules = foundation.Rules.Pedestal;
        var bound = rules is { SizeX: not null } or { Bars: not null } ? "what [pedestal] holds"
            : rules.HoldsInSocket(foundation.Places[0].Support)
                ? $"[socket] walls up to {Dimension.Section(rules.Sockets.MostWall, project.Units)}, depth up to "
                    + $"{rules.Sockets.MostDepthRatio.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)} times the "
                    + "column's side, their bars and ties"
            : $"[pedestal] up to {Dimension.Section(rules.MostSize, project.Units)}, its bars and ties";
        return joints.LastFailure is { } failure ? Stop(failure, bound) : new SizingStop("pedestal", null, null, 0, bound, null);
    }

    // The plan that comes nearest to passing says more than the largest: held edges and weights make some sizes worse as they grow.
    private SizingStop Nearest(int at, string bound)
    {
        const int tries = 400;
        (double Utilisation, BaseSize Size, Check Check, IsolatedTrial State)? best = null;
        var stride = Math.Max(1, plans.Count / tries);
        for (var i = plans.Count - 1; i >= 0; i -= stride)
        {
            if (Placed(new BaseSize(plans[i].Length, plans[i].Width, thicknesses[at]), Pedestal(at)) is not { } size)
            {
                continue;
            }

            Set(size, Pedestal(at));
            var worst = trials.SelectMany(s => planChecks.All.Select(c => (Check: c, State: s, Worst: c.Worst(s))))
                .Where(w => w.Worst is not null)
                .MaxBy(w => w.Worst!.Value.Outcome.FailsAnyhow
                    ? Math.Max(Outcome.NoCapacity, w.Worst.Value.Outcome.Utilisation)
                    : w.Worst.Value.Outcome.Utilisation);
            var utilisation = worst.Worst!.Value.Outcome.FailsAnyhow ? double.MaxValue : worst.Worst.Value.Outcome.Utilisation;
            if (best is null || utilisation < best.Value.Utilisation)
            {
                best = (utilisation, size, worst.Check, worst.State);
            }
        }

        var b = best!.Value;
        Set(b.Size, Pedestal(at));
        return Stop((b.Check, b.State),
            $"{bound}; the nearest to passing is {Unit.Length.Format(b.Size.Length, project.Units)} × "
                + $"{Unit.Length.FormatWithSymbol(b.Size.Width, project.Units)}");
    }

    private SizingStop ThicknessStop(BaseSize plan, int at)
    {
        var reached = Math.Min(at, thicknesses.Length) - 1;
        Set(plan with { Thickness = thicknesses[reached] }, Pedestal(reached));
        var failure = search.Find() is null ? search.Nearest() : joints.FindDowels() is null ? joints.LastFailure : null;
        var next = at < thicknesses.Length ? BaseLevels.Fault(foundation, thicknesses[at], project.Units) : null;
        var bound = next ?? (foundation.Held.Thickness is { } h
            ? $"thickness held at {Dimension.Section(h, project.Units)}"
            : $"thickness up to {Dimension.Section(thicknesses[^1], project.Units)} ([sizing] range.thickness) and the bars of [steel]");
        return failure is { } f ? Stop(f, bound) : new SizingStop(null, null, null, 0, bound, null);
    }

    private static SizingStop Stop((Check Check, Trial State) failure, string bound)
    {
        var worst = failure.Check.Worst(failure.State);
        return new SizingStop(failure.Check.Id, failure.State.Place.Place.Name,
            worst is { Combination: >= 0 } w ? failure.State.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0,
            bound, worst?.Note);
    }
}
