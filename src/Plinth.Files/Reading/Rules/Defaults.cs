using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;

namespace Plinth.Files.Reading;

/// <summary>Every default in one place: by the edition of the code, metric or inch-pound. Lengths in m, pressures in kPa.</summary>
internal static class Defaults
{
    private const double Foot = 0.3048;
    private const double Inch = 0.0254;
    private const double PoundPerCubicFoot = 0.15708746384615387;

    /// <summary>Defaults of [ground]; bearing and founding depth have none.</summary>
    public static GroundRules Ground(bool metric) =>
        new("", 0, null, null, double.NaN, BearingBasis.Gross, BearingMethod.Corner, 1.0, 18, 0.45, 0, 0, 0)
        {
            SaturatedWeight = metric ? 20 : 125 * PoundPerCubicFoot,
            WaterWeight = metric ? 9.81 : 62.4 * PoundPerCubicFoot,
        };

    /// <summary>Defaults of [column].</summary>
    public static ColumnRules Column(bool metric) =>
        ColumnRules.Nothing with { Cover = metric ? 0.040 : 1.5 * Inch, Plate = new BasePlate(RodEdge: metric ? 0.040 : 1.5 * Inch) };

    /// <summary>Defaults of [pedestal].</summary>
    public static PedestalRules Pedestal(bool metric) => metric
        ? PedestalRules.None
        : PedestalRules.None with
        {
            Ledge = 2 * Inch,
            Step = 2 * Inch,
            MostSize = 5 * Foot,
            Cover = 2 * Inch,
            Sockets = SocketRules.None with { Gap = 3 * Inch, Bed = 2 * Inch, LeastWall = 6 * Inch, MostWall = 20 * Inch }
        };

    /// <summary>Defaults of [concrete]; strength has none.</summary>
    public static ConcreteRules Concrete(bool metric) => metric
        ? new ConcreteRules(double.NaN, 24, 0.075, 0.075, 0.050, 0.020, 0.050)
        : new ConcreteRules(double.NaN, 150 * PoundPerCubicFoot, 3 * Inch, 3 * Inch, 2 * Inch, 0.75 * Inch, 0);

    /// <summary>Defaults of [steel]; yield has none.</summary>
    public static SteelRules Steel(bool metric) => metric
        ? new SteelRules(double.NaN, [.. BarSize.MetricSizes.Where(b => b.Name is "T12" or "T16" or "T20" or "T25")], 0.100, 0.300,
            TopSteel.Demand, LowerLayer.Longer)
        { BothWaysAlike = AlikeBars.Square }
        : new SteelRules(double.NaN, [.. BarSize.UsSizes.Where(b => b.Name is "#4" or "#5" or "#6" or "#7" or "#8" or "#9")], 4 * Inch,
            12 * Inch, TopSteel.Demand, LowerLayer.Longer)
        { BothWaysAlike = AlikeBars.Square };

    /// <summary>Defaults of [concrete] by EN 1992-1-1: on blinding, reinforced concrete of 25 kN/m3 (EN 1991-1-1 table A.1).</summary>
    public static ConcreteRules EuropeanConcrete => new(double.NaN, 25, 0.050, 0.050, 0.050, 0.020, 0.050);

    /// <summary>Defaults of [steel] by EN 1992-1-1: bars at whole steps of spacing.</summary>
    public static SteelRules EuropeanSteel =>
        new(double.NaN, [.. BarSize.EuropeanSizes.Where(b => b.Name is "H10" or "H12" or "H16" or "H20" or "H25")], 0.100, 0.300,
            TopSteel.Demand, LowerLayer.Longer)
        { BothWaysAlike = AlikeBars.Square, SpacingStep = 0.025 };

    /// <summary>Defaults of [sizing].</summary>
    public static SizingRules Sizing(bool metric) => metric
        ? new SizingRules(PlanShape.Square, 0.9, 6, 0.300, 1.5, 0.050, 0.050, 2.0, 1.0)
        : new SizingRules(PlanShape.Square, 3 * Foot, 20 * Foot, 12 * Inch, 60 * Inch, 3 * Inch, 2 * Inch, 2.0, 1.0);

    /// <summary>Defaults of [piles]; size and capacities have none.</summary>
    public static PileRules Piles(bool metric) =>
        metric
            ? PileRules.Nothing
            : PileRules.Nothing with { Edge = 6 * Inch, Embedment = 3 * Inch, Deviation = 3 * Inch, Cover = 3 * Inch };

    /// <summary>What is held where nothing is said.</summary>
    public static readonly HeldValues Held = HeldValues.Nothing;
}
