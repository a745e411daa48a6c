using Plinth.Core.Numerics;

namespace Plinth.Core.Response;

/// <summary>A stretch of ground under a beam.</summary>
/// <param name="To">Where it ends, m; the last reaches to the beam's end.</param>
/// <param name="Modulus">Subgrade modulus k, kN/m3.</param>
public readonly record struct GroundStretch(double To, double Modulus);

/// <summary>A length over which a beam shares its ground with another: it is pressed by as much, on fewer springs of its own.</summary>
/// <param name="From">Where it begins, m.</param>
/// <param name="To">Where it ends, m.</param>
/// <param name="Kept">What of the springs are its own, 0 to 1.</param>
public readonly record struct SharedStretch(double From, double To, double Kept);

/// <summary>
/// The elements of a beam on springs, alike in all combinations: where they begin and end, how stiff they are, what is under each; and
/// what of the algebra depends on nothing else.
/// </summary>
internal sealed class SpringMesh
{
    // So much of 1/λ an element is long at most: moments then change by less than 0.01 % on halving.
    private const double Fine = 0.12;

    // Of the longest the shortest element is so much.
    private const double Shortest = 0.05;

    // Bending so many times stiffer than its springs hides them behind rounding; of what is as stiff as this nothing bends.
    private const double Rigid = 1e11;

    private readonly double[] springs;
    private readonly double[] bending;
    private BandedMatrix? elastic;

    /// <summary>Lays the elements.</summary>
    /// <param name="low">Where the beam begins, m.</param>
    /// <param name="high">Where it ends, m.</param>
    /// <param name="breadth">m.</param>
    /// <param name="stiffness">EI, kNm2.</param>
    /// <param name="stretches">The ground from its beginning to its end.</param>
    /// <param name="stops">Where elements end beside: faces of columns, sections.</param>
    /// <param name="finer">Times as many elements as are needed.</param>
    /// <param name="shared">Where it shares its ground with others.</param>
    public SpringMesh(double low, double high, double breadth, double stiffness, ReadOnlySpan<GroundStretch> stretches,
        IEnumerable<double> stops, int finer, ReadOnlySpan<SharedStretch> shared = default)
    {
        (Breadth, Stiffness) = (breadth, stiffness);
        foreach (var s in stretches)
        {
            Characteristic = Math.Max(Characteristic, Math.Pow(s.Modulus * breadth / (4 * stiffness), 0.25));
        }

        var longest = Math.Max(Math.Min(Fine / Characteristic, (high - low) / 20), (high - low) / SpringBeam.MostElements) / finer;
        List<double> list = [low];
        foreach (var to in Apart(low, high, stops, Shortest * longest).Append(high))
        {
            var from = list[^1];
            var n = Math.Max(1, (int)Math.Ceiling(((to - from) / longest) - 1e-9));
            for (var j = 1; j <= n; j++)
            {
                list.Add(from + ((to - from) * j / n));
            }
        }

        Nodes = [.. list];
        (Moduli, Kept) = (new double[Nodes.Length - 1], new double[Nodes.Length - 1]);
        for (var e = 0; e < Moduli.Length; e++)
        {
            var (middle, at) = ((Nodes[e] + Nodes[e + 1]) / 2, 0);
            while (at < stretches.Length - 1 && middle > stretches[at].To)
            {
                at++;
            }

            Kept[e] = 1;
            foreach (ref readonly var s in shared)
            {
                Kept[e] *= middle > s.From && middle < s.To ? s.Kept : 1;
            }

            Moduli[e] = Kept[e] * stretches[at].Modulus;
        }

        (springs, bending) = (new double[16 * Moduli.Length], new double[16 * Moduli.Length]);
        var size = 2 * Nodes.Length;
        (Matrix, Bent) = (new BandedMatrix(size, 3), new BandedMatrix(size, 3));
        var shortest = Enumerable.Range(1, Nodes.Length - 1).Min(i => Nodes[i] - Nodes[i - 1]);
        var bends = Math.Min(stiffness, Rigid * Moduli.Max() * breadth * (high - low) * shortest * shortest * shortest / 12);
        for (var e = 0; e < Moduli.Length; e++)
        {
            Lay(Nodes[e + 1] - Nodes[e], Moduli[e] * breadth, springs.AsSpan(16 * e, 16));
            Bend(Nodes[e + 1] - Nodes[e], bends, bending.AsSpan(16 * e, 16));
            Bent.AddElement(2 * e, Bending(e));
        }

        (Residual, Coupling, Load, Step, Across) =
            (new double[size], new double[size], new double[size], new double[size + 1], new double[size]);
    }

    public double[] Nodes { get; }

    /// <summary>Modulus of its own springs under each element, kN/m3.</summary>
    public double[] Moduli { get; }

    /// <summary>What of the subgrade modulus under each element these are, 0 to 1.</summary>
    public double[] Kept { get; }

    /// <summary>Subgrade modulus of the ground under an element, kN/m3: by it all that stand there press it.</summary>
    /// <param name="e">The element.</param>
    public double Ground(int e) => Moduli[e] / Kept[e];

    public double Breadth { get; }

    /// <summary>EI, kNm2.</summary>
    public double Stiffness { get; }

    /// <summary>λ = (k·B/(4·EI))^¼ on the hardest ground, 1/m.</summary>
    public double Characteristic { get; }

    // Room for one solution at a time.
    public BandedMatrix Matrix { get; }

    /// <summary>The matrix of bending alone.</summary>
    public BandedMatrix Bent { get; }

    public double[] Residual { get; }

    public double[] Coupling { get; }

    public double[] Load { get; }

    public double[] Step { get; }

    public double[] Across { get; }

    /// <summary>Springs under all of an element by what its ends sink and turn: rows one by one.</summary>
    /// <param name="e">The element.</param>
    public ReadOnlySpan<double> Springs(int e) => springs.AsSpan(16 * e, 16);

    /// <summary>Bending of an element, likewise.</summary>
    /// <param name="e">The element.</param>
    public ReadOnlySpan<double> Bending(int e) => bending.AsSpan(16 * e, 16);

    // Elements much shorter than others would cost digits: stops so near to each other are one in their middle, those so near to an end are
    // left out. Loads need not end at nodes; mirrored it is the same.
    private static IEnumerable<double> Apart(double low, double high, IEnumerable<double> stops, double least)
    {
        var (first, last) = (double.NaN, double.NaN);
        foreach (var s in stops.Where(s => s >= low + least && s <= high - least).Order())
        {
            if (s - last >= least)
            {
                yield return (first + last) / 2;
                first = s;
            }

            (first, last) = (double.IsNaN(first) ? s : first, s);
        }

        if (!double.IsNaN(last))
        {
            yield return (first + last) / 2;
        }
    }

    // ∫ k·N·N of the cubic shapes.
    private static void Lay(double l, double k, Span<double> to)
    {
        var by = k * l / 420;
        ReadOnlySpan<double> of =
        [
            156, 22 * l, 54, -13 * l,
            22 * l, 4 * l * l, 13 * l, -3 * l * l,
            54, 13 * l, 156, -22 * l,
            -13 * l, -3 * l * l, -22 * l, 4 * l * l,
        ];
        for (var i = 0; i < of.Length; i++)
        {
            to[i] = by * of[i];
        }
    }

    private static void Bend(double length, double stiffness, Span<double> to)
    {
        var (a, b, c, d) = (12 * stiffness / (length * length * length), 6 * stiffness / (length * length), 4 * stiffness / length,
            2 * stiffness / length);
        ReadOnlySpan<double> of = [a, b, -a, b, b, c, -b, d, -a, -b, a, -b, b, d, -b, c];
        of.CopyTo(to);
    }

    /// <summary>The factored matrix of a beam that bears wholly, the same for all loads; null: it cannot be factored.</summary>
    public BandedMatrix? Elastic
    {
        get
        {
            if (elastic is null)
            {
                elastic = new BandedMatrix(Load.Length, 3);
                elastic.Take(Bent);
                for (var e = 0; e < Moduli.Length; e++)
                {
                    elastic.AddElement(2 * e, Springs(e));
                }

                elastic = elastic.Factor() ? elastic : new BandedMatrix(0, 0);
            }

            return elastic.Size == 0 ? null : elastic;
        }
    }
}
