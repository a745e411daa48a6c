using Plinth.Core.Contact;

namespace Plinth.Core.Figures;

/// <summary>A strut of the model of a cap. Places from the cap's centroid, m; forces in kN.</summary>
/// <param name="Pile">Number of the pile.</param>
/// <param name="At">The pile's centre.</param>
/// <param name="Ends">Where it ends in plan: the nearest quarter point of the nearest column's load.</param>
/// <param name="SlopeDegrees">Against the ties, degrees.</param>
/// <param name="Load">Of the pile, out of place in the direction that is worst for it.</param>
/// <param name="Force">In the strut; 0 where the pile pulls, or the strut is too flat.</param>
/// <param name="Strength">Of the strut.</param>
/// <param name="NodeStrength">Of the node on the pile's head.</param>
/// <param name="IsFlat">Whether it is flatter than 25°, so that the sections alone hold the pile.</param>
public readonly record struct StrutLine(int Pile, PlanPoint At, PlanPoint Ends, double SlopeDegrees, double Load, double Force,
    double Strength, double NodeStrength, bool IsFlat);

/// <summary>The node under a column.</summary>
/// <param name="Name">The column's label; empty where there is but one.</param>
/// <param name="At">Its middle, m from the cap's centroid.</param>
/// <param name="X">Its side along x, m.</param>
/// <param name="Y">Its side along y, m.</param>
/// <param name="Load">N, kN.</param>
/// <param name="Strength">kN.</param>
public readonly record struct ColumnNode(string Name, PlanPoint At, double X, double Y, double Load, double Strength);

/// <summary>A tie: the greatest at a column's quarter points.</summary>
/// <param name="Name">The column's label; empty where there is but one.</param>
/// <param name="AlongX">Along x, or along y.</param>
/// <param name="Force">kN.</param>
/// <param name="Strength">kN.</param>
/// <param name="IsTop">Whether it lies in the top.</param>
public readonly record struct CapTieForce(string Name, bool AlongX, double Force, double Strength, bool IsTop);

/// <summary>The strut-and-tie model of a cap on piles in a combination.</summary>
/// <param name="Must">Whether it must hold: a pile stands within d of a column's face. Else it is shown.</param>
/// <param name="Depth">Of the ties below the top, mean of both ways, m.</param>
/// <param name="Height">z, m.</param>
/// <param name="Struts">By pile.</param>
/// <param name="Nodes">Under the columns.</param>
/// <param name="Ties">By column and direction.</param>
public sealed record StrutFigure(bool Must, double Depth, double Height, IReadOnlyList<StrutLine> Struts, IReadOnlyList<ColumnNode> Nodes,
    IReadOnlyList<CapTieForce> Ties);
