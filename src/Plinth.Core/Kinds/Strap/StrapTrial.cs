using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// Two bases and a beam clear of the ground as one rigid body; the bases span across the beam, which takes all moment along it.
/// </summary>
public sealed class StrapTrial : Trial, IBeamTrial
{
    /// <summary>What results call the beam.</summary>
    internal const string BeamName = "beam";

    /// <summary>Stretches of the beam: over each base before, at and behind the column, and between the bases.</summary>
    internal const int Stretches = 7;

    private static readonly string[] Names = ["edge", "inner"];

    private readonly GroundBody[] pads;
    private readonly GroundBody[] bodies;
    private readonly Standing[] columns;
    private readonly Standing[] mirrored;
    private readonly PunchedArea[] punched;
    private readonly PadSpan[] spansX;
    private readonly PadSpan[] spansY;
    private readonly BodyLine[] lines = [.. Enumerable.Range(0, Stretches).Select(_ => new BodyLine())];
    private readonly Subject[] along;
    private StrapDesign? sized;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    public StrapTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place, 4)
    {
        ArgumentNullException.ThrowIfNull(place);
        columns = [.. Enumerable.Range(0, 2).Select(i => new Standing(this, i, place.Supports[i].Support.Label))];
        pads = [.. columns.Select((c, i) => new GroundBody(this, [c], i, Names[i]))];
        mirrored = [.. Enumerable.Range(0, 2).Select(i => new Standing(this, i, place.Supports[i].Support.Label))];
        bodies = [new GroundBody(this, mirrored, pads)];
        Beam = new StrapBeam(this);
        spansX = [.. columns.Select((c, i) => new PadSpan(this, c, Names[i], true))];
        spansY = [.. columns.Select((c, i) => new PadSpan(this, c, Names[i], false))];
        for (var i = 0; i < columns.Length; i++)
        {
            (columns[i].SpanX, columns[i].SpanY) = (spansX[i], spansY[i]);
            (mirrored[i].SpanX, mirrored[i].SpanY) = (spansX[i], spansY[i]);
        }

        punched = [.. columns.Select((c, i) => new PunchedArea(this, i, c.At, c))];
        along = [Beam, spansX[1]];
    }

    /// <inheritdoc/>
    public override GroundBody Body => bodies[0];

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bodies => bodies;

    /// <inheritdoc/>
    public override ReadOnlySpan<GroundBody> Bearers => pads;

    // Where nothing is between two bases water changes nothing but last digits.
    /// <inheritdoc/>
    public override double Alike => 1e-10;

    /// <inheritdoc/>
    public override ReadOnlySpan<Standing> Columns => columns;

    /// <inheritdoc/>
    public override ReadOnlySpan<PunchedArea> Punched => punched;

    /// <summary>The beam.</summary>
    internal StrapBeam Beam { get; }

    BeamSpan IBeamTrial.Beam => Beam;

    void IBeamTrial.SetBeam(BeamDesign beam) => SetBeam(beam);

    /// <summary>What bends along x: the beam, and the inner base beyond it where the beam stops at the column.</summary>
    internal override ReadOnlySpan<Subject> Bending => along.AsSpan(0, BeyondBeam ? 2 : 1);

    /// <summary>The same as a list of one beam.</summary>
    internal override ReadOnlySpan<Subject> Beams => along.AsSpan(0, 1);

    private bool BeyondBeam => spansX[1].Overhang(1) > Plinth.Core.Checks.OfConcrete.Anchorage.Touch;

    /// <inheritdoc/>
    public override ReadOnlySpan<SlabSpan> Spans(bool alongX) => !alongX ? spansY : BeyondBeam ? spansX.AsSpan(1) : [];

    /// <inheritdoc/>
    public override ReadOnlySpan<BarZone> Zones(bool alongX) => alongX ? spansX : spansY;

    /// <summary>The span of a base.</summary>
    internal PadSpan Span(int part, bool alongX) => (alongX ? spansX : spansY)[part];

    /// <summary>
    /// Whether the bars of the bases along the beam lie outermost: those across carry, and lie there unless stated otherwise.
    /// </summary>
    public bool OuterIsX => Rules.Steel.LowerLayer == LowerLayer.X;

    /// <inheritdoc/>
    public override void Adopt(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (StrapDesign)adopted;
        var stands = false;
        for (var i = 0; i < columns.Length; i++)
        {
            var (pedestal, dowels) = d.Under(i);
            stands |= Put(i, pedestal, dowels.Size is null ? BarLayer.None : new BarLayer(dowels.Count, dowels.Size));
        }

        if (stands)
        {
            sized = null;
        }

        Set(d);
    }

    /// <inheritdoc/>
    public override void Stand(int column, Pedestal? pedestal, BarLayer dowels)
    {
        if (Put(column, pedestal, dowels) && sized is { } design)
        {
            sized = null;
            Set(design);
        }
    }

    private bool Put(int column, Pedestal? pedestal, BarLayer dowels)
    {
        mirrored[column].Set(pedestal, dowels);
        return columns[column].Set(pedestal, dowels);
    }

    /// <summary>Sets sizes and bars. What was found for the same sizes stays.</summary>
    public void Set(StrapDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (sized is not { } s || s.Edge.Size != design.Edge.Size || s.Inner.Size != design.Inner.Size
            || (s.Beam.Width, s.Beam.Depth, s.Beam.Gap, s.Beam.OverBase)
                != (design.Beam.Width, design.Beam.Depth, design.Beam.Gap, design.Beam.OverBase))
        {
            Resize(design);
        }

        sized = design;
        var side = Rules.Concrete.CoverSide;
        for (var i = 0; i < pads.Length; i++)
        {
            var own = design.Base(i);
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                spansX[i].Set(bottom, own.Layer(true, bottom).Resolve(own.Width, side));
                spansY[i].Set(bottom, own.Layer(false, bottom).Resolve(own.Length, side));
            }
        }

        SetBeam(design.Beam);
        Sink();
    }

    /// <summary>
    /// Looks at another size of the beam while shears and moments stay as found, for a search that asks the whole afterwards: what is set
    /// next is found anew.
    /// </summary>
    internal void Suppose(double width, double depth)
    {
        sized = null;
        Beam.Set(width, depth, Beam.Low, Beam.High);
    }

    /// <summary>Sets the steel of the beam; sizes stay.</summary>
    internal void SetBeam(BeamDesign beam)
    {
        Beam.Set(Counted(beam.Top), Counted(beam.Bottom), beam.Stirrups, beam.Sides);

        BarLayer Counted(BarSpec spec) =>
            spec.Resolve(beam.Width, Rules.Concrete.CoverSide + (beam.Stirrups.Size?.Diameter ?? 0));
    }

    /// <summary>Sets the bars of a base along an axis in a face; sizes stay.</summary>
    internal void Set(int part, bool alongX, bool bottom, in BarLayer layer)
    {
        Span(part, alongX).Set(bottom, layer);
        Sink();
    }

    private void Sink()
    {
        for (var i = 0; i < pads.Length; i++)
        {
            var (outer, inner) = OuterIsX ? (spansX[i], spansY[i]) : (spansY[i], spansX[i]);
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                outer.Sink(bottom, 0);
                inner.Sink(bottom, outer.Layer(bottom).Diameter);
            }
        }
    }

    private void Resize(StrapDesign d)
    {
        Generation++;
        var (first, last) = (Place.Supports[0].At.X, Place.Supports[1].At.X);
        var place = StrapPlace.Of(first, last, StrapPlace.Edge(Foundation.Held).From(columns[0].Outline.FaceX), columns[1].Outline.FaceX,
            d.Edge.Length, d.Inner.Length, d.Beam.OverBase);
        var underside = Ground.Underside(Math.Max(d.Edge.Thickness, d.Inner.Thickness));
        Span<double> middles = stackalloc double[2];
        for (var i = 0; i < pads.Length; i++)
        {
            middles[i] = place.Middle(i);
            columns[i].Stand(Place.Supports[i].At.X - middles[i], Place.Supports[i].At.Y);
            pads[i].Set(d.Base(i).Size, new PlanPoint(-middles[i], 0), underside);
        }

        Lay(d, place, underside);
        bodies[0].Join(middles, lines, out var origin);
        for (var i = 0; i < pads.Length; i++)
        {
            mirrored[i].Follow(columns[i]);
            punched[i].Enclose();
            spansX[i].Resize();
            spansY[i].Resize();
        }

        Beam.Set(d.Beam.Width, d.Beam.Depth, place.EdgeFrom + origin.X, place.BeamTo + origin.X);
    }

    // The beam over the bases beside their columns, and free between them.
    private void Lay(StrapDesign d, in StrapPlace place, double underside)
    {
        var top = underside + d.Beam.Gap + d.Beam.Depth;
        for (var i = 0; i < pads.Length; i++)
        {
            var (from, to) = i == 0 ? (place.EdgeFrom, place.EdgeTo) : (place.InnerFrom, place.BeamTo);
            var (low, high) = (Place.Supports[i].At.X - (columns[i].Outline.X / 2), Place.Supports[i].At.X + (columns[i].Outline.X / 2));
            var beside = Math.Max(0, d.Beam.Width - columns[i].Outline.Y);
            Over(lines[(4 * i) + 0], from, Math.Min(low, to), d.Beam.Width, underside + d.Base(i).Thickness, top);
            Over(lines[(4 * i) + 1], Math.Max(low, from), Math.Min(high, to), beside, underside + d.Base(i).Thickness, top);
            Over(lines[(4 * i) + 2], Math.Max(high, from), to, d.Beam.Width, underside + d.Base(i).Thickness, top);
        }

        var free = lines[3];
        (free.From, free.To, free.Breadth) = (place.EdgeTo, place.InnerFrom, d.Beam.Width);
        free.Concrete = Rules.Concrete.Weight * d.Beam.Width * d.Beam.Depth;
        for (var w = 0; w < free.Soil.Length; w++)
        {
            var ground = Ground.Column((WaterState)w);
            free.Soil[w] = d.Beam.Width * ground.Weight(0, Math.Max(0, Ground.Level - top));
            free.Push[w] = d.Beam.Width * ground.WaterPressure(Ground.Level - underside - d.Beam.Gap);
        }
    }

    // What of it stands over a base takes the place of soil.
    private void Over(BodyLine line, double from, double to, double breadth, double level, double top)
    {
        var proud = Math.Max(0, top - level);
        (line.From, line.To, line.Breadth, line.Concrete) = (from, Math.Max(from, to), 0, Rules.Concrete.Weight * breadth * proud);
        for (var w = 0; w < line.Soil.Length; w++)
        {
            var ground = Ground.Column((WaterState)w);
            var (upper, lower) = (Math.Max(0, Ground.Level - Math.Max(top, level)), Math.Max(0, Ground.Level - level));
            (line.Soil[w], line.Push[w]) = (-breadth * ground.Weight(upper, lower), 0);
        }
    }

    /// <inheritdoc/>
    public override Figures.SpanDiagram? Along(int combination) => StrapDiagram.Of(this, combination);

    /// <inheritdoc/>
    public override Figures.BeamFigure? BeamFigure
    {
        get
        {
            if (sized is not { } d)
            {
                return null;
            }

            var (concrete, gap, tie) = (Rules.Concrete, d.Beam.Gap, d.Beam.Stirrups.Size?.Diameter ?? 0);
            var stirrups = BeamBarList.Stirrups(Beam.Low, Beam.High, concrete.CoverSide + tie, d.Beam.Stirrups.Spacing);
            return new Figures.BeamFigure(Beam.Low, Beam.High, gap, gap + Beam.Height, Beam.Width, stirrups, gap + Beam.Depth(false),
                gap + Beam.Height - Beam.Depth(true), [.. BeamBarList.Sides(Rules.Concrete, d.Beam).Select(z => gap + z)],
                Across(false), Across(true),
                (concrete.CoverBottom, concrete.CoverSide, concrete.CoverTop));

            IReadOnlyList<double> Across(bool bottom) =>
                Schedules.BarPositions.Across(Beam.Layer(bottom), Beam.Width, concrete.CoverSide + tie, []);
        }
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Figures.BarRun> Runs(bool alongX, bool bottom) =>
        [.. pads.Select((p, i) => (Body: p, Span: Span(i, alongX), Name: Names[i])).Where(b => b.Span.Layer(bottom).Any)
            .Select(b => new Figures.BarRun($"in the {b.Name} base", b.Span.Layer(bottom), b.Span.Depth(bottom),
                [.. b.Span.Bars(bottom).Select(at => alongX ? at : at + b.Body.Middle)]))];

    internal override void Release()
    {
        base.Release();
        Beam.Release();
        for (var i = 0; i < pads.Length; i++)
        {
            pads[i].Release();
            spansX[i].Release();
            spansY[i].Release();
            punched[i].Release();
        }
    }
}
