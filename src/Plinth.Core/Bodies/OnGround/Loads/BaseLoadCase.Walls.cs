using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <content>A wall with the soil behind it.</content>
internal static partial class BaseLoadCase
{
    // Moments about the centroid of the wall, of the soil that stands higher behind it, of its thrust, of the water under the base, and of
    // a surcharge on the toe alone.
    private static (double X, double Y) Behind<T>(GroundBody s, int k, in SupportAction pushes, double onToe, double sumX, double sumY,
        ref T trace)
        where T : struct, ITrace
    {
        var b = s.Backing!;
        var f = s.Combinations[k].WeightFactor;
        var toeAt = b.Soil is { } soil ? -soil.Side * ((s.Width - b.Toe) / 2) : 0;
        var turns = -((f * b.WeightTurns(k)) - b.LiftTurns(k) + (onToe * toeAt)) + pushes.Mx;
        if (T.Records)
        {
            TellBehind(s, k, pushes, ref trace);
            trace.Let("Mwall", turns, Unit.Moment,
                $"{new Sym("Mx,push", pushes.Mx, Unit.Moment)} − ({new Sym("fw", f, Unit.Ratio)}·"
                    + $"{new Sym("∫y·Wwall", b.WeightTurns(k), Unit.Moment)} − {new Sym("∫y·u", b.LiftTurns(k), Unit.Moment)} + "
                    + $"{new Sym("∫y·Q", onToe * toeAt, Unit.Moment)})");
            trace.Let("ΣMx", sumX + turns, Unit.Moment, $"{new Sym("ΣMx", sumX, Unit.Moment)} + {new Sym("Mwall", turns, Unit.Moment)}");
        }

        return (sumX + turns, sumY);
    }

    // Thrust by thrust down to the underside.
    private static void TellBehind<T>(GroundBody s, int k, in SupportAction pushes, ref T trace)
        where T : struct, ITrace
    {
        var b = s.Backing!;
        if (b.Soil is not { } soil || b.Pressure is not { } pressure)
        {
            trace.Given("∫y·Wwall", b.WeightTurns(k), Unit.Moment, "of the wall's weight about the centroid");
            trace.Given("∫y·u", 0, Unit.Moment, "no water behind it");
            trace.Given("∫y·Q", 0, Unit.Moment, "a surcharge lies evenly");
            trace.Given("Mx,push", 0, Unit.Moment, "nothing is held back");
            return;
        }

        trace.Remark($"Soil behind the wall, towards {(soil.AtHigh ? "+" : "−")}y"
            + (s.StateWords(k) is { } words ? $"; {words}" : ""));
        var f = s.Place.BehindFactors[k];
        TellStrength(s, k, soil, ref trace);
        trace.Given("K", soil.Coefficient * f.Strength, Unit.Ratio, soil.AtRest ? "at rest, 1 − sin φ" : "active, (1 − sin φ)/(1 + sin φ)");
        var deep = trace.Given("z", soil.Height + s.Thickness, Unit.Length, "from the soil's surface to the underside");
        var wet = s.Place.Waters[k] == WaterState.High;
        foreach (var (load, name, factor) in (ReadOnlySpan<(RetainedLoad, string, double)>)[(RetainedLoad.Earth, LoadCase.EarthName,
            f.Earth), (RetainedLoad.Water, LoadCase.WaterName, f.Water), (RetainedLoad.Surcharge, LoadCase.BehindName, f.Surcharge)])
        {
            var t = pressure.Above(load, wet, deep);
            if (t.Force > 0 && factor != 0)
            {
                trace.Given($"E[{name}]", t.Force * (load == RetainedLoad.Water ? 1 : f.Strength), Unit.LineLoad,
                    "thrust on the plane through the heel's edge down to the underside");
                trace.Given($"arm[{name}]", t.Moment / t.Force, Unit.Length, "of it over the underside");
                trace.Given($"f[{name}]", factor, Unit.Ratio, "its factor");
            }
        }

        trace.Given("Fy,push", pushes.Fy, Unit.Force, "factored thrusts on the length of the base, what a prop takes deducted");
        trace.Given("Mx,push", pushes.Mx, Unit.Moment, "their moments about the underside and that of what stands on the heel");
        trace.Given("∫y·Wwall", b.WeightTurns(k), Unit.Moment, "of wall, heel and toe about the centroid");
        trace.Given("∫y·u", b.LiftTurns(k), Unit.Moment, "of the water's push that grows towards the heel");
    }

    private static void TellStrength<T>(GroundBody s, int k, RetainedSoil soil, ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.Design is not { } design)
        {
            trace.Given("φ", soil.FrictionAngle, Unit.Ratio, "degrees, angle of friction of the soil");
            return;
        }

        var factor = design.Behind(s.Combinations[k].State);
        var angle = new Sym("φ'k", trace.Given("φ'k", soil.FrictionAngle, Unit.Degrees, "of the soil, characteristic"), Unit.Degrees);
        trace.Let("φ", LimitStateDesign.DesignAngle(soil.FrictionAngle, factor), Unit.Degrees,
            $"arctan(tan({angle})/{new Sym("γφ'", factor, Unit.Ratio)})·180/π");
    }

    /// <summary>Tells what a wall and the soil behind it weigh beyond the soil that lies over the whole base.</summary>
    public static void TellWall<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Backing is not { Any: true } b)
        {
            return;
        }

        trace.Given("Wstem", b.StemWeight, Unit.Force, "weight of the wall over its base");
        if (b.Soil is not null)
        {
            var (heel, toe) = b.Over(k);
            var length = new Sym("L", s.Length, Unit.Length);
            trace.Let("Wheel", heel * b.Heel * s.Length, Unit.Force,
                $"{new Sym("Δσ,heel", trace.Given("Δσ,heel", heel, Unit.Pressure, "soil on the heel beyond σs"), Unit.Pressure)}·"
                    + $"{new Sym("heel", b.Heel, Unit.Length)}·{length}");
            trace.Let("Wtoe", toe * b.Toe * s.Length, Unit.Force,
                $"{new Sym("Δσ,toe", trace.Given("Δσ,toe", toe, Unit.Pressure, "soil on the toe beyond σs"), Unit.Pressure)}·"
                    + $"{new Sym("toe", b.Toe, Unit.Length)}·{length}");
            trace.Let("Wwall", b.Weight(k), Unit.Force,
                $"{new Sym("Wstem", b.StemWeight, Unit.Force)} + {new Sym("Wheel", heel * b.Heel * s.Length, Unit.Force)} + "
                    + $"{new Sym("Wtoe", toe * b.Toe * s.Length, Unit.Force)}");
            if (b.Lift(k) != 0)
            {
                trace.Given("U", s.WaterPush(k), Unit.Force,
                    "push of the water on the underside, its head growing from the toe's edge to the heel's");
            }
        }
        else
        {
            trace.Let("Wwall", b.StemWeight, Unit.Force, $"{new Sym("Wstem", b.StemWeight, Unit.Force)}");
        }
    }
}
