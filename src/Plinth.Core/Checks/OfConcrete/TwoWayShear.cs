using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Two-way shear with unbalanced moments both ways round the column (ACI 318 8.4.4.2, 22.6): at d/2, closed and open sections, worst
/// corner.
/// A column that pulls up is checked against the depth to the top bars.
/// </summary>
internal readonly struct TwoWayShear : ICheckRule<PunchedArea, Nothing>
{
    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    // Size and mean depth settle it: the number of bars has no part in it.
    public static double GoverningKey(PunchedArea s) => s.Trial.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Nothing Capacity(PunchedArea s) => default;

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var pressed = Worst(s, Sections(s, true), k, 1, out var stress, out var section);
        if (!s.LooksAt(stress.Vu < 0 ? Face.Top : Face.Bottom))
        {
            return Outcome.NotDone;
        }

        if (!pressed.Done)
        {
            trace.Note("the critical section lies outside the base");
            return pressed with { Done = true };
        }

        if (s.Body.Rest is { } rest && (rest.IsWithin(section) || (stress.Vu < 0 && s.Force(k) >= 0)))
        {
            trace.Note("no pile stands outside the section: nothing is carried across it");
            return Outcome.Ratio(0, pressed.Capacity) with { Face = Face.Bottom };
        }

        var outcome = pressed with { Face = Face.Bottom };
        if (stress.Vu < 0)
        {
            var pulled = Worst(s, Sections(s, false), k, -1, out var pull, out var pullSection);
            if (!pulled.Done || (!s.TopIsReinforced && !s.PlainOnTop(k)))
            {
                trace.Note("the column pulls up: top steel is needed both ways");
                return outcome with { Demand = Math.Abs(stress.Value), Capacity = 0, Utilisation = Outcome.NoCapacity, Face = Face.Top };
            }

            (outcome, stress, section) = (pulled with { Face = Face.Top, Plain = !s.TopIsReinforced }, pull, pullSection);
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            Tell(s, k, section, outcome.Face == Face.Bottom ? 1 : -1, ref trace);
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("vu", outcome.Demand, Unit.Stress)}/{new Sym("φvc", outcome.Capacity, Unit.Stress)}");
        }

        if (T.Notes)
        {
            trace.Note(section.Words
                + (outcome.Face == Face.Top && !s.TopIsReinforced
                    ? outcome.Passes ? "; plain concrete holds the pull" : "; the column pulls up: top steel is needed both ways"
                    : "") + (s.ShapeNote is { } o ? "; " + o : ""));
        }

        return outcome;
    }

    // The sections of a face; found again only when size or effective depth have changed.
    private static PunchingFace Sections(PunchedArea s, bool bottom)
    {
        var face = bottom ? s.Bottom : s.Top;
        // Without top bars a pulled column is held by plain concrete, over its own depth.
        var wanted = (bottom || s.TopIsReinforced ? s.MeanDepth(bottom) : -s.Code.PlainThickness(s.Body.Thickness), s.Trial.Generation);
        if (face.FoundFor != wanted)
        {
            var none = default(NoTrace);
            face.FoundFor = wanted;
            face.Version++;
            face.Count = PunchingSectionFinder.Find(s, Math.Abs(wanted.Item1), ref face.Sections);
            for (var i = 0; i < face.Count; i++)
            {
                face.Properties[i] = Properties(s, face.Sections[i], wanted.Item1 < 0, ref none);
            }
        }

        return face;
    }

    /// <summary>The critical sections that are looked at with the depth to the bottom bars.</summary>
    public static PunchingFace Sections(PunchedArea s) => Sections(s, true);

    /// <summary>Vu without moments of a section in a combination, kN.</summary>
    public static double Direct(PunchedArea s, int k, PunchingFace face, int i)
    {
        ref readonly var section = ref face.Sections[i];
        var pressed = Pushed(s, k, section);
        return s.Force(k) - Within(s, k, section, ref pressed, out _).Up;
    }

    // The ground's and the water's push inside a section, the weights there that count against it, and what is left.
    // Weights act against the pressure inside; where they are not deducted, only their part that exceeds it would count.
    private static (double Up, double Weight, double WeightX, double WeightY) Within(PunchedArea s, int k, in PunchingSection section,
        ref PressureResultant inside, out double water)
    {
        var area = section.SideX * section.SideY;
        var (mx, my) = ((section.X0 + section.X1) / 2, (section.Y0 + section.Y1) / 2);
        water = s.Body.GroundLoad(k).WaterPressure;
        inside = new PressureResultant(inside.Force + (water * area), inside.MomentX + (water * area * mx),
            inside.MomentY + (water * area * my));
        var soil = s.Body.PressedPerArea(k) * area;
        var (prism, prismX, prismY) = (0.0, 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var own = c.PrismWeight(k);
            (prism, prismX, prismY) = (prism + own, prismX + (own * c.X), prismY + (own * c.Y));
        }

        var (beside, besideX, besideY) = s.Body.PlacedLoads.Length == 0
            ? default
            : s.Body.LoadsWithin(k, section.X0, section.Y0, section.X1, section.Y1);
        var net = s.Rules.Concrete.Pressure == SectionPressure.Net || inside.Force < soil + prism + beside ? 1.0 : 0.0;
        var weight = net * (soil + prism + beside);
        return (inside.Force - weight, weight, net * ((soil * mx) + prismX + besideX), net * ((soil * my) + prismY + besideY));
    }

    /// <summary>The section of the highest stress in a combination; −1 where none lies within the base.</summary>
    public static int Governing(PunchedArea s, int k)
    {
        var face = Sections(s, true);
        return Worst(s, face, k, 1, out _, out _).Done ? face.Found![k].Section : -1;
    }

    /// <summary>Unbalanced moments about a section's centroid in a combination, kNm.</summary>
    public static (double Mx, double My) Unbalanced<T>(PunchedArea s, int k, PunchingFace face, int i, ref T trace)
        where T : struct, ITrace
    {
        var found = Find(s, k, face.Sections[i], face.Properties[i], 1, ref trace);
        return (found.Mx, found.My);
    }

    /// <summary>
    /// The section that governs in a combination with the stress at each of its corners; null where none lies within the base.
    /// </summary>
    public static Figures.PunchingFigure? Figure(PunchedArea s, int k)
    {
        var face = Sections(s, true);
        var worst = Worst(s, face, k, 1, out var stress, out var section);
        var sign = 1;
        if (worst.Done && stress.Vu < 0)
        {
            (face, sign) = (Sections(s, false), -1);
            worst = Worst(s, face, k, -1, out stress, out section);
        }

        if (!worst.Done)
        {
            return null;
        }

        var properties = face.Properties[face.Found![k].Section];
        var stresses = new double?[4];
        for (var i = 0; i < 4; i++)
        {
            stresses[i] = HasCorner(section, i)
                ? sign * Stress(properties, stress.Vu / properties.Area, stress.Mx, stress.My, CornerOf(section, properties, i))
                : null;
        }

        return new Figures.PunchingFigure(new(section.X0, section.Y0), new(section.X1, section.Y1), section.OpenX, section.OpenY, stresses,
            properties.Strength, stress.Vu, section.Perimeter, section.Depth, sign < 0);
    }

    // Corners of faces that exist, anticlockwise from (−x, −y); an open side has its corners at the edge of the base, where its faces end.
    private static bool HasCorner(in PunchingSection section, int i) =>
        section.OpenX == 0 || section.OpenY == 0 || i is 1 or 2 != section.OpenX > 0 || i >= 2 != section.OpenY > 0;

    private static PlanPoint CornerOf(in PunchingSection section, in SectionProperties properties, int i) =>
        new((i is 1 or 2 ? section.X1 : section.X0) - properties.CentroidX, (i >= 2 ? section.Y1 : section.Y0) - properties.CentroidY);

    private static double Stress(in SectionProperties properties, double direct, double mx, double my, PlanPoint at) =>
        direct + (properties.SlopeX * my * at.X) + (-properties.SlopeY * mx * at.Y);

    private static SectionProperties Properties<T>(PunchedArea s, in PunchingSection section, bool plain, ref T trace)
        where T : struct, ITrace
    {
        var gy = s.Code.ShearShareOfMoment(ref trace, "γv,y", section.SideX, section.SideY);
        var gx = s.Code.ShearShareOfMoment(ref trace, "γv,x", section.SideY, section.SideX);
        var x0 = section.OpenX > 0 ? section.X0 : section.X1;
        var y0 = section.OpenY > 0 ? section.Y0 : section.Y1;
        var jy = Polar(ref trace, "Jy", section.PolarX, section.Depth, ("bx", section.SideX), ("by", section.SideY), section.OpenX == 0,
            section.OpenY == 0, ((section.X0 + section.X1) / 2) - section.CentroidX, x0 - section.CentroidX);
        var jx = Polar(ref trace, "Jx", section.PolarY, section.Depth, ("by", section.SideY), ("bx", section.SideX), section.OpenY == 0,
            section.OpenX == 0, ((section.Y0 + section.Y1) / 2) - section.CentroidY, y0 - section.CentroidY);
        var beta = s.Beta;
        var strength = plain
            ? s.Code.PlainTwoWayShear(ref trace, s.Rules.Concrete, beta)
            : s.Code.TwoWayShear(ref trace, s.Rules.Concrete, new TwoWaySection(beta, section.AlphaS, section.Perimeter, section.Depth),
                s.Body.Rest is null);
        return new SectionProperties(section.CentroidX, section.CentroidY, section.Perimeter * section.Depth, gy / jy, gx / jx, strength);
    }

    // By faces about the centroid: those along the span, and those across it at their distance.
    private static double Polar<T>(ref T trace, string symbol, double value, double depth, (string Name, double Side) along,
        (string Name, double Side) across, bool closed, bool bothAlong, double middle, double face)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return value;
        }

        var (d, a, b) = (new Sym("d", depth, Unit.Length), new Sym(along.Name, along.Side, Unit.Length),
            new Sym(across.Name, across.Side, Unit.Length));
        var n = bothAlong ? "2·" : "";
        return closed
            ? trace.Let(symbol, value, Unit.FourthPower, $"{n}({d}·{a}^3/12 + {a}·{d}^3/12) + 2·{d}·{b}·({a}/2)^2")
            : trace.Let(symbol, value, Unit.FourthPower,
                $"{n}({d}·{a}^3/12 + {a}·{d}^3/12 + {d}·{a}·{new Sym("e", Math.Abs(middle), Unit.Length)}^2) + {d}·{b}·"
                    + $"{new Sym("f", Math.Abs(face), Unit.Length)}^2");
    }

    private static Outcome Worst(PunchedArea s, PunchingFace face, int k, int sign, out PunchingStress stress, out PunchingSection section)
    {
        face.Found ??= Trial.Rented<(int, Outcome, PunchingStress, int)>(s.Combinations.Length);
        ref var kept = ref face.Found[k];
        if (kept.Version == face.Version)
        {
            (stress, section) = (kept.Stress, face.Sections[kept.Section]);
            return kept.Outcome;
        }

        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        var which = 0;
        (stress, section) = (default, default);
        for (var i = 0; i < face.Count; i++)
        {
            var found = Find(s, k, face.Sections[i], face.Properties[i], sign, ref none);
            var outcome = Outcome.Ratio(found.Value, face.Properties[i].Strength);
            if (!worst.Done || outcome.Utilisation > worst.Utilisation)
            {
                (worst, stress, section, which) = (outcome, found, face.Sections[i], i);
            }
        }

        kept = (face.Version, worst, stress, which);

        return worst;
    }

    // vu(x, y) = Vu/(bo·d) − γv,x·Mx,c·y/Jx + γv,y·My,c·x/Jy, highest (or, pulled up, lowest) over the section's corners.
    private static PunchingStress Find<T>(PunchedArea s, int k, in PunchingSection section, in SectionProperties properties, int sign,
        ref T trace)
        where T : struct, ITrace
    {
        var n = s.Force(k);
        var inside = Pushed(s, k, section);
        var (held, weight, weightX, weightY) = Within(s, k, section, ref inside, out var water);
        var (cx, cy) = (properties.CentroidX, properties.CentroidY);
        if (T.Records && s.Body.Rest is { } piles)
        {
            piles.TellWithin(k, section, ref trace);
            trace.Given("P", inside.Force, Unit.Force,
                water > 0
                    ? "of the piles within the section by their shares, and u·bx·by"
                    : "of the piles within the section by their shares");
        }
        else if (T.Records && s.Body.Bed is null && s.Body.Contact(k).Pressure.BearsWholly(section.X0, section.Y0, section.X1, section.Y1))
        {
            var middle = trace.Given("pm", inside.Force / (section.SideX * section.SideY), Unit.Pressure,
                water > 0 ? "pressure in the middle of the section, the water's included" : "pressure in the middle of the section");
            trace.Let("P", inside.Force, Unit.Force,
                $"{new Sym("pm", middle, Unit.Pressure)}·{new Sym("bx", section.SideX, Unit.Length)}·"
                    + $"{new Sym("by", section.SideY, Unit.Length)}");
        }
        else
        {
            trace.Given("P", inside.Force, Unit.Force,
                water > 0 ? "∫(p + u) dA inside the section, exact" : "∫p dA inside the section, exact");
        }

        trace.Given("Win", weight, Unit.Force,
            $"factored weights{(s.Body.PlacedLoads.Length == 0 ? "" : " and loads beside the column")} inside, "
                + $"{(!s.HasPedestals ? "less the soil that the column displaces" : "the pedestal's too, less the soil displaced")}");
        var up = trace.Let("Q", held, Unit.Force, $"{new Sym("P", inside.Force, Unit.Force)} − {new Sym("Win", weight, Unit.Force)}");
        var vu = trace.Let("Vu", n - up, Unit.Force, $"{new Sym("N", n, Unit.Force)} − {new Sym("Q", up, Unit.Force)}");
        var qx = trace.Given("∫q·x dA", inside.MomentX - weightX - (cx * up), Unit.Moment,
            "of net pressure inside, about the section's centroid");
        var qy = trace.Given("∫q·y dA", inside.MomentY - weightY - (cy * up), Unit.Moment, "the same along y");
        var (mx, my) = s.Columns.Length == 1 ? OfOne(s.First, k, cx, cy, qx, qy, ref trace) : OfSeveral(s, k, cx, cy, qx, qy, ref trace);
        var direct = trace.Let("v0", vu / properties.Area, Unit.Stress,
            $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", section.Perimeter, Unit.Section)}·"
                + $"{new Sym("d", section.Depth, Unit.Section)})");

        var worst = new PunchingStress(double.NegativeInfinity, vu, mx, my, 0, 0);
        for (var i = 0; i < 4; i++)
        {
            if (!HasCorner(section, i))
            {
                continue;
            }

            var at = CornerOf(section, properties, i);
            var v = sign * Stress(properties, direct, mx, my, at);
            v += s.Body.Rest?.Spread(k, section, properties, at.X, at.Y) ?? 0;
            if (v > worst.Value)
            {
                worst = new PunchingStress(v, vu, mx, my, at.X, at.Y);
            }
        }

        if (T.Records)
        {
            trace.Given("x", worst.X, Unit.Length, "worst corner from the section's centroid");
            trace.Given("y", worst.Y, Unit.Length, "worst corner from the section's centroid");
            trace.Let("vu", worst.Value - (s.Body.Rest?.Spread(k, section, properties, worst.X, worst.Y) ?? 0), Unit.Stress,
                $"{(sign > 0 ? "" : "−")}({new Sym("v0", direct, Unit.Stress)} − "
                    + $"{new Sym("γv,x", properties.SlopeY * section.PolarY, Unit.Ratio)}·{new Sym("Mx,c", mx, Unit.Moment)}·"
                    + $"{new Sym("y", worst.Y, Unit.Length)}/{new Sym("Jx", section.PolarY, Unit.FourthPower)} + "
                    + $"{new Sym("γv,y", properties.SlopeX * section.PolarX, Unit.Ratio)}·{new Sym("My,c", my, Unit.Moment)}·"
                    + $"{new Sym("x", worst.X, Unit.Length)}/{new Sym("Jy", section.PolarX, Unit.FourthPower)})",
                $"{s.Code.Name} R8.4.4.2.3");
        }

        if (T.Records && s.Body.Rest?.Spread(k, section, properties, worst.X, worst.Y) is > 0 and var spread)
        {
            // The formula above stands for the piles in place.
            trace.Given("Δvu", spread, Unit.Stress,
                "more where the piles stand out of place in the worst direction: |ΣN|·δ times what the stress there answers to "
                    + "moments of one");
            trace.Let("vu", worst.Value, Unit.Stress,
                $"{new Sym("vu", worst.Value - spread, Unit.Stress)} + {new Sym("Δvu", spread, Unit.Stress)}");
        }

        return worst;
    }

    // What pushes up within a section: the ground's pressure, or piles.
    private static PressureResultant Pushed(PunchedArea s, int k, in PunchingSection section) =>
        s.Body.Rest is { } rest
            ? rest.Within(k, section)
            : s.Body.PushedWithin(k, section.X0, section.Y0, section.X1, section.Y1);

    // Unbalanced moments about the section's centroid: of the column, and of the net pressure inside.
    private static (double Mx, double My) OfOne<T>(Standing c, int k, double cx, double cy, double qx, double qy, ref T trace)
        where T : struct, ITrace
    {
        var (n, x, y) = c.BringsBelow(k);
        var (dx, dy) = (c.X - cx, c.Y - cy);
        var mx = trace.Let("Mx,c", x - (n * dy) + qy, Unit.Moment,
            $"{new Sym("Mx,col", x, Unit.Moment)} − {new Sym("N", n, Unit.Force)}·{new Sym("y'", dy, Unit.Length)} + "
                + $"{new Sym("∫q·y dA", qy, Unit.Moment)}");
        var my = trace.Let("My,c", y + (n * dx) - qx, Unit.Moment,
            $"{new Sym("My,col", y, Unit.Moment)} + {new Sym("N", n, Unit.Force)}·{new Sym("x'", dx, Unit.Length)} − "
                + $"{new Sym("∫q·x dA", qx, Unit.Moment)}");
        return (mx, my);
    }

    private static (double Mx, double My) OfSeveral<T>(PunchedArea s, int k, double cx, double cy, double qx, double qy, ref T trace)
        where T : struct, ITrace
    {
        var (sumX, sumY) = (0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (n, x, y) = c.BringsBelow(k);
            var (dx, dy) = (c.X - cx, c.Y - cy);
            var load = new Sym(BaseLoadCase.Of<T>("N", c), n, Unit.Force);
            sumX += trace.Let(BaseLoadCase.Of<T>("Mx,c", c), x - (n * dy), Unit.Moment,
                $"{new Sym(BaseLoadCase.Of("Mx,col", c), x, Unit.Moment)} − {load}·{new Sym(BaseLoadCase.Of("y'", c), dy, Unit.Length)}");
            sumY += trace.Let(BaseLoadCase.Of<T>("My,c", c), y + (n * dx), Unit.Moment,
                $"{new Sym(BaseLoadCase.Of("My,col", c), y, Unit.Moment)} + {load}·{new Sym(BaseLoadCase.Of("x'", c), dx, Unit.Length)}");
        }

        var mx = trace.Let("Mx,c", sumX + qy, Unit.Moment,
            $"{new Sym("ΣMx,c", sumX, Unit.Moment)} + {new Sym("∫q·y dA", qy, Unit.Moment)}");
        var my = trace.Let("My,c", sumY - qx, Unit.Moment,
            $"{new Sym("ΣMy,c", sumY, Unit.Moment)} − {new Sym("∫q·x dA", qx, Unit.Moment)}");
        return (mx, my);
    }

    private static void Tell<T>(PunchedArea s, int k, in PunchingSection section, int sign, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading($"Two-way shear, {section.Words}");
        if (s.ShapeNote is { } note)
        {
            trace.Remark(note);
        }

        var bottom = sign > 0;
        var plain = !bottom && !s.TopIsReinforced;
        if (plain)
        {
            trace.Given("d", section.Depth, Unit.Section, "h' of the plain section: no top steel", s.Code.PlainClause);
        }
        else
        {
            trace.Let("d", section.Depth, Unit.Section,
                $"({new Sym("dx", s.Depth(true, bottom), Unit.Section)} + {new Sym("dy", s.Depth(false, bottom), Unit.Section)})/2");
        }

        if (section.DrawnIn)
        {
            trace.Remark("At d/2 the section would cross the outline: it is drawn in until it lies within.");
        }

        trace.Given("bx", section.SideX, Unit.Section, "side of the section along x");
        trace.Given("by", section.SideY, Unit.Section, "side of the section along y");
        var (nx, ny) = (section.OpenY == 0 ? 2 : 1, section.OpenX == 0 ? 2 : 1);
        trace.Let("bo", section.Perimeter, Unit.Section,
            $"{(nx == 2 ? "2·" : "")}{new Sym("bx", section.SideX, Unit.Section)} + "
                + $"{(ny == 2 ? "2·" : "")}{new Sym("by", section.SideY, Unit.Section)}");
        trace.Given("x'", s.X - section.CentroidX, Unit.Length, "column from the section's centroid");
        trace.Given("y'", s.Y - section.CentroidY, Unit.Length, "column from the section's centroid");
        trace.Given("w", s.Body.PressedPerArea(k), Unit.Pressure,
            $"factored weight of base, soil and surcharge{(s.Body.IsRectangle ? "" : ", and of loads over the whole base,")} per area");
        if (section.OpenX != 0 && section.OpenY != 0)
        {
            trace.Remark("Two-sided section: the product of inertia is ignored.");
        }

        var properties = Properties(s, section, plain, ref trace);
        Find(s, k, section, properties, sign, ref trace);
    }
}
