namespace Plinth.Core.Numerics;

/// <summary>
/// A symmetric positive definite matrix with few diagonals, factored in place as L·D·Lᵀ without pivoting (G. H. Golub, C. F. Van Loan,
/// Matrix Computations, 4.3.6).
/// </summary>
/// <param name="size">Rows.</param>
/// <param name="band">Diagonals below the main one.</param>
internal sealed class BandedMatrix(int size, int band)
{
    private readonly double[] values = new double[size * (band + 1)];

    /// <summary>Rows.</summary>
    public int Size => size;

    /// <summary>Takes all of another of the same size.</summary>
    public void Take(BandedMatrix other) => other.values.CopyTo(values, 0);

    /// <summary>Adds a symmetric matrix of four rows, one by one, from a row on; at least three diagonals lie below the main one.</summary>
    public void AddElement(int row, ReadOnlySpan<double> k)
    {
        for (var i = 0; i < 4; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                values[((row + i) * (band + 1)) + i - j] += k[(4 * i) + j];
            }
        }
    }

    /// <summary>Adds to an element on or below the diagonal.</summary>
    public void Add(int row, int column, double value) => values[(row * (band + 1)) + row - column] += value;

    /// <summary>Factors it; false where it is not positive definite.</summary>
    public bool Factor()
    {
        for (var j = 0; j < size; j++)
        {
            var from = Math.Max(0, j - band);
            for (var i = from; i < j; i++)
            {
                // L·D of the row so far, over the columns that both rows have.
                var sum = At(j, i);
                for (var m = Math.Max(from, i - band); m < i; m++)
                {
                    sum -= At(j, m) * At(i, m) * At(m, m);
                }

                Set(j, i, sum / At(i, i));
            }

            var pivot = At(j, j);
            for (var m = from; m < j; m++)
            {
                pivot -= At(j, m) * At(j, m) * At(m, m);
            }

            if (!(pivot > 0))
            {
                return false;
            }

            Set(j, j, pivot);
        }

        return true;
    }

    /// <summary>Solves for a right side in place, once factored.</summary>
    public void Solve(Span<double> x)
    {
        ReadOnlySpan<double> all = values;
        for (var i = 0; i < size; i++)
        {
            var row = all.Slice(i * (band + 1), band + 1);
            var sum = x[i];
            for (var back = Math.Min(i, band); back > 0; back--)
            {
                sum -= row[back] * x[i - back];
            }

            x[i] = sum;
        }

        for (var i = size - 1; i >= 0; i--)
        {
            var sum = x[i] / all[i * (band + 1)];
            for (var on = 1; on <= band && i + on < size; on++)
            {
                sum -= all[((i + on) * (band + 1)) + on] * x[i + on];
            }

            x[i] = sum;
        }
    }

    private double At(int row, int column) => values[(row * (band + 1)) + row - column];

    private void Set(int row, int column, double value) => values[(row * (band + 1)) + row - column] = value;
}
