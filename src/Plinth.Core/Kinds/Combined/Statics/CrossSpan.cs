using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// A strip across a base at a column, or at columns that stand side by side: it carries their loads and moments with the weights of its
/// tributary length, its pressure
/// linear over the width without tension. As a cross band it holds the bars at the column; as a tributary strip it is what shear passes
/// through.
/// </summary>
internal sealed class CrossSpan : SlabSpan
{
    private readonly Standing[] columns;
    private double tributaryFrom;
    private double tributaryTo;

    /// <summary>Makes one of a trial.</summary>
    public CrossSpan(Trial trial, int index, Standing[] columns)
        : base(trial, index, string.Join('+', columns.Select(c => c.At)), false) => this.columns = columns;

    /// <summary>The first of its columns, under which its bars are stated.</summary>
    public Standing First => columns[0];

    /// <summary>Where its first column's face lies along x, m from the body's centroid.</summary>
    public double LowFace => columns.LowFace(true);

    /// <summary>Where its last column's face lies along x, m.</summary>
    public double HighFace => columns.HighFace(true);

    /// <inheritdoc/>
    public override double From => from;

    /// <summary>Where it ends along x, m.</summary>
    public double To => From + Breadth;

    private double from;

    /// <inheritdoc/>
    public override bool IsInner => true;

    /// <inheritdoc/>
    public override bool Has(bool bottom) => bottom;

    /// <inheritdoc/>
    public override double Steel(bool bottom)
    {
        var sum = 0.0;
        foreach (var zone in Trial.Zones(false))
        {
            sum += zone.Within(bottom, From, To);
        }

        return sum;
    }

    /// <summary>Sets where it lies.</summary>
    /// <param name="low">Where it begins along x, m.</param>
    /// <param name="high">Where it ends, m.</param>
    /// <param name="tributaryLow">Where the length begins whose weights it carries, m.</param>
    /// <param name="tributaryHigh">Where that ends, m.</param>
    public void Lay(double low, double high, double tributaryLow, double tributaryHigh)
    {
        (from, tributaryFrom, tributaryTo) = (low, tributaryLow, tributaryHigh);
        Set(Body.WidthAt((LowFace + HighFace) / 2), high - low);
    }

    /// <inheritdoc/>
    public override double Overhang(int side) => side > 0 ? (Length / 2) - columns.HighFace(false) : columns.LowFace(false) + (Length / 2);

    /// <inheritdoc/>
    public override double FaceSide(int side) => columns.HighFace(false) - columns.LowFace(false);

    /// <inheritdoc/>
    public override bool PlainOnTop(int k) => columns.PlainOnTop(k);

    // Bars across stand at the columns already, those along over the whole breadth.
    /// <inheritdoc/>
    public override double ShortWayFactor => 1;

    /// <summary>
    /// What the strip carries in a combination: its columns' load, all of its load, and where its resultant lies from the centreline, kN
    /// and m.
    /// </summary>
    private (double Columns, double All, double At) Load(int k)
    {
        var (n, all, mx) = (0.0, 0.0, 0.0);
        foreach (var c in columns)
        {
            var (own, prism) = (c.Action(k).N, c.PrismWeight(k));
            (n, all, mx) = (n + own, all + own + prism, mx + c.Mx(k) - ((own + prism) * c.Y));
        }

        all += (Body.PressedPerArea(k) - Body.GroundLoad(k).WaterPressure) * (tributaryTo - tributaryFrom) * Length;
        if (Body.PlacedLoads.Length > 0)
        {
            const double every = double.PositiveInfinity;
            var (beside, _, besideY) = Body.LoadsWithin(k, tributaryFrom, -every, tributaryTo, every);
            (all, mx) = (all + beside, mx - besideY);
        }

        var (edge, end) = Rising(k);
        all += (2 * edge) + (end * Length);
        return (n, all, all == 0 ? 0 : -mx / all);
    }

    // Soil that a rising base lifts beside itself: on each long edge of the tributary length with its corners, kN, and on a metre of the
    // ends within it, kN/m.
    private (double Edge, double End) Rising(int k)
    {
        var (wedge, corner) = Body.Rising(k);
        if (wedge == 0)
        {
            return default;
        }

        var (edge, end) = (wedge * Body.LongSide * (tributaryTo - tributaryFrom) / Body.Length, 0.0);
        if (tributaryFrom <= Body.LowX)
        {
            (edge, end) = (edge + (corner * Body.Corners(-1) / 2), end + wedge);
        }

        if (tributaryTo >= Body.HighX)
        {
            (edge, end) = (edge + (corner * Body.Corners(1) / 2), end + wedge);
        }

        return (edge, end);
    }

    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        var (half, overhang) = (Length / 2, Overhang(side) - fromFace);
        var s = half - overhang;
        var at = side * s;
        if (overhang <= 0)
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, 1);
        }

        var (n, all, r) = Load(k);
        var e = side * r;
        double force, moment;
        if (n <= 0 || Math.Abs(r) <= Length / 6)
        {
            // Linear over the whole width, with tension where the columns pull.
            var (mean, rise) = (all / Length, 12 * all * e / (Length * Length * Length));
            force = (mean * overhang) + (rise * ((half * half) - (s * s)) / 2);
            moment = (mean * overhang * overhang / 2)
                + (rise * ((((half * half * half) - (s * s * s)) / 3) - (s * ((half * half) - (s * s)) / 2)));
        }
        else if (all <= 0 || Math.Abs(r) >= half * (1 - 1e-9))
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, double.NaN);
        }
        else
        {
            // A triangle over three times the distance to the nearer edge.
            var bears = 3 * (half - Math.Abs(e));
            var slope = 2 * all / (bears * bears);
            if (e > 0)
            {
                var zero = half - bears;
                var low = Math.Max(s, zero);
                force = slope * (((half - zero) * (half - zero)) - ((low - zero) * (low - zero))) / 2;
                moment = slope * Cubic(low, half, zero, s);
            }
            else
            {
                var zero = bears - half;
                var high = Math.Max(s, Math.Min(half, zero));
                force = slope * (((zero - s) * (zero - s)) - ((zero - high) * (zero - high))) / 2;
                force = s < zero ? force : 0;
                moment = s < zero ? -slope * Cubic(s, high, zero, s) : 0;
            }
        }

        var wide = tributaryTo - tributaryFrom;
        var (water, weight) = (Body.GroundLoad(k).WaterPressure * wide * overhang, Body.PressedPerArea(k) * wide * overhang);
        var (besideForce, besideMoment) = (0.0, 0.0);
        if (Body.PlacedLoads.Length > 0)
        {
            const double every = double.PositiveInfinity;
            var (y0, y1) = side > 0 ? (at, every) : (-every, at);
            var (beside, _, besideY) = Body.LoadsWithin(k, tributaryFrom, y0, tributaryTo, y1);
            (besideForce, besideMoment) = (beside, side * (besideY - (at * beside)));
        }

        var (edge, end) = Rising(k);
        (besideForce, besideMoment) = (besideForce + edge + (end * overhang),
            besideMoment + (edge * overhang) + (end * overhang * overhang / 2));
        return new SectionForces(side, at, overhang, force + water, moment + (water * overhang / 2), weight + besideForce,
            (weight * overhang / 2) + besideMoment, Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    // ∫(y − zero)·(y − s) dy between two points.
    private static double Cubic(double low, double high, double zero, double s)
    {
        double At(double y) => (y * y * y / 3) - ((zero + s) * y * y / 2) + (zero * s * y);
        return At(high) - At(low);
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        var (n, all, r) = Load(k);
        var (force, turning, length) = (Unit.Force, Unit.Moment, Unit.Length);
        trace.Given("N", n, force, columns.Length == 1 ? "of the column" : "of the columns of this band");
        trace.Given("P", all, force,
            "with pedestal and the weights, less the water's push, of its tributary length "
                + $"{length.FormatWithSymbol(tributaryTo - tributaryFrom, Units)}");
        trace.Given("yR", r, length, "where it lies from the centreline: −Σ(Mx,col − N·y)/P");
        trace.Given("B", Length, length, "width of the strip, over which its pressure is linear without tension");
        trace.Given("y,s", forces.At, length, $"section from the centreline, the part beyond it towards {(forces.Side > 0 ? "+" : "−")}y");
        trace.Given("l", forces.Overhang, length, "length of the part beyond");
        if (moment)
        {
            var (upward, down) = (trace.Given("Mp", forces.UpMoment, turning, "of the pressure beyond, the water's included"),
                trace.Given("Mw", forces.DownMoment, turning, "of the weights and loads beyond"));
            trace.Let("Mu", up ? forces.MomentUp : forces.MomentDown, turning,
                Difference<T>(up, forces.Deduct, new Sym("Mp", upward, turning), new Sym("Mw", down, turning)));
        }
        else
        {
            var (upward, down) = (trace.Given("Vp", forces.UpShear, force, "of the pressure beyond, the water's included"),
                trace.Given("Vw", forces.DownShear, force, "of the weights and loads beyond"));
            trace.Let("Vu", up ? forces.ShearUp : forces.ShearDown, force,
                Difference<T>(up, forces.Deduct, new Sym("Vp", upward, force), new Sym("Vw", down, force)));
        }
    }

    private static Formula<T> Difference<T>(bool up, double deduct, Sym upward, Sym down)
        where T : struct, ITrace =>
        !up ? (Formula<T>)$"max(0; {down} − {upward})"
            : deduct == 0 ? (Formula<T>)$"max(0; {upward})"
            : (Formula<T>)$"max(0; {upward} − {down})";
}
