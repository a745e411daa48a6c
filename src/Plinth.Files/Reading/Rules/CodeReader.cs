using System.Globalization;
using System.Text.RegularExpressions;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Concrete.Codes.En1992;
using Plinth.Core.Ground;
using Plinth.Core.National;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads what a concrete code leaves to the project, and refuses what does nothing under it.</summary>
internal static partial class CodeReader
{
    private static readonly string[] ConcreteOfAci = ["lightweight", "shear-phi"];
    private static readonly string[] SteelOfAci = ["punching-steel", "crack-spacing", "anchorage-excess", "moment-transfer"];
    private static readonly string[] ConcreteOfEurocode = ["crack-width", "exposure", "structural-class"];

    /// <summary>Whether a code takes nationally determined values.</summary>
    public static bool IsEurocode(ConcreteCode? code) => code?.Annex is not null;

    /// <summary>Reads [annex]: each value where the code that knows it is in force.</summary>
    /// <param name="t">[annex].</param>
    /// <param name="ground">Whether the ground is designed by limit states.</param>
    /// <param name="code">The concrete code.</param>
    public static NationalAnnex Annex(TableReader t, bool ground, ConcreteCode? code)
    {
        var own = new Dictionary<string, double>(StringComparer.Ordinal);
        Read(NationalAnnex.OfGround, ground, $"[ground] design = \"{LimitStateDesign.Id}\"");
        Read(NationalAnnex.OfConcrete, IsEurocode(code), $"[project] code = \"{En1992.Key}\"");
        t.Done();
        return new NationalAnnex(own);

        void Read(IReadOnlyList<NationalValue> values, bool known, string without)
        {
            foreach (var value in values)
            {
                if (known && t.Number(value.Key, value.Recommended, value.MayBeNil ? Sign.NotNegative : Sign.Positive) is var stated
                    && t.Has(value.Key))
                {
                    own[value.Key] = stated;
                }
                else if (!known && t.Has(value.Key))
                {
                    t.Fault(value.Key, $"{value.Key} does nothing without {without}; write that, or delete it");
                }
            }
        }
    }

    /// <summary>Refuses keys of [concrete] and [steel] that do nothing under a code.</summary>
    public static void Agree(TableReader concrete, TableReader steel, ConcreteCode? code)
    {
        if (code is null)
        {
            return;
        }

        var eurocode = IsEurocode(code);
        Refuse(concrete, eurocode ? ConcreteOfAci : ConcreteOfEurocode);
        Refuse(steel, eurocode ? SteelOfAci : []);

        void Refuse(TableReader t, IReadOnlyList<string> keys)
        {
            foreach (var key in keys)
            {
                t.Forget(key);
                if (t.Has(key))
                {
                    t.Fault(key, $"{key} does nothing under {code.Name}; " + key switch
                    {
                        "crack-spacing" => "write [concrete] crack-width, or delete it",
                        "crack-width" => "write [steel] crack-spacing = true, or delete it",
                        _ => "delete it",
                    });
                }
            }
        }
    }

    /// <summary>A strength as a pressure, or by its class: "C30/37" of concrete, "B500" of steel.</summary>
    public static double Strength(TableReader t, string key, double basis, bool ofConcrete)
    {
        if (t.Node(key) is not { Value: string text }
            || (ofConcrete ? ConcreteClass() : SteelClass()).Match(text.Trim()) is not { Success: true } m)
        {
            return t.Quantity(key, Measure.Pressure, basis, Sign.Positive);
        }

        var (fck, cube) = (double.Parse(m.Groups[1].ValueSpan, CultureInfo.InvariantCulture), ofConcrete ? m.Groups[2].Value : "");
        if (ofConcrete && !Array.Exists(Classes, c => c.Cylinder == fck && c.Cube.ToString(CultureInfo.InvariantCulture) == cube))
        {
            t.Fault(key, $"{key} = \"{text}\" is no class of table 3.1; write one of "
                + string.Join(", ", Classes.Select(c => FormattableString.Invariant($"C{c.Cylinder}/{c.Cube}")))
                + ", or a strength as \"30 MPa\"");
            return basis;
        }

        return t.Keep(key, fck * 1000, fck * 1000, Measure.Pressure);
    }

    /// <summary>The same of concrete; null where none is stated.</summary>
    public static double? StrengthOrNull(TableReader t, string key) =>
        Strength(t, key, double.NaN, true) is var value && double.IsNaN(value) ? null : value;

    // Table 3.1: strength of cylinders, and of cubes.
    private static readonly (int Cylinder, int Cube)[] Classes =
    [
        (12, 15), (16, 20), (20, 25), (25, 30), (30, 37), (35, 45), (40, 50), (45, 55), (50, 60), (55, 67), (60, 75), (70, 85), (80, 95),
        (90, 105),
    ];

    /// <summary>The exposure that the covers are held against; null: none is stated.</summary>
    public static Exposure? Exposed(TableReader t, Exposure? basis)
    {
        var word = t.Text("exposure");
        var found = word is null ? null : Exposure.Find(word.Trim());
        if (word is not null && found is null)
        {
            t.Fault("exposure", $"exposure = \"{word}\" is not known; {Nearest.OneOf(word, Exposure.Names)}");
        }

        found ??= basis;
        var stated = t.Text("structural-class");
        if (stated is null)
        {
            return found;
        }

        if (found is null)
        {
            t.Fault("structural-class", "structural-class does nothing without exposure; write for example exposure = \"XC2\"");
            return null;
        }

        if (stated.Trim() is ['S', >= '1' and <= '6' and var number])
        {
            return found with { StructuralClass = number - '0' };
        }

        t.Fault("structural-class", $"structural-class = \"{stated}\" is not known; write \"S1\" to \"S6\", \"S4\" for 50 years");
        return found;
    }

    /// <summary>Warns of covers that are less than the exposure asks, or than what concrete on the ground has (4.4.1).</summary>
    public static void Covers(TableReader t, ConcreteRules concrete, SteelRules steel, ConcreteCode? code, DiagnosticBag bag)
    {
        if (code?.Annex is not { } annex)
        {
            return;
        }

        var thickest = steel.Bars.Concat(steel.TopBars).Max(b => b.Diameter);
        foreach (var (key, cover, ground) in (ReadOnlySpan<(string, double, bool)>)[("cover-bottom", concrete.CoverBottom, true),
            ("cover-side", concrete.CoverSide, false), ("cover-top", concrete.CoverTop, false)])
        {
            var least = CoverOf.Least(annex, concrete.Exposure, thickest, ground, concrete.Blinding > 0);
            if (cover < least.Cover - 1e-9)
            {
                bag.Warning(t.PlaceOf(key), FormattableString.Invariant(
                    $"{key} = {cover * 1000:0} mm is less than {least.Cover * 1000:0} mm: {least.Reason} ({code.Name} 4.4.1)"), "cover");
            }
        }
    }

    [GeneratedRegex("^C([0-9]+)/([0-9]+)$")]
    private static partial Regex ConcreteClass();

    [GeneratedRegex("^B([0-9]{3})[ABC]?$")]
    private static partial Regex SteelClass();
}
