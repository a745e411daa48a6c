using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Ground;

/// <summary>The theory of A. S. Vesić, J. Soil Mech. Found. Div. ASCE 99 (1973) 45–73; depth factors of J. Brinch Hansen (1970).</summary>
internal sealed class Vesic : BearingTheory
{
    public override string Id => "vesic";

    public override string Source => "Vesić 1973";

    protected override double SelfWeight<T>(ref T trace, in BearingSituation s, double nq) =>
        trace.Let("Nγ", 2 * (nq + 1) * s.Tan, Unit.Ratio,
            $"2·({new Sym("Nq", nq, Unit.Ratio)} + 1)·tan({new Sym("φ", s.Friction, Unit.Degrees)})");

    protected override BearingFactors Shape<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        var (b, l) = (new Sym("B'", s.EffectiveBreadth, Unit.Length), new Sym("L'", s.EffectiveLength, Unit.Length));
        var c = trace.Let("sc", 1 + (s.Shape * n.Q / n.C), Unit.Ratio,
            $"1 + {b}/{l}·{new Sym("Nq", n.Q, Unit.Ratio)}/{new Sym("Nc", n.C, Unit.Ratio)}");
        return s.Friction <= 0
            ? new BearingFactors(c, 1, 1)
            : new BearingFactors(
                c,
                trace.Let("sq", 1 + (s.Shape * s.Tan), Unit.Ratio, $"1 + {b}/{l}·tan({new Sym("φ", s.Friction, Unit.Degrees)})"),
                trace.Let("sγ", 1 - (0.4 * s.Shape), Unit.Ratio, $"1 − 0.4·{b}/{l}"));
    }

    protected override BearingFactors DepthFactors<T>(ref T trace, in BearingSituation s, in BearingFactors n) =>
        BrinchHansen.Depths(ref trace, s);

    protected override BearingFactors Inclination<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        if (s.Horizontal <= 0)
        {
            return new BearingFactors(1, 1, 1);
        }

        var m = LoadedWay(ref trace, s);
        var (h, v) = (new Sym("H", s.Horizontal, Unit.Force), new Sym("V", s.Vertical, Unit.Force));
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("ic", Math.Max(0, 1 - (m * s.Horizontal / (s.CohesionForce * n.C))), Unit.Ratio,
                $"max(0; 1 − {new Sym("m", m, Unit.Ratio)}·{h}/({new Sym("A'·su", s.CohesionForce, Unit.Force)}·"
                    + $"{new Sym("Nc", n.C, Unit.Ratio)}))"),
                1, 1);
        }

        var rest = trace.Let("r", Math.Max(0, 1 - (s.Horizontal / (s.Vertical + (s.CohesionForce / s.Tan)))), Unit.Ratio,
            $"max(0; 1 − {h}/({v} + {new Sym("A'·c", s.CohesionForce, Unit.Force)}/tan({new Sym("φ", s.Friction, Unit.Degrees)})))");
        var r = new Sym("r", rest, Unit.Ratio);
        var q = trace.Let("iq", Math.Pow(rest, m), Unit.Ratio, $"{r}^{new Sym("m", m, Unit.Ratio)}");
        return new BearingFactors(
            Math.Max(0,
                trace.Let("ic", q - ((1 - q) / (n.Q - 1)), Unit.Ratio,
                    $"{new Sym("iq", q, Unit.Ratio)} − (1 − {new Sym("iq", q, Unit.Ratio)})/({new Sym("Nq", n.Q, Unit.Ratio)} − 1)")),
            q,
            trace.Let("iγ", Math.Pow(rest, m + 1), Unit.Ratio, $"{r}^({new Sym("m", m, Unit.Ratio)} + 1)"));
    }
}
