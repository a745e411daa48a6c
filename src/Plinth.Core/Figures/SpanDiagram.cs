using Plinth.Core.Contact;

namespace Plinth.Core.Figures;

/// <summary>What a section along a base under several columns is looked at for.</summary>
public enum SpanMark
{
    /// <summary>Moment at a column's face.</summary>
    Face,

    /// <summary>Moment where the shear passes through nil.</summary>
    Peak,

    /// <summary>Shear, at d from a face, at the face, or in the middle between columns near each other.</summary>
    Shear,
}

/// <summary>A point of a diagram along a base under several columns.</summary>
/// <param name="At">Where it lies from the base's centroid, m.</param>
/// <param name="Shear">V, kN.</param>
/// <param name="Moment">M, positive where it stretches the bottom, kNm.</param>
/// <param name="Pressure">Pressure of the ground, its mean over the breadth there, kPa.</param>
/// <param name="Breadth">The breadth there, m.</param>
public readonly record struct SpanPoint(double At, double Shear, double Moment, double Pressure, double Breadth)
{
    /// <summary>Push of the ground on a length of the base, kN/m.</summary>
    public double Push => Pressure * Breadth;
}

/// <summary>A section along a base under several columns with what is demanded and what holds.</summary>
/// <param name="Mark">What it is looked at for.</param>
/// <param name="At">Where it lies from the base's centroid, m.</param>
/// <param name="Shear">V there, of the part towards −x, upwards positive, kN.</param>
/// <param name="Moment">M there, positive where it stretches the bottom, kNm.</param>
/// <param name="Strength">φMn of the stretched face, or φVc, kNm or kN; 0 where there are no bars.</param>
/// <param name="Words">In words: "right face of C5", "V = 0", "d right of C5".</param>
public readonly record struct SpanSection(SpanMark Mark, double At, double Shear, double Moment, double Strength, string Words)
{
    /// <summary>What is demanded, without sign, kN or kNm.</summary>
    public double Demand => Math.Abs(Mark == SpanMark.Shear ? Shear : Moment);
}

/// <summary>A strip across a base at a column with what is demanded and what holds, on both sides of the column.</summary>
/// <param name="Column">The column, or columns that share it.</param>
/// <param name="From">Where the band of its bars begins along x, m from the centroid.</param>
/// <param name="To">Where that ends, m.</param>
/// <param name="Moment">The greatest moment at a face, kNm.</param>
/// <param name="MomentStrength">φMn of its bars, kNm.</param>
/// <param name="Shear">The greatest shear at d from a face over its tributary length, kN.</param>
/// <param name="ShearStrength">φVc there, kN.</param>
public readonly record struct BandSection(string Column, double From, double To, double Moment, double MomentStrength, double Shear,
    double ShearStrength);

/// <summary>What presses on a body under several columns, or holds it.</summary>
public enum BodyForceKind
{
    /// <summary>A column: its force, and its moment at the underside.</summary>
    Column,

    /// <summary>Pedestals, less the soil whose place they and the columns take.</summary>
    Upright,

    /// <summary>Base, soil and surcharge, even over the base.</summary>
    Weights,

    /// <summary>A load beside the columns.</summary>
    Beside,

    /// <summary>Soil that rises with it.</summary>
    Rising,

    /// <summary>The water's push.</summary>
    Water,

    /// <summary>The ground's.</summary>
    Ground,
}

/// <summary>A force on the whole body, factored.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Words">In words: "C25", "weights".</param>
/// <param name="Force">Downwards, kN: of ground and water less than nil.</param>
/// <param name="At">Where it acts from the base's centroid along x, m.</param>
/// <param name="Turns">Its own moment there, at the underside: positive where it presses the +x side, kNm.</param>
public readonly record struct BodyForce(BodyForceKind Kind, string Words, double Force, double At, double Turns)
{
    /// <summary>Its moment about the base's centroid, kNm.</summary>
    public double Moment => (Force * At) + Turns;
}

/// <summary>
/// Shear and moment along a base under several columns from end to end, with the sections that are looked at, and the strips across.
/// </summary>
/// <param name="State">How the base bears.</param>
/// <param name="Points">From −x to +x; within a column's own width its load is spread.</param>
/// <param name="Columns">Where each column's faces lie, and its name.</param>
/// <param name="Sections">In order of place.</param>
/// <param name="Bands">From −x.</param>
/// <param name="Body">All forces on the body, the ground's last: they close to nil but for rounding.</param>
public sealed record SpanDiagram(
    ContactState State,
    IReadOnlyList<SpanPoint> Points,
    IReadOnlyList<(double Low, double High, string Name)> Columns,
    IReadOnlyList<SpanSection> Sections,
    IReadOnlyList<BandSection> Bands,
    IReadOnlyList<BodyForce> Body);
