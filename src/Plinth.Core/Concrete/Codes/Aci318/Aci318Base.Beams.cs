using System.Globalization;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Concrete.Codes.Aci318;

/// <content>Beams with stirrups, chapters 9 and 22.</content>
public abstract partial class Aci318Base
{
    // 20.2.2.4: fyt of stirrups is not taken higher than the first grade's.
    private double StirrupYield(double yield) => Math.Min(yield, edition.FirstGrade * edition.StressFactor);

    /// <inheritdoc/>
    public override string BeamShearClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 22.5.1.1, 22.5.8.5.3";

    /// <inheritdoc/>
    public override string StirrupClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 9.6.3, 9.7.6.2.2";

    /// <inheritdoc/>
    public override string BeamSteelClause { get; } = "ACI 318" + edition.Suffix + "-" + year + " 9.6.1.2, 9.6.1.3, 9.7.2.3, 25.2.1";

    /// <inheritdoc/>
    public override double LeastSteelRelief => 4.0 / 3;

    /// <inheritdoc/>
    public override double MostStirrupSpacing => edition.MostStirrups;

    /// <inheritdoc/>
    public override double SideBarsFrom => edition.SideBarsFrom;

    /// <inheritdoc/>
    public override double BeamShear<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        if (beam.Steel <= 0 || beam.Depth <= 0)
        {
            return 0;
        }

        var e = Edition;
        var root = Root(ref trace, concrete);
        var yield = StirrupYield(beam.Yield);
        var least = LeastStirrups(ref trace, beam, yield, root);
        var vc = BeamConcrete(ref trace, concrete, beam, root, HasLeast(beam, least));
        var ties = beam.Spacing > 0
            ? trace.Let("vs,0", beam.Stirrups * yield / (beam.Breadth * beam.Spacing), e.Stress,
                $"{new Sym("Av", beam.Stirrups, Unit.SteelArea)}·{new Sym("fyt", yield, Unit.Stress)}/"
                    + $"({new Sym("bw", beam.Breadth, Unit.Section)}·{new Sym("s", beam.Spacing, Unit.Section)})",
                $"{Name} 22.5.8.5.3, 20.2.2.4 (fyt)")
            : 0;
        var vs = trace.Empirical("vs", Math.Min(ties / e.StressFactor, e.TieShearMost * root) * e.StressFactor, e.Stress,
            $"min({new Sym("vs,0", ties, e.Stress)}; {AciEdition.Text(e.TieShearMost)}·{new Sym("√f'c", root, Unit.Ratio)})",
            $"{Name} 22.5.1.2");
        var phi = Phi(ref trace, concrete);
        return trace.Let("φVn", phi * (vc + vs) * beam.Breadth * beam.Depth, Unit.Force,
            $"{new Sym("φ", phi, Unit.Ratio)}·({new Sym("vc", vc, e.Stress)} + {new Sym("vs", vs, e.Stress)})·"
                + $"{new Sym("bw", beam.Breadth, Unit.Section)}·{new Sym("d", beam.Depth, Unit.Section)}",
            BeamShearClause);
    }

    /// <inheritdoc/>
    public override StirrupLimits Stirrups<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double shear)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var root = Root(ref trace, concrete);
        var yield = StirrupYield(beam.Yield);
        var least = LeastStirrups(ref trace, beam, yield, root);
        var vc = BeamConcrete(ref trace, concrete, beam, root, HasLeast(beam, least));
        var phi = Phi(ref trace, concrete);
        var from = NoStirrupsBelow(ref trace, concrete, root, vc);
        var section = beam.Breadth * beam.Depth;
        var (bw, d, vu) = (new Sym("bw", beam.Breadth, Unit.Section), new Sym("d", beam.Depth, Unit.Section),
            new Sym("Vu", shear, Unit.Force));
        var stress = section > 0 ? shear / (phi * section) : double.PositiveInfinity;
        trace.Let("vu", stress, e.Stress, $"{vu}/({new Sym("φ", phi, Unit.Ratio)}·{bw}·{d})");
        var needed = stress > from;
        trace.Remark(needed ? "vu exceeds v0: the least stirrups are asked." : "vu does not exceed v0: no least stirrups are asked.");
        var required = Math.Max(0, stress - vc);
        trace.Let("vs,required", required, e.Stress, $"max(0; {new Sym("vu", stress, e.Stress)} − {new Sym("vc", vc, e.Stress)})");
        var high = trace.Empirical("vs,high", e.TwoWay * root * e.StressFactor, e.Stress,
            $"{AciEdition.Text(e.TwoWay)}·{new Sym("√f'c", root, Unit.Ratio)}", $"{Name} 9.7.6.2.2");
        var (share, most) = required > high ? (4, e.MostStirrups / 2) : (2, e.MostStirrups);
        var along = trace.Let("s,most", Math.Min(beam.Depth / share, most), Unit.Section,
            $"min({d}/{share.ToString(CultureInfo.InvariantCulture)}; {new Sym("s,limit", most, Unit.Section)})", $"{Name} 9.7.6.2.2");
        var across = StirrupsAcross
            ? trace.Let("across,most", Math.Min(2 * beam.Depth / share, most), Unit.Section,
                $"min(2·{d}/{share.ToString(CultureInfo.InvariantCulture)}; {new Sym("s,limit", most, Unit.Section)})", $"{Name} 9.7.6.2.2")
            : double.PositiveInfinity;
        return new StirrupLimits(along, across, needed ? least : 0);
    }

    /// <inheritdoc/>
    public override double LeastBeamSteel<T>(ref T trace, ConcreteRules concrete, double yield, double breadth, double depth)
    {
        ArgumentNullException.ThrowIfNull(concrete);
        var e = Edition;
        var fy = Math.Min(yield, LeastSteelYield);
        var root = Math.Sqrt(concrete.Strength / e.StressFactor);
        return trace.Empirical("As,min", Math.Max(e.BeamSteel * root, e.BeamSteelFlat) * e.StressFactor / fy * breadth * depth,
            Unit.SteelArea,
            $"max({AciEdition.Text(e.BeamSteel)}·√({new Sym("f'c", concrete.Strength, e.Stress)}); {AciEdition.Text(e.BeamSteelFlat)})/"
                + $"{new Sym("fy", fy, e.Stress)}·{new Sym("bw", breadth, Unit.Section)}·{new Sym("d", depth, Unit.Section)}",
            $"{Name} 9.6.1.2");
    }

    /// <summary>Yield strength that the least steel of beams counts on at most, kPa.</summary>
    protected virtual double LeastSteelYield => double.PositiveInfinity;

    /// <summary>Whether the distance of legs across a beam is limited.</summary>
    protected abstract bool StirrupsAcross { get; }

    /// <summary>Stress of the concrete of a beam in shear, vc, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="beam">The section.</param>
    /// <param name="root">√f'c.</param>
    /// <param name="hasLeast">Whether it has the least stirrups.</param>
    protected abstract double BeamConcrete<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double root, bool hasLeast)
        where T : struct, ITrace;

    /// <summary>Shear stress up to which no least stirrups are asked, v0, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="root">√f'c.</param>
    /// <param name="vc">Stress of the concrete, kPa.</param>
    protected abstract double NoStirrupsBelow<T>(ref T trace, ConcreteRules concrete, double root, double vc)
        where T : struct, ITrace;

    // Without stirrups at all their least area at a spacing of nothing is none, which they would hold.
    private static bool HasLeast(in StirrupedBeam beam, double least) =>
        beam is { Stirrups: > 0, Spacing: > 0 } && beam.Stirrups >= least * (1 - 1e-9);

    // 9.6.3.4.
    private double LeastStirrups<T>(ref T trace, in StirrupedBeam beam, double yield, double root)
        where T : struct, ITrace
    {
        var e = edition;
        var perArea = Math.Max(e.LeastTies * root, e.LeastTiesFlat) * e.StressFactor / yield;
        return trace.Empirical("Av,min", perArea * beam.Breadth * beam.Spacing, Unit.SteelArea,
            $"max({AciEdition.Text(e.LeastTies)}·{new Sym("√f'c", root, Unit.Ratio)}; {AciEdition.Text(e.LeastTiesFlat)})·"
                + $"{new Sym("bw", beam.Breadth, Unit.Section)}·{new Sym("s", beam.Spacing, Unit.Section)}/"
                + $"{new Sym("fyt", yield, e.Stress)}",
            $"{Name} 9.6.3.4");
    }
}
