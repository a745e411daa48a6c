using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A strip with a rib under a row of columns in force: an inverted T beam.</summary>
/// <param name="Size">Length, width, thickness of the flange.</param>
/// <param name="Ends">How far it reaches beyond its first and last column's centres, m.</param>
/// <param name="Rib">The rib: its breadth, its whole depth from the underside, its steel.</param>
/// <param name="Flange">Bottom bars along in each side of the flange beside the rib.</param>
/// <param name="BottomY">Bottom bars across.</param>
/// <param name="TopY">Top bars across, in the flange.</param>
/// <param name="At">What stands on it.</param>
/// <param name="Span">From the first to the last column, m.</param>
public sealed record RibDesign(BaseSize Size, (double Low, double High) Ends, BeamDesign Rib, BarSpec Flange, BarSpec BottomY, BarSpec TopY,
    ImmutableArray<CarriedColumn> At, double Span)
    : FoundationDesign(Size), ICurtailed
{
    /// <summary>Extra bars of the rib beside those that run through.</summary>
    public ExtraLayout Extra { get; init; } = ExtraLayout.Without(At.Length);

    /// <summary>Zones about its columns in which the rib's stirrups stand closer.</summary>
    public StirrupZones Closer { get; init; } = StirrupZones.Without(At.Length);

    /// <summary>A design in which nothing is filled in yet.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public static RibDesign Blank(IReadOnlyList<string> supports) =>
        new(default, default, BeamDesign.Blank, BarSpec.None, BarSpec.None, BarSpec.None,
            [.. supports.Select(s => new CarriedColumn(s, new Upright(null, BarSpec.None)))], 0);

    /// <summary>The same with its length, under columns that stand so far apart.</summary>
    /// <param name="span">From the first to the last, m.</param>
    public RibDesign Spanning(double span) => this with { Span = span, Size = Size with { Length = span + Ends.Low + Ends.High } };

    /// <summary>The same with other ends.</summary>
    public RibDesign With(double low, double high) => (this with { Ends = (low, high) }).Spanning(Span);

    /// <summary>The same with something else at a column.</summary>
    public RibDesign With(int column, Upright upright) =>
        this with { At = At.SetItem(column, At[column] with { Upright = upright }) };

    /// <summary>The middle between the first and last column from the base's centroid along x, m.</summary>
    public double Offset => (Ends.Low - Ends.High) / 2;

    /// <summary>Stretches of closer stirrups at the first place, m from the base's centroid.</summary>
    internal IReadOnlyList<StirrupStretch> Stretches(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var columns = foundation.Places[0].InOwnAxes().Select(p => p.X + Offset);
        return StirrupStretch.Of(Closer, [.. columns], -Size.Length / 2, Size.Length / 2);
    }

    /// <inheritdoc/>
    public override ExtraLayout ExtraBars => Extra;

    /// <inheritdoc/>
    public override StirrupZones CloserStirrups => Closer;

    BarSpec ICurtailed.Through(bool bottom) => bottom ? Rib.Bottom : Rib.Top;

    FoundationDesign ICurtailed.With(bool bottom, BarSpec through, ExtraLayout extra) =>
        this with { Rib = bottom ? Rib with { Bottom = through } : Rib with { Top = through }, Extra = extra };

    /// <inheritdoc/>
    public override int Columns => At.Length;

    /// <inheritdoc/>
    public override Upright Under(int column) => At[column].Upright;

    /// <inheritdoc/>
    public override double ThicknessUnder(int column) => WholeDepth;

    /// <inheritdoc/>
    public override double WholeDepth => Math.Max(Size.Thickness, Rib.Depth);

    /// <inheritdoc/>
    public override IReadOnlyList<(string Key, double Metres)> Following => [("length", Math.Round(Size.Length, 9))];

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Words(alongX, bottom, b => b.ToString());

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Words(alongX, bottom, b => b.Drawn);

    /// <inheritdoc/>
    public override IReadOnlyList<(string Name, string Words)> Others(UnitSystem units) =>
    [
        ("rib", $"{Dimension.PlainSection(Rib.Width, units)} × {Dimension.Section(Rib.Depth, units)} from the underside; "
            + $"top {Rib.Top.Drawn}, bottom {Rib.Bottom.Drawn}, stirrups {StirrupWords}"
            + (Rib.Sides.Size is null ? "" : $", {Rib.Sides.Drawn} along each side")),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<(string Plan, string Thickness)> Members(UnitSystem units) =>
    [
        .. base.Members(units), ($"rib {Dimension.PlainPlan(Rib.Width, units)}", Dimension.PlainSection(Rib.Depth, units)),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<string> OtherBars =>
        ["stirrups", StirrupWords, .. Rib.Sides.Size is null ? (string[])[] : [$"each side {Rib.Sides.Drawn}"]];

    /// <inheritdoc/>
    public bool Equals(RibDesign? other) => base.Equals(other) && Ends == other!.Ends && Rib == other.Rib && Flange == other.Flange
        && BottomY == other.BottomY && TopY == other.TopY && Span == other.Span && Extra == other.Extra && Closer == other.Closer
        && At.SequenceEqual(other.At);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Ends, Rib, Flange, BottomY, TopY, Span);

    private string StirrupWords => Closer.Words(Rib.Stirrups, [.. At.Select(a => a.Label)]);

    private string Words(bool alongX, bool bottom, Func<BarSpec, string> words)
    {
        if (!alongX)
        {
            return words(bottom ? BottomY : TopY);
        }

        var rib = $"{words(bottom ? Rib.Bottom : Rib.Top)}{Extra.Words(bottom, [.. At.Select(a => a.Label)])} rib";
        return bottom && Flange.Size is not null ? $"{rib}, {words(Flange)} each side" : rib;
    }
}
