using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Ground;

/// <summary>The theory of G. G. Meyerhof, Can. Geotech. J. 1 (1963) 16–26.</summary>
internal sealed class Meyerhof : BearingTheory
{
    // Shape and depth raise the terms of overburden and weight only from here on.
    private const double LeastFriction = 10;

    public override string Id => "meyerhof";

    public override string Source => "Meyerhof 1963";

    protected override double SelfWeight<T>(ref T trace, in BearingSituation s, double nq) =>
        trace.Let("Nγ", (nq - 1) * Math.Tan(1.4 * s.Friction * Math.PI / 180), Unit.Ratio,
            $"({new Sym("Nq", nq, Unit.Ratio)} − 1)·tan(1.4·{new Sym("φ", s.Friction, Unit.Degrees)})");

    protected override BearingFactors Shape<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        var (b, l) = (new Sym("B'", s.EffectiveBreadth, Unit.Length), new Sym("L'", s.EffectiveLength, Unit.Length));
        var kp = new Sym("Kp", Passive(ref trace, s), Unit.Ratio);
        var c = trace.Let("sc", 1 + (0.2 * kp.Value * s.Shape), Unit.Ratio, $"1 + 0.2·{kp}·{b}/{l}");
        var q = s.Friction > LeastFriction ? trace.Let("sq,γ", 1 + (0.1 * kp.Value * s.Shape), Unit.Ratio, $"1 + 0.1·{kp}·{b}/{l}") : 1;
        return new BearingFactors(c, q, q);
    }

    protected override BearingFactors DepthFactors<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        var none = default(NoTrace);
        var kp = new Sym("Kp", Passive(ref none, s), Unit.Ratio);
        var (d, b) = (new Sym("Df", s.Depth, Unit.Length), new Sym("B", s.Breadth, Unit.Length));
        var c = trace.Let("dc", 1 + (0.2 * Math.Sqrt(kp.Value) * s.Depth / s.Breadth), Unit.Ratio, $"1 + 0.2·√({kp})·{d}/{b}");
        var q = s.Friction > LeastFriction
            ? trace.Let("dq,γ", 1 + (0.1 * Math.Sqrt(kp.Value) * s.Depth / s.Breadth), Unit.Ratio, $"1 + 0.1·√({kp})·{d}/{b}")
            : 1;
        return new BearingFactors(c, q, q);
    }

    protected override BearingFactors Inclination<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        if (s.Horizontal <= 0)
        {
            return new BearingFactors(1, 1, 1);
        }

        var angle = trace.Let("θ", Math.Atan(s.Horizontal / s.Vertical) * 180 / Math.PI, Unit.Degrees,
            $"arctan({new Sym("H", s.Horizontal, Unit.Force)}/{new Sym("V", s.Vertical, Unit.Force)})·180/π");
        var theta = new Sym("θ", angle, Unit.Degrees);
        var c = trace.Let("ic,q", (1 - (angle / 90)) * (1 - (angle / 90)), Unit.Ratio, $"(1 − {theta}/90)^2");
        var rest = s.Friction > 0 ? Math.Max(0, 1 - (angle / s.Friction)) : 0;
        return new BearingFactors(c, c,
            s.Friction > 0
                ? trace.Let("iγ", rest * rest, Unit.Ratio, $"max(0; 1 − {theta}/{new Sym("φ", s.Friction, Unit.Degrees)})^2")
                : 1);
    }

    private static double Passive<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        var half = Math.Tan((45 + (s.Friction / 2)) * Math.PI / 180);
        return trace.Let("Kp", half * half, Unit.Ratio, $"tan(45 + {new Sym("φ", s.Friction, Unit.Degrees)}/2)^2");
    }
}
