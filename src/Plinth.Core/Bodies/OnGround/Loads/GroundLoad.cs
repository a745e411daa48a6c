namespace Plinth.Core.Bodies;

/// <summary>What the ground and its water do over and under a base, all with factor one.</summary>
/// <param name="SoilPerArea">Weight of the soil over the base on a unit of area, kPa.</param>
/// <param name="Block">Weight of the soil over the whole base, as if nothing stood in it, kN.</param>
/// <param name="Displaced">Weight of the soil whose place pedestal and column take, kN.</param>
/// <param name="WaterPressure">Pressure of the water on the underside, u, kPa.</param>
/// <param name="WeightPerArea">Weight of base and soil on a unit of area, kPa.</param>
public readonly record struct GroundLoad(double SoilPerArea, double Block, double Displaced, double WaterPressure, double WeightPerArea)
{
    /// <summary>Weight of the soil beside the base that rises with it, on a metre of its edges, kN/m; 0 where none is stated.</summary>
    public double Wedge { get; init; }

    /// <summary>The same at each corner, kN.</summary>
    public double Corner { get; init; }

    /// <summary>Weight of the soil over the base, less what is displaced, kN.</summary>
    public double Soil => Block - Displaced;
}
