using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Finds the steel of a base under several columns of given sizes: layer by layer for each size of bar the least counts that pass every check that the layer decides;
/// of those that weigh at most 5 % more than the lightest the one with the fewest bars. What a check finds says by how much a zone lacks; it has no formulas of its own.
/// </summary>
internal sealed class CombinedBars
{
    /// <summary>Bars may weigh so much more than the lightest that pass, as a share, where they are fewer.</summary>
    private const double FewerWithin = 0.05;

    // A zone grows by no more than this at once, so that a check far off does not overshoot.
    private const double MostGrowth = 1.6;
    private const int MostRounds = 60;

    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private readonly Check[] depth;
    private readonly Check[] sections;
    private readonly Dictionary<(bool AlongX, Face Face), Check[]> deciding = [];
    private readonly int bands;
    private readonly string[] labels;
    private BarLayer along;
    private BarLayer alongTop;
    private BarLayer acrossTop;
    private BarLayer rest;
    private readonly BarLayer[] inBand;

    /// <summary>Prepares the search.</summary>
    public CombinedBars(ImmutableArray<CombinedTrial> trials, Foundation foundation)
    {
        this.trials = trials;
        (rules, held) = (foundation.Rules, foundation.Held);
        sections = [.. trials[0].Checks.Listed.Where(c => c.Decides.IsOfSection && !foundation.Waives(c.Id))];
        depth = [.. sections.Where(c => c.Decides.What == Decisions.Depth)];
        foreach (var alongX in (ReadOnlySpan<bool>)[true, false])
        {
            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                deciding[(alongX, face)] = [.. sections.Where(c => c.Decides.IsOfBars(alongX, face))];
            }
        }

        bands = trials[0].Bands.Length;
        inBand = new BarLayer[bands];
        labels = [.. Enumerable.Range(0, bands).Select(g => trials[0].Bands[g].First.Support.Label)];
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>The combinations asked for are enough to tell whether the base is too thin with any bars: the thinnest leave the greatest depth.</summary>
    public bool IsTooThin()
    {
        Thinnest();
        Look(Face.Bottom);
        Put();
        var fails = Array.Exists(depth, c => trials.Any(t => c.ExceedsAtHint(t, rules.Sizing.Target)));
        Look(Face.None);
        return fails;
    }

    /// <summary>Finds the bars for the sizes that the trials hold, and leaves them there.</summary>
    /// <returns>Null if no bars allowed pass.</returns>
    public CombinedDesign? Find(CombinedDesign sized)
    {
        LastFailure = null;
        Thinnest();
        Look(Face.Bottom);
        if (!OfFace(Face.Bottom) || Fails(depth))
        {
            Look(Face.None);
            return null;
        }

        Look(Face.Top);
        var stated = held.TopX is not null || held.TopY is not null;
        var wanted = rules.Steel.TopSteel;
        if (stated || wanted == TopSteel.Least || (wanted != TopSteel.None && Fails(sections)))
        {
            if (!OfFace(Face.Top))
            {
                Look(Face.None);
                return null;
            }
        }

        Look(Face.None);
        return Fails(sections) ? null : Design(sized);
    }

    /// <summary>A design with the bars found last.</summary>
    private CombinedDesign Design(CombinedDesign sized)
    {
        var at = sized.At;
        for (var i = 0; i < at.Length; i++)
        {
            var g = trials[0].BandOf(i);
            at = at.SetItem(i, at[i] with { Band = trials[0].Bands[g].First.Index == i ? Spec(inBand[g], CombinedFields.HeldBand(held, labels[g])) : BarSpec.None });
        }

        return sized with { BottomX = Spec(along, held.BottomX), TopX = Spec(alongTop, held.TopX), TopY = Spec(acrossTop, held.TopY), Rest = Spec(rest, CombinedFields.HeldRest(held)), At = at };
    }

    private static BarSpec Spec(in BarLayer layer, BarSpec? held) => held ?? BarSpec.Of(layer);

    // Each size once in a layer, the outer layer first: its depth does not know the inner one's bars.
    private bool OfFace(Face face)
    {
        var outerIsX = trials[0].OuterIsX;
        return Direction(outerIsX, face) && Direction(!outerIsX, face);
    }

    private bool Direction(bool alongX, Face face)
    {
        var allowed = face == Face.Top && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars;
        var preferred = rules.Steel.Preferred.Count > 0 ? [.. allowed.Where(rules.Steel.Preferred.Contains)] : (IReadOnlyList<BarSize>)[];
        return (preferred.Count > 0 && Among(preferred, alongX, face)) || Among(allowed, alongX, face);
    }

    private bool Among(IReadOnlyList<BarSize> sizes, bool alongX, Face face)
    {
        var zones = Zones(alongX, face);
        var found = new List<(BarLayer[] Layers, double Mass, int Count)>();
        foreach (var size in sizes)
        {
            foreach (var other in zones.Count > 1 ? sizes.Where(s => s.Diameter <= size.Diameter + 1e-9) : [size])
            {
                if (Least(zones, size, other, deciding[(alongX, face)]))
                {
                    BarLayer[] layers = [.. zones.Select(z => z.Layer)];
                    found.Add((layers, zones.Sum(z => z.Layer.Size is { } s ? z.Layer.Count * s.MassPerMetre * z.Length : 0), layers.Sum(l => l.Count)));
                }
            }

            if (zones.TrueForAll(z => z.Held is not null))
            {
                break;
            }
        }

        if (found.Count == 0)
        {
            return false;
        }

        var least = found.Min(f => f.Mass);
        var best = found.Where(f => f.Mass <= least * (1 + FewerWithin)).OrderBy(f => f.Count).ThenBy(f => f.Mass).First();
        for (var i = 0; i < zones.Count; i++)
        {
            zones[i].Set(best.Layers[i]);
        }

        Put();
        return true;
    }

    // The least counts of a size in every zone of a layer, those between the bands of another size.
    private bool Least(List<Zone> zones, BarSize size, BarSize other, Check[] checks)
    {
        foreach (var z in zones)
        {
            var (low, high) = z.Range(z.IsRest ? other : size);
            if (z.Held is { } held)
            {
                z.Set(z.Resolve(held));
            }
            else if (low > high)
            {
                return false;
            }
            else
            {
                z.Set(z.Breadth <= 1e-6 ? BarLayer.None : new BarLayer(low, z.IsRest ? other : size));
            }
        }

        for (var round = 0; round < MostRounds; round++)
        {
            Put();
            if (Worst(checks) is not { } worst)
            {
                return Trimmed(zones, checks);
            }

            var grew = false;
            foreach (var z in zones.Where(z => z.Held is null && z.Layer.Any && z.Is(worst.Subject)))
            {
                var factor = worst.Outcome.FailsAnyhow || worst.Check.Decides.What != Decisions.Bars ? 1 : Math.Min(MostGrowth, worst.Outcome.Utilisation / rules.Sizing.Target);
                grew |= z.Grow((int)Math.Ceiling((z.Layer.Count * factor) - 1e-6), worst.Check.Decides.What == Decisions.Ends);
            }

            if (!grew)
            {
                return false;
            }
        }

        return false;
    }

    // A bar less in each zone, as long as all checks pass.
    private bool Trimmed(List<Zone> zones, Check[] checks)
    {
        foreach (var z in zones.Where(z => z.Held is null && z.Layer.Any))
        {
            while (z.Layer.Count > z.Low)
            {
                var kept = z.Layer;
                z.Set(kept with { Count = kept.Count - 1 });
                Put();
                if (Fails(checks))
                {
                    z.Set(kept);
                    Put();
                    break;
                }
            }
        }

        Put();
        return true;
    }

    private (Check Check, Subject Subject, Outcome Outcome)? Worst(Check[] checks)
    {
        foreach (var check in checks)
        {
            foreach (var t in trials)
            {
                if (check.Exceeds(t, rules.Sizing.Target) && check.Worst(t) is { } worst)
                {
                    LastFailure = (check, t);
                    return (check, worst.Subject, worst.Outcome);
                }
            }
        }

        return null;
    }

    private bool Fails(Check[] checks)
    {
        foreach (var check in checks)
        {
            foreach (var t in trials)
            {
                if (check.Exceeds(t, rules.Sizing.Target))
                {
                    LastFailure = (check, t);
                    return true;
                }
            }
        }

        return false;
    }

    private void Look(Face face)
    {
        foreach (var t in trials)
        {
            t.Looking = face;
        }
    }

    private void Thinnest()
    {
        var thin = new BarLayer(2, rules.Steel.Bars.MinBy(b => b.Diameter));
        (along, rest) = (held.BottomX is { } x ? new BarLayer(2, x.Size) : thin, CombinedFields.HeldRest(held) is { } r ? new BarLayer(2, r.Size) : thin);
        (alongTop, acrossTop) = (BarLayer.None, BarLayer.None);
        for (var g = 0; g < bands; g++)
        {
            inBand[g] = CombinedFields.HeldBand(held, labels[g]) is { } band ? new BarLayer(2, band.Size) : thin;
        }

        Put();
    }

    private void Put()
    {
        foreach (var t in trials)
        {
            t.Set(along, alongTop, acrossTop, rest, inBand);
        }
    }

    private List<Zone> Zones(bool alongX, Face face)
    {
        var t = trials[0];
        var side = rules.Concrete.CoverSide;
        if (alongX)
        {
            var bottom = face == Face.Bottom;
            var widest = Math.Max(t.Body.LowWidth, t.Body.HighWidth);
            return [new Zone(this, bottom ? held.BottomX : held.TopX, widest, Math.Min(t.Body.LowWidth, t.Body.HighWidth), t.Body.Length - (2 * side), false, bottom ? () => along : () => alongTop, bottom ? l => along = l : l => alongTop = l, _ => true)];
        }

        if (face == Face.Top)
        {
            return [new Zone(this, held.TopY, t.Body.Length, t.Body.Length, t.Body.Width - (2 * side), false, () => acrossTop, l => acrossTop = l, _ => true)];
        }

        var zones = new List<Zone>();
        for (var g = 0; g < bands; g++)
        {
            var band = g;
            zones.Add(new Zone(this, CombinedFields.HeldBand(held, labels[g]), t.Bands[g].Breadth, t.Bands[g].Breadth, t.Body.Width - (2 * side), false, () => inBand[band], l => inBand[band] = l, s => s is LongSpan || (s is CrossSpan c && c.Index == band)) { Inner = true });
        }

        zones.Add(new Zone(this, CombinedFields.HeldRest(held), t.Zones(false)[bands].Breadth, t.Zones(false)[bands].Breadth, t.Body.Width - (2 * side), true, () => rest, l => rest = l, s => s is LongSpan or InnerZone) { Inner = true });
        return zones;
    }

    /// <summary>A part of a layer with one count of bars.</summary>
    private sealed class Zone(CombinedBars owner, BarSpec? held, double breadth, double narrow, double length, bool isRest, Func<BarLayer> get, Action<BarLayer> set, Func<Subject, bool> isOf)
    {
        private int high;

        /// <summary>Whether its edges are no edges of the base.</summary>
        public bool Inner { get; init; }

        public BarSpec? Held => held;

        public double Breadth => breadth;

        public double Length => length;

        public bool IsRest => isRest;

        public int Low { get; private set; }

        public BarLayer Layer => get();

        public void Set(BarLayer layer) => set(layer);

        public bool Is(Subject subject) => isOf(subject);

        public BarLayer Resolve(BarSpec spec) => Inner ? InnerZone.Resolve(spec, breadth) : spec.Resolve(breadth, owner.rules.Concrete.CoverSide);

        /// <summary>The counts that spacing allows: at most apart where it is widest, at least where it is narrowest.</summary>
        public (int Low, int High) Range(BarSize size)
        {
            var (rules, t) = (owner.rules, owner.trials[0]);
            var least = Math.Max(rules.Steel.LeastSpacing, t.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
            var most = Math.Min(rules.Steel.MostSpacing, t.Code.MostSpacing(t.Size.Thickness));
            if (Inner)
            {
                (Low, high) = (Math.Max(1, (int)Math.Ceiling((breadth / most) - 1e-9)), Math.Max(1, (int)Math.Floor((breadth / least) + 1e-9)));
            }
            else
            {
                var cover = (2 * rules.Concrete.CoverSide) + size.Diameter;
                (Low, high) = (Math.Max(2, (int)Math.Ceiling(((breadth - cover) / most) - 1e-9) + 1), (int)Math.Floor(((narrow - cover) / least) + 1e-9) + 1);
            }

            return (Low, high);
        }

        /// <summary>More bars, or hooks at their ends; whether it could.</summary>
        public bool Grow(int to, bool ends)
        {
            var layer = Layer;
            if (ends && !layer.Hooked)
            {
                Set(layer with { Hooked = true });
                return true;
            }

            var count = Math.Min(high, Math.Max(layer.Count + 1, to));
            if (count <= layer.Count)
            {
                return false;
            }

            Set(layer with { Count = count });
            return true;
        }
    }
}
