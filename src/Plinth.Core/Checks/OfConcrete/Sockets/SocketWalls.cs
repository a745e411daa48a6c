using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// The walls of a socket as a ring over a third of the depth: the pressed wall spans between the walls beside it and bends, while it ties
/// the other direction.
/// Closed ties stand in pairs, one near each face of the walls.
/// </summary>
internal readonly struct SocketWalls : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal is not { Socket: not null, Ties: { Size: not null, Spacing: > 0 } })
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (fx, fy) = (SocketForces.Of(s, k, true, ref none).Most, SocketForces.Of(s, k, false, ref none).Most);
        var (x, y) = (Pressed(s, fx, fy, true, ref none), Pressed(s, fy, fx, false, ref none));
        var alongX = x.Utilisation >= y.Utilisation;
        if (T.Records)
        {
            SocketForces.Of(s, k, true, ref trace);
            SocketForces.Of(s, k, false, ref trace);
            Pressed(s, alongX ? fx : fy, alongX ? fy : fx, alongX, ref trace);
        }

        if (T.Notes)
        {
            trace.Note(alongX ? "walls pressed along x" : "walls pressed along y");
        }

        return alongX ? x : y;
    }

    // Bending by the force on this wall, tension by half the force across, and shear at the effective depth from the walls beside it.
    private static Outcome Pressed<T>(Standing s, double force, double across, bool alongX, ref T trace)
        where T : struct, ITrace
    {
        var (pedestal, socket, rules) = (s.Pedestal!, s.Pedestal!.Socket!, s.Rules);
        var tie = pedestal.Ties.Size!;
        trace.Heading($"The wall pressed along {(alongX ? "x" : "y")}, over a third of the depth");
        var third = trace.Let("b", socket.Depth / 3, Unit.Section, $"{new Sym("l", socket.Depth, Unit.Section)}/3");
        var levels = trace.Given("n", Math.Floor((third / pedestal.Ties.Spacing) + 1e-9), Unit.Ratio, "whole pairs of ties within it");
        if (levels < 1)
        {
            trace.Remark("There is no tie in it.");
            return Outcome.Ratio(force, 0);
        }

        var side = alongX ? pedestal.SizeY : pedestal.SizeX;
        var face = alongX ? s.Loaded.Outline.FaceY : s.Loaded.Outline.FaceX;
        var t = new Sym("t", socket.Wall, Unit.Section);
        var span = trace.Let("L", side - socket.Wall, Unit.Section, $"{new Sym("side", side, Unit.Section)} − {t}");
        var moment = trace.Let("Mu", force * ((span / 4) - (face / 8)), Unit.Moment,
            $"{new Sym("F", force, Unit.Force)}·({new Sym("L", span, Unit.Section)}/4 − {new Sym("c", face, Unit.Section)}/8)");
        var layer = trace.Let("As", levels * tie.Area, Unit.SteelArea,
            $"{new Sym("n", levels, Unit.Ratio)}·{new Sym("Ab", tie.Area, Unit.SteelArea)}");
        var cover = rules.Pedestal.Cover + (tie.Diameter / 2);
        var d = trace.Let("d", socket.Wall - cover, Unit.Section, $"{t} − {new Sym("to the tie", cover, Unit.Section)}");
        if (d <= 0)
        {
            return Outcome.Ratio(force, 0);
        }

        var concrete = s.Joints.PedestalConcrete(s);
        var flexure = s.Code.Flexure(ref trace, concrete, rules.Steel.Yield, layer, third, d);
        var pulled = trace.Let("Tu", across / 2, Unit.Force, $"{new Sym("F,across", across, Unit.Force)}/2");
        var both = trace.Let("As", 2 * layer, Unit.SteelArea, $"2·{new Sym("As", layer, Unit.SteelArea)}");
        var tension = s.Code.TensionStrength(ref trace, both, rules.Steel.Yield);
        var bent = trace.Let("u,bent",
            flexure.Ductile && flexure.Strength > 0 ? (moment / flexure.Strength) + (pulled / tension) : Outcome.NoCapacity, Unit.Ratio,
            $"{new Sym("Mu", moment, Unit.Moment)}/{new Sym("φMn", flexure.Strength, Unit.Moment)} + {new Sym("Tu", pulled, Unit.Force)}/"
                + $"{new Sym("φTn", tension, Unit.Force)}");

        // The load spreads over the column's face; what stands within d of the walls beside passes straight into them.
        var from = trace.Let("x", Math.Max(0, d - ((span - socket.Wall - face) / 2)), Unit.Section,
            $"max(0; {new Sym("d", d, Unit.Section)} − ({new Sym("L", span, Unit.Section)} − {t} − {new Sym("c", face, Unit.Section)})/2)");
        var shear = trace.Let("Vu", Math.Max(0, force * (0.5 - (from / face))), Unit.Force,
            $"max(0; {new Sym("F", force, Unit.Force)}·(1/2 − {new Sym("x", from, Unit.Section)}/{new Sym("c", face, Unit.Section)}))");
        var strength = s.Code.OneWayShear(ref trace, concrete, third, d, layer, ofFooting: false);
        var sheared = trace.Let("u,shear", shear / strength, Unit.Ratio,
            $"{new Sym("Vu", shear, Unit.Force)}/{new Sym("φVc", strength, Unit.Force)}");
        return Outcome.Ratio(trace.Let("utilisation", Math.Max(bent, sheared), Unit.Ratio,
            $"max({new Sym("u,bent", bent, Unit.Ratio)}; {new Sym("u,shear", sheared, Unit.Ratio)})"), 1);
    }
}

/// <summary>Shear in the walls of a socket that stand along it, between the pressures near rim and foot, both ways.</summary>
internal readonly struct SocketShear : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal is not { Socket: not null, Bars.Size: not null, Ties: { Size: not null, Spacing: > 0 } })
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (x, y) = (Along(s, k, true, ref none), Along(s, k, false, ref none));
        var alongX = x.Utilisation >= y.Utilisation;
        var worst = alongX ? x : y;
        if (T.Records)
        {
            Along(s, k, alongX, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVn", worst.Capacity, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note(alongX ? "walls along x" : "walls along y");
        }

        return worst;
    }

    private static Outcome Along<T>(Standing s, int k, bool alongX, ref T trace)
        where T : struct, ITrace
    {
        var (pedestal, socket) = (s.Pedestal!, s.Pedestal!.Socket!);
        var f = SocketForces.Of(s, k, alongX, ref trace);
        trace.Heading($"Shear in both walls along {(alongX ? "x" : "y")}");
        var shear = trace.Let("Vu", f.Most, Unit.Force,
            $"max(|{new Sym("F1", f.Upper, Unit.Force)}|; |{new Sym("F2", f.Lower, Unit.Force)}|)");
        var along = alongX ? pedestal.SizeX : pedestal.SizeY;
        var toCentre = s.Rules.Pedestal.Cover + pedestal.Ties.Size!.Diameter + (pedestal.Bars.Size!.Diameter / 2);
        var d = trace.Let("d", along - toCentre, Unit.Section,
            $"{new Sym("side", along, Unit.Section)} − {new Sym("to the bars", toCentre, Unit.Section)}");
        var breadth = trace.Let("bw", 2 * socket.Wall, Unit.Section, $"2·{new Sym("t", socket.Wall, Unit.Section)}");
        var concrete = s.Joints.PedestalConcrete(s);
        return Outcome.Ratio(shear,
            s.Code.ColumnShear(ref trace, concrete,
                new ShearColumn(breadth, d, breadth * along, 0, 4 * pedestal.Ties.Size.Area, pedestal.Ties.Spacing, s.Rules.Steel.Yield)));
    }
}
