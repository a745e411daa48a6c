using System.Globalization;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>Everything that acts on a base in a combination, summed at the centre of its underside, base's axes.</summary>
/// <param name="Column">Action of the column where it acts.</param>
/// <param name="ColumnMx">Its moment about x at the underside, about the column's own axis: Mx − H·Fy, kNm.</param>
/// <param name="ColumnMy">Its moment about y at the underside: My + H·Fx, kNm.</param>
/// <param name="N">Sum downwards, weights included, kN.</param>
/// <param name="Mx">Sum of moments about x, kNm.</param>
/// <param name="My">Sum of moments about y, kNm.</param>
public readonly record struct BaseLoads(SupportAction Column, double ColumnMx, double ColumnMy, double N, double Mx, double My)
{
    /// <summary>Resultant's distance from the centre along x, m.</summary>
    public double XR => My / N;

    /// <summary>Resultant's distance from the centre along y, m.</summary>
    public double YR => -Mx / N;
}

/// <summary>Sums the loads of a base in a combination, and tells how.</summary>
internal static class BaseLoadCase
{
    public static BaseLoads Compute<T>(BaseState s, int k, bool withSurcharge, ref T trace)
        where T : struct, ITrace
    {
        var combination = s.Combinations[k];
        ref readonly var a = ref s.Place.Sums[k];
        if (T.Records)
        {
            TraceSums(s, k, ref trace);
        }

        var arm = trace.Given("H", s.Arm, Unit.Length, "level of the reactions above the underside");
        var mx = trace.Let("Mx,col", a.Mx - (arm * a.Fy), Unit.Moment, $"{new Sym("Mx", a.Mx, Unit.Moment)} − {new Sym("H", arm, Unit.Length)}·{new Sym("Fy", a.Fy, Unit.Force)}");
        var my = trace.Let("My,col", a.My + (arm * a.Fx), Unit.Moment, $"{new Sym("My", a.My, Unit.Moment)} + {new Sym("H", arm, Unit.Length)}·{new Sym("Fx", a.Fx, Unit.Force)}");
        var f = combination.WeightFactor;
        var area = s.Length * s.Width;
        ref readonly var ground = ref s.GroundLoad(k);
        if (T.Records)
        {
            TellWeights(s, k, ref trace);
        }

        var q = withSurcharge ? s.Place.SurchargeFactors[k] * s.Ground.Surcharge * area : 0;
        if (q != 0)
        {
            trace.Let("Q", q, Unit.Force, $"{new Sym("f", s.Place.SurchargeFactors[k], Unit.Ratio)}·{new Sym("q", s.Ground.Surcharge, Unit.Pressure)}·{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}");
        }

        var w = Weights(s, k, ref trace);
        var u = ground.WaterPressure * area;
        var n = a.N + w + q - u;
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Formula, "ΣN", n, Unit.Force, SumOfForces(a.N, w, q, u), null));
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
            n = trace.Let("ΣN", n + rising, Unit.Force, $"{new Sym("ΣN", n, Unit.Force)} + {new Sym("Wspread", trace.Given("Wspread", rising, Unit.Force, "factored weight of the soil beside the base that rises with it"), Unit.Force)}");
        }

        // The pedestal stands, and soil is missing, where the column stands.
        var prism = s.PrismWeight(k);
        var (sumX, sumY) = (mx - ((a.N + prism) * s.ColumnY), my + ((a.N + prism) * s.ColumnX));
        if (T.Records)
        {
            if (s.ColumnX != 0 || s.ColumnY != 0)
            {
                trace.Given("ex", s.ColumnX, Unit.Length, "column's centre from the base's centre along x");
                trace.Given("ey", s.ColumnY, Unit.Length, "column's centre from the base's centre along y");
                var at = new Sym("Wcol", prism, Unit.Force);
                trace.Let("Wcol", prism, Unit.Force, $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wped", s.PedestalWeight, Unit.Force)} − {new Sym("Wdis", ground.Displaced, Unit.Force)})");
                trace.Let("ΣMx", sumX, Unit.Moment, $"{new Sym("Mx,col", mx, Unit.Moment)} − ({new Sym("N", a.N, Unit.Force)} + {at})·{new Sym("ey", s.ColumnY, Unit.Length)}");
                trace.Let("ΣMy", sumY, Unit.Moment, $"{new Sym("My,col", my, Unit.Moment)} + ({new Sym("N", a.N, Unit.Force)} + {at})·{new Sym("ex", s.ColumnX, Unit.Length)}");
            }
            else
            {
                trace.Let("ΣMx", sumX, Unit.Moment, $"{new Sym("Mx,col", mx, Unit.Moment)}");
                trace.Let("ΣMy", sumY, Unit.Moment, $"{new Sym("My,col", my, Unit.Moment)}");
            }
        }

        if (s.PlacedLoads.Length > 0)
        {
            sumX = trace.Let("ΣMx", sumX + besideX, Unit.Moment, $"{new Sym("ΣMx", sumX, Unit.Moment)} − {new Sym("ΣP·y", -besideX, Unit.Moment)}");
            sumY = trace.Let("ΣMy", sumY + besideY, Unit.Moment, $"{new Sym("ΣMy", sumY, Unit.Moment)} + {new Sym("ΣP·x", besideY, Unit.Moment)}");
        }

        var result = new BaseLoads(a, mx, my, n, sumX, sumY);
        trace.Let("xR", result.XR, Unit.Length, $"{new Sym("ΣMy", sumY, Unit.Moment)}/{new Sym("ΣN", n, Unit.Force)}");
        trace.Let("yR", result.YR, Unit.Length, $"−{new Sym("ΣMx", sumX, Unit.Moment)}/{new Sym("ΣN", n, Unit.Force)}");
        return result;
    }

    /// <summary>Factored weights of base, soil and pedestal, kN; the water is not in them.</summary>
    public static double Weights<T>(BaseState s, int k, ref T trace)
        where T : struct, ITrace
    {
        var f = s.Combinations[k].WeightFactor;
        var soil = s.GroundLoad(k).Soil;
        return s.Pedestal is null
            ? trace.Let("W", f * (s.BaseWeight + soil), Unit.Force, $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", soil, Unit.Force)})")
            : trace.Let("W", f * (s.BaseWeight + soil + s.PedestalWeight), Unit.Force, $"{new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", soil, Unit.Force)} + {new Sym("Wped", s.PedestalWeight, Unit.Force)})");
    }

    private static List<FormulaPart> SumOfForces(double n, double w, double q, double u)
    {
        var parts = new List<FormulaPart> { new(null, new Sym("N", n, Unit.Force)), new(" + ", default), new(null, new Sym("W", w, Unit.Force)) };
        if (q != 0)
        {
            parts.AddRange([new FormulaPart(" + ", default), new FormulaPart(null, new Sym("Q", q, Unit.Force))]);
        }

        if (u != 0)
        {
            parts.AddRange([new FormulaPart(" − ", default), new FormulaPart(null, new Sym("U", u, Unit.Force))]);
        }

        return parts;
    }

    /// <summary>Tells the weights with factor one, and the push of the water.</summary>
    public static void TellWeights<T>(BaseState s, int k, ref T trace)
        where T : struct, ITrace
    {
        var (rules, g, load) = (s.Rules, s.Ground, s.GroundLoad(k));
        var column = s.GroundColumn(k);
        var (length, width) = (new Sym("L", s.Length, Unit.Length), new Sym("B", s.Width, Unit.Length));
        if (s.WaterWords(k) is { } words)
        {
            trace.Remark("Water in the ground: " + words);
        }

        trace.Let("Wbase", s.BaseWeight, Unit.Force, $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{length}·{width}·{new Sym("h", s.Thickness, Unit.Length)}");
        if (s.Pedestal is { } pedestal)
        {
            trace.Let("Wped", s.PedestalWeight, Unit.Force, $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{new Sym("Aped", pedestal.Area, Unit.Area)}·{new Sym("hp", s.PedestalHeight, Unit.Length)}");
        }

        var dry = Math.Clamp(column.Water, 0, s.SoilDepth);
        if (column.IsWet && dry < s.SoilDepth)
        {
            trace.Let("σs", load.SoilPerArea, Unit.Pressure, $"{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}·{new Sym("d,moist", dry, Unit.Length)} + {new Sym("γsat", g.SaturatedWeight, Unit.UnitWeight)}·{new Sym("d,wet", s.SoilDepth - dry, Unit.Length)}");
        }
        else
        {
            trace.Let("σs", load.SoilPerArea, Unit.Pressure, $"{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}·{new Sym("ds", s.SoilDepth, Unit.Length)}");
        }

        var area = Math.Min(s.Length * s.Width, s.Place.Place.Support.Area);
        var above = column.Weight(0, load.ColumnDepth);
        if (s.Pedestal is { } p)
        {
            trace.Let("Wdis", load.Displaced, Unit.Force, $"{new Sym("Aped", p.Area, Unit.Area)}·{new Sym("σped", load.SoilPerArea - above, Unit.Pressure)} + {new Sym("Acol", area, Unit.Area)}·{new Sym("σcol", above, Unit.Pressure)}");
        }
        else
        {
            trace.Let("Wdis", load.Displaced, Unit.Force, $"{new Sym("Acol", area, Unit.Area)}·{new Sym("σs", load.SoilPerArea, Unit.Pressure)}");
        }

        trace.Let("Wsoil", load.Soil, Unit.Force, $"{new Sym("σs", load.SoilPerArea, Unit.Pressure)}·{length}·{width} − {new Sym("Wdis", load.Displaced, Unit.Force)}");
        if (load.WaterPressure > 0)
        {
            trace.Let("u", load.WaterPressure, Unit.Pressure, $"{new Sym("γw", g.WaterWeight, Unit.UnitWeight)}·({new Sym("Df", s.FoundingDepth, Unit.Length)} − {new Sym("dw", column.Water, Unit.Length)})");
            trace.Let("U", load.WaterPressure * s.Length * s.Width, Unit.Force, $"{new Sym("u", load.WaterPressure, Unit.Pressure)}·{length}·{width}");
        }
    }

    private static void TellBeside<T>(BaseState s, int k, ref T trace)
        where T : struct, ITrace
    {
        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (load, factor) = (s.PlacedLoads[i], s.Place.LoadTerms[k][i].Factor);
            var name = s.Place.Cases[load.Case].Name;
            trace.Let($"P{i + 1}", factor * load.N, Unit.Force, $"{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N{i + 1}[{name}]", load.N, Unit.Force)}");
            trace.Given($"x{i + 1}", load.X, Unit.Length, $"centre of load {(i + 1).ToString(CultureInfo.InvariantCulture)} beside the column from the base's centre");
            trace.Given($"y{i + 1}", load.Y, Unit.Length, "the same along y");
        }
    }

    /// <summary>Tells the contact pressures that hold the loads, and returns them.</summary>
    public static ContactSolution Contact<T>(BaseState s, int k, bool withSurcharge, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return withSurcharge ? s.Contact(k) : s.ContactWithoutSurcharge(k);
        }

        trace.Heading("Loads at the centre of the underside, " + s.Combinations[k].Name);
        var l = Compute(s, k, withSurcharge, ref trace);
        trace.Heading("Contact pressure p = max(0, a + b·x + c·y)");
        var solution = ContactSolver.Rectangle(s.Length, s.Width, l.N, l.XR, l.YR);
        if (solution.State == ContactState.NoEquilibrium)
        {
            trace.Remark("The resultant lies on or outside the edge of the base, or nothing presses down: there is no equilibrium.");
            return solution;
        }

        var p = solution.Pressure;
        var (length, width) = (s.Length, s.Width);
        if (solution.State == ContactState.Full)
        {
            trace.Let("a", p.A, Unit.Pressure, $"{new Sym("ΣN", l.N, Unit.Force)}/({new Sym("L", length, Unit.Length)}·{new Sym("B", width, Unit.Length)})");
            trace.Let("b·L/2", p.B * length / 2, Unit.Pressure, $"6·{new Sym("ΣN", l.N, Unit.Force)}·{new Sym("xR", l.XR, Unit.Length)}/({new Sym("L", length, Unit.Length)}^2·{new Sym("B", width, Unit.Length)})");
            trace.Let("c·B/2", p.C * width / 2, Unit.Pressure, $"6·{new Sym("ΣN", l.N, Unit.Force)}·{new Sym("yR", l.YR, Unit.Length)}/({new Sym("L", length, Unit.Length)}·{new Sym("B", width, Unit.Length)}^2)");
        }
        else
        {
            trace.Given("a", p.A, Unit.Pressure, "solved so that ∫p dA = ΣN, ∫p·x dA = ΣN·xR, ∫p·y dA = ΣN·yR over the part in contact");
            trace.Given("b·L/2", p.B * length / 2, Unit.Pressure, "rise from the centre to the edge at +x");
            trace.Given("c·B/2", p.C * width / 2, Unit.Pressure, "rise from the centre to the edge at +y");
            trace.Given("share", solution.Share, Unit.Ratio, "of the base in contact");
            trace.Given("zero line", solution.ZeroLineDistance * Math.Sign(p.A), Unit.Length, string.Create(CultureInfo.InvariantCulture, $"from the centre, square to {solution.GradientAngle:0.0}° from x"));
            var r = p.OverRectangle(-length / 2, -width / 2, length / 2, width / 2);
            trace.Given("∫p dA", r.Force, Unit.Force, "the balance, exact over the polygon in contact");
        }

        foreach (var (name, sx, sy) in (ReadOnlySpan<(string, int, int)>)[("p(+x,+y)", 1, 1), ("p(−x,+y)", -1, 1), ("p(−x,−y)", -1, -1), ("p(+x,−y)", 1, -1)])
        {
            trace.Let(name, p.At(sx * length / 2, sy * width / 2), Unit.Pressure, $"max(0; {new Sym("a", p.A, Unit.Pressure)} {(sx > 0 ? "+" : "−")} {new Sym("b·L/2", p.B * length / 2, Unit.Pressure)} {(sy > 0 ? "+" : "−")} {new Sym("c·B/2", p.C * width / 2, Unit.Pressure)})");
        }

        return solution;
    }

    private static void TraceSums<T>(BaseState s, int k, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var sum = ref s.Place.Sums[k];
        (string Symbol, double Value, Unit Unit, Func<SupportAction, double> Of)[] rows =
        [
            ("N", sum.N, Unit.Force, a => a.N), ("Fx", sum.Fx, Unit.Force, a => a.Fx), ("Fy", sum.Fy, Unit.Force, a => a.Fy),
            ("Mx", sum.Mx, Unit.Moment, a => a.Mx), ("My", sum.My, Unit.Moment, a => a.My),
        ];
        foreach (var (symbol, value, unit, of) in rows)
        {
            var parts = new List<FormulaPart>();
            foreach (var term in s.Combinations[k].Terms)
            {
                var own = of(s.Place.CaseActions[term.Case]);
                if (own == 0)
                {
                    continue;
                }

                var factor = Math.Abs(term.Factor).ToString("0.####", CultureInfo.InvariantCulture);
                parts.Add(new FormulaPart((parts.Count == 0 ? (term.Factor < 0 ? "−" : "") : term.Factor < 0 ? " − " : " + ") + factor + "·", default));
                parts.Add(new FormulaPart(null, new Sym($"{symbol}[{s.Place.Cases[term.Case].Name}]", own, unit)));
            }

            if (parts.Count == 0)
            {
                parts.Add(new FormulaPart("0", default));
            }

            trace.Add(new TraceStep(TraceKind.Formula, symbol, value, unit, parts, null));
        }
    }
}
