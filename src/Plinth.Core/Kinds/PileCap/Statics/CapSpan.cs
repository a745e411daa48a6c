using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>A cap over its whole breadth as it spans from the faces of one of its columns.</summary>
internal sealed class CapSpan(CapTrial trial, Standing column, bool alongX) : SlabSpan(trial, column.Index, column.At, alongX), ICapSpan
{
    /// <inheritdoc/>
    public MatExtents Mats { get; } = new();

    /// <summary>The trial.</summary>
    public CapTrial Cap => trial;

    /// <summary>The column.</summary>
    public Standing Column => column;

    /// <summary>Takes the sides of the body.</summary>
    public void Resize()
    {
        Set(AlongX ? Body.Length : Body.Width, trial.MatBreadth(AlongX));
    }

    public override double From => trial.MatFrom(AlongX);

    public override double GrossBreadth => AlongX ? Body.Width : Body.Length;

    /// <summary>Where a face of the column lies, m from the cap's centroid.</summary>
    public double Face(int side) => column.Face(AlongX, side);

    public override double Overhang(int side) => side > 0 ? Body.High(AlongX) - Face(side) : Face(side) - Body.Low(AlongX);

    // 14.1.5 of ACI 318: no cap on piles is of plain concrete.
    public override bool PlainOnTop(int k) => false;

    // Piles do not press evenly: bars are spread evenly both ways, or lie closer over the piles.
    public override double ShortWayFactor => 1;

    public override IEnumerable<(double From, double To)> Bands(bool bottom) => CapStrips.Bands(this, Depth(bottom));

    public override string BandWords => CapStrips.Words;

    public override double BesideBands(bool bottom) => CapStrips.Beside(this, bottom);

    internal override SectionForces Beyond(int k, int side, double fromFace) =>
        CapSections.At(trial, k, AlongX, side, Face(side) + (side * fromFace));

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace) =>
        CapSections.Tell(trial, AlongX, forces, k, up, moment, ref trace);

    /// <summary>A breadth that no section between two is wider than, m.</summary>
    public double Widest(double one, double other)
    {
        if (Body.IsRectangle)
        {
            return Breadth;
        }

        var (from, to) = (Math.Min(one, other), Math.Max(one, other));
        foreach (var c in Body.Outline)
        {
            var at = AlongX ? c.X : c.Y;
            if (at > from && at < to)
            {
                return GrossBreadth;
            }
        }

        return Math.Max(Chord(from), Chord(to));

        double Chord(double at) => Body.Chord(AlongX, at) is var (low, high) ? high - low : 0;
    }

    /// <summary>Area that no more of a layer's bars cross in a section than it is wide, m2.</summary>
    public double Most(in BarLayer layer, double breadth)
    {
        var spacing = (Breadth - (2 * Rules.Concrete.CoverSide) - layer.Diameter) / (layer.Count - 1);
        return Body.IsRectangle || layer.Count < 2
            ? layer.Area
            : Math.Min(layer.Count, Math.Floor((breadth / spacing) + 1e-9) + 1) * layer.Area / layer.Count;
    }

    /// <summary>Whether some pile that stands beyond a face has its centre nearer to it than a distance, m.</summary>
    public bool HasPileWithin(int side, double distance)
    {
        foreach (var p in trial.Piles)
        {
            var beyond = side * (p.Along(AlongX) - Face(side));
            if (beyond > 0 && beyond < distance)
            {
                return true;
            }
        }

        return false;
    }
}
