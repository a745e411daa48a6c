using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// A cap on piles under one column or several: four layers of bars, a section across the whole cap at each face of each column.
/// </summary>
public sealed class CapTrial : LayeredTrial
{
    // What a search may set: the most piles of any layout, and of a grid that is held.
    private const int MostPiles = 144;

    private readonly GroundBody[] bodies;
    private readonly Standing[] columns;
    private readonly PunchedArea[] areas;
    private readonly PunchedArea[] looked;
    private readonly CapSpan[] spansX;
    private readonly CapSpan[] spansY;
    private readonly SlabSpan[] flexedX;
    private readonly SlabSpan[] flexedY;
    private readonly BarZone[] zonesX;
    private readonly BarZone[] zonesY;
    private Pile[] piles;
    private Subject[] nodes = [];
    private int count;
    private int lookedAt;
    private bool standsNew = true;
    private (string? Layout, double Pitch, int Turns, PlanPoint Offset, double? ToEdge, ImmutableArray<PlanPoint> Own) laid;
    private PlanPoint[]? polygon;
    private (double From, double To) reachX;
    private (double From, double To) reachY;
    private readonly bool isFound;
    private double? pileLength;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public CapTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, MostSubjects(foundation) + (2 * (place?.Supports.Length ?? 0)) + 1)
    {
        var n = place!.Supports.Length;
        columns = [.. Enumerable.Range(0, n).Select(i => new Standing(this, i, n > 1 ? place.Supports[i].Support.Label : null))];
        Group = new CapPiles(this);
        bodies = [new GroundBody(this, columns, Group)];
        spansX = [.. columns.Select(c => new CapSpan(this, c, true))];
        spansY = [.. columns.Select(c => new CapSpan(this, c, false))];
        flexedX = [.. spansX, .. Enumerable.Range(0, n - 1).Select(i => new CapBetween(this, n + i, columns[i], columns[i + 1], true))];
        flexedY = [.. spansY, .. Enumerable.Range(0, n - 1).Select(i => new CapBetween(this, n + i, columns[i], columns[i + 1], false))];
        (zonesX, zonesY) = ([spansX[0]], [spansY[0]]);
        for (var i = 0; i < n; i++)
        {
            (columns[i].SpanX, columns[i].SpanY) = (spansX[i], spansY[i]);
        }

        areas =
        [
            .. columns.Select((c, i) => new PunchedArea(this, i, c.At, c)),
            .. Enumerable.Range(0, n - 1)
                .Select(i => new PunchedArea(this, n + i, $"{columns[i].At}+{columns[i + 1].At}", columns[i], columns[i + 1])),
        ];
        looked = new PunchedArea[areas.Length];
        piles = [];
        isFound = PileRules.IsFoundFrom(Ground);
    }

    // Of layouts that are allowed and that which is held; one that adopted.toml has may have more, up to the largest grid.
    private static int MostSubjects(Foundation foundation)
    {
        var most = foundation.Rules.Piles.Layouts.Append(CapFields.HeldLayout(foundation.Held) ?? "16")
            .Max(l => PileLayout.Find(l)?.Count ?? 0);
        return Math.Max(Math.Max(most, foundation.Rules.Piles.At.Count), 16);
    }

    /// <summary>The critical sections round its piles.</summary>
    internal CapPunching Punching { get; } = new();

    /// <summary>How its piles hold it.</summary>
    internal CapPiles Group { get; }

    /// <summary>The shaft of its piles; null where it is not stated.</summary>
    internal Shaft? Shaft => isShafted ? shaft : Found();

    private Shaft? shaft;
    private bool isShafted;

    private Shaft? Found()
    {
        (shaft, isShafted) = (Plinth.Core.Kinds.PileCap.Shaft.Of(this), true);
        return shaft;
    }

    /// <summary>What is stated of its piles.</summary>
    internal PileRules PileRules => Rules.Piles;

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => looked.AsSpan(0, lookedAt);

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => alongX ? spansX : spansY;

    /// <summary>The same with what lies between columns, where the cap bends too.</summary>
    internal ReadOnlySpan<SlabSpan> Flexed(bool alongX) => alongX ? flexedX : flexedY;

    /// <summary>From the faces of each column.</summary>
    internal ReadOnlySpan<CapSpan> CapSpans(bool alongX) => alongX ? spansX : spansY;

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? zonesX : zonesY;

    /// <inheritdoc/>
    public override ReadOnlySpan<Pile> Piles => piles.AsSpan(0, count);

    /// <summary>Nodes of the strut-and-tie model: under each column, at each pile's head.</summary>
    internal ReadOnlySpan<Subject> Nodes => nodes.AsSpan(0, columns.Length + count);

    /// <inheritdoc/>
    public override double BottomCover => Math.Max(Rules.Concrete.CoverBottom, Rules.Piles.Embedment);

    // Piles that stand alike carry alike but for last digits.
    /// <inheritdoc/>
    public override double Alike => 1e-10;

    /// <summary>The layout of its piles.</summary>
    public PileLayout Layout { get; private set; } = null!;

    /// <inheritdoc/>
    public override double? PileLength => pileLength;

    /// <inheritdoc/>
    public override PileCapacity? PileCapacity => Capacity;

    /// <summary>What a pile may carry as the ground's layers hold it; null: it is stated, or they do not reach down to its toe.</summary>
    internal PileCapacity? Capacity { get; private set; }

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (CapDesign)adopted;
        for (var i = 0; i < columns.Length; i++)
        {
            var (pedestal, dowels) = d.Under(i);
            Put(i, pedestal, dowels.Size is null ? BarLayer.None : new BarLayer(dowels.Count, dowels.Size));
        }

        Set(d);
        Take(d.Bars(Rules.Concrete.CoverSide));
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels)
    {
        Put(column, pedestal, dowels);
        Resize(Size);
    }

    /// <summary>Puts what stands between the cap and one of its columns; a size must be set after it.</summary>
    internal void Put(int column, Pedestal? pedestal, BarLayer dowels) => standsNew |= columns[column].Set(pedestal, dowels);

    /// <summary>Sets piles, sides and thickness of a design; bars stay. What was found for the same stays too.</summary>
    internal void Set(CapDesign d)
    {
        var lie = (d.Layout, d.Pitch, d.Turns, d.FromCentroid, d.ToEdge, d.Own);
        if (!standsNew && Size == d.Size && laid == lie && PileLength == LengthOf(d))
        {
            return;
        }

        (pileLength, isShafted) = (LengthOf(d), isShafted && PileLength == LengthOf(d));

        if (laid != lie || count == 0)
        {
            Lay(d);
        }

        laid = lie;
        Resize(d.Size);
    }

    // One that a table does not repeat is that which the rules state.
    private double? LengthOf(CapDesign d) => d.PileLength ?? PileRules.Length;

    private void Lay(CapDesign d)
    {
        Layout = d.Laid ?? throw new ArgumentException($"there is no layout {d.Layout}", nameof(d));
        var (places, middle) = (d.Piles, d.PilesAt);
        count = places.Length;
        if (count > MostPiles)
        {
            throw new ArgumentException($"layout {d.Layout} has over {MostPiles} piles", nameof(d));
        }

        if (piles.Length < count)
        {
            piles = [.. piles, .. Enumerable.Range(piles.Length, count - piles.Length).Select(i => new Pile(this, i))];
            nodes = [.. columns.ToArray().Select((c, i) => new Node(this, i, c)),
                .. piles.Select((p, i) => new Node(this, columns.Length + i, p))];
        }

        for (var i = 0; i < count; i++)
        {
            var at = Place.Place.Lie.Of(new PlanPoint(places[i].X + middle.X, places[i].Y + middle.Y));
            piles[i].Stand(at.X, at.Y);
        }

        laid.Offset = d.FromCentroid;
        (polygon, reachX, reachY) = (d.ToEdge is null ? null : [.. Place.Place.Lie.OfOutline(d.Outline)], d.MatReach(true),
            d.MatReach(false));
        if (Place.Place.Lie.Mirrored)
        {
            reachY = (-reachY.To, -reachY.From);
        }
    }

    /// <inheritdoc/>
    internal override double MatBreadth(bool alongX) =>
        polygon is null ? base.MatBreadth(alongX) : alongX ? reachX.To - reachX.From : reachY.To - reachY.From;

    /// <summary>Where the bars along an axis begin across it, the edge included, m from the cap's centroid.</summary>
    internal double MatFrom(bool alongX) => polygon is null ? -MatBreadth(alongX) / 2 : alongX ? reachX.From : reachY.From;

    private void Resize(in BaseSize size)
    {
        (Size, standsNew) = (size, false);
        Generation++;
        var offset = Place.Place.Lie.Of(laid.Offset);
        foreach (var c in columns)
        {
            c.Stand(offset.X + c.Loaded.At.X, offset.Y + c.Loaded.At.Y);
        }

        if (polygon is null)
        {
            bodies[0].Set(size, offset);
        }
        else
        {
            bodies[0].Set(polygon, size.Thickness, offset);
        }

        foreach (var a in areas)
        {
            a.Enclose();
        }

        foreach (var s in spansX)
        {
            s.Resize();
        }

        foreach (var s in spansY)
        {
            s.Resize();
        }

        for (var i = columns.Length; i < flexedX.Length; i++)
        {
            ((CapBetween)flexedX[i]).Resize();
            ((CapBetween)flexedY[i]).Resize();
        }

        Group.Take(Piles);
        Capacity = isFound && PileLength is { } length && length > PileRules.Embedment
            ? Core.Piles.PileCapacity.Of(PileRules, Ground, Body.FoundingDepth, Body.FoundingDepth + length - PileRules.Embedment,
                Rules.Concrete.Weight) : null;
        Sink();
    }

    /// <inheritdoc/>
    internal override bool IsBanded(bool alongX) => PileRules.Banded && polygon is null;

    /// <inheritdoc/>
    internal override BarLayer Banded(in BarLayer layer, bool alongX) => CapStrips.Of(alongX ? spansX[0] : spansY[0], layer);

    /// <inheritdoc/>
    internal override int MostBanded(int even, bool alongX) => even;

    /// <inheritdoc/>
    internal override void Take(in Reinforcement bars)
    {
        foreach (var s in flexedX)
        {
            s.Set(true, bars.BottomX);
            s.Set(false, bars.TopX);
        }

        foreach (var s in flexedY)
        {
            s.Set(true, bars.BottomY);
            s.Set(false, bars.TopY);
        }

        Sink();
    }

    /// <inheritdoc/>
    internal override bool StraightFits(bool alongX, bool bottom)
    {
        var none = default(Tracing.NoTrace);
        foreach (var s in CapSpans(alongX))
        {
            if (Plinth.Core.Checks.OfConcrete.Anchorage.Length(s, bottom, 1, ref none) > CapAnchorage.Shortest(s) * (1 + 1e-9))
            {
                return false;
            }
        }

        return true;
    }

    private void Sink()
    {
        var outerIsX = OuterIsX;
        var (outer, inner) = outerIsX ? (flexedX, flexedY) : (flexedY, flexedX);
        foreach (var s in outer)
        {
            s.Sink(true, 0);
            s.Sink(false, 0);
        }

        foreach (var s in inner)
        {
            s.Sink(true, outer[0].Layer(true).Diameter);
            s.Sink(false, outer[0].Layer(false).Diameter);
        }

        FindAreas();
    }

    // Round each column; round two neighbours where their sections meet, or they stand nearer than twice the depth.
    private void FindAreas()
    {
        var (n, found) = (columns.Length, 0);
        for (var i = 0; i < n; i++)
        {
            looked[found++] = areas[i];
        }

        for (var i = 0; i < n - 1; i++)
        {
            if (columns[i].StandsNear(columns[i + 1]))
            {
                looked[found++] = areas[n + i];
            }
        }

        lookedAt = found;
    }

    internal override void Release()
    {
        base.Release();
        Group.Release();
        foreach (var s in flexedX)
        {
            s.Release();
        }

        foreach (var s in flexedY)
        {
            s.Release();
        }

        foreach (var a in areas)
        {
            a.Release();
        }
    }
}
