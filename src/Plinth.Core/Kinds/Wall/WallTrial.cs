using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Wall;

/// <summary>A rectangular base under a wall: it spans across the wall, which carries it along.</summary>
public sealed class WallTrial : LayeredTrial
{
    private readonly GroundBody[] bodies;
    private readonly Standing[] columns;
    private readonly AlongWall[] spansX;
    private readonly AcrossWall[] spansY;
    private readonly BarZone[] zonesY;
    private readonly WallStem[] stems;
    private bool sized;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public WallTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, 2)
    {
        columns = [new Standing(this, 0, null)];
        bodies = [new GroundBody(this, columns)];
        bodies[0].Backing = new Backing(bodies[0], foundation!.Wall, columns[0]);
        spansX = [new AlongWall(this)];
        spansY = [new AcrossWall(this, -1), new AcrossWall(this, 1)];
        zonesY = [spansY[0]];
        (columns[0].SpanX, columns[0].SpanY) = (spansX[0], spansY[0]);
        stems = Stems.Designed(foundation) || foundation.Wall.IsMasonry ? [new WallStem(this)] : [];
    }

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => [];

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => alongX ? spansX : spansY;

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? spansX : zonesY;

    /// <summary>The wall itself where it is designed, or its stresses are checked.</summary>
    internal ReadOnlySpan<WallStem> StemsChecked => stems;

    /// <summary>The wall itself; null: it is not designed here.</summary>
    internal WallStem? Stem => stems.Length > 0 ? stems[0] : null;

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = ((WallDesign)adopted).Under(Place.Place.Support, Foundation.Wall);
        Set(d.Size);
        Take(d.Reinforcement(Rules.Concrete.CoverSide));
        Stem?.Set(d.Stem);
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels) => Set(Size);

    /// <summary>Sets plan size, place and thickness; bars stay. What was found for the same size stays too.</summary>
    /// <param name="size">The base; its shift along y is that of its middle from the wall's centreline.</param>
    public void Set(in BaseSize size)
    {
        if (sized && Size == size)
        {
            return;
        }

        (Size, sized) = (size, true);
        Generation++;
        columns[0].Stand(0, -size.ShiftY);
        bodies[0].Set(size, new PlanPoint(0, -size.ShiftY));
        spansX[0].Resize();
        foreach (var s in spansY)
        {
            s.Resize();
        }

        FindDepths();
    }

    internal override void Take(in Reinforcement bars)
    {
        spansX[0].Set(true, bars.BottomX);
        spansX[0].Set(false, bars.TopX);
        foreach (var s in spansY)
        {
            s.Set(true, bars.BottomY);
            s.Set(false, bars.TopY);
        }

        FindDepths();
    }

    /// <inheritdoc/>
    public override Figures.WallFigure? WallFigure => WallPicture.Of(this);

    /// <inheritdoc/>
    public override Figures.WallForces? WallForces(int combination) => WallBody.Of(this, combination);

    /// <inheritdoc/>
    internal override bool StraightFits(bool alongX, bool bottom) =>
        Plinth.Core.Checks.OfConcrete.Anchorage.StraightFits(alongX ? spansX[0] : spansY[0], bottom);

    internal override bool IsBanded(bool alongX) => false;

    internal override void Release()
    {
        base.Release();
        spansX[0].Release();
        foreach (var s in spansY)
        {
            s.Release();
        }
    }

    // Those across lie outermost.
    private void FindDepths()
    {
        foreach (var s in spansY)
        {
            s.Sink(true, 0);
            s.Sink(false, 0);
        }

        spansX[0].Sink(true, spansY[0].Layer(true).Diameter);
        spansX[0].Sink(false, spansY[0].Layer(false).Diameter);
    }
}
