using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
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
    public static Quantities Of(ConcreteCode code, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(code);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var (length, width, thickness) = (design.Size.Length, design.Size.Width, design.Size.Thickness);
        var rules = foundation.Rules;
        var side = rules.Concrete.CoverSide;
        var bars = design.Bars(side);
        double Mass(BarLayer layer, double breadth) => MassOf(code, layer, breadth - (2 * side));
        var ground = foundation.Places[0].Ground;
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + rules.Concrete.Blinding;
        var area = length * width;
        var column = Column(code, foundation, design);
        return new Quantities(
            (area * thickness) + column.Concrete,
            Mass(bars.BottomX, length) + Mass(bars.TopX, length) + Mass(bars.BottomY, width) + Mass(bars.TopY, width) + column.Steel,
            area * depth,
            (2 * (length + width) * thickness) + column.Formwork,
            area * rules.Concrete.Blinding);
    }

    /// <summary>Mass of a layer, kg; hooks by their centre line.</summary>
    /// <param name="code">The code whose hooks they are.</param>
    /// <param name="layer">The bars.</param>
    /// <param name="length">Between the outer faces of their ends, m.</param>
    public static double MassOf(ConcreteCode code, BarLayer layer, double length)
    {
        ArgumentNullException.ThrowIfNull(code);
        if (layer.Size is not { } size)
        {
            return 0;
        }

        // Each hook adds its height and loses what the bend cuts off the two corners' legs.
        var radius = code.BendDiameter(size.Diameter) / 2;
        var hooks = layer.Hooked ? 2 * (code.HookHeight(size.Diameter) - (2 * (radius + size.Diameter)) + (Math.PI / 2 * (radius + (size.Diameter / 2)))) : 0;
        return layer.Count * size.MassPerMetre * (length + hooks);
    }

    // Pedestal with its bars down to the bottom layer and its ties, dowels with their laps.
    private static (double Concrete, double Steel, double Formwork) Column(ConcreteCode code, Foundation foundation, FoundationDesign design)
    {
        var none = default(Tracing.NoTrace);
        var (place, rules) = (foundation.Places[0], foundation.Rules);
        var top = place.Ground.Underside(design.Size.Thickness) + design.Size.Thickness;
        var inBase = design.Size.Thickness - rules.Concrete.CoverBottom;
        double Lap(BarSpec bars, double strength) => bars.Size is { } s ? code.CompressionDevelopment(ref none, strength, rules.Concrete.Lightweight, rules.Steel.Yield, s.Diameter) : 0;
        double Upright(BarSpec bars, double length) => bars.Size is { } s ? bars.Count * s.MassPerMetre * (length + code.HookHeight(s.Diameter)) : 0;
        var height = design.Pedestal is null ? 0 : Math.Max(0, (rules.Pedestal.TopLevel(place.Support, top, design.Pedestal.Socket?.Depth) ?? top) - top);
        var steel = Upright(design.Dowels, inBase + height + Lap(design.Dowels, rules.Column.Strength ?? rules.Concrete.Strength));
        if (design.Pedestal is not { } p)
        {
            return (0, steel, 0);
        }

        var perimeter = p.Round ? Math.PI * p.SizeX : 2 * (p.SizeX + p.SizeY);
        steel += Upright(p.Bars, inBase + height);
        if (p.Ties is { Size: { } tie, Spacing: > 0 })
        {
            var around = Math.Max(0, perimeter - (8 * (rules.Pedestal.Cover + (tie.Diameter / 2))) + (2 * 12 * tie.Diameter));
            if (p.Socket is not null)
            {
                // The inner tie of a pair runs round the hollow, outside it by the cover.
                around += (2 * (p.ClearX + p.ClearY)) + (8 * (rules.Pedestal.Cover + (tie.Diameter / 2))) + (2 * 12 * tie.Diameter);
            }

            steel += (Math.Ceiling(height / p.Ties.Spacing) + 1) * tie.MassPerMetre * around;
        }

        var hollow = p.Socket is { } socket ? socket.Depth + rules.Pedestal.Sockets.Bed : 0;
        return ((p.Area * height) - ((p.Area - p.OwnArea) * hollow), steel, (perimeter * height) + (p.Socket is null ? 0 : 2 * (p.ClearX + p.ClearY) * hollow));
    }
}
