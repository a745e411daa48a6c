using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What stands on a cap at one of its columns.</summary>
/// <param name="Label">The support.</param>
/// <param name="Upright">What is between cap and column.</param>
public sealed record CapColumn(string Label, Upright Upright);

/// <summary>A cap on piles in force.</summary>
/// <param name="Size">Its sides and thickness.</param>
/// <param name="Layout">Name of the layout of its piles.</param>
/// <param name="Pitch">Distance of the piles' centres, m.</param>
/// <param name="BottomX">Bottom bars along x, as written.</param>
/// <param name="BottomY">Bottom bars along y.</param>
/// <param name="TopX">Top bars along x.</param>
/// <param name="TopY">Top bars along y.</param>
/// <param name="At">What stands on it, in the order of the supports.</param>
public sealed record CapDesign(BaseSize Size, string Layout, double Pitch, BarSpec BottomX, BarSpec BottomY, BarSpec TopX, BarSpec TopY,
    ImmutableArray<CapColumn> At)
    : FoundationDesign(Size)
{
    private (string Layout, double Pitch, int Turns, ImmutableArray<PlanPoint> Own, ImmutableArray<PlanPoint> Places)? found;

    /// <summary>Own places of the piles, from the place's origin, m; empty: they stand by the layout.</summary>
    public ImmutableArray<PlanPoint> Own { get; init; } = [];

    /// <summary>The layout; null: there is none of that name.</summary>
    public PileLayout? Laid => Own.IsEmpty ? PileLayout.Find(Layout) : PileLayout.Own(Own);

    /// <summary>The same with its piles at places of their own.</summary>
    /// <param name="places">From the place's origin, m.</param>
    public CapDesign Standing(IReadOnlyList<PlanPoint> places)
    {
        var middle = PileLayout.Centroid(places);
        return this with
        {
            Own = [.. places],
            Layout = PileLayout.OwnName,
            Pitch = 1,
            Turns = 0,
            Offset = new PlanPoint(-middle.X, -middle.Y)
        };
    }

    /// <summary>
    /// Of a cap that is a triangle with its corners cut: distance of its edges from the piles' centres, m, by which its sides go; null: it
    /// is a rectangle.
    /// </summary>
    public double? ToEdge { get; init; }

    /// <summary>The same with the sides of the rectangle round it, where its distance to the edges tells them.</summary>
    internal CapDesign Shaped()
    {
        if (ToEdge is not { } edge)
        {
            return this;
        }

        var (low, high) = CapPlan.Extent(CapPlan.Hexagon(Piles.AsSpan(), edge));
        return this with { Size = Size with { Length = Math.Round(high.X - low.X, 9), Width = Math.Round(high.Y - low.Y, 9) } };
    }

    /// <summary>Breadth over which bars along an axis are spread, m: at its sharp corners a hexagon has none.</summary>
    internal double MatBreadth(bool alongX) => MatReach(alongX) is var (from, to) ? to - from : 0;

    /// <summary>From where to where bars along an axis are spread across it, m from the cap's centroid.</summary>
    internal (double From, double To) MatReach(bool alongX)
    {
        var whole = alongX ? Size.Width : Size.Length;
        if (ToEdge is not { } edge)
        {
            return (-whole / 2, whole / 2);
        }

        // Of the two directions one has corners at its ends, where the chord is nothing; there bars begin where the next corners lie.
        var (low, high) = CapPlan.Extent(CapPlan.Hexagon(Piles.AsSpan(), edge));
        var (from, to) = alongX ? (low.Y, high.Y) : (low.X, high.X);
        var off = alongX == (Turns % 2 != 0) ? edge / Math.Sqrt(3) : 0;
        return (from + off, to - off);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<PlanPoint> Outline => ToEdge is { } edge ? CapPlan.Hexagon(Piles.AsSpan(), edge) : base.Outline;

    /// <inheritdoc/>
    public override string OutlineName => ToEdge is null ? "" : "hexagon";

    /// <inheritdoc/>
    public override double Area => ToEdge is null ? base.Area : PlanPolygon.DoubleArea(Outline) / 2;

    /// <inheritdoc/>
    public override double Perimeter => ToEdge is null ? base.Perimeter : PlanPolygon.Perimeter(Outline);

    /// <inheritdoc/>
    public override double AreaWith(double beyond) =>
        ToEdge is null ? base.AreaWith(beyond) : Area + (Perimeter * beyond) + (CornersOfHexagon * beyond * beyond);

    // Six corners, each turning by 60°: tan 30°.
    private static readonly double CornersOfHexagon = 6 / Math.Sqrt(3);

    /// <summary>Quarter turns of the layout, anticlockwise.</summary>
    public int Turns { get; init; }

    /// <summary>The place's origin (its support, or midway between the first and the last) from the piles' centroid, m.</summary>
    public PlanPoint Offset { get; init; }

    /// <summary>Bars along the sides, at a spacing up its height; none where they are not asked for.</summary>
    public BarSpec Sides { get; init; } = BarSpec.None;

    /// <inheritdoc/>
    public override BarSpec SideBars => Sides;

    /// <summary>Length of the piles, m; null: not stated.</summary>
    public double? PileLength { get; init; }

    /// <summary>Bars of a pile; none where they are not stated.</summary>
    public BarSpec PileBars { get; init; } = BarSpec.None;

    /// <summary>Ties of a pile.</summary>
    public BarSpec PileTies { get; init; } = BarSpec.None;

    /// <inheritdoc/>
    public override int Columns => At.Length;

    /// <inheritdoc/>
    public override Upright Under(int column) => At[column].Upright;

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Layer(alongX, bottom).ToString();

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Layer(alongX, bottom).Drawn;

    /// <summary>Where the piles stand from their centroid, by number; empty of an unknown layout.</summary>
    public ImmutableArray<PlanPoint> Piles
    {
        get
        {
            if (found is not { } f || f.Layout != Layout || f.Pitch != Pitch || f.Turns != Turns || f.Own != Own)
            {
                found = f = (Layout, Pitch, Turns, Own, Laid?.At(Pitch, Turns) ?? []);
            }

            return f.Places;
        }
    }

    /// <inheritdoc/>
    public override (int Count, string Layout, double Pitch) Piling =>
        (Piles.Length, Layout, Own.IsEmpty ? Pitch : PileLayout.Nearest(Piles.AsSpan()));

    /// <summary>
    /// The piles' centroid from that of the cap, m: a rectangle lies evenly round the outermost piles, a hexagon round their centroid.
    /// </summary>
    public PlanPoint PilesAt => ToEdge is null ? CapPlan.CentroidOf(Piles.AsSpan()) : default;

    /// <summary>The place's origin from the cap's centroid, m.</summary>
    public PlanPoint FromCentroid => new(Math.Round(Offset.X + PilesAt.X, 9), Math.Round(Offset.Y + PilesAt.Y, 9));

    /// <summary>The bars in the cap.</summary>
    /// <param name="sideCover">Cover at the sides, m.</param>
    public Reinforcement Bars(double sideCover) => new(
        BottomX.Resolve(MatBreadth(true), sideCover), BottomY.Resolve(MatBreadth(false), sideCover),
        TopX.Resolve(MatBreadth(true), sideCover), TopY.Resolve(MatBreadth(false), sideCover));

    /// <summary>The same with what stands at a column.</summary>
    public CapDesign With(int column, Upright upright) => this with { At = At.SetItem(column, At[column] with { Upright = upright }) };

    /// <summary>Whether both are the same: what was found of the piles is no part of it.</summary>
    public bool Equals(CapDesign? other) =>
        other is not null && Size == other.Size && Layout == other.Layout && Pitch == other.Pitch && Turns == other.Turns
            && Offset == other.Offset && ToEdge == other.ToEdge && Own.SequenceEqual(other.Own)
        && BottomX == other.BottomX && BottomY == other.BottomY && TopX == other.TopX && TopY == other.TopY && At.SequenceEqual(other.At)
        && PileLength == other.PileLength && PileBars == other.PileBars && PileTies == other.PileTies && Sides == other.Sides;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Size, Layout, Pitch, Turns, Offset, BottomX, BottomY, At.Length);

    private BarSpec Layer(bool alongX, bool bottom) =>
        (alongX, bottom) switch { (true, true) => BottomX, (false, true) => BottomY, (true, false) => TopX, _ => TopY };
}

/// <summary>The outline of a cap round its piles.</summary>
internal static class CapPlan
{
    /// <summary>The layout whose cap may be a hexagon.</summary>
    public const string OfThree = "3";

    /// <summary>The piles' centroid from the middle of what they take up, m.</summary>
    public static PlanPoint CentroidOf(ReadOnlySpan<PlanPoint> piles)
    {
        var (low, high) = Extent(piles);
        return new PlanPoint(Math.Round(-(low.X + high.X) / 2, 9), Math.Round(-(low.Y + high.Y) / 2, 9));
    }

    /// <summary>From where to where the centres of piles reach, m.</summary>
    public static (PlanPoint Low, PlanPoint High) Extent(ReadOnlySpan<PlanPoint> piles)
    {
        var (x0, y0, x1, y1) = (0.0, 0.0, 0.0, 0.0);
        for (var i = 0; i < piles.Length; i++)
        {
            var p = piles[i];
            (x0, y0, x1, y1) = i == 0 ? (p.X, p.Y, p.X, p.Y) : (Math.Min(x0, p.X), Math.Min(y0, p.Y), Math.Max(x1, p.X), Math.Max(y1, p.Y));
        }

        return (new PlanPoint(x0, y0), new PlanPoint(x1, y1));
    }

    /// <summary>
    /// The triangle whose sides lie at a distance off three piles, its corners cut at the same distance beyond them, anticlockwise, m.
    /// </summary>
    /// <param name="piles">Their centres, at an equilateral triangle about the centroid.</param>
    /// <param name="toEdge">The distance, m.</param>
    public static PlanPoint[] Hexagon(ReadOnlySpan<PlanPoint> piles, double toEdge)
    {
        var corners = new List<PlanPoint>(6);
        var reach = toEdge / Math.Cos(Math.PI / 6);
        foreach (var p in piles.ToArray().OrderBy(p => Math.Atan2(p.Y, p.X)))
        {
            var turn = Math.Atan2(p.Y, p.X);
            foreach (var by in (ReadOnlySpan<double>)[-Math.PI / 6, Math.PI / 6])
            {
                corners.Add(new PlanPoint(p.X + (reach * Math.Cos(turn + by)), p.Y + (reach * Math.Sin(turn + by))));
            }
        }

        return [.. corners];
    }

    /// <summary>The least distance of the edges of a hexagon from its piles on half steps of the plan, m.</summary>
    public static double ToEdge(double least, double step) => Math.Round(Math.Ceiling((least / (step / 2)) - 1e-6) * step / 2, 6);

    /// <summary>The least sides of a cap round its piles on whole steps, m.</summary>
    /// <param name="piles">Their centres.</param>
    /// <param name="toEdge">Least distance of a centre from the edge, m.</param>
    /// <param name="step">The step, m.</param>
    public static (double Length, double Width) Sides(ReadOnlySpan<PlanPoint> piles, double toEdge, double step)
    {
        var (low, high) = Extent(piles);
        double Side(double reach) => Math.Round(Math.Ceiling(((reach + (2 * toEdge)) / step) - 1e-6) * step, 6);
        return (Side(high.X - low.X), Side(high.Y - low.Y));
    }
}
