using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What acts on a perimeter in a combination.</summary>
/// <param name="Stress">vEd, kPa.</param>
/// <param name="Net">VEd,red, kN.</param>
/// <param name="Mx">MEd about x, kNm.</param>
/// <param name="My">MEd about y, kNm.</param>
internal readonly record struct PerimeterStress(double Stress, double Net, double Mx, double My);

/// <summary>
/// Punching of a base at every perimeter within 2d of the column and at its face, with moments both ways (EN 1992-1-1 6.4.3 to 6.4.5). A
/// column that pulls up is checked at 2d with the top bars, or by plain concrete.
/// </summary>
internal readonly struct PerimeterShear : ICheckRule<PunchedArea, Nothing>
{
    // Between neighbours on the grid the worst distance is sought to so much of the step.
    private const int Halvings = 10;

    // Nearer to the column than a thousandth of a millimetre no perimeter is looked at but its own.
    private const double Nearest = 1e-6;
    private const int Parts = 6;

    // Peaks that may come above the highest of the grid's once they are sought.
    private const double NearPeak = 0.97;

    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    public static double GoverningKey(PunchedArea s) =>
        s.Trial.Looking == Face.Bottom && s.MeanDepth(true) > 0 ? Perimeters(s, true).Key : double.NaN;

    public static Nothing Capacity(PunchedArea s) => default;

    // Between two distances of the grid the force and moments on a closed perimeter are no more than on the nearer one, its length and W no
    // less, and what it holds no less than on the farther one: where all within bears and presses up.
    public static double UpperBound(PunchedArea s, in Nothing capacity, int k)
    {
        if (s.Force(k) < 0 || s.Trial.Looking == Face.Top || s.MeanDepth(true) <= 0 || s.Body.PlacedLoads.Length > 0
            || s.Body.Contact(k) is not { State: ContactState.Full, Pressure: var p })
        {
            return double.PositiveInfinity;
        }

        var set = Perimeters(s, true);
        if (!set.AllClosed || p.Plane(s.X, s.Y) + s.Body.GroundLoad(k).WaterPressure < s.Body.PressedPerArea(k))
        {
            return double.PositiveInfinity;
        }

        // At the column itself all its force acts, and up to the first distance what is held there.
        var none = default(NoTrace);
        var grid = set.Grid;
        var most = AtFace(s, set, k, ref none).Utilisation;
        var before = Stress(s, set.AtColumnItself, set.Depth, k).Stress;
        for (var i = 0; i < grid.Length; i++)
        {
            most = Math.Max(most, before / grid[i].Strength);
            before = Stress(s, grid[i].Perimeter, set.Depth, k).Stress;
        }

        return most;
    }

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var pulled = s.Force(k) < 0;
        if (!s.LooksAt(pulled ? Face.Top : Face.Bottom))
        {
            return Outcome.NotDone;
        }

        if (s.MeanDepth(!pulled || !s.TopIsReinforced) <= 0)
        {
            return Outcome.Ratio(1, 0) with { Face = pulled ? Face.Top : Face.Bottom };
        }

        return pulled ? Pulled(s, k, ref trace) : Pressed(s, k, ref trace);
    }

    /// <summary>The perimeters of a column with the bars that it has now.</summary>
    public static PerimeterSet Perimeters(PunchedArea s, bool bottom)
    {
        var set = bottom ? s.BottomPerimeters : s.TopPerimeters;
        set.Take(s, bottom);
        return set;
    }

    private static Outcome Pressed<T>(PunchedArea s, int k, ref T trace)
        where T : struct, ITrace
    {
        var set = Perimeters(s, true);
        var none = default(NoTrace);
        var (worst, at) = Worst(s, set, k);
        var face = AtFace(s, set, k, ref none);
        var atFace = at is null || face.Utilisation > worst.Utilisation;
        var outcome = (atFace ? face : worst) with { Face = Face.Bottom };
        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            if (atFace)
            {
                trace.Heading("Punching, at the face of the column");
                TellShape(s, ref trace);
                AtFace(s, set, k, ref trace);
            }
            else
            {
                Tell(s, set, at!.Value, k, ref trace);
            }

            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("vEd", outcome.Demand, Unit.Stress)}/{new Sym("vRd", outcome.Capacity, Unit.Stress)}");
        }

        if (T.Notes)
        {
            trace.Note((atFace ? "at the face of the column" : Words(at!.Value, set)) + (Shape(s) is { } o ? "; " + o : ""));
        }

        return outcome;
    }

    private static string Words(in HeldPerimeter p, PerimeterSet set) => FormattableString.Invariant(
        $"{p.Form.Words}, {p.Perimeter.Distance / set.Depth:0.00} d from the column")
        + (set.Steel > 0 && !set.Counts(p) ? "; the bars do not run lbd + d beyond it: vmin" : "");

    // A round column alone is taken as round.
    private static string? Shape(PunchedArea s) => s.First.Outline.Diameter > 0 && s.Columns.Length == 1 ? null : s.ShapeNote;

    private static void TellShape<T>(PunchedArea s, ref T trace)
        where T : struct, ITrace
    {
        if (Shape(s) is { } note)
        {
            trace.Remark(note);
        }
    }

    /// <summary>The worst perimeter in a combination; null where none lies within the base.</summary>
    public static (Outcome Outcome, HeldPerimeter? At) Worst(PunchedArea s, PerimeterSet set, int k)
    {
        var grid = set.Grid;
        Span<double> used = grid.Length <= 512 ? stackalloc double[grid.Length] : new double[grid.Length];
        var (most, best) = (double.NegativeInfinity, -1);
        for (var i = 0; i < grid.Length; i++)
        {
            used[i] = Stress(s, grid[i].Perimeter, set.Depth, k).Stress / grid[i].Strength;
            (most, best) = used[i] > most ? (used[i], i) : (most, best);
        }

        if (best < 0)
        {
            return (Outcome.NotDone, null);
        }

        var found = grid[best];
        foreach (var (first, count, nearest) in set.Runs)
        {
            for (var i = first; i < first + count; i++)
            {
                // Each peak of the grid, the ends of runs among them.
                if (used[i] < NearPeak * most || (i > first && used[i - 1] > used[i]) || (i < first + count - 1 && used[i + 1] > used[i]))
                {
                    continue;
                }

                var (p, u) = Between(s, set, k, grid[i], i == first ? nearest : grid[i - 1].Perimeter.Distance,
                    grid[Math.Min(first + count - 1, i + 1)].Perimeter.Distance, used[i]);
                (found, most) = u > most ? (p, u) : (found, most);
            }
        }

        var stress = Stress(s, found.Perimeter, set.Depth, k).Stress;
        return (Outcome.Ratio(stress, found.Strength), found);
    }

    /// <summary>What governs in a combination: the worst perimeter, or that of the column; null where none lies within the base.</summary>
    public static Figures.PunchingFigure? Figure(PunchedArea s, int k)
    {
        var none = default(NoTrace);
        var pulled = s.Force(k) < 0;
        if (s.MeanDepth(!pulled) <= 0 || (pulled && !s.TopIsReinforced))
        {
            return null;
        }

        var set = Perimeters(s, !pulled);
        var (outcome, at) = pulled ? Farthest(s, set, k) : Worst(s, set, k);
        if (at is not { } held)
        {
            return null;
        }

        var face = pulled ? Outcome.NotDone : AtFace(s, set, k, ref none);
        var (p, net) = face.Utilisation > outcome.Utilisation
            ? (set.AtColumnItself, s.Force(k))
            : (held.Perimeter, pulled ? -s.Force(k) : Stress(s, held.Perimeter, set.Depth, k).Net);
        var box = p.Box;
        var governing = face.Utilisation > outcome.Utilisation ? face : outcome;
        return new Figures.PunchingFigure(new(box.X0, box.Y0), new(box.X1, box.Y1), p.OpenX, p.OpenY, [null, null, null, null],
            governing.Capacity, net, p.Length, set.Depth, pulled)
        { Radius = box.Radius, Distance = p.Distance, Stress = governing.Demand };
    }

    private static (Outcome Outcome, HeldPerimeter? At) Farthest(PunchedArea s, PerimeterSet set, int k)
    {
        var none = default(NoTrace);
        var (worst, which) = (Outcome.NotDone, (HeldPerimeter?)null);
        foreach (var (first, count, _) in set.Runs)
        {
            var far = set.Grid[first + count - 1];
            var o = Far(s, set, far, k, ref none);
            (worst, which) = !worst.Done || o.Utilisation > worst.Utilisation ? (o, far) : (worst, which);
        }

        return (worst, which);
    }

    // By the golden section.
    private static (HeldPerimeter At, double Used) Between(PunchedArea s, PerimeterSet set, int k, in HeldPerimeter peak, double low,
        double high, double atPeak)
    {
        const double golden = 0.6180339887498949;
        var (form, counts) = (peak.Form, set.Counts(peak));
        double Used(double a, out HeldPerimeter p)
        {
            p = set.At(form, Math.Max(a, Nearest), counts);
            return Stress(s, p.Perimeter, set.Depth, k).Stress / p.Strength;
        }

        // Moments that change their sign make a kink, and two peaks between neighbours: the higher is sought.
        var (best, most) = (peak, atPeak);
        var part = (high - low) / Parts;
        for (var i = 1; i < Parts; i++)
        {
            if (Used(low + (i * part), out var p) is var u && u > most)
            {
                (best, most) = (p, u);
            }
        }

        (low, high) = (Math.Max(low, best.Perimeter.Distance - part), Math.Min(high, best.Perimeter.Distance + part));
        var (x1, x2) = (high - (golden * (high - low)), low + (golden * (high - low)));
        var (f1, f2) = (Used(x1, out var p1), Used(x2, out var p2));
        for (var i = 0; i < Halvings; i++)
        {
            (best, most) = f1 > most ? (p1, f1) : (best, most);
            (best, most) = f2 > most ? (p2, f2) : (best, most);
            if (f1 > f2)
            {
                (high, x2, f2) = (x2, x1, f1);
                x1 = high - (golden * (high - low));
                f1 = Used(x1, out p1);
            }
            else
            {
                (low, x1, f1) = (x1, x2, f2);
                x2 = low + (golden * (high - low));
                f2 = Used(x2, out p2);
            }
        }

        return (best, most);
    }

    /// <summary>vEd on a perimeter: VEd,red/(u·d) and of each moment k·MEd/(W·d), added (6.4.4(2), eq. 6.51).</summary>
    public static PerimeterStress Stress(PunchedArea s, in ShearPerimeter p, double depth, int k)
    {
        var none = default(NoTrace);
        return Stress(s, p, depth, k, ref none);
    }

    private static PerimeterStress Stress<T>(PunchedArea s, in ShearPerimeter p, double depth, int k, ref T trace)
        where T : struct, ITrace
    {
        var code = (IShearPerimeters)s.Code;
        var n = s.Force(k);
        var within = Within(s, p, k, ref trace);
        var net = trace.Let("VEd,red", Math.Max(0, n - within.Force), Unit.Force,
            $"max(0; {new Sym("VEd", n, Unit.Force)} − {new Sym("ΔVEd", within.Force, Unit.Force)})", $"{s.Code.Name} 6.4.4(2)");
        var (mx, my) = (p.OpenX, p.OpenY) == (0, 0) ? OfColumn(s, p, k, ref trace) : About(s, p, k, within, ref trace);
        var (kx, ky) = (Share(s, false), Share(s, true));
        trace.Given("kx", kx, Unit.Ratio, "of MEd,x, by c1/c2 with c1 along y", code.ShareOfMomentClause);
        trace.Given("ky", ky, Unit.Ratio, "of MEd,y, by c1/c2 with c1 along x", code.ShareOfMomentClause);
        trace.Given("Wx", p.AbsoluteY, Unit.Area, "∫|y| dl about the perimeter's centroid", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        trace.Given("Wy", p.AbsoluteX, Unit.Area, "∫|x| dl about it", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        var d = new Sym("d", depth, Unit.Section);
        var stress = trace.Let("vEd", ((net / p.Length) + (kx * Math.Abs(mx) / p.AbsoluteY) + (ky * Math.Abs(my) / p.AbsoluteX)) / depth,
            Unit.Stress,
            $"({new Sym("VEd,red", net, Unit.Force)}/{new Sym("u", p.Length, Unit.Length)} + {new Sym("kx", kx, Unit.Ratio)}·"
                + $"|{new Sym("MEd,x", mx, Unit.Moment)}|/{new Sym("Wx", p.AbsoluteY, Unit.Area)} + {new Sym("ky", ky, Unit.Ratio)}·"
                + $"|{new Sym("MEd,y", my, Unit.Moment)}|/{new Sym("Wy", p.AbsoluteX, Unit.Area)})/{d}",
            $"{s.Code.Name} eq. 6.51, both moments added");
        return new PerimeterStress(stress, net, mx, my);
    }

    // k for the moment about y where the eccentricity lies along x.
    private static double Share(PunchedArea s, bool alongX)
    {
        var round = s.First.Outline.Diameter > 0 && s.Columns.Length == 1;
        return ((IShearPerimeters)s.Code).ShareOfMoment(alongX ? s.SideX : s.SideY, alongX ? s.SideY : s.SideX, round);
    }

    // ΔVEd: pressure of ground and water within, less what weighs on it there; with its moments about the body's centroid.
    private static PressureResultant Within<T>(PunchedArea s, in ShearPerimeter p, int k, ref T trace)
        where T : struct, ITrace
    {
        var area = p.Inside;
        var ground = p.Pushed(s.Body.Contact(k).Pressure);
        var u = s.Body.GroundLoad(k).WaterPressure;
        var w = s.Body.PressedPerArea(k);
        var (prism, prismX, prismY) = (0.0, 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var own = c.PrismWeight(k);
            (prism, prismX, prismY) = (prism + own, prismX + (own * c.X), prismY + (own * c.Y));
        }

        // Loads beside the column, within the rectangle round the perimeter: more than within itself, which is safe.
        var box = p.Box;
        var (beside, besideX, besideY) = s.Body.PlacedLoads.Length == 0 ? default
            : s.Body.LoadsWithin(k, box.X0, box.Y0, box.X1, box.Y1);
        var up = ground.Force + (u * area.Area);
        var weight = (w * area.Area) + prism + beside;
        var net = s.Rules.Concrete.Pressure == Concrete.SectionPressure.Net || up < weight ? 1.0 : 0.0;
        if (T.Records)
        {
            trace.Given("A", area.Area, Unit.Area, "plan area within the perimeter, the column's included");
            trace.Given("P", up, Unit.Force, u > 0 ? "∫(p + u) dA within, exact" : "∫p dA within, exact");
            trace.Given("Win", net * weight, Unit.Force,
                $"factored weights{(s.Body.PlacedLoads.Length == 0 ? "" : " and loads beside the column")} within, "
                    + (s.HasPedestals ? "the pedestal's too, less the soil displaced" : "less the soil that the column displaces"));
            trace.Let("ΔVEd", up - (net * weight), Unit.Force,
                $"{new Sym("P", up, Unit.Force)} − {new Sym("Win", net * weight, Unit.Force)}",
                $"{s.Code.Name} 6.4.4(2)");
        }

        return new PressureResultant(up - (net * weight), ground.MomentX + (u * area.X) - (net * ((w * area.X) + prismX + besideX)),
            ground.MomentY + (u * area.Y) - (net * ((w * area.Y) + prismY + besideY)));
    }

    // About the middle of what is punched: the whole moment of the column, whatever pressure does within (6.51).
    private static (double Mx, double My) OfColumn<T>(PunchedArea s, in ShearPerimeter p, int k, ref T trace)
        where T : struct, ITrace
    {
        var (mx, my) = (0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (n, x, y) = c.BringsBelow(k);
            (mx, my) = (mx + x - (n * (c.Y - p.CentroidY)), my + y + (n * (c.X - p.CentroidX)));
        }

        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside, not reduced", $"{s.Code.Name} eq. 6.51");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside, not reduced", $"{s.Code.Name} eq. 6.51");
        return (mx, my);
    }

    // About the centroid of an open perimeter: what the column brings and the net pressure within leave to it.
    private static (double Mx, double My) About<T>(PunchedArea s, in ShearPerimeter p, int k, in PressureResultant within, ref T trace)
        where T : struct, ITrace
    {
        var (cx, cy) = (p.CentroidX, p.CentroidY);
        var (sumN, sumX, sumY) = (0.0, 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (n, x, y) = c.BringsBelow(k);
            (sumN, sumX, sumY) = (sumN + n, sumX + x - (n * (c.Y - cy)), sumY + y + (n * (c.X - cx)));
        }

        var (qx, qy) = (within.MomentX - (cx * within.Force), within.MomentY - (cy * within.Force));
        if (T.Records)
        {
            trace.Given("x'", s.X - cx, Unit.Length, "column from the perimeter's centroid");
            trace.Given("y'", s.Y - cy, Unit.Length, "column from the perimeter's centroid");
            trace.Given("Mx,col", sumX, Unit.Moment, "of the column's force and moment, about that centroid");
            trace.Given("My,col", sumY, Unit.Moment, "of the column's force and moment, about that centroid");
            trace.Given("∫q·x dA", qx, Unit.Moment, "of net pressure within, about that centroid");
            trace.Given("∫q·y dA", qy, Unit.Moment, "the same along y");
        }

        return (trace.Let("MEd,x", sumX + qy, Unit.Moment,
                $"{new Sym("Mx,col", sumX, Unit.Moment)} + {new Sym("∫q·y dA", qy, Unit.Moment)}"),
            trace.Let("MEd,y", sumY - qx, Unit.Moment,
                $"{new Sym("My,col", sumY, Unit.Moment)} − {new Sym("∫q·x dA", qx, Unit.Moment)}"));
    }

    // 6.4.5(3): the whole force on the column's own perimeter, β of the moments by u1 and W1 at 2d.
    private static Outcome AtFace<T>(PunchedArea s, PerimeterSet set, int k, ref T trace)
        where T : struct, ITrace
    {
        var code = (IShearPerimeters)s.Code;
        var (n, mx, my) = (s.Force(k), 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (own, x, y) = c.BringsBelow(k);
            (mx, my) = (mx + x - (own * (c.Y - s.Y)), my + y + (own * (c.X - s.X)));
        }

        var (u1, wy, wx) = set.Basic;
        var (kx, ky) = (Share(s, false), Share(s, true));
        trace.Given("d", set.Depth, Unit.Section, "mean of both layers");
        trace.Given("VEd", n, Unit.Force, "the whole force of the column");
        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside");
        trace.Given("kx", kx, Unit.Ratio, "of MEd,x, by c1/c2 with c1 along y", code.ShareOfMomentClause);
        trace.Given("ky", ky, Unit.Ratio, "of MEd,y, by c1/c2 with c1 along x", code.ShareOfMomentClause);
        trace.Given("u1", u1, Unit.Length, "perimeter at 2d, as if the base reached so far", $"{s.Code.Name} 6.4.2(1)");
        trace.Given("W1,x", wx, Unit.Area, "∫|y| dl of it", $"{s.Code.Name} 6.4.3(3)");
        trace.Given("W1,y", wy, Unit.Area, "∫|x| dl of it", $"{s.Code.Name} 6.4.3(3)");
        // β·VEd, so that moments count also where the force is small.
        var u = new Sym("u1", u1, Unit.Length);
        var beta = trace.Let("β·VEd", n + (((kx * Math.Abs(mx) / wx) + (ky * Math.Abs(my) / wy)) * u1), Unit.Force,
            $"{new Sym("VEd", n, Unit.Force)} + ({new Sym("kx", kx, Unit.Ratio)}·|{new Sym("MEd,x", mx, Unit.Moment)}|/"
                + $"{new Sym("W1,x", wx, Unit.Area)} + {new Sym("ky", ky, Unit.Ratio)}·|{new Sym("MEd,y", my, Unit.Moment)}|/"
                + $"{new Sym("W1,y", wy, Unit.Area)})·{u}", $"{s.Code.Name} eq. 6.39");
        var u0 = trace.Given("u0", set.AtColumn, Unit.Length, "of the column; near edges what of it holds", $"{s.Code.Name} 6.4.5(3)");
        var stress = trace.Let("vEd", beta / (u0 * set.Depth), Unit.Stress,
            $"{new Sym("β·VEd", beta, Unit.Force)}/({new Sym("u0", u0, Unit.Length)}·{new Sym("d", set.Depth, Unit.Section)})",
            $"{s.Code.Name} eq. 6.53");
        return Outcome.Ratio(stress, code.MostPunching(ref trace, s.Rules.Concrete));
    }

    private static void Tell<T>(PunchedArea s, PerimeterSet set, in HeldPerimeter at, int k, ref T trace)
        where T : struct, ITrace
    {
        var code = (IShearPerimeters)s.Code;
        trace.Heading($"Punching, {at.Form.Words}");
        TellShape(s, ref trace);
        var d = trace.Let("d", set.Depth, Unit.Section,
            $"({new Sym("dx", s.Depth(true, true), Unit.Section)} + {new Sym("dy", s.Depth(false, true), Unit.Section)})/2",
            $"{s.Code.Name} eq. 6.32");
        var a = trace.Given("a", at.Perimeter.Distance, Unit.Section, "from the column's face: the worst of all perimeters within 2d",
            code.PerimeterClause);
        trace.Given("u", at.Perimeter.Length, Unit.Length, "of the perimeter, its corners round");
        trace.Given("VEd", s.Force(k), Unit.Force, "of the column");
        Stress(s, at.Perimeter, set.Depth, k, ref trace);
        var counts = set.Counts(at);
        if (set.Steel > 0)
        {
            trace.Given("ρx", PerimeterSet.Ratio(s, true, true), Unit.Ratio, "of the bars along x over the column and 3d beside it");
            trace.Given("ρy", PerimeterSet.Ratio(s, false, true), Unit.Ratio, "of the bars along y over the column and 3d beside it");
            PerimeterSet.Beyond(s, true, true, ref trace);
            PerimeterSet.Beyond(s, false, true, ref trace);
            trace.Remark(counts
                ? "Bars both ways run lbd + d beyond the perimeter: they count."
                : "The bars do not run lbd + d beyond the perimeter everywhere: they do not count.");
        }

        var resistance = code.PunchingResistance(ref trace, s.Rules.Concrete, new PunchedSlab(d, counts ? set.Steel : 0));
        trace.Let("vRd", resistance * 2 * d / a, Unit.Stress,
            $"{new Sym("vRd,c", resistance, Unit.Stress)}·2·{new Sym("d", d, Unit.Section)}/{new Sym("a", a, Unit.Section)}",
            $"{s.Code.Name} eq. 6.50");
    }

    // A column that pulls: at 2d, or as far as the base reaches, without the help of a strut to the column (6.4.3); without top bars by
    // plain concrete at its face (12.6.3). What of the base hangs within is not deducted.
    private static Outcome Pulled<T>(PunchedArea s, int k, ref T trace)
        where T : struct, ITrace
    {
        var reinforced = s.TopIsReinforced;
        if (!reinforced && !s.PlainOnTop(k))
        {
            trace.Note("the column pulls up: top steel is needed both ways");
            return Outcome.Ratio(1, 0) with { Demand = -s.Force(k), Face = Face.Top };
        }

        if (!reinforced)
        {
            if (T.Records)
            {
                BaseLoadCase.Contact(s.Body, k, true, ref trace);
            }

            var plain = OnPlain(s, k, ref trace);
            trace.Note(plain.Passes ? "plain concrete holds the pull" : "the column pulls up: top steel is needed both ways");
            return plain;
        }

        var set = Perimeters(s, false);
        var (worst, at) = Farthest(s, set, k);
        if (at is not { } which)
        {
            trace.Note("no perimeter lies within the base");
            return Outcome.Ratio(0, 1) with { Face = Face.Top };
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Punching by a pull, {which.Form.Words}");
            TellShape(s, ref trace);
            Far(s, set, which, k, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("vEd", worst.Demand, Unit.Stress)}/{new Sym("vRd,c", worst.Capacity, Unit.Stress)}");
        }

        if (T.Notes)
        {
            trace.Note("the column pulls up: " + Words(which, set));
        }

        return worst with { Face = Face.Top };
    }

    private static Outcome Far<T>(PunchedArea s, PerimeterSet set, in HeldPerimeter at, int k, ref T trace)
        where T : struct, ITrace
    {
        var p = at.Perimeter;
        trace.Given("a", p.Distance, Unit.Section, "from the column's face: 2d, or as far as the base reaches", $"{s.Code.Name} 6.4.2(1)");
        trace.Given("u", p.Length, Unit.Length, "of the perimeter");
        var n = trace.Given("VEd", -s.Force(k), Unit.Force, "the pull; what hangs within is not deducted");
        var (mx, my) = OfColumn(s, p, k, ref trace);
        var (kx, ky, d) = (Share(s, false), Share(s, true), set.Depth);
        trace.Given("kx", kx, Unit.Ratio, "of MEd,x", ((IShearPerimeters)s.Code).ShareOfMomentClause);
        trace.Given("ky", ky, Unit.Ratio, "of MEd,y", ((IShearPerimeters)s.Code).ShareOfMomentClause);
        trace.Given("Wx", p.AbsoluteY, Unit.Area, "∫|y| dl about the perimeter's centroid", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        trace.Given("Wy", p.AbsoluteX, Unit.Area, "∫|x| dl about it", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        trace.Given("d", d, Unit.Section, "mean of both top layers");
        var stress = trace.Let("vEd", ((n / p.Length) + (kx * Math.Abs(mx) / p.AbsoluteY) + (ky * Math.Abs(my) / p.AbsoluteX)) / d,
            Unit.Stress,
            $"({new Sym("VEd", n, Unit.Force)}/{new Sym("u", p.Length, Unit.Length)} + {new Sym("kx", kx, Unit.Ratio)}·"
                + $"|{new Sym("MEd,x", mx, Unit.Moment)}|/{new Sym("Wx", p.AbsoluteY, Unit.Area)} + {new Sym("ky", ky, Unit.Ratio)}·"
                + $"|{new Sym("MEd,y", my, Unit.Moment)}|/{new Sym("Wy", p.AbsoluteX, Unit.Area)})/{new Sym("d", d, Unit.Section)}",
            $"{s.Code.Name} eq. 6.38, 6.39");
        var counts = set.Counts(at);
        return Outcome.Ratio(stress,
            ((IShearPerimeters)s.Code).PunchingResistance(ref trace, s.Rules.Concrete, new PunchedSlab(d, counts ? set.Steel : 0)));
    }

    private static Outcome OnPlain<T>(PunchedArea s, int k, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Punching by a pull, plain concrete at the face of the column");
        var (n, mx, my) = (-s.Force(k), 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (own, x, y) = c.BringsBelow(k);
            (mx, my) = (mx + x - (own * (c.Y - s.Y)), my + y + (own * (c.X - s.X)));
        }

        var h = s.Code.PlainThickness(s.Body.Thickness);
        var diameter = s.Columns.Length == 1 ? s.First.Outline.Diameter : 0;
        var (cx, cy) = diameter > 0 ? (diameter / 2, diameter / 2) : (s.SideX / 2, s.SideY / 2);
        var at = new ShearPerimeter(0, (s.X, s.Y, cx, cy), diameter > 0, 0, 0, (s.Body.LowX, s.Body.HighX, s.Body.LowY, s.Body.HighY));
        var (kx, ky) = (Share(s, false), Share(s, true));
        trace.Given("VEd", n, Unit.Force, "the pull; what hangs within is not deducted");
        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside");
        trace.Given("Wx", at.AbsoluteY, Unit.Area, "∫|y| dl of the column's perimeter");
        trace.Given("Wy", at.AbsoluteX, Unit.Area, "∫|x| dl of it");
        var stress = trace.Let("vEd", ((n / at.Length) + (kx * Math.Abs(mx) / at.AbsoluteY) + (ky * Math.Abs(my) / at.AbsoluteX)) / h,
            Unit.Stress,
            $"({new Sym("VEd", n, Unit.Force)}/{new Sym("u0", at.Length, Unit.Length)} + {new Sym("kx", kx, Unit.Ratio)}·"
                + $"|{new Sym("MEd,x", mx, Unit.Moment)}|/{new Sym("Wx", at.AbsoluteY, Unit.Area)} + {new Sym("ky", ky, Unit.Ratio)}·"
                + $"|{new Sym("MEd,y", my, Unit.Moment)}|/{new Sym("Wy", at.AbsoluteX, Unit.Area)})/{new Sym("h", h, Unit.Section)}");
        var outcome = Outcome.Ratio(stress, s.Code.PlainTwoWayShear(ref trace, s.Rules.Concrete, s.Beta));
        trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
            $"{new Sym("vEd", stress, Unit.Stress)}/{new Sym("vRd", outcome.Capacity, Unit.Stress)}");
        return outcome with { Face = Face.Top, Plain = true };
    }
}
