using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <content>Plans: the smallest that stands, where it lies, whether it fits.</content>
internal sealed partial class IsolatedSizer
{
    private BaseSize? SmallestPlan(int thickness)
    {
        var h = thicknesses[thickness];
        var pedestal = Pedestal(thickness);
        var least = PlanBound.LeastArea(trials, foundation, h, pedestal);
        for (var i = FirstOfArea(least); i < plans.Count; i++)
        {
            if (Placed(new BaseSize(plans[i].Length, plans[i].Width, h), pedestal) is { } size && !PlanExceeds(size, pedestal))
            {
                return size;
            }
        }

        return null;
    }

    // The base where it lies within the site and under its column; null if it cannot.
    private BaseSize? Placed(BaseSize size, Pedestal? pedestal) =>
        Shifted(size, pedestal) is { } placed && Fits(placed, pedestal) ? placed : null;

    // The site asks for the same shift at any thickness.
    private BaseSize? Shifted(BaseSize size, Pedestal? pedestal)
    {
        if (project.Site.IsOpen)
        {
            return size;
        }

        var key = (size.Length, size.Width, pedestal);
        if (!shifts.TryGetValue(key, out var shifted))
        {
            shifted = project.Site.Fit(foundation, pedestal, size, ShiftStep(foundation.Rules.Sizing.PlanStep));
            shifts.Add(key, shifted);
        }

        return shifted is { } s ? size with { ShiftX = s.ShiftX, ShiftY = s.ShiftY } : null;
    }

    // 5 mm of 50 mm, half an inch of 3 in, which is no whole number of millimetres.
    private static double ShiftStep(double planStep) =>
        planStep / (Math.Abs((planStep * 1000) - Math.Round(planStep * 1000)) < 1e-6 ? MetricShifts : InchShifts);

    private int FirstOfArea(double area)
    {
        var (low, high) = (0, plans.Count);
        while (low < high)
        {
            var mid = (low + high) / 2;
            if (plans[mid].Length * plans[mid].Width < area)
            {
                low = mid + 1;
            }
            else
            {
                high = mid;
            }
        }

        return low;
    }

    private bool Fits(in BaseSize size, Pedestal? pedestal)
    {
        foreach (var s in trials)
        {
            var outline = BaseGeometry.Outline(s.Place.Place, pedestal);
            if (!BaseGeometry.AllOnBase(foundation, outline, size) || !Overhangs(outline, size))
            {
                return false;
            }
        }

        return true;
    }

    // The least overhang holds on sides that neither the engineer nor the site holds.
    private bool Overhangs(in ColumnOutline outline, in BaseSize size)
    {
        var least = foundation.Rules.Sizing.LeastOverhang;
        if (least <= 0)
        {
            return true;
        }

        var (held, o) = (foundation.Held, BaseGeometry.Offset(foundation.Held, outline, size));
        var (x, y) = ((size.Length - outline.FaceX) / 2, (size.Width - outline.FaceY) / 2);
        bool Enough(double overhang, HeldEdge? edge, double shift) => edge is not null || shift != 0 || overhang >= least - 1e-9;
        return Enough(x + o.X, held.EdgeX0, size.ShiftX) && Enough(x - o.X, held.EdgeX1, size.ShiftX)
            && Enough(y + o.Y, held.EdgeY0, size.ShiftY) && Enough(y - o.Y, held.EdgeY1, size.ShiftY);
    }

    private bool PlanExceeds(in BaseSize size, Pedestal? pedestal)
    {
        Set(size, pedestal);
        return planChecks.Fail();
    }
}
