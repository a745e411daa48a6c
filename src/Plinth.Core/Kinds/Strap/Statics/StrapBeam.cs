using System.Buffers;
using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Numerics;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// The beam of a strap footing: sections at the faces of columns and bases, and where the shear passes through nil. Over a base both act
/// together, and the beam alone is designed.
/// </summary>
internal sealed partial class StrapBeam : Subject
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
    private readonly BarLayer[] layers = new BarLayer[2];
    private readonly double[] depths = new double[2];
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
        : base(trial, 0, StrapTrial.BeamName)
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

    /// <summary>The body that it holds together.</summary>
    public GroundBody Body => trial.Body;

    /// <summary>m.</summary>
    public double Width { get; private set; }

    /// <summary>Whole depth, m.</summary>
    public double Height { get; private set; }

    /// <summary>Where it begins from the centroid of both areas, m.</summary>
    public double Low { get; private set; }

    /// <summary>Where it ends, m.</summary>
    public double High { get; private set; }

    /// <summary>Its stirrups.</summary>
    public BarSpec Stirrups { get; private set; } = BarSpec.None;

    /// <summary>Bars along each side.</summary>
    public BarSpec Sides { get; private set; } = BarSpec.None;

    /// <summary>Sets its sides and reach.</summary>
    internal void Set(double width, double height, double low, double high) => (Width, Height, Low, High) = (width, height, low, high);

    /// <summary>Sets its bars.</summary>
    internal void Set(in BarLayer top, in BarLayer bottom, BarSpec stirrups, BarSpec sides)
    {
        (layers[0], layers[1], Stirrups, Sides) = (bottom, top, stirrups, sides);
        Sink();
    }

    /// <summary>Finds the effective depths.</summary>
    internal void Sink()
    {
        for (var i = 0; i < depths.Length; i++)
        {
            depths[i] = Height - Cover(i == 0) - (layers[i].Diameter / 2);
        }
    }

    /// <summary>Bars of a face.</summary>
    public ref readonly BarLayer Layer(bool bottom) => ref layers[bottom ? 0 : 1];

    /// <summary>Effective depth of the bars of a face, m.</summary>
    public double Depth(bool bottom) => depths[bottom ? 0 : 1];

    /// <summary>Clear cover to the bars of a face, stirrups outside them, m.</summary>
    public double Cover(bool bottom) => (bottom ? Rules.Concrete.CoverBottom : Rules.Concrete.CoverTop) + (Stirrups.Size?.Diameter ?? 0);

    /// <summary>Clear cover to the bars at its sides, m.</summary>
    public double SideCover => Rules.Concrete.CoverSide + (Stirrups.Size?.Diameter ?? 0);

    /// <summary>Distance of the bars of a face centre to centre, m; infinite of one.</summary>
    public double Spacing(bool bottom) =>
        Layer(bottom).Count < 2 ? double.PositiveInfinity
            : (Width - (2 * SideCover) - Layer(bottom).Diameter) / (Layer(bottom).Count - 1);

    /// <summary>Flexural strength by the bars of a face.</summary>
    public FlexuralStrength Strength<T>(bool bottom, ref T trace)
        where T : struct, Tracing.ITrace =>
        !Layer(bottom).Any ? new FlexuralStrength(0, true, double.PositiveInfinity)
            : Code.Flexure(ref trace, Rules.Concrete, Rules.Steel.Yield, Layer(bottom).Area, Width, Depth(bottom));

    /// <summary>The section in shear where a face is stretched.</summary>
    public StirrupedBeam InShear(bool bottom) =>
        new(Width, Depth(bottom), Layer(bottom).Area, 2 * (Stirrups.Size?.Area ?? 0), Stirrups.Spacing,
        Rules.Steel.Yield);

    /// <summary>Shear and moment in a section.</summary>
    public LongSection Section(int k, double x) => StrapForces.At(Body, k, x);

    /// <summary>
    /// Sections at which flexure is looked at in a combination: faces of columns, ends of bases, and where the shear passes through nil.
    /// </summary>
    public ReadOnlySpan<LongSection> Sections(int k)
    {
        var into = sections.AsSpan(k * Most, Most);
        ref var kept = ref found[k];
        if (kept.Generation != Trial.Generation)
        {
            kept = (Trial.Generation, Find(k, into));
        }

        return into[..kept.Count];
    }

    /// <summary>The sections with the greatest moments that stretch a face in a combination; of none one without moment.</summary>
    public ref readonly LongSection Greatest(int k, bool bottom)
    {
        Sections(k);
        return ref bottom ? ref greatest[k].Bottom : ref greatest[k].Top;
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

    /// <summary>Whether a section lies beyond both columns, where the end of the beam is a cantilever.</summary>
    public bool IsBeyond(double x) => x <= Body.Columns[0].Face(true, -1) + Close || x >= Body.Columns[1].Face(true, 1) - Close;

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
