using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>The critical sections of a face with their strengths.</summary>
internal struct PunchingFace
{
    /// <summary>The sections.</summary>
    public PunchingSections Sections;

    /// <summary>How many there are.</summary>
    public int Count;

    /// <summary>φvc of each, kPa.</summary>
    public Strengths Strength;

    /// <summary>Strengths by section.</summary>
    [System.Runtime.CompilerServices.InlineArray(9)]
    internal struct Strengths
    {
        private double first;
    }
}

/// <summary>Both faces.</summary>
internal struct PunchingCapacity
{
    /// <summary>Column pressed down: depth to the bottom layers.</summary>
    public PunchingFace Bottom;

    /// <summary>Column pulled up: depth to the top layers; no sections without top bars.</summary>
    public PunchingFace Top;

    /// <summary>Whether there are top bars both ways.</summary>
    public bool HasTop;
}

/// <summary>
/// Two-way shear with unbalanced moments both ways round the column (ACI 318 8.4.4.2, 22.6): at d/2, closed and open sections, worst corner.
/// A column that pulls up is checked against the depth to the top bars.
/// </summary>
internal readonly struct TwoWayShear : ICheckRule<PunchingCapacity>
{
    private readonly record struct Stress(double Value, double Vu, double Mx, double My, double X, double Y);

    public static PunchingCapacity Capacity(BaseState s)
    {
        var result = default(PunchingCapacity);
        result.HasTop = s.Bars.TopX.Any && s.Bars.TopY.Any;
        Fill(s, true, ref result.Bottom);
        if (result.HasTop)
        {
            Fill(s, false, ref result.Top);
        }

        return result;
    }

    public static Outcome Evaluate<T>(BaseState s, in PunchingCapacity capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var pressed = Worst(s, capacity.Bottom, k, 1, out var stress, out var section);
        if (!s.LooksAt(stress.Vu < 0 ? Face.Top : Face.Bottom))
        {
            return Outcome.NotDone;
        }

        if (!pressed.Done)
        {
            return T.Notes ? pressed with { Done = true, Note = "the critical section lies outside the base" } : pressed with { Done = true };
        }

        var outcome = pressed with { Face = Face.Bottom };
        if (stress.Vu < 0)
        {
            if (!capacity.HasTop)
            {
                return outcome with { Demand = Math.Abs(stress.Value), Capacity = 0, Utilisation = Outcome.NoCapacity, Face = Face.Top, Note = T.Notes ? "the column pulls up: top steel is needed both ways" : null };
            }

            outcome = Worst(s, capacity.Top, k, -1, out stress, out section) with { Done = true, Face = Face.Top };
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
            Tell(s, k, section, outcome.Face == Face.Bottom ? 1 : -1, ref trace);
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio, $"{new Sym("vu", outcome.Demand, Unit.Stress)}/{new Sym("φvc", outcome.Capacity, Unit.Stress)}");
        }

        return T.Notes ? outcome with { Note = section.Words + (s.Place.Outline.Note is { } o ? "; " + o : "") } : outcome;
    }

    private static void Fill(BaseState s, bool bottom, ref PunchingFace face)
    {
        var none = default(NoTrace);
        face.Count = PunchingSectionFinder.Find(s, s.MeanDepth(bottom), ref face.Sections);
        for (var i = 0; i < face.Count; i++)
        {
            face.Strength[i] = Strength(s, face.Sections[i], ref none);
        }
    }

    private static double Strength<T>(BaseState s, in PunchingSection section, ref T trace)
        where T : struct, ITrace
    {
        var o = s.Place.Outline;
        var beta = Math.Max(o.X, o.Y) / Math.Min(o.X, o.Y);
        return s.Code.TwoWayShear(ref trace, s.Rules.Concrete, new TwoWaySection(beta, section.AlphaS, section.Perimeter, section.Depth));
    }

    private static Outcome Worst(BaseState s, in PunchingFace face, int k, int sign, out Stress stress, out PunchingSection section)
    {
        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        (stress, section) = (default, default);
        for (var i = 0; i < face.Count; i++)
        {
            var found = Find(s, k, face.Sections[i], sign, ref none);
            var outcome = Outcome.Ratio(found.Value, face.Strength[i]);
            if (!worst.Done || outcome.Utilisation > worst.Utilisation)
            {
                (worst, stress, section) = (outcome, found, face.Sections[i]);
            }
        }

        return worst;
    }

    // vu(x, y) = Vu/(bo·d) − γv,x·Mx,c·y/Jx + γv,y·My,c·x/Jy, highest (or, pulled up, lowest) over the section's corners.
    private static Stress Find<T>(BaseState s, int k, in PunchingSection section, int sign, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var l = ref s.Loads(k);
        var n = l.Column.N;
        var inside = s.Contact(k).Pressure.OverRectangle(section.X0, section.Y0, section.X1, section.Y1);
        var area = section.SideX * section.SideY;
        var w = s.WeightPerArea(k);
        var displaced = s.Combinations[k].WeightFactor * s.DisplacedSoil;

        // Weights act against the pressure inside; where they are not deducted, only their part that exceeds it would count.
        var net = s.Rules.Concrete.Pressure == SectionPressure.Net || inside.Force < (w * area) - displaced ? 1.0 : 0.0;
        var (cx, cy) = (section.CentroidX, section.CentroidY);
        var weight = net * ((w * area) - displaced);
        var weightX = net * ((w * area * (section.X0 + section.X1) / 2) - (displaced * s.ColumnX));
        var weightY = net * ((w * area * (section.Y0 + section.Y1) / 2) - (displaced * s.ColumnY));
        trace.Given("P", inside.Force, Unit.Force, "∫p dA inside the section, exact");
        trace.Given("Win", weight, Unit.Force, "factored weights inside, less the soil that the column displaces");
        var up = trace.Let("Q", inside.Force - weight, Unit.Force, $"{new Sym("P", inside.Force, Unit.Force)} − {new Sym("Win", weight, Unit.Force)}");
        var vu = trace.Let("Vu", n - up, Unit.Force, $"{new Sym("N", n, Unit.Force)} − {new Sym("Q", up, Unit.Force)}");
        var qx = trace.Given("∫q·x dA", inside.MomentX - weightX - (cx * up), Unit.Moment, "of net pressure inside, about the section's centroid");
        var qy = trace.Given("∫q·y dA", inside.MomentY - weightY - (cy * up), Unit.Moment, "the same along y");
        var (dx, dy) = (s.ColumnX - cx, s.ColumnY - cy);
        var mx = trace.Let("Mx,c", l.ColumnMx - (n * dy) + qy, Unit.Moment, $"{new Sym("Mx,col", l.ColumnMx, Unit.Moment)} − {new Sym("N", n, Unit.Force)}·{new Sym("y'", dy, Unit.Length)} + {new Sym("∫q·y dA", qy, Unit.Moment)}");
        var my = trace.Let("My,c", l.ColumnMy + (n * dx) - qx, Unit.Moment, $"{new Sym("My,col", l.ColumnMy, Unit.Moment)} + {new Sym("N", n, Unit.Force)}·{new Sym("x'", dx, Unit.Length)} − {new Sym("∫q·x dA", qx, Unit.Moment)}");
        var gx = s.Code.ShearShareOfMoment(ref trace, "y", section.SideX, section.SideY);
        var gy = s.Code.ShearShareOfMoment(ref trace, "x", section.SideY, section.SideX);
        var jx = trace.Given("Jy", section.PolarX, Unit.FourthPower, "for moments about y, by faces about the centroid");
        var jy = trace.Given("Jx", section.PolarY, Unit.FourthPower, "for moments about x, by faces about the centroid");
        var bo = section.Perimeter;
        var direct = trace.Let("v0", vu / (bo * section.Depth), Unit.Stress, $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", bo, Unit.Section)}·{new Sym("d", section.Depth, Unit.Section)})");
        var slopeX = gx * my / jx;
        var slopeY = -gy * mx / jy;

        // Corners of faces that exist; an open side has its corners at the edge of the base, where its faces end.
        var worst = new Stress(double.NegativeInfinity, vu, mx, my, 0, 0);
        for (var i = 0; i < 4; i++)
        {
            var right = i is 1 or 2;
            var top = i >= 2;
            if ((section.OpenX != 0 && section.OpenY != 0) && right == (section.OpenX > 0) && top == (section.OpenY > 0))
            {
                continue;
            }

            var x = (right ? section.X1 : section.X0) - cx;
            var y = (top ? section.Y1 : section.Y0) - cy;
            var v = sign * (direct + (slopeX * x) + (slopeY * y));
            if (v > worst.Value)
            {
                worst = new Stress(v, vu, mx, my, x, y);
            }
        }

        if (T.Records)
        {
            trace.Given("x", worst.X, Unit.Length, "worst corner from the section's centroid");
            trace.Given("y", worst.Y, Unit.Length, "worst corner from the section's centroid");
            trace.Let("vu", worst.Value, Unit.Stress, $"{(sign > 0 ? "" : "−")}({new Sym("v0", direct, Unit.Stress)} − {new Sym("γv,x", gy, Unit.Ratio)}·{new Sym("Mx,c", mx, Unit.Moment)}·{new Sym("y", worst.Y, Unit.Length)}/{new Sym("Jx", jy, Unit.FourthPower)} + {new Sym("γv,y", gx, Unit.Ratio)}·{new Sym("My,c", my, Unit.Moment)}·{new Sym("x", worst.X, Unit.Length)}/{new Sym("Jy", jx, Unit.FourthPower)})", s.Code.Name + " R8.4.4.2.3");
        }

        return worst;
    }

    private static void Tell<T>(BaseState s, int k, in PunchingSection section, int sign, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading($"Two-way shear, {section.Words}");
        if (s.Place.Outline.Note is { } note)
        {
            trace.Remark(note);
        }

        var bottom = sign > 0;
        trace.Let("d", section.Depth, Unit.Section, $"({new Sym("dx", s.Depth(true, bottom), Unit.Section)} + {new Sym("dy", s.Depth(false, bottom), Unit.Section)})/2");
        trace.Given("bx", section.SideX, Unit.Section, "side of the section along x");
        trace.Given("by", section.SideY, Unit.Section, "side of the section along y");
        var (nx, ny) = (section.OpenY == 0 ? 2 : 1, section.OpenX == 0 ? 2 : 1);
        trace.Let("bo", section.Perimeter, Unit.Section, $"{(nx == 2 ? "2·" : "")}{new Sym("bx", section.SideX, Unit.Section)} + {(ny == 2 ? "2·" : "")}{new Sym("by", section.SideY, Unit.Section)}");
        trace.Given("x'", s.ColumnX - section.CentroidX, Unit.Length, "column from the section's centroid");
        trace.Given("y'", s.ColumnY - section.CentroidY, Unit.Length, "column from the section's centroid");
        trace.Given("w", s.WeightPerArea(k), Unit.Pressure, "factored weight of base, soil and surcharge per area");
        if (section.OpenX != 0 && section.OpenY != 0)
        {
            trace.Remark("Two-sided section: the product of inertia is ignored.");
        }

        Find(s, k, section, sign, ref trace);
        Strength(s, section, ref trace);
    }
}
