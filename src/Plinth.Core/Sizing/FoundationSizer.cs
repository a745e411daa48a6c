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
    // A base that must move to keep within the site moves by whole fifths of the plan's step.
    private const double ShiftsPerStep = 5;

    private readonly Check[] planChecks;
    private readonly Project project;
    private readonly Foundation foundation;
    private readonly Checker checker;
    private readonly BarSearch search;
    private readonly JointSearch joints;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<BaseSize, (Reinforcement Bars, BarLayer Dowels)?> barsFound = [];
    private readonly Dictionary<int, Pedestal?> pedestals = [];
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
        joints = new JointSearch(checker.States, foundation);
        planChecks = [.. CheckCatalog.Listed.Where(c => c.OfPlan && !foundation.Waives(c.Id))];
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

            if (joints.HasPedestal && Pedestal(first) is null)
            {
                return Failed(PedestalStop());
            }

            if (SmallestPlan(first) is not { } plan)
            {
                return Failed(PlanStop(first));
            }

            steps.Add(new SizingStep("smallest plan", plan));
            if (LeastThickness(plan, 0, first, out var found) is { } enough)
            {
                return Polish(found, enough, smallestAtThickness: enough == first);
            }

            var next = first + 1;
            while (next < thicknesses.Length && LevelsFit(thicknesses[next]) && Complete(plan, next) is null)
            {
                next++;
            }

            steps.Add(new SizingStep("needs more thickness", plan with { Thickness = thicknesses[Math.Min(next, thicknesses.Length - 1)] }));
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
        var q = Schedules.Quantities.Of(project, foundation, design);
        var r = foundation.Rules.Rates;
        return (r.Concrete * q.Concrete) + (r.Steel * q.Steel) + (r.Excavation * q.Excavation) + (r.Formwork * q.Formwork);
    }

    // Thickness comes down as far as it goes with this plan, then a smaller plan is tried at that thickness, until nothing gives.
    private SizingResult Polish(FoundationDesign best, int at, bool smallestAtThickness)
    {
        while (!smallestAtThickness && SmallestPlan(at) is { } smaller && smaller.Length * smaller.Width < (best.Size.Length * best.Size.Width) - 1e-9 && LeastThickness(smaller, 0, at, out var other) is { } less)
        {
            (best, at) = (other, less);
        }

        if (!project.Code.OneWayShearGrowsWithSteel)
        {
            return Found(best);
        }

        var cost = Cost(best);
        for (var thicker = at + 1; thicker <= at + 2 && thicker < thicknesses.Length && LevelsFit(thicknesses[thicker]); thicker++)
        {
            if (SmallestPlan(thicker) is { } p && LeastCost(p) < cost && Complete(p, thicker) is { } design)
            {
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

    private static FoundationDesign Design(BaseSize size, Reinforcement bars, Pedestal? pedestal = null, BarLayer dowels = default) =>
        new(size, BarSpec.Of(bars.BottomX), BarSpec.Of(bars.BottomY), BarSpec.Of(bars.TopX), BarSpec.Of(bars.TopY)) { Pedestal = pedestal, Dowels = BarSpec.Of(dowels) };

    // No design of this size costs less: concrete and work with the code's least steel. It spares a search that cannot win.
    private double LeastCost(BaseSize size)
    {
        var none = default(Tracing.NoTrace);
        var rules = foundation.Rules;
        var ratio = project.Code.MinimumSteelRatio(ref none, rules.Steel.Yield);
        var side = 2 * rules.Concrete.CoverSide;
        var volume = ratio * size.Thickness * ((size.Width * (size.Length - side)) + (size.Length * (size.Width - side)));
        var lightest = rules.Steel.Bars.Min(b => b.MassPerMetre / b.Area);
        return Cost(new FoundationDesign(size, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None)) + (rules.Rates.Steel * volume * lightest);
    }

    // The least thickness from..to with which plan and concrete pass; the plan is known to pass at the last.
    private int? LeastThickness(BaseSize plan, int from, int to, out FoundationDesign design)
    {
        for (var i = from; i <= to; i++)
        {
            if (LevelsFit(thicknesses[i]) && Complete(plan, i) is { } found && (i == to || !PlanExceeds(plan with { Thickness = thicknesses[i] }, Pedestal(i))))
            {
                design = found;
                return i;
            }
        }

        design = null!;
        return null;
    }

    // The least bars and dowels for a plan at a thickness; null if none pass.
    private FoundationDesign? Complete(BaseSize plan, int thickness)
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

    // The pedestal does not depend on the plan but for what of the base surrounds it: the largest plan leaves that to the checks of the base.
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

    private BaseSize? SmallestPlan(int thickness)
    {
        var h = thicknesses[thickness];
        var pedestal = Pedestal(thickness);
        var least = PlanBound.LeastArea(checker.States, foundation, h, pedestal);
        for (var i = FirstOfArea(least); i < plans.Count; i++)
        {
            if (Placed(new BaseSize(plans[i].Length, plans[i].Width, h), pedestal) is { } size && !PlanExceeds(size, pedestal))
            {
                return size;
            }
        }

        return null;
    }

    // The base where it lies within the site and under its column; null if it cannot.
    private BaseSize? Placed(BaseSize size, Pedestal? pedestal) =>
        project.Site.Fit(foundation, pedestal, size, foundation.Rules.Sizing.PlanStep / ShiftsPerStep) is { } placed && Fits(placed, pedestal) ? placed : null;

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

    private bool Fits(in BaseSize size, Pedestal? pedestal)
    {
        foreach (var s in checker.States)
        {
            var outline = BaseGeometry.Outline(s.Place.Place, pedestal);
            if (!BaseGeometry.AllOnBase(foundation, outline, size) || !Overhangs(outline, size))
            {
                return false;
            }
        }

        return true;
    }

    // The least overhang holds on sides that neither the engineer nor the site holds.
    private bool Overhangs(in ColumnOutline outline, in BaseSize size)
    {
        var least = foundation.Rules.Sizing.LeastOverhang;
        if (least <= 0)
        {
            return true;
        }

        var (held, o) = (foundation.Held, BaseGeometry.Offset(foundation.Held, outline, size));
        var (x, y) = ((size.Length - outline.FaceX) / 2, (size.Width - outline.FaceY) / 2);
        bool Enough(double overhang, HeldEdge? edge, double shift) => edge is not null || shift != 0 || overhang >= least - 1e-9;
        return Enough(x + o.X, held.EdgeX0, size.ShiftX) && Enough(x - o.X, held.EdgeX1, size.ShiftX) && Enough(y + o.Y, held.EdgeY0, size.ShiftY) && Enough(y - o.Y, held.EdgeY1, size.ShiftY);
    }

    private bool PlanExceeds(in BaseSize size, Pedestal? pedestal)
    {
        Set(size, pedestal);
        if (planFailure is { } last && last.Check.Exceeds(last.State, foundation.Rules.Sizing.Target))
        {
            return true;
        }

        foreach (var s in checker.States)
        {
            foreach (var check in planChecks)
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

    private void Set(in BaseSize size, Pedestal? pedestal)
    {
        foreach (var s in checker.States)
        {
            s.Set(pedestal, s.Dowels);
            s.Set(size);
        }
    }

    private bool LevelsFit(double thickness) => BaseLevels.Fault(foundation, thickness, project.Units) is null;
}
