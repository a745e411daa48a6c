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
        new En1992.En1992(National.NationalAnnex.Recommended),
    ];

    /// <summary>A code with the nationally determined values of a project; itself where it knows none.</summary>
    /// <param name="code">The code.</param>
    /// <param name="annex">The values.</param>
    public static ConcreteCode With(ConcreteCode code, National.NationalAnnex annex)
    {
        ArgumentNullException.ThrowIfNull(code);
        return code.Annex is null ? code : new En1992.En1992(annex);
    }

    /// <summary>The code with a key, or null.</summary>
    public static ConcreteCode? Find(string id) => Array.Find(All, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    /// <summary>The keys that work.</summary>
    public static IEnumerable<string> Ids => All.Select(c => c.Id);
}
