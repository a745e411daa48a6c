using System.Text.RegularExpressions;

namespace Plinth.Core.Loads;

/// <summary>What an engineer states of results that the analysis has combined already.</summary>
/// <param name="For">The families they are for.</param>
/// <param name="Weights">Factor that base, soil and pedestal take beside them.</param>
/// <param name="Transient">Whether they hold wind or earthquake.</param>
public sealed record CombinedResult(Family For, double Weights, bool Transient);

/// <summary>One load case of the analysis.</summary>
/// <param name="Name">Its name in the reactions table.</param>
/// <param name="Symbol">Its nature; null for results combined beforehand.</param>
/// <param name="Reversible">Whether it may act with either sign.</param>
/// <param name="Alternatives">Cases that share this word exclude each other; null: it adds to the others of its symbol.</param>
/// <param name="Permanent">For H: whether it is always there and so may be counted on.</param>
public sealed partial record LoadCase(string Name, LoadSymbol? Symbol, bool Reversible = false, string? Alternatives = null,
    bool Permanent = false)
{
    /// <summary>The case that stands for the surcharge on the ground over a base.</summary>
    public const string SurchargeName = "SURCHARGE";

    /// <summary>The case of the pressure of the soil behind walls.</summary>
    public const string EarthName = "EARTH";

    /// <summary>The case of the pressure of the water in that soil.</summary>
    public const string WaterName = "WATER";

    /// <summary>The case of what stands on that soil.</summary>
    public const string BehindName = "SURCHARGE-WALL";

    /// <summary>
    /// What the rows of a grid weigh too much where two of them cover the same ground: it acts on them alone and has no reactions.
    /// </summary>
    public static readonly LoadCase Crossing = new("CROSSING", LoadSymbol.D);

    /// <summary>
    /// Whether the case stands for what soil behind walls does; it acts on the footings of such walls alone and has no reactions.
    /// </summary>
    public bool IsBehindWall { get; init; }

    /// <summary>The axis that an earthquake case acts along; null: not said.</summary>
    public PlanAxis? Direction { get; init; }

    /// <summary>Category of an imposed action of EN 1990 (table A1.1), A to H; null for all else.</summary>
    public string? Category { get; init; }

    /// <summary>Whether an imposed action of EN 1990 may stay away where the others act, so that no help of it is counted on.</summary>
    public bool Free { get; init; }

    /// <summary>ψ0, ψ1, ψ2 of this case in place of its category's; null: the category's.</summary>
    public PsiFactors? OwnPsi { get; init; }

    /// <summary>For results combined beforehand: what they are; else null.</summary>
    public CombinedResult? Combined { get; init; }

    /// <summary>The signs of an unsigned result that this variant takes; null: the result has signs of its own.</summary>
    public SignPattern? Signs { get; init; }

    /// <summary>The case's name in the reactions table: that of the variants of an unsigned result is one.</summary>
    public string Source => Signs is null ? Name : Name[..Name.LastIndexOf('[')];

    /// <summary>
    /// Whether a name says that a case holds maxima or minima: each component is then the extreme of another moment, so that together they
    /// are no load.
    /// </summary>
    public static bool HoldsExtremes(string name) => Extremes().IsMatch(name);

    /// <summary>Whether stability may count on it: D, G, F and permanent H; combined results resist as a whole.</summary>
    public bool IsPermanent =>
        Symbol is LoadSymbol.D or LoadSymbol.G or LoadSymbol.F || (Symbol == LoadSymbol.H && Permanent) || Combined is not null;

    /// <summary>Whether the case stands for the surcharge.</summary>
    public bool IsSurcharge => string.Equals(Name, SurchargeName, StringComparison.Ordinal);

    /// <summary>Whether supports have reactions to it: else it stands for what lies on the ground or behind a wall.</summary>
    public bool HasReactions => !IsSurcharge && !IsBehindWall;

    [GeneratedRegex(@"(^|[^\p{L}])(max|min|maximum|minimum|maxima|minima|env|envelope|extreme)([^\p{L}]|$)", RegexOptions.IgnoreCase
        | RegexOptions.CultureInvariant)]
    private static partial Regex Extremes();

    /// <summary>
    /// The variants of an unsigned result, such as a response spectrum's: every pattern of signs of N, of Fx with My, and of Fy with Mx.
    /// Each variant is
    /// reversible, which gives the other half of the patterns.
    /// </summary>
    public IEnumerable<LoadCase> SpectrumVariants() =>
        SignPattern.All.Select(p => this with { Name = $"{Name}[{p}]", Reversible = true, Signs = p });
}

/// <summary>Signs that an unsigned result is given, beside N downwards.</summary>
/// <param name="X">Sign of Fx and of the moment My that tips the same way: +1 or −1.</param>
/// <param name="Y">Sign of Fy and of the moment −Mx that tips the same way: +1 or −1.</param>
public sealed record SignPattern(int X, int Y)
{
    /// <summary>The four patterns beside N downwards.</summary>
    public static readonly IReadOnlyList<SignPattern> All = [new(1, 1), new(1, -1), new(-1, 1), new(-1, -1)];

    /// <summary>The action of this pattern: shear and moment of a pair tip the same way, as a column bent by its own shear does.</summary>
    /// <param name="a">The unsigned action; signs in it are not read.</param>
    public SupportAction Of(in SupportAction a) =>
        new(Math.Abs(a.N), X * Math.Abs(a.Fx), Y * Math.Abs(a.Fy), -Y * Math.Abs(a.Mx), X * Math.Abs(a.My), Math.Abs(a.Mz));

    /// <summary>As it stands in names: "+−" of the x pair and the y pair.</summary>
    public override string ToString() => (X > 0 ? "+" : "-") + (Y > 0 ? "+" : "-");
}

/// <summary>Combination factors of a variable action (EN 1990 4.1.3, table A1.1).</summary>
/// <param name="Combination">ψ0.</param>
/// <param name="Frequent">ψ1.</param>
/// <param name="QuasiPermanent">ψ2.</param>
public sealed record PsiFactors(double Combination, double Frequent, double QuasiPermanent);
