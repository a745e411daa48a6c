using Plinth.Core.Foundations;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Joints, pedestals and plain concrete.</content>
public abstract partial class Aci318Base
{
    private const double PlainPhi = 0.60;
    private const double FrictionPhi = 0.75;
    private const double CompressionPhi = 0.65;
    private const double TensionPhi = 0.90;
    private const double CapOfTied = 0.80;

    /// <inheritdoc/>
    public override string BearingClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.8.3";

    /// <inheritdoc/>
    public override string InterfaceClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 16.3, 22.4";

    /// <inheritdoc/>
    public override string ShearFrictionClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.9.4";

    /// <inheritdoc/>
    public override string ColumnClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.4";

    /// <inheritdoc/>
    public override string PlainClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 14.5";

    /// <inheritdoc/>
    public override string TieClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 25.7.2";

    /// <inheritdoc/>
    public override string PlainShort => "14.5";

    /// <inheritdoc/>
    public override double BearingMost => 2;

    // 1 down to 2 out.
    /// <inheritdoc/>
    public override double SimilarTimes(in ConcentricSpread spread) =>
        Math.Min(1 + (2 * Math.Clamp(spread.BeyondX, 0, 2 * spread.Depth) / spread.FaceX),
            1 + (2 * Math.Clamp(spread.BeyondY, 0, 2 * spread.Depth) / spread.FaceY));

    /// <inheritdoc/>
    public override string SimilarWords => "1 down to 2 out";

    /// <inheritdoc/>
    public override double BarsInBearing<T>(ref T trace, double steel, double yield) =>
        trace.Let("φFs", CompressionPhi * steel * yield, Unit.Force,
            $"{new Sym("φ", CompressionPhi, Unit.Ratio)}·{new Sym("As", steel, Unit.SteelArea)}·{new Sym("fy", yield, Unit.Stress)}");

    /// <inheritdoc/>
    public override double LeastDowels => 0.005;

    /// <inheritdoc/>
    public override double PlainThickness(double thickness) => thickness - Edition.PlainDeduction;

    /// <inheritdoc/>
    public override double PlainFlexure<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var (b, h, l) = (new Sym("b", breadth, Unit.Section), new Sym("h'", thickness, Unit.Section),
            new Sym("λ", concrete.Lightweight, Unit.Ratio));
        var stress = trace.Empirical("ft", e.PlainFlexure * concrete.Lightweight * root * e.StressFactor, e.Stress,
            $"{AciEdition.Text(e.PlainFlexure)}·{l}·{new Sym("√f'c", root, Unit.Ratio)}", $"{Name} 14.5.2.1");
        var phi = trace.Given("φ", PlainPhi, Unit.Ratio, "plain concrete", $"{Name} 21.2.1");
        return trace.Let("φMn", phi * stress * breadth * thickness * thickness / 6, Unit.Moment,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("ft", stress, e.Stress)}·{b}·{h}^2/6", PlainClause);
    }

    /// <inheritdoc/>
    public override double PlainOneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var stress = trace.Empirical("vn", e.PlainShear * concrete.Lightweight * root * e.StressFactor, e.Stress,
            $"{e.PlainShearText}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}",
            $"{Name} 14.5.5.1(a)");
        var phi = trace.Given("φ", PlainPhi, Unit.Ratio, "plain concrete", $"{Name} 21.2.1");
        return trace.Let("φVn", phi * stress * breadth * thickness, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vn", stress, e.Stress)}·{new Sym("b", breadth, Unit.Section)}·"
                + $"{new Sym("h'", thickness, Unit.Section)}",
            PlainClause);
    }

    /// <inheritdoc/>
    public override double PlainTwoWayShear<T>(ref T trace, ConcreteRules concrete, double beta)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var stress = trace.Empirical("vn", Math.Min(1 + (2 / beta), 2) * e.PlainShear * concrete.Lightweight * root * e.StressFactor,
            e.Stress,
            $"min(1 + 2/{new Sym("β", beta, Unit.Ratio)}; 2)·{e.PlainShearText}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·"
                + $"{new Sym("√f'c", root, Unit.Ratio)}",
            $"{Name} 14.5.5.1(b)");
        var phi = trace.Given("φ", PlainPhi, Unit.Ratio, "plain concrete", $"{Name} 21.2.1");
        return trace.Let("φvn", phi * stress, e.Stress, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("vn", stress, e.Stress)}", PlainClause);
    }

    /// <inheritdoc/>
    public override double BearingOnConcrete<T>(ref T trace, double strength, double loaded, double supporting)
    {
        var root = trace.Let("m", Math.Min(2, Math.Sqrt(Math.Max(1, supporting / loaded))), Unit.Ratio,
            $"min(2; √({new Sym("A2", supporting, Unit.Area)}/{new Sym("A1", loaded, Unit.Area)}))", $"{Name} 22.8.3.2");
        return trace.Let("φBn", CompressionPhi * 0.85 * strength * loaded * root, Unit.Force,
            $"0.65·0.85·{new Sym("f'c", strength, Unit.Stress)}·{new Sym("A1", loaded, Unit.Area)}·{new Sym("m", root, Unit.Ratio)}",
            BearingClause);
    }

    /// <inheritdoc/>
    public override double ShearFriction<T>(ref T trace, in FrictionJoint joint)
    {
        var e = Edition;
        var mu = joint.Surface switch { JointSurface.Roughened => 1.0, JointSurface.Monolithic => 1.4, _ => 0.6 } * joint.Lightweight;
        trace.Given("μ", mu, Unit.Ratio,
            joint.Surface switch
            {
                JointSurface.Roughened => "concrete placed against hardened concrete roughened to about 6 mm (1/4 in)",
                JointSurface.Monolithic => "cast in one",
                _ => "concrete placed against hardened concrete, clean, not roughened"
            },
            $"{Name} 22.9.4.2");
        var bars = trace.Let("Fs", joint.Steel * joint.Yield, Unit.Force,
            $"{new Sym("Avf", joint.Steel, Unit.SteelArea)}·{new Sym("fy", joint.Yield, Unit.Stress)}");
        var clamp = trace.Let("C", Math.Max(0, bars + joint.Pressing), Unit.Force,
            $"max(0; {new Sym("Fs", bars, Unit.Force)} + {new Sym("Nperm", joint.Pressing, Unit.Force)})", $"{Name} 22.9.4.2, 22.9.4.5");
        var fc = joint.Strength / e.StressFactor;
        var rough = joint.Surface != JointSurface.Plain;
        var limit = rough
            ? trace.Empirical("vmax", Math.Min(0.2 * fc, Math.Min(e.FrictionBase + (0.08 * fc), e.FrictionMost)) * e.StressFactor, e.Stress,
                $"min(0.2·{new Sym("f'c", joint.Strength, e.Stress)}; {AciEdition.Text(e.FrictionBase)} + 0.08·"
                    + $"{new Sym("f'c", joint.Strength, e.Stress)}; {AciEdition.Text(e.FrictionMost)})",
                $"{Name} 22.9.4.4")
            : trace.Empirical("vmax", Math.Min(0.2 * fc, e.FrictionPlain) * e.StressFactor, e.Stress,
                $"min(0.2·{new Sym("f'c", joint.Strength, e.Stress)}; {AciEdition.Text(e.FrictionPlain)})", $"{Name} 22.9.4.4");
        return trace.Let("φVn", FrictionPhi * Math.Min(mu * clamp, limit * joint.Area), Unit.Force,
            $"0.75·min({new Sym("μ", mu, Unit.Ratio)}·{new Sym("C", clamp, Unit.Force)}; {new Sym("vmax", limit, e.Stress)}·"
                + $"{new Sym("Ac", joint.Area, Unit.Area)})",
            ShearFrictionClause);
    }

    /// <inheritdoc/>
    public override double KeyedShear<T>(ref T trace, double strength)
    {
        var stress = trace.Given("vnh", Edition.KeyedShear * Edition.StressFactor, Edition.Stress,
            "across a clean, roughened contact without ties", $"{Name} 16.4.4.2");
        return trace.Let("φvnh", FrictionPhi * stress, Edition.Stress, $"0.75·{new Sym("vnh", stress, Edition.Stress)}",
            $"{Name} 16.4.4.1");
    }

    /// <inheritdoc/>
    public override double TensionStrength<T>(ref T trace, double steel, double yield) =>
        trace.Let("φTn", TensionPhi * steel * yield, Unit.Force,
            $"0.90·{new Sym("As", steel, Unit.SteelArea)}·{new Sym("fy", yield, Unit.Stress)}", $"{Name} 22.4.3.1");

    /// <inheritdoc/>
    public override ColumnSection Section(double sizeX, double sizeY, bool round, IReadOnlyList<SectionBar> bars, double strength,
        double yield, double hollowX = 0, double hollowY = 0) =>
        new(sizeX, sizeY, round, bars, 0.85 * strength, Beta1(strength), UltimateStrain, yield, Edition.Elasticity, hollowX, hollowY);

    /// <inheritdoc/>
    public override double TimesHeld<T>(ref T trace, ColumnSection section, double n, double mx, double my)
    {
        ArgumentNullException.ThrowIfNull(section);
        var found = section.Along(n, mx, my);
        var yieldStrain = section.Yield / Edition.Elasticity;
        var limit = TensionControlled(yieldStrain);
        var phi = Math.Clamp(CompressionPhi + ((TensionPhi - CompressionPhi) * (found.Strain - yieldStrain) / (limit - yieldStrain)),
            CompressionPhi, TensionPhi);
        var times = phi * found.Scale;
        if (T.Records)
        {
            trace.Given("β1", section.BlockDepth, Unit.Ratio, "from f'c", $"{Name} 22.2.2.4.3");
            trace.Given("θ", found.AxisDegrees, Unit.Degrees,
                "direction of the pressed side from x, found so that the resultant has the direction of the load");
            trace.Given("c", found.NeutralDepth, Unit.Section,
                "depth of the neutral axis, found so that force and moments stand in the load's proportion");
            trace.Given("εt", double.IsInfinity(found.Strain) ? 9.99 : found.Strain, Unit.Ratio, "of the outermost bar", $"{Name} 22.2.1");
            trace.Given("n", found.Scale, Unit.Ratio, "times the load at nominal strength, by integration over section and bars",
                ColumnClause);
            trace.Given("φ", phi, Unit.Ratio, "tied, by εt", $"{Name} 21.2.2");
            trace.Let("times", times, Unit.Ratio, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("n", found.Scale, Unit.Ratio)}");
        }

        if (n > 0)
        {
            var po = section.Squash;
            var cap = CompressionPhi * CapOfTied * po;
            if (T.Records)
            {
                trace.Let("Po", po, Unit.Force,
                    $"0.85·{new Sym("f'c", section.Block / 0.85, Unit.Stress)}·({new Sym("Ag", section.Gross, Unit.SteelArea)} − "
                        + $"{new Sym("Ast", section.Steel, Unit.SteelArea)}) + {new Sym("fy", section.Yield, Unit.Stress)}·"
                        + $"{new Sym("Ast", section.Steel, Unit.SteelArea)}",
                    $"{Name} 22.4.2.2");
                trace.Let("times,cap", cap / n, Unit.Ratio, $"0.65·0.80·{new Sym("Po", po, Unit.Force)}/{new Sym("Pu", n, Unit.Force)}",
                    $"{Name} 22.4.2.1");
            }

            times = Math.Min(times, cap / n);
        }

        return times;
    }

    // A block of concrete centred on the load and pressed wholly is in equilibrium with it; bars can only add (lower bound of plasticity).
    /// <inheritdoc/>
    public override double UtilisationBound(ColumnSection section, double n, double mx, double my)
    {
        ArgumentNullException.ThrowIfNull(section);
        if (n <= 0 || section.Round || section.IsHollow)
        {
            return double.PositiveInfinity;
        }

        var (x, y) = (section.SizeX - (2 * Math.Abs(my / n)), section.SizeY - (2 * Math.Abs(mx / n)));
        if (x <= 0.2 * section.SizeX || y <= 0.2 * section.SizeY)
        {
            return double.PositiveInfinity;
        }

        return n / (CompressionPhi * section.Block * Math.Min(x * y, CapOfTied * (section.Gross - section.Steel)) * 0.95);
    }

    /// <inheritdoc/>
    public override (double Least, double Most) ColumnSteel(bool slender) => (slender ? 0.01 : 0.005, 0.08);

    private const double OrdinaryLeast = 0.01;

    // 10.3.1.2: the reduced area on which the least steel is taken is at least half of the whole.
    /// <inheritdoc/>
    public override double EffectiveShare(double ratio) => Math.Clamp(ratio / OrdinaryLeast, 0.5, 1);

    /// <inheritdoc/>
    public override string EffectiveAreaClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 10.3.1.2, 10.6.1.1";

    // 25.7.2.3.
    /// <inheritdoc/>
    public override double MostUnheld => Edition.LeastHook;

    // 10.7.6.1.5, 10.7.6.1.6: two No. 4 (No. 13) or three No. 3 (No. 10) within 5 in (125 mm).
    /// <inheritdoc/>
    public override (double Within, int Count) TopTies(double tie) => (Edition.TopTies, tie >= Edition.TwoTies ? 2 : 3);

    /// <inheritdoc/>
    public override string TieWords => "16 bar, 48 tie diameters, least side";

    /// <inheritdoc/>
    public override double TieSpacing(double bar, double tie, double least) => Math.Min(16 * bar, Math.Min(48 * tie, least));

    /// <inheritdoc/>
    public override double LeastTie(double bar) => bar <= Edition.LargeBar ? Edition.SmallTie : Edition.LargeTie;

    /// <inheritdoc/>
    public override string ColumnShearClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.5";

    /// <inheritdoc/>
    public override double ColumnShear<T>(ref T trace, ConcreteRules concrete, in ShearColumn column)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var vc = ColumnConcrete(ref trace, concrete, column, root);
        var (s, b) = (new Sym("s", column.Spacing, Unit.Section), new Sym("bw", column.Breadth, Unit.Section));
        var ties = trace.Let("vs,0", column.Ties * column.Yield / (column.Breadth * column.Spacing), e.Stress,
            $"{new Sym("Av", column.Ties, Unit.SteelArea)}·{new Sym("fyt", column.Yield, Unit.Stress)}/({b}·{s})", $"{Name} 22.5.8.5.3");
        var vs = trace.Empirical("vs", Math.Min(ties / e.StressFactor, e.TieShearMost * root) * e.StressFactor, e.Stress,
            $"min({new Sym("vs,0", ties, e.Stress)}; {AciEdition.Text(e.TieShearMost)}·{new Sym("√f'c", root, Unit.Ratio)})",
            $"{Name} 22.5.1.2");
        var least = trace.Empirical("Av,least",
            Math.Max(e.LeastTies * root, e.LeastTiesFlat) * e.StressFactor * column.Breadth * column.Spacing / column.Yield, Unit.SteelArea,
            $"max({AciEdition.Text(e.LeastTies)}·{new Sym("√f'c", root, Unit.Ratio)}; {AciEdition.Text(e.LeastTiesFlat)})·{b}·{s}/"
                + $"{new Sym("fyt", column.Yield, e.Stress)}",
            $"{Name} 10.6.2.2");
        if (column.Ties < least)
        {
            (vc,
                vs) = (trace.Let("vc", vc / 2, e.Stress, $"{new Sym("vc", vc, e.Stress)}/2",
                    $"{Name} 10.6.2.1 (fewer than the least ties)"), trace.Given("vs", 0, e.Stress, "fewer than the least ties"));
        }

        var phi = Phi(ref trace, concrete);
        return trace.Let("φVn", phi * (vc + vs) * column.Breadth * column.Depth, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·({new Sym("vc", vc, e.Stress)} + {new Sym("vs", vs, e.Stress)})·{b}·"
                + $"{new Sym("d", column.Depth, Unit.Section)}",
            ColumnShearClause);
    }

    // 22.5.1.11: shears both ways are added where both exceed half of what they may be.
    /// <inheritdoc/>
    public override double ShearBothWays<T>(ref T trace, double x, double y)
    {
        var used = Math.Max(x, y);
        var (ux, uy) = (new Sym("ux", x, Unit.Ratio), new Sym("uy", y, Unit.Ratio));
        return x > 0.5 && y > 0.5
            ? trace.Let("utilisation", Math.Max(used, (x + y) / 1.5), Unit.Ratio, $"max({ux}; {uy}; ({ux} + {uy})/1.5)",
                $"{Name} 22.5.1.11")
            : trace.Let("utilisation", used, Unit.Ratio, $"max({ux}; {uy})");
    }

    /// <inheritdoc/>
    public override double CrackSpacing(double yield, double cover)
    {
        var ratio = Edition.CrackStress * Edition.StressFactor / (yield * 2 / 3);
        return Math.Min((Edition.CrackSpacing * ratio) - (2.5 * cover), Edition.CrackMost * ratio);
    }

    /// <summary>vc of a column with axial force, kPa.</summary>
    protected abstract double ColumnConcrete<T>(ref T trace, ConcreteRules concrete, in ShearColumn column, double root)
        where T : struct, ITrace;

    private double Beta1(double strength) =>
        Math.Clamp(0.85 - (0.05 * ((strength / Edition.StressFactor) - Edition.BetaStart) / Edition.BetaStep), 0.65, 0.85);
}
