using Plinth.Core.Ground;
using Plinth.Core.Units;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>
/// Reads [ground] and what stands in it: water, soil strength, layers, bearing by size. What a table does not say falls through to the
/// values given.
/// </summary>
internal static class GroundReader
{
    private const double SteepestSpread = 60;

    public static GroundRules Read(TableReader t, GroundRules basis, string name)
    {
        var founding = t.QuantityOrNull("founding-depth", Measure.Length, Sign.Positive);
        var top = t.QuantityOrNull("top-depth", Measure.Length);
        if (founding is not null && top is not null)
        {
            t.Fault("top-depth", "founding-depth and top-depth are both given; keep one: the underside is held, or the top");
        }

        var stated = t.Has("founding-depth") || t.Has("top-depth");
        var method = t.Choice("bearing-method", basis.Method, ("corner", BearingMethod.Corner),
            ("reduced-area", BearingMethod.ReducedArea));
        var critical = basis.CriticalAngle;
        var capacity = Strength(t, basis, ref critical);
        var bySide = BySide(t) ?? basis.BearingBySide;

        // A kind of bearing that a table states replaces the kind it would inherit, unless it states both.
        var ownBearing = t.Has("bearing");
        var ownOther = basis.Design is null && (t.Has("strength") || t.Has("bearing-by-side"));
        var result = new GroundRules(
            name,
            t.Quantity("level", Measure.Length, basis.Level, Sign.Any),
            stated ? founding : basis.FoundingDepth,
            stated ? top : basis.TopDepth,
            t.Quantity("bearing", Measure.Pressure, ownOther && !ownBearing ? double.NaN : basis.Bearing, Sign.Positive),
            t.Choice("bearing-basis", basis.Basis, ("gross", BearingBasis.Gross), ("net", BearingBasis.Net)),
            method,
            t.Number("bearing-transient", basis.TransientIncrease, Sign.Positive),
            t.Quantity("soil-weight", Measure.UnitWeight, basis.SoilWeight),
            double.IsNaN(basis.Friction) ? t.NumberOrNull("friction", Sign.Positive) ?? double.NaN : t.Number("friction", basis.Friction),
            t.Quantity("adhesion", Measure.Pressure, basis.Adhesion),
            Passive(t, basis.PassiveCoefficient),
            t.Quantity("surcharge", Measure.Pressure, basis.Surcharge))
        {
            SaturatedWeight = t.Quantity("soil-weight-saturated", Measure.UnitWeight, basis.SaturatedWeight),
            WaterWeight = basis.WaterWeight,
            WaterDepth = t.QuantityOrNull("water-depth", Measure.Length) ?? basis.WaterDepth,
            WaterDepthLow = t.QuantityOrNull("water-depth-low", Measure.Length) ?? basis.WaterDepthLow,
            PassiveIgnoredDepth = t.Quantity("passive-ignored-depth", Measure.Length, basis.PassiveIgnoredDepth),
            UpliftSpread = Spread(t, basis.UpliftSpread),
            FrostDepth = t.QuantityOrNull("frost-depth", Measure.Length, Sign.Positive) ?? basis.FrostDepth,
            LevelBefore = t.QuantityOrNull("level-before", Measure.Length, Sign.Any) ?? basis.LevelBefore,
            LoadSpread = t.Number("load-spread", basis.LoadSpread),
            SubgradeModulus = t.QuantityOrNull("subgrade-modulus", Measure.UnitWeight, Sign.Positive) ?? basis.SubgradeModulus,
            MostSettlement = t.QuantityOrNull("max-settlement", Measure.Length, Sign.Positive) ?? basis.MostSettlement,
            MostDistortion = t.NumberOrNull("max-distortion", Sign.Positive) ?? basis.MostDistortion,
            Capacity = ReplacesStrength(t, basis) && !t.Has("strength") ? null : capacity,
            BearingBySide = (ownBearing || (basis.Design is null && t.Has("strength"))) && !t.Has("bearing-by-side") ? [] : bySide,
            Design = basis.Design,
            Resistance = t.QuantityOrNull("bearing-resistance", Measure.Pressure, Sign.Positive)
                ?? (basis.Design is not null && t.Has("strength") ? null : basis.Resistance),
            CriticalAngle = critical,
            SmoothFace = t.Choice("base-face", basis.SmoothFace, ("cast", false), ("smooth", true)),
            Sealed = t.Flag("base-sealed", basis.Sealed),
            Layers = t.Has("layer") ? Layers(t) : basis.Layers,
            Piles = name.Length > 0 && t.Has("piles") ? PileReader.Read(t.Inner("piles"), basis.Piles) : basis.Piles,
            Area = name.Length > 0 ? t.Points("area", 3) ?? [] : [],
        };
        Agree(t, result);
        LimitStateReader.Agree(t, result);
        t.Done();
        return result;
    }

    // A kind of bearing that a table states replaces the kind it would inherit: by limit states that of ultimate loads.
    private static bool ReplacesStrength(TableReader t, GroundRules basis) =>
        t.Has(basis.Design is null ? "bearing" : "bearing-resistance");

    private static void Agree(TableReader t, GroundRules g)
    {
        if (g.WaterDepthLow is { } low && g.WaterDepth is { } high && low < high)
        {
            t.Fault("water-depth-low", "water-depth-low lies above water-depth; the lowest water is the deeper one");
        }

        if (g.WaterDepthLow is not null && g.WaterDepth is null)
        {
            t.Fault("water-depth-low", "water-depth-low is given without water-depth, the highest water; give both");
        }

        if (g.WaterDepth is not null && g.SaturatedWeight <= g.WaterWeight)
        {
            t.Fault("soil-weight-saturated", "soil-weight-saturated must be more than the weight of water");
        }

        if (g.MostSettlement is not null && t.Has("max-settlement") && g.SubgradeModulus is null
            && !g.Layers.Any(l => l.Modulus is not null))
        {
            t.Fault("max-settlement",
                "max-settlement needs subgrade-modulus = \"24 MN/m3\", or [[ground.layer]] with a modulus, from which settlement is found");
        }

        if (g.MostDistortion is not null && t.Has("max-distortion") && g.MostSettlement is null)
        {
            t.Fault("max-distortion", "max-distortion compares settlements; give max-settlement too");
        }
    }

    private static double Passive(TableReader t, double basis)
    {
        var angle = t.QuantityOrNull("passive-angle", Measure.Angle, Sign.Positive);
        var share = t.NumberOrNull("passive-share", Sign.NotNegative);
        if (angle is null)
        {
            if (share is not null)
            {
                t.Fault("passive-share",
                    "passive-share is the part of the passive pressure of passive-angle that is relied on; give passive-angle, or "
                        + "passive-coefficient alone");
            }

            return t.Number("passive-coefficient", basis);
        }

        if (t.Has("passive-coefficient"))
        {
            t.Fault("passive-coefficient", "passive-coefficient and passive-angle are both given; keep one");
        }

        if (angle >= 50)
        {
            t.Fault("passive-angle", "passive-angle is the angle of friction of the soil, below 50 deg");
        }

        if (share is null)
        {
            t.Fault("passive-angle",
                "passive-angle needs passive-share, the part of the full passive pressure that is relied on; write for example "
                    + "passive-share = 0.5");
        }
        else if (share > 1)
        {
            t.Fault("passive-share", "passive-share is a part of the full passive pressure, at most 1");
        }

        // Rankine's passive coefficient.
        var tan = Math.Tan((45 + (Math.Min(angle.Value, 50) / 2)) * Math.PI / 180);
        return (share ?? 0) * tan * tan;
    }

    private static double Spread(TableReader t, double basis)
    {
        var spread = t.Quantity("uplift-spread", Measure.Angle, basis);
        if (spread > SteepestSpread)
        {
            t.Fault("uplift-spread", "uplift-spread is an angle from the vertical, at most 60 deg");
        }

        return spread;
    }

    private static BearingCapacity? Strength(TableReader t, GroundRules basis, ref double? critical)
    {
        if (!t.Has("strength"))
        {
            return basis.Capacity;
        }

        var (s, design, inherited) = (t.Inner("strength"), basis.Design, basis.Capacity);
        var ofLimitStates = BearingTheory.Find("annex-d");
        var theory = s.Choice<BearingTheory?>("theory", design is null ? inherited?.Theory : ofLimitStates,
            [.. BearingTheory.All.Select(b => (b.Id, (BearingTheory?)b))]);
        if (theory is null && !s.Has("theory"))
        {
            s.Missing("theory", "\"vesic\"");
        }

        var friction = s.QuantityOrNull("friction-angle", Measure.Angle, Sign.Positive);
        var cohesion = s.Quantity("cohesion", Measure.Pressure, 0);
        var undrained = s.QuantityOrNull("undrained", Measure.Pressure, Sign.Positive);
        var safety = s.NumberOrNull("safety", Sign.Positive) ?? inherited?.Safety;
        critical = s.QuantityOrNull("critical-angle", Measure.Angle, Sign.Positive) ?? critical;
        if (friction is null && undrained is null && !s.Has("friction-angle") && !s.Has("undrained"))
        {
            s.Missing("friction-angle (drained), undrained, or both", "\"30 deg\"");
        }

        foreach (var (key, angle) in ((string, double?)[])[("friction-angle", friction), ("critical-angle", critical)])
        {
            if (angle >= 50)
            {
                s.Fault(key, $"{key} must be below 50 deg");
            }
        }

        if (cohesion > 0 && friction is null)
        {
            s.Fault("cohesion",
                "cohesion belongs to the drained analysis, with friction-angle; the undrained strength is undrained = \"60 kPa\"");
        }

        if (design is not null)
        {
            if (theory is not null && theory != ofLimitStates)
            {
                s.Fault("theory",
                    $"theory \"{theory.Id}\" goes with a factor of safety; by EN 1997-1 resistances are found by \"annex-d\"");
            }

            if (s.Has("safety"))
            {
                s.Fault("safety", "safety does nothing under design = \"en1997\", whose partial factors stand in its place; delete it");
            }

            safety = 1;
        }
        else if (safety is null && !s.Has("safety"))
        {
            s.Missing("safety", "3.0");
        }

        s.Done();
        return theory is null || safety is null ? null : new BearingCapacity(theory, friction, cohesion, undrained, safety.Value);
    }

    private static List<(double Side, double Bearing)>? BySide(TableReader t)
    {
        if (t.Node("bearing-by-side") is not { } node)
        {
            return null;
        }

        var result = new List<(double Side, double Bearing)>();
        if (node.Value is not List<TomlNode> { Count: > 0 } rows || rows.Any(r => r.Value is not List<TomlNode> { Count: 2 }))
        {
            t.Fault("bearing-by-side",
                "bearing-by-side is a list of sides with their bearing; write for example bearing-by-side = [[\"1 m\", \"150 kPa\"], [\"2 "
                    + "m\", \"180 kPa\"]]");
            return result;
        }

        foreach (var pair in rows.Select(r => (List<TomlNode>)r.Value!))
        {
            if (t.Quantity("bearing-by-side", pair[0], Measure.Length, Sign.Positive) is not { } side
                || t.Quantity("bearing-by-side", pair[1], Measure.Pressure, Sign.Positive) is not { } bearing)
            {
                continue;
            }

            if (result.Count > 0 && side <= result[^1].Side)
            {
                t.Fault("bearing-by-side", "bearing-by-side: the sides must rise from row to row");
            }

            result.Add((side, bearing));
        }

        return result;
    }

    private static List<GroundLayer> Layers(TableReader t)
    {
        var layers = new List<GroundLayer>();
        var tables = t.Each("layer");
        for (var i = 0; i < tables.Count; i++)
        {
            var l = tables[i];
            var thickness = l.QuantityOrNull("thickness", Measure.Length, Sign.Positive);
            if (thickness is null && !l.Has("thickness") && i < tables.Count - 1)
            {
                l.Missing("thickness", "\"2.5 m\" (only the lowest layer may go without: it has no end)");
            }

            var poisson = l.Number("poisson", 0.3);
            if (poisson > 0.5)
            {
                l.Fault("poisson", "poisson is Poisson's ratio, at most 0.5");
            }

            var layer = new GroundLayer(l.Text("name") ?? "", thickness ?? double.PositiveInfinity,
                l.QuantityOrNull("modulus", Measure.Pressure, Sign.Positive), poisson,
                l.QuantityOrNull("bearing", Measure.Pressure, Sign.Positive))
            {
                Undrained = l.QuantityOrNull("undrained", Measure.Pressure, Sign.Positive),
                AdhesionFactor = l.NumberOrNull("adhesion-factor"),
                ShaftFactor = l.NumberOrNull("shaft-factor"),
                ShaftLimit = l.QuantityOrNull("shaft-limit", Measure.Pressure, Sign.Positive),
                Base = l.QuantityOrNull("base", Measure.Pressure, Sign.Positive),
            };
            OfPiles(l, layer);
            layers.Add(layer);
            l.Done();
        }

        return layers;
    }

    // A layer holds piles by its undrained strength, or by its effective stress: never by both.
    private static void OfPiles(TableReader l, GroundLayer layer)
    {
        if (layer.Undrained is not null && (l.Has("shaft-factor") || l.Has("base")))
        {
            l.Fault(l.Has("shaft-factor") ? "shaft-factor" : "base",
                "undrained holds piles by adhesion-factor·su along the shaft and 9·su at the base; leave out shaft-factor and base, or "
                    + "leave out undrained");
        }

        if (layer.Undrained is not null && !l.Has("adhesion-factor"))
        {
            l.Missing("adhesion-factor", "0.5 (share of su that holds a pile's shaft; 0 where none is relied on)");
        }

        if (l.Has("adhesion-factor") && !l.Has("undrained"))
        {
            l.Missing("undrained", "\"60 kPa\", of which adhesion-factor is a share");
        }

        if (layer.AdhesionFactor > 1)
        {
            l.Fault("adhesion-factor", "adhesion-factor is a share of su, at most 1");
        }

        if (l.Has("shaft-limit") && !l.Has("shaft-factor"))
        {
            l.Missing("shaft-factor", "0.30, whose product with the effective stress shaft-limit bounds");
        }
    }
}
