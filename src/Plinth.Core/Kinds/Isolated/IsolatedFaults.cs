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

        return null;
    }
}
