using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// The depth of a socket: its least ratio to the column's side, the development of the column's bars, and the bond that a pull needs.
/// </summary>
internal readonly struct SocketDepth : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal?.Socket is not { } socket)
        {
            return Outcome.NotDone;
        }

        var rules = s.Rules.Pedestal.Sockets;
        var a = JointSections.AtPedestalTop(s, k);
        trace.Heading("Depth of the socket");
        var (cx, cy) = (s.Loaded.Outline.FaceX, s.Loaded.Outline.FaceY);
        var side = Math.Max(cx, cy);
        var ratio = trace.Let("l,ratio", rules.DepthRatio * side, Unit.Section,
            $"{new Sym("ratio", rules.DepthRatio, Unit.Ratio)}·{new Sym("h", side, Unit.Section)}", "EN 1992-1-1 10.9.6.3(1)");
        var bars = 0.0;
        var known = s.Rules.Column.Bars is { Size: not null };
        var parts = JointSections.Pulls(a, cx, cy);
        if (parts && s.Rules.Column.Bars is { Size: { } size } upright)
        {
            var concrete = s.Rules.Concrete with { Strength = s.Rules.Column.Strength ?? s.Rules.Concrete.Strength };
            var toCentre = s.Rules.Column.Cover + s.Code.LeastTie(size.Diameter) + (size.Diameter / 2);
            var (nx, ny) = Concrete.ColumnSection.Sides(upright.Count, cx - (2 * toCentre), cy - (2 * toCentre));
            var spacing = Math.Min((cx - (2 * toCentre)) / (nx - 1), (cy - (2 * toCentre)) / (ny - 1));
            bars = s.Code.StraightDevelopment(ref trace, concrete, new DevelopedBar(size, s.Rules.Steel.Yield, spacing, toCentre, 0, 0));
        }

        var pull = Math.Max(0, -a.N);
        var keyed = rules.Face == Foundations.SocketFace.Keyed;
        var bond = 0.0;
        if (pull > 0 && keyed)
        {
            var around = 2 * (cx + cy);
            var stress = s.Code.KeyedShear(ref trace, SocketForces.FootStrength(s));
            bond = trace.Let("l,bond", pull / (stress * around), Unit.Section,
                $"{new Sym("T", pull, Unit.Force)}/({new Sym("φvnh", stress, Unit.Stress)}·{new Sym("u", around, Unit.Section)})");
        }

        var needed = trace.Let("l,needed", Math.Max(ratio, Math.Max(bars, bond)), Unit.Section,
            $"max({new Sym("l,ratio", ratio, Unit.Section)}; {new Sym("ld", bars, Unit.Section)}; "
                + $"{new Sym("l,bond", bond, Unit.Section)})");
        var result = Outcome.Ratio(needed, socket.Depth);
        if (pull > 1e-9 && !keyed)
        {
            trace.Note("the column pulls up, which a smooth socket does not hold: [socket] face = \"keyed\"");
            return result with { Utilisation = Outcome.NoCapacity };
        }

        trace.Let("utilisation", result.Utilisation, Unit.Ratio,
            $"{new Sym("l,needed", needed, Unit.Section)}/{new Sym("l", socket.Depth, Unit.Section)}");
        if (T.Notes)
        {
            trace.Note((needed == ratio ? "least ratio of depth to the column's side"
                : needed == bars ? "development of the column's bars"
                : "bond of the keyed faces against the pull")
                + (parts && !known ? "; the development of the column's bars is not checked: [column] bars is not given" : ""));
        }

        return result;
    }
}

/// <summary>The pressure of the column on grout and walls, near the rim and near the foot, both ways.</summary>
internal readonly struct SocketPressure : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal?.Socket is not { } socket)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (x, y) = (Along(s, k, socket.Depth, true, ref none), Along(s, k, socket.Depth, false, ref none));
        var alongX = x.Utilisation >= y.Utilisation;
        var worst = alongX ? x : y;
        if (T.Records)
        {
            Along(s, k, socket.Depth, alongX, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("F", worst.Demand, Unit.Force)}/{new Sym("φBn", worst.Capacity, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note(alongX ? "along x" : "along y");
        }

        return worst;
    }

    private static Outcome Along<T>(Standing s, int k, double depth, bool alongX, ref T trace)
        where T : struct, ITrace
    {
        var f = SocketForces.Of(s, k, alongX, ref trace);
        var most = trace.Let("F", f.Most, Unit.Force,
            $"max(|{new Sym("F1", f.Upper, Unit.Force)}|; |{new Sym("F2", f.Lower, Unit.Force)}|)");
        var breadth = alongX ? s.Loaded.Outline.FaceY : s.Loaded.Outline.FaceX;
        var area = trace.Let("A1", breadth * depth / 3, Unit.Area,
            $"{new Sym("c", breadth, Unit.Section)}·{new Sym("l", depth, Unit.Section)}/3");
        return Outcome.Ratio(most, s.Code.BearingOnConcrete(ref trace, SocketForces.FaceStrength(s), area, area));
    }
}
