using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Tipping about both edges across an axis. Cases count one by one, each by its own moments and its own arm.</summary>
internal readonly struct Overturning<TAxis> : ICheckRule<GroundBody, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    // All that tips about the farther edge at once, against what surely presses on the nearer arm: no edge is used more.
    public static double UpperBound(GroundBody s, in Nothing capacity, int k)
    {
        // Of several columns what presses one may tip about the edge of another.
        if (s.PlacedLoads.Length > 0 || s.Columns.Length > 1 || !s.IsRectangle || s.Backing is not null)
        {
            return double.PositiveInfinity;
        }

        var column = s.Columns[0];
        var half = (TAxis.IsX ? s.Length : s.Width) / 2;
        var off = Math.Abs(TAxis.IsX ? column.X : column.Y);
        var (far, near) = (half + off, half - off);
        if (near <= 0)
        {
            return double.PositiveInfinity;
        }

        ref readonly var t = ref s.Tipping[k];
        var combination = s.Combinations[k];
        var ground = s.GroundLoad(k);
        var prism = column.PrismWeight(k);
        var holds = (t.Down * near)
            + (((combination.WeightFactor * (s.BaseWeight + ground.Block)) - (ground.WaterPressure * s.Length * s.Width)) * half)
            + Math.Min(prism * near, prism * far);
        var tips = (TAxis.IsX ? t.AlongX + (Math.Abs(column.Arm) * t.ShearX) : t.AlongY + (Math.Abs(column.Arm) * t.ShearY)) + (t.Up * far);
        return holds > 0 ? StabilityFactor.Least(s, combination, s.Rules.Stability.Overturning) * tips / holds : double.PositiveInfinity;
    }

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var (worst, edge) = (Outcome.NotDone, default(BodyEdge));
        for (var i = s.Edges - 1; i >= 0; i--)
        {
            if (s.EdgeOf(i) is var own && own.AlongX == TAxis.IsX && About(s, k, own, ref none) is { Done: true } o
                && (!worst.Done || o.Utilisation > worst.Utilisation))
            {
                (worst, edge) = (o, own);
            }
        }

        if (!worst.Done)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            worst = About(s, k, edge, ref trace);
        }

        if (T.Notes)
        {
            trace.Note($"tipping towards {(edge.Side > 0 ? "+" : "−")}{TAxis.Name}");
        }

        return worst;
    }

    private static Outcome About<T>(GroundBody s, int k, in BodyEdge edge, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var variableResists = s.Rules.Stability.VariableResists;
        var half = edge.Distance;
        double tips = 0, holds = 0;
        trace.Heading($"Tipping towards {(edge.Side > 0 ? "+" : "−")}{TAxis.Name}, {combination.Name}");
        if (T.Records)
        {
            foreach (var column in s.Columns)
            {
                trace.Given(BaseLoadCase.Of("arm", column), Arm(column, edge), Unit.Length, "of the column's load to the edge");
            }
        }

        foreach (var term in combination.Terms)
        {
            if (term.Case == s.Place.SurchargeCase)
            {
                continue;
            }

            var c = s.Place.Cases[term.Case];
            var resists = c.IsPermanent || variableResists;

            // The case's own moments and H·F of all columns count as one: turning towards +x is +My, towards +y is −Mx. So do its forces
            // about the edge.
            var (own, about) = (0.0, 0.0);
            foreach (var column in s.Columns)
            {
                ref readonly var a = ref column.Loaded.CaseActions[term.Case];
                own += Turning(column, a, edge);
                about += a.N * Arm(column, edge);
            }

            if (c.IsBehindWall && s.Backing is { } behind)
            {
                // What stands on the heel is not there to hold.
                var push = behind.Case(c.Name, k, false);
                own += (edge.X * push.My) - (edge.Y * push.Mx);
                if (T.Records && own > 0)
                {
                    trace.Given($"T[{c.Name}]", term.Tips * own, Unit.Moment, "factored thrust times its arm over the underside");
                }

                tips += Math.Max(0, term.Tips * own);
                continue;
            }

            var turns = term.Factor * own > 0 ? term.Tips : term.Holds;
            var turning = turns * own;
            if (turning > 0 || resists)
            {
                if (T.Records && turning != 0)
                {
                    TellTurning(s, term.Case, turning, turns, edge, ref trace);
                }

                tips += Math.Max(0, turning);
                holds += Math.Max(0, -turning);
            }

            var presses = term.Factor * about < 0 ? term.Tips : term.Holds;
            var pressing = 0.0;
            foreach (var column in s.Columns)
            {
                pressing += presses * column.Loaded.CaseActions[term.Case].N * Arm(column, edge);
            }

            if (pressing < 0 || resists)
            {
                if (T.Records && pressing != 0)
                {
                    TellPressing(s, term.Case, edge, pressing, presses, ref trace);
                }

                tips += Math.Max(0, -pressing);
                holds += Math.Max(0, pressing);
            }
        }

        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (term, load) = (s.Place.LoadTerms[k][i], s.PlacedLoads[i]);
            var c = s.Place.Cases[term.Case];
            var lever = half - ((edge.X * load.X) + (edge.Y * load.Y));
            var factor = term.Factor * load.N < 0 ? term.Tips : term.Holds;
            var pressing = factor * load.N * lever;
            if (pressing != 0 && (pressing < 0 || c.IsPermanent || variableResists))
            {
                trace.Let(pressing < 0 ? $"T{i + 1}[{c.Name}]" : $"R{i + 1}[{c.Name}]", Math.Abs(pressing), Unit.Moment,
                    $"|{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N{i + 1}[{c.Name}]", load.N, Unit.Force)}·"
                        + $"{new Sym($"arm{i + 1}", lever, Unit.Length)}|");
                tips += Math.Max(0, -pressing);
                holds += Math.Max(0, pressing);
            }
        }

        if (tips == 0)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            BaseLoadCase.TellWeights(s, k, ref trace);
        }

        var fw = combination.WeightFactor;
        var block = s.GroundLoad(k).Block;
        var water = s.WaterPush(k);
        var (fwSym, halfSym) = (new Sym("fw", fw, Unit.Ratio), new Sym("half", half, Unit.Length));
        var weights = ((fw * (s.BaseWeight + block)) - water) * half;
        foreach (var column in s.Columns)
        {
            weights += column.PrismWeight(k) * Arm(column, edge);
        }

        if (T.Records)
        {
            List<FormulaPart> parts =
            [
                new("(", default), new(null, fwSym), new("·(", default), new(null, new Sym("Wbase", s.BaseWeight, Unit.Force)),
                new(" + ", default),
                new(null, new Sym("Wblock", block, Unit.Force)), new(") − ", default), new(null, new Sym("U", water, Unit.Force)),
                new(")·", default), new(null, halfSym),
            ];
            foreach (var column in s.Columns)
            {
                var prism = column.PrismWeight(k);
                var at = BaseLoadCase.Of("Wcol", column);
                trace.Let(at, prism, Unit.Force,
                    $"{fwSym}·({new Sym(BaseLoadCase.Of("Wped", column), column.PedestalWeight, Unit.Force)} − "
                        + $"{new Sym(BaseLoadCase.Of("Wdis", column), column.Displacing(k).Displaced, Unit.Force)})");
                parts.AddRange([new(" + ", default), new(null, new Sym(at, prism, Unit.Force)), new("·", default),
                    new(null, new Sym(BaseLoadCase.Of("arm", column), Arm(column, edge), Unit.Length))]);
            }

            trace.Add(new TraceStep(TraceKind.Formula, "R[weights]", weights, Unit.Moment, parts, null));
        }

        if (s.Backing is { Any: true } wall)
        {
            // The water's push with its greater head under the heel stands in U; only where it lies is told here.
            var stands = (fw * wall.Weight(k) * half) - (edge.Y * ((fw * wall.WeightTurns(k)) - wall.LiftTurns(k)));
            trace.Given("R[wall]", stands, Unit.Moment,
                "of the wall and the soil beyond that over the whole base, each about the edge, less where the water pushes more");
            weights = trace.Let("R[weights]", weights + stands, Unit.Moment,
                $"{new Sym("R[weights]", weights, Unit.Moment)} + {new Sym("R[wall]", stands, Unit.Moment)}");
        }

        if (s.Parts.Length > 0)
        {
            var lies = trace.Given("M[weights]", s.WeightsMoment(k), Unit.Moment,
                "∫x of the weights of bases, soil and beam less the water's push, about the centroid of both areas");
            weights = trace.Let("R[weights]", weights - (edge.X * lies), Unit.Moment,
                $"{new Sym("R[weights]", weights, Unit.Moment)} − "
                    + $"{new Sym("nx", trace.Given("nx", edge.X, Unit.Ratio, "outward normal of the edge"), Unit.Ratio)}·"
                    + $"{new Sym("M[weights]", lies, Unit.Moment)}");
        }

        var rising = s.RisingWeight(k);
        if (rising != 0)
        {
            trace.Given("Wspread", rising, Unit.Force, "factored weight of the soil beside the base that rises with it");
            var lies = edge.X * s.RisingMoment(k) / rising;
            if (lies != 0)
            {
                trace.Given("x,spread", lies, Unit.Length, "how far its middle lies from the centroid towards the edge");
            }

            weights = lies == 0
                ? trace.Let("R[weights]", weights + (rising * half), Unit.Moment,
                    $"{new Sym("R[weights]", weights, Unit.Moment)} + {new Sym("Wspread", rising, Unit.Force)}·"
                        + $"{new Sym("half", half, Unit.Length)}")
                : trace.Let("R[weights]", weights + (rising * (half - lies)), Unit.Moment,
                    $"{new Sym("R[weights]", weights, Unit.Moment)} + {new Sym("Wspread", rising, Unit.Force)}·"
                        + $"({new Sym("half", half, Unit.Length)} − {new Sym("x,spread", lies, Unit.Length)})");
        }

        trace.Given("acting", tips, Unit.Moment, "sum of T");
        trace.Let("resisting", holds + weights, Unit.Moment,
            $"{new Sym("sum of R", holds, Unit.Moment)} + {new Sym("R[weights]", weights, Unit.Moment)}");
        return StabilityFactor.Judge(s, combination, s.Rules.Stability.Overturning, tips, holds + weights, Unit.Moment, ref trace);
    }

    private static double Arm(Standing column, in BodyEdge edge) =>
        edge.Distance - ((edge.X * column.X) + (edge.Y * column.Y));

    // What of an action turns over an edge about the column's foot.
    private static double Turning(Standing column, in Loads.SupportAction a, in BodyEdge edge) =>
        (edge.X * (a.My + (column.Arm * a.Fx))) + (edge.Y * ((column.Arm * a.Fy) - a.Mx));

    private static void TellTurning<T>(GroundBody s, int loadCase, double turning, double factor,
        in BodyEdge edge, ref T trace)
        where T : struct, ITrace
    {
        var name = s.Place.Cases[loadCase].Name;
        if (!s.IsRectangle && (!TAxis.IsX || s.Parts.Length > 0))
        {
            var own = 0.0;
            foreach (var column in s.Columns)
            {
                own += Turning(column, column.Loaded.CaseActions[loadCase], edge);
            }

            trace.Given($"M[{name}]", own, Unit.Moment, "moments and H·F of all columns about the slanted edge's direction");
            trace.Let(turning > 0 ? $"T[{name}]" : $"R[{name}]", Math.Abs(turning), Unit.Moment,
                $"|{new Sym("f", factor, Unit.Ratio)}·{new Sym($"M[{name}]", own, Unit.Moment)}|");
            return;
        }

        List<FormulaPart> parts = [new("|", default), new(null, new Sym("f", factor, Unit.Ratio)), new("·(", default)];
        foreach (var column in s.Columns)
        {
            ref readonly var a = ref column.Loaded.CaseActions[loadCase];
            var (m, f) = TAxis.IsX
                ? (new Sym(BaseLoadCase.Of("My", column, name), a.My, Unit.Moment),
                    new Sym(BaseLoadCase.Of("Fx", column, name), a.Fx, Unit.Force))
                : (new Sym(BaseLoadCase.Of("Mx", column, name), a.Mx, Unit.Moment),
                    new Sym(BaseLoadCase.Of("Fy", column, name), a.Fy, Unit.Force));
            var sign = TAxis.IsX ? (parts.Count > 3 ? " + " : "") : parts.Count > 3 ? " − " : "−";
            parts.AddRange([new(sign, default), new(null, m), new(" + ", default),
                new(null, new Sym(BaseLoadCase.Of("H", column), column.Arm, Unit.Length)), new("·", default), new(null, f)]);
        }

        parts.Add(new(")|", default));
        trace.Add(new TraceStep(TraceKind.Formula, turning > 0 ? $"T[{name}]" : $"R[{name}]", Math.Abs(turning), Unit.Moment, parts, null));
    }

    private static void TellPressing<T>(GroundBody s, int loadCase, in BodyEdge edge, double pressing,
        double factor, ref T trace)
        where T : struct, ITrace
    {
        var name = s.Place.Cases[loadCase].Name;
        var several = s.Columns.Length > 1;
        List<FormulaPart> parts = [new("|", default), new(null, new Sym("f", factor, Unit.Ratio)), new(several ? "·(" : "·", default)];
        foreach (var column in s.Columns)
        {
            parts.AddRange(
            [
                new(parts.Count > 3 ? " + " : "", default),
                new(null, new Sym(BaseLoadCase.Of("N", column, name), column.Loaded.CaseActions[loadCase].N, Unit.Force)),
                new("·", default), new(null, new Sym(BaseLoadCase.Of("arm", column), Arm(column, edge), Unit.Length)),
            ]);
        }

        parts.Add(new(several ? ")|" : "|", default));
        trace.Add(new TraceStep(TraceKind.Formula, pressing < 0 ? $"T'[{name}]" : $"R'[{name}]", Math.Abs(pressing), Unit.Moment, parts,
            null));
    }
}
