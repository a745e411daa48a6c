using Plinth.Core.Contact;

namespace Plinth.Core.Bodies;

/// <content>The shape of its outline.</content>
public sealed partial class GroundBody
{
    // Of a polygon: its chords at every corner, in order along x, and along y; between two of them they change evenly.
    private (double At, double From, double To)[]? acrossX;
    private (double At, double From, double To)[]? acrossY;

    private (double At, double From, double To)[] Chords(bool alongX) =>
    [
        .. outline.Select(c => alongX ? c.X : c.Y).Distinct().Order().Select(at =>
        {
            var (from, to) = ConvexPolygon.Chord(outline, alongX, at);
            return (at, from, to);
        }),
    ];

    /// <summary>Its width at a distance along x from the centroid, m.</summary>
    public double WidthAt(double x)
    {
        if (IsPolygon)
        {
            var (from, to) = Chord(true, x);
            return to - from;
        }

        return IsRectangle ? Width : LowWidth + ((HighWidth - LowWidth) * (x - LowX) / Length);
    }

    /// <summary>Its beginning along an axis from the centroid, m.</summary>
    public double Low(bool alongX) => alongX ? LowX : LowY;

    /// <summary>Its end along an axis, m.</summary>
    public double High(bool alongX) => alongX ? HighX : HighY;

    /// <summary>Area of the part beyond a section across an axis, m2, and its moment about the section, m3.</summary>
    /// <param name="alongX">Across x, or across y.</param>
    /// <param name="side">+1: the part towards the axis's end; −1: towards its beginning.</param>
    /// <param name="at">Where the section lies from the centroid along the axis, m.</param>
    public (double Area, double Moment) Beyond(bool alongX, int side, double at)
    {
        Span<PlanPoint> part = stackalloc PlanPoint[outline.Length + 1];
        var count = ConvexPolygon.Clip(outline, -side * at, alongX ? side : 0, alongX ? 0 : side, part);
        var m = ConvexPolygon.Moments(part[..count]);
        return (m.Area, (side * (alongX ? m.X : m.Y)) - (side * at * m.Area));
    }

    /// <summary>Where a section across an axis begins and ends, m along the other; within the base.</summary>
    /// <param name="alongX">Across x, or across y.</param>
    /// <param name="at">How far it lies from the centroid along the axis, m.</param>
    public (double From, double To) Chord(bool alongX, double at)
    {
        if (IsPolygon)
        {
            var chords = alongX ? acrossX ??= Chords(true) : acrossY ??= Chords(false);
            var i = 1;
            while (i < chords.Length - 1 && chords[i].At < at)
            {
                i++;
            }

            var (a, b) = (chords[i - 1], chords[i]);
            var share = Math.Clamp((at - a.At) / (b.At - a.At), 0, 1);
            return (a.From + (share * (b.From - a.From)), a.To + (share * (b.To - a.To)));
        }

        if (alongX)
        {
            return (-WidthAt(at) / 2, WidthAt(at) / 2);
        }

        var reach = 2 * Math.Abs(at);
        if (IsRectangle || reach <= Math.Min(LowWidth, HighWidth))
        {
            return (LowX, HighX);
        }

        // Beyond the narrow end's width the slanted side cuts it.
        var cut = LowX + (Length * (Math.Min(reach, Math.Max(LowWidth, HighWidth)) - LowWidth) / (HighWidth - LowWidth));
        return HighWidth > LowWidth ? (cut, HighX) : (LowX, cut);
    }

    /// <summary>
    /// Sides of the effective area about a resultant, m: of a rectangle L − 2·|xR| and B − 2·|yR|; of a trapezoid twice the way to the
    /// nearer end, and the width there less
    /// 2·|yR|.
    /// </summary>
    public (double Along, double Across) Effective(in BaseLoads l) => IsRectangle
        ? (Length - (2 * Math.Abs(l.XR)), Width - (2 * Math.Abs(l.YR)))
        : (2 * Math.Min(l.XR - LowX, HighX - l.XR), WidthAt(l.XR) - (2 * Math.Abs(l.YR)));

    /// <summary>The edge towards an end of an axis: its outward normal, and how far it lies from the centroid, m.</summary>
    /// <param name="alongX">Towards ±x, or ±y.</param>
    /// <param name="side">+1 or −1.</param>
    public (double X, double Y, double Distance) Edge(bool alongX, int side)
    {
        if (alongX)
        {
            return (side, 0, side > 0 ? HighX : -LowX);
        }

        if (IsRectangle)
        {
            return (0, side, Width / 2);
        }

        var slope = (HighWidth - LowWidth) / (2 * Length);
        var size = Math.Sqrt(1 + (slope * slope));
        return (-slope / size, side / size, ((LowWidth / 2) - (slope * LowX)) / size);
    }

    /// <summary>Length of its projection on a plane across a direction, m.</summary>
    /// <param name="x">The direction along x; of length one with y.</param>
    /// <param name="y">The direction along y.</param>
    public double Front(double x, double y)
    {
        if (IsRectangle)
        {
            return (Length * Math.Abs(y)) + (Width * Math.Abs(x));
        }

        if (parts.Length > 0)
        {
            return FrontOfParts(x, y);
        }

        var (low, high) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var c in outline)
        {
            var at = (c.Y * x) - (c.X * y);
            (low, high) = (Math.Min(low, at), Math.Max(high, at));
        }

        return high - low;
    }

    /// <summary>The angle by which its long sides turn from x, positive where it widens, radians.</summary>
    private double Slant => Math.Atan((HighWidth - LowWidth) / (2 * Length));

    /// <summary>
    /// Both corners of an end by how much soil stands in them: 2 of a rectangle, tan θ/2 each of the angle θ by which the outline turns
    /// there.
    /// </summary>
    /// <param name="side">+1: the +x end; −1: the −x end.</param>
    public double Corners(int side) => IsRectangle ? 2 : 2 * Math.Tan(((Math.PI / 2) + (side * Slant)) / 2);

    /// <summary>Length of one of its long sides, m.</summary>
    public double LongSide => IsRectangle ? Length : Math.Sqrt((Length * Length) + ((HighWidth - LowWidth) * (HighWidth - LowWidth) / 4));

    /// <summary>Length of its outline, m.</summary>
    public double Perimeter => IsPolygon ? PlanPolygon.Perimeter(outline) : LowWidth + HighWidth + (2 * LongSide);
}
