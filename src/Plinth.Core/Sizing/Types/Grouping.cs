using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Schedules;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds the few types of footing with which a building costs least. Candidates are the designs adopted for the foundations, what their
/// kind joins from them
/// (<see cref="TypesOfKind"/>) and, of few footings, sets of them sized together; which serves which is asked of the checks;
/// <see cref="TypeChoice"/> chooses
/// among them all. Only foundations of a family may share a design: of one kind and one set of rules, with columns that stand alike.
/// </summary>
public sealed partial class Grouping
{
    // Of so many footings every set is sized together, so that the choice is the best of all ways to part them; of somewhat more every run
    // in order of cost.
    private const int MostForAllSets = 6;
    private const int MostForRuns = 24;

    // Types among foundations whose designs are not joined are sought in so many families, beside so many foundations.
    private const int MostApart = 6;
    private const int MostBeside = 200;

    // So many questions which candidate serves which footing are asked; of many footings some of the candidates stand for those near them
    // in cost.
    private const int MostPairs = 60_000;
    private const int FewestCandidates = 40;

    // When in the time it ends to ask which candidate serves which footing, to size sets together, and to ask the same of those.
    private const double MatrixShare = 0.6;
    private const double TogetherShare = 0.7;
    private const double LastShare = 0.8;

    private static readonly TimeSpan Least = TimeSpan.FromSeconds(0.2);

    private readonly Project project;
    private readonly List<Footing> open = [];
    private readonly List<(Foundation Foundation, FoundationDesign Design)> kept = [];
    private readonly List<Family> families = [];
    private readonly List<Candidate> candidates = [];
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
    public Grouping(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> adopted,
        Func<Foundation, bool> mayChange, GroupingOptions? options = null, Action? progress = null)
    {
        this.options = options ?? GroupingOptions.Default;
        ArgumentNullException.ThrowIfNull(adopted);
        ArgumentNullException.ThrowIfNull(mayChange);
        this.project = project;
        var loaded = new Checker?[adopted.Count];
        var of = Families(adopted, [.. adopted.Select(a => mayChange(a.Foundation) && IsPlain(a.Foundation))]);
        Parallel.For(0, adopted.Count, i =>
        {
            // What fails as it is is no type for anything.
            loaded[i] = of[i] is not null ? new Checker(project, adopted[i].Foundation) : null;
            of[i] = of[i] is not null && Fits(loaded[i]!, adopted[i].Foundation, adopted[i].Design) ? of[i] : null;
        });

        // Nothing that is joined serves the like of them all: in a large building they keep their designs, that there is a choice of few
        // for the rest.
        var apart = of.Where(f => f is { Types.Joins: false }).Distinct().Count(f => Array.FindAll(of, o => o == f).Length > 1);
        var keeps = apart > MostApart || adopted.Count > MostBeside;
        for (var i = 0; i < adopted.Count; i++)
        {
            if (of[i] is { } family
                && (family.Types.Joins || (!keeps && Array.FindAll(of, o => o == family).Length is > 1 and <= MostForRuns)))
            {
                open.Add(new Footing(adopted[i].Foundation, family.Types.Under(family.First, adopted[i].Design), family));
            }
            else
            {
                of[i] = null;
                kept.Add(adopted[i]);
            }
        }

        checkers = new Checker?[open.Count, Lie.All.Count];
        leastAreas = new Dictionary<(double, Pedestal?), double>?[open.Count];
        var at = 0;
        foreach (var checker in loaded.Where((_, i) => of[i] is not null))
        {
            checkers[at++, 0] = Few(checker!);
        }

        candidates.AddRange(open.Select(o => o.AsAdopted).Distinct());
        foreach (var family in families)
        {
            List<FoundationDesign> own = [.. candidates.Where(c => c.Family == family).Select(c => c.Design)];
            candidates.AddRange(own.Count == 0
                ? []
                : family.Types.Joined(project, family.First, own).Select(d => new Candidate(d, family)));
        }

        if (open.Count == 0)
        {
            return;
        }

        Known = candidates.Count;
        Thin(Math.Max(FewestCandidates, MostPairs / open.Count));
        var inTime = Ask(0, start + (this.options.Time * MatrixShare), progress);
        var known = Asked = candidates.Count;
        candidates.AddRange(SizedTogether().Where(c => !candidates.Contains(c)).ToList());
        inTime &= Ask(known, start + (this.options.Time * LastShare), null);

        // Whatever the time, every footing's cheapest candidate is asked for.
        double[] costs = [.. candidates.Select(CostOf)];
        int[] byCost = [.. Enumerable.Range(0, costs.Length).OrderBy(t => costs[t]).ThenBy(t => t)];
        Parallel.For(0, open.Count, i => Array.Exists(byCost, t => Serves(t, i)));
        cut = !inTime;
        choice = new TypeChoice(costs, [.. open.Select(o => (double)o.Foundation.Places.Count)], Serves);
    }

    /// <summary>
    /// Foundations that keep their design: held, with sizes, rules, loads or leaves of their own, or with nothing else that could take it.
    /// </summary>
    public IReadOnlyList<Foundation> Kept => [.. kept.Select(k => k.Foundation)];

    /// <summary>How many designs there are to choose among, joins included.</summary>
    public int Known { get; }

    /// <summary>How many of them were held against the footings: of many footings some stand for those near them in cost.</summary>
    public int Asked { get; }

    /// <summary>How many types there are as adopted.</summary>
    public int Now => open.Select(o => o.AsAdopted).Distinct().Count() + kept.Count;

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
            ? Of(
                [
                    .. chosen.Types.Select(t => Type(candidates[t],
                        [.. Enumerable.Range(0, open.Count)
                            .Where(i => chosen.Of[i] == t)
                            .Select(i => Lying(i, Lie.All[tried[t][i] - 1]))]))], chosen.Gap)
            : null;
    }

    private static (FoundationDesign Design, IReadOnlyList<Foundation> Foundations) Type(Candidate candidate,
        IReadOnlyList<Foundation> foundations) =>
        (candidate.Family.Types.Under(foundations[0], candidate.Design), foundations);

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
        return new TypedBuilding(all, all.Sum(t => t.Number * t.Cost), all.Sum(t => t.Number * t.Each.Concrete),
            all.Sum(t => t.Number * t.Each.Steel), gap);
    }

    // Nothing of its own: any design that passes its checks will do.
    private static bool IsPlain(Foundation f) =>
        f.Kind.Types is not null && f.Held == HeldValues.Nothing && f.Loads.Count == 0 && f.Leaves.Count == 0;

    // The family of each foundation that may share a design, null of others: of a kind the rules that most have, then whose columns stand
    // alike.
    private Family?[] Families(IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> adopted, bool[] may)
    {
        var result = new Family?[adopted.Count];
        foreach (var kind in Enumerable.Range(0, adopted.Count).Where(i => may[i]).GroupBy(i => adopted[i].Foundation.Kind))
        {
            var rules = Commonest([.. kind.Select(i => adopted[i].Foundation.Rules)])!;
            foreach (var i in kind.Where(i => SameRules(adopted[i].Foundation.Rules, rules)))
            {
                var f = adopted[i].Foundation;
                var family = families.Find(o => o.First.Kind == f.Kind && o.Types.MayShare(o.First, f));
                if (family is null)
                {
                    families.Add(family = new Family(f, kind.Key.Types!));
                }

                result[i] = family;
            }
        }

        return result;
    }

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
        a.Stability == b.Stability && a.Concrete == b.Concrete && a.Steel == b.Steel && a.Sizing == b.Sizing && a.Rates == b.Rates
            && a.Column == b.Column && a.Pedestal == b.Pedestal;

    private Foundation Lying(int footing, Lie lie)
    {
        var f = open[footing].Foundation;
        return lie == Lie.AsDrawn ? f : f with { Places = [.. f.Places.Select(p => p.Lying(lie))] };
    }

    // As many candidates as there is time to ask for, evenly by cost, the dearest among them; of each family its own.
    private void Thin(int most)
    {
        if (candidates.Count <= most)
        {
            return;
        }

        // Where nothing is joined none need serve many: all stay.
        var some = candidates.Where(c => !c.Family.Types.Joins).ToList();
        foreach (var own in families.Where(f => f.Types.Joins)
            .Select(f => candidates.Where(c => c.Family == f).OrderBy(CostOf).ToList())
            .Where(o => o.Count > 0))
        {
            var share = Math.Max(1, (int)((long)most * own.Count / candidates.Count));
            some.AddRange(share == 1
                ? [own[^1]]
                : Enumerable.Range(0, share).Select(i => own[(int)((long)i * (own.Count - 1) / (share - 1))]).Distinct());
        }

        candidates.Clear();
        candidates.AddRange(some);
    }

    // All of a family have the same rules.
    private double CostOf(Candidate c) => c.Family.First.Rules.Rates.Cost(Quantities.Of(project, c.Family.First, c.Design));

    // Designs of several footings of a family sized as one.
    private List<Candidate> SizedTogether()
    {
        var sets = new List<(List<Foundation> Foundations, Family Family)>();
        foreach (var family in families)
        {
            sets.AddRange(SetsOf([.. open.Where(o => o.Family == family)]).Select(s => (s, family)));
        }

        // Small sets first: they are sized soonest. What stands in the middle under its column takes no design that the site moves.
        var moved = open.Where(o => o.Family.Types.IsOffCentre(o.Design)).Select(o => o.Foundation.Mark).ToHashSet(StringComparer.Ordinal);
        sets = [
            .. sets.Where(s => s.Foundations.Count > 1
                && (options.Shift || s.Foundations.Select(f => moved.Contains(f.Mark)).Distinct().Count() == 1))
                .OrderBy(s => s.Foundations.Count)];
        var found = new FoundationDesign?[sets.Count];
        var time = start + (options.Time * TogetherShare);
        Parallel.For(0, sets.Count,
            i => found[i] = DateTime.UtcNow > time ? null : FoundationSizer.Of(project, Joint(sets[i].Foundations)).Size().Design);
        return [.. found.Zip(sets)
            .Where(f => f.First is not null)
            .Select(f => new Candidate(f.Second.Family.Types.Under(f.Second.Family.First, f.First!), f.Second.Family))
            .Distinct()];
    }

    private List<List<Foundation>> SetsOf(List<Footing> members)
    {
        var n = members.Count;
        var sets = new List<List<Foundation>>();
        if (n <= MostForAllSets)
        {
            for (var set = 1; set < 1 << n; set++)
            {
                sets.Add([.. members.Where((_, i) => (set & (1 << i)) != 0).Select(o => o.Foundation)]);
            }
        }
        else if (n <= MostForRuns)
        {
            var ordered = members.OrderBy(o => CostOf(o.AsAdopted)).Select(o => o.Foundation).ToList();
            for (var from = 0; from < n; from++)
            {
                for (var to = from + 2; to <= n; to++)
                {
                    sets.Add(ordered[from..to]);
                }
            }
        }

        return sets;
    }

    // Foundations that may share a design, as it stands under the first of them.
    private sealed class Family(Foundation first, TypesOfKind types)
    {
        public Foundation First => first;

        public TypesOfKind Types => types;
    }

    private readonly record struct Candidate(FoundationDesign Design, Family Family);

    private readonly record struct Footing(Foundation Foundation, FoundationDesign Design, Family Family)
    {
        public Candidate AsAdopted => new(Design, Family);
    }
}
