using Plinth.Core.Units;

namespace Plinth.Drawing.Sheets;

/// <summary>A picture of its own, to stand on a sheet or in a report; its origin is its lower left corner.</summary>
/// <param name="Title">What it shows.</param>
/// <param name="Width">mm.</param>
/// <param name="Height">mm.</param>
/// <param name="Scale">The scale of what is drawn; null: not to scale.</param>
/// <param name="Items">What is drawn.</param>
public sealed record Figure(string Title, double Width, double Height, DrawingScale? Scale, IReadOnlyList<Item> Items)
{
    /// <summary>What is said in place of a scale.</summary>
    public static readonly DrawingScale NotToScale = new(1, "not to scale");

    /// <summary>What is drawn, with the figure's corner at a point.</summary>
    public IEnumerable<Item> PlacedAt(At corner) => Items.Select(i => i.Moved(corner.X, corner.Y));

    /// <summary>The figure as a sheet of just its size.</summary>
    /// <param name="units">Units of dimensions.</param>
    public Sheet Alone(UnitSystem units) => new(Title, new Paper("figure", Width, Height), Scale ?? NotToScale, units, Items);
}
