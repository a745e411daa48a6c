using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A strip under a row of columns in force; its length follows from where they stand and from its ends.</summary>
/// <param name="Size">Length, width, thickness.</param>
/// <param name="HighWidth">The width once more, m.</param>
/// <param name="Offset">The place's origin, midway between first and last support, from the base's centroid, m.</param>
/// <param name="BottomX">Bottom bars along the whole strip.</param>
/// <param name="TopX">Top bars along the whole strip.</param>
/// <param name="TopY">Top bars across.</param>
/// <param name="Rest">Bottom bars across, outside all bands.</param>
/// <param name="At">What belongs to each column, in order.</param>
/// <param name="Span">From the first to the last column, m.</param>
public sealed record StripDesign(BaseSize Size, double HighWidth, PlanPoint Offset, BarSpec BottomX, BarSpec TopX, BarSpec TopY,
    BarSpec Rest, ImmutableArray<ColumnDesign> At, double Span)
    : CombinedDesign(Size, HighWidth, Offset, BottomX, TopX, TopY, Rest, At), ICurtailed
{
    /// <summary>Extra bars beside those that run through.</summary>
    public ExtraLayout Extra { get; init; } = ExtraLayout.Without(At.IsDefault ? 0 : At.Length);

    /// <summary>A design in which nothing is filled in yet.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public static StripDesign Blank(IReadOnlyList<string> supports) =>
        new(default, 0, default, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None,
            [.. supports.Select(s => new ColumnDesign(s, BarSpec.None, new Upright(null, BarSpec.None)))], 0);

    /// <summary>How far it reaches beyond its first and its last column's centres, m.</summary>
    public (double Low, double High) Ends
    {
        get
        {
            var both = (Size.Length - Span) / 2;
            return (Math.Round(both + Offset.X, 9), Math.Round(both - Offset.X, 9));
        }
    }

    /// <inheritdoc/>
    public override IReadOnlyList<(string Key, double Metres)> Following => [("length", Math.Round(Size.Length, 9))];

    /// <summary>The same with other ends.</summary>
    /// <param name="low">Beyond the first column's centre, m.</param>
    /// <param name="high">Beyond the last column's, m.</param>
    public StripDesign With(double low, double high) => this with
    {
        Size = Size with { Length = Span + low + high },
        Offset = Offset with { X = (low - high) / 2 },
    };

    /// <summary>The same with the same ends under columns that stand so far apart.</summary>
    /// <param name="span">From the first to the last, m.</param>
    public StripDesign Spanning(double span) => span == Span ? this
        : this with { Size = Size with { Length = Size.Length - Span + span }, Span = span };

    /// <inheritdoc/>
    public override ExtraLayout ExtraBars => Extra;

    BarSpec ICurtailed.Through(bool bottom) => bottom ? BottomX : TopX;

    FoundationDesign ICurtailed.With(bool bottom, BarSpec through, ExtraLayout extra) =>
        bottom ? this with { BottomX = through, Extra = extra } : this with { TopX = through, Extra = extra };

    private protected override string Along(bool bottom) => Extra.Words(bottom, [.. At.Select(a => a.Label)]);

    /// <inheritdoc/>
    public bool Equals(StripDesign? other) => base.Equals(other) && Span == other!.Span && Extra == other.Extra;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Span);
}
