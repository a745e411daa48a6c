using System.Globalization;
using Plinth.Core.Bodies;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// How stiff a base under several columns is against the ground along x: λ·ℓ with λ = (k·B/(4·Ec·I))^¼ of the whole section (M. Hetényi
/// 1946), and ℓ the longest clear
/// span, or twice the longest overhang.
/// </summary>
internal static class Rigidity
{
    /// <summary>λ·ℓ from which a base is no longer taken as rigid without a word.</summary>
    public const double Most = 1.75;

    /// <summary>λ·ℓ; null where the ground's modulus is not known.</summary>
    public static double? Of(CombinedTrial trial)
    {
        if (trial.Ground.SubgradeModulus is not { } modulus)
        {
            return null;
        }

        // I = B·h³/12: the breadth cancels.
        var stiffness = trial.Code.Elasticity(trial.Rules.Concrete.Strength) * trial.Body.Thickness * trial.Body.Thickness
            * trial.Body.Thickness;
        return Math.Pow(3 * modulus / stiffness, 0.25) * Longest(trial);
    }

    private static double Longest(CombinedTrial trial)
    {
        var span = trial.Long;
        var longest = 2 * Math.Max(span.Overhang(-1), span.Overhang(1));
        foreach (var c in span.Columns)
        {
            var (to, isColumn) = span.Next(c, 1);
            longest = isColumn ? Math.Max(longest, to - span.Face(c, 1)) : longest;
        }

        return longest;
    }

    /// <summary>What is to be said of it: that the base is flexible, or that nothing is known; else null.</summary>
    public static string? Doubt(Trial trial) => trial.Body.Bed is not null ? null : Of((CombinedTrial)trial) switch
    {
        null => "no subgrade modulus is known ([ground] subgrade-modulus): whether the base is rigid is not looked at",
        > Most and var product =>
            string.Create(CultureInfo.InvariantCulture,
                $"λ·ℓ = {product:0.00} exceeds {Most:0.00}: the base is flexible, the ground presses more under the columns and less ")
                + "between them than is found here; soil = \"springs\" solves it so",
        _ => null,
    };
}
