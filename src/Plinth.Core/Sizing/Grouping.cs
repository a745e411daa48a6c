using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Schedules;

namespace Plinth.Core.Sizing;

/// <summary>A type of footing and the foundations that it serves.</summary>
/// <param name="Design">Its design.</param>
/// <param name="Foundations">The foundations that take it, in order of mark.</param>
/// <param name="Number">How many are built.</param>
/// <param name="Each">Quantities of one.</param>
/// <param name="Cost">Cost of one.</param>
public sealed record FootingType(FoundationDesign Design, IReadOnlyList<Foundation> Foundations, int Number, Quantities Each, double Cost);

/// <summary>A building built with few types.</summary>
/// <param name="Types">Types, those kept as they are included, dearest last.</param>
/// <param name="Cost">Total cost.</param>
/// <param name="Concrete">Total concrete, m3.</param>
/// <param name="Steel">Total steel, kg.</param>
/// <param name="Gap">By how much, as a share, it may cost more than the least possible among the candidates; 0: nothing is cheaper.</param>
public sealed record TypedBuilding(IReadOnlyList<FootingType> Types, double Cost, double Concrete, double Steel, double Gap)
{
    /// <summary>Whether no cheaper choice exists among the candidates.</summary>
    public bool Proven => Gap <= 1e-9;
}

/// <summary>How a building is grouped.</summary>
/// <param name="Within">Choices that would save less than this share are not looked for.</param>
/// <param name="Time">How long the whole may take.</param>
/// <param name="Shift">Whether a footing may be moved under its column to join a type.</param>
public sealed record GroupingOptions(double Within, TimeSpan Time, bool Shift)
{
    /// <summary>Which foundations keep their mark, since something is written for it: they may take a type's design as it is drawn, and stand apart from the others.</summary>
    public Func<Foundation, bool> KeepsMark { get; init; } = f => f.Chosen is not null;

    /// <summary>One percent, eight seconds, no shifts.</summary>
    public static readonly GroupingOptions Default = new(0.01, TimeSpan.FromSeconds(8), false);

    /// <summary>Time for so many footings: eight seconds up to two thousand, then in proportion, forty at most.</summary>
    public static TimeSpan TimeFor(int footings) => TimeSpan.FromSeconds(Math.Clamp(footings / 250.0, 8, 40));
}

/// <summary>
/// Finds the few types of footing with which a building costs least. Candidates are the designs adopted for the foundations and, for every plan and thickness among
/// them, the two joined with the densest bars of what they would serve, and, of few footings, sets of them sized together; which serves which is asked of the
/// checks; <see cref="TypeChoice"/> chooses among them.
/// </summary>
public sealed class Grouping
{
    // Of so many footings every set is sized together, so that the choice is the best of all ways to part them; of somewhat more every run in order of cost.
    private const int MostForAllSets = 6;
    private const int MostForRuns = 24;

    // So many joined candidates are enough: beyond, only those near the diagonal of plan and thickness are made.
    private const int MostJoined = 160;

    // So many questions which candidate serves which footing are asked; of many footings some of the candidates stand for those near them in cost.
    private const int MostPairs = 60_000;
    private const int FewestCandidates = 40;

    // So many plans beyond the largest.
    private const int StepsLarger = 4;

    // When in the time it ends to ask which candidate serves which footing, to size sets together, and to ask the same of those.
    private const double MatrixShare = 0.6;
    private const double TogetherShare = 0.7;
    private const double LastShare = 0.8;

    private static readonly TimeSpan Least = TimeSpan.FromSeconds(0.2);

    private readonly Project project;
    private readonly List<(Foundation Foundation, IsolatedDesign Design)> open = [];
    private readonly List<(Foundation Foundation, FoundationDesign Design)> kept = [];
    private readonly List<IsolatedDesign> candidates = [];
    private readonly Checker?[,] checkers = new Checker?[0, 0];
    private readonly List<sbyte[]> tried = [];
    private readonly Dictionary<(double Thickness, Pedestal? Pedestal), double>?[] leastAreas = [];
    private readonly TypeChoice? choice;
    private readonly GroupingOptions options;
    private readonly DateTime start = DateTime.UtcNow;
    private readonly bool cut;

    /// <summary>Prepares the candidates.</summary>
    /// <param name="project">The project.</param>
    /// <param name="adopted">All foundations with the designs in force.</param>
    /// <param name="mayChange">Whether a foundation may take another design; those held by hand may not.</param>
    /// <param name="options">How; null: as usual.</param>
    /// <param name="progress">Called after each footing is held against the candidates, from any thread; null: not wanted.</param>
    public Grouping(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> adopted, Func<Foundation, bool> mayChange, GroupingOptions? options = null, Action? progress = null)
    {
        this.options = options ?? GroupingOptions.Default;
        ArgumentNullException.ThrowIfNull(adopted);
        ArgumentNullException.ThrowIfNull(mayChange);
        this.project = project;
        var rules = Commonest([.. adopted.Select(a => a.Foundation).Where(f => mayChange(f) && IsPlain(f)).Select(f => f.Rules)]);
        var may = adopted.Select(a => rules is not null && mayChange(a.Foundation) && IsPlain(a.Foundation) && SameRules(a.Foundation.Rules, rules)).ToArray();
        var loaded = new Checker?[adopted.Count];
        Parallel.For(0, adopted.Count, i =>
        {
            // What fails as it is is no type for anything.
            loaded[i] = may[i] ? new Checker(project, adopted[i].Foundation) : null;
            may[i] = may[i] && Fits(loaded[i]!, adopted[i].Foundation, (IsolatedDesign)adopted[i].Design);
        });
        for (var i = 0; i < adopted.Count; i++)
        {
            if (may[i])
            {
                open.Add((adopted[i].Foundation, (IsolatedDesign)adopted[i].Design));
            }
            else
            {
                kept.Add(adopted[i]);
            }
        }

        checkers = new Checker?[open.Count, Lie.All.Count];
        leastAreas = new Dictionary<(double, Pedestal?), double>?[open.Count];
        var at = 0;
        foreach (var checker in loaded.Where((_, i) => may[i]))
        {
            checkers[at++, 0] = Few(checker!);
        }

        candidates.AddRange(open.Select(o => o.Design).Distinct());
        candidates.AddRange(Joined());
        if (open.Count == 0)
        {
            return;
        }

        Known = candidates.Count;
        Thin(Math.Max(FewestCandidates, MostPairs / open.Count));
        var inTime = Ask(0, start + (this.options.Time * MatrixShare), progress);
        var known = Asked = candidates.Count;
        candidates.AddRange(SizedTogether().Where(d => !candidates.Contains(d)).ToList());
        inTime &= Ask(known, start + (this.options.Time * LastShare), null);

        // Whatever the time, every footing's cheapest candidate is asked for.
        double[] costs = [.. candidates.Select(CostOf)];
        int[] byCost = [.. Enumerable.Range(0, costs.Length).OrderBy(t => costs[t]).ThenBy(t => t)];
        Parallel.For(0, open.Count, i => Array.Exists(byCost, t => Serves(t, i)));
        cut = !inTime;
        choice = new TypeChoice(costs, [.. open.Select(o => (double)o.Foundation.Places.Count)], Serves);
    }

    /// <summary>Foundations that keep their design: held, or with sizes, rules, loads or leaves of their own.</summary>
    public IReadOnlyList<Foundation> Kept => [.. kept.Select(k => k.Foundation)];

    /// <summary>How many designs there are to choose among, joins included.</summary>
    public int Known { get; }

    /// <summary>How many of them were held against the footings: of many footings some stand for those near them in cost.</summary>
    public int Asked { get; }

    /// <summary>How many types there are as adopted.</summary>
    public int Now => open.Select(o => o.Design).Distinct().Count() + kept.Count;

    /// <summary>The building with at most some types, those kept included; null if no choice of so few serves all.</summary>
    /// <param name="most">How many.</param>
    /// <param name="share">Share of the time left that it may take.</param>
    public TypedBuilding? Best(int most, double share = 1)
    {
        if (choice is null)
        {
            return most >= kept.Count ? Of([], 0) : null;
        }

        var left = start + options.Time - DateTime.UtcNow;
        var until = DateTime.UtcNow + (share * (left > Least ? left : Least));
        var chosen = choice.Best(most - kept.Count, options.Within, until);
        while (chosen is not null && !ServesAll(chosen))
        {
            choice.Doubt();
            chosen = choice.Best(most - kept.Count, options.Within, until);
        }

        return chosen is not null
            ? Of([.. chosen.Types.Select(t => (candidates[t], (IReadOnlyList<Foundation>)[.. Enumerable.Range(0, open.Count).Where(i => chosen.Of[i] == t).Select(i => Lying(i, Lie.All[tried[t][i] - 1]))]))], chosen.Gap)
            : null;
    }

    /// <summary>The same, each type sized once more for the places that it serves: that can only lower its cost.</summary>
    public TypedBuilding? BestSized(int most, CancellationToken cancel)
    {
        if (Best(most) is not { } found)
        {
            return null;
        }

        var keptMarks = kept.Select(k => k.Foundation.Mark).ToHashSet(StringComparer.Ordinal);
        var fresh = found.Types.Where(t => !keptMarks.Contains(t.Foundations[0].Mark)).ToList();
        var sized = new FoundationDesign[fresh.Count];
        Parallel.For(0, fresh.Count, new ParallelOptions { CancellationToken = cancel }, i =>
        {
            // Where they are checked for different combinations, for all of them.
            var joint = Joint(fresh[i].Foundations);
            joint = fresh[i].Foundations.All(f => f.Chosen == joint.Chosen) ? joint : joint with { Chosen = null };
            var sizer = FoundationSizer.Of(project, joint);
            sized[i] = sizer.Size().Design is { } d && sizer.Cost(d) < sizer.Cost(fresh[i].Design) - 1e-9 ? d : fresh[i].Design;
        });
        return Of([.. fresh.Select((t, i) => (sized[i], t.Foundations))], found.Gap);
    }

    /// <summary>One foundation that stands at all places of several: what a type is adopted as. Its mark is that of the first.</summary>
    public static Foundation Joint(IReadOnlyList<Foundation> foundations)
    {
        ArgumentNullException.ThrowIfNull(foundations);
        return foundations[0] with { Places = [.. foundations.SelectMany(f => f.Places)], Alike = true };
    }

    private TypedBuilding Of(IReadOnlyList<(FoundationDesign Design, IReadOnlyList<Foundation> Foundations)> types, double gap)
    {
        var all = types.Concat(kept.Select(k => (k.Design, (IReadOnlyList<Foundation>)[k.Foundation]))).Select(t =>
        {
            var each = Quantities.Of(project, t.Item2[0], t.Item1);
            return new FootingType(t.Item1, t.Item2, t.Item2.Sum(x => x.Places.Count), each, t.Item2[0].Rules.Rates.Cost(each));
        }).OrderBy(t => t.Cost).ThenBy(t => t.Foundations[0].Mark, MarkOrder.Natural).ToList();
        return new TypedBuilding(all, all.Sum(t => t.Number * t.Cost), all.Sum(t => t.Number * t.Each.Concrete), all.Sum(t => t.Number * t.Each.Steel), gap);
    }

    // One column, and nothing of its own: any design that passes its checks will do.
    private static bool IsPlain(Foundation f) => f.Kind == FoundationKinds.Usual && f.Held == HeldValues.Nothing && f.Loads.Count == 0 && f.Leaves.Count == 0;

    // The rules that most of them have: what has others keeps its design.
    private static RuleSet? Commonest(IReadOnlyList<RuleSet> all)
    {
        var sets = new List<(RuleSet Rules, int Count)>();
        foreach (var rules in all)
        {
            var i = sets.FindIndex(s => SameRules(s.Rules, rules));
            if (i < 0)
            {
                sets.Add((rules, 1));
            }
            else
            {
                sets[i] = (sets[i].Rules, sets[i].Count + 1);
            }
        }

        return sets.Count == 0 ? null : sets.MaxBy(s => s.Count).Rules;
    }

    private static bool SameRules(RuleSet a, RuleSet b) =>
        a.Stability == b.Stability && a.Concrete == b.Concrete && a.Steel == b.Steel && a.Sizing == b.Sizing && a.Rates == b.Rates && a.Column == b.Column && a.Pedestal == b.Pedestal;

    private Foundation Lying(int footing, Lie lie)
    {
        var f = open[footing].Foundation;
        return lie == Lie.AsDrawn ? f : f with { Places = [.. f.Places.Select(p => p.Lying(lie))] };
    }

    // The ways in which a design may lie that are not the same base: a base under the middle of its column has but its quarter turn, and a square one not that.
    private static IEnumerable<Lie> Lies(IsolatedDesign design)
    {
        var size = design.Size;
        var square = size.Length == size.Width && (design.Pedestal is null || design.Pedestal.SizeX == design.Pedestal.SizeY);
        return (size.ShiftX, size.ShiftY) switch
        {
            (0, 0) => Lie.All.Take(square ? 1 : 2),
            (0, _) or (_, 0) => Lie.All.Take(4),
            _ => Lie.All,
        };
    }

    // Every plan with every thickness among the designs, with the densest bars of those that are no larger; bases moved under their columns stand for themselves.
    private List<IsolatedDesign> Joined()
    {
        var designs = candidates.Where(d => d.Size is { ShiftX: 0, ShiftY: 0 }).ToList();
        var plans = designs.Select(d => (d.Size.Length, d.Size.Width)).Distinct().OrderBy(p => p.Length * p.Width).ToList();
        var thicknesses = designs.Select(d => d.Size.Thickness).Distinct().Order().ToList();

        // The thickest on the largest plan may weigh too much for the ground: some steps larger.
        if (plans.Count > 0 && open[0].Foundation.Rules.Sizing is var sizing)
        {
            var (length, width) = (plans.Max(p => p.Length), plans.Max(p => p.Width));
            double More(double side, int steps) => Math.Max(side, Math.Min(Math.Round(side + (steps * sizing.PlanStep), 6), sizing.MostPlan));
            plans.AddRange(Enumerable.Range(0, StepsLarger).Select(i => (More(length, i), More(width, i))).Where(p => !plans.Contains(p)).ToList());
        }

        var all = plans.SelectMany((p, i) => thicknesses.Select((h, j) => (Plan: p, H: h, Off: Math.Abs(((double)i / plans.Count) - ((double)j / thicknesses.Count))))).OrderBy(c => c.Off).Take(MostJoined);
        var result = new List<IsolatedDesign>();
        var none = default(Tracing.NoTrace);
        var ratio = open.Count == 0 ? 0 : project.Code.MinimumSteelRatio(ref none, open[0].Foundation.Rules.Steel.Yield);
        foreach (var (plan, h, _) in all)
        {
            var size = new BaseSize(plan.Length, plan.Width, h);
            var within = designs.Where(d => d.Size.Length <= plan.Length + 1e-9 && d.Size.Width <= plan.Width + 1e-9 && d.Size.Thickness <= h + 1e-9).ToList();
            if (within.Count == 0)
            {
                continue;
            }

            var side = open[0].Foundation.Rules.Concrete.CoverSide;
            BarSpec Densest(Func<IsolatedDesign, BarSpec> of, bool alongX)
            {
                double Breadth(BaseSize s) => alongX ? s.Width : s.Length;
                var layers = within.Select(of).Zip(within).Where(b => b.First.Size is not null)
                    .Select(b => (Bars: b.First, Layer: b.First.Resolve(Breadth(b.Second.Size), side), Breadth: Breadth(b.Second.Size))).ToList();
                if (layers.Count == 0)
                {
                    return BarSpec.None;
                }

                var best = layers.MaxBy(b => b.Layer.Area / b.Breadth);

                var spacing = (best.Breadth - (2 * side) - best.Layer.Diameter) / (best.Layer.Count - 1);
                var count = (int)Math.Ceiling(((Breadth(size) - (2 * side) - best.Layer.Diameter) / spacing) - 1e-9) + 1;

                // In a thicker base no fewer than the code's least.
                count = Math.Max(count, (int)Math.Ceiling((ratio * Breadth(size) * size.Thickness / best.Layer.Size!.Area) - 1e-9));
                return best.Bars with { Count = count, Spacing = 0, Band = 0 };
            }

            var upright = within.MaxBy(d => (d.Dowels.Size?.Area ?? 0) * d.Dowels.Count)!;
            var pedestal = within.Select(d => d.Pedestal).MaxBy(p => p?.Area ?? 0);
            var joined = new IsolatedDesign(size, Densest(d => d.BottomX, true), Densest(d => d.BottomY, false), Densest(d => d.TopX, true), Densest(d => d.TopY, false)) { Dowels = upright.Dowels, Pedestal = pedestal };
            if (!candidates.Contains(joined) && !result.Contains(joined))
            {
                result.Add(joined);
            }
        }

        return result;
    }

    // As many candidates as there is time to ask for, evenly by cost, the dearest among them.
    private void Thin(int most)
    {
        if (candidates.Count > most)
        {
            var ordered = candidates.OrderBy(CostOf).ToList();
            List<IsolatedDesign> some = [.. Enumerable.Range(0, most).Select(i => ordered[(int)((long)i * (ordered.Count - 1) / (most - 1))]).Distinct()];
            candidates.Clear();
            candidates.AddRange(some);
        }
    }

    // All that may change have the same rules.
    private double CostOf(FoundationDesign design) => open[0].Foundation.Rules.Rates.Cost(Quantities.Of(project, open[0].Foundation, design));

    // Designs of several footings sized as one.
    private List<IsolatedDesign> SizedTogether()
    {
        var n = open.Count;
        var sets = new List<List<Foundation>>();
        if (n <= MostForAllSets)
        {
            for (var set = 1; set < 1 << n; set++)
            {
                sets.Add([.. open.Where((_, i) => (set & (1 << i)) != 0).Select(o => o.Foundation)]);
            }
        }
        else if (n <= MostForRuns)
        {
            var ordered = open.OrderBy(o => CostOf(o.Design)).Select(o => o.Foundation).ToList();
            for (var from = 0; from < n; from++)
            {
                for (var to = from + 2; to <= n; to++)
                {
                    sets.Add(ordered[from..to]);
                }
            }
        }

        // Small sets first: they are sized soonest. What stands in the middle under its column takes no design that the site moves.
        var moved = open.Where(o => o.Design.Size is { ShiftX: not 0 } or { ShiftY: not 0 }).Select(o => o.Foundation.Mark).ToHashSet(StringComparer.Ordinal);
        sets = [.. sets.Where(s => s.Count > 1 && (options.Shift || s.Select(f => moved.Contains(f.Mark)).Distinct().Count() == 1)).OrderBy(s => s.Count)];
        var found = new FoundationDesign?[sets.Count];
        var time = start + (options.Time * TogetherShare);
        Parallel.For(0, sets.Count, i => found[i] = DateTime.UtcNow > time ? null : FoundationSizer.Of(project, Joint(sets[i])).Size().Design);
        return [.. found.OfType<IsolatedDesign>().Distinct()];
    }

    // Which footings the candidates from one on serve, the dearest first, while there is time; whether there was.
    private bool Ask(int from, DateTime until, Action? progress)
    {
        tried.AddRange(Enumerable.Range(from, candidates.Count - from).Select(_ => new sbyte[open.Count]));
        int[] dearest = [.. Enumerable.Range(from, candidates.Count - from).OrderByDescending(t => CostOf(candidates[t])).ThenBy(t => t)];
        Parallel.For(0, open.Count, i =>
        {
            Array.ForEach(dearest, t => _ = DateTime.UtcNow < until && Serves(t, i));
            progress?.Invoke();
        });
        return dearest.Length == 0 || DateTime.UtcNow < until;
    }

    private bool Serves(int candidate, int footing)
    {
        ref var known = ref tried[candidate][footing];
        if (known == 0)
        {
            known = candidates[candidate] == open[footing].Design ? (sbyte)1 : cut ? (sbyte)-1 : Found(candidate, footing);
        }

        return known > 0;
    }

    // The way in which a candidate serves a footing, counted from one; −1: none. One that stands in the middle under its column stays there.
    private sbyte Found(int candidate, int footing)
    {
        if (!options.Shift && candidates[candidate].Size is { ShiftX: not 0 } or { ShiftY: not 0 } && open[footing].Design.Size is { ShiftX: 0, ShiftY: 0 })
        {
            return -1;
        }

        if (candidates[candidate].Size is var size && size.Length * size.Width < LeastArea(footing, candidates[candidate]))
        {
            return -1;
        }

        sbyte way = 0;
        foreach (var lie in Lies(candidates[candidate]))
        {
            var f = Lying(footing, lie);
            var checker = checkers[footing, way] ??= Few(new Checker(project, f));
            way++;
            if (Fits(checker, f, candidates[candidate]))
            {
                return way;
            }

            if (options.KeepsMark(f))
            {
                break;
            }
        }

        return -1;
    }

    // Asked by the combinations that lie farthest out; what is chosen is asked by all.
    private static Checker Few(Checker checker)
    {
        foreach (var s in checker.Trials)
        {
            s.LookAt(OutermostCombinations.Of(s));
        }

        return checker;
    }

    // Whether a chosen type serves its footings under all combinations; those that it does not serve are remembered.
    private bool ServesAll(ChosenTypes chosen)
    {
        var wrong = 0;
        Parallel.For(0, open.Count, i =>
        {
            var t = chosen.Of[i];
            if (candidates[t] == open[i].Design)
            {
                return;
            }

            var f = Lying(i, Lies(candidates[t]).ElementAt(tried[t][i] - 1));
            var checker = new Checker(project, f);
            var fits = Fits(checker, f, candidates[t]);
            checker.Release();
            if (!fits)
            {
                tried[t][i] = -1;
                Interlocked.Increment(ref wrong);
            }
        });
        return wrong == 0;
    }

    private double LeastArea(int footing, IsolatedDesign design)
    {
        var known = leastAreas[footing] ??= [];
        var key = (design.Size.Thickness, design.Pedestal);
        if (!known.TryGetValue(key, out var least))
        {
            known.Add(key, least = PlanBound.LeastArea([.. checkers[footing, 0]!.Trials.Cast<IsolatedTrial>()], open[footing].Foundation, key.Thickness, key.Pedestal));
        }

        return least;
    }

    private bool Fits(Checker checker, Foundation f, IsolatedDesign design)
    {
        foreach (var place in f.Places)
        {
            if (!BaseGeometry.AllOnBase(f, BaseGeometry.Outline(place, design.Pedestal), design.Size))
            {
                return false;
            }
        }

        if (BaseGeometry.Standing(f, design).Fit != PedestalFit.Fits || BaseLevels.Fault(f, design.Size.Thickness, project.Units) is not null)
        {
            return false;
        }

        // Under the combinations that failed last first: what fails is most often told by one of them.
        checker.Set(design);
        var target = f.Rules.Sizing.Target;
        return !checker.List.Listed.Any(c => checker.Trials.Any(s => c.ExceedsAtHint(s, target))) && !checker.List.Listed.Any(c => checker.Trials.Any(s => c.Exceeds(s, target)));
    }
}
