using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Ground;

/// <summary>A base as a theory of bearing capacity sees it. Lengths in m, stresses in kPa, forces in kN, angles in degrees.</summary>
/// <param name="Friction">φ; 0 for an undrained analysis.</param>
/// <param name="Cohesion">c, or su.</param>
/// <param name="Overburden">q at the underside: effective, or total in an undrained analysis.</param>
/// <param name="UnitWeight">γ of the soil below the underside that counts.</param>
/// <param name="Depth">Founding depth.</param>
/// <param name="Breadth">B, the lesser side of the whole base.</param>
/// <param name="EffectiveBreadth">B', the lesser side of the effective area.</param>
/// <param name="EffectiveLength">L', its longer side.</param>
/// <param name="Vertical">V.</param>
/// <param name="Horizontal">H.</param>
/// <param name="AlongLength">Share of H² that acts along L', cos² of its angle.</param>
public readonly record struct BearingSituation(double Friction, double Cohesion, double Overburden, double UnitWeight, double Depth,
    double Breadth, double EffectiveBreadth, double EffectiveLength, double Vertical, double Horizontal, double AlongLength)
{
    /// <summary>tan φ.</summary>
    public double Tan => Math.Tan(Friction * Math.PI / 180);

    /// <summary>sin φ.</summary>
    public double Sin => Math.Sin(Friction * Math.PI / 180);

    /// <summary>B'/L'.</summary>
    public double Shape => EffectiveBreadth / EffectiveLength;

    /// <summary>c·A', the cohesion over the effective area, kN.</summary>
    public double CohesionForce => Cohesion * EffectiveBreadth * EffectiveLength;
}

/// <summary>The three factors of a kind: of cohesion, overburden and self-weight.</summary>
/// <param name="C">Of the term of cohesion.</param>
/// <param name="Q">Of the term of overburden.</param>
/// <param name="G">Of the term of self-weight.</param>
public readonly record struct BearingFactors(double C, double Q, double G);

/// <summary>
/// A theory of bearing capacity: q_ult = c·Nc·sc·dc·ic + q·Nq·sq·dq·iq + γ/2·B'·Nγ·sγ·dγ·iγ on the effective area (G. G. Meyerhof, Proc.
/// 3rd ICSMFE, 1953).
/// </summary>
public abstract class BearingTheory
{
    /// <summary>Its key in plinth.toml.</summary>
    public abstract string Id { get; }

    /// <summary>Author, place and year.</summary>
    public abstract string Source { get; }

    /// <summary>The theories known.</summary>
    public static IReadOnlyList<BearingTheory> All { get; } = [new Vesic(), new BrinchHansen(), new Meyerhof(), new AnnexD()];

    /// <summary>The theory with a key, or null.</summary>
    public static BearingTheory? Find(string id) => All.FirstOrDefault(t => string.Equals(t.Id, id, StringComparison.Ordinal));

    /// <summary>Ultimate pressure on the effective area, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="s">The base.</param>
    public virtual double Ultimate<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        var (c, q, b) = (new Sym("c", s.Cohesion, Unit.Pressure), new Sym("q", s.Overburden, Unit.Pressure),
            new Sym("B'", s.EffectiveBreadth, Unit.Length));
        var n = Capacity(ref trace, s);
        var sh = Shape(ref trace, s, n);
        var d = DepthFactors(ref trace, s, n);
        var i = Inclination(ref trace, s, n);
        if (s.Friction <= 0)
        {
            return Undrained(ref trace, s, n, sh, d, i);
        }

        return trace.Let(
            "q,ult",
            (s.Cohesion * n.C * sh.C * d.C * i.C) + (s.Overburden * n.Q * sh.Q * d.Q * i.Q)
                + (s.UnitWeight / 2 * s.EffectiveBreadth * n.G * sh.G * d.G * i.G),
            Unit.Pressure,
            $"{c}·{new Sym("Nc", n.C, Unit.Ratio)}·{new Sym("sc", sh.C, Unit.Ratio)}·{new Sym("dc", d.C, Unit.Ratio)}·"
                + $"{new Sym("ic", i.C, Unit.Ratio)} + {q}·{new Sym("Nq", n.Q, Unit.Ratio)}·{new Sym("sq", sh.Q, Unit.Ratio)}·"
                + $"{new Sym("dq", d.Q, Unit.Ratio)}·{new Sym("iq", i.Q, Unit.Ratio)} + {new Sym("γ", s.UnitWeight, Unit.UnitWeight)}/2·"
                + $"{b}·{new Sym("Nγ", n.G, Unit.Ratio)}·{new Sym("sγ", sh.G, Unit.Ratio)}·{new Sym("dγ", d.G, Unit.Ratio)}·"
                + $"{new Sym("iγ", i.G, Unit.Ratio)}",
            Source);
    }

    /// <summary>Ultimate pressure where φ is zero, kPa.</summary>
    protected virtual double Undrained<T>(ref T trace, in BearingSituation s, in BearingFactors n, in BearingFactors shape,
        in BearingFactors depth, in BearingFactors inclination)
        where T : struct, ITrace =>
        trace.Let("q,ult", (s.Cohesion * n.C * shape.C * depth.C * inclination.C) + s.Overburden, Unit.Pressure,
            $"{new Sym("su", s.Cohesion, Unit.Pressure)}·{new Sym("Nc", n.C, Unit.Ratio)}·{new Sym("sc", shape.C, Unit.Ratio)}·"
                + $"{new Sym("dc", depth.C, Unit.Ratio)}·{new Sym("ic", inclination.C, Unit.Ratio)} + "
                + $"{new Sym("q", s.Overburden, Unit.Pressure)}",
            Source);

    /// <summary>Nγ.</summary>
    protected abstract double SelfWeight<T>(ref T trace, in BearingSituation s, double nq)
        where T : struct, ITrace;

    /// <summary>Factors of shape.</summary>
    protected abstract BearingFactors Shape<T>(ref T trace, in BearingSituation s, in BearingFactors n)
        where T : struct, ITrace;

    /// <summary>Factors of depth.</summary>
    protected abstract BearingFactors DepthFactors<T>(ref T trace, in BearingSituation s, in BearingFactors n)
        where T : struct, ITrace;

    /// <summary>Factors of the inclination of the load.</summary>
    protected abstract BearingFactors Inclination<T>(ref T trace, in BearingSituation s, in BearingFactors n)
        where T : struct, ITrace;

    // Nq of Reissner (1924) and Nc of Prandtl (1921), which all theories share.
    /// <summary>Nc, Nq and Nγ.</summary>
    protected BearingFactors Capacity<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        if (s.Friction <= 0)
        {
            return new BearingFactors(trace.Let("Nc", Math.PI + 2, Unit.Ratio, $"π + 2"), 1, 0);
        }

        var phi = new Sym("φ", s.Friction, Unit.Degrees);
        var half = Math.Tan((45 + (s.Friction / 2)) * Math.PI / 180);
        var nq = trace.Let("Nq", Math.Exp(Math.PI * s.Tan) * half * half, Unit.Ratio, $"exp(π·tan({phi}))·tan(45 + {phi}/2)^2");
        var nc = trace.Let("Nc", (nq - 1) / s.Tan, Unit.Ratio, $"({new Sym("Nq", nq, Unit.Ratio)} − 1)/tan({phi})");
        return new BearingFactors(nc, nq, SelfWeight(ref trace, s, nq));
    }

    /// <summary>m by the direction of H: of one along B' and one along L', by the squares of its parts (A. S. Vesić 1973).</summary>
    protected static double LoadedWay<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        var (b, l) = (new Sym("B'", s.EffectiveBreadth, Unit.Length), new Sym("L'", s.EffectiveLength, Unit.Length));
        var (along, across) = ((2 + (1 / s.Shape)) / (1 + (1 / s.Shape)), (2 + s.Shape) / (1 + s.Shape));
        var share = new Sym("cos²θ", s.AlongLength, Unit.Ratio);
        return trace.Let("m", (along * s.AlongLength) + (across * (1 - s.AlongLength)), Unit.Ratio,
            $"(2 + {l}/{b})/(1 + {l}/{b})·{share} + (2 + {b}/{l})/(1 + {b}/{l})·(1 − {share})");
    }

    /// <summary>k: depth over breadth, above one its arc tangent.</summary>
    protected static double DepthRatio<T>(ref T trace, in BearingSituation s)
        where T : struct, ITrace
    {
        var ratio = s.Depth / s.Breadth;
        var (d, b) = (new Sym("Df", s.Depth, Unit.Length), new Sym("B", s.Breadth, Unit.Length));
        return ratio <= 1
            ? trace.Let("k", ratio, Unit.Ratio, $"{d}/{b}")
            : trace.Let("k", Math.Atan(ratio), Unit.Ratio, $"arctan({d}/{b})");
    }
}
