using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>
/// Finds the sizes and bars of a foundation: of all plans and thicknesses on the steps the cheapest that passes. It has no formulas of its
/// own: it only asks
/// the checks, and leaves out what costs more than a design in hand by what any design of its size costs at least.
/// </summary>
internal sealed partial class IsolatedSizer : FoundationSizer
{
    // A base that must move to keep within the site moves by so much of the plan's step: an even part, so that its edge may lie flush with
    // a boundary on the step.
    private const double MetricShifts = 10;
    private const double InchShifts = 6;

    // Sizes that may save less than this are not looked at.
    private const double Near = 0.996;

    // A thickness whose sections are too weak for so many plans in a row is given up, as larger plans load them more.
    private const int FailuresInRow = 12;

    // So many plans beyond the smallest are looked at where none could be completed.
    private const int PlansBeyond = 40;

    private readonly PlanChecks<IsolatedTrial> planChecks;
    private readonly Project project;
    private readonly Foundation foundation;
    private readonly Checker checker;
    private readonly ImmutableArray<IsolatedTrial> trials;
    private readonly BarSearch search;
    private readonly JointSearch joints;
    private readonly CostBound bound;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<BaseSize, (Reinforcement Bars, BarLayer Dowels)?> barsFound = [];
    private readonly Dictionary<int, Pedestal?> pedestals = [];
    private readonly Dictionary<(double Length, double Width, Pedestal? Pedestal), BaseSize?> shifts = [];
    private readonly double[] thicknesses;
    private readonly IReadOnlyList<(double Length, double Width)> plans;
    private readonly double? heldLength;
    private readonly double? heldWidth;

    /// <summary>Prepares the search.</summary>
    public IsolatedSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        this.project = project;
        this.foundation = foundation;
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<IsolatedTrial>()];
        search = new BarSearch([.. trials], foundation);
        joints = new JointSearch([.. trials], foundation, 0);
        bound = new CostBound(trials, foundation);
        planChecks = new PlanChecks<IsolatedTrial>(trials, foundation);
        var rules = foundation.Rules.Sizing;
        var held = foundation.Held;
        var outline = trials[0].Column.Loaded.Outline;
        heldLength = held.Length ?? BaseGeometry.HeldSide(held.EdgeX0, held.EdgeX1, outline.FaceX);
        heldWidth = held.Width ?? BaseGeometry.HeldSide(held.EdgeY0, held.EdgeY1, outline.FaceY);
        plans = PlanCandidates.Of(rules, heldLength, heldWidth);
        thicknesses = held.Thickness is { } h ? [h] : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
    }

    /// <inheritdoc/>
    /// <remarks>
    /// The search looks at the combinations that lie farthest out, then asks all: those that the design fails are taken in and it is sought
    /// again. What fewer
    /// combinations leave cheapest and all allow is the cheapest of all; where fewer leave none there is none.
    /// </remarks>
    public override SizingResult Size(bool check = false)
    {
        var last = 0;
        while (last < thicknesses.Length && LevelsFit(thicknesses[last]))
        {
            last++;
        }

        if (last == 0)
        {
            return Stopped(0);
        }

        var looked = new LookedCombinations([.. trials], foundation);
        while (true)
        {
            Forget();
            looked.LookAtSome();
            var (first, stop) = First(last);
            var best = first is null ? null : Cheapest(first, last);
            looked.LookAtAll();
            Forget();
            if (best is null)
            {
                return Failed(stop!());
            }

            checker.Set(best);
            if (looked.AllAllow())
            {
                return Found(best) with { Checked = check ? checker.Check(best) : null };
            }
        }
    }

    internal override void Release() => checker.Release();

    // What was found under some combinations does not hold under others.
    private void Forget()
    {
        barsFound.Clear();
        pedestals.Clear();
        planChecks.Forget();
    }

    // A design that passes, from which costs are compared: the smallest plan at a thickness, or the thickness that it needs, whose weight
    // may need more plan again.
    private (IsolatedDesign? Design, Func<SizingStop>? Stop) First(int last)
    {
        Func<SizingStop>? stop = null;
        var t = 0;
        while (t < last)
        {
            var at = t;
            if (joints.HasPedestal && Pedestal(t) is null)
            {
                stop ??= PedestalStop;
                t++;
                continue;
            }

            if (SmallestPlan(t) is not { } plan)
            {
                // A thicker base is heavier: what lifts, slides or tips it may be held then.
                stop = () => PlanStop(at);
                t++;
                continue;
            }

            steps.Add(new SizingStep("smallest plan", plan));
            if (Complete(plan, t) is { } design)
            {
                return (design, null);
            }

            do
            {
                t++;
            }
            while (t < last && Complete(plan, t) is null);
            steps.Add(new SizingStep("needs more thickness", plan with { Thickness = thicknesses[Math.Min(t, last - 1)] }));
            stop = () => ThicknessStop(plan, last);
        }

        return Larger(last) is { } larger ? (larger, null) : (null, stop);
    }

    // Where no smallest plan can be completed at any thickness, larger ones are looked at: an overhang that bars can take hold in, a lower
    // pressure.
    private IsolatedDesign? Larger(int last)
    {
        for (var t = 0; t < last; t++)
        {
            if ((joints.HasPedestal && Pedestal(t) is null) || SmallestPlan(t) is not { } smallest)
            {
                continue;
            }

            var first = FirstOfArea((smallest.Length * smallest.Width) - 1e-9);
            for (var i = first; i < Math.Min(plans.Count, first + PlansBeyond); i++)
            {
                if (Placed(new BaseSize(plans[i].Length, plans[i].Width, thicknesses[t]), Pedestal(t)) is { } size
                    && !PlanExceeds(size, Pedestal(t)) && Complete(size, t) is { } design)
                {
                    steps.Add(new SizingStep("a larger plan", design.Size));
                    return design;
                }
            }
        }

        return null;
    }

    // Every plan and thickness that may be cheaper by what it costs at least.
    private IsolatedDesign Cheapest(IsolatedDesign best, int last)
    {
        var cost = Cost(best);
        for (var t = 0; t < last; t++)
        {
            var h = thicknesses[t];
            if (joints.HasPedestal && (DearerThan(cost * Near, h) || Pedestal(t) is null))
            {
                continue;
            }

            var pedestal = Pedestal(t);
            var standing = pedestal is null ? 0 : Cost(Bare(h, pedestal)) - Cost(Bare(h, null));
            var failed = 0;
            for (var i = FirstOfArea(PlanBound.LeastArea(trials, foundation, h, pedestal)); i < plans.Count && failed < FailuresInRow; i++)
            {
                var (length, width) = plans[i];
                var side = Math.Sqrt(length * width);
                if (bound.Floor(side, side, h, standing) >= cost * Near)
                {
                    break;
                }

                if (bound.Floor(length, width, h, standing) >= cost * Near
                    || Placed(new BaseSize(length, width, h), pedestal) is not { } size
                    || (barsFound.TryGetValue(size, out var known) && known is null) || size == best.Size)
                {
                    continue;
                }

                // What failed a plan before fails most others: of thousands of oblong plans few are left.
                Set(size, pedestal);
                if (planChecks.FailAsBefore() || bound.WithSteel(standing) is var least && least >= cost * Near)
                {
                    continue;
                }

                if (search.IsTooThin())
                {
                    failed++;
                    continue;
                }

                failed = 0;
                if (!PlanExceeds(size, pedestal) && least + bound.TopMat() < cost * Near && Complete(size, t) is { } design
                    && Cost(design) is var c && c < cost - 1e-9)
                {
                    steps.Add(new SizingStep("cheaper", design.Size));
                    (best, cost) = (design, c);
                }
            }
        }

        return best;

        IsolatedDesign Bare(double h, Pedestal? pedestal) =>
            new(new BaseSize(1, 1, h), BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None) { Pedestal = pedestal };
    }

    private SizingResult Found(IsolatedDesign design) => new(design, null, steps);

    private SizingResult Failed(SizingStop stop) => new(null, stop, steps);

    private static IsolatedDesign Design(BaseSize size, Reinforcement bars, Pedestal? pedestal = null, BarLayer dowels = default) =>
        new(size, BarSpec.Of(bars.BottomX), BarSpec.Of(bars.BottomY), BarSpec.Of(bars.TopX), BarSpec.Of(bars.TopY))
        {
            Pedestal = pedestal,
            Dowels = BarSpec.Of(dowels)
        };

    // The least bars and dowels for a plan at a thickness; null if none pass.
    // Whether the base alone costs so much at a thickness, whatever pedestal stands on it: what the pedestal weighs more than the soil in
    // its place only needs more plan.
    private bool DearerThan(double cost, double thickness)
    {
        var ground = trials[0].Ground;
        if (foundation.Rules.Concrete.Weight < Math.Max(ground.SoilWeight, ground.SaturatedWeight))
        {
            return false;
        }

        var side = Math.Sqrt(PlanBound.LeastArea(trials, foundation, thickness, null));
        return bound.Floor(side, side, thickness, 0) >= cost;
    }

    private IsolatedDesign? Complete(BaseSize plan, int thickness)
    {
        var size = plan with { Thickness = thicknesses[thickness] };
        var pedestal = joints.HasPedestal ? Pedestal(thickness) : null;
        if (joints.HasPedestal && pedestal is null)
        {
            return null;
        }

        if (!barsFound.TryGetValue(size, out var found))
        {
            Set(size, pedestal);
            found = search.Find() is { } bars && joints.FindDowels() is { } dowels ? (bars, dowels) : null;
            barsFound.Add(size, found);
        }

        return found is { } f ? Design(size, f.Bars, pedestal, f.Dowels) : null;
    }

    // The pedestal does not depend on the plan but for what of the base surrounds it: the largest plan leaves that to the checks of the
    // base.
    private Pedestal? Pedestal(int thickness)
    {
        if (!joints.HasPedestal)
        {
            return null;
        }

        if (!pedestals.TryGetValue(thickness, out var pedestal))
        {
            var (length, width) = plans.Count > 0 ? plans[^1] : (foundation.Rules.Sizing.MostPlan, foundation.Rules.Sizing.MostPlan);
            Set(new BaseSize(length, width, thicknesses[thickness]), null);
            pedestal = joints.FindPedestal();
            pedestals.Add(thickness, pedestal);
        }

        return pedestal;
    }

    private void Set(in BaseSize size, Pedestal? pedestal)
    {
        foreach (var s in trials)
        {
            s.Set(pedestal, s.Column.Dowels);
            s.Set(size);
        }
    }

    private bool LevelsFit(double thickness) => BaseLevels.Fault(foundation, thickness, project.Units) is null;
}
