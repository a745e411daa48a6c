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

    private const int MostRounds = 60;
    private const int MostAgain = 3;

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
                deciding[(alongX, face)] = [.. sections.Concat(trials[0].Checks.Parts.Where(c => !foundation.Waives(c.Id))).Where(c => c.Decides.IsOfBars(alongX, face))];
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
        for (var again = 0; again < MostAgain; again++)
        {
            if (!Direction(outerIsX, face) || !Direction(!outerIsX, face))
            {
                return false;
            }

            // Thicker inner bars leave less depth at the columns than the outer ones were found for.
            if (!Fails(deciding[(outerIsX, face)]) && !Fails(deciding[(!outerIsX, face)]))
            {
                return true;
            }
        }

        return false;
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
        if (zones.Count == 1)
        {
            return Among(sizes, zones, deciding[(alongX, face)]) && Trimmed(zones, deciding[(alongX, face)]);
        }

        // Between the bands the thinnest, until the bands have theirs; then every size.
        var between = zones[^1];
        _ = between.Start(sizes.MinBy(s => s.Diameter)!);
        var checks = deciding[(alongX, face)];
        return Among(sizes, zones.GetRange(0, zones.Count - 1), checks) && Among(sizes, [between], checks) && Trimmed(zones, checks);
    }

    // What is asked near a column counts the bars between the bands too, which were few when the bands got theirs; and across a trapezoid not every section has all bars.
    private bool Trimmed(List<Zone> zones, Check[] checks)
    {
        foreach (var z in zones.Where(z => z.Held is null))
        {
            while (z.Layer.Count > z.Fewest)
            {
                var kept = z.Layer;
                z.Set(kept with { Count = kept.Count - 1 });
                Put();
                if (Fails(checks))
                {
                    z.Set(kept);
                    break;
                }
            }
        }

        Put();
        return true;
    }

    private bool Among(IReadOnlyList<BarSize> sizes, List<Zone> zones, Check[] checks)
    {
        (BarLayer[] Layers, double Mass, int Count)? best = null;
        var least = double.PositiveInfinity;
        var found = new List<(BarLayer[] Layers, double Mass, int Count)>();
        foreach (var size in sizes)
        {
            if (Least(zones, size, checks))
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

        foreach (var f in found)
        {
            if (f.Mass <= least * (1 + FewerWithin) && (best is not { } b || (f.Count, f.Mass).CompareTo((b.Count, b.Mass)) < 0))
            {
                best = f;
            }
        }

        if (best is not { } chosen)
        {
            return false;
        }

        for (var i = 0; i < zones.Count; i++)
        {
            zones[i].Set(chosen.Layers[i]);
        }

        Put();
        return true;
    }

    // The least counts of a size in every zone: they grow by what a check finds lacking, which is never more than is needed, as strength never grows faster than steel.
    private bool Least(List<Zone> zones, BarSize size, Check[] checks)
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
                    var factor = lacking.Outcome.FailsAnyhow || lacking.Check.Decides.What != Decisions.Bars ? 1 : lacking.Outcome.Utilisation / rules.Sizing.Target;
                    grew |= z.Grow((int)Math.Min(int.MaxValue, Math.Ceiling((z.Layer.Count * factor) - 1e-6)), lacking.Check.Decides.What == Decisions.Ends);
                }
            }

            if (!grew)
            {
                return false;
            }
        }

        return false;
    }

    // What is asked of bars between the bands, which come last, waits until it is their turn.
    private (Check Check, Subject Subject, Outcome Outcome)? Lacking(Check[] checks, List<Zone> zones)
    {
        foreach (var check in checks)
        {
            foreach (var t in trials)
            {
                if (check.FirstOver(t, rules.Sizing.Target) is { } over && (over.Subject is not InnerZone || zones.Exists(z => z.Is(over.Subject))))
                {
                    LastFailure = (check, t);
                    return (check, over.Subject, over.Outcome);
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
            return [new Zone(this, bottom ? held.BottomX : held.TopX, widest, Math.Min(t.Body.LowWidth, t.Body.HighWidth), t.Body.Length - (2 * side), bottom ? () => along : () => alongTop, bottom ? l => along = l : l => alongTop = l, _ => true)];
        }

        if (face == Face.Top)
        {
            return [new Zone(this, held.TopY, t.Body.Length, t.Body.Length, t.Body.Width - (2 * side), () => acrossTop, l => acrossTop = l, _ => true)];
        }

        var zones = new List<Zone>();
        for (var g = 0; g < bands; g++)
        {
            var band = g;
            zones.Add(new Zone(this, CombinedFields.HeldBand(held, labels[g]), t.Bands[g].Breadth, t.Bands[g].Breadth, t.Body.Width - (2 * side), () => inBand[band], l => inBand[band] = l, s => s is LongSpan || (s is CrossSpan c && c.Index == band) || (s is PunchedArea p && t.BandOf(p.First.Index) == band)) { Inner = true });
        }

        zones.Add(new Zone(this, CombinedFields.HeldRest(held), t.Zones(false)[bands].Breadth, t.Zones(false)[bands].Breadth, t.Body.Width - (2 * side), () => rest, l => rest = l, s => s is LongSpan or InnerZone) { Inner = true });
        return zones;
    }

    /// <summary>A part of a layer with one count of bars.</summary>
    private sealed class Zone(CombinedBars owner, BarSpec? held, double breadth, double narrow, double length, Func<BarLayer> get, Action<BarLayer> set, Func<Subject, bool> isOf)
    {
        private int high;

        /// <summary>The fewest bars that spacing allows.</summary>
        public int Fewest { get; private set; }

        /// <summary>Whether its edges are no edges of the base.</summary>
        public bool Inner { get; init; }

        public BarSpec? Held => held;

        public BarLayer Layer => get();

        public double Mass => Layer.Size is { } size ? Layer.Count * size.MassPerMetre * length : 0;

        public void Set(BarLayer layer) => set(layer);

        public bool Is(Subject subject) => isOf(subject);

        /// <summary>The held bars, else the fewest of a size that spacing allows; whether it allows any.</summary>
        public bool Start(BarSize size)
        {
            if (held is not null)
            {
                Set(Inner ? InnerZone.Resolve(held, breadth) : held.Resolve(breadth, owner.rules.Concrete.CoverSide));
                return true;
            }

            if (breadth <= 1e-6)
            {
                Set(BarLayer.None);
                return true;
            }

            var (rules, t) = (owner.rules, owner.trials[0]);
            var least = Math.Max(rules.Steel.LeastSpacing, t.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
            var most = Math.Min(rules.Steel.MostSpacing, t.Code.MostSpacing(t.Size.Thickness));
            var cover = (2 * rules.Concrete.CoverSide) + size.Diameter;
            (var low, high) = Inner
                ? (Math.Max(1, (int)Math.Ceiling((breadth / most) - 1e-9)), Math.Max(1, (int)Math.Floor((breadth / least) + 1e-9)))
                : (Math.Max(2, (int)Math.Ceiling(((breadth - cover) / most) - 1e-9) + 1), (int)Math.Floor(((narrow - cover) / least) + 1e-9) + 1);
            Fewest = low;
            Set(new BarLayer(low, size));
            return low <= high;
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

            var count = Math.Max(layer.Count + 1, to);
            if (count > high)
            {
                return false;
            }

            Set(layer with { Count = count });
            return true;
        }
    }
}
