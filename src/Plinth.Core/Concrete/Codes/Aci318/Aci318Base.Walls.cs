using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Walls, chapter 11.</content>
public abstract partial class Aci318Base
{
    // No. 5 and 16 mm, to which less steel may do.
    private const double SmallWallBar = 0.0161;

    // 21.2.2, compression-controlled.
    private const double WallPhi = 0.65;

    /// <inheritdoc/>
    public override string WallFlexureClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 11.5.2, 22.4";

    /// <inheritdoc/>
    public override string WallAxialClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 11.5.3.1";

    /// <inheritdoc/>
    public override string WallSteelClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 11.6.1, 11.7.2, 11.7.3";

    /// <inheritdoc/>
    public override double TwoLayersFrom => edition.Suffix.Length > 0 ? 0.25 : 0.254;

    /// <inheritdoc/>
    public override double MostWallSpacing(double thickness) => Math.Min(3 * thickness, edition.MostSpacing);

    /// <inheritdoc/>
    public override (double Upright, double Level) LeastWallSteel<T>(ref T trace, double upright, double level, double yield)
    {
        var high = yield >= (edition.FirstGrade * edition.StressFactor) - 1e-6;
        double One(ref T trace, string symbol, double diameter, double low, double usual) =>
            trace.Given(symbol, high && diameter <= SmallWallBar ? low : usual, Unit.Ratio,
                high && diameter <= SmallWallBar ? "of bars up to No. 5 (16 mm), fy from 60 ksi (420 MPa)" : "of larger or softer bars",
                $"{Name} table 11.6.1");
        return (One(ref trace, "ρl", upright, 0.0012, 0.0015), One(ref trace, "ρt", level, 0.0020, 0.0025));
    }

    /// <inheritdoc/>
    public override double WallAxial<T>(ref T trace, double strength, double thickness, double height, bool held)
    {
        var k = trace.Given("k", held ? 1.0 : 2.0, Unit.Ratio, held ? "held at top and bottom" : "the top is free",
            $"{Name} table 11.5.3.2");
        var slender = k * height / (32 * thickness);
        var (f, t, lc) = (new Sym("f'c", strength, Unit.Stress), new Sym("h", thickness, Unit.Section), new Sym("lc", height, Unit.Length));
        return trace.Let("φPn", Math.Max(0, WallPhi * 0.55 * strength * thickness * (1 - (slender * slender))), Unit.LineLoad,
            $"max(0; {new Sym("φ", WallPhi, Unit.Ratio)}·0.55·{f}·{t}·(1 − ({new Sym("k", k, Unit.Ratio)}·{lc}/(32·{t}))^2))",
            WallAxialClause);
    }
}
