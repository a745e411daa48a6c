using System.Globalization;

namespace Plinth.Core.Units;

/// <summary>A unit of display: how a value held in kN, m and kPa is written for people, in both unit systems.</summary>
/// <remarks>
/// A value v (kN, m) reads v / factor in the unit. Fixed units, for the empirical formulas of a code edition, are the same in both systems.
/// </remarks>
public sealed class Unit
{
    private const double PoundForce = 0.0044482216152605;
    private const double Foot = 0.3048;
    private const double Inch = 0.0254;

    private readonly (string Symbol, double Factor, int Decimals) metric;
    private readonly (string Symbol, double Factor, int Decimals) us;

    private Unit((string Symbol, double Factor, int Decimals) metric, (string Symbol, double Factor, int Decimals) us) =>
        (this.metric, this.us) = (metric, us);

    /// <summary>A plain number.</summary>
    public static readonly Unit Ratio = Fixed("", 1, 3);

    /// <summary>Plan lengths and lever arms: m, ft.</summary>
    public static readonly Unit Length = new(("m", 1, 2), ("ft", Foot, 2));

    /// <summary>Sizes within a section: mm, in.</summary>
    public static readonly Unit Section = new(("mm", 0.001, 0), ("in", Inch, 1));

    /// <summary>Forces: kN, kip.</summary>
    public static readonly Unit Force = new(("kN", 1, 1), ("kip", 1000 * PoundForce, 1));

    /// <summary>Moments: kNm, kip ft.</summary>
    public static readonly Unit Moment = new(("kNm", 1, 1), ("kip ft", 1000 * PoundForce * Foot, 1));

    /// <summary>Forces per length: kN/m, kip/ft.</summary>
    public static readonly Unit LineLoad = new(("kN/m", 1, 1), ("kip/ft", 1000 * PoundForce / Foot, 2));

    /// <summary>Moments per length: kNm/m, kip ft/ft.</summary>
    public static readonly Unit LineMoment = new(("kNm/m", 1, 1), ("kip ft/ft", 1000 * PoundForce, 2));

    /// <summary>Pressures on the ground: kPa, ksf.</summary>
    public static readonly Unit Pressure = new(("kPa", 1, 1), ("ksf", 1000 * PoundForce / (Foot * Foot), 3));

    /// <summary>Stresses in concrete and steel: MPa, psi.</summary>
    public static readonly Unit Stress = new(("MPa", 1000, 3), ("psi", PoundForce / (Inch * Inch), 1));

    /// <summary>Plan areas: m2, ft2.</summary>
    public static readonly Unit Area = new(("m2", 1, 2), ("ft2", Foot * Foot, 1));

    /// <summary>Volumes: m3, cubic yards.</summary>
    public static readonly Unit Volume = new(("m3", 1, 2), ("yd3", 27 * Foot * Foot * Foot, 2));

    /// <summary>Steel areas: mm2, in2.</summary>
    public static readonly Unit SteelArea = new(("mm2", 1e-6, 0), ("in2", Inch * Inch, 2));

    /// <summary>Masses: kg, lb.</summary>
    public static readonly Unit Mass = new(("kg", 1, 0), ("lb", 0.45359237, 0));

    /// <summary>Weights per volume: kN/m3, pcf.</summary>
    public static readonly Unit UnitWeight = new(("kN/m3", 1, 2), ("pcf", PoundForce / (Foot * Foot * Foot), 1));

    /// <summary>Polar moments of a critical section: m4, ft4.</summary>
    public static readonly Unit FourthPower = new(("m4", 1, 5), ("ft4", Foot * Foot * Foot * Foot, 3));

    /// <summary>Megapascals in both systems.</summary>
    public static readonly Unit Megapascal = Fixed("MPa", 1000, 3);

    /// <summary>Pounds per square inch in both systems.</summary>
    public static readonly Unit Psi = Fixed("psi", PoundForce / (Inch * Inch), 1);

    /// <summary>Degrees of angle.</summary>
    public static readonly Unit Degrees = Fixed("°", 1, 1);

    /// <summary>Lengths of settlement: mm, in.</summary>
    public static readonly Unit Settlement = new(("mm", 0.001, 1), ("in", Inch, 2));

    /// <summary>Moduli of subgrade reaction: MN/m3, kcf.</summary>
    public static readonly Unit Subgrade = new(("MN/m3", 1000, 1), ("kcf", 1000 * PoundForce / (Foot * Foot * Foot), 1));

    private static Unit Fixed(string symbol, double factor, int decimals) => new((symbol, factor, decimals), (symbol, factor, decimals));

    /// <summary>The unit's symbol; empty for a plain number.</summary>
    public string Symbol(UnitSystem system) => Of(system).Symbol;

    /// <summary>The value as a number in this unit.</summary>
    /// <param name="value">In kN, m, kPa.</param>
    /// <param name="system">The unit system.</param>
    public double In(double value, UnitSystem system) => value / Of(system).Factor;

    /// <summary>The value with the unit's usual number of decimals, without its symbol.</summary>
    public string Format(double value, UnitSystem system)
    {
        var u = Of(system);
        return Fixed(value / u.Factor, u.Decimals);
    }

    /// <summary>The value with the unit's usual number of decimals and its symbol.</summary>
    public string FormatWithSymbol(double value, UnitSystem system) => Join(Format(value, system), Symbol(system));

    /// <summary>The value to four significant digits with its symbol, for substituted formulas.</summary>
    public string FormatTraced(double value, UnitSystem system) => Join(Significant(In(value, system)), Symbol(system));

    // What is left of sums that close is nothing.
    private const double Noise = 1e-10;

    /// <summary>A number to four significant digits, never in exponent form within 1e-6 to 1e9; less than 1e-10 is nothing.</summary>
    public static string Significant(double value)
    {
        if (value == 0)
        {
            return "0";
        }

        if (!double.IsFinite(value))
        {
            return value > 0 ? "∞" : value < 0 ? "-∞" : "undefined";
        }

        var magnitude = Math.Abs(value);
        if (magnitude is < 1e-6 or >= 1e9)
        {
            return magnitude < Noise ? "0" : value.ToString("0.###e0", CultureInfo.InvariantCulture);
        }

        var digits = 3 - (int)Math.Floor(Math.Log10(magnitude));
        return digits <= 0
            ? Math.Round(value).ToString("0", CultureInfo.InvariantCulture)
            : Fixed(value, Math.Min(digits, 10)).TrimDecimals();
    }

    private static string Join(string number, string symbol) => symbol.Length == 0 ? number : number + " " + symbol;

    // Rounding to "-0.0" would show a sign that means nothing.
    private static string Fixed(double value, int decimals)
    {
        var text = value.ToString("F" + decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        return text[0] == '-' && text.AsSpan(1).IndexOfAnyExcept("0.") < 0 ? text[1..] : text;
    }

    private (string Symbol, double Factor, int Decimals) Of(UnitSystem system) => system == UnitSystem.Metric ? metric : us;
}

internal static class NumberText
{
    public static string TrimDecimals(this string text) =>
        text.Contains('.', StringComparison.Ordinal) ? text.TrimEnd('0').TrimEnd('.') : text;
}
