using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>One of the two bases of a strap footing.</summary>
/// <param name="Length">Along the beam, m.</param>
/// <param name="Width">Across it, m.</param>
/// <param name="Thickness">m.</param>
/// <param name="BottomX">Bottom bars along the beam.</param>
/// <param name="BottomY">Bottom bars across.</param>
/// <param name="TopX">Top bars along.</param>
/// <param name="TopY">Top bars across.</param>
public sealed record StrapBase(double Length, double Width, double Thickness, BarSpec BottomX, BarSpec BottomY, BarSpec TopX, BarSpec TopY)
{
    /// <summary>A base of which nothing is known yet.</summary>
    public static readonly StrapBase Blank = new(0, 0, 0, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None);

    /// <summary>Its sides and thickness.</summary>
    public BaseSize Size => new(Length, Width, Thickness);

    /// <summary>A layer of its bars.</summary>
    public BarSpec Layer(bool alongX, bool bottom) => bottom ? (alongX ? BottomX : BottomY) : alongX ? TopX : TopY;
}

/// <summary>
/// A strap footing in force: a base at an edge and an inner one, and a beam clear of the ground that holds them together.
/// </summary>
/// <param name="Edge">The base under the first support.</param>
/// <param name="Inner">That under the second, its middle under the column.</param>
/// <param name="Beam">The beam.</param>
/// <param name="At">What stands on the bases.</param>
public sealed record StrapDesign(StrapBase Edge, StrapBase Inner, BeamDesign Beam, ImmutableArray<CarriedColumn> At)
    : FoundationDesign(new BaseSize(Edge.Length + Inner.Length, Math.Max(Edge.Width, Inner.Width),
        Math.Max(Edge.Thickness, Inner.Thickness)))
{
    /// <summary>The same with other bases and beam.</summary>
    public StrapDesign With(StrapBase edge, StrapBase inner, BeamDesign beam) => new(edge, inner, beam, At);

    /// <summary>One of its bases: 0 at the edge, 1 the inner one.</summary>
    public StrapBase Base(int part) => part == 0 ? Edge : Inner;

    /// <summary>The same with another base.</summary>
    public StrapDesign WithBase(int part, StrapBase other) => part == 0 ? With(other, Inner, Beam) : With(Edge, other, Beam);

    /// <summary>The same with something else at a column.</summary>
    public StrapDesign With(int column, Upright upright) =>
        this with { At = At.SetItem(column, At[column] with { Upright = upright }) };

    /// <inheritdoc/>
    public override int Columns => At.Length;

    /// <inheritdoc/>
    public override Upright Under(int column) => At[column].Upright;

    /// <inheritdoc/>
    public override double ThicknessUnder(int column) => Base(column).Thickness;

    /// <inheritdoc/>
    public override IReadOnlyList<BaseSize> Bases => [Edge.Size, Inner.Size];

    /// <inheritdoc/>
    public override double Area => (Edge.Length * Edge.Width) + (Inner.Length * Inner.Width);

    /// <inheritdoc/>
    public override double Perimeter => 2 * (Edge.Length + Edge.Width + Inner.Length + Inner.Width);

    /// <inheritdoc/>
    public override double AreaWith(double beyond) =>
        ((Edge.Length + (2 * beyond)) * (Edge.Width + (2 * beyond))) + ((Inner.Length + (2 * beyond)) * (Inner.Width + (2 * beyond)));

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Words(alongX, bottom, b => b.ToString());

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Words(alongX, bottom, b => b.Drawn);

    /// <inheritdoc/>
    public override IReadOnlyList<(string Name, string Words)> Others(UnitSystem units) =>
    [
        ("beam", $"{Dimension.PlainSection(Beam.Width, units)} × {Dimension.Section(Beam.Depth, units)}, "
            + $"{Dimension.Section(Beam.Gap, units)} over the bases' "
            + $"underside{(Beam.OverBase ? "" : ", to the inner column")}; top {Beam.Top.Drawn}, "
            + $"bottom {Beam.Bottom.Drawn}, stirrups {Beam.Stirrups.Drawn}"
            + (Beam.Sides.Size is null ? "" : $", {Beam.Sides.Drawn} along each side")),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<(string Plan, string Thickness)> Members(UnitSystem units) =>
    [
        .. Bases.Select(b => ($"{Dimension.PlainPlan(b.Length, units)} × {Dimension.PlainPlan(b.Width, units)}",
            Dimension.PlainSection(b.Thickness, units))),
        ($"beam {Dimension.PlainPlan(Beam.Width, units)}", Dimension.PlainSection(Beam.Depth, units)),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<string> OtherBars =>
        ["stirrups", Beam.Stirrups.Drawn, .. Beam.Sides.Size is null ? (string[])[] : [$"each side {Beam.Sides.Drawn}"]];

    /// <inheritdoc/>
    public bool Equals(StrapDesign? other) => base.Equals(other) && Edge == other!.Edge && Inner == other.Inner && Beam == other.Beam
        && At.SequenceEqual(other.At);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Edge, Inner, Beam, At.Length);

    private string Words(bool alongX, bool bottom, Func<BarSpec, string> words)
    {
        List<(BarSpec Bars, string Where)> layers = [(Edge.Layer(alongX, bottom), "edge"), (Inner.Layer(alongX, bottom), "inner")];
        if (alongX)
        {
            layers.Add((bottom ? Beam.Bottom : Beam.Top, "beam"));
        }

        var some = layers.Where(l => l.Bars.Size is not null).Select(l => $"{words(l.Bars)} {l.Where}").ToList();
        return some.Count == 0 ? NoBars : string.Join(", ", some);
    }
}
