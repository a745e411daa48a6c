using Plinth.Core.Concrete;

namespace Plinth.Core.Bodies;

/// <summary>Bars along one axis over a part of a base's breadth: its bottom layer, its top layer, or both.</summary>
public class BarZone : Subject
{
    private readonly BarLayer[] layers = new BarLayer[2];
    private readonly double[] depths = new double[2];

    /// <summary>Makes a zone of a trial that has its body; bars must be set before it is read.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which it is among the zones along the axis.</param>
    /// <param name="at">What results call it; null where there is but one.</param>
    /// <param name="alongX">Whether its bars run along x, or along y.</param>
    /// <param name="body">The body that it is a part of; null: the trial's.</param>
    public BarZone(Trial trial, int index, string? at, bool alongX, GroundBody? body = null)
        : base(trial, index, at)
    {
        ArgumentNullException.ThrowIfNull(trial);
        AlongX = alongX;
        Body = body ?? trial.Body;
    }

    /// <summary>Whether its bars run along x, or along y.</summary>
    public bool AlongX { get; }

    /// <summary>The body it is a part of.</summary>
    public GroundBody Body { get; }

    /// <summary>Its breadth across the bars, m.</summary>
    public double Breadth { get; protected set; }

    /// <summary>
    /// Breadth of the concrete that its bars hold, m: more than <see cref="Breadth"/> where they keep clear of sharp corners.
    /// </summary>
    public virtual double GrossBreadth => Breadth;

    /// <summary>Its breadth where it is narrowest, m: bars that run through it stand nearest there.</summary>
    public virtual double NarrowBreadth => Breadth;

    /// <summary>Where it begins across the bars from the body's centroid, m.</summary>
    public virtual double From => -Breadth / 2;

    /// <summary>Area of the bars of a face within a strip across them, taken as spread evenly over the zone, m2.</summary>
    /// <param name="bottom">The bottom, or the top.</param>
    /// <param name="low">Where the strip begins across the bars, m.</param>
    /// <param name="high">Where it ends, m.</param>
    public virtual double Within(bool bottom, double low, double high) =>
        Has(bottom) && Breadth > 0 ? Layer(bottom).Area * Math.Max(0, Math.Min(high, From + Breadth) - Math.Max(low, From)) / Breadth : 0;

    /// <summary>Whether other bars stand in the middle between two bars of a face.</summary>
    /// <param name="bottom">The face.</param>
    /// <param name="atEnds">At the ends of the base, or anywhere.</param>
    public virtual bool HasBetween(bool bottom, bool atEnds = false) => false;

    /// <summary>Thickness of the base, m.</summary>
    public double Thickness => Body.Thickness;

    /// <summary>Whether it has a face of its own: else another zone tells of the bars there.</summary>
    public virtual bool Has(bool bottom) => true;

    /// <summary>
    /// Whether its edges are no edges of the base: its bars stand each in the middle of an equal strip, no cover beside them.
    /// </summary>
    public virtual bool IsInner => false;

    /// <summary>Bars of a face.</summary>
    public ref readonly BarLayer Layer(bool bottom) => ref layers[bottom ? 0 : 1];

    /// <summary>Effective depth of the bars of a face, m.</summary>
    public double Depth(bool bottom) => depths[bottom ? 0 : 1];

    /// <summary>Sets the bars of a face.</summary>
    internal void Set(bool bottom, in BarLayer layer) => layers[bottom ? 0 : 1] = layer;

    /// <summary>Finds the effective depth of a face.</summary>
    /// <param name="bottom">The bottom, or the top.</param>
    /// <param name="outer">Diameter of the bars between it and the cover, m.</param>
    internal void Sink(bool bottom, double outer)
    {
        var cover = bottom ? Trial.BottomCover : Rules.Concrete.CoverTop;
        depths[bottom ? 0 : 1] = Thickness - cover - outer - (Layer(bottom).Diameter / 2);
    }

    /// <summary>The axis of its bars: "x" or "y".</summary>
    public string Axis => AlongX ? "x" : "y";
}
