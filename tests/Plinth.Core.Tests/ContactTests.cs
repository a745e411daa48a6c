using CsCheck;
using Plinth.Core.Contact;

namespace Plinth.Core.Tests;

/// <summary>
/// Contact of a rigid base on ground without tension: closed forms, values worked by hand, and properties over random input.
/// </summary>
public class ContactTests
{
    // 3 × 2 m, N 600 kN. Statics by hand for the first two (trapezoid, triangle 2N/(3B(L/2−e))), the third in the kern; the others solved
    // apart and integrated.
    [Theory]
    [InlineData(0.5, 0, 200, 200, 0, 0, 1.0)]
    [InlineData(0.75, 0, 266.66667, 266.66667, 0, 0, 0.75)]
    [InlineData(0.25, 1.0 / 6, 200, 100, 0, 100, 1.0)]
    [InlineData(0.5, 1.0 / 3, 330.442, 90.266, 0, 90.266, 0.80521)]
    [InlineData(0.6, 0.4, 413.729, 71.987, 0, 71.987, 0.68846)]
    [InlineData(1.2, 0.8, 3750, 0, 0, 0, 0.08)]
    public void Known_corner_pressures(double xR, double yR, double highest, double next, double opposite, double across, double share)
    {
        var s = ContactSolver.Rectangle(3, 2, 600, xR, yR);
        var p = s.Pressure;
        p.At(1.5, 1).Should().BeApproximately(highest, highest * 1e-5);
        s.Share.Should().BeApproximately(share, 1e-5);
        p.At(-1.5, -1).Should().BeApproximately(opposite, 1e-3);
        if (yR == 0)
        {
            p.At(1.5, -1).Should().BeApproximately(next, next * 1e-5);
        }
        else
        {
            Math.Max(p.At(1.5, -1), p.At(-1.5, 1)).Should().BeApproximately(next, 2e-3);
            Math.Min(p.At(1.5, -1), p.At(-1.5, 1)).Should().BeApproximately(across, 2e-3);
        }
    }

    private static readonly Gen<(double L, double B, double N, double X, double Y)> Bases =
        Gen.Select(Gen.Double[0.5, 12], Gen.Double[0.5, 12], Gen.Double[1, 20000], Gen.Double[-0.999999, 0.999999],
            Gen.Double[-0.999999, 0.999999], (l, b, n, u, v) => (l, b, n, u * l / 2, v * b / 2));

    [Fact]
    public void Pressures_balance_the_load_to_1e_9() =>
        Bases.Sample(
            b =>
            {
                var s = ContactSolver.Rectangle(b.L, b.B, b.N, b.X, b.Y);
                var r = s.Pressure.OverRectangle(-b.L / 2, -b.B / 2, b.L / 2, b.B / 2);
                var scale = b.N * Math.Max(b.L, b.B);
                return s.State != ContactState.NoEquilibrium && Math.Abs(r.Force - b.N) <= 1e-9 * b.N
                    && Math.Abs(r.MomentX - (b.N * b.X)) <= 1e-9 * scale && Math.Abs(r.MomentY - (b.N * b.Y)) <= 1e-9 * scale
                    && s.Share is > 0 and <= 1;
            },
            iter: 200_000);

    [Fact]
    public void The_general_polygon_agrees_with_the_rectangle() =>
        Bases.Sample(
            b =>
            {
                var s = ContactSolver.Rectangle(b.L, b.B, b.N, b.X, b.Y);
                PlanPoint[] outline = [new(-b.L / 2, -b.B / 2), new(b.L / 2, -b.B / 2), new(b.L / 2, b.B / 2), new(-b.L / 2, b.B / 2)];
                var g = ContactSolver.Polygon(outline, b.N, b.X, b.Y);
                var corner = (X: Math.CopySign(b.L / 2, b.X), Y: Math.CopySign(b.B / 2, b.Y));
                var p = s.Pressure.At(corner.X, corner.Y);
                return Math.Abs(g.Pressure.At(corner.X, corner.Y) - p) <= 1e-6 * p && Math.Abs(g.Share - s.Share) <= 1e-6;
            },
            iter: 20_000);

    [Fact]
    public void A_trapezoid_balances_too()
    {
        PlanPoint[] outline = [new(-2, -1.5), new(2, -0.8), new(2, 0.8), new(-2, 1.5)];
        Gen.Select(Gen.Double[-1.9, 1.9], Gen.Double[-0.7, 0.7]).Sample(
            (x, y) =>
            {
                var s = ContactSolver.Polygon(outline, 500, x, y);
                var r = s.Pressure.Over(outline);
                return Math.Abs(r.Force - 500) < 1e-6 && Math.Abs(r.MomentX - (500 * x)) < 1e-5 && Math.Abs(r.MomentY - (500 * y)) < 1e-5;
            },
            iter: 5_000);
    }

    [Fact]
    public void A_fine_numerical_integration_agrees() =>
        Bases.Sample(
            b =>
            {
                const int cells = 600;
                var p = ContactSolver.Rectangle(b.L, b.B, b.N, b.X * 0.9, b.Y * 0.9).Pressure;
                double force = 0, mx = 0, my = 0;
                for (var i = 0; i < cells; i++)
                {
                    for (var j = 0; j < cells; j++)
                    {
                        var (x, y) = ((((i + 0.5) / cells) - 0.5) * b.L, (((j + 0.5) / cells) - 0.5) * b.B);
                        var q = p.At(x, y);
                        force += q;
                        mx += q * x;
                        my += q * y;
                    }
                }

                var da = b.L * b.B / cells / cells;
                return Math.Abs((force * da) - b.N) < 3e-3 * b.N && Math.Abs((mx * da) - (b.N * b.X * 0.9)) < 3e-3 * b.N * b.L
                    && Math.Abs((my * da) - (b.N * b.Y * 0.9)) < 3e-3 * b.N * b.B;
            },
            iter: 60);

    [Fact]
    public void Mirrored_loads_give_mirrored_pressures_and_force_only_scales() =>
        Bases.Sample(b =>
        {
            var s = ContactSolver.Rectangle(b.L, b.B, b.N, b.X, b.Y);
            var m = ContactSolver.Rectangle(b.L, b.B, 3 * b.N, -b.X, b.Y);
            var t = ContactSolver.Rectangle(b.B, b.L, b.N, b.Y, b.X);
            var top = s.Pressure.At(b.L / 2, b.B / 2);
            var scale = b.N / (b.L * b.B * s.Share);
            return Math.Abs((3 * top) - m.Pressure.At(-b.L / 2, b.B / 2)) <= 1e-6 * scale
                && Math.Abs(top - t.Pressure.At(b.B / 2, b.L / 2)) <= 1e-6 * scale;
        });

    [Fact]
    public void Contact_shrinks_as_the_load_moves_out() =>
        Bases.Sample(b => ContactSolver.Rectangle(b.L, b.B, b.N, b.X * 0.9,
            b.Y * 0.9).Share >= ContactSolver.Rectangle(b.L, b.B, b.N, b.X, b.Y).Share - 1e-9);

    [Theory]
    [InlineData(600, 1.5, 0)]
    [InlineData(600, 0, -1.0)]
    [InlineData(600, 1.5 * (1 - 1e-10), 0)]
    [InlineData(0, 0, 0)]
    [InlineData(-5, 0, 0)]
    [InlineData(600, double.NaN, 0)]
    public void No_equilibrium_on_or_beyond_the_edge_or_without_weight(double n, double x, double y) =>
        ContactSolver.Rectangle(3, 2, n, x, y).State.Should().Be(ContactState.NoEquilibrium);

    [Theory]
    [InlineData(1 - 1e-8, 0)]
    [InlineData(1 - 1e-8, 0.3)]
    [InlineData(0.2, 1 - 1e-8)]
    [InlineData(1 - 1e-8, 1 - 1e-8)]
    [InlineData(1 - 1e-6, 1e-3)]
    public void Close_to_the_edge_the_balance_still_holds(double u, double v)
    {
        var s = ContactSolver.Rectangle(3, 2, 600, u * 1.5, v);
        var r = s.Pressure.OverRectangle(-1.5, -1, 1.5, 1);
        r.Force.Should().BeApproximately(600, 600e-6, "a strip of a hundred-millionth of the base");
        r.MomentX.Should().BeApproximately(600 * u * 1.5, 1e-6 * 1800);
        r.MomentY.Should().BeApproximately(600 * v, 1e-6 * 1800);
    }

    [Fact]
    public void A_rectangle_within_the_base_is_integrated_exactly_whether_it_lifts_or_not() =>
        Gen.Select(Bases, Gen.Double[-0.5, 0.5], Gen.Double[-0.5, 0.5]).Sample((b, u, v) =>
        {
            var p = ContactSolver.Rectangle(b.L, b.B, b.N, b.X, b.Y).Pressure;
            var (xm, ym) = (u * b.L, v * b.B);
            var (l, r) = (b.L / 2, b.B / 2);
            var whole = p.OverRectangle(-l, -r, l, r);
            var parts = new[] { p.OverRectangle(-l, -r, xm, ym), p.OverRectangle(xm, -r, l, ym), p.OverRectangle(-l, ym, xm, r),
                p.OverRectangle(xm, ym, l, r) };
            return Math.Abs(parts.Sum(q => q.Force) - whole.Force) < 1e-8 * b.N
                && Math.Abs(parts.Sum(q => q.MomentX) - whole.MomentX) < 1e-8 * b.N * b.L;
        });
}
