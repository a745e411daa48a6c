using Plinth.Core.Concrete.Codes;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [loads] and [seismic]: the load standard and what it leaves to the project.</summary>
internal static class LoadsReader
{
    /// <summary>The standard; null if it is absent or not known.</summary>
    public static LoadStandard? Standard(TableReader t)
    {
        if (t.Text("standard") is not { } id)
        {
            if (!t.Has("standard"))
            {
                t.Missing("standard", "\"asce7-22\"");
            }

            return null;
        }

        var standard = LoadStandards.Find(id);
        if (standard is null)
        {
            t.Fault("standard", $"standard = \"{id}\" is not known; {Nearest.OneOf(id, LoadStandards.Ids)}");
        }

        return standard;
    }

    /// <summary>Says which codes do not belong together: every time, so that nobody takes the results for a design by one family.</summary>
    public static void Mixed(TableReader t, LoadStandard? standard, LimitStateDesign? design, ConcreteCode? code, DiagnosticBag bag)
    {
        if (CodeReader.IsEurocode(code))
        {
            var lacking = (standard is En1990
                    ? ""
                    : $"the combinations are of {standard?.Name ?? "another standard"}; write [loads] standard = \"en1990\"")
                + (standard is En1990 && design is null
                    ? $"the ground is held to allowable values; write [ground] design = \"{LimitStateDesign.Id}\""
                    : "");
            if (lacking.Length > 0)
            {
                bag.Warning(t.PlaceOf("standard"), $"the concrete is checked by {code!.Name}, but {lacking}", "code-mixed");
            }

            return;
        }

        if (standard is En1990)
        {
            var concrete = $"the concrete is checked by {code?.Name ?? "the code stated here"}; write [project] code = \"en1992\"";
            bag.Warning(t.PlaceOf("standard"),
                design is not null ? $"actions by EN 1990, the ground by {LimitStateDesign.Name}, but {concrete}"
                    : "combinations of EN 1990 are held against the allowable bearing and the least factors stated here; for the ground by "
                        + $"{LimitStateDesign.Name} write [ground] design = \"{LimitStateDesign.Id}\"; {concrete}", "code-mixed");
        }
    }

    /// <summary>The options of the standard in force; those of another are refused, for they would do nothing.</summary>
    public static LoadOptions Options(TableReader loads, TableReader seismic, LoadStandard? standard, DiagnosticBag bag)
    {
        var options = new LoadOptions(
            seismic.Number("sds", 0),
            seismic.Number("redundancy", 1, Sign.Positive),
            loads.Number("live-companion", 1, Sign.Positive))
        {
            LoadsNotActing = loads.Flag("loads-not-acting", true),
            PartialLive = loads.Flag("partial-live", false),
            Category = seismic.Choice<SeismicCategory?>("category", null,
                [.. Enum.GetValues<SeismicCategory>().Select(c => (c.ToString(), (SeismicCategory?)c))]),
            Orthogonal = seismic.Number("orthogonal", 0),
            OverturningReduction = seismic.Number("overturning-reduction", 0),
            VerticalAtSoil = seismic.Flag("vertical-at-soil", true),
            Eurocode = Eurocode(loads, bag),
        };
        if (options.LiveCompanion is not (0.5 or 1.0))
        {
            loads.Fault("live-companion", "live-companion is 1.0, or 0.5 where the standard allows it (ASCE 7 2.3.1)");
        }

        if (options.Orthogonal > 1)
        {
            seismic.Fault("orthogonal", "orthogonal is the share of the other direction, at most 1; write for example 0.3");
        }

        if (options.OverturningReduction > 0.25)
        {
            seismic.Fault("overturning-reduction", "overturning-reduction is at most 0.25 (ASCE 7 12.13.4)");
        }

        if (standard is not null)
        {
            var european = standard is En1990;
            Refuse(loads, standard, european, "live-companion", "loads-not-acting", "partial-live");
            Refuse(seismic, standard, european, "category", "sds", "redundancy", "overturning-reduction", "vertical-at-soil");
            Refuse(loads, standard, !european, "design-approach", "expression", "accidental-leading", "partial", "psi");
        }

        seismic.Done();
        return options;
    }

    private static void Refuse(TableReader t, LoadStandard standard, bool when, params ReadOnlySpan<string> keys)
    {
        foreach (var key in keys)
        {
            if (when && t.Has(key))
            {
                t.Fault(key, $"{key} does nothing under {standard.Id}; delete it");
            }
        }
    }

    private static EurocodeOptions Eurocode(TableReader t, DiagnosticBag bag)
    {
        var basis = new EurocodeOptions();
        var approach = t.Number("design-approach", basis.DesignApproach);
        if (approach is not (1 or 2 or 3))
        {
            t.Fault("design-approach", "design-approach is 1, 2 or 3 (EN 1997-1 2.4.7.3.4)");
            approach = 1;
        }

        var partial = t.Inner("partial");
        var options = basis with
        {
            DesignApproach = (int)approach,
            SplitExpression = t.Choice("expression", false, ("6.10", false), ("6.10ab", true)),
            AccidentalFrequent = t.Choice("accidental-leading", true, ("psi1", true), ("psi2", false)),
            Equ = Partial(partial, "EQU", basis.Equ),
            Upl = Partial(partial, "UPL", basis.Upl),
            SetB = Partial(partial, "B", basis.SetB, true),
            SetC = Partial(partial, "C", basis.SetC),
            Psi = Factors(t.Inner("psi"), basis.Psi, bag),
        };
        partial.Done();
        return options;
    }

    private static PartialFactors Partial(TableReader t, string set, PartialFactors basis, bool reduced = false)
    {
        var f = t.Inner(set);
        var result = new PartialFactors(
            f.Number("G-sup", basis.Unfavourable, Sign.Positive),
            f.Number("G-inf", basis.Favourable, Sign.Positive),
            f.Number("Q", basis.Variable),
            reduced ? f.Number("xi", basis.Reduction, Sign.Positive) : basis.Reduction);
        if (result.Favourable > result.Unfavourable)
        {
            f.Fault("G-inf", $"G-inf {result.Favourable} of set {set} is above G-sup {result.Unfavourable}; swap them");
        }

        f.Done();
        return result;
    }

    private static Dictionary<string, PsiFactors> Factors(TableReader t, IReadOnlyDictionary<string, PsiFactors> basis, DiagnosticBag bag)
    {
        var result = new Dictionary<string, PsiFactors>(basis, StringComparer.Ordinal);
        foreach (var (key, place, node) in t.All())
        {
            if (!basis.ContainsKey(key))
            {
                bag.Error(place, $"\"{key}\" has no ψ here; categories of Q are A to H, and S, W, T stand for themselves");
            }
            else if (Read(node) is { } psi)
            {
                result[key] = psi;
            }
            else
            {
                bag.Error(node.Place, $"psi.{key} needs ψ0, ψ1, ψ2 from 0 to 1; write for example {key} = [0.7, 0.5, 0.3]");
            }
        }

        return result;
    }

    /// <summary>ψ0, ψ1, ψ2 of a list; null if it is no such list.</summary>
    public static PsiFactors? Read(TomlNode node)
    {
        ArgumentNullException.ThrowIfNull(node);
        return node.Value is List<TomlNode> { Count: 3 } list && list.All(n => n.Value is double v && v is >= 0 and <= 1)
            ? new PsiFactors((double)list[0].Value!, (double)list[1].Value!, (double)list[2].Value!)
            : null;
    }
}
