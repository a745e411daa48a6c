using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds the sizes and bars of a foundation: the smallest plan that passes with the final thickness, the least thickness, the least steel. It has no formulas
/// of its own: it only asks the checks.
/// </summary>
public sealed partial class FoundationSizer
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
                var left = allowed - s.WeightPerArea(k) - s.Place.LoadPressure(k);
                if (left > 0)
                {
                    least = Math.Max(least, (s.Place.Sums[k].N + s.Place.LoadForce(k) - (c.WeightFactor * g.SoilWeight * s.SoilDepth * s.Place.Place.Support.Area)) / left);
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
            if (!BaseGeometry.AllOnBase(foundation, s.Place.Outline, size))
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
}
