using Plinth.Core.Bodies;

namespace Plinth.Core.Checks;

/// <summary>What a check finds where it governs.</summary>
/// <param name="Subject">The part of the foundation.</param>
/// <param name="Combination">The combination; −1 where it depends on none.</param>
/// <param name="Outcome">What was found.</param>
/// <param name="Note">What to say of it; null if nothing.</param>
/// <param name="Along">Where along x the section lies, m from the base's centroid; null: it is of no section along x.</param>
public readonly record struct Finding(Subject Subject, int Combination, Outcome Outcome, string? Note, double? Along = null);
