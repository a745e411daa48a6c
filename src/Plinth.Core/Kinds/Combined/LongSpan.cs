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

/// <summary>A base under several columns as it spans along x over its whole breadth: sections at both faces of every column, and where the shear passes through nil.</summary>
internal sealed class LongSpan : SlabSpan
{
    private const double Close = 1e-9;

    private readonly Standing[] columns;
    private LongSection[] sections;
    private (int Generation, int Count)[] found;

    /// <summary>Makes it for a trial.</summary>
    public LongSpan(Trial trial, Standing[] columns)
        : base(trial, 0, null, true)
    {
        this.columns = columns;
        sections = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * Most);
        found = Trial.Rented<(int, int)>(Combinations.Length);
    }

    internal override void Release()
    {
        base.Release();
        ArrayPool<LongSection>.Shared.Return(sections);
        ArrayPool<(int, int)>.Shared.Return(found);
        (sections, found) = ([], []);
    }

    /// <summary>The most sections there may be: two faces a column, and two points of zero shear in every length between.</summary>
    public int Most => (4 * columns.Length) + 2;

    /// <summary>Takes the sides of the body.</summary>
    public void Resize() => Set(Body.Length, Body.Width);

    private double LowFace
    {
        get
        {
            var low = double.PositiveInfinity;
            foreach (var c in columns)
            {
                low = Math.Min(low, c.X - (c.Outline.X / 2));
            }

            return low;
        }
    }

    private double HighFace
    {
        get
        {
            var high = double.NegativeInfinity;
            foreach (var c in columns)
            {
                high = Math.Max(high, c.X + (c.Outline.X / 2));
            }

            return high;
        }
    }

    /// <inheritdoc/>
    public override double Overhang(int side) => side < 0 ? LowFace - Body.LowX : Body.HighX - HighFace;

    /// <inheritdoc/>
    public override bool PlainOnTop(int k)
    {
        foreach (var c in columns)
        {
            if (!c.Plain(k).OnTop)
            {
                return false;
            }
        }

        return true;
    }

    // Bars across stand at the columns already, those along over the whole breadth.
    /// <inheritdoc/>
    public override double ShortWayFactor => 1;

    /// <summary>Whether a section lies beyond all columns, where the slab is a cantilever.</summary>
    public bool IsBeyond(double x) => x <= LowFace + Close || x >= HighFace - Close;

    /// <summary>Shear and moment in a section.</summary>
    public LongSection Section(int k, double x) => LongForces.At(Body, columns, k, x);

    /// <summary>A face of a column along x, m from the body's centroid.</summary>
    public static double Face(Standing c, int side) => c.X + (side * c.Outline.X / 2);

    /// <summary>The columns.</summary>
    public ReadOnlySpan<Standing> Columns => columns;

    /// <summary>Clear length from a face to the next column on its side, or to the end of the base, m; negative where a column stands in the way.</summary>
    /// <returns>Where that is, and whether it is a column's face.</returns>
    public (double To, bool IsColumn) Next(Standing from, int side)
    {
        var (to, found) = (side > 0 ? Body.HighX : Body.LowX, false);
        foreach (var c in columns)
        {
            var other = Face(c, -side);
            if (c != from && side * (c.X - from.X) > 0 && side * (other - to) < 0)
            {
                (to, found) = (other, true);
            }
        }

        return (to, found);
    }

    /// <summary>
    /// Sections at which flexure is looked at in a combination: the faces of all columns within the base, and between them where the shear passes through nil; found once
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

    private int Find(int k, Span<LongSection> into)
    {
        var count = 0;
        foreach (var c in columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                var face = Face(c, side);
                if (face > Body.LowX + Close && face < Body.HighX - Close)
                {
                    into[count++] = Section(k, face);
                }
            }
        }

        foreach (var c in columns)
        {
            var (to, _) = Next(c, 1);
            Peaks(k, Face(c, 1), to, into, ref count);
        }

        Peaks(k, Body.LowX, LowFace, into, ref count);
        return count;
    }

    // Where the shear passes through nil between two points with no column between: the net pressure rises or falls all the way, so the shear turns at most once.
    private void Peaks(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < Close)
        {
            return;
        }

        var (slopeFrom, slopeTo) = (LongForces.Slope(Body, k, from), LongForces.Slope(Body, k, to));
        var turn = to;
        if (slopeFrom * slopeTo < 0)
        {
            var slope = new SlopeOf(Body, k);
            turn = Root.Between(ref slope, from, slopeFrom, to, slopeTo);
        }

        Peak(k, from, turn, into, ref count);
        Peak(k, turn, to, into, ref count);
    }

    private void Peak(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < Close || count >= into.Length)
        {
            return;
        }

        var (low, high) = (Section(k, from).Shear, Section(k, to).Shear);
        var scale = Close * Math.Abs(Body.Loads(k).N);
        if (Math.Abs(low) > scale && Math.Abs(high) > scale && low * high < 0)
        {
            var shear = new ShearOf(Body, columns, k);
            into[count++] = Section(k, Root.Between(ref shear, from, low, to, high));
        }
    }

    private readonly struct SlopeOf(GroundBody body, int k) : IFunction
    {
        public double At(double x) => LongForces.Slope(body, k, x);
    }

    private readonly struct ShearOf(GroundBody body, Standing[] columns, int k) : IFunction
    {
        public double At(double x) => LongForces.At(body, columns, k, x).Shear;
    }

    /// <summary>Whether some combination stretches the top along x by more than plain concrete may hold.</summary>
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
                var plain = IsBeyond(s.X) && PlainOnTop(k) && Code.PlainThickness(Thickness) is > 0 and var h ? Code.PlainFlexure(ref none, Rules.Concrete, Body.WidthAt(s.X), h) : 0;
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
        var overhang = side < 0 ? at - Body.LowX : Body.HighX - at;
        if (overhang <= 0)
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, 1);
        }

        var s = Section(k, at);
        var (shear, moment) = (side < 0 ? s.Shear : -s.Shear, s.Moment);
        var weight = Body.WeightPerArea(k) * overhang * (Body.WidthAt(at) + (side < 0 ? Body.LowWidth : Body.HighWidth)) / 2;

        // Of the trapezoid beyond, from the section.
        var (near, far) = (Body.WidthAt(at), side < 0 ? Body.LowWidth : Body.HighWidth);
        var turning = Body.WeightPerArea(k) * overhang * overhang * (near + (2 * far)) / 6;
        return new SectionForces(side, at, overhang, shear + weight, moment + turning, weight, turning, Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        trace.Given("x,s", forces.At, Unit.Length, $"section from the base's centroid, the part beyond it towards {(forces.Side > 0 ? "+" : "−")}x");
        trace.Given(moment ? "Mu" : "Vu", moment ? (up ? forces.MomentUp : forces.MomentDown) : up ? forces.ShearUp : forces.ShearDown, moment ? Unit.Moment : Unit.Force, "of the part beyond: ∫(p + u − w) dA, exact");
    }
}
