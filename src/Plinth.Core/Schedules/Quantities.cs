using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>Quantities of one base (of one place).</summary>
/// <param name="Concrete">m3.</param>
/// <param name="Steel">kg, by cutting lengths of straight bars between side covers.</param>
/// <param name="Excavation">m3: the plan of the base to the underside of the blinding; no working space.</param>
/// <param name="Formwork">m2: the sides of the base.</param>
/// <param name="Blinding">m3, under the plan of the base.</param>
public readonly record struct Quantities(double Concrete, double Steel, double Excavation, double Formwork, double Blinding)
{
    /// <summary>Quantities of a design at a foundation's first place.</summary>
    public static Quantities Of(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var (length, width, thickness) = (design.Size.Length, design.Size.Width, design.Size.Thickness);
        var rules = foundation.Rules;
        var side = rules.Concrete.CoverSide;
        var bars = design.Bars(side);
        double Mass(BarLayer layer, double breadth) => layer.Size is null ? 0 : layer.Count * layer.Size.MassPerMetre * (breadth - (2 * side));
        var ground = foundation.Places[0].Ground;
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + rules.Concrete.Blinding;
        var area = length * width;
        return new Quantities(
            area * thickness,
            Mass(bars.BottomX, length) + Mass(bars.TopX, length) + Mass(bars.BottomY, width) + Mass(bars.TopY, width),
            area * depth,
            2 * (length + width) * thickness,
            area * rules.Concrete.Blinding);
    }
}
