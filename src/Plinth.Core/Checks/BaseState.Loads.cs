using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <content>What presses on the base and on the ground: found once for each combination and size.</content>
public sealed partial class BaseState
{
    /// <summary>Loads at the centre of the underside in a combination.</summary>
    public ref readonly BaseLoads Loads(int combination)
    {
        Solve(combination);
        return ref loads[combination];
    }

    /// <summary>Contact in a combination, surcharge included.</summary>
    public ref readonly ContactSolution Contact(int combination)
    {
        Solve(combination);
        return ref contact[combination];
    }

    /// <summary>Contact in a combination without the surcharge, which must help in no stability.</summary>
    public ContactSolution ContactWithoutSurcharge(int combination)
    {
        if (Ground.Surcharge == 0 || Place.SurchargeFactors[combination] == 0)
        {
            return Contact(combination);
        }

        var l = LoadsWithoutSurcharge(combination);
        return ContactSolver.Rectangle(Length, Width, l.N, l.XR, l.YR);
    }

    /// <summary>Loads at the centre of the underside in a combination without the surcharge.</summary>
    public BaseLoads LoadsWithoutSurcharge(int combination)
    {
        if (Ground.Surcharge == 0 || Place.SurchargeFactors[combination] == 0)
        {
            return Loads(combination);
        }

        var none = default(NoTrace);
        return BaseLoadCase.Compute(this, combination, false, ref none);
    }

    /// <summary>The loads beside the column, on this base.</summary>
    public ReadOnlySpan<PlacedLoad> PlacedLoads => placedLoads;

    /// <summary>Factored loads beside the column within a rectangle: their sum, and its moments about the centre, kN and kNm.</summary>
    public (double Force, double MomentX, double MomentY) LoadsWithin(int combination, double x0, double y0, double x1, double y1)
    {
        var (force, mx, my) = (0.0, 0.0, 0.0);
        for (var i = 0; i < placedLoads.Length; i++)
        {
            var (shareX, atX) = placedLoads[i].Within(true, x0, x1);
            var (shareY, atY) = placedLoads[i].Within(false, y0, y1);
            var n = Place.LoadTerms[combination][i].Factor * placedLoads[i].N * shareX * shareY;
            (force, mx, my) = (force + n, mx + (n * atX), my + (n * atY));
        }

        return (force, mx, my);
    }

    /// <summary>Factored weight of base, soil and surcharge on a unit of area in a combination, kPa.</summary>
    public double WeightPerArea(int combination) =>
        (Combinations[combination].WeightFactor * GroundLoad(combination).WeightPerArea) + (Place.SurchargeFactors[combination] * Ground.Surcharge);

    /// <summary>Factored weight of the pedestal less the soil that it and the column displace, at the column's centre, kN.</summary>
    public double PrismWeight(int combination) => Combinations[combination].WeightFactor * (PedestalWeight - GroundLoad(combination).Displaced);

    // Full weights; the water's own push stands apart. The pedestal takes the place of soil from the base up, the column above it.
    private GroundLoad Over(WaterState water, double area, double top)
    {
        var ground = Ground.Column(water);
        var topDepth = Math.Max(0, Ground.Level - top);
        var split = Pedestal is null ? topDepth : Math.Clamp(Ground.Level - ColumnFoot, 0, topDepth);
        var soil = ground.Weight(0, topDepth);
        var low = (Pedestal?.Area ?? 0) * ground.Weight(split, topDepth);
        var high = Math.Min(area, Place.Place.Support.Area) * ground.Weight(0, split);
        var load = new GroundLoad(soil, area * soil, low + high, ground.WaterPressure(Ground.Level - Underside), (Rules.Concrete.Weight * Thickness) + soil, split);
        return Ground.UpliftSpread > 0 ? Beside(load, ground, topDepth) : load;
    }

    // A slope from the top's edges upwards: at a height z over the top the soil reaches z·t beyond. By depth, buoyant below the water, as no water pushes the base up there.
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

    /// <summary>Factored weight of soil beside the base that hangs on it in a combination: where what stands on the base pulls up as a whole; on a metre of edge and at each corner, kN/m and kN.</summary>
    public (double Wedge, double Corner) Rising(int combination)
    {
        ref readonly var g = ref GroundLoad(combination);
        if (g.Wedge == 0 || Place.Sums[combination].N + Place.LoadForce(combination) + (Place.LoadPressure(combination) * Length * Width) >= 0)
        {
            return default;
        }

        var f = Combinations[combination].WeightFactor;
        return (f * g.Wedge, f * g.Corner);
    }

    /// <summary>All of it, kN.</summary>
    public double RisingWeight(int combination)
    {
        var (wedge, corner) = Rising(combination);
        return (2 * (Length + Width) * wedge) + (4 * corner);
    }

    /// <summary>Forces beyond the column's faces in a combination: what flexure, shear of the top and anchorage all ask for.</summary>
    internal ref readonly OfConcrete.FaceForces AtFaces(int combination)
    {
        if (facedAt[combination] != Generation)
        {
            faces[combination] = OfConcrete.FaceForces.Of(this, combination);
            facedAt[combination] = Generation;
        }

        return ref faces[combination];
    }

    private void Solve(int combination)
    {
        if (solvedAt[combination] == Generation)
        {
            return;
        }

        var none = default(NoTrace);
        var l = BaseLoadCase.Compute(this, combination, true, ref none);
        loads[combination] = l;
        contact[combination] = ContactSolver.Rectangle(Length, Width, l.N, l.XR, l.YR);
        solvedAt[combination] = Generation;
    }
}
