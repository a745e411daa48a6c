using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Piles;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>A strut from a pile to the column's load.</summary>
/// <param name="Column">The column: the nearest.</param>
/// <param name="Run">Its length in plan, m.</param>
/// <param name="Height">Between tie and the top of the cap's compression, m.</param>
/// <param name="Area">Its section at the pile, m2.</param>
internal readonly record struct CapStrut(Standing Column, double Run, double Height, double Area)
{
    // Flatter than 25° a strut is none (ACI 318 23.2.7).
    private static readonly double Flattest = Math.Tan(25 * Math.PI / 180);

    /// <summary>Its slope against the ties, radians.</summary>
    public double Slope => Run <= 0 ? Math.PI / 2 : Math.Atan2(Height, Run);

    /// <summary>Sine of its slope.</summary>
    public double Sine => Run <= 0 ? 1 : Height / Math.Sqrt((Height * Height) + (Run * Run));

    /// <summary>Cosine of its slope.</summary>
    public double Cosine => Run <= 0 ? 0 : Run / Math.Sqrt((Height * Height) + (Run * Run));

    /// <summary>Whether it is too flat.</summary>
    public bool IsFlat => Run > 0 && Height < Flattest * Run;
}

/// <summary>
/// The strut-and-tie model of a cap (ACI 318 chapter 23): struts from each pile to the nearest quarter point of the nearest column, ties at
/// the level of the bars. Where a
/// pile's centre stands within d of the line of a face it must hold; within 2d it is shown.
/// </summary>
internal static class StrutAndTie
{
    private const double LeverArm = 0.9;

    /// <summary>
    /// Whether a pile's centre stands within so many times d beyond the line of a face of the nearest column, each direction by itself.
    /// </summary>
    public static bool IsNear(CapTrial t, Pile p, double times)
    {
        var c = Nearest(t, p);
        var (ax, ay) = (Math.Abs(p.X - c.X) - (c.Outline.X / 2), Math.Abs(p.Y - c.Y) - (c.Outline.Y / 2));
        return (ax > 0 && ax < times * c.Depth(true, true)) || (ay > 0 && ay < times * c.Depth(false, true));
    }

    /// <summary>Whether it must hold: some pile stands within d of a face.</summary>
    public static bool Must(CapTrial t) => Any(t, 1);

    /// <summary>Whether it is shown: some pile stands within 2d of a face.</summary>
    public static bool IsShown(CapTrial t) => Any(t, 2);

    /// <summary>Whether it must hold though the bars along x and y lie so much less deep, m.</summary>
    public static bool Must(CapTrial t, double lessX, double lessY)
    {
        foreach (var p in t.Piles)
        {
            var c = Nearest(t, p);
            var (ax, ay) = (Math.Abs(p.X - c.X) - (c.Outline.X / 2), Math.Abs(p.Y - c.Y) - (c.Outline.Y / 2));
            if ((ax > 0 && ax < c.Depth(true, true) - lessX) || (ay > 0 && ay < c.Depth(false, true) - lessY))
            {
                return true;
            }
        }

        return false;
    }

    private static bool Any(CapTrial t, double times)
    {
        foreach (var p in t.Piles)
        {
            if (IsNear(t, p, times))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The column nearest to a pile, by the distance of their centres.</summary>
    public static Standing Nearest(CapTrial t, Pile p)
    {
        var (best, least) = (t.Columns[0], double.PositiveInfinity);
        foreach (var c in t.Columns)
        {
            var d = ((p.X - c.X) * (p.X - c.X)) + ((p.Y - c.Y) * (p.Y - c.Y));
            (best, least) = d < least - 1e-12 ? (c, d) : (best, least);
        }

        return best;
    }

    /// <summary>
    /// Where a column's load stands at the top of the cap, from its centre, and the sides of what it stands on; null: it pulls, or its
    /// moment takes it beyond a third of a side.
    /// </summary>
    /// <param name="t">The trial.</param>
    /// <param name="c">The column.</param>
    /// <param name="k">The combination.</param>
    public static (PlanPoint Off, double X, double Y)? Load(CapTrial t, Standing c, int k)
    {
        ref readonly var a = ref c.Action(k);
        if (a.N <= 0)
        {
            return null;
        }

        var arm = c.Arm - t.Body.Thickness;
        var off = new PlanPoint((a.My + (arm * a.Fx)) / a.N, -(a.Mx - (arm * a.Fy)) / a.N);
        var (x, y) = (Math.Abs(off.X), Math.Abs(off.Y));
        return x > c.Outline.X / 3 || y > c.Outline.Y / 3 ? null : (off, c.Outline.X - (2 * x), c.Outline.Y - (2 * y));
    }

    /// <summary>Height between a tie and the struts' upper ends, m.</summary>
    public static double Height(double depth) => LeverArm * depth;

    /// <summary>The strut of a pile; null where the model does not apply.</summary>
    /// <param name="t">The trial.</param>
    /// <param name="p">The pile.</param>
    /// <param name="k">The combination.</param>
    /// <param name="less">By how much less deep the bars may lie, m: the section is one that no such strut exceeds.</param>
    public static CapStrut? Strut(CapTrial t, Pile p, int k, double less = 0)
    {
        var c = Nearest(t, p);
        if (Load(t, c, k) is not var (off, x, y))
        {
            return null;
        }

        var (runX, runY) = (Math.Max(0, Math.Abs(p.X - c.X - off.X) - (x / 4)), Math.Max(0, Math.Abs(p.Y - c.Y - off.Y) - (y / 4)));
        var (depth, size) = (c.MeanDepth(true), t.PileRules.Side);
        var strut = new CapStrut(c, Math.Sqrt((runX * runX) + (runY * runY)), Height(depth), 0);
        var flatter = strut with { Height = Height(depth - less) };
        var across = (size * strut.Sine) + (2 * (t.Body.Thickness - depth + less - t.PileRules.Embedment) * flatter.Cosine);
        return strut with { Area = (t.PileRules.Shape == PileShape.Round ? Math.PI / 4 : 1) * size * Math.Max(0, across) };
    }
}
