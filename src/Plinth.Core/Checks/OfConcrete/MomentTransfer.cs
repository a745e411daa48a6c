using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// The share γf of the moment between column and base that flexure transfers, against the bars within the strip at the column: bottom bars
/// on one side, top bars on the other (ACI 318 8.4.2.2, 13.3.3.1).
/// The rest, γv, goes by two-way shear, at the section that governs there.
/// </summary>
internal readonly struct MomentTransfer : ICheckRule<PunchedArea, Nothing>
{
    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    public static Nothing Capacity(PunchedArea s) => default;

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var (x, y) = (Along(s, k, true), Along(s, k, false));
        if (!x.Done || !y.Done)
        {
            return Outcome.NotDone;
        }

        var alongX = x.Utilisation >= y.Utilisation;
        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            var face = TwoWayShear.Sections(s);
            var at = TwoWayShear.Governing(s, k);
            trace.Heading($"Moment transferred by flexure, {face.Sections[at].Words}");
            One(s, k, face, at, alongX, ref trace);
        }

        if (T.Notes)
        {
            trace.Note($"bars along {(alongX ? "x" : "y")}");
        }

        return alongX ? x : y;
    }

    /// <summary>The same for the bars of one direction.</summary>
    public static Outcome Along(PunchedArea s, int k, bool alongX)
    {
        if (!s.Rules.Steel.MomentTransfer || !s.LooksAt(Face.Bottom) || s.Body.Contact(k).State == ContactState.NoEquilibrium
            || TwoWayShear.Governing(s, k) is not (>= 0 and var at))
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        return One(s, k, TwoWayShear.Sections(s), at, alongX, ref none);
    }

    private static Outcome One<T>(PunchedArea s, int k, PunchingFace face, int i, bool alongX, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var section = ref face.Sections[i];
        var (mx, my) = TwoWayShear.Unbalanced(s, k, face, i, ref trace);
        var (b1, b2) = alongX ? (section.SideX, section.SideY) : (section.SideY, section.SideX);
        var gv = s.Code.ShearShareOfMoment(ref trace, "γv", b1, b2);
        var moment = alongX ? new Sym("My,c", my, Unit.Moment) : new Sym("Mx,c", mx, Unit.Moment);
        var demand = trace.Let("γf·Msc", (1 - gv) * Math.Abs(alongX ? my : mx), Unit.Moment,
            $"(1 − {new Sym("γv", gv, Unit.Ratio)})·|{moment}|", s.Code.MomentTransferClause);
        var strip = trace.Given("bslab", PunchingSteel.Strip(s, alongX), Unit.Section,
            $"column and 1.5 h beside it across the bars along {(alongX ? "x" : "y")}, within the base");

        // Turning towards +, the moment stretches the bottom there and the top on the other side; a section open to an edge has one of
        // both.
        var (open, turns) = alongX ? (section.OpenX, my) : (section.OpenY, -mx);
        var strength = 0.0;
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            if (open != 0 && bottom != (turns * open <= 0))
            {
                continue;
            }

            var layer = s.Layer(alongX, bottom);
            if (!layer.Any)
            {
                if (T.Records)
                {
                    trace.Remark($"No {(bottom ? "bottom" : "top")} bars along {(alongX ? "x" : "y")} share in it.");
                }

                continue;
            }

            var area = PunchingSteel.Steel(s, alongX, bottom, "As,strip", strip, ref trace);
            var depth = trace.Given("d", s.Depth(alongX, bottom), Unit.Section,
                $"of the {(bottom ? "bottom" : "top")} bars along {(alongX ? "x" : "y")}");
            var own = s.Code.Flexure(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, area, strip, depth).Strength;
            strength = trace.Let("ΣφMn", strength + own, Unit.Moment,
                $"{new Sym("ΣφMn", strength, Unit.Moment)} + {new Sym("φMn", own, Unit.Moment)}");
        }

        if (strength > 0)
        {
            trace.Let("utilisation", demand / strength, Unit.Ratio,
                $"{new Sym("γf·Msc", demand, Unit.Moment)}/{new Sym("ΣφMn", strength, Unit.Moment)}");
        }

        return Outcome.Ratio(demand, strength) with { Face = Face.Bottom };
    }
}

/// <summary>The same for one direction, by which sizing knows which bars are too few.</summary>
internal readonly struct MomentTransferAlong<TAxis> : ICheckRule<PunchedArea, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    public static Nothing Capacity(PunchedArea s) => default;

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace => MomentTransfer.Along(s, k, TAxis.IsX);
}
