namespace Plinth.Core.Loads;

/// <summary>The nature of a load, by the symbol that the load standard gives it: ASCE 7 2.2, EN 1990 1.6.</summary>
public enum LoadSymbol
{
    /// <summary>Dead load.</summary>
    D,

    /// <summary>Live load.</summary>
    L,

    /// <summary>Roof live load.</summary>
    Lr,

    /// <summary>Snow load.</summary>
    S,

    /// <summary>Rain load.</summary>
    R,

    /// <summary>Wind load, at strength level.</summary>
    W,

    /// <summary>Earthquake load, at strength level, without its vertical part.</summary>
    E,

    /// <summary>Load by lateral earth, ground-water or bulk pressure.</summary>
    H,

    /// <summary>Load by fluids with defined pressure and highest level.</summary>
    F,

    /// <summary>Self-straining load (ASCE 7: only in own combinations) or thermal action (EN 1990).</summary>
    T,

    /// <summary>Permanent action of EN 1990.</summary>
    G,

    /// <summary>Imposed variable action of EN 1990, with a category.</summary>
    Q,

    /// <summary>Accidental action of EN 1990.</summary>
    A,
}

/// <summary>The axis of plan that an earthquake case acts along.</summary>
public enum PlanAxis
{
    /// <summary>Along x.</summary>
    X,

    /// <summary>Along y.</summary>
    Y,
}

/// <summary>The families of checks that a combination is for.</summary>
[Flags]
public enum Family
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>Bearing and contact.</summary>
    Ground = 1,

    /// <summary>Sliding.</summary>
    Sliding = 2,

    /// <summary>Settlement.</summary>
    Settlement = 4,

    /// <summary>Strength of the concrete.</summary>
    Concrete = 8,

    /// <summary>Crack widths.</summary>
    Crack = 16,

    /// <summary>Overturning.</summary>
    Overturning = 32,

    /// <summary>Uplift and flotation.</summary>
    Uplift = 64,

    /// <summary>Uplift, flotation, sliding, overturning.</summary>
    Stability = Sliding | Overturning | Uplift,

    /// <summary>Every family.</summary>
    All = Ground | Stability | Settlement | Concrete | Crack,
}

/// <summary>Families of checks in words, as files and outputs have them.</summary>
public static class FamilyWords
{
    /// <summary>A number above that of any set of families.</summary>
    internal const int Count = 128;

    /// <summary>Every word with what it stands for; "stability" is all of its three.</summary>
    public static IReadOnlyList<(string Word, Family Family)> All { get; } =
    [
        ("ground", Family.Ground), ("stability", Family.Stability), ("sliding", Family.Sliding), ("overturning", Family.Overturning),
        ("uplift", Family.Uplift), ("settlement", Family.Settlement), ("concrete", Family.Concrete), ("crack", Family.Crack),
    ];

    /// <summary>A set of families in as few words as tell it.</summary>
    public static IEnumerable<string> Of(Family families)
    {
        foreach (var (word, family) in All)
        {
            if (families.HasFlag(family))
            {
                yield return word;
                families &= ~family;
            }
        }
    }
}
