using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <content>The plans that may be chosen: layouts, turns, outlines, pitches, lengths of piles.</content>
internal sealed partial class CapSizer
{
    // The layouts that may be chosen, fewest piles first: single rows only where something takes the moments across them.
    private IEnumerable<IGrouping<int, PileLayout>> Layouts()
    {
        if (own is not null)
        {
            return [.. new[] { own }.GroupBy(l => l.Count)];
        }

        var names = CapFields.HeldLayout(Foundation.Held) is { } held ? [held] : Piles.Layouts;
        return names.Select(PileLayout.Find).OfType<PileLayout>()
            .DistinctBy(l => l.Name)
            .Where(l => Piles.Count is not { } n || l.Count == n)
            .Where(l => CapFields.HeldLayout(Foundation.Held) is not null || Stands(l))
            .OrderBy(l => l.Count)
            .GroupBy(l => l.Count);
    }

    private bool Stands(PileLayout layout) =>
        Piles.FixedHead || (layout.Count == 1 ? Piles.TieBeams == TieBeams.Both : !layout.IsRow || Piles.TieBeams != TieBeams.None);

    // A layout that is the same when it is turned is tried one way.
    private IEnumerable<int> Turns(PileLayout layout)
    {
        if (layout.IsOwn || CapFields.HeldTurns(Foundation.Held) is not null)
        {
            return [layout.IsOwn ? 0 : CapFields.HeldTurns(Foundation.Held)!.Value];
        }

        var turned = layout.At(1, 1);
        var same = layout.Unit.Zip(turned).All(p => Math.Abs(p.First.X - p.Second.X) + Math.Abs(p.First.Y - p.Second.Y) < 1e-9);
        return same ? [0] : [0, 1];
    }

    // Whether a cap of a layout is to be a hexagon; sides that are held are those of a rectangle.
    private IEnumerable<bool> Outlines(PileLayout layout)
    {
        var (held, edge) = (Foundation.Held, CapFields.HeldToEdge(Foundation.Held) is not null);
        return layout.Name != CapPlan.OfThree || Piles.Outline == CapOutline.Rectangle || ((held.Length ?? held.Width) is not null && !edge)
                ? [false]
            : edge || Piles.Outline == CapOutline.Hexagon ? [true]
            : [true, false];
    }

    private double[] Pitches(PileLayout layout)
    {
        if (layout.IsOwn)
        {
            return [1];
        }

        if (CapFields.HeldPitch(Foundation.Held) is { } held)
        {
            return [held];
        }

        var least = Piles.Pitch * Piles.Side;
        var found = PlanCandidates.Steps(least, least * Widest, Foundation.Rules.Sizing.PlanStep);
        return found.Length > 0
            ? found
            : [Math.Round(Math.Ceiling((least / Foundation.Rules.Sizing.PlanStep) - 1e-9) * Foundation.Rules.Sizing.PlanStep, 6)];
    }

    /// <summary>A cap of a layout without thickness and bars.</summary>
    private CapDesign Plan(PileLayout layout, int turns, double pitch, bool hexagon)
    {
        var (rules, held) = (Foundation.Rules, Foundation.Held);
        var blank = (CapDesign)Foundation.Kind.Blank([.. Foundation.Places[0].Supports.Select(s => s.Label)]);
        var (length, width) = CapPlan.Sides(layout.At(pitch, turns).AsSpan(), Piles.ToEdge, rules.Sizing.PlanStep);
        var plan = blank with
        {
            Layout = layout.Name,
            Turns = turns,
            Pitch = pitch,
            Offset = offset,
            Size = new BaseSize(held.Length ?? length, held.Width ?? width, thicknesses[0]),
            PileLength = Piles.Length,
            PileBars = Piles.Bars ?? BarSpec.None,
            PileTies = Piles.Ties ?? BarSpec.None,
            Sides = CapFields.HeldSides(held) ?? BarSpec.None,
        };
        return layout.IsOwn ? plan.Standing(Piles.At)
            : hexagon ? (plan with { ToEdge = CapFields.HeldToEdge(held) ?? CapPlan.ToEdge(Piles.ToEdge, rules.Sizing.PlanStep) }).Shaped()
            : plan;
    }

    // Of a plan with what stands on it, where the length of its piles is sought, the shortest that carry; the longest where none do.
    private IEnumerable<double?> Lengths()
    {
        if (!lengthIsSought)
        {
            return [Piles.Length];
        }

        // Where shafts are checked for bending, no shorter than those for which it can be.
        var step = Project.Units == UnitSystem.Us ? FeetStep : LengthStep;
        var least = PileShaft.LeastLength(Piles, trials[0].Group.Stiffness) is var l && Piles.Bars is not null && Piles.IsConcrete && l > 0
            ? l
            : 0;
        return Enumerable.Range(1, Math.Max(1, (int)Math.Floor((Piles.Longest / step) + 1e-9)))
            .Select(i => (double?)Math.Round(i * step, 6))
            .Where(v => v >= least - 1e-9);
    }

    // Under one column the piles stand round it; under several round the resultant of the sustained loads.
    private PlanPoint Origin()
    {
        var held = Foundation.Held;
        var (x, y, counted) = (0.0, 0.0, 0);
        foreach (var t in trials)
        {
            if (t.Columns.Length == 1 || t.Sustained is not (>= 0 and var k))
            {
                continue;
            }

            var (n, mx, my) = (0.0, 0.0, 0.0);
            foreach (var c in t.Columns)
            {
                var a = c.Action(k);
                (n, mx, my) = (n + a.N, mx + a.Mx - (a.N * c.Loaded.At.Y), my + a.My + (a.N * c.Loaded.At.X));
            }

            (x, y, counted) = n > 0 ? (x + (my / n), y - (mx / n), counted + 1) : (x, y, counted);
        }

        var plan = Foundation.Rules.Sizing.PlanStep;
        var step = plan / (Math.Abs((plan * 1000) - Math.Round(plan * 1000)) < 1e-6 ? MetricParts : InchParts);
        double Rounded(double value, double to) => counted == 0 ? 0 : Math.Round(-Math.Round(value / counted / to) * to, 6);

        // Small moments across move nothing: the piles stay on the line of the columns.
        return new PlanPoint(held.OffsetXGiven ? held.OffsetX : Rounded(x, step), held.OffsetYGiven ? held.OffsetY : Rounded(y, plan));
    }
}
