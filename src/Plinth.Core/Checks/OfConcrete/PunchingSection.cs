using System.Runtime.CompilerServices;
using Plinth.Core.Bodies;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// A critical section for two-way shear: the rectangle at d/2 round a column, closed, or open to one edge or to two adjacent edges of the
/// base.
/// </summary>
/// <param name="X0">Face at −x, or the edge if open there, m from the base's centre.</param>
/// <param name="X1">Face at +x.</param>
/// <param name="Y0">Face at −y.</param>
/// <param name="Y1">Face at +y.</param>
/// <param name="OpenX">−1, +1: open to that edge; 0: closed both ways along x.</param>
/// <param name="OpenY">The same along y.</param>
/// <param name="Depth">d, m.</param>
internal readonly record struct PunchingSection(double X0, double X1, double Y0, double Y1, int OpenX, int OpenY, double Depth)
{
    /// <summary>Whether it stands nearer to the column than d/2, as it would else cross the outline of the base.</summary>
    public bool DrawnIn { get; init; }

    /// <summary>Side along x, b1 or b2, m.</summary>
    public double SideX => X1 - X0;

    /// <summary>Side along y, m.</summary>
    public double SideY => Y1 - Y0;

    private int FacesAlongX => OpenY == 0 ? 2 : 1;

    private int FacesAlongY => OpenX == 0 ? 2 : 1;

    /// <summary>bo, m.</summary>
    public double Perimeter => (FacesAlongX * SideX) + (FacesAlongY * SideY);

    /// <summary>αs: 40, 30, 20 for four, three, two sides.</summary>
    public double AlphaS => (FacesAlongX + FacesAlongY) * 10;

    /// <summary>The section in words.</summary>
    public string Words => (OpenX, OpenY) switch
    {
        (0, 0) => DrawnIn ? "closed section, drawn in to lie within the outline" : "closed section",
        (_, 0) => $"section open to the {(OpenX > 0 ? "+" : "−")}x edge",
        (0, _) => $"section open to the {(OpenY > 0 ? "+" : "−")}y edge",
        _ => $"section open to the {(OpenX > 0 ? "+" : "−")}x and {(OpenY > 0 ? "+" : "−")}y edges",
    };

    /// <summary>Centroid of the faces along x, m from the base's centre.</summary>
    public double CentroidX => ((FacesAlongX * SideX * (X0 + X1) / 2) + (SideY * (OpenX == 0 ? X0 + X1 : OpenX > 0 ? X0 : X1))) / Perimeter;

    /// <summary>Centroid of the faces along y.</summary>
    public double CentroidY => ((FacesAlongY * SideY * (Y0 + Y1) / 2) + (SideX * (OpenY == 0 ? Y0 + Y1 : OpenY > 0 ? Y0 : Y1))) / Perimeter;

    /// <summary>J for bending that spans along x (moments about y), m4: by faces about the centroid.</summary>
    public double PolarX
    {
        get
        {
            var c = CentroidX;
            var along = FacesAlongX * Face(SideX, ((X0 + X1) / 2) - c);
            var a = X0 - c;
            var b = X1 - c;
            var across = Depth * SideY * (OpenX == 0 ? (a * a) + (b * b) : OpenX > 0 ? a * a : b * b);
            return along + across;
        }
    }

    /// <summary>J for bending that spans along y (moments about x), m4.</summary>
    public double PolarY
    {
        get
        {
            var c = CentroidY;
            var along = FacesAlongY * Face(SideY, ((Y0 + Y1) / 2) - c);
            var a = Y0 - c;
            var b = Y1 - c;
            var across = Depth * SideX * (OpenY == 0 ? (a * a) + (b * b) : OpenY > 0 ? a * a : b * b);
            return along + across;
        }
    }

    private double Face(double side, double fromCentroid) =>
        (Depth * side * side * side / 12) + (side * Depth * Depth * Depth / 12) + (Depth * side * fromCentroid * fromCentroid);
}

/// <summary>Room for every section that may govern.</summary>
[InlineArray(9)]
internal struct PunchingSections
{
    private PunchingSection first;
}

/// <summary>Finds the sections that are checked for a column.</summary>
internal static class PunchingSectionFinder
{
    private const double Slack = 1e-9;

    /// <summary>
    /// The closed section if it fits; the section open to each edge, or to two adjacent edges, that the column is not farther from than
    /// from the opposite one,
    /// if it is shorter than every section with fewer open sides that fits, or none such fits: bo is a minimum (ACI 318 22.6.4.1).
    /// </summary>
    /// <returns>How many there are; 0 if none lies within the base.</returns>
    public static int Find(PunchedArea s, double depth, ref PunchingSections sections)
    {
        if (depth <= 0)
        {
            return 0;
        }

        if (s.Body.IsPolygon)
        {
            return Within(s, depth, ref sections);
        }

        var (lowX, highX, middle) = (s.Body.LowX, s.Body.HighX, (s.Body.LowX + s.Body.HighX) / 2);
        var (x0, x1) = (s.X - ((s.SideX + depth) / 2), s.X + ((s.SideX + depth) / 2));
        var (y0, y1) = (s.Y - ((s.SideY + depth) / 2), s.Y + ((s.SideY + depth) / 2));
        // Towards a slanted edge the sides end at it: at their mean length; what is to fit keeps clear of it at both ends.
        var within = Math.Min(s.Body.WidthAt(Math.Max(x0, lowX)), s.Body.WidthAt(Math.Min(x1, highX))) / 2;
        var hy = s.Body.IsRectangle ? within : s.Body.WidthAt((Math.Max(x0, lowX) + Math.Min(x1, highX)) / 2) / 2;
        var (fitsX0, fitsX1, fitsY0, fitsY1) = (x0 >= lowX - Slack, x1 <= highX + Slack, y0 >= -within - Slack, y1 <= within + Slack);
        var count = 0;
        var shortest = double.PositiveInfinity;
        if (fitsX0 && fitsX1 && fitsY0 && fitsY1)
        {
            sections[count++] = new PunchingSection(x0, x1, y0, y1, 0, 0, depth);
            shortest = sections[0].Perimeter;
        }

        for (var open = 1; open <= 2; open++)
        {
            var among = shortest;
            for (var i = 0; i < 9; i++)
            {
                var (ox, oy) = ((i / 3) - 1, (i % 3) - 1);
                // On piles a column in the middle is nearer to no edge.
                if (s.Body.Rest is not null && ((ox != 0 && Math.Abs(s.X - middle) <= Slack) || (oy != 0 && Math.Abs(s.Y) <= Slack)))
                {
                    continue;
                }

                if (Math.Abs(ox) + Math.Abs(oy) != open || ox * (s.X - middle) < -Slack || oy * s.Y < -Slack
                    || !(ox < 0 || fitsX0) || !(ox > 0 || fitsX1) || !(oy < 0 || fitsY0) || !(oy > 0 || fitsY1))
                {
                    continue;
                }

                var section = new PunchingSection(ox < 0 ? lowX : x0, ox > 0 ? highX : x1, oy < 0 ? -hy : y0, oy > 0 ? hy : y1, ox, oy,
                    depth);
                if (section.Perimeter < shortest - Slack)
                {
                    sections[count++] = section;
                    among = Math.Min(among, section.Perimeter);
                }
            }

            shortest = among;
        }

        return count;
    }

    // On piles a column in the middle of a polygon is nearer to no edge: the section is closed. Where it would cross the outline it is
    // drawn in until it lies within:
    // shorter than at d/2, and with less of the piles inside.
    private static int Within(PunchedArea s, double depth, ref PunchingSections sections)
    {
        var outline = s.Body.Outline;
        var fits = depth / 2;
        for (var i = 0; i < outline.Length; i++)
        {
            var (p, q) = (outline[i], outline[(i + 1) % outline.Length]);
            var (nx, ny) = (q.Y - p.Y, p.X - q.X);
            var room = (nx * (p.X - s.X)) + (ny * (p.Y - s.Y)) - (Math.Abs(nx) * s.SideX / 2) - (Math.Abs(ny) * s.SideY / 2);
            fits = Math.Min(fits, room / (Math.Abs(nx) + Math.Abs(ny)));
        }

        if (fits < -Slack)
        {
            return 0;
        }

        sections[0] = new PunchingSection(s.X - (s.SideX / 2) - fits, s.X + (s.SideX / 2) + fits, s.Y - (s.SideY / 2) - fits,
            s.Y + (s.SideY / 2) + fits, 0, 0, depth)
        { DrawnIn = fits < (depth / 2) - Slack };
        return 1;
    }
}
