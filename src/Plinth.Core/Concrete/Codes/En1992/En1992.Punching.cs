using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <content>Punching, 6.4, and cracks, 7.3.</content>
public sealed partial class En1992 : IShearPerimeters, ICrackWidths
{
    /// <inheritdoc/>
    double IShearPerimeters.Farthest => 2;

    /// <inheritdoc/>
    string IShearPerimeters.ShareOfMomentClause => Cited + " table 6.1, 6.4.3(3)";

    /// <inheritdoc/>
    string IShearPerimeters.PerimeterClause => Cited + " 6.4.4(2)";

    /// <inheritdoc/>
    double IShearPerimeters.PunchingResistance<T>(ref T trace, ConcreteRules concrete, in PunchedSlab slab) =>
        ShearStress(ref trace, concrete.Strength, slab.Depth,
            trace.Given("ρl", slab.Steel, Unit.Ratio,
                slab.Steel > 0 ? "√(ρx·ρy), at most 0.02" : "no bars count", $"{Cited} 6.4.4(1)"), $"{Cited} 6.4.4(1)");

    /// <inheritdoc/>
    double IShearPerimeters.MostPunching<T>(ref T trace, ConcreteRules concrete)
    {
        var (nu, fcd) = (Nu(ref trace, concrete.Strength), Fcd(ref trace, concrete.Strength));
        return trace.Let("vRd,max", annex["v-rd-max"] * nu * fcd, Unit.Stress,
            $"{Text(annex["v-rd-max"])}·{new Sym("ν", nu, Unit.Ratio)}·{new Sym("fcd", fcd, Unit.Stress)}", $"{Cited} 6.4.5(3)");
    }

    // Table 6.1, straight lines between.
    /// <inheritdoc/>
    double IShearPerimeters.ShareOfMoment(double along, double across, bool round) => ShareOfMoment(along, across, round);

    private static double ShareOfMoment(double along, double across, bool round)
    {
        if (round)
        {
            return 0.60;
        }

        var ratio = along / across;
        return ratio <= 0.5 ? 0.45
            : ratio <= 1 ? 0.45 + ((ratio - 0.5) * 0.30)
            : ratio <= 2 ? 0.60 + ((ratio - 1) * 0.10)
            : Math.Min(0.80, 0.70 + ((ratio - 2) * 0.10));
    }

    /// <inheritdoc/>
    double IShearPerimeters.ShearSteelBeyond<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, bool hooked, double depth)
    {
        var length = Anchored(ref trace, concrete, bar, DesignYield(bar.Yield), hooked);
        return trace.Let("lbd + d", length + depth, Unit.Section,
            $"{new Sym("lbd", length, Unit.Section)} + {new Sym("d", depth, Unit.Section)}", $"{Cited} 6.2.2(1), figure 6.3");
    }

    /// <inheritdoc/>
    /// <remarks>Of a section of its own perimeter, with the least stress alone.</remarks>
    public override double TwoWayShear<T>(ref T trace, ConcreteRules concrete, in TwoWaySection section, bool ofFooting = true)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        trace.Given("ρl", 0, Unit.Ratio, "no bars are counted on");
        return ShearStress(ref trace, concrete.Strength, section.Depth, 0, $"{Cited} 6.4.4(1)");
    }

    /// <inheritdoc/>
    public override double ShearShareOfMoment<T>(ref T trace, string symbol, double along, double across) =>
        trace.Given(symbol, ShareOfMoment(along, across, false), Unit.Ratio, "k, by the sides", $"{Cited} table 6.1");

    /// <inheritdoc/>
    public override string? PunchingSteelClause => null;

    /// <inheritdoc/>
    public override double PunchingSteel<T>(ref T trace, ConcreteRules concrete, double yield, double stress, double strip,
        in TwoWaySection section) => 0;

    /// <inheritdoc/>
    public string CrackClause => Cited + " 7.3.4";

    /// <inheritdoc/>
    public override double CrackSpacing(double yield, double cover) => double.PositiveInfinity;

    // k1 of ribbed bars and k2 of bending.
    private const double Bonded = 0.8;
    private const double Bent = 0.5;
    private const double LongTerm = 0.4;

    /// <inheritdoc/>
    (double Width, double LeastSteel) ICrackWidths.CrackWidth<T>(ref T trace, ConcreteRules concrete, double yield,
        in CrackedSection section)
    {
        var (b, h, d, area) = (section.Breadth, section.Thickness, section.Depth, section.Steel);
        var fct = Fctm(ref trace, concrete.Strength);
        var ecm = trace.Empirical("Ecm", Elasticity(concrete.Strength), Unit.Stress,
            $"22000·(({new Sym("fck", concrete.Strength, Unit.Stress)} + 8)/10)^0.3", $"{Cited} table 3.1");
        var ratio = trace.Let("αe", SteelElasticity / ecm, Unit.Ratio,
            $"{new Sym("Es", SteelElasticity, Unit.Stress)}/{new Sym("Ecm", ecm, Unit.Stress)}", $"{Cited} 7.3.4(2)");
        var (sa, sb, sh, sd) = (new Sym("As", area, Unit.SteelArea), new Sym("b", b, Unit.Section), new Sym("h", h, Unit.Section),
            new Sym("d", d, Unit.Section));
        var e = new Sym("αe", ratio, Unit.Ratio);
        var m = ratio * area / b;
        var x = trace.Let("x", m * (Math.Sqrt(1 + (2 * d / m)) - 1), Unit.Section,
            $"{e}·{sa}/{sb}·(√(1 + 2·{sb}·{sd}/({e}·{sa})) − 1)", "cracked, elastic");
        var sx = new Sym("x", x, Unit.Section);
        var stress = trace.Let("σs", section.Moment / (area * (d - (x / 3))), Unit.Stress,
            $"{new Sym("MEk", section.Moment, Unit.Moment)}/({sa}·({sd} − {sx}/3))");
        var zone = trace.Let("hc,ef", Math.Min(2.5 * (h - d), Math.Min((h - x) / 3, h / 2)), Unit.Section,
            $"min(2.5·({sh} − {sd}); ({sh} − {sx})/3; {sh}/2)", $"{Cited} 7.3.2(3)");
        var rho = trace.Let("ρp,eff", area / (b * zone), Unit.Ratio, $"{sa}/({sb}·{new Sym("hc,ef", zone, Unit.Section)})",
            $"{Cited} 7.3.4(2)");
        var r = new Sym("ρp,eff", rho, Unit.Ratio);
        var far = section.Spacing > 5 * (section.Cover + (section.Diameter / 2));
        var gap = far
            ? trace.Let("sr,max", 1.3 * (h - x), Unit.Section, $"1.3·({sh} − {sx})",
                $"{Cited} 7.3.4(3), bars farther apart than 5(c + φ/2)")
            : trace.Let("sr,max", (annex["k3-crack"] * section.Cover) + (Bonded * Bent * annex["k4-crack"] * section.Diameter / rho),
                Unit.Section,
                $"{Text(annex["k3-crack"])}·{new Sym("c", section.Cover, Unit.Section)} + 0.8·0.5·{Text(annex["k4-crack"])}·"
                    + $"{new Sym("φ", section.Diameter, Unit.Section)}/{r}", $"{Cited} 7.3.4(3)");
        var s = new Sym("σs", stress, Unit.Stress);
        var strain = trace.Let("εsm − εcm",
            Math.Max((stress - (LongTerm * fct / rho * (1 + (ratio * rho)))) / SteelElasticity, 0.6 * stress / SteelElasticity), Unit.Ratio,
            $"max({s} − 0.4·{new Sym("fct,eff", fct, Unit.Stress)}/{r}·(1 + {e}·{r}); 0.6·{s})/"
                + $"{new Sym("Es", SteelElasticity, Unit.Stress)}", $"{Cited} 7.3.4(2), kt 0.4");
        var width = trace.Let("wk", gap * strain, Unit.Settlement,
            $"{new Sym("sr,max", gap, Unit.Section)}·{new Sym("εsm − εcm", strain, Unit.Ratio)}", CrackClause);
        var k = Math.Clamp(1 - (0.35 * (h - 0.3) / 0.5), 0.65, 1);
        trace.Given("kh", k, Unit.Ratio, "1.0 to 300 mm, 0.65 from 800 mm thickness", $"{Cited} 7.3.2(2)");
        var least = trace.Let("As,crack", 0.4 * k * fct * b * h / 2 / yield, Unit.SteelArea,
            $"0.4·{new Sym("kh", k, Unit.Ratio)}·{new Sym("fct,eff", fct, Unit.Stress)}·{sb}·{sh}/(2·{new Sym("fyk", yield, Unit.Stress)})",
            $"{Cited} 7.3.2(2)");
        return (width, least);
    }
}
