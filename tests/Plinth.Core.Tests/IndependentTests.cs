using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Demands of random footings by a calculation of its own: contact by Newton on a grid of points, section forces and the moments that shear
/// transfers by
/// sums over points, polar moments by sums over the faces. It shares nothing with the program but the input.
/// </summary>
public class IndependentTests
{
    private const int Points = 160;
    private const double Cover = 0.075;
    private const double Bar = 0.016;

    private sealed record Footing(double Length, double Width, double H, double Cx, double Cy, double OffsetX, double OffsetY, double N,
        double Fx, double Fy, double Mx, double My)
    {
        public SupportAction Action => new(N, Fx, Fy, Mx, My, 0);
    }

    private static Gen<Footing> Footings(double moments) => Gen.Select(
        Gen.Select(Gen.Double[1.6, 3.6], Gen.Double[1.6, 3.6], Gen.Double[0.4, 0.8], Gen.Double[0.3, 0.6], Gen.Double[0.3, 0.6],
            Gen.Double[-0.25, 0.25], Gen.Double[-0.25, 0.25]),
        Gen.Select(Gen.Double[300, 1500], Gen.Double[-60, 60], Gen.Double[-60, 60], Gen.Double[-1, 1], Gen.Double[-1, 1])).Select((g, a) =>
        new Footing(g.Item1, g.Item2, g.Item3, g.Item4, g.Item5, g.Item6, g.Item7, a.Item1, a.Item2, a.Item3, a.Item4 * moments * a.Item1,
            a.Item5 * moments * a.Item1));

    private static Project Of(Footing f) =>
        OneAction(f.Action, Rules, Column(f.Cx, f.Cy),
            new HeldValues { OffsetX = f.OffsetX, OffsetY = f.OffsetY, OffsetXGiven = true, OffsetYGiven = true });

    // Weights of base and soil on a unit of area, kPa, and the soil that the column displaces, kN: founded 1.0 m deep, 18 kN/m3, concrete
    // 24.
    private static double PerArea(Footing f) => (24 * f.H) + (18 * (1 - f.H));

    private static double Displaced(Footing f) => 18 * (1 - f.H) * f.Cx * f.Cy;

    // A function summed over points in the middle of equal parts of a rectangle.
    private static double Sum(double x0, double x1, double y0, double y1, Func<double, double, double> of)
    {
        if (x1 <= x0 || y1 <= y0)
        {
            return 0;
        }

        var (dx, dy, sum) = ((x1 - x0) / Points, (y1 - y0) / Points, 0.0);
        for (var i = 0; i < Points; i++)
        {
            for (var j = 0; j < Points; j++)
            {
                sum += of(x0 + ((i + 0.5) * dx), y0 + ((j + 0.5) * dy));
            }
        }

        return sum * dx * dy;
    }

    // The plane under the base whose pressed part holds N at (ex, ey); null where Newton does not settle.
    private static (double A, double B, double C)? Plane(double length, double width, double n, double ex, double ey)
    {
        var (a, b, c) = (n / (length * width), 12 * n * ex / (width * Math.Pow(length, 3)), 12 * n * ey / (length * Math.Pow(width, 3)));
        for (var step = 0; step < 200; step++)
        {
            double s0 = 0, sx = 0, sy = 0, sxx = 0, sxy = 0, syy = 0;
            var (dx, dy) = (length / Points, width / Points);
            for (var i = 0; i < Points; i++)
            {
                for (var j = 0; j < Points; j++)
                {
                    var (x, y) = (((i + 0.5) * dx) - (length / 2), ((j + 0.5) * dy) - (width / 2));
                    if (a + (b * x) + (c * y) > 0)
                    {
                        (s0, sx, sy, sxx, sxy, syy) = (s0 + 1, sx + x, sy + y, sxx + (x * x), sxy + (x * y), syy + (y * y));
                    }
                }
            }

            // The plane that holds the load on the part that is pressed now.
            var cell = dx * dy;
            var (na, nb,
                nc) = Solve([[s0 * cell, sx * cell, sy * cell, n], [sx * cell, sxx * cell, sxy * cell, n * ex],
                    [sy * cell, sxy * cell, syy * cell, n * ey]]);
            var change = Math.Abs(na - a) + Math.Abs(nb - b) + Math.Abs(nc - c);
            (a, b, c) = step < 20 ? (na, nb, nc) : (a + (0.5 * (na - a)), b + (0.5 * (nb - b)), c + (0.5 * (nc - c)));
            if (change < 1e-9 * (1 + Math.Abs(a)))
            {
                return (a, b, c);
            }
        }

        return null;
    }

    private static (double, double, double) Solve(double[][] m)
    {
        for (var i = 0; i < 3; i++)
        {
            var pivot = Enumerable.Range(i, 3 - i).MaxBy(r => Math.Abs(m[r][i]));
            (m[i], m[pivot]) = (m[pivot], m[i]);
            for (var r = 0; r < 3; r++)
            {
                var f = r == i ? 0 : m[r][i] / m[i][i];
                for (var k = i; k < 4 && r != i; k++)
                {
                    m[r][k] -= f * m[i][k];
                }
            }
        }

        return (m[0][3] / m[0][0], m[1][3] / m[1][1], m[2][3] / m[2][2]);
    }

    private sealed record Demands(double Share, double Most, double[] ShearUp, double[] ShearDown, double[] MomentUp, double[] MomentDown,
        double? TwoWay);

    private static Demands? Calculate(Footing f, double columnX, double columnY)
    {
        var (l, w, per) = (f.Length, f.Width, PerArea(f));

        // At the underside: moments of forces at the top of the base and of the column off the middle. My and Fx press +x, −Mx and Fy press
        // +y.
        var down = f.N - Displaced(f);
        var n = down + (per * l * w);
        var ex = (f.My + (f.Fx * f.H) + (down * columnX)) / n;
        var ey = (-f.Mx + (f.Fy * f.H) + (down * columnY)) / n;
        if (Math.Abs(ex) > 0.30 * l || Math.Abs(ey) > 0.30 * w || Plane(l, w, n, ex, ey) is not var (a, b, c))
        {
            return null;
        }

        double P(double x, double y) => Math.Max(0, a + (b * x) + (c * y));
        var (dx, dy) = (f.H - Cover - (Bar / 2), f.H - Cover - (1.5 * Bar));
        double[] shears = [0, 0], hangs = [0, 0], ups = [0, 0], downs = [0, 0];
        for (var axis = 0; axis < 2; axis++)
        {
            var (half, across, column, face, d) = axis == 0 ? (l / 2, w, columnX, f.Cx / 2, dx) : (w / 2, l, columnY, f.Cy / 2, dy);
            double Along(double from, double to, Func<double, double, double> of) =>
                axis == 0
                    ? Sum(from, to, -across / 2, across / 2, (x, y) => of(x, P(x, y)))
                    : Sum(-across / 2, across / 2, from, to, (x, y) => of(y, P(x, y)));
            foreach (var side in new[] { -1, 1 })
            {
                var (at, cut) = (column + (side * face), column + (side * (face + d)));
                double Beyond(double from, Func<double, double, double> of) => side > 0 ? Along(from, half, of) : Along(-half, from, of);

                shears[axis] = Math.Max(shears[axis], Beyond(cut, (_, p) => p - per));
                hangs[axis] = Math.Max(hangs[axis], Beyond(at, (_, p) => per - p));
                ups[axis] = Math.Max(ups[axis], Beyond(at, (u, p) => (p - per) * Math.Abs(u - at)));
                downs[axis] = Math.Max(downs[axis], Beyond(at, (u, p) => (per - p) * Math.Abs(u - at)));
            }
        }

        return new Demands(Sum(-l / 2, l / 2, -w / 2, w / 2, (x, y) => P(x, y) > 0 ? 1 : 0) / (l * w),
            new[] { -1, 1 }.Max(i => new[] { -1, 1 }.Max(j => P(i * l / 2, j * w / 2))), shears, hangs, ups, downs,
            TwoWay(f, P, per, columnX, columnY, (dx + dy) / 2));
    }

    // vu at the corners of the closed section at d/2; null where it does not lie within the base by half a depth all round, so that open
    // ones do not govern.
    private static double? TwoWay(Footing f, Func<double, double, double> p, double per, double columnX, double columnY, double d)
    {
        var (sx, sy) = (f.Cx + d, f.Cy + d);
        var (x0, x1, y0, y1) = (columnX - (sx / 2), columnX + (sx / 2), columnY - (sy / 2), columnY + (sy / 2));
        var (gapX, gapY) = (Math.Min(x0 + (f.Length / 2), (f.Length / 2) - x1), Math.Min(y0 + (f.Width / 2), (f.Width / 2) - y1));

        // An open section is shorter where an edge is near; then the closed one need not govern.
        if (gapX < (sx + sy) / 2 || gapY < (sx + sy) / 2)
        {
            return null;
        }

        var inside = Sum(x0, x1, y0, y1, (x, y) => p(x, y) - per) + Displaced(f);
        var vu = f.N - inside;

        // About the section's middle, which is the column's: the soil displaced lies there and has no arm.
        var mx = Sum(x0, x1, y0, y1, (x, y) => (p(x, y) - per) * (y - columnY));
        var my = Sum(x0, x1, y0, y1, (x, y) => (p(x, y) - per) * (x - columnX));

        // Polar moments of the faces by sums of area times distance squared, thin as they are.
        double Faces(double along, double across)
        {
            const int Parts = 4000;
            var sum = 0.0;
            for (var i = 0; i < Parts; i++)
            {
                var u = along * (((i + 0.5) / Parts) - 0.5);
                sum += 2 * (along / Parts) * d * u * u;
            }

            return sum + (2 * along * d * d * d / 12) + (2 * across * d * along * along / 4);
        }

        var (jy, jx) = (Faces(sx, sy), Faces(sy, sx));
        double Share(double along, double across) => 1 - (1 / (1 + (2.0 / 3 * Math.Sqrt(along / across))));
        var (gy, gx) = (Share(sx, sy), Share(sy, sx));
        return (vu, mx, my, jx, jy, gx, gy) is var v ? Corners(f, v, sx, sy, d) : null;
    }

    private static double Corners(Footing f, (double Vu, double Mx, double My, double Jx, double Jy, double Gx, double Gy) v, double sx,
        double sy, double d)
    {
        // Moments of the column at the underside of the base, where its forces and the pressures meet.
        var (ofX, ofY) = (f.My + (f.Fx * f.H) - v.My, -f.Mx + (f.Fy * f.H) - v.Mx);
        var direct = v.Vu / (2 * (sx + sy) * d);
        return direct + (v.Gy * Math.Abs(ofX) * sx / 2 / v.Jy) + (v.Gx * Math.Abs(ofY) * sy / 2 / v.Jx);
    }

    private static void Compare(Footing f, double tolerance, Action<Demands> seen)
    {
        var project = Of(f);
        var design = Design(f.Length, f.Width, f.H, "16 T16", "16 T16", "16 T16", "16 T16");
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        var state = checker.Trials[0];
        if (Calculate(f, state.Columns[0].X, state.Columns[0].Y) is not { } own)
        {
            return;
        }

        seen(own);
        var result = checker.Check(design);
        void Near(string id, double mine)
        {
            if (mine > 1)
            {
                var theirs = result.Of(id).Outcome.Demand;
                theirs.Should().BeInRange(mine * (1 - tolerance), mine * (1 + tolerance), $"{id} of {f}");
            }
        }

        result.Of("contact").Outcome.Capacity.Should().BeApproximately(own.Share, 0.01);
        Near("bearing", own.Most);
        foreach (var (axis, i) in new[] { ("x", 0), ("y", 1) })
        {

            // A part that has lifted hangs from the rest: shear at the face, not at d. The top bars lie no less deep.
            var hangs = result.Of("one-way-shear-" + axis).Outcome.Face == Face.Top;
            Near("one-way-shear-" + axis, hangs ? own.ShearDown[i] : own.ShearUp[i]);
            if (hangs)
            {
                own.ShearDown[i].Should().BeGreaterThan(own.ShearUp[i] * 0.98);
            }
            else
            {
                own.ShearUp[i].Should().BeGreaterThanOrEqualTo((own.ShearDown[i] * 0.75) - 1);
            }

            Near("flexure-bottom-" + axis, own.MomentUp[i]);
        }

        if (own.TwoWay is { } vu)
        {
            Near("two-way-shear", vu);
        }
    }

    [Fact]
    public void A_base_that_bears_wholly_is_used_as_by_hand()
    {
        var (whole, punched) = (0, 0);
        Footings(0.03).Sample(
            f => Compare(f, 0.002, own =>
            {
                Interlocked.Add(ref whole, own.Share > 0.9999 ? 1 : 0);
                Interlocked.Add(ref punched, own.TwoWay is null ? 0 : 1);
            }),
            iter: 200);
        whole.Should().BeGreaterThan(80);
        punched.Should().BeGreaterThan(5, "two-way shear was compared too");
    }

    [Fact]
    public void A_base_that_has_lifted_in_part_is_used_as_by_hand()
    {
        var lifted = 0;
        Footings(0.45).Sample(f => Compare(f, 0.02, own => Interlocked.Add(ref lifted, own.Share < 0.99 ? 1 : 0)), iter: 300);
        lifted.Should().BeGreaterThan(12);
    }
}
