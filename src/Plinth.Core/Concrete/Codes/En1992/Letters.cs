using System.Collections.Frozen;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <summary>The letters of the Eurocodes for quantities that checks of all codes call by one name.</summary>
internal static class Letters
{
    /// <summary>By what checks call them.</summary>
    public static FrozenDictionary<string, string> All { get; } = new Dictionary<string, string>(StringComparer.Ordinal)
    {
        ["Mu"] = "MEd",
        ["φMn"] = "MRd",
        ["ΣφMn"] = "ΣMRd",
        ["Vu"] = "VEd",
        ["φVc"] = "VRd,c",
        ["φVn"] = "VRd",
        ["Pu"] = "NEd",
        ["φBn"] = "FRdu",
        ["φTn"] = "NRd",
        ["f'c"] = "fck",
        ["fy"] = "fyk",
        ["fyt"] = "fywk",
        ["db"] = "φ",
        ["Ab"] = "Aφ",
        ["Ag"] = "Ac",
        ["A1"] = "Ac0",
        ["A2"] = "Ac1",
        ["vu"] = "vEd",
        ["φvc"] = "vRd",
        ["φFn"] = "FRd",
        ["φFns"] = "FRd",
        ["φFnn"] = "FRd",
        ["φFnt"] = "FRd",
        ["φFs"] = "FRd,s",
        ["φPn"] = "NRd",
        ["φvnh"] = "vRdi",
        ["Avf"] = "As,i",
    }.ToFrozenDictionary(StringComparer.Ordinal);
}
