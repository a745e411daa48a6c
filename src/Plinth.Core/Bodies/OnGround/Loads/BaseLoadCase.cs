using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <summary>Sums the loads of a base in a combination, and tells how.</summary>
internal static partial class BaseLoadCase
{
    public static BaseLoads Compute<T>(GroundBody s, int k, bool withSurcharge, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        var (columnsN, fx, fy) = (0.0, 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            ref readonly var a = ref c.Action(k);
            (columnsN, fx, fy) = (columnsN + a.N, fx + a.Fx, fy + a.Fy);
            if (T.Records)
            {
                TellColumn(c, k, ref trace);
            }
        }

        var f = combination.WeightFactor;
        ref readonly var ground = ref s.GroundLoad(k);
        if (T.Records)
        {
            TellWeights(s, k, ref trace);
        }

        var q = withSurcharge ? s.Place.SurchargeFactors[k] * s.Ground.Surcharge * s.SurchargedArea : 0;
        if (q != 0)
        {
            var (factor, surcharge) = (new Sym("f", s.Place.SurchargeFactors[k], Unit.Ratio),
                new Sym("q", s.Ground.Surcharge, Unit.Pressure));
            if (s.IsPolygon || s.Backing?.Soil is not null)
            {
                trace.Let("Q", q, Unit.Force, $"{factor}·{surcharge}·"
                    + $"{new Sym(s.Parts.Length > 0 ? "A,q" : s.Backing is null ? "A" : "A,toe", s.SurchargedArea, Unit.Area)}");
            }
            else
            {
                trace.Let("Q", q, Unit.Force,
                    $"{factor}·{surcharge}·{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}");
            }
        }

        var w = Weights(s, k, ref trace);
        var u = s.Parts.Length > 0 || s.Backing is not null ? s.WaterPush(k) : ground.WaterPressure * s.Area;
        var n = columnsN + w + q - u;
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Formula, "ΣN", n, Unit.Force, SumOfForces(s, k, w, q, u), null));
        }

        var (besideN, besideX, besideY) = (0.0, 0.0, 0.0);
        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var load = s.PlacedLoads[i];
            var p = s.Place.LoadTerms[k][i].Factor * load.N;
            (besideN, besideX, besideY) = (besideN + p, besideX - (p * load.Y), besideY + (p * load.X));
        }

        if (s.PlacedLoads.Length > 0)
        {
            if (T.Records)
            {
                TellBeside(s, k, ref trace);
            }

            n = trace.Let("ΣN", n + besideN, Unit.Force, $"{new Sym("ΣN", n, Unit.Force)} + {new Sym("ΣP", besideN, Unit.Force)}");
        }

        var rising = s.RisingWeight(k);
        if (rising != 0)
        {
            trace.Given("Wspread", rising, Unit.Force, "factored weight of the soil beside the base that rises with it");
            n = trace.Let("ΣN", n + rising, Unit.Force,
                $"{new Sym("ΣN", n, Unit.Force)} + {new Sym("Wspread", rising, Unit.Force)}");
        }

        var pushes = default(Loads.SupportAction);
        if (s.Backing is { Any: true } behind)
        {
            pushes = behind.Sum(k, withSurcharge);
            (fx, fy) = (fx + pushes.Fx, fy + pushes.Fy);
            if (pushes.N != 0)
            {
                n = trace.Let("ΣN", n + pushes.N, Unit.Force, $"{new Sym("ΣN", n, Unit.Force)} + {new Sym("Qheel", pushes.N, Unit.Force)}");
            }
        }

        // The pedestal stands, and soil is missing, where the column stands.
        var (sumX, sumY) = (0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (load, prism) = (c.Action(k).N, c.PrismWeight(k));
            (sumX, sumY) = (sumX + (c.Mx(k) - ((load + prism) * c.Y)), sumY + (c.My(k) + ((load + prism) * c.X)));
        }

        if (T.Records)
        {
            TellMoments(s, k, f, sumX, sumY, ref trace);
        }

        if (s.Parts.Length > 0)
        {
            var lies = s.WeightsMoment(k)
                + (withSurcharge ? s.Place.SurchargeFactors[k] * s.Ground.Surcharge * s.SurchargedMoment : 0);
            trace.Given("M[weights]", lies, Unit.Moment,
                "∫x of weights and surcharge on bases and beam less the water's push, about the centroid of both areas");
            sumY = trace.Let("ΣMy", sumY + lies, Unit.Moment,
                $"{new Sym("ΣMy", sumY, Unit.Moment)} + {new Sym("M[weights]", lies, Unit.Moment)}");
        }

        if (s.Backing is { Any: true })
        {
            (sumX, sumY) = Behind(s, k, pushes, q, sumX, sumY, ref trace);
        }

        if (s.PlacedLoads.Length > 0)
        {
            sumX = trace.Let("ΣMx", sumX + besideX, Unit.Moment,
                $"{new Sym("ΣMx", sumX, Unit.Moment)} − {new Sym("ΣP·y", -besideX, Unit.Moment)}");
            sumY = trace.Let("ΣMy", sumY + besideY, Unit.Moment,
                $"{new Sym("ΣMy", sumY, Unit.Moment)} + {new Sym("ΣP·x", besideY, Unit.Moment)}");
        }

        if (rising != 0 && s.RisingMoment(k) is var turn and not 0)
        {
            trace.Given("Mspread", turn, Unit.Moment, "of that soil, which hangs on the outline, about the centroid of the area");
            sumY = trace.Let("ΣMy", sumY + turn, Unit.Moment,
                $"{new Sym("ΣMy", sumY, Unit.Moment)} + {new Sym("Mspread", turn, Unit.Moment)}");
        }

        var result = new BaseLoads(n, fx, fy, sumX, sumY);
        trace.Let("xR", result.XR, Unit.Length, $"{new Sym("ΣMy", sumY, Unit.Moment)}/{new Sym("ΣN", n, Unit.Force)}");
        trace.Let("yR", result.YR, Unit.Length, $"−{new Sym("ΣMx", sumX, Unit.Moment)}/{new Sym("ΣN", n, Unit.Force)}");
        return result;
    }

    /// <summary>How a symbol of a column is told apart where a body carries several: "N[C5]".</summary>
    public static string Of(string symbol, Standing c) => c.At is null ? symbol : $"{symbol}[{c.At}]";

    /// <summary>The same where it is told; composed for nobody, it would cost a search more than what it names.</summary>
    public static string Of<T>(string symbol, Standing c)
        where T : struct, ITrace => T.Records ? Of(symbol, c) : symbol;

    /// <summary>How a case of a column is told: "N[DEAD]", or "N[C5, DEAD]" where a body carries several.</summary>
    public static string Of(string symbol, Standing c, string name) => c.At is null ? $"{symbol}[{name}]" : $"{symbol}[{c.At}, {name}]";

    /// <summary>Factored weights of base, soil and pedestal, kN; the water is not in them.</summary>
    public static double Weights<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        var f = s.Combinations[k].WeightFactor;
        var soil = s.GroundLoad(k).Soil;
        return s.Backing is { Any: true } behind
            ? trace.Let("W", f * (s.BaseWeight + soil + behind.Weight(k)), Unit.Force,
                $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", soil, Unit.Force)} + "
                    + $"{new Sym("Wwall", behind.Weight(k), Unit.Force)})")
            : !s.HasPedestals
            ? trace.Let("W", f * (s.BaseWeight + soil), Unit.Force,
                $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", soil, Unit.Force)})")
            : trace.Let("W", f * (s.BaseWeight + soil + s.PedestalWeight), Unit.Force,
                $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", soil, Unit.Force)} + "
                    + $"{new Sym("Wped", s.PedestalWeight, Unit.Force)})");
    }
}
