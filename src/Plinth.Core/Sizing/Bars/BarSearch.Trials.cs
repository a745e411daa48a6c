using Plinth.Core.Bodies;
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
        var room = s.MatBreadth(alongX) - (2 * rules.Concrete.CoverSide) - size.Diameter;
        if (room <= 0)
        {
            return (2, 1);
        }

        var least = Math.Max(rules.Steel.LeastSpacing, s.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
        var most = Math.Min(rules.Steel.MostSpacing, s.Code.MostSpacing(s.Size.Thickness));
        var high = (int)Math.Floor((room / least) + 1e-9) + 1;
        if (s.IsBanded(alongX))
        {
            // In a band they stand closer.
            high = s.MostBanded(high, alongX);
        }

        // At whole steps a bar more may stand there than was asked for, and all of them too close.
        while (high > 2 && rules.Steel.SpacingStep is not null
            && room / (Spaced(new BarLayer(high, size), alongX).Count - 1) < least - 1e-9)
        {
            high--;
        }

        return (Math.Max(2, (int)Math.Ceiling((room / most) - 1e-9) + 1), high);
    }

    private BarLayer First(Candidate candidate, bool alongX) =>
        candidate.Fixed
            ? candidate.Layer(alongX, states[0], rules)
            : new BarLayer(Math.Max(2, CountRange(candidate.Size!, alongX).High), candidate.Size);

    private Candidate[] Sizes(BarSpec? stated) =>
        stated is { } s ? [new Candidate(null, s)] : [.. sizes.Select(b => new Candidate(b, null))];

    private double Mass(BarLayer layer, bool alongX)
    {
        var s = states[0];
        return Schedules.Quantities.MassOf(s.Code, layer, (alongX ? s.Size.Length : s.Size.Width) - (2 * rules.Concrete.CoverSide));
    }

    // Bars of a number, banded where that is asked, hooked where they are too short without.
    private BarLayer PutFound(bool bottom, int count, BarSize size, bool alongX, double spacing = 0)
    {
        var s = states[0];
        var layer = spacing > 0 ? new BarLayer(count, size) { Spacing = spacing } : Spaced(new BarLayer(count, size), alongX);
        if (bottom && s.IsBanded(alongX) && s.Banded(new BarLayer(count, size), alongX) is { Band: > 0 } banded)
        {
            layer = banded;
        }


        Put(bottom, layer, alongX);
        Set(bars);
        if (!states.All(at => at.StraightFits(alongX, bottom)) && Exceeds(alongX ? anchorageX : anchorageY, null))
        {
            // Straight bars too short stay straight where plain concrete holds the moment there.
            layer = layer with { Hooked = true };
            Put(bottom, layer, alongX);
            Set(bars);
        }

        return layer;
    }

    // At a whole step of spacing that makes so many bars; where none does, at the widest that makes more.
    private BarLayer Spaced(BarLayer layer, bool alongX)
    {
        if (rules.Steel.SpacingStep is not { } step || layer.Count < 2)
        {
            return layer;
        }

        var room = states[0].MatBreadth(alongX) - (2 * rules.Concrete.CoverSide) - layer.Diameter;
        var most = Math.Min(rules.Steel.MostSpacing, states[0].Code.MostSpacing(states[0].Size.Thickness));
        int Bars(double spacing) => (int)Math.Ceiling((room / spacing) - 1e-9) + 1;
        var even = room / (layer.Count - 1) / step;
        var spacing = Math.Round(Math.Ceiling(even - 1e-9) * step, 9);
        spacing = spacing <= most + 1e-9 && Bars(spacing) >= layer.Count ? spacing : Math.Round(Math.Floor(even + 1e-9) * step, 9);
        return spacing <= layer.Diameter ? layer : layer with { Count = Bars(spacing), Spacing = spacing };
    }

    // Whether both ways are to have one size and spacing.
    private bool AreAlike =>
        rules.Steel.BothWaysAlike == AlikeBars.Always
            || (rules.Steel.BothWaysAlike == AlikeBars.Square && Math.Abs(states[0].Size.Length - states[0].Size.Width) < 1e-9);

    // One size and one spacing both ways, where that is asked: the closer of both.
    private (BarLayer First, BarLayer Second) Alike(Candidate first, Candidate second, BarLayer a, BarLayer b, bool firstIsX, bool bottom)
    {
        if (!AreAlike || first.Fixed || second.Fixed || a.Size != b.Size)
        {
            return (a, b);
        }

        var s = states[0];
        double Within(bool alongX) => s.MatBreadth(alongX) - (2 * rules.Concrete.CoverSide) - a.Diameter;
        var stepped = a.Spacing > 0 && b.Spacing > 0;
        var spacing = stepped
            ? Math.Min(a.Spacing, b.Spacing)
            : Math.Min(Within(firstIsX) / (a.Count - 1), Within(!firstIsX) / (b.Count - 1));
        int Count(bool alongX) => (int)Math.Ceiling((Within(alongX) / spacing) - 1e-9) + 1;
        var label = stepped ? spacing : 0;
        var (one, other) = (PutFound(bottom, Count(firstIsX), a.Size!, firstIsX, label),
            PutFound(bottom, Count(!firstIsX), b.Size!, !firstIsX, label));
        if (one.Hooked == other.Hooked)
        {
            return (one, other);
        }

        // One way hooked, both are.
        (one, other) = (one with { Hooked = true }, other with { Hooked = true });
        Put(bottom, one, firstIsX);
        Put(bottom, other, !firstIsX);
        Set(bars);
        return (one, other);
    }

    private void Put(bool bottom, BarLayer x, BarLayer y) =>
        bars = bottom ? bars with { BottomX = x, BottomY = y } : bars with { TopX = x, TopY = y };

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
            s.Take(value);
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

        public BarLayer Layer(bool alongX, LayeredTrial s, RuleSet rules) => Held!.Resolve(s.MatBreadth(alongX), rules.Concrete.CoverSide);
    }
}
