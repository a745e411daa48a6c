using CsCheck;
using Plinth.Core.Contact;
using Plinth.Core.Numerics;
using Plinth.Core.Response;

namespace Plinth.Core.Tests;

/// <summary>
/// A beam on springs against closed forms (M. Hetényi, Beams on Elastic Foundation, 1946), against its own halved elements, and against a
/// rigid base as it grows stiff. EI 250 MNm², B 1.5, k 20 MN/m³ unless said: λ 0.41618 /m.
/// </summary>
public class SpringBeamTests
{
    private const double Ei = 250e3;
    private const double B = 1.5;
    private const double K = 20e3;

    private static SpringBeam Beam(double low, double high, params double[] stops) => new(low, high, B, Ei, K, stops);

    // Shear and moment of what lies before a section.
    private static (double V, double M) At(SpringBeam beam, ReadOnlySpan<BeamLoad> loads, double line, double x)
    {
        var (force, moment) = beam.Before(x);
        var low = beam.Nodes[0];
        var (v, m) = (force - (line * (x - low)), (x * force) - moment - (line * (x - low) * (x - low) / 2));
        foreach (var l in loads)
        {
            if (x <= l.From)
            {
                continue;
            }

            var share = l.To - l.From < 1e-9 ? 1 : Math.Min(1, (x - l.From) / (l.To - l.From));
            var at = l.From + (share * (l.To - l.From) / 2);
            (v, m) = (v - (share * l.Force), m - (share * l.Force * (x - at)) + (share * l.Turns));
        }

        return (v, m);
    }

    [Fact]
    public void An_infinite_beam_under_a_force()
    {
        var beam = Beam(-20, 20, 0);
        BeamLoad[] loads = [new(0, 0, 800, 0, 0)];
        beam.Characteristic.Should().BeApproximately(0.41618, 5e-6);

        // Long enough that its ends do nothing; with weight enough that none of it lifts.
        beam.Solve(loads, 100).Should().BeTrue();
        var even = 100 / (K * B);
        (beam.Settlement(0) - even).Should().BeApproximately(5.549e-3, 5e-7);
        At(beam, loads, 100, 0).M.Should().BeApproximately(480.6, 0.05);
        beam.Share.Should().Be(1);
    }

    [Fact]
    public void A_couple_on_an_infinite_beam()
    {
        var beam = Beam(-20, 20, 0, 1);
        BeamLoad[] loads = [new(0, 0, 0, 300, 0)];
        beam.Solve(loads, 100).Should().BeTrue();
        const double L = 0.41618;
        (beam.Settlement(1) - (100 / (K * B))).Should().BeApproximately(300 * L * L / (K * B) * Math.Exp(-L) * Math.Sin(L), 5e-8,
            "M·λ²/(k·B)·e^−λx·sin λx");
        At(beam, loads, 100, 1).M.Should().BeApproximately(90.49, 0.01);
    }

    [Fact]
    public void A_finite_beam_under_a_force_in_its_middle()
    {
        var beam = Beam(-3, 3, 0);
        BeamLoad[] loads = [new(0, 0, 800, 0, 0)];
        beam.Solve(loads, 0).Should().BeTrue();
        beam.Settlement(0).Should().BeApproximately(6.120e-3, 5e-7);
        beam.Pressure(0, 0).Should().BeApproximately(122.4, 0.05);
        beam.Settlement(3).Should().BeApproximately(2.00e-3, 5e-6);
        At(beam, loads, 0, 0).M.Should().BeApproximately(500.9, 0.05);
        At(beam, loads, 0, 3).V.Should().BeApproximately(0, 1e-6);
        At(beam, loads, 0, 3).M.Should().BeApproximately(0, 1e-6);
    }

    [Fact]
    public void A_long_weightless_beam_lifts_beyond_its_contact_length()
    {
        var beam = Beam(-15, 15, 0);
        BeamLoad[] loads = [new(0, 0, 800, 0, 0)];
        beam.Solve(loads, 0).Should().BeTrue();
        (beam.Share * 30).Should().BeApproximately(Math.PI / beam.Characteristic, 0.03, "π/λ = 7.5486 m");
        beam.Settlement(0).Should().BeApproximately(6.05e-3, 5e-6);
        At(beam, loads, 0, 0).M.Should().BeApproximately(523.97, 0.2);
        Root(beam, 2, 6).Should().BeApproximately(7.5486 / 2, 0.002);

        static double Root(SpringBeam beam, double low, double high)
        {
            for (var i = 0; i < 60; i++)
            {
                var mid = (low + high) / 2;
                (low, high) = beam.Settlement(mid) > 0 ? (mid, high) : (low, mid);
            }

            return low;
        }
    }

    [Fact]
    public void Two_columns_on_a_finite_beam()
    {
        var beam = Beam(-3, 3, -2.6, -2.2, 2.2, 2.6);
        BeamLoad[] loads = [new(-2.6, -2.2, 800, 0, 0), new(2.2, 2.6, 800, 0, 0)];
        beam.Solve(loads, 0).Should().BeTrue();
        beam.Settlement(-3).Should().BeApproximately(13.36e-3, 5e-6);
        beam.Pressure(-3, 0).Should().BeApproximately(267.2, 0.05);
        var (outer, inner, middle) = (At(beam, loads, 0, -2.6), At(beam, loads, 0, -2.2), At(beam, loads, 0, 0));
        outer.M.Should().BeApproximately(31.00, 0.01);
        outer.V.Should().BeApproximately(152.3, 0.05);
        inner.M.Should().BeApproximately(-40.31, 0.02);
        inner.V.Should().BeApproximately(-511.5, 0.05);
        middle.M.Should().BeApproximately(-546.3, 0.1);
        beam.Pressure(0, 0).Should().BeApproximately(122.8, 0.06);
    }

    private static readonly Gen<(double Length, double Ei, double K, double B, (double At, double N, double M, double T)[] Columns, double Line)> Random =
        from length in Gen.Double[3, 14]
        from ei in Gen.Double[4.5, 6.5]
        from k in Gen.Double[4, 5]
        from b in Gen.Double[0.8, 3]
        from columns in Gen.Select(Gen.Double[0.05, 0.95], Gen.Double[50, 1500], Gen.Double[-80, 80], Gen.Double[-0.2, 0.2],
            (at, n, m, t) => (at, n, m, n * t)).Array[1, 5]
        from line in Gen.Double[0, 40]
        select (length, Math.Pow(10, ei), Math.Pow(10, k), b, columns, line);

    private static (SpringBeam Beam, BeamLoad[] Loads) Made((double Length, double Ei, double K, double B, (double At, double N, double M, double T)[] Columns, double Line) g,
        int finer = 1, double stiffer = 1)
    {
        var loads = g.Columns.Select(c =>
        {
            var x = Math.Clamp((c.At - 0.5) * g.Length, (-g.Length / 2) + 0.2, (g.Length / 2) - 0.2);
            return new BeamLoad(x - 0.2, x + 0.2, c.N, c.M, c.T * g.B / 2);
        }).ToArray();
        return (new SpringBeam(-g.Length / 2, g.Length / 2, g.B, g.Ei * stiffer, g.K, loads.SelectMany(l => new[] { l.From, l.To }), finer), loads);
    }

    [Fact]
    public void The_ground_pushes_what_presses_on_it()
    {
        Random.Sample(g =>
        {
            var (beam, loads) = Made(g);
            if (!beam.Solve(loads, g.Line))
            {
                return;
            }

            var all = beam.Over(-g.Length / 2, -g.B / 2, g.Length / 2, g.B / 2);
            var sum = loads.Sum(l => l.Force) + (g.Line * g.Length);
            all.Force.Should().BeApproximately(sum, 1e-6 * sum);
            all.MomentX.Should().BeApproximately(loads.Sum(l => (l.Force * (l.From + l.To) / 2) + l.Turns), 1e-6 * sum * g.Length);
            all.MomentY.Should().BeApproximately(loads.Sum(l => l.Across), 1e-6 * sum * g.B);
            var end = At(beam, loads, g.Line, g.Length / 2);
            end.V.Should().BeApproximately(0, 1e-6 * sum);
            end.M.Should().BeApproximately(0, 1e-6 * sum * g.Length);
        }, iter: 300);
    }

    [Fact]
    public void Halved_elements_change_nothing()
    {
        Random.Sample(g =>
        {
            var ((one, loads), (two, _)) = (Made(g), Made(g, 2));
            if (!one.Solve(loads, g.Line))
            {
                two.Solve(loads, g.Line).Should().BeFalse();
                return;
            }

            two.Solve(loads, g.Line).Should().BeTrue();
            var most = Enumerable.Range(0, 60).Max(i => Math.Abs(At(two, loads, g.Line, g.Length * ((i / 60.0) - 0.5)).M));
            for (var i = 1; i < 60; i++)
            {
                var x = g.Length * ((i / 60.0) - 0.5);
                At(one, loads, g.Line, x).M.Should().BeApproximately(At(two, loads, g.Line, x).M, 1e-3 * most);
            }
        }, iter: 60);
    }

    [Fact]
    public void It_is_mirrored_alike()
    {
        Random.Sample(g =>
        {
            var (one, loads) = Made(g);
            var (two, _) = Made(g with { Columns = [.. g.Columns.Select(c => (1 - c.At, c.N, -c.M, -c.T))] });
            BeamLoad[] mirrored = [.. loads.Select(l => new BeamLoad(-l.To, -l.From, l.Force, -l.Turns, -l.Across))];
            if (!one.Solve(loads, g.Line))
            {
                return;
            }

            two.Solve(mirrored, g.Line).Should().BeTrue();
            double[] at = [-0.5, -0.2, 0.1, 0.4];
            var most = at.Max(x => one.Pressure(x * g.Length, g.B / 2)) + 1;
            foreach (var x in at)
            {
                two.Pressure(-x * g.Length, -g.B / 2).Should().BeApproximately(one.Pressure(x * g.Length, g.B / 2), 1e-6 * most);
            }
        }, iter: 100);
    }

    [Fact]
    public void As_it_grows_stiff_it_tends_to_a_rigid_base()
    {
        Random.Sample(g =>
        {
            var (beam, loads) = Made(g, stiffer: 1e7);
            var sum = loads.Sum(l => l.Force) + (g.Line * g.Length);
            var (x, y) = (loads.Sum(l => (l.Force * (l.From + l.To) / 2) + l.Turns) / sum, loads.Sum(l => l.Across) / sum);
            var rigid = ContactSolver.Rectangle(g.Length, g.B, sum, x, y);
            if (rigid.State == ContactState.NoEquilibrium || rigid.Share < 0.3)
            {
                return;
            }

            beam.Solve(loads, g.Line).Should().BeTrue();
            foreach (var (u, v) in new[] { (-0.5, -0.5), (0.5, -0.5), (0.5, 0.5), (-0.5, 0.5), (0, 0) })
            {
                beam.Pressure(u * g.Length, v * g.B).Should().BeApproximately(rigid.Pressure.At(u * g.Length, v * g.B),
                    2e-3 * rigid.Pressure.Peak);
            }

            beam.Share.Should().BeApproximately(rigid.Share, 0.02);
        }, iter: 100);
    }

    [Fact]
    public void What_stands_beyond_its_end_or_pulls_has_no_equilibrium()
    {
        var beam = Beam(-3, 3, 0);
        beam.Solve([new BeamLoad(0, 0, -10, 0, 0)], 0).Should().BeFalse();
        beam.Solve([new BeamLoad(0, 0, 100, 400, 0)], 0).Should().BeFalse();
        beam.Solve([new BeamLoad(0, 0, 100, 0, 80)], 0).Should().BeFalse();
    }

    [Fact]
    public void A_banded_matrix_is_solved_as_it_multiplies()
    {
        var random = from n in Gen.Int[1, 30]
                     from values in Gen.Double[-1, 1].Array[n * 4]
                     from x in Gen.Double[-3, 3].Array[n]
                     select (n, values, x);
        random.Sample(g =>
        {
            var matrix = new BandedMatrix(g.n, 3);
            var full = new double[g.n, g.n];
            for (var i = 0; i < g.n; i++)
            {
                for (var j = Math.Max(0, i - 3); j <= i; j++)
                {
                    var value = i == j ? 8 + g.values[4 * i] : g.values[(4 * i) + i - j];
                    matrix.Add(i, j, value);
                    (full[i, j], full[j, i]) = (value, value);
                }
            }

            var b = new double[g.n];
            for (var i = 0; i < g.n; i++)
            {
                for (var j = 0; j < g.n; j++)
                {
                    b[i] += full[i, j] * g.x[j];
                }
            }

            matrix.Factor().Should().BeTrue();
            matrix.Solve(b);
            for (var i = 0; i < g.n; i++)
            {
                b[i].Should().BeApproximately(g.x[i], 1e-9);
            }
        });
        var singular = new BandedMatrix(2, 1);
        singular.Add(0, 0, 1);
        singular.Add(1, 0, 1);
        singular.Add(1, 1, 1);
        singular.Factor().Should().BeFalse();
    }
}
