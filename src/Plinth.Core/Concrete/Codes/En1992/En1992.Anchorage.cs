using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <content>Bond, anchorage and laps, 8.3 to 8.8.</content>
public sealed partial class En1992 : ITieAnchorage
{
    // 8.7.3, table 8.3: all bars lapped at one place.
    private const double AllLapped = 1.5;
    private const double FreshBelow = 0.250;
    private const double ThickBar = 0.032;
    private const double MediumBar = 0.016;

    // 8.4.2(2): its tensile strength counts as that of C60/75 at most.
    private const double MostBonded = 60 * Megapascal;

    /// <inheritdoc/>
    public override string AnchorageClause => Cited + " 9.8.2.2, 8.4.4";

    /// <inheritdoc/>
    public override string LapClause => Cited + " 8.7.3";

    // 8.8(3): thicker ones are not lapped but in sections of a metre.
    /// <inheritdoc/>
    public override double LargestLapped => ThickBar;

    /// <inheritdoc/>
    public double Anchored<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, double stress, bool hooked)
        where T : struct, ITrace
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var db = bar.Size.Diameter;
        var (phi, required) = (new Sym("φ", db, Unit.Section), Required(ref trace, concrete.Strength, bar, stress));
        var (shape, cover) = Shapes(ref trace, bar, hooked);
        var bond = trace.Let("lbd,0", shape * cover * required, Unit.Section,
            $"{new Sym("α1", shape, Unit.Ratio)}·{new Sym("α2", cover, Unit.Ratio)}·{new Sym("lb,rqd", required, Unit.Section)}",
            $"{Cited} 8.4.4(1), α3 = α4 = α5 = 1");
        if (!bar.WithLeast)
        {
            return bond;
        }

        var least = trace.Let("lb,min", Math.Max(0.3 * required, Math.Max(10 * db, 0.100)), Unit.Section,
            $"max(0.3·{new Sym("lb,rqd", required, Unit.Section)}; 10·{phi}; {new Sym("100 mm", 0.1, Unit.Section)})",
            $"{Cited} 8.4.4(1)");
        return trace.Let("lbd", Math.Max(bond, least), Unit.Section,
            $"max({new Sym("lbd,0", bond, Unit.Section)}; {new Sym("lb,min", least, Unit.Section)})", $"{Cited} 8.4.4(1)");
    }

    /// <inheritdoc/>
    public override double StraightDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar) =>
        Anchored(ref trace, concrete, bar, DesignYield(bar.Yield) * bar.Share, false);

    /// <inheritdoc/>
    public override double HookedDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar) =>
        Anchored(ref trace, concrete, bar, DesignYield(bar.Yield) * bar.Share, true);

    /// <inheritdoc/>
    public override double CompressionDevelopment<T>(ref T trace, double strength, double lightweight, double yield, double diameter)
    {
        var required = Required(ref trace, strength, diameter, false, DesignYield(yield));
        return trace.Let("lbd", Math.Max(required, Math.Max(10 * diameter, 0.100)), Unit.Section,
            $"max({new Sym("lb,rqd", required, Unit.Section)}; 10·{new Sym("φ", diameter, Unit.Section)}; "
                + $"{new Sym("100 mm", 0.1, Unit.Section)})", $"{Cited} 8.4.4(1), pressed: α = 1");
    }

    /// <inheritdoc/>
    public override double CompressionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var d = bar.Ordered.Smaller.Diameter;
        return Lapped(ref trace, Required(ref trace, concrete.Strength, d, false, DesignYield(bar.Yield)), 1, d, "pressed");
    }

    /// <inheritdoc/>
    public override double TensionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var smaller = bar.Ordered.Smaller;
        var own = bar.Developed(smaller);
        var required = Required(ref trace, concrete.Strength, own, DesignYield(bar.Yield));
        var (_, cover) = Shapes(ref trace, own, false);
        return Lapped(ref trace, required, cover, smaller.Diameter, "pulled");
    }

    /// <inheritdoc/>
    public override double HookHeight(double diameter) => (BendDiameter(diameter) / 2) + (6 * diameter);

    /// <inheritdoc/>
    public override double BendDiameter(double diameter) => diameter <= MediumBar + 1e-9 ? 4 * diameter : 7 * diameter;

    // Figure 8.5: 90° with a tail of 10 diameters, at least 70 mm.
    /// <inheritdoc/>
    public override (double Bend, double Extension) TieHook(double diameter) =>
        (BendDiameter(diameter), Math.Max(10 * diameter, 0.070));

    /// <inheritdoc/>
    public override double HoopOverlap => 0.200;

    // fbd, kPa.
    private double Bond<T>(ref T trace, double strength, double diameter, bool poor)
        where T : struct, ITrace
    {
        var fctd = Fctd(ref trace, Math.Min(strength, MostBonded));
        var eta1 = trace.Given("η1", poor ? 0.7 : 1.0, Unit.Ratio,
            poor ? "more than 250 mm of fresh concrete below: poor bond" : "good bond", $"{Cited} 8.4.2(2)");
        var eta2 = diameter <= ThickBar + 1e-9
            ? 1
            : trace.Empirical("η2", (132 - (diameter * 1000)) / 100, Unit.Ratio, $"(132 − {new Sym("φ", diameter, Unit.Section)})/100",
                $"{Cited} 8.4.2(2)");
        return trace.Let("fbd", 2.25 * eta1 * eta2 * fctd, Unit.Stress,
            $"2.25·{new Sym("η1", eta1, Unit.Ratio)}·{(eta2 == 1 ? "1" : Text(eta2))}·{new Sym("fctd", fctd, Unit.Stress)}",
            $"{Cited} 8.4.2(2)");
    }

    private double Required<T>(ref T trace, double strength, in DevelopedBar bar, double stress)
        where T : struct, ITrace => Required(ref trace, strength, bar.Size.Diameter, bar.FreshBelow > FreshBelow, stress);

    private double Required<T>(ref T trace, double strength, double diameter, bool poor, double stress)
        where T : struct, ITrace
    {
        var bond = Bond(ref trace, strength, diameter, poor);
        return trace.Let("lb,rqd", diameter / 4 * stress / bond, Unit.Section,
            $"{new Sym("φ", diameter, Unit.Section)}/4·{new Sym("σsd", stress, Unit.Stress)}/{new Sym("fbd", bond, Unit.Stress)}",
            $"{Cited} 8.4.3(2)");
    }

    // α1 and α2 of table 8.2.
    private static (double Shape, double Cover) Shapes<T>(ref T trace, in DevelopedBar bar, bool hooked)
        where T : struct, ITrace
    {
        var db = bar.Size.Diameter;
        var clear = (bar.Spacing - db) / 2;
        var (a, phi) = (new Sym("a/2", clear, Unit.Section), new Sym("φ", db, Unit.Section));
        var cd = hooked
            ? trace.Let("cd", Math.Min(clear, bar.SideCover), Unit.Section, $"min({a}; {new Sym("c1", bar.SideCover, Unit.Section)})",
                $"{Cited} figure 8.3")
            : trace.Let("cd", Math.Min(clear, bar.CoverToCentre - (db / 2)), Unit.Section,
                $"min({a}; {new Sym("c", bar.CoverToCentre - (db / 2), Unit.Section)})", $"{Cited} figure 8.3");
        var (c, from) = (new Sym("cd", cd, Unit.Section), hooked ? 3 : 1);
        var shape = hooked && cd > 3 * db ? 0.7 : 1.0;
        if (hooked)
        {
            trace.Given("α1", shape, Unit.Ratio, shape < 1 ? "a hook with cd > 3φ" : "a hook with cd up to 3φ", $"{Cited} table 8.2");
        }
        else
        {
            trace.Given("α1", shape, Unit.Ratio, "straight", $"{Cited} table 8.2");
        }

        var cover = trace.Let("α2", Math.Clamp(1 - (0.15 * (cd - (from * db)) / db), 0.7, 1), Unit.Ratio,
            $"max(0.7; min(1; 1 − 0.15·({c} − {(hooked ? "3·" : "")}{phi})/{phi}))", $"{Cited} table 8.2");
        return (shape, cover);
    }

    private static double Lapped<T>(ref T trace, double required, double cover, double diameter, string words)
        where T : struct, ITrace
    {
        var r = new Sym("lb,rqd", required, Unit.Section);
        var six = trace.Given("α6", AllLapped, Unit.Ratio, $"all bars lapped at one place, {words}", $"{Cited} table 8.3");
        var s = new Sym("α6", six, Unit.Ratio);
        var least = trace.Let("l0,min", Math.Max(0.3 * six * required, Math.Max(15 * diameter, 0.200)), Unit.Section,
            $"max(0.3·{s}·{r}; 15·{new Sym("φ", diameter, Unit.Section)}; {new Sym("200 mm", 0.2, Unit.Section)})", $"{Cited} 8.7.3(1)");
        return trace.Let("l0", Math.Max(cover * six * required, least), Unit.Section,
            $"max({new Sym("α2", cover, Unit.Ratio)}·{s}·{r}; {new Sym("l0,min", least, Unit.Section)})", $"{Cited} 8.7.3(1)");
    }
}
