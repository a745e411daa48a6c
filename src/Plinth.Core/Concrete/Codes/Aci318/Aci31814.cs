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
    public override double OneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth, double steelArea,
        bool ofFooting = true)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (steelArea <= 0 || depth <= 0)
        {
            return 0;
        }

        var e = Edition;
        var root = Root(ref trace, concrete);
        var lambda = concrete.Lightweight;
        var vc = trace.Empirical("vc", e.OneWay * lambda * root * e.StressFactor, e.Stress,
            $"{AciEdition.Text(e.OneWay)}·{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}", OneWayShearClause);
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVc", phi * vc * breadth * depth, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}·{new Sym("bw", breadth, Unit.Section)}·"
                + $"{new Sym("d", depth, Unit.Section)}",
            OneWayShearClause);
    }

    /// <inheritdoc/>
    public override double LeastSteelForShear(ConcreteRules concrete, double breadth, double depth, double shear) => 0;

    /// <inheritdoc/>
    public override double MinimumSteelRatio<T>(ref T trace, ConcreteRules concrete, double yield)
    {
        // 60 ksi turned into kPa and back is a hair less than 60,000 psi.
        var fy = yield / Edition.StressFactor;
        return fy < Edition.LeastRatioYield * 0.999
            ? trace.Given("ρmin", 0.0020, Unit.Ratio, "fy below " + AciEdition.Text(Edition.LeastRatioYield), MinimumSteelClause)
            : trace.Empirical("ρmin", Math.Max(0.0018 * Edition.LeastRatioYield / fy, 0.0014), Unit.Ratio,
                $"max(0.0018·{AciEdition.Text(Edition.LeastRatioYield)}/{new Sym("fy", yield, Edition.Stress)}; 0.0014)",
                MinimumSteelClause);
    }

    // 25.4.10.2: not in systems that resist earthquakes in category D and up.
    /// <inheritdoc/>
    public override bool ExcessReduces(bool hooked, Loads.SeismicCategory? category) => category is null or < Loads.SeismicCategory.D;

    /// <inheritdoc/>
    public override string AnchorageClause { get; } = "ACI 318" + edition.Suffix + "-14 25.4.2.3, 25.4.3";

    /// <inheritdoc/>
    public override string? PunchingSteelClause => null;

    /// <inheritdoc/>
    public override double PunchingSteel<T>(ref T trace, ConcreteRules concrete, double yield, double stress, double strip,
        in TwoWaySection section) => 0;

    /// <inheritdoc/>
    public override string PileShareClause => Name + " 13.4.2.5";

    /// <inheritdoc/>
    public override double? DeepMemberPhi(bool precast) => null;

    /// <inheritdoc/>
    protected override string CapStrutClause => Name + " 13.4.2.4";

    /// <inheritdoc/>
    protected override double TwoWaySize<T>(ref T trace, double depth) => 1;

    /// <inheritdoc/>
    protected override double GradeFactor<T>(ref T trace, double yield) => 1;

    /// <inheritdoc/>
    protected override double Hook<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, double root)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var covered = bar.SideCover >= e.HookCover && bar.Size.Diameter <= e.MediumBend;
        var cover = trace.Given("ψc", covered ? 0.7 : 1.0, Unit.Ratio,
            covered ? "side cover of at least 65 mm (2-1/2 in)" : "small side cover", $"{Name} 25.4.3.2");
        return trace.Empirical("ldh,0", e.Hook14 * (bar.Yield / e.StressFactor) * cover / (concrete.Lightweight * root) * bar.Size.Diameter,
            Unit.Section,
            $"{AciEdition.Text(e.Hook14)}·{new Sym("fy", bar.Yield, e.Stress)}·{new Sym("ψc", cover, Unit.Ratio)}/"
                + $"({new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)})·"
                + $"{new Sym("db", bar.Size.Diameter, Unit.Section)}",
            $"{Name} 25.4.3.1(a)");
    }

    /// <inheritdoc/>
    protected override double ColumnConcrete<T>(ref T trace, ConcreteRules concrete, in ShearColumn column, double root)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var press = column.Axial / column.Gross / e.StressFactor;

        // 22.5.7.1: tension takes more off.
        var factor = column.Axial >= 0 ? 1 + (press / e.AxialShear) : Math.Max(0, 1 + (press / e.AxialTension));
        var divisor = column.Axial >= 0 ? e.AxialShear : e.AxialTension;
        return trace.Empirical("vc", e.OneWay * factor * concrete.Lightweight * root * e.StressFactor, e.Stress,
            $"{AciEdition.Text(e.OneWay)}·max(0; 1 + {new Sym("Nu/Ag", column.Axial / column.Gross, e.Stress)}/"
                + $"{AciEdition.Text(divisor, 6)})·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}",
            $"{Name} 22.5.6.1, 22.5.7.1");
    }

    /// <inheritdoc/>
    protected override double TensionControlled(double yieldStrain) => 0.005;

    // 8.3.3.1: nonprestressed slabs have εt of at least 0.004.
    /// <inheritdoc/>
    protected override double LeastStrain(double yieldStrain) => 0.004;

    /// <inheritdoc/>
    protected override bool StirrupsAcross => false;

    /// <inheritdoc/>
    protected override double NoStirrupsBelow<T>(ref T trace, ConcreteRules concrete, double root, double vc) =>
        trace.Let("v0", vc / 2, Edition.Stress, $"{new Sym("vc", vc, Edition.Stress)}/2", $"{Name} 9.6.3.1");

    /// <inheritdoc/>
    protected override double BeamConcrete<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double root, bool hasLeast)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        return trace.Empirical("vc", Edition.OneWay * concrete.Lightweight * root * Edition.StressFactor, Edition.Stress,
            $"{AciEdition.Text(Edition.OneWay)}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}",
            OneWayShearClause);
    }
}
