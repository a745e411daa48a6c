namespace Plinth.Core.Numerics;

/// <summary>A function of one variable as a type: what it needs to know it carries along, and calls of it allocate nothing.</summary>
internal interface IFunction
{
    /// <summary>Its value.</summary>
    double At(double x);
}

/// <summary>Finds where a function of one variable crosses zero.</summary>
internal static class Root
{
    private const int MostSteps = 200;
    private const double Closest = 1e-14;

    /// <summary>
    /// Real roots of a·t² + b·t + c, the lesser first; NaN where there is none. By the form that loses no digits (W. H. Press et al.,
    /// Numerical Recipes, 5.6).
    /// </summary>
    public static (double First, double Second) OfQuadratic(double a, double b, double c)
    {
        var discriminant = (b * b) - (4 * a * c);
        if (discriminant < 0 || (a == 0 && b == 0))
        {
            return (double.NaN, double.NaN);
        }

        var q = -(b + Math.CopySign(Math.Sqrt(discriminant), b)) / 2;
        var (one, other) = (a == 0 ? double.NaN : q / a, q == 0 ? double.NaN : c / q);
        return double.IsNaN(other) ? (one, double.NaN) : one < other ? (one, other) : (other, one);
    }

    /// <summary>
    /// A root between two points at which the function has opposite signs: false position that halves the weight of an end that stays (the
    /// Illinois variant,
    /// M. Dowell, P. Jarratt, BIT 11 (1971) 168–174), with a bisection wherever that gains too little. The nearer to zero of both ends
    /// where the signs do not differ.
    /// </summary>
    public static double Between<TFunction>(ref TFunction f, double low, double high)
        where TFunction : struct, IFunction => Between(ref f, low, f.At(low), high, f.At(high));

    /// <summary>The same where the values at both ends are known.</summary>
    public static double Between<TFunction>(ref TFunction f, double low, double fLow, double high, double fHigh)
        where TFunction : struct, IFunction
    {
        if (fLow == 0 || fHigh == 0 || (fLow < 0) == (fHigh < 0))
        {
            return Math.Abs(fLow) <= Math.Abs(fHigh) ? low : high;
        }

        var side = 0;
        for (var i = 0; i < MostSteps && high - low > Closest * (1 + Math.Abs(low) + Math.Abs(high)); i++)
        {
            var at = i % 3 == 2 ? (low + high) / 2 : ((low * fHigh) - (high * fLow)) / (fHigh - fLow);
            if (!(at > low && at < high))
            {
                at = (low + high) / 2;
            }

            var value = f.At(at);
            if (value == 0)
            {
                return at;
            }

            if ((value < 0) == (fLow < 0))
            {
                (low, fLow) = (at, value);
                fHigh = side == -1 ? fHigh / 2 : fHigh;
                side = -1;
            }
            else
            {
                (high, fHigh) = (at, value);
                fLow = side == 1 ? fLow / 2 : fLow;
                side = 1;
            }
        }

        return (low + high) / 2;
    }
}
