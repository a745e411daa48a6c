using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>Least effective depth of the bottom bars over piles (ACI 318 13.4.2.1): the shallower layer counts.</summary>
internal readonly struct CapDepth : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Least effective depth");
        var d = trace.Given("d", Math.Min(s.Trial.Spans(true)[0].Depth(true), s.Trial.Spans(false)[0].Depth(true)), Unit.Section,
            "of the shallower bottom layer, over the larger of cover and embedment of the piles");
        var least = trace.Given("d,least", s.Code.LeastDepthOverPiles, Unit.Section, "bottom bars of a cap on piles",
            s.Code.PileCapDepthClause);
        if (d > 0)
        {
            trace.Let("utilisation", least / d, Unit.Ratio, $"{new Sym("d,least", least, Unit.Section)}/{new Sym("d", d, Unit.Section)}");
        }

        return Outcome.Ratio(least, d);
    }
}

/// <summary>Moments that the piles cannot take by axial forces alone: of one pile, or of piles on one line.</summary>
internal readonly struct CapEquilibrium : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var group = ((CapTrial)s.Trial).Group;
        if (group.Group.Rank == 2)
        {
            return Outcome.NotDone;
        }

        BaseLoadCase.Contact(s, k, true, ref trace);
        if (T.Notes && group.Left(k) is { } said)
        {
            trace.Note(said);
        }

        ref readonly var l = ref group.Loads(k);
        var left = Math.Sqrt((l.Left.X * l.Left.X) + (l.Left.Y * l.Left.Y)) + (Math.Abs(l.N) * group.Deviation);
        trace.Given("utilisation", l.Held ? 0 : Outcome.NoCapacity, Unit.Ratio,
            l.Held ? "tie beams or fixed heads hold what the piles do not" : "nothing holds what the piles do not");
        return l.Held
            ? new Outcome { Done = true, Demand = left, Capacity = left }
            : new Outcome { Done = true, Demand = left, Capacity = 0, Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
    }
}
