using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Finds the bars of the flange of a strip of given sizes: across below, on top where it is stretched, along beside the rib. Of sizes whose
/// bars weigh at most 5 % more than the lightest the one with the fewest. It only asks the checks.
/// </summary>
internal sealed class FlangeSearch
{
    private const double FewerWithin = 0.05;
    private const double Metric = 0.025;
    private const double Inch = 0.0254;
    private const int LeastSteps = 3;

    private readonly ImmutableArray<RibTrial> trials;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private readonly Check[] below;
    private readonly Check[] above;
    private readonly Check[] along;

    /// <summary>Prepares the search.</summary>
    public FlangeSearch(ImmutableArray<RibTrial> trials, Foundation foundation)
    {
        (this.trials, rules, held) = (trials, foundation.Rules, foundation.Held);
        var all = trials[0].Checks.Listed.Where(c => c.Decides.IsOfSection && !foundation.Waives(c.Id)).ToList();

        // What asks no combination first.
        below = [.. all.Where(c => c.Decides.IsOfBars(false, Face.Bottom) || c.Id == "least-depth")
            .OrderBy(c => c.For != Loads.Family.None)];
        above = [.. all.Where(c => c.Decides.IsOfBars(false, Face.Top)).OrderBy(c => c.For != Loads.Family.None)];
        along = [.. all.Where(c => c.Id is "minimum-steel-x" or "bar-spacing-x")];
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>Finds them for the sizes that the trials hold; null where none that are allowed pass.</summary>
    public RibDesign? Find(RibDesign sized)
    {
        LastFailure = null;
        foreach (var t in trials)
        {
            t.SetAcross(false, BarLayer.None);
        }

        if (Across(sized, true) is not { } bottom)
        {
            return null;
        }

        var top = RibFields.Held(held, "top-y");
        if (top is not null || Fails(above, Face.Top))
        {
            top = Across(sized, false);
            if (top is null)
            {
                return null;
            }
        }

        return Along() is { } flange ? sized with { BottomY = bottom, TopY = top ?? BarSpec.None, Flange = flange } : null;
    }

    // By whole spacings, the widest that passes.
    private BarSpec? Across(RibDesign sized, bool bottom)
    {
        var (checks, face, side) = (bottom ? below : above, bottom ? Face.Bottom : Face.Top, rules.Concrete.CoverSide);
        void Put(BarSpec spec)
        {
            foreach (var t in trials)
            {
                t.SetAcross(bottom, spec.Resolve(sized.Size.Length, side));
            }
        }

        if (RibFields.Held(held, bottom ? "bottom-y" : "top-y") is { } stated)
        {
            Put(stated);
            return Fails(checks, face) ? null : stated;
        }

        var found = new List<(BarSpec Spec, double Mass)>();
        var step = rules.Steel.Bars[0].IsUs ? Inch : Metric;
        var widest = Math.Min(rules.Steel.MostSpacing, trials[0].Code.MostSpacing(sized.Size.Thickness));
        var allowed = !bottom && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars;
        foreach (var size in allowed)
        {
            var closest = Math.Max(rules.Steel.LeastSpacing,
                trials[0].Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
            var (most, least) = ((int)Math.Floor((widest / step) + 1e-9), (int)Math.Ceiling((closest / step) - 1e-9));
            if (Widest(size, most, Math.Max(LeastSteps, least)) is { } spec)
            {
                found.Add((spec, size.MassPerMetre / spec.Spacing));
            }
        }

        if (found.Count == 0)
        {
            return null;
        }

        var lightest = found.Min(f => f.Mass);
        var chosen = found.Where(f => f.Mass <= lightest * (1 + FewerWithin)).MaxBy(f => f.Spec.Spacing).Spec;
        Put(chosen);
        return chosen;

        // From wide to close: too much steel for the depth fails again.
        BarSpec? Widest(BarSize size, int high, int low)
        {
            var hooked = false;
            for (var steps = high; steps >= low; steps--)
            {
                var spec = new BarSpec(size, 0, Math.Round(steps * step, 6)) { Hooked = hooked };
                Put(spec);
                if (!Fails(checks, face))
                {
                    return spec;
                }

                // Hooks where straight bars are too short, at the same spacing.
                if (!hooked && LastFailure!.Value.Check.Decides.What == Decisions.Ends)
                {
                    (hooked, steps) = (true, steps + 1);
                }
            }

            return null;
        }
    }

    private BarSpec? Along()
    {
        if (RibFields.Held(held, "flange") is { } stated)
        {
            foreach (var t in trials)
            {
                t.SetFlange(stated.ResolveWithin(t.Zones(true)[0].Breadth));
            }

            return Fails(along, Face.None) ? null : stated;
        }

        BarLayer? best = null;
        const int most = 40;
        foreach (var size in rules.Steel.Bars)
        {
            for (var n = 1; n <= most; n++)
            {
                var layer = new BarLayer(n, size);
                if (best is { } b && n * size.Area >= b.Area * (1 - 1e-9))
                {
                    break;
                }

                foreach (var t in trials)
                {
                    t.SetFlange(layer);
                }

                if (!Fails(along, Face.None))
                {
                    best = layer;
                    break;
                }
            }
        }

        if (best is { } found)
        {
            foreach (var t in trials)
            {
                t.SetFlange(found);
            }

            return BarSpec.Of(found);
        }

        return null;
    }

    private bool Fails(Check[] checks, Face face)
    {
        foreach (var t in trials)
        {
            t.Looking = face;
            try
            {
                foreach (var check in checks)
                {
                    if (check.Exceeds(t, rules.Sizing.Target))
                    {
                        LastFailure = (check, t);
                        return true;
                    }
                }
            }
            finally
            {
                t.Looking = Face.None;
            }
        }

        return false;
    }
}
