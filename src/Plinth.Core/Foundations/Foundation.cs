using System.Collections.Immutable;
using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Foundations;

/// <summary>Where an edge of a base is held.</summary>
/// <param name="AtColumn">Flush with the column's face.</param>
/// <param name="Distance">Else: from the column's centre, m.</param>
public readonly record struct HeldEdge(bool AtColumn, double Distance)
{
    /// <summary>Distance of the edge from the column's centre, m.</summary>
    /// <param name="face">The column's outer size in that direction, m.</param>
    public double From(double face) => AtColumn ? face / 2 : Distance;
}

/// <summary>What the engineer has stated of a foundation; what is null is open to sizing.</summary>
public sealed record HeldValues
{
    /// <summary>Nothing held.</summary>
    public static readonly HeldValues Nothing = new();

    /// <summary>Side along the base's x, m.</summary>
    public double? Length { get; init; }

    /// <summary>Side along the base's y, m.</summary>
    public double? Width { get; init; }

    /// <summary>Width at the +x end of a trapezoid, m; <see cref="Width"/> is then that at −x.</summary>
    public double? EndWidth { get; init; }

    /// <summary>Whether the base is a trapezoid, its ends across its x.</summary>
    public bool Trapezoid { get; init; }

    /// <summary>Whether the ground under a base of several columns is springs, on which it bends; else the base is rigid.</summary>
    public bool Springs { get; init; }

    /// <summary>By how many times its section counts stiffer than gross on springs.</summary>
    public double Stiffness { get; init; } = 1;

    /// <summary>Thickness, m.</summary>
    public double? Thickness { get; init; }

    /// <summary>Edge at −x.</summary>
    public HeldEdge? EdgeX0 { get; init; }

    /// <summary>Edge at +x.</summary>
    public HeldEdge? EdgeX1 { get; init; }

    /// <summary>Edge at −y.</summary>
    public HeldEdge? EdgeY0 { get; init; }

    /// <summary>Edge at +y.</summary>
    public HeldEdge? EdgeY1 { get; init; }

    /// <summary>Column's centre from the base's centre along x, m, where no edge is held.</summary>
    public double OffsetX { get; init; }

    /// <summary>Column's centre from the base's centre along y, m, where no edge is held.</summary>
    public double OffsetY { get; init; }

    /// <summary>Whether the offset along x was stated.</summary>
    public bool OffsetXGiven { get; init; }

    /// <summary>Whether the offset along y was stated.</summary>
    public bool OffsetYGiven { get; init; }

    /// <summary>Bottom bars along x.</summary>
    public BarSpec? BottomX { get; init; }

    /// <summary>Bottom bars along y.</summary>
    public BarSpec? BottomY { get; init; }

    /// <summary>Top bars along x.</summary>
    public BarSpec? TopX { get; init; }

    /// <summary>Top bars along y.</summary>
    public BarSpec? TopY { get; init; }

    /// <summary>Fields of the kind's own that are stated, by key.</summary>
    public ImmutableDictionary<string, Kinds.FieldValue> Own { get; init; } = ImmutableDictionary<string, Kinds.FieldValue>.Empty;

    /// <summary>Whether the base may stand proud of the ground.</summary>
    public bool Exposed { get; init; }

    /// <summary>Whether it stands already, so that it is only ever checked.</summary>
    public bool Built { get; init; }
}

/// <summary>
/// How a design lies at a place: mirrored first (its x reversed), then turned; the eight ways in which a rectangle fits its own outline or
/// that of its quarter turn.
/// </summary>
/// <param name="QuarterTurns">Quarter turns anticlockwise, 0 to 3.</param>
/// <param name="Mirrored">Whether its x is reversed.</param>
public readonly record struct Lie(int QuarterTurns, bool Mirrored)
{
    /// <summary>As drawn.</summary>
    public static readonly Lie AsDrawn;

    /// <summary>Every way.</summary>
    public static IReadOnlyList<Lie> All { get; } = [.. Enumerable.Range(0, 8).Select(i => new Lie(i % 4, i >= 4))];

    /// <summary>This way, within a design that itself lies some way.</summary>
    public Lie Within(Lie outer) =>
        new((outer.QuarterTurns + (outer.Mirrored ? 4 - QuarterTurns : QuarterTurns)) % 4, outer.Mirrored ^ Mirrored);

    /// <summary>In words: "turned 180°, mirrored"; empty as drawn.</summary>
    public string Words =>
        string.Join(", ",
            new[] { QuarterTurns == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $"turned {90 * QuarterTurns}°"),
                Mirrored ? "mirrored" : "" }.Where(w => w.Length > 0));

    /// <summary>Corners of the design, as they lie in the axes of the turned base, in the same order round.</summary>
    public IReadOnlyList<Contact.PlanPoint> OfOutline(IReadOnlyList<Contact.PlanPoint> corners)
    {
        ArgumentNullException.ThrowIfNull(corners);
        return Mirrored ? [.. corners.Reverse().Select(c => new Contact.PlanPoint(-c.X, c.Y))] : corners;
    }

    /// <summary>A point of the design, as it lies in the axes of the turned base.</summary>
    public Contact.PlanPoint Of(in Contact.PlanPoint point) => Mirrored ? new Contact.PlanPoint(-point.X, point.Y) : point;
}

/// <summary>Where a mark stands.</summary>
/// <param name="Supports">What it carries, in order.</param>
/// <param name="AngleDegrees">The base's angle, degrees anticlockwise, its quarter turns included.</param>
/// <param name="Ground">The ground there.</param>
public sealed record Place(IReadOnlyList<Support> Supports, double AngleDegrees, GroundRules Ground)
{
    /// <summary>A place under one support.</summary>
    /// <param name="support">What it carries.</param>
    /// <param name="angleDegrees">The base's angle, degrees anticlockwise.</param>
    /// <param name="ground">The ground there.</param>
    public Place(Support support, double angleDegrees, GroundRules ground)
        : this([support], angleDegrees, ground)
    {
    }

    /// <summary>
    /// The grounds that a strip here may cross, by their areas in plan; that without an area lies between them. None: it stands on one.
    /// </summary>
    public IReadOnlyList<GroundRules> Along { get; init; } = [];

    /// <summary>How the design lies here.</summary>
    public Lie Lie { get; init; }

    /// <summary>The place with its design lying some further way.</summary>
    public Place Lying(Lie lie)
    {
        var whole = lie.Within(Lie);
        return this with { AngleDegrees = AngleDegrees + (90 * (whole.QuarterTurns - Lie.QuarterTurns)), Lie = whole };
    }

    /// <summary>Its first support.</summary>
    public Support Support => Supports[0];

    /// <summary>The origin of its own axes: its support, or midway between the first and the last of several, project axes, m.</summary>
    public Contact.PlanPoint Origin => new((Supports[0].X + Supports[^1].X) / 2, (Supports[0].Y + Supports[^1].Y) / 2);

    /// <summary>Where its supports stand from its origin, in its own axes, m.</summary>
    public IReadOnlyList<Contact.PlanPoint> InOwnAxes()
    {
        var (sin, cos) = SupportAction.SinCosDegrees(AngleDegrees);
        var origin = Origin;
        return [.. Supports.Select(s => (X: s.X - origin.X, Y: s.Y - origin.Y))
            .Select(p => new Contact.PlanPoint((p.X * cos) + (p.Y * sin), (p.Y * cos) - (p.X * sin)))];
    }

    /// <summary>Whether two supports of one design stand alike at two places: to 1 mm, project tolerance of what is set out.</summary>
    /// <param name="one">A support in the axes of its place, m.</param>
    /// <param name="other">The same support of another place, m.</param>
    public static bool StandAlike(in Contact.PlanPoint one, in Contact.PlanPoint other) =>
        Math.Max(Math.Abs(one.X - other.X), Math.Abs(one.Y - other.Y)) <= Apart + 1e-9;

    private const double Apart = 1e-3;

    /// <summary>The place's name in results: its supports' labels, "C5" or "C5, C9".</summary>
    public string Name => Supports.Count == 1 ? Supports[0].Label : string.Join(", ", Supports.Select(s => s.Label));
}

/// <summary>A foundation: a mark with one place, or several made alike.</summary>
/// <param name="Mark">Its mark.</param>
/// <param name="Places">Where it stands; one, unless made alike.</param>
/// <param name="Alike">Whether the mark is one design for several places.</param>
/// <param name="Held">What the engineer has stated.</param>
/// <param name="Rules">The rules in force for it.</param>
public sealed record Foundation(string Mark, IReadOnlyList<Place> Places, bool Alike, HeldValues Held, RuleSet Rules)
{
    /// <summary>All supports that it carries, place by place.</summary>
    public IEnumerable<Support> Supports => Places.SelectMany(p => p.Supports);

    /// <summary>Loads that stand on the base beside its column.</summary>
    public IReadOnlyList<PlanLoad> Loads { get; init; } = [];

    /// <summary>The engineer's leave to pass over checks of it.</summary>
    public IReadOnlyList<Checks.Leave> Leaves { get; init; } = [];

    /// <summary>The leave that is given for a check of it; null: none.</summary>
    public Checks.Leave? LeaveOf(string check) => Leaves.FirstOrDefault(l => l.Check == check);

    /// <summary>Whether a check of it is waived.</summary>
    public bool Waives(string check) => LeaveOf(check) is { UpTo: null };

    /// <summary>The combinations that the engineer has chosen for it; null: all.</summary>
    public ChosenCombinations? Chosen { get; init; }

    /// <summary>What stands on it where that is a wall.</summary>
    public WallRules Wall { get; init; } = WallRules.Nothing;

    /// <summary>Its kind.</summary>
    public Kinds.FoundationKind Kind { get; init; } = Kinds.FoundationKinds.Usual;

    /// <summary>The row of a grid that it is; null: it is a foundation of its own.</summary>
    public Grids.GridRow? Row { get; init; }
}

/// <summary>The combinations chosen for a foundation, out of the project's.</summary>
/// <param name="Set">Those that are checked.</param>
/// <param name="All">How many the project has.</param>
/// <param name="Only">Names or patterns of those to check; empty: all.</param>
/// <param name="LeaveOut">Names or patterns of those left out.</param>
public sealed record ChosenCombinations(CombinationSet Set, int All, IReadOnlyList<string> Only, IReadOnlyList<string> LeaveOut)
{
    /// <summary>What to say of the choice, always.</summary>
    public string Note => string.Create(CultureInfo.InvariantCulture, $"{Set.Used.Length} of {All} combinations are checked here")
        + (Only.Count > 0 ? ": " + string.Join(", ", Only) : "") + (LeaveOut.Count > 0 ? "; left out: " + string.Join(", ", LeaveOut) : "");
}

/// <summary>Plan size and thickness of a base, m.</summary>
/// <param name="Length">Along its own x.</param>
/// <param name="Width">Along its own y.</param>
/// <param name="Thickness">Vertical.</param>
public readonly record struct BaseSize(double Length, double Width, double Thickness)
{
    /// <summary>How far the base's centre was moved along its own x, to keep within the site, m.</summary>
    public double ShiftX { get; init; }

    /// <summary>The same along its own y, m.</summary>
    public double ShiftY { get; init; }
}
