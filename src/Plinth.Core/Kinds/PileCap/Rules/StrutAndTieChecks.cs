using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What the checks of the strut-and-tie model share.</summary>
internal static class StrutAndTieChecks
{
    /// <summary>Whether the model is asked for in a combination.</summary>
    public static bool Arises(CapTrial t, int k) =>
        t.LooksAt(Face.Bottom) && StrutAndTie.IsShown(t) && t.Body.Contact(k).State != ContactState.NoEquilibrium;

    /// <summary>What is found where the model does not apply: where it must hold it fails.</summary>
    public static Outcome None<T>(bool must, string why, ref T trace)
        where T : struct, ITrace
    {
        if (!must)
        {
            return Outcome.NotDone;
        }

        if (T.Notes)
        {
            trace.Note(
                $"a pile stands within d of the column's face, and {why}: no strut-and-tie model holds it; a thinner cap or a wider pitch "
                    + "takes the pile beyond d");
        }

        trace.Given("utilisation", Outcome.NoCapacity, Unit.Ratio, why);
        return new Outcome { Done = true, Demand = Outcome.NoCapacity, Capacity = 0, Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
    }

    /// <summary>Why the load of a column has no model.</summary>
    public const string Eccentric = "the column pulls, or its moment takes its load beyond a third of its side";

    /// <summary>Tells where the load of a column stands.</summary>
    public static void TellLoad<T>(Standing c, in (PlanPoint Off, double X, double Y) load, ref T trace)
        where T : struct, ITrace
    {
        trace.Given("ex", load.Off.X, Unit.Section, $"of the column's load at the top of the cap{(c.At is null ? "" : ", " + c.At)}: M/N");
        trace.Given("ey", load.Off.Y, Unit.Section, "the same along y");
        trace.Let("cx'", load.X, Unit.Section,
            $"{new Sym("cx", c.Outline.X, Unit.Section)} − 2·|{new Sym("ex", load.Off.X, Unit.Section)}|");
        trace.Let("cy'", load.Y, Unit.Section,
            $"{new Sym("cy", c.Outline.Y, Unit.Section)} − 2·|{new Sym("ey", load.Off.Y, Unit.Section)}|");
    }
}

/// <summary>The tie along an axis: the moment at a column's quarter points over the height of the model, against the bars.</summary>
internal readonly struct CapTie<TAxis> : ICheckRule<CapSpan, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<CapSpan> Of(Trial trial) => ((CapTrial)trial).CapSpans(TAxis.IsX);

    public static Nothing Capacity(CapSpan s) => default;

    public static Outcome Evaluate<T>(CapSpan s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!StrutAndTie.IsShown(s.Cap) || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var must = StrutAndTie.Must(s.Cap);
        if (StrutAndTie.Load(s.Cap, s.Column, k) is not { } load)
        {
            return StrutAndTieChecks.None(must, StrutAndTieChecks.Eccentric, ref trace);
        }

        var (worst, governing) = (Outcome.NotDone, default(SectionForces));
        for (var side = -1; side <= 1; side += 2)
        {
            var at = TAxis.IsX ? s.Column.X + load.Off.X + (side * load.X / 4) : s.Column.Y + load.Off.Y + (side * load.Y / 4);
            var f = CapSections.At(s.Cap, k, TAxis.IsX, side, at, s.Column);
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                var moment = bottom ? f.MomentUp : OneWayShear<AxisX>.Significant(f.MomentDown, f.DownMoment);
                if (!s.LooksAt(bottom ? Face.Bottom : Face.Top) || (!bottom && moment <= 0))
                {
                    continue;
                }

                var none = default(NoTrace);
                var height = StrutAndTie.Height(s.Depth(bottom));
                var o = Outcome.Ratio(height > 0 ? moment / height : 0,
                    s.Layer(bottom).Any ? s.Code.Tie(ref none, Steel(s, bottom, at), s.Rules.Steel.Yield) : 0) with
                {
                    Face = bottom
                        ? Face.Bottom
                        : Face.Top,
                    Shown = !must
                };
                if (!worst.Done || o.Utilisation > worst.Utilisation)
                {
                    (worst, governing) = (o, f);
                }
            }
        }

        if (!worst.Done)
        {
            return worst;
        }

        if (T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Tie along {TAxis.Name}, by the strut-and-tie model");
            StrutAndTieChecks.TellLoad(s.Column, load, ref trace);
            CapSections.Tell(s.Cap, TAxis.IsX, governing, k, bottom, moment: true, ref trace);
            var d = trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}");
            var z = trace.Let("z", StrutAndTie.Height(d), Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}");
            var moment = bottom ? governing.MomentUp : governing.MomentDown;
            trace.Let("T", worst.Demand, Unit.Force, $"{new Sym("Mu", moment, Unit.Moment)}/{new Sym("z", z, Unit.Section)}");
            if (worst.Capacity > 0)
            {
                trace.Given("As", Steel(s, bottom, governing.At), Unit.SteelArea,
                    s.Body.IsRectangle
                        ? "of the bars that tie the piles"
                        : "of the bars that tie the piles, each as far as it is developed there on both sides");
                s.Code.Tie(ref trace, Steel(s, bottom, governing.At), s.Rules.Steel.Yield);
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("T", worst.Demand, Unit.Force)}/{new Sym("φFnt", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes)
        {
            trace.Note(must ? "strut-and-tie model" : "strut-and-tie model, shown: no pile stands within d of a face");
        }

        return worst;
    }

    // All bars, if none is far from a pile; else those over the piles, within their size and twice the depth.
    private static double Steel(CapSpan s, bool bottom, double section)
    {
        var layer = s.Layer(bottom);
        if (layer.Band > 0)
        {
            return BarGaps.Of(s, bottom).Most <= s.Code.MostTieSpacing + 1e-9 ? layer.Area : layer.Area * layer.Band / layer.Count;
        }

        var spacing = layer.Count < 2
            ? double.PositiveInfinity
            : (s.Breadth - (2 * s.Rules.Concrete.CoverSide) - layer.Diameter) / (layer.Count - 1);
        if (spacing <= s.Code.MostTieSpacing + 1e-9)
        {
            return s.Body.IsRectangle ? layer.Area : CapMat.Developed(s, bottom, section);
        }

        var rows = Rows(s);
        if (!s.Body.IsRectangle)
        {
            var near = (s.Cap.PileRules.Side / 2) + s.Depth(bottom);
            return CapMat.Developed(s, bottom, section, at => Array.Exists(rows, r => Math.Abs(r - at) <= near));
        }

        var (half, covered) = ((s.Cap.PileRules.Side / 2) + s.Depth(bottom), 0.0);
        var reach = -s.Breadth / 2;
        foreach (var at in rows)
        {
            var (from, to) = (Math.Max(reach, at - half), Math.Min(s.Breadth / 2, at + half));
            (covered, reach) = to > from ? (covered + to - from, to) : (covered, reach);
        }

        return layer.Area * covered / s.Breadth;
    }

    // Where rows of piles stand across the bars, in order.
    private static double[] Rows(CapSpan s)
    {
        var at = new double[s.Cap.Piles.Length];
        for (var i = 0; i < at.Length; i++)
        {
            at[i] = s.Cap.Piles[i].Along(!s.AlongX);
        }

        Array.Sort(at);
        return at;
    }
}

/// <summary>The strut of a pile, at its head.</summary>
internal readonly struct CapStrutCheck : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static bool BoundsBars => true;

    // The steepest strut is the strongest, the shallowest bars leave the highest node.
    public static double LowerBound(Pile p, in BarRange range, int k)
    {
        var t = (CapTrial)p.Trial;
        if (range.Thinner > 0 || !StrutAndTie.Must(t, range.Less(true), range.Less(false))
            || t.Body.Contact(k).State == ContactState.NoEquilibrium || StrutAndTie.Strut(t, p, k, range.LessMean) is not { } strut)
        {
            return 0;
        }

        // With bars less deep it may be too flat to be one.
        if ((strut with { Height = strut.Height - StrutAndTie.Height(range.LessMean) }).IsFlat)
        {
            return 0;
        }

        var (none, force) = (default(NoTrace), t.Group.Force(k, p.Index) + t.Group.Spread(k, p.Index));
        return force <= 0 ? 0 : Outcome.Ratio(force / strut.Sine, p.Code.Strut(ref none, p.Rules.Concrete, strut.Area)).Utilisation;
    }

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var t = (CapTrial)p.Trial;
        if (!StrutAndTieChecks.Arises(t, k))
        {
            return Outcome.NotDone;
        }

        var must = StrutAndTie.Must(t);
        if (StrutAndTie.Strut(t, p, k) is not { } strut)
        {
            return StrutAndTieChecks.None(must && StrutAndTie.IsNear(t, p, 1), StrutAndTieChecks.Eccentric, ref trace);
        }

        if (strut.IsFlat)
        {
            return StrutAndTieChecks.None(StrutAndTie.IsNear(t, p, 1), "its strut is flatter than 25°", ref trace);
        }

        var force = t.Group.Force(k, p.Index) + t.Group.Spread(k, p.Index);
        if (force <= 0)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var outcome = Outcome.Ratio(force / strut.Sine, p.Code.Strut(ref none, p.Rules.Concrete, strut.Area)) with { Shown = !must };
        if (T.Records)
        {
            Tell(t, p, strut, k, outcome, ref trace);
        }

        if (T.Notes)
        {
            trace.Note($"{Unit.Degrees.FormatWithSymbol(strut.Slope * 180 / Math.PI, p.Units)} from the ties" + (must ? "" : ", shown"));
        }

        return outcome;
    }

    private static void Tell<T>(CapTrial t, Pile p, in CapStrut strut, int k, in Outcome outcome, ref T trace)
        where T : struct, ITrace
    {
        BaseLoadCase.Contact(t.Body, k, true, ref trace);
        trace.Heading($"Strut of {p.Name}");
        StrutAndTieChecks.TellLoad(strut.Column, StrutAndTie.Load(t, strut.Column, k)!.Value, ref trace);
        var a = new Sym("a", strut.Run, Unit.Section);
        trace.Given("a", strut.Run, Unit.Section, "in plan from the pile to the nearest quarter point of the column's load");
        var d = trace.Let("d", strut.Column.MeanDepth(true), Unit.Section,
            $"({new Sym("dx", strut.Column.Depth(true, true), Unit.Section)} + "
                + $"{new Sym("dy", strut.Column.Depth(false, true), Unit.Section)})/2");
        var z = trace.Let("z", strut.Height, Unit.Section, $"0.9·{new Sym("d", d, Unit.Section)}");
        var length = Math.Sqrt((strut.Run * strut.Run) + (strut.Height * strut.Height));
        var sin = trace.Let("sin θ", strut.Height / length, Unit.Ratio,
            $"{new Sym("z", z, Unit.Section)}/√({a}^2 + {new Sym("z", z, Unit.Section)}^2)");
        var cos = trace.Let("cos θ", strut.Run / length, Unit.Ratio, $"{a}/√({a}^2 + {new Sym("z", z, Unit.Section)}^2)");
        var size = new Sym("D", t.PileRules.Side, Unit.Section);
        var (s, c) = (new Sym("sin θ", sin, Unit.Ratio), new Sym("cos θ", cos, Unit.Ratio));
        var wide = trace.Let("w,strut", (size.Value * sin) + (2 * (t.Body.Thickness - d - t.PileRules.Embedment) * cos), Unit.Section,
            $"{size}·{s} + 2·({new Sym("h", t.Body.Thickness, Unit.Section)} − {new Sym("d", d, Unit.Section)} − "
                + $"{new Sym("embedment", t.PileRules.Embedment, Unit.Section)})·{c}");
        if (t.PileRules.Shape == Piles.PileShape.Round)
        {
            trace.Let("A,strut", strut.Area, Unit.Area, $"3.14159265/4·{size}·{new Sym("w,strut", wide, Unit.Section)}");
        }
        else
        {
            trace.Let("A,strut", strut.Area, Unit.Area, $"{size}·{new Sym("w,strut", wide, Unit.Section)}");
        }

        var (inPlace, off) = (t.Group.Force(k, p.Index), t.Group.Spread(k, p.Index));
        trace.Given("ΔR", off, Unit.Force, "more where the pile stands out of place");
        trace.Let("F", outcome.Demand, Unit.Force,
            $"({new Sym($"R[{p.Number}]", inPlace, Unit.Force)} + {new Sym("ΔR", off, Unit.Force)})/{s}");
        p.Code.Strut(ref trace, p.Rules.Concrete, strut.Area);
        trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
            $"{new Sym("F", outcome.Demand, Unit.Force)}/{new Sym("φFns", outcome.Capacity, Unit.Force)}");
    }
}

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
