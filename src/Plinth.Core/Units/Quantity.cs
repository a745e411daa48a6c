namespace Plinth.Core.Units;

/// <summary>
/// Reads dimensional values written as a number with a unit: <c>"2.4 m"</c>, <c>"4 ksf"</c>, <c>"7 ft 6 in"</c>, <c>"7'-6 1/2\""</c>.
/// </summary>
public static class Quantity
{
    /// <summary>Reads <paramref name="text"/> as a value of <paramref name="measure"/>.</summary>
    /// <param name="text">A number and a unit, or feet and inches.</param>
    /// <param name="measure">What is wanted.</param>
    /// <param name="value">The value in kN, m, degrees.</param>
    /// <param name="fault">Why it cannot be read, with the way to mend it; null if it can.</param>
    public static bool TryRead(string text, Measure measure, out double value, out string? fault)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(measure);
        var trimmed = text.AsSpan().Trim();
        fault = null;
        if (measure.Matches(Measure.Length) && TryFeetAndInches(trimmed, out value))
        {
            return Sane(text, measure, value, out fault);
        }

        var split = NumberEnd(trimmed);
        if (!UnitReader.TryNumber(trimmed[..split], out value))
        {
            fault = $"\"{text}\" does not begin with a number; write for example \"{ExampleFor("2.5", measure)}\"";
            return false;
        }

        var unitText = trimmed[split..].Trim();
        if (unitText.IsEmpty)
        {
            fault = $"\"{text}\" has no unit; write for example \"{ExampleFor(trimmed, measure)}\"";
            return false;
        }

        if (!UnitReader.TryRead(unitText, out var unit))
        {
            fault = $"\"{text}\": \"{unitText}\" is not a unit known here; write for example \"{ExampleFor(trimmed[..split], measure)}\"";
            return false;
        }

        if (!unit.Measures(measure))
        {
            fault =
                $"\"{text}\" is {Measure.NameOf(unit.Force, unit.Length, unit.IsAngle)}, but {measure.Name} is needed; write for example "
                    + $"\"{ExampleFor(trimmed[..split], measure)}\"";
            return false;
        }

        value = unit.ToBase(value);
        return Sane(text, measure, value, out fault);
    }

    // Infinite values, and those that become so in a square, must not come to be computed with.
    private static bool Sane(string text, Measure measure, double value, out string? fault)
    {
        fault = Math.Abs(value) <= measure.Most
            ? null
            : string.Create(System.Globalization.CultureInfo.InvariantCulture,
                $"\"{text}\" is beyond any {measure.Name[(measure.Name.IndexOf(' ', StringComparison.Ordinal) + 1)..]} that is read here "
                    + $"({measure.Most:0.###e+0} {Base(measure)}); look at its digits and its unit");
        return fault is null;
    }

    private static string Base(Measure measure) =>
        measure.IsAngle
            ? "degrees"
            : measure.Example switch { "mm" => "m", "kPa" or "kN" or "kN m" or "kN/m" or "kN/m3" => measure.Example, _ => "in kN and m" };

    private static string ExampleFor(ReadOnlySpan<char> number, Measure measure) => $"{number.Trim()} {measure.Example}";

    private static int NumberEnd(ReadOnlySpan<char> text)
    {
        var i = 0;
        while (i < text.Length && (char.IsAsciiDigit(text[i]) || text[i] is '.' or '+' or '-'
            || (text[i] is 'e' or 'E' && i + 1 < text.Length && (char.IsAsciiDigit(text[i + 1]) || text[i + 1] is '-' or '+'))))
        {
            i++;
        }

        return i;
    }

    // 7 ft 6 in, 7'-6", 7'-6 1/2", 6 1/2", 7' (the last also read by the general path).
    private static bool TryFeetAndInches(ReadOnlySpan<char> text, out double metres)
    {
        metres = 0;
        var negative = text.Length > 0 && text[0] == '-';
        var rest = negative ? text[1..] : text;
        var feet = 0.0;
        var mark = rest.IndexOfAny("'′");
        var width = 1;
        if (mark < 0)
        {
            mark = rest.IndexOf("ft", StringComparison.OrdinalIgnoreCase);
            width = 2;
        }

        if (mark >= 0)
        {
            if (!UnitReader.TryNumber(rest[..mark], out feet))
            {
                return false;
            }

            rest = rest[(mark + width)..].TrimStart(" -");
        }

        var inches = 0.0;
        if (!rest.IsEmpty)
        {
            var end = rest.EndsWith("in", StringComparison.OrdinalIgnoreCase) ? rest.Length - 2
                : rest[^1] is '"' or '″' ? rest.Length - 1
                : -1;
            if (end < 0 || !TryMixedNumber(rest[..end].Trim(), out inches))
            {
                return false;
            }
        }
        else if (mark < 0)
        {
            return false;
        }

        metres = ((feet * 12) + inches) * 0.0254 * (negative ? -1 : 1);
        return true;
    }

    private static bool TryMixedNumber(ReadOnlySpan<char> text, out double value)
    {
        var slash = text.IndexOf('/');
        if (slash < 0)
        {
            return UnitReader.TryNumber(text, out value);
        }

        value = 0;
        var top = text[..slash].Trim();
        var whole = 0.0;
        var gap = top.LastIndexOfAny(" -");
        if (gap >= 0)
        {
            if (!UnitReader.TryNumber(top[..gap], out whole))
            {
                return false;
            }

            top = top[(gap + 1)..];
        }

        if (!UnitReader.TryNumber(top, out var over) || !UnitReader.TryNumber(text[(slash + 1)..], out var under) || under == 0)
        {
            return false;
        }

        value = whole + (over / under);
        return true;
    }
}
