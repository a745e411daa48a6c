using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Lap splices of dowels with the bars of a column, 25.5.</content>
public abstract partial class Aci318Base
{
    private const double ClassB = 1.3;
    private const double WeakConcrete = 4.0 / 3;

    /// <inheritdoc/>
    public override string LapClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 25.5";

    /// <inheritdoc/>
    public override double LargestLapped => Edition.LargestLapped;

    /// <inheritdoc/>
    public override double CompressionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var (smaller, larger) = bar.Ordered;
        var fy = bar.Yield / e.StressFactor;
        var (y, d) = (new Sym("fy", bar.Yield, e.Stress), new Sym("db", smaller.Diameter, Unit.Section));
        var own = fy <= e.FirstGrade * 1.001
            ? trace.Empirical("lsc,0", e.CompressionLap * fy * smaller.Diameter, Unit.Section, $"{e.CompressionLapText}·{y}·{d}",
                $"{Name} 25.5.5.1(a)")
            : trace.Empirical("lsc,0", ((e.CompressionLapHigh * fy) - 24) * smaller.Diameter, Unit.Section,
                $"({e.CompressionLapHighText}·{y} − 24)·{d}", $"{Name} 25.5.5.1(b)");
        if (concrete.Strength < e.WeakConcrete * e.StressFactor * (1 - 1e-9))
        {
            own = trace.Let("lsc,0", own * WeakConcrete, Unit.Section, $"4/3·{new Sym("lsc,0", own, Unit.Section)}",
                $"{Name} 25.5.5.1 (weak concrete)");
        }

        if (larger != smaller)
        {
            var pressed = CompressionDevelopment(ref trace, concrete.Strength, concrete.Lightweight, bar.Yield, larger.Diameter);
            own = trace.Let("lsc,0", Math.Max(own, pressed), Unit.Section,
                $"max({new Sym("lsc,0", own, Unit.Section)}; {new Sym("ldc", pressed, Unit.Section)})",
                $"{Name} 25.5.5.4 (ldc of the larger bar)");
        }

        return trace.Let("lsc", Math.Max(own, e.LeastStraight), Unit.Section,
            $"max({new Sym("lsc,0", own, Unit.Section)}; {new Sym("lsc,least", e.LeastStraight, Unit.Section)})", $"{Name} 25.5.5.1");
    }

    /// <inheritdoc/>
    public override double TensionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var (smaller, larger) = bar.Ordered;
        var own = StraightDevelopment(ref trace, concrete, bar.Developed(smaller));
        var lap = trace.Let("lst,0", ClassB * own, Unit.Section, $"1.3·{new Sym("ld", own, Unit.Section)}", $"{Name} 25.5.2.1 (Class B)");
        if (larger != smaller)
        {
            var other = StraightDevelopment(ref trace, concrete, bar.Developed(larger));
            lap = trace.Let("lst,0", Math.Max(lap, other), Unit.Section,
                $"max({new Sym("lst,0", lap, Unit.Section)}; {new Sym("ld", other, Unit.Section)})",
                $"{Name} 25.5.2.2 (ld of the larger bar)");
        }

        return trace.Let("lst", Math.Max(lap, Edition.LeastStraight), Unit.Section,
            $"max({new Sym("lst,0", lap, Unit.Section)}; {new Sym("lst,least", Edition.LeastStraight, Unit.Section)})", $"{Name} 25.5.2.1");
    }
}
