using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <content>Of a depth of the rib and a reach the least width and the thinnest flange, with their bars.</content>
internal sealed partial class RibSizer
{
    // The cheapest flange for a rib of a depth over a reach: thicker ones while they may cost less.
    private (RibDesign Design, double Cost)? At(double depth, double reach, double most)
    {
        (RibDesign Design, double Cost)? best = null;
        tooSmall = false;
        if (BaseLevels.Fault(Foundation, depth, Project.Units) is not null)
        {
            return null;
        }

        foreach (var h in thicknesses)
        {
            if (h > depth - (rules.ThicknessStep / 2))
            {
                break;
            }

            var limit = Math.Min(most, best?.Cost ?? double.PositiveInfinity);
            if (Floor(reach, LeastWidth(depth, reach, h), h, depth) >= limit * Near)
            {
                break;
            }

            if (!known.TryGetValue((reach, h, depth), out var found))
            {
                found = Complete(depth, reach, h, limit);
                if (found is not null || !given)
                {
                    known.Add((reach, h, depth), found);
                }
            }
            else
            {
                tooSmall = false;
            }

            if (found is { } own && own.Cost < limit)
            {
                best = own;
            }
            else if (best is not null)
            {
                // The flange only grows dearer from here.
                break;
            }

            // Where the rib itself is too small no flange helps; where the flange is, a thicker one may.
            if (found is null && tooSmall && !thorough)
            {
                break;
            }
        }

        return best;
    }

    private bool thorough;
    private bool given;
    private bool tooSmall;

    // The least width that stands on the ground with the bars that hold it; null: none, or it costs too much.
    private (RibDesign Design, double Cost)? Complete(double depth, double reach, double thickness, double most)
    {
        (given, tooSmall) = (false, false);
        var first = Array.FindIndex(widths, w => w >= LeastWidth(depth, reach, thickness) - 1e-9);
        if (first < 0 || Standing(reach, thickness, depth) is not { } bare)
        {
            return null;
        }

        var (low, high) = (first - 1, widths.Length);
        for (var step = 1; high == widths.Length && low < widths.Length - 1; step *= 2)
        {
            var i = Math.Min(widths.Length - 1, low + step);
            (low, high) = Fails(bare with { Size = bare.Size with { Width = widths[i] } }) ? (i, high) : (low, i);
        }

        while (high < widths.Length && high - low > 1)
        {
            var mid = (low + high) / 2;
            (low, high) = Fails(bare with { Size = bare.Size with { Width = widths[mid] } }) ? (mid, high) : (low, mid);
        }

        if (high == widths.Length)
        {
            failure = planChecks.Failure is { } f ? (f.Check, f.State) : failure;
            return null;
        }

        // A wider flange is pressed more below the rib, so that fewer bars on top may do: where none do, some wider ones are tried.
        for (var i = high; i < (thorough ? widths.Length : Math.Min(widths.Length, high + MostWider)); i++)
        {
            if (Floor(reach, widths[i], thickness, depth) >= most * Near)
            {
                given = true;
                return null;
            }

            var sized = bare with { Size = bare.Size with { Width = widths[i] } };
            if ((i == high || !Fails(sized)) && Barred(sized) is { } found)
            {
                return found;
            }
        }

        return null;
    }

    // The same with the bars of rib, flange and joints; null where none that are allowed pass.
    private (RibDesign Design, double Cost)? Barred(RibDesign sized)
    {
        // The flange first: the stirrups of the rib stand on its bars.
        Put(sized);
        if (flanges.Find(sized) is not { } flanged)
        {
            failure = flanges.LastFailure ?? failure;
            return null;
        }

        Put(flanged);
        if (beams.Find(flanged.Rib) is not { } rib)
        {
            (failure, tooSmall) = (beams.LastFailure ?? failure, beams.WasTooSmall);
            return null;
        }

        flanged = flanged with { Rib = rib };
        Put(flanged);
        for (var i = 0; i < joints.Length; i++)
        {
            if (joints[i].FindDowels() is not { } dowels)
            {
                failure = joints[i].LastFailure is { } lacking ? lacking : failure;
                return null;
            }

            flanged = flanged.With(i, flanged.At[i].Upright with { Dowels = BarSpec.Of(dowels) });
        }

        return (flanged, Cost(flanged));
    }

    // A strip without width and bars, its pedestals found; null where a pedestal is not.
    private RibDesign? Standing(double reach, double thickness, double depth)
    {
        var low = Low(reach);
        var design = RibDesign.Blank([.. Foundation.Places[0].Supports.Select(s => s.Label)]).Spanning(span) with
        {
            Size = new BaseSize(span + reach, widths[^1], thickness),
            Ends = (low, Math.Round(reach - low, 6)),
            Rib = BeamDesign.Blank with { Width = breadth, Depth = depth },
        };
        Put(design);
        for (var i = 0; i < joints.Length; i++)
        {
            if (!joints[i].HasPedestal)
            {
                continue;
            }

            if (joints[i].FindPedestal() is not { } pedestal)
            {
                failure = joints[i].LastFailure is { } lacking ? lacking : failure;
                return null;
            }

            design = design.With(i, new Upright(pedestal, BarSpec.None));
        }

        return design;
    }
}
