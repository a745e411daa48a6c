using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds the sizes and bars of a foundation: the smallest plan that passes with the final thickness, the least thickness, the least steel. It has no formulas
/// of its own: it only asks the checks.
/// </summary>
public sealed class FoundationSizer
{
    private static readonly Check[] PlanChecks = [.. CheckCatalog.Listed.Where(c => c.OfPlan)];

    private readonly Project project;
    private readonly Foundation foundation;
    private readonly Checker checker;
    private readonly BarSearch search;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<(double Length, double Width, int Thickness), Reinforcement?> barsFound = [];
    private readonly double[] thicknesses;
    private readonly IReadOnlyList<(double Length, double Width)> plans;
    private readonly double? heldLength;
    private readonly double? heldWidth;
    private (Check Check, BaseState State)? planFailure;

    /// <summary>Prepares the search.</summary>
    public FoundationSizer(Project project, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        this.project = project;
        this.foundation = foundation;
        checker = new Checker(project, foundation);
        search = new BarSearch(checker.States, foundation);
        var rules = foundation.Rules.Sizing;
        var held = foundation.Held;
        var outline = checker.States[0].Place.Outline;
        heldLength = held.Length ?? BaseGeometry.HeldSide(held.EdgeX0, held.EdgeX1, outline.FaceX);
        heldWidth = held.Width ?? BaseGeometry.HeldSide(held.EdgeY0, held.EdgeY1, outline.FaceY);
        plans = PlanCandidates.Of(rules, heldLength, heldWidth);
        thicknesses = held.Thickness is { } h ? [h] : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
    }

    /// <summary>Finds the design.</summary>
    public SizingResult Size()
    {
        // A plan that passes at a thickness may need more thickness, whose weight may need more plan; thickness only grows until both agree.
        var first = 0;
        while (true)
        {
            if (first >= thicknesses.Length || !LevelsFit(thicknesses[first]))
            {
                return Stopped(first);
            }

            if (SmallestPlan(first) is not { } plan)
            {
                return Failed(PlanStop(first));
            }

            steps.Add(new SizingStep("smallest plan", new BaseSize(plan.Length, plan.Width, thicknesses[first])));
            if (LeastThickness(plan, 0, first, out var bars) is { } enough)
            {
                return Polish(plan, enough, bars, smallestAtThickness: enough == first);
            }

            var next = first + 1;
            while (next < thicknesses.Length && LevelsFit(thicknesses[next]) && (Bars(plan, next)) is null)
            {
                next++;
            }

            steps.Add(new SizingStep("needs more thickness", new BaseSize(plan.Length, plan.Width, thicknesses[Math.Min(next, thicknesses.Length - 1)])));
            if (next >= thicknesses.Length || !LevelsFit(thicknesses[next]))
            {
                // A larger plan may carry what this one cannot at any thickness only if it lowers pressures; the search does not guess: it reports.
                return Failed(ThicknessStop(plan, next));
            }

            first = next;
        }
    }

    /// <summary>What stops each next smaller step of a design: plan, thickness, bars.</summary>
    public IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var rules = foundation.Rules.Sizing;
        var size = design.Size;
        var result = new List<(string, SizingStop?)>();
        void Try(string step, FoundationDesign smaller, bool anyBars)
        {
            var outline = checker.States[0].Place.Outline;
            if (!BaseGeometry.ColumnOnBase(foundation.Held, outline, smaller.Size))
            {
                result.Add((step, new SizingStop(null, null, null, 0, "the column would stand beyond the base", null)));
                return;
            }

            if (anyBars)
            {
                checker.Set(smaller);
                if (PlanExceeds(smaller.Size) || search.Find() is not { } bars)
                {
                    var failure = PlanExceeds(smaller.Size) ? planFailure : search.LastFailure;
                    result.Add((step, failure is { } stopped ? Stop(stopped, "") : new SizingStop(null, null, null, 0, "no number of bars fits the spacing", null)));
                    return;
                }

                smaller = Design(smaller.Size, bars);
            }

            var check = checker.Check(smaller);
            var g = check.Governing;
            result.Add((step, check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note)));
        }

        string L(double v) => Unit.Section.FormatWithSymbol(v, project.Units);
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
            else if (Math.Max(smaller.Length / smaller.Width, smaller.Width / smaller.Length) > rules.Aspect + 1e-9 && heldLength is null && heldWidth is null)
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

        (string Name, BarSpec Spec, BarSpec? Held, Func<BarSpec, FoundationDesign> With)[] layers =
        [
            ("bottom-x", design.BottomX, foundation.Held.BottomX, b => design with { BottomX = b }),
            ("bottom-y", design.BottomY, foundation.Held.BottomY, b => design with { BottomY = b }),
            ("top-x", design.TopX, foundation.Held.TopX, b => design with { TopX = b }),
            ("top-y", design.TopY, foundation.Held.TopY, b => design with { TopY = b }),
        ];
        foreach (var (name, spec, heldSpec, with) in layers)
        {
            if (spec is { Size: { } bar, Count: > 2 } && heldSpec is null)
            {
                var fewer = new BarSpec(bar, spec.Count - 1, 0);
                Try($"{name} {fewer}", with(fewer), false);
            }
        }

        return result;
    }

    /// <summary>Cost of a design by the rates, in their currency.</summary>
    public double Cost(FoundationDesign design)
    {
        var q = Schedules.Quantities.Of(foundation, design);
        var r = foundation.Rules.Rates;
        return (r.Concrete * q.Concrete) + (r.Steel * q.Steel) + (r.Excavation * q.Excavation) + (r.Formwork * q.Formwork);
    }

    // Thickness comes down as far as it goes with this plan, then a smaller plan is tried at that thickness, until nothing gives.
    private SizingResult Polish((double Length, double Width) plan, int at, Reinforcement bars, bool smallestAtThickness)
    {
        while (!smallestAtThickness && SmallestPlan(at) is { } smaller && smaller.Length * smaller.Width < (plan.Length * plan.Width) - 1e-9 && LeastThickness(smaller, 0, at, out var other) is { } less)
        {
            (plan, at, bars) = (smaller, less, other);
        }

        var best = Design(new BaseSize(plan.Length, plan.Width, thicknesses[at]), bars);
        if (!project.Code.OneWayShearGrowsWithSteel)
        {
            return Found(best);
        }

        var cost = Cost(best);
        for (var thicker = at + 1; thicker <= at + 2 && thicker < thicknesses.Length && LevelsFit(thicknesses[thicker]); thicker++)
        {
            if (SmallestPlan(thicker) is { } p && LeastCost(p, thicker) < cost && Bars(p, thicker) is { } b)
            {
                var design = Design(new BaseSize(p.Length, p.Width, thicknesses[thicker]), b);
                var c = Cost(design);
                if (c < cost - 1e-9)
                {
                    steps.Add(new SizingStep("cheaper with more thickness and less steel", design.Size));
                    (best, cost) = (design, c);
                }
            }
        }

        return Found(best);
    }

    private SizingResult Found(FoundationDesign design) => new(design, null, steps);

    private SizingResult Failed(SizingStop stop) => new(null, stop, steps);

    private static FoundationDesign Design(BaseSize size, Reinforcement bars)
    {
        static BarSpec Spec(BarLayer layer) => layer.Any ? new BarSpec(layer.Size, layer.Count, 0) : BarSpec.None;
        return new FoundationDesign(size, Spec(bars.BottomX), Spec(bars.BottomY), Spec(bars.TopX), Spec(bars.TopY));
    }

    // No design of this size costs less: concrete and work with the code's least steel. It spares a search that cannot win.
    private double LeastCost((double Length, double Width) plan, int thickness)
    {
        var size = new BaseSize(plan.Length, plan.Width, thicknesses[thickness]);
        var none = default(Tracing.NoTrace);
        var rules = foundation.Rules;
        var ratio = project.Code.MinimumSteelRatio(ref none, rules.Steel.Yield);
        var side = 2 * rules.Concrete.CoverSide;
        var volume = ratio * size.Thickness * ((size.Width * (size.Length - side)) + (size.Length * (size.Width - side)));
        var lightest = rules.Steel.Bars.Min(b => b.MassPerMetre / b.Area);
        return Cost(new FoundationDesign(size, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None)) + (rules.Rates.Steel * volume * lightest);
    }

    // The least thickness from..to with which plan and concrete pass; the plan is known to pass at the last.
    private int? LeastThickness((double Length, double Width) plan, int from, int to, out Reinforcement bars)
    {
        for (var i = from; i <= to; i++)
        {
            if (LevelsFit(thicknesses[i]) && Bars(plan, i) is { } found && (i == to || !PlanExceeds(new BaseSize(plan.Length, plan.Width, thicknesses[i]))))
            {
                bars = found;
                return i;
            }
        }

        bars = default;
        return null;
    }

    private Reinforcement? Bars((double Length, double Width) plan, int thickness)
    {
        var key = (plan.Length, plan.Width, thickness);
        if (!barsFound.TryGetValue(key, out var bars))
        {
            Set(new BaseSize(plan.Length, plan.Width, thicknesses[thickness]));
            bars = search.Find();
            barsFound.Add(key, bars);
        }

        return bars;
    }

    private (double Length, double Width)? SmallestPlan(int thickness)
    {
        var h = thicknesses[thickness];
        var least = LeastArea(h);
        for (var i = FirstOfArea(least); i < plans.Count; i++)
        {
            var size = new BaseSize(plans[i].Length, plans[i].Width, h);
            if (Fits(size) && !PlanExceeds(size))
            {
                return plans[i];
            }
        }

        return null;
    }

    // The mean pressure never exceeds the highest, so less area than this cannot pass; a small margin leaves the decision to the check.
    private double LeastArea(double thickness)
    {
        var least = 0.0;
        foreach (var s in checker.States)
        {
            s.Set(new BaseSize(1, 1, thickness));
            var g = s.Ground;
            foreach (var k in s.CombinationsFor(Loads.Family.Ground))
            {
                var c = s.Combinations[k];
                var allowed = g.Bearing * (c.Transient ? g.TransientIncrease : 1) * foundation.Rules.Sizing.Target;
                allowed += g.Basis == Ground.BearingBasis.Net ? g.SoilWeight * s.FoundingDepth : 0;
                var left = allowed - s.WeightPerArea(k);
                if (left > 0)
                {
                    least = Math.Max(least, (s.Place.Sums[k].N - (c.WeightFactor * g.SoilWeight * s.SoilDepth * s.Place.Place.Support.Area)) / left);
                }
            }
        }

        return least * (1 - 1e-6);
    }

    private int FirstOfArea(double area)
    {
        var (low, high) = (0, plans.Count);
        while (low < high)
        {
            var mid = (low + high) / 2;
            if (plans[mid].Length * plans[mid].Width < area)
            {
                low = mid + 1;
            }
            else
            {
                high = mid;
            }
        }

        return low;
    }

    private bool Fits(in BaseSize size)
    {
        foreach (var s in checker.States)
        {
            if (!BaseGeometry.ColumnOnBase(foundation.Held, s.Place.Outline, size))
            {
                return false;
            }
        }

        return true;
    }

    private bool PlanExceeds(in BaseSize size)
    {
        Set(size);
        if (planFailure is { } last && last.Check.Exceeds(last.State, foundation.Rules.Sizing.Target))
        {
            return true;
        }

        foreach (var s in checker.States)
        {
            foreach (var check in PlanChecks)
            {
                if (check.Exceeds(s, foundation.Rules.Sizing.Target))
                {
                    planFailure = (check, s);
                    return true;
                }
            }
        }

        return false;
    }

    private void Set(in BaseSize size)
    {
        foreach (var s in checker.States)
        {
            s.Set(size);
        }
    }

    private bool LevelsFit(double thickness) => BaseLevels.Fault(foundation, thickness, project.Units) is null;

    private SizingResult Stopped(int at)
    {
        if (thicknesses.Length == 0)
        {
            return Failed(new SizingStop(null, null, null, 0, "no thickness of whole steps lies within [sizing] range.thickness", null));
        }

        var h = thicknesses[Math.Min(at, thicknesses.Length - 1)];
        return Failed(new SizingStop(null, null, null, 0, BaseLevels.Fault(foundation, h, project.Units) ?? "[sizing] range.thickness", null));
    }

    private SizingStop PlanStop(int at)
    {
        var l = (double v) => Unit.Length.FormatWithSymbol(v, project.Units);
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
        if (!plans.Any(p => Fits(new BaseSize(p.Length, p.Width, thicknesses[at]))))
        {
            return new SizingStop(null, null, null, 0, bound + ": the column does not stand wholly on it", null);
        }

        return Nearest(at, bound);
    }

    // The plan that comes nearest to passing says more than the largest: held edges and weights make some sizes worse as they grow.
    private SizingStop Nearest(int at, string bound)
    {
        const int tries = 400;
        (double Utilisation, BaseSize Size, Check Check, BaseState State)? best = null;
        var stride = Math.Max(1, plans.Count / tries);
        for (var i = plans.Count - 1; i >= 0; i -= stride)
        {
            var size = new BaseSize(plans[i].Length, plans[i].Width, thicknesses[at]);
            if (!Fits(size))
            {
                continue;
            }

            Set(size);
            var worst = checker.States.SelectMany(s => PlanChecks.Select(c => (Check: c, State: s, Worst: c.Worst(s)))).Where(w => w.Worst is not null)
                .MaxBy(w => w.Worst!.Value.Outcome.FailsAnyhow ? Math.Max(Outcome.NoCapacity, w.Worst.Value.Outcome.Utilisation) : w.Worst.Value.Outcome.Utilisation);
            var utilisation = worst.Worst!.Value.Outcome.FailsAnyhow ? double.MaxValue : worst.Worst.Value.Outcome.Utilisation;
            if (best is null || utilisation < best.Value.Utilisation)
            {
                best = (utilisation, size, worst.Check, worst.State);
            }
        }

        var b = best!.Value;
        Set(b.Size);
        return Stop((b.Check, b.State), $"{bound}; the nearest to passing is {Unit.Length.Format(b.Size.Length, project.Units)} × {Unit.Length.FormatWithSymbol(b.Size.Width, project.Units)}");
    }

    private SizingStop ThicknessStop((double Length, double Width) plan, int at)
    {
        var reached = Math.Min(at, thicknesses.Length) - 1;
        Set(new BaseSize(plan.Length, plan.Width, thicknesses[reached]));
        search.Find();
        var failure = search.LastFailure;
        var next = at < thicknesses.Length ? BaseLevels.Fault(foundation, thicknesses[at], project.Units) : null;
        var bound = next ?? (foundation.Held.Thickness is { } h
            ? $"thickness held at {Unit.Section.FormatWithSymbol(h, project.Units)}"
            : $"thickness up to {Unit.Section.FormatWithSymbol(thicknesses[^1], project.Units)} ([sizing] range.thickness) and the bars of [steel]");
        return failure is { } f ? Stop(f, bound) : new SizingStop(null, null, null, 0, bound, null);
    }

    private static SizingStop Stop((Check Check, BaseState State) failure, string bound)
    {
        var worst = failure.Check.Worst(failure.State);
        return new SizingStop(failure.Check.Id, failure.State.Place.Place.Name, worst is { Combination: >= 0 } w ? failure.State.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0, bound, worst?.Note);
    }
}
