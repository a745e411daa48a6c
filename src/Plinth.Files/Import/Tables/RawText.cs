using System.Globalization;

namespace Plinth.Files.Import;

/// <summary>How a raw table is told of.</summary>
internal static class RawText
{
    /// <summary>"raw/base.csv: header in row 3, units in row 4; semicolons, decimal comma, utf-8; 312 rows".</summary>
    public static string Describe(RawColumns columns, int count, string what)
    {
        var form = columns.Table is RawCsv csv
            ? $"; {(csv.Delimiter switch { ';' => "semicolons", '\t' => "tabs", '|' => "bars", _ => "commas" })}, decimal "
                + $"{(csv.DecimalSign == ',' ? "comma" : "point")}, "
                + $"{(csv.EncodingName == "iso-8859-1" ? "latin-1 (it is no UTF-8)" : csv.EncodingName)}"
            : "";
        return string.Create(CultureInfo.InvariantCulture,
            $"{columns.Table.Name}: header in row "
                + $"{columns.HeaderLine}{(columns.UnitsLine > 0 ? $", units in row {columns.UnitsLine}" : "")}{form}; {count:#,0} {what}");
    }

    /// <summary>A cell of CSV, quoted where it must be. Labels stay exactly as they are: what reads this file again is plinth.</summary>
    public static string Cell(string text) =>
        text.AsSpan().IndexOfAny("\",\r\n") >= 0 || text != text.Trim()
            ? "\"" + text.Replace("\"", "\"\"", StringComparison.Ordinal) + "\""
            : text;
}
