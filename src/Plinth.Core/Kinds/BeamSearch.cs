using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>
/// Finds the steel of a beam of given sizes that carries a foundation along x: stirrups at whole spacings, bars of each face, bars along
/// its sides. It only asks the checks.
/// </summary>
internal sealed class BeamSearch
{
    private const double FewerWithin = 0.05;
    private const int MostRounds = 40;

    // Bars along the sides and stirrups are no thicker than this.
    private const double ThickestTie = 0.0165;
    private const double MetricStep = 0.025;
    private const double InchStep = 0.0254;
    private const int LeastSteps = 3;
    private const double Deeper = 1.05;
    private const int Tenth = 10;

    private readonly ImmutableArray<Trial> trials;
    private readonly RuleSet rules;
    private readonly Func<string, BarSpec?> held;
    private readonly IReadOnlyList<BarSize>? ownSizes;
    private readonly Check[] shear;
    private readonly Check[] stirrups;
    private readonly Check[] ofTop;
    private readonly Check[] ofBottom;
    private readonly Check[] topFlexure;
    private readonly Check[] bottomFlexure;
    private readonly Check[] steel;

    /// <summary>Prepares the search.</summary>
    /// <param name="trials">A trial a place, each an <see cref="IBeamTrial"/>.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="held">What is held of the beam, by "top", "bottom", "stirrups", "sides"; null: open.</param>
    /// <param name="sizes">Sizes of bars allowed in it; null: those of [steel].</param>
    public BeamSearch(ImmutableArray<Trial> trials, Foundation foundation, Func<string, BarSpec?> held, IReadOnlyList<BarSize>? sizes)
    {
        (this.trials, rules, this.held, ownSizes) = (trials, foundation.Rules, held, sizes);
        Check[] Of(params string[] ids) => [.. trials[0].Checks.Listed.Where(c => ids.Contains(c.Id) && !foundation.Waives(c.Id))];
        (shear, stirrups) = (Of("shear-stirrups"), Of("shear-stirrups", "stirrup-spacing"));
        (ofTop, ofBottom) = (Of("flexure-top-x", "beam-steel", "anchorage-x"), Of("flexure-bottom-x", "beam-steel", "anchorage-x"));
        (topFlexure, bottomFlexure, steel) = (Of("flexure-top-x"), Of("flexure-bottom-x"), Of("beam-steel"));
    }

    /// <summary>Whether the beam sought last was too small for its bars, as most smaller ones are then.</summary>
    public bool WasTooSmall { get; private set; }

    /// <summary>Whether the legs of its stirrups stood too far apart: so they do in a wider or shallower beam.</summary>
    public bool WasTooWide { get; private set; }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>Finds the steel for the sizes that the trials hold; null where none that is allowed passes.</summary>
    /// <param name="beam">The beam with its sizes.</param>
    public BeamDesign? Find(BeamDesign beam)
    {
        LastFailure = null;
        (BeamDesign Beam, double Mass)? best = null;
        BeamDesign? barred = null;
        var most = Most(beam);
        WasTooSmall = IsWeak(most, true) || IsWeak(most, false) || Fails(shear, Checks.Face.None, most);
        WasTooWide = !WasTooSmall && Held("stirrups") is null && Fails(stirrups, Checks.Face.None, most);
        if (WasTooSmall || WasTooWide)
        {
            return null;
        }

        foreach (var tie in Ties())
        {
            // Bars found with one size of stirrup mostly suffice with the next.
            var own = barred is { } known && known with { Stirrups = known.Stirrups with { Size = tie } } is var other
                && !Fails(ofTop, Checks.Face.Top, other) && !Fails(ofBottom, Checks.Face.Bottom, other) ? other : Barred(beam, tie);
            barred ??= own;
            if (own is null)
            {
                // Thicker stirrups leave less room and depth.
                WasTooSmall = best is null;
                break;
            }

            if (Tied(own, tie) is { } tied && Thinned(tied) is var found && Mass(found) is var mass
                && mass < (best?.Mass ?? double.PositiveInfinity) - 1e-9)
            {
                best = (found, mass);
            }
        }

        if (best is { } chosen)
        {
            Put(chosen.Beam);
        }

        return best?.Beam;
    }

    // A beam with the most bars of the thickest size that fit, and the closest stirrups.
    private BeamDesign Most(BeamDesign beam)
    {
        var (thin, thick) = (Ties().First(), Ties().Last());
        BarSpec Bars(bool top)
        {
            if (Held(top ? "top" : "bottom") is { } held)
            {
                return held;
            }

            var size = Sizes(top).MaxBy(b => b.Diameter)!;
            var room = beam.Width - (2 * (rules.Concrete.CoverSide + thin.Diameter)) - size.Diameter;
            var pitch = trials[0].Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter;
            return new BarSpec(size, Math.Max(2, (int)Math.Floor((room / pitch) + 1e-9) + 1), 0);
        }

        return beam with
        {
            Top = Bars(true),
            Bottom = Bars(false),
            Stirrups = Held("stirrups") ?? new BarSpec(thick, 0, Step(thick) * LeastSteps)
        };
    }

    // Too much steel for the depth is no strength: fewer bars are then the most. Thinner ones lie a little deeper.
    private bool IsWeak(BeamDesign beam, bool top)
    {
        var (checks, face) = top ? (topFlexure, Checks.Face.Top) : (bottomFlexure, Checks.Face.Bottom);
        while (First(checks, face, beam) is { } lacking)
        {
            var bars = top ? beam.Top : beam.Bottom;
            if (!lacking.Outcome.FailsAnyhow)
            {
                return lacking.Outcome.Utilisation > rules.Sizing.Target * Deeper;
            }

            if (Held(top ? "top" : "bottom") is not null || bars.Count <= 2)
            {
                return false;
            }

            bars = bars with { Count = Math.Max(2, bars.Count - 1 - (bars.Count / Tenth)) };
            beam = top ? beam with { Top = bars } : beam with { Bottom = bars };
        }

        return false;
    }

    private BeamDesign? Barred(BeamDesign beam, BarSize tie)
    {
        var thin = Sizes(true)[0];
        beam = beam with
        {
            Stirrups = Held("stirrups") ?? new BarSpec(tie, 0, Step(tie) * LeastSteps),
            Top = Held("top") ?? new BarSpec(thin, 2, 0),
            Bottom = Held("bottom") ?? new BarSpec(thin, 2, 0),
            Sides = Held("sides") ?? BarSpec.None,
        };
        return Sided(beam) is { } sided && Face(sided, true) is { } topped ? Face(topped, false) : null;
    }

    private BeamDesign? Tied(BeamDesign barred, BarSize tie) =>
        Held("stirrups") is null ? Spaced(barred, tie) : Fails(stirrups, Checks.Face.None, barred) ? null : barred;

    // The widest whole spacing that passes.
    private BeamDesign? Spaced(BeamDesign beam, BarSize tie)
    {
        var step = Step(tie);
        if (Fails(shear, Checks.Face.None, beam))
        {
            return null;
        }

        var (low, high) = (LeastSteps, (int)Math.Floor((Math.Min(beam.Depth, trials[0].Code.MostStirrupSpacing) / step) + 1e-9));
        if (Fails(stirrups, Checks.Face.None, At(low)))
        {
            return null;
        }

        while (high - low > 1)
        {
            var mid = (low + high) / 2;
            (low, high) = Fails(stirrups, Checks.Face.None, At(mid)) ? (low, mid) : (mid, high);
        }

        return Fails(stirrups, Checks.Face.None, At(low)) ? null : At(low);

        BeamDesign At(int steps) => beam with { Stirrups = new BarSpec(tie, 0, Math.Round(steps * step, 6)) };
    }

    // Bars along the sides were counted between the covers, before the bars of both faces were known, between which they stand.
    private BeamDesign Thinned(BeamDesign beam)
    {
        while (Held("sides") is null && beam.Sides.Count > 1
            && beam with { Sides = beam.Sides with { Count = beam.Sides.Count - 1 } } is var fewer
            && !Fails(steel, Checks.Face.None, fewer))
        {
            beam = fewer;
        }

        return beam;
    }

    // Bars along the sides where the beam is so deep that it needs them: no fewer than stand.
    private BeamDesign? Sided(BeamDesign beam)
    {
        if (Held("sides") is not null || beam.Depth <= trials[0].Code.SideBarsFrom)
        {
            return beam;
        }

        var size = Sizes(false).Where(b => b.Diameter <= ThickestTie).DefaultIfEmpty(Sizes(false)[0]).Last();
        var between = beam.Depth - rules.Concrete.CoverBottom - rules.Concrete.CoverTop;
        var most = trials[0].Code.CrackSpacing(rules.Steel.Yield, rules.Concrete.CoverSide + (beam.Stirrups.Size?.Diameter ?? 0));
        return beam with { Sides = new BarSpec(size, Math.Max(1, (int)Math.Ceiling((between / most) - 1e-9) - 1), 0) };
    }

    // The bars of a face: of those that weigh at most 5 % more than the lightest the fewest.
    private BeamDesign? Face(BeamDesign beam, bool top)
    {
        var (face, checks) = top ? (Checks.Face.Top, ofTop) : (Checks.Face.Bottom, ofBottom);
        if (Held(top ? "top" : "bottom") is not null)
        {
            return Fails(checks, face, beam) ? null : beam;
        }

        var found = new List<(BeamDesign Beam, double Mass, int Count)>();
        var least = double.PositiveInfinity;
        foreach (var size in Sizes(top))
        {
            if (Least(beam, top, size, checks, face, least * (1 + FewerWithin)) is { } own)
            {
                var bars = top ? own.Top : own.Bottom;
                var mass = bars.Count * size.MassPerMetre;
                found.Add((own, mass, bars.Count));
                least = Math.Min(least, mass);
            }
        }

        return found.Count == 0 ? null : found.Where(f => f.Mass <= least * (1 + FewerWithin)).MinBy(f => (f.Count, f.Mass)).Beam;
    }

    private BeamDesign? Least(BeamDesign beam, bool top, BarSize size, Check[] checks, Face face, double heaviest)
    {
        var bars = new BarSpec(size, 2, 0);
        for (var round = 0; round < MostRounds && bars.Count * size.MassPerMetre <= heaviest; round++)
        {
            var own = top ? beam with { Top = bars } : beam with { Bottom = bars };
            if (First(checks, face, own) is not { } lacking)
            {
                return own;
            }

            if (lacking.Check.Decides.What == Decisions.Ends && !bars.Hooked)
            {
                bars = bars with { Hooked = true };
                continue;
            }

            // Bars that stand too near each other do not grow in number.
            var room = ((IBeamTrial)trials[0]).Beam.Spacing(!top) - size.Diameter;
            if (lacking.Outcome.FailsAnyhow || room < trials[0].Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) - 1e-9)
            {
                return null;
            }

            var over = lacking.Check.Id.StartsWith("flexure", StringComparison.Ordinal)
                ? lacking.Outcome.Utilisation / rules.Sizing.Target : 1;
            bars = bars with
            {
                Count = (int)Math.Min(1000,
                Math.Max(bars.Count + 1, Math.Ceiling((bars.Count * Math.Min(over, 99)) - 1e-6)))
            };
        }

        return null;
    }

    private double Mass(BeamDesign beam)
    {
        double Of(BarSpec bars) => bars.Size is { } size ? bars.Count * size.MassPerMetre : 0;
        var tie = beam.Stirrups is { Size: { } t, Spacing: > 0 and var s } ? t.MassPerMetre * 2 * (beam.Width + beam.Depth) / s : 0;
        return Of(beam.Top) + Of(beam.Bottom) + (2 * Of(beam.Sides)) + tie;
    }

    private double Step(BarSize bar) => bar.IsUs ? InchStep : MetricStep;

    /// <summary>Sizes of stirrups that are tried, the thinnest first.</summary>
    public IEnumerable<BarSize> Ties()
    {
        if (Held("stirrups") is { Size: { } held })
        {
            return [held];
        }

        var own = rules.Steel.Bars[0].IsUs ? BarSize.UsSizes : BarSize.MetricSizes;
        var least = trials[0].Code.LeastTie(rules.Steel.Bars.Max(b => b.Diameter));
        return own.Where(b => b.Diameter >= least - 1e-9 && b.Diameter <= ThickestTie
            && (b.Diameter < least + 1e-9 || rules.Steel.Bars.Contains(b)));
    }

    private IReadOnlyList<BarSize> Sizes(bool top)
    {
        return ownSizes ?? (top && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars);
    }

    private BarSpec? Held(string key) => held(key);

    private void Put(BeamDesign beam)
    {
        foreach (var t in trials)
        {
            ((IBeamTrial)t).SetBeam(beam);
        }
    }

    private bool Fails(Check[] checks, Face face, BeamDesign beam) => First(checks, face, beam) is not null;

    private (Check Check, Outcome Outcome)? First(Check[] checks, Face face, BeamDesign beam)
    {
        Put(beam);
        foreach (var t in trials)
        {
            t.Looking = face;
            try
            {
                foreach (var check in checks)
                {
                    if (check.OverAt(((IBeamTrial)t).Beam, rules.Sizing.Target) is { } over)
                    {
                        LastFailure = (check, t);
                        return (check, over);
                    }
                }
            }
            finally
            {
                t.Looking = Checks.Face.None;
            }
        }

        return null;
    }
}
