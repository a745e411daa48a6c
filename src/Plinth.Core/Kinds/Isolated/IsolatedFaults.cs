using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>What makes a design of an isolated footing impossible, whatever its loads.</summary>
internal static class IsolatedFaults
{
    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, IsolatedDesign design, UnitSystem units)
    {
        foreach (var place in f.Places)
        {
            var outline = BaseGeometry.Outline(place, design.Pedestal);
            if (!BaseGeometry.ColumnOnBase(f.Held, outline, design.Size))
            {
                var o = BaseGeometry.Offset(f.Held, outline, design.Size);
                var alongX = Math.Abs(o.X) + (outline.FaceX / 2) > (design.Size.Length / 2) + 1e-9;
                return (alongX ? "length" : "width",
                    $"the {(design.Pedestal is null ? "column" : "pedestal")} of {place.Name} stands beyond the base; make the base "
                        + "larger, or change its offset or held edges");
            }

            if (!BaseGeometry.AllOnBase(f, outline, design.Size))
            {
                return ("length",
                    $"a load of [[foundation.load]] lies beyond the base at {place.Name}; make the base larger, or mend its place");
            }
        }

        return Bands(f, design);
    }

    // Bars in a band, and on both sides of it as many.
    private static (string Key, string Message)? Bands(Foundation f, IsolatedDesign design)
    {
        var cover = f.Rules.Concrete.CoverSide;
        var (bars, (x, y)) = (design.Bars(cover), (design.Size.Length, design.Size.Width));
        foreach (var (key, layer, span, breadth) in ((string, BarLayer, double, double)[])[("bottom-x", bars.BottomX, x, y),
            ("bottom-y", bars.BottomY, y, x), ("top-x", bars.TopX, x, y), ("top-y", bars.TopY, y, x)])
        {
            var within = breadth - (2 * cover) - layer.Diameter;
            if (layer.Band > 0 && BandedBars.Fault(layer, BandedBars.Strips(within / 2, [(-span / 2, span / 2)])) is { } fault)
            {
                return (key, $"{key}: {fault}");
            }
        }

        return null;
    }
}
