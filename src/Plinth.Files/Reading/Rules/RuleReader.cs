using Plinth.Core.Concrete;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>
/// Reads the tables of rules. What a table does not say falls through to the rules given: the defaults, or the project's own for a
/// foundation.
/// </summary>
internal static class RuleReader
{
    public static Core.Ground.StabilityRules Stability(TableReader t, Core.Ground.StabilityRules basis)
    {
        var result = new Core.Ground.StabilityRules(
            t.Number("sliding", basis.Sliding),
            t.Number("overturning", basis.Overturning),
            t.Number("uplift", basis.Uplift),
            t.Number("counteracting", basis.Counteracting),
            Share(t, "contact", basis.Contact),
            Share(t, "contact-transient", basis.ContactTransient),
            Share(t, "contact-counteracting", basis.ContactCounteracting),
            t.Flag("variable-resists", basis.VariableResists))
        {
            Flotation = t.Number("flotation", basis.Flotation),
        };
        t.Done();
        return result;
    }

    public static ConcreteRules Concrete(TableReader t, ConcreteRules basis)
    {
        var result = new ConcreteRules(
            CodeReader.Strength(t, "strength", basis.Strength, true),
            t.Quantity("weight", Measure.UnitWeight, basis.Weight),
            t.Quantity("cover-bottom", Measure.Length, basis.CoverBottom),
            t.Quantity("cover-side", Measure.Length, basis.CoverSide),
            t.Quantity("cover-top", Measure.Length, basis.CoverTop),
            t.Quantity("aggregate", Measure.Length, basis.Aggregate, Sign.Positive),
            t.Quantity("blinding", Measure.Length, basis.Blinding),
            t.Choice("pressure", basis.Pressure, ("net", SectionPressure.Net), ("gross", SectionPressure.Gross)),
            t.Number("lightweight", basis.Lightweight, Sign.Positive),
            t.NumberOrNull("shear-phi", Sign.Positive) ?? basis.ShearPhi)
        {
            BlindingBeyond = t.Quantity("blinding-beyond", Measure.Length, basis.BlindingBeyond),
            CrackWidth = t.QuantityOrNull("crack-width", Measure.Length, Sign.Positive) ?? basis.CrackWidth,
            Exposure = CodeReader.Exposed(t, basis.Exposure),
        };
        if (result.Lightweight > 1)
        {
            t.Fault("lightweight", "lightweight is λ, at most 1.0 (normal-weight concrete)");
        }

        t.Done();
        return result;
    }

    public static SteelRules Steel(TableReader t, SteelRules basis, DiagnosticBag bag)
    {
        var spacing = t.Range("spacing", Measure.Length, (basis.LeastSpacing, basis.MostSpacing));
        var bars = Sizes(t, "bars", bag) ?? basis.Bars;
        t.Default("bars", string.Join(", ", bars.Select(b => b.Name)));
        var preferred = Sizes(t, "prefer", bag) ?? basis.Preferred;
        var top = Sizes(t, "top-bars", bag) ?? basis.TopBars;
        foreach (var size in preferred.Where(p => !bars.Contains(p) && !top.Contains(p)))
        {
            t.Fault("prefer", $"prefer names {size.Name}, which is not among bars; add it there");
        }

        var result = new SteelRules(
            CodeReader.Strength(t, "yield", basis.Yield, false),
            bars,
            spacing.Item1,
            spacing.Item2,
            t.Choice("top-steel", basis.TopSteel, ("demand", TopSteel.Demand), ("least", TopSteel.Least), ("none", TopSteel.None)),
            t.Choice("lower-layer", basis.LowerLayer, ("longer", LowerLayer.Longer), ("x", LowerLayer.X), ("y", LowerLayer.Y)))
        {
            PunchingSteel = t.Flag("punching-steel", basis.PunchingSteel),
            CrossSpread = t.Number("cross-spread", basis.CrossSpread, Sign.Positive),
            Curtail = t.Number("curtail", basis.Curtail, Sign.Positive),
            ZoneStirrups = t.Number("zone-stirrups", basis.ZoneStirrups, Sign.Positive),
            CrackSpacing = t.Flag("crack-spacing", basis.CrackSpacing),
            AnchorageExcess = t.Flag("anchorage-excess", basis.AnchorageExcess),
            PlainTop = t.Flag("plain-top", basis.PlainTop),
            MomentTransfer = t.Flag("moment-transfer", basis.MomentTransfer),
            Banded = t.Choice("short-way", basis.Banded, ("even", false), ("band", true)),
            Preferred = preferred,
            TopBars = top,
            BothWaysAlike = Alike(t, basis.BothWaysAlike),
            SpacingStep = SpacingStep(t, basis, bars),
        };
        Share("curtail", result.Curtail, "the bars along a strip that curtailed ones must save, at most 1 (bars run through)");
        Share("zone-stirrups", result.ZoneStirrups, "the stirrups of a rib that closer ones about columns alone must save, at most 1 (all "
            + "stand alike)");
        t.Done();
        return result;

        void Share(string key, double value, string what)
        {
            if (value > 1)
            {
                t.Fault(key, $"{key} is the share of {what}; write for example {key} = 0.1");
            }
        }
    }

    // A word, or true and false as older projects have it.
    private static AlikeBars Alike(TableReader t, AlikeBars basis)
    {
        const string key = "both-ways-alike";
        return t.Node(key)?.Value is bool
            ? t.Flag(key, false) ? AlikeBars.Always : AlikeBars.Never
            : t.Choice(key, basis, ("never", AlikeBars.Never), ("square", AlikeBars.Square), ("always", AlikeBars.Always));
    }

    // Bars are counted, or stand at whole steps of spacing.
    private static double? SpacingStep(TableReader t, SteelRules basis, IReadOnlyList<BarSize> bars)
    {
        var spaced = t.Choice("layout", basis.SpacingStep is not null, ("count", false), ("spacing", true));
        var step = t.Quantity("spacing-step", Measure.Length, basis.SpacingStep ?? (bars[0].IsUs ? 0.0254 : 0.025), Sign.Positive);
        return spaced ? step : null;
    }

    public static SizingRules Sizing(TableReader t, SizingRules basis)
    {
        var range = t.Inner("range");
        var plan = range.Range("plan", Measure.Length, (basis.LeastPlan, basis.MostPlan));
        var thickness = range.Range("thickness", Measure.Length, (basis.LeastThickness, basis.MostThickness));
        range.Done();
        var round = t.Inner("round");
        var planStep = round.Quantity("plan", Measure.Length, basis.PlanStep, Sign.Positive);
        var thicknessStep = round.Quantity("thickness", Measure.Length, basis.ThicknessStep, Sign.Positive);
        round.Done();
        if ((plan.Item2 - plan.Item1) / planStep > 5000 || (thickness.Item2 - thickness.Item1) / thicknessStep > 5000)
        {
            t.Fault("round", "the steps of round are too fine for the range: more than 5000 of them");
            planStep = basis.PlanStep;
            thicknessStep = basis.ThicknessStep;
        }

        var result = new SizingRules(
            t.Choice("shape", basis.Shape, ("square", PlanShape.Square), ("rectangular", PlanShape.Rectangular)),
            plan.Item1,
            plan.Item2,
            thickness.Item1,
            thickness.Item2,
            planStep,
            thicknessStep,
            t.Number("aspect", basis.Aspect, Sign.Positive),
            t.Number("target", basis.Target, Sign.Positive))
        {
            Ratio = t.NumberOrNull("ratio", Sign.Positive) ?? basis.Ratio,
            LeastOverhang = t.Quantity("overhang", Measure.Length, basis.LeastOverhang),
        };
        if (t.Has("ratio") && t.Has("shape"))
        {
            t.Fault("ratio", "ratio (length over width, held) and shape are both given; keep one");
        }

        if (result.Aspect < 1)
        {
            t.Fault("aspect", "aspect is the longer over the shorter side, at least 1");
        }

        if (result.Target > 1)
        {
            t.Fault("target", "target is the highest utilisation sizing may leave, at most 1");
        }

        t.Done();
        return result;
    }

    public static CarbonFactors Carbon(TableReader t)
    {
        var result = new CarbonFactors(t.NumberOrNull("concrete", Sign.Positive), t.NumberOrNull("blinding", Sign.Positive),
            t.NumberOrNull("steel", Sign.Positive));
        t.Done();
        return result;
    }

    public static RateRules Rates(TableReader t, RateRules basis)
    {
        var result = new RateRules(t.Number("concrete", basis.Concrete), t.Number("steel", basis.Steel),
            t.Number("excavation", basis.Excavation), t.Number("formwork", basis.Formwork), t.Number("pile", basis.Pile),
            t.Number("pile-each", basis.PileEach));
        t.Done();
        return result;
    }

    // Bar sizes by name, thinnest first; null if the key is absent.
    /// <summary>Sizes of bars under a key, rising; null where there are none or something was reported.</summary>
    internal static List<BarSize>? Sizes(TableReader t, string key, DiagnosticBag bag)
    {
        if (t.Texts(key) is not { } names)
        {
            return null;
        }

        var read = new List<BarSize>();
        foreach (var (text, place) in names)
        {
            if (!BarSize.TryParse(text, out var size))
            {
                bag.Error(place,
                    $"\"{text}\" is not a bar size; metric sizes are {string.Join(", ", BarSize.MetricSizes.Select(b => b.Name))}; US "
                        + $"sizes {string.Join(", ", BarSize.UsSizes.Select(b => b.Name))}");
            }
            else if (!read.Contains(size))
            {
                read.Add(size);
            }
        }

        if (names.Count == 0)
        {
            t.Fault(key, $"{key} names no size; write for example {key} = [\"T12\", \"T16\"]");
        }

        return read.Count > 0 ? [.. read.OrderBy(b => b.Diameter)] : null;
    }

    internal static double Share(TableReader t, string key, double fallback)
    {
        var value = t.Number(key, fallback);
        if (value > 1)
        {
            t.Fault(key, $"{key} is a share of the base, at most 1");
        }

        return value;
    }
}
