using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// A base of a strap footing as it spans along an axis. Across the beam it is a cantilever from the beam's face, or the column's where that
/// lies nearer to the edge; along it the beam takes all moment but beyond its end.
/// </summary>
internal sealed class PadSpan : SlabSpan
{
    private readonly StrapTrial trial;
    private readonly Standing column;

    /// <summary>Makes one of a trial.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="column">The column on the base.</param>
    /// <param name="name">What results call the base.</param>
    /// <param name="alongX">Whether it spans along the beam, or across.</param>
    public PadSpan(StrapTrial trial, Standing column, string name, bool alongX)
        : base(trial, column.Index, name, alongX, column.Body) => (this.trial, this.column) = (trial, column);

    /// <summary>Takes the sides of the base.</summary>
    public void Resize() => Set(AlongX ? Body.Length : Body.Width, AlongX ? Body.Width : Body.Length);

    /// <summary>Where it is held on a side, m from the base's middle.</summary>
    private double Face(int side)
    {
        if (!AlongX)
        {
            var (beam, own) = (side * trial.Beam.Width / 2, column.Face(false, side));
            return side > 0 ? Math.Max(beam, own) : Math.Min(beam, own);
        }

        // Only where the beam stops at the column's outer face a part of the base lies beyond it.
        return side < 0 || trial.Beam.High >= Body.Middle + Body.HighX - Anchorage.Touch ? side * Length / 2 : column.Face(true, side);
    }

    /// <inheritdoc/>
    public override double Overhang(int side) => (Length / 2) - (side * Face(side));

    /// <inheritdoc/>
    public override bool PlainOnTop(int k) => column.Plain(k).OnTop;

    // The beam holds the base over its whole length: bars across need no band at the column.
    /// <inheritdoc/>
    public override double ShortWayFactor => 1;

    internal override SectionForces Beyond(int k, int side, double fromFace) =>
        SectionForces.Of(Body, k, AlongX, side, Face(side) + (side * fromFace));

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        trace.Remark($"The {At!} base beyond the face of the beam, or of the column where that lies nearer to the edge.");
        forces.Tell(this, k, up, moment, ref trace);
    }
}
