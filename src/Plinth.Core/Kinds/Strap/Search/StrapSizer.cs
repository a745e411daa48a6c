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
/// a side, a thickness or a depth that makes it cheaper and passes. It only asks the checks.
/// </summary>
internal sealed partial class StrapSizer : FoundationSizer
{
    // Lengths of the edge base are first tried so many steps apart, then between.
    private const int Sparse = 8;

    // Bases and beam settle on thicknesses after so many rounds, or never.
    private const int MostRounds = 8;

    // Thicknesses and depths beyond the first that passes are tried so many steps on: less steel may pay for them.
    private const int Thicker = 2;

    // Other beams are tried about so far apart in width, m.
    private const double BeamsApart = 0.1;

    // Bases that cost this much more than the best may do with a cheaper beam.
    private const double Rival = 1.15;

    private const double LeastBeamWidth = 0.3;
    private const double WidestBeam = 1.5;

    // Where nothing is found, beams are tried so many steps wider each.
    private const int Wider = 4;
    private readonly Checker checker;
    private readonly ImmutableArray<StrapTrial> trials;
    private readonly StrapSteel steel;
    private readonly StrapBeams beams;
    private readonly JointSearch[] joints;
    private readonly Check[] planChecks;
    private readonly SizingRules rules;
    private readonly double[] sides;
    private readonly double[] thicknesses;
    private readonly LookedCombinations looked;
    private readonly List<SizingStep> steps = [];
    private (Check Check, Trial State)? failure;
    private string bound = "";
    private double longest = double.PositiveInfinity;

    /// <summary>Prepares the search.</summary>
    public StrapSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<StrapTrial>()];
        (steel, beams) = (new StrapSteel(trials, foundation), new StrapBeams(trials, foundation));
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
                BaseLevels.Fault(Foundation, rules.LeastThickness, Project.Units) ?? "no thickness of whole steps lies within [sizing] range.thickness", null));
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

    // Where no beam as wide as the column does, wider ones hold more bars, and bars farther apart need shorter hooks.
    private (StrapDesign Design, double Cost)? OverLengths()
    {
        foreach (var width in Held(2, "width") is { } held ? (double[])[held] : [.. Widths(BeamWidth(), Wider)])
        {
            if (OverLengths(width) is { } best)
            {
                return best;
            }
        }

        return null;
    }

    private (StrapDesign Design, double Cost)? OverLengths(double beam)
    {
        (StrapDesign Design, double Cost)? best = null;
        var tried = new Dictionary<double, double>();
        var lengths = EdgeLengths();
        void Try(int i, bool other = false)
        {
            if (i < 0 || i >= lengths.Count || tried.ContainsKey(lengths[i]))
            {
                return;
            }

            var made = AtLength(lengths[i], beam);

            // Near the best length another beam may make up for what the bases cost more, or be the only one that serves.
            if (other && Held(2, "width") is null)
            {
                made ??= Widths(DepthFrom(LeastBeamWidth), Wider).Select(w => AtLength(lengths[i], w)).FirstOrDefault(m => m is not null);
                made = made is { } near && near.Cost < best!.Value.Cost * Rival ? Rebeamed(near) : made;
            }

            tried.Add(lengths[i], made?.Cost ?? double.PositiveInfinity);
            if (made is { } m && m.Cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
            {
                steps.Add(new SizingStep(best is null ? "first" : "cheaper", m.Design.Size));
                best = made;
            }
        }

        for (var i = 0; i < lengths.Count; i += Sparse)
        {
            Try(i);
        }

        if (best is null)
        {
            for (var i = 0; i < lengths.Count; i++)
            {
                Try(i);
            }
        }

        if (best is not { } first)
        {
            return null;
        }

        for (var near = Sparse / 2; near >= 1; near /= 2)
        {
            var at = lengths.IndexOf(best.Value.Design.Edge.Length);
            Try(at - near, true);
            Try(at + near, true);
        }

        // Another beam on the bases in hand, then every smaller step, until neither is cheaper.
        while (true)
        {
            var before = best.Value.Cost;
            best = Better(Rebeamed(best.Value));
            if (best.Value.Cost >= before - 1e-6)
            {
                return best;
            }
        }
    }

    // Lengths on which the edge column stands with its least overhang, and that leave a gap before the inner column.
    private List<double> EdgeLengths()
    {
        if (Held(0, "length") is { } held)
        {
            return [held];
        }

        var (before, face, clear) = Reach();
        return [.. sides.Where(l => l >= before + (face / 2) + rules.LeastOverhang - 1e-9 && l < before + clear && l < longest)];
    }

    // From the edge base's −x end to its column, the column's side, and from its middle to the inner column's face, at the first place.
    private (double Before, double Face, double Clear) Reach()
    {
        var (t, before, face, clear) = (trials[0], 0.0, 0.0, double.PositiveInfinity);
        foreach (var trial in trials)
        {
            t = trial;
            before = Math.Max(before, StrapPlace.Edge(Foundation.Held).From(t.Columns[0].Outline.FaceX));
            face = Math.Max(face, t.Columns[0].Outline.FaceX);
            clear = Math.Min(clear, t.Place.Supports[1].At.X - t.Place.Supports[0].At.X - (t.Columns[1].Outline.FaceX / 2));
        }

        return (before, face, clear);
    }

    // Under the sustained combination the inner base must be pressed, whatever its size: from N2 − N1·(s − s')/s' > 0 the longest edge base.
    private SizingStop? Lifts()
    {
        foreach (var t in trials)
        {
            if (t.Sustained is not (>= 0 and var k))
            {
                continue;
            }

            var (first, last) = (t.Columns[0], t.Columns[1]);
            var span = t.Place.Supports[1].At.X - t.Place.Supports[0].At.X;
            var (n1, n2) = (first.Loaded.Sums[k].N, last.Loaded.Sums[k].N);
            var before = StrapPlace.Edge(Foundation.Held).From(first.Outline.FaceX);
            if (n1 <= 0 || n1 + n2 <= 0)
            {
                continue;
            }

            var most = 2 * (before + (span * Math.Max(0, n2) / (n1 + n2)));
            longest = Math.Min(longest, most);
            if ((Held(0, "length") ?? before + (first.Outline.FaceX / 2)) >= most - 1e-9)
            {
                string L(double v) => Dimension.Plan(v, Project.Units);
                return new SizingStop(null, t.Place.Place.Name, t.Combinations[k].Name, 0,
                    $"the inner base would lift under {t.Combinations[k].Name}: the edge column brings {Unit.Force.FormatWithSymbol(n1, Project.Units)}, the inner one "
                        + $"{Unit.Force.FormatWithSymbol(n2, Project.Units)}; "
                        + (most > before + (first.Outline.FaceX / 2)
                            ? $"edge.length below {L(most)} would keep it down"
                            : "no length of the edge base would keep it down: choose an inner column with more load"), null);
            }
        }

        return null;
    }

    // Of one length of the edge base: plan, thicknesses, beam and steel, until none asks the others for more.
    private (StrapDesign Design, double Cost)? AtLength(double length, double width)
    {
        var gap = Held(2, "gap") ?? DefaultGap;
        double Thick(int part) => Held(part, "thickness") ?? thicknesses[0];
        var at = Foundation.Places[0].Supports.Select(s => new StrapColumn(s.Label, new Upright(null, BarSpec.None))).ToImmutableArray();
        var design = new StrapDesign(StrapBase.Blank with { Length = length, Thickness = Thick(0) },
            StrapBase.Blank with { Thickness = Thick(1) },
            StrapBeamDesign.Blank with
            {
                Width = width,
                Gap = gap,
                Depth = Held(2, "depth") ?? DepthFrom(Math.Max(Thick(0), Thick(1)) - gap),
                OverBase = !StrapFields.StopsAtColumn(Foundation.Held),
            }, at);
        for (var round = 0; round < MostRounds; round++)
        {
            if (Uprights(design) is not { } standing || Plan(standing) is not { } planned || Slab(planned, 0) is not { } one || Slab(one, 1) is not { } both
                || Beam(both, double.PositiveInfinity) is not { } made)
            {
                return null;
            }

            // Thicker bases and a deeper beam weigh more: the plan must still stand.
            var sized = planned.Edge.Size == made.Edge.Size && planned.Inner.Size == made.Inner.Size
                && planned.Beam.Depth == made.Beam.Depth && planned.Beam.Width == made.Beam.Width;
            if (sized || (SetPlan(made) && !Fails(planChecks)))
            {
                return Complete(made);
            }

            design = made;
        }

        return null;
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

    // Pedestals stand on bases of some thickness.
    private StrapDesign? Uprights(StrapDesign design)
    {
        for (var i = 0; i < joints.Length; i++)
        {
            if (!joints[i].HasPedestal || design.Under(i).Pedestal is not null)
            {
                continue;
            }

            var room = design.WithBase(i, design.Base(i) with { Length = Math.Max(design.Base(i).Length, rules.MostPlan / 2), Width = rules.MostPlan / 2 });
            var other = room.Base(1 - i) is { Width: 0 } or { Length: 0 }
                ? room.WithBase(1 - i, room.Base(1 - i) with { Length = 1, Width = 1 })
                : room;
            SetAll(other);
            if (joints[i].FindPedestal() is not { } pedestal)
            {
                failure = joints[i].LastFailure;
                return null;
            }

            design = design.With(i, new Upright(pedestal, BarSpec.None));
        }

        return design;
    }

    // Thicknesses of a base from the one that it has on, with the least steel: the cheapest of the first few that pass.
    private StrapDesign? Slab(StrapDesign design, int part)
    {
        (StrapDesign Design, double Cost)? best = null;
        var more = 0;
        double[] tried = Held(part, "thickness") is { } held ? [held] : [.. thicknesses.Where(t => t >= design.Base(part).Thickness - 1e-9)];
        foreach (var thickness in tried)
        {
            if (more > Thicker)
            {
                break;
            }

            var own = design.Base(part) with { Thickness = thickness };
            var beam = design.Beam with { Depth = Math.Max(design.Beam.Depth, Held(2, "depth") is null ? DepthFrom(thickness - design.Beam.Gap) : 0) };
            var thick = design.With(part == 0 ? own : design.Edge, part == 1 ? own : design.Inner, beam);
            if (!SetPlan(thick) || steel.Find(part, own) is not { } found)
            {
                failure = steel.LastFailure ?? failure;
                more += best is null ? 0 : 1;
                continue;
            }

            // Dowels need a depth to be developed in.
            SetAll(thick.WithBase(part, found));
            if (joints[part].FindDowels() is null)
            {
                failure = joints[part].LastFailure;
                more += best is null ? 0 : 1;
                continue;
            }

            more += best is null ? 0 : 1;
            var cost = Foundation.Rules.Rates.Concrete * own.Length * own.Width * thickness
                + (Foundation.Rules.Rates.Formwork * 2 * (own.Length + own.Width) * thickness)
                + (Foundation.Rules.Rates.Steel * Steel(found));
            if (cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
            {
                best = (thick.WithBase(part, found), cost);
            }
        }

        return best?.Design;
    }

    private double Steel(StrapBase b)
    {
        var (sum, side) = (0.0, Foundation.Rules.Concrete.CoverSide);
        foreach (var (alongX, bottom) in (ReadOnlySpan<(bool, bool)>)[(true, true), (false, true), (true, false), (false, false)])
        {
            var (breadth, length) = alongX ? (b.Width, b.Length) : (b.Length, b.Width);
            sum += Schedules.Quantities.MassOf(Project.Code, b.Layer(alongX, bottom).Resolve(breadth, side), length - (2 * side));
        }

        return sum;
    }

    // Depths of the beam from the one that it has on, with its steel: the cheapest of the first few that pass. None whose concrete and
    // forms alone cost the limit.
    private StrapDesign? Beam(StrapDesign design, double limit)
    {
        (StrapDesign Design, double Cost)? best = null;
        var more = 0;
        foreach (var depth in Depths(design.Beam.Depth))
        {
            if (more > Thicker || (!double.IsInfinity(limit) && Cost(Unbarred(design, depth)) >= limit))
            {
                break;
            }

            var deep = design.With(design.Edge, design.Inner, design.Beam with { Depth = depth });
            if (!SetPlan(deep))
            {
                continue;
            }

            more += best is null ? 0 : 1;
            if (beams.Find(deep.Beam) is not { } found)
            {
                failure = beams.LastFailure ?? failure;
                continue;
            }

            var made = deep.With(deep.Edge, deep.Inner, found);
            var cost = Cost(made);
            if (cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9)
            {
                best = (made, cost);
            }
        }

        return best?.Design;
    }

    private static StrapDesign Unbarred(StrapDesign d, double depth) => d.With(d.Edge, d.Inner,
        d.Beam with { Depth = depth, Top = BarSpec.None, Bottom = BarSpec.None, Stirrups = BarSpec.None, Sides = BarSpec.None });

    // The bases with the cheapest beam of any width on them.
    private (StrapDesign Design, double Cost) Rebeamed((StrapDesign Design, double Cost) best)
    {
        if (Held(2, "width") is not null)
        {
            return best;
        }

        foreach (var width in Widths(DepthFrom(LeastBeamWidth), Math.Max(1, (int)Math.Round(BeamsApart / rules.ThicknessStep))))
        {
            var d = best.Design;
            var depth = Held(2, "depth") ?? DepthFrom(Math.Max(d.Edge.Thickness, d.Inner.Thickness) - d.Beam.Gap);
            if (width <= d.Edge.Width + 1e-9 && Beam(d.With(d.Edge, d.Inner, d.Beam with { Width = width, Depth = depth }), best.Cost) is { } other
                && Completed(other) is { } made && made.Cost < best.Cost - 1e-6)
            {
                steps.Add(new SizingStep("cheaper", made.Design.Size));
                best = made;
            }
        }

        return best;
    }

    // Widths of a beam from one on, so many steps apart.
    private IEnumerable<double> Widths(double from, int every)
    {
        for (var w = from; w <= Math.Max(from, WidestBeam) + 1e-9; w = Math.Round(w + (every * rules.ThicknessStep), 6))
        {
            yield return w;
        }
    }

    private double[] Depths(double from) => Held(2, "depth") is { } held
        ? [held]
        : PlanCandidates.Steps(from, Math.Max(from, 2 * rules.MostThickness), rules.ThicknessStep);

    // The beam reaches at least to the top of the thicker base.
    private double DepthFrom(double least) => Math.Round(Math.Ceiling((least / rules.ThicknessStep) - 1e-9) * rules.ThicknessStep, 6);

    private static double DefaultGap => 0.1;

    // As wide as the edge column on whole steps, no narrower than a beam that can be built.
    private double BeamWidth()
    {
        var least = Math.Max(LeastBeamWidth, trials.Min(t => Math.Min(t.Columns[0].Loaded.Outline.FaceY, t.Columns[1].Loaded.Outline.FaceY)));
        return DepthFrom(least);
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
        foreach (var t in trials)
        {
            foreach (var c in checks)
            {
                if (c.Exceeds(t, rules.Target))
                {
                    failure = (c, t);
                    return true;
                }
            }
        }

        return false;
    }

    // What stopped the search: the last check that failed, and what bounds it.
    private SizingStop Stopped()
    {
        var where = bound.Length > 0 ? bound : $"sides up to {Dimension.Plan(rules.MostPlan, Project.Units)}, thickness up to "
            + $"{Dimension.Section(rules.MostThickness, Project.Units)} ([sizing] range)";
        if (failure is not { } last || last.Check.Worst(last.State) is not { } worst)
        {
            return new SizingStop(null, null, null, 0, "no bases that leave a gap between them within " + where, null);
        }

        return new SizingStop(last.Check.Id, last.State.Place.Place.Name,
            worst.Combination < 0 ? null : last.State.Combinations[worst.Combination].Name, worst.Outcome.Utilisation, where, worst.Note);
    }
}
