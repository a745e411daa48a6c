using System.Collections.Immutable;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Wall;

/// <summary>Finds the bars of a wall: of sizes at whole spacings the least steel that passes, of equals the fewer bars.</summary>
/// <param name="trials">A trial a place.</param>
/// <param name="foundation">The foundation.</param>
internal sealed class StemSearch(ImmutableArray<WallTrial> trials, Foundation foundation)
{
    private readonly Check? steel = foundation.Waives("wall-steel") ? null : trials[0].Checks.Find("wall-steel");
    private readonly Check[] checks =
        [.. ((string[])["wall-shear", "wall-axial"]).Select(id => trials[0].Checks.Find(id)!).Where(c => !foundation.Waives(c.Id))];
    private readonly Check? flexure = foundation.Waives("wall-flexure") ? null : trials[0].Checks.Find("wall-flexure");
    private readonly Dictionary<double, StemBars?> found = [];

    // What bars of the wall fail in, by themselves: the base's thickness has no part in it. None: they pass.
    private readonly Dictionary<StemBars, (Check Check, Bodies.Trial State)?> known = [];
    private List<int>[]? outermost;

    /// <summary>The check that failed last.</summary>
    public (Check Check, Bodies.Trial State)? LastFailure { get; private set; }

    /// <summary>Forgets what was found: under other combinations it does not hold.</summary>
    public void Forget()
    {
        found.Clear();
        known.Clear();
        outermost = null;
    }

    /// <summary>The bars of the wall on a base as thick as the trials have; none where it is not designed; null: none pass.</summary>
    public StemBars? Find()
    {
        if (trials[0].Stem is not { Stated.Masonry: false } stem)
        {
            return Passes(StemBars.None) ? StemBars.None : null;
        }

        // The base has a part in it by its thickness alone, in which starters take hold.
        if (!found.TryGetValue(trials[0].Size.Thickness, out var bars))
        {
            // Sought under the combinations that lie farthest out, then held against all; those that fail it are looked at too.
            do
            {
                bars = Sought(stem);
            }
            while (bars is { } sought && FailsUnderOthers(sought));
            found.Add(trials[0].Size.Thickness, bars);
        }

        if (bars is { } best)
        {
            Set(best);
        }

        return bars;
    }

    private StemBars? Sought(WallStem stem)
    {
        var one = stem.Stated.Layers == 1;
        var level = WallFields.Held(foundation.Held, WallFields.LevelKey);
        var soil = WallFields.Held(foundation.Held, one ? WallFields.OneLayerKey : WallFields.SoilKey);
        var free = one ? BarSpec.None : WallFields.Held(foundation.Held, WallFields.FreeKey);
        var none = default(Tracing.NoTrace);
        var choices = Choices(stem);
        double Least(BarSpec upright, bool isUpright)
        {
            var (up, across) = stem.Code.LeastWallSteel(ref none, upright.Size!.Diameter, upright.Size.Diameter, stem.Rules.Steel.Yield);
            return (isUpright ? up : across) * stem.Thickness / stem.Stated.Layers;
        }

        level ??= choices.FirstOrDefault(c => WallStem.PerMetre(c) >= Least(c, false) - 1e-12);
        if (level is null)
        {
            return null;
        }

        // With one layer there is one to find; with two the face that is stretched most needs the most, the other its least.
        List<BarSpec> others = free is not null ? [free] : [.. choices.Where(c => WallStem.PerMetre(c) >= Least(c, true) - 1e-12)];
        foreach (var s in soil is null ? choices : [soil])
        {
            // More at the other face helps only where that one lacks: what the most of it does not mend it never mends.
            var most = others.FindLastIndex(f => WallStem.PerMetre(f) <= 1.5 * WallStem.PerMetre(s));
            if (others.Count == 0
                || (!Passes(new StemBars(s, others[0], level)) && (most <= 0 || !Passes(new StemBars(s, others[most], level)))))
            {
                continue;
            }

            foreach (var f in others)
            {
                var bars = new StemBars(s, f, level);
                if (Passes(bars))
                {
                    return ReferenceEquals(f, others[0]) ? bars : Cheaper(bars, choices, soil, free, one);
                }
            }
        }

        return null;
    }

    // The first that passed has the least at the soil's face; a larger bar there may let the other face have less.
    private StemBars Cheaper(StemBars bars, List<BarSpec> choices, BarSpec? soil, BarSpec? free, bool one)
    {
        if (one || soil is not null || free is not null)
        {
            return bars;
        }

        var best = bars;
        double Mass(StemBars b) => WallStem.PerMetre(b.Soil) + WallStem.PerMetre(b.Free);
        foreach (var s in choices.Where(c => WallStem.PerMetre(c) > WallStem.PerMetre(bars.Soil)))
        {
            foreach (var f in choices)
            {
                var other = new StemBars(s, f, bars.Level);
                if (Mass(other) >= Mass(best) - 1e-12)
                {
                    break;
                }

                if (Passes(other))
                {
                    best = other;
                    break;
                }
            }
        }

        Set(best);
        return best;
    }

    // All sizes at all spacings on the steps, the least steel first; of equals the wider spacing.
    private static List<BarSpec> Choices(WallStem stem)
    {
        var (rules, list) = (stem.Rules.Steel, new List<BarSpec>());
        var step = rules.SpacingStep!.Value;
        foreach (var size in rules.Bars)
        {
            var most = Math.Min(rules.MostSpacing, stem.Code.MostWallSpacing(stem.Thickness));
            var least = Math.Max(rules.LeastSpacing, stem.Code.LeastClear(size.Diameter, stem.Rules.Concrete.Aggregate) + size.Diameter);
            for (var n = (int)Math.Floor((most / step) + 1e-9); n * step >= least - 1e-9; n--)
            {
                list.Add(new BarSpec(size, 0, Math.Round(n * step, 9)));
            }
        }

        return [.. list.OrderBy(b => Math.Round(WallStem.PerMetre(b), 9)).ThenByDescending(b => b.Spacing)];
    }

    private void Set(StemBars bars)
    {
        foreach (var t in trials)
        {
            t.Stem?.Set(bars);
        }
    }

    private bool Passes(StemBars bars)
    {
        Set(bars);
        if (steel is not null && Failing(steel) is { } lacks)
        {
            LastFailure = (steel, lacks);
            return false;
        }

        if (!known.TryGetValue(bars, out var failure))
        {
            failure = Weakness();
            known.Add(bars, failure);
        }

        LastFailure = failure ?? LastFailure;
        return failure is null;
    }

    private WallTrial? Failing(Check check) =>
        trials.FirstOrDefault(t => check.Exceeds(t, foundation.Rules.Sizing.Target));

    private (Check Check, Bodies.Trial State)? Weakness()
    {
        foreach (var c in checks)
        {
            if (Failing(c) is { } state)
            {
                return (c, state);
            }
        }

        return flexure is not null && Bends() is { } bent ? (flexure, bent) : null;
    }

    // Where it fails in bending under the combinations that lie farthest out.
    private WallTrial? Bends()
    {
        outermost ??= [.. trials.Select(t => t.Stem is { } stem ? Outermost(t, stem) : [])];
        var none = default(Tracing.NoTrace);
        for (var i = 0; i < trials.Length; i++)
        {
            if (trials[i].Stem is not { } stem)
            {
                continue;
            }

            var section = WallFlexure.Capacity(stem);
            var looked = outermost[i];
            for (var j = 0; j < looked.Count; j++)
            {
                if (WallFlexure.Evaluate(stem, section, looked[j], ref none).Utilisation > foundation.Rules.Sizing.Target)
                {
                    // What failed last is asked first.
                    (looked[0], looked[j]) = (looked[j], looked[0]);
                    return trials[i];
                }
            }
        }

        return null;
    }

    private bool FailsUnderOthers(StemBars bars)
    {
        if (flexure is null)
        {
            return false;
        }

        Set(bars);
        var fails = false;
        for (var i = 0; i < trials.Length; i++)
        {
            if (flexure.Exceeds(trials[i], foundation.Rules.Sizing.Target) && flexure.Worst(trials[i]) is { Combination: >= 0 } worst
                && !outermost![i].Contains(worst.Combination))
            {
                outermost[i].Add(worst.Combination);
                known[bars] = (flexure, trials[i]);
                fails = true;
            }
        }

        return fails;
    }

    // The combinations whose force and moment at either end of the wall lie on the hull of all: what a section holds has no dents but where
    // its factor changes.
    private static List<int> Outermost(WallTrial t, WallStem stem)
    {
        List<(double Force, double Moment, int Combination)> points = [];
        var family = stem.Stated.Masonry ? Loads.Family.Ground : Loads.Family.Concrete;
        foreach (var k in t.CombinationsFor(family))
        {
            for (var end = -1; end <= 1; end += 2)
            {
                var foot = stem.AtBase(k, end);
                points.Add((foot.Force, foot.Moment, k));
                if (stem.AtPeak(k, end) is { } peak)
                {
                    points.Add((peak.Force, peak.Moment, k));
                }
            }
        }

        points.Sort();
        var hull = new List<(double Force, double Moment, int Combination)>();
        foreach (var way in (ReadOnlySpan<int>)[1, -1])
        {
            var from = hull.Count;
            for (var i = 0; i < points.Count; i++)
            {
                var p = points[way > 0 ? i : points.Count - 1 - i];
                while (hull.Count - from >= 2 && Left(hull[^2], hull[^1], p) <= 0)
                {
                    hull.RemoveAt(hull.Count - 1);
                }

                hull.Add(p);
            }
        }

        return [.. hull.Select(p => p.Combination).Distinct()];

        static double Left(in (double Force, double Moment, int) a, in (double Force, double Moment, int) b,
            in (double Force, double Moment, int) c) =>
            ((b.Force - a.Force) * (c.Moment - a.Moment)) - ((b.Moment - a.Moment) * (c.Force - a.Force));
    }
}
