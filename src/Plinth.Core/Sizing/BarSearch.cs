using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds the least steel that passes every check of the concrete for a base of given sizes: for each pair of bar sizes the least counts that pass,
/// the least mass of all pairs; ties go to fewer bars, then to one size both ways. Faces are sought apart, as no check mixes them.
/// </summary>
internal sealed class BarSearch
{
    private static readonly Check[] SectionChecks = [.. CheckCatalog.All.Where(c => !c.OfPlan)];
    private static readonly Check[] OfBothWays = [.. SectionChecks.Where(c => c.Id is "two-way-shear" or "least-depth")];
    private static readonly Check[] ChecksX = [.. SectionChecks.Where(c => c.Id.EndsWith("-x", StringComparison.Ordinal))];
    private static readonly Check[] ChecksY = [.. SectionChecks.Where(c => c.Id.EndsWith("-y", StringComparison.Ordinal))];

    private readonly IReadOnlyList<BaseState> states;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private Reinforcement bars;

    public BarSearch(IReadOnlyList<BaseState> states, Foundation foundation)
    {
        this.states = states;
        rules = foundation.Rules;
        held = foundation.Held;
    }

    /// <summary>The check that failed last, and where: what to report if nothing passes.</summary>
    public (Check Check, BaseState State)? LastFailure { get; private set; }

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
            return Reset(Exceeds(SectionChecks, Face.Top) ? null : best);
        }

        return Reset(FindFace(Face.Top) is null ? null : bars);
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

    private bool FailsOnTop() => Exceeds(SectionChecks, Face.Top);

    private Reinforcement? FindFace(Face face)
    {
        var bottom = face == Face.Bottom;
        foreach (var s in states)
        {
            s.Looking = face;
        }

        var sizesX = Sizes(bottom ? held.BottomX : held.TopX);
        var sizesY = Sizes(bottom ? held.BottomY : held.TopY);
        var best = double.PositiveInfinity;
        var bestCount = int.MaxValue;
        var bestSame = false;
        Reinforcement? found = null;
        foreach (var x in sizesX)
        {
            foreach (var y in sizesY)
            {
                Put(bottom, First(x, bottom, true), First(y, bottom, false));
                Set(bars);
                if (QuicklyExceeds(OfBothWays))
                {
                    continue;
                }

                if (Least(x, bottom, true) is not { } layerX || Least(y, bottom, false) is not { } layerY)
                {
                    continue;
                }

                var mass = Mass(layerX, true) + Mass(layerY, false);
                var count = layerX.Count + layerY.Count;
                var same = layerX.Size == layerY.Size;
                var tie = Math.Abs(mass - best) < 1e-9 * mass;
                if (mass > best && !tie || (tie && (count > bestCount || (count == bestCount && (bestSame || !same)))))
                {
                    continue;
                }

                if (Settle(bottom, x, y, layerX, layerY) is { } settled)
                {
                    mass = Mass(settled.X, true) + Mass(settled.Y, false);
                    if (mass < best || tie)
                    {
                        (best, bestCount, bestSame) = (mass, settled.X.Count + settled.Y.Count, settled.X.Size == settled.Y.Size);
                        Put(bottom, settled.X, settled.Y);
                        found = bars;
                    }
                }
            }
        }

        if (found is { } f)
        {
            bars = f;
        }

        return found;
    }

    // The counts were found with the combinations that failed last; all combinations must pass, so they may still grow.
    private (BarLayer X, BarLayer Y)? Settle(bool bottom, Candidate x, Candidate y, BarLayer layerX, BarLayer layerY)
    {
        while (true)
        {
            Put(bottom, layerX, layerY);
            Set(bars);
            if (Exceeds(OfBothWays, null))
            {
                return null;
            }

            if (Exceeds(ChecksX, null))
            {
                if (x.Fixed || Least(x, bottom, true, layerX.Count + 1) is not { } more)
                {
                    return null;
                }

                layerX = more;
            }
            else if (Exceeds(ChecksY, null))
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

    // The least count that passes the checks of one direction under the combinations that failed last; more bars never hurt them but for the spacing.
    private BarLayer? Least(Candidate candidate, bool bottom, bool alongX, int from = 0)
    {
        var checks = alongX ? ChecksX : ChecksY;
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
            Put(bottom, new BarLayer(count, size), alongX);
            Set(bars);
            return !QuicklyExceeds(checks);
        }

        if (!Passes(high))
        {
            return null;
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

        Put(bottom, new BarLayer(high, size), alongX);
        return new BarLayer(high, size);
    }

    private (int Low, int High) CountRange(BarSize size, bool alongX)
    {
        var s = states[0];
        var room = (alongX ? s.Width : s.Length) - (2 * rules.Concrete.CoverSide) - size.Diameter;
        if (room <= 0)
        {
            return (2, 1);
        }

        var least = Math.Max(rules.Steel.LeastSpacing, s.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
        var most = Math.Min(rules.Steel.MostSpacing, s.Code.MostSpacing(s.Thickness));
        return (Math.Max(2, (int)Math.Ceiling((room / most) - 1e-9) + 1), (int)Math.Floor((room / least) + 1e-9) + 1);
    }

    private BarLayer First(Candidate candidate, bool bottom, bool alongX)
    {
        _ = bottom;
        return candidate.Fixed ? candidate.Layer(alongX, states[0], rules) : new BarLayer(Math.Max(2, CountRange(candidate.Size!, alongX).High), candidate.Size);
    }

    private Candidate[] Sizes(BarSpec? stated) => stated is { } s ? [new Candidate(null, s)] : [.. rules.Steel.Bars.Select(b => new Candidate(b, null))];

    private double Mass(BarLayer layer, bool alongX)
    {
        var s = states[0];
        return layer.Size is null ? 0 : layer.Count * layer.Size.MassPerMetre * ((alongX ? s.Length : s.Width) - (2 * rules.Concrete.CoverSide));
    }

    private void Put(bool bottom, BarLayer x, BarLayer y) => bars = bottom ? bars with { BottomX = x, BottomY = y } : bars with { TopX = x, TopY = y };

    private void Put(bool bottom, BarLayer layer, bool alongX) => bars = (bottom, alongX) switch
    {
        (true, true) => bars with { BottomX = layer },
        (true, false) => bars with { BottomY = layer },
        (false, true) => bars with { TopX = layer },
        _ => bars with { TopY = layer },
    };

    private void Set(in Reinforcement value)
    {
        foreach (var s in states)
        {
            s.Set(value);
        }
    }

    private bool QuicklyExceeds(Check[] checks)
    {
        foreach (var check in checks)
        {
            foreach (var s in states)
            {
                if (check.ExceedsAtHint(s, rules.Sizing.Target))
                {
                    LastFailure = (check, s);
                    return true;
                }
            }
        }

        return false;
    }

    private bool Exceeds(Check[] checks, Face? face)
    {
        foreach (var s in states)
        {
            s.Looking = face ?? s.Looking;
            foreach (var check in checks)
            {
                if (check.Exceeds(s, rules.Sizing.Target))
                {
                    LastFailure = (check, s);
                    return true;
                }
            }
        }

        return false;
    }

    /// <summary>A size that may be used, or a layer that is held.</summary>
    private sealed record Candidate(BarSize? Size, BarSpec? Held)
    {
        public bool Fixed => Held is not null;

        public BarLayer Layer(bool alongX, BaseState s, RuleSet rules) => Held!.Resolve(alongX ? s.Width : s.Length, rules.Concrete.CoverSide);
    }
}
