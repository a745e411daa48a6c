using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Share of the base that must stay in contact, without the help of a surcharge.</summary>
internal readonly struct ContactShare : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bearers;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var rules = s.Rules.Stability;
        var required = combination.Counteracting ? rules.ContactCounteracting
            : combination.Transient ? rules.ContactTransient
            : rules.Contact;

        // By limit states a share is asked of characteristic loads where one is stated; ultimate ones may lift what they hold.
        if (s.Ground.Design is not null && (required <= 0 || combination.State != Loads.LimitState.Characteristic))
        {
            return Outcome.NotDone;
        }

        var contact = BaseLoadCase.Contact(s, k, false, ref trace);
        if (contact.State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        trace.Heading("Contact");
        trace.Given("required", required, Unit.Ratio,
            combination.Counteracting ? "least share, counteracting combination"
                : combination.Transient ? "least share with wind or earthquake"
                : "least share");
        trace.Given("share", contact.Share, Unit.Ratio, "of the base in contact");
        if (contact.Share <= 0)
        {
            // A base that hangs on the beam holds nothing in place, whatever share is asked.
            trace.Note("the base lifts off: it hangs on the beam");
            trace.Given("utilisation", Outcome.NoCapacity, Unit.Ratio, "nothing of the base is in contact");
            return new Outcome { Done = true, Demand = required, Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
        }

        if (contact.State == ContactState.Partial)
        {
            trace.Let("utilisation", required / contact.Share, Unit.Ratio,
                $"{new Sym("required", required, Unit.Ratio)}/{new Sym("share", contact.Share, Unit.Ratio)}");
            return Outcome.Ratio(required, contact.Share);
        }

        if (!s.IsRectangle || s.Bed is not null)
        {
            var (least,
                mean) = (trace.Given("p,least", s.LeastPressureWithoutSurcharge(k), Unit.Pressure,
                    s.Bed is null ? "at the corner that is pressed least" : "where it is pressed least"),
                    trace.Given("p,mean", s.LoadsWithoutSurcharge(k).N / s.Area, Unit.Pressure, "ΣN over the area"));
            var used = trace.Let("kern used", 1 - (least / mean), Unit.Ratio,
                $"1 − {new Sym("p,least", least, Unit.Pressure)}/{new Sym("p,mean", mean, Unit.Pressure)}");
            trace.Let("utilisation", required * used, Unit.Ratio,
                $"{new Sym("required", required, Unit.Ratio)}·{new Sym("kern used", used, Unit.Ratio)}");
            return new Outcome { Done = true, Demand = required, Capacity = 1, Utilisation = required * used };
        }

        // While the whole base bears, its reserve shows as the share of the kern that is used.
        var l = s.LoadsWithoutSurcharge(k);
        var kern = trace.Let("kern used", 6 * ((Math.Abs(l.XR) / s.Length) + (Math.Abs(l.YR) / s.Width)), Unit.Ratio,
            $"6·|{new Sym("xR", l.XR, Unit.Length)}|/{new Sym("L", s.Length, Unit.Length)} + 6·|{new Sym("yR", l.YR, Unit.Length)}|/"
                + $"{new Sym("B", s.Width, Unit.Length)}");
        trace.Let("utilisation", required * kern, Unit.Ratio,
            $"{new Sym("required", required, Unit.Ratio)}·{new Sym("kern used", kern, Unit.Ratio)}");
        return new Outcome { Done = true, Demand = required, Capacity = 1, Utilisation = required * kern };
    }
}
