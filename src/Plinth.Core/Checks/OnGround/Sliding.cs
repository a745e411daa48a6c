using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Horizontal load against friction, adhesion and passive pressure.</summary>
internal readonly struct Sliding : ICheckRule<Nothing>
{
    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        // Vertical sum and contact leave the surcharge out: it need not be there.
        var contact = BaseLoadCase.Contact(s, k, false, ref trace);
        var l = s.LoadsWithoutSurcharge(k);
        var g = s.Ground;
        trace.Heading("Sliding");
        var (fx, fy) = (l.Column.Fx, l.Column.Fy);
        var force = trace.Let("F", Math.Sqrt((fx * fx) + (fy * fy)), Unit.Force, $"√({new Sym("Fx", fx, Unit.Force)}^2 + {new Sym("Fy", fy, Unit.Force)}^2)");
        if (force == 0)
        {
            return Outcome.Safety(0, Math.Max(0, l.N) * g.Friction, 0);
        }

        var friction = trace.Let("Rf", g.Friction * Math.Max(0, l.N), Unit.Force, $"{new Sym("μ", g.Friction, Unit.Ratio)}·max(0; {new Sym("ΣN", l.N, Unit.Force)})");
        var adhesion = 0.0;
        if (g.Adhesion > 0 && contact.State != ContactState.NoEquilibrium)
        {
            adhesion = trace.Let("Ra", g.Adhesion * contact.Share * s.Length * s.Width, Unit.Force, $"{new Sym("adhesion", g.Adhesion, Unit.Pressure)}·{new Sym("share", contact.Share, Unit.Ratio)}·{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}");
        }

        var passive = 0.0;
        if (g.PassiveCoefficient > 0)
        {
            var (df, top) = (s.FoundingDepth, Math.Max(0, s.FoundingDepth - s.Thickness));
            var front = trace.Let("front", ((s.Length * Math.Abs(fy)) + (s.Width * Math.Abs(fx))) / force, Unit.Length, $"({new Sym("L", s.Length, Unit.Length)}·|{new Sym("Fy", fy, Unit.Force)}| + {new Sym("B", s.Width, Unit.Length)}·|{new Sym("Fx", fx, Unit.Force)}|)/{new Sym("F", force, Unit.Force)}");
            passive = trace.Let("Rp", g.PassiveCoefficient * g.SoilWeight * ((df * df) - (top * top)) / 2 * front, Unit.Force, $"{new Sym("Kp", g.PassiveCoefficient, Unit.Ratio)}·{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}/2·({new Sym("Df", df, Unit.Length)}^2 − {new Sym("Df−h", top, Unit.Length)}^2)·{new Sym("front", front, Unit.Length)}");
        }

        var resistance = trace.Let("R", friction + adhesion + passive, Unit.Force, $"{new Sym("Rf", friction, Unit.Force)} + {new Sym("Ra", adhesion, Unit.Force)} + {new Sym("Rp", passive, Unit.Force)}");
        return StabilityFactor.Judge(s, s.Combinations[k], s.Rules.Stability.Sliding, force, resistance, Unit.Force, ref trace);
    }
}
