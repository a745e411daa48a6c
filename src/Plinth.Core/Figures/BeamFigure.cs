namespace Plinth.Core.Figures;

/// <summary>
/// A beam that holds bases together as a drawing shows it, m: along x from the body's centroid, heights over the bases' underside.
/// </summary>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Underside">Its underside.</param>
/// <param name="Top">Its top.</param>
/// <param name="Width">Across.</param>
/// <param name="Stirrups">Where its stirrups stand.</param>
/// <param name="TopAt">Height of the centres of its top bars.</param>
/// <param name="BottomAt">That of the bottom bars.</param>
/// <param name="SidesAt">Those of the bars along each side.</param>
/// <param name="TopAcross">Where its top bars lie across.</param>
/// <param name="BottomAcross">Where its bottom bars do.</param>
/// <param name="Cover">From its sides, ends and faces to the outside of the stirrups: bottom, sides, top.</param>
public sealed record BeamFigure(double From, double To, double Underside, double Top, double Width, IReadOnlyList<double> Stirrups,
    double TopAt, double BottomAt, IReadOnlyList<double> SidesAt, IReadOnlyList<double> TopAcross, IReadOnlyList<double> BottomAcross,
    (double Bottom, double Side, double Top) Cover)
{
    /// <summary>The stretches over which its stirrups stand alike, one beginning where another ends, with how far apart.</summary>
    public IReadOnlyList<(double From, double To, double Spacing)> Stretches { get; init; } = [];
}
