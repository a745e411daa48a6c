using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Bodies;

/// <summary>What stands on a body: a column with what is between it and the base.</summary>
public sealed class Standing : Subject
{
    private readonly PlainConcrete[] plain;
    private readonly SupportAction[] sums;
    private readonly SupportAction[] brought;
    private readonly (double Displaced, double ColumnDepth)[] displaced = new (double, double)[3];

    /// <summary>Makes a column of a trial; where it stands and what on must be set before it is read.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which of its supports.</param>
    /// <param name="at">What results call it; null where there is but one.</param>
    public Standing(Trial trial, int index, string? at)
        : base(trial, index, at)
    {
        ArgumentNullException.ThrowIfNull(trial);
        Loaded = trial.Place.Supports[index];
        Outline = Loaded.Outline;
        (sums, brought) = (Loaded.Sums, Loaded.Brought);
        plain = [.. Combinations.Select((c, k) => PlainConcrete.Of(this, c, k))];
    }

    /// <summary>The support with its loads.</summary>
    public LoadedSupport Loaded { get; }

    /// <summary>The support.</summary>
    public Support Support => Loaded.Support;

    /// <summary>The body it stands on.</summary>
    public GroundBody Body { get; internal set; } = null!;

    /// <summary>Its centre from the body's centroid along x, m.</summary>
    public double X { get; private set; }

    /// <summary>Its centre from the body's centroid along y, m.</summary>
    public double Y { get; private set; }

    /// <summary>Its centre along x from the centroid of all bases that hang together, m.</summary>
    public double PlanX => X + Body.Middle;

    /// <summary>One of its faces from the body's centroid along an axis, m.</summary>
    /// <param name="alongX">Along x, or along y.</param>
    /// <param name="side">+1: the face towards the axis's end; −1: that towards its beginning.</param>
    public double Face(bool alongX, int side) => alongX ? X + (side * Outline.X / 2) : Y + (side * Outline.Y / 2);

    /// <summary>Height of the reactions above the underside, m.</summary>
    public double Arm { get; private set; }

    /// <summary>Level of the top of what stands on the base: of the pedestal, else of the base, m.</summary>
    public double ColumnFoot { get; private set; }

    /// <summary>Height of the pedestal over the base, m; 0 without.</summary>
    public double PedestalHeight { get; private set; }

    /// <summary>Weight of the pedestal, kN; 0 without.</summary>
    public double PedestalWeight { get; private set; }

    /// <summary>The pedestal; null: the column stands on the base.</summary>
    public Pedestal? Pedestal { get; private set; }

    /// <summary>Dowels into the column.</summary>
    public BarLayer Dowels { get; private set; }

    /// <summary>What stands on the base as the sections see it: pedestal or column.</summary>
    public ColumnOutline Outline { get; private set; }

    /// <summary>The sections of column and pedestal.</summary>
    internal JointSections Joints { get; } = new();

    /// <summary>The span along x that it stands on.</summary>
    public SlabSpan SpanX { get; internal set; } = null!;

    /// <summary>The span along y that it stands on.</summary>
    public SlabSpan SpanY { get; internal set; } = null!;

    /// <summary>
    /// Action of the column in a combination where it acts, without the surcharge: as much of it as its base carries.
    /// </summary>
    public ref readonly SupportAction Action(int combination) => ref sums[combination];

    /// <summary>All that the column brings in a combination, also where its base shares it with another.</summary>
    public ref readonly SupportAction Brings(int combination) => ref brought[combination];

    /// <summary>Force and moments about its own axes at the underside of all that it brings in a combination, kN and kNm.</summary>
    public (double N, double Mx, double My) BringsBelow(int combination)
    {
        ref readonly var a = ref brought[combination];
        return (a.N, a.Mx - (Arm * a.Fy), a.My + (Arm * a.Fx));
    }

    /// <summary>Whether its joint and what is punched under it are looked at here, not on a base that it shares with this one.</summary>
    public bool IsHere => Place.Row?.At(Index) is not { Carries: false };

    /// <summary>Its moment about x at the underside in a combination, about the column's own axis: Mx − H·Fy, kNm.</summary>
    public double Mx(int combination)
    {
        ref readonly var a = ref sums[combination];
        return a.Mx - (Arm * a.Fy);
    }

    /// <summary>Its moment about y at the underside in a combination: My + H·Fx, kNm.</summary>
    public double My(int combination)
    {
        ref readonly var a = ref sums[combination];
        return a.My + (Arm * a.Fx);
    }

    /// <summary>Where plain concrete may count in a combination.</summary>
    internal PlainConcrete Plain(int combination) => plain[combination];

    /// <summary>Effective depth of the bars along an axis where it stands, m.</summary>
    public double Depth(bool alongX, bool bottom) => (alongX ? SpanX : SpanY).Depth(bottom);

    /// <summary>Mean effective depth of both layers of a face where it stands, m.</summary>
    public double MeanDepth(bool bottom) => (SpanX.Depth(bottom) + SpanY.Depth(bottom)) / 2;

    /// <summary>Whether a neighbour stands so near that both may be punched through together: nearer than twice the depth.</summary>
    internal bool StandsNear(Standing other)
    {
        var depth = Math.Max(MeanDepth(true), other.MeanDepth(true));
        var (gapX, gapY) = (Math.Abs(X - other.X) - ((Outline.X + other.Outline.X) / 2),
            Math.Abs(Y - other.Y) - ((Outline.Y + other.Outline.Y) / 2));
        var reach = Code is Concrete.Codes.IShearPerimeters perimeters ? perimeters.Farthest : 1;
        return Math.Max(gapX, gapY) < 2 * reach * depth;
    }

    /// <summary>Diameter of the bottom bars along an axis where it stands, m; 0 without.</summary>
    public double Diameter(bool alongX) => (alongX ? SpanX : SpanY).Layer(true).Diameter;

    /// <summary>Least distance of its centre from the body's edges along an axis, m.</summary>
    public double ToEdge(bool alongX)
    {
        if (Body.RibBreadth > 0 && !alongX)
        {
            return (Body.RibBreadth / 2) - Math.Abs(Y);
        }

        if (Body.IsRectangle)
        {
            return alongX ? (Body.Length / 2) - Math.Abs(X) : (Body.Width / 2) - Math.Abs(Y);
        }

        if (Body.IsPolygon)
        {
            var (at, across, half) = alongX ? (X, Y, Outline.FaceY / 2) : (Y, X, Outline.FaceX / 2);
            var (a, b) = (Body.Chord(!alongX, across - half), Body.Chord(!alongX, across + half));
            return Math.Min(at - Math.Max(a.From, b.From), Math.Min(a.To, b.To) - at);
        }

        return alongX
            ? Math.Min(X - Body.LowX, Body.HighX - X)
            : (Math.Min(Body.WidthAt(X - (Outline.FaceX / 2)), Body.WidthAt(X + (Outline.FaceX / 2))) / 2) - Math.Abs(Y);
    }

    /// <summary>Factored weight of the pedestal less the soil that it and the column displace, at the column's centre, kN.</summary>
    public double PrismWeight(int combination) =>
        Combinations[combination].WeightFactor * (PedestalWeight - displaced[(int)Place.Waters[combination]].Displaced);

    /// <summary>
    /// Weight of the soil whose place pedestal and column take in a combination, kN, and the depth in the soil down to which the column
    /// stands, m.
    /// </summary>
    public (double Displaced, double ColumnDepth) Displacing(int combination) => displaced[(int)Place.Waters[combination]];

    /// <summary>Sets what stands between base and column.</summary>
    /// <returns>Whether levels and outline are others.</returns>
    internal bool Set(Pedestal? pedestal, BarLayer dowels)
    {
        var same = Equals(Pedestal, pedestal);
        if (same && Dowels == dowels)
        {
            return false;
        }

        Dowels = dowels;
        Joints.Forget();
        if (same)
        {
            return false;
        }

        Pedestal = pedestal;
        Outline = BaseGeometry.Outline(Place.Place, Support, pedestal);
        return true;
    }

    /// <summary>Sets where it stands, from the body's centroid.</summary>
    internal void Stand(double x, double y) => (X, Y) = (x, y);

    /// <summary>Finds its levels over a base's top.</summary>
    internal void Rest(double top)
    {
        ColumnFoot = Pedestal is null ? top : Rules.Pedestal.TopLevel(Support, top, Pedestal.Socket?.Depth) ?? top;
        Arm = (Support.Level ?? ColumnFoot) - Body.Underside;
        PedestalHeight = Math.Max(0, ColumnFoot - top);
        PedestalWeight = Pedestal is null ? 0 : Rules.Concrete.Weight * Pedestal.Area * PedestalHeight;
    }

    /// <summary>Takes all of the same column on a base that is a part of its body, and its place about the body's centroid.</summary>
    internal void Follow(Standing part)
    {
        (Pedestal, Dowels, Outline, Arm, ColumnFoot) = (part.Pedestal, part.Dowels, part.Outline, part.Arm, part.ColumnFoot);
        (PedestalHeight, PedestalWeight) = (part.PedestalHeight, part.PedestalWeight);
        (X, Y) = (part.X + part.Body.Middle, part.Y);
        part.displaced.CopyTo(displaced, 0);
    }

    /// <summary>Finds the weight of the soil whose place it takes: the pedestal from the base up, the column above it.</summary>
    internal double Displace(WaterState water, in GroundColumn ground, double topDepth, double baseArea)
    {
        var split = Pedestal is null ? topDepth : Math.Clamp(Ground.Level - ColumnFoot, 0, topDepth);
        var low = (Pedestal?.Area ?? 0) * ground.Weight(split, topDepth);
        var high = Math.Min(baseArea, Support.Area) * ground.Weight(0, split);

        // Where rows cross the ground over both is counted once, and so is the column in it: half for each.
        var whole = Place.Row?.At(Index) is null ? low + high : (low + high) / 2;
        displaced[(int)water] = (whole, split);
        return whole;
    }
}
