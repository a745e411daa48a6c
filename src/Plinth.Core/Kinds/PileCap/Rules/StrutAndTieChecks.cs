using Plinth.Core.Bodies;
using Plinth.Core.Checks;
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
