using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strap;

/// <content>Thicknesses of the bases with their steel, and what stands on them.</content>
internal sealed partial class StrapSizer
{
    // Pedestals stand on bases of some thickness.
    private StrapDesign? Uprights(StrapDesign design)
    {
        for (var i = 0; i < joints.Length; i++)
        {
            if (!joints[i].HasPedestal || design.Under(i).Pedestal is not null)
            {
                continue;
            }

            var room = design.WithBase(i, design.Base(i) with
            {
                Length = Math.Max(design.Base(i).Length, rules.MostPlan / 2),
                Width = rules.MostPlan / 2
            });
            var other = room.Base(1 - i) is { Width: 0 } or { Length: 0 }
                ? room.WithBase(1 - i, room.Base(1 - i) with { Length = 1, Width = 1 })
                : room;
            SetAll(other);
            if (joints[i].FindPedestal() is not { } pedestal)
            {
                failure = joints[i].LastFailure;
                return null;
            }

            design = design.With(i, new Upright(pedestal, BarSpec.None));
        }

        return design;
    }

    // Thicknesses of a base with the least steel: the cheapest of the first few that pass. Those about a likely one are tried first.
    private StrapDesign? Slab(StrapDesign design, int part, double? about = null)
    {
        double[] open = Held(part, "thickness") is { } held ? [held]
            : [.. thicknesses.Where(t => t >= design.Base(part).Thickness - 1e-9)];
        if (open.Length == 0)
        {
            return null;
        }

        var first = about is { } near ? Math.Max(0, Array.FindIndex(open, t => t >= near - 1e-9) - 1) : 0;
        var best = Of(first);
        var more = best is null ? 0 : 1;
        for (var i = first - 1; i >= 0 && more > 0; i--)
        {
            if (Of(i) is not { } thinner)
            {
                break;
            }

            best = thinner.Cost < best!.Value.Cost - 1e-9 ? thinner : best;
        }

        for (var i = first + 1; i < open.Length && more <= Thicker; i++)
        {
            var own = Of(i);
            more += best is null && own is null ? 0 : 1;
            best = own is { } made && made.Cost < (best?.Cost ?? double.PositiveInfinity) - 1e-9 ? made : best;
        }

        return best?.Design;

        (StrapDesign Design, double Cost)? Of(int i)
        {
            var own = design.Base(part) with { Thickness = open[i] };
            var beam = design.Beam with
            {
                Depth = Math.Max(design.Beam.Depth, Held(2, "depth") is null
                ? DepthFrom(open[i] - design.Beam.Gap) : 0)
            };
            var thick = design.With(part == 0 ? own : design.Edge, part == 1 ? own : design.Inner, beam);
            if (!SetPlan(thick) || steel.Find(part, own) is not { } found)
            {
                failure = steel.LastFailure ?? failure;
                return null;
            }

            // Dowels need a depth to be developed in.
            SetAll(thick.WithBase(part, found));
            if (joints[part].FindDowels() is null)
            {
                failure = joints[part].LastFailure;
                return null;
            }

            return (thick.WithBase(part, found), Foundation.Rules.Rates.Concrete * own.Length * own.Width * open[i]
                + (Foundation.Rules.Rates.Formwork * 2 * (own.Length + own.Width) * open[i])
                + (Foundation.Rules.Rates.Steel * Steel(found)));
        }
    }

    private double Steel(StrapBase b)
    {
        var (sum, side) = (0.0, Foundation.Rules.Concrete.CoverSide);
        foreach (var (alongX, bottom) in (ReadOnlySpan<(bool, bool)>)[(true, true), (false, true), (true, false), (false, false)])
        {
            var (breadth, length) = alongX ? (b.Width, b.Length) : (b.Length, b.Width);
            sum += Schedules.Quantities.MassOf(Project.Code, b.Layer(alongX, bottom).Resolve(breadth, side), length - (2 * side));
        }

        return sum;
    }
}
