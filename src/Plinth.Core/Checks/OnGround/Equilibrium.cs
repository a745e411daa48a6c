using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Whether a resultant pressing down lies within the base: the relative eccentricity must stay below one.</summary>
internal readonly struct Equilibrium : ICheckRule<GroundBody, Nothing>
{
    // So near to the edge it is the springs that tell.
    private const double NearEdge = 0.01;

    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        // Springs without strength hold whatever presses within the base: where they do, nothing more is asked of them here.
        var told = T.Records || T.Notes || s.Bed is null;
        var lost = (told || !IsWithin(s, s.Loads(k))) && BaseLoadCase.Contact(s, k, true, ref trace).State == ContactState.NoEquilibrium;
        return Judge(s, s.Loads(k), lost, ref trace);
    }

    private static bool IsWithin(GroundBody s, in BaseLoads l) =>
        l.N > 0 && Math.Max(Math.Abs(l.XR) / (s.Length / 2), Math.Abs(l.YR) / (s.Width / 2)) < 1 - NearEdge;

    private static Outcome Judge<T>(GroundBody s, in BaseLoads l, bool lost, ref T trace)
        where T : struct, ITrace
    {
        if (l.N <= 0)
        {
            if (T.Notes)
            {
                trace.Note(
                    $"nothing presses down (ΣN {Unit.Force.FormatWithSymbol(l.N, s.Units)}): more than "
                        + $"{Unit.Force.FormatWithSymbol(-l.N, s.Units)} of factored weight is missing");
            }

            return new Outcome
            {
                Done = true,
                Demand = Outcome.NoCapacity,
                Capacity = 1,
                Utilisation = Outcome.NoCapacity,
                FailsAnyhow = true
            };
        }

        if (!s.IsRectangle)
        {
            return Ray(s, l, lost, ref trace);
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

    // The resultant's distance from the centroid over the outline's along the same ray: the largest over its edges.
    private static Outcome Ray<T>(GroundBody s, in BaseLoads l, bool lost, ref T trace)
        where T : struct, ITrace
    {
        var (used, x, y, h) = (double.NegativeInfinity, 0.0, 0.0, 0.0);
        for (var i = 0; i < s.Edges; i++)
        {
            var edge = s.EdgeOf(i);
            var own = ((edge.X * l.XR) + (edge.Y * l.YR)) / edge.Distance;
            if (own > used)
            {
                (used, x, y, h) = (own, edge.X, edge.Y, edge.Distance);
            }
        }

        trace.Given("nx", x, Unit.Ratio, "outward normal of the edge that the resultant is nearest to, from the centroid along its ray");
        trace.Given("ny", y, Unit.Ratio, "the same along y");
        trace.Given("h,edge", h, Unit.Length, "distance of that edge from the centroid");
        trace.Let("utilisation", used, Unit.Ratio,
            $"({new Sym("nx", x, Unit.Ratio)}·{new Sym("xR", l.XR, Unit.Length)} + {new Sym("ny", y, Unit.Ratio)}·"
                + $"{new Sym("yR", l.YR, Unit.Length)})/{new Sym("h,edge", h, Unit.Length)}");
        if (T.Notes && lost)
        {
            trace.Note(
                $"tips: the resultant lies outside the base, {Unit.Length.FormatWithSymbol((used - 1) * h, s.Units)} beyond its edge");
        }

        var outcome = Outcome.Ratio(used, 1);
        return lost ? outcome with { FailsAnyhow = true } : outcome;
    }

    private static string Tips(GroundBody s, in BaseLoads l)
    {
        var acrossX = Math.Abs(l.XR) / s.Length >= Math.Abs(l.YR) / s.Width;
        var (e, side) = acrossX ? (Math.Abs(l.XR), s.Length) : (Math.Abs(l.YR), s.Width);
        var weight = l.N * ((2 * e / side) - 1);
        return string.Create(CultureInfo.InvariantCulture,
            $"tips: the resultant lies outside the base; at this weight a {(acrossX ? "length" : "width")} over "
                + $"{Unit.Length.FormatWithSymbol(2 * e, s.Units)} holds, or at this size {Unit.Force.FormatWithSymbol(weight, s.Units)} "
                + $"more factored weight");
    }
}
