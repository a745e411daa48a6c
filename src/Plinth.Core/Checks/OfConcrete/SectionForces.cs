using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What acts on the part of a base beyond a section across an axis.</summary>
/// <param name="Side">+1: the part towards +axis; −1 towards −axis.</param>
/// <param name="At">Where the section lies from the base's centre, m.</param>
/// <param name="Overhang">Length of the part beyond, m; 0 or less: the section lies outside the base.</param>
/// <param name="UpShear">∫(p + u) dA over the part, kN: the ground's pressure and the water's.</param>
/// <param name="UpMoment">∫(p + u)·distance dA about the section, kNm.</param>
/// <param name="DownShear">Factored weights and loads beside the column on the part, kN.</param>
/// <param name="DownMoment">Their moment about the section, kNm.</param>
/// <param name="Deduct">Share of the weights that counts against upward effects: 1 net, 0 gross; NaN where nothing is known.</param>
internal readonly record struct SectionForces(int Side, double At, double Overhang, double UpShear, double UpMoment, double DownShear,
    double DownMoment, double Deduct)
{
    /// <summary>By how much the shear may be more or less, as piles may stand out of place, kN.</summary>
    public double SpreadShear { get; init; }

    /// <summary>The same of the moment, kNm.</summary>
    public double SpreadMoment { get; init; }

    /// <summary>Whether the strip that the part belongs to has no equilibrium of its own, so that nothing is known of its forces.</summary>
    public bool Lost => double.IsNaN(Deduct);

    /// <summary>What a check of such a strip finds.</summary>
    public static Outcome NoEquilibrium<T>(double capacity, Face face, ref T trace)
        where T : struct, ITrace
    {
        trace.Note("the loads of the strip across stand outside the base's width: there is no equilibrium of it; widen the base");
        trace.Given("utilisation", Outcome.NoCapacity, Unit.Ratio, "the strip's resultant lies outside it: there is no equilibrium");
        return new Outcome { Done = true, Capacity = capacity, Utilisation = Outcome.NoCapacity, FailsAnyhow = true, Face = face };
    }

    /// <summary>Upward shear, kN; 0 if the part is pressed down.</summary>
    public double ShearUp => Math.Max(0, UpShear - (Deduct * DownShear) + SpreadShear);

    /// <summary>Downward shear, kN.</summary>
    public double ShearDown => Math.Max(0, DownShear - UpShear + SpreadShear);

    /// <summary>Moment that stretches the bottom, kNm.</summary>
    public double MomentUp => Math.Max(0, UpMoment - (Deduct * DownMoment) + SpreadMoment);

    /// <summary>Moment that stretches the top, kNm.</summary>
    public double MomentDown => Math.Max(0, DownMoment - UpMoment + SpreadMoment);

    /// <summary>Forces beyond a section across a whole body, a rectangle or a polygon that piles hold, with no column beyond it.</summary>
    /// <param name="body">The body.</param>
    /// <param name="k">The combination.</param>
    /// <param name="alongX">The part spans along x, or along y.</param>
    /// <param name="side">+1 or −1.</param>
    /// <param name="at">Where the section lies from the body's centroid, m.</param>
    public static SectionForces Of(GroundBody body, int k, bool alongX, int side, double at)
    {
        if (body.IsPolygon)
        {
            return OfPolygon(body, k, alongX, side, at);
        }

        var (half, across) = alongX ? (body.Length / 2, body.Width) : (body.Width / 2, body.Length);
        var overhang = half - (side * at);
        if (overhang <= 0)
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, 1);
        }

        var (from, to) = side > 0 ? (at, half) : (-half, at);
        var f = FreeBody.Strip(body, k, alongX, from, to);
        var water = f.Water * overhang * across;
        var moment = (side * ((alongX ? f.Ground.MomentX : f.Ground.MomentY) - (at * f.Ground.Force))) + (water * overhang / 2);
        var weight = f.Weight * overhang * across;
        var besideForce = f.Beside;
        var beside = side * ((alongX ? f.BesideX : f.BesideY) - (at * f.Beside));
        var (wedge, corner) = body.Rising(k);
        if (wedge != 0)
        {
            // Soil that a rising base lifts beside itself hangs on its edges.
            besideForce += (wedge * (across + (2 * overhang))) + (2 * corner);
            beside += (((wedge * across) + (2 * corner)) * overhang) + (wedge * overhang * overhang);
        }

        return new SectionForces(side, at, overhang, f.Ground.Force + water, moment, weight + besideForce, (weight * overhang / 2) + beside,
            body.Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    // No ground presses on it: its own weights, loads on it and the water.
    private static SectionForces OfPolygon(GroundBody body, int k, bool alongX, int side, double at)
    {
        var overhang = side > 0 ? body.High(alongX) - at : at - body.Low(alongX);
        if (overhang <= 0)
        {
            return new SectionForces(side, at, overhang, 0, 0, 0, 0, 1);
        }

        const double all = double.PositiveInfinity;
        var (area, moment) = body.Beyond(alongX, side, at);
        var (from, to) = side > 0 ? (at, all) : (-all, at);
        var (beside, besideX, besideY) = body.PlacedLoads.Length == 0 ? default
            : alongX ? body.LoadsWithin(k, from, -all, to, all)
            : body.LoadsWithin(k, -all, from, all, to);
        var (water, weight) = (body.GroundLoad(k).WaterPressure, body.PressedPerArea(k));
        return new SectionForces(side, at, overhang, water * area, water * moment, (weight * area) + beside,
            (weight * moment) + (side * ((alongX ? besideX : besideY) - (at * beside))), 1);
    }

    /// <summary>Tells the forces.</summary>
    public void Tell<T>(SlabSpan span, int k, bool up, bool moment, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return;
        }

        var (s, alongX) = (span.Body, span.AlongX);
        var axis = span.Axis;
        var across = span.Breadth;
        trace.Given(axis + ",s", At, Unit.Length,
            $"section from the base's centre, the part beyond it towards {(Side > 0 ? "+" : "−")}{axis}");
        trace.Given("l", Overhang, Unit.Length, "length of the part beyond");
        trace.Given("w", s.WeightPerArea(k), Unit.Pressure, "factored weight of base, soil and surcharge per area");
        var (half, wide) = alongX ? (s.Length / 2, s.Width / 2) : (s.Width / 2, s.Length / 2);
        var (from, to) = Side > 0 ? (At, half) : (-half, At);
        var p = s.Contact(k).Pressure;
        var wholly = alongX ? p.BearsWholly(from, -wide, to, wide) : p.BearsWholly(-wide, from, wide, to);
        var (inner, outer) = alongX ? (p.At(At, 0), p.At(Side * half, 0)) : (p.At(0, At), p.At(0, Side * half));
        var u0 = s.GroundLoad(k).WaterPressure;
        var with = u0 > 0 ? " with the water's" : "";
        (inner, outer) = (inner + u0, outer + u0);
        if (wholly)
        {
            trace.Given("ps", inner, Unit.Pressure, $"pressure{with} at the section, mean across the base");
            trace.Given("pe", outer, Unit.Pressure, $"pressure{with} at the edge, mean across the base");
        }

        if (s.RisingWeight(k) != 0)
        {
            trace.Remark(
                "The soil that the rising base lifts beside itself hangs on its edges; it counts among what stands beside the column.");
        }

        if (moment)
        {
            var u = wholly
                ? trace.Let("Mp", UpMoment, Unit.Moment,
                    $"{new Sym("b", across, Unit.Length)}·{new Sym("l", Overhang, Unit.Length)}^2·({new Sym("ps", inner, Unit.Pressure)} + "
                        + $"2·{new Sym("pe", outer, Unit.Pressure)})/6")
                : trace.Given("Mp", UpMoment, Unit.Moment,
                    u0 > 0 ? "∫(p + u)·distance dA over the part beyond, exact" : "∫p·distance dA over the part beyond, exact");
            var own = s.WeightPerArea(k) * across * Overhang * Overhang / 2;
            var w = trace.Let("Mw", own, Unit.Moment,
                $"{new Sym("w", s.WeightPerArea(k), Unit.Pressure)}·{new Sym("b", across, Unit.Length)}·"
                    + $"{new Sym("l", Overhang, Unit.Length)}^2/2");
            if (s.PlacedLoads.Length > 0 || s.RisingWeight(k) != 0)
            {
                w = trace.Let("Mw", DownMoment, Unit.Moment,
                    $"{new Sym("Mw", own, Unit.Moment)} + {new Sym("Mbeside", DownMoment - own, Unit.Moment)}");
            }

            trace.Let("Mu", up ? MomentUp : MomentDown, Unit.Moment, Net(up, "Mp", u, "Mw", w, Unit.Moment, ref trace));
        }
        else
        {
            var u = wholly
                ? trace.Let("Vp", UpShear, Unit.Force,
                    $"{new Sym("b", across, Unit.Length)}·{new Sym("l", Overhang, Unit.Length)}·({new Sym("ps", inner, Unit.Pressure)} + "
                        + $"{new Sym("pe", outer, Unit.Pressure)})/2")
                : trace.Given("Vp", UpShear, Unit.Force,
                    u0 > 0 ? "∫(p + u) dA over the part beyond, exact" : "∫p dA over the part beyond, exact");
            var own = s.WeightPerArea(k) * across * Overhang;
            var w = trace.Let("Vw", own, Unit.Force,
                $"{new Sym("w", s.WeightPerArea(k), Unit.Pressure)}·{new Sym("b", across, Unit.Length)}·"
                    + $"{new Sym("l", Overhang, Unit.Length)}");
            if (s.PlacedLoads.Length > 0 || s.RisingWeight(k) != 0)
            {
                w = trace.Let("Vw", DownShear, Unit.Force,
                    $"{new Sym("Vw", own, Unit.Force)} + {new Sym("Vbeside", DownShear - own, Unit.Force)}");
            }

            trace.Let("Vu", up ? ShearUp : ShearDown, Unit.Force, Net(up, "Vp", u, "Vw", w, Unit.Force, ref trace));
        }
    }

    private Formula<T> Net<T>(bool up, string nameUp, double valueUp, string nameDown, double valueDown, Unit unit, ref T trace)
        where T : struct, ITrace
    {
        _ = trace;
        var first = up ? new Sym(nameUp, valueUp, unit) : new Sym(nameDown, valueDown, unit);
        var second = up ? new Sym(nameDown, valueDown, unit) : new Sym(nameUp, valueUp, unit);
        return up && Deduct == 0 ? (Formula<T>)$"max(0; {first})" : (Formula<T>)$"max(0; {first} − {second})";
    }
}
