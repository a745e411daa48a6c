using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The strut-and-tie model as its figure shows it: the numbers are those of the checks.</summary>
internal static class StrutAndTieFigure
{
    /// <summary>The model in a combination; null where it is not asked for, or does not apply.</summary>
    /// <param name="t">The cap, its design set.</param>
    /// <param name="k">The combination.</param>
    public static StrutFigure? Of(CapTrial t, int k)
    {
        if (!StrutAndTieChecks.Arises(t, k))
        {
            return null;
        }

        var none = default(NoTrace);
        var (struts, nodes, ties) = (new List<StrutLine>(), new List<ColumnNode>(), new List<CapTieForce>());
        var tied = t.Group.Group.Rank < 2 ? NodeTies.OneWay : NodeTies.BothWays;
        foreach (var p in t.Piles)
        {
            if (StrutAndTie.Strut(t, p, k) is not { } strut || StrutAndTie.Load(t, strut.Column, k) is not var (off, x, y))
            {
                continue;
            }

            var c = strut.Column;
            double Quarter(double pile, double middle, double side) => middle + Math.Clamp(pile - middle, -side / 4, side / 4);
            var ends = new PlanPoint(Quarter(p.X, c.X + off.X, x), Quarter(p.Y, c.Y + off.Y, y));
            var load = t.Group.Force(k, p.Index) + t.Group.Spread(k, p.Index);
            var counts = load > 0 && !strut.IsFlat;
            struts.Add(new StrutLine(p.Number, new PlanPoint(p.X, p.Y), ends, strut.Slope * 180 / Math.PI, load,
                counts ? load / strut.Sine : 0,
                p.Code.Strut(ref none, p.Rules.Concrete, strut.Area), p.Code.Node(ref none, p.Rules.Concrete, t.PileRules.Area, tied),
                strut.IsFlat));
        }

        foreach (var c in t.Columns)
        {
            if (StrutAndTie.Load(t, c, k) is var (off, x, y))
            {
                nodes.Add(new ColumnNode(c.At ?? "", new PlanPoint(c.X + off.X, c.Y + off.Y), x, y, c.Action(k).N,
                    c.Code.Node(ref none, c.Rules.Concrete, x * y, NodeTies.None)));
            }
        }

        Tied<AxisX>(t, k, ties);
        Tied<AxisY>(t, k, ties);
        var depth = t.Columns[0].MeanDepth(true);
        return struts.Count == 0 ? null : new StrutFigure(StrutAndTie.Must(t), depth, StrutAndTie.Height(depth), struts, nodes, ties);
    }

    private static void Tied<TAxis>(CapTrial t, int k, List<CapTieForce> ties)
        where TAxis : struct, IAxis
    {
        var none = default(NoTrace);
        foreach (var s in t.CapSpans(TAxis.IsX))
        {
            if (CapTie<TAxis>.Evaluate(s, default, k, ref none) is { Done: true, Capacity: > 0 } o)
            {
                ties.Add(new CapTieForce(s.Column.At ?? "", TAxis.IsX, o.Demand, o.Capacity, o.Face == Face.Top));
            }
        }
    }
}
