using Plinth.Core.Checks;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <content>Which designs serve which footings.</content>
public sealed partial class Grouping
{
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
            known = candidates[candidate] == open[footing].AsAdopted ? (sbyte)1 : cut ? (sbyte)-1 : Found(candidates[candidate], footing);
        }

        return known > 0;
    }

    // The way in which a candidate serves a footing, counted from one; −1: none. One that stands in the middle under its column stays
    // there.
    private sbyte Found(Candidate candidate, int footing)
    {
        var (design, types) = (candidate.Design, candidate.Family.Types);
        if (candidate.Family != open[footing].Family
            || (!options.Shift && types.IsOffCentre(design) && !types.IsOffCentre(open[footing].Design))
            || design.Area < LeastArea(footing, candidate))
        {
            return -1;
        }

        sbyte way = 0;
        foreach (var lie in types.Lies(design))
        {
            var f = Lying(footing, lie);
            var checker = checkers[footing, way] ??= Few(new Checker(project, f));
            way++;
            if (Fits(checker, f, design))
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
            if (candidates[t] == open[i].AsAdopted)
            {
                return;
            }

            var f = Lying(i, candidates[t].Family.Types.Lies(candidates[t].Design).ElementAt(tried[t][i] - 1));
            var checker = new Checker(project, f);
            var fits = Fits(checker, f, candidates[t].Design);
            checker.Release();
            if (!fits)
            {
                tried[t][i] = -1;
                Interlocked.Increment(ref wrong);
            }
        });
        return wrong == 0;
    }

    private double LeastArea(int footing, Candidate candidate)
    {
        var known = leastAreas[footing] ??= [];
        var key = (candidate.Design.Size.Thickness, candidate.Design.Under(0).Pedestal);
        if (!known.TryGetValue(key, out var least))
        {
            known.Add(key,
                least = candidate.Family.Types.LeastArea(checkers[footing, 0]!.Trials, open[footing].Foundation, candidate.Design));
        }

        return least;
    }

    private bool Fits(Checker checker, Foundation f, FoundationDesign design)
    {
        if (f.Kind.FaultOfPlan(f, design, project.Units) is not null)
        {
            return false;
        }

        if (BaseGeometry.Standing(f, design).Fit != PedestalFit.Fits
            || BaseLevels.Fault(f, design.Size.Thickness, project.Units) is not null)
        {
            return false;
        }

        // Under the combinations that failed last first: what fails is most often told by one of them.
        checker.Set(design);
        var target = f.Rules.Sizing.Target;
        return !checker.List.Listed.Any(c => checker.Trials.Any(s => c.ExceedsAtHint(s, target)))
            && !checker.List.Listed.Any(c => checker.Trials.Any(s => c.Exceeds(s, target)));
    }
}
