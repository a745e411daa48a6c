using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <content>Where a plan lies: under the resultant, on what is held, within the site.</content>
internal sealed partial class CombinedPlans
{
    // The resultant of the sustained loads from the origin, its mean over the places.
    private PlanPoint Aim()
    {
        var (x, y, counted) = (0.0, 0.0, 0);
        foreach (var t in trials)
        {
            if (t.Sustained is not (>= 0 and var k))
            {
                continue;
            }

            var (n, mx, my) = (0.0, 0.0, 0.0);
            foreach (var c in t.Columns)
            {
                var a = c.Action(k).N;
                (n, mx, my) = (n + a, mx + (a * c.Loaded.At.Y) - c.Mx(k), my + (a * c.Loaded.At.X) + c.My(k));
            }

            foreach (var (load, i) in foundation.Loads.Select((l, i) => (l, i)).Where(l => l.l.Shape != PlanLoadShape.WholeBase))
            {
                var placed = load.On(default, default);
                var factored = t.Place.LoadTerms[k][i].Factor * placed.N;
                (n, mx, my) = (n + factored, mx + (factored * placed.Y), my + (factored * placed.X));
            }

            if (n > 0)
            {
                (x, y, counted) = (x + (my / n), y + (mx / n), counted + 1);
            }
        }

        return counted == 0 ? default : new PlanPoint(x / counted, y / counted);
    }

    /// <summary>
    /// Where a plan lies: the origin from its centroid, m; null where the columns do not stand on it with their least overhang, or it
    /// cannot lie within the site.
    /// </summary>
    public PlanPoint? Place(in CombinedPlan plan)
    {
        var key = (plan.Length, plan.Low, plan.High);
        if (!places.TryGetValue(key, out var known))
        {
            places.Add(key, known = Find(plan));
        }

        return known;
    }

    private PlanPoint? Find(in CombinedPlan plan)
    {
        var (centroid, widest) = (CombinedDesign.TrapezoidCentroid(plan.Length, plan.Low, plan.High), Math.Max(plan.Low, plan.High) / 2);
        var (x, y) = columns[0].HeldOffset(held, plan.Length, plan.Low, plan.High);
        var step = rules.PlanStep / (Math.Abs((rules.PlanStep * 1000) - Math.Round(rules.PlanStep * 1000)) < 1e-6
            ? MetricParts
            : InchParts);
        var least = rules.LeastOverhang;
        if (x is null)
        {
            // The −x end as near under the aim as all columns allow, at a whole step from the first column.
            var (from, to) = (columns.Max(c => c.HighX) + least - plan.Length, columns.Min(c => c.LowX) - least);
            if (from > to + 1e-9)
            {
                return null;
            }

            var first = columns[0].First.X;
            var end = first + (Math.Round((Between(aim.X - centroid, from, to) - first) / step) * step);
            end = end < from - 1e-9 ? end + step : end > to + 1e-9 ? end - step : end;
            x = Inside(-(Between(end, from, to) + centroid), -(to + centroid), -(from + centroid));
        }

        if (y is null)
        {
            var (from, to) = (columns.Max(c => c.HighY) + least - widest, columns.Min(c => c.LowY) - least + widest);
            if (from > to + 1e-9)
            {
                return null;
            }

            // Small moments across move nothing: the base stays on the line of its columns.
            y = Inside(-Between(Math.Round(aim.Y / rules.PlanStep) * rules.PlanStep, from, to), -to, -from);
        }

        var offset = new PlanPoint(Math.Round(x.Value, 6), Math.Round(y.Value, 6));
        if (project.Site.IsOpen)
        {
            return Fits(plan, offset, false, false) ? offset : null;
        }

        return Moved(plan, offset, step) is { } moved && Fits(plan, moved, moved.X != offset.X, moved.Y != offset.Y) ? moved : null;
    }

    // Offsets are written to a thousandth of a millimetre: what that takes beyond a bound goes to its other side.
    private static double Inside(double value, double from, double to)
    {
        const double least = 1e-6;
        var rounded = Math.Round(value, 6);
        return rounded < from - 1e-9 ? Math.Round(rounded + least, 6) : rounded > to + 1e-9 ? Math.Round(rounded - least, 6) : rounded;
    }

    // Bounds that rounding crosses are one.
    private static double Between(double value, double from, double to) => Math.Max(from, Math.Min(to, value));

    // The least move that brings it within the site at all its places: of a trapezoid the rectangle round it.
    private PlanPoint? Moved(CombinedPlan plan, PlanPoint offset, double step)
    {
        var (freeX, freeY) = (held.EdgeX0 is null && held.EdgeX1 is null && !held.OffsetXGiven,
            held.EdgeY0 is null && held.EdgeY1 is null && !held.OffsetYGiven);
        var middle = (plan.Length / 2) - CombinedDesign.TrapezoidCentroid(plan.Length, plan.Low, plan.High);
        var round = new BaseSize(plan.Length, Math.Max(plan.Low, plan.High), 1);
        return project.Site.Least(foundation.Places, p => BaseGeometry.Centre(p, new PlanPoint(offset.X - middle, offset.Y)), round, freeX,
            freeY, step) is { } move
            ? new PlanPoint(Math.Round(offset.X - move.X, 6), Math.Round(offset.Y - move.Y, 6))
            : null;
    }

    // The least overhang holds on sides that neither the engineer nor the site holds.
    private bool Fits(in CombinedPlan plan, PlanPoint offset, bool movedX, bool movedY)
    {
        var design = Design(plan, 1, offset);
        double Least(HeldEdge? edge, bool given, bool moved) => edge is null && !given && !moved ? rules.LeastOverhang : 0;
        foreach (var c in columns)
        {
            var within = c.Within(design);
            if (within.X0 < Least(held.EdgeX0, held.OffsetXGiven, movedX) - CombinedPlace.Written
                || within.X1 < Least(held.EdgeX1, held.OffsetXGiven, movedX) - CombinedPlace.Written
                || within.Y0 < Least(held.EdgeY0, held.OffsetYGiven, movedY) - CombinedPlace.Written
                || within.Y1 < Least(held.EdgeY1, held.OffsetYGiven, movedY) - CombinedPlace.Written)
            {
                return false;
            }
        }

        return foundation.Loads.Count == 0
            || CombinedFaults.Of(foundation with { Held = HeldValues.Nothing }, design, project.Units) is not { Key: "length" };
    }
}
