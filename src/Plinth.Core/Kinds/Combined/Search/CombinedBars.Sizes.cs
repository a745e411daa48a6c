using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <content>Of each direction and face the sizes that are allowed, with the least counts that pass.</content>
internal sealed partial class CombinedBars
{
    private bool Direction(bool alongX, Face face)
    {
        var allowed = face == Face.Top && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars;
        var preferred = rules.Steel.Preferred.Count > 0 ? [.. allowed.Where(rules.Steel.Preferred.Contains)] : (IReadOnlyList<BarSize>)[];
        return (preferred.Count > 0 && Among(preferred, alongX, face)) || Among(allowed, alongX, face);
    }

    private bool Among(IReadOnlyList<BarSize> sizes, bool alongX, Face face)
    {
        var (zones, checks) = (sought = Zones(alongX, face), deciding[(alongX, face)]);
        if (zones.Count == 1)
        {
            return Among(sizes, zones, checks) && Trim(zones, checks);
        }

        // Between the bands the thinnest, until the bands have theirs; then every size.
        var between = zones[^1];
        _ = between.Start(sizes.MinBy(s => s.Diameter)!);
        return Among(sizes, zones.GetRange(0, zones.Count - 1), checks) && Among(sizes, [between], checks) && Trim(zones, checks);
    }

    // Where steel helps two-way shear: more of the bottom bars, along and in the band of the column, whichever weigh less; then as many
    // fewer again as pass. Whether it helped.
    private bool Grow()
    {
        List<SoughtZone> zones = [.. Zones(true, Face.Bottom), .. Zones(false, Face.Bottom)];
        foreach (var z in zones)
        {
            z.Take(z.Layer);
        }

        for (var round = 0; round < MostRounds; round++)
        {
            if (Lacking(depth, zones) is not { } lacking)
            {
                return Trim(zones, [.. ofFace[Face.Bottom], .. depth]);
            }

            // Both directions count alike: those that weigh less grow.
            var over = lacking.Outcome.Utilisation / rules.Sizing.Target;
            var helps = !lacking.Check.Definition.GainsByDepth && !lacking.Outcome.FailsAnyhow;
            if (!helps || !zones.Where(z => z.Held is null && z.Layer.Any && z.Is(lacking.Subject)).OrderBy(z => z.Mass)
                .Any(z => z.Answer(lacking.Check, lacking.Subject, over)))
            {
                return false;
            }

            Put();
        }

        return false;
    }

    // What is asked near a column counts the bars between the bands too, which were few when the bands got theirs; and across a trapezoid
    // not every section has all bars.
    private bool Trim(List<SoughtZone> zones, Check[] checks)
    {
        foreach (var z in zones.Where(z => z.Held is null))
        {
            var kept = z.Layer;
            while (z.Shrink())
            {
                Put();
                if (Fails(checks))
                {
                    z.Set(kept);
                    break;
                }

                kept = z.Layer;
            }
        }

        Put();
        return true;
    }

    private (BarLayer[] Layers, double Mass, int Count)? Trimmed(List<SoughtZone> zones, BarLayer[] layers, Check[] checks)
    {
        Take(zones, layers);
        Trim(zones, checks);
        return ([.. zones.Select(z => z.Layer)], zones.Sum(z => z.Mass), zones.Sum(z => z.Layer.Count));
    }

    private void Take(List<SoughtZone> zones, BarLayer[] layers)
    {
        for (var i = 0; i < zones.Count; i++)
        {
            zones[i].Take(layers[i]);
        }

        Put();
    }

    private bool Among(IReadOnlyList<BarSize> sizes, List<SoughtZone> zones, Check[] checks)
    {
        (BarLayer[] Layers, double Mass, int Count)? best = null;
        var least = double.PositiveInfinity;
        var found = new List<(BarLayer[] Layers, double Mass, int Count)>();
        foreach (var size in sizes)
        {
            if (Least(zones, size, checks, least * (1 + FewerWithin)))
            {
                var mass = zones.Sum(z => z.Mass);
                found.Add(([.. zones.Select(z => z.Layer)], mass, zones.Sum(z => z.Layer.Count)));
                least = Math.Min(least, mass);
            }

            if (zones.TrueForAll(z => z.Held is not null))
            {
                break;
            }
        }

        while (found.Count > 0)
        {
            least = found.Min(f => f.Mass);
            best = found.Where(f => f.Mass <= least * (1 + FewerWithin)).MinBy(f => (f.Count, f.Mass));

            // Bars that grew a step too far make thicker ones seem hardly heavier: the lightest is trimmed before others are taken for it.
            var i = found.FindIndex(f => f.Mass == least);
            if (best.Value.Mass == least || Trimmed(zones, found[i].Layers, checks) is not { } lighter || lighter.Mass >= least)
            {
                break;
            }

            found[i] = lighter;
        }

        if (best is not { } chosen)
        {
            return false;
        }

        Take(zones, chosen.Layers);
        return true;
    }

    // The least counts of a size in every zone: they grow by what a check finds lacking; what was too much is trimmed in the end.
    private bool Least(List<SoughtZone> zones, BarSize size, Check[] checks, double heaviest)
    {
        foreach (var z in zones)
        {
            if (!z.Start(size))
            {
                return false;
            }
        }

        for (var round = 0; round < MostRounds; round++)
        {
            Put();
            if (Lacking(checks, zones) is not { } lacking)
            {
                return true;
            }

            var grew = false;
            foreach (var z in zones)
            {
                if (z.Held is null && z.Layer.Any && z.Is(lacking.Subject))
                {
                    var told = !lacking.Outcome.FailsAnyhow && lacking.Check.Decides.What == Decisions.Bars;
                    grew |= z.Answer(lacking.Check, lacking.Subject, told ? lacking.Outcome.Utilisation / rules.Sizing.Target : 1);
                }
            }

            // Those that weigh more than others that pass are not chosen.
            if (!grew || zones.Sum(z => z.Mass) > heaviest)
            {
                return false;
            }
        }

        return false;
    }

    // What is asked of bars between the bands, which come last, waits until it is their turn.
    private (Check Check, Subject Subject, Outcome Outcome)? Lacking(Check[] checks, List<SoughtZone> zones)
    {
        foreach (var check in checks)
        {
            foreach (var t in trials)
            {
                if (check.FirstOver(t, rules.Sizing.Target) is { } over
                    && (over.Subject is not InnerZone || zones.Exists(z => z.Is(over.Subject))))
                {
                    LastFailure = (check, t);
                    return (check, over.Subject, over.Outcome);
                }
            }
        }

        return null;
    }
}
