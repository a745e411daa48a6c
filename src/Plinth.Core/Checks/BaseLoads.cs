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
        var (rules, ground) = (s.Rules, s.Ground);
        trace.Let("Wbase", s.BaseWeight, Unit.Force, $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}·{new Sym("h", s.Thickness, Unit.Length)}");
        trace.Let("Wsoil", s.SoilWeight, Unit.Force, $"{new Sym("γs", ground.SoilWeight, Unit.UnitWeight)}·{new Sym("ds", s.SoilDepth, Unit.Length)}·({new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)} − {new Sym("Acol", s.Place.Place.Support.Area, Unit.Area)})");
        var q = withSurcharge ? s.Place.SurchargeFactors[k] * ground.Surcharge * area : 0;
        if (q != 0)
        {
            trace.Let("Q", q, Unit.Force, $"{new Sym("f", s.Place.SurchargeFactors[k], Unit.Ratio)}·{new Sym("q", ground.Surcharge, Unit.Pressure)}·{new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}");
        }

        var n = a.N + (f * (s.BaseWeight + s.SoilWeight)) + q;
        if (q != 0)
        {
            trace.Let("ΣN", n, Unit.Force, $"{new Sym("N", a.N, Unit.Force)} + {new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", s.SoilWeight, Unit.Force)}) + {new Sym("Q", q, Unit.Force)}");
        }
        else
        {
            trace.Let("ΣN", n, Unit.Force, $"{new Sym("N", a.N, Unit.Force)} + {new Sym("fw", f, Unit.Ratio)}·({new Sym("Wbase", s.BaseWeight, Unit.Force)} + {new Sym("Wsoil", s.SoilWeight, Unit.Force)})");
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

        // The soil's centroid lies off the base's centre by what the column displaces.
        var displaced = f * s.DisplacedSoil;
        var (sumX, sumY) = (mx - (a.N * s.ColumnY) + (displaced * s.ColumnY), my + (a.N * s.ColumnX) - (displaced * s.ColumnX));
        if (T.Records)
        {
            if (s.ColumnX != 0 || s.ColumnY != 0)
            {
                trace.Given("ex", s.ColumnX, Unit.Length, "column's centre from the base's centre along x");
                trace.Given("ey", s.ColumnY, Unit.Length, "column's centre from the base's centre along y");
                trace.Let("Wdis", displaced, Unit.Force, $"{new Sym("fw", f, Unit.Ratio)}·{new Sym("γs", ground.SoilWeight, Unit.UnitWeight)}·{new Sym("ds", s.SoilDepth, Unit.Length)}·{new Sym("Acol", s.Place.Place.Support.Area, Unit.Area)}");
                trace.Let("ΣMx", sumX, Unit.Moment, $"{new Sym("Mx,col", mx, Unit.Moment)} − ({new Sym("N", a.N, Unit.Force)} − {new Sym("Wdis", displaced, Unit.Force)})·{new Sym("ey", s.ColumnY, Unit.Length)}");
                trace.Let("ΣMy", sumY, Unit.Moment, $"{new Sym("My,col", my, Unit.Moment)} + ({new Sym("N", a.N, Unit.Force)} − {new Sym("Wdis", displaced, Unit.Force)})·{new Sym("ex", s.ColumnX, Unit.Length)}");
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

    private static void TellBeside<T>(BaseState s, int k, ref T trace)
        where T : struct, ITrace
    {
        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (load, factor) = (s.PlacedLoads[i], s.Place.LoadTerms[k][i].Factor);
            var name = s.Place.Cases[load.Case].Name;
            trace.Let($"P{i + 1}", factor * load.N, Unit.Force, $"{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N{i + 1}[{name}]", load.N, Unit.Force)}");
            trace.Given($"x{i + 1}", load.X, Unit.Length, $"centre of load {i + 1} beside the column from the base's centre");
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
