using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <content>Beams with stirrups, 6.2.3 and 9.2; walls, 9.6 and 12.6.5; caps on piles, 6.5 and 9.8.1.</content>
public sealed partial class En1992
{
    private const double LeverArm = 0.9;

    /// <inheritdoc/>
    public override string BeamShearClause => Cited + " 6.2.3";

    /// <inheritdoc/>
    public override string StirrupClause => Cited + " 9.2.2";

    /// <inheritdoc/>
    public override string BeamSteelClause => Cited + " 9.2.1.1(1), 8.2, 7.3.3(3)";

    // Least steel is asked whatever is required.
    /// <inheritdoc/>
    public override double LeastSteelRelief => double.PositiveInfinity;

    /// <inheritdoc/>
    public override double MostStirrupSpacing => 0.600;

    // 7.3.3(3).
    /// <inheritdoc/>
    public override double SideBarsFrom => 1.0;

    /// <inheritdoc/>
    public override double BeamShear<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (beam.Steel <= 0 || beam.Depth <= 0)
        {
            return 0;
        }

        var plain = OneWayShear(ref trace, concrete, beam.Breadth, beam.Depth, beam.Steel);
        var tied = Struts(ref trace, concrete, beam, annex["cot-theta-max"]);
        return trace.Let("VRd", Math.Max(plain, tied), Unit.Force,
            $"max({new Sym("VRd,c", plain, Unit.Force)}; {new Sym("VRd,s", tied, Unit.Force)})", BeamShearClause);
    }

    // Equations 6.8 and 6.9 with the flattest strut that the concrete bears.
    private double Struts<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double flattest)
        where T : struct, ITrace
    {
        var z = trace.Let("z", LeverArm * beam.Depth, Unit.Section, $"0.9·{new Sym("d", beam.Depth, Unit.Section)}", $"{Cited} 6.2.3(1)");
        var (nu, fcd, fyd) = (Nu(ref trace, concrete.Strength), Fcd(ref trace, concrete.Strength), Fyd(ref trace, beam.Yield));
        var pull = beam.Spacing > 0 ? beam.Stirrups / beam.Spacing * z * fyd : 0;
        var push = beam.Breadth * z * nu * fcd;

        // pull·cot θ = push/(cot θ + tan θ) where cot² θ = push/pull − 1.
        var cot = pull > 0 ? Math.Clamp(Math.Sqrt(Math.Max(0, (push / pull) - 1)), 1, flattest) : flattest;
        trace.Given("cot θ", cot, Unit.Ratio, "the flattest strut that the concrete bears, from 1", $"{Cited} 6.2.3(2)");
        var (c, sz) = (new Sym("cot θ", cot, Unit.Ratio), new Sym("z", z, Unit.Section));
        var ties = trace.Let("VRd,s,0", pull * cot, Unit.Force,
            $"{new Sym("Asw", beam.Stirrups, Unit.SteelArea)}/{new Sym("s", beam.Spacing, Unit.Section)}·{sz}·"
                + $"{new Sym("fywd", fyd, Unit.Stress)}·{c}", $"{Cited} eq. 6.8");
        var most = trace.Let("VRd,max", push / (cot + (1 / cot)), Unit.Force,
            $"{new Sym("bw", beam.Breadth, Unit.Section)}·{sz}·{new Sym("ν", nu, Unit.Ratio)}·{new Sym("fcd", fcd, Unit.Stress)}/"
                + $"({c} + 1/{c})", $"{Cited} eq. 6.9");
        return trace.Let("VRd,s", Math.Min(ties, most), Unit.Force,
            $"min({new Sym("VRd,s,0", ties, Unit.Force)}; {new Sym("VRd,max", most, Unit.Force)})");
    }

    /// <inheritdoc/>
    public override StirrupLimits Stirrups<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double shear)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var ratio = annex["link-ratio"];
        var least = trace.Empirical("Asw,min",
            ratio * Math.Sqrt(concrete.Strength / Megapascal) / (beam.Yield / Megapascal) * beam.Breadth * beam.Spacing, Unit.SteelArea,
            $"{Text(ratio)}·√({new Sym("fck", concrete.Strength, Unit.Stress)})/{new Sym("fyk", beam.Yield, Unit.Stress)}·"
                + $"{new Sym("bw", beam.Breadth, Unit.Section)}·{new Sym("s", beam.Spacing, Unit.Section)}", $"{Cited} 9.2.2(5)");
        var d = new Sym("d", beam.Depth, Unit.Section);
        var (share, legs) = (annex["stirrup-spacing"], annex["leg-spacing"]);
        var along = trace.Let("s,most", share * beam.Depth, Unit.Section, $"{Text(share)}·{d}", $"{Cited} 9.2.2(6)");
        var across = trace.Let("across,most", Math.Min(legs * beam.Depth, 0.600), Unit.Section,
            $"min({Text(legs)}·{d}; {new Sym("600 mm", 0.6, Unit.Section)})", $"{Cited} 9.2.2(8)");
        return new StirrupLimits(along, across, least);
    }

    /// <inheritdoc/>
    public override double LeastBeamSteel<T>(ref T trace, ConcreteRules concrete, double yield, double breadth, double depth)
    {
        var ratio = MinimumSteelRatio(ref trace, concrete, yield);
        return trace.Let("As,min", ratio * breadth * depth, Unit.SteelArea,
            $"{new Sym("ρmin", ratio, Unit.Ratio)}·{new Sym("bt", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}",
            $"{Cited} 9.2.1.1(1)");
    }

    /// <inheritdoc/>
    public override string WallFlexureClause => Cited + " 6.1, 9.6.2";

    /// <inheritdoc/>
    public override string WallAxialClause => Cited + " 12.6.5.2";

    /// <inheritdoc/>
    public override string WallSteelClause => Cited + " 9.6.2, 9.6.3";

    // 9.6.2(2): half of the least steel lies at each face.
    /// <inheritdoc/>
    public override double TwoLayersFrom => 0;

    /// <inheritdoc/>
    public override double MostWallSpacing(double thickness) => Math.Min(3 * thickness, 0.400);

    /// <inheritdoc/>
    public override (double Upright, double Level) LeastWallSteel<T>(ref T trace, double upright, double level, double yield) =>
        (trace.Given("ρv", 0.002, Unit.Ratio, "upright, both faces together", $"{Cited} 9.6.2(1)"),
            trace.Given("ρh", 0.001, Unit.Ratio, "level; a quarter of the upright if that is more", $"{Cited} 9.6.3(1)"));

    /// <inheritdoc/>
    public override double WallAxial<T>(ref T trace, double strength, double thickness, double height, bool held)
    {
        var beta = trace.Given("β", held ? 1.0 : 2.0, Unit.Ratio, held ? "held at top and bottom" : "the top is free",
            $"{Cited} 12.6.5.1");
        var fcd = trace.Let("fcd,pl", 0.8 * strength / gammaC, Unit.Stress,
            $"0.8·{new Sym("fck", strength, Unit.Stress)}/{new Sym("γC", gammaC, Unit.Ratio)}", $"{Cited} 12.3.1(1)");
        var (h, l) = (new Sym("hw", thickness, Unit.Section), new Sym("l0", beta * height, Unit.Length));
        var e = trace.Let("etot", (thickness / 6) + (beta * height / 400), Unit.Section, $"{h}/6 + {l}/400", $"{Cited} 12.6.5.2, 5.2(9)");
        var slim = beta * height / thickness;
        var factor = trace.Let("Φ", Math.Max(0, Math.Min((1.14 * (1 - (2 * e / thickness))) - (0.02 * slim), 1 - (2 * e / thickness))),
            Unit.Ratio,
            $"max(0; min(1.14·(1 − 2·{new Sym("etot", e, Unit.Section)}/{h}) − 0.02·{l}/{h}; "
                + $"1 − 2·{new Sym("etot", e, Unit.Section)}/{h}))",
            $"{Cited} eq. 12.11");
        return trace.Let("NRd", thickness * fcd * factor, Unit.LineLoad,
            $"{h}·{new Sym("fcd,pl", fcd, Unit.Stress)}·{new Sym("Φ", factor, Unit.Ratio)}", WallAxialClause);
    }

    /// <inheritdoc/>
    public override double LeastDepthOverPiles => 0;

    /// <inheritdoc/>
    public override string PileCapDepthClause => Cited + " 9.8.1";

    /// <inheritdoc/>
    public override string PileShareClause => Cited + " 6.2.2(6)";

    /// <inheritdoc/>
    public override double? DeepMemberPhi(bool precast) => null;

    /// <inheritdoc/>
    public override string StrutAndTieClause => Cited + " 6.5";

    /// <inheritdoc/>
    public override double MostTieSpacing => annex["slab-spacing"];

    private double NuPrime<T>(ref T trace, double strength)
        where T : struct, ITrace => trace.Empirical("ν'", 1 - (strength / Megapascal / 250), Unit.Ratio,
            $"1 − {new Sym("fck", strength, Unit.Stress)}/250", $"{Cited} 6.5.2(2)");

    /// <inheritdoc/>
    public override double Strut<T>(ref T trace, ConcreteRules concrete, double area)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        return Pressed(ref trace, concrete, 0.6, area, "6.5.2(2)");
    }

    /// <inheritdoc/>
    public override double Node<T>(ref T trace, ConcreteRules concrete, double area, NodeTies ties)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        return Pressed(ref trace, concrete, ties switch { NodeTies.None => 1.0, NodeTies.OneWay => 0.85, _ => 0.75 }, area, "6.5.4(4)");
    }

    private double Pressed<T>(ref T trace, ConcreteRules concrete, double share, double area, string clause)
        where T : struct, ITrace
    {
        var (nu, fcd) = (NuPrime(ref trace, concrete.Strength), Fcd(ref trace, concrete.Strength));
        return trace.Let("FRd", share * nu * fcd * area, Unit.Force,
            $"{Text(share)}·{new Sym("ν'", nu, Unit.Ratio)}·{new Sym("fcd", fcd, Unit.Stress)}·{new Sym("A", area, Unit.Area)}",
            $"{Cited} {clause}");
    }

    /// <inheritdoc/>
    public override double Tie<T>(ref T trace, double area, double yield)
    {
        var fyd = Fyd(ref trace, yield);
        return trace.Let("FRd", area * fyd, Unit.Force, $"{new Sym("As", area, Unit.SteelArea)}·{new Sym("fyd", fyd, Unit.Stress)}",
            $"{Cited} 6.5.3");
    }
}
