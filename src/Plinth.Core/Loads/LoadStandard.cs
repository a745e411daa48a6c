namespace Plinth.Core.Loads;

/// <summary>A load standard: what it names loads, and how it combines them.</summary>
public abstract class LoadStandard
{
    /// <summary>The standard's key in plinth.toml: "asce7-22".</summary>
    public abstract string Id { get; }

    /// <summary>Its name as cited: "ASCE 7-22".</summary>
    public abstract string Name { get; }

    /// <summary>The symbols that its cases may have.</summary>
    public abstract IReadOnlyList<LoadSymbol> Symbols { get; }

    /// <summary>The symbol that a surcharge on the ground takes.</summary>
    public virtual LoadCase Surcharge => new(LoadCase.SurchargeName, LoadSymbol.L);

    /// <summary>
    /// The cases of soil, water and surcharge behind walls: H and L (ASCE 7 2.3.1, 2.4.1), none of them to be counted on. Empty where the
    /// standard asks more of soil than factors on its cases, which is not done.
    /// </summary>
    public virtual IReadOnlyList<LoadCase> BehindWalls =>
    [
        new(LoadCase.EarthName, LoadSymbol.H) { IsBehindWall = true }, new(LoadCase.WaterName, LoadSymbol.H) { IsBehindWall = true },
        new(LoadCase.BehindName, LoadSymbol.L) { IsBehindWall = true },
    ];

    /// <summary>Makes its combinations over the cases of a project.</summary>
    internal abstract void Expand(Expansion expansion);
}

/// <summary>The load standards known, by key.</summary>
public static class LoadStandards
{
    private static readonly LoadStandard[] All = [new Asce710(), new Asce716(), new Asce722(), new En1990(), new OwnOnly()];

    /// <summary>The standard with a key, or null.</summary>
    public static LoadStandard? Find(string id) => Array.Find(All, s => string.Equals(s.Id, id, StringComparison.Ordinal));

    /// <summary>The keys that work.</summary>
    public static IEnumerable<string> Ids => All.Select(s => s.Id);

    private sealed class OwnOnly : LoadStandard
    {
        public override string Id => "own";

        public override string Name => "own combinations";

        public override IReadOnlyList<LoadSymbol> Symbols => Enum.GetValues<LoadSymbol>();

        internal override void Expand(Expansion expansion)
        {
        }
    }
}
