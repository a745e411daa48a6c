using Plinth.Core.Concrete;
using Plinth.Core.Contact;

namespace Plinth.Core.Foundations;

/// <summary>What is between a base and one of its columns.</summary>
/// <param name="Pedestal">The pedestal; null: the column stands on the base.</param>
/// <param name="Dowels">Dowels from base or pedestal into a concrete column; none where the joint is not designed.</param>
public readonly record struct Upright(Pedestal? Pedestal, BarSpec Dowels);

/// <summary>A design in force: sizes and bars. What a kind of foundation has beyond the size is its own.</summary>
/// <param name="Size">Plan and thickness: of a base that is no rectangle its length and its width at the −x end.</param>
public abstract record FoundationDesign(BaseSize Size)
{
    /// <summary>A layer without bars, in words.</summary>
    public static readonly string NoBars = BarSpec.None.ToString();

    /// <summary>How many columns it is for.</summary>
    public abstract int Columns { get; }

    /// <summary>What is between the base and a column.</summary>
    /// <param name="column">Which, in the order of the supports, from 0.</param>
    public abstract Upright Under(int column);

    /// <summary>From the underside to the top of what columns stand on, m: of a base with a rib that of the rib.</summary>
    public virtual double WholeDepth => Size.Thickness;

    /// <summary>Thickness of the base under a column, m.</summary>
    /// <param name="column">Which, in the order of the supports, from 0.</param>
    public virtual double ThicknessUnder(int column) => Size.Thickness;

    /// <summary>Sides and thickness of its bases: one, or several that a beam holds together.</summary>
    public virtual IReadOnlyList<BaseSize> Bases => [Size];

    /// <summary>What it consists of beside bases, layers of bars and what stands on them, in words; nothing of most.</summary>
    /// <param name="units">Units of display.</param>
    public virtual IReadOnlyList<(string Name, string Words)> Others(Units.UnitSystem units) => [];

    /// <summary>Its members in words, plan and thickness each, as a narrow table shows them a line each.</summary>
    /// <param name="units">Units of display.</param>
    public virtual IReadOnlyList<(string Plan, string Thickness)> Members(Units.UnitSystem units) =>
        [(Buildings.Wording.Plan(this, units), Units.Dimension.PlainSection(Size.Thickness, units))];

    /// <summary>Sizes that follow from its fields and what it carries, by their keys, m; none of most, whose fields are all.</summary>
    public virtual IReadOnlyList<(string Key, double Metres)> Following => [];

    /// <summary>Extra bars along it beside those that run through; none of most.</summary>
    public virtual ExtraLayout ExtraBars => ExtraLayout.Without(0);

    /// <summary>Stirrups about columns that stand closer than elsewhere; none of most.</summary>
    public virtual StirrupZones CloserStirrups => StirrupZones.Without(0);

    /// <summary>Bars beside its layers, such as stirrups, in words for a narrow table, line by line; none of most.</summary>
    public virtual IReadOnlyList<string> OtherBars => [];

    /// <summary>A layer of its bars in words: "13 T16"; "none".</summary>
    /// <param name="alongX">Along x, or along y.</param>
    /// <param name="bottom">At the bottom, or on top.</param>
    public abstract string Bars(bool alongX, bool bottom);

    /// <summary>The same as on drawings and in schedules, where inches bear their mark: #3 @ 10".</summary>
    public virtual string Drawn(bool alongX, bool bottom) => Bars(alongX, bottom);

    /// <summary>Bars along its sides, at a spacing up its height; none of most.</summary>
    public virtual BarSpec SideBars => BarSpec.None;

    /// <summary>Whether it has bars on top.</summary>
    public bool HasTop => Bars(true, false) != NoBars || Bars(false, false) != NoBars;

    /// <summary>
    /// Its piles: how many, the name of their layout, their distance of centres (infinite of one), m; none of a base on the ground.
    /// </summary>
    public virtual (int Count, string Layout, double Pitch) Piling => (0, "", 0);

    /// <summary>Width at the +x end, m.</summary>
    public virtual double EndWidth => Size.Width;

    /// <summary>Corners of the base about its centroid in its own axes, anticlockwise from (−x, −y), m.</summary>
    public virtual IReadOnlyList<PlanPoint> Outline
    {
        get
        {
            var (l, b) = (Size.Length / 2, Size.Width / 2);
            return [new(-l, -b), new(l, -b), new(l, b), new(-l, b)];
        }
    }

    /// <summary>
    /// What its outline is called where it is neither rectangle nor trapezoid; empty: it is one of them. Length and width are then those of
    /// the rectangle round it.
    /// </summary>
    public virtual string OutlineName => "";

    /// <summary>Plan area, m2.</summary>
    public virtual double Area => Size.Length * Size.Width;

    /// <summary>Length of its edges, m.</summary>
    public virtual double Perimeter => 2 * (Size.Length + Size.Width);

    /// <summary>Plan area of the same base with every edge moved outwards, m2.</summary>
    /// <param name="beyond">How far, m.</param>
    public virtual double AreaWith(double beyond) => (Size.Length + (2 * beyond)) * (Size.Width + (2 * beyond));

    /// <summary>Whether any column stands on a pedestal.</summary>
    public bool HasPedestal => Enumerable.Range(0, Columns).Any(i => Under(i).Pedestal is not null);

    /// <summary>Whether any column has dowels.</summary>
    public bool HasDowels => Enumerable.Range(0, Columns).Any(i => Under(i).Dowels.Size is not null);
}
