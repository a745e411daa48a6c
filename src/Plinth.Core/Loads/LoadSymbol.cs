namespace Plinth.Core.Loads;

/// <summary>The nature of a load, by the symbol that ASCE 7 gives it (2.2).</summary>
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

    /// <summary>Self-straining load; only in own combinations.</summary>
    T,
}

/// <summary>The families of checks that a combination is for.</summary>
[Flags]
public enum Family
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>Bearing and contact.</summary>
    Ground = 1,

    /// <summary>Uplift, flotation, sliding, overturning.</summary>
    Stability = 2,

    /// <summary>Settlement.</summary>
    Settlement = 4,

    /// <summary>Strength of the concrete.</summary>
    Concrete = 8,

    /// <summary>Crack widths.</summary>
    Crack = 16,
}

/// <summary>One load case of the analysis.</summary>
/// <param name="Name">Its name in the reactions table.</param>
/// <param name="Symbol">Its nature.</param>
/// <param name="Reversible">Whether it may act with either sign.</param>
/// <param name="Alternatives">Cases that share this word exclude each other; null: it adds to the others of its symbol.</param>
/// <param name="Permanent">For H: whether it is always there and so may be counted on.</param>
public sealed record LoadCase(string Name, LoadSymbol Symbol, bool Reversible = false, string? Alternatives = null, bool Permanent = false)
{
    /// <summary>The case that stands for the surcharge on the ground over a base.</summary>
    public const string SurchargeName = "SURCHARGE";

    /// <summary>Whether the case always acts, so that stability may count on it: D, F and permanent H.</summary>
    public bool IsPermanent => Symbol is LoadSymbol.D or LoadSymbol.F || (Symbol == LoadSymbol.H && Permanent);

    /// <summary>Whether the case stands for the surcharge.</summary>
    public bool IsSurcharge => string.Equals(Name, SurchargeName, StringComparison.Ordinal);
}
