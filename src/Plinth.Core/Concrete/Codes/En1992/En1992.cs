using System.Globalization;
using Plinth.Core.Loads;
using Plinth.Core.National;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <summary>
/// EN 1992-1-1:2004 with its amendments to 2014: partial factors on the materials, every nationally determined value from the annex.
/// </summary>
public sealed partial class En1992 : ConcreteCode
{
    /// <summary>Its key in plinth.toml.</summary>
    public const string Key = "en1992";

    private const string Cited = "EN 1992-1-1";
    private const double Megapascal = 1000;

    // 3.2.7(4).
    private const double SteelElasticity = 200e6;

    // From here on table 3.1 has other strains, blocks and tensile strengths.
    private const double HighStrength = 50;

    private readonly NationalAnnex annex;
    private readonly double gammaC;
    private readonly double gammaS;
    private readonly double shearFactor;
    private readonly double leastShear;
    private readonly double alphaCc;
    private readonly En1992? accidental;

    /// <summary>Makes it for persistent and transient situations, with what it is in accidental ones.</summary>
    /// <param name="annex">The nationally determined values.</param>
    public En1992(NationalAnnex annex)
        : this(annex, "")
    {
        accidental = new En1992(annex, "-acc");
    }

    private En1992(NationalAnnex annex, string situation)
    {
        ArgumentNullException.ThrowIfNull(annex);
        this.annex = annex;
        (gammaC, gammaS) = (annex["gamma-c" + situation], annex["gamma-s" + situation]);
        (shearFactor, leastShear, alphaCc) = (annex["c-rd-c"], annex["v-min"], annex["alpha-cc"]);
    }

    /// <summary>The nationally determined values.</summary>
    public override NationalAnnex Annex => annex;

    /// <inheritdoc/>
    public override string Id => Key;

    /// <inheritdoc/>
    public override string Name => Cited;

    /// <inheritdoc/>
    public override UnitSystem WrittenIn => UnitSystem.Metric;

    /// <inheritdoc/>
    /// <remarks>2.4.2.4(1).</remarks>
    public override ConcreteCode InSituation(LimitState state) =>
        state == LimitState.Accidental && accidental is not null ? accidental : this;

    /// <inheritdoc/>
    public override bool OneWayShearGrowsWithSteel => true;

    /// <inheritdoc/>
    public override bool TwoWayShearGrowsWithSteel => true;

    /// <inheritdoc/>
    public override string OneWayShearClause => Cited + " 6.2.2";

    /// <inheritdoc/>
    public override string TwoWayShearClause => Cited + " 6.4.4";

    /// <inheritdoc/>
    public override string FlexureClause => Cited + " 6.1";

    /// <inheritdoc/>
    public override string MinimumSteelClause => Cited + " 9.2.1.1(1), 9.3.1.1(1)";

    /// <inheritdoc/>
    public override string SpacingClause => Cited + " 8.2, 9.3.1.1(3), 9.8.2.1(1)";

    /// <inheritdoc/>
    public override string LeastDepthClause => Cited;

    /// <inheritdoc/>
    public override string ShortWayClause => Cited;

    /// <inheritdoc/>
    public override string MomentTransferClause => Cited + " 6.4.3(3)";

    /// <inheritdoc/>
    public override string SpacingWords => "3h and 400 mm, or as the annex says";

    /// <inheritdoc/>
    public override string ClearWords => "a bar, the aggregate and 5 mm, 20 mm";

    /// <inheritdoc/>
    public override string TooMuchSteel =>
        "too much steel for the depth: x/d exceeds 0.45 (0.35 above C50/60), 5.6.3(2); thicken the base";

    /// <inheritdoc/>
    public override IReadOnlyDictionary<string, string> Symbols => Letters.All;

    /// <inheritdoc/>
    public override string GradePrefix => "B";

    /// <inheritdoc/>
    public override bool SpreadsShortWay => false;

    /// <inheritdoc/>
    public override double LeastEffectiveDepth => 0;

    /// <inheritdoc/>
    public override double LeastDiameter => annex["footing-bar"];

    /// <inheritdoc/>
    /// <remarks>Table 3.1: Ecm, of quartzite aggregates.</remarks>
    public override double Elasticity(double strength) => 22e6 * Math.Pow(((strength / Megapascal) + 8) / 10, 0.3);

    /// <inheritdoc/>
    public override string ElasticityClause => Cited + " table 3.1";

    /// <inheritdoc/>
    public override double MostSpacing(double thickness) => Math.Min(annex["slab-spacing-h"] * thickness, annex["slab-spacing"]);

    /// <inheritdoc/>
    public override double LeastClear(double diameter, double aggregate) => Math.Max(0.020, Math.Max(diameter, aggregate + 0.005));

    /// <summary>fctm, kPa (table 3.1).</summary>
    /// <param name="strength">fck, kPa.</param>
    public static double MeanTension(double strength)
    {
        var fck = strength / Megapascal;
        return Megapascal * (fck <= HighStrength ? 0.30 * Math.Pow(fck, 2.0 / 3) : 2.12 * Math.Log(1 + ((fck + 8) / 10)));
    }

    /// <summary>fctk,0.05, kPa (table 3.1).</summary>
    /// <param name="strength">fck, kPa.</param>
    public static double CharacteristicTension(double strength) => 0.7 * MeanTension(strength);

    /// <summary>fcd, kPa (3.1.6(1)).</summary>
    /// <param name="strength">fck, kPa.</param>
    public double DesignStrength(double strength) => alphaCc * strength / gammaC;

    /// <inheritdoc/>
    public double DesignYield(double yield) => yield / gammaS;

    /// <inheritdoc/>
    public override FlexuralStrength Flexure<T>(ref T trace, ConcreteRules concrete, double yield, double steelArea, double breadth,
        double depth)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (steelArea <= 0 || depth <= 0)
        {
            return new FlexuralStrength(0, true, double.PositiveInfinity);
        }

        var fck = concrete.Strength;
        var (fcd, fyd) = (Fcd(ref trace, fck), Fyd(ref trace, yield));
        var (lambda, eta) = Block(fck);
        trace.Given("λ", lambda, Unit.Ratio, "depth of the block of stress over x", $"{Cited} 3.1.7(3)");
        trace.Given("η", eta, Unit.Ratio, "stress of the block over fcd", $"{Cited} 3.1.7(3)");
        var x = trace.Let("x", steelArea * fyd / (lambda * eta * fcd * breadth), Unit.Section,
            $"{new Sym("As", steelArea, Unit.SteelArea)}·{new Sym("fyd", fyd, Unit.Stress)}/({new Sym("λ", lambda, Unit.Ratio)}·"
                + $"{new Sym("η", eta, Unit.Ratio)}·{new Sym("fcd", fcd, Unit.Stress)}·{new Sym("b", breadth, Unit.Section)})",
            $"{Cited} 3.1.7(3)");
        var limit = fck / Megapascal <= HighStrength ? 0.45 : 0.35;
        var ratio = trace.Let("x/d", x / depth, Unit.Ratio, $"{new Sym("x", x, Unit.Section)}/{new Sym("d", depth, Unit.Section)}",
            $"{Cited} 5.6.3(2)");
        var strength = trace.Let("MRd", steelArea * fyd * (depth - (lambda * x / 2)), Unit.Moment,
            $"{new Sym("As", steelArea, Unit.SteelArea)}·{new Sym("fyd", fyd, Unit.Stress)}·({new Sym("d", depth, Unit.Section)} − "
                + $"{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("x", x, Unit.Section)}/2)",
            FlexureClause);
        return new FlexuralStrength(Math.Max(0, strength), ratio <= limit, Crushing(fck) * (depth - x) / x);
    }

    /// <inheritdoc/>
    public override double MinimumSteelRatio<T>(ref T trace, ConcreteRules concrete, double yield)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var fctm = Fctm(ref trace, concrete.Strength);
        var (share, floor) = (annex["as-min-tension"], annex["as-min-floor"]);
        return trace.Let("ρmin", Math.Max(share * fctm / yield, floor), Unit.Ratio,
            $"max({Text(share)}·{new Sym("fctm", fctm, Unit.Stress)}/{new Sym("fyk", yield, Unit.Stress)}; {Text(floor)})",
            $"{Cited} 9.2.1.1(1)");
    }

    /// <inheritdoc/>
    public override (string Symbol, double Value) LeastSteelDepth(double thickness, double depth) => ("d", depth);

    /// <inheritdoc/>
    public override double OneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth, double steelArea,
        bool ofFooting = true)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (depth <= 0)
        {
            return 0;
        }

        var rho = trace.Let("ρl", Math.Min(0.02, steelArea / (breadth * depth)), Unit.Ratio,
            $"min(0.02; {new Sym("As", steelArea, Unit.SteelArea)}/({new Sym("bw", breadth, Unit.Section)}·"
                + $"{new Sym("d", depth, Unit.Section)}))", $"{Cited} 6.2.2(1)");
        var v = ShearStress(ref trace, concrete.Strength, depth, rho, $"{Cited} 6.2.2(1)");
        return trace.Let("VRd,c", v * breadth * depth, Unit.Force,
            $"{new Sym("vRd,c", v, Unit.Stress)}·{new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}",
            OneWayShearClause);
    }

    /// <inheritdoc/>
    public override double LeastSteelForShear(ConcreteRules concrete, double breadth, double depth, double shear)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (depth <= 0)
        {
            return 0;
        }

        var (fck, k) = (concrete.Strength / Megapascal, SizeFactor(depth));
        var v = shear / (breadth * depth) / Megapascal;
        return v <= LeastStress(fck, k) ? 0 : breadth * depth * Math.Pow(v / (shearFactor / gammaC * k), 3) / (100 * fck);
    }

    /// <inheritdoc/>
    public override bool LimitsShearAtFace => true;

    /// <inheritdoc/>
    /// <remarks>6.2.2(6).</remarks>
    public override double SteepShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var (nu, fcd) = (Nu(ref trace, concrete.Strength), Fcd(ref trace, concrete.Strength));
        return trace.Let("VEd,max", Math.Max(0, 0.5 * breadth * depth * nu * fcd), Unit.Force,
            $"0.5·{new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}·{new Sym("ν", nu, Unit.Ratio)}·"
                + $"{new Sym("fcd", fcd, Unit.Stress)}",
            $"{Cited} 6.2.2(6)");
    }

    /// <inheritdoc/>
    public override bool ExcessReduces(bool hooked, SeismicCategory? category) => false;

    private static string Text(double value) => value.ToString("0.#####", CultureInfo.InvariantCulture);

    // k of 6.2.2(1) and 6.4.4(1).
    private static double SizeFactor(double depth) => Math.Min(2, 1 + Math.Sqrt(0.200 / depth));

    // vmin, MPa.
    private double LeastStress(double fck, double k) => leastShear * Math.Pow(k, 1.5) * Math.Sqrt(fck);

    private static (double Lambda, double Eta) Block(double strength)
    {
        var over = Math.Max(0, (strength / Megapascal) - HighStrength);
        return (0.8 - (over / 400), 1 - (over / 200));
    }

    // εcu3 of table 3.1.
    private static double Crushing(double strength)
    {
        var fck = strength / Megapascal;
        return fck <= HighStrength ? 0.0035 : (2.6 + (35 * Math.Pow((90 - fck) / 100, 4))) / 1000;
    }

    // εc3 of table 3.1.
    private static double Squeezing(double strength) => (1.75 + (0.55 * Math.Max(0, (strength / Megapascal) - HighStrength) / 40)) / 1000;

    private double Fcd<T>(ref T trace, double strength)
        where T : struct, ITrace => trace.Let("fcd", DesignStrength(strength), Unit.Stress,
            $"{new Sym("αcc", alphaCc, Unit.Ratio)}·{new Sym("fck", strength, Unit.Stress)}/{new Sym("γC", gammaC, Unit.Ratio)}",
            $"{Cited} 3.1.6(1)");

    private double Fyd<T>(ref T trace, double yield)
        where T : struct, ITrace => trace.Let("fyd", DesignYield(yield), Unit.Stress,
            $"{new Sym("fyk", yield, Unit.Stress)}/{new Sym("γS", gammaS, Unit.Ratio)}", $"{Cited} 3.2.7(2)");

    private static double Fctm<T>(ref T trace, double strength)
        where T : struct, ITrace => strength / Megapascal <= HighStrength
        ? trace.Empirical("fctm", MeanTension(strength), Unit.Stress, $"0.30·{new Sym("fck", strength, Unit.Stress)}^(2/3)",
            $"{Cited} table 3.1")
        : trace.Empirical("fctm", MeanTension(strength), Unit.Stress, $"2.12·ln(1 + ({new Sym("fck", strength, Unit.Stress)} + 8)/10)",
            $"{Cited} table 3.1");

    private double Fctd<T>(ref T trace, double strength)
        where T : struct, ITrace
    {
        var fctm = Fctm(ref trace, strength);
        return trace.Let("fctd", annex["alpha-ct"] * 0.7 * fctm / gammaC, Unit.Stress,
            $"{new Sym("αct", annex["alpha-ct"], Unit.Ratio)}·0.7·{new Sym("fctm", fctm, Unit.Stress)}/{new Sym("γC", gammaC, Unit.Ratio)}",
            $"{Cited} 3.1.6(2)");
    }

    // Strength of struts that cracks cross, over fcd.
    private double Nu<T>(ref T trace, double strength)
        where T : struct, ITrace => trace.Empirical("ν", annex["nu"] * (1 - (strength / Megapascal / 250)), Unit.Ratio,
            $"{Text(annex["nu"])}·(1 − {new Sym("fck", strength, Unit.Stress)}/250)", $"{Cited} 6.2.2(6)");

    // vRd,c without axial force, kPa: of one-way shear and, by the same letters, of punching.
    private double ShearStress<T>(ref T trace, double strength, double depth, double rho, string clause)
        where T : struct, ITrace
    {
        var fck = strength / Megapascal;
        var k = trace.Empirical("k", SizeFactor(depth), Unit.Ratio, $"min(2; 1 + √(200/{new Sym("d", depth, Unit.Section)}))", clause);
        var c = trace.Let("CRd,c", shearFactor / gammaC, Unit.Ratio, $"{Text(shearFactor)}/{new Sym("γC", gammaC, Unit.Ratio)}",
            clause);
        var f = new Sym("fck", strength, Unit.Stress);
        var least = trace.Empirical("vmin", LeastStress(fck, k) * Megapascal, Unit.Stress,
            $"{Text(leastShear)}·{new Sym("k", k, Unit.Ratio)}^1.5·√({f})", clause);
        return trace.Empirical("vRd,c", Math.Max(c * k * Math.Cbrt(100 * rho * fck) * Megapascal, least), Unit.Stress,
            $"max({new Sym("CRd,c", c, Unit.Ratio)}·{new Sym("k", k, Unit.Ratio)}·(100·{new Sym("ρl", rho, Unit.Ratio)}·{f})^(1/3); "
                + $"{new Sym("vmin", least, Unit.Stress)})", clause);
    }
}
