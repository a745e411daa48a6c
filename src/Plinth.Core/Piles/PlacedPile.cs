using Plinth.Core.Contact;

namespace Plinth.Core.Piles;

/// <summary>A pile where it stands.</summary>
/// <param name="Mark">The cap's mark with the pile's number: "PC7/3"; of caps made alike with their place: "PC7@C20/3".</param>
/// <param name="Number">Its number within the cap.</param>
/// <param name="At">Its centre in project axes, m.</param>
/// <param name="Own">Its centre from the cap's centroid, in the cap's axes as it lies there, m.</param>
/// <param name="Rules">What is stated of it.</param>
/// <param name="AngleDegrees">How a square one is turned, degrees anticlockwise.</param>
/// <param name="CutOff">Level of its head, m.</param>
/// <param name="Length">Length below that, m; null: not stated.</param>
public sealed record PlacedPile(string Mark, int Number, PlanPoint At, PlanPoint Own, PileRules Rules, double AngleDegrees, double CutOff,
    double? Length)
{
    /// <summary>Level of its toe, m; null: its length is not stated.</summary>
    public double? Toe => Length is { } length ? CutOff - length : null;
}

/// <summary>
/// The greatest and least loads of a pile in the combinations in which it is checked, out of place in the direction that is worst for it.
/// </summary>
/// <param name="Number">Its number within the cap.</param>
/// <param name="Most">Greatest, kN, compression positive.</param>
/// <param name="MostCombination">Under which combination.</param>
/// <param name="Least">Least, kN.</param>
/// <param name="LeastCombination">Under which combination.</param>
/// <param name="Lateral">Greatest load across its axis, kN.</param>
public sealed record PileForces(int Number, double Most, string MostCombination, double Least, string LeastCombination, double Lateral);

/// <summary>A pile with its loads.</summary>
/// <param name="Pile">Where it stands.</param>
/// <param name="Forces">Its loads; null: no combination is for it.</param>
public sealed record PileResult(PlacedPile Pile, PileForces? Forces);
