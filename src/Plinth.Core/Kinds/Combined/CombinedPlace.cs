using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The columns of a base as its plan sees them: where they stand from the place's origin in the base's own axes, m.</summary>
internal sealed class CombinedPlace
{
    private readonly (PlanPoint At, ColumnOutline Outline)[] columns;

    /// <summary>Places the columns.</summary>
    /// <param name="place">The place.</param>
    /// <param name="pedestal">The pedestal of a column; null: none.</param>
    public CombinedPlace(Place place, Func<int, Pedestal?> pedestal)
    {
        columns = [.. place.InOwnAxes().Select((p, i) => (p, BaseGeometry.Outline(place, place.Supports[i], pedestal(i))))];
    }

    /// <summary>The first support, m from the origin.</summary>
    public PlanPoint First => columns[0].At;

    /// <summary>The last support, m from the origin.</summary>
    public PlanPoint Last => columns[^1].At;

    /// <summary>The outermost face towards −x, m.</summary>
    public double LowX => columns.Min(c => c.At.X - (c.Outline.FaceX / 2));

    /// <summary>The outermost face towards +x, m.</summary>
    public double HighX => columns.Max(c => c.At.X + (c.Outline.FaceX / 2));

    /// <summary>The outermost face towards −y, m.</summary>
    public double LowY => columns.Min(c => c.At.Y - (c.Outline.FaceY / 2));

    /// <summary>The outermost face towards +y, m.</summary>
    public double HighY => columns.Max(c => c.At.Y + (c.Outline.FaceY / 2));

    /// <summary>
    /// Where a held edge at −x lies, m from the origin: from the first support, or flush with the outermost face; null: it is not held.
    /// </summary>
    public double? EdgeX0(HeldValues held) => held.EdgeX0 is { } e ? e.AtColumn ? LowX : First.X - e.Distance : null;

    /// <summary>The same at +x, from the last support.</summary>
    public double? EdgeX1(HeldValues held) => held.EdgeX1 is { } e ? e.AtColumn ? HighX : Last.X + e.Distance : null;

    /// <summary>The same at −y, from the line between the supports.</summary>
    public double? EdgeY0(HeldValues held) => held.EdgeY0 is { } e ? e.AtColumn ? LowY : -e.Distance : null;

    /// <summary>The same at +y.</summary>
    public double? EdgeY1(HeldValues held) => held.EdgeY1 is { } e ? e.AtColumn ? HighY : e.Distance : null;

    /// <summary>The length that both held edges leave, m; null: it is open.</summary>
    public double? HeldLength(HeldValues held) => held.Length ?? (EdgeX0(held) is { } a && EdgeX1(held) is { } b ? b - a : null);

    /// <summary>The width that both held edges leave, m; null: it is open.</summary>
    public double? HeldWidth(HeldValues held) => held.Width ?? (EdgeY0(held) is { } a && EdgeY1(held) is { } b ? b - a : null);

    /// <summary>The origin from the centroid of a base by its held edges or offsets, m; null: that is open.</summary>
    /// <param name="held">What is held.</param>
    /// <param name="length">Length of the base, m.</param>
    /// <param name="low">Its width at −x, m.</param>
    /// <param name="high">Its width at +x, m.</param>
    public (double? X, double? Y) HeldOffset(HeldValues held, double length, double low, double high)
    {
        var centroid = CombinedDesign.TrapezoidCentroid(length, low, high);
        var widest = Math.Max(low, high) / 2;
        var x = held.OffsetXGiven ? held.OffsetX
            : EdgeX0(held) is { } a ? -(a + centroid)
            : EdgeX1(held) is { } b ? -(b - length + centroid)
            : (double?)null;
        var y = held.OffsetYGiven ? held.OffsetY
            : EdgeY0(held) is { } c ? -(c + widest)
            : EdgeY1(held) is { } d ? -(d - widest)
            : (double?)null;
        return (x, y);
    }

    /// <summary>
    /// How far the nearest face of any column stands within each edge of a base, m: towards −x, +x, −y, +y; negative: beyond it.
    /// </summary>
    /// <param name="design">The base.</param>
    public (double X0, double X1, double Y0, double Y1) Within(CombinedDesign design)
    {
        var low = -CombinedDesign.TrapezoidCentroid(design.Size.Length, design.Size.Width, design.HighWidth);
        var (x0, x1, y0, y1) = (double.PositiveInfinity, double.PositiveInfinity, double.PositiveInfinity, double.PositiveInfinity);
        double Half(double x) =>
            (design.Size.Width + ((design.HighWidth - design.Size.Width) * Math.Clamp((x - low) / design.Size.Length, 0, 1))) / 2;
        foreach (var (at, outline) in columns)
        {
            var (x, y) = (at.X + design.Offset.X, at.Y + design.Offset.Y);
            var (a, b) = (x - (outline.FaceX / 2), x + (outline.FaceX / 2));
            var half = Math.Min(Half(a), Half(b));
            (x0, x1) = (Math.Min(x0, a - low), Math.Min(x1, low + design.Size.Length - b));
            (y0, y1) = (Math.Min(y0, half + y - (outline.FaceY / 2)), Math.Min(y1, half - y - (outline.FaceY / 2)));
        }

        return (x0, x1, y0, y1);
    }

    /// <summary>
    /// Offsets are written to so much, m: of a base as long as its columns reach one end or the other lies off by less.
    /// </summary>
    public const double Written = 1e-6;

    /// <summary>A column that stands beyond a base, by its number; −1: none does.</summary>
    public int Beyond(CombinedDesign design)
    {
        for (var i = 0; i < columns.Length; i++)
        {
            var (own, slack) = (new CombinedPlace([columns[i]]).Within(design), -Written);
            if (own.X0 < slack || own.X1 < slack || own.Y0 < slack || own.Y1 < slack)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>
    /// Columns whose widths overlap along x, which share a band of bars across: their numbers, group by group from −x, each in order of x.
    /// </summary>
    /// <param name="place">The place.</param>
    /// <param name="pedestal">The pedestal of a column; null: none.</param>
    public static IReadOnlyList<int[]> Groups(Place place, Func<int, Pedestal?> pedestal)
    {
        var plan = new CombinedPlace(place, pedestal);
        var groups = new List<int[]>();
        var end = double.NegativeInfinity;
        foreach (var i in Enumerable.Range(0, plan.columns.Length).OrderBy(i => plan.columns[i].At.X - (plan.columns[i].Outline.X / 2)))
        {
            var (x, half) = (plan.columns[i].At.X, plan.columns[i].Outline.X / 2);
            if (x - half < end - 1e-9)
            {
                groups[^1] = [.. groups[^1], i];
            }
            else
            {
                groups.Add([i]);
            }

            end = Math.Max(end, x + half);
        }

        return groups;
    }

    private CombinedPlace((PlanPoint At, ColumnOutline Outline)[] columns) => this.columns = columns;
}
