namespace Plinth.Core.Figures;

/// <summary>What presses on a body in a combination and what holds it, factored, kN.</summary>
/// <param name="Columns">ΣN of its columns, downwards.</param>
/// <param name="Weights">Base, pedestals, soil, surcharge, and soil that rises with it.</param>
/// <param name="Loads">Loads beside the columns.</param>
/// <param name="Ground">∫p dA of the ground, upwards.</param>
/// <param name="Water">What the water pushes up.</param>
public readonly record struct BodyBalance(double Columns, double Weights, double Loads, double Ground, double Water)
{
    /// <summary>What is left of all, kN: nil but for rounding where there is equilibrium.</summary>
    public double Difference => Columns + Weights + Loads - Ground - Water;
}

/// <summary>Shear and moment along a base under several columns in a combination that governs something along it.</summary>
/// <param name="Place">Name of the place; null where there is but one.</param>
/// <param name="Combination">Name of the combination.</param>
/// <param name="Water">The water in it, in words; null where none matters.</param>
/// <param name="Governs">Ids of the checks that it governs.</param>
/// <param name="Diagram">The shear and moment.</param>
/// <param name="Balance">The whole body's balance.</param>
public sealed record GoverningDiagram(string? Place, string Combination, string? Water, IReadOnlyList<string> Governs, SpanDiagram Diagram,
    BodyBalance Balance);
