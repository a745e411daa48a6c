using System.Globalization;

namespace Plinth.Core.Bodies;

/// <summary>A pile under a cap.</summary>
public sealed class Pile : Subject
{
    /// <summary>Makes one of a trial.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Its number less one.</param>
    internal Pile(Trial trial, int index)
        : base(trial, index, Named(index))
    {
    }

    /// <summary>What results call it: "pile 3".</summary>
    public string Name => At!;

    private static string Named(int index) => "pile " + (index + 1).ToString(CultureInfo.InvariantCulture);

    /// <summary>Its number within the cap, from 1.</summary>
    public int Number => Index + 1;

    /// <summary>Its centre from the cap's centroid along x, m.</summary>
    public double X { get; private set; }

    /// <summary>The same along y, m.</summary>
    public double Y { get; private set; }

    /// <summary>Sets where it stands.</summary>
    internal void Stand(double x, double y) => (X, Y) = (x, y);

    /// <summary>Its distance from the cap's centroid along an axis, m.</summary>
    public double Along(bool alongX) => alongX ? X : Y;
}
