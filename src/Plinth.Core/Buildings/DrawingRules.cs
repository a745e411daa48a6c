using System.Globalization;

namespace Plinth.Core.Buildings;

/// <summary>What the office puts on every drawing: numbers of sheets and general notes.</summary>
/// <param name="Plan">Number of the foundation plan; empty: none.</param>
/// <param name="Details">Numbers of details, with {n}, {nn} or {mark}; empty: none.</param>
/// <param name="Others">Numbers of all other sheets, likewise.</param>
/// <param name="Notes">General notes, a paragraph each.</param>
public sealed record DrawingRules(string Plan, string Details, string Others, IReadOnlyList<string> Notes)
{
    /// <summary>Nothing stated.</summary>
    public static readonly DrawingRules None = new("", "", "", []);

    /// <summary>The number of one of several sheets.</summary>
    /// <param name="pattern">With {n} for 1, 2 …, {nn} for 01, 02 …, {mark} for the foundation's mark.</param>
    /// <param name="place">Which sheet of its kind it is, from 1.</param>
    /// <param name="mark">The mark, or what else the sheet is of.</param>
    public static string Number(string pattern, int place, string mark)
    {
        ArgumentNullException.ThrowIfNull(pattern);
        return pattern.Replace("{nn}", place.ToString("00", CultureInfo.InvariantCulture), StringComparison.Ordinal)
            .Replace("{n}", place.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal)
            .Replace("{mark}", mark, StringComparison.Ordinal);
    }
}
