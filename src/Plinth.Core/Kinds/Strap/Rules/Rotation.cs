using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>Tilt of a strap footing along its beam by the subgrade modulus: told, and never fails.</summary>
internal readonly struct Rotation : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.SubgradeModulus is not { } modulus || s.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        BaseLoadCase.Contact(s, k, true, ref trace);
        trace.Heading("Tilt along the beam");
        var slope = s.Contact(k).Pressure.B;
        var one = Sym.Strip(s.Units);
        var rise = trace.Given("b·" + one.Symbol, slope * one.Value, Unit.Pressure, $"rise of the pressure over {one.Symbol} along x");
        var tilt = trace.Let("tilt", Math.Abs(slope) / modulus, Unit.Ratio,
            $"|{new Sym("b·" + one.Symbol, rise, Unit.Pressure)}|/({new Sym("ks", modulus, Unit.Subgrade)}·{one})");
        trace.Note("tilt of both bases towards " + (slope < 0 ? "the edge" : "the inner column")
            + $": 1 in {(tilt > 1e-6 ? (1 / tilt).ToString("0", System.Globalization.CultureInfo.InvariantCulture) : "∞")}; told alone");
        return new Outcome { Done = true, Demand = tilt, Capacity = 0, Utilisation = 0, Shown = true };
    }
}
