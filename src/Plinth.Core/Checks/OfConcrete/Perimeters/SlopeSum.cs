using Plinth.Core.Contact;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Sums ∮ s²/2 dτ, ∮ s³/3 dτ and ∮ s²τ/2 dτ over what of a boundary bears: ∫s, ∫s² and ∫s·τ over the area, s up the slope of the pressure
/// from the line where it ends, τ along that line.
/// </summary>
internal ref struct SlopeSum(PlanPoint origin, double cos, double sin)
{
    private double first;
    private double second;
    private double cross;

    public SlopeSum((double X, double Y) origin, double cos, double sin)
        : this(new PlanPoint(origin.X, origin.Y), cos, sin)
    {
    }

    // Five points of Gauss, exact for polynomials to the ninth degree.
    private static ReadOnlySpan<double> Points => [-0.906179845938664, -0.538469310105683, 0, 0.538469310105683, 0.906179845938664];

    private static ReadOnlySpan<double> Weights =>
        [0.236926885056189, 0.478628670499366, 0.568888888888889, 0.478628670499366, 0.236926885056189];

    // So many pieces to a quarter: the remainder is below rounding.
    private const int Pieces = 3;

    public void Straight(double xa, double ya, double xb, double yb)
    {
        var (sa, ta) = At(xa, ya);
        var (sb, tb) = At(xb, yb);
        if (sa <= 0 && sb <= 0)
        {
            return;
        }

        var (from, to) = (sa < 0 ? sa / (sa - sb) : 0, sb < 0 ? sa / (sa - sb) : 1);
        var (half, mid) = ((to - from) / 2, (from + to) / 2);
        for (var i = 0; i < Points.Length; i++)
        {
            var at = mid + (half * Points[i]);
            Add(sa + (at * (sb - sa)), ta + (at * (tb - ta)), (tb - ta) * half * Weights[i]);
        }
    }

    public void Quarter(double cx, double cy, double r, double from)
    {
        if (r <= 0)
        {
            return;
        }

        var (sc, tc) = At(cx, cy);
        if (sc <= -r)
        {
            return;
        }

        // Where s passes nil: cos ψ = −sc/r, ψ from the slope's direction.
        var angle = Math.Atan2(sin, cos);
        Span<double> ends = [from, from + (Math.PI / 2), from + (Math.PI / 2), from + (Math.PI / 2)];
        var count = 1;
        if (Math.Abs(sc) < r)
        {
            var turn = Math.Acos(-sc / r);
            foreach (var root in (ReadOnlySpan<double>)[angle - turn, angle + turn])
            {
                var at = root + (2 * Math.PI * Math.Ceiling((from - root) / (2 * Math.PI)));
                if (at > from && at < from + (Math.PI / 2))
                {
                    ends[count++] = at;
                }
            }

            ends[1..count].Sort();
        }

        ends[count] = from + (Math.PI / 2);
        for (var i = 0; i < count; i++)
        {
            var (a, b) = (ends[i], ends[i + 1]);
            if (sc + (r * Math.Cos(((a + b) / 2) - angle)) <= 0)
            {
                continue;
            }

            for (var j = 0; j < Pieces; j++)
            {
                var half = (b - a) / (2 * Pieces);
                var mid = a + (half * ((2 * j) + 1));
                for (var g = 0; g < Points.Length; g++)
                {
                    var (sn, cs) = Math.SinCos(mid + (half * Points[g]) - angle);
                    Add(sc + (r * cs), tc + (r * sn), r * cs * half * Weights[g]);
                }
            }
        }
    }

    public readonly PressureResultant Resultant(double slope)
    {
        var force = slope * first;
        var (s, t) = (slope * second, slope * cross);
        return new PressureResultant(force, (origin.X * force) + (cos * s) - (sin * t), (origin.Y * force) + (sin * s) + (cos * t));
    }

    private readonly (double S, double T) At(double x, double y)
    {
        var (dx, dy) = (x - origin.X, y - origin.Y);
        return ((dx * cos) + (dy * sin), (dy * cos) - (dx * sin));
    }

    private void Add(double s, double t, double along)
    {
        var square = s * s * along / 2;
        (first, second, cross) = (first + square, second + (square * s * 2 / 3), cross + (square * t));
    }
}
