using System.Globalization;

namespace Plinth.Files.Import;

/// <summary>A number of a raw table with the digits that it was written in, so that it is written again without loss.</summary>
/// <param name="Value">The number.</param>
/// <param name="Mantissa">Its digits as a whole number; with <paramref name="Decimals"/> the number exactly.</param>
/// <param name="Decimals">Digits after the point; −1 where the number was written otherwise and the value alone holds.</param>
public readonly record struct RawNumber(double Value, long Mantissa, int Decimals)
{
    private const int MostDigits = 15;
    private static readonly double[] Powers = [.. Enumerable.Range(0, 23)
        .Select(i => double.Parse("1e" + i.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture))];

    /// <summary>A number that stands alone, to the 15 digits that a spreadsheet keeps.</summary>
    public static RawNumber Of(double value) =>
        TryRead(value.ToString("G15", CultureInfo.InvariantCulture), '.', out var n) ? n : new RawNumber(value, 0, -1);

    /// <summary>The same with the other sign.</summary>
    public RawNumber Negated => new(Value == 0 ? 0 : -Value, -Mantissa, Decimals);

    /// <summary>Reads a number: digits, one decimal sign, an exponent; no separators of thousands.</summary>
    /// <param name="text">The text, without spaces around it.</param>
    /// <param name="decimalSign">The decimal sign, '.' or ','.</param>
    /// <param name="number">The number, finite.</param>
    public static bool TryRead(ReadOnlySpan<char> text, char decimalSign, out RawNumber number)
    {
        number = default;
        var i = 0;
        var negative = false;
        if (text.Length > 0 && text[0] is '-' or '+' or '−')
        {
            negative = text[0] != '+';
            i = 1;
        }

        long mantissa = 0;
        var (digits, decimals, seen) = (0, -1, 0);
        for (; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsAsciiDigit(c))
            {
                seen++;
                digits += mantissa > 0 || c != '0' ? 1 : 0;
                if (digits > MostDigits)
                {
                    return Slow(text, decimalSign, out number);
                }

                mantissa = (10 * mantissa) + (c - '0');
                decimals += decimals >= 0 ? 1 : 0;
            }
            else if (c == decimalSign && decimals < 0)
            {
                decimals = 0;
            }
            else
            {
                return c is 'e' or 'E' && seen > 0 && Slow(text, decimalSign, out number);
            }
        }

        decimals = Math.Max(0, decimals);
        if (seen == 0 || decimals >= Powers.Length)
        {
            return seen > 0 && Slow(text, decimalSign, out number);
        }

        // Exact: both parts are whole numbers that a double holds, and division rounds once (W. D. Clinger, PLDI 1990).
        var value = mantissa / Powers[decimals];
        number = negative ? new RawNumber(mantissa == 0 ? 0 : -value, -mantissa, decimals) : new RawNumber(value, mantissa, decimals);
        return true;
    }

    /// <summary>Writes the number with a decimal point; the digits it was read with, or the shortest that give the value back.</summary>
    /// <param name="target">Receives the text; 32 characters are enough.</param>
    /// <returns>How many characters were written.</returns>
    public int Write(Span<char> target)
    {
        if (Decimals < 0)
        {
            Value.TryFormat(target, out var written, "R", CultureInfo.InvariantCulture);
            return written;
        }

        Span<char> digits = stackalloc char[24];
        var (m, count) = (Math.Abs(Mantissa), 0);
        while (m > 0 || count <= Decimals)
        {
            digits[count++] = (char)('0' + (m % 10));
            m /= 10;
        }

        var at = 0;
        if (Mantissa < 0)
        {
            target[at++] = '-';
        }

        for (var k = count - 1; k >= 0; k--)
        {
            target[at++] = digits[k];
            if (k == Decimals && k > 0)
            {
                target[at++] = '.';
            }
        }

        return at;
    }

    /// <inheritdoc/>
    public override string ToString()
    {
        Span<char> text = stackalloc char[40];
        return text[..Write(text)].ToString();
    }

    private static bool Slow(ReadOnlySpan<char> text, char decimalSign, out RawNumber number)
    {
        Span<char> plain = stackalloc char[Math.Min(text.Length, 64)];
        number = default;
        if (text.Length > plain.Length)
        {
            return false;
        }

        text.CopyTo(plain);
        plain.Replace(decimalSign, '.');
        plain.Replace('−', '-');
        if (decimalSign != '.' && text.Contains('.'))
        {
            return false;
        }

        var ok = double.TryParse(plain, NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint | NumberStyles.AllowExponent,
            CultureInfo.InvariantCulture, out var value) && double.IsFinite(value);
        number = new RawNumber(value, 0, -1);
        return ok;
    }
}
