using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Finds sizes and bars of a base under several columns: of all lengths, widths and thicknesses on the steps the cheapest that passes. It
/// only asks the checks, and
/// leaves out what costs more than a design in hand by what any design of its size costs at least.
/// </summary>
internal sealed partial class CombinedSizer : FoundationSizer
{
    // What a length needs at least is of that of the lengths beside it that were looked at no less than so much.
    private const double Between = 0.97;

    // Sizes that may save less than this are not looked at.
    private const double Near = 0.993;

    // A thickness for which no bars were found so often in a row is given up; of trapezoids several lie about each length.
    private const int FailuresInRow = 100;
    private const int FailuresOfTrapezoids = 60;

    // Where no bars were found, so many wider plans of the same length are looked at.
    private const int MostWider = 4;

    // The next wider plan has at least so much more area, as a share.
    private const double NextWider = 1e-4;

    // What is known of a family that waits its turn: its least area; the steel that it needs.
    private const int Bounded = -2;
    private const int Needing = -1;

    private readonly Checker checker;
    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly CombinedBars search;
    private readonly CombinedFloor floor;
    private readonly SteelFloor steel;
    private readonly JointSearch[] joints;
    private readonly PlanChecks<CombinedTrial> planChecks;
    private readonly double[] thicknesses;
    private readonly double[] uprights;
    private double[] areas = [];
    private int last;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<int, Pedestal?[]?> pedestals = [];
    private readonly Dictionary<(CombinedPlan Plan, int Thickness), (CombinedDesign Design, double Cost)?> complete = [];
    private readonly CombinedPlans plans;
    private LookedCombinations? looked;

    /// <summary>Prepares the search.</summary>
    public CombinedSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<CombinedTrial>()];
        search = new CombinedBars(trials, foundation);
        joints = [.. Enumerable.Range(0, foundation.Places[0].Supports.Count).Select(i => new JointSearch([.. trials], foundation, i))];
        planChecks = new PlanChecks<CombinedTrial>(trials, foundation);
        var rules = foundation.Rules.Sizing;
        thicknesses = foundation.Held.Thickness is { } h
            ? [h]
            : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        uprights = new double[thicknesses.Length];
        floor = new CombinedFloor(trials, foundation);
        steel = new SteelFloor(trials, foundation);
        Stand(new Pedestal?[joints.Length], 1);
        plans = new CombinedPlans(project, foundation, trials, _ => null);
    }

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        last = 0;
        while (last < thicknesses.Length && LevelsFit(thicknesses[last]))
        {
            last++;
        }

        if (last == 0)
        {
            return Failed(NoThickness());
        }

        foreach (var t in trials)
        {
            t.HintAtMost(Family.Concrete);
        }

        looked = new LookedCombinations([.. trials], Foundation);
        looked.LookAtSome();
        var found = Rough();
        for (var level = 1; Foundation.Held.Trapezoid && found is { } best && level <= plans.Levels; level++)
        {
            // Families between those that were looked at, about the best of them.
            found = Cheapest(plans.About(best.Design, level), best);
        }

        if (Foundation.Held.Trapezoid && found is { } near)
        {
            found = Cheapest(plans.Ends(near.Design), near);
        }

        found = found is { } all ? Trimmed(all) : null;

        looked.LookAtAll();
        complete.Clear();
        pedestals.Clear();
        planChecks.Forget();
        return found is not { Design: var design } ? Failed(Stopped())
            : new SizingResult(design, null, steps) { Checked = check ? checker.Check(design) : null };
    }

    // Whether a design found for some combinations stands under all; if not, those under which it fails are looked at from now on, and what
    // was found
    // without them is sought again. What a family needs was found with the pedestals, and these may be larger now.
    private bool AllAllow(CombinedDesign design)
    {
        looked!.LookAtAll();
        checker.Set(design);
        var allow = looked.AllAllow();
        looked.LookAtSome();
        if (!allow)
        {
            pedestals.Clear();
            if (HasPedestals)
            {
                needing.Clear();
                thinnest.Clear();
            }

            foreach (var key in complete.Where(c => c.Value is not null).Select(c => c.Key).ToList())
            {
                complete.Remove(key);
            }
        }

        return allow;
    }

    internal override void Release() => checker.Release();

    private SizingResult Failed(SizingStop stop) => new(null, stop, steps);

    private bool LevelsFit(double thickness) => BaseLevels.Fault(Foundation, thickness, Project.Units) is null;

    private bool HasPedestals => Array.Exists(joints, j => j.HasPedestal);

    // What costs less than the best of a few is soon told from what does not.
    private (CombinedDesign Design, double Cost)? Rough() =>
        Cheapest(plans.Coarse, Cheapest(plans.Sparse, null)) ?? Cheapest(plans.Closer, null) ?? Cheapest(plans.OfHeldLength, null);

    // Of every thickness and family of plans the least plan that stands; the one that may be cheapest is completed first, until none may be
    // cheaper than
    // one in hand. What a family costs at least is known ever better: by its area, by the steel that shear and moment need in any case, by
    // the least plan
    // that stands.
    private (CombinedDesign Design, double Cost)? Cheapest(IEnumerable<int> families, (CombinedDesign Design, double Cost)? best)
    {
        var least = new Dictionary<int, int>();
        var queue = new PriorityQueue<(int T, int Family, int Plan, double Area), double>();
        var (failed, most) = (new int[last], Foundation.Held.Trapezoid ? FailuresOfTrapezoids : FailuresInRow);
        areas = new double[last];
        for (var t = 0; t < last; t++)
        {
            areas[t] = Pedestals(t) is not null ? floor.LeastArea(thicknesses[t]) : double.PositiveInfinity;
            uprights[t] = Pedestals(t) is { } with ? CostOf(with, t) : 0;
        }

        foreach (var f in families)
        {
            for (var t = 0; t < last; t++)
            {
                if (needing.TryGetValue((t, f), out var known))
                {
                    queue.Enqueue((t, f, Needing, known.Area), known.Cost);
                }
                else if (Bound(t, f) is var bound && bound < double.PositiveInfinity)
                {
                    queue.Enqueue((t, f, Bounded, areas[t]), Math.Max(bound, best is null ? 0 : Between * About(t, f)));
                }
            }
        }

        while (queue.TryDequeue(out var next, out var dearest) && dearest < (best?.Cost ?? double.PositiveInfinity) * Near)
        {
            var (t, f, i, area) = next;
            if (failed[t] >= most || Pedestals(t) is not { } standing)
            {
                continue;
            }

            if (i == Bounded)
            {
                if (!IsHopeless(t, f, standing))
                {
                    queue.Enqueue((t, f, Needing, needing[(t, f)].Area), needing[(t, f)].Cost);
                }

                continue;
            }

            if (i == Needing)
            {
                var dearer = (best?.Cost ?? double.PositiveInfinity) * Near;
                if (Least(t, f, area, least.GetValueOrDefault(f, -1), dearer) is >= 0 and var found)
                {
                    least[f] = found;
                    search.Thin();
                    queue.Enqueue((t, f, found, area), floor.WithSteel(plans.Of(f)[found], uprights[t], steel.Need()));
                }

                continue;
            }

            var plan = plans.Of(f)[i];
            if (complete.TryGetValue((plan, t), out var known) && known is null)
            {
                // None of its bars passed when it was looked at among fewer families.
                failed[t]++;
                continue;
            }

            if (Set(plan, t, standing) is not { } offset)
            {
                continue;
            }

            search.Thin();
            var need = steel.Need();
            var weighs = floor.Budget(plan, uprights[t], need, best?.Cost ?? double.PositiveInfinity);
            if (need.Fails || search.IsTooThin() || planChecks.Fail() || Complete(plan, t, offset, weighs) is not { } made)
            {
                if (search.IsDearer)
                {
                    continue;
                }

                // A wider one presses the ground less, but spans farther across.
                failed[t]++;
                var across = search.LastFailure?.Check.Decides is { What: Decisions.Bars, AlongX: false };
                if (!need.IsHopeless && (!across || need.TurnsAcross) && i + 1 < plans.Of(f).Length && i < least[f] + MostWider)
                {
                    queue.Enqueue((t, f, i + 1, area), floor.Of(plans.Of(f)[i + 1], thicknesses[t], uprights[t]));
                }

                continue;
            }

            failed[t] = 0;
            if (made.Cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
            {
                if (!AllAllow(made.Design))
                {
                    if (HasPedestals)
                    {
                        return Cheapest(families, best);
                    }

                    queue.Enqueue(next, dearest);
                    continue;
                }

                steps.Add(new SizingStep(best is null ? "first" : "cheaper", made.Design.Size));
                best = made;
            }
        }

        return best;
    }

    // The least bars and dowels for the size that the trials hold, and what they cost; null if none pass.
    private (CombinedDesign Design, double Cost)? Complete(in CombinedPlan plan, int t, in PlanPoint offset, in BarBudget budget)
    {
        if (complete.TryGetValue((plan, t), out var known))
        {
            return known;
        }

        var found = search.Find(plans.Design(plan, thicknesses[t], offset), budget);
        for (var i = 0; i < joints.Length && found is not null; i++)
        {
            found = joints[i].FindDowels() is { } dowels
                ? found.With(i, found.At[i] with { Upright = new Upright(trials[0].Columns[i].Pedestal, BarSpec.Of(dowels)) })
                : null;
        }

        // The trials hold its bars as they are cut only now.
        var result = found is null ? default((CombinedDesign, double)?) : (found, Cost(found, CombinedMats.Of(trials[0], found)));
        if (!search.IsDearer)
        {
            complete.Add((plan, t), result);
        }

        return result;
    }

    // The pedestals of all columns at a thickness; null where one cannot be found.
    private Pedestal?[]? Pedestals(int t)
    {
        if (!pedestals.TryGetValue(t, out var found))
        {
            found = new Pedestal?[joints.Length];
            if (HasPedestals)
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
        var (length, width) = ((span.HighX - span.LowX) + Foundation.Rules.Sizing.MostPlan,
            (span.HighY - span.LowY) + Foundation.Rules.Sizing.MostPlan);
        foreach (var t in trials)
        {
            for (var i = 0; i < standing.Length; i++)
            {
                t.Put(i, standing[i], t.Columns[i].Dowels);
            }

            t.Set(new BaseSize(length, width, thickness), width,
                new PlanPoint(-(span.LowX + span.HighX) / 2, -(span.LowY + span.HighY) / 2));
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
}
