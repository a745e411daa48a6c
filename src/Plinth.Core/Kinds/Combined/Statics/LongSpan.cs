using System.Buffers;
using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// A base under several columns as it spans along an axis over its whole breadth: sections at both faces of every column, and where the
/// shear passes through nil. Along x
/// it is what holds the columns together; along y it is looked at beside the bands where the columns do not stand on one line.
/// </summary>
internal sealed partial class LongSpan : SlabSpan, IBarsAlong
{
    private const double Close = 1e-9;

    // Corners of the outline, and where the line of zero pressure crosses its edges.
    private const int MostBreaks = 8;

    private readonly Standing[] columns;
    private LongSection[] sections;
    private (int Generation, int Count)[] found;
    private BeamShearAt[] shears;
    private (int Generation, double Depth, int Count)[] sheared;
    private (bool Sought, LongSection? At)[] turns;

    /// <summary>Makes it for a trial.</summary>
    public LongSpan(Trial trial, int index, Standing[] columns, bool alongX)
        : base(trial, index, null, alongX)
    {
        this.columns = columns;
        sections = ArrayPool<LongSection>.Shared.Rent(Combinations.Length * Most);
        found = Trial.Rented<(int, int)>(Combinations.Length);
        shears = ArrayPool<BeamShearAt>.Shared.Rent(Combinations.Length * 2 * columns.Length);
        sheared = Trial.Rented<(int, double, int)>(Combinations.Length);
        turns = ArrayPool<(bool, LongSection?)>.Shared.Rent(Combinations.Length * 2 * columns.Length);
    }

    internal override void Release()
    {
        base.Release();
        ArrayPool<LongSection>.Shared.Return(sections);
        ArrayPool<(int, int)>.Shared.Return(found);
        ArrayPool<BeamShearAt>.Shared.Return(shears);
        ArrayPool<(int, double, int)>.Shared.Return(sheared);
        ArrayPool<(bool, LongSection?)>.Shared.Return(turns);
        (sections, found, shears, sheared, turns) = ([], [], [], [], []);
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
            return Layer(bottom).Area + (Extra?.SteelAt(bottom, at) ?? 0);
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

    // Of columns side by side the widest.
    /// <inheritdoc/>
    public override double FaceSide(int side)
    {
        var (most, face) = (0.0, side < 0 ? LowFace : HighFace);
        foreach (var c in columns)
        {
            most = Math.Abs(Face(c, side) - face) <= Close ? Math.Max(most, Face(c, 1) - Face(c, -1)) : most;
        }

        return most;
    }

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
