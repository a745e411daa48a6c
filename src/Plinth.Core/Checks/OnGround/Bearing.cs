using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Pressure on the ground against the bearing value: stated, by the size of the base, or found from the strength of the soil.
/// </summary>
internal readonly struct Bearing : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bearers;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var contact = BaseLoadCase.Contact(s, k, true, ref trace);
        if (contact.State == ContactState.NoEquilibrium || contact.Share <= 0)
        {
            return Outcome.NotDone;
        }

        if (s.Bed is { Grounds.Count: > 1 } bed)
        {
            return OnGrounds(s, bed, k, contact, ref trace);
        }

        var g = s.Ground;
        var state = s.Combinations[k].State;
        var outcome = Outcome.NotDone;
        var stated = g.StatedIn(state, g.StatedBearing(Math.Min(s.Length, s.Width)));
        if (double.IsFinite(stated))
        {
            outcome = Stated(s, s.Ground, k, stated, contact, double.NaN, ref trace);
        }

        if (g.Design is { } design)
        {
            if (g.Capacity is { } soil && design.Of(state) is { } factors)
            {
                outcome = Higher(outcome, BearingResistance.Of(s, k, soil, factors, ref trace));
            }
        }
        else if (g.Capacity is { } soil)
        {
            outcome = soil.FrictionAngle is { } friction ? Higher(outcome, Found(s, k, soil, friction, soil.Cohesion, ref trace)) : outcome;
            outcome = soil.Undrained is { } strength ? Higher(outcome, Found(s, k, soil, 0, strength, ref trace)) : outcome;
        }

        if (T.Records && outcome.Done && g.Capacity is not null)
        {
            trace.Given("utilisation", outcome.Utilisation, Unit.Ratio, "the highest of those above");
        }

        if (T.Notes && contact.State == ContactState.Partial)
        {
            trace.Note(InContact(contact));
        }

        return outcome;
    }

    private static string InContact(in ContactSolution contact) =>
        System.FormattableString.Invariant($"{contact.Share * 100:0} % of the base in contact");

    internal static Outcome Higher(in Outcome a, in Outcome b) => !a.Done || (b.Done && b.Utilisation > a.Utilisation) ? b : a;

    // Each ground along it by its own bearing, under the greatest pressure there.
    private static Outcome OnGrounds<T>(GroundBody s, SpringBed bed, int k, in ContactSolution contact, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var (worst, at, most) = (Outcome.NotDone, 0, 0.0);
        var from = s.LowX;
        for (var i = 0; i < bed.Grounds.Count; i++)
        {
            var (to, g) = bed.Grounds[i];
            var stated = g.StatedIn(s.Combinations[k].State, g.StatedBearing(Math.Min(s.Length, s.Width)));
            var pressure = bed.Beam(k).Pressures(from, to).Most;
            if (double.IsFinite(stated) && Stated(s, g, k, stated, contact, pressure, ref none) is var own
                && (!worst.Done || own.Utilisation > worst.Utilisation))
            {
                (worst, at, most) = (own, i, pressure);
            }

            from = to;
        }

        if (worst.Done && (T.Records || T.Notes))
        {
            var g = bed.Grounds[at].Ground;
            var stated = g.StatedIn(s.Combinations[k].State, g.StatedBearing(Math.Min(s.Length, s.Width)));
            worst = Stated(s, g, k, stated, contact, most, ref trace);
            trace.Note($"on {GroundAlong.NameOf(g)}" + (contact.State == ContactState.Partial ? $"; {InContact(contact)}" : ""));
        }

        return worst;
    }

    private static Outcome Stated<T>(GroundBody s, GroundRules g, int k, double stated, in ContactSolution contact, double most,
        ref T trace)
        where T : struct, ITrace
    {
        ref readonly var l = ref s.Loads(k);
        var ultimate = g.Design?.Of(s.Combinations[k].State) is not null;
        trace.Heading(ultimate ? "Bearing by the stated resistance" : "Bearing");
        double pressure;
        if (s.Bed is not null)
        {
            // No effective area: what the springs give is no plane.
            pressure = trace.Given("p", double.IsNaN(most) ? s.MostPressure(k) : most, Unit.Pressure,
                $"the greatest under the base{(double.IsNaN(most) ? "" : " on this ground")}, at an edge");
        }
        else if (ultimate || g.Method == BearingMethod.ReducedArea)
        {
            pressure = !s.IsRectangle
                ? Reduced(s, l, ref trace)
                : trace.Let("p", l.N / ((s.Length - (2 * Math.Abs(l.XR))) * (s.Width - (2 * Math.Abs(l.YR)))), Unit.Pressure,
                    $"{new Sym("ΣN", l.N, Unit.Force)}/(({new Sym("L", s.Length, Unit.Length)} − 2·|{new Sym("xR", l.XR, Unit.Length)}|)·"
                        + $"({new Sym("B", s.Width, Unit.Length)} − 2·|{new Sym("yR", l.YR, Unit.Length)}|))");
        }
        else if (!s.IsRectangle)
        {
            pressure = trace.Given("p", contact.Pressure.Peak, Unit.Pressure, "at the corner that is pressed most");
        }
        else
        {
            var p = contact.Pressure;
            var (b, c) = (Math.Abs(p.B) * s.Length / 2, Math.Abs(p.C) * s.Width / 2);
            pressure = trace.Let("p", p.Peak, Unit.Pressure,
                $"{new Sym("a", p.A, Unit.Pressure)} + |{new Sym("b·L/2", b, Unit.Pressure)}| + |{new Sym("c·B/2", c, Unit.Pressure)}|");
        }

        if (ultimate)
        {
            var resistance = trace.Given("R/A'", stated, Unit.Pressure, "stated design resistance, its factor within");
            return Compare(s, g, k, pressure, resistance, "R/A'", ref trace);
        }

        if (g.IsNet(s.Combinations[k].State))
        {
            pressure = Net(s, k, pressure, ref trace);
        }

        var source = (g.BearingBySide.Count > 0, g.Basis) switch
        {
            (false, BearingBasis.Gross) => "allowable, gross",
            (false, _) => "allowable, net",
            (true, BearingBasis.Gross) => "allowable, by the lesser side, gross",
            _ => "allowable, by the lesser side, net",
        };
        var allowed = trace.Given("q", stated, Unit.Pressure, source);
        return Compare(s, g, k, pressure, allowed, "q", ref trace);
    }

    private static double Reduced<T>(GroundBody s, in BaseLoads l, ref T trace)
        where T : struct, ITrace
    {
        var (lx, ly) = Sides(s, l, ref trace);
        return trace.Let("p", l.N / (lx * ly), Unit.Pressure,
            $"{new Sym("ΣN", l.N, Unit.Force)}/({new Sym("Lx'", lx, Unit.Length)}·{new Sym("Ly'", ly, Unit.Length)})");
    }

    /// <summary>Sides of the effective area, m.</summary>
    public static (double X, double Y) Sides<T>(GroundBody s, in BaseLoads l, ref T trace)
        where T : struct, ITrace
    {
        var (lx, ly) = s.Effective(l);
        if (!s.IsRectangle)
        {
            trace.Given("Lx'", lx, Unit.Length, "twice the distance of the resultant from the nearer end");
            var there = trace.Given("B,R", s.WidthAt(l.XR), Unit.Length, "width at the resultant");
            trace.Let("Ly'", ly, Unit.Length, $"{new Sym("B,R", there, Unit.Length)} − 2·|{new Sym("yR", l.YR, Unit.Length)}|");
            return (lx, ly);
        }

        trace.Let("Lx'", lx, Unit.Length, $"{new Sym("L", s.Length, Unit.Length)} − 2·|{new Sym("xR", l.XR, Unit.Length)}|");
        trace.Let("Ly'", ly, Unit.Length, $"{new Sym("B", s.Width, Unit.Length)} − 2·|{new Sym("yR", l.YR, Unit.Length)}|");
        return (lx, ly);
    }

    private static double Net<T>(GroundBody s, int k, double pressure, ref T trace)
        where T : struct, ITrace
    {
        var p0 = Overburden(s, k, ref trace);
        return trace.Let("pnet", Math.Max(0, pressure - p0), Unit.Pressure,
            $"max(0; {new Sym("p", pressure, Unit.Pressure)} − {new Sym("p0", p0, Unit.Pressure)})");
    }

    /// <summary>Effective overburden that stood at the underside before the work, kPa.</summary>
    public static double Overburden<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        var (ground, df) = (s.GroundColumn(k), s.FoundingDepth);
        if (s.Ground.LevelBefore is { } before && before != s.Ground.Level)
        {
            return trace.Given("p0", s.Ground.OverburdenBefore(ground, df), Unit.Pressure,
                $"effective weight of what stood over the underside before: ground at {Unit.Length.FormatWithSymbol(before, s.Units)} then "
                    + "([ground] level-before)");
        }

        return ground.IsWet && ground.Water < df
            ? trace.Let("p0", ground.EffectiveStress(df), Unit.Pressure,
                $"{new Sym("γs", ground.Moist, Unit.UnitWeight)}·{new Sym("dw", ground.Water, Unit.Length)} + "
                    + $"({new Sym("γsat", ground.Saturated, Unit.UnitWeight)} − {new Sym("γw", ground.WaterWeight, Unit.UnitWeight)})·"
                    + $"({new Sym("Df", df, Unit.Length)} − {new Sym("dw", ground.Water, Unit.Length)})")
            : trace.Let("p0", ground.EffectiveStress(df), Unit.Pressure,
                $"{new Sym("γs", ground.Moist, Unit.UnitWeight)}·{new Sym("Df", df, Unit.Length)}");
    }

    internal static Outcome Compare<T>(GroundBody s, GroundRules g, int k, double pressure, double allowed, string symbol, ref T trace)
        where T : struct, ITrace
    {
        if (s.Combinations[k].Transient && g.TransientIncrease != 1)
        {
            allowed = trace.Let("q,t", allowed * g.TransientIncrease, Unit.Pressure,
                $"{new Sym(symbol, allowed, Unit.Pressure)}·{new Sym("increase", g.TransientIncrease, Unit.Ratio)}");
            symbol = "q,t";
        }

        if (allowed > 0)
        {
            trace.Let("utilisation", pressure / allowed, Unit.Ratio,
                $"{new Sym("p", pressure, Unit.Pressure)}/{new Sym(symbol, allowed, Unit.Pressure)}");
        }

        return Outcome.Ratio(pressure, allowed);
    }

    // The load on the effective area against the ultimate pressure there over the factor of safety.
    private static Outcome Found<T>(GroundBody s, int k, BearingCapacity soil, double friction, double cohesion, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var l = ref s.Loads(k);
        var ground = s.GroundColumn(k);
        var drained = friction > 0;
        trace.Heading(drained ? "Bearing from soil strength, drained" : "Bearing from soil strength, undrained");
        var (lx, ly) = Sides(s, l, ref trace);
        var (df, b) = (s.FoundingDepth, Math.Min(s.Length, s.Width));
        var q = drained
            ? trace.Given("q", ground.EffectiveStress(df), Unit.Pressure, "effective overburden at the underside")
            : trace.Given("q", ground.Weight(0, df), Unit.Pressure, "total overburden at the underside");
        var vertical = drained
            ? l.N
            : trace.Let("V", l.N + (s.GroundLoad(k).WaterPressure * s.Length * s.Width), Unit.Force,
                $"{new Sym("ΣN", l.N, Unit.Force)} + {new Sym("U", s.GroundLoad(k).WaterPressure * s.Length * s.Width, Unit.Force)}");
        var weight = drained ? Below(s, ground, b, ref trace) : 0;
        var (fx, fy) = (l.Fx, l.Fy);
        var horizontal = Math.Sqrt((fx * fx) + (fy * fy));
        var longIsX = lx >= ly;
        var along = horizontal > 0 ? (longIsX ? fx * fx : fy * fy) / (horizontal * horizontal) : 0;
        var ultimate = soil.Theory.Ultimate(ref trace,
            new BearingSituation(friction, cohesion, q, weight, df, b, Math.Min(lx, ly), Math.Max(lx, ly), vertical, horizontal, along));
        var pressure = s.Bed is null
            ? trace.Let("p", vertical / (lx * ly), Unit.Pressure,
                $"{new Sym("V", vertical, Unit.Force)}/({new Sym("Lx'", lx, Unit.Length)}·{new Sym("Ly'", ly, Unit.Length)})")
            : trace.Given("p", s.MostPressure(k) + (drained ? 0 : s.GroundLoad(k).WaterPressure), Unit.Pressure,
                "the greatest under the base, at an edge" + (drained ? "" : ", the water's included"));
        if (s.Ground.Basis == BearingBasis.Net)
        {
            pressure = trace.Let("pnet", Math.Max(0, pressure - q), Unit.Pressure,
                $"max(0; {new Sym("p", pressure, Unit.Pressure)} − {new Sym("q", q, Unit.Pressure)})");
            ultimate = trace.Let("q,ult,net", Math.Max(0, ultimate - q), Unit.Pressure,
                $"max(0; {new Sym("q,ult", ultimate, Unit.Pressure)} − {new Sym("q", q, Unit.Pressure)})");
        }

        var allowed = trace.Let("qa", ultimate / soil.Safety, Unit.Pressure,
            $"{new Sym("q,ult", ultimate, Unit.Pressure)}/{new Sym("FS", soil.Safety, Unit.Ratio)}");
        return Compare(s, s.Ground, k, pressure, allowed, "qa", ref trace);
    }

    // Water within one breadth below the underside lightens the soil that the base must push aside, in proportion.
    internal static double Below<T>(GroundBody s, GroundColumn ground, double breadth, ref T trace)
        where T : struct, ITrace
    {
        var buoyant = ground.Saturated - ground.WaterWeight;
        var (df, water) = (s.FoundingDepth, ground.Water);
        if (!ground.IsWet || water >= df + breadth)
        {
            return trace.Given("γ", ground.Moist, Unit.UnitWeight, "soil below the underside, no water within one breadth");
        }

        var (sat, w) = (new Sym("γsat", ground.Saturated, Unit.UnitWeight), new Sym("γw", ground.WaterWeight, Unit.UnitWeight));
        return water <= df
            ? trace.Let("γ", buoyant, Unit.UnitWeight, $"{sat} − {w}")
            : trace.Let("γ", buoyant + ((ground.Moist - buoyant) * (water - df) / breadth), Unit.UnitWeight,
                $"({sat} − {w}) + ({new Sym("γs", ground.Moist, Unit.UnitWeight)} − ({sat} − {w}))·({new Sym("dw", water, Unit.Length)} − "
                    + $"{new Sym("Df", df, Unit.Length)})/{new Sym("B", breadth, Unit.Length)}");
    }
}
