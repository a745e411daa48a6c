using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// Finds a cap: the fewest piles of an allowed layout that carry the loads, of as many the least concrete. A wider pitch, up to half as
/// much again as the least, is
/// tried before more piles, and the layout both ways; then thickness, then bars. It only asks the checks.
/// </summary>
internal sealed partial class CapSizer : FoundationSizer
{
    // The pitch is widened up to so many times the least.
    private const double Widest = 1.5;

    // The origin lies at whole parts of the plan's step from the piles' centroid: 10 mm of 50 mm, half an inch of 3 in.
    private const double MetricParts = 5;
    private const double InchParts = 6;

    // Lengths of piles that are found lie on such steps, m; in feet two of them.
    private const double LengthStep = 0.5;
    private const double FeetStep = 2 * 0.3048;

    // What a thicker, heavier cap may mend.
    private const string Pulled = "pile-tension";

    // Volumes that differ by less are alike, m3.
    private const double Alike = 1e-6;

    private readonly Checker checker;
    private readonly ImmutableArray<CapTrial> trials;
    private readonly BarSearch search;
    private readonly JointSearch[] joints;
    private readonly PlanChecks<CapTrial> planChecks;
    private readonly double[] thicknesses;
    private readonly List<SizingStep> steps = [];
    private readonly Dictionary<int, Pedestal?[]?> pedestals = [];
    private readonly PlanPoint offset;
    private readonly PileLayout? own;
    private readonly bool lengthIsSought;
    private int last;

    /// <summary>Prepares the search.</summary>
    public CapSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<CapTrial>()];
        search = new BarSearch([.. trials], foundation);
        joints = [.. Enumerable.Range(0, foundation.Places[0].Supports.Count).Select(i => new JointSearch([.. trials], foundation, i))];
        planChecks = new PlanChecks<CapTrial>(trials, foundation);
        var rules = foundation.Rules.Sizing;
        thicknesses = foundation.Held.Thickness is { } h
            ? [h]
            : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        offset = Origin();
        own = Piles.At.Count > 0 ? PileLayout.Own(Piles.At) : null;
        lengthIsSought = Piles.Length is null && foundation.Places.Any(p => Piles.IsFoundFrom(p.Ground));
    }

    private PileRules Piles => Foundation.Rules.Piles;

    private bool HasPedestals => Array.Exists(joints, j => j.HasPedestal);

    internal override void Release() => checker.Release();

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        if (Prepare() is { } stop)
        {
            return new SizingResult(null, stop, steps);
        }

        var looked = new LookedCombinations([.. trials], Foundation);
        while (true)
        {
            Forget();
            looked.LookAtSome();
            var best = Fewest();
            looked.LookAtAll();
            Forget();
            if (best is null)
            {
                return new SizingResult(null, Stopped(), steps);
            }

            checker.Set(best);
            if (looked.AllAllow())
            {
                steps.Add(new SizingStep("found", best.Size));
                return new SizingResult(best, null, steps) { Checked = check ? checker.Check(best) : null };
            }
        }
    }

    // What was found under some combinations does not hold under others.
    private void Forget()
    {
        pedestals.Clear();
        planChecks.Forget();
    }

    // What makes any search vain; null: nothing.
    private SizingStop? Prepare()
    {
        if (Foundation.Places.Any(p => !Piles.KnownIn(p.Ground)))
        {
            return new SizingStop(null, null, null, 0,
                Piles.Size is null ? "give [piles] size, for example \"450 mm\"" : "give [piles] compression, what one pile may carry",
                null);
        }

        last = 0;
        while (last < thicknesses.Length && BaseLevels.Fault(Foundation, thicknesses[last], Project.Units) is null)
        {
            last++;
        }

        return last > 0 ? null
            : new SizingStop(null, null, null, 0,
                thicknesses.Length == 0
                    ? "no thickness of whole steps lies within [sizing] range.thickness"
                    : BaseLevels.Fault(Foundation, thicknesses[0], Project.Units) ?? "[sizing] range.thickness", null);
    }

    private CapDesign? Fewest()
    {
        foreach (var group in Layouts())
        {
            if (Least(group) is { } found)
            {
                return found;
            }
        }

        return null;
    }

    // Of layouts of as many piles the cap of least concrete that passes, of as much the cheapest.
    private CapDesign? Least(IEnumerable<PileLayout> layouts)
    {
        CapDesign? best = null;
        var (least, cost) = (double.PositiveInfinity, 0.0);
        foreach (var layout in layouts)
        {
            foreach (var turns in Turns(layout))
            {
                foreach (var (pitch, hexagon) in Pitches(layout).SelectMany(p => Outlines(layout).Select(o => (p, o))))
                {
                    var plan = Plan(layout, turns, pitch, hexagon);
                    if (plan.Area * thicknesses[0] >= least + Alike)
                    {
                        continue;
                    }

                    if (Thinnest(plan, least) is { } found && found.Area * found.Size.Thickness is var volume
                        && (volume < least - Alike || Cost(found) < cost))
                    {
                        (best, least, cost) = (found, volume, Cost(found));
                    }
                }
            }
        }

        return best;
    }

    private (CapDesign Design, bool Passes)? Carried(CapDesign sized, Pedestal?[] standing)
    {
        CapDesign? longest = null;
        foreach (var length in Lengths())
        {
            var candidate = sized with { PileLength = length };
            if (CapFaults.Of(Foundation, With(candidate, standing), Project.Units) is not null)
            {
                continue;
            }

            Put(longest = candidate, standing);
            if (!planChecks.Fail())
            {
                return (candidate, true);
            }
        }

        return longest is null ? null : (longest, false);
    }

    // The thinnest cap of a plan that passes, with its bars; null: none does, or none of less volume.
    private CapDesign? Thinnest(CapDesign plan, double most)
    {
        var isCarried = false;
        var area = plan.Area;
        var end = Array.FindIndex(thicknesses, 0, last, h => area * h > most + Alike) is >= 0 and var over ? over : last;
        for (var t = Skipped(plan, end); t < end; t++)
        {
            var sized = plan with { Size = plan.Size with { Thickness = thicknesses[t] } };
            if (Pedestals(sized, t) is not { } standing)
            {
                continue;
            }

            // Once its piles carry a thin cap, what is too thin or finds no bars is told sooner than that they carry a thicker one.
            if (isCarried && !lengthIsSought)
            {
                if (CapFaults.Of(Foundation, With(sized, standing), Project.Units) is not null || Barred(sized, standing) is not { } barred)
                {
                    continue;
                }

                if (!planChecks.Fail())
                {
                    return barred;
                }

                if (planChecks.Failure!.Value.Check.Id != Pulled)
                {
                    return null;
                }

                continue;
            }

            if (Carried(sized, standing) is not var (carried, passes))
            {
                continue;
            }

            if (!passes)
            {
                // A thicker cap is heavier: only what pulls is held by that.
                if (planChecks.Failure!.Value.Check.Id != Pulled)
                {
                    return null;
                }

                continue;
            }

            isCarried = true;
            if (Barred(carried, standing) is { } found)
            {
                return found;
            }
        }

        return null;
    }

    // How many of the thinnest are too thin for any bars, as is seen from a thicker one: the last, or half as far on.
    private int Skipped(CapDesign plan, int end)
    {
        if (HasPedestals || lengthIsSought || thicknesses.Length == 1)
        {
            return 0;
        }

        for (var t = end - 1; t > 0; t /= 2)
        {
            var sized = plan with { Size = plan.Size with { Thickness = thicknesses[t] } };
            if (CapFaults.Of(Foundation, sized, Project.Units) is null)
            {
                Put(sized, new Pedestal?[joints.Length]);
                if (search.IsTooThinDown(thicknesses[t] - thicknesses[0]))
                {
                    return t + 1;
                }
            }
        }

        return 0;
    }

    // A cap with its bars, whatever its piles carry; null where it is too thin, or none are found.
    private CapDesign? Barred(CapDesign sized, Pedestal?[] standing)
    {
        Put(sized, standing);
        return IsDoubtful || search.IsTooThin() ? null : Complete(With(sized, standing));
    }

    // What its own remarks would call doubtful is chosen only where the thickness is held.
    private bool IsDoubtful => thicknesses.Length > 1 && Foundation.Kind.DoubtfullyRigid(trials[0]) is not null;

    private static CapDesign With(CapDesign design, Pedestal?[] standing)
    {
        for (var i = 0; i < standing.Length; i++)
        {
            design = standing[i] is null ? design : design.With(i, new Upright(standing[i], BarSpec.None));
        }

        return design;
    }

    private void Put(CapDesign design, Pedestal?[] standing)
    {
        foreach (var t in trials)
        {
            for (var i = 0; i < standing.Length; i++)
            {
                t.Put(i, standing[i], t.Columns[i].Dowels);
            }

            t.Set(design);
        }
    }

    // The least bars and dowels for the size that the trials hold.
    private CapDesign? Complete(CapDesign design)
    {
        if (search.Find() is not { } bars)
        {
            return null;
        }

        var found = design with
        {
            BottomX = BarSpec.Of(bars.BottomX),
            BottomY = BarSpec.Of(bars.BottomY),
            TopX = BarSpec.Of(bars.TopX),
            TopY = BarSpec.Of(bars.TopY)
        };
        for (var i = 0; i < joints.Length; i++)
        {
            if (joints[i].FindDowels() is not { } dowels)
            {
                return null;
            }

            found = found.With(i, found.At[i].Upright with { Dowels = BarSpec.Of(dowels) });
        }

        return found;
    }

    // The pedestals of all columns at a thickness; null where one cannot be found.
    private Pedestal?[]? Pedestals(CapDesign sized, int t)
    {
        if (!pedestals.TryGetValue(t, out var found))
        {
            found = new Pedestal?[joints.Length];
            if (HasPedestals)
            {
                Put(sized, found);
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
}
