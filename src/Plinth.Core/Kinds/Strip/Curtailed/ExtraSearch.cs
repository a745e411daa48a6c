using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Lets fewer bars of a face run through a strip, with extra ones over its columns or in its bays: of every number that may run through the
/// fewest extra ones and the shortest on whole steps, of all these the lightest. What is taken passes every check.
/// </summary>
internal sealed class ExtraSearch
{
    // No layer has a single bar.
    private const int Fewest = 2;

    // So often bars that do not pass are made a step longer.
    private const int MostLonger = 12;

    private readonly Checker checker;
    private readonly ImmutableArray<Trial> trials;
    private readonly Foundation foundation;
    private readonly SteelRules steel;
    private readonly double target;
    private readonly double step;
    private readonly Check[] ofThrough;
    private readonly Check[] all;

    /// <summary>Prepares the search.</summary>
    public ExtraSearch(Checker checker, Foundation foundation)
    {
        (this.checker, trials, this.foundation) = (checker, checker.Trials, foundation);
        (steel, target) = (foundation.Rules.Steel, foundation.Rules.Sizing.Target);
        step = Reaches.Step(steel);
        all =
        [
            .. trials[0].Checks.Listed.Where(c => (c.For.HasFlag(Family.Concrete) || c.Definition is { IsOfBars: true, OfPlace: false })
                && !foundation.Waives(c.Id)),
        ];
        ofThrough = [.. all.Where(c => c.Id is "minimum-steel-x" or "bar-spacing-x")];
    }

    /// <summary>The lightest design beside one whose bars run through; that one where it saves too little.</summary>
    /// <param name="design">A design that passes, without extra bars.</param>
    public FoundationDesign Find(FoundationDesign design)
    {
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            design = Face(design, bottom) ?? design;
        }

        return design;
    }

    private static ExtraZones Zones(Trial t) => t.Extra!;

    private FoundationDesign? Face(FoundationDesign design, bool bottom)
    {
        var own = (ICurtailed)design;
        if (own.Through(bottom).Size is null || (bottom ? foundation.Held.BottomX : foundation.Held.TopX) is not null)
        {
            return null;
        }

        checker.Set(design);
        var along = Zones(trials[0]).Along;
        var (length, most, greatest) = (along.High - along.Low, along.Layer(bottom).Count, Greatest(bottom));
        var found = new List<(FoundationDesign Design, double Metres)>();
        foreach (var through in Fewer(own.Through(bottom), most))
        {
            checker.Set(own.With(bottom, through, own.Extra.Without(bottom)));
            var n = along.Layer(bottom).Count;
            if (First(ofThrough) is not null || Counted(bottom, greatest) is not { } counts)
            {
                break;
            }

            if (Reaching((ICurtailed)own.With(bottom, through, own.Extra.Without(bottom)), bottom, counts) is { } reaching)
            {
                var extra = 0.0;
                foreach (var z in Zones(trials[0]).Of(bottom))
                {
                    extra += z.Layer.Count * (z.To - z.From);
                }

                found.Add((reaching, (n * length) + extra));
            }
        }

        var least = found.Count == 0 ? double.PositiveInfinity : found.Min(f => f.Metres);
        return least > (1 - steel.Curtail) * most * length ? null : found.First(f => f.Metres <= least).Design;
    }

    // Bars that run through, fewer and fewer.
    private IEnumerable<BarSpec> Fewer(BarSpec spec, int most)
    {
        if (spec.Spacing > 0)
        {
            for (var s = spec.Spacing + steel.SpacingStep!.Value; s <= steel.MostSpacing + 1e-9; s += steel.SpacingStep.Value)
            {
                yield return spec with { Spacing = Math.Round(s, 6) };
            }

            yield break;
        }

        for (var n = most - 1; n >= 2; n--)
        {
            yield return spec with { Count = n };
        }
    }

    private IEnumerable<(Trial Trial, int K)> Combinations()
    {
        foreach (var t in trials)
        {
            foreach (var k in t.CombinationsFor(Family.Concrete).ToArray())
            {
                if (t.Body.Contact(k).State != ContactState.NoEquilibrium)
                {
                    yield return (t, k);
                }
            }
        }
    }

    // The greatest moment and shear of each zone in any combination, kNm and kN.
    private (double Moment, double Shear)[] Greatest(bool bottom)
    {
        var most = new (double Moment, double Shear)[Zones(trials[0]).Of(bottom).Length];
        foreach (var (t, k) in Combinations())
        {
            for (var i = 0; i < most.Length; i++)
            {
                var zone = Zones(t).Of(bottom)[i];
                most[i] = (Math.Max(most[i].Moment, zone.Greatest(k)), Math.Max(most[i].Shear, zone.GreatestShear(k)));
            }
        }

        return most;
    }

    // How many extra bars each zone needs; null where no more fit between those that run through.
    private int[]? Counted(bool bottom, (double Moment, double Shear)[] greatest)
    {
        var n = Zones(trials[0]).Along.Layer(bottom).Count;
        var counts = new int[greatest.Length];
        for (var i = 0; i < counts.Length; i++)
        {
            while (Held(bottom, n + counts[i]) is var held
                && (held.Moment * target < greatest[i].Moment || held.Shear * target < greatest[i].Shear))
            {
                counts[i] = counts[i] == 0 ? Fewest : counts[i] + 1;
                if (counts[i] >= n)
                {
                    return null;
                }
            }
        }

        return counts;
    }

    private (double Moment, double Shear) Held(bool bottom, int count)
    {
        var (along, none) = (Zones(trials[0]).Along, default(NoTrace));
        var steel = count * along.Layer(bottom).Size!.Area;
        return (along.Held(bottom, steel, ref none).Strength, along.Sheared(bottom, steel, double.NaN, ref none));
    }

    // With ends that pass all checks; null where none do.
    private FoundationDesign? Reaching(ICurtailed bare, bool bottom, int[] counts)
    {
        var size = Zones(trials[0]).Along.Layer(bottom).Size!;
        var extra = bare.Extra;
        for (var i = 0; i < counts.Length; i++)
        {
            // Somehow at first: how near each other they stand decides how far they must reach.
            extra = counts[i] == 0 ? extra : extra.With(bottom, i, new ExtraBars(new BarSpec(size, counts[i], 0), step, step));
        }

        checker.Set(bare.With(bottom, bare.Through(bottom), extra));
        for (var i = 0; i < counts.Length; i++)
        {
            extra = counts[i] == 0 ? extra : extra.With(bottom, i, Reach(extra.Of(bottom)[i], bottom, i));
        }

        for (var longer = 0; longer <= MostLonger; longer++)
        {
            var design = bare.With(bottom, bare.Through(bottom), extra);
            if (foundation.Kind.FaultOfPlan(foundation, design, UnitSystem.Metric) is not null)
            {
                return null;
            }

            checker.Set(design);
            if (First(all) is not { } lacking)
            {
                return Shortened((ICurtailed)design, bottom);
            }

            // One zone is too short, or a section tells that one is; anything else longer bars do not help.
            var section = lacking.Check.Id is "one-way-shear-x" || lacking.Check.Id == (bottom ? "flexure-bottom-x" : "flexure-top-x");
            if (!section && lacking.Subject is not ExtraZone)
            {
                return null;
            }

            for (var i = 0; i < counts.Length; i++)
            {
                if (counts[i] > 0 && (section || ReferenceEquals(lacking.Subject, Zones(lacking.Subject.Trial).Of(bottom)[i])))
                {
                    var now = extra.Of(bottom)[i];
                    extra = extra.With(bottom, i, Whole(now, bottom, i, bottom ? Math.Max(now.Low, now.High) + step : now.Low - step));
                }
            }
        }

        return null;
    }

    // What was found is a bound: while a step less passes too, that is taken.
    private FoundationDesign Shortened(ICurtailed design, bool bottom)
    {
        for (var i = 0; i < design.Extra.Of(bottom).Length; i++)
        {
            while (design.Extra.Of(bottom)[i] is { Any: true } own)
            {
                var reach = bottom ? Math.Max(own.Low, own.High) - step : own.Low + step;
                var shorter = Whole(own, bottom, i, reach);
                var smaller = design.With(bottom, design.Through(bottom), design.Extra.With(bottom, i, shorter));
                if ((bottom && reach < Zones(trials[0]).Of(true)[i].Developed) || shorter == own
                    || foundation.Kind.FaultOfPlan(foundation, smaller, UnitSystem.Metric) is not null)
                {
                    break;
                }

                checker.Set(smaller);
                if (First(all) is not null)
                {
                    break;
                }

                design = (ICurtailed)smaller;
            }
        }

        checker.Set((FoundationDesign)design);
        return (FoundationDesign)design;
    }

    // As short as they may be, on whole steps, on both sides alike.
    private ExtraBars Reach(ExtraBars own, bool bottom, int index)
    {
        // From the column's centre outwards; in a bay from either column's towards it, the other way round.
        var reach = double.NegativeInfinity;
        foreach (var (t, k) in Combinations())
        {
            var zone = Zones(t).Of(bottom)[index];
            var (n, m) = (zone.Along.Layer(bottom).Count, zone.Layer.Count);
            var (through, both, limits) = (Held(bottom, n), Held(bottom, n + m), Curtailment.Capacity(zone));
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                if (zone.Nearest(k, side, through, both, limits.Beyond, target) is { } end)
                {
                    reach = Math.Max(reach, side * (end - zone.Centre(side)));
                }
            }

            // Over a column none ends before it is developed on either side.
            reach = bottom ? Math.Max(reach, zone.Developed) : reach;
        }

        var found = Whole(own, bottom, index, bottom ? reach : -reach);
        for (var longer = 0; longer < MostLonger && EndsHigh(found, bottom, index); longer++)
        {
            found = Whole(found, bottom, index, bottom ? Math.Max(found.Low, found.High) + step : found.Low - step);
        }

        return found;
    }

    // Whether the shear is too high where they end in a stretched face.
    private bool EndsHigh(ExtraBars own, bool bottom, int index)
    {
        foreach (var (t, k) in Combinations())
        {
            var zone = Zones(t).Of(bottom)[index];
            zone.Lay(own);
            var limits = Curtailment.Capacity(zone);
            if (Curtailment.UsedAtEnd(zone, limits, k, -1) > target || Curtailment.UsedAtEnd(zone, limits, k, 1) > target)
            {
                return true;
            }
        }

        return false;
    }

    // At whole steps from the columns' centres; what comes near the end of the base runs out to it.
    private ExtraBars Whole(in ExtraBars own, bool bottom, int index, double reach)
    {
        if (!bottom)
        {
            var down = Math.Round(Math.Floor((reach / step) + 1e-6) * step, 6);
            return own with { Low = down, High = down };
        }

        double Up(double toEnd) => Math.Round(Math.Ceiling((reach / step) - 1e-6) * step, 6) is var up && up > toEnd - step ? toEnd : up;
        var (along, centre) = (Zones(trials[0]).Along, Zones(trials[0]).Of(true)[index].Centre(1));
        return own with { Low = Up(centre - along.Low), High = Up(along.High - centre) };
    }

    private (Check Check, Subject Subject)? First(Check[] checks)
    {
        foreach (var check in checks)
        {
            foreach (var t in trials)
            {
                if (check.FirstOver(t, target) is { } over)
                {
                    return (check, over.Subject);
                }
            }
        }

        return null;
    }
}
