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
        var rho = trace.Let("ρw", steelArea / (breadth * depth), Unit.Ratio,
            $"{new Sym("As", steelArea, Unit.SteelArea)}/({new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)})",
            $"{Name} 2.2");
        var size = ofFooting
            ? trace.Given("λs", 1, Unit.Ratio, "of footings", $"{Name} 13.2.6.2")
            : trace.Let("λs", Math.Min(1, Math.Sqrt(2 / (1 + (depth / e.SizeEffect)))), Unit.Ratio,
                $"min(1; √(2/(1 + {new Sym("d", depth, Unit.Section)}/{new Sym("d0", e.SizeEffect, Unit.Section)})))",
                $"{Name} 22.5.5.1.3");
        var free = e.OneWaySteel * size * lambda * Math.Cbrt(rho) * root;
        var most = e.OneWayMost * lambda * root;
        var vc = trace.Empirical("vc", Math.Min(free, most) * e.StressFactor, e.Stress,
            $"min({AciEdition.Text(e.OneWaySteel)}·{new Sym("λs", size, Unit.Ratio)}·{new Sym("λ", lambda, Unit.Ratio)}·"
                + $"{new Sym("ρw", rho, Unit.Ratio)}^(1/3)·{new Sym("√f'c", root, Unit.Ratio)}; {AciEdition.Text(e.OneWayMost)}·"
                + $"{new Sym("λ", lambda, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)})",
            $"{Name} 22.5.5.1(c), 22.5.5.1.1");
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVc", phi * vc * breadth * depth, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vc", vc, e.Stress)}·{new Sym("bw", breadth, Unit.Section)}·"
                + $"{new Sym("d", depth, Unit.Section)}",
            OneWayShearClause);
    }

    // 22.5.5.1(c) the other way round.
    /// <inheritdoc/>
    public override double LeastSteelForShear(ConcreteRules concrete, double breadth, double depth, double shear)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var none = default(NoTrace);
        var unit = (concrete.ShearPhi ?? ShearPhi) * Edition.OneWaySteel * concrete.Lightweight * Root(ref none, concrete)
            * Edition.StressFactor * breadth * depth;
        return breadth * depth * Math.Pow(shear / unit, 3);
    }

    /// <inheritdoc/>
    public override double MinimumSteelRatio<T>(ref T trace, ConcreteRules concrete, double yield) =>
        trace.Given("ρmin", 0.0018, Unit.Ratio, "of the gross section", MinimumSteelClause);

    // 25.4.10.2: not of hooks, nor in systems that resist earthquakes in category C and up.
    /// <inheritdoc/>
    public override bool ExcessReduces(bool hooked, Loads.SeismicCategory? category) =>
        !hooked && (category is null or < Loads.SeismicCategory.C);

    /// <inheritdoc/>
    public override string AnchorageClause { get; } = "ACI 318" + edition.Suffix + "-19 25.4.2.4, 25.4.3";

    /// <inheritdoc/>
    public override string? PunchingSteelClause { get; } = "ACI 318" + edition.Suffix + "-19 8.6.1.2, 13.3.3.1";

    /// <inheritdoc/>
    public override double PunchingSteel<T>(ref T trace, ConcreteRules concrete, double yield, double stress, double strip,
        in TwoWaySection section)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var phi = Phi(ref trace, concrete);
        var least = trace.Empirical("φv0", phi * e.OneWay * concrete.Lightweight * root * e.StressFactor, e.Stress,
            $"{new Sym("φ", phi, Unit.Ratio)}·{AciEdition.Text(e.OneWay)}·{new Sym("λs", 1, Unit.Ratio)}·"
                + $"{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}",
            PunchingSteelClause);
        if (stress <= least)
        {
            trace.Remark("vuv does not exceed φv0: no steel is asked.");
            return 0;
        }

        return trace.Let("As,strip", 5 * stress * strip * section.Perimeter / (phi * section.AlphaS * yield), Unit.SteelArea,
            $"5·{new Sym("vuv", stress, Unit.Stress)}·{new Sym("bslab", strip, Unit.Section)}·"
                + $"{new Sym("bo", section.Perimeter, Unit.Section)}/({new Sym("φ", phi, Unit.Ratio)}·"
                + $"{new Sym("αs", section.AlphaS, Unit.Ratio)}·{new Sym("fy", yield, Unit.Stress)})",
            PunchingSteelClause);
    }

    /// <inheritdoc/>
    public override string PileShareClause => Name + " 13.4.6.5";

    // Table 13.4.3.2.
    /// <inheritdoc/>
    public override double? DeepMemberPhi(bool precast) => precast ? 0.65 : 0.55;

    /// <inheritdoc/>
    protected override string CapStrutClause => Name + " 13.4.6.4";

    /// <inheritdoc/>
    protected override double TwoWaySize<T>(ref T trace, double depth) =>
        trace.Let("λs", Math.Min(1, Math.Sqrt(2 / (1 + (depth / Edition.SizeEffect)))), Unit.Ratio,
            $"min(1; √(2/(1 + {new Sym("d", depth, Unit.Section)}/{new Sym("d0", Edition.SizeEffect, Unit.Section)})))",
            $"{Name} 22.5.5.1.3, 22.6.5.2");

    /// <inheritdoc/>
    protected override double GradeFactor<T>(ref T trace, double yield)
    {
        var fy = yield / Edition.StressFactor;
        return trace.Given("ψg", fy <= Edition.FirstGrade * 1.001 ? 1.0 : fy <= Edition.SecondGrade * 1.001 ? 1.15 : 1.3, Unit.Ratio,
            "by the grade of the steel", $"{Name} 25.4.2.5");
    }

    /// <inheritdoc/>
    protected override double Hook<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, double root)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var db = bar.Size.Diameter;
        var confined = bar.Spacing >= (6 * db) - 1e-9 && db <= e.MediumBend;
        var spaced = trace.Given("ψr", confined ? 1.0 : 1.6, Unit.Ratio,
            confined ? "bars at least 6 db apart" : "bars nearer than 6 db, no ties", $"{Name} 25.4.3.2");
        var cover = trace.Given("ψo", bar.SideCover >= (6 * db) - 1e-9 && db <= e.MediumBend ? 1.0 : 1.25, Unit.Ratio,
            bar.SideCover >= (6 * db) - 1e-9 ? "side cover of at least 6 db" : "side cover under 6 db", $"{Name} 25.4.3.2");
        var fc = concrete.Strength / e.StressFactor;
        var strength = fc < e.HookStrengthMost
            ? trace.Empirical("ψc", (fc / e.HookStrengthStep) + 0.6, Unit.Ratio,
                $"{new Sym("f'c", concrete.Strength, e.Stress)}/{AciEdition.Text(e.HookStrengthStep)} + 0.6", $"{Name} 25.4.3.2")
            : trace.Given("ψc", 1.0, Unit.Ratio, "by f'c", $"{Name} 25.4.3.2");

        // The rule holds in the edition's own unit of length.
        var own = db / e.LengthFactor;
        return trace.Let("ldh,0",
            bar.Yield / e.StressFactor * spaced * cover * strength / (e.Hook19 * concrete.Lightweight * root) * Math.Pow(own,
                1.5) * e.LengthFactor, Unit.Section,
            $"{new Sym("fy[" + e.Stress.Symbol(UnitSystem.Metric) + "]", bar.Yield / e.StressFactor, Unit.Ratio)}·"
                + $"{new Sym("ψr", spaced, Unit.Ratio)}·{new Sym("ψo", cover, Unit.Ratio)}·{new Sym("ψc", strength, Unit.Ratio)}/"
                + $"({AciEdition.Text(e.Hook19)}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)})·"
                + $"{new Sym("db[" + e.LengthName + "]", own, Unit.Ratio)}^1.5·"
                + $"{new Sym("1 " + e.LengthName, e.LengthFactor, Unit.Section)}",
            $"{Name} 25.4.3.1(a)");
    }

    /// <inheritdoc/>
    protected override double ColumnConcrete<T>(ref T trace, ConcreteRules concrete, in ShearColumn column, double root)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var limit = 0.05 * concrete.Strength / e.StressFactor;
        var press = column.Axial / column.Gross / e.StressFactor;
        var (l, r, a) = (new Sym("λ", concrete.Lightweight, Unit.Ratio), new Sym("√f'c", root, Unit.Ratio),
            new Sym("Nu/Ag", column.Axial / column.Gross, e.Stress));
        var free = (e.OneWay * concrete.Lightweight * root) + Math.Min(press / e.AxialSteelShear, limit);
        return trace.Empirical("vc", Math.Clamp(free, 0, e.OneWayMost * concrete.Lightweight * root) * e.StressFactor, e.Stress,
            $"min(max(0; {AciEdition.Text(e.OneWay)}·{l}·{r} + min({a}/6; {new Sym("0.05f'c", limit * e.StressFactor, e.Stress)})); "
                + $"{AciEdition.Text(e.OneWayMost)}·{l}·{r})",
            $"{Name} 22.5.5.1(a)");
    }

    /// <inheritdoc/>
    protected override double TensionControlled(double yieldStrain) => yieldStrain + 0.003;

    // 8.3.3.1: nonprestressed slabs shall be tension-controlled.
    /// <inheritdoc/>
    protected override double LeastStrain(double yieldStrain) => yieldStrain + 0.003;

    /// <inheritdoc/>
    protected override bool StirrupsAcross => true;

    // 9.6.1.2: fy is limited to 80 ksi.
    /// <inheritdoc/>
    protected override double LeastSteelYield => Edition.SecondGrade * Edition.StressFactor;

    /// <inheritdoc/>
    protected override double NoStirrupsBelow<T>(ref T trace, ConcreteRules concrete, double root, double vc)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        return trace.Empirical("v0", Edition.LeastShear * concrete.Lightweight * root * Edition.StressFactor, Edition.Stress,
            $"{AciEdition.Text(Edition.LeastShear)}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}",
            $"{Name} 9.6.3.1");
    }

    /// <inheritdoc/>
    protected override double BeamConcrete<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double root, bool hasLeast)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var (lambda, rho) = (concrete.Lightweight, beam.Steel / (beam.Breadth * beam.Depth));
        trace.Let("ρw", rho, Unit.Ratio,
            $"{new Sym("As", beam.Steel, Unit.SteelArea)}/({new Sym("bw", beam.Breadth, Unit.Section)}·"
                + $"{new Sym("d", beam.Depth, Unit.Section)})",
            $"{Name} 2.2");
        var (l, r, w) = (new Sym("λ", lambda, Unit.Ratio), new Sym("√f'c", root, Unit.Ratio), new Sym("ρw", rho, Unit.Ratio));
        var most = e.OneWayMost * lambda * root;
        if (hasLeast)
        {
            var (a, b) = (e.OneWay * lambda * root, e.OneWaySteel * lambda * Math.Cbrt(rho) * root);
            return trace.Empirical("vc", Math.Min(Math.Max(a, b), most) * e.StressFactor, e.Stress,
                $"min(max({AciEdition.Text(e.OneWay)}·{l}·{r}; {AciEdition.Text(e.OneWaySteel)}·{l}·{w}^(1/3)·{r}); "
                    + $"{AciEdition.Text(e.OneWayMost)}·{l}·{r})",
                $"{Name} 22.5.5.1(a), (b), 22.5.5.1.1");
        }

        var size = trace.Let("λs", Math.Min(1, Math.Sqrt(2 / (1 + (beam.Depth / e.SizeEffect)))), Unit.Ratio,
            $"min(1; √(2/(1 + {new Sym("d", beam.Depth, Unit.Section)}/{new Sym("d0", e.SizeEffect, Unit.Section)})))",
            $"{Name} 22.5.5.1.3");
        return trace.Empirical("vc", Math.Min(e.OneWaySteel * size * lambda * Math.Cbrt(rho) * root, most) * e.StressFactor, e.Stress,
            $"min({AciEdition.Text(e.OneWaySteel)}·{new Sym("λs", size, Unit.Ratio)}·{l}·{w}^(1/3)·{r}; "
                + $"{AciEdition.Text(e.OneWayMost)}·{l}·"
                + $"{r})",
            $"{Name} 22.5.5.1(c), 22.5.5.1.1");
    }
}
