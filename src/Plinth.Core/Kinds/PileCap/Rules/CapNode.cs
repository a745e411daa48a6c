using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The node on a pile's head.</summary>
internal readonly struct CapNode : ICheckRule<Subject, Nothing>
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => ((CapTrial)trial).Nodes;

    public static Nothing Capacity(Subject s) => default;

    public static Outcome Evaluate<T>(Subject s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var t = (CapTrial)s.Trial;
        if (!StrutAndTieChecks.Arises(t, k))
        {
            return Outcome.NotDone;
        }

        var must = StrutAndTie.Must(t);
        return s is Node { Column: { } c } ? AtColumn(t, c, k, must, ref trace)
            : s is Node { Pile: { } p } ? AtPile(t, p, k, must, ref trace)
            : Outcome.NotDone;
    }

    private static Outcome AtPile<T>(CapTrial t, Pile p, int k, bool must, ref T trace)
        where T : struct, ITrace
    {
        var (force, off) = (t.Group.Force(k, p.Index), t.Group.Spread(k, p.Index));
        if (force + off <= 0 || StrutAndTie.Strut(t, p, k) is not { IsFlat: false })
        {
            return Outcome.NotDone;
        }

        // Piles in one row are tied along it alone.
        var ties = t.Group.Group.Rank < 2 ? NodeTies.OneWay : NodeTies.BothWays;
        var none = default(NoTrace);
        var outcome = Outcome.Ratio(force + off, p.Code.Node(ref none, p.Rules.Concrete, t.PileRules.Area, ties)) with { Shown = !must };
        if (T.Records)
        {
            BaseLoadCase.Contact(t.Body, k, true, ref trace);
            trace.Heading($"Node at {p.Name}");
            trace.Given("ΔR", off, Unit.Force, "more where the pile stands out of place");
            var r = trace.Let("R,most", force + off, Unit.Force,
                $"{new Sym($"R[{p.Number}]", force, Unit.Force)} + {new Sym("ΔR", off, Unit.Force)}");
            trace.Given("A,node", t.PileRules.Area, Unit.Area, "of the pile's section");
            p.Code.Node(ref trace, p.Rules.Concrete, t.PileRules.Area, ties);
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("R,most", r, Unit.Force)}/{new Sym("φFnn", outcome.Capacity, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note("at the head of " + p.Name + (must ? "" : ", shown"));
        }

        return outcome;
    }

    private static Outcome AtColumn<T>(CapTrial t, Standing c, int k, bool must, ref T trace)
        where T : struct, ITrace
    {
        if (StrutAndTie.Load(t, c, k) is not { } load)
        {
            return StrutAndTieChecks.None(must, StrutAndTieChecks.Eccentric, ref trace);
        }

        var (none, n, area) = (default(NoTrace), c.Action(k).N, load.X * load.Y);
        var outcome = Outcome.Ratio(n, c.Code.Node(ref none, c.Rules.Concrete, area, NodeTies.None)) with { Shown = !must };
        if (T.Records)
        {
            BaseLoadCase.Contact(t.Body, k, true, ref trace);
            trace.Heading("Node at the column" + (c.At is null ? "" : " " + c.At));
            StrutAndTieChecks.TellLoad(c, load, ref trace);
            trace.Let("A,node", area, Unit.Area, $"{new Sym("cx'", load.X, Unit.Section)}·{new Sym("cy'", load.Y, Unit.Section)}");
            c.Code.Node(ref trace, c.Rules.Concrete, area, NodeTies.None);
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym(BaseLoadCase.Of<T>("N", c), n, Unit.Force)}/{new Sym("φFnn", outcome.Capacity, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note("under the column" + (c.At is null ? "" : " " + c.At) + (must ? "" : ", shown"));
        }

        return outcome;
    }
}

/// <summary>A node of the model: at a pile's head, or under a column.</summary>
internal sealed class Node : Subject
{
    public Node(Trial trial, int index, Pile pile)
        : base(trial, index, pile.Name) => Pile = pile;

    public Node(Trial trial, int index, Standing column)
        : base(trial, index, column.At ?? "column") => Column = column;

    /// <summary>The pile; null: it is under a column.</summary>
    public Pile? Pile { get; }

    /// <summary>The column; null: it is at a pile's head.</summary>
    public Standing? Column { get; }
}
