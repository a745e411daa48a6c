using System.Runtime.CompilerServices;
using Plinth.Core.Ground;

namespace Plinth.Core.Bodies;

/// <content>Soil beside it that rises with it where what stands on it pulls.</content>
public sealed partial class GroundBody
{
    // A slope from the top's edges upwards: at a height z over the top the soil reaches z·t beyond. By depth, buoyant below the water, as
    // no water pushes the base up there.
    private GroundLoad Beside(in GroundLoad load, GroundColumn ground, double depth)
    {
        var t = Math.Tan(Ground.UpliftSpread * Math.PI / 180);
        var wet = ground.IsWet ? Math.Clamp(depth - ground.Water, 0, depth) : 0;
        var buoyant = Math.Min(ground.Moist, ground.Saturated - ground.WaterWeight);
        double Of(double whole, double below) => (ground.Moist * (whole - below)) + (buoyant * below);
        return load with
        {
            Wedge = Of(depth * depth * t / 2, wet * wet * t / 2),
            Corner = Of(depth * depth * depth * t * t / 3, wet * wet * wet * t * t / 3),
        };
    }

    /// <summary>
    /// Factored weight of soil beside the base that hangs on it in a combination: where what stands on the base pulls up as a whole; on a
    /// metre of edge and at each
    /// corner, kN/m and kN.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public (double Wedge, double Corner) Rising(int combination) => GroundLoad(combination).Wedge == 0 ? default : Lifted(combination);

    private (double Wedge, double Corner) Lifted(int combination)
    {
        ref readonly var g = ref GroundLoad(combination);
        if (Place.Sums[combination].N + Place.LoadForce(combination) + (Place.LoadPressure(combination) * Area) >= 0)
        {
            return default;
        }

        var f = Combinations[combination].WeightFactor;
        return (f * g.Wedge, f * g.Corner);
    }

    /// <summary>All of the soil that rises beside it, kN.</summary>
    public double RisingWeight(int combination)
    {
        var (wedge, corner) = Rising(combination);
        return IsRectangle ? (2 * (Length + Width) * wedge) + (4 * corner) : RisingPart(combination, true, HighX).Force;
    }

    /// <summary>The moment of that about the centroid, ∫x, kNm: of a trapezoid the middle of the outline is not that of the area.</summary>
    public double RisingMoment(int combination) => IsRectangle ? 0 : RisingPart(combination, true, HighX).Moment;

    /// <summary>
    /// Soil beside the part towards the beginning of an axis from a section that rises with it, taken to hang on the edges: its force and
    /// moment about the centroid along the
    /// axis, kN and kNm.
    /// </summary>
    internal (double Force, double Moment) RisingPart(int combination, bool alongX, double at)
    {
        var (wedge, corner) = Rising(combination);
        if (wedge == 0)
        {
            return default;
        }

        var (force, moment) = (0.0, 0.0);
        for (var i = 0; i < outline.Length; i++)
        {
            var (side, low, high) = Side(i, alongX);
            var to = Math.Min(at, high);
            if (to >= low)
            {
                var hangs = wedge * side * (high > low ? (to - low) / (high - low) : 1);
                (force, moment) = (force + hangs, moment + (hangs * (low + to) / 2));
            }

            var corners = corner * Corners(i is 0 or 3 ? -1 : 1) / 2;
            if ((alongX ? outline[i].X : outline[i].Y) is var own && own <= at)
            {
                (force, moment) = (force + corners, moment + (corners * own));
            }
        }

        return (force, moment);
    }

    /// <summary>What of it hangs on a metre of an axis between corners, kN/m.</summary>
    internal double RisingSlope(int combination, bool alongX, double at)
    {
        var (wedge, _) = Rising(combination);
        if (wedge == 0)
        {
            return 0;
        }

        var sum = 0.0;
        for (var i = 0; i < outline.Length; i++)
        {
            var (side, low, high) = Side(i, alongX);
            sum += at > low && at < high ? wedge * side / (high - low) : 0;
        }

        return sum;
    }

    // An edge of the outline: its length, and from where to where it reaches along an axis.
    private (double Length, double Low, double High) Side(int i, bool alongX)
    {
        var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
        var side = Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));
        return alongX ? (side, Math.Min(a.X, b.X), Math.Max(a.X, b.X)) : (side, Math.Min(a.Y, b.Y), Math.Max(a.Y, b.Y));
    }
}
