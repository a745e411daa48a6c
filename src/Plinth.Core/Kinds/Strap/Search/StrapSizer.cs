using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// Finds sizes and bars of a strap footing: for each length of the edge base the bases whose centroid lies under the resultant of the
/// sustained combination, as small as the ground allows, then thicknesses, beam and steel; the cheapest of these, and then every step of
/// a side, a thickness or a depth that makes it cheaper and passes. It only asks the checks: beams are first asked by shears and moments
/// as another beam leaves them, and what is taken by its own.
/// </summary>
internal sealed partial class StrapSizer : FoundationSizer
{
    // So many lengths of the edge base are tried first, then those between about so many of the cheapest.
    private const int Sparse = 6;
    private const int Rivals = 2;

    // Bases whose concrete costs so much more than that of the best are no rivals.
    private const double Rival = 1.2;

    // Designs that cost so much more than the best may become the better ones by single steps.
    private const double Near = 1.04;

    // Bases and beam settle on sizes after so many rounds, or never.
    private const int MostRounds = 8;

    // Thicknesses beyond the first that passes are tried so many steps on: less steel may pay for them.
    private const int Thicker = 2;

    private const double LeastBeamWidth = 0.3;
    private const double WidestBeam = 1.5;

    // Widths of beams that are listed as alternatives, so many steps apart.
    private const int Wider = 4;
    private readonly Checker checker;
    private readonly ImmutableArray<StrapTrial> trials;
    private readonly StrapSteel steel;
    private readonly BeamSearch beams;
    private readonly JointSearch[] joints;
    private readonly Check[] planChecks;
    private readonly SizingRules rules;
    private readonly double[] sides;
    private readonly double[] thicknesses;
    private readonly LookedCombinations looked;
    private readonly List<SizingStep> steps = [];
    private (Check Check, Trial State)? failure;
    private StrapDesign? likely;
    private Check? lacked;
    private double longest = double.PositiveInfinity;

    /// <summary>Prepares the search.</summary>
    public StrapSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<StrapTrial>()];
        steel = new StrapSteel(trials, foundation);
        beams = new BeamSearch([.. trials], foundation, key => StrapFields.Bars(foundation.Held, "beam", key),
            foundation.Held.Own.GetValueOrDefault("beam.bars") is FieldValue.Sizes { Allowed: { Count: > 0 } own } ? own : null);
        joints = [.. Enumerable.Range(0, 2).Select(i => new JointSearch([.. trials], foundation, i))];
        planChecks = [.. trials[0].Checks.Listed.Where(c => c.Decides.What == Decisions.Plan && !foundation.Waives(c.Id))];
        rules = foundation.Rules.Sizing;
        sides = PlanCandidates.Steps(rules.LeastPlan, rules.MostPlan, rules.PlanStep);
        thicknesses = [.. PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep)
            .Where(t => BaseLevels.Fault(foundation, t, project.Units) is null)];
        looked = new LookedCombinations([.. trials], foundation);
    }

    internal override void Release() => checker.Release();

    private double? Held(int part, string key) => StrapFields.Length(Foundation.Held, StrapFields.Parts[part], key);

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        var open = thicknesses.Length > 0 || (Held(0, "thickness") is not null && Held(1, "thickness") is not null);
        if (!open)
        {
            return Failed(new SizingStop(null, null, null, 0,
                BaseLevels.Fault(Foundation, rules.LeastThickness, Project.Units) ?? "no thickness of whole steps lies within "
                    + "[sizing] range.thickness", null));
        }

        if (Lifts() is { } lifts)
        {
            return Failed(lifts);
        }

        var found = Cheapest();
        looked.LookAtAll();
        return found is not { } best ? Failed(Stopped())
            : new SizingResult(best.Design, null, steps) { Checked = check ? checker.Check(best.Design) : null };
    }

    private SizingResult Failed(SizingStop stop)
    {
        looked.LookAtAll();
        return new SizingResult(null, stop, steps);
    }

    // Where all combinations fail what some allowed, those under which it fails are looked at too.
    private (StrapDesign Design, double Cost)? Cheapest()
    {
        while (true)
        {
            looked.LookAtSome();
            var found = OverLengths();
            if (found is not { } best)
            {
                return null;
            }

            looked.LookAtAll();
            checker.Set(best.Design);
            if (looked.AllAllow())
            {
                return best;
            }
        }
    }

    // Lengths far apart first, then between those about the two cheapest; and every single step from the cheapest.
    private (StrapDesign Design, double Cost)? OverLengths()
    {
        var lengths = EdgeLengths();
        var costs = new double?[lengths.Count];
        likely = null;
        var made = new List<(StrapDesign Design, double Cost)>();
        (StrapDesign Design, double Cost)? best = null;
        var (apart, rivals) = (Math.Max(1, lengths.Count / Sparse), Rivals);
        for (var i = 0; i < lengths.Count; i += apart)
        {
            Try(i);
        }

        for (var i = 0; best is null && i < lengths.Count; i++)
        {
            Try(i);
        }

        if (best is null)
        {
            return null;
        }

        // Single steps are tried in the end.
        while (apart > 1)
        {
            apart /= 2;
            foreach (var at in Cheapest(rivals))
            {
                Try(at - apart);
                Try(at + apart);
            }

            rivals = 1;
        }

        foreach (var near in made.OrderBy(m => m.Cost).Take(Rivals + 1).Where(m => m.Cost < best.Value.Cost * Near).ToList())
        {
            var stepped = Stepped(near);
            best = stepped.Cost < best.Value.Cost - 1e-6 ? stepped : best;
        }

        return best;

        void Try(int i)
        {
            if (i < 0 || i >= lengths.Count || costs[i] is not null)
            {
                return;
            }

            // The sizes of the nearest length tell what this one will weigh.
            likely = made.Count == 0 ? null : made.MinBy(m => Math.Abs(m.Design.Edge.Length - lengths[i])).Design;
            var own = AtLength(lengths[i], null, best);
            costs[i] = own?.Cost ?? double.PositiveInfinity;
            if (own is { } m)
            {
                made.Add(m);
                if (m.Cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
                {
                    steps.Add(new SizingStep(best is null ? "first" : "cheaper", m.Design.Size));
                    best = m;
                }
            }
        }

        int[] Cheapest(int count) => [.. Enumerable.Range(0, costs.Length).Where(i => costs[i] is { } c && !double.IsInfinity(c))
            .OrderBy(i => costs[i]).Take(count)];
    }

    // Another beam on the bases in hand, and every single step, until neither is cheaper.
    private (StrapDesign Design, double Cost) Stepped((StrapDesign Design, double Cost) best)
    {
        while (true)
        {
            var before = best.Cost;
            best = Better(Rebeamed(best), Steps);
            if (best.Cost >= before - 1e-6)
            {
                return best;
            }
        }
    }

    // Of one length of the edge base: plan, thicknesses with their steel, and beam, until none asks the others for more; null where none is
    // found, or none that is likely to cost less than what is in hand.
    private (StrapDesign Design, double Cost)? AtLength(double length, double? width, (StrapDesign Design, double Cost)? best = null)
    {
        // With as much steel to the concrete as that has.
        var limit = best is { } b ? Rival * Cost(Unbarred(b.Design)) : double.PositiveInfinity;
        var gap = Held(2, "gap") ?? DefaultGap;
        double Thick(int part) => Held(part, "thickness") ?? thicknesses[0];
        double Likely(int part) => Held(part, "thickness") ?? likely?.Base(part).Thickness ?? thicknesses[0];
        var beam = width ?? Held(2, "width") ?? likely?.Beam.Width ?? BeamWidth();
        var at = Foundation.Places[0].Supports.Select(s => new CarriedColumn(s.Label, new Upright(null, BarSpec.None))).ToImmutableArray();
        var design = new StrapDesign(StrapBase.Blank with { Length = length, Thickness = Likely(0) },
            StrapBase.Blank with { Thickness = Likely(1) },
            BeamDesign.Blank with
            {
                Width = beam,
                Gap = gap,
                Depth = Held(2, "depth") ?? Math.Max(likely?.Beam.Depth ?? 0, DepthFrom(Math.Max(Likely(0), Likely(1)) - gap)),
                OverBase = !StrapFields.StopsAtColumn(Foundation.Held),
            }, at);
        for (var round = 0; round < MostRounds; round++)
        {
            if (Uprights(design) is not { } standing || Plan(standing) is not { } planned
                || (round == 0 && Cost(Unbarred(planned)) >= limit)
                || Slab(round > 0 ? planned : Thin(planned), 0, likely?.Edge.Thickness) is not { } one
                || Slab(one, 1, likely?.Inner.Thickness) is not { } both
                || Beam(both, width, Coarse, double.PositiveInfinity) is not { } made)
            {
                return null;
            }

            // Thicker bases and a deeper beam weigh more: all of it is asked again, and where it fails it grows from there.
            if (Completed(made) is { } complete)
            {
                // What weighs less than was thought may stand on less.
                return Better(complete, Lighter);
            }

            design = made;
        }

        return null;

        // Bases are sought from the thinnest, on a plan that stands with likely weights.
        StrapDesign Thin(StrapDesign d) => d.With(d.Edge with { Thickness = Thick(0) }, d.Inner with { Thickness = Thick(1) }, d.Beam);
    }

    // All checks of a design whose sizes and steel are found, and its dowels and cost; null where one fails.
    private (StrapDesign Design, double Cost)? Complete(StrapDesign design)
    {
        SetAll(design);
        for (var i = 0; i < joints.Length; i++)
        {
            if (joints[i].FindDowels() is not { } dowels)
            {
                failure = joints[i].LastFailure;
                return null;
            }

            design = design.With(i, design.Under(i) with { Dowels = BarSpec.Of(dowels) });
        }

        SetAll(design);
        foreach (var t in trials)
        {
            foreach (var c in t.Checks.Listed)
            {
                if (!Foundation.Waives(c.Id) && c.Exceeds(t, rules.Target))
                {
                    failure = (c, t);
                    return null;
                }
            }
        }

        return (design, Cost(design));
    }

    private void SetAll(StrapDesign design)
    {
        foreach (var t in trials)
        {
            t.Adopt(design);
        }
    }

    // Puts a design into the trials; false where its parts cannot lie so.
    private bool SetPlan(StrapDesign design)
    {
        if (StrapFaults.OfPlan(Foundation, design) is not null)
        {
            return false;
        }

        SetAll(design);
        return true;
    }

    private bool Fails(Check[] checks)
    {
        // What failed last fails first.
        foreach (var t in trials)
        {
            if (lacked is { } last && last.ExceedsAtHint(t, rules.Target))
            {
                failure = (last, t);
                return true;
            }
        }

        foreach (var t in trials)
        {
            foreach (var c in checks)
            {
                if (c.Exceeds(t, rules.Target))
                {
                    (failure, lacked) = ((c, t), c);
                    return true;
                }
            }
        }

        return false;
    }

    // What stopped the search: the last check that failed, and what bounds it.
    private SizingStop Stopped()
    {
        var where = $"sides up to {Dimension.Plan(rules.MostPlan, Project.Units)}, thickness up to "
            + $"{Dimension.Section(rules.MostThickness, Project.Units)} ([sizing] range)";
        if (failure is not { } last || last.Check.Worst(last.State) is not { } worst)
        {
            return new SizingStop(null, null, null, 0, "no bases that leave a gap between them within " + where, null);
        }

        return new SizingStop(last.Check.Id, last.State.Place.Place.Name,
            worst.Combination < 0 ? null : last.State.Combinations[worst.Combination].Name, worst.Outcome.Utilisation, where, worst.Note);
    }
}
