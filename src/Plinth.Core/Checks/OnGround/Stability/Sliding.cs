using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Horizontal load against friction, adhesion and passive pressure.</summary>
internal readonly struct Sliding : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        // Vertical sum and contact leave the surcharge out: it need not be there.
        var contact = BaseLoadCase.Contact(s, k, false, ref trace);
        var l = s.LoadsWithoutSurcharge(k);
        var g = s.Ground;
        trace.Heading("Sliding");
        var (fx, fy) = (l.Fx, l.Fy);
        var force = trace.Let("F", Math.Sqrt((fx * fx) + (fy * fy)), Unit.Force,
            $"√({new Sym("Fx", fx, Unit.Force)}^2 + {new Sym("Fy", fy, Unit.Force)}^2)");
        var factors = g.Design?.Of(s.Combinations[k].State);
        if (force == 0)
        {
            return factors is null ? Outcome.Safety(0, Math.Max(0, l.N) * g.Friction, 0)
                : SlidingResistance.Of(s, k, l, contact, 0, 0, factors, ref trace);
        }

        if (factors is not null)
        {
            var earth = g.PassiveCoefficient > 0 ? Passive(s, k, Front(s, fx, fy, force, ref trace), ref trace) : 0;
            return SlidingResistance.Of(s, k, l, contact, force, earth, factors, ref trace);
        }

        var friction = trace.Let("Rf", g.Friction * Math.Max(0, l.N), Unit.Force,
            $"{new Sym("μ", g.Friction, Unit.Ratio)}·max(0; {new Sym("ΣN", l.N, Unit.Force)})");
        var adhesion = 0.0;
        if (g.Adhesion > 0 && contact.State != ContactState.NoEquilibrium)
        {
            adhesion = s.Parts.Length > 0
                ? trace.Let("Ra", g.Adhesion * contact.Share * s.Area, Unit.Force,
                    $"{new Sym("adhesion", g.Adhesion, Unit.Pressure)}·{new Sym("share", contact.Share, Unit.Ratio)}·"
                        + $"{new Sym("A", s.Area, Unit.Area)}")
                : trace.Let("Ra", g.Adhesion * contact.Share * s.Length * s.Width, Unit.Force,
                    $"{new Sym("adhesion", g.Adhesion, Unit.Pressure)}·{new Sym("share", contact.Share, Unit.Ratio)}·"
                        + $"{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}");
        }

        var passive = 0.0;
        if (g.PassiveCoefficient > 0)
        {
            passive = Passive(s, k, Front(s, fx, fy, force, ref trace), ref trace);
        }

        var resistance = trace.Let("R", friction + adhesion + passive, Unit.Force,
            $"{new Sym("Rf", friction, Unit.Force)} + {new Sym("Ra", adhesion, Unit.Force)} + {new Sym("Rp", passive, Unit.Force)}");
        return StabilityFactor.Judge(s, s.Combinations[k], s.Rules.Stability.Sliding, force, resistance, Unit.Force, ref trace);
    }

    private static double Front<T>(GroundBody s, double fx, double fy, double force, ref T trace)
        where T : struct, ITrace => s.IsRectangle
            ? trace.Let("front", ((s.Length * Math.Abs(fy)) + (s.Width * Math.Abs(fx))) / force, Unit.Length,
                $"({new Sym("L", s.Length, Unit.Length)}·|{new Sym("Fy", fy, Unit.Force)}| + {new Sym("B", s.Width, Unit.Length)}·"
                    + $"|{new Sym("Fx", fx, Unit.Force)}|)/{new Sym("F", force, Unit.Force)}")
            : trace.Given("front", s.Front(fx / force, fy / force), Unit.Length, s.Parts.Length > 0
                ? "length of both bases' projection across the force, what lies behind the other once"
                : "length of the outline's projection across the force");

    // Kp times the effective overburden over the height of the base, less the depth that is not relied on.
    private static double Passive<T>(GroundBody s, int k, double front, ref T trace)
        where T : struct, ITrace
    {
        var (g, ground, df) = (s.Ground, s.GroundColumn(k), s.FoundingDepth);
        var top = Math.Min(df, Math.Max(g.PassiveIgnoredDepth, Math.Max(0, df - s.Thickness)));
        var stress = ground.EffectiveStressOver(top, df);
        var (from, to, width) = (new Sym(g.PassiveIgnoredDepth > df - s.Thickness ? "d,ignored" : "Df−h", top, Unit.Length),
            new Sym("Df", df, Unit.Length), new Sym("front", front, Unit.Length));
        if (!ground.IsWet || ground.Water >= df)
        {
            return trace.Let("Rp", g.PassiveCoefficient * stress * front, Unit.Force,
                $"{new Sym("Kp", g.PassiveCoefficient, Unit.Ratio)}·{new Sym("γs", ground.Moist, Unit.UnitWeight)}/2·({to}^2 − "
                    + $"{from}^2)·{width}");
        }

        // In two parts, above the water and below it.
        var (dry, buoyant) = (Math.Max(0, ground.Water), ground.Saturated - ground.WaterWeight);
        var level = Math.Max(top, dry);
        var above = trace.Let("S,moist", ground.EffectiveStressOver(top, level), Unit.LineLoad,
            $"{new Sym("γs", ground.Moist, Unit.UnitWeight)}/2·({new Sym("d1", level, Unit.Length)}^2 − {from}^2)");
        var at = trace.Let("σ'1", ground.EffectiveStress(level), Unit.Pressure,
            $"{new Sym("γs", ground.Moist, Unit.UnitWeight)}·{new Sym("dw", dry, Unit.Length)} + {new Sym("γ'", buoyant, Unit.UnitWeight)}·"
                + $"({new Sym("d1", level, Unit.Length)} − {new Sym("dw", dry, Unit.Length)})");
        var below = trace.Let("S,wet", stress - above, Unit.LineLoad,
            $"{new Sym("σ'1", at, Unit.Pressure)}·({to} − {new Sym("d1", level, Unit.Length)}) + {new Sym("γ'", buoyant, Unit.UnitWeight)}/"
                + $"2·({to} − {new Sym("d1", level, Unit.Length)})^2");
        return trace.Let("Rp", g.PassiveCoefficient * stress * front, Unit.Force,
            $"{new Sym("Kp", g.PassiveCoefficient, Unit.Ratio)}·({new Sym("S,moist", above, Unit.LineLoad)} + "
                + $"{new Sym("S,wet", below, Unit.LineLoad)})·{width}");
    }
}
