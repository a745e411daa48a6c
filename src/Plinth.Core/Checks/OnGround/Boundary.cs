using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Whether a base lies within the site's boundary and clear of its zones.</summary>
internal readonly struct Boundary : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bearers;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Trial.Site.IsOpen)
        {
            return Outcome.NotDone;
        }

        var (beyond, crossed) = s.Trial.Site.Beyond(s.InPlan());
        trace.Heading("Within the site");
        trace.Given("beyond", beyond, Unit.Length,
            beyond > 0
                ? "deepest point of the base on the wrong side of " + crossed
                : "the base lies within the boundary and clear of the zones");
        if (T.Notes && beyond > 0)
        {
            trace.Note($"crosses {crossed} by {Unit.Length.FormatWithSymbol(beyond, s.Units)}");
        }

        return beyond > 0
            ? new Outcome { Done = true, Demand = beyond, Capacity = 0, Utilisation = Outcome.NoCapacity, FailsAnyhow = true }
            : new Outcome { Done = true, Demand = 0, Capacity = 0 };
    }
}
