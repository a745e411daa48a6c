using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Tipping about both edges across an axis. Cases count one by one, each by its own moments and its own arm.</summary>
internal readonly struct Overturning<TAxis> : ICheckRule<Nothing>
    where TAxis : struct, IAxis
{
    public static Nothing Capacity(BaseState s) => default;

    // All that tips about the farther edge at once, against what surely presses on the nearer arm: no edge is used more.
    public static double UpperBound(BaseState s, in Nothing capacity, int k)
    {
        if (s.PlacedLoads.Length > 0)
        {
            return double.PositiveInfinity;
        }

        var half = (TAxis.IsX ? s.Length : s.Width) / 2;
        var off = Math.Abs(TAxis.IsX ? s.ColumnX : s.ColumnY);
        var (far, near) = (half + off, half - off);
        if (near <= 0)
        {
            return double.PositiveInfinity;
        }

        ref readonly var t = ref s.Tipping[k];
        var combination = s.Combinations[k];
        var ground = s.GroundLoad(k);
        var prism = s.PrismWeight(k);
        var holds = (t.Down * near) + (((combination.WeightFactor * (s.BaseWeight + ground.Block)) - (ground.WaterPressure * s.Length * s.Width)) * half) + Math.Min(prism * near, prism * far);
        var tips = (TAxis.IsX ? t.AlongX + (Math.Abs(s.Arm) * t.ShearX) : t.AlongY + (Math.Abs(s.Arm) * t.ShearY)) + (t.Up * far);
        return holds > 0 ? StabilityFactor.Least(s, combination, s.Rules.Stability.Overturning) * tips / holds : double.PositiveInfinity;
    }

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var plus = About(s, k, 1, ref none);
        var minus = About(s, k, -1, ref none);
        if (!plus.Done && !minus.Done)
        {
            return Outcome.NotDone;
        }

        var towardsPlus = plus.Done && (!minus.Done || plus.Utilisation >= minus.Utilisation);
        var outcome = T.Records ? About(s, k, towardsPlus ? 1 : -1, ref trace) : towardsPlus ? plus : minus;
        if (T.Notes)
        {
            trace.Note($"tipping towards {(towardsPlus ? "+" : "−")}{TAxis.Name}");
        }

        return outcome;
    }

    private static Outcome About<T>(BaseState s, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var variableResists = s.Rules.Stability.VariableResists;
        var half = (TAxis.IsX ? s.Length : s.Width) / 2;
        var at = TAxis.IsX ? s.ColumnX : s.ColumnY;
        var arm = half - (side * at);
        double tips = 0, holds = 0;
        trace.Heading($"Tipping towards {(side > 0 ? "+" : "−")}{TAxis.Name}, {combination.Name}");
        trace.Given("arm", arm, Unit.Length, "of the column's load to the edge");
        foreach (var term in combination.Terms)
        {
            if (term.Case == s.Place.SurchargeCase)
            {
                continue;
            }

            var c = s.Place.Cases[term.Case];
            ref readonly var a = ref s.Place.CaseActions[term.Case];
            var resists = c.IsPermanent || variableResists;

            // The case's own moment and H·F count as one: turning towards +x is +My, towards +y is −Mx.
            var own = TAxis.IsX ? a.My + (s.Arm * a.Fx) : (s.Arm * a.Fy) - a.Mx;
            var turns = side * term.Factor * own > 0 ? term.Tips : term.Holds;
            var turning = side * turns * own;
            if (turning > 0 || resists)
            {
                if (T.Records && turning != 0)
                {
                    var (m, f) = TAxis.IsX ? (new Sym($"My[{c.Name}]", a.My, Unit.Moment), new Sym($"Fx[{c.Name}]", a.Fx, Unit.Force)) : (new Sym($"Mx[{c.Name}]", a.Mx, Unit.Moment), new Sym($"Fy[{c.Name}]", a.Fy, Unit.Force));
                    trace.Let(turning > 0 ? $"T[{c.Name}]" : $"R[{c.Name}]", Math.Abs(turning), Unit.Moment, $"|{new Sym("f", turns, Unit.Ratio)}·({(TAxis.IsX ? "" : "−")}{m} + {new Sym("H", s.Arm, Unit.Length)}·{f})|");
                }

                tips += Math.Max(0, turning);
                holds += Math.Max(0, -turning);
            }

            var presses = term.Factor * a.N < 0 ? term.Tips : term.Holds;
            var pressing = presses * a.N * arm;
            if (pressing < 0 || resists)
            {
                if (T.Records && pressing != 0)
                {
                    trace.Let(pressing < 0 ? $"T'[{c.Name}]" : $"R'[{c.Name}]", Math.Abs(pressing), Unit.Moment, $"|{new Sym("f", presses, Unit.Ratio)}·{new Sym($"N[{c.Name}]", a.N, Unit.Force)}·{new Sym("arm", arm, Unit.Length)}|");
                }

                tips += Math.Max(0, -pressing);
                holds += Math.Max(0, pressing);
            }
        }

        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (term, load) = (s.Place.LoadTerms[k][i], s.PlacedLoads[i]);
            var c = s.Place.Cases[term.Case];
            var lever = half - (side * (TAxis.IsX ? load.X : load.Y));
            var factor = term.Factor * load.N < 0 ? term.Tips : term.Holds;
            var pressing = factor * load.N * lever;
            if (pressing != 0 && (pressing < 0 || c.IsPermanent || variableResists))
            {
                trace.Let(pressing < 0 ? $"T{i + 1}[{c.Name}]" : $"R{i + 1}[{c.Name}]", Math.Abs(pressing), Unit.Moment, $"|{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N{i + 1}[{c.Name}]", load.N, Unit.Force)}·{new Sym($"arm{i + 1}", lever, Unit.Length)}|");
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
        var prism = s.PrismWeight(k);
        var block = s.GroundLoad(k).Block;
        var water = s.GroundLoad(k).WaterPressure * s.Length * s.Width;
        trace.Let("Wcol", prism, Unit.Force, $"{new Sym("fw", fw, Unit.Ratio)}·({new Sym("Wped", s.PedestalWeight, Unit.Force)} − {new Sym("Wdis", s.GroundLoad(k).Displaced, Unit.Force)})");
        var weights = trace.Let("R[weights]", (((fw * (s.BaseWeight + block)) - water) * half) + (prism * arm), Unit.Moment, $"({new Sym("fw", fw, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wblock", block, Unit.Force)}) − {new Sym("U", water, Unit.Force)})·{new Sym("half", half, Unit.Length)} + {new Sym("Wcol", prism, Unit.Force)}·{new Sym("arm", arm, Unit.Length)}");
        var rising = s.RisingWeight(k);
        if (rising != 0)
        {
            trace.Given("Wspread", rising, Unit.Force, "factored weight of the soil beside the base that rises with it");
            weights = trace.Let("R[weights]", weights + (rising * half), Unit.Moment, $"{new Sym("R[weights]", weights, Unit.Moment)} + {new Sym("Wspread", rising, Unit.Force)}·{new Sym("half", half, Unit.Length)}");
        }

        trace.Given("acting", tips, Unit.Moment, "sum of T");
        trace.Let("resisting", holds + weights, Unit.Moment, $"{new Sym("sum of R", holds, Unit.Moment)} + {new Sym("R[weights]", weights, Unit.Moment)}");
        return StabilityFactor.Judge(s, combination, s.Rules.Stability.Overturning, tips, holds + weights, Unit.Moment, ref trace);
    }
}
