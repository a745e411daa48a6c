using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <summary>What ACI 318-14 and 318-19 have in common.</summary>
/// <param name="edition">Inch-pound or metric.</param>
/// <param name="year">"14" or "19".</param>
public abstract partial class Aci318Base(AciEdition edition, string year) : ConcreteCode
{
    private const double UltimateStrain = 0.003;

    /// <summary>φ for shear, 21.2.1.</summary>
    protected const double ShearPhi = 0.75;

    /// <inheritdoc/>
    public override UnitSystem WrittenIn => Edition.Suffix.Length > 0 ? UnitSystem.Metric : UnitSystem.Us;

    /// <inheritdoc/>
    public override string Id { get; } = "aci318" + edition.Suffix.ToLowerInvariant() + "-" + year;

    /// <inheritdoc/>
    public override string Name { get; } = "ACI 318" + edition.Suffix + "-" + year;

    /// <inheritdoc/>
    public override string OneWayShearClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.5.5.1";

    /// <inheritdoc/>
    public override string TwoWayShearClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.6.5.2";

    /// <inheritdoc/>
    public override string FlexureClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.3";

    /// <inheritdoc/>
    public override string MinimumSteelClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 8.6.1.1";

    /// <inheritdoc/>
    public override string SpacingClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 8.7.2.2, 25.2.1";

    /// <inheritdoc/>
    public override string LeastDepthClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 13.3.1.2";

    /// <inheritdoc/>
    public override string ShortWayClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 13.3.3.3";

    /// <inheritdoc/>
    public override string MomentTransferClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 8.4.2.2, 13.3.3.1";

    /// <inheritdoc/>
    public override string SpacingWords => "2h and the code's limit";

    /// <inheritdoc/>
    public override string ClearWords => "the code's least, a bar, 4/3 of the aggregate";

    /// <inheritdoc/>
    public override string TooMuchSteel => "too much steel for the depth: the section is not tension-controlled; thicken the base";

    /// <inheritdoc/>
    public override (string Symbol, double Value) LeastSteelDepth(double thickness, double depth) => ("h", thickness);

    /// <inheritdoc/>
    public override double LeastEffectiveDepth => edition.LeastDepth;

    /// <inheritdoc/>
    /// <remarks>19.2.2.1(b).</remarks>
    public override double Elasticity(double strength) =>
        edition.ConcreteElasticity * Math.Sqrt(strength / edition.StressFactor) * edition.StressFactor;

    /// <inheritdoc/>
    public override string ElasticityClause => Name + " 19.2.2.1";

    /// <summary>Inch-pound or metric.</summary>
    protected AciEdition Edition => edition;

    /// <inheritdoc/>
    public override double MostSpacing(double thickness) => Math.Min(2 * thickness, edition.MostSpacing);

    /// <inheritdoc/>
    public override double LeastClear(double diameter, double aggregate) =>
        Math.Max(edition.LeastClear, Math.Max(diameter, aggregate * 4 / 3));

    /// <inheritdoc/>
    public override double TwoWayShear<T>(ref T trace, ConcreteRules concrete, in TwoWaySection section, bool ofFooting = true)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = edition;
        var root = Root(ref trace, concrete);
        var lambda = concrete.Lightweight;
        var (beta, alpha, d, bo) = (section.Beta, section.AlphaS, section.Depth, section.Perimeter);
        var first = trace.Empirical("vc(a)", e.TwoWay * lambda * root, Unit.Ratio,
            $"{AciEdition.Text(e.TwoWay)}·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}");
        var second = trace.Empirical("vc(b)", e.TwoWayShape * (1 + (2 / beta)) * lambda * root, Unit.Ratio,
            $"{AciEdition.Text(e.TwoWayShape)}·(1 + 2/{new Sym("β", beta, Unit.Ratio)})·{new Sym("λ", lambda, Unit.Ratio)}·"
                + $"{new Sym("√f'c", root, Unit.Ratio)}");
        var third = trace.Empirical("vc(c)", e.TwoWayPerimeter * (2 + (alpha * d / bo)) * lambda * root, Unit.Ratio,
            $"{AciEdition.Text(e.TwoWayPerimeter)}·(2 + {new Sym("αs", alpha, Unit.Ratio)}·{new Sym("d", d, Unit.Section)}/"
                + $"{new Sym("bo", bo, Unit.Section)})·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}");
        var vc = trace.Empirical("vc", Math.Min(first, Math.Min(second, third)) * e.StressFactor, e.Stress,
            $"min({new Sym("vc(a)", first, Unit.Ratio)}; {new Sym("vc(b)", second, Unit.Ratio)}; {new Sym("vc(c)", third, Unit.Ratio)})",
            TwoWayShearClause);
        if (!ofFooting)
        {
            var size = TwoWaySize(ref trace, d);
            vc = trace.Let("vc", size * vc, e.Stress, $"{new Sym("λs", size, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}");
        }

        var phi = Phi(ref trace, concrete);
        return trace.Let("φvc", phi * vc, e.Stress, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}",
            $"{Name} 8.5.1.1{(ofFooting ? ", 13.2.6.2 (λs = 1)" : "")}");
    }

    /// <inheritdoc/>
    public override double ShearShareOfMoment<T>(ref T trace, string symbol, double along, double across) =>
        trace.Let(symbol, 1 - (1 / (1 + (2.0 / 3 * Math.Sqrt(along / across)))), Unit.Ratio,
            $"1 − 1/(1 + 2/3·√({new Sym("b1", along, Unit.Length)}/{new Sym("b2", across, Unit.Length)}))", $"{Name} 8.4.2.2, 8.4.4.2.2");

    /// <inheritdoc/>
    public override FlexuralStrength Flexure<T>(ref T trace, ConcreteRules concrete, double yield, double steelArea, double breadth,
        double depth)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (steelArea <= 0 || depth <= 0)
        {
            return new FlexuralStrength(0, true, double.PositiveInfinity);
        }

        var fc = concrete.Strength;
        var beta = Beta1(fc);
        trace.Given("β1", beta, Unit.Ratio, "from f'c", $"{Name} 22.2.2.4.3");
        var a = trace.Let("a", steelArea * yield / (0.85 * fc * breadth), Unit.Section,
            $"{new Sym("As", steelArea, Unit.SteelArea)}·{new Sym("fy", yield, Unit.Stress)}/(0.85·{new Sym("f'c", fc, Unit.Stress)}·"
                + $"{new Sym("b", breadth, Unit.Section)})",
            $"{Name} 22.2.2.4");
        var c = trace.Let("c", a / beta, Unit.Section, $"{new Sym("a", a, Unit.Section)}/{new Sym("β1", beta, Unit.Ratio)}");
        var strain = trace.Let("εt", UltimateStrain * (depth - c) / c, Unit.Ratio,
            $"0.003·({new Sym("d", depth, Unit.Section)} − {new Sym("c", c, Unit.Section)})/{new Sym("c", c, Unit.Section)}",
            $"{Name} 22.2.1.2");
        var yieldStrain = yield / edition.Elasticity;
        var limit = TensionControlled(yieldStrain);
        var phi = trace.Given("φ", Math.Clamp(0.65 + (0.25 * (strain - yieldStrain) / (limit - yieldStrain)), 0.65, 0.90), Unit.Ratio,
            strain >= limit ? "tension-controlled" : "between compression- and tension-controlled", $"{Name} 21.2.2");
        var strength = trace.Let("φMn", phi * steelArea * yield * (depth - (a / 2)), Unit.Moment,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("As", steelArea, Unit.SteelArea)}·{new Sym("fy", yield, Unit.Stress)}·"
                + $"({new Sym("d", depth, Unit.Section)} − {new Sym("a", a, Unit.Section)}/2)",
            FlexureClause);
        return new FlexuralStrength(strength, strain >= LeastStrain(yieldStrain), strain);
    }

    /// <summary>Strain from which a section counts as tension-controlled (21.2.2).</summary>
    protected abstract double TensionControlled(double yieldStrain);

    /// <summary>Least strain that the code allows in a slab without axial force.</summary>
    protected abstract double LeastStrain(double yieldStrain);

    /// <summary>√f'c in the edition's unit, limited as for shear.</summary>
    protected double Root<T>(ref T trace, ConcreteRules concrete)
        where T : struct, ITrace
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var fc = concrete.Strength / edition.StressFactor;
        return trace.Empirical("√f'c", Math.Min(Math.Sqrt(fc), edition.RootLimit), Unit.Ratio,
            $"min(√({new Sym("f'c", concrete.Strength, edition.Stress)}); {AciEdition.Text(edition.RootLimit)})",
            $"{Name} 22.5.3.1, 22.6.3.1");
    }

    /// <summary>φ for shear, or the value stated in its place.</summary>
    protected double Phi<T>(ref T trace, ConcreteRules concrete)
        where T : struct, ITrace
    {
        ArgumentNullException.ThrowIfNull(concrete);
        return concrete.ShearPhi is { } stated
            ? trace.Given("φ", stated, Unit.Ratio, "stated as shear-phi", $"{Name} 21.2.4")
            : trace.Given("φ", ShearPhi, Unit.Ratio, "shear", $"{Name} 21.2.1");
    }
}
