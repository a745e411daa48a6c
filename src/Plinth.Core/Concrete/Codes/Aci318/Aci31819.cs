using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <summary>ACI 318-19 and its metric edition.</summary>
/// <param name="edition">Inch-pound or metric.</param>
public sealed class Aci31819(AciEdition edition) : Aci318Base(edition, "19")
{
    /// <inheritdoc/>
    public override bool OneWayShearGrowsWithSteel => true;

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
        var rho = trace.Let("ρw", steelArea / (breadth * depth), Unit.Ratio, $"{new Sym("As", steelArea, Unit.SteelArea)}/({new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)})", $"{Name} 2.2");
        var free = e.OneWaySteel * lambda * Math.Cbrt(rho) * root;
        var most = e.OneWayMost * lambda * root;
        var vc = trace.Empirical("vc", Math.Min(free, most) * e.StressFactor, e.Stress, $"min({AciEdition.Text(e.OneWaySteel)}·{new Sym("λs", 1, Unit.Ratio)}·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("ρw", rho, Unit.Ratio)}^(1/3)·{new Sym("√f'c", root, Unit.Ratio)}; {AciEdition.Text(e.OneWayMost)}·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)})", $"{Name} 22.5.5.1(c), 22.5.5.1.1, 13.2.6.2 (λs = 1)");
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVc", phi * vc * breadth * depth, Unit.Force, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}·{new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}", OneWayShearClause);
    }

    /// <inheritdoc/>
    public override double MinimumSteelRatio<T>(ref T trace, double yield) => trace.Given("ρmin", 0.0018, Unit.Ratio, "of the gross section", MinimumSteelClause);

    /// <inheritdoc/>
    protected override double TensionControlled(double yieldStrain) => yieldStrain + 0.003;

    // 8.3.3.1: nonprestressed slabs shall be tension-controlled.
    /// <inheritdoc/>
    protected override double LeastStrain(double yieldStrain) => yieldStrain + 0.003;
}
