using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <summary>ACI 318-14 and its metric edition.</summary>
/// <param name="edition">Inch-pound or metric.</param>
public sealed class Aci31814(AciEdition edition) : Aci318Base(edition, "14")
{
    /// <inheritdoc/>
    public override bool OneWayShearGrowsWithSteel => false;

    /// <inheritdoc/>
    public override double OneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth, double steelArea)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (steelArea <= 0 || depth <= 0)
        {
            return 0;
        }

        var e = Edition;
        var root = Root(ref trace, concrete);
        var lambda = concrete.Lightweight;
        var vc = trace.Empirical("vc", e.OneWay * lambda * root * e.StressFactor, e.Stress, $"{AciEdition.Text(e.OneWay)}·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}", OneWayShearClause);
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVc", phi * vc * breadth * depth, Unit.Force, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}·{new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}", OneWayShearClause);
    }

    /// <inheritdoc/>
    public override double MinimumSteelRatio<T>(ref T trace, double yield)
    {
        var fy = yield / Edition.StressFactor;
        return fy < Edition.LeastRatioYield
            ? trace.Given("ρmin", 0.0020, Unit.Ratio, "fy below " + AciEdition.Text(Edition.LeastRatioYield), MinimumSteelClause)
            : trace.Empirical("ρmin", Math.Max(0.0018 * Edition.LeastRatioYield / fy, 0.0014), Unit.Ratio, $"max(0.0018·{AciEdition.Text(Edition.LeastRatioYield)}/{new Sym("fy", yield, Edition.Stress)}; 0.0014)", MinimumSteelClause);
    }

    /// <inheritdoc/>
    protected override double TensionControlled(double yieldStrain) => 0.005;

    // 8.3.3.1: nonprestressed slabs have εt of at least 0.004.
    /// <inheritdoc/>
    protected override double LeastStrain(double yieldStrain) => 0.004;
}
