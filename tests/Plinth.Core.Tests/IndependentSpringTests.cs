using CsCheck;
using Plinth.Core.Response;

namespace Plinth.Core.Tests;

/// <summary>
/// A beam on ground springs against a second calculation that shares nothing with it: the energy of evenly spaced points joined by
/// second differences, springs lumped at points along and across, least by Newton's steps with a dense matrix.
/// </summary>
public class IndependentSpringTests
{
    private const int Parts = 240;
    private const int Strips = 40;
    private const int MostSteps = 60;

    private sealed class Lumped(double length, double breadth, double stiffness, double modulus)
    {
        private readonly double step = length / Parts;

        /// <summary>Settlement at every point, m.</summary>
        public double[] W { get; private set; } = [];

        /// <summary>Turn about its own x.</summary>
        public double Turn { get; private set; }

        public double X(int i) => (i * step) - (length / 2);

        private double Tributary(int i) => i is 0 or Parts ? step / 2 : step;

        private static double Y(int j, double breadth) => (((j + 0.5) / Strips) - 0.5) * breadth;

        /// <summary>−EI·w″ at a point.</summary>
        public double Moment(int i) => -stiffness * (W[i - 1] - (2 * W[i]) + W[i + 1]) / (step * step);

        /// <summary>Share of the springs that press.</summary>
        public double Share => Enumerable.Range(0, Parts + 1).Sum(i => Tributary(i) / length
            * Enumerable.Range(0, Strips).Count(j => W[i] + (Turn * Y(j, breadth)) > 0) / Strips);

        public bool Solve(BeamLoad[] loads, double line)
        {
            var n = Parts + 2;
            var force = new double[n];
            void At(double x, double f)
            {
                var t = Math.Clamp((x + (length / 2)) / step, 0, Parts - 1e-9);
                var i = (int)t;
                force[i] += f * (1 - (t - i));
                force[i + 1] += f * (t - i);
            }

            foreach (var l in loads)
            {
                const int points = 50;
                for (var p = 0; p < points; p++)
                {
                    At(l.From + ((p + 0.5) / points * (l.To - l.From)), l.Force / points);
                }

                // A couple spread evenly over a width does the work of a pair of forces at its ends.
                At(l.To, l.Turns / (l.To - l.From));
                At(l.From, -l.Turns / (l.To - l.From));
                force[n - 1] += l.Across;
            }

            for (var i = 0; i <= Parts; i++)
            {
                force[i] += line * Tributary(i);
            }

            var u = new double[n];
            for (var i = 0; i <= Parts; i++)
            {
                u[i] = force.Take(Parts + 1).Sum() / (modulus * breadth * length);
            }

            for (var round = 0; round < MostSteps; round++)
            {
                var (k, r) = (new double[n, n], (double[])force.Clone());
                var bend = stiffness / (step * step * step);
                double[] second = [1, -2, 1];
                for (var i = 1; i < Parts; i++)
                {
                    var curve = u[i - 1] - (2 * u[i]) + u[i + 1];
                    for (var a = 0; a < 3; a++)
                    {
                        r[i - 1 + a] -= bend * second[a] * curve;
                        for (var b = 0; b < 3; b++)
                        {
                            k[i - 1 + a, i - 1 + b] += bend * second[a] * second[b];
                        }
                    }
                }

                for (var i = 0; i <= Parts; i++)
                {
                    for (var j = 0; j < Strips; j++)
                    {
                        var (y, s) = (Y(j, breadth), modulus * Tributary(i) * breadth / Strips);
                        var down = u[i] + (u[n - 1] * y);
                        if (down <= 0)
                        {
                            continue;
                        }

                        r[i] -= s * down;
                        r[n - 1] -= s * down * y;
                        k[i, i] += s;
                        k[i, n - 1] += s * y;
                        k[n - 1, i] += s * y;
                        k[n - 1, n - 1] += s * y * y;
                    }
                }

                var off = r.Max(Math.Abs);
                if (off < 1e-9 * force.Sum(Math.Abs))
                {
                    (W, Turn) = (u[..(Parts + 1)], u[n - 1]);
                    return true;
                }

                if (Step(k, r) is not { } du)
                {
                    return false;
                }

                for (var i = 0; i < n; i++)
                {
                    u[i] += du[i];
                }
            }

            return false;
        }

        // Gauss with a pivot; null: singular.
        private static double[]? Step(double[,] k, double[] r)
        {
            var n = r.Length;
            for (var i = 0; i < n; i++)
            {
                var p = Enumerable.Range(i, n - i).MaxBy(row => Math.Abs(k[row, i]));
                if (Math.Abs(k[p, i]) < 1e-12)
                {
                    return null;
                }

                if (p != i)
                {
                    for (var c = 0; c < n; c++)
                    {
                        (k[i, c], k[p, c]) = (k[p, c], k[i, c]);
                    }

                    (r[i], r[p]) = (r[p], r[i]);
                }

                for (var row = i + 1; row < n; row++)
                {
                    var f = k[row, i] / k[i, i];
                    if (f == 0)
                    {
                        continue;
                    }

                    for (var c = i; c < n; c++)
                    {
                        k[row, c] -= f * k[i, c];
                    }

                    r[row] -= f * r[i];
                }
            }

            for (var i = n - 1; i >= 0; i--)
            {
                for (var c = i + 1; c < n; c++)
                {
                    r[i] -= k[i, c] * r[c];
                }

                r[i] /= k[i, i];
            }

            return r;
        }
    }

    private static readonly Gen<(double Length, double Ei, double K, double B, (double At, double N, double M, double T)[] Columns,
        double Line)> Random =
        from length in Gen.Double[3, 12]
        from ei in Gen.Double[4.8, 6.5]
        from k in Gen.Double[4, 4.8]
        from b in Gen.Double[0.8, 3]
        from columns in Gen.Select(Gen.Double[0.05, 0.95], Gen.Double[50, 1500], Gen.Double[-80, 80], Gen.Double[-0.35, 0.35],
            (at, n, m, t) => (at, n, m, n * t)).Array[1, 4]
        from line in Gen.Double[0, 30]
        select (length, Math.Pow(10, ei), Math.Pow(10, k), b, columns, line);

    [Fact]
    public void Settlement_turn_contact_and_moment_are_those_of_a_second_calculation()
    {
        var (wholly, partly) = (0, 0);
        Random.Sample(
            g =>
            {
                var loads = g.Columns.Select(c =>
                {
                    var x = Math.Clamp((c.At - 0.5) * g.Length, (-g.Length / 2) + 0.2, (g.Length / 2) - 0.2);
                    return new BeamLoad(x - 0.2, x + 0.2, c.N, c.M, c.T * g.B / 2);
                }).ToArray();
                var beam = new SpringBeam(-g.Length / 2, g.Length / 2, g.B, g.Ei, g.K, loads.SelectMany(l => new[] { l.From, l.To }));
                var other = new Lumped(g.Length, g.B, g.Ei, g.K);
                if (!beam.Solve(loads, g.Line) || !other.Solve(loads, g.Line))
                {
                    return;
                }

                _ = beam.Share < 1 ? Interlocked.Increment(ref partly) : Interlocked.Increment(ref wholly);
                var deepest = other.W.Max();
                var edge = Math.Abs(other.Turn) * g.B / 2;
                for (var i = 0; i <= Parts; i += 12)
                {
                    beam.Settlement(Math.Clamp(other.X(i), -g.Length / 2, g.Length / 2)).Should()
                        .BeApproximately(other.W[i], 0.01 * (deepest + edge), $"at {other.X(i)}");
                }

                (beam.Turn * g.B / 2).Should().BeApproximately(other.Turn * g.B / 2, 0.01 * (deepest + edge));
                beam.Share.Should().BeApproximately(other.Share, 0.02);

                // Beyond what a column's own width spreads, where differences are coarse.
                var most = Enumerable.Range(1, Parts - 1).Max(i => Math.Abs(other.Moment(i)));
                for (var i = 6; i < Parts - 5; i += 6)
                {
                    var x = other.X(i);
                    if (!loads.Any(l => x > l.From - (2 * g.Length / Parts) && x < l.To + (2 * g.Length / Parts)))
                    {
                        Moment(beam, loads, g.Line, x).Should().BeApproximately(other.Moment(i), 0.02 * most, $"at {x}");
                    }
                }
            },
            iter: 60);
        (wholly + partly).Should().BeGreaterThan(45, "few stand in no equilibrium");
        wholly.Should().BeGreaterThan(5);
        partly.Should().BeGreaterThan(5, "lifted ones too");
    }

    private static double Moment(SpringBeam beam, BeamLoad[] loads, double line, double x)
    {
        var ((force, moment), low) = (beam.Before(x), beam.Nodes[0]);
        return (x * force) - moment - (line * (x - low) * (x - low) / 2)
            - loads.Where(l => l.To <= x).Sum(l => (l.Force * (x - ((l.From + l.To) / 2))) - l.Turns);
    }
}
