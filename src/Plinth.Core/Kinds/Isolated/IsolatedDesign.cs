using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>One column's base in force.</summary>
/// <param name="Size">Plan size and thickness.</param>
/// <param name="BottomX">Bottom bars along x, as written.</param>
/// <param name="BottomY">Bottom bars along y, as written.</param>
/// <param name="TopX">Top bars along x, as written.</param>
/// <param name="TopY">Top bars along y, as written.</param>
public sealed record IsolatedDesign(BaseSize Size, BarSpec BottomX, BarSpec BottomY, BarSpec TopX, BarSpec TopY) : FoundationDesign(Size)
{
    /// <summary>The pedestal; null: the column stands on the base.</summary>
    public Pedestal? Pedestal { get; init; }

    /// <summary>Dowels from base or pedestal into a concrete column; none where the joint is not designed.</summary>
    public BarSpec Dowels { get; init; } = BarSpec.None;

    /// <inheritdoc/>
    public override int Columns => 1;

    /// <inheritdoc/>
    public override Upright Under(int column) => new(Pedestal, Dowels);

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Layer(alongX, bottom).ToString();

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Layer(alongX, bottom).Drawn;

    private BarSpec Layer(bool alongX, bool bottom) =>
        (alongX, bottom) switch { (true, true) => BottomX, (false, true) => BottomY, (true, false) => TopX, _ => TopY };

    /// <summary>The bars in the base.</summary>
    /// <param name="sideCover">Cover at the sides, m.</param>
    public Reinforcement Bars(double sideCover) => new(
        BottomX.Resolve(Size.Width, sideCover),
        BottomY.Resolve(Size.Length, sideCover),
        TopX.Resolve(Size.Width, sideCover),
        TopY.Resolve(Size.Length, sideCover));
}
