using Plinth.Core.Concrete;

namespace Plinth.Core.Figures;

/// <summary>Bars of a zone of a layer as they lie.</summary>
/// <param name="Where">The zone as the bar schedule calls it: "at C5", "between"; empty: the whole layer.</param>
/// <param name="Layer">The bars.</param>
/// <param name="Depth">Effective depth, m.</param>
/// <param name="Across">Where each lies across them, m from the centroid, in order.</param>
public sealed record BarRun(string Where, BarLayer Layer, double Depth, IReadOnlyList<double> Across);
