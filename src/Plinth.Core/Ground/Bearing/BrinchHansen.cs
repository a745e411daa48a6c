using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Ground;

/// <summary>The theory of J. Brinch Hansen, Danish Geotechnical Institute Bulletin 28 (1970).</summary>
internal sealed class BrinchHansen : BearingTheory
{
    public override string Id => "hansen";

    public override string Source => "Brinch Hansen 1970";

    /// <summary>Depth factors, which Vesić took over.</summary>
    public static BearingFactors Depths<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        var k = DepthRatio(ref trace, s);
        var c = trace.Let("dc", 1 + (0.4 * k), Unit.Ratio, $"1 + 0.4·{new Sym("k", k, Unit.Ratio)}");
        if (s.Friction <= 0)
        {
            return new BearingFactors(c, 1, 1);
        }

        var phi = new Sym("φ", s.Friction, Unit.Degrees);
        return new BearingFactors(c,
            trace.Let("dq", 1 + (2 * s.Tan * (1 - s.Sin) * (1 - s.Sin) * k), Unit.Ratio,
                $"1 + 2·tan({phi})·(1 − sin({phi}))^2·{new Sym("k", k, Unit.Ratio)}"), 1);
    }

    // Without friction the factors add to one another.
    protected override double Undrained<T>(ref T trace, in BearingSituation s, in BearingFactors n, in BearingFactors shape,
        in BearingFactors depth, in BearingFactors inclination) =>
        trace.Let("q,ult", (s.Cohesion * n.C * Math.Max(0, 1 + (shape.C - 1) + (depth.C - 1) - (1 - inclination.C))) + s.Overburden,
            Unit.Pressure,
            $"{new Sym("su", s.Cohesion, Unit.Pressure)}·{new Sym("Nc", n.C, Unit.Ratio)}·max(0; {new Sym("sc", shape.C, Unit.Ratio)} + "
                + $"{new Sym("dc", depth.C, Unit.Ratio)} + {new Sym("ic", inclination.C, Unit.Ratio)} − 2) + "
                + $"{new Sym("q", s.Overburden, Unit.Pressure)}",
            Source);

    protected override double SelfWeight<T>(ref T trace, in BearingSituation s, double nq) =>
        trace.Let("Nγ", 1.5 * (nq - 1) * s.Tan, Unit.Ratio,
            $"1.5·({new Sym("Nq", nq, Unit.Ratio)} − 1)·tan({new Sym("φ", s.Friction, Unit.Degrees)})");

    protected override BearingFactors Shape<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        var (b, l) = (new Sym("B'", s.EffectiveBreadth, Unit.Length), new Sym("L'", s.EffectiveLength, Unit.Length));
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("sc", 1 + (0.2 * s.Shape), Unit.Ratio, $"1 + 0.2·{b}/{l}"), 1, 1);
        }

        return new BearingFactors(
            trace.Let("sc", 1 + (s.Shape * n.Q / n.C), Unit.Ratio,
                $"1 + {b}/{l}·{new Sym("Nq", n.Q, Unit.Ratio)}/{new Sym("Nc", n.C, Unit.Ratio)}"),
            trace.Let("sq", 1 + (s.Shape * s.Sin), Unit.Ratio, $"1 + {b}/{l}·sin({new Sym("φ", s.Friction, Unit.Degrees)})"),
            trace.Let("sγ", 1 - (0.4 * s.Shape), Unit.Ratio, $"1 − 0.4·{b}/{l}"));
    }

    protected override BearingFactors DepthFactors<T>(ref T trace, in BearingSituation s, in BearingFactors n) => Depths(ref trace, s);

    protected override BearingFactors Inclination<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        if (s.Horizontal <= 0)
        {
            return new BearingFactors(1, 1, 1);
        }

        var (h, v, a) = (new Sym("H", s.Horizontal, Unit.Force), new Sym("V", s.Vertical, Unit.Force),
            new Sym(s.Friction > 0 ? "A'·c" : "A'·su", s.CohesionForce, Unit.Force));
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("ic", 0.5 + (0.5 * Math.Sqrt(Math.Max(0, 1 - (s.Horizontal / s.CohesionForce)))),
                Unit.Ratio, $"0.5 + 0.5·√(max(0; 1 − {h}/{a}))"), 1, 1);
        }

        var phi = new Sym("φ", s.Friction, Unit.Degrees);
        var total = s.Vertical + (s.CohesionForce / s.Tan);
        var q = trace.Let("iq", Math.Pow(Math.Max(0, 1 - (0.5 * s.Horizontal / total)), 5), Unit.Ratio,
            $"max(0; 1 − 0.5·{h}/({v} + {a}/tan({phi})))^5");
        return new BearingFactors(
            Math.Max(0,
                trace.Let("ic", q - ((1 - q) / (n.Q - 1)), Unit.Ratio,
                    $"{new Sym("iq", q, Unit.Ratio)} − (1 − {new Sym("iq", q, Unit.Ratio)})/({new Sym("Nq", n.Q, Unit.Ratio)} − 1)")),
            q,
            trace.Let("iγ", Math.Pow(Math.Max(0, 1 - (0.7 * s.Horizontal / total)), 5), Unit.Ratio,
                $"max(0; 1 − 0.7·{h}/({v} + {a}/tan({phi})))^5"));
    }
}
