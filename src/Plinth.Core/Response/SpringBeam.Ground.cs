using Plinth.Core.Contact;

namespace Plinth.Core.Response;

/// <content>The springs: what the ground pushes up, and where it does.</content>
public sealed partial class SpringBeam
{
    private const int Slices = 32;
    private const int Pieces = 4;

    private static readonly double[] GaussAt = [-0.8611363115940526, -0.3399810435848563, 0.3399810435848563, 0.8611363115940526];
    private static readonly double[] GaussOf = [0.34785484513745385, 0.6521451548625461, 0.6521451548625461, 0.34785484513745385];

    // The points of Gauss of an element whole and cut into pieces: where, for how much of its length, and the shapes of a length of one.
    private static readonly double[] OfWhole = Points(1);
    private static readonly double[] OfPieces = Points(Pieces);
    private const int PerPoint = 6;

    private static double[] Points(int cuts)
    {
        var all = new double[4 * cuts * PerPoint];
        for (var g = 0; g < 4 * cuts; g++)
        {
            var own = all.AsSpan(PerPoint * g, PerPoint);
            (own[0], own[1]) = (((g / 4) + ((1 + GaussAt[g % 4]) / 2)) / cuts, GaussOf[g % 4] / (2 * cuts));
            Shapes(own[0], 1, own[2..]);
        }

        return all;
    }

    /// <summary>Pressure of the ground at a point, kPa.</summary>
    /// <remarks>Where the ground changes it is that of the stretch towards −x.</remarks>
    public double Pressure(double x, double y) => mesh.Ground(Element(x).Element) * Math.Max(0, Settlement(x) + (Turn * y));

    /// <summary>What the ground pushes up on a metre of its length at a section, kN/m.</summary>
    public double Along(double x)
    {
        var (e, t, length) = Element(x);
        return Pressed(e, Shape(e, t, length), -mesh.Breadth / 2, mesh.Breadth / 2).Force;
    }

    /// <summary>What the ground pushes up on a metre of its breadth on a line along it, kN/m.</summary>
    public double Across(double y)
    {
        var sum = 0.0;
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            for (var of = Points(e, length); of.Length > 0; of = of[PerPoint..])
            {
                sum += of[1] * length * mesh.Moduli[e] * Math.Max(0, Shape(e, of[0], length) + (Turn * y));
            }
        }

        return sum;
    }

    /// <summary>The greatest and least pressure under it, kPa, at an edge of some section, and where the greatest is, m.</summary>
    public (double Most, double Least, PlanPoint At) Pressures() => Pressures(double.NegativeInfinity, double.PositiveInfinity);

    /// <summary>The same of the elements whose middles lie between two sections.</summary>
    internal (double Most, double Least, PlanPoint At) Pressures(double low, double high)
    {
        var (most, least, at, half) = (0.0, double.PositiveInfinity, default(PlanPoint), mesh.Breadth / 2);
        var (tilt, side) = (Math.Abs(Turn) * half, Turn < 0 ? -half : half);
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            if (IsWithin(e, low, high))
            {
                var own = Extremes(e);
                var pressed = mesh.Ground(e) * Math.Max(0, own.Most.W + tilt);
                (most, at) = pressed > most ? (pressed, new PlanPoint(own.Most.X, side)) : (most, at);
                least = Math.Min(least, mesh.Ground(e) * Math.Max(0, own.Least.W - tilt));
            }
        }

        return (most, least, at);
    }

    /// <summary>
    /// Where its axis sinks most and least of the ends and middles of the elements whose middles lie between two sections.
    /// </summary>
    internal (Sunk Most, Sunk Least) Extremes(double low, double high)
    {
        var (most, least) = (new Sunk(0, double.NegativeInfinity), new Sunk(0, double.PositiveInfinity));
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            if (IsWithin(e, low, high))
            {
                var own = Extremes(e);
                most = own.Most.W > most.W ? own.Most : most;
                least = own.Least.W < least.W ? own.Least : least;
            }
        }

        return (most, least);
    }

    /// <summary>How far the axis sinks at a section, m.</summary>
    internal readonly record struct Sunk(double X, double W);

    private bool IsWithin(int e, double low, double high) => (nodes[e] + nodes[e + 1]) / 2 is var middle && middle >= low && middle <= high;

    // At its ends and in its middle.
    private (Sunk Most, Sunk Least) Extremes(int e)
    {
        var length = nodes[e + 1] - nodes[e];
        var (start, mid, end) = Three(e, length);
        var (from, middle, to) = (new Sunk(nodes[e], start), new Sunk(nodes[e] + (length / 2), mid), new Sunk(nodes[e + 1], end));
        var most = from.W >= mid && from.W >= end ? from : mid >= end ? middle : to;
        var least = from.W <= mid && from.W <= end ? from : mid <= end ? middle : to;
        return (most, least);
    }

    /// <summary>What the ground pushes up between two sections and two lines along it, with its moments, kN and kNm.</summary>
    public PressureResultant Over(double x0, double y0, double x1, double y1) => From(Element(x0).Element, x0, y0, x1, y1);

    private PressureResultant From(int element, double x0, double y0, double x1, double y1)
    {
        var (sum, mx, my) = (0.0, 0.0, 0.0);
        for (var e = element; e < nodes.Length - 1 && nodes[e] < x1; e++)
        {
            var (from, to) = (Math.Max(nodes[e], x0), Math.Min(nodes[e + 1], x1));
            if (to <= from)
            {
                continue;
            }

            var length = nodes[e + 1] - nodes[e];
            for (var of = Points(e, length); of.Length > 0; of = of[PerPoint..])
            {
                var (x, weight) = (from + (of[0] * (to - from)), of[1] * (to - from));
                var (p, py, _, _, _) = Pressed(e, Shape(e, (x - nodes[e]) / length, length), y0, y1);
                (sum, mx, my) = (sum + (weight * p), mx + (weight * p * x), my + (weight * py));
            }
        }

        return new PressureResultant(sum, mx, my);
    }

    /// <summary>What the ground pushes up on all of it before a section, with its first moment ∫x, kN and kNm.</summary>
    public (double Force, double Moment) Before(double x)
    {
        if (x <= nodes[0])
        {
            return default;
        }

        var e = Math.Clamp(Array.BinarySearch(nodes, x) is var at && at < 0 ? ~at - 1 : at, 0, nodes.Length - 1);
        var part = x > nodes[e] ? From(e, nodes[e], -mesh.Breadth / 2, Math.Min(x, nodes[^1]), mesh.Breadth / 2) : default;
        return (force[e] + part.Force, first[e] + part.MomentX);
    }

    private bool Finish()
    {
        var (bears, breadth) = (0.0, mesh.Breadth);
        Span<double> ends = stackalloc double[4];
        (force[0], first[0]) = (0, 0);
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            if (Bearing(e, length) == Bears.Wholly)
            {
                // The integrals of the cubic, and of it times the distance.
                u.AsSpan(2 * e, 4).CopyTo(ends);
                AddRigid(e, length, ends);
                var k = mesh.Moduli[e] * breadth * length;
                var sum = k * (((ends[0] + ends[2]) / 2) + (length / 12 * (ends[1] - ends[3])));
                var moment = k * length * ((0.15 * ends[0]) + (0.35 * ends[2]) + (length * ((ends[1] / 30) - (ends[3] / 20))));
                (force[e + 1], first[e + 1]) = (force[e] + sum, first[e] + (sum * nodes[e]) + moment);
                bears += breadth * length;
                continue;
            }

            var own = Partly(e, length);
            (force[e + 1], first[e + 1], bears) = (force[e] + own.Force, first[e] + own.MomentX, bears + own.Wide);
        }

        Share = Math.Clamp(bears / (breadth * (nodes[^1] - nodes[0])), 0, 1);
        Share = Share > 1 - 1e-9 ? 1 : Share;
        return Share > 0;
    }

    // What the ground pushes up on an element that bears in part, its first moment, and the area that bears.
    private (double Force, double MomentX, double Wide) Partly(int e, double length)
    {
        var (sum, moment, wide, breadth) = (0.0, 0.0, 0.0, mesh.Breadth);
        for (var of = Points(e, length); of.Length > 0; of = of[PerPoint..])
        {
            var (weight, pressed) = (of[1] * length, Pressed(e, At(e, of, length), -breadth / 2, breadth / 2));
            (sum, moment, wide) = (sum + (weight * pressed.Force), moment + (weight * pressed.Force * (nodes[e] + (of[0] * length))),
                wide + (weight * pressed.Wide));
        }

        // Where what bears ends within it slices tell how far.
        var (low, high) = (Wide(e, 0, length), Wide(e, 1, length));
        if (low != high && (low == 0 || high == 0 || low == breadth || high == breadth))
        {
            wide = 0;
            for (var i = 0; i < Slices; i++)
            {
                wide += Wide(e, (i + 0.5) / Slices, length) * length / Slices;
            }
        }

        return (sum, moment, wide);
    }

    // What its axis sinks at a point of Gauss.
    private double At(int e, ReadOnlySpan<double> of, double length)
    {
        ReadOnlySpan<double> own = u.AsSpan(2 * e, 4);
        return sinks + (tilts * (nodes[e] - nodes[0] + (of[0] * length)))
            + (of[2] * own[0]) + (of[3] * length * own[1]) + (of[4] * own[2]) + (of[5] * length * own[3]);
    }

    // What its axis sinks at both ends of an element and in its middle.
    private (double Start, double Middle, double End) Three(int e, double length)
    {
        var own = u.AsSpan(2 * e, 4);
        var down = sinks + (tilts * (nodes[e] - nodes[0]));
        return (down + own[0], down + (tilts * length / 2) + ((own[0] + own[2]) / 2) + (length / 8 * (own[1] - own[3])),
            down + (tilts * length) + own[2]);
    }

    // How an element bears; one that does in part is integrated in pieces: what is pressed ends within it.
    private Bears Bearing(int e, double length)
    {
        var (low, mid, high) = Three(e, length);
        var tilt = Math.Abs(Turn) * mesh.Breadth / 2;
        return Math.Min(low, Math.Min(mid, high)) >= tilt ? Bears.Wholly
            : Math.Max(low, Math.Max(mid, high)) <= -tilt ? Bears.Nowhere
            : Bears.Partly;
    }

    // Where one edge is pressed and the other is not all along an element nothing of what is integrated has a kink.
    private ReadOnlySpan<double> Points(int e, double length)
    {
        var (low, mid, high) = Three(e, length);
        var tilt = Math.Abs(Turn) * mesh.Breadth / 2;
        var (least, most) = (Math.Min(low, Math.Min(mid, high)), Math.Max(low, Math.Max(mid, high)));
        return least >= tilt || most <= -tilt || (least > -tilt && most < tilt) ? OfWhole : OfPieces;
    }

    private enum Bears
    {
        Nowhere,
        Partly,
        Wholly,
    }

    private double Wide(int e, double t, double length) => Pressed(e, Shape(e, t, length), -mesh.Breadth / 2, mesh.Breadth / 2).Wide;

    // Across a section between two lines: force and moment a metre, breadth in contact, and its first and second moments.
    private (double Force, double Moment, double Wide, double First, double Second) Pressed(int e, double w, double y0, double y1)
    {
        var (turn, modulus) = (Turn, mesh.Moduli[e]);
        var (low, high) = (w + (turn * y0), w + (turn * y1));
        if (low <= 0 && high <= 0)
        {
            return default;
        }

        if (low < 0)
        {
            y0 = -w / turn;
        }
        else if (high < 0)
        {
            y1 = -w / turn;
        }

        var (wide, first) = (y1 - y0, ((y1 * y1) - (y0 * y0)) / 2);
        var second = ((y1 * y1 * y1) - (y0 * y0 * y0)) / 3;
        return (modulus * ((w * wide) + (turn * first)), modulus * ((w * first) + (turn * second)), wide, first, second);
    }
}
