using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Hd ≤ Rd + Rp;d, EN 1997-1 6.5.3: drained by δd, cohesion left out (6.5.3(10)), and undrained by the area in compression (6.5.3(11),
/// (12)), as far as their strengths are stated: the lesser holds.
/// </summary>
internal static class SlidingResistance
{
    // Of the angle φcv;d along a smooth face (6.5.3(10)).
    private const double Smooth = 2.0 / 3;

    /// <summary>The horizontal load against what resists it.</summary>
    /// <param name="s">The body.</param>
    /// <param name="k">The combination.</param>
    /// <param name="l">What presses on it, surcharge left out.</param>
    /// <param name="contact">How it bears then.</param>
    /// <param name="force">The horizontal load, kN.</param>
    /// <param name="passive">Characteristic resistance of the earth before it, kN.</param>
    /// <param name="f">The partial factors.</param>
    /// <param name="trace">Receives the steps.</param>
    public static Outcome Of<T>(GroundBody s, int k, in BaseLoads l, in ContactSolution contact, double force, double passive,
        GroundFactors f, ref T trace)
        where T : struct, ITrace
    {
        var g = s.Ground;
        trace.Heading($"Resistance to sliding, {f.Sets}");
        var (resistance, name) = (double.PositiveInfinity, "");
        if (!double.IsNaN(g.Friction) || g.CriticalAngle is not null)
        {
            (resistance, name) = (Drained(g, l, f, ref trace), "R'd");
        }

        if (g.Capacity?.Undrained is { } strength)
        {
            var undrained = Undrained(s, k, l, contact, strength, f, ref trace);
            (resistance, name) = double.IsInfinity(resistance) ? (undrained, "Ru;d")
                : (trace.Let("Rd", Math.Min(resistance, undrained), Unit.Force,
                    $"min({new Sym("R'd", resistance, Unit.Force)}; {new Sym("Ru;d", undrained, Unit.Force)})"), "Rd");
        }

        if (name.Length == 0)
        {
            // No ground is read without either; nothing stated holds nothing.
            (resistance, name) = (trace.Given("Rd", 0, Unit.Force, "no strength along the base is stated"), "Rd");
        }

        if (passive > 0)
        {
            var earth = trace.Let("Rp;d", passive / (f.Friction * f.Earth), Unit.Force,
                $"{new Sym("Rp", passive, Unit.Force)}/({new Sym("γφ'", f.Friction, Unit.Ratio)}·{new Sym("γR;e", f.Earth, Unit.Ratio)})");
            (resistance, name) = (trace.Let("ΣRd", resistance + earth, Unit.Force,
                $"{new Sym(name, resistance, Unit.Force)} + {new Sym("Rp;d", earth, Unit.Force)}"), "ΣRd");
        }

        if (resistance > 0)
        {
            trace.Let("utilisation", force / resistance, Unit.Ratio,
                $"{new Sym("F", force, Unit.Force)}/{new Sym(name, resistance, Unit.Force)}");
        }

        return Outcome.Ratio(force, resistance);
    }

    /// <summary>tan δd/γR;h of a base on drained ground; NaN where nothing of it is stated.</summary>
    public static double Coefficient(GroundRules g, GroundFactors f)
    {
        var none = default(NoTrace);
        return double.IsNaN(g.Friction) && g.CriticalAngle is null ? double.NaN
            : Drained(g, new BaseLoads(1, 0, 0, 0, 0), f, ref none);
    }

    private static double Drained<T>(GroundRules g, in BaseLoads l, GroundFactors f, ref T trace)
        where T : struct, ITrace
    {
        var factor = new Sym("γφ'", f.Friction, Unit.Ratio);
        double tangent;
        if (!double.IsNaN(g.Friction))
        {
            tangent = trace.Let("tan δd", g.Friction / f.Friction, Unit.Ratio,
                $"{new Sym("tan δk", trace.Given("tan δk", g.Friction, Unit.Ratio, "stated, characteristic"), Unit.Ratio)}/{factor}");
        }
        else
        {
            var angle = trace.Let("φcv;d", LimitStateDesign.DesignAngle(g.CriticalAngle!.Value, f.Friction), Unit.Degrees,
                $"arctan(tan({new Sym("φcv", g.CriticalAngle.Value, Unit.Degrees)})/{factor})·180/π");
            var critical = new Sym("φcv;d", angle, Unit.Degrees);
            tangent = g.SmoothFace
                ? trace.Let("tan δd", Math.Tan(Smooth * angle * Math.PI / 180), Unit.Ratio, $"tan(2/3·{critical})", "EN 1997-1 6.5.3(10)")
                : trace.Let("tan δd", Math.Tan(angle * Math.PI / 180), Unit.Ratio, $"tan({critical})", "EN 1997-1 6.5.3(10)");
        }

        return trace.Let("R'd", Math.Max(0, l.N) * tangent / f.Sliding, Unit.Force,
            $"max(0; {new Sym("V'd", l.N, Unit.Force)})·{new Sym("tan δd", tangent, Unit.Ratio)}/{new Sym("γR;h", f.Sliding, Unit.Ratio)}",
            "EN 1997-1 eq. 6.3");
    }

    private static double Undrained<T>(GroundBody s, int k, in BaseLoads l, in ContactSolution contact, double strength, GroundFactors f,
        ref T trace)
        where T : struct, ITrace
    {
        var area = contact.State == ContactState.NoEquilibrium ? 0 : contact.Share * s.Area;
        var (ac, cu) = (new Sym("Ac", trace.Given("Ac", area, Unit.Area, "in compression"), Unit.Area),
            new Sym("cu;d", trace.Let("cu;d", strength / f.Undrained, Unit.Pressure,
                $"{new Sym("cu;k", strength, Unit.Pressure)}/{new Sym("γcu", f.Undrained, Unit.Ratio)}"), Unit.Pressure));
        var undrained = trace.Let("Ru;d", area * cu.Value / f.Sliding, Unit.Force, $"{ac}·{cu}/{new Sym("γR;h", f.Sliding, Unit.Ratio)}",
            "EN 1997-1 eq. 6.4");
        if (s.Ground.Sealed)
        {
            return undrained;
        }

        var limit = new Sym("limit", s.Ground.Design!.Annex["sliding-limit"], Unit.Ratio);
        var push = s.GroundLoad(k).WaterPressure * s.Area;
        return trace.Let("Ru;d", Math.Max(0, Math.Min(undrained, limit.Value * (l.N + push))), Unit.Force,
            $"max(0; min({new Sym("Ru;d", undrained, Unit.Force)}; {limit}·({new Sym("ΣN", l.N, Unit.Force)} + "
                + $"{new Sym("U", push, Unit.Force)})))", "EN 1997-1 eq. 6.5");
    }
}
