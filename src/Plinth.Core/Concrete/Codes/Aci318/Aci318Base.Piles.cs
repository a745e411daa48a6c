using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Caps on piles.</content>
public abstract partial class Aci318Base
{
    // 21.2.1(g).
    private const double StrutAndTiePhi = 0.75;

    /// <inheritdoc/>
    public override double LeastDepthOverPiles => Edition.LeastDepthOverPiles;

    /// <inheritdoc/>
    public override string PileCapDepthClause => Name + " 13.4.2.1";

    /// <inheritdoc/>
    public abstract override string PileShareClause { get; }

    /// <inheritdoc/>
    public override string StrutAndTieClause => Name + " 23";

    /// <inheritdoc/>
    public override double MostTieSpacing => Edition.CrackMost;

    /// <summary>Where the strength of struts in pile caps stands.</summary>
    protected abstract string CapStrutClause { get; }

    /// <summary>λs of two-way shear, where the size of a section counts.</summary>
    protected abstract double TwoWaySize<T>(ref T trace, double depth)
        where T : struct, ITrace;

    /// <inheritdoc/>
    public override double SteepShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (depth <= 0)
        {
            return 0;
        }

        var root = Root(ref trace, concrete);
        var most = trace.Empirical("v,most", Edition.ShearMost * root * Edition.StressFactor, Edition.Stress,
            $"{AciEdition.Text(Edition.ShearMost)}·{new Sym("√f'c", root, Unit.Ratio)}", $"{Name} 9.9.2.1");
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVn", phi * most * breadth * depth, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("v,most", most, Edition.Stress)}·{new Sym("bw", breadth, Unit.Section)}·"
                + $"{new Sym("d", depth, Unit.Section)}");
    }

    /// <inheritdoc/>
    public override double Strut<T>(ref T trace, ConcreteRules concrete, double area)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var beta = trace.Let("βs", 0.60 * concrete.Lightweight, Unit.Ratio, $"0.60·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}",
            CapStrutClause);
        return trace.Let("φFns", StrutAndTiePhi * 0.85 * beta * concrete.Strength * area, Unit.Force,
            $"0.75·0.85·{new Sym("βs", beta, Unit.Ratio)}·{new Sym("f'c", concrete.Strength, Unit.Stress)}·"
                + $"{new Sym("A,strut", area, Unit.Area)}",
            $"{Name} 23.4.3, 21.2.1");
    }

    /// <inheritdoc/>
    public override double Node<T>(ref T trace, ConcreteRules concrete, double area, NodeTies ties)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var beta = trace.Given("βn", ties switch { NodeTies.None => 1.0, NodeTies.OneWay => 0.8, _ => 0.6 }, Unit.Ratio,
            ties switch
            {
                NodeTies.None => "no ties at the node",
                NodeTies.OneWay => "ties along one direction",
                _ => "ties along both directions"
            }, $"{Name} 23.9.2");
        return trace.Let("φFnn", StrutAndTiePhi * 0.85 * beta * concrete.Strength * area, Unit.Force,
            $"0.75·0.85·{new Sym("βn", beta, Unit.Ratio)}·{new Sym("f'c", concrete.Strength, Unit.Stress)}·"
                + $"{new Sym("A,node", area, Unit.Area)}",
            $"{Name} 23.9.1, 21.2.1");
    }

    /// <inheritdoc/>
    public override double Tie<T>(ref T trace, double area, double yield) =>
        trace.Let("φFnt", StrutAndTiePhi * area * yield, Unit.Force,
            $"0.75·{new Sym("As", area, Unit.SteelArea)}·{new Sym("fy", yield, Unit.Stress)}", $"{Name} 23.7.2, 21.2.1");
}
