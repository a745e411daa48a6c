using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>Bars of designs that are made of others.</summary>
internal static class JoinedBars
{
    /// <summary>
    /// The densest layer of several bases, over the breadth of a larger one, with no fewer bars than the code's least; none where none has
    /// bars.
    /// </summary>
    /// <param name="layers">The layer of each base with its size.</param>
    /// <param name="size">The larger base.</param>
    /// <param name="alongX">Whether they lie along x.</param>
    /// <param name="side">Cover at the sides, m.</param>
    /// <param name="ratio">Least steel of the gross section.</param>
    public static BarSpec Densest(IEnumerable<(BarSpec Bars, BaseSize Size)> layers, in BaseSize size, bool alongX, double side,
        double ratio)
    {
        double Breadth(BaseSize s) => alongX ? s.Width : s.Length;
        var some = layers.Where(l => l.Bars.Size is not null)
            .Select(l => (l.Bars, Layer: l.Bars.Resolve(Breadth(l.Size), side), Breadth: Breadth(l.Size)))
            .ToList();
        if (some.Count == 0)
        {
            return BarSpec.None;
        }

        var (best, breadth) = (some.MaxBy(b => b.Layer.Area / b.Breadth), Breadth(size));
        var spacing = (best.Breadth - (2 * side) - best.Layer.Diameter) / (best.Layer.Count - 1);
        var count = (int)Math.Ceiling(((breadth - (2 * side) - best.Layer.Diameter) / spacing) - 1e-9) + 1;

        // In a thicker base no fewer than the code's least.
        count = Math.Max(count, (int)Math.Ceiling((ratio * breadth * size.Thickness / best.Layer.Size!.Area) - 1e-9));
        return best.Bars with { Count = count, Spacing = 0, Band = 0 };
    }
}
