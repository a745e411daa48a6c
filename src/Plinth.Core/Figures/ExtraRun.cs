using Plinth.Core.Concrete;

namespace Plinth.Core.Figures;

/// <summary>Extra bars beside those that run through along x, as they lie.</summary>
/// <param name="Bottom">At the bottom over a column, or on top in a bay.</param>
/// <param name="Where">What the bar schedule calls them: "over C2", "in C2+C3".</param>
/// <param name="Layer">The bars.</param>
/// <param name="From">Where they begin, m from the body's centroid.</param>
/// <param name="To">Where they end, m.</param>
/// <param name="Hooks">Whether they have a hook where they begin, and where they end.</param>
/// <param name="Across">Where each lies across, m, in order.</param>
public sealed record ExtraRun(bool Bottom, string Where, BarLayer Layer, double From, double To, (bool Low, bool High) Hooks,
    IReadOnlyList<double> Across);
