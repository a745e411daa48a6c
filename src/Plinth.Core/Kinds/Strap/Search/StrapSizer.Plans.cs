using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strap;

/// <content>Plans of both bases.</content>
internal sealed partial class StrapSizer
{
    /// <summary>The least bases of a length of the edge base that the ground allows, in the ratio of even pressure; null: none.</summary>
    private StrapDesign? Plan(StrapDesign design)
    {
        var ratio = Ratio(design);
        if (!(ratio > 0))
        {
            return null;
        }

        double[] widths = Held(0, "width") is { } held ? [held] : [.. sides.Where(s => s >= design.Beam.Width - 1e-9)];
        if (widths.Length == 0)
        {
            return null;
        }

        // The ground is pressed less by larger bases, as far as an inner one in this ratio finds room: halving finds the first that stands.
        var (low, high) = (-1, widths.Length - 1);
        while (high > 0 && !OnWidth(widths[high]).Any(d => StrapFaults.OfPlan(Foundation, d) is null))
        {
            high--;
        }

        if (Stands(widths[high]) is not { } found)
        {
            return null;
        }

        while (high - low > 1)
        {
            var mid = (low + high) / 2;
            if (Stands(widths[mid]) is { } own)
            {
                (high, found) = (mid, own);
            }
            else
            {
                low = mid;
            }
        }

        return Trimmed(found);

        IEnumerable<StrapDesign> OnWidth(double width) => Inner(ratio * design.Edge.Length * width)
            .Select(i => design.With(design.Edge with { Width = width },
                design.Inner with { Length = i.Length, Width = i.Width }, design.Beam));

        StrapDesign? Stands(double width)
        {
            foreach (var own in OnWidth(width))
            {
                if (SetPlan(own) && !Fails(planChecks))
                {
                    return own;
                }
            }

            return null;
        }
    }

    // Area of the inner base over that of the edge base at which both are pressed alike under the sustained combination.
    private double Ratio(StrapDesign design)
    {
        var least = double.PositiveInfinity;
        foreach (var t in trials)
        {
            if (t.Sustained is not (>= 0 and var k))
            {
                return 1;
            }

            var (first, last) = (t.Columns[0], t.Columns[1]);
            var before = StrapPlace.Edge(Foundation.Held).From(first.Outline.FaceX);
            var span = last.Loaded.At.X - first.Loaded.At.X;
            var arm = span + before - (design.Edge.Length / 2);
            var (a, b) = (first.Loaded.Sums[k], last.Loaded.Sums[k]);
            var edge = ((a.N * span) - a.My - b.My) / arm;
            var inner = a.N + b.N - edge;
            if (edge <= 0 || inner <= 0)
            {
                return 0;
            }

            least = Math.Min(least, inner / edge);
        }

        return least;
    }

    // Sides of the inner base of an area, nearest to a square first.
    private IEnumerable<(double Length, double Width)> Inner(double area)
    {
        var (length, width) = (Held(1, "length"), Held(1, "width"));
        if (length is { } l && width is { } w)
        {
            return [(l, w)];
        }

        double Up(double v) => sides.FirstOrDefault(s => s >= v - 1e-9, double.NaN);
        var candidates = length is { } heldLength ? [(heldLength, Up(area / heldLength))]
            : width is { } heldWidth ? [(Up(area / heldWidth), heldWidth)]
            : Squarish();
        return candidates.Where(c => !double.IsNaN(c.Item1) && !double.IsNaN(c.Item2));

        List<(double, double)> Squarish()
        {
            var side = Up(Math.Sqrt(area));
            if (double.IsNaN(side))
            {
                return [];
            }

            var list = new List<(double, double)> { (side, side) };
            if (rules.Shape != Sizing.PlanShape.Square)
            {
                for (var i = Array.IndexOf(sides, side); i >= 0 && sides[i] * rules.Aspect >= side - 1e-9; i--)
                {
                    var other = Up(area / sides[i]);
                    if (!double.IsNaN(other) && other <= (sides[i] * rules.Aspect) + 1e-9)
                    {
                        list.Add((sides[i], other));
                        list.Add((other, sides[i]));
                    }
                }
            }

            return [.. list.OrderBy(c => Math.Round(c.Item1 * c.Item2, 9)).ThenBy(c => Math.Abs(c.Item1 - c.Item2)).Take(3)];
        }
    }

    // Step by step less of whichever side saves most, as long as it stands.
    private StrapDesign Trimmed(StrapDesign design)
    {
        while (true)
        {
            StrapDesign? next = null;
            foreach (var smaller in Smaller(design).OrderBy(d => d.Area).Concat(SmallerBoth(design)))
            {
                if (SetPlan(smaller) && !Fails(planChecks))
                {
                    next = smaller;
                    break;
                }
            }

            if (next is null)
            {
                return design;
            }

            design = next;
        }
    }

    private bool KeepsSquare => rules.Shape == Sizing.PlanShape.Square && Held(1, "length") is null && Held(1, "width") is null;

    // A step less of each side that is open; a square inner base stays one.
    private IEnumerable<StrapDesign> Smaller(StrapDesign d)
    {
        if (Narrower(d) is { } narrower)
        {
            yield return d.With(narrower, d.Inner, d.Beam);
        }

        foreach (var inner in SmallerInner(d))
        {
            yield return d.With(d.Edge, inner, d.Beam);
        }
    }

    // A step less of both bases: less of one alone draws the area's centroid away from the loads.
    private IEnumerable<StrapDesign> SmallerBoth(StrapDesign d) => Narrower(d) is { } narrower
        ? SmallerInner(d).Select(inner => d.With(narrower, inner, d.Beam)) : [];

    private double Less(double side) => Math.Round(side - rules.PlanStep, 6);

    private bool Shrinks(int part, string key, double side) => Held(part, key) is null && Less(side) >= rules.LeastPlan - 1e-9;

    private StrapBase? Narrower(StrapDesign d) => Shrinks(0, "width", d.Edge.Width) ? d.Edge with { Width = Less(d.Edge.Width) } : null;

    private IEnumerable<StrapBase> SmallerInner(StrapDesign d)
    {
        var (length, width) = (Shrinks(1, "length", d.Inner.Length), Shrinks(1, "width", d.Inner.Width));
        if (length && width && KeepsSquare)
        {
            yield return d.Inner with { Length = Less(d.Inner.Length), Width = Less(d.Inner.Width) };
        }

        if (length && !KeepsSquare)
        {
            yield return d.Inner with { Length = Less(d.Inner.Length) };
        }

        if (width && !KeepsSquare)
        {
            yield return d.Inner with { Width = Less(d.Inner.Width) };
        }
    }

    // The same, and with a base that is smaller a step thinner: less weight may stand on less where neither does alone.
    private IEnumerable<StrapDesign> Lighter(StrapDesign d) => Lighter(d, Smaller(d));

    private IEnumerable<StrapDesign> Lighter(StrapDesign d, IEnumerable<StrapDesign> all)
    {
        foreach (var smaller in all)
        {
            yield return smaller;
            for (var part = 0; part < 2; part++)
            {
                var thinner = Math.Round(d.Base(part).Thickness - rules.ThicknessStep, 6);
                if (smaller.Base(part).Size != d.Base(part).Size && Held(part, "thickness") is null
                    && thinner >= rules.LeastThickness - 1e-9)
                {
                    yield return smaller.WithBase(part, smaller.Base(part) with { Thickness = thinner });
                }
            }
        }
    }

    // Every step of some from a design in hand that may make it cheaper, until none does.
    private (StrapDesign Design, double Cost) Better((StrapDesign Design, double Cost) best,
        Func<StrapDesign, IEnumerable<StrapDesign>> next)
    {
        for (var again = true; again;)
        {
            again = false;
            foreach (var other in next(best.Design))
            {
                if (Completed(other, best.Design) is { } made && made.Cost < best.Cost - 1e-6)
                {
                    (best, again) = (made, true);
                    steps.Add(new Sizing.SizingStep("cheaper", made.Design.Size));
                    break;
                }
            }
        }

        return best;
    }

    // A step less of one size, or less of one and more of another.
    private IEnumerable<StrapDesign> Steps(StrapDesign d)
    {
        var (plan, thick) = (rules.PlanStep, rules.ThicknessStep);
        double Add(double v, double by) => Math.Round(v + by, 6);
        foreach (var smaller in Lighter(d))
        {
            yield return smaller;
        }

        if (Held(0, "length") is null)
        {
            yield return d.With(d.Edge with { Length = Add(d.Edge.Length, -plan) }, d.Inner, d.Beam);
        }

        for (var i = 0; i < 2; i++)
        {
            if (Held(i, "thickness") is null && Add(d.Base(i).Thickness, -thick) >= rules.LeastThickness - 1e-9)
            {
                yield return d.WithBase(i, d.Base(i) with { Thickness = Add(d.Base(i).Thickness, -thick) });
            }
        }

        if (Held(2, "depth") is null)
        {
            yield return d.With(d.Edge, d.Inner, d.Beam with { Depth = Add(d.Beam.Depth, -thick) });
        }

        if (Held(2, "width") is null)
        {
            foreach (var by in (double[])[-thick, thick])
            {
                if (Add(d.Beam.Width, by) >= LeastBeamWidth - 1e-9)
                {
                    yield return d.With(d.Edge, d.Inner, d.Beam with { Width = Add(d.Beam.Width, by) });
                }
            }
        }

        if (Held(0, "length") is null && Held(0, "width") is null)
        {
            yield return d.With(d.Edge with { Length = Add(d.Edge.Length, -plan), Width = Add(d.Edge.Width, plan) }, d.Inner, d.Beam);
            yield return d.With(d.Edge with { Length = Add(d.Edge.Length, plan), Width = Add(d.Edge.Width, -plan) }, d.Inner, d.Beam);
        }

        foreach (var inner in Held(0, "width") is null ? SmallerInner(d) : [])
        {
            yield return d.With(d.Edge with { Width = Add(d.Edge.Width, plan) }, inner, d.Beam);
        }

        if (Held(0, "width") is null && Held(1, "width") is null && Held(1, "length") is null)
        {
            yield return d.With(d.Edge with { Width = Add(d.Edge.Width, -plan) },
                d.Inner with { Length = Add(d.Inner.Length, plan), Width = Add(d.Inner.Width, plan) }, d.Beam);
        }

        foreach (var smaller in Lighter(d, SmallerBoth(d)))
        {
            yield return smaller;
        }
    }

    // Steel, dowels and cost of a design of given sizes; null where something fails. A base as it stood in another design keeps its bars
    // where they still serve.
    private (StrapDesign Design, double Cost)? Completed(StrapDesign d, StrapDesign? known = null)
    {
        if (!SetPlan(d) || Fails(planChecks))
        {
            return null;
        }

        StrapBase? Barred(int part) =>
            known?.Base(part) is { } own && own.Size == d.Base(part).Size && known.Beam.Width == d.Beam.Width && steel.Serves(part, own)
                ? own : steel.Find(part, d.Base(part));
        if (Barred(0) is not { } edge || Barred(1) is not { } inner)
        {
            failure = steel.LastFailure;
            return null;
        }

        if (beams.Find(d.Beam) is not { } beam)
        {
            failure = beams.LastFailure;
            return null;
        }

        return Complete(d.With(edge, inner, beam));
    }
}
