using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Ground;

/// <summary>
/// The sample method of EN 1997-1 Annex D, with a base that lies level: no factors of depth, none of the base's slope. Nγ is that of a
/// rough base, δ ≥ φ'/2.
/// </summary>
internal sealed class AnnexD : BearingTheory
{
    public override string Id => "annex-d";

    public override string Source => "EN 1997-1 D.4";

    public override double Ultimate<T>(ref T trace, in BearingSituation s)
    {
        var n = Capacity(ref trace, s);
        var sh = Shape(ref trace, s, n);
        var (c, q) = (new Sym(s.Friction > 0 ? "c'd" : "cu;d", s.Cohesion, Unit.Pressure), new Sym("q", s.Overburden, Unit.Pressure));
        if (s.Friction <= 0)
        {
            // eq. D.4 holds up to H = A'·cu; beyond it nothing does.
            var i = s.Horizontal > s.CohesionForce ? 0 : Inclination(ref trace, s, n).C;
            return s.Horizontal > s.CohesionForce
                ? trace.Given("R/A'", 0, Unit.Pressure, "H exceeds A'·cu;d: no resistance", "EN 1997-1 D.3")
                : trace.Let("R/A'", (n.C * s.Cohesion * sh.C * i) + s.Overburden, Unit.Pressure,
                    $"{new Sym("Nc", n.C, Unit.Ratio)}·{c}·{new Sym("sc", sh.C, Unit.Ratio)}·{new Sym("ic", i, Unit.Ratio)} + {q}",
                    "EN 1997-1 D.3");
        }

        var inclined = Inclination(ref trace, s, n);
        return trace.Let("R/A'",
            (s.Cohesion * n.C * sh.C * inclined.C) + (s.Overburden * n.Q * sh.Q * inclined.Q)
                + (s.UnitWeight / 2 * s.EffectiveBreadth * n.G * sh.G * inclined.G),
            Unit.Pressure,
            $"{c}·{new Sym("Nc", n.C, Unit.Ratio)}·{new Sym("sc", sh.C, Unit.Ratio)}·{new Sym("ic", inclined.C, Unit.Ratio)} + "
                + $"{q}·{new Sym("Nq", n.Q, Unit.Ratio)}·{new Sym("sq", sh.Q, Unit.Ratio)}·{new Sym("iq", inclined.Q, Unit.Ratio)} + "
                + $"{new Sym("γ", s.UnitWeight, Unit.UnitWeight)}/2·{new Sym("B'", s.EffectiveBreadth, Unit.Length)}·"
                + $"{new Sym("Nγ", n.G, Unit.Ratio)}·{new Sym("sγ", sh.G, Unit.Ratio)}·{new Sym("iγ", inclined.G, Unit.Ratio)}",
            Source);
    }

    protected override double SelfWeight<T>(ref T trace, in BearingSituation s, double nq) =>
        trace.Let("Nγ", 2 * (nq - 1) * s.Tan, Unit.Ratio,
            $"2·({new Sym("Nq", nq, Unit.Ratio)} − 1)·tan({new Sym("φ", s.Friction, Unit.Degrees)})");

    protected override BearingFactors Shape<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        var (b, l) = (new Sym("B'", s.EffectiveBreadth, Unit.Length), new Sym("L'", s.EffectiveLength, Unit.Length));
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("sc", 1 + (0.2 * s.Shape), Unit.Ratio, $"1 + 0.2·{b}/{l}"), 1, 1);
        }

        var q = trace.Let("sq", 1 + (s.Shape * s.Sin), Unit.Ratio, $"1 + {b}/{l}·sin({new Sym("φ", s.Friction, Unit.Degrees)})");
        return new BearingFactors(
            trace.Let("sc", ((q * n.Q) - 1) / (n.Q - 1), Unit.Ratio,
                $"({new Sym("sq", q, Unit.Ratio)}·{new Sym("Nq", n.Q, Unit.Ratio)} − 1)/({new Sym("Nq", n.Q, Unit.Ratio)} − 1)"),
            q,
            trace.Let("sγ", 1 - (0.3 * s.Shape), Unit.Ratio, $"1 − 0.3·{b}/{l}"));
    }

    protected override BearingFactors DepthFactors<T>(ref T trace, in BearingSituation s, in BearingFactors n) => new(1, 1, 1);

    protected override BearingFactors Inclination<T>(ref T trace, in BearingSituation s, in BearingFactors n)
    {
        if (s.Horizontal <= 0)
        {
            return new BearingFactors(
                trace.Given("ic", 1, Unit.Ratio, "no horizontal load"), s.Friction > 0 ? trace.Given("iq", 1, Unit.Ratio, "the same") : 1,
                s.Friction > 0 ? trace.Given("iγ", 1, Unit.Ratio, "the same") : 1);
        }

        var (h, a) = (new Sym("H", s.Horizontal, Unit.Force),
            new Sym(s.Friction > 0 ? "A'·c'd" : "A'·cu;d", trace.Given(s.Friction > 0 ? "A'·c'd" : "A'·cu;d", s.CohesionForce, Unit.Force,
                "of the effective area"), Unit.Force));
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("ic", (1 + Math.Sqrt(Math.Max(0, 1 - (s.Horizontal / s.CohesionForce)))) / 2,
                Unit.Ratio, $"(1 + √(1 − {h}/{a}))/2"), 1, 1);
        }

        var m = LoadedWay(ref trace, s);
        var (phi, v) = (new Sym("φ", s.Friction, Unit.Degrees), new Sym("V", s.Vertical, Unit.Force));
        var rest = trace.Let("r", Math.Max(0, 1 - (s.Horizontal / (s.Vertical + (s.CohesionForce / s.Tan)))), Unit.Ratio,
            $"max(0; 1 − {h}/({v} + {a}/tan({phi})))");
        var (r, by) = (new Sym("r", rest, Unit.Ratio), new Sym("m", m, Unit.Ratio));
        var q = trace.Let("iq", Math.Pow(rest, m), Unit.Ratio, $"{r}^{by}");
        return new BearingFactors(
            trace.Let("ic", Math.Max(0, q - ((1 - q) / (n.C * s.Tan))), Unit.Ratio,
                $"max(0; {new Sym("iq", q, Unit.Ratio)} − (1 − {new Sym("iq", q, Unit.Ratio)})/({new Sym("Nc", n.C, Unit.Ratio)}·"
                    + $"tan({phi})))"),
            q,
            trace.Let("iγ", Math.Pow(rest, m + 1), Unit.Ratio, $"{r}^({by} + 1)"));
    }
}
