using Plinth.Core.Contact;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// A perimeter of punching at a distance from a column: straight sides with round corners, closed, or with straight lines to one edge of
/// the base or to two adjacent ones (EN 1992-1-1 figures 6.13 and 6.15). Lengths in m from the body's centroid.
/// </summary>
internal readonly struct ShearPerimeter
{
    private readonly double x0;
    private readonly double x1;
    private readonly double y0;
    private readonly double y1;
    private readonly double radius;

    /// <summary>Makes one.</summary>
    /// <param name="distance">a, from the face of the column.</param>
    /// <param name="column">Middle and half sides of the column; the radius of a round one in place of both.</param>
    /// <param name="round">Whether it is round.</param>
    /// <param name="openX">−1, +1: open to that edge; 0: closed along x.</param>
    /// <param name="openY">The same along y.</param>
    /// <param name="edges">The edges of the base.</param>
    public ShearPerimeter(double distance, (double X, double Y, double HalfX, double HalfY) column, bool round, int openX, int openY,
        (double X0, double X1, double Y0, double Y1) edges)
    {
        (Distance, OpenX, OpenY) = (distance, openX, openY);
        radius = round ? column.HalfX + distance : distance;
        x0 = openX < 0 ? edges.X0 : column.X - column.HalfX - distance;
        x1 = openX > 0 ? edges.X1 : column.X + column.HalfX + distance;
        y0 = openY < 0 ? edges.Y0 : column.Y - column.HalfY - distance;
        y1 = openY > 0 ? edges.Y1 : column.Y + column.HalfY + distance;
        if (openX == 0 && openY == 0)
        {
            // Closed ones are of four like corners; by the thousand they are looked at in a search.
            Inside = Closed();
            var (w, h) = ((x1 - x0) / 2, (y1 - y0) / 2);
            var (flatX, flatY) = (w - radius, h - radius);
            (Length, CentroidX, CentroidY) = ((4 * (flatX + flatY)) + (2 * Math.PI * radius), (x0 + x1) / 2, (y0 + y1) / 2);
            var round2 = 4 * radius * radius;
            (AbsoluteX, AbsoluteY) = ((4 * flatY * w) + (2 * flatX * flatX) + (2 * Math.PI * radius * flatX) + round2,
                (4 * flatX * h) + (2 * flatY * flatY) + (2 * Math.PI * radius * flatY) + round2);
            return;
        }

        Inside = Whole();
        var (length, mx, my) = Lines();
        (Length, CentroidX, CentroidY) = (length, mx / length, my / length);
        (AbsoluteX, AbsoluteY) = (Absolute(true), Absolute(false));
    }

    /// <summary>a, m.</summary>
    public double Distance { get; }

    /// <summary>−1, +1: open to that edge; 0: closed along x.</summary>
    public int OpenX { get; }

    /// <summary>The same along y.</summary>
    public int OpenY { get; }

    /// <summary>u, m.</summary>
    public double Length { get; }

    /// <summary>Centroid of the perimeter along x.</summary>
    public double CentroidX { get; }

    /// <summary>Centroid of the perimeter along y.</summary>
    public double CentroidY { get; }

    /// <summary>W for moments about y: ∫|x| dl about the centroid, m2 (6.4.3(3), eq. 6.40).</summary>
    public double AbsoluteX { get; }

    /// <summary>W for moments about x: ∫|y| dl about the centroid, m2.</summary>
    public double AbsoluteY { get; }

    /// <summary>Area and moments of the plan within, about the body's centroid.</summary>
    public AreaMoments Inside { get; }

    /// <summary>Its corners, from (−x, −y) anticlockwise, and the radius of those that are round.</summary>
    public (double X0, double X1, double Y0, double Y1, double Radius) Box => (x0, x1, y0, y1, radius);

    /// <summary>Whether a corner is round: none is beside an open side.</summary>
    /// <param name="sideX">−1 or +1.</param>
    /// <param name="sideY">−1 or +1.</param>
    public bool IsRound(int sideX, int sideY) => OpenX != sideX && OpenY != sideY;

    /// <summary>What a pressure pushes up within, with its moments about the body's centroid; exact.</summary>
    /// <param name="p">The pressure.</param>
    public PressureResultant Pushed(in PressureField p)
    {
        if (p.BearsWholly(x0, y0, x1, y1))
        {
            var (m, a) = (Inside, p.A);
            return new PressureResultant((a * m.Area) + (p.B * m.X) + (p.C * m.Y), (a * m.X) + (p.B * m.XX) + (p.C * m.XY),
                (a * m.Y) + (p.B * m.XY) + (p.C * m.YY));
        }

        return Pressed(p);
    }

    /// <summary>
    /// The same of springs under a body that bends: over the rectangle, exact, less what lies between each round corner and its square one,
    /// by the pressure in the middle of that.
    /// </summary>
    /// <param name="body">The body.</param>
    /// <param name="k">The combination.</param>
    public PressureResultant PushedOnSprings(Bodies.GroundBody body, int k)
    {
        var sum = body.PushedWithin(k, x0, y0, x1, y1);
        var area = radius * radius * (1 - (Math.PI / 4));
        for (var i = 0; i < 4 && area > 0; i++)
        {
            var (sx, sy) = ((i & 1) == 0 ? -1 : 1, (i & 2) == 0 ? -1 : 1);
            if (IsRound(sx, sy))
            {
                // Its first moment about the arc's centre is r³/6.
                var off = radius * radius * radius / 6 / area;
                var (x, y) = (sx < 0 ? x0 + radius - off : x1 - radius + off, sy < 0 ? y0 + radius - off : y1 - radius + off);
                var force = body.PressureAt(k, x, y) * area;
                sum = new PressureResultant(sum.Force - force, sum.MomentX - (force * x), sum.MomentY - (force * y));
            }
        }

        return sum;
    }

    // Where a part has let go: the boundary alone is integrated, in axes of which s runs up the slope from the line where pressure ends.
    // Every integrand has the factor s, so that this line, the rest of the boundary of what bears, adds nothing.
    private PressureResultant Pressed(in PressureField p)
    {
        var slope = Math.Sqrt((p.B * p.B) + (p.C * p.C));
        if (slope <= 0)
        {
            return default;
        }

        var (cos, sin) = (p.B / slope, p.C / slope);
        var (mx, my) = ((x0 + x1) / 2, (y0 + y1) / 2);
        var rise = p.Plane(mx, my) / slope;
        var line = new SlopeSum((mx - (rise * cos), my - (rise * sin)), cos, sin);
        var r = radius;
        var (c0, c1, c2, c3) = (IsRound(-1, -1) ? r : 0, IsRound(1, -1) ? r : 0, IsRound(1, 1) ? r : 0, IsRound(-1, 1) ? r : 0);
        line.Straight(x0 + c0, y0, x1 - c1, y0);
        line.Quarter(x1 - c1, y0 + c1, c1, -Math.PI / 2);
        line.Straight(x1, y0 + c1, x1, y1 - c2);
        line.Quarter(x1 - c2, y1 - c2, c2, 0);
        line.Straight(x1 - c2, y1, x0 + c3, y1);
        line.Quarter(x0 + c3, y1 - c3, c3, Math.PI / 2);
        line.Straight(x0, y1 - c3, x0, y0 + c0);
        line.Quarter(x0 + c0, y0 + c0, c0, Math.PI);
        return line.Resultant(slope);
    }

    private AreaMoments Closed()
    {
        var (w, h, x, y) = (x1 - x0, y1 - y0, (x0 + x1) / 2, (y0 + y1) / 2);
        var (r, r2) = (radius, radius * radius);
        var (corner, first, own) = (r2 * (1 - (Math.PI / 4)), r2 * r / 6, r2 * r2 * ((1.0 / 3) - (Math.PI / 16)));
        var (cx, cy) = ((w / 2) - r, (h / 2) - r);
        var area = (w * h) - (4 * corner);
        var (xx, yy) = ((w * h * w * w / 12) - (4 * (own + (2 * cx * first) + (cx * cx * corner))),
            (w * h * h * h / 12) - (4 * (own + (2 * cy * first) + (cy * cy * corner))));
        return new AreaMoments(area, area * x, area * y, xx + (area * x * x), area * x * y, yy + (area * y * y));
    }

    // The rectangle less what lies between each round corner and its square one.
    private AreaMoments Whole()
    {
        var (w, h, x, y) = (x1 - x0, y1 - y0, (x0 + x1) / 2, (y0 + y1) / 2);
        var area = w * h;
        var sum = new AreaMoments(area, area * x, area * y, area * ((x * x) + (w * w / 12)), area * x * y, area * ((y * y) + (h * h / 12)));
        var r = radius;
        for (var i = 0; i < 4; i++)
        {
            var (sx, sy) = ((i & 1) == 0 ? -1 : 1, (i & 2) == 0 ? -1 : 1);
            if (!IsRound(sx, sy))
            {
                continue;
            }

            var (cx, cy) = (sx < 0 ? x0 + r : x1 - r, sy < 0 ? y0 + r : y1 - r);
            var (r2, r3, r4) = (r * r, r * r * r, r * r * r * r);
            var (a, ax, ay) = (r2 * (1 - (Math.PI / 4)), sx * r3 / 6, sy * r3 / 6);
            var (own, cross) = (r4 * ((1.0 / 3) - (Math.PI / 16)), sx * sy * r4 / 8);
            sum += new AreaMoments(-a, -(ax + (cx * a)), -(ay + (cy * a)), -(own + (2 * cx * ax) + (cx * cx * a)),
                -(cross + (cx * ay) + (cy * ax) + (cx * cy * a)), -(own + (2 * cy * ay) + (cy * cy * a)));
        }

        return sum;
    }

    // Length and first moments of the sides that are there.
    private (double Length, double X, double Y) Lines()
    {
        var (length, mx, my) = (0.0, 0.0, 0.0);
        for (var side = -1; side <= 1; side += 2)
        {
            if (OpenY != side)
            {
                var (from, to) = (x0 + (IsRound(-1, side) ? radius : 0), x1 - (IsRound(1, side) ? radius : 0));
                var l = to - from;
                (length, mx, my) = (length + l, mx + (l * (from + to) / 2), my + (l * (side < 0 ? y0 : y1)));
            }

            if (OpenX != side)
            {
                var (from, to) = (y0 + (IsRound(side, -1) ? radius : 0), y1 - (IsRound(side, 1) ? radius : 0));
                var l = to - from;
                (length, mx, my) = (length + l, mx + (l * (side < 0 ? x0 : x1)), my + (l * (from + to) / 2));
            }

            for (var other = -1; other <= 1; other += 2)
            {
                if (IsRound(side, other))
                {
                    var (cx, cy) = (side < 0 ? x0 + radius : x1 - radius, other < 0 ? y0 + radius : y1 - radius);
                    var l = radius * Math.PI / 2;
                    (length, mx, my) = (length + l, mx + (l * cx) + (side * radius * radius), my + (l * cy) + (other * radius * radius));
                }
            }
        }

        return (length, mx, my);
    }

    private double Absolute(bool alongX)
    {
        var (low, high, from, to, middle, open, other) = alongX
            ? (x0, x1, y0, y1, CentroidX, OpenX, OpenY)
            : (y0, y1, x0, x1, CentroidY, OpenY, OpenX);
        var sum = 0.0;
        for (var side = -1; side <= 1; side += 2)
        {
            // Across the axis: all of it as far from the centroid.
            if (open != side)
            {
                var l = to - from - (Round(alongX, side, -1) ? radius : 0) - (Round(alongX, side, 1) ? radius : 0);
                sum += l * Math.Abs((side < 0 ? low : high) - middle);
            }

            // Along the axis.
            if (other != side)
            {
                sum += OfLine(low + (Round(alongX, -1, side) ? radius : 0) - middle,
                    high - (Round(alongX, 1, side) ? radius : 0) - middle);
            }

            for (var across = -1; across <= 1; across += 2)
            {
                if (Round(alongX, side, across))
                {
                    sum += OfQuarter((side < 0 ? low + radius : high - radius) - middle, side * radius, radius);
                }
            }
        }

        return sum;
    }

    private bool Round(bool alongX, int side, int across) => alongX ? IsRound(side, across) : IsRound(across, side);

    // ∫|t| dt.
    private static double OfLine(double from, double to) =>
        to <= from ? 0 : from * to >= 0 ? Math.Abs((to * to) - (from * from)) / 2 : ((from * from) + (to * to)) / 2;

    // ∫|p + q·cos φ| r dφ over a quarter.
    private static double OfQuarter(double p, double q, double r)
    {
        if ((p + q) * p >= 0)
        {
            return r * Math.Abs((p * Math.PI / 2) + q);
        }

        var turn = Math.Acos(Math.Clamp(-p / q, -1, 1));
        var sin = Math.Sin(turn);
        return r * (Math.Abs((p * turn) + (q * sin)) + Math.Abs((p * ((Math.PI / 2) - turn)) + (q * (1 - sin))));
    }
}
