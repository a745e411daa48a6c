using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// A strip with a rib on ground springs under a row of columns: an inverted T beam along it, a cantilever across on each side.
/// </summary>
public sealed class RibTrial : Trial, IBeamTrial
{
    private readonly Standing[] columns;
    private readonly Standing[] joined;
    private readonly GroundBody[] bodies;
    private readonly RibBeam[] ribs;
    private readonly RibFlange[] across;
    private readonly BarZone[] zonesX;
    private readonly BarZone[] zonesY;
    private RibDesign? sized;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public RibTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, Math.Max(2, 2 * (place?.Supports.Length ?? 0)))
    {
        columns = [.. Enumerable.Range(0, place!.Supports.Length).Select(i => new Standing(this, i, place.Supports[i].Support.Label))];
        joined = Array.TrueForAll(columns, c => c.IsHere) ? columns : Array.FindAll(columns, c => c.IsHere);
        bodies = [new GroundBody(this, columns)];
        bodies[0].LayOnSprings().Factor = foundation!.Held.Stiffness;
        ribs = [new RibBeam(this, bodies[0], columns)];
        across = [new RibFlange(this, true), new RibFlange(this, false)];
        (zonesX, zonesY) = ([new RibSide(this)], [across[0]]);
        foreach (var c in columns)
        {
            (c.SpanX, c.SpanY) = (across[0], across[0]);
        }
    }

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    // Found designs and those read differ in last digits.
    /// <inheritdoc/>
    public override double Alike => 1e-10;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Joined => joined;

    // The rib carries its columns: nothing of the flange is punched.
    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => [];

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => alongX ? [] : across;

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? zonesX : zonesY;

    /// <summary>The rib.</summary>
    internal RibBeam Rib => ribs[0];

    BeamSpan IBeamTrial.Beam => ribs[0];

    void IBeamTrial.SetBeam(BeamDesign beam) => SetBeam(beam);

    internal override ReadOnlySpan<Subject> Beams => ribs;

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (RibDesign)adopted;
        for (var i = 0; i < columns.Length; i++)
        {
            var (pedestal, dowels) = d.Under(i);
            Put(i, pedestal, dowels.Size is null ? BarLayer.None : new BarLayer(dowels.Count, dowels.Size));
        }

        Set(d);
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels)
    {
        Put(column, pedestal, dowels);
        if (sized is { } design)
        {
            Set(design);
        }
    }

    private void Put(int column, Pedestal? pedestal, BarLayer dowels) =>
        sized = columns[column].Set(pedestal, dowels) && sized is not null ? sized with { Size = default } : sized;

    /// <summary>Sets sizes and bars. What was found for the same sizes stays.</summary>
    public void Set(RibDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (sized is not { } s || s.Size != design.Size || s.Ends != design.Ends
            || (s.Rib.Width, s.Rib.Depth) != (design.Rib.Width, design.Rib.Depth))
        {
            Resize(design);
        }

        sized = design;
        SetBeam(design.Rib);
        var side = Rules.Concrete.CoverSide;
        zonesX[0].Set(true, design.Flange.ResolveWithin(zonesX[0].Breadth));
        foreach (var f in across)
        {
            f.Set(true, design.BottomY.Resolve(Body.Length, side));
            f.Set(false, design.TopY.Resolve(Body.Length, side));
        }

        Sink();
        Rib.Extra.Lay(design.Extra);
        Rib.StandCloser(!design.Closer.Any ? []
            : StirrupStretch.Of(design.Closer, [.. columns.Select(c => c.X)], Rib.Low, Rib.High));
    }

    internal override ExtraZones Extra => Rib.Extra;

    /// <summary>Sets the bars across of a face; sizes stay.</summary>
    internal void SetAcross(bool bottom, in BarLayer layer)
    {
        foreach (var f in across)
        {
            f.Set(bottom, layer);
        }

        Sink();
    }

    /// <summary>Sets the bars along in each side of the flange; sizes stay.</summary>
    internal void SetFlange(in BarLayer layer)
    {
        zonesX[0].Set(true, layer);
        Sink();
    }

    internal void SetBeam(BeamDesign beam)
    {
        Rib.Extra.Clear();
        Rib.Set(Counted(beam.Top), Counted(beam.Bottom), beam.Stirrups, beam.Sides);

        BarLayer Counted(BarSpec spec) =>
            spec.Resolve(beam.Width, Rules.Concrete.CoverSide + (beam.Stirrups.Size?.Diameter ?? 0));
    }

    // Those across lie outermost: they carry the flange; those along on them.
    private void Sink()
    {
        foreach (var f in across)
        {
            f.Sink(true, 0);
            f.Sink(false, 0);
        }

        zonesX[0].Sink(true, across[0].Layer(true).Diameter);
        Rib.Sink();
    }

    private void Resize(RibDesign d)
    {
        Generation++;
        foreach (var c in columns)
        {
            c.Stand(d.Offset + c.Loaded.At.X, c.Loaded.At.Y);
        }

        var rise = Math.Max(0, d.Rib.Depth - d.Size.Thickness);
        Body.SetRib(d.Rib.Width, rise);
        var bed = Body.Bed!;
        bed.Inertia = Inertia(d.Size.Width, d.Size.Thickness, d.Rib.Width, rise);
        bodies[0].Set(d.Size, new PlanPoint(d.Offset, 0));
        bed.Cross(Core.Ground.GroundAlong.Of(Place.Place, new PlanPoint(d.Offset, 0), Body.LowX, Body.HighX));
        Rib.Set(d.Rib.Width, Math.Max(d.Rib.Depth, d.Size.Thickness), Body.LowX, Body.HighX);
        Rib.Take(d.Size.Thickness, d.Size.Width);
        zonesX[0].Set(true, BarLayer.None);
        ((RibSide)zonesX[0]).Resize();
        foreach (var f in across)
        {
            f.Resize();
        }
    }

    /// <summary>Second moment of an inverted T section about its centroid, m4.</summary>
    /// <param name="width">Of the flange, m.</param>
    /// <param name="thickness">Of the flange, m.</param>
    /// <param name="breadth">Of the web over it, m.</param>
    /// <param name="rise">Of the web over the flange's top, m.</param>
    public static double Inertia(double width, double thickness, double breadth, double rise)
    {
        var (flange, web) = (width * thickness, breadth * rise);
        var (low, high) = (thickness / 2, thickness + (rise / 2));
        var centre = ((flange * low) + (web * high)) / (flange + web);
        return (flange * thickness * thickness / 12) + (flange * (centre - low) * (centre - low))
            + (web * rise * rise / 12) + (web * (high - centre) * (high - centre));
    }

    /// <inheritdoc/>
    public override Figures.SpanDiagram? Along(int combination) => RibDiagram.Of(this, combination);

    /// <inheritdoc/>
    public override Figures.BeamFigure? BeamFigure
    {
        get
        {
            if (sized is not { } d)
            {
                return null;
            }

            var (concrete, tie) = (Rules.Concrete, d.Rib.Stirrups.Size?.Diameter ?? 0);
            return new Figures.BeamFigure(Rib.Low, Rib.High, 0, Rib.Height, Rib.Width,
                BeamBarList.Stirrups(Rib.Low, Rib.High, concrete.CoverSide + tie, d.Rib.Stirrups.Spacing, Rib.Closer), Rib.Depth(false),
                Rib.Height - Rib.Depth(true), BeamBarList.Sides(concrete, d.Rib, Rib.Beneath), Rib.Across(false), Rib.Across(true),
                (concrete.CoverBottom + Rib.Beneath, concrete.CoverSide, concrete.CoverTop))
            {
                Stretches = BeamBarList.Stretches(Rib.Low, Rib.High, concrete.CoverSide + tie, d.Rib.Stirrups.Spacing, Rib.Closer),
            };
        }
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Figures.BarRun> Runs(bool alongX, bool bottom)
    {
        if (!alongX)
        {
            return across[0].Layer(bottom).Any
                ? [new("", across[0].Layer(bottom), across[0].Depth(bottom), [.. across[0].Bars(bottom)])]
                : [];
        }

        var zone = (RibSide)zonesX[0];
        if (!bottom || !zone.Layer(true).Any)
        {
            return [];
        }

        // In the middle of equal strips on each side.
        var each = zone.Breadth / zone.Layer(true).Count;
        var one = Enumerable.Range(0, zone.Layer(true).Count).Select(i => zone.From + (each * (i + 0.5))).ToList();
        return [new("in the flange", zone.Layer(true) with { Count = 2 * one.Count }, zone.Depth(true),
            [.. one.Select(y => -y).Reverse(), .. one])];
    }

    internal override void Release()
    {
        base.Release();
        foreach (var f in across)
        {
            f.Release();
        }
    }
}
