using System.Globalization;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <content>What a trace tells of it.</content>
internal static partial class BaseLoadCase
{
    private static void TellMoments<T>(GroundBody s, int k, double f, double sumX, double sumY, ref T trace)
        where T : struct, ITrace
    {
        List<FormulaPart> x = [], y = [];
        foreach (var c in s.Columns)
        {
            var (mx, my) = (new Sym(Of("Mx,col", c), c.Mx(k), Unit.Moment), new Sym(Of("My,col", c), c.My(k), Unit.Moment));
            var first = x.Count == 0 ? "" : " + ";
            if (c.X == 0 && c.Y == 0)
            {
                x.AddRange([new FormulaPart(first, default), new FormulaPart(null, mx)]);
                y.AddRange([new FormulaPart(first, default), new FormulaPart(null, my)]);
                continue;
            }

            var prism = c.PrismWeight(k);
            var (ex, ey) = (new Sym(Of("ex", c), c.X, Unit.Length), new Sym(Of("ey", c), c.Y, Unit.Length));
            trace.Given(ex.Symbol, c.X, Unit.Length, "column's centre from the base's centre along x");
            trace.Given(ey.Symbol, c.Y, Unit.Length, "column's centre from the base's centre along y");
            var (n, at) = (new Sym(Of("N", c), c.Action(k).N, Unit.Force), new Sym(Of("Wcol", c), prism, Unit.Force));
            trace.Let(at.Symbol, prism, Unit.Force,
                $"{new Sym("fw", f, Unit.Ratio)}·({new Sym(Of("Wped", c), c.PedestalWeight, Unit.Force)} − "
                    + $"{new Sym(Of("Wdis", c), c.Displacing(k).Displaced, Unit.Force)})");
            x.AddRange([new FormulaPart(first, default), new FormulaPart(null, mx), new FormulaPart(" − (", default),
                new FormulaPart(null, n), new FormulaPart(" + ", default), new FormulaPart(null, at), new FormulaPart(")·", default),
                new FormulaPart(null, ey)]);
            y.AddRange([new FormulaPart(first, default), new FormulaPart(null, my), new FormulaPart(" + (", default),
                new FormulaPart(null, n), new FormulaPart(" + ", default), new FormulaPart(null, at), new FormulaPart(")·", default),
                new FormulaPart(null, ex)]);
        }

        trace.Add(new TraceStep(TraceKind.Formula, "ΣMx", sumX, Unit.Moment, x, null));
        trace.Add(new TraceStep(TraceKind.Formula, "ΣMy", sumY, Unit.Moment, y, null));
    }

    private static List<FormulaPart> SumOfForces(GroundBody s, int k, double w, double q, double u)
    {
        var parts = new List<FormulaPart>();
        foreach (var c in s.Columns)
        {
            parts.AddRange([new FormulaPart(null, new Sym(Of("N", c), c.Action(k).N, Unit.Force)), new FormulaPart(" + ", default)]);
        }

        parts.Add(new FormulaPart(null, new Sym("W", w, Unit.Force)));
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
    public static void TellWeights<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Parts.Length > 0)
        {
            TellParts(s, k, ref trace);
            return;
        }

        var (rules, g, load) = (s.Rules, s.Ground, s.GroundLoad(k));
        var column = s.GroundColumn(k);
        var (length, width) = (new Sym("L", s.Length, Unit.Length), new Sym(s.IsRectangle ? "B" : "B,mean", s.Width, Unit.Length));
        if (s.WaterWords(k) is { } words)
        {
            trace.Remark("Water in the ground: " + words);
        }

        if (s.Place.Bare[k])
        {
            trace.Remark("The surcharge is absent: it need not be there");
        }

        var (area, thickness) = (new Sym("A", s.Area, Unit.Area), new Sym("h", s.Thickness, Unit.Length));
        if (s.IsPolygon)
        {
            trace.Given("A", s.Area, Unit.Area, "plan area within the outline");
            trace.Let("Wbase", s.BaseWeight, Unit.Force, $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{area}·{thickness}");
        }
        else if (s.RibBreadth <= 0)
        {
            trace.Let("Wbase", s.BaseWeight, Unit.Force,
                $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{length}·{width}·{thickness}");
        }
        else
        {
            trace.Let("Wbase", s.BaseWeight, Unit.Force,
                $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·({length}·{width}·{thickness} + "
                    + $"{length}·{new Sym("bw", s.RibBreadth, Unit.Length)}·{new Sym("hr", s.RibRise, Unit.Length)})");
        }

        foreach (var c in s.Columns)
        {
            if (c.Pedestal is { } pedestal)
            {
                trace.Let(Of("Wped", c), c.PedestalWeight, Unit.Force,
                    $"{new Sym("γc", rules.Concrete.Weight, Unit.UnitWeight)}·{new Sym(Of("Aped", c), pedestal.Area, Unit.Area)}·"
                        + $"{new Sym(Of("hp", c), c.PedestalHeight, Unit.Length)}");
            }
        }

        if (s.Columns.Length > 1 && s.HasPedestals)
        {
            trace.Given("Wped", s.PedestalWeight, Unit.Force, "of all pedestals");
        }

        var dry = Math.Clamp(column.Water, 0, s.SoilDepth);
        if (column.IsWet && dry < s.SoilDepth)
        {
            trace.Let("σs", load.SoilPerArea, Unit.Pressure,
                $"{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}·{new Sym("d,moist", dry, Unit.Length)} + "
                    + $"{new Sym("γsat", g.SaturatedWeight, Unit.UnitWeight)}·{new Sym("d,wet", s.SoilDepth - dry, Unit.Length)}");
        }
        else
        {
            trace.Let("σs", load.SoilPerArea, Unit.Pressure,
                $"{new Sym("γs", g.SoilWeight, Unit.UnitWeight)}·{new Sym("ds", s.SoilDepth, Unit.Length)}");
        }

        foreach (var c in s.Columns)
        {
            var beneath = Math.Min(s.Area, c.Support.Area);
            var (displaced, columnDepth) = c.Displacing(k);
            var above = column.Weight(0, columnDepth);
            if (s.RibBreadth > 0)
            {
                trace.Given(Of("Wdis", c), displaced, Unit.Force, "soil over the rib whose place the column takes");
            }
            else if (c.Pedestal is { } p)
            {
                trace.Let(Of("Wdis", c), displaced, Unit.Force,
                    $"{new Sym(Of("Aped", c), p.Area, Unit.Area)}·{new Sym(Of("σped", c), load.SoilPerArea - above, Unit.Pressure)} + "
                        + $"{new Sym(Of("Acol", c), beneath, Unit.Area)}·{new Sym(Of("σcol", c), above, Unit.Pressure)}");
            }
            else if (c.Place.Row?.At(c.Index) is not null)
            {
                // Half of it is the other row's.
                trace.Let(Of("Wdis", c), displaced, Unit.Force,
                    $"{new Sym(Of("Acol", c), beneath, Unit.Area)}·{new Sym("σs", load.SoilPerArea, Unit.Pressure)}/2");
            }
            else
            {
                trace.Let(Of("Wdis", c), displaced, Unit.Force,
                    $"{new Sym(Of("Acol", c), beneath, Unit.Area)}·{new Sym("σs", load.SoilPerArea, Unit.Pressure)}");
            }
        }

        if (s.Columns.Length > 1)
        {
            trace.Given("Wdis", load.Displaced, Unit.Force, s.RibBreadth > 0 ? "of all columns and the rib" : "of all columns");
        }

        var (soil, displacedSoil) = (new Sym("σs", load.SoilPerArea, Unit.Pressure), new Sym("Wdis", load.Displaced, Unit.Force));
        if (s.IsPolygon)
        {
            trace.Let("Wsoil", load.Soil, Unit.Force, $"{soil}·{area} − {displacedSoil}");
        }
        else
        {
            trace.Let("Wsoil", load.Soil, Unit.Force, $"{soil}·{length}·{width} − {displacedSoil}");
        }

        TellWall(s, k, ref trace);
        if (load.WaterPressure > 0)
        {
            trace.Let("u", load.WaterPressure, Unit.Pressure,
                $"{new Sym("γw", g.WaterWeight, Unit.UnitWeight)}·({new Sym("Df", s.FoundingDepth, Unit.Length)} − "
                    + $"{new Sym("dw", column.Water, Unit.Length)})");
            if (s.Backing is { } b && b.Lift(k) != 0)
            {
                return;
            }

            if (s.IsPolygon)
            {
                trace.Let("U", load.WaterPressure * s.Area, Unit.Force, $"{new Sym("u", load.WaterPressure, Unit.Pressure)}·{area}");
            }
            else
            {
                trace.Let("U", load.WaterPressure * s.Length * s.Width, Unit.Force,
                    $"{new Sym("u", load.WaterPressure, Unit.Pressure)}·{length}·{width}");
            }
        }
    }

    private static void TellBeside<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        for (var i = 0; i < s.PlacedLoads.Length; i++)
        {
            var (load, factor) = (s.PlacedLoads[i], s.Place.LoadTerms[k][i].Factor);
            var name = s.Place.Cases[load.Case].Name;
            trace.Let($"P{i + 1}", factor * load.N, Unit.Force,
                $"{new Sym("f", factor, Unit.Ratio)}·{new Sym($"N{i + 1}[{name}]", load.N, Unit.Force)}");
            trace.Given($"x{i + 1}", load.X, Unit.Length, i < s.Place.Beside
                ? $"centre of load {(i + 1).ToString(CultureInfo.InvariantCulture)} beside the column from the base's centre"
                : "centre of what this row and one that it crosses weigh twice, from the base's centre");
            trace.Given($"y{i + 1}", load.Y, Unit.Length, "the same along y");
        }
    }

    /// <summary>Tells the contact pressures that hold the loads, and returns them.</summary>
    public static ContactSolution Contact<T>(GroundBody s, int k, bool withSurcharge, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return withSurcharge ? s.Contact(k) : s.ContactWithoutSurcharge(k);
        }

        if (s.Whole is { } whole)
        {
            Contact(whole, k, withSurcharge, ref trace);
            return TellPart(s, k, withSurcharge, ref trace);
        }

        trace.Heading((s.Parts.Length > 0 ? "Loads at the centroid of both bases' areas, " : "Loads at the centre of the underside, ")
            + s.Combinations[k].Name);
        var l = Compute(s, k, withSurcharge, ref trace);
        if (s.Rest is { } rest)
        {
            rest.Tell(k, l, ref trace);
            return s.Contact(k);
        }

        if (s.Bed is { } bed)
        {
            var held = withSurcharge ? s.Contact(k) : s.ContactWithoutSurcharge(k);
            bed.Tell(k, withSurcharge, held, ref trace);
            return held;
        }

        trace.Heading("Contact pressure p = max(0, a + b·x + c·y)");
        var solution = s.Solved(l);
        if (solution.State == ContactState.NoEquilibrium)
        {
            trace.Remark("The resultant lies on or outside the edge of the base, or nothing presses down: there is no equilibrium.");
            return solution;
        }

        var p = solution.Pressure;
        var (length, width) = (s.Length, s.Width);
        if (!s.IsRectangle)
        {
            TellPolygon(s, k, solution, ref trace);
            return solution;
        }

        if (solution.State == ContactState.Full)
        {
            trace.Let("a", p.A, Unit.Pressure,
                $"{new Sym("ΣN", l.N, Unit.Force)}/({new Sym("L", length, Unit.Length)}·{new Sym("B", width, Unit.Length)})");
            trace.Let("b·L/2", p.B * length / 2, Unit.Pressure,
                $"6·{new Sym("ΣN", l.N, Unit.Force)}·{new Sym("xR", l.XR, Unit.Length)}/({new Sym("L", length, Unit.Length)}^2·"
                    + $"{new Sym("B", width, Unit.Length)})");
            trace.Let("c·B/2", p.C * width / 2, Unit.Pressure,
                $"6·{new Sym("ΣN", l.N, Unit.Force)}·{new Sym("yR", l.YR, Unit.Length)}/({new Sym("L", length, Unit.Length)}·"
                    + $"{new Sym("B", width, Unit.Length)}^2)");
        }
        else
        {
            trace.Given("a", p.A, Unit.Pressure, "solved so that ∫p dA = ΣN, ∫p·x dA = ΣN·xR, ∫p·y dA = ΣN·yR over the part in contact");
            trace.Given("b·L/2", p.B * length / 2, Unit.Pressure, "rise from the centre to the edge at +x");
            trace.Given("c·B/2", p.C * width / 2, Unit.Pressure, "rise from the centre to the edge at +y");
            trace.Given("share", solution.Share, Unit.Ratio, "of the base in contact");
            trace.Given("zero line", solution.ZeroLineDistance * Math.Sign(p.A), Unit.Length,
                string.Create(CultureInfo.InvariantCulture, $"from the centre, square to {solution.GradientAngle:0.0}° from x"));
            var r = p.OverRectangle(-length / 2, -width / 2, length / 2, width / 2);
            trace.Given("∫p dA", r.Force, Unit.Force, "the balance, exact over the polygon in contact");
        }

        foreach (var (name, sx, sy) in (ReadOnlySpan<(string, int, int)>)[("p(+x,+y)", 1, 1), ("p(−x,+y)", -1, 1), ("p(−x,−y)", -1, -1),
            ("p(+x,−y)", 1, -1)])
        {
            trace.Let(name, p.At(sx * length / 2, sy * width / 2), Unit.Pressure,
                $"max(0; {new Sym("a", p.A, Unit.Pressure)} {(sx > 0 ? "+" : "−")} {new Sym("b·L/2", p.B * length / 2, Unit.Pressure)} "
                    + $"{(sy > 0 ? "+" : "−")} {new Sym("c·B/2", p.C * width / 2, Unit.Pressure)})");
        }

        return solution;
    }

    // Of an outline that is no rectangle: the plane, found so that it balances, and the pressure at each corner.
    private static void TellPolygon<T>(GroundBody s, int k, in ContactSolution solution, ref T trace)
        where T : struct, ITrace
    {
        var p = solution.Pressure;
        trace.Given("a", p.A, Unit.Pressure, "solved so that ∫p dA = ΣN, ∫p·x dA = ΣN·xR, ∫p·y dA = ΣN·yR over the part in contact");
        trace.Given("b·L", p.B * s.Length, Unit.Pressure, "rise from end to end along x");
        trace.Given("c·B", p.C * s.Width, Unit.Pressure, s.Parts.Length > 0 ? "rise over the greater width along y"
            : "rise over the mean width along y");
        trace.Given("share", solution.Share, Unit.Ratio, "of the base in contact");
        trace.Given("∫p dA", s.Parts.Length > 0 ? s.Pushed(k).Force : p.Over(s.Outline).Force, Unit.Force,
            "the balance, exact over the polygon in contact");
        PlanPoint[] corners = s.Parts.Length == 0 ? [.. s.Outline]
            : [.. s.Parts.ToArray().SelectMany(b => b.Outline.ToArray().Select(c => c with { X = c.X + b.Middle }))];
        for (var i = 0; i < corners.Length; i++)
        {
            var c = corners[i];
            trace.Given($"p{(i + 1).ToString(CultureInfo.InvariantCulture)}", p.At(c.X, c.Y), Unit.Pressure,
                $"at the corner {Unit.Length.FormatWithSymbol(c.X, s.Units)}, {Unit.Length.FormatWithSymbol(c.Y, s.Units)} from "
                    + "the centroid");
        }
    }
}
