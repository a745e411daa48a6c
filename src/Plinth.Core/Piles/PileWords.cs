using Plinth.Core.Units;

namespace Plinth.Core.Piles;

/// <summary>Piles in words.</summary>
public static class PileWords
{
    /// <summary>"ø450 bored"; "350 square driven concrete".</summary>
    /// <param name="rules">The piles.</param>
    /// <param name="units">Units of their size.</param>
    public static string Of(PileRules rules, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (rules.Size is not { } size)
        {
            return "";
        }

        var made = rules.Made switch
        {
            PileMaking.Bored => "bored",
            PileMaking.DrivenConcrete => "driven concrete",
            PileMaking.SteelTube => "steel tube",
            PileMaking.SteelSection => "steel section",
            _ => "timber",
        };
        return rules.Shape == PileShape.Round
            ? $"ø{Dimension.Section(size, units)} {made}"
            : $"{Dimension.Section(size, units)} square {made}";
    }
}
