using Plinth.Core.Bodies;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Vd ≤ Rd on the effective area, EN 1997-1 6.5.2 by the method of Annex D: drained with the effective load V' = ΣN, what the water pushes
/// up deducted, undrained with the whole of it. Told as pressures, V/A' and R/(A'·γR;v), whose ratio is that of the forces.
/// </summary>
internal static class BearingResistance
{
    private const string Clause = "EN 1997-1 6.5.2, Annex D";

    /// <summary>The higher use of the drained and the undrained resistance, as far as their strengths are stated.</summary>
    public static Outcome Of<T>(GroundBody s, int k, BearingCapacity soil, GroundFactors f, ref T trace)
        where T : struct, ITrace
    {
        var outcome = Outcome.NotDone;
        if (soil.FrictionAngle is { } friction)
        {
            trace.Heading($"Bearing resistance, drained, {f.Sets}");
            var (phi, factor) = (new Sym("φ'k", trace.Given("φ'k", friction, Unit.Degrees, "characteristic"), Unit.Degrees),
                new Sym("γφ'", f.Friction, Unit.Ratio));
            var design = trace.Let("φ", LimitStateDesign.DesignAngle(friction, f.Friction), Unit.Degrees,
                $"arctan(tan({phi})/{factor})·180/π");
            var cohesion = trace.Let("c'd", soil.Cohesion / f.Cohesion, Unit.Pressure,
                $"{new Sym("c'k", soil.Cohesion, Unit.Pressure)}/{new Sym("γc'", f.Cohesion, Unit.Ratio)}");
            outcome = Bearing.Higher(outcome, Against(s, k, soil, f, design, cohesion, ref trace));
        }

        if (soil.Undrained is { } strength)
        {
            trace.Heading($"Bearing resistance, undrained, {f.Sets}");
            var design = trace.Let("cu;d", strength / f.Undrained, Unit.Pressure,
                $"{new Sym("cu;k", strength, Unit.Pressure)}/{new Sym("γcu", f.Undrained, Unit.Ratio)}");
            outcome = Bearing.Higher(outcome, Against(s, k, soil, f, 0, design, ref trace));
        }

        return outcome;
    }

    private static Outcome Against<T>(GroundBody s, int k, BearingCapacity soil, GroundFactors f, double friction, double cohesion,
        ref T trace)
        where T : struct, ITrace
    {
        var l = s.Loads(k);
        var (ground, drained, df) = (s.GroundColumn(k), friction > 0, s.FoundingDepth);
        if (!drained)
        {
            var push = s.GroundLoad(k).WaterPressure * s.Area;
            l = l with
            {
                N = trace.Let("V", l.N + push, Unit.Force, $"{new Sym("ΣN", l.N, Unit.Force)} + {new Sym("U", push, Unit.Force)}"),
            };
            trace.Let("xR", l.XR, Unit.Length, $"{new Sym("ΣMy", l.My, Unit.Moment)}/{new Sym("V", l.N, Unit.Force)}");
            trace.Let("yR", l.YR, Unit.Length, $"−{new Sym("ΣMx", l.Mx, Unit.Moment)}/{new Sym("V", l.N, Unit.Force)}");
        }
        else
        {
            trace.Given("V", l.N, Unit.Force, "ΣN, the water's push deducted");
        }

        var (lx, ly) = Bearing.Sides(s, l, ref trace);
        var (breadth, length) = (Math.Min(lx, ly), Math.Max(lx, ly));
        trace.Given("B'", breadth, Unit.Length, "the lesser");
        trace.Given("L'", length, Unit.Length, "the greater");
        var q = drained
            ? trace.Given("q", ground.EffectiveStress(df), Unit.Pressure, "effective overburden at the underside, without surcharge")
            : trace.Given("q", ground.Weight(0, df), Unit.Pressure, "total overburden at the underside, without surcharge");
        var weight = drained ? Bearing.Below(s, ground, breadth, ref trace) : 0;
        var horizontal = trace.Let("H", Math.Sqrt((l.Fx * l.Fx) + (l.Fy * l.Fy)), Unit.Force,
            $"√({new Sym("Fx", l.Fx, Unit.Force)}^2 + {new Sym("Fy", l.Fy, Unit.Force)}^2)");
        var ofLength = lx >= ly ? l.Fx : l.Fy;
        var along = horizontal > 0
            ? trace.Let("cos²θ", ofLength * ofLength / (horizontal * horizontal), Unit.Ratio,
                $"({new Sym("H along L'", ofLength, Unit.Force)}/{new Sym("H", horizontal, Unit.Force)})^2")
            : 0;
        var ultimate = soil.Theory.Ultimate(ref trace,
            new BearingSituation(friction, cohesion, q, weight, df, Math.Min(s.Length, s.Width), breadth, length, l.N, horizontal, along));
        var pressure = s.Bed is null
            ? trace.Let("p", l.N / (breadth * length), Unit.Pressure,
                $"{new Sym("V", l.N, Unit.Force)}/({new Sym("B'", breadth, Unit.Length)}·{new Sym("L'", length, Unit.Length)})")
            : trace.Given("p", s.MostPressure(k) + (drained ? 0 : s.GroundLoad(k).WaterPressure), Unit.Pressure,
                "the greatest under the base, at an edge" + (drained ? "" : ", the water's included"));
        var allowed = trace.Let("Rd/A'", ultimate / f.Bearing, Unit.Pressure,
            $"{new Sym("R/A'", ultimate, Unit.Pressure)}/{new Sym("γR;v", f.Bearing, Unit.Ratio)}", Clause);
        return Bearing.Compare(s, s.Ground, k, pressure, allowed, "Rd/A'", ref trace);
    }
}
