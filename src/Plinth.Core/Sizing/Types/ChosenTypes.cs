namespace Plinth.Core.Sizing;

/// <summary>The types chosen for some footings.</summary>
/// <param name="Types">Indices of the chosen candidates, cheapest first.</param>
/// <param name="Of">For each footing the candidate that serves it.</param>
/// <param name="Cost">Total cost.</param>
/// <param name="Gap">By how much, as a share, it may cost more than the least possible: proved; 0: no cheaper choice exists.</param>
public sealed record ChosenTypes(IReadOnlyList<int> Types, IReadOnlyList<int> Of, double Cost, double Gap)
{
    /// <summary>Whether no cheaper choice exists.</summary>
    public bool Proven => Gap <= 1e-9;
}
