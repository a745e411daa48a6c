using CsCheck;
using Plinth.Core.Numerics;

namespace Plinth.Core.Tests;

/// <summary>Symmetric equations in a band: what is found answers them, and what has no one answer is refused.</summary>
public class BandedMatrixTests
{
    // Diagonals that outweigh their rows make a matrix positive definite (S. A. Gershgorin 1931).
    private static readonly Gen<(int Band, double[] Values, double[] Right)> Random =
        from size in Gen.Int[1, 30]
        from band in Gen.Int[0, 5]
        from values in Gen.Double[-1, 1].Array[size * (band + 1)]
        from right in Gen.Double[-100, 100].Array[size]
        select (band, values, right);

    private static (BandedMatrix Banded, double[,] Full) Made((int Band, double[] Values, double[] Right) g, double diagonal)
    {
        var n = g.Right.Length;
        var (banded, full) = (new BandedMatrix(n, g.Band), new double[n, n]);
        for (var i = 0; i < n; i++)
        {
            for (var j = Math.Max(0, i - g.Band); j <= i; j++)
            {
                var value = j == i ? diagonal + g.Values[i] : g.Values[(i * g.Band) + i - j];
                banded.Add(i, j, value / 2);
                banded.Add(i, j, value / 2);
                (full[i, j], full[j, i]) = (value, value);
            }
        }

        return (banded, full);
    }

    [Fact]
    public void What_is_found_answers_the_equations() => Random.Sample(
        g =>
        {
            var (banded, full) = Made(g, (2 * g.Band) + 2);
            banded.Factor().Should().BeTrue();
            double[] x = [.. g.Right];
            banded.Solve(x);
            for (var i = 0; i < x.Length; i++)
            {
                Enumerable.Range(0, x.Length).Sum(j => full[i, j] * x[j]).Should().BeApproximately(g.Right[i], 1e-10);
            }
        }, iter: 300);

    [Fact]
    public void What_is_not_positive_definite_is_refused() => Random.Sample(
        g => Made(g, -(2 * g.Band) - 2).Banded.Factor().Should().BeFalse(), iter: 100);

    [Fact]
    public void A_matrix_that_takes_another_is_as_that() => Random.Sample(
        g =>
        {
            var (first, _) = Made(g, (2 * g.Band) + 2);
            var (second, _) = Made(g, (2 * g.Band) + 3);
            second.Factor().Should().BeTrue();
            second.Take(first);
            first.Factor().Should().BeTrue();
            second.Factor().Should().BeTrue();
            double[] x = [.. g.Right];
            double[] y = [.. g.Right];
            first.Solve(x);
            second.Solve(y);
            y.Should().Equal(x);
        }, iter: 50);

    [Fact]
    public void An_element_adds_its_lower_half_where_it_stands()
    {
        double[] k = [5, 1, 2, 3, 1, 6, 4, 0.5, 2, 4, 9, 1, 3, 0.5, 1, 8];
        var (whole, single) = (new BandedMatrix(6, 3), new BandedMatrix(6, 3));
        for (var i = 0; i < 6; i++)
        {
            whole.Add(i, i, 1);
            single.Add(i, i, 1);
        }

        whole.AddElement(2, k);
        for (var i = 0; i < 4; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                single.Add(2 + i, 2 + j, k[(4 * i) + j]);
            }
        }

        whole.Factor().Should().BeTrue();
        single.Factor().Should().BeTrue();
        double[] x = [1, 2, 3, 4, 5, 6];
        double[] y = [1, 2, 3, 4, 5, 6];
        whole.Solve(x);
        single.Solve(y);
        x.Should().Equal(y);
        (x[0], x[1]).Should().Be((1, 2));
    }

    [Fact]
    public void A_beam_of_springs_in_a_row_worked_by_hand()
    {
        // Three unit springs in a row from a wall, one unit of force at the free end: 1, 2, 3.
        var matrix = new BandedMatrix(3, 1);
        for (var i = 0; i < 3; i++)
        {
            matrix.Add(i, i, i == 2 ? 1 : 2);
            if (i > 0)
            {
                matrix.Add(i, i - 1, -1);
            }
        }

        matrix.Factor().Should().BeTrue();
        double[] x = [0, 0, 1];
        matrix.Solve(x);
        x[0].Should().BeApproximately(1, 1e-12);
        x[1].Should().BeApproximately(2, 1e-12);
        x[2].Should().BeApproximately(3, 1e-12);
    }
}
