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

    /// <summary>Uplift, flotation, sliding, overturning.</summary>
    Stability = 2,

    /// <summary>Settlement.</summary>
    Settlement = 4,

    /// <summary>Strength of the concrete.</summary>
    Concrete = 8,

    /// <summary>Crack widths.</summary>
    Crack = 16,
}
