using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>Where the long edges of a wall's footing lie.</summary>
/// <param name="First">From the wall's centreline to the −y edge; or the heel, from its face on the soil's side, m.</param>
/// <param name="Second">From the centreline to the +y edge; or the toe, m.</param>
/// <param name="ByFaces">Whether they are heel and toe.</param>
public readonly record struct WallEdges(double First, double Second, bool ByFaces)
{
    /// <summary>Distances of the edges from the centreline towards −y and +y, m.</summary>
    /// <param name="thickness">Thickness of the wall, m.</param>
    /// <param name="soil">+1 where soil is held back on the +y side, −1 on the −y side.</param>
    public (double Low, double High) From(double thickness, int soil) =>
        !ByFaces ? (First, Second)
        : soil > 0 ? (Second + (thickness / 2), First + (thickness / 2))
        : (First + (thickness / 2), Second + (thickness / 2));
}

/// <summary>The bars of a wall, all at whole spacings.</summary>
/// <param name="Soil">Upright bars at the face towards the soil, or +y; in one layer all of them.</param>
/// <param name="Free">Upright bars at the other face.</param>
/// <param name="Level">Level bars, of each layer.</param>
public sealed record StemBars(BarSpec Soil, BarSpec Free, BarSpec Level)
{
    /// <summary>No bars.</summary>
    public static readonly StemBars None = new(BarSpec.None, BarSpec.None, BarSpec.None);
}

/// <summary>A wall's footing in force.</summary>
/// <param name="Size">
/// Length along the wall with what it reaches beyond, width, thickness; its shift along y is that of its middle from the wall's centreline.
/// </param>
/// <param name="Edges">Where its long edges lie.</param>
/// <param name="BottomX">Bottom bars along the wall.</param>
/// <param name="BottomY">Bottom bars across it.</param>
/// <param name="TopX">Top bars along the wall.</param>
/// <param name="TopY">Top bars across it.</param>
public sealed record WallDesign(BaseSize Size, WallEdges Edges, BarSpec BottomX, BarSpec BottomY, BarSpec TopX, BarSpec TopY)
    : FoundationDesign(Size)
{
    /// <summary>A design of which nothing is known.</summary>
    public static readonly WallDesign Blank = new(default, default, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None);

    /// <summary>The wall's bars; none where it is not designed here.</summary>
    public StemBars Stem { get; init; } = StemBars.None;

    /// <inheritdoc/>
    public override int Columns => 1;

    /// <inheritdoc/>
    public override Upright Under(int column) => new(null, BarSpec.None);

    /// <inheritdoc/>
    public override string Bars(bool alongX, bool bottom) => Layer(alongX, bottom).ToString();

    /// <inheritdoc/>
    public override string Drawn(bool alongX, bool bottom) => Layer(alongX, bottom).Drawn;

    /// <summary>A layer of its bars.</summary>
    public BarSpec Layer(bool alongX, bool bottom) =>
        (alongX, bottom) switch { (true, true) => BottomX, (false, true) => BottomY, (true, false) => TopX, _ => TopY };

    /// <summary>The bars in the base.</summary>
    /// <param name="sideCover">Cover at the sides, m.</param>
    public Reinforcement Reinforcement(double sideCover) => new(BottomX.Resolve(Size.Width, sideCover),
        BottomY.Resolve(Size.Length, sideCover), TopX.Resolve(Size.Width, sideCover), TopY.Resolve(Size.Length, sideCover));

    /// <inheritdoc/>
    public override IReadOnlyList<(string Name, string Words)> Others(UnitSystem units) => Stem.Soil.Size is null
        ? []
        : Stem.Free.Size is null
            ? [("wall, upright", Stem.Soil.Drawn), ("wall, level", Stem.Level.Drawn)]
            : [("wall, upright", $"{Stem.Soil.Drawn} at the soil's face, {Stem.Free.Drawn} at the other"),
                ("wall, level", $"{Stem.Level.Drawn} at each face")];

    /// <inheritdoc/>
    public override IReadOnlyList<(string Plan, string Thickness)> Members(UnitSystem units)
    {
        string L(double v) => Dimension.Plan(v, units);
        var edges = Edges.ByFaces ? $"heel {L(Edges.First)}, toe {L(Edges.Second)}"
            : Math.Abs(Edges.First - Edges.Second) < 1e-6 ? ""
            : $"−y {L(Edges.First)}, +y {L(Edges.Second)}";
        return edges.Length == 0 ? base.Members(units) : [.. base.Members(units), (edges, "")];
    }

    /// <inheritdoc/>
    public override IReadOnlyList<string> OtherBars => Stem.Soil.Size is null ? []
        : Stem.Free.Size is null ? ["wall", Stem.Soil.Drawn, "level", Stem.Level.Drawn]
        : ["wall, soil", Stem.Soil.Drawn, "wall, other", Stem.Free.Drawn, "level", Stem.Level.Drawn];

    /// <inheritdoc/>
    public override IReadOnlyList<(string Key, double Metres)> Following => [("length", Size.Length), ("width", Size.Width)];

    /// <summary>The same under a wall: its length from the wall's, its width and place from its edges.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="rules">What is stated of it.</param>
    public WallDesign Under(Support wall, WallRules rules)
    {
        ArgumentNullException.ThrowIfNull(wall);
        ArgumentNullException.ThrowIfNull(rules);
        var (low, high) = Edges.From(wall.SizeY, rules.Retained?.Side ?? 1);
        return this with
        {
            Size = new BaseSize(wall.SizeX + (2 * rules.Ends), low + high, Size.Thickness) { ShiftY = (high - low) / 2 },
        };
    }
}
