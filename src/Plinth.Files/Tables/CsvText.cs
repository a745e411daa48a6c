using System.Globalization;
using System.Text;

namespace Plinth.Files.Tables;

/// <summary>Writes CSV (RFC 4180). No cell can be taken for a formula by a spreadsheet.</summary>
public sealed class CsvText
{
    // From here on a value stands for one without bound.
    private const double Unbounded = 1e30;

    private readonly StringBuilder text = new();

    /// <summary>Adds a row of texts and numbers.</summary>
    public void Row(params IEnumerable<object?> cells)
    {
        ArgumentNullException.ThrowIfNull(cells);
        text.AppendJoin(',', cells.Select(Cell)).Append('\n');
    }

    /// <inheritdoc/>
    public override string ToString() => text.ToString();

    private static string Cell(object? value)
    {
        if (value is double number)
        {
            // What has no bound, or no value, is an empty cell: no reader of numbers trips over it.
            return double.IsFinite(number) && Math.Abs(number) < Unbounded ? number.ToString("R", CultureInfo.InvariantCulture) : "";
        }

        if (value is int whole)
        {
            return whole.ToString(CultureInfo.InvariantCulture);
        }

        var s = value as string ?? "";
        if (s.Length > 0 && s[0] is ('=' or '+' or '-' or '@' or '\t' or '\r'))
        {
            s = "'" + s;
        }

        return s.AsSpan().IndexOfAny("\",\n\r") >= 0 ? "\"" + s.Replace("\"", "\"\"", StringComparison.Ordinal) + "\"" : s;
    }
}
