using System.Runtime.CompilerServices;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;

namespace Plinth.Core.Bodies;

/// <content>What presses on it and how the ground holds it, combination by combination.</content>
public sealed partial class GroundBody
{
    /// <summary>Force downwards of a case at all columns together, kN: what lifts one and presses another counts as one.</summary>
    public double CaseForce(int loadCase)
    {
        var sum = 0.0;
        foreach (var c in columns)
        {
            sum += c.Loaded.CaseActions[loadCase].N;
        }

        return sum;
    }

    /// <summary>Loads at the centroid of the underside in a combination.</summary>
    public ref readonly BaseLoads Loads(int combination)
    {
        if (Bed is null)
        {
            Solve(combination);
        }
        else
        {
            Lay(combination);
        }

        return ref loads[combination];
    }

    /// <summary>Contact in a combination, surcharge included.</summary>
    public ref readonly ContactSolution Contact(int combination)
    {
        Solve(combination);
        return ref contact[combination];
    }

    private bool HasSurcharge(int combination) =>
        (Ground.Surcharge != 0 && Place.SurchargeFactors[combination] != 0) || Backing?.Stands(combination) == true;

    /// <summary>Contact in a combination without the surcharge, which must help in no stability.</summary>
    public ContactSolution ContactWithoutSurcharge(int combination)
    {
        if (!HasSurcharge(combination))
        {
            return Contact(combination);
        }

        return Whole is { } whole
            ? PartOf(whole.LoadsWithoutSurcharge(combination), whole.ContactWithoutSurcharge(combination)).Contact
            : Bed is { } bed ? bed.HoldWithoutSurcharge(combination)
            : Solved(LoadsWithoutSurcharge(combination));
    }

    /// <summary>Loads at the centroid of the underside in a combination without the surcharge.</summary>
    public BaseLoads LoadsWithoutSurcharge(int combination)
    {
        if (!HasSurcharge(combination))
        {
            return Loads(combination);
        }

        if (Whole is { } whole)
        {
            return PartOf(whole.LoadsWithoutSurcharge(combination), whole.ContactWithoutSurcharge(combination)).Loads;
        }

        var none = default(NoTrace);
        return BaseLoadCase.Compute(this, combination, false, ref none);
    }

    /// <summary>The pressures that hold loads at the centroid.</summary>
    internal ContactSolution Solved(in BaseLoads l) =>
        parts.Length > 0 ? ContactSolver.Several(outline, corners, CornersOfPart, l.N, l.XR, l.YR)
        : IsRectangle ? ContactSolver.Rectangle(Length, Width, l.N, l.XR, l.YR) : ContactSolver.Polygon(outline, l.N, l.XR, l.YR);

    /// <summary>What presses on it in a combination and what holds it.</summary>
    public Figures.BodyBalance Balance(int combination)
    {
        ref readonly var l = ref Loads(combination);
        var (columnsN, beside, water) = (0.0, 0.0, parts.Length > 0 || Backing is not null ? WaterPush(combination)
            : GroundLoad(combination).WaterPressure * Area);
        foreach (var c in columns)
        {
            columnsN += c.Action(combination).N;
        }

        // What rows that cross weigh twice is told with their weights.
        for (var i = 0; i < Place.Beside; i++)
        {
            beside += Place.LoadTerms[combination][i].Factor * placedLoads[i].N;
        }

        return new Figures.BodyBalance(columnsN, l.N + water - columnsN - beside, beside, Pushed(combination).Force, water);
    }

    /// <summary>The loads beside the columns, on this base.</summary>
    public ReadOnlySpan<PlacedLoad> PlacedLoads => placedLoads;

    /// <summary>
    /// Factored loads beside the columns within a rectangle: their sum, and its moments about the centroid, kN and kNm. What lies over the
    /// whole of an outline that is
    /// no rectangle stands in <see cref="PressedPerArea"/>.
    /// </summary>
    public (double Force, double MomentX, double MomentY) LoadsWithin(int combination, double x0, double y0, double x1, double y1)
    {
        var (force, mx, my) = (0.0, 0.0, 0.0);
        for (var i = 0; i < placedLoads.Length; i++)
        {
            if (!IsRectangle && Place.Loads[i].Shape == PlanLoadShape.WholeBase)
            {
                continue;
            }

            var (shareX, atX) = placedLoads[i].Within(true, x0, x1);
            var (shareY, atY) = placedLoads[i].Within(false, y0, y1);
            var n = Place.LoadTerms[combination][i].Factor * placedLoads[i].N * shareX * shareY;
            (force, mx, my) = (force + n, mx + (n * atX), my + (n * atY));
        }

        return (force, mx, my);
    }

    /// <summary>Push of the water on the whole underside in a combination, kN.</summary>
    public double WaterPush(int combination)
    {
        var pressure = GroundLoad(combination).WaterPressure;
        return parts.Length > 0 ? (pressure * Area) + LinesPush(combination)
            : IsPolygon ? pressure * Area
            : Backing is { } behind ? (pressure * Area) + behind.Lift(combination)
            : pressure * Length * Width;
    }

    /// <summary>Factored weight of base, soil and surcharge on a unit of area in a combination, kPa.</summary>
    public double WeightPerArea(int combination) =>
        (Combinations[combination].WeightFactor * GroundLoad(combination).WeightPerArea)
            + (Place.SurchargeFactors[combination] * Ground.Surcharge);

    /// <summary>
    /// The same with what is laid over the whole of an outline that is no rectangle: there it goes with the area, not with a rectangle's
    /// sides.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public double PressedPerArea(int combination) =>
        IsRectangle ? WeightPerArea(combination) : WeightPerArea(combination) + Place.LoadPressure(combination);

    // Full weights; the water's own push stands apart.
    private GroundLoad Over(WaterState water, double top)
    {
        var ground = Ground.Column(water);
        var topDepth = Math.Max(0, Ground.Level - top);
        var soil = ground.Weight(0, topDepth);
        var displaced = 0.0;
        var standsDeep = Math.Max(0, Ground.Level - top - RibRise);
        foreach (var column in columns)
        {
            displaced += column.Displace(water, ground, standsDeep, Area);
        }

        // A rib stands in the soil's place all along, and weighs on the base's whole breadth.
        var (rib, missing) = (Rules.Concrete.Weight * RibBreadth * RibRise, RibBreadth * ground.Weight(standsDeep, topDepth));
        displaced += Length * missing;
        var load = new GroundLoad(soil, Area * soil, displaced, ground.WaterPressure(Ground.Level - Underside),
            (Rules.Concrete.Weight * Thickness) + soil + (RibBreadth > 0 ? (rib - missing) / Width : 0));
        // Where piles hold it soil beside it lifts nothing.
        return Ground.UpliftSpread > 0 && !IsPolygon && Whole is null ? Beside(load, ground, topDepth) : load;
    }

    private void Solve(int combination)
    {
        if (solvedAt[combination] == generation)
        {
            return;
        }

        if (Whole is { } whole)
        {
            (loads[combination], contact[combination]) = PartOf(whole.Loads(combination), whole.Contact(combination));
        }
        else
        {
            Lay(combination);
            ref readonly var l = ref loads[combination];
            contact[combination] = Rest is { } rest ? rest.Hold(combination, l)
                : Bed is { } bed ? bed.Hold(combination)
                : Solved(l);
        }

        solvedAt[combination] = generation;
    }

    // What presses on it is soon summed; how springs hold it is not, and not all that ask for the one ask for the other.
    private void Lay(int combination)
    {
        laidAt ??= Bed is null ? null : new int[Combinations.Length];
        if (laidAt is null || laidAt[combination] != generation)
        {
            var none = default(NoTrace);
            loads[combination] = BaseLoadCase.Compute(this, combination, true, ref none);
        }

        if (laidAt is not null)
        {
            laidAt[combination] = generation;
        }
    }
}
