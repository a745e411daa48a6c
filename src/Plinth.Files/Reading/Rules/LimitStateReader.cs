using Plinth.Core.Concrete.Codes;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads what design of the ground by limit states needs, and refuses what goes with allowable values.</summary>
internal static class LimitStateReader
{
    private static readonly string[] OfAllowable = ["sliding", "overturning", "uplift", "flotation", "counteracting", "contact-transient",
        "contact-counteracting", "variable-resists"];

    /// <summary>The design that [ground] asks for; null: allowable values.</summary>
    /// <param name="ground">[ground].</param>
    /// <param name="annexTable">[annex].</param>
    /// <param name="standard">The load standard; null: it is at fault already.</param>
    /// <param name="options">What the standard leaves to the project.</param>
    /// <param name="code">The concrete code; taken with the values of [annex] where it knows any.</param>
    public static LimitStateDesign? Read(TableReader ground, TableReader annexTable, LoadStandard? standard, LoadOptions options,
        ref ConcreteCode? code)
    {
        var byLimitStates = ground.Choice("design", false, ("allowable", false), (LimitStateDesign.Id, true));
        var annex = CodeReader.Annex(annexTable, byLimitStates, code);
        code = code is null ? null : ConcreteCodes.With(code, annex);
        if (!byLimitStates || standard is null)
        {
            return null;
        }

        if (standard is not En1990)
        {
            ground.Fault("design",
                $"design = \"{LimitStateDesign.Id}\" takes the limit states of EN 1990, and {standard.Name} has none; write [loads] "
                    + "standard = \"en1990\", or design = \"allowable\"");
            return null;
        }

        var approach = options.Eurocode.DesignApproach;
        if (approach == 3)
        {
            ground.Fault("design", "design approach 3, in which weights of ground and structure take factors of their own, is not built in "
                + "this version; write [loads] design-approach = 1 or 2, or design = \"allowable\"");
            return null;
        }

        return new LimitStateDesign(approach, annex);
    }

    /// <summary>In which combinations settlement is looked at: by limit states in the quasi-permanent one, or as [ground] says.</summary>
    public static LoadOptions Settling(TableReader ground, LoadOptions options, LimitStateDesign? design)
    {
        const string Key = "settlement-set";
        if (design is null)
        {
            if (ground.Has(Key))
            {
                ground.Fault(Key, $"{Key} does nothing without design = \"{LimitStateDesign.Id}\"; delete it");
            }

            return options;
        }

        var set = ground.Choice(Key, SettlementSet.QuasiPermanent, ("quasi-permanent", SettlementSet.QuasiPermanent),
            ("characteristic", SettlementSet.Characteristic));
        return options with { Eurocode = options.Eurocode with { Settlement = set } };
    }

    /// <summary>Holds what a table of the ground states against how it is designed.</summary>
    public static void Agree(TableReader t, GroundRules g)
    {
        if (g.Design is null)
        {
            foreach (var key in (ReadOnlySpan<string>)["bearing-resistance", "base-face", "base-sealed"])
            {
                if (t.Has(key))
                {
                    t.Fault(key, $"{key} does nothing without design = \"{LimitStateDesign.Id}\"; write that in [ground], or delete it");
                }
            }

            return;
        }

        // Of every ground, also one that replaces what it would inherit.
        foreach (var (key, example) in Lacking(g))
        {
            t.Missing(key, example);
        }

        foreach (var key in (ReadOnlySpan<string>)["bearing-transient", "adhesion"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} does nothing under design = \"{LimitStateDesign.Id}\""
                    + (key == "adhesion" ? ", which leaves cohesion along the base out (6.5.3(10)); delete it" : "; delete it"));
            }
        }

        if (g.SmoothFace && t.Has("base-face") && !double.IsNaN(g.Friction))
        {
            t.Fault("base-face", "base-face is for the angle found from critical-angle, and friction is stated; keep one");
        }
    }

    /// <summary>Refuses results combined beforehand whose limit state, and so the partial factors, nothing tells.</summary>
    public static void Agree(TableReader t, IEnumerable<LoadCase> cases, LimitStateDesign? design)
    {
        foreach (var c in design is null ? [] : cases.Where(c => c.Combined is { } r && (r.For & (Family.Ground | Family.Stability)) != 0))
        {
            t.Fault(c.Name, $"case \"{c.Name}\" is combined beforehand and belongs to no limit state, by which design = "
                + $"\"{LimitStateDesign.Id}\" chooses its partial factors; give the cases that it was combined from, or leave it to "
                + "\"concrete\", \"settlement\" or \"crack\"");
        }
    }

    // What a ground lacks for bearing and sliding of ultimate loads, and how to give it.
    private static IEnumerable<(string Key, string Example)> Lacking(GroundRules g)
    {
        if (g.Resistance is null && g.Capacity is null)
        {
            yield return ("bearing-resistance (design value, ultimate limit states)",
                "\"300 kPa\", or [ground.strength], from which it is found by Annex D");
        }

        if (double.IsNaN(g.Friction) && g.CriticalAngle is null && g.Capacity?.Undrained is null)
        {
            yield return ("[ground.strength] critical-angle", "\"30 deg\" (φcv, by which the base resists sliding), or [ground] friction, "
                + "a characteristic tan δ, or [ground.strength] undrained");
        }
    }

    /// <summary>Where the margin stands in partial factors no least factor is asked, nor a share of contact unless one is stated.</summary>
    public static StabilityRules Shares { get; } = new(1, 1, 1, 1, 0, 0, 0) { Flotation = 1 };

    /// <summary>Reads [stability], which by limit states knows a share of contact alone.</summary>
    public static StabilityRules Stability(TableReader t, StabilityRules basis, LimitStateDesign? design)
    {
        foreach (var key in OfAllowable)
        {
            if (design is not null && t.Has(key))
            {
                t.Fault(key, $"{key} does nothing under [ground] design = \"{LimitStateDesign.Id}\", whose partial factors stand in its "
                    + "place; delete it");
            }
        }

        if (design is null)
        {
            return RuleReader.Stability(t, basis);
        }

        // What is stated is asked of all characteristic loads, wind among them.
        var share = RuleReader.Share(t, "contact", basis.Contact);
        t.Done();
        return basis with { Contact = share, ContactTransient = share, ContactCounteracting = share };
    }
}
