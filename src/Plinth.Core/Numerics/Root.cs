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
    /// A root between two points at which the function has opposite signs: false position that halves the weight of an end that stays (the Illinois variant,
    /// M. Dowell, P. Jarratt, BIT 11 (1971) 168–174), with a bisection wherever that gains too little. The nearer to zero of both ends where the signs do not differ.
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
