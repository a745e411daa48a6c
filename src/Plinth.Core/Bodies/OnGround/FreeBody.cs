using System.Runtime.CompilerServices;
using Plinth.Core.Contact;

namespace Plinth.Core.Bodies;

/// <summary>
/// What acts on a part of a body in a combination, but for the columns: the ground from below, the water, and what presses from above.
/// </summary>
/// <param name="Ground">∫p dA of the ground with its moments about the body's centroid, kN and kNm.</param>
/// <param name="Water">Pressure of the water on its underside, kPa.</param>
/// <param name="Weight">Factored weight of base, soil and surcharge on a unit of area, kPa.</param>
/// <param name="Beside">Factored loads beside the columns, kN.</param>
/// <param name="BesideX">Their moment ∫x about the body's centroid, kNm.</param>
/// <param name="BesideY">The same along y, kNm.</param>
internal readonly record struct FreeBody(PressureResultant Ground, double Water, double Weight, double Beside, double BesideX,
    double BesideY)
{
    /// <summary>What acts on a strip over the whole breadth of a rectangular body.</summary>
    /// <param name="body">The body.</param>
    /// <param name="k">The combination.</param>
    /// <param name="alongX">The strip is bounded along x, or along y.</param>
    /// <param name="from">From here, m.</param>
    /// <param name="to">To here, m.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static FreeBody Strip(GroundBody body, int k, bool alongX, double from, double to)
    {
        var across = (alongX ? body.Width : body.Length) / 2;
        ref readonly var p = ref body.Contact(k);
        var ground = alongX ? p.Pressure.OverRectangle(from, -across, to, across) : p.Pressure.OverRectangle(-across, from, across, to);

        // Loads that stand on the very edge are not lost by rounding.
        const double all = double.PositiveInfinity;
        var (beside, besideX, besideY) = body.PlacedLoads.Length == 0 ? default
            : alongX ? body.LoadsWithin(k, from, -all, to, all)
            : body.LoadsWithin(k, -all, from, all, to);
        return new FreeBody(ground, body.GroundLoad(k).WaterPressure, body.WeightPerArea(k), beside, besideX, besideY);
    }
}
