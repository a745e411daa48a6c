namespace Plinth.Core.Concrete.Codes;

/// <summary>The design codes known, by key.</summary>
public static class ConcreteCodes
{
    private static readonly ConcreteCode[] All =
    [
        new Aci318.Aci31814(Aci318.AciEdition.InchPound),
        new Aci318.Aci31819(Aci318.AciEdition.InchPound),
        new Aci318.Aci31814(Aci318.AciEdition.Metric),
        new Aci318.Aci31819(Aci318.AciEdition.Metric),
    ];

    /// <summary>The code with a key, or null.</summary>
    public static ConcreteCode? Find(string id) => Array.Find(All, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    /// <summary>The keys that work.</summary>
    public static IEnumerable<string> Ids => All.Select(c => c.Id);
}
