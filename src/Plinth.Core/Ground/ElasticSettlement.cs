namespace Plinth.Core.Ground;

/// <summary>
/// Settlement of a loaded rectangle on elastic layers: W. Steinbrenner, Die Strasse 1 (1934) 121–124, in the form of M. E. Harr,
/// Foundations of Theoretical Soil Mechanics (1966):
/// the settlement between two depths below a corner, each layer with its own modulus, at the characteristic point of J. Grasshoff (1955),
/// where a
/// flexible and a rigid base settle alike: 0.74 of the half sides from the centre.
/// </summary>
public static class ElasticSettlement
{
    /// <summary>The characteristic point from the centre over the half side.</summary>
    public const double CharacteristicPoint = 0.74;

    /// <summary>
    /// Influence factor Is of the corner of a rectangle on a layer of a thickness: w = q·b·(1 − ν²)/E·Is.
    /// </summary>
    /// <param name="m">Longer over shorter side, a/b.</param>
    /// <param name="n">Thickness of the layer over the shorter side; infinite for a half-space.</param>
    /// <param name="poisson">ν, 0 to 0.5.</param>
    public static double Corner(double m, double n, double poisson)
    {
        if (n <= 0)
        {
            return 0;
        }

        var p = Math.Sqrt((m * m) + 1);
        if (double.IsPositiveInfinity(n))
        {
            return ((m * Math.Log((1 + p) / m)) + Math.Log(m + p)) / Math.PI;
        }

        var r = Math.Sqrt((m * m) + 1 + (n * n));
        var first = ((m * Math.Log((1 + p) * Math.Sqrt((m * m) + (n * n)) / (m * (1 + r))))
            + Math.Log((m + p) * Math.Sqrt(1 + (n * n)) / (m + r))) / Math.PI;
        var second = n / (2 * Math.PI) * Math.Atan(m / (n * r));
        return first + ((1 - (2 * poisson)) / (1 - poisson) * second);
    }

    /// <summary>Settlement factor of a rectangle at a point over a layer from its surface down, m: w = q·(1 − ν²)/E·factor.</summary>
    /// <param name="length">Side, m.</param>
    /// <param name="width">Other side, m.</param>
    /// <param name="at">Distance of the point from the centre over the half sides, 0 (centre) to 1 (corner).</param>
    /// <param name="depth">Thickness of the layer, m; may be infinite.</param>
    /// <param name="poisson">ν.</param>
    public static double Factor(double length, double width, double at, double depth, double poisson)
    {
        var sum = 0.0;
        for (var i = -1; i <= 1; i += 2)
        {
            for (var j = -1; j <= 1; j += 2)
            {
                var (a, b) = (length / 2 * (1 + (i * at)), width / 2 * (1 + (j * at)));
                if (a > 0 && b > 0)
                {
                    var shorter = Math.Min(a, b);
                    sum += shorter * Corner(Math.Max(a, b) / shorter, depth / shorter, poisson);
                }
            }
        }

        return sum;
    }
}
