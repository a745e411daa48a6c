using System.Globalization;

namespace Plinth.Core.Units;

/// <summary>A unit as read: its factor to kN and m (degrees for angles) and its dimension.</summary>
/// <param name="Factor">Multiply a value in this unit by it to get kN, m, degrees.</param>
/// <param name="Force">Power of force.</param>
/// <param name="Length">Power of length.</param>
/// <param name="IsAngle">True for angles.</param>
public readonly record struct ReadUnit(double Factor, int Force, int Length, bool IsAngle)
{
    /// <summary>
    /// A value in this unit in kN, m, degrees. 700 mm is 0.7 m and not a hair more: where the unit is a whole part of the other, it
    /// divides.
    /// </summary>
    public double ToBase(double value)
    {
        var parts = Math.Round(1 / Factor);
        return Factor < 1 && Math.Abs((parts * Factor) - 1) < 1e-15 ? value / parts : value * Factor;
    }

    /// <summary>Whether the unit can measure <paramref name="measure"/>.</summary>
    public bool Measures(Measure measure)
    {
        ArgumentNullException.ThrowIfNull(measure);
        return Force == measure.ForcePower && Length == measure.LengthPower && IsAngle == measure.IsAngle;
    }
}

/// <summary>
/// Reads units as people and analysis exports spell them: simple units, products and quotients
/// (<c>kN</c>, <c>kN-m</c>, <c>kN·m</c>, <c>k-ft</c>, <c>kgf/cm2</c>, <c>kip ft</c>). The only place that knows a foot.
/// </summary>
public static class UnitReader
{
    // Exact by definition: 1 ft = 0.3048 m, 1 lbf = 4.4482216152605 N, 1 kgf = 9.80665 N.
    private const double Foot = 0.3048;
    private const double Inch = 0.0254;
    private const double PoundForce = 0.0044482216152605;
    private const double KilogramForce = 0.00980665;

    private static readonly Dictionary<string, ReadUnit> Exact = Build();
    private static readonly Dictionary<string, ReadUnit> AnyCase = BuildAnyCase();

    /// <summary>Reads a unit such as <c>kN</c>, <c>kip-ft</c> or <c>kgf/cm2</c>.</summary>
    /// <returns>False if a part of it is not a known unit.</returns>
    public static bool TryRead(ReadOnlySpan<char> text, out ReadUnit unit)
    {
        unit = new ReadUnit(1, 0, 0, false);
        text = text.Trim();
        if (text.IsEmpty)
        {
            return false;
        }

        var divide = false;
        var i = 0;
        while (i < text.Length)
        {
            var c = text[i];
            if (c is ' ' or '-' or '·' or '*' or '⋅' or '.')
            {
                i++;
                continue;
            }

            if (c == '/')
            {
                divide = true;
                i++;
                continue;
            }

            var start = i;
            while (i < text.Length && (char.IsLetter(text[i]) || text[i] is '°' or '\'' or '"' or '′' or '″'))
            {
                i++;
            }

            if (i == start || !TryReadPart(text[start..i], divide, ref unit, text, ref i))
            {
                return false;
            }
        }

        return !divide || unit != new ReadUnit(1, 0, 0, false);
    }

    private static bool TryReadPart(ReadOnlySpan<char> name, bool divide, ref ReadUnit unit, ReadOnlySpan<char> text, ref int i)
    {
        if (!TryName(name, out var part))
        {
            return false;
        }

        var power = 1;
        if (i < text.Length && text[i] == '^')
        {
            i++;
        }

        if (i < text.Length && text[i] is (>= '2' and <= '4') or '²' or '³')
        {
            power = text[i] switch { '²' => 2, '³' => 3, var d => d - '0' };
            i++;
        }

        var sign = divide ? -power : power;
        unit = new ReadUnit(
            unit.Factor * Math.Pow(part.Factor, sign),
            unit.Force + (sign * part.Force),
            unit.Length + (sign * part.Length),
            unit.IsAngle || part.IsAngle);
        return true;
    }

    private static bool TryName(ReadOnlySpan<char> name, out ReadUnit part)
    {
        var key = name.ToString();
        return Exact.TryGetValue(key, out part) || AnyCase.TryGetValue(key, out part);
    }

    private static Dictionary<string, ReadUnit> Build()
    {
        var units = new Dictionary<string, ReadUnit>(StringComparer.Ordinal);
        void Add(double factor, int force, int length, params string[] names)
        {
            foreach (var name in names)
            {
                units.Add(name, new ReadUnit(factor, force, length, false));
            }
        }

        Add(1, 0, 1, "m", "metre", "metres", "meter", "meters");
        Add(0.001, 0, 1, "mm");
        Add(0.01, 0, 1, "cm");
        Add(Foot, 0, 1, "ft", "'", "′", "foot", "feet");
        Add(Inch, 0, 1, "in", "\"", "″", "inch", "inches");
        Add(1, 1, 0, "kN");
        Add(0.001, 1, 0, "N");
        Add(1000, 1, 0, "MN");
        Add(1000 * PoundForce, 1, 0, "kip", "kips", "kipf", "k", "klbf");
        Add(PoundForce, 1, 0, "lb", "lbs", "lbf");
        Add(KilogramForce, 1, 0, "kgf");
        Add(1000 * KilogramForce, 1, 0, "tonf", "tf");
        Add(1, 1, 1, "kNm");
        Add(0.001, 1, 1, "Nm");
        Add(1000, 1, 1, "MNm");
        Add(1e-6, 1, 1, "Nmm");
        Add(0.001, 1, -2, "Pa");
        Add(1, 1, -2, "kPa");
        Add(1000, 1, -2, "MPa");
        Add(1e6, 1, -2, "GPa");
        Add(100, 1, -2, "bar");
        Add(PoundForce / (Foot * Foot), 1, -2, "psf");
        Add(1000 * PoundForce / (Foot * Foot), 1, -2, "ksf");
        Add(PoundForce / (Inch * Inch), 1, -2, "psi");
        Add(1000 * PoundForce / (Inch * Inch), 1, -2, "ksi");
        Add(2000 * PoundForce / (Foot * Foot), 1, -2, "tsf");
        Add(PoundForce / (Foot * Foot * Foot), 1, -3, "pcf");
        Add(1000 * PoundForce / (Foot * Foot * Foot), 1, -3, "kcf");
        Add(PoundForce / (Inch * Inch * Inch), 1, -3, "pci");
        units.Add("deg", new ReadUnit(1, 0, 0, true));
        units.Add("°", new ReadUnit(1, 0, 0, true));
        units.Add("degrees", new ReadUnit(1, 0, 0, true));
        units.Add("rad", new ReadUnit(180 / Math.PI, 0, 0, true));
        return units;
    }

    // Exports write KN, Kip, KIP-FT. Where two units differ by case alone (none does so far) the exact spelling decides.
    private static Dictionary<string, ReadUnit> BuildAnyCase()
    {
        var units = new Dictionary<string, ReadUnit>(StringComparer.OrdinalIgnoreCase);
        foreach (var (name, unit) in Exact)
        {
            units.TryAdd(name, unit);
        }

        return units;
    }

    /// <summary>Parses a finite number in invariant notation. Rejects NaN, infinities and overflow.</summary>
    public static bool TryNumber(ReadOnlySpan<char> text, out double value) =>
        double.TryParse(text.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out value) && double.IsFinite(value);
}
