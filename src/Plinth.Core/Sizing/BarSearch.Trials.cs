using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;

namespace Plinth.Core.Sizing;

/// <content>Trial layers, and what the checks say of them.</content>
internal sealed partial class BarSearch
{
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

    private BarLayer First(Candidate candidate, bool alongX) =>
        candidate.Fixed ? candidate.Layer(alongX, states[0], rules) : new BarLayer(Math.Max(2, CountRange(candidate.Size!, alongX).High), candidate.Size);

    private static Check[] Along(string axis, string without) =>
        [.. SectionChecks.Where(c => c.Id.EndsWith(axis, StringComparison.Ordinal) && !c.Id.StartsWith(without, StringComparison.Ordinal))];

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
