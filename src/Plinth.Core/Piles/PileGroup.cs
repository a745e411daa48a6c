using Plinth.Core.Contact;

namespace Plinth.Core.Piles;

/// <summary>
/// Piles of equal axial stiffness under a rigid cap: what each carries of a force and of moments at their centroid. Moments that piles on
/// one line, or one pile,
/// cannot take are told. Refilled by a search, which allocates nothing for it.
/// </summary>
public sealed class PileGroup
{
    // Squares of distances smaller than this share of the largest are rounding.
    private const double Nil = 1e-9;

    private PlanPoint[] places = [];
    private PlanPoint[] responses = [];
    private PlanPoint line;

    /// <summary>How many piles.</summary>
    public int Count { get; private set; }

    /// <summary>In how many directions they take moments: 2, of a row 1, of one pile 0.</summary>
    public int Rank { get; private set; }

    /// <summary>Σx², m2.</summary>
    public double SumXX { get; private set; }

    /// <summary>Σy², m2.</summary>
    public double SumYY { get; private set; }

    /// <summary>Σxy, m2.</summary>
    public double SumXY { get; private set; }

    /// <summary>The direction of a row.</summary>
    public PlanPoint Line => line;

    /// <summary>Where a pile stands from their centroid, m.</summary>
    public PlanPoint At(int pile) => places[pile];

    /// <summary>What a pile takes of a moment of one about each axis, 1/m: its share of ΣN·x and of ΣN·y.</summary>
    public PlanPoint Response(int pile) => responses[pile];

    /// <summary>Sets where they stand, from any point; kept from their centroid.</summary>
    /// <returns>Their centroid from that point.</returns>
    public PlanPoint Set(ReadOnlySpan<PlanPoint> at)
    {
        Count = at.Length;
        if (places.Length < Count)
        {
            (places, responses) = (new PlanPoint[Count], new PlanPoint[Count]);
        }

        var (x, y) = (0.0, 0.0);
        foreach (var p in at)
        {
            (x, y) = (x + (p.X / Count), y + (p.Y / Count));
        }

        (SumXX, SumYY, SumXY) = (0, 0, 0);
        for (var i = 0; i < Count; i++)
        {
            var p = places[i] = new PlanPoint(at[i].X - x, at[i].Y - y);
            (SumXX, SumYY, SumXY) = (SumXX + (p.X * p.X), SumYY + (p.Y * p.Y), SumXY + (p.X * p.Y));
        }

        Respond();
        return new PlanPoint(x, y);
    }

    /// <summary>What a pile carries, kN, compression positive.</summary>
    /// <param name="pile">Which.</param>
    /// <param name="n">ΣN, kN.</param>
    /// <param name="x">ΣN·x about their centroid, kNm: the moment about y.</param>
    /// <param name="y">ΣN·y, kNm: the moment about x with its sign turned.</param>
    public double Force(int pile, double n, double x, double y) => (n / Count) + (responses[pile].X * x) + (responses[pile].Y * y);

    /// <summary>The part of moments that they cannot take, kNm.</summary>
    /// <param name="x">ΣN·x.</param>
    /// <param name="y">ΣN·y.</param>
    public PlanPoint Untaken(double x, double y)
    {
        if (Rank == 0)
        {
            return new PlanPoint(x, y);
        }

        if (Rank == 2)
        {
            return default;
        }

        var across = (y * line.X) - (x * line.Y);
        return new PlanPoint(-across * line.Y, across * line.X);
    }

    private void Respond()
    {
        var determinant = (SumXX * SumYY) - (SumXY * SumXY);
        var trace = SumXX + SumYY;
        if (trace == 0 || Count < 2)
        {
            Rank = 0;
            Array.Clear(responses);
            return;
        }

        if (determinant > Nil * trace * trace)
        {
            Rank = 2;
            for (var i = 0; i < Count; i++)
            {
                var p = places[i];
                responses[i] = new PlanPoint(((SumYY * p.X) - (SumXY * p.Y)) / determinant, ((SumXX * p.Y) - (SumXY * p.X)) / determinant);
            }

            return;
        }

        Rank = 1;
        var angle = Math.Atan2(2 * SumXY, SumXX - SumYY) / 2;
        line = SumXY == 0 ? SumXX >= SumYY ? new PlanPoint(1, 0) : new PlanPoint(0, 1) : new PlanPoint(Math.Cos(angle), Math.Sin(angle));
        for (var i = 0; i < Count; i++)
        {
            var t = ((places[i].X * line.X) + (places[i].Y * line.Y)) / trace;
            responses[i] = new PlanPoint(t * line.X, t * line.Y);
        }
    }
}
