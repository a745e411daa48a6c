using System.Collections.Immutable;

namespace Plinth.Core.Loads;

/// <summary>A case and its factor in a combination.</summary>
/// <param name="Case">Index of the case in the project's list.</param>
/// <param name="Factor">Its factor, sign included.</param>
/// <param name="Tips">Its factor in uplift and overturning where it acts against the base.</param>
/// <param name="Holds">Its factor in uplift and overturning where it resists.</param>
public readonly record struct Term(int Case, double Factor, double Tips, double Holds)
{
    /// <summary>A term with one factor in all checks.</summary>
    public Term(int @case, double factor)
        : this(@case, factor, factor, factor)
    {
    }

    /// <summary>Whether uplift and overturning take another factor than the other checks.</summary>
    public bool Differs => Tips != Factor || Holds != Factor;

    /// <summary>The same case with all factors multiplied.</summary>
    public Term Times(double by) => new(Case, by * Factor, by * Tips, by * Holds);
}

/// <summary>The limit state that a combination of EN 1990 belongs to, by which EN 1997 and EN 1992 choose their partial factors.</summary>
public enum LimitState
{
    /// <summary>A standard that tells none apart.</summary>
    None,

    /// <summary>Loss of static equilibrium, set A.</summary>
    Equ,

    /// <summary>Uplift by water or other vertical actions.</summary>
    Upl,

    /// <summary>Strength of structure and ground, set B.</summary>
    SetB,

    /// <summary>Strength of structure and ground, set C.</summary>
    SetC,

    /// <summary>Accidental design situation.</summary>
    Accidental,

    /// <summary>Seismic design situation.</summary>
    Seismic,

    /// <summary>Characteristic combination of serviceability.</summary>
    Characteristic,

    /// <summary>Frequent combination of serviceability.</summary>
    Frequent,

    /// <summary>Quasi-permanent combination of serviceability.</summary>
    QuasiPermanent,
}

/// <summary>A factored sum of cases, for one or more families of checks.</summary>
/// <param name="Name">Unique: the set's letter and the standard's number, then every alternative taken; or the engineer's own.</param>
/// <param name="For">The families of checks it is for.</param>
/// <param name="Terms">Its cases with their factors, in order of case.</param>
/// <param name="WeightFactor">Factor on the weight of base, soil and pedestal.</param>
/// <param name="Transient">Whether it holds wind or earthquake.</param>
/// <param name="Counteracting">Whether it carries its margin within (0.6D): the least factor `counteracting` applies.</param>
/// <param name="Least">A least factor of its own, in place of all four; null: those of [stability].</param>
/// <param name="Clause">Where the standard states it; null for own combinations.</param>
/// <param name="Rule">The rule in words: "1.2D + W + L + 0.5(Lr|S|R)".</param>
public sealed record Combination(
    string Name,
    Family For,
    ImmutableArray<Term> Terms,
    double WeightFactor,
    bool Transient,
    bool Counteracting,
    double? Least,
    string? Clause,
    string Rule)
{
    /// <summary>The limit state it belongs to, where the standard tells them apart.</summary>
    public LimitState State { get; init; }

    /// <summary>
    /// Whether it is for the footings of walls that hold back soil alone; false: for all others; null: for both.
    /// </summary>
    public bool? BehindWalls { get; init; }

    /// <summary>Whether the combination is for a family.</summary>
    public bool IsFor(Family family) => (For & family) != 0;
}

/// <summary>A combination that the standard's rules led to, but that is not used, and why.</summary>
/// <param name="Name">The name it would have.</param>
/// <param name="Rule">The rule it comes from.</param>
/// <param name="Reason">Why it is left out.</param>
public sealed record DroppedCombination(string Name, string Rule, string Reason);

/// <summary>All combinations of a project and those left out.</summary>
public sealed class CombinationSet
{
    private readonly int[][] byFamily;

    /// <summary>Makes the set.</summary>
    /// <param name="used">In the order of the standard, own ones last.</param>
    /// <param name="dropped">What was left out, with the reason.</param>
    public CombinationSet(IEnumerable<Combination> used, IReadOnlyList<DroppedCombination> dropped)
    {
        Used = [.. used];
        Dropped = dropped;
        byFamily = [.. Enumerable.Range(0, FamilyWords.Count)
            .Select(f => Enumerable.Range(0, Used.Length).Where(k => Used[k].IsFor((Family)f)).ToArray())];
    }

    /// <summary>In the order of the standard, own ones last.</summary>
    public ImmutableArray<Combination> Used { get; }

    /// <summary>What was left out, with the reason.</summary>
    public IReadOnlyList<DroppedCombination> Dropped { get; }

    /// <summary>Those for the footings of walls that hold back soil, or those for all others.</summary>
    public CombinationSet Of(bool behindWalls)
    {
        if (Array.TrueForAll([.. Used], c => c.BehindWalls is null))
        {
            return this;
        }

        ref var own = ref behindWalls ? ref behind : ref others;
        return own ??= Where(c => c.BehindWalls is null || c.BehindWalls == behindWalls);
    }

    private CombinationSet? behind;
    private CombinationSet? others;

    /// <summary>The set without those that a test refuses.</summary>
    public CombinationSet Where(Func<Combination, bool> keeps) => new(Used.Where(keeps), Dropped);

    /// <summary>Indices of the combinations that are for any of several families.</summary>
    public ReadOnlySpan<int> For(Family family) => byFamily[(int)family];
}

/// <summary>An own combination as the engineer writes it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="For">The families it is for.</param>
/// <param name="SymbolFactors">Factors by symbol; W and E expand to all their alternatives.</param>
/// <param name="CaseFactors">Factors by case name, sign as written.</param>
/// <param name="Weights">Factor on the weights; null: D's factor.</param>
/// <param name="Transient">Null: transient if it holds W or E.</param>
/// <param name="Least">Least factor of its own; null: those of [stability].</param>
public sealed record OwnCombination(
    string Name,
    Family For,
    IReadOnlyDictionary<LoadSymbol, double> SymbolFactors,
    IReadOnlyDictionary<string, double> CaseFactors,
    double? Weights,
    bool? Transient,
    double? Least);
