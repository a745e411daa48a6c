using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Lets the stirrups of a rib stand farther apart away from its columns: of every wider spacing the shortest zones about the columns on
/// whole steps, of all these the fewest stirrups. What is taken passes every check.
/// </summary>
internal sealed class StirrupSearch
{
    // What leaves a whole step, m.
    private const double Close = 1e-9;

    private const double MetricSpacing = 0.025;
    private const double InchSpacing = 0.0254;

    private readonly Checker checker;
    private readonly ImmutableArray<Trial> trials;
    private readonly Foundation foundation;
    private readonly double target;
    private readonly double step;
    private readonly double spacingStep;
    private readonly Check[] sheared;
    private readonly Check[] all;
    private (double Low, double High)[] room = [];

    /// <summary>Prepares the search.</summary>
    public StirrupSearch(Checker checker, Foundation foundation)
    {
        (this.checker, trials, this.foundation) = (checker, checker.Trials, foundation);
        target = foundation.Rules.Sizing.Target;
        step = Reaches.Step(foundation.Rules.Steel);
        spacingStep = foundation.Rules.Steel.Bars[0].IsUs ? InchSpacing : MetricSpacing;
        all = [.. trials[0].Checks.Listed.Where(c => c.For.HasFlag(Family.Concrete) && !foundation.Waives(c.Id))];
        sheared = [.. all.Where(c => c.Id is "shear-stirrups" or "stirrup-spacing" or "curtailment-x")];
    }

    /// <summary>The design with the fewest stirrups; that in hand where it saves too little.</summary>
    /// <param name="design">A design that passes, its stirrups alike all along.</param>
    public RibDesign Find(RibDesign design)
    {
        if (RibFields.Held(foundation.Held, "stirrups") is not null)
        {
            return design;
        }

        checker.Set(design);
        room = Room();
        var (alike, most) = (Count(design), Math.Min(design.Rib.Depth, trials[0].Code.MostStirrupSpacing));
        var (best, fewest) = (design, (int)Math.Floor(((1 - foundation.Rules.Steel.ZoneStirrups) * alike) + 1e-9));
        for (var n = 1; design.Rib.Stirrups.Spacing + (n * spacingStep) <= most + 1e-9; n++)
        {
            // Where the beam between the columns needs them closer, none wider do.
            if (Zoned(design, Math.Round(design.Rib.Stirrups.Spacing + (n * spacingStep), 6)) is not { } made)
            {
                break;
            }

            if (Count(made) is var own && (own < fewest || (own == fewest && ReferenceEquals(best, design))) && Passes(made, all))
            {
                (best, fewest) = (made, own);
            }
        }

        checker.Set(best);
        return best;
    }

    // As far apart elsewhere, with the shortest zones as close as now; null where none are long enough.
    private RibDesign? Zoned(RibDesign design, double spacing)
    {
        var own = design with { Rib = design.Rib with { Stirrups = design.Rib.Stirrups with { Spacing = spacing } } };
        for (var i = 0; i < room.Length; i++)
        {
            own = own with { Closer = own.Closer.With(i, Zone(design, i, int.MaxValue)) };
        }

        if (!Passes(own, sheared))
        {
            return null;
        }

        for (var i = 0; i < room.Length; i++)
        {
            // Each zone is asked by what lies beyond its own ends.
            var (fails, passes) = (-1, (int)Math.Ceiling(Math.Max(room[i].Low, room[i].High) / step));
            while (passes - fails > 1)
            {
                var middle = (fails + passes) / 2;
                (fails, passes) = Passes(With(middle), sheared) ? (fails, middle) : (middle, passes);
            }

            own = With(passes);

            RibDesign With(int steps) => own with { Closer = own.Closer.With(i, Zone(design, i, steps)) };
        }

        return own;
    }

    // On both sides alike as far as there is room; none of no steps.
    private StirrupZone Zone(RibDesign design, int column, int steps)
    {
        double Of(double there) => steps * step is var reach && reach > there - step + Close ? there : Math.Round(reach, 6);
        return steps == 0 ? StirrupZone.None
            : new(design.Rib.Stirrups, Of(room[column].Low), Of(room[column].High));
    }

    // To the middle between columns, on whole steps, and to the ends of the base.
    private (double Low, double High)[] Room()
    {
        var rib = ((RibTrial)trials[0]).Rib;
        var columns = trials[0].Columns;
        var found = new (double Low, double High)[columns.Length];
        for (var i = 0; i < found.Length; i++)
        {
            var (low, high) = (columns[i].X - rib.Low, rib.High - columns[i].X);
            foreach (var c in columns)
            {
                var half = Math.Floor((Math.Abs(c.X - columns[i].X) / 2 / step) + 1e-6) * step;
                low = c.X < columns[i].X ? Math.Min(low, half) : low;
                high = c.X > columns[i].X ? Math.Min(high, half) : high;
            }

            found[i] = (low, high);
        }

        return found;
    }

    private int Count(RibDesign d) => BeamBarList.Stirrups(-d.Size.Length / 2, d.Size.Length / 2,
        foundation.Rules.Concrete.CoverSide + d.Rib.Stirrups.Size!.Diameter, d.Rib.Stirrups.Spacing, d.Stretches(foundation)).Count;

    private bool Passes(RibDesign design, Check[] checks)
    {
        if (foundation.Kind.FaultOfPlan(foundation, design, UnitSystem.Metric) is not null)
        {
            return false;
        }

        checker.Set(design);
        return !Array.Exists(checks, c => trials.Any(t => c.Exceeds(t, target)));
    }
}
