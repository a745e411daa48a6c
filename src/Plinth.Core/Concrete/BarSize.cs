using System.Globalization;

namespace Plinth.Core.Concrete;

/// <summary>A size of reinforcing bar.</summary>
/// <param name="Name">As written: "T16", "#5".</param>
/// <param name="Diameter">Nominal diameter, m.</param>
/// <param name="Area">Nominal area, m2.</param>
/// <param name="MassPerMetre">Nominal mass, kg/m.</param>
public sealed record BarSize(string Name, double Diameter, double Area, double MassPerMetre)
{
    private const double Inch = 0.0254;
    private const double SteelDensity = 7850;
    private const double MetricStep = 0.005;
    private const double UsStep = 0.25 * Inch;

    // ASTM A615 Table 1: nominal diameter in, area in2, mass kg/m.
    private static readonly (int Number, double Diameter, double Area, double Mass)[] UsTable =
    [
        (3, 0.375, 0.11, 0.560), (4, 0.500, 0.20, 0.994), (5, 0.625, 0.31, 1.552), (6, 0.750, 0.44, 2.235), (7, 0.875, 0.60, 3.042),
        (8, 1.000, 0.79, 3.973),
        (9, 1.128, 1.00, 5.060), (10, 1.270, 1.27, 6.404), (11, 1.410, 1.56, 7.907), (14, 1.693, 2.25, 11.38), (18, 2.257, 4.00, 20.24),
    ];

    private static readonly int[] MetricDiameters = [6, 8, 10, 12, 14, 16, 18, 20, 22, 25, 28, 32, 36, 40, 50];

    private static readonly BarSize[] Metric = Named("T");
    private static readonly BarSize[] European = Named("H");

    private static BarSize[] Named(string letter) => [.. MetricDiameters.Select(d =>
    {
        var area = Math.PI * d * d / 4e6;
        return new BarSize(letter + d.ToString(CultureInfo.InvariantCulture), d / 1000.0, area, area * SteelDensity);
    })];

    private static readonly BarSize[] Us = [
        .. UsTable.Select(t => new BarSize("#" + t.Number.ToString(CultureInfo.InvariantCulture), t.Diameter * Inch, t.Area * Inch * Inch,
            t.Mass))];

    /// <summary>Whether it is a US size.</summary>
    public bool IsUs => Name[0] == '#';

    /// <summary>A length in the whole steps in which bars of the series are bent and cut, 5 mm or 1/4 in, rounded up, m.</summary>
    /// <param name="length">m.</param>
    public double CutUp(double length)
    {
        var step = IsUs ? UsStep : MetricStep;
        return Math.Round(Math.Ceiling((length / step) - 1e-6) * step, 9);
    }

    /// <summary>Metric sizes, T6 to T50.</summary>
    public static IReadOnlyList<BarSize> MetricSizes => Metric;

    /// <summary>The same, H6 to H50, as they are called by European habit.</summary>
    public static IReadOnlyList<BarSize> EuropeanSizes => European;

    /// <summary>Whether a layer of them at a spacing is written short: H16-200.</summary>
    public bool IsEuropean => Name[0] == 'H';

    /// <summary>US sizes, #3 to #18.</summary>
    public static IReadOnlyList<BarSize> UsSizes => Us;

    /// <summary>Finds a size by name: T16 (D, N, Ø are read too), H16, #5.</summary>
    public static bool TryParse(ReadOnlySpan<char> text, out BarSize size)
    {
        text = text.Trim();
        size = Metric[0];
        if (text.Length < 2 || !int.TryParse(text[1..].Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number))
        {
            return false;
        }

        var name = number.ToString(CultureInfo.InvariantCulture);
        var found = text[0] switch
        {
            'H' => Array.Find(European, b => b.Name.AsSpan(1).SequenceEqual(name)),
            'T' or 'D' or 'N' or 'Ø' or 'ø' => Array.Find(Metric, b => b.Name.AsSpan(1).SequenceEqual(name)),
            '#' => Array.Find(Us, b => b.Name.AsSpan(1).SequenceEqual(name)),
            _ => null,
        };
        size = found ?? size;
        return found is not null;
    }
}
