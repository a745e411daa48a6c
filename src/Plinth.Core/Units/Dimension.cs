using System.Globalization;

namespace Plinth.Core.Units;

/// <summary>
/// Sizes of what is built, as drawings and schedules write them: metres and millimetres, or feet and inches to the sixteenth.
/// </summary>
public static class Dimension
{
    private const double Inch = 0.0254;

    // Sixteenths of an inch in an inch and in a foot.
    private const long PerInch = 16;
    private const long PerFoot = 12 * PerInch;

    /// <summary>Feet and inches: 9'-0", 12'-6 1/2".</summary>
    /// <param name="metres">m, of any sign.</param>
    public static string Feet(double metres)
    {
        var (sign, sixteenths) = Sixteenths(metres);
        return string.Create(CultureInfo.InvariantCulture, $"{sign}{sixteenths / PerFoot}'-{Inches(sixteenths % PerFoot, true)}");
    }

    /// <summary>Inches: 16", 3 1/2".</summary>
    /// <param name="metres">m, of any sign.</param>
    public static string Inches(double metres)
    {
        var (sign, sixteenths) = Sixteenths(metres);
        return sign + Inches(sixteenths, false);
    }

    /// <summary>A dimension of a bar: inches below a foot, feet and inches from there.</summary>
    /// <param name="metres">m, of any sign.</param>
    public static string Bar(double metres) => Sixteenths(metres).Count < PerFoot ? Inches(metres) : Feet(metres);

    /// <summary>A side in plan with its unit: 2.40 m, 9'-0".</summary>
    /// <param name="metres">m.</param>
    /// <param name="units">Units of display.</param>
    public static string Plan(double metres, UnitSystem units) =>
        units == UnitSystem.Us ? Feet(metres) : Unit.Length.FormatWithSymbol(metres, units);

    /// <summary>The same without a unit where a heading has it: 2.40, 9'-0".</summary>
    /// <param name="metres">m.</param>
    /// <param name="units">Units of display.</param>
    public static string PlainPlan(double metres, UnitSystem units) =>
        units == UnitSystem.Us ? Feet(metres) : Unit.Length.Format(metres, units);

    /// <summary>A thickness, cover or width with its unit: 400 mm, 16".</summary>
    /// <param name="metres">m.</param>
    /// <param name="units">Units of display.</param>
    public static string Section(double metres, UnitSystem units) =>
        units == UnitSystem.Us ? Inches(metres) : Unit.Section.FormatWithSymbol(metres, units);

    /// <summary>The same without a unit where a heading has it: 400, 16".</summary>
    /// <param name="metres">m.</param>
    /// <param name="units">Units of display.</param>
    public static string PlainSection(double metres, UnitSystem units) =>
        units == UnitSystem.Us ? Inches(metres) : Unit.Section.Format(metres, units);

    /// <summary>A heading over such sizes: feet and inches bear their own marks, metres and millimetres need the unit.</summary>
    /// <param name="title">What stands below.</param>
    /// <param name="unit">The unit of metric sizes.</param>
    /// <param name="units">Units of display.</param>
    public static string Heading(string title, Unit unit, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(unit);
        return units == UnitSystem.Us ? title : $"{title} {unit.Symbol(units)}";
    }

    private static (string Sign, long Count) Sixteenths(double metres)
    {
        var count = (long)Math.Round(Math.Abs(metres) / Inch * PerInch);
        return (metres < 0 && count > 0 ? "−" : "", count);
    }

    // Behind feet none are written 0.
    private static string Inches(long sixteenths, bool behindFeet)
    {
        var (whole, part) = (sixteenths / PerInch, sixteenths % PerInch);
        if (part == 0)
        {
            return string.Create(CultureInfo.InvariantCulture, $"{whole}\"");
        }

        var common = (long)System.Numerics.BigInteger.GreatestCommonDivisor(part, PerInch);
        return string.Create(CultureInfo.InvariantCulture,
            $"{(whole > 0 || behindFeet ? $"{whole} " : "")}{part / common}/{PerInch / common}\"");
    }
}
