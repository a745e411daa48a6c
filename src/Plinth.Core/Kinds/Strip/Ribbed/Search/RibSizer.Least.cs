using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <content>What strips cost and measure at least, before any is asked.</content>
internal sealed partial class RibSizer
{
    // What any strip of a size costs at least: concrete and work, and the code's least bars of the flange both ways.
    private double Floor(double reach, double width, double thickness, double depth)
    {
        var (none, side, length) = (default(Tracing.NoTrace), 2 * Foundation.Rules.Concrete.CoverSide, span + reach);
        var ratio = Foundation.Waives("minimum-steel-x") || Foundation.Waives("minimum-steel-y") ? 0
            : trials[0].Code.MinimumSteelRatio(ref none, Foundation.Rules.Concrete, Foundation.Rules.Steel.Yield);
        var lightest = Foundation.Rules.Steel.Bars.Min(b => b.MassPerMetre / b.Area);
        var steel = ratio * thickness * (((width - breadth) * (length - side)) + (length * (width - side)));
        return Bare(reach, width, thickness, depth) + (Foundation.Rules.Rates.Steel * lightest * steel);
    }

    // Beyond the first column: the centroid as near under the sustained resultant as the columns allow, on whole parts of a step.
    private double Low(double reach)
    {
        if (RibFields.HeldEnds(Foundation.Held) is var (low, _))
        {
            return low;
        }

        var end = Math.Round(((reach / 2) - aim) / Part) * Part;
        return Math.Round(Math.Max(least.Low, Math.Min(end, Math.Floor(((reach - least.High) / Part) + 1e-6) * Part)), 6);
    }

    // The sustained resultant from the middle between first and last column, its mean over the places.
    private double Aim()
    {
        var (sum, counted) = (0.0, 0);
        foreach (var t in trials)
        {
            if (t.Sustained is not (>= 0 and var k))
            {
                continue;
            }

            var (n, m) = (0.0, 0.0);
            foreach (var c in t.Columns)
            {
                (n, m) = (n + c.Action(k).N, m + (c.Action(k).N * c.Loaded.At.X) + c.My(k));
            }

            (sum, counted) = n > 0 ? (sum + (m / n), counted + 1) : (sum, counted);
        }

        return counted == 0 ? 0 : sum / counted;
    }

    private double LeastWidth(double depth, double reach, double thickness)
    {
        if (!leastAreas.TryGetValue((depth, thickness), out var area))
        {
            // What the rib weighs on the area is left out: it only adds.
            Put(RibDesign.Blank([.. Foundation.Places[0].Supports.Select(s => s.Label)]).Spanning(span).With(least.Low, least.High) with
            {
                Size = new BaseSize(span + least.Low + least.High, widths[^1], thickness),
                Rib = BeamDesign.Blank with { Width = breadth, Depth = Math.Max(depth, thickness) },
            });
            area = trials.Max(t => LeastArea.Of(t, Foundation));
            leastAreas.Add((depth, thickness), area);
        }

        return Math.Max(widths[0], area / (span + reach));
    }

    private readonly Dictionary<(double, double), double> leastAreas = [];

    // What a strip without bars costs.
    private double Bare(double reach, double width, double thickness, double depth)
    {
        var (r, length, rise) = (Foundation.Rules.Rates, span + reach, depth - thickness);
        var ground = trials[0].Ground;
        var dug = Math.Max(0, ground.Level - ground.Underside(depth)) + Foundation.Rules.Concrete.Blinding;
        return (r.Concrete * length * ((width * thickness) + (breadth * rise))) + (r.Excavation * length * width * dug)
            + (r.Formwork * ((2 * (length + width) * thickness) + (2 * (length + breadth) * rise)));
    }
}
