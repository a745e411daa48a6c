using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>A base under several columns: it spans along x over its whole breadth, across in a band at each column.</summary>
public partial class CombinedTrial : Trial
{
    // Columns that stand nearer to a line than this stand on it, m.
    private const double OneLine = 1e-6;

    private readonly GroundBody[] bodies;
    private readonly Standing[] columns;
    private readonly Standing[] joined;
    private readonly PunchedArea[] areas;
    private readonly PunchedArea[] looked;
    private readonly LongSpan[] spansX;
    private readonly CrossSpan[] bands;
    private readonly CrossSpan[] tributaries;
    private readonly LongSpan? across;
    private readonly SlabSpan[] flexed;
    private readonly SlabSpan[] sheared;
    private readonly BarZone[] zonesY;
    private readonly InnerZone rest;
    private readonly WholeZone top;
    private readonly int[] bandOf;
    private readonly BarLayer[] resolved;
    private int lookedAt;
    private bool standsNew = true;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public CombinedTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, (2 * (place?.Supports.Length ?? 0)) + 2)
    {
        var n = place!.Supports.Length;
        columns = [.. Enumerable.Range(0, n).Select(i => new Standing(this, i, place.Supports[i].Support.Label))];
        joined = Array.TrueForAll(columns, c => c.IsHere) ? columns : Array.FindAll(columns, c => c.IsHere);
        bodies = [new GroundBody(this, columns)];
        if (foundation!.Held.Springs || foundation.Kind.OnSprings)
        {
            _ = bodies[0].LayOnSprings();
        }

        spansX = [new LongSpan(this, 0, columns, true)];
        bandOf = new int[n];
        var groups = CombinedPlace.Groups(place.Place, _ => null).Select(g => g.Select(i => columns[i]).ToArray()).ToList();
        for (var g = 0; g < groups.Count; g++)
        {
            foreach (var c in groups[g])
            {
                bandOf[c.Index] = g;
            }
        }

        resolved = new BarLayer[groups.Count];
        bands = [.. groups.Select((g, i) => new CrossSpan(this, i, g))];
        tributaries = [.. groups.Select((g, i) => new CrossSpan(this, i, g))];
        across = place.Supports.Any(s => Math.Abs(s.At.Y - place.Supports[0].At.Y) > OneLine)
            ? new LongSpan(this, bands.Length, columns, false)
            : null;
        flexed = across is null ? bands : [.. bands, across];
        sheared = across is null ? tributaries : [.. tributaries, across];
        rest = new InnerZone(this, bands.Length, "rest");
        top = new WholeZone(this, bands.Length + 1);
        zonesY = [.. bands, rest, top];
        for (var i = 0; i < n; i++)
        {
            (columns[i].SpanX, columns[i].SpanY) = (spansX[0], bands[bandOf[i]]);
        }

        areas =
        [
            .. columns.Select((c, i) => new PunchedArea(this, i, c.At, c) { SpreadEvenly = false }),
            .. Enumerable.Range(0, n - 1)
                .Select(i => new PunchedArea(this, n + i, $"{columns[i].At}+{columns[i + 1].At}", columns[i],
                    columns[i + 1]) { SpreadEvenly = false }),
        ];
        looked = new PunchedArea[areas.Length];
    }

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    // Between columns the water changes nothing but last digits, and those of a design that is found differ from those of the same when it
    // is read.
    /// <inheritdoc/>
    public override double Alike => 1e-10;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Joined => joined;

    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => looked.AsSpan(0, lookedAt);

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => alongX ? spansX : bands;

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? spansX : zonesY;

    /// <summary>The base as it spans along x.</summary>
    internal LongSpan Long => spansX[0];

    /// <summary>The same as a list of one, for checks.</summary>
    internal ReadOnlySpan<LongSpan> LongSpans => spansX;

    /// <summary>
    /// What shear across passes through: a strip a column, or columns side by side; where they do not stand on one line the whole length
    /// too.
    /// </summary>
    internal ReadOnlySpan<SlabSpan> TributarySpans => sheared;

    /// <summary>What bends across: the bands; where the columns do not stand on one line the whole length too.</summary>
    internal ReadOnlySpan<SlabSpan> AcrossSpans => flexed;

    /// <summary>The whole length as it spans across; null where the columns stand on one line, whose bands tell all.</summary>
    internal LongSpan? Across => across;

    /// <summary>The bands across, one a column, or one for columns that share it, from −x.</summary>
    internal ReadOnlySpan<CrossSpan> Bands => bands;

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (CombinedDesign)adopted;
        for (var i = 0; i < columns.Length; i++)
        {
            var (pedestal, dowels) = d.Under(i);
            standsNew |= columns[i].Set(pedestal, dowels.Size is null ? BarLayer.None : new BarLayer(dowels.Count, dowels.Size));
        }

        Set(d.Size, d.HighWidth, d.Offset);
        Set(d);
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels)
    {
        Put(column, pedestal, dowels);
        Set(Size, HighWidth, Offset);
    }

    /// <summary>Puts what stands between the base and one of its columns; a size must be set after it.</summary>
    internal void Put(int column, Pedestal? pedestal, BarLayer dowels) => standsNew |= columns[column].Set(pedestal, dowels);

    /// <summary>Whether the bars along x lie outermost.</summary>
    public bool OuterIsX => Rules.Steel.OuterIsX(new BaseSize(Body.Length, Body.Width, Body.Thickness));

    /// <summary>The band of a column.</summary>
    internal int BandOf(int column) => bandOf[column];

    /// <summary>Length, width at the −x end, thickness, m.</summary>
    public BaseSize Size { get; private set; }

    /// <summary>Width at the +x end, m.</summary>
    public double HighWidth { get; private set; }

    /// <summary>The place's origin from the body's centroid, m.</summary>
    public PlanPoint Offset { get; private set; }

    /// <summary>Sets size and place; bars stay. What was found for the same stays too.</summary>
    public void Set(in BaseSize size, double highWidth, in PlanPoint offset)
    {
        if (!standsNew && Size == size && HighWidth == highWidth && Offset == offset)
        {
            return;
        }

        (Size, HighWidth, Offset, standsNew) = (size, highWidth, offset, false);
        Generation++;
        foreach (var c in columns)
        {
            c.Stand(offset.X + c.Loaded.At.X, offset.Y + c.Loaded.At.Y);
        }

        bodies[0].Set(size, highWidth, offset);
        LieOn(size);
        foreach (var a in areas)
        {
            a.Enclose();
        }

        spansX[0].Resize();
        across?.Resize();
        top.Resize();
        for (var g = 0; g < tributaries.Length; g++)
        {
            var (from, to) = (g == 0 ? Body.LowX : (bands[g - 1].HighFace + bands[g].LowFace) / 2,
                g == bands.Length - 1 ? Body.HighX : (bands[g].HighFace + bands[g + 1].LowFace) / 2);
            tributaries[g].Lay(from, to, from, to);
        }

        Sink();
    }

    // What bends on springs: its gross section; what it lies on, one ground all along.
    private void LieOn(in BaseSize size)
    {
        if (Body.Bed is { } bed)
        {
            bed.Inertia = size.Width * size.Thickness * size.Thickness * size.Thickness / 12;
            bed.Factor = Foundation.Held.Stiffness;
            bed.Cross(Core.Ground.GroundAlong.Of(Place.Place, Offset, Body.LowX, Body.HighX));
        }
    }

    /// <summary>Sets the bars; sizes stay.</summary>
    public void Set(CombinedDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var side = Rules.Concrete.CoverSide;
        var breadth = Math.Max(Body.LowWidth, Body.HighWidth);
        var (along, alongTop, acrossTop) = (design.BottomX.Resolve(breadth, side), design.TopX.Resolve(breadth, side),
            design.TopY.Resolve(Body.Length, side));

        // The diameter places the bars, by which the band is as wide as it is.
        for (var g = 0; g < bands.Length; g++)
        {
            resolved[g] = new BarLayer(1, design.At[bands[g].First.Index].Band.Size);
        }

        Set(along, alongTop, acrossTop, new BarLayer(1, design.Rest.Size), resolved);
        for (var g = 0; g < bands.Length; g++)
        {
            resolved[g] = design.At[bands[g].First.Index].Band.ResolveWithin(bands[g].Breadth);
        }

        Set(along, alongTop, acrossTop, design.Rest.ResolveWithin(rest.Breadth), resolved);
        LayExtra(design);
    }

    /// <summary>Lays what lies beside the bars that run through.</summary>
    private protected virtual void LayExtra(CombinedDesign design)
    {
    }

    /// <summary>Sets the bars by layers; sizes stay.</summary>
    /// <param name="along">Bottom, along.</param>
    /// <param name="alongTop">Top, along.</param>
    /// <param name="acrossTop">Top, across.</param>
    /// <param name="between">Bottom, across, between the bands.</param>
    /// <param name="inBands">Bottom, across, in each band.</param>
    internal void Set(in BarLayer along, in BarLayer alongTop, in BarLayer acrossTop, in BarLayer between, ReadOnlySpan<BarLayer> inBands)
    {
        spansX[0].Extra?.Clear();
        spansX[0].Set(true, along);
        spansX[0].Set(false, alongTop);
        top.Set(false, acrossTop);
        rest.Set(true, between);
        for (var g = 0; g < bands.Length; g++)
        {
            // Diameters first, by which all lie as deep as they do; what a strip has of the top bars follows from its breadth.
            bands[g].Set(true, inBands[g]);
            bands[g].Set(false, acrossTop);
            tributaries[g].Set(true, inBands[g]);
            tributaries[g].Set(false, acrossTop);
        }

        Sink();
        for (var g = 0; g < bands.Length; g++)
        {
            bands[g].Set(false, Share(acrossTop, bands[g].Breadth));
            tributaries[g].Set(false, Share(acrossTop, tributaries[g].Breadth));
        }
    }

    // Bars spread evenly over the length: those of a part of it, by area.
    private BarLayer Share(in BarLayer layer, double breadth) =>
        layer.Size is null ? layer : layer with { Count = Math.Max(1, (int)Math.Floor((layer.Count * breadth / Body.Length) + 1e-9)) };

    // Effective depths, and with them the bands.
    private void Sink()
    {
        var (alongX, outerIsX) = (spansX[0], OuterIsX);
        double thickest = rest.Layer(true).Diameter;
        foreach (var b in bands)
        {
            thickest = Math.Max(thickest, b.Layer(true).Diameter);
        }

        alongX.Sink(true, outerIsX ? 0 : thickest);
        alongX.Sink(false, outerIsX ? 0 : top.Layer(false).Diameter);
        var (below, above) = outerIsX ? (alongX.Layer(true).Diameter, alongX.Layer(false).Diameter) : (0, 0);
        top.Sink(false, above);
        rest.Sink(true, below);
        for (var g = 0; g < bands.Length; g++)
        {
            bands[g].Sink(true, below);
            bands[g].Sink(false, above);
            tributaries[g].Sink(true, below);
            tributaries[g].Sink(false, above);
        }

        // The whole length counts on the least depth of all bars across.
        across?.Set(true, thickest > rest.Layer(true).Diameter ? Thickest() : rest.Layer(true));
        across?.Set(false, top.Layer(false));
        across?.Sink(true, below);
        across?.Sink(false, above);
        Spread();
        FindAreas();
    }

    private BarLayer Thickest()
    {
        var layer = bands[0].Layer(true);
        foreach (var b in bands)
        {
            layer = b.Layer(true).Diameter > layer.Diameter ? b.Layer(true) : layer;
        }

        return layer;
    }

    // A band reaches beside its columns by a multiple of the depth; cut at the ends, and halved with its neighbour's.
    private void Spread()
    {
        var free = Body.Length;
        for (var g = 0; g < bands.Length; g++)
        {
            var own = Rules.Steel.CrossSpread * bands[g].Depth(true);
            var (from, to) = (Math.Max(Body.LowX, bands[g].LowFace - own), Math.Min(Body.HighX, bands[g].HighFace + own));
            if (g > 0)
            {
                var other = bands[g - 1].HighFace + (Rules.Steel.CrossSpread * bands[g - 1].Depth(true));
                from = other > from ? (other + from) / 2 : from;
            }

            if (g < bands.Length - 1)
            {
                var other = bands[g + 1].LowFace - (Rules.Steel.CrossSpread * bands[g + 1].Depth(true));
                to = other < to ? (other + to) / 2 : to;
            }

            bands[g].Lay(from, to, tributaries[g].From, tributaries[g].To);
            free -= to - from;
        }

        rest.Resize(Math.Max(0, free));
    }

    // Round each column; round two neighbours where their sections meet, or they stand nearer than twice the depth.
    private void FindAreas()
    {
        var (n, count) = (columns.Length, 0);
        for (var i = 0; i < n; i++)
        {
            if (columns[i].IsHere)
            {
                looked[count++] = areas[i];
            }
        }

        for (var i = 0; i < n - 1; i++)
        {
            if (columns[i].StandsNear(columns[i + 1]))
            {
                looked[count++] = areas[n + i];
            }
        }

        lookedAt = count;
    }

    /// <inheritdoc/>
    public override Figures.SpanDiagram? Along(int combination) => LongDiagram.Of(this, combination);

    /// <inheritdoc/>
    private protected override bool StretchesTop() => Long.StretchesTop() || across?.StretchesTop() == true || base.StretchesTop();

    internal override void Release()
    {
        base.Release();
        spansX[0].Release();
        across?.Release();
        foreach (var s in bands)
        {
            s.Release();
        }

        foreach (var s in tributaries)
        {
            s.Release();
        }

        foreach (var a in areas)
        {
            a.Release();
        }
    }
}
