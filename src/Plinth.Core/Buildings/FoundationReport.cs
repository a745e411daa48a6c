using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Buildings;

/// <summary>A foundation with what is known of it, for output.</summary>
/// <param name="Foundation">The foundation.</param>
/// <param name="Design">Its design; null: not sized.</param>
/// <param name="Result">Its checks; null: not sized.</param>
/// <param name="State">How sizing left it: "sized", "kept", "by hand", "held", "none found"; null where nothing was sized.</param>
/// <param name="Stop">What stopped sizing; null if nothing did.</param>
public sealed record FoundationReport(Foundation Foundation, FoundationDesign? Design, FoundationResult? Result, string? State = null,
    SizingStop? Stop = null)
{
    /// <summary>How much all actions may grow, as a share of them; null: not asked.</summary>
    public double? Room { get; init; }

    /// <summary>Shear and moment along it in the combinations that govern; null: not asked.</summary>
    public IReadOnlyList<Figures.GoverningDiagram>? Diagrams { get; init; }

    /// <summary>Whether it is sized and all its checks pass.</summary>
    public bool Passes => Result is { Passes: true };
}
