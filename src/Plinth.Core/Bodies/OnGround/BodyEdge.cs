namespace Plinth.Core.Bodies;

/// <summary>An edge about which a body may tip.</summary>
/// <param name="X">Its outward normal along x; of length one with y.</param>
/// <param name="Y">The same along y.</param>
/// <param name="Distance">How far it lies from the centroid, m.</param>
/// <param name="AlongX">Whether tipping over it counts as along x: its normal lies nearer to x.</param>
/// <param name="Side">+1: it faces the axis's end; −1: its beginning.</param>
public readonly record struct BodyEdge(double X, double Y, double Distance, bool AlongX, int Side);
