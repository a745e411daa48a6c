using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <summary>What differs between the inch-pound and the metric edition of ACI 318: the coefficients and round values of its empirical rules.</summary>
public sealed record AciEdition
{
    private const double PoundPerSquareInch = 6.894757293168361;
    private const double Inch = 0.0254;

    /// <summary>ACI 318: psi and inches.</summary>
    public static readonly AciEdition InchPound = new()
    {
        Suffix = "",
        Stress = Unit.Psi,
        StressFactor = PoundPerSquareInch,
        RootLimit = 100,
        OneWay = 2,
        OneWaySteel = 8,
        OneWayMost = 5,
        TwoWay = 4,
        TwoWayShape = 2,
        TwoWayPerimeter = 1,
        BetaStart = 4000,
        BetaStep = 1000,
        LeastRatioYield = 60000,
        Elasticity = 29000000 * PoundPerSquareInch,
        MostSpacing = 18 * Inch,
        LeastClear = Inch,
        LeastDepth = 6 * Inch,
    };

    /// <summary>ACI 318M: MPa and mm.</summary>
    public static readonly AciEdition Metric = new()
    {
        Suffix = "M",
        Stress = Unit.Megapascal,
        StressFactor = 1000,
        RootLimit = 8.3,
        OneWay = 0.17,
        OneWaySteel = 0.66,
        OneWayMost = 0.42,
        TwoWay = 0.33,
        TwoWayShape = 0.17,
        TwoWayPerimeter = 0.083,
        BetaStart = 28,
        BetaStep = 7,
        LeastRatioYield = 420,
        Elasticity = 200e6,
        MostSpacing = 0.450,
        LeastClear = 0.025,
        LeastDepth = 0.150,
    };

    /// <summary>"M" for the metric edition.</summary>
    public required string Suffix { get; init; }

    /// <summary>The unit of stress in which the empirical rules hold.</summary>
    public required Unit Stress { get; init; }

    /// <summary>kPa in that unit.</summary>
    public required double StressFactor { get; init; }

    /// <summary>Greatest √f'c in shear, in the edition's unit (22.5.3.1, 22.6.3.1).</summary>
    public required double RootLimit { get; init; }

    /// <summary>Coefficient of one-way shear, 318-14 22.5.5.1.</summary>
    public required double OneWay { get; init; }

    /// <summary>Coefficient of one-way shear with ρw, 318-19 Table 22.5.5.1(c).</summary>
    public required double OneWaySteel { get; init; }

    /// <summary>Coefficient of the upper limit, 318-19 22.5.5.1.1.</summary>
    public required double OneWayMost { get; init; }

    /// <summary>First coefficient of two-way shear, Table 22.6.5.2.</summary>
    public required double TwoWay { get; init; }

    /// <summary>Coefficient before (1 + 2/β), Table 22.6.5.2.</summary>
    public required double TwoWayShape { get; init; }

    /// <summary>Coefficient before (2 + αs·d/bo), Table 22.6.5.2.</summary>
    public required double TwoWayPerimeter { get; init; }

    /// <summary>f'c up to which β1 is 0.85 (22.2.2.4.3).</summary>
    public required double BetaStart { get; init; }

    /// <summary>f'c over which β1 falls by 0.05.</summary>
    public required double BetaStep { get; init; }

    /// <summary>fy at which 318-14's least steel ratio is 0.0018.</summary>
    public required double LeastRatioYield { get; init; }

    /// <summary>Es, kPa (20.2.2.2).</summary>
    public required double Elasticity { get; init; }

    /// <summary>Greatest spacing of bars, m (8.7.2.2).</summary>
    public required double MostSpacing { get; init; }

    /// <summary>Least clear distance, m (25.2.1).</summary>
    public required double LeastClear { get; init; }

    /// <summary>Least effective depth of a footing on soil, m (13.3.1.2).</summary>
    public required double LeastDepth { get; init; }

    /// <summary>A coefficient as text.</summary>
    public static string Text(double coefficient) => coefficient.ToString("0.###", CultureInfo.InvariantCulture);
}
