using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Finds sizes and bars of a base under several columns: of all lengths, widths and thicknesses on the steps the cheapest that passes. It only asks the checks, and
/// leaves out what costs more than a design in hand by what any design of its size costs at least.
/// </summary>
internal sealed partial class CombinedSizer : FoundationSizer
{
    // Sizes that may save less than this are not looked at.
    private const double Near = 0.997;

    // A thickness for which no bars were found for so many lengths in a row is given up.
    private const int FailuresInRow = 100;

    // Where no bars were found, so many wider plans of the same length are looked at.
    private const int MostWider = 4;

    private readonly Checker checker;
    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly CombinedBars search;
    private readonly CombinedFloor floor;
    private readonly JointSearch[] joints;
    private readonly Check[] planChecks;
    private readonly double[] thicknesses;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<int, Pedestal?[]?> pedestals = [];
    private readonly Dictionary<(CombinedPlan Plan, int Thickness), CombinedDesign?> complete = [];
    private CombinedPlans plans;
    private (Check Check, CombinedTrial State)? planFailure;

    /// <summary>Prepares the search.</summary>
    public CombinedSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<CombinedTrial>()];
        search = new CombinedBars(trials, foundation);
        joints = [.. Enumerable.Range(0, foundation.Places[0].Supports.Count).Select(i => new JointSearch([.. trials], foundation, i))];
        planChecks = [.. trials[0].Checks.Listed.Where(c => c.Decides.What == Decisions.Plan && !foundation.Waives(c.Id))];
        var rules = foundation.Rules.Sizing;
        thicknesses = foundation.Held.Thickness is { } h ? [h] : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        floor = new CombinedFloor(trials, foundation);
        Stand(new Pedestal?[joints.Length], 1);
        plans = new CombinedPlans(project, foundation, trials, _ => null);
    }

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        var last = 0;
        while (last < thicknesses.Length && LevelsFit(thicknesses[last]))
        {
            last++;
        }

        if (last == 0)
        {
            return Failed(NoThickness());
        }

        var looked = new LookedCombinations([.. trials], Foundation);
        while (true)
        {
            Forget();
            looked.LookAtSome();
            var best = Cheapest(last);
            looked.LookAtAll();
            Forget();
            if (best is null)
            {
                return Failed(Stopped(last));
            }

            checker.Set(best);
            if (looked.AllAllow())
            {
                return new SizingResult(best, null, steps) { Checked = check ? checker.Check(best) : null };
            }
        }
    }

    internal override void Release() => checker.Release();

    private SizingResult Failed(SizingStop stop) => new(null, stop, steps);

    private bool LevelsFit(double thickness) => BaseLevels.Fault(Foundation, thickness, Project.Units) is null;

    // What was found under some combinations does not hold under others.
    private void Forget()
    {
        complete.Clear();
        pedestals.Clear();
        planFailure = null;
    }

    // Of every thickness and length the least plan that stands; the one that may be cheapest is completed first, until none may be cheaper than one in hand.
    private CombinedDesign? Cheapest(int last)
    {
        (CombinedDesign Design, double Cost)? best = null;
        var queue = new PriorityQueue<(int T, int Length, int Plan), double>();
        var failed = new int[last];
        var uprights = new double[last];
        var least = new int[plans.Lengths.Length];
        Array.Fill(least, -1);
        for (var t = 0; t < last; t++)
        {
            if (Pedestals(t) is not { } standing)
            {
                continue;
            }

            uprights[t] = CostOf(standing, t);
            var area = floor.LeastArea(thicknesses[t]);
            for (var l = 0; l < plans.Lengths.Length; l++)
            {
                if (plans.Bound(l, area) is { } bound)
                {
                    queue.Enqueue((t, l, -1), floor.Of(bound, thicknesses[t], uprights[t]));
                }
            }
        }

        while (queue.TryDequeue(out var next, out var dearest) && dearest < (best?.Cost ?? double.PositiveInfinity) * Near)
        {
            var (t, l, i) = next;
            if (failed[t] >= FailuresInRow)
            {
                continue;
            }

            if (i < 0)
            {
                if (Least(t, l, least[l]) is >= 0 and var found)
                {
                    least[l] = found;
                    queue.Enqueue((t, l, found), floor.WithSteel(plans.Of(l)[found], uprights[t]));
                }

                continue;
            }

            var plan = plans.Of(l)[i];
            if (Set(plan, t, Pedestals(t)!) is not { } offset)
            {
                continue;
            }

            if (search.IsTooThin() || PlanExceeds() || Complete(plan, t, offset) is not { } design)
            {
                // A wider one presses the ground less.
                failed[t]++;
                if (i + 1 < plans.Of(l).Length && i < least[l] + MostWider)
                {
                    queue.Enqueue((t, l, i + 1), floor.Of(plans.Of(l)[i + 1], thicknesses[t], uprights[t]));
                }

                continue;
            }

            failed[t] = 0;
            if (Cost(design, CombinedMats.Of(trials[0], design)) is var cost && cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
            {
                steps.Add(new SizingStep(best is null ? "first" : "cheaper", design.Size));
                best = (design, cost);
            }
        }

        return best?.Design;
    }

    // The least plan of a length that stands on the ground at a thickness, left in the trials; −1: none. From what another thickness needed it is not far.
    private int Least(int t, int length, int near)
    {
        var (list, standing) = (plans.Of(length), Pedestals(t)!);
        var area = floor.LeastArea(thicknesses[t]);
        bool Stands(int i) => Set(list[i], t, standing) is not null && !PlanExceeds();
        var first = 0;
        while (first < list.Length && list[first].Area < area)
        {
            first++;
        }

        var at = Math.Max(first, near);
        if (at < list.Length && at > first && Stands(at))
        {
            while (at > first && Stands(at - 1))
            {
                at--;
            }

            _ = Set(list[at], t, standing);
            return at;
        }

        for (at = near > first ? near + 1 : first; at < list.Length; at++)
        {
            if (Stands(at))
            {
                return at;
            }
        }

        return -1;
    }

    // The least bars and dowels for the size that the trials hold; null if none pass.
    private CombinedDesign? Complete(in CombinedPlan plan, int t, in PlanPoint offset)
    {
        if (complete.TryGetValue((plan, t), out var known))
        {
            return known;
        }

        var found = search.Find(plans.Design(plan, thicknesses[t], offset));
        for (var i = 0; i < joints.Length && found is not null; i++)
        {
            found = joints[i].FindDowels() is { } dowels ? found.With(i, found.At[i] with { Upright = new Upright(trials[0].Columns[i].Pedestal, BarSpec.Of(dowels)) }) : null;
        }

        complete.Add((plan, t), found);
        return found;
    }

    // The pedestals of all columns at a thickness; null where one cannot be found.
    private Pedestal?[]? Pedestals(int t)
    {
        if (!pedestals.TryGetValue(t, out var found))
        {
            found = new Pedestal?[joints.Length];
            if (joints.Any(j => j.HasPedestal))
            {
                Stand(found, thicknesses[t]);
                for (var i = 0; i < joints.Length && found is not null; i++)
                {
                    found[i] = joints[i].HasPedestal ? joints[i].FindPedestal() : null;
                    found = joints[i].HasPedestal && found[i] is null ? null : found;
                }
            }

            pedestals.Add(t, found);
        }

        return found;
    }

    // A base large enough for any of them, on which the columns stand.
    private void Stand(Pedestal?[] standing, double thickness)
    {
        var span = new CombinedPlace(Foundation.Places[0], _ => null);
        var (length, width) = ((span.HighX - span.LowX) + Foundation.Rules.Sizing.MostPlan, (span.HighY - span.LowY) + Foundation.Rules.Sizing.MostPlan);
        foreach (var t in trials)
        {
            for (var i = 0; i < standing.Length; i++)
            {
                t.Put(i, standing[i], t.Columns[i].Dowels);
            }

            t.Set(new BaseSize(length, width, thickness), width, new PlanPoint(-(span.LowX + span.HighX) / 2, -(span.LowY + span.HighY) / 2));
        }
    }

    // Puts a plan where it lies into the trials; null where it can lie nowhere.
    private PlanPoint? Set(in CombinedPlan plan, int t, Pedestal?[] standing)
    {
        if (plans.Place(plan) is not { } offset)
        {
            return null;
        }

        foreach (var trial in trials)
        {
            for (var i = 0; i < standing.Length; i++)
            {
                trial.Put(i, standing[i], trial.Columns[i].Dowels);
            }

            trial.Set(new BaseSize(plan.Length, plan.Low, thicknesses[t]), plan.High, offset);
        }

        return offset;
    }

    private double CostOf(Pedestal?[] standing, int t)
    {
        if (Array.TrueForAll(standing, p => p is null))
        {
            return 0;
        }

        // What stands on a base costs the same on any.
        var most = Foundation.Rules.Sizing.MostPlan;
        var bare = plans.Design(new CombinedPlan(most, most, most, most * most), thicknesses[t], default);
        var with = bare;
        for (var i = 0; i < standing.Length; i++)
        {
            with = with.With(i, with.At[i] with { Upright = new Upright(standing[i], BarSpec.None) });
        }

        return Cost(with) - Cost(bare);
    }

    private bool PlanExceeds()
    {
        if (FailsAsBefore())
        {
            return true;
        }

        foreach (var t in trials)
        {
            foreach (var check in planChecks)
            {
                if (check.Exceeds(t, Foundation.Rules.Sizing.Target))
                {
                    planFailure = (check, t);
                    return true;
                }
            }
        }

        return false;
    }

    private bool FailsAsBefore() => planFailure is { } last && last.Check.Exceeds(last.State, Foundation.Rules.Sizing.Target);
}
