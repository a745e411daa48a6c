namespace Plinth.Core.Ground;

/// <summary>A value that the Eurocodes leave to each nation.</summary>
/// <param name="Key">Its key in [annex].</param>
/// <param name="Recommended">The value that the standard recommends.</param>
/// <param name="Clause">Where the standard gives it.</param>
/// <param name="Meaning">What it is.</param>
public sealed record NationalValue(string Key, double Recommended, string Clause, string Meaning);

/// <summary>The nationally determined values in force: those recommended where the project states no others.</summary>
public sealed class NationalAnnex
{
    private const string Soil = "EN 1997-1 table A.4";
    private const string Resistance = "EN 1997-1 table A.5";
    private const string Seismic = "EN 1998-5 3.1(3)";

    private readonly IReadOnlyDictionary<string, double> own;

    /// <summary>Makes it.</summary>
    /// <param name="own">Values of the nation or the project, by key.</param>
    public NationalAnnex(IReadOnlyDictionary<string, double> own)
    {
        ArgumentNullException.ThrowIfNull(own);
        this.own = own;
    }

    /// <summary>All values, in the order of results.</summary>
    public static IReadOnlyList<NationalValue> All { get; } =
    [
        new("gamma-phi-m1", 1.0, Soil, "γφ' of set M1, on tan φ'"), new("gamma-c-m1", 1.0, Soil, "γc' of set M1"),
        new("gamma-cu-m1", 1.0, Soil, "γcu of set M1"),
        new("gamma-phi-m2", 1.25, Soil, "γφ' of set M2, on tan φ'"), new("gamma-c-m2", 1.25, Soil, "γc' of set M2"),
        new("gamma-cu-m2", 1.4, Soil, "γcu of set M2"),
        new("gamma-rv-r1", 1.0, Resistance, "γR;v of set R1, bearing"), new("gamma-rh-r1", 1.0, Resistance, "γR;h of set R1, sliding"),
        new("gamma-re-r1", 1.0, "EN 1997-1 table A.13", "γR;e of set R1, earth resistance"),
        new("gamma-rv-r2", 1.4, Resistance, "γR;v of set R2, bearing"), new("gamma-rh-r2", 1.1, Resistance, "γR;h of set R2, sliding"),
        new("gamma-re-r2", 1.4, "EN 1997-1 table A.13", "γR;e of set R2, earth resistance"),
        new("gamma-phi-equ", 1.25, "EN 1997-1 table A.2", "γφ' of static equilibrium, on tan φ' of soil behind walls"),
        new("gamma-phi-seis", 1.25, Seismic, "γφ' in seismic situations, on tan φ'"),
        new("gamma-c-seis", 1.25, "as γφ' of " + Seismic, "γc' in seismic situations"),
        new("gamma-cu-seis", 1.4, Seismic, "γcu in seismic situations"),
        new("sliding-limit", 0.4, "EN 1997-1 6.5.3(12), eq. 6.5", "greatest undrained resistance to sliding over Vd, base not sealed"),
    ];

    /// <summary>That of the recommended values alone.</summary>
    public static NationalAnnex Recommended { get; } = new(new Dictionary<string, double>(StringComparer.Ordinal));

    /// <summary>The value of a key.</summary>
    /// <param name="key">One of <see cref="All"/>.</param>
    /// <exception cref="KeyNotFoundException">There is no such value.</exception>
    public double this[string key] => own.TryGetValue(key, out var value) ? value
        : All.FirstOrDefault(v => v.Key == key)?.Recommended ?? throw new KeyNotFoundException(key);

    /// <summary>Whether the project states a value of its own.</summary>
    /// <param name="key">One of <see cref="All"/>.</param>
    public bool IsOwn(string key) => own.ContainsKey(key);
}
