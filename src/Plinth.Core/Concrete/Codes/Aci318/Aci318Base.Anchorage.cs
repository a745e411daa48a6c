using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Development of bars, chapter 25.</content>
public abstract partial class Aci318Base
{
    /// <inheritdoc/>
    public override double StraightDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var db = bar.Size.Diameter;
        var cb = trace.Let("cb", Math.Min(bar.CoverToCentre, bar.Spacing / 2), Unit.Section,
            $"min({new Sym("c", bar.CoverToCentre, Unit.Section)}; {new Sym("s", bar.Spacing, Unit.Section)}/2)", $"{Name} 25.4.2.4");
        var confined = trace.Let("cb/db", Math.Min(2.5, cb / db), Unit.Ratio,
            $"min(2.5; {new Sym("cb", cb, Unit.Section)}/{new Sym("db", db, Unit.Section)})", $"{Name} 25.4.2.4 (Ktr = 0)");
        var top = trace.Given("ψt", bar.FreshBelow > e.FreshBelow ? 1.3 : 1.0, Unit.Ratio,
            bar.FreshBelow > e.FreshBelow ? "more than 300 mm (12 in) of fresh concrete below" : "not a top bar", $"{Name} 25.4.2.5");
        var size = trace.Given("ψs", db <= e.SmallBar ? 0.8 : 1.0, Unit.Ratio, "by the size of the bar", $"{Name} 25.4.2.5");
        var grade = GradeFactor(ref trace, bar.Yield);
        var straight = trace.Empirical(
            "ld,0",
            bar.Yield / e.StressFactor * top * size * grade / (e.Straight * concrete.Lightweight * root * confined) * db,
            Unit.Section,
            $"{new Sym("fy", bar.Yield, e.Stress)}·{new Sym("ψt", top, Unit.Ratio)}·{new Sym("ψs", size, Unit.Ratio)}·"
                + $"{new Sym("ψg", grade, Unit.Ratio)}/({e.StraightText}·{new Sym("λ", concrete.Lightweight, Unit.Ratio)}·"
                + $"{new Sym("√f'c", root, Unit.Ratio)}·{new Sym("cb/db", confined, Unit.Ratio)})·{new Sym("db", db, Unit.Section)}",
            AnchorageClause);
        straight = Reduced(ref trace, "ld,0", straight, bar.Share);
        if (!bar.WithLeast)
        {
            return trace.Let("ld", straight, Unit.Section, $"{new Sym("ld,0", straight, Unit.Section)}", $"{Name} 25.4.2.1(a)");
        }

        return trace.Let("ld", Math.Max(straight, e.LeastStraight), Unit.Section,
            $"max({new Sym("ld,0", straight, Unit.Section)}; {new Sym("ld,least", e.LeastStraight, Unit.Section)})", $"{Name} 25.4.2.1");
    }

    /// <inheritdoc/>
    public override double HookedDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var root = Root(ref trace, concrete);
        var hook = Hook(ref trace, concrete, bar, root);
        var least = trace.Let("ldh,least", Math.Max(8 * bar.Size.Diameter, Edition.LeastHook), Unit.Section,
            $"max(8·{new Sym("db", bar.Size.Diameter, Unit.Section)}; {new Sym("6 in | 150 mm", Edition.LeastHook, Unit.Section)})",
            $"{Name} 25.4.3.1");
        hook = Reduced(ref trace, "ldh,0", hook, bar.Share);
        return trace.Let("ldh", Math.Max(hook, least), Unit.Section,
            $"max({new Sym("ldh,0", hook, Unit.Section)}; {new Sym("ldh,least", least, Unit.Section)})", $"{Name} 25.4.3.1");
    }

    /// <inheritdoc/>
    public override double CompressionDevelopment<T>(ref T trace, double strength, double lightweight, double yield, double diameter)
    {
        var e = Edition;
        var root = Math.Min(Math.Sqrt(strength / e.StressFactor), e.RootLimit);
        var fy = yield / e.StressFactor;
        var (y, db) = (new Sym("fy", yield, e.Stress), new Sym("db", diameter, Unit.Section));
        var pressed = trace.Empirical("ldc,0", Math.Max(e.Compression * fy / (lightweight * root), e.CompressionLeast * fy) * diameter,
            Unit.Section,
            $"max({AciEdition.Text(e.Compression)}·{y}/({new Sym("λ", lightweight, Unit.Ratio)}·{new Sym("√f'c", root, Unit.Ratio)}); "
                + $"{e.CompressionLeastText}·{y})·{db}",
            $"{Name} 25.4.9.2");
        return trace.Let("ldc", Math.Max(pressed, e.LeastCompression), Unit.Section,
            $"max({new Sym("ldc,0", pressed, Unit.Section)}; {new Sym("ldc,least", e.LeastCompression, Unit.Section)})",
            $"{Name} 25.4.9.1");
    }

    // 25.4.10.1: the length is reduced, its least value is not.
    private double Reduced<T>(ref T trace, string symbol, double length, double share)
        where T : struct, ITrace =>
        share < 1
            ? trace.Let(symbol, length * share, Unit.Section,
                $"{new Sym("share", share, Unit.Ratio)}·{new Sym(symbol, length, Unit.Section)}", $"{Name} 25.4.10.1")
            : length;

    // Table 25.3.1: a tail of 12 db beyond the bend.
    /// <inheritdoc/>
    public override double HookHeight(double diameter) => (BendDiameter(diameter) / 2) + (13 * diameter);

    /// <inheritdoc/>
    public override double BendDiameter(double diameter) =>
        diameter <= Edition.SmallBend ? 6 * diameter
            : diameter <= Edition.LargeBar + 1e-9 || diameter <= Edition.MediumBend ? 8 * diameter
            : 10 * diameter;

    // 25.3.2: to #5 (16 mm) 4 db and 6 db, but 3 in (75 mm); to #8 (25 mm) 6 db and 12 db.
    /// <inheritdoc/>
    public override (double Bend, double Extension) TieHook(double diameter) =>
        diameter <= Edition.TieBar ? (4 * diameter, Math.Max(6 * diameter, Edition.TieTail)) : (6 * diameter, 12 * diameter);

    // 25.7.2.4: hooked ends that lap by 6 in (150 mm).
    /// <inheritdoc/>
    public override double HoopOverlap => 2 * Edition.TieTail;

    /// <summary>ldh before its least value, m.</summary>
    protected abstract double Hook<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar, double root)
        where T : struct, ITrace;

    /// <summary>ψg.</summary>
    protected abstract double GradeFactor<T>(ref T trace, double yield)
        where T : struct, ITrace;
}
