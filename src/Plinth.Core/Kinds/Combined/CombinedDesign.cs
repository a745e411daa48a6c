using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What of a design belongs to one column.</summary>
/// <param name="Label">The column, as its support is called at the first place.</param>
/// <param name="Band">Bottom bars across, within the column's band; of columns that share a band the first one's count.</param>
/// <param name="Upright">Pedestal and dowels.</param>
public readonly record struct ColumnDesign(string Label, BarSpec Band, Upright Upright);

/// <summary>A base under several columns in force: a rectangle, or a trapezoid whose ends lie across its x.</summary>
/// <param name="Size">Length, width at the −x end, thickness.</param>
/// <param name="HighWidth">Width at the +x end, m.</param>
/// <param name="Offset">The place's origin, midway between first and last support, from the base's centroid, m.</param>
/// <param name="BottomX">Bottom bars along the whole base.</param>
/// <param name="TopX">Top bars along the whole base.</param>
/// <param name="TopY">Top bars across.</param>
/// <param name="Rest">Bottom bars across, outside all bands.</param>
/// <param name="At">What belongs to each column, in order.</param>
public record CombinedDesign(BaseSize Size, double HighWidth, PlanPoint Offset, BarSpec BottomX, BarSpec TopX, BarSpec TopY,
    BarSpec Rest, ImmutableArray<ColumnDesign> At)
    : FoundationDesign(Size)
{
    /// <inheritdoc/>
    public override int Columns => At.Length;

    /// <inheritdoc/>
    public override Upright Under(int column) => At[column].Upright;

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Words(alongX, bottom, b => b.ToString());

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Words(alongX, bottom, b => b.Drawn);

    private string Words(bool alongX, bool bottom, Func<BarSpec, string> words)
    {
        if (alongX || !bottom)
        {
            return alongX ? words(bottom ? BottomX : TopX) + Along(bottom) : words(TopY);
        }

        var zones = At.Where(a => a.Band.Size is not null).Select(a => $"{words(a.Band)} at {a.Label}").ToList();
        return zones.Count == 0 && Rest.Size is null
            ? NoBars
            : string.Join(", ", Rest.Size is null ? zones : [.. zones, $"{words(Rest)} between"]);
    }

    // Beside those that run through.
    private protected virtual string Along(bool bottom) => "";

    /// <inheritdoc/>
    public override double EndWidth => HighWidth;

    /// <summary>Whether both ends are as wide.</summary>
    public bool IsRectangle => HighWidth == Size.Width;

    /// <inheritdoc/>
    public override IReadOnlyList<PlanPoint> Outline
    {
        get
        {
            if (IsRectangle)
            {
                return base.Outline;
            }

            var (low, a, b) = (-TrapezoidCentroid(Size.Length, Size.Width, HighWidth), Size.Width / 2, HighWidth / 2);
            return [new(low, -a), new(low + Size.Length, -b), new(low + Size.Length, b), new(low, a)];
        }
    }

    /// <inheritdoc/>
    public override double Area => Size.Length * (Size.Width + HighWidth) / 2;

    /// <inheritdoc/>
    public override double Perimeter => Size.Width + HighWidth + (2 * Slant);

    /// <inheritdoc/>
    /// <remarks>Corners stay sharp: between edges that turn by an angle the corner adds tan(angle/2)·beyond² on each side.</remarks>
    public override double AreaWith(double beyond)
    {
        var turn = Math.Atan2((Size.Width - HighWidth) / 2, Size.Length);
        return Area + (Perimeter * beyond)
            + (2 * beyond * beyond * (Math.Tan((Math.PI / 4) - (turn / 2)) + Math.Tan((Math.PI / 4) + (turn / 2))));
    }

    /// <summary>Length of a long edge, m.</summary>
    public double Slant => Math.Sqrt((Size.Length * Size.Length) + ((Size.Width - HighWidth) * (Size.Width - HighWidth) / 4));

    /// <summary>A design with something else at a column.</summary>
    public CombinedDesign With(int column, ColumnDesign other) => this with { At = At.SetItem(column, other) };

    /// <summary>Centroid of a trapezoid from its −x end, m.</summary>
    /// <param name="length">m.</param>
    /// <param name="low">Width at the −x end, m.</param>
    /// <param name="high">Width at the +x end, m.</param>
    public static double TrapezoidCentroid(double length, double low, double high) => length * (low + (2 * high)) / (3 * (low + high));

    /// <inheritdoc/>
    public virtual bool Equals(CombinedDesign? other) => base.Equals(other) && HighWidth == other!.HighWidth && Offset == other.Offset
        && BottomX == other.BottomX && TopX == other.TopX && TopY == other.TopY && Rest == other.Rest && At.SequenceEqual(other.At);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), HighWidth, Offset, BottomX, TopX, TopY, Rest, At.Length);
}
