using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds the steel for a base of given sizes: for each pair of bar sizes the least counts that pass every check of the concrete; of the
/// pairs that weigh at
/// most 5 % more than the lightest the one with the fewest bars, then the lightest, then one size both ways. Faces are sought apart, as no
/// check mixes them.
/// </summary>
internal sealed partial class BarSearch
{
    /// <summary>Bars may weigh so much more than the lightest that pass, as a share, where they are fewer.</summary>
    public const double FewerWithin = 0.05;

    private readonly Check[] sectionChecks;
    private readonly Check[] ofBothWays;
    private readonly Check[] ofDepth;
    private readonly Check[] ofOwnDepth;
    private readonly Check[] bounded;
    private readonly Check[] bottomX;
    private readonly Check[] bottomY;
    private readonly Check[] topX;
    private readonly Check[] topY;
    private readonly Check[] anchorageX;
    private readonly Check[] anchorageY;
    private readonly ImmutableArray<LayeredTrial> states;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private Reinforcement bars;
    private IReadOnlyList<BarSize> sizes = [];
    private double areaGuess;

    public BarSearch(ImmutableArray<LayeredTrial> states, Foundation foundation)
    {
        this.states = states;
        rules = foundation.Rules;
        held = foundation.Held;
        var checks = states[0].Checks;
        sectionChecks = [.. checks.Listed.Where(c => c.Decides.IsOfSection && !foundation.Waives(c.Id))];
        ofBothWays = [.. sectionChecks.Where(c => c.Decides.What == Decisions.Depth)];
        (ofDepth, ofOwnDepth) = ([.. ofBothWays.Where(c => c.Definition.GainsByDepth)],
            [.. ofBothWays.Where(c => !c.Definition.GainsByDepth)]);
        bounded = [.. sectionChecks.Where(c => c.BoundsBars)];
        Check[] Along(bool alongX, Face face) =>
            [.. sectionChecks.Concat(checks.Parts.Where(c => !foundation.Waives(c.Id))).Where(c => c.Decides.IsOfBars(alongX, face))];
        anchorageX = [.. sectionChecks.Where(c => c.Decides == Decides.Ends(true))];
        anchorageY = [.. sectionChecks.Where(c => c.Decides == Decides.Ends(false))];
        bottomX = Along(true, Face.Bottom);
        bottomY = Along(false, Face.Bottom);
        topX = Along(true, Face.Top);
        topY = Along(false, Face.Top);
    }

    /// <summary>The check that failed last, and where: what to report if nothing passes.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>Finds the bars for the sizes that the states hold.</summary>
    /// <returns>Null if no bars allowed pass.</returns>
    public Reinforcement? Find()
    {
        LastFailure = null;
        bars = default;
        var found = FindFace(Face.Bottom);
        if (found is null)
        {
            return Reset(null);
        }

        var best = bars;
        Set(best);
        var top = rules.Steel.TopSteel;
        var stated = held.TopX is not null || held.TopY is not null;
        if (!stated && top != TopSteel.Least && (top == TopSteel.None || !FailsOnTop()))
        {
            return Reset(Exceeds(sectionChecks, Face.Top) ? null : best);
        }

        return Reset(FindFace(Face.Top) is null ? null : bars);
    }

    /// <summary>
    /// Where no bars pass: of the densest layers of each size those that come nearest, left in the states, with what fails most there.
    /// </summary>
    public (Check Check, Trial State)? Nearest()
    {
        (double Utilisation, Check Check, LayeredTrial State, Reinforcement Bars)? best = null;
        foreach (var size in rules.Steel.Bars)
        {
            BarLayer Densest(BarSpec? stated, bool alongX) => First(new Candidate(stated is null ? size : null, stated), alongX);
            bars = new Reinforcement(Densest(held.BottomX, true), Densest(held.BottomY, false), default, default);
            var top = held.TopX is not null || held.TopY is not null || rules.Steel.TopSteel == TopSteel.Least
                || states.Any(s => s.NeedsTopSteel);
            bars = top && rules.Steel.TopSteel != TopSteel.None
                ? bars with { TopX = Densest(held.TopX, true), TopY = Densest(held.TopY, false) }
                : bars;
            Reset(bars);
            (double Utilisation, Check Check, LayeredTrial State)? worst = null;
            foreach (var s in states)
            {
                foreach (var check in sectionChecks)
                {
                    if (check.Worst(s) is { } w && !w.Outcome.Passes && (worst is null || w.Outcome.Utilisation > worst.Value.Utilisation))
                    {
                        worst = (w.Outcome.Utilisation, check, s);
                    }
                }
            }

            if (worst is { } found && (best is null || found.Utilisation < best.Value.Utilisation))
            {
                best = (found.Utilisation, found.Check, found.State, bars);
            }
        }

        if (best is not { } b)
        {
            return LastFailure;
        }

        Reset(b.Bars);
        return (b.Check, b.State);
    }

    private Reinforcement? Reset(Reinforcement? result)
    {
        foreach (var s in states)
        {
            s.Looking = Face.None;
        }

        if (result is { } r)
        {
            Set(r);
        }

        return result;
    }

    private bool FailsOnTop() => Exceeds(sectionChecks, Face.Top);

    // Preferred sizes first; all others only where these do not do.
    private Reinforcement? FindFace(Face face)
    {
        var allowed = face == Face.Top && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars;
        if (rules.Steel.Preferred.Count > 0)
        {
            sizes = [.. allowed.Where(rules.Steel.Preferred.Contains)];
            if (sizes.Count > 0 && FindAmong(face) is { } preferred)
            {
                return preferred;
            }
        }

        sizes = allowed;
        return FindAmong(face);
    }

    private Reinforcement? FindAmong(Face face)
    {
        var bottom = face == Face.Bottom;
        foreach (var s in states)
        {
            s.Looking = face;
        }

        // Lightest first: once one is settled, what could not be lighter need not be.
        var open = Quick(bottom);
        open.Sort((a, b) => a.Mass.CompareTo(b.Mass));
        var least = double.PositiveInfinity;
        var settled = new List<(BarLayer X, BarLayer Y, double Mass)?>();
        foreach (var c in open)
        {
            if (c.Mass > least * (1 + 1e-9))
            {
                break;
            }

            settled.Add(Settled(bottom, c));
            least = Math.Min(least, settled[^1]?.Mass ?? least);
        }

        // Of those that weigh hardly more the one with the fewest bars.
        (int Count, double Mass, bool Mixed) best = (int.MaxValue, 0, false);
        (BarLayer X, BarLayer Y)? found = null;
        foreach (var (i, quick) in open.Select((c, i) => (i, c))
            .Where(c => c.c.Mass <= least * (1 + FewerWithin))
            .OrderBy(c => c.c.LayerX.Count + c.c.LayerY.Count)
            .ThenBy(c => c.c.Mass))
        {
            if (quick.LayerX.Count + quick.LayerY.Count > best.Count)
            {
                break;
            }

            if ((i < settled.Count ? settled[i] : Settled(bottom, quick)) is { } c && c.Mass <= least * (1 + FewerWithin))
            {
                var rank = (c.X.Count + c.Y.Count, Math.Round(c.Mass, 6), c.X.Size != c.Y.Size);
                if (rank.CompareTo(best) < 0)
                {
                    (best, found) = (rank, (c.X, c.Y));
                }
            }
        }

        if (found is not { } f)
        {
            return null;
        }

        Put(bottom, f.X, f.Y);
        return bars;
    }

    private (BarLayer X, BarLayer Y, double Mass)? Settled(bool bottom,
        in (Candidate X, Candidate Y, BarLayer LayerX, BarLayer LayerY, double Mass) c) =>
        Settle(bottom, c.X, c.Y, c.LayerX, c.LayerY) is { } s ? (s.X, s.Y, Mass(s.X, true) + Mass(s.Y, false)) : null;

    // For every pair of sizes the least counts under the combinations that failed last. The outer layer's depth is its own, so its count is
    // found once a size.
    private List<(Candidate X, Candidate Y, BarLayer LayerX, BarLayer LayerY, double Mass)> Quick(bool bottom)
    {
        var open = new List<(Candidate X, Candidate Y, BarLayer LayerX, BarLayer LayerY, double Mass)>();
        var outerIsX = states[0].OuterIsX;
        var outers = Sizes(outerIsX ? (bottom ? held.BottomX : held.TopX) : bottom ? held.BottomY : held.TopY);
        var inners = Sizes(outerIsX ? (bottom ? held.BottomY : held.TopY) : bottom ? held.BottomX : held.TopX);
        foreach (var outer in outers)
        {
            BarLayer? outerLayer = null;
            var sought = false;
            foreach (var inner in inners)
            {
                if (AreAlike && !inner.Fixed && !outer.Fixed && inner.Size != outer.Size)
                {
                    continue;
                }

                Put(bottom, First(outer, outerIsX), outerIsX);
                Put(bottom, First(inner, !outerIsX), !outerIsX);
                Set(bars);
                if (QuicklyExceeds(ofOwnDepth))
                {
                    continue;
                }

                if (QuicklyExceeds(ofDepth))
                {
                    // The thinnest bars of all leave the greatest depth: where that is not enough, no other pair is.
                    if (ReferenceEquals(outer, outers[0]) && ReferenceEquals(inner, inners[0]))
                    {
                        return open;
                    }

                    // Thicker inner bars leave less.
                    break;
                }

                if (!sought)
                {
                    (outerLayer, sought) = (Least(outer, bottom, outerIsX), true);
                }

                if (outerLayer is not { } o)
                {
                    break;
                }

                Put(bottom, o, outerIsX);
                if (Least(inner, bottom, !outerIsX) is { } i)
                {
                    (o, i) = Alike(outer, inner, o, i, outerIsX, bottom);
                    var mass = Mass(o, outerIsX) + Mass(i, !outerIsX);
                    open.Add(outerIsX ? (outer, inner, o, i, mass) : (inner, outer, i, o, mass));
                }
            }
        }

        return open;
    }

    // The counts were found with the combinations that failed last; all combinations must pass, so they may still grow.
    private (BarLayer X, BarLayer Y)? Settle(bool bottom, Candidate x, Candidate y, BarLayer layerX, BarLayer layerY)
    {
        while (true)
        {
            Put(bottom, layerX, layerY);
            Set(bars);
            if (Exceeds(ofBothWays, null))
            {
                if (More(x, y, layerX, layerY, bottom) is not { } grown)
                {
                    return null;
                }

                (layerX, layerY) = grown;
                continue;
            }

            (layerX, layerY) = Alike(x, y, layerX, layerY, true, bottom);
            Put(bottom, layerX, layerY);
            Set(bars);
            if (Exceeds(bottom ? bottomX : topX, null))
            {
                if (x.Fixed || Least(x, bottom, true, layerX.Count + 1) is not { } more)
                {
                    return null;
                }

                layerX = more;
            }
            else if (Exceeds(bottom ? bottomY : topY, null))
            {
                if (y.Fixed || Least(y, bottom, false, layerY.Count + 1) is not { } more)
                {
                    return null;
                }

                layerY = more;
            }
            else
            {
                return (layerX, layerY);
            }
        }
    }

    // Where steel helps two-way shear: a bar more in the direction that weighs less, as both count alike; null where it does not help.
    private (BarLayer X, BarLayer Y)? More(Candidate x, Candidate y, BarLayer layerX, BarLayer layerY, bool bottom)
    {
        if (!states[0].Code.TwoWayShearGrowsWithSteel)
        {
            return null;
        }

        BarLayer? Next(Candidate c, BarLayer layer, bool alongX) =>
            c.Fixed || layer.Count >= CountRange(c.Size!, alongX).High ? null : PutFound(bottom, layer.Count + 1, c.Size!, alongX);

        var xFirst = Mass(layerX, true) <= Mass(layerY, false);
        foreach (var alongX in (ReadOnlySpan<bool>)[xFirst, !xFirst])
        {
            if (Next(alongX ? x : y, alongX ? layerX : layerY, alongX) is { } next)
            {
                return alongX ? (next, layerY) : (layerX, next);
            }
        }

        return null;
    }

    // The least count that passes the checks of one direction under the combinations that failed last; more bars never hurt them but for
    // the spacing.
    private BarLayer? Least(Candidate candidate, bool bottom, bool alongX, int from = 0)
    {
        var checks = bottom ? (alongX ? bottomX : bottomY) : alongX ? topX : topY;
        if (candidate.Fixed)
        {
            return candidate.Layer(alongX, states[0], rules);
        }

        var size = candidate.Size!;
        var (low, high) = CountRange(size, alongX);
        low = Math.Max(low, from);
        if (low > high)
        {
            return null;
        }

        bool Passes(int count)
        {
            PutFound(bottom, count, size, alongX);
            return !QuicklyExceeds(checks);
        }

        // A bar more may bring all into the band, too close, and the next none; or in an outline that is cut take one from where it is
        // long to where it is short: every count is looked at.
        var (fewest, most) = (low, high);
        if ((bottom && states[0].IsBanded(alongX)) || !states[0].Body.IsRectangle)
        {
            return OneByOne();
        }

        // The area that the size before needed is a good guess; from there the count is bracketed by doubling steps, then halved.
        var guess = Math.Clamp((int)Math.Ceiling(areaGuess / size.Area), low, high);
        if (Passes(guess))
        {
            high = guess;
            for (var step = 1; high > low; step *= 2)
            {
                var lower = Math.Max(low, high - step);
                if (!Passes(lower))
                {
                    low = lower + 1;
                    break;
                }

                high = lower;
            }
        }
        else
        {
            low = guess + 1;
            for (var step = 1; ; step *= 2)
            {
                if (low > high)
                {
                    // Closer bars may need longer hooks: where those are too long fewer bars may do.
                    return LastFailure?.Check.Decides.What == Decisions.Ends ? OneByOne() : null;
                }

                var upper = Math.Min(high, guess + step);
                if (Passes(upper))
                {
                    high = upper;
                    break;
                }

                low = upper + 1;
            }
        }

        while (low < high)
        {
            var mid = (low + high) / 2;
            if (Passes(mid))
            {
                high = mid;
            }
            else
            {
                low = mid + 1;
            }
        }

        areaGuess = high * size.Area;
        return PutFound(bottom, high, size, alongX);

        BarLayer? OneByOne()
        {
            for (var count = fewest; count <= most; count++)
            {
                if (Passes(count))
                {
                    return PutFound(bottom, count, size, alongX);
                }
            }

            return null;
        }
    }
}
