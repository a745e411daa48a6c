using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>Finds pedestals with their bars and ties, and dowels: the smallest pedestal, then the least steel, that pass the checks of what stands on a base.</summary>
internal sealed class JointSearch
{
    private const int MostBars = 24;

    // Bars of a pedestal farther apart than this hold neither ties nor concrete.
    private const double MostGap = 0.3;
    private const double LeastTieSpacing = 0.075;
    private const double TieStep = 0.025;

    private readonly ImmutableArray<BaseState> states;
    private readonly Foundation foundation;
    private readonly RuleSet rules;
    private readonly Check[] ofPedestal;
    private readonly Check[] ofShear;
    private readonly Check[] ofDowels;

    public JointSearch(ImmutableArray<BaseState> states, Foundation foundation)
    {
        this.states = states;
        this.foundation = foundation;
        rules = foundation.Rules;
        Check[] Of(params string[] ids) => [.. CheckCatalog.Listed.Where(c => ids.Contains(c.Id) && !foundation.Waives(c.Id))];
        ofPedestal = Of("column-bearing", "pedestal");
        ofShear = Of("pedestal-shear");
        ofDowels = Of("interface", "interface-shear", "column-bearing");
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, BaseState State)? LastFailure { get; private set; }

    /// <summary>Whether the foundation has a pedestal.</summary>
    public bool HasPedestal => rules.Pedestal.Carries(states[0].Place.Place.Support);

    /// <summary>Whether dowels are sought or held.</summary>
    public bool HasDowels => rules.Column.Known && states.Any(s => s.Place.Place.Support.Shape is ColumnShape.Rectangular or ColumnShape.Round);

    /// <summary>The pedestal for the size that the states hold; null if none passes.</summary>
    public Pedestal? FindPedestal()
    {
        var stated = rules.Pedestal;
        var size = states[0].Size;
        foreach (var (x, y) in Sizes())
        {
            foreach (var (bars, _) in Bars(x, y, stated))
            {
                var tie = stated.Ties ?? new BarSpec(Tie(bars.Size!), 0, 0);
                foreach (var spacing in Spacings(stated, bars.Size!, tie.Size!, Math.Min(x, y)))
                {
                    var pedestal = new Pedestal(x, y, stated.Round, bars, tie with { Spacing = spacing });
                    foreach (var s in states)
                    {
                        s.Set(pedestal, BarLayer.None);
                        s.Set(size);
                    }

                    if (Exceeds(ofPedestal))
                    {
                        break;
                    }

                    if (!Exceeds(ofShear))
                    {
                        return pedestal;
                    }
                }
            }
        }

        return null;
    }

    /// <summary>The dowels for what the states hold; null if none pass.</summary>
    public BarLayer? FindDowels()
    {
        if (!HasDowels)
        {
            return Exceeds(ofDowels) ? null : BarLayer.None;
        }

        var pedestal = states[0].Pedestal;
        var support = states[0].Place.Place.Support;
        var gross = states.Max(s => s.Place.Place.Support.Area);
        var candidates = rules.Column.Dowels is { } held
            ? [new BarLayer(held.Count, held.Size)]
            : Layers(support.SizeX, support.Shape == ColumnShape.Round ? support.SizeX : support.SizeY, rules.Column.Cover, double.PositiveInfinity).Where(l => l.Area >= states[0].Code.LeastDowels * gross * (1 - 1e-9)).ToList();
        foreach (var layer in candidates)
        {
            foreach (var s in states)
            {
                s.Set(pedestal, layer);
            }

            if (!Exceeds(ofDowels))
            {
                return layer;
            }
        }

        return null;
    }

    private BarSize Tie(BarSize bar)
    {
        var least = states[0].Code.LeastTie(bar.Diameter);
        var sizes = rules.Steel.Bars[0].Name[0] == '#' ? BarSize.UsSizes : BarSize.MetricSizes;
        return sizes.First(b => b.Diameter >= least - 1e-9);
    }

    private IEnumerable<(double X, double Y)> Sizes()
    {
        var stated = rules.Pedestal;
        double Least(Func<ColumnOutline, double> face)
        {
            var side = states.Max(s => face(s.Place.Outline)) + (2 * stated.Ledge);
            if (stated.Round)
            {
                side = states.Max(s => Math.Sqrt((s.Place.Outline.FaceX * s.Place.Outline.FaceX) + (s.Place.Outline.FaceY * s.Place.Outline.FaceY))) + (2 * stated.Ledge);
            }

            return Math.Round(Math.Ceiling((side / stated.Step) - 1e-9) * stated.Step, 6);
        }

        var (x, y) = (stated.SizeX ?? Least(o => o.FaceX), stated.SizeY ?? (stated.Round ? stated.SizeX : null) ?? Least(o => o.FaceY));
        if (stated.SizeX is not null)
        {
            yield return (x, y);
            yield break;
        }

        for (var grow = 0.0; Math.Max(x, y) + grow <= stated.MostSize + 1e-9; grow += stated.Step)
        {
            yield return (Math.Round(x + grow, 6), Math.Round(y + grow, 6));
        }
    }

    private IEnumerable<(BarSpec Bars, double Mass)> Bars(double x, double y, PedestalRules stated)
    {
        if (stated.Bars is { } held)
        {
            return [(held, 0)];
        }

        var (low, high) = states[0].Code.ColumnSteel(states[0].PedestalHeight > 3 * Math.Min(x, y));
        var gross = stated.Round ? Math.PI * x * x / 4 : x * y;
        return Layers(x, y, rules.Pedestal.Cover, MostGap).Where(l => l.Area >= low * gross && l.Area <= high * gross).Select(l => (BarSpec.Of(l), l.Area));
    }

    // Least area first; of equal area the thinner bars, which need less length to take up their force.
    private IEnumerable<BarLayer> Layers(double x, double y, double cover, double mostGap)
    {
        var inner = (x - (2 * cover), y - (2 * cover));
        return rules.Steel.Bars
            .SelectMany(b => Enumerable.Range(2, (MostBars / 2) - 1).Select(n => new BarLayer(2 * n, b)))
            .Where(l => Gap(l.Count, inner) is var gap && gap <= mostGap && gap >= l.Diameter + states[0].Code.LeastClear(1.5 * l.Diameter, rules.Concrete.Aggregate))
            .OrderBy(l => l.Area).ThenBy(l => l.Diameter);
    }

    private static double Gap(int count, (double X, double Y) inner)
    {
        var (nx, ny) = ColumnSection.Sides(count, inner.X, inner.Y);
        return Math.Max(inner.X / (nx - 1), inner.Y / (ny - 1));
    }

    private IEnumerable<double> Spacings(PedestalRules stated, BarSize bar, BarSize tie, double least)
    {
        if (stated.Ties is { Spacing: > 0 } held)
        {
            yield return held.Spacing;
            yield break;
        }

        var most = states[0].Code.TieSpacing(bar.Diameter, tie.Diameter, least);
        for (var s = Math.Floor((most / TieStep) + 1e-9) * TieStep; s >= LeastTieSpacing - 1e-9; s -= TieStep)
        {
            yield return Math.Round(s, 6);
        }
    }

    private bool Exceeds(Check[] checks)
    {
        foreach (var s in states)
        {
            foreach (var check in checks)
            {
                if (check.Exceeds(s, foundation.Rules.Sizing.Target))
                {
                    LastFailure = (check, s);
                    return true;
                }
            }
        }

        return false;
    }
}
