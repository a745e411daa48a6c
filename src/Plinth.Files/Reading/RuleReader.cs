using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Ground;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads the tables of rules. What a table does not say falls through to the rules given: the defaults, or the project's own for a foundation.</summary>
internal static class RuleReader
{
    public static GroundRules Ground(TableReader t, GroundRules basis, string name)
    {
        var founding = t.QuantityOrNull("founding-depth", Measure.Length, Sign.Positive);
        var top = t.QuantityOrNull("top-depth", Measure.Length);
        if (founding is not null && top is not null)
        {
            t.Fault("top-depth", "founding-depth and top-depth are both given; keep one: the underside is held, or the top");
        }

        var stated = t.Has("founding-depth") || t.Has("top-depth");
        var method = t.Choice("bearing-method", basis.Method, ("corner", BearingMethod.Corner), ("reduced-area", BearingMethod.ReducedArea));
        var result = new GroundRules(
            name,
            t.Quantity("level", Measure.Length, basis.Level, Sign.Any),
            stated ? founding : basis.FoundingDepth,
            stated ? top : basis.TopDepth,
            t.Quantity("bearing", Measure.Pressure, basis.Bearing, Sign.Positive),
            t.Choice("bearing-basis", basis.Basis, ("gross", BearingBasis.Gross), ("net", BearingBasis.Net)),
            method,
            t.Number("bearing-transient", basis.TransientIncrease, Sign.Positive),
            t.Quantity("soil-weight", Measure.UnitWeight, basis.SoilWeight),
            t.Number("friction", basis.Friction),
            t.Quantity("adhesion", Measure.Pressure, basis.Adhesion),
            t.Number("passive-coefficient", basis.PassiveCoefficient),
            t.Quantity("surcharge", Measure.Pressure, basis.Surcharge));
        t.NotYet("soil-weight-saturated", "water-depth", "water-depth-low", "subgrade-modulus", "max-settlement", "passive-ignored-depth");
        t.Done();
        return result;
    }

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
            t.Flag("variable-resists", basis.VariableResists));
        t.NotYet("flotation");
        t.Done();
        return result;
    }

    public static ConcreteRules Concrete(TableReader t, ConcreteRules basis)
    {
        var result = new ConcreteRules(
            t.Quantity("strength", Measure.Pressure, basis.Strength, Sign.Positive),
            t.Quantity("weight", Measure.UnitWeight, basis.Weight),
            t.Quantity("cover-bottom", Measure.Length, basis.CoverBottom),
            t.Quantity("cover-side", Measure.Length, basis.CoverSide),
            t.Quantity("cover-top", Measure.Length, basis.CoverTop),
            t.Quantity("aggregate", Measure.Length, basis.Aggregate, Sign.Positive),
            t.Quantity("blinding", Measure.Length, basis.Blinding),
            t.Choice("pressure", basis.Pressure, ("net", SectionPressure.Net), ("gross", SectionPressure.Gross)),
            t.Number("lightweight", basis.Lightweight, Sign.Positive),
            t.NumberOrNull("shear-phi", Sign.Positive) ?? basis.ShearPhi);
        if (result.Lightweight > 1)
        {
            t.Fault("lightweight", "lightweight is λ, at most 1.0 (normal-weight concrete)");
        }

        t.Done();
        return result;
    }

    public static SteelRules Steel(TableReader t, SteelRules basis, DiagnosticBag bag)
    {
        var spacing = t.Range("spacing", Measure.Length) ?? (basis.LeastSpacing, basis.MostSpacing);
        var bars = basis.Bars;
        if (t.Texts("bars") is { } names)
        {
            var read = new List<BarSize>();
            foreach (var (text, place) in names)
            {
                if (!BarSize.TryParse(text, out var size))
                {
                    bag.Error(place, $"\"{text}\" is not a bar size; metric sizes are {string.Join(", ", BarSize.MetricSizes.Select(b => b.Name))}; US sizes {string.Join(", ", BarSize.UsSizes.Select(b => b.Name))}");
                }
                else if (!read.Contains(size))
                {
                    read.Add(size);
                }
            }

            if (read.Count == 0 && names.Count == 0)
            {
                t.Fault("bars", "bars names no size; write for example bars = [\"T12\", \"T16\"]");
            }

            bars = read.Count > 0 ? [.. read.OrderBy(b => b.Diameter)] : bars;
        }

        var result = new SteelRules(
            t.Quantity("yield", Measure.Pressure, basis.Yield, Sign.Positive),
            bars,
            spacing.Item1,
            spacing.Item2,
            t.Choice("top-steel", basis.TopSteel, ("demand", TopSteel.Demand), ("least", TopSteel.Least), ("none", TopSteel.None)),
            t.Choice("lower-layer", basis.LowerLayer, ("longer", LowerLayer.Longer), ("x", LowerLayer.X), ("y", LowerLayer.Y)));
        if (t.Choice("short-way", "even", ("even", "even"), ("band", "band")) == "band")
        {
            t.Fault("short-way", "short-way = \"band\" is known but does nothing yet in this version; write \"even\"");
        }

        t.NotYet("punching-steel", "crack-spacing", "anchorage-excess");
        t.Done();
        return result;
    }

    public static SizingRules Sizing(TableReader t, SizingRules basis)
    {
        var range = t.Inner("range");
        var plan = range.Range("plan", Measure.Length) ?? (basis.LeastPlan, basis.MostPlan);
        var thickness = range.Range("thickness", Measure.Length) ?? (basis.LeastThickness, basis.MostThickness);
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
            t.Number("target", basis.Target, Sign.Positive));
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

    public static RateRules Rates(TableReader t, RateRules basis)
    {
        var result = new RateRules(t.Number("concrete", basis.Concrete), t.Number("steel", basis.Steel), t.Number("excavation", basis.Excavation), t.Number("formwork", basis.Formwork));
        t.Done();
        return result;
    }

    /// <summary>The rules of a foundation: its own tables over the project's.</summary>
    public static RuleSet Over(TableReader t, RuleSet basis, DiagnosticBag bag) => new(
        Ground(t.Inner("ground"), basis.Ground, basis.Ground.Name),
        Stability(t.Inner("stability"), basis.Stability),
        Concrete(t.Inner("concrete"), basis.Concrete),
        Steel(t.Inner("steel"), basis.Steel, bag),
        Sizing(t.Inner("sizing"), basis.Sizing),
        Rates(t.Inner("rates"), basis.Rates));

    private static double Share(TableReader t, string key, double fallback)
    {
        var value = t.Number(key, fallback);
        if (value > 1)
        {
            t.Fault(key, $"{key} is a share of the base, at most 1");
        }

        return value;
    }
}
