using System.Collections.Immutable;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>What is stated of a wall and of the soil behind it.</content>
internal sealed partial class FoundationReader
{
    private const string StemTable = "stem";

    // Soil steeper than this is none.
    private const double SteepestFriction = 60;

    // Bars of the wall that are held: stem = { vertical-soil = "T16 @ 150 mm" }.
    private static ImmutableDictionary<string, FieldValue> StemBarsOf(TableReader t, FoundationKind kind,
        ImmutableDictionary<string, FieldValue> own)
    {
        var stem = t.Inner(StemTable);
        foreach (var field in kind.Fields([]).Where(f => f.Path.Count == 2 && f.Path[0] == StemTable && stem.Has(f.Path[1])))
        {
            if (Adopted.FieldText.Value(stem, field.Path[1], field) is not FieldValue.Bars value)
            {
                continue;
            }

            var key = string.Join('.', field.Path);
            if (kind.FaultOfBars(key, value.Spec) is { } fault)
            {
                stem.Fault(field.Path[1], fault);
                continue;
            }

            own = own.Add(key, value);
        }

        return own;
    }

    private static WallRules? Wall(TableReader t, FoundationKind kind)
    {
        if (!kind.OfWalls)
        {
            return null;
        }

        foreach (var (key, instead) in ((string, string)[])[("angle", "the wall's two ends in supports.csv"), ("length", "ends, which it "
            + "reaches beyond the wall's"), ("edge-x0", "ends"), ("edge-x1", "ends"), ("offset-x", "ends")])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} is not for a wall's footing, which lies along its wall; its place follows from {instead}");
            }
        }

        var rules = new WallRules { Ends = t.Quantity("ends", Measure.Length, 0) };
        if (t.Has(StemTable))
        {
            rules = rules with { Stem = Stem(t.Inner(StemTable)) };
        }

        if (t.Has("retained"))
        {
            rules = rules with { Retained = Retained(t.Inner("retained"), rules.Stem) };
        }

        return rules;
    }

    private static StemRules Stem(TableReader t)
    {
        var stem = new StemRules(t.QuantityOrNull("height", Measure.Length, Sign.Positive))
        {
            Masonry = t.Choice("material", false, ("concrete", false), ("masonry", true)),
            Strength = t.QuantityOrNull("strength", Measure.Pressure, Sign.Positive),
            Weight = t.QuantityOrNull("weight", Measure.UnitWeight, Sign.Positive),
            Layers = t.Number("layers", 2) is var layers && layers is 1 or 2 ? (int)layers : 0,
            Propped = t.Choice("prop", false, ("none", false), ("top", true)),
            Cover = t.QuantityOrNull("cover", Measure.Length, Sign.Positive),
            Compression = t.QuantityOrNull("compression", Measure.Pressure, Sign.Positive),
            Tension = t.QuantityOrNull("tension", Measure.Pressure, Sign.Positive),
        };
        if (stem.Layers is not (1 or 2))
        {
            t.Fault("layers", "the bars of a wall lie in one layer, in its middle, or in two; write layers = 1 or layers = 2");
            stem = stem with { Layers = 2 };
        }

        foreach (var key in (string[])["compression", "tension"])
        {
            if (t.Has(key) && !stem.Masonry)
            {
                t.Fault(key, $"{key} is an allowable stress of masonry; write material = \"masonry\", or delete it");
            }
        }

        var wrong = stem.Layers == 1 ? (string[])["vertical-soil", "vertical-free"] : ["vertical"];
        foreach (var key in wrong.Where(t.Has))
        {
            t.Fault(key, stem.Layers == 1 ? $"with layers = 1 the upright bars are one layer; write vertical in place of {key}"
                : "with two layers each face has its upright bars; write vertical-soil and vertical-free, or layers = 1");
        }

        // Bars are read among what is held.
        foreach (var key in (string[])["vertical-soil", "vertical-free", "vertical", "horizontal"])
        {
            _ = t.Node(key);
        }

        t.Done();
        return stem;
    }

    private static RetainedSoil? Retained(TableReader t, StemRules? stem)
    {
        if (!t.Has("side"))
        {
            t.Missing("side", "\"+y\", left of the way from the wall's first to its second end, or \"-y\"");
        }

        if (!t.Has("height"))
        {
            t.Missing("height", "\"3 m\", of the soil over the top of the base");
        }

        if (!t.Has("friction-angle"))
        {
            t.Missing("friction-angle", "\"32 deg\"");
        }

        var high = t.Choice("side", true, ("+y", true), ("-y", false));
        var angle = t.Quantity("friction-angle", Measure.Angle, 30, Sign.Positive);
        if (angle > SteepestFriction)
        {
            t.Fault("friction-angle", $"friction-angle is beyond {SteepestFriction:0}°; give that of the soil");
        }

        var propped = stem is { Propped: true };
        if (propped && t.Node("pressure") is { Value: "active" })
        {
            t.Fault("pressure", "a wall that is held at its top does not give way to the soil: its pressure is that at rest; write "
                + "pressure = \"at-rest\", or prop = \"none\"");
        }

        var soil = new RetainedSoil(high, t.Quantity("height", Measure.Length, 0, Sign.Positive))
        {
            Other = t.QuantityOrNull("other", Measure.Length, Sign.NotNegative),
            Weight = t.QuantityOrNull("weight", Measure.UnitWeight, Sign.Positive),
            FrictionAngle = angle,
            AtRest = t.Choice("pressure", propped, ("at-rest", true), ("active", false)),
            Surcharge = t.Quantity("surcharge", Measure.Pressure, 0),
            WaterDepth = t.QuantityOrNull("water-depth", Measure.Length, Sign.NotNegative),
        };
        if (!t.Has("pressure") && !propped)
        {
            t.Missing("pressure", "\"active\" where the wall may give way, else \"at-rest\"");
        }

        if (soil.Other > soil.Height)
        {
            t.Fault("other", "the soil before the wall stands higher than that behind it; name the other side, or mend the heights");
        }

        t.Done();
        return soil.Height > 0 ? soil : null;
    }
}
