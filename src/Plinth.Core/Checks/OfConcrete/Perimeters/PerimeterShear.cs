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
internal readonly partial struct PerimeterShear : ICheckRule<PunchedArea, Nothing>
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
            || s.Body.Bed is not null
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

    // 6.4.5(3): the whole force on the column's own perimeter, β of the moments by u1 and W1 at 2d.
    private static Outcome AtFace<T>(PunchedArea s, PerimeterSet set, int k, ref T trace)
        where T : struct, ITrace
    {
        var code = (IShearPerimeters)s.Code;
        var (n, mx, my) = Brought(s, k, s.X, s.Y);
        var (u1, wy, wx) = set.Basic;
        trace.Given("d", set.Depth, Unit.Section, "mean of both layers");
        trace.Given("VEd", n, Unit.Force, "the whole force of the column");
        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside");
        var (kx, ky) = Shares(s, ref trace);
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
}
