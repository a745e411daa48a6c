using Plinth.Core.Tracing;

namespace Plinth.Core.Concrete.Codes;

/// <summary>Flexural strength of a section.</summary>
/// <param name="Strength">φMn, kNm.</param>
/// <param name="Ductile">False where the section holds too much steel for the code: it must be thickened.</param>
/// <param name="Strain">Strain of the tension steel at nominal strength.</param>
public readonly record struct FlexuralStrength(double Strength, bool Ductile, double Strain);

/// <summary>The shape of a section for two-way shear, as the code's coefficients need it.</summary>
/// <param name="Beta">Long over short side of the column.</param>
/// <param name="AlphaS">40, 30, 20 for a section of four, three, two sides.</param>
/// <param name="Perimeter">bo, m.</param>
/// <param name="Depth">d, m.</param>
public readonly record struct TwoWaySection(double Beta, double AlphaS, double Perimeter, double Depth);

/// <summary>A design code for concrete. Checks and foundations speak to it alone and never ask which it is.</summary>
public abstract class ConcreteCode
{
    /// <summary>The code's key in plinth.toml: "aci318m-19".</summary>
    public abstract string Id { get; }

    /// <summary>The code as cited: "ACI 318M-19".</summary>
    public abstract string Name { get; }

    /// <summary>Whether more longitudinal steel gives more one-way shear strength, so that sizing weighs one against the other.</summary>
    public abstract bool OneWayShearGrowsWithSteel { get; }

    /// <summary>Clause of one-way shear.</summary>
    public abstract string OneWayShearClause { get; }

    /// <summary>Clause of two-way shear.</summary>
    public abstract string TwoWayShearClause { get; }

    /// <summary>Clause of flexure.</summary>
    public abstract string FlexureClause { get; }

    /// <summary>Clause of minimum steel.</summary>
    public abstract string MinimumSteelClause { get; }

    /// <summary>Clause of bar spacing.</summary>
    public abstract string SpacingClause { get; }

    /// <summary>Clause of the least effective depth.</summary>
    public abstract string LeastDepthClause { get; }

    /// <summary>Clause of the spread of steel in the short direction of rectangular bases.</summary>
    public abstract string ShortWayClause { get; }

    /// <summary>Design strength of concrete in one-way shear, φVc, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">bw, m.</param>
    /// <param name="depth">d, m.</param>
    /// <param name="steelArea">As of the bars that span, m2.</param>
    public abstract double OneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth, double steelArea)
        where T : struct, ITrace;

    /// <summary>Design strength of concrete in two-way shear, φvc, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="section">The critical section.</param>
    public abstract double TwoWayShear<T>(ref T trace, ConcreteRules concrete, in TwoWaySection section)
        where T : struct, ITrace;

    /// <summary>Share of the unbalanced moment that eccentricity of shear carries, γv.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="symbol">The symbol: "γv,x" or "γv,y".</param>
    /// <param name="along">b1: side of the section along the span of the bending, m.</param>
    /// <param name="across">b2: side across it, m.</param>
    public abstract double ShearShareOfMoment<T>(ref T trace, string symbol, double along, double across)
        where T : struct, ITrace;

    /// <summary>Design strength in flexure, φMn.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="steelArea">As, m2.</param>
    /// <param name="breadth">b, m.</param>
    /// <param name="depth">d, m.</param>
    public abstract FlexuralStrength Flexure<T>(ref T trace, ConcreteRules concrete, double yield, double steelArea, double breadth, double depth)
        where T : struct, ITrace;

    /// <summary>Least steel area over gross area.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract double MinimumSteelRatio<T>(ref T trace, double yield)
        where T : struct, ITrace;

    /// <summary>Greatest distance of bars centre to centre that the code allows, m.</summary>
    /// <param name="thickness">h, m.</param>
    public abstract double MostSpacing(double thickness);

    /// <summary>Least clear distance between bars, m.</summary>
    /// <param name="diameter">db, m.</param>
    /// <param name="aggregate">Nominal maximum size of aggregate, m.</param>
    public abstract double LeastClear(double diameter, double aggregate);

    /// <summary>Least effective depth of the bottom bars of a footing on soil, m.</summary>
    public abstract double LeastEffectiveDepth { get; }
}

/// <summary>The design codes known, by key.</summary>
public static class ConcreteCodes
{
    private static readonly ConcreteCode[] All =
    [
        new Aci318.Aci31814(Aci318.AciEdition.InchPound),
        new Aci318.Aci31819(Aci318.AciEdition.InchPound),
        new Aci318.Aci31814(Aci318.AciEdition.Metric),
        new Aci318.Aci31819(Aci318.AciEdition.Metric),
    ];

    /// <summary>The code with a key, or null.</summary>
    public static ConcreteCode? Find(string id) => Array.Find(All, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    /// <summary>The keys that work.</summary>
    public static IEnumerable<string> Ids => All.Select(c => c.Id);
}
