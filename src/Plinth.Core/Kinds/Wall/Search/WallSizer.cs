using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Wall;

/// <summary>
/// Finds the edges, thickness and bars of a wall's footing, and the bars of the wall: of all on the steps the cheapest that passes. It has
/// no formulas of its own: it only asks the checks, and leaves out what costs more than a design in hand by what any of its size costs at
/// least.
/// </summary>
internal sealed partial class WallSizer : FoundationSizer
{
    // Sizes that may save less than this are not looked at: a base in the middle is then kept.
    private const double Near = 0.997;

    // A thickness whose sections are too weak for so many widths in a row is given up, as wider bases load them more.
    private const int FailuresInRow = 6;

    // A wall's footing reaches so far beyond its faces at least, m: room for formwork and kicker.
    private const double LeastMetric = 0.15;
    private const double LeastInch = 6 * 0.0254;

    private readonly PlanChecks<WallTrial> planChecks;
    private readonly Checker checker;
    private readonly ImmutableArray<WallTrial> trials;
    private readonly BarSearch search;
    private readonly StemSearch stems;
    private readonly List<SizingStep> steps = [];
    private readonly double[] thicknesses;
    private readonly double length;
    private readonly double wall;
    private readonly bool byFaces;

    /// <summary>Prepares the search.</summary>
    public WallSizer(Project project, Foundation foundation)
        : base(project, foundation)
    {
        checker = new Checker(project, foundation);
        trials = [.. checker.Trials.Cast<WallTrial>()];
        search = new BarSearch([.. trials], foundation);
        stems = new StemSearch(trials, foundation);
        planChecks = new PlanChecks<WallTrial>(trials, foundation);
        var rules = foundation.Rules.Sizing;
        thicknesses = foundation.Held.Thickness is { } h
            ? [h]
            : PlanCandidates.Steps(rules.LeastThickness, rules.MostThickness, rules.ThicknessStep);
        var support = foundation.Places[0].Support;
        (wall, length) = (support.SizeY, support.SizeX + (2 * foundation.Wall.Ends));
        byFaces = foundation.Wall.Retained is not null && foundation.Held is { EdgeY0: null, EdgeY1: null };
    }

    private double LeastBeyond => Math.Max(Foundation.Rules.Sizing.LeastOverhang,
        Foundation.Rules.Steel.Bars[0].IsUs ? LeastInch : LeastMetric);

    /// <inheritdoc/>
    /// <remarks>
    /// The search looks at the combinations that lie farthest out, then asks all: those that the design fails are taken in and it is sought
    /// again.
    /// </remarks>
    public override SizingResult Size(bool check = false)
    {
        if (Foundation.Loads.Count > 0 && thicknesses.Length > 0 && !Widths(thicknesses[0]).Any(w => Lows(w).Any()))
        {
            return new SizingResult(null, LoadsBeyond, steps);
        }

        var looked = new LookedCombinations([.. trials], Foundation);
        while (true)
        {
            planChecks.Forget();
            stems.Forget();
            looked.LookAtSome();
            var best = Cheapest();
            looked.LookAtAll();
            stems.Forget();
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

    /// <inheritdoc/>
    /// <remarks>The cheapest of all, and of each thickness and width the place of its edges that is likely to cost least.</remarks>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        const int thicknessesLooked = 8;
        const int widthsLooked = 12;
        var found = new List<Alternative>();
        if (Size().Design is not WallDesign cheapest)
        {
            return [];
        }

        Add(cheapest);
        stems.Forget();
        var passed = 0;
        foreach (var h in thicknesses)
        {
            Set(At(wall, Math.Max(1, 2 * wall), h));
            if (passed >= thicknessesLooked || BaseLevels.Fault(Foundation, h, Project.Units) is not null)
            {
                break;
            }

            if (stems.Find() is not { } standing)
            {
                continue;
            }

            var (bound, widths) = (new WallCostBound(this, h, standing), 0);
            foreach (var width in Widths(h))
            {
                if (widths >= widthsLooked)
                {
                    break;
                }

                var open = Lows(width).Where(low => !PlanExceeds(At(low, width, h)))
                    .Select(low => (Low: low, Least: Bound(low, width, h, bound))).OrderBy(o => o.Least).ToList();
                foreach (var (low, _) in open)
                {
                    Set(At(low, width, h));
                    if (!search.IsTooThin() && Complete(low, width, h) is { } design)
                    {
                        Add(design);
                        widths++;
                        break;
                    }
                }
            }

            passed += widths > 0 ? 1 : 0;
        }

        return Alternative.Best(found);

        void Add(WallDesign design) =>
            found.Add(new Alternative(design, Schedules.Quantities.Of(Project, Foundation, design), Cost(design), []));
    }

    private double Bound(double low, double width, double h, WallCostBound bound)
    {
        Set(At(low, width, h));
        return bound.WithSteel(width, trials);
    }

    internal override void Release() => checker.Release();

    private WallDesign? Cheapest()
    {
        WallDesign? best = null;
        var cost = double.PositiveInfinity;
        var open = new List<(double Least, double Low)>();
        foreach (var h in thicknesses)
        {
            if (BaseLevels.Fault(Foundation, h, Project.Units) is not null)
            {
                break;
            }

            var widths = Widths(h).ToList();
            if (widths.Count == 0 || new WallCostBound(this, h, StemBars.None).Floor(widths[0]) >= cost * Near)
            {
                continue;
            }

            // The wall takes hold in the base by its thickness alone.
            Set(At(wall, Math.Max(1, 2 * wall), h));
            if (stems.Find() is not { } standing)
            {
                continue;
            }

            var bound = new WallCostBound(this, h, standing);
            var failed = 0;
            foreach (var width in widths)
            {
                if (bound.Floor(width) >= cost * Near || failed >= FailuresInRow)
                {
                    break;
                }

                // Those that stand on the ground, by what each costs at least: once one is found few others need bars.
                open.Clear();
                foreach (var low in Lows(width))
                {
                    if (!PlanExceeds(At(low, width, h)))
                    {
                        open.Add((bound.WithSteel(width, trials), low));
                    }
                }

                var weak = open.Count > 0;
                foreach (var (least, low) in open.OrderBy(o => o.Least))
                {
                    if (least >= cost * Near)
                    {
                        weak &= double.IsPositiveInfinity(least);
                        break;
                    }

                    Set(At(low, width, h));
                    if (search.IsTooThin() || Complete(low, width, h) is not { } design)
                    {
                        continue;
                    }

                    weak = false;
                    if (Cost(design) is var c && c < cost * (best is null ? 1 : Near))
                    {
                        steps.Add(new SizingStep(best is null ? "first that passes" : "cheaper", design.Size));
                        (best, cost) = (design, c);
                    }
                }

                failed = weak ? failed + 1 : 0;
            }
        }

        return best;
    }

    // What a base without bars costs.
    private double Bare(double width, double h, StemBars stem) =>
        Cost(new WallDesign(new BaseSize(length, width, h),
            new WallEdges(width / 2, width / 2, false), BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None)
        { Stem = stem });

    private BaseSize At(double low, double width, double h) =>
        new(length, width, h) { ShiftY = Math.Round((width / 2) - low, 9) };

    // All widths on the steps, from the least that the bearing allows.
    private IEnumerable<double> Widths(double h)
    {
        var rules = Foundation.Rules.Sizing;
        var (first, second) = (WallFields.HeldEdge(Foundation, byFaces, true), WallFields.HeldEdge(Foundation, byFaces, false));
        if (Foundation.Held.Width is { } held)
        {
            return [held];
        }

        var faces = byFaces ? wall : 0;
        if (first is { } a && second is { } b)
        {
            return [a + b + faces];
        }

        var least = LeastWidth(h);
        var step = rules.PlanStep;
        if (byFaces || first is not null || second is not null)
        {
            // Counted from what is held, or from the faces.
            var from = faces + (first ?? second ?? 0);
            var n = Math.Max(1, (int)Math.Ceiling(((Math.Max(least, wall + (2 * LeastBeyond)) - from) / step) - 1e-6));
            return Enumerable.Range(n, Math.Max(0, (int)Math.Floor(((rules.MostPlan - from) / step) + 1e-6) - n + 1))
                .Select(i => Math.Round(from + (i * step), 9));
        }

        var begin = (int)Math.Ceiling((Math.Max(least, wall + (2 * LeastBeyond)) / step) - 1e-6);
        return Enumerable.Range(begin, Math.Max(0, (int)Math.Floor((rules.MostPlan / step) + 1e-6) - begin + 1))
            .Select(i => Math.Round(i * step, 9));
    }

    private double LeastWidth(double h)
    {
        var least = 0.0;
        foreach (var t in trials)
        {
            t.Set(At(0.5, 1, h));
            least = Math.Max(least, LeastArea.Of(t, Foundation) / length);
        }

        return least;
    }

    // Those under which all loads beside the wall lie on the base.
    private IEnumerable<double> Lows(double width) => Foundation.Loads.Count == 0 ? Edges(width)
        : Edges(width).Where(low => At(low, width, thicknesses[0]) is var size
            && Foundation.Loads.All(l => l.LiesOn(new Contact.PlanPoint(0, -size.ShiftY), size)));

    // Where its −y edge may lie from the centreline: in the middle first, then out on both sides.
    private IEnumerable<double> Edges(double width)
    {
        var (first, second) = (WallFields.HeldEdge(Foundation, byFaces, true), WallFields.HeldEdge(Foundation, byFaces, false));
        var high = Foundation.Wall.Retained?.AtHigh ?? true;
        var half = wall / 2;
        if (byFaces)
        {
            // Heel and toe on the steps, the toe on the other side of the soil.
            double Low(double heel) => high ? width - half - heel : half + heel;
            var both = width - wall;
            if (first is not null || second is not null)
            {
                return [Math.Round(Low(first ?? (both - second!.Value)), 9)];
            }

            var n = (int)Math.Floor(((both - (2 * LeastBeyond)) / Foundation.Rules.Sizing.PlanStep) + 1e-6);
            return Enumerable.Range(0, Math.Max(0, n + 1))
                .Select(i => Math.Round(Low(both - LeastBeyond - (i * Foundation.Rules.Sizing.PlanStep)), 9));
        }

        if (first is not null || second is not null)
        {
            return [Math.Round(first ?? (width - second!.Value), 9)];
        }

        if (Foundation.Held.OffsetYGiven)
        {
            return [Math.Round((width / 2) + Foundation.Held.OffsetY, 9)];
        }

        var most = (int)Math.Floor((((width / 2) - half - LeastBeyond) / (Foundation.Rules.Sizing.PlanStep / 2)) + 1e-6);
        return Enumerable.Range(0, Math.Max(0, (2 * most) + 1))
            .Select(i => Math.Round((width / 2) + ((i % 2 == 0 ? -1 : 1) * ((i + 1) / 2) * Foundation.Rules.Sizing.PlanStep / 2), 9));
    }

    private void Set(in BaseSize size)
    {
        foreach (var t in trials)
        {
            t.Set(size);
        }
    }

    private bool PlanExceeds(in BaseSize size)
    {
        Set(size);
        return planChecks.Fail();
    }

    // The least bars of base and wall for a size that the trials hold; null if none pass.
    private WallDesign? Complete(double low, double width, double h)
    {
        if (search.Find() is not { } bars || stems.Find() is not { } stem)
        {
            return null;
        }

        var high = width - low;
        double Face(double edge) => Math.Round(edge - (byFaces ? wall / 2 : 0), 6);
        var edges = byFaces && Foundation.Wall.Retained!.AtHigh
            ? new WallEdges(Face(high), Face(low), true)
            : new WallEdges(Face(low), Face(high), byFaces);
        return new WallDesign(At(low, width, h), edges, BarSpec.Of(bars.BottomX), BarSpec.Of(bars.BottomY), BarSpec.Of(bars.TopX),
            BarSpec.Of(bars.TopY))
        { Stem = stem };
    }
}
