using System.Runtime.InteropServices;
using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Numerics;
using Plinth.Core.Schedules;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// The rib of a strip with its flange as an inverted T beam along the row: sections at the faces of columns and where the shear passes
/// through nil; its web and stirrups carry the shear.
/// </summary>
internal sealed class RibBeam : BeamSpan, IBarsAlong
{
    private const double Close = 1e-9;

    // The flange counts as far beside the web as so many of its thicknesses, and as such a share of the clear span (ACI 318 6.3.2.1).
    private const double Thicknesses = 8;
    private const double SpanShare = 8;

    // Of the block of pressed concrete (22.2.2.4.1).
    private const double Block = 0.85;

    private readonly GroundBody body;
    private readonly Standing[] columns;
    private readonly Found[] found;
    private double flange;
    private double effective;

    /// <summary>Makes it for a trial.</summary>
    public RibBeam(Trial trial, GroundBody body, Standing[] columns)
        : base(trial, "rib")
    {
        (this.body, this.columns) = (body, columns);
        found = new Found[Combinations.Length];
        Extra = new ExtraZones(trial, this, columns);
    }

    /// <inheritdoc/>
    public override ExtraZones Extra { get; }

    /// <inheritdoc/>
    public string CutClause => "9.7.3";

    /// <inheritdoc/>
    public override GroundBody Body => body;

    /// <inheritdoc/>
    public override string Origin => "the base's centroid";

    /// <inheritdoc/>
    public override string SectionWords => "section from the base's centroid: a face of a column, or where the shear passes through nil";

    /// <inheritdoc/>
    public override string ShearWords => "∫(p + u − w) dA − ΣN of all towards −x";

    /// <inheritdoc/>
    public override string MomentWords =>
        "∫(p + u − w)·(x − ξ) dA − Σ(N·(x − xi) − My,col) of all towards −x; positive stretches the bottom";

    /// <summary>Takes the flange; the web's sides are set before.</summary>
    public void Take(double thickness, double width)
    {
        flange = thickness;
        var least = double.PositiveInfinity;
        for (var i = 1; i < columns.Length; i++)
        {
            least = Math.Min(least, columns[i].Face(true, -1) - columns[i - 1].Face(true, 1));
        }

        var beside = Math.Min((width - Width) / 2, Math.Min(Thicknesses * thickness, Math.Max(0, least) / SpanShare));
        (effective, whole) = (Width + (2 * Math.Max(0, beside)), width);
    }

    private double whole;

    // The bars across the flange lie at the cover, the stirrups on them.
    /// <inheritdoc/>
    public override double Beneath => Trial.Zones(false)[0].Layer(true).Diameter;

    // Bottom bars stretch the flange: its concrete cracks too, by no more than twice the web's breadth (9.6.1.2).
    /// <inheritdoc/>
    public override double LeastSteelBreadth(bool bottom) => bottom ? Math.Min(whole, 2 * Width) : Width;

    // Stretched on top, the flange is pressed: as long as the block lies within it.
    /// <inheritdoc/>
    public override FlexuralStrength StrengthOf<T>(bool bottom, double steel, ref T trace)
    {
        var breadth = Width;
        if (!bottom)
        {
            var deep = steel * Rules.Steel.Yield / (Block * Rules.Concrete.Strength * effective);
            breadth = deep <= flange ? effective : Width;
            trace.Given("b", breadth, Unit.Section, deep <= flange
                ? "of the flange, pressed: the web and on both sides the least of what there is, 8h and 1/8 of the clear span"
                : "of the web: the pressed block is deeper than the flange", $"{Code.Name} 6.3.2.1");
        }

        return Code.Flexure(ref trace, Rules.Concrete, Rules.Steel.Yield, steel, breadth, Depth(bottom));
    }

    /// <inheritdoc cref="BeamSpan.Section"/>
    public override LongSection Section(int k, double x) => LongForces.At(body, columns, true, k, x);

    /// <inheritdoc/>
    public IReadOnlyList<double> Across(bool bottom) =>
        HasExtra(bottom) ? Shared(bottom).Through : BarPositions.Across(Layer(bottom), Width, SideCover, []);

    /// <inheritdoc/>
    public IReadOnlyList<double> Beside(bool bottom) => Shared(bottom).Extra;

    private (IReadOnlyList<double> Through, IReadOnlyList<double> Extra) Shared(bool bottom) =>
        BarPositions.Shared(Layer(bottom).Count, Extra.Most(bottom), Width - (2 * SideCover) - Layer(bottom).Diameter);

    /// <inheritdoc/>
    public double Stretch(bool bottom, int k, in LongSection at) => bottom ? at.Moment : -at.Moment;

    /// <inheritdoc/>
    public FlexuralStrength Held<T>(bool bottom, double steel, ref T trace)
        where T : struct, ITrace => StrengthOf(bottom, steel, ref trace);

    /// <inheritdoc/>
    public ReadOnlySpan<BeamShearAt> ShearsByBars(int k) => [];

    /// <inheritdoc/>
    public double Sheared<T>(bool bottom, double steel, double x, ref T trace)
        where T : struct, ITrace =>
        Code.BeamShear(ref trace, Rules.Concrete, InShear(bottom, StirrupSpacing(x)) with { Steel = steel });

    /// <inheritdoc/>
    public double Straight<T>(bool bottom, ref T trace)
        where T : struct, ITrace => BeamAnchorage.Lengths(this, bottom, ref trace).Straight;

    /// <inheritdoc/>
    public double AtEnd<T>(bool bottom, ref T trace)
        where T : struct, ITrace =>
        BeamAnchorage.Lengths(this, bottom, ref trace) is var (straight, hook) && Layer(bottom).Hooked ? Math.Min(straight, hook)
            : straight;

    /// <inheritdoc/>
    public override ReadOnlySpan<LongSection> Sections(int k) => CollectionsMarshal.AsSpan(Of(k).Sections);

    /// <inheritdoc/>
    public override LongSection Greatest(int k, bool bottom) => bottom ? Of(k).Bottom : Of(k).Top;

    /// <inheritdoc/>
    public override double MostShear(int k) => Of(k).Most;

    /// <inheritdoc/>
    public override ReadOnlySpan<BeamShearAt> Shears(int k)
    {
        var own = Of(k);
        if (own.Depth != Depth(true))
        {
            own.Depth = Depth(true);
            FindShears(k, own);
        }

        return CollectionsMarshal.AsSpan(own.Shears);
    }

    /// <inheritdoc/>
    public override bool IsBeyond(double x) => x <= columns.LowFace(true) + Close || x >= columns.HighFace(true) - Close;

    private Found Of(int k)
    {
        var own = found[k] ??= new Found();
        if (own.Generation != Trial.Generation)
        {
            (own.Generation, own.Depth) = (Trial.Generation, double.NaN);
            Find(k, own);
        }

        return own;
    }

    private void Find(int k, Found own)
    {
        own.Sections.Clear();
        own.Turns.Clear();
        (own.Bottom, own.Top, own.Most) = (default, default, 0);
        if (body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return;
        }

        foreach (var c in columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                Take(c.Face(true, side));
            }
        }

        var scale = Close * Math.Abs(body.Loads(k).N);
        LongSection? last = null;
        var rising = false;
        foreach (var x in body.Bed!.Turns)
        {
            var at = Section(k, x);
            var within = IsWithinColumn(at.X);
            var further = last is { } one && !IsWithinColumn((one.X + at.X) / 2) && one.Shear * at.Shear >= 0;
            if (rising && further && Math.Abs(at.Shear) < Math.Abs(last!.Value.Shear) - scale)
            {
                // Where what lies on a lifted part presses it down the shear grows again away from a column.
                own.Turns.Add(last.Value);
            }

            rising = further && Math.Abs(at.Shear) > Math.Abs(last!.Value.Shear) + (rising ? -scale : scale);
            if (!within)
            {
                own.Most = Math.Max(own.Most, Math.Abs(at.Shear));
            }

            if (last is { } before && !IsWithinColumn((before.X + at.X) / 2))
            {
                if (Math.Abs(before.Shear) > scale && Math.Abs(at.Shear) > scale && before.Shear * at.Shear < 0)
                {
                    var shear = new ShearOf(body, columns, k);
                    own.Sections.Add(Section(k, Root.Between(ref shear, before.X, before.Shear, at.X, at.Shear)));
                }
                else if (Math.Abs(at.Shear) <= scale && !within && at.X < High - (1000 * Close))
                {
                    own.Sections.Add(at);
                }
            }

            last = at;
        }

        var residue = Close * Math.Abs(body.Loads(k).N) * (High - Low);
        foreach (var at in own.Sections)
        {
            own.Bottom = at.Moment > Math.Max(residue, own.Bottom.Moment) ? at : own.Bottom;
            own.Top = at.Moment < Math.Min(-residue, own.Top.Moment) ? at : own.Top;
        }

        void Take(double x)
        {
            if (x > Low + Close && x < High - Close)
            {
                var at = Section(k, x);
                own.Sections.Add(at);
                own.Most = Math.Max(own.Most, Math.Abs(at.Shear));
            }
        }
    }

    // At d from a face where the ground pushes towards the column that presses, else at the face; between near columns in the middle.
    private void FindShears(int k, Found own)
    {
        own.Shears.Clear();
        var d = Depth(true);
        foreach (var turn in own.Turns)
        {
            if (!Array.Exists(columns, c => turn.X > c.Face(true, -1) - d && turn.X < c.Face(true, 1) + d))
            {
                own.Shears.Add(new(turn, false));
            }
        }

        foreach (var c in columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                var face = c.Face(true, side);
                if (face <= Low + Close || face >= High - Close)
                {
                    continue;
                }

                var at = Section(k, face);
                if (!(-side * at.Shear > 0) || !(c.Action(k).N > 0))
                {
                    own.Shears.Add(new(at, true) { Side = side });
                    continue;
                }

                var (to, isColumn) = Next(c, side);
                var clear = side * (to - face);
                if (isColumn ? clear > 0 : clear > d)
                {
                    var beyond = Section(k, isColumn && clear < 2 * d ? (face + to) / 2 : face + (side * d));
                    own.Shears.Add(new(beyond, false) { Side = side, IsPast = isColumn && side * beyond.Shear > 0 });
                }
            }
        }
    }

    private (double To, bool IsColumn) Next(Standing from, int side)
    {
        var (to, isColumn) = (side > 0 ? High : Low, false);
        foreach (var c in columns)
        {
            var other = c.Face(true, -side);
            if (c != from && side * (c.X - from.X) > 0 && side * (other - to) < 0)
            {
                (to, isColumn) = (other, true);
            }
        }

        return (to, isColumn);
    }

    private bool IsWithinColumn(double x)
    {
        foreach (var c in columns)
        {
            if (x > c.Face(true, -1) + Close && x < c.Face(true, 1) - Close)
            {
                return true;
            }
        }

        return false;
    }

    // What was found in a combination.
    private sealed class Found
    {
        public int Generation { get; set; } = -1;

        public double Depth { get; set; } = double.NaN;

        public List<LongSection> Sections { get; } = [];

        public List<BeamShearAt> Shears { get; } = [];

        public List<LongSection> Turns { get; } = [];

        public LongSection Bottom { get; set; }

        public LongSection Top { get; set; }

        public double Most { get; set; }
    }

    private readonly struct ShearOf(GroundBody body, Standing[] columns, int k) : IFunction
    {
        public double At(double x) => LongForces.At(body, columns, true, k, x).Shear;
    }
}
