using Plinth.Core.Bodies;
using Plinth.Core.Foundations;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Bearing of the column, plate or pedestal on the concrete below it, and of the column's own concrete with its dowels.</summary>
internal readonly struct ColumnBearing : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    // The weakest concrete without help from what surrounds it.
    public static double UpperBound(Standing s, in Nothing capacity, int k)
    {
        var support = s.Support;
        var least = support.Shape == ColumnShape.Steel ? support.PlateX * support.PlateY : support.Area;
        var strength = Math.Min(Math.Min(s.Rules.Concrete.Strength, s.Rules.Column.Strength ?? double.PositiveInfinity),
            s.Pedestal is null ? double.PositiveInfinity
                : s.Pedestal.Socket is null ? JointSections.PedestalStrength(s)
                : SocketForces.FootStrength(s));
        var none = default(NoTrace);
        var area = Math.Min(least, s.Pedestal?.Area ?? least);
        return (s.Brings(k).N + (s.Combinations[k].WeightFactor * s.PedestalWeight)) / s.Code.BearingOnConcrete(ref none, strength, area,
            area);
    }

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var n = s.Brings(k).N;
        if (n <= 0)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var worst = Joint(s, k, 0, ref none);
        var which = 0;
        for (var i = 1; i < 3; i++)
        {
            var o = Joint(s, k, i, ref none);
            if (o.Done && o.Utilisation > worst.Utilisation)
            {
                (worst, which) = (o, i);
            }
        }

        if (T.Records)
        {
            Joint(s, k, which, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("Pu", worst.Demand, Unit.Force)}/{new Sym("φBn", worst.Capacity, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note((which, s.Pedestal is null) switch
            {
                (0, true) =>
                    "on the base"
                        + (JointSections.Designed(s) || !Concrete(s)
                            ? ""
                            : "; the column's own concrete is not checked: [column] strength is not given"),
                (0, false) => "of the pedestal on the base",
                (1, _) when s.Pedestal?.Socket is not null => "of the column's foot in the socket",
                (1, _) => s.Pedestal is null ? "of the column's own concrete" : "on the pedestal",
                _ => "of the column's own concrete",
            });
        }

        return worst;
    }

    /// <summary>
    /// A1 and A2: what presses, and the largest area of its shape within the concrete below over which the code spreads it, m2.
    /// </summary>
    /// <param name="s">The base.</param>
    /// <param name="onPedestal">The column on the pedestal, or what stands on the base.</param>
    public static (double Loaded, double Around) Areas(Standing s, bool onPedestal)
    {
        var support = s.Support;
        var own = support.Shape switch
        {
            ColumnShape.Steel => support.PlateX * support.PlateY,
            _ => support.Area,
        };
        if (onPedestal)
        {
            var (pedestal, column) = (s.Pedestal!, s.Loaded.Outline);
            var (px, py) = pedestal.Round
                ? (pedestal.SizeX / Math.Sqrt(2), pedestal.SizeX / Math.Sqrt(2))
                : (pedestal.SizeX, pedestal.SizeY);
            return (own, own * Similar(s, column, (px - column.FaceX) / 2, (py - column.FaceY) / 2, s.PedestalHeight));
        }

        var area = s.Pedestal?.Area ?? own;
        var o = s.Outline;
        return (area, area * Similar(s, o, s.ToEdge(true) - (o.FaceX / 2), s.ToEdge(false) - (o.FaceY / 2), s.Body.Height));
    }

    private static double Similar(Standing s, in ColumnOutline outline, double beyondX, double beyondY, double depth)
    {
        var times = s.Code.SimilarTimes(new(outline.FaceX, outline.FaceY, beyondX, beyondY, depth));
        return times * times;
    }

    private static bool Concrete(Standing s) => s.Support.IsConcrete;

    // 0: on the base; 1: column on the pedestal; 2: the column's own concrete.
    private static Outcome Joint<T>(Standing s, int k, int which, ref T trace)
        where T : struct, ITrace
    {
        var n = s.Brings(k).N;
        if (which == 0)
        {
            // In a socket the column's foot presses, not the walls.
            if (s.Pedestal?.Socket is not null)
            {
                return Outcome.NotDone;
            }

            trace.Heading(s.Pedestal is null ? "Bearing on the base" : "Bearing of the pedestal on the base");
            if (s.Pedestal is not null)
            {
                var fw = s.Combinations[k].WeightFactor;
                n = trace.Let("Pu", n + (fw * s.PedestalWeight), Unit.Force,
                    $"{new Sym("N", n, Unit.Force)} + {new Sym("fw", fw, Unit.Ratio)}·{new Sym("Wped", s.PedestalWeight, Unit.Force)}");
            }

            var (loaded, around) = Areas(s, false);
            trace.Given("A1", loaded, Unit.Area, "what presses");
            trace.Given("A2", around, Unit.Area, $"the largest area similar to it within the base, {s.Code.SimilarWords}",
                s.Code.BearingClause);
            return Outcome.Ratio(n, s.Code.BearingOnConcrete(ref trace, s.Rules.Concrete.Strength, loaded, around));
        }

        if (which == 1)
        {
            if (s.Pedestal is null)
            {
                return Outcome.NotDone;
            }

            if (s.Pedestal.Socket is not null)
            {
                trace.Heading("Bearing of the column's foot in the socket");
                var foot = trace.Given("A1", s.Support.Area, Unit.Area, "the column; what surrounds it is not counted on");
                return Outcome.Ratio(n, s.Code.BearingOnConcrete(ref trace, SocketForces.FootStrength(s), foot, foot));
            }

            trace.Heading("Bearing of the column on the pedestal");
            var (loaded, around) = Areas(s, true);
            trace.Given("A1", loaded, Unit.Area, "what presses");
            trace.Given("A2", around, Unit.Area, $"the largest area similar to it within the pedestal, {s.Code.SimilarWords}",
                s.Code.BearingClause);
            return Outcome.Ratio(n, s.Code.BearingOnConcrete(ref trace, JointSections.PedestalStrength(s), loaded, around));
        }

        if (!JointSections.Designed(s) || s.Rules.Column.Strength is not { } strength)
        {
            return Outcome.NotDone;
        }

        trace.Heading("Bearing of the column's own concrete");
        var own = s.Support.Area;
        var concrete = s.Code.BearingOnConcrete(ref trace, strength, own, own);
        var bars = s.Code.BarsInBearing(ref trace, s.Dowels.Area, s.Rules.Steel.Yield);
        return Outcome.Ratio(n,
            trace.Let("φBn", concrete + bars, Unit.Force, $"{new Sym("φBn", concrete, Unit.Force)} + {new Sym("φFs", bars, Unit.Force)}"));
    }
}
