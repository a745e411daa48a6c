using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>The critical sections of a face with their strengths.</summary>
internal sealed class PunchingFace
{
    /// <summary>The sections.</summary>
    public PunchingSections Sections;

    /// <summary>How many there are.</summary>
    public int Count;

    /// <summary>The effective depth and size for which they were found.</summary>
    public (double Depth, int Generation) FoundFor;

    /// <summary>What of each does not depend on loads.</summary>
    public PunchingProperties Properties;

    /// <summary>Properties by section.</summary>
    [System.Runtime.CompilerServices.InlineArray(9)]
    internal struct PunchingProperties
    {
        private SectionProperties first;
    }
}

/// <summary>What of a critical section does not depend on loads.</summary>
/// <param name="CentroidX">m from the base's centre.</param>
/// <param name="CentroidY">m from the base's centre.</param>
/// <param name="Area">bo·d, m2.</param>
/// <param name="SlopeX">γv,y/Jy: stress per unit moment about y and metre along x.</param>
/// <param name="SlopeY">γv,x/Jx.</param>
/// <param name="Strength">φvc, kPa.</param>
internal readonly record struct SectionProperties(double CentroidX, double CentroidY, double Area, double SlopeX, double SlopeY, double Strength);

/// <summary>
/// Two-way shear with unbalanced moments both ways round the column (ACI 318 8.4.4.2, 22.6): at d/2, closed and open sections, worst corner.
/// A column that pulls up is checked against the depth to the top bars.
/// </summary>
internal readonly struct TwoWayShear : ICheckRule<Nothing>
{
    private readonly record struct Stress(double Value, double Vu, double Mx, double My, double X, double Y);

    // Size and mean depth settle it: the number of bars has no part in it.
    public static double GoverningKey(BaseState s) => s.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Nothing Capacity(BaseState s) => default;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Contact(k).State == ContactState.NoEquilibrium)
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

        var outcome = pressed with { Face = Face.Bottom };
        if (stress.Vu < 0)
        {
            if (!s.Bars.TopX.Any || !s.Bars.TopY.Any)
            {
                trace.Note("the column pulls up: top steel is needed both ways");
                return outcome with { Demand = Math.Abs(stress.Value), Capacity = 0, Utilisation = Outcome.NoCapacity, Face = Face.Top };
            }

            outcome = Worst(s, Sections(s, false), k, -1, out stress, out section) with { Done = true, Face = Face.Top };
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
            Tell(s, k, section, outcome.Face == Face.Bottom ? 1 : -1, ref trace);
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio, $"{new Sym("vu", outcome.Demand, Unit.Stress)}/{new Sym("φvc", outcome.Capacity, Unit.Stress)}");
        }

        if (T.Notes)
        {
            trace.Note(section.Words + (s.Place.Outline.Note is { } o ? "; " + o : ""));
        }

        return outcome;
    }

    // The sections of a face; found again only when size or effective depth have changed.
    private static PunchingFace Sections(BaseState s, bool bottom)
    {
        var face = bottom ? s.PunchingBottom : s.PunchingTop;
        var wanted = (s.MeanDepth(bottom), s.Generation);
        if (face.FoundFor != wanted)
        {
            var none = default(NoTrace);
            face.FoundFor = wanted;
            face.Count = PunchingSectionFinder.Find(s, wanted.Item1, ref face.Sections);
            for (var i = 0; i < face.Count; i++)
            {
                face.Properties[i] = Properties(s, face.Sections[i], ref none);
            }
        }

        return face;
    }

    private static SectionProperties Properties<T>(BaseState s, in PunchingSection section, ref T trace)
        where T : struct, ITrace
    {
        var gy = s.Code.ShearShareOfMoment(ref trace, "γv,y", section.SideX, section.SideY);
        var gx = s.Code.ShearShareOfMoment(ref trace, "γv,x", section.SideY, section.SideX);
        var x0 = section.OpenX > 0 ? section.X0 : section.X1;
        var y0 = section.OpenY > 0 ? section.Y0 : section.Y1;
        var jy = Polar(ref trace, "Jy", section.PolarX, section.Depth, ("bx", section.SideX), ("by", section.SideY), section.OpenX == 0, section.OpenY == 0, ((section.X0 + section.X1) / 2) - section.CentroidX, x0 - section.CentroidX);
        var jx = Polar(ref trace, "Jx", section.PolarY, section.Depth, ("by", section.SideY), ("bx", section.SideX), section.OpenY == 0, section.OpenX == 0, ((section.Y0 + section.Y1) / 2) - section.CentroidY, y0 - section.CentroidY);
        var o = s.Place.Outline;
        var beta = Math.Max(o.X, o.Y) / Math.Min(o.X, o.Y);
        var strength = s.Code.TwoWayShear(ref trace, s.Rules.Concrete, new TwoWaySection(beta, section.AlphaS, section.Perimeter, section.Depth));
        return new SectionProperties(section.CentroidX, section.CentroidY, section.Perimeter * section.Depth, gy / jy, gx / jx, strength);
    }

    // By faces about the centroid: those along the span, and those across it at their distance.
    private static double Polar<T>(ref T trace, string symbol, double value, double depth, (string Name, double Side) along, (string Name, double Side) across, bool closed, bool bothAlong, double middle, double face)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return value;
        }

        var (d, a, b) = (new Sym("d", depth, Unit.Length), new Sym(along.Name, along.Side, Unit.Length), new Sym(across.Name, across.Side, Unit.Length));
        var n = bothAlong ? "2·" : "";
        return closed
            ? trace.Let(symbol, value, Unit.FourthPower, $"{n}({d}·{a}^3/12 + {a}·{d}^3/12) + 2·{d}·{b}·({a}/2)^2")
            : trace.Let(symbol, value, Unit.FourthPower, $"{n}({d}·{a}^3/12 + {a}·{d}^3/12 + {d}·{a}·{new Sym("e", Math.Abs(middle), Unit.Length)}^2) + {d}·{b}·{new Sym("f", Math.Abs(face), Unit.Length)}^2");
    }

    private static Outcome Worst(BaseState s, PunchingFace face, int k, int sign, out Stress stress, out PunchingSection section)
    {
        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        (stress, section) = (default, default);
        for (var i = 0; i < face.Count; i++)
        {
            var found = Find(s, k, face.Sections[i], face.Properties[i], sign, ref none);
            var outcome = Outcome.Ratio(found.Value, face.Properties[i].Strength);
            if (!worst.Done || outcome.Utilisation > worst.Utilisation)
            {
                (worst, stress, section) = (outcome, found, face.Sections[i]);
            }
        }

        return worst;
    }

    // vu(x, y) = Vu/(bo·d) − γv,x·Mx,c·y/Jx + γv,y·My,c·x/Jy, highest (or, pulled up, lowest) over the section's corners.
    private static Stress Find<T>(BaseState s, int k, in PunchingSection section, in SectionProperties properties, int sign, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var l = ref s.Loads(k);
        var n = l.Column.N;
        var inside = s.Contact(k).Pressure.OverRectangle(section.X0, section.Y0, section.X1, section.Y1);
        var area = section.SideX * section.SideY;
        var w = s.WeightPerArea(k);
        var displaced = s.Combinations[k].WeightFactor * s.DisplacedSoil;

        // Weights act against the pressure inside; where they are not deducted, only their part that exceeds it would count.
        var (beside, besideX, besideY) = s.PlacedLoads.Length == 0 ? default : s.LoadsWithin(k, section.X0, section.Y0, section.X1, section.Y1);
        var net = s.Rules.Concrete.Pressure == SectionPressure.Net || inside.Force < (w * area) - displaced + beside ? 1.0 : 0.0;
        var (cx, cy) = (properties.CentroidX, properties.CentroidY);
        var weight = net * ((w * area) - displaced + beside);
        var weightX = net * ((w * area * (section.X0 + section.X1) / 2) - (displaced * s.ColumnX) + besideX);
        var weightY = net * ((w * area * (section.Y0 + section.Y1) / 2) - (displaced * s.ColumnY) + besideY);
        if (T.Records && s.Contact(k).Pressure.BearsWholly(section.X0, section.Y0, section.X1, section.Y1))
        {
            var middle = trace.Given("pm", inside.Force / area, Unit.Pressure, "pressure in the middle of the section");
            trace.Let("P", inside.Force, Unit.Force, $"{new Sym("pm", middle, Unit.Pressure)}·{new Sym("bx", section.SideX, Unit.Length)}·{new Sym("by", section.SideY, Unit.Length)}");
        }
        else
        {
            trace.Given("P", inside.Force, Unit.Force, "∫p dA inside the section, exact");
        }

        trace.Given("Win", weight, Unit.Force, s.PlacedLoads.Length == 0 ? "factored weights inside, less the soil that the column displaces" : "factored weights and loads beside the column inside, less the soil that the column displaces");
        var up = trace.Let("Q", inside.Force - weight, Unit.Force, $"{new Sym("P", inside.Force, Unit.Force)} − {new Sym("Win", weight, Unit.Force)}");
        var vu = trace.Let("Vu", n - up, Unit.Force, $"{new Sym("N", n, Unit.Force)} − {new Sym("Q", up, Unit.Force)}");
        var qx = trace.Given("∫q·x dA", inside.MomentX - weightX - (cx * up), Unit.Moment, "of net pressure inside, about the section's centroid");
        var qy = trace.Given("∫q·y dA", inside.MomentY - weightY - (cy * up), Unit.Moment, "the same along y");
        var (dx, dy) = (s.ColumnX - cx, s.ColumnY - cy);
        var mx = trace.Let("Mx,c", l.ColumnMx - (n * dy) + qy, Unit.Moment, $"{new Sym("Mx,col", l.ColumnMx, Unit.Moment)} − {new Sym("N", n, Unit.Force)}·{new Sym("y'", dy, Unit.Length)} + {new Sym("∫q·y dA", qy, Unit.Moment)}");
        var my = trace.Let("My,c", l.ColumnMy + (n * dx) - qx, Unit.Moment, $"{new Sym("My,col", l.ColumnMy, Unit.Moment)} + {new Sym("N", n, Unit.Force)}·{new Sym("x'", dx, Unit.Length)} − {new Sym("∫q·x dA", qx, Unit.Moment)}");
        var direct = trace.Let("v0", vu / properties.Area, Unit.Stress, $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", section.Perimeter, Unit.Section)}·{new Sym("d", section.Depth, Unit.Section)})");
        var slopeX = properties.SlopeX * my;
        var slopeY = -properties.SlopeY * mx;

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
            trace.Let("vu", worst.Value, Unit.Stress, $"{(sign > 0 ? "" : "−")}({new Sym("v0", direct, Unit.Stress)} − {new Sym("γv,x", properties.SlopeY * section.PolarY, Unit.Ratio)}·{new Sym("Mx,c", mx, Unit.Moment)}·{new Sym("y", worst.Y, Unit.Length)}/{new Sym("Jx", section.PolarY, Unit.FourthPower)} + {new Sym("γv,y", properties.SlopeX * section.PolarX, Unit.Ratio)}·{new Sym("My,c", my, Unit.Moment)}·{new Sym("x", worst.X, Unit.Length)}/{new Sym("Jy", section.PolarX, Unit.FourthPower)})", $"{s.Code.Name} R8.4.4.2.3");
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

        var properties = Properties(s, section, ref trace);
        Find(s, k, section, properties, sign, ref trace);
    }
}
