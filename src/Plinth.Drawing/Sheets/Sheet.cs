using Plinth.Core.Units;

namespace Plinth.Drawing.Sheets;

/// <summary>A size of paper, landscape.</summary>
/// <param name="Name">"A3", "ANSI D".</param>
/// <param name="Width">mm.</param>
/// <param name="Height">mm.</param>
public sealed record Paper(string Name, double Width, double Height)
{
    /// <summary>ISO 216 A4 to A1 and ANSI/ASME Y14.1 A to D, smallest first in each series.</summary>
    public static IReadOnlyList<Paper> All { get; } =
    [
        new("A4", 297, 210), new("A3", 420, 297), new("A2", 594, 420), new("A1", 841, 594),
        new("ANSI A", 279.4, 215.9), new("ANSI B", 431.8, 279.4), new("ANSI C", 558.8, 431.8), new("ANSI D", 863.6, 558.8),
    ];

    /// <summary>The sizes used with a unit system.</summary>
    public static IEnumerable<Paper> For(UnitSystem units) =>
        All.Where(p => p.Name.StartsWith("ANSI", StringComparison.Ordinal) == (units == UnitSystem.Us));

    /// <summary>The size with a name, in any case, with or without its space; null if there is none.</summary>
    public static Paper? Find(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        string Plain(string s) => s.Replace(" ", "", StringComparison.Ordinal);
        return All.FirstOrDefault(p => Plain(p.Name).Equals(Plain(name), StringComparison.OrdinalIgnoreCase));
    }
}

/// <summary>A scale of drawing.</summary>
/// <param name="Ratio">1 : so much.</param>
/// <param name="Words">As written: "1:100", "1/8\" = 1'-0\"".</param>
public sealed record DrawingScale(double Ratio, string Words)
{
    /// <summary>Scales of ISO 5455 with those usual between them; architects' and engineers' scales in feet. Largest first.</summary>
    public static IReadOnlyList<DrawingScale> For(UnitSystem units) => units == UnitSystem.Us
        ? [new(12, "1\" = 1'-0\""), new(16, "3/4\" = 1'-0\""), new(24, "1/2\" = 1'-0\""), new(48, "1/4\" = 1'-0\""),
            new(96, "1/8\" = 1'-0\""), new(192, "1/16\" = 1'-0\""), new(240, "1\" = 20'"), new(360, "1\" = 30'"), new(480, "1\" = 40'"),
            new(600, "1\" = 50'"), new(1200, "1\" = 100'")]
        : [new(10, "1:10"), new(20, "1:20"), new(25, "1:25"), new(50, "1:50"), new(100, "1:100"), new(200, "1:200"), new(500, "1:500"),
            new(1000, "1:1000")];
}

/// <summary>A drawing as data: everything at its place on paper. What is drawn to scale lies at the scale of the whole sheet.</summary>
/// <param name="Title">What it shows.</param>
/// <param name="Paper">Its size.</param>
/// <param name="Scale">The scale of what is drawn.</param>
/// <param name="Units">Units of dimensions.</param>
/// <param name="Items">In the order in which they are drawn.</param>
public sealed record Sheet(string Title, Paper Paper, DrawingScale Scale, UnitSystem Units, IReadOnlyList<Item> Items);
