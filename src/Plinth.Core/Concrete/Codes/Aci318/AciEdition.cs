using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <summary>
/// What differs between the inch-pound and the metric edition of ACI 318: the coefficients and round values of its empirical rules.
/// </summary>
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
        ConcreteElasticity = 57000,
        MostSpacing = 18 * Inch,
        LeastClear = Inch,
        LeastDepth = 6 * Inch,
        LeastDepthOverPiles = 12 * Inch,
        ShearMost = 10,
        PlainDeduction = 2 * Inch,
        PlainFlexure = 5,
        PlainShear = 4.0 / 3,
        PlainShearText = "4/3",
        Straight = 40.0 / 3,
        StraightText = "40/3",
        LeastStraight = 12 * Inch,
        LeastHook = 6 * Inch,
        Hook14 = 0.02,
        Hook19 = 55,
        HookStrengthStep = 15000,
        HookStrengthMost = 6000,
        HookCover = 2.5 * Inch,
        Compression = 0.02,
        CompressionLeast = 0.0003,
        CompressionLeastText = "0.0003",
        LeastCompression = 8 * Inch,
        SmallBar = 0.76 * Inch,
        SmallBend = 1.01 * Inch,
        MediumBend = 1.42 * Inch,
        LargeBar = 1.28 * Inch,
        SmallTie = 0.375 * Inch,
        LargeTie = 0.5 * Inch,
        FreshBelow = 12 * Inch,
        FirstGrade = 60000,
        SecondGrade = 80000,
        FrictionBase = 480,
        FrictionMost = 1600,
        FrictionPlain = 800,
        KeyedShear = 80,
        TieBar = 0.63 * Inch,
        TieTail = 3 * Inch,
        SizeEffect = 10 * Inch,
        AxialShear = 2000,
        AxialTension = 500,
        AxialSteelShear = 6,
        TieShearMost = 8,
        CrackStress = 40000,
        CrackSpacing = 15 * Inch,
        CrackMost = 12 * Inch,
        LeastTies = 0.75,
        LeastTiesFlat = 50,
        CompressionLap = 0.0005,
        CompressionLapText = "0.0005",
        CompressionLapHigh = 0.0009,
        CompressionLapHighText = "0.0009",
        WeakConcrete = 3000,
        LargestLapped = 1.42 * Inch,
        TopTies = 5 * Inch,
        TwoTies = 0.499 * Inch,
        LeastShear = 1,
        MostStirrups = 24 * Inch,
        BeamSteel = 3,
        BeamSteelFlat = 200,
        SideBarsFrom = 36 * Inch,
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
        ConcreteElasticity = 4700,
        MostSpacing = 0.450,
        LeastClear = 0.025,
        LeastDepth = 0.150,
        LeastDepthOverPiles = 0.300,
        ShearMost = 0.83,
        PlainDeduction = 0.050,
        PlainFlexure = 0.42,
        PlainShear = 0.11,
        PlainShearText = "0.11",
        Straight = 1.1,
        StraightText = "1.1",
        LeastStraight = 0.300,
        LeastHook = 0.150,
        Hook14 = 0.24,
        Hook19 = 23,
        HookStrengthStep = 105,
        HookStrengthMost = 42,
        HookCover = 0.065,
        Compression = 0.24,
        CompressionLeast = 0.043,
        CompressionLeastText = "0.043",
        LeastCompression = 0.200,
        SmallBar = 0.0192,
        SmallBend = 0.0256,
        MediumBend = 0.0361,
        LargeBar = 0.0324,
        SmallTie = 0.010,
        LargeTie = 0.012,
        FreshBelow = 0.300,
        FirstGrade = 420,
        SecondGrade = 550,
        FrictionBase = 3.3,
        FrictionMost = 11,
        FrictionPlain = 5.5,
        KeyedShear = 0.55,
        TieBar = 0.0165,
        TieTail = 0.075,
        SizeEffect = 0.25,
        AxialShear = 14,
        AxialTension = 1 / 0.29,
        AxialSteelShear = 6,
        TieShearMost = 0.66,
        CrackStress = 280,
        CrackSpacing = 0.380,
        CrackMost = 0.300,
        LeastTies = 0.062,
        LeastTiesFlat = 0.35,
        CompressionLap = 0.071,
        CompressionLapText = "0.071",
        CompressionLapHigh = 0.13,
        CompressionLapHighText = "0.13",
        WeakConcrete = 21,
        LargestLapped = 0.0361,
        TopTies = 0.125,
        TwoTies = 0.0119,
        LeastShear = 0.083,
        MostStirrups = 0.600,
        BeamSteel = 0.25,
        BeamSteelFlat = 1.4,
        SideBarsFrom = 0.900,
    };

    /// <summary>"M" for the metric edition.</summary>
    public required string Suffix { get; init; }

    /// <summary>m in the edition's unit of length.</summary>
    public double LengthFactor => Suffix.Length > 0 ? 0.001 : Inch;

    /// <summary>The edition's unit of length.</summary>
    public string LengthName => Suffix.Length > 0 ? "mm" : "in";

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

    /// <summary>Ec over √f'c of normalweight concrete, in the edition's unit (19.2.2.1).</summary>
    public required double ConcreteElasticity { get; init; }

    /// <summary>Greatest spacing of bars, m (8.7.2.2).</summary>
    public required double MostSpacing { get; init; }

    /// <summary>Least clear distance, m (25.2.1).</summary>
    public required double LeastClear { get; init; }

    /// <summary>Least effective depth of a cap on piles, m (13.4.2.1).</summary>
    public required double LeastDepthOverPiles { get; init; }

    /// <summary>Coefficient of √f'c of the greatest shear of deep members (9.9.2.1).</summary>
    public required double ShearMost { get; init; }

    /// <summary>Least effective depth of a footing on soil, m (13.3.1.2).</summary>
    public required double LeastDepth { get; init; }

    /// <summary>What the thickness of plain concrete cast against the ground loses, m (14.5.1.7).</summary>
    public required double PlainDeduction { get; init; }

    /// <summary>Coefficient of plain flexure (14.5.2.1).</summary>
    public required double PlainFlexure { get; init; }

    /// <summary>Coefficient of plain shear (14.5.5.1).</summary>
    public required double PlainShear { get; init; }

    /// <summary>The same as printed.</summary>
    public required string PlainShearText { get; init; }

    /// <summary>Divisor of straight development (25.4.2.4).</summary>
    public required double Straight { get; init; }

    /// <summary>The same as printed.</summary>
    public required string StraightText { get; init; }

    /// <summary>Least straight development, m.</summary>
    public required double LeastStraight { get; init; }

    /// <summary>Least hooked development, m.</summary>
    public required double LeastHook { get; init; }

    /// <summary>Coefficient of hooks, 318-14 25.4.3.1.</summary>
    public required double Hook14 { get; init; }

    /// <summary>Divisor of hooks, 318-19 25.4.3.1.</summary>
    public required double Hook19 { get; init; }

    /// <summary>f'c over this and 0.6 gives ψc, 318-19 Table 25.4.3.2.</summary>
    public required double HookStrengthStep { get; init; }

    /// <summary>f'c from which ψc is 1, 318-19 Table 25.4.3.2.</summary>
    public required double HookStrengthMost { get; init; }

    /// <summary>Side cover from which hooks need less, m, 318-14 Table 25.4.3.2.</summary>
    public required double HookCover { get; init; }

    /// <summary>First coefficient of compression development (25.4.9.2).</summary>
    public required double Compression { get; init; }

    /// <summary>Second coefficient of compression development.</summary>
    public required double CompressionLeast { get; init; }

    /// <summary>The same as printed.</summary>
    public required string CompressionLeastText { get; init; }

    /// <summary>Least compression development, m.</summary>
    public required double LeastCompression { get; init; }

    /// <summary>Largest diameter with ψs of 0.8, m.</summary>
    public required double SmallBar { get; init; }

    /// <summary>Largest diameter bent round 6 db, m (Table 25.3.1).</summary>
    public required double SmallBend { get; init; }

    /// <summary>Largest diameter bent round 8 db, m (Table 25.3.1).</summary>
    public required double MediumBend { get; init; }

    /// <summary>Largest diameter that the smaller ties hold, m (25.7.2.2).</summary>
    public required double LargeBar { get; init; }

    /// <summary>Least ties of smaller bars, m (25.7.2.2).</summary>
    public required double SmallTie { get; init; }

    /// <summary>Least ties of larger bars, m (25.7.2.2).</summary>
    public required double LargeTie { get; init; }

    /// <summary>Fresh concrete below a bar from which it is a top bar, m (25.4.2.5).</summary>
    public required double FreshBelow { get; init; }

    /// <summary>fy up to which ψg is 1 (318-19 Table 25.4.2.5).</summary>
    public required double FirstGrade { get; init; }

    /// <summary>fy up to which ψg is 1.15.</summary>
    public required double SecondGrade { get; init; }

    /// <summary>Constant of the limit of shear friction (22.9.4.4).</summary>
    public required double FrictionBase { get; init; }

    /// <summary>Greatest stress of shear friction, roughened (22.9.4.4).</summary>
    public required double FrictionMost { get; init; }

    /// <summary>Greatest stress of shear friction, otherwise (22.9.4.4).</summary>
    public required double FrictionPlain { get; init; }

    /// <summary>Shear stress across a clean, roughened contact without ties (16.4.4.2).</summary>
    public required double KeyedShear { get; init; }

    /// <summary>Thickest tie with the smaller bend, m (25.3.2).</summary>
    public required double TieBar { get; init; }

    /// <summary>Least length of a tie's hook beyond its bend, m (25.3.2).</summary>
    public required double TieTail { get; init; }

    /// <summary>Depth d0 of the size effect λs = √(2/(1 + d/d0)), m (318-19 22.5.5.1.3).</summary>
    public required double SizeEffect { get; init; }

    /// <summary>Divisor of Nu/Ag in one-way shear, 318-14 22.5.6.1.</summary>
    public required double AxialShear { get; init; }

    /// <summary>Divisor of Nu/Ag in one-way shear under tension, 318-14 22.5.7.1.</summary>
    public required double AxialTension { get; init; }

    /// <summary>Divisor of Nu/Ag in one-way shear, 318-19 Table 22.5.5.1.</summary>
    public required double AxialSteelShear { get; init; }

    /// <summary>Coefficient of the greatest part of ties (22.5.1.2).</summary>
    public required double TieShearMost { get; init; }

    /// <summary>Stress in the rule of crack control (24.3.2).</summary>
    public required double CrackStress { get; init; }

    /// <summary>Spacing in the rule of crack control, m.</summary>
    public required double CrackSpacing { get; init; }

    /// <summary>Greatest spacing of crack control, m.</summary>
    public required double CrackMost { get; init; }

    /// <summary>Coefficient of the least ties (10.6.2.2).</summary>
    public required double LeastTies { get; init; }

    /// <summary>Least stress of the least ties (10.6.2.2).</summary>
    public required double LeastTiesFlat { get; init; }

    /// <summary>Coefficient of a compression lap of ordinary bars (25.5.5.1a).</summary>
    public required double CompressionLap { get; init; }

    /// <summary>The same as printed.</summary>
    public required string CompressionLapText { get; init; }

    /// <summary>Coefficient of a compression lap of stronger bars (25.5.5.1b).</summary>
    public required double CompressionLapHigh { get; init; }

    /// <summary>The same as printed.</summary>
    public required string CompressionLapHighText { get; init; }

    /// <summary>f'c below which a compression lap is a third longer (25.5.5.1).</summary>
    public required double WeakConcrete { get; init; }

    /// <summary>Depth from a pedestal's top within which ties stand round anchor bolts, m (10.7.6.1.6).</summary>
    public required double TopTies { get; init; }

    /// <summary>Diameter of ties of which two are enough there, m (10.7.6.1.6).</summary>
    public required double TwoTies { get; init; }

    /// <summary>Coefficient of √f'c up to which no stirrups are asked, 318-19 Table 9.6.3.1.</summary>
    public required double LeastShear { get; init; }

    /// <summary>Greatest spacing of stirrups, m (9.7.6.2.2).</summary>
    public required double MostStirrups { get; init; }

    /// <summary>Coefficient of √f'c of the least steel of beams (9.6.1.2).</summary>
    public required double BeamSteel { get; init; }

    /// <summary>Least stress of the same.</summary>
    public required double BeamSteelFlat { get; init; }

    /// <summary>Depth beyond which beams have bars along their sides, m (9.7.2.3).</summary>
    public required double SideBarsFrom { get; init; }

    /// <summary>Largest diameter that is lapped, m (25.5.1.1).</summary>
    public required double LargestLapped { get; init; }

    /// <summary>A coefficient as text.</summary>
    public static string Text(double coefficient) => coefficient.ToString("0.###", CultureInfo.InvariantCulture);

    /// <summary>A coefficient as text.</summary>
    /// <param name="coefficient">The coefficient.</param>
    /// <param name="decimals">Most decimals.</param>
    public static string Text(double coefficient, int decimals) => Math.Round(coefficient, decimals).ToString(CultureInfo.InvariantCulture);
}
