using System.Collections.Frozen;

namespace Plinth.Core.National;

/// <summary>A value that the Eurocodes leave to each nation.</summary>
/// <param name="Key">Its key in [annex].</param>
/// <param name="Recommended">The value that the standard recommends.</param>
/// <param name="Clause">Where the standard gives it.</param>
/// <param name="Meaning">What it is.</param>
public sealed record NationalValue(string Key, double Recommended, string Clause, string Meaning)
{
    /// <summary>Whether it may be nil.</summary>
    public bool MayBeNil { get; init; }
}

/// <summary>The nationally determined values in force: those recommended where the project states no others.</summary>
public sealed class NationalAnnex
{
    private const string Soil = "EN 1997-1 table A.4";
    private const string Resistance = "EN 1997-1 table A.5";
    private const string Seismic = "EN 1998-5 3.1(3)";
    private const string Concrete = "EN 1992-1-1 ";

    private readonly IReadOnlyDictionary<string, double> own;
    private readonly FrozenDictionary<string, double> values;

    /// <summary>Makes it.</summary>
    /// <param name="own">Values of the nation or the project, by key.</param>
    public NationalAnnex(IReadOnlyDictionary<string, double> own)
    {
        ArgumentNullException.ThrowIfNull(own);
        this.own = own;
        values = All.ToFrozenDictionary(v => v.Key, v => own.TryGetValue(v.Key, out var value) ? value : v.Recommended,
            StringComparer.Ordinal);
    }

    /// <summary>Those of EN 1997-1, in the order of results.</summary>
    public static IReadOnlyList<NationalValue> OfGround { get; } =
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

    /// <summary>Those of EN 1992-1-1, in the order of results.</summary>
    public static IReadOnlyList<NationalValue> OfConcrete { get; } =
    [
        new("gamma-c", 1.5, Concrete + "2.4.2.4(1)", "γC of concrete, persistent and transient situations"),
        new("gamma-s", 1.15, Concrete + "2.4.2.4(1)", "γS of reinforcing steel, persistent and transient situations"),
        new("gamma-c-acc", 1.2, Concrete + "2.4.2.4(1)", "γC in accidental situations"),
        new("gamma-s-acc", 1.0, Concrete + "2.4.2.4(1)", "γS in accidental situations"),
        new("alpha-cc", 1.0, Concrete + "3.1.6(1)", "αcc: long-term effects on compressive strength"),
        new("alpha-ct", 1.0, Concrete + "3.1.6(2)", "αct: the same on tensile strength"),
        new("alpha-ct-pl", 0.8, Concrete + "12.3.1(1)", "αct,pl of plain concrete"),
        new("c-rd-c", 0.18, Concrete + "6.2.2(1), 6.4.4(1)", "CRd,c times γC"),
        new("k1-shear", 0.15, Concrete + "6.2.2(1)", "k1: share of the axial stress that counts in shear") { MayBeNil = true },
        new("v-min", 0.035, Concrete + "6.2.2(1), 6.4.4(1)", "vmin over k^1.5·√fck"),
        new("nu", 0.6, Concrete + "6.2.2(6)", "ν over 1 − fck/250"),
        new("v-rd-max", 0.4, Concrete + "6.4.5(3)", "greatest stress of punching at the column over ν·fcd"),
        new("cot-theta-max", 2.5, Concrete + "6.2.3(2)", "flattest strut: cot θ"),
        new("k3-plain", 1.5, Concrete + "12.6.3(2)", "k: greatest over mean shear stress of a plain section"),
        new("k3-crack", 3.4, Concrete + "7.3.4(3)", "k3 of crack spacing, on the cover") { MayBeNil = true },
        new("k4-crack", 0.425, Concrete + "7.3.4(3)", "k4 of crack spacing, on the bars"),
        new("delta-c-dev", 0.010, Concrete + "4.4.1.3(1)", "Δcdev: allowance for deviation of the cover, m") { MayBeNil = true },
        new("cover-blinding", 0.040, Concrete + "4.4.1.3(4)", "k1: least nominal cover on prepared ground, m"),
        new("cover-ground", 0.075, Concrete + "4.4.1.3(4)", "k2: least nominal cover straight on the ground, m"),
        new("as-min-tension", 0.26, Concrete + "9.2.1.1(1)", "least steel over fctm/fyk·bt·d"),
        new("as-min-floor", 0.0013, Concrete + "9.2.1.1(1)", "least steel over bt·d, whatever the concrete"),
        new("slab-spacing", 0.400, Concrete + "9.3.1.1(3)", "greatest distance of main bars, m"),
        new("slab-spacing-h", 3, Concrete + "9.3.1.1(3)", "the same over the thickness"),
        new("column-steel-force", 0.10, Concrete + "9.5.2(2)", "least steel of a column over NEd/fyd") { MayBeNil = true },
        new("column-steel-least", 0.002, Concrete + "9.5.2(2)", "the same over Ac"),
        new("column-steel-most", 0.04, Concrete + "9.5.2(3)", "greatest steel of a column over Ac, outside laps"),
        new("link-spacing-bar", 20, Concrete + "9.5.3(3)", "greatest distance of links over the bar's diameter"),
        new("link-spacing", 0.400, Concrete + "9.5.3(3)", "greatest distance of links, m"),
        new("link-ratio", 0.08, Concrete + "9.2.2(5)", "least stirrups of beams over √fck/fyk"),
        new("stirrup-spacing", 0.75, Concrete + "9.2.2(6)", "greatest distance of stirrups over d"),
        new("leg-spacing", 0.75, Concrete + "9.2.2(8)", "greatest distance of stirrup legs across over d"),
        new("footing-bar", 0.008, Concrete + "9.8.2.1(1)", "least diameter of bars in footings and pile caps, m"),
    ];

    /// <summary>All values, in the order of results.</summary>
    public static IReadOnlyList<NationalValue> All { get; } = [.. OfGround, .. OfConcrete];

    /// <summary>That of the recommended values alone.</summary>
    public static NationalAnnex Recommended { get; } = new(new Dictionary<string, double>(StringComparer.Ordinal));

    /// <summary>The value of a key.</summary>
    /// <param name="key">One of <see cref="All"/>.</param>
    /// <exception cref="KeyNotFoundException">There is no such value.</exception>
    public double this[string key] => values[key];

    /// <summary>Whether the project states a value of its own.</summary>
    /// <param name="key">One of <see cref="All"/>.</param>
    public bool IsOwn(string key) => own.ContainsKey(key);
}
