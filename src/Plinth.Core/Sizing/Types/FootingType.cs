using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Sizing;

/// <summary>A type of footing and the foundations that it serves.</summary>
/// <param name="Design">Its design.</param>
/// <param name="Foundations">The foundations that take it, in order of mark.</param>
/// <param name="Number">How many are built.</param>
/// <param name="Each">Quantities of one.</param>
/// <param name="Cost">Cost of one.</param>
public sealed record FootingType(FoundationDesign Design, IReadOnlyList<Foundation> Foundations, int Number, Quantities Each, double Cost);

/// <summary>A building built with few types.</summary>
/// <param name="Types">Types, those kept as they are included, dearest last.</param>
/// <param name="Cost">Total cost.</param>
/// <param name="Concrete">Total concrete, m3.</param>
/// <param name="Steel">Total steel, kg.</param>
/// <param name="Gap">By how much, as a share, it may cost more than the least possible among the candidates; 0: nothing is cheaper.</param>
public sealed record TypedBuilding(IReadOnlyList<FootingType> Types, double Cost, double Concrete, double Steel, double Gap)
{
    /// <summary>Whether no cheaper choice exists among the candidates.</summary>
    public bool Proven => Gap <= 1e-9;
}

/// <summary>How a building is grouped.</summary>
/// <param name="Within">Choices that would save less than this share are not looked for.</param>
/// <param name="Time">How long the whole may take.</param>
/// <param name="Shift">Whether a footing may be moved under its column to join a type.</param>
public sealed record GroupingOptions(double Within, TimeSpan Time, bool Shift)
{
    /// <summary>
    /// Which foundations keep their mark, since something is written for it: they may take a type's design as it is drawn, and stand apart
    /// from the others.
    /// </summary>
    public Func<Foundation, bool> KeepsMark { get; init; } = f => f.Chosen is not null;

    /// <summary>One percent, eight seconds, no shifts.</summary>
    public static readonly GroupingOptions Default = new(0.01, TimeSpan.FromSeconds(8), false);

    /// <summary>Time for so many footings: eight seconds up to two thousand, then in proportion, forty at most.</summary>
    public static TimeSpan TimeFor(int footings) => TimeSpan.FromSeconds(Math.Clamp(footings / 250.0, 8, 40));
}
