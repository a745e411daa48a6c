using Plinth.Core.Concrete;

namespace Plinth.Core.Piles;

/// <summary>Outline of a cap on three piles at a triangle; of others it is a rectangle.</summary>
public enum CapOutline
{
    /// <summary>The one of less concrete that passes.</summary>
    Either,

    /// <summary>A triangle with its corners cut.</summary>
    Hexagon,

    /// <summary>A rectangle.</summary>
    Rectangle,
}

/// <summary>The section of a pile.</summary>
public enum PileShape
{
    /// <summary>A circle.</summary>
    Round,

    /// <summary>A square, its sides along the cap's.</summary>
    Square,
}

/// <summary>How piles are made.</summary>
public enum PileMaking
{
    /// <summary>Bored, concrete cast in the ground.</summary>
    Bored,

    /// <summary>Precast concrete, driven.</summary>
    DrivenConcrete,

    /// <summary>Steel tubes.</summary>
    SteelTube,

    /// <summary>Steel sections.</summary>
    SteelSection,

    /// <summary>Timber.</summary>
    Timber,
}

/// <summary>Along which axes of a cap tie beams take moments that its piles cannot.</summary>
[Flags]
public enum TieBeams
{
    /// <summary>There are none.</summary>
    None = 0,

    /// <summary>Along x.</summary>
    AlongX = 1,

    /// <summary>Along y.</summary>
    AlongY = 2,

    /// <summary>Along both.</summary>
    Both = 3,
}

/// <summary>What is stated of piles. Lengths in m, forces in kN, pressures in kPa.</summary>
public sealed record PileRules
{
    /// <summary>Nothing stated of their size or what they carry.</summary>
    public static readonly PileRules Nothing = new();

    /// <summary>The section.</summary>
    public PileShape Shape { get; init; }

    /// <summary>Diameter or side; null: not stated.</summary>
    public double? Size { get; init; }

    /// <summary>How they are made.</summary>
    public PileMaking Made { get; init; }

    /// <summary>What one may carry in compression; null: not stated.</summary>
    public double? Compression { get; init; }

    /// <summary>What one may carry in tension; null: none may be pulled.</summary>
    public double? Tension { get; init; }

    /// <summary>What one may carry across its axis; null: not stated.</summary>
    public double? Lateral { get; init; }

    /// <summary>Times these under combinations with wind or earthquake.</summary>
    public double Transient { get; init; } = 1;

    /// <summary>
    /// Whether the capacities are resistances, to be checked in the combinations of the concrete; else they are allowable.
    /// </summary>
    public bool OfStrength { get; init; }

    /// <summary>Share of the compression that a pile keeps in a group; null: by the rule of Converse and Labarre.</summary>
    public double? Efficiency { get; init; } = 1;

    /// <summary>Share of the lateral capacity kept in a group.</summary>
    public double LateralGroup { get; init; } = 1;

    /// <summary>Least distance of centres, times the size.</summary>
    public double Pitch { get; init; } = 3;

    /// <summary>Least concrete of the cap beyond a pile's face.</summary>
    public double Edge { get; init; } = 0.150;

    /// <summary>How far a pile reaches into the cap.</summary>
    public double Embedment { get; init; } = 0.075;

    /// <summary>How far out of place a pile may stand, any way.</summary>
    public double Deviation { get; init; } = 0.075;

    /// <summary>Layouts that sizing may choose.</summary>
    public IReadOnlyList<string> Layouts { get; init; } = ["2", "3", "4", "5", "6", "8", "9"];

    /// <summary>How many piles a cap has; null: as few as do.</summary>
    public int? Count { get; init; }

    /// <summary>Whether the heads are held by the cap against turning.</summary>
    public bool FixedHead { get; init; }

    /// <summary>Tie beams that take the moments that piles on one line, or one pile, cannot.</summary>
    public TieBeams TieBeams { get; init; }

    /// <summary>Length; null: not stated.</summary>
    public double? Length { get; init; }

    /// <summary>Where a length is found: the longest that it may be.</summary>
    public double Longest { get; init; } = 30;

    /// <summary>Where capacities are found from layers: by what the resistance of the ground is divided.</summary>
    public double Safety { get; init; } = 2.5;

    /// <summary>Share of the shaft's friction that holds against a pull.</summary>
    public double TensionShare { get; init; } = 0.7;

    /// <summary>Own places, from the cap's origin in its axes, m; empty: a layout.</summary>
    public IReadOnlyList<Contact.PlanPoint> At { get; init; } = [];

    /// <summary>Whether bottom bars lie closer over the rows of piles, within their size and twice the depth.</summary>
    public bool Banded { get; init; }

    /// <summary>Outline of a cap on three piles.</summary>
    public CapOutline Outline { get; init; }

    /// <summary>Strength of the shaft's concrete; null: not stated.</summary>
    public double? Strength { get; init; }

    /// <summary>Bars of the shaft; null: not stated.</summary>
    public BarSpec? Bars { get; init; }

    /// <summary>Ties of the shaft; null: not stated.</summary>
    public BarSpec? Ties { get; init; }

    /// <summary>Cover of the shaft's ties.</summary>
    public double Cover { get; init; } = 0.075;

    /// <summary>nh: rise of the lateral subgrade modulus of the ground with depth, kN/m3; null: not stated.</summary>
    public double? ModulusRise { get; init; }

    /// <summary>k: lateral subgrade modulus that is the same at all depths, kN/m3; null: not stated.</summary>
    public double? Modulus { get; init; }

    /// <summary>Where the capacities come from; empty: not stated.</summary>
    public string Source { get; init; } = "";

    /// <summary>
    /// Whether what a pile may carry is found from the layers of a ground: none is stated in compression, and the layers say something of
    /// piles.
    /// </summary>
    public bool IsFoundFrom(Ground.GroundRules ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        return Compression is null && ground.Layers.Any(l => l.HoldsPiles);
    }

    /// <summary>Whether their size is stated, and what they may carry is or can be found, without which no cap can be checked.</summary>
    public bool KnownIn(Ground.GroundRules ground) => Size is not null && (Compression is not null || IsFoundFrom(ground));

    /// <summary>Whether the shafts are of concrete.</summary>
    public bool IsConcrete => Made is PileMaking.Bored or PileMaking.DrivenConcrete;

    /// <summary>Size where it must be stated, m.</summary>
    /// <exception cref="InvalidOperationException">It is not.</exception>
    public double Side => Size ?? throw new InvalidOperationException("the size of the piles is not stated");

    /// <summary>What must be stated for the bending of a shaft to be checked; null: nothing is missing.</summary>
    /// <param name="foundation">The foundation whose rules these are.</param>
    public static string? MissingForBending(Foundations.Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var p = foundation.Rules.Piles;
        if (!p.IsConcrete)
        {
            return NotOfConcrete;
        }

        string[] keys = [.. new[] { p.Strength is null ? "strength" : "", p.Bars is null ? "bars" : "",
            p.ModulusRise is null && p.Modulus is null ? "modulus-rise or subgrade-modulus" : "",
            p.Length is null && !foundation.Places.All(x => p.IsFoundFrom(x.Ground)) ? "length" : "" }.Where(k => k.Length > 0)];
        return keys.Length == 0 ? null : "give [piles] " + string.Join(", ", keys);
    }

    /// <summary>What must be stated for the axial strength of a shaft to be checked; null: nothing is missing.</summary>
    /// <param name="foundation">The foundation whose rules these are.</param>
    public static string? MissingForAxial(Foundations.Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var p = foundation.Rules.Piles;
        return !p.IsConcrete ? NotOfConcrete : p.Strength is null ? "give [piles] strength" : null;
    }

    private const string NotOfConcrete = "shafts of steel and timber are not checked";

    /// <summary>Area of a pile's section, m2.</summary>
    public double Area => Shape == PileShape.Round ? Math.PI * Side * Side / 4 : Side * Side;

    /// <summary>Perimeter of its section, m.</summary>
    public double Perimeter => Shape == PileShape.Round ? Math.PI * Side : 4 * Side;

    /// <summary>Second moment of its area, m4.</summary>
    public double Inertia => Shape == PileShape.Round ? Math.PI * Math.Pow(Side, 4) / 64 : Math.Pow(Side, 4) / 12;

    /// <summary>Least distance of a pile's centre from the edge of the cap, m.</summary>
    public double ToEdge => (Side / 2) + Edge;

    /// <summary>
    /// Greatest distance by which the centroid of a group may lie out of place, m: that of one pile up to three, less with more.
    /// </summary>
    /// <param name="count">How many piles.</param>
    public double GroupDeviation(int count) => count <= 3 ? Deviation : Deviation / Math.Sqrt(count);
}
