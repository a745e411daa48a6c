using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Finds ends, width, thickness, depth of the rib and bars of a strip: of all on the steps the cheapest that passes. It only asks the
/// checks. For every depth of the rib and every reach the least width that stands on the ground and the thinnest flange that holds it are
/// sought; coarsely first, then by every step about the best.
/// </summary>
internal sealed partial class RibSizer : FoundationSizer
{
    // Sizes that may save less than this are not looked at.
    private const double Near = 0.999;

    // Strips that cost so much more than the cheapest at most may be cheaper with steps off one end: a share, and so many steps.
    private const double NearShare = 0.06;
    private const double NearSteps = 4;
    private const int MostTrimmed = 16;

    // Where one was found, so many times as far apart.
    private const int Wider = 2;

    // Strips between those that were tried may cost so much of the cheapest of these.
    private const double Between = 0.97;

    // Over so many reaches a rib was too small.
    private const int Hopeless = 5;

    // Of the reaches within so much, m, one stands for the others at first, and of the depths within so much.
    private const double ReachesWithin = 0.2;
    private const double DepthsWithin = 0.1;

    // Where no bars were found, so many wider strips are looked at.
    private const int MostWider = 5;

    // Ends lie at whole parts of the plan's step: 10 mm of 50 mm, half an inch of 3 in.
    private const double MetricParts = 5;
    private const double InchParts = 6;

    private readonly Checker checker;
    private readonly ImmutableArray<RibTrial> trials;
    private readonly PlanChecks<RibTrial> planChecks;
    private readonly BeamSearch beams;
    private readonly FlangeSearch flanges;
    private readonly JointSearch[] joints;
    private readonly SizingRules rules;
    private readonly List<SizingStep> steps = [];
    private readonly double span;
    private readonly double nearEnough;
    // What lies so near an edge lies on it, m.
    private const double Close = 1e-9;

    private readonly double[] reaches;
    private readonly double[] widths;
    private readonly double[] thicknesses;
    private readonly double[] depths;
    private readonly int coarseReach;
    private readonly int coarseDepth;
    private readonly double breadth;
    private readonly double aim;
    private readonly (double Low, double High) least;
    private readonly (double Low, double High, double Width) beside;
    private readonly Dictionary<(double Reach, double Thickness, double Depth), (RibDesign Design, double Cost)?> known = [];
    private (Check Check, Trial State)? failure;

    /// <summary>Prepares the search.</summary>
    public RibSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<RibTrial>()];
        planChecks = new PlanChecks<RibTrial>(trials, foundation);
        beams = new BeamSearch([.. trials], foundation, key => RibFields.Held(foundation.Held, key switch
        {
            "top" => "top-x",
            "bottom" => "bottom-x",
            _ => key,
        }), null);
        flanges = new FlangeSearch(trials, foundation);
        joints = [.. Enumerable.Range(0, foundation.Places[0].Supports.Count).Select(i => new JointSearch([.. trials], foundation, i))];
        rules = foundation.Rules.Sizing;
        var plan = new CombinedPlace(foundation.Places[0], _ => null);
        span = plan.Last.X - plan.First.X;
        nearEnough = 1 + Math.Max(NearShare, NearSteps * rules.PlanStep / span);
        (breadth, var depth) = RibFields.HeldRib(foundation.Held);
        depths = depth is { } d ? [d] : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        thicknesses = foundation.Held.Thickness is { } h
            ? [h]
            : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        beside = Beside(foundation, span);
        widths = foundation.Held.Width is { } w
            ? [w]
            : PlanCandidates.Steps(Math.Max(rules.LeastPlan, breadth + rules.PlanStep), rules.MostPlan, rules.PlanStep);
        widths = [.. widths.Where(wide => wide >= beside.Width - Close)];
        least = (Up(Math.Max(plan.First.X - plan.LowX + rules.LeastOverhang, beside.Low)),
            Up(Math.Max(plan.HighX - plan.Last.X + rules.LeastOverhang, beside.High)));
        reaches = RibFields.HeldEnds(foundation.Held) is var (low, high)
            ? [low + high]
            : PlanCandidates.Steps(least.Low + least.High, rules.MostPlan, rules.PlanStep);
        (coarseReach, coarseDepth) = (Steps(ReachesWithin, rules.PlanStep), Steps(DepthsWithin, rules.ThicknessStep));
        aim = Aim();
    }

    // Ends beyond the columns and width within which all loads beside them lie, m.
    private static (double Low, double High, double Width) Beside(Foundation foundation, double span)
    {
        var (low, high, width) = (0.0, 0.0, 0.0);
        foreach (var l in foundation.Loads.Where(l => l.Shape != PlanLoadShape.WholeBase))
        {
            (low, high) = (Math.Max(low, -Math.Min(l.X0, l.X1) - (span / 2)), Math.Max(high, Math.Max(l.X0, l.X1) - (span / 2)));
            width = Math.Max(width, 2 * Math.Max(Math.Abs(l.Y0), Math.Abs(l.Y1)));
        }

        return (low, high, width);
    }

    // Whether no strip that may be has all loads beside the columns on it.
    private bool LieBeyond => Foundation.Loads.Count > 0
        && (widths.Length == 0 || reaches.Length == 0
            || (RibFields.HeldEnds(Foundation.Held) is var (low, high) && (beside.Low > low + Close || beside.High > high + Close)));

    private static int Steps(double within, double step) => Math.Max(1, (int)Math.Floor((within / step) + 1e-9));

    // Ends lie at whole parts of the plan's step.
    private double Part => rules.PlanStep / (Foundation.Rules.Steel.Bars[0].IsUs ? InchParts : MetricParts);

    private double Up(double end) => Math.Round(Math.Ceiling((end / Part) - 1e-6) * Part, 6);

    internal override void Release() => checker.Release();

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        if (LieBeyond)
        {
            return new SizingResult(null, LoadsBeyond, steps);
        }

        var looked = new LookedCombinations([.. trials], Foundation);
        while (true)
        {
            planChecks.Forget();
            known.Clear();
            looked.LookAtSome();
            var best = Cheapest();
            looked.LookAtAll();
            if (best is null)
            {
                return new SizingResult(null, Stop(), steps);
            }

            checker.Set(best);
            if (looked.AllAllow())
            {
                return new SizingResult(best, null, steps) { Checked = check ? checker.Check(best) : null };
            }
        }
    }

    // Coarsely over depths and reaches, then step by step about the best until none beside it is cheaper.
    private RibDesign? Cheapest()
    {
        (RibDesign Design, double Cost, int Depth, int Reach)? best = null;
        var tooShallow = new int[depths.Length];
        var others = new Dictionary<(int, int), (RibDesign Design, double Cost)>();
        var came = new Dictionary<(int Depth, int Reach), double>();
        for (var i = 0; i < depths.Length; i++)
        {
            if (i % coarseDepth == 0 || i == depths.Length - 1)
            {
                for (var j = 0; j < reaches.Length; j += coarseReach * (best is null || coarseReach == 1 ? 1 : Wider))
                {
                    Try(i, j);
                }
            }
        }

        for (var i = 0; i < depths.Length && best is null; i++)
        {
            for (var j = 0; j < reaches.Length; j++)
            {
                Try(i, j);
            }
        }

        // Where nothing was found every width of every flange is looked at, from the deepest rib on until one is too shallow for any.
        thorough = best is null;
        if (thorough)
        {
            known.Clear();
            for (var (i, before) = (depths.Length - 1, double.PositiveInfinity); i >= 0; i--)
            {
                for (var j = 0; j < reaches.Length; j += coarseReach)
                {
                    Try(i, j);
                }

                if (best is null || best.Value.Cost >= before)
                {
                    break;
                }

                before = best.Value.Cost;
            }
        }

        for (var from = (-1, -1); best is { } now && from != (now.Depth, now.Reach);)
        {
            from = (now.Depth, now.Reach);
            for (var i = -coarseDepth; i <= coarseDepth; i++)
            {
                for (var j = -coarseReach; j <= coarseReach; j++)
                {
                    Try(now.Depth + i, now.Reach + j);
                }
            }
        }

        // All others that may be cheaper by what any strip of theirs costs at least and by what those about them came to, those first that
        // may be so most.
        var left = new List<(double Least, int Depth, int Reach)>();
        for (var i = 0; best is not null && i < depths.Length; i++)
        {
            for (var j = 0; thicknesses.Length > 0 && j < reaches.Length; j++)
            {
                var least = Floor(reaches[j], LeastWidth(depths[i], reaches[j], thicknesses[0]), thicknesses[0], depths[i]);
                left.Add((Math.Max(least, Between * About(i, j)), i, j));
            }
        }

        foreach (var (floor, i, j) in left.OrderBy(l => l.Least))
        {
            if (floor >= best!.Value.Cost * Near)
            {
                break;
            }

            Try(i, j);
        }

        // On springs the ends that aim under the resultant are not quite the best: those next to the cheapest are trimmed too.
        (RibDesign Design, double Cost)? trimmed = null;
        foreach (var (design, cost) in others.Values.Where(d => d.Cost < best!.Value.Cost * nearEnough).OrderBy(d => d.Cost)
            .Take(MostTrimmed))
        {
            var own = Trimmed(design, cost);
            trimmed = trimmed is null || own.Cost < trimmed.Value.Cost ? own : trimmed;
        }

        return trimmed?.Design;

        // Of those that were tried at the depths about one and the reaches about it the cheapest, or what it costs at least.
        double About(int depth, int reach)
        {
            var (below, above) = (depth - (depth % coarseDepth), Math.Min(depths.Length - 1, depth + coarseDepth - 1));
            above -= above == depths.Length - 1 ? 0 : above % coarseDepth;
            return Math.Min(Beside(below, reach), Beside(above, reach));
        }

        double Beside(int depth, int reach)
        {
            var (low, high) = (reach, reach);
            while (low >= 0 && !came.ContainsKey((depth, low)))
            {
                low--;
            }

            while (high < reaches.Length && !came.ContainsKey((depth, high)))
            {
                high++;
            }

            var (shorter, longer) = (came.GetValueOrDefault((depth, low)), came.GetValueOrDefault((depth, high)));
            return low < 0 ? longer : high == reaches.Length ? shorter : Math.Min(shorter, longer);
        }

        void Try(int depth, int reach)
        {
            if (depth < 0 || reach < 0 || depth >= depths.Length || reach >= reaches.Length || (tooShallow[depth] >= Hopeless && !thorough)
                || At(depths[depth], reaches[reach], best?.Cost * nearEnough ?? double.PositiveInfinity) is not { } found)
            {
                // A rib that is too small over many reaches and enough over none is too shallow.
                if (depth >= 0 && depth < depths.Length && tooSmall)
                {
                    tooShallow[depth]++;
                }

                // Nothing that passes; or nothing that costs less than what was asked for.
                if (depth >= 0 && reach >= 0 && depth < depths.Length && reach < reaches.Length)
                {
                    came[(depth, reach)] = tooSmall || best is not { } cheapest ? double.PositiveInfinity : cheapest.Cost * nearEnough;
                }

                return;
            }

            (tooShallow[depth], came[(depth, reach)]) = (-depths.Length * reaches.Length, found.Cost);
            others[(depth, reach)] = found;
            if (found.Cost < (best?.Cost ?? double.PositiveInfinity) * Near)
            {
                steps.Add(new SizingStep(best is null ? "first that passes" : "cheaper", found.Design.Size));
                best = (found.Design, found.Cost, depth, reach);
            }
        }
    }

    private void Put(RibDesign design)
    {
        foreach (var t in trials)
        {
            t.Adopt(design);
        }
    }

    private bool Fails(RibDesign design)
    {
        Put(design);
        return planChecks.Fail();
    }
}
