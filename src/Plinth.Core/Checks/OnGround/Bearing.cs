using Plinth.Core.Contact;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Pressure on the ground against the bearing value.</summary>
internal readonly struct Bearing : ICheckRule<Nothing>
{
    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var contact = BaseLoadCase.Contact(s, k, true, ref trace);
        if (contact.State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var g = s.Ground;
        ref readonly var l = ref s.Loads(k);
        trace.Heading("Bearing");
        double pressure;
        if (g.Method == BearingMethod.ReducedArea)
        {
            pressure = trace.Let("p", l.N / ((s.Length - (2 * Math.Abs(l.XR))) * (s.Width - (2 * Math.Abs(l.YR)))), Unit.Pressure, $"{new Sym("ΣN", l.N, Unit.Force)}/(({new Sym("L", s.Length, Unit.Length)} − 2·|{new Sym("xR", l.XR, Unit.Length)}|)·({new Sym("B", s.Width, Unit.Length)} − 2·|{new Sym("yR", l.YR, Unit.Length)}|))");
        }
        else
        {
            var p = contact.Pressure;
            var (b, c) = (Math.Abs(p.B) * s.Length / 2, Math.Abs(p.C) * s.Width / 2);
            pressure = trace.Let("p", p.Peak, Unit.Pressure, $"{new Sym("a", p.A, Unit.Pressure)} + |{new Sym("b·L/2", b, Unit.Pressure)}| + |{new Sym("c·B/2", c, Unit.Pressure)}|");
        }

        if (g.Basis == BearingBasis.Net)
        {
            var overburden = trace.Let("p0", g.SoilWeight * s.FoundingDepth, Unit.Pressure, $"{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}·{new Sym("Df", s.FoundingDepth, Unit.Length)}");
            pressure = trace.Let("pnet", Math.Max(0, pressure - overburden), Unit.Pressure, $"max(0; {new Sym("p", pressure, Unit.Pressure)} − {new Sym("p0", overburden, Unit.Pressure)})");
        }

        var transient = s.Combinations[k].Transient && g.TransientIncrease != 1;
        var allowed = trace.Given("q", g.Bearing, Unit.Pressure, g.Basis == BearingBasis.Net ? "allowable, net" : "allowable, gross");
        if (transient)
        {
            allowed = trace.Let("q,t", g.Bearing * g.TransientIncrease, Unit.Pressure, $"{new Sym("q", g.Bearing, Unit.Pressure)}·{new Sym("increase", g.TransientIncrease, Unit.Ratio)}");
        }

        trace.Let("utilisation", pressure / allowed, Unit.Ratio, $"{new Sym("p", pressure, Unit.Pressure)}/{new Sym("q", allowed, Unit.Pressure)}");
        if (T.Notes && contact.State == ContactState.Partial)
        {
            trace.Note(System.FormattableString.Invariant($"{contact.Share * 100:0} % of the base in contact"));
        }

        return Outcome.Ratio(pressure, allowed);
    }
}
