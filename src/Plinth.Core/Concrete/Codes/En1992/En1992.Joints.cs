using Plinth.Core.Foundations;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <content>Bearing, joints, pedestals and plain concrete.</content>
public sealed partial class En1992
{
    // 6.7(2).
    private const double MostSpread = 3;

    // 6.1(4).
    private const double LeastEccentricity = 0.020;
    private const double EccentricityShare = 30;

    // 9.5.3(4): links near a base and at laps.
    private const double NearBase = 0.6;

    // Sine of the slant from which a rectangle is taken as pressed towards a corner.
    private const double Aslant = 0.1;

    /// <inheritdoc/>
    public override string BearingClause => Cited + " 6.7";

    /// <inheritdoc/>
    public override string InterfaceClause => Cited + " 6.1, 9.5.2, 9.8.2.2";

    /// <inheritdoc/>
    public override string ShearFrictionClause => Cited + " 6.2.5";

    /// <inheritdoc/>
    public override string ColumnClause => Cited + " 6.1";

    /// <inheritdoc/>
    public override string PlainClause => Cited + " 12.6";

    /// <inheritdoc/>
    public override string PlainShort => "12.6";

    /// <inheritdoc/>
    public override string TieClause => Cited + " 9.5.3";

    /// <inheritdoc/>
    public override string ColumnShearClause => Cited + " 6.2";

    /// <inheritdoc/>
    public override string EffectiveAreaClause => Cited;

    /// <inheritdoc/>
    public override double BearingMost => MostSpread;

    /// <inheritdoc/>
    public override double LeastDowels => annex["column-steel-least"];

    /// <inheritdoc/>
    public override double SimilarTimes(in ConcentricSpread spread) =>
        Math.Min(MostSpread, Math.Min(Side(spread.FaceX, spread.BeyondX, spread.Depth), Side(spread.FaceY, spread.BeyondY, spread.Depth)));

    /// <inheritdoc/>
    public override string SimilarWords => "similar and concentric, sides up to 3 times and wider by no more than the depth";

    // b2 − b1 ≤ h.
    private static double Side(double face, double beyond, double depth) => 1 + (Math.Min(2 * Math.Max(0, beyond), depth) / face);

    /// <inheritdoc/>
    public override double BearingOnConcrete<T>(ref T trace, double strength, double loaded, double supporting)
    {
        var fcd = Fcd(ref trace, strength);
        var root = trace.Let("m", Math.Min(MostSpread, Math.Sqrt(Math.Max(1, supporting / loaded))), Unit.Ratio,
            $"min(3; √({new Sym("Ac1", supporting, Unit.Area)}/{new Sym("Ac0", loaded, Unit.Area)}))", $"{Cited} 6.7(2)");
        return trace.Let("FRdu", fcd * loaded * root, Unit.Force,
            $"{new Sym("fcd", fcd, Unit.Stress)}·{new Sym("Ac0", loaded, Unit.Area)}·{new Sym("m", root, Unit.Ratio)}", BearingClause);
    }

    /// <inheritdoc/>
    public override double BarsInBearing<T>(ref T trace, double steel, double yield)
    {
        var fyd = Fyd(ref trace, yield);
        return trace.Let("FRd,s", steel * fyd, Unit.Force, $"{new Sym("As", steel, Unit.SteelArea)}·{new Sym("fyd", fyd, Unit.Stress)}");
    }

    /// <inheritdoc/>
    public override double LeastForForce(double force, double yield) =>
        annex["column-steel-force"] * Math.Max(0, force) / DesignYield(yield);

    // 6.2.5(2): smooth c 0.20, μ 0.6; rough c 0.40, μ 0.7; cast in one as indented, c 0.50, μ 0.9.
    /// <inheritdoc/>
    public override double ShearFriction<T>(ref T trace, in FrictionJoint joint)
    {
        var (c, mu, words) = joint.Surface switch
        {
            JointSurface.Roughened => (0.40, 0.7, "rough: at least 3 mm at about 40 mm spacing"),
            JointSurface.Monolithic => (0.50, 0.9, "cast in one, as indented"),
            _ => (0.20, 0.6, "smooth: left without treatment after vibration"),
        };
        var fctd = Fctd(ref trace, joint.Strength);
        trace.Given("μ", mu, Unit.Ratio, words, $"{Cited} 6.2.5(2)");
        // 6.2.5(1): no bond of the concrete where the joint is pulled.
        c = trace.Given("c", joint.Parted || joint.Pressing < 0 ? 0 : c, Unit.Ratio,
            joint.Parted || joint.Pressing < 0 ? "a part of the joint is pulled: its concrete does not count" : words, $"{Cited} 6.2.5(2)");
        var (fcd, fyd) = (Fcd(ref trace, joint.Strength), Fyd(ref trace, joint.Yield));
        var area = new Sym("Ac", joint.Area, Unit.Area);
        var pressed = trace.Let("σn", Math.Min(joint.Pressing / joint.Area, 0.6 * fcd), Unit.Stress,
            $"min({new Sym("Nperm", joint.Pressing, Unit.Force)}/{area}; 0.6·{new Sym("fcd", fcd, Unit.Stress)})", $"{Cited} 6.2.5(1)");
        var ratio = trace.Let("ρ", joint.Steel / joint.Area, Unit.Ratio, $"{new Sym("As,i", joint.Steel, Unit.SteelArea)}/{area}");
        var nu = Nu(ref trace, joint.Strength);
        var m = new Sym("μ", mu, Unit.Ratio);
        var stress = trace.Let("vRdi", Math.Clamp((c * fctd) + (mu * pressed) + (ratio * fyd * mu), 0, 0.5 * nu * fcd), Unit.Stress,
            $"max(0; min({new Sym("c", c, Unit.Ratio)}·{new Sym("fctd", fctd, Unit.Stress)} + {m}·{new Sym("σn", pressed, Unit.Stress)} + "
                + $"{new Sym("ρ", ratio, Unit.Ratio)}·{new Sym("fyd", fyd, Unit.Stress)}·{m}; 0.5·{new Sym("ν", nu, Unit.Ratio)}·"
                + $"{new Sym("fcd", fcd, Unit.Stress)}))", $"{Cited} 6.2.5(1), eq. 6.25");
        return trace.Let("VRdi", stress * joint.Area, Unit.Force, $"{new Sym("vRdi", stress, Unit.Stress)}·{area}", ShearFrictionClause);
    }

    // 10.9.6.2: keyed walls as indented joints, without what presses them.
    /// <inheritdoc/>
    public override double KeyedShear<T>(ref T trace, double strength)
    {
        var fctd = Fctd(ref trace, strength);
        return trace.Let("vRdi", 0.5 * fctd, Unit.Stress, $"0.5·{new Sym("fctd", fctd, Unit.Stress)}", $"{Cited} 6.2.5(2), 10.9.6.2");
    }

    /// <inheritdoc/>
    public override double TensionStrength<T>(ref T trace, double steel, double yield)
    {
        var fyd = Fyd(ref trace, yield);
        return trace.Let("NRd", steel * fyd, Unit.Force, $"{new Sym("As", steel, Unit.SteelArea)}·{new Sym("fyd", fyd, Unit.Stress)}");
    }

    /// <inheritdoc/>
    public override ColumnSection Section(double sizeX, double sizeY, bool round, IReadOnlyList<SectionBar> bars, double strength,
        double yield, double hollowX = 0, double hollowY = 0)
    {
        var (lambda, eta) = Block(strength);
        return new(sizeX, sizeY, round, bars, (round ? 0.9 : 1) * eta * DesignStrength(strength), lambda, Crushing(strength),
            DesignYield(yield), SteelElasticity, hollowX, hollowY)
        { AxialStrain = Squeezing(strength) };
    }

    // The strengths are those of design already: of a section that narrows towards its edge ηfcd is less by a tenth (3.1.7(3)).
    /// <inheritdoc/>
    public override double TimesHeld<T>(ref T trace, ColumnSection section, double n, double mx, double my)
    {
        ArgumentNullException.ThrowIfNull(section);
        if (n <= 0)
        {
            return Held(ref trace, section, n, mx, my);
        }

        // A pressed section holds its force also at the least eccentricity, along each side in turn.
        var (ex, ey) = (Math.Max(section.SizeX / EccentricityShare, LeastEccentricity),
            Math.Max(section.SizeY / EccentricityShare, LeastEccentricity));
        if (Math.Abs(my) >= n * ex || Math.Abs(mx) >= n * ey)
        {
            return Held(ref trace, section, n, mx, my);
        }

        var none = default(NoTrace);
        static double Signed(double least, double value) => value < 0 ? -least : least;
        var (alongX, alongY) = ((mx, Signed(n * ex, my)), (Signed(n * ey, mx), my));
        var (x, y) = (Held(ref none, section, n, alongX.mx, alongX.Item2), Held(ref none, section, n, alongY.Item1, alongY.my));
        var (mostX, mostY) = x <= y ? alongX : alongY;
        if (T.Records)
        {
            trace.Given("e0", x <= y ? ex : ey, Unit.Section, "least eccentricity, h/30 and 20 mm", $"{Cited} 6.1(4)");
            trace.Given("Mx", mostX, Unit.Moment, "with the least eccentricity");
            trace.Given("My", mostY, Unit.Moment, "with the least eccentricity");
        }

        return Held(ref trace, section, n, mostX, mostY);
    }

    private double Held<T>(ref T trace, ColumnSection section, double n, double mx, double my)
        where T : struct, ITrace
    {
        var found = section.Along(n, mx, my);
        var times = found.Scale;

        // 3.1.7(3): pressed towards a corner the zone narrows to its outermost fibre, and ηfcd is a tenth less; up to six degrees off a
        // side by degrees.
        var (sin, cos) = Math.SinCos(found.AxisDegrees * Math.PI / 180);
        var skew = section.Round ? 0 : Math.Min(1, Math.Min(Math.Abs(sin), Math.Abs(cos)) / Aslant);
        if (skew > 1e-9)
        {
            // What is told is of the section that counts more.
            var narrow = section.Narrowing.Along(n, mx, my);
            times += skew * (narrow.Scale - times);
            (found, section) = skew >= 0.5 ? (narrow, section.Narrowing) : (found, section);
        }

        if (T.Records)
        {
            trace.Given("ηfcd", section.Block, Unit.Stress, "stress of the block", $"{Cited} 3.1.7(3)");
            trace.Given("fyd", section.Yield, Unit.Stress, "design yield strength", $"{Cited} 3.2.7(2)");
            trace.Given("θ", found.AxisDegrees, Unit.Degrees,
                "direction of the pressed side from x, found so that the resultant has the direction of the load");
            trace.Given("x", found.NeutralDepth, Unit.Section,
                "depth of the neutral axis, found so that force and moments stand in the load's proportion");
            trace.Given("εs", double.IsInfinity(found.Strain) ? 9.99 : found.Strain, Unit.Ratio, "of the outermost bar",
                $"{Cited} figure 6.1");
            trace.Given("times", times, Unit.Ratio, "times the load that the section holds, by integration over section and bars"
                + (skew >= 1 ? ", ηfcd a tenth less as it is pressed towards a corner (3.1.7(3))"
                    : skew > 1e-9 ? ", between ηfcd and a tenth less of it, as it is pressed somewhat towards a corner (3.1.7(3))"
                    : ""), ColumnClause);
        }

        return times;
    }

    // A block of concrete centred on the load and pressed wholly is in equilibrium with it; bars can only add. Its force stands at the
    // least eccentricity at least.
    /// <inheritdoc/>
    public override double UtilisationBound(ColumnSection section, double n, double mx, double my)
    {
        ArgumentNullException.ThrowIfNull(section);
        if (n <= 0 || section.Round || section.IsHollow)
        {
            return double.PositiveInfinity;
        }

        var (ex, ey) = (Math.Max(Math.Abs(my / n), Math.Max(section.SizeX / EccentricityShare, LeastEccentricity)),
            Math.Max(Math.Abs(mx / n), Math.Max(section.SizeY / EccentricityShare, LeastEccentricity)));
        var (x, y) = (section.SizeX - (2 * ex), section.SizeY - (2 * ey));
        return x <= 0.2 * section.SizeX || y <= 0.2 * section.SizeY
            ? double.PositiveInfinity
            : n / (0.9 * section.Block * Math.Min(x * y, section.Gross - section.Steel) * 0.95);
    }

    // A block of concrete centred on the load that holds it alone calls on no bar (lower bound of plasticity), nor does a section whose
    // bars hold pull alone; else all of their stress.
    /// <inheritdoc/>
    public override double PressedShare(ColumnSection section, double n, double mx, double my)
    {
        ArgumentNullException.ThrowIfNull(section);
        if (n <= 0)
        {
            return section.TensionOnly.Along(n, mx, my).Scale >= 1 ? 0 : 1;
        }

        var (sx, sy) = section.Round ? (section.SizeX / Math.Sqrt(2), section.SizeX / Math.Sqrt(2)) : (section.SizeX, section.SizeY);
        var (x, y) = (sx - (2 * Math.Abs(my / n)), sy - (2 * Math.Abs(mx / n)));
        return (!section.IsHollow && x > 0 && y > 0 && section.Block * x * y >= n)
            || section.Narrowing.TensionOnly.Along(n, mx, my).Scale >= 1
            ? 0
            : 1;
    }

    /// <inheritdoc/>
    public override double LeastPressed(double diameter) => Math.Max(10 * diameter, 0.100);

    /// <inheritdoc/>
    public override (double Least, double Most) ColumnSteel(bool slender) => (annex["column-steel-least"], annex["column-steel-most"]);

    /// <inheritdoc/>
    public override double EffectiveShare(double ratio) => 1;

    // 9.5.3(6).
    /// <inheritdoc/>
    public override double MostUnheld => 0.150;

    // It asks for none of its own round anchor bolts.
    /// <inheritdoc/>
    public override (double Within, int Count) TopTies(double tie) => (0, 0);

    /// <inheritdoc/>
    public override double TieSpacing(double bar, double tie, double least) =>
        NearBase * Math.Min(annex["link-spacing-bar"] * bar, Math.Min(annex["link-spacing"], least));

    /// <inheritdoc/>
    public override string TieWords => "0.6 times 20 bars, 400 mm and the least side: near the base";

    /// <inheritdoc/>
    public override double LeastTie(double bar) => Math.Max(0.006, bar / 4);

    /// <inheritdoc/>
    public override double ColumnShear<T>(ref T trace, ConcreteRules concrete, in ShearColumn column)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var (b, d) = (new Sym("bw", column.Breadth, Unit.Section), new Sym("d", column.Depth, Unit.Section));
        trace.Given("ρl", 0, Unit.Ratio, "no bars are counted on");
        var v = ShearStress(ref trace, concrete.Strength, column.Depth, 0, $"{Cited} 6.2.2(1)");
        var fcd = Fcd(ref trace, concrete.Strength);
        var axial = trace.Let("σcp", Math.Min(column.Axial / column.Gross, 0.2 * fcd), Unit.Stress,
            $"min({new Sym("NEd", column.Axial, Unit.Force)}/{new Sym("Ac", column.Gross, Unit.Area)}; "
                + $"0.2·{new Sym("fcd", fcd, Unit.Stress)})",
            $"{Cited} 6.2.2(1)");
        var k1 = annex["k1-shear"];
        var plain = trace.Let("VRd,c", Math.Max(0, v + (k1 * axial)) * column.Breadth * column.Depth, Unit.Force,
            $"max(0; {new Sym("vRd,c", v, Unit.Stress)} + {Text(k1)}·{new Sym("σcp", axial, Unit.Stress)})·{b}·{d}", $"{Cited} 6.2.2(1)");

        // Where the section is pulled the struts are not laid flatter than 45°.
        var tied = Struts(ref trace, concrete,
            new StirrupedBeam(column.Breadth, column.Depth, 0, column.Ties, column.Spacing, column.Yield),
            column.Axial < 0 ? 1 : annex["cot-theta-max"]);
        return trace.Let("VRd", Math.Max(plain, tied), Unit.Force,
            $"max({new Sym("VRd,c", plain, Unit.Force)}; {new Sym("VRd,s", tied, Unit.Force)})", ColumnShearClause);
    }

    // It gives no rule for both at once: they are added, which is safe.
    /// <inheritdoc/>
    public override double ShearBothWays<T>(ref T trace, double x, double y) =>
        trace.Let("utilisation", x + y, Unit.Ratio, $"{new Sym("ux", x, Unit.Ratio)} + {new Sym("uy", y, Unit.Ratio)}",
            "added: safe where both act");

    /// <inheritdoc/>
    public override double PlainThickness(double thickness) => thickness;

    /// <inheritdoc/>
    public override double PlainFlexure<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var fctd = Fctdpl(ref trace, concrete.Strength);
        return trace.Let("MRd", fctd * breadth * thickness * thickness / 6, Unit.Moment,
            $"{new Sym("fctd,pl", fctd, Unit.Stress)}·{new Sym("b", breadth, Unit.Section)}·{new Sym("h", thickness, Unit.Section)}^2/6",
            $"{Cited} 12.3.1, 12.6.1");
    }

    /// <inheritdoc/>
    public override double PlainOneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var (fctd, k) = (Fctdpl(ref trace, concrete.Strength), annex["k3-plain"]);
        return trace.Let("VRd", fctd * breadth * thickness / k, Unit.Force,
            $"{new Sym("fctd,pl", fctd, Unit.Stress)}·{new Sym("b", breadth, Unit.Section)}·"
                + $"{new Sym("h", thickness, Unit.Section)}/{Text(k)}",
            $"{Cited} 12.6.3(2)");
    }

    /// <inheritdoc/>
    public override double PlainTwoWayShear<T>(ref T trace, ConcreteRules concrete, double beta)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var (fctd, k) = (Fctdpl(ref trace, concrete.Strength), annex["k3-plain"]);
        return trace.Let("vRd", fctd / k, Unit.Stress, $"{new Sym("fctd,pl", fctd, Unit.Stress)}/{Text(k)}", $"{Cited} 12.6.3(2)");
    }

    private double Fctdpl<T>(ref T trace, double strength)
        where T : struct, ITrace
    {
        var fctm = Fctm(ref trace, strength);
        return trace.Let("fctd,pl", annex["alpha-ct-pl"] * 0.7 * fctm / gammaC, Unit.Stress,
            $"{new Sym("αct,pl", annex["alpha-ct-pl"], Unit.Ratio)}·0.7·{new Sym("fctm", fctm, Unit.Stress)}/"
                + $"{new Sym("γC", gammaC, Unit.Ratio)}", $"{Cited} 12.3.1(2)");
    }
}
