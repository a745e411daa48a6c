using System.Buffers;
using Plinth.Core.Bodies;
using Plinth.Core.Numerics;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// The beam of a strap footing: sections at the faces of columns and bases, and where the shear passes through nil. Over a base both act
/// together, and the beam alone is designed.
/// </summary>
internal sealed partial class StrapBeam : BeamSpan
{
    private const double Close = 1e-9;

    // Ends of the beam, of both bases and their columns, of the beam's stretches, and where the line of zero pressure crosses the bases'
    // sides.
    private const int MostStops = 2 + 4 + 4 + (2 * StrapTrial.Stretches) + 4;

    // Faces of columns and bases, and in every stretch between stops up to three points of zero shear.
    private const int Most = 8 + (3 * MostStops);

    // Where the push changes sign, up to twice in every stretch.
    private const int MostTurns = 2 * MostStops;

    // Both faces of two columns, and both ends of two bases.
    private const int MostStands = 8;
    private const int FirstEnd = 4;
    private readonly StrapTrial trial;
    private LongSection[] sections;
    private (int Generation, int Count)[] found;
    private LongSection[] turns;
    private int[] turned;
    private LongSection[] stands;
    private (LongSection Bottom, LongSection Top, double Shear)[] greatest;
    private BeamShearAt[] shears;
    private (int Generation, double Depth, int Count)[] sheared;

    /// <summary>Makes it for a trial.</summary>
    public StrapBeam(StrapTrial trial)
        : base(trial, StrapTrial.BeamName)
    {
        this.trial = trial;
        sections = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * Most);
        found = Trial.Rented<(int, int)>(Combinations.Length);
        turns = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * MostTurns);
        stands = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * MostStands);
        greatest = ArrayPool<(LongSection, LongSection, double)>.Shared.Rent(Combinations.Length);
        turned = Trial.Rented<int>(Combinations.Length);
        shears = ArrayPool<BeamShearAt>.Shared.Rent(Combinations.Length * MostShears);
        sheared = Trial.Rented<(int, double, int)>(Combinations.Length);
    }

    internal void Release()
    {
        ArrayPool<LongSection>.Shared.Return(sections);
        ArrayPool<(int, int)>.Shared.Return(found);
        ArrayPool<LongSection>.Shared.Return(turns);
        ArrayPool<LongSection>.Shared.Return(stands);
        ArrayPool<(LongSection, LongSection, double)>.Shared.Return(greatest);
        ArrayPool<int>.Shared.Return(turned);
        ArrayPool<BeamShearAt>.Shared.Return(shears);
        ArrayPool<(int, double, int)>.Shared.Return(sheared);
        (sections, found, turns, turned, shears, sheared, stands, greatest) = ([], [], [], [], [], [], [], []);
    }

    /// <inheritdoc/>
    public override GroundBody Body => trial.Body;

    /// <inheritdoc/>
    public override string Origin => "the centroid of both bases' areas";

    /// <inheritdoc/>
    public override string SectionWords => "section from the centroid of both areas: a face of a column, an end of a base, or where the "
        + "shear passes through nil";

    /// <inheritdoc/>
    public override string ShearWords => "∫(p + u − w) dA − ΣN − ∫(beam and soil on it) dx of all towards −x";

    /// <inheritdoc/>
    public override string MomentWords =>
        "∫(p + u − w)·(x − ξ) dA − Σ(N·(x − xi) − My,col) − ∫(beam and soil on it)·(x − ξ) dx of all towards −x; positive stretches the "
            + "bottom";

    /// <inheritdoc/>
    public override LongSection Section(int k, double x) => StrapForces.At(Body, k, x);

    /// <summary>
    /// Sections at which flexure is looked at in a combination: faces of columns, ends of bases, and where the shear passes through nil.
    /// </summary>
    public override ReadOnlySpan<LongSection> Sections(int k)
    {
        var into = sections.AsSpan(k * Most, Most);
        ref var kept = ref found[k];
        if (kept.Generation != Trial.Generation)
        {
            kept = (Trial.Generation, Find(k, into));
        }

        return into[..kept.Count];
    }

    /// <inheritdoc/>
    public override LongSection Greatest(int k, bool bottom)
    {
        Sections(k);
        return bottom ? greatest[k].Bottom : greatest[k].Top;
    }

    private int Find(int k, Span<LongSection> into)
    {
        ref var most = ref greatest[k];
        most = default;
        var count = FindSections(k, into);
        var residue = Close * Math.Abs(Body.Loads(k).N) * (High - Low);
        foreach (ref readonly var at in into[..count])
        {
            if (at.Moment > Math.Max(residue, most.Bottom.Moment))
            {
                most.Bottom = at;
            }

            if (at.Moment < Math.Min(-residue, most.Top.Moment))
            {
                most.Top = at;
            }
        }

        return count;
    }

    private int FindSections(int k, Span<LongSection> into)
    {
        turned[k] = 0;
        var standing = stands.AsSpan(k * MostStands, MostStands);
        var (face, end) = (0, FirstEnd);
        Span<double> stops = stackalloc double[MostStops];
        var (count, n) = (0, 0);
        (stops[n++], stops[n++]) = (Low, High);
        foreach (var c in Body.Columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                stops[n++] = c.Face(true, side);
                Take(stops[n - 1], into, ref count, out standing[face++]);
            }
        }

        foreach (var p in Body.Parts)
        {
            var (low, high) = (p.Middle + p.LowX, p.Middle + p.HighX);
            (stops[n++], stops[n++]) = (low, high);
            Take(low, into, ref count, out standing[end++]);
            Take(high, into, ref count, out standing[end++]);

            // Where a side of the base begins to lift.
            var pressure = p.Contact(k).Pressure;
            for (var side = -1; side <= 1; side += 2)
            {
                var (a, b) = (pressure.Plane(p.LowX, side * p.HighY), pressure.Plane(p.HighX, side * p.HighY));
                stops[n++] = a * b < 0 ? low + ((high - low) * a / (a - b)) : low;
            }
        }

        foreach (var l in Body.Lines)
        {
            (stops[n++], stops[n++]) = (l.From, l.To);
        }

        stops = stops[..n];
        stops.Sort();
        for (var i = 1; i < n; i++)
        {
            var (from, to) = (Math.Max(stops[i - 1], Low), Math.Min(stops[i], High));
            if (to - from > 3 * Close && !IsWithinColumn((from + to) / 2))
            {
                Stretch(k, from + Close, to - Close, into, ref count);
            }
        }

        return count;

        void Take(double x, Span<LongSection> into, ref int count, out LongSection at)
        {
            at = new LongSection(x, double.NaN, double.NaN);
            if (x > Low + Close && x < High - Close)
            {
                into[count++] = at = Section(k, x);
            }
        }
    }

    /// <inheritdoc/>
    public override bool IsBeyond(double x) => x <= Body.Columns[0].Face(true, -1) + Close || x >= Body.Columns[1].Face(true, 1) - Close;

    private bool IsWithinColumn(double x)
    {
        foreach (var c in Body.Columns)
        {
            if (x > c.Face(true, -1) && x < c.Face(true, 1))
            {
                return true;
            }
        }

        return false;
    }

    // Between two stops the net push is a polynomial of the second degree: parted where it is nil, the shear rises or falls all the way.
    private void Stretch(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        var (start, middle, end) = (StrapForces.Slope(Body, k, from), StrapForces.Slope(Body, k, (from + to) / 2),
            StrapForces.Slope(Body, k, to));
        var (first, second) = Root.OfQuadratic((2 * start) - (4 * middle) + (2 * end), (-3 * start) + (4 * middle) - end, start);
        var (at, length) = (Section(k, from), to - from);
        foreach (var t in (ReadOnlySpan<double>)[first, second])
        {
            if (t is > 0 and < 1)
            {
                var turn = Section(k, from + (t * length));
                turns[(k * MostTurns) + turned[k]++] = turn;
                Peak(k, at, turn, into, ref count);
                at = turn;
            }
        }

        Peak(k, at, Section(k, to), into, ref count);
    }

    private void Peak(int k, in LongSection from, in LongSection to, Span<LongSection> into, ref int count)
    {
        var scale = Close * Math.Abs(Body.Loads(k).N);
        greatest[k].Shear = Math.Max(greatest[k].Shear, Math.Max(Math.Abs(from.Shear), Math.Abs(to.Shear)));
        if (to.X - from.X >= Close && Math.Abs(from.Shear) > scale && Math.Abs(to.Shear) > scale && from.Shear * to.Shear < 0)
        {
            var shear = new StrapForces.ShearOf(Body, k);
            into[count++] = Section(k, Root.Between(ref shear, from.X, from.Shear, to.X, to.Shear));
        }
    }
}
