using System.Globalization;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Whether a resultant pressing down lies within the base: the relative eccentricity must stay below one.</summary>
internal readonly struct Equilibrium : ICheckRule<Nothing>
{
    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var solution = BaseLoadCase.Contact(s, k, true, ref trace);
        var outcome = Judge(s, s.Loads(k), solution.State == ContactState.NoEquilibrium, ref trace);

        // The surcharge may be absent, so it must not be what holds the base down.
        if (s.Ground.Surcharge != 0 && s.Place.SurchargeFactors[k] != 0)
        {
            var without = Judge(s, s.LoadsWithoutSurcharge(k), s.ContactWithoutSurcharge(k).State == ContactState.NoEquilibrium, ref trace);
            outcome = without.FailsAnyhow && !outcome.FailsAnyhow || without.Utilisation > outcome.Utilisation ? without : outcome;
        }

        return outcome;
    }

    private static Outcome Judge<T>(BaseState s, in BaseLoads l, bool lost, ref T trace)
        where T : struct, ITrace
    {
        if (l.N <= 0)
        {
            if (T.Notes)
            {
                trace.Note($"nothing presses down (ΣN {Unit.Force.FormatWithSymbol(l.N, s.Units)}): more than {Unit.Force.FormatWithSymbol(-l.N, s.Units)} of factored weight is missing");
            }

            return new Outcome { Done = true, Demand = Outcome.NoCapacity, Capacity = 1, Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
        }

        var (x, y) = (Math.Abs(l.XR), Math.Abs(l.YR));
        trace.Let("ux", x / (s.Length / 2), Unit.Ratio, $"|{new Sym("xR", l.XR, Unit.Length)}|/({new Sym("L", s.Length, Unit.Length)}/2)");
        trace.Let("uy", y / (s.Width / 2), Unit.Ratio, $"|{new Sym("yR", l.YR, Unit.Length)}|/({new Sym("B", s.Width, Unit.Length)}/2)");
        var outcome = Outcome.Ratio(Math.Max(x / (s.Length / 2), y / (s.Width / 2)), 1);
        if (T.Notes && lost)
        {
            trace.Note(Tips(s, l));
        }

        return lost ? outcome with { FailsAnyhow = true } : outcome;
    }

    private static string Tips(BaseState s, in BaseLoads l)
    {
        var acrossX = Math.Abs(l.XR) / s.Length >= Math.Abs(l.YR) / s.Width;
        var (e, side) = acrossX ? (Math.Abs(l.XR), s.Length) : (Math.Abs(l.YR), s.Width);
        var weight = l.N * ((2 * e / side) - 1);
        return string.Create(CultureInfo.InvariantCulture, $"tips: the resultant lies outside the base; at this weight a {(acrossX ? "length" : "width")} over {Unit.Length.FormatWithSymbol(2 * e, s.Units)} holds, or at this size {Unit.Force.FormatWithSymbol(weight, s.Units)} more factored weight");
    }
}
