using Plinth.Core.Concrete;

namespace Plinth.Core.Bodies;

/// <summary>A stretch of a beam over which its stirrups stand closer than elsewhere.</summary>
/// <param name="From">Where it begins, m along the beam.</param>
/// <param name="To">Where it ends, m.</param>
/// <param name="Column">The column about which it lies, by number.</param>
/// <param name="Spacing">How far apart they stand, m.</param>
internal readonly record struct StirrupStretch(double From, double To, int Column, double Spacing)
{
    /// <summary>The stretches of a beam within its ends.</summary>
    /// <param name="zones">The zones about its columns.</param>
    /// <param name="columns">The columns' centres, m along the beam.</param>
    /// <param name="low">Where the beam begins, m.</param>
    /// <param name="high">Where it ends, m.</param>
    public static IReadOnlyList<StirrupStretch> Of(StirrupZones zones, IReadOnlyList<double> columns, double low, double high)
    {
        var list = new List<StirrupStretch>();
        for (var i = 0; i < columns.Count; i++)
        {
            if (zones.At[i] is { Any: true } z)
            {
                list.Add(new(Math.Max(low, columns[i] - z.Low), Math.Min(high, columns[i] + z.High), i, z.Stirrups.Spacing));
            }
        }

        return list;
    }
}
