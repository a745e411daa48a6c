using System.Buffers;
using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Numerics;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// A base under several columns as it spans along an axis over its whole breadth: sections at both faces of every column, and where the
/// shear passes through nil. Along x
/// it is what holds the columns together; along y it is looked at beside the bands where the columns do not stand on one line.
/// </summary>
internal sealed class LongSpan : SlabSpan
{
    private const double Close = 1e-9;

    // Corners of the outline, and where the line of zero pressure crosses its edges.
    private const int MostBreaks = 8;

    private readonly Standing[] columns;
    private LongSection[] sections;
    private (int Generation, int Count)[] found;
    private LongShearAt[] shears;
    private (int Generation, double Depth, int Count)[] sheared;

    /// <summary>Makes it for a trial.</summary>
    public LongSpan(Trial trial, int index, Standing[] columns, bool alongX)
        : base(trial, index, null, alongX)
    {
        this.columns = columns;
        sections = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * Most);
        found = Trial.Rented<(int, int)>(Combinations.Length);
        shears = ArrayPool<LongShearAt>.Shared.Rent(Combinations.Length * 2 * columns.Length);
        sheared = Trial.Rented<(int, double, int)>(Combinations.Length);
    }

    internal override void Release()
    {
        base.Release();
        ArrayPool<LongSection>.Shared.Return(sections);
        ArrayPool<(int, int)>.Shared.Return(found);
        ArrayPool<LongShearAt>.Shared.Return(shears);
        ArrayPool<(int, double, int)>.Shared.Return(sheared);
        (sections, found, shears, sheared) = ([], [], [], []);
    }

    /// <summary>
    /// The most sections there may be: two faces a column, where loads beside the columns begin and end, and in every stretch that these,
    /// corners and the line of zero pressure
    /// leave three points of zero shear.
    /// </summary>
    public int Most =>
        (2 * columns.Length) + (2 * Body.PlacedLoads.Length) + (3 * (columns.Length + 1 + MostBreaks + (2 * Body.PlacedLoads.Length)));

    /// <summary>Takes the sides of the body.</summary>
    public void Resize() => Set(AlongX ? Body.Length : Body.Width, AlongX ? Math.Max(Body.LowWidth, Body.HighWidth) : Body.Length);

    /// <inheritdoc/>
    public override double NarrowBreadth => AlongX ? Math.Min(Body.LowWidth, Body.HighWidth) : Breadth;

    /// <summary>Where the base begins along the axis, m from its centroid.</summary>
    public double Low => Body.Low(AlongX);

    /// <summary>Where it ends.</summary>
    public double High => Body.High(AlongX);

    /// <summary>Breadth of a section, m.</summary>
    public double BreadthAt(double at)
    {
        var (from, to) = Body.Chord(AlongX, at);
        return to - from;
    }

    /// <summary>Area of the bars of a face that pass through a section, m2.</summary>
    public double SteelAt(bool bottom, double at)
    {
        if (AlongX)
        {
            return Layer(bottom).Area;
        }

        var ((from, to), sum) = (Body.Chord(false, at), 0.0);
        foreach (var zone in Trial.Zones(false))
        {
            sum += zone.Within(bottom, from, to);
        }

        return sum;
    }

    private double LowFace => columns.LowFace(AlongX);

    private double HighFace => columns.HighFace(AlongX);

    /// <inheritdoc/>
    public override double Overhang(int side) => side < 0 ? LowFace - Low : High - HighFace;

    /// <inheritdoc/>
    public override bool PlainOnTop(int k) => columns.PlainOnTop(k);

    // Bars across stand at the columns already, those along over the whole breadth.
    /// <inheritdoc/>
    public override double ShortWayFactor => 1;

    /// <summary>Whether a section lies beyond all columns, where the slab is a cantilever.</summary>
    public bool IsBeyond(double x) => x <= LowFace + Close || x >= HighFace - Close;

    /// <summary>Shear and moment in a section.</summary>
    public LongSection Section(int k, double x) => LongForces.At(Body, columns, AlongX, k, x);

    /// <summary>A face of a column along the axis, m from the body's centroid.</summary>
    public double Face(Standing c, int side) => c.Face(AlongX, side);

    /// <summary>The columns.</summary>
    public ReadOnlySpan<Standing> Columns => columns;

    /// <summary>
    /// Clear length from a face to the next column on its side, or to the end of the base, m; negative where a column stands in the way.
    /// </summary>
    /// <returns>Where that is, and whether it is a column's face.</returns>
    public (double To, bool IsColumn) Next(Standing from, int side)
    {
        var (to, found) = (side > 0 ? High : Low, false);
        foreach (var c in columns)
        {
            var other = Face(c, -side);
            if (c != from && side * (AlongX ? c.X - from.X : c.Y - from.Y) > 0 && side * (other - to) < 0)
            {
                (to, found) = (other, true);
            }
        }

        return (to, found);
    }

    /// <summary>
    /// Sections at which flexure is looked at in a combination: the faces of all columns within the base, and between them where the shear
    /// passes through nil; found once
    /// for each combination and size.
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

    /// <summary>Sections at which shear is looked at in a combination; found once for each combination, size and depth.</summary>
    public ReadOnlySpan<LongShearAt> Shears(int k)
    {
        var into = shears.AsSpan(k * 2 * columns.Length, 2 * columns.Length);
        ref var kept = ref sheared[k];
        if (kept.Generation != Trial.Generation || kept.Depth != Depth(true))
        {
            var count = 0;
            foreach (var c in columns)
            {
                for (var side = -1; side <= 1; side += 2)
                {
                    if (LongShear.Place(this, k, c, side) is { } place)
                    {
                        into[count++] = new(Section(k, place.At), place.AtFace);
                    }
                }
            }

            kept = (Trial.Generation, Depth(true), count);
        }

        return into[..kept.Count];
    }

    private int Find(int k, Span<LongSection> into)
    {
        var count = 0;
        foreach (var c in columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                var face = Face(c, side);
                if (face > Low + Close && face < High - Close)
                {
                    into[count++] = Section(k, face);
                }
            }
        }

        Span<double> breaks = stackalloc double[MostBreaks];
        breaks = breaks[..Breaks(k, breaks)];

        // What is free of columns from one end to the other.
        var at = Low;
        while (true)
        {
            var next = High;
            foreach (var c in columns)
            {
                next = Face(c, 1) > at + Close ? Math.Min(next, Face(c, -1)) : next;
            }

            Peaks(k, at, next, breaks, into, ref count);
            at = Math.Max(at, next);
            if (at >= High - Close)
            {
                break;
            }

            foreach (var c in columns)
            {
                at = Face(c, -1) <= next + Close ? Math.Max(at, Face(c, 1)) : at;
            }
        }

        return count;
    }

    // Where the breadth of sections begins to change, and where a part of them begins to lift: between these the net pressure is a
    // polynomial of the second degree.
    private int Breaks(int k, Span<double> into)
    {
        var (count, p) = (0, Body.Contact(k).Pressure);
        var outline = Body.Outline;
        for (var i = 0; i < outline.Length; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
            var (from, to) = AlongX ? (a.X, b.X) : (a.Y, b.Y);
            var (low, high) = (p.Plane(a.X, a.Y), p.Plane(b.X, b.Y));
            into[count++] = from;
            if (low * high < 0)
            {
                into[count++] = from + ((to - from) * low / (low - high));
            }
        }

        return count;
    }

    // Between two points with no column between, cut at breaks and where loads beside the columns begin and end.
    private void Peaks(int k, double from, double to, ReadOnlySpan<double> breaks, Span<LongSection> into, ref int count)
    {
        while (to - from > Close)
        {
            var next = to;
            foreach (var x in breaks)
            {
                next = x > from + Close ? Math.Min(next, x) : next;
            }

            var stands = false;
            foreach (ref readonly var load in Body.PlacedLoads)
            {
                var (a, b) = AlongX ? (load.X0, load.X1) : (load.Y0, load.Y1);
                Cut(a, ref next, ref stands);
                Cut(b, ref next, ref stands);
            }

            Stretch(k, from, next, into, ref count);
            if (stands && next < to - Close)
            {
                into[count++] = Section(k, next);
            }

            from = next;
        }

        void Cut(double x, ref double next, ref bool stands)
        {
            if (x > from + Close && x <= next)
            {
                (next, stands) = (x, true);
            }
        }
    }

    // Where the shear passes through nil within a stretch: parted where the net pressure is nil, the shear rises or falls all the way.
    private void Stretch(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < 3 * Close)
        {
            return;
        }

        // What stands on its ends is no part of it.
        (from, to) = (from + Close, to - Close);
        var beside = LongForces.LoadSlope(Body, AlongX, k, (from + to) / 2);
        var (start, middle, end) = (Slope(from), Slope((from + to) / 2), Slope(to));
        var (first, second) = Root.OfQuadratic((2 * start) - (4 * middle) + (2 * end), (-3 * start) + (4 * middle) - end, start);
        var (at, length) = (from, to - from);
        foreach (var t in (ReadOnlySpan<double>)[first, second])
        {
            if (t is > 0 and < 1)
            {
                Peak(k, at, from + (t * length), into, ref count);
                at = from + (t * length);
            }
        }

        Peak(k, at, to, into, ref count);

        double Slope(double x) => LongForces.Slope(Body, AlongX, k, x) - beside;
    }

    private void Peak(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < Close)
        {
            return;
        }

        var (low, high) = (Section(k, from).Shear, Section(k, to).Shear);
        var scale = Close * Math.Abs(Body.Loads(k).N);
        if (Math.Abs(low) > scale && Math.Abs(high) > scale && low * high < 0)
        {
            var shear = new ShearOf(Body, columns, AlongX, k);
            into[count++] = Section(k, Root.Between(ref shear, from, low, to, high));
        }
    }

    private readonly struct ShearOf(GroundBody body, Standing[] columns, bool alongX, int k) : IFunction
    {
        public double At(double x) => LongForces.At(body, columns, alongX, k, x).Shear;
    }

    /// <summary>Whether some combination stretches the top by more than plain concrete may hold.</summary>
    public bool StretchesTop()
    {
        var none = default(NoTrace);
        foreach (var k in Trial.CombinationsFor(Family.Concrete))
        {
            if (Body.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            foreach (ref readonly var s in Sections(k))
            {
                var plain = IsBeyond(s.X) && PlainOnTop(k) && Code.PlainThickness(Thickness) is > 0 and var h
                    ? Code.PlainFlexure(ref none, Rules.Concrete, BreadthAt(s.X), h)
                    : 0;
                if (-s.Moment > Math.Max(plain, Close * Body.Loads(k).N * Length))
                {
                    return true;
                }
            }
        }

        return false;
    }

    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        var at = side < 0 ? LowFace - fromFace : HighFace + fromFace;
        var overhang = side < 0 ? at - Low : High - at;
        if (overhang <= 0)
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, 1);
        }

        var (up, down) = (LongForces.Push(Body, AlongX, k, at), LongForces.Press(Body, AlongX, k, at));
        if (side > 0)
        {
            (up, down) = (LongForces.Push(Body, AlongX, k, High) - up, LongForces.Press(Body, AlongX, k, High) - down);
        }

        double Turning(PartForce f) => side * (f.Moment - (at * f.Force));
        return new SectionForces(side, at, overhang, up.Force, Turning(up), down.Force, Turning(down),
            Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        trace.Given(Axis + ",s", forces.At, Unit.Length,
            $"section from the base's centroid, the part beyond it towards {(forces.Side > 0 ? "+" : "−")}{Axis}");
        trace.Given(moment ? "Mu" : "Vu", moment ? (up ? forces.MomentUp : forces.MomentDown) : up ? forces.ShearUp : forces.ShearDown,
            moment ? Unit.Moment : Unit.Force, "of the part beyond: ∫(p + u − w) dA, exact");
    }
}

/// <summary>A section of a base under several columns at which shear is looked at.</summary>
/// <param name="Section">The section with its forces.</param>
/// <param name="AtFace">Whether it lies at the face of a column.</param>
internal readonly record struct LongShearAt(LongSection Section, bool AtFace);
