using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// How a column and the walls of its socket press on each other in one direction. Each pressure spreads over a third of the depth, so that
/// the resultants stand
/// a sixth of it below the rim and above the foot; friction is not counted on (statics; the model of EN 1992-1-1 10.9.6.3 with μ = 0).
/// </summary>
/// <param name="Upper">F1 near the rim, along the shear, kN.</param>
/// <param name="Lower">F2 near the foot, against it, kN.</param>
internal readonly record struct SocketForces(double Upper, double Lower)
{
    /// <summary>The larger of both, kN.</summary>
    public double Most => Math.Max(Math.Abs(Upper), Math.Abs(Lower));

    /// <summary>f'c under the column's foot: the least of grout, column, pedestal and base, kPa.</summary>
    public static double FootStrength(Standing s) => Math.Min(FaceStrength(s), s.Rules.Concrete.Strength);

    /// <summary>f'c between column and walls: the least of grout, column and walls, kPa.</summary>
    public static double FaceStrength(Standing s) =>
        Math.Min(Math.Min(s.Rules.Pedestal.Sockets.Grout ?? s.Rules.Concrete.Strength, s.Rules.Column.Strength ?? double.PositiveInfinity),
            JointSections.PedestalStrength(s));

    /// <summary>The forces of a combination along x or y of the base.</summary>
    public static SocketForces Of<T>(Standing s, int k, bool alongX, ref T trace)
        where T : struct, ITrace
    {
        var a = JointSections.AtPedestalTop(s, k);
        var axis = alongX ? "x" : "y";
        var depth = s.Pedestal!.Socket!.Depth;
        if (T.Records)
        {
            trace.Heading($"Pressure between column and socket along {axis}");
        }

        var h = trace.Given("H", alongX ? a.Fx : a.Fy, Unit.Force, "of the column at the rim");
        var m = trace.Given("M", alongX ? a.My : -a.Mx, Unit.Moment, $"of the column at the rim, tipping along {axis}");
        var l = trace.Given("l", depth, Unit.Section,
            "depth of the socket; the resultants stand l/6 below the rim and l/6 above the foot, friction is not counted on");
        var upper = trace.Let("F1", (1.5 * m / l) + (1.25 * h), Unit.Force,
            $"1.5·{new Sym("M", m, Unit.Moment)}/{new Sym("l", l, Unit.Section)} + 1.25·{new Sym("H", h, Unit.Force)}");
        return new SocketForces(upper,
            trace.Let("F2", upper - h, Unit.Force, $"{new Sym("F1", upper, Unit.Force)} − {new Sym("H", h, Unit.Force)}"));
    }
}
