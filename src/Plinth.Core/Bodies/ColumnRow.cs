namespace Plinth.Core.Bodies;

/// <summary>What several columns on one body have together.</summary>
internal static class ColumnRow
{
    /// <summary>Where the first face lies along an axis, m from the body's centroid.</summary>
    public static double LowFace(this Standing[] columns, bool alongX)
    {
        var low = double.PositiveInfinity;
        foreach (var c in columns)
        {
            low = Math.Min(low, c.Face(alongX, -1));
        }

        return low;
    }

    /// <summary>Where the last face lies along an axis, m.</summary>
    public static double HighFace(this Standing[] columns, bool alongX)
    {
        var high = double.NegativeInfinity;
        foreach (var c in columns)
        {
            high = Math.Max(high, c.Face(alongX, 1));
        }

        return high;
    }

    /// <summary>Whether plain concrete may count on top in a combination: under every one of them.</summary>
    public static bool PlainOnTop(this Standing[] columns, int k)
    {
        foreach (var c in columns)
        {
            if (!c.Plain(k).OnTop)
            {
                return false;
            }
        }

        return true;
    }
}
