using Plinth.Drawing.Sheets;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Writers;

/// <summary>Widths of the columns of a table on a page.</summary>
internal static class TableWidths
{
    /// <summary>
    /// Each column as wide as its longest text; where that is too much, the widest give way to the same width, so that numbers and units
    /// stay whole.
    /// </summary>
    /// <param name="most">Width of the page's text, mm.</param>
    /// <param name="t">The table.</param>
    /// <param name="size">Size of the face, mm.</param>
    /// <param name="pad">Room beside a text, mm.</param>
    public static double[] Of(double most, Table t, double size, double pad)
    {
        var natural =
            t.Columns.Select(
                (c, i) =>
                    (t.Rows.Select(r => Lettering.Ems(r[i].Text, r[i].Tone is Tone.Strong or Tone.Fail))
                        .Append(Lettering.Ems(c.Title, true)).Max() * size) + (2 * pad) + 0.1).ToArray();
        if (natural.Sum() <= most)
        {
            return natural;
        }

        var (low, high) = (0.0, natural.Max());
        for (var i = 0; i < 40; i++)
        {
            var mid = (low + high) / 2;
            (low, high) = natural.Sum(n => Math.Min(n, mid)) <= most ? (mid, high) : (low, mid);
        }

        return [.. natural.Select(n => Math.Min(n, low))];
    }
}
