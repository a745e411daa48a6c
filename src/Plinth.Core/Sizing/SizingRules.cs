using Plinth.Core.Schedules;

namespace Plinth.Core.Sizing;

/// <summary>The plan shape that is asked.</summary>
public enum PlanShape
{
    /// <summary>Equal sides.</summary>
    Square,

    /// <summary>Sides may differ, up to an aspect.</summary>
    Rectangular,
}

/// <summary>Bounds and steps of the search for sizes. Lengths in m.</summary>
/// <param name="Shape">Square or rectangular.</param>
/// <param name="LeastPlan">Least side.</param>
/// <param name="MostPlan">Greatest side.</param>
/// <param name="LeastThickness">Least thickness.</param>
/// <param name="MostThickness">Greatest thickness.</param>
/// <param name="PlanStep">Sides are whole multiples of it.</param>
/// <param name="ThicknessStep">Thickness is a whole multiple of it.</param>
/// <param name="Aspect">Longer over shorter side, at most.</param>
/// <param name="Target">Highest utilisation that sizing may leave.</param>
public sealed record SizingRules(
    PlanShape Shape,
    double LeastPlan,
    double MostPlan,
    double LeastThickness,
    double MostThickness,
    double PlanStep,
    double ThicknessStep,
    double Aspect,
    double Target)
{
    /// <summary>Length over width, held; null: by <see cref="Shape"/>.</summary>
    public double? Ratio { get; init; }

    /// <summary>Least distance from the column's face to an edge that is not held.</summary>
    public double LeastOverhang { get; init; }
}

/// <summary>Rates by which sizing weighs steel against concrete; any currency, only their ratios count.</summary>
/// <param name="Concrete">Per m3 of concrete.</param>
/// <param name="Steel">Per kg of steel.</param>
/// <param name="Excavation">Per m3 of excavation.</param>
/// <param name="Formwork">Per m2 of formwork.</param>
/// <param name="Pile">Per m of pile, where its length is stated.</param>
/// <param name="PileEach">Per pile.</param>
public sealed record RateRules(double Concrete = 180, double Steel = 1.8, double Excavation = 25, double Formwork = 45, double Pile = 100,
    double PileEach = 500)
{
    /// <summary>Cost of quantities, in the rates' currency. Blinding is not counted.</summary>
    public double Cost(in Quantities q) =>
        (Concrete * q.Concrete) + (Steel * q.Steel) + (Excavation * q.Excavation) + (Formwork * q.Formwork) + (Pile * q.PileMetres)
            + (PileEach * q.Piles);
}
