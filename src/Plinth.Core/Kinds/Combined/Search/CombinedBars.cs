using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Finds the steel of a base under several columns of given sizes: layer by layer for each size of bar the least counts that pass every
/// check that the layer decides;
/// of those that weigh at most 5 % more than the lightest the one with the fewest bars. What a check finds says by how much a zone lacks;
/// it has no formulas of its own.
/// </summary>
internal sealed partial class CombinedBars
{
    /// <summary>Bars may weigh so much more than the lightest that pass, as a share, where they are fewer.</summary>
    private const double FewerWithin = 0.05;

    private const int MostRounds = 60;
    private const int MostAgain = 3;

    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly RuleSet rules;
    private readonly HeldValues held;
    private readonly Check[] depth;
    private readonly Check[] bare;
    private readonly Check[] sections;
    private readonly Check[] parts;
    private readonly Dictionary<(bool AlongX, Face Face), Check[]> deciding = [];
    private readonly Dictionary<Face, Check[]> ofFace = [];
    private readonly int bands;
    private readonly string[] labels;
    private BarLayer along;
    private BarLayer alongTop;
    private BarLayer acrossTop;
    private BarLayer rest;
    private readonly BarLayer[] inBand;
    private BarBudget budget = BarBudget.Any;
    private List<SoughtZone> sought = [];
    private bool failsOnTop;

    /// <summary>Prepares the search.</summary>
    public CombinedBars(ImmutableArray<CombinedTrial> trials, Foundation foundation)
    {
        this.trials = trials;
        (rules, held) = (foundation.Rules, foundation.Held);
        sections = [.. trials[0].Checks.Listed.Where(c => c.Decides.IsOfSection && !foundation.Waives(c.Id))];
        depth = [.. sections.Where(c => c.Decides.What == Decisions.Depth)];
        bare = [.. depth.Where(c => c.Definition.GainsByDepth)];
        parts = [.. trials[0].Checks.Parts.Where(c => !foundation.Waives(c.Id))];
        foreach (var alongX in (ReadOnlySpan<bool>)[true, false])
        {
            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                deciding[(alongX, face)] = [.. sections.Concat(parts).Where(c => c.Decides.IsOfBars(alongX, face))];
            }
        }

        foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
        {
            ofFace[face] = [.. deciding[(true, face)].Union(deciding[(false, face)])];
        }

        bands = trials[0].Bands.Length;
        inBand = new BarLayer[bands];
        labels = [.. Enumerable.Range(0, bands).Select(g => trials[0].Bands[g].First.Support.Label)];
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>Forgets what the base before lacked.</summary>
    public void Forget() => failsOnTop = false;

    /// <summary>Puts the thinnest bars into the trials, which leave the greatest depth; nothing was found of them yet.</summary>
    public void Thin()
    {
        (LastFailure, IsDearer) = (null, false);
        Thinnest();
    }

    /// <summary>
    /// The combinations asked for are enough to tell whether the base is too thin with any bars; the trials must hold the thinnest.
    /// </summary>
    public bool IsTooThin()
    {
        Look(Face.Bottom);
        var fails = Array.Exists(bare, c => trials.Any(t => c.ExceedsAtHint(t, rules.Sizing.Target)));
        Look(Face.None);
        return fails;
    }

    /// <summary>Whether the last search was given up because its bars would weigh more than its budget.</summary>
    public bool IsDearer { get; private set; }

    /// <summary>Finds the bars for the sizes that the trials hold, and leaves them there.</summary>
    /// <param name="sized">The design without its bars.</param>
    /// <param name="weighs">What they may weigh.</param>
    /// <returns>Null if no bars allowed pass, or if they weigh too much.</returns>
    public CombinedDesign? Find(CombinedDesign sized, in BarBudget weighs)
    {
        (LastFailure, IsDearer, budget) = (null, false, weighs);
        Thinnest();

        // Bases like one that found no bars on top mostly find none either: that is soon told, and those below are not sought in vain.
        if (failsOnTop && !OnTop())
        {
            Look(Face.None);
            return null;
        }

        if (failsOnTop)
        {
            (failsOnTop, budget) = (false, weighs);
            Thinnest();
        }

        Look(Face.Bottom);
        if (!OfFace(Face.Bottom) || (Fails(depth) && !Grow()))
        {
            Look(Face.None);
            return null;
        }

        failsOnTop = !OnTop();
        Look(Face.None);
        if (failsOnTop)
        {
            return null;
        }

        var design = Design(sized);
        foreach (var t in trials)
        {
            // As written: bars at whole spacings may be more than were counted.
            t.Set(design);
        }

        return Fails(sections) || Fails(parts) ? null : design;
    }

    // The bars on top, where there must be any.
    private bool OnTop()
    {
        Look(Face.Top);
        var stated = held.TopX is not null || held.TopY is not null;
        var wanted = rules.Steel.TopSteel;
        return !(stated || wanted == TopSteel.Least || (wanted != TopSteel.None && Fails(sections))) || OfFace(Face.Top);
    }

    /// <summary>A design with the bars found last.</summary>
    private CombinedDesign Design(CombinedDesign sized)
    {
        var at = sized.At;
        for (var i = 0; i < at.Length; i++)
        {
            var g = trials[0].BandOf(i);
            at = at.SetItem(i,
                at[i] with
                {
                    Band = trials[0].Bands[g].First.Index == i
                    ? Spec(inBand[g], CombinedFields.HeldBand(held, labels[g]))
                    : BarSpec.None
                });
        }

        return sized with
        {
            BottomX = Spec(along, held.BottomX),
            TopX = Spec(alongTop, held.TopX),
            TopY = Spec(acrossTop, held.TopY),
            Rest = Spec(rest, CombinedFields.HeldRest(held)),
            At = at
        };
    }

    private static BarSpec Spec(in BarLayer layer, BarSpec? held) => held ?? BarSpec.Of(layer);

    // Each size once in a layer, the outer layer first: its depth does not know the inner one's bars.
    private bool OfFace(Face face)
    {
        var outerIsX = trials[0].OuterIsX;
        for (var again = 0; again < MostAgain; again++)
        {
            if (!Direction(outerIsX, face) || IsOver(outerIsX, face))
            {
                return false;
            }

            var outer = sought;
            if (!Direction(!outerIsX, face) || IsOver(!outerIsX, face))
            {
                return false;
            }

            // What both layers answer together may ask less of the outer one now.
            Trim(outer, ofFace[face]);

            // Thicker inner bars leave less depth at the columns than the outer ones were found for.
            if (!Fails(ofFace[face]))
            {
                return true;
            }
        }

        return false;
    }

    // Whether bars found, with those that are not yet, weigh more than they may.
    private bool IsOver(bool alongX, Face face)
    {
        if (double.IsInfinity(budget.Most))
        {
            return false;
        }

        // Across a trapezoid they may lie where it is narrowest.
        var body = trials[0].Body;
        var least = alongX || body.IsRectangle ? 1 : Math.Min(body.LowWidth, body.HighWidth) / body.Width;
        var found = least * Zones(alongX, face).Sum(z => z.Mass);
        budget = face == Face.Top ? budget with { Top = Math.Max(found, budget.Top) }
            : alongX ? budget with { Along = found } : budget with { Across = Math.Max(found, budget.Across) };
        return IsDearer = budget.Along + budget.Across + budget.Top >= budget.Most;
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
}
