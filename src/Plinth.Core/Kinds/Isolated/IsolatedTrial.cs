using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>A rectangular base under one column: four layers of bars, a span each way over the whole breadth.</summary>
public sealed class IsolatedTrial : LayeredTrial
{
    private readonly GroundBody[] bodies;
    private readonly Standing[] columns;
    private readonly PunchedArea[] punched;
    private readonly WholeSpan[] spansX;
    private readonly WholeSpan[] spansY;
    private readonly Standing column;
    private readonly WholeSpan alongX;
    private readonly WholeSpan alongY;
    private bool sized;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public IsolatedTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, 1)
    {
        column = new Standing(this, 0, null);
        columns = [column];
        bodies = [new GroundBody(this, columns)];
        (alongX, alongY) = (new WholeSpan(this, true), new WholeSpan(this, false));
        (spansX, spansY) = ([alongX], [alongY]);
        (column.SpanX, column.SpanY) = (alongX, alongY);
        punched = [new PunchedArea(this, 0, null, column)];
    }

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => punched;

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => alongX ? spansX : spansY;

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? spansX : spansY;

    /// <summary>The column.</summary>
    public Standing Column => column;

    /// <summary>The span along an axis.</summary>
    public SlabSpan Along(bool x) => x ? alongX : alongY;

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var design = (IsolatedDesign)adopted;
        Set(design.Pedestal, design.Dowels.Size is null ? BarLayer.None : new BarLayer(design.Dowels.Count, design.Dowels.Size));
        Set(design.Size);
        Set(design.Bars(Rules.Concrete.CoverSide));
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels)
    {
        Set(pedestal, dowels);
        Set(Size);
    }

    /// <summary>Sets what stands on the base; a size must be set after it.</summary>
    public void Set(Pedestal? pedestal, BarLayer dowels)
    {
        if (column.Set(pedestal, dowels))
        {
            sized = false;
        }
    }

    /// <summary>Sets plan size and thickness; bars stay. What was found for the same size stays too.</summary>
    public void Set(in BaseSize size)
    {
        if (sized && Size == size)
        {
            return;
        }

        (Size, sized) = (size, true);
        Generation++;
        var offset = Place.Place.Lie.Of(BaseGeometry.Offset(Foundation.Held, column.Outline, size));
        column.Stand(offset.X, offset.Y);
        bodies[0].Set(size, offset);
        punched[0].Enclose();
        alongX.Resize();
        alongY.Resize();
        FindDepths();
    }

    /// <inheritdoc/>
    internal override bool StraightFits(bool alongX, bool bottom) =>
        Code is Concrete.Codes.ITieAnchorage
            ? Plinth.Core.Checks.OfConcrete.TieAnchorage.SurelyFits(Along(alongX), bottom)
            : Plinth.Core.Checks.OfConcrete.Anchorage.StraightFits(Along(alongX), bottom);

    /// <inheritdoc/>
    internal override void Take(in Reinforcement bars) => Set(bars);

    /// <summary>Sets the bars; sizes stay.</summary>
    public void Set(in Reinforcement bars)
    {
        alongX.Set(true, bars.BottomX);
        alongY.Set(true, bars.BottomY);
        alongX.Set(false, bars.TopX);
        alongY.Set(false, bars.TopY);
        FindDepths();
    }

    internal override void Release()
    {
        base.Release();
        alongX.Release();
        alongY.Release();
        punched[0].Release();
    }

    private void FindDepths()
    {
        var (outer, inner) = OuterIsX ? (alongX, alongY) : (alongY, alongX);
        outer.Sink(true, 0);
        outer.Sink(false, 0);
        inner.Sink(true, outer.Layer(true).Diameter);
        inner.Sink(false, outer.Layer(false).Diameter);
    }
}
