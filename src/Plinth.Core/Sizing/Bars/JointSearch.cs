using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds pedestals with their bars and ties, and dowels: the smallest pedestal, then the least steel, that pass the checks of what stands
/// on a base.
/// </summary>
internal sealed class JointSearch
{
    private const int MostBars = 24;

    // Bars of a pedestal farther apart than this hold neither ties nor concrete.
    private const double MostGap = 0.3;
    // Ties stand at whole steps, 25 mm or 1 in, at least three of them apart.
    private const double MetricTieStep = 0.025;
    private const double UsTieStep = 0.0254;
    private const int LeastTieSteps = 3;

    // Ties of a socket are its main steel: thicker ones are tried too.
    private const int TieSizes = 3;

    private readonly ImmutableArray<Trial> states;
    private readonly Foundation foundation;
    private readonly int column;
    private readonly RuleSet rules;
    private readonly Check[] ofPedestal;
    private readonly Check[] ofShear;
    private readonly Check[] ofDowels;
    private readonly Check[] ofHollow;
    private readonly Check[] ofWalls;
    private readonly Check[] ofBending;
    private readonly Dictionary<(BaseSize Plan, bool Slender), (List<BarSpec> Bars, Dictionary<BarSize, List<BarSpec>> Ties,
        List<BarSpec> Any)> offered = [];

    public JointSearch(ImmutableArray<Trial> states, Foundation foundation, int column)
    {
        this.column = column;
        this.states = states;
        this.foundation = foundation;
        rules = foundation.Rules;
        Check[] Of(Uprights part) => [.. states[0].Checks.Listed.Where(c => (c.Definition.Of & part) != 0 && !foundation.Waives(c.Id))];
        ofPedestal = Of(Uprights.Pedestal);
        ofShear = Of(Uprights.Ties);
        ofDowels = Of(Uprights.Dowels);
        ofHollow = Of(Uprights.Hollow);
        ofWalls = Of(Uprights.Walls);
        ofBending = Of(Uprights.Bending);
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    /// <summary>Whether the foundation has a pedestal.</summary>
    public bool HasPedestal => rules.Pedestal.Carries(states[0].Columns[column].Support);

    /// <summary>Whether dowels are sought or held.</summary>
    public bool HasDowels =>
        rules.Column.Known
            && states.Any(s => s.Columns[column].Support.IsConcrete && !rules.Pedestal.HoldsInSocket(s.Columns[column].Support));

    /// <summary>The pedestal for the size that the states hold; null if none passes.</summary>
    public Pedestal? FindPedestal()
    {
        var stated = rules.Pedestal;
        if (stated.HoldsInSocket(states[0].Columns[column].Support))
        {
            var known = new Dictionary<(BaseSize Plan, double Arms), (int First, (Check Check, Trial State)? Failure)>();
            return Hollows().Select(h => Walled(h, known)).FirstOrDefault(p => p is not null);
        }

        foreach (var (x, y) in Sizes())
        {
            foreach (var bars in Bars(x, y, stated.Round ? Math.PI * x * x / 4 : x * y))
            {
                var tie = stated.Ties ?? new BarSpec(Ties(bars.Size!).First(), 0, 0);
                foreach (var spacing in Spacings(stated, bars.Size!, tie.Size!, Math.Min(x, y)))
                {
                    var pedestal = new Pedestal(x, y, stated.Round, bars, tie with { Spacing = spacing });
                    Set(pedestal);
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
        // Of a column that two rows share the joint is that of one of them.
        if (!states[0].Columns[column].IsHere)
        {
            return BarLayer.None;
        }

        if (!HasDowels)
        {
            return Exceeds(ofDowels) ? null : BarLayer.None;
        }

        var pedestal = states[0].Columns[column].Pedestal;
        var support = states[0].Columns[column].Support;
        var gross = states.Max(s => s.Columns[column].Support.Area);
        IEnumerable<BarLayer> candidates = rules.Column.Dowels is { } held
            ? [new BarLayer(held.Count, held.Size)]
            : Layers(support.SizeX, support.Shape == ColumnShape.Round ? support.SizeX : support.SizeY, rules.Column.Cover,
                double.PositiveInfinity).Where(l => l.Area >= states[0].Code.LeastDowels * gross * (1 - 1e-9)).ToList();
        if (rules.Column is { Dowels: null, Bars: { Size: { } size } bars })
        {
            // A dowel beside every bar of the column, of its size, else larger, else thinner where the base is too thin; others where none
            // of these passes.
            candidates = rules.Steel.Bars.Append(size).Distinct()
                .OrderBy(b => b.Diameter < size.Diameter)
                .ThenBy(b => Math.Abs(b.Diameter - size.Diameter))
                .Select(b => new BarLayer(bars.Count, b))
                .Concat(candidates);
        }

        foreach (var layer in candidates)
        {
            foreach (var s in states)
            {
                s.Stand(column, pedestal, layer);
            }

            if (!Exceeds(ofDowels))
            {
                return layer;
            }
        }

        return null;
    }

    private void Set(Pedestal pedestal)
    {
        foreach (var s in states)
        {
            s.Stand(column, pedestal, BarLayer.None);
        }
    }

    // Sockets that hold the columns with their gaps, least concrete first; bars and ties still open.
    private IEnumerable<Pedestal> Hollows()
    {
        var (stated, sockets) = (rules.Pedestal, rules.Pedestal.Sockets);
        double Up(double v) => Math.Round(Math.Ceiling((v / stated.Step) - 1e-9) * stated.Step, 6);
        var supports = states.Select(s => s.Columns[column].Support).ToList();
        var side = supports.Max(s => Math.Max(s.SizeX, s.SizeY));
        var (clearX, clearY) = (states.Max(s => s.Columns[column].Loaded.Outline.FaceX) + (2 * sockets.Gap),
            states.Max(s => s.Columns[column].Loaded.Outline.FaceY) + (2 * sockets.Gap));
        var least = Up(supports.Max(sockets.LeastDepth));
        double[] depths = sockets.Depth is { } depth
            ? [depth]
            : PlanCandidates.Steps(least, Math.Max(least, sockets.MostDepthRatio * side), stated.Step);
        double[] walls = sockets.Wall is { } wall
            ? [wall]
            : PlanCandidates.Steps(sockets.LeastWall, Math.Max(sockets.LeastWall, sockets.MostWall), stated.Step / 2);
        IEnumerable<(double X, double Y, double Wall)> plans = stated is { SizeX: { } x, SizeY: { } y }
            ? [(x, y, sockets.Wall ?? Math.Min(x - clearX, y - clearY) / 2)]
            : walls.Select(w => (Up(clearX + (2 * w)), Up(clearY + (2 * w)), w));
        return plans.Where(p => p.Wall > 0)
            .SelectMany(
                p => depths.Select(d => new Pedestal(p.X, p.Y, false, BarSpec.None, BarSpec.None) { Socket = new Socket(d, p.Wall) }))
            .OrderBy(p => p.OwnArea * (p.Socket!.Depth + sockets.Bed))
            .ThenBy(p => p.Socket!.Depth);
    }

    // The least bars, then the least ties, with which a socket passes; null if none. Force with moments at the foot knows the depth by its
    // arm alone: the bars that
    // hold walls of a plan are found once.
    private Pedestal? Walled(Pedestal hollow,
        Dictionary<(BaseSize Plan, double Arms), (int First, (Check Check, Trial State)? Failure)> known)
    {
        var (stated, socket) = (rules.Pedestal, hollow.Socket!);
        Set(hollow);
        if (states.Any(s => s.Columns[column].PedestalHeight < socket.Depth + stated.Sockets.Bed - 1e-6) || Exceeds(ofHollow))
        {
            return null;
        }

        // Bending of the walls knows no bars: where no ties hold them the dearer search for bars is left out.
        var (candidates, ties, any) = Offered(hollow);
        if (!any.Any(t =>
        {
            Set(hollow with { Ties = t });
            return !Exceeds(ofBending);
        }))
        {
            return null;
        }

        var key = (new BaseSize(hollow.SizeX, hollow.SizeY, socket.Wall), states.Sum(s => s.Columns[column].Arm));
        if (!known.TryGetValue(key, out var found))
        {
            var first = candidates.FindIndex(bars =>
            {
                if (ties[bars.Size!] is not [var least, ..])
                {
                    return false;
                }

                Set(hollow with { Bars = bars, Ties = least });
                return !Exceeds(ofPedestal);
            });
            found = (first, LastFailure);
            known.Add(key, found);
        }

        if (found.First < 0)
        {
            LastFailure = found.Failure;
            return null;
        }

        // More bars help the walls little: thicker walls do.
        foreach (var tie in ties[candidates[found.First].Size!])
        {
            var pedestal = hollow with { Bars = candidates[found.First], Ties = tie };
            Set(pedestal);
            if (!Exceeds(ofWalls))
            {
                return pedestal;
            }
        }

        return null;
    }

    // The bars that walls may have, the ties that go with each size of them, least first, and all these ties.
    private (List<BarSpec> Bars, Dictionary<BarSize, List<BarSpec>> Ties, List<BarSpec> Any) Offered(Pedestal hollow)
    {
        var (stated, wall) = (rules.Pedestal, hollow.Socket!.Wall);
        var key = (new BaseSize(hollow.SizeX, hollow.SizeY, wall),
            states[0].Columns[column].PedestalHeight > 3 * Math.Min(hollow.SizeX, hollow.SizeY));
        if (!offered.TryGetValue(key, out var known))
        {
            var bars = Bars(hollow.SizeX, hollow.SizeY, hollow.OwnArea).ToList();
            var ties = bars.Select(b => b.Size!).Distinct().ToDictionary(b => b, b => stated.Ties is { } held
                ? [held]
                : Ties(b).Take(TieSizes)
                    .SelectMany(t => Spacings(stated, b, t, wall).Select(s => new BarSpec(t, 0, s)))
                    .OrderBy(t => t.Size!.Area / t.Spacing)
                    .ThenByDescending(t => t.Spacing)
                    .ToList());
            known = (bars, ties, [.. ties.Values.SelectMany(t => t).Distinct()]);
            offered.Add(key, known);
        }

        return known;
    }

    // Sizes that may tie bars: the least allowed, then those of the project.
    private IEnumerable<BarSize> Ties(BarSize bar)
    {
        var least = states[0].Code.LeastTie(bar.Diameter);
        var sizes = rules.Steel.Bars[0].Name[0] == '#' ? BarSize.UsSizes : BarSize.MetricSizes;
        return sizes.Where(b => b.Diameter >= least - 1e-9).Take(1).Concat(rules.Steel.Bars.Where(b => b.Diameter > least + 1e-9))
            .DistinctBy(b => b.Name)
            .OrderBy(b => b.Diameter);
    }

    private IEnumerable<(double X, double Y)> Sizes()
    {
        var stated = rules.Pedestal;
        double Least(Func<ColumnOutline, double> face)
        {
            var side = states.Max(s => face(s.Columns[column].Loaded.Outline)) + (2 * stated.Ledge);
            if (stated.Round)
            {
                side =
                    states.Max(s => Math.Sqrt((s.Columns[column].Loaded.Outline.FaceX * s.Columns[column].Loaded.Outline.FaceX)
                        + (s.Columns[column].Loaded.Outline.FaceY * s.Columns[column].Loaded.Outline.FaceY))) + (2 * stated.Ledge);
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

    private IEnumerable<BarSpec> Bars(double x, double y, double gross)
    {
        if (rules.Pedestal.Bars is { } held)
        {
            return [held];
        }

        var (low, high) = states[0].Code.ColumnSteel(states[0].Columns[column].PedestalHeight > 3 * Math.Min(x, y));
        return Layers(x, y, rules.Pedestal.Cover, MostGap).Where(l => l.Area >= low * gross && l.Area <= high * gross).Select(BarSpec.Of);
    }

    // As many on every face of a square, or of a circle's quarters; least area first; of equal area the thinner bars, which need less
    // length to take up their force.
    private IEnumerable<BarLayer> Layers(double x, double y, double cover, double mostGap)
    {
        var inner = (x - (2 * cover), y - (2 * cover));
        var step = Math.Abs(x - y) < 1e-9 ? 4 : 2;
        return rules.Steel.Bars
            .SelectMany(b => Enumerable.Range(4 / step, (MostBars - 4) / step + 1).Select(n => new BarLayer(step * n, b)))
            .Where(l => Gap(l.Count, inner) is var gap && gap <= mostGap
                && gap >= l.Diameter + states[0].Code.LeastClear(1.5 * l.Diameter, rules.Concrete.Aggregate))
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
        var step = tie.IsUs ? UsTieStep : MetricTieStep;
        for (var s = Math.Floor((most / step) + 1e-9) * step; s >= (LeastTieSteps * step) - 1e-9; s -= step)
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
                // Other columns of the base may still be without what they need.
                if (check.ExceedsAt(s.Columns[column], foundation.Rules.Sizing.Target))
                {
                    LastFailure = (check, s);
                    return true;
                }
            }
        }

        return false;
    }
}
