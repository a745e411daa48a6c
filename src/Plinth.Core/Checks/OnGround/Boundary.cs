using Plinth.Core.Foundations;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Whether a base lies within the site's boundary and clear of its zones.</summary>
internal readonly struct Boundary : ICheckRule<Nothing>
{
    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Site.IsOpen)
        {
            return Outcome.NotDone;
        }

        var centre = BaseGeometry.Centre(s.Place.Place, new Contact.PlanPoint(s.ColumnX, s.ColumnY));
        var (beyond, crossed) = s.Site.Beyond(BaseGeometry.Corners(s.Place.Place, centre, s.Size));
        trace.Heading("Within the site");
        trace.Given("beyond", beyond, Unit.Length, beyond > 0 ? "deepest point of the base on the wrong side of " + crossed : "the base lies within the boundary and clear of the zones");
        if (T.Notes && beyond > 0)
        {
            trace.Note($"crosses {crossed} by {Unit.Length.FormatWithSymbol(beyond, s.Units)}");
        }

        return beyond > 0
            ? new Outcome { Done = true, Demand = beyond, Capacity = 0, Utilisation = Outcome.NoCapacity, FailsAnyhow = true }
            : new Outcome { Done = true, Demand = 0, Capacity = 0 };
    }
}
