using Plinth.Core.Concrete;

namespace Plinth.Core.Schedules;

/// <summary>
/// A bent bar: its shape by ISO 3766 and its dimensions, outside to outside of the bar; what a shape does not have is 0. Lengths in m.
/// </summary>
/// <param name="Code">Shape code of ISO 3766: bends and their kind, 00 straight, 11 one bend of 90°, 21 two to one side, 51 a closed
/// rectangle, 99 any other, here a hoop.</param>
/// <param name="A">a.</param>
/// <param name="B">b.</param>
/// <param name="C">c.</param>
/// <param name="Radius">Inside radius of the bends; 0 for straight bars.</param>
/// <param name="Length">Cutting length: along the centre line, up to the whole step in which bars are cut.</param>
/// <remarks>
/// A bend of 90° shortens the sum of outside dimensions by (2 − π/2)·r + (2 − π/4)·d: that is the way round the corner less the way along
/// the arc of the centre line.
/// </remarks>
public readonly record struct BarShape(string Code, double A, double B, double C, double Radius, double Length)
{
    /// <summary>What a bend of 90° takes off the sum of outside dimensions, m.</summary>
    /// <param name="radius">Inside radius, m.</param>
    /// <param name="diameter">Of the bar, m.</param>
    public static double Deduction(double radius, double diameter) => ((2 - (Math.PI / 2)) * radius) + ((2 - (Math.PI / 4)) * diameter);

    /// <summary>A straight bar; its length is not rounded, so that covers stay.</summary>
    public static BarShape Straight(double length) => new("00", length, 0, 0, 0, length);

    /// <summary>One bend: a foot and a leg.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="foot">Outside length of the foot, m.</param>
    /// <param name="leg">Outside length of the leg, m.</param>
    /// <param name="radius">Inside radius, m.</param>
    public static BarShape OneBend(BarSize bar, double foot, double leg, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);
        var (a, b) = (bar.CutUp(leg), bar.CutUp(foot));
        return new("11", a, b, 0, radius, bar.CutUp(a + b - Deduction(radius, bar.Diameter)));
    }

    /// <summary>One bend: a bar with a hook at one end.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="hook">Outside height of the hook, m.</param>
    /// <param name="length">Outside length from the hook to the other end, m; not rounded, so that covers stay.</param>
    /// <param name="radius">Inside radius, m.</param>
    public static BarShape HookedOnce(BarSize bar, double hook, double length, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);
        var b = bar.CutUp(hook);
        return new("11", length, b, 0, radius, bar.CutUp(length + b - Deduction(radius, bar.Diameter)));
    }

    /// <summary>Two bends to one side: a bar with a hook at each end.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="hook">Outside height of the hooks, m.</param>
    /// <param name="length">Outside length between them, m; not rounded, so that covers stay.</param>
    /// <param name="radius">Inside radius, m.</param>
    public static BarShape TwoBends(BarSize bar, double hook, double length, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);
        var a = bar.CutUp(hook);
        return new("21", a, length, a, radius, bar.CutUp((2 * a) + length - (2 * Deduction(radius, bar.Diameter))));
    }

    /// <summary>A closed rectangle with a hook at each end, both round one corner bar: five bends.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="x">Outside size, m.</param>
    /// <param name="y">Outside size, m.</param>
    /// <param name="hook">Outside length of the hooks, m.</param>
    /// <param name="radius">Inside radius, m.</param>
    public static BarShape Closed(BarSize bar, double x, double y, double hook, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);
        var c = bar.CutUp(hook);
        return new("51", x, y, c, radius, bar.CutUp((2 * (x + y + c)) - (5 * Deduction(radius, bar.Diameter))));
    }

    /// <summary>A cross-tie: a hook of 90° at one end, one of 135° at the other (ACI 318 25.3.5); no standard shape, so code 99.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="length">Outside length between the hooks, m.</param>
    /// <param name="hook">Outside length of the hook of 90°, m.</param>
    /// <param name="radius">Inside radius, m.</param>
    public static BarShape CrossTie(BarSize bar, double length, double hook, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);

        // Bent on from 90° to 135° a hook takes as much more along its arc.
        var (b, c) = (bar.CutUp(hook), bar.CutUp(hook + (Math.PI / 4 * (radius + (bar.Diameter / 2)))));
        return new("99", length, b, c, radius, bar.CutUp(length + b + c - (2 * Deduction(radius, bar.Diameter))));
    }

    /// <summary>A circular hoop whose ends lap and are hooked inwards by 90°: no standard shape, so code 99.</summary>
    /// <param name="bar">The size.</param>
    /// <param name="outside">Outside diameter, m.</param>
    /// <param name="overlap">Length by which the ends lap, m.</param>
    /// <param name="hook">Outside length of the hooks, m.</param>
    /// <param name="radius">Inside radius of their bends, m.</param>
    public static BarShape Hoop(BarSize bar, double outside, double overlap, double hook, double radius)
    {
        ArgumentNullException.ThrowIfNull(bar);
        var (b, c) = (bar.CutUp(overlap), bar.CutUp(hook));
        return new("99", outside, b, c, radius,
            bar.CutUp((Math.PI * (outside - bar.Diameter)) + b + (2 * (c + radius + bar.Diameter - Deduction(radius, bar.Diameter)))));
    }
}
