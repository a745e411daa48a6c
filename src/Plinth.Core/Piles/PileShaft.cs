namespace Plinth.Core.Piles;

/// <summary>
/// Bending of a long shaft in elastic ground by the load across its head (L. C. Reese and H. Matlock, 1956, for a modulus that rises with
/// depth; M. Hetényi, 1946,
/// for one that does not).
/// </summary>
public static class PileShaft
{
    // Greatest moments of long piles by their stiffness factor: of a free head below the ground, of a fixed one at the head.
    private const double RisingFree = 0.77;
    private const double RisingFixed = 0.93;
    private const double EvenFree = 0.32;

    /// <summary>T = (E·I/nh)^⅕, m.</summary>
    /// <param name="stiffness">E·I, kNm2.</param>
    /// <param name="rise">nh, kN/m3.</param>
    public static double RisingLength(double stiffness, double rise) => Math.Pow(stiffness / rise, 0.2);

    /// <summary>β = (k·D/(4·E·I))^¼, 1/m.</summary>
    /// <param name="stiffness">E·I, kNm2.</param>
    /// <param name="modulus">k, kN/m3.</param>
    /// <param name="size">D, m.</param>
    public static double EvenFactor(double stiffness, double modulus, double size) => Math.Pow(modulus * size / (4 * stiffness), 0.25);

    /// <summary>Greatest moment of a long shaft by one of load across its head, m.</summary>
    /// <param name="rules">The piles; a modulus must be stated.</param>
    /// <param name="stiffness">E·I, kNm2.</param>
    /// <returns>NaN where no modulus is stated.</returns>
    public static double MomentPerLoad(PileRules rules, double stiffness)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (rules.ModulusRise is { } rise)
        {
            return (rules.FixedHead ? RisingFixed : RisingFree) * RisingLength(stiffness, rise);
        }

        return rules.Modulus is { } k ? (rules.FixedHead ? 0.5 : EvenFree) / EvenFactor(stiffness, k, rules.Side) : double.NaN;
    }

    /// <summary>Least length for which these moments hold, m: 4·T, or 2.5/β.</summary>
    /// <param name="rules">The piles; a modulus must be stated.</param>
    /// <param name="stiffness">E·I, kNm2.</param>
    public static double LeastLength(PileRules rules, double stiffness)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return rules.ModulusRise is { } rise ? 4 * RisingLength(stiffness, rise)
            : rules.Modulus is { } k ? 2.5 / EvenFactor(stiffness, k, rules.Side)
            : double.NaN;
    }
}
