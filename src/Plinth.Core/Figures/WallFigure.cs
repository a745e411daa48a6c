namespace Plinth.Core.Figures;

/// <summary>
/// A wall on its base as a drawing shows it cut across, m: along y from the body's centroid, heights over the underside.
/// </summary>
/// <param name="At">Its centreline.</param>
/// <param name="Thickness">Its thickness.</param>
/// <param name="Top">Its top; null: how high it is is not stated.</param>
/// <param name="SoilSide">+1 where soil is held back on the +y side, −1 on the −y side; 0: none is.</param>
/// <param name="Behind">Surface of that soil.</param>
/// <param name="Before">Surface of the soil on the other side.</param>
/// <param name="Water">Surface of the water behind the wall; null: none.</param>
/// <param name="Uprights">Its upright bars: where their centres lie, and whether they are those at the face towards the soil.</param>
/// <param name="Levels">Centres of its level bars: across, and up.</param>
/// <param name="StarterTop">Up to where its starters reach.</param>
public sealed record WallFigure(double At, double Thickness, double? Top, int SoilSide, double Behind, double Before, double? Water,
    IReadOnlyList<(double At, bool AtSoil)> Uprights, IReadOnlyList<(double At, double Up)> Levels, double StarterTop);
