using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// The flange of a strip as it spans across its rib, as if all of its length were pressed as the metre is that is pressed most, or least.
/// </summary>
/// <param name="trial">The trial.</param>
/// <param name="most">
/// Where it is pressed most, which stretches its bottom; else where it is pressed least, which may stretch its top.
/// </param>
internal sealed class RibFlange(Trial trial, bool most) : SlabSpan(trial, most ? 0 : 1, most ? "most pressed" : "least pressed", false)
{
    /// <summary>Takes the sides of the body.</summary>
    public void Resize() => Set(Body.Width, Body.Length);

    // Bars across a rib are no short way of a slab that spans both ways.
    public override double ShortWayFactor => 1;

    public override double Overhang(int side) => (Length - Body.RibBreadth) / 2;

    // The flange beside a rib is no plain footing.
    public override bool PlainOnTop(int k) => false;

    // Beside the rib: base and soil, and surcharge on them.
    private double Weight(int k) =>
        (Combinations[k].WeightFactor * Body.WeightBesideRib(k)) + (Place.SurchargeFactors[k] * Ground.Surcharge);

    // Where the metre lies that tells, and the pressures at its section and edge, which may be less than nothing. On one ground it is where
    // the axis sinks most, or least, wherever the section lies: the more it sinks the more both are pressed.
    private (double X, double Section, double Edge) Metre(int k, int side, double at)
    {
        var (bed, edge) = (Body.Bed!, side * Length / 2);
        var turn = bed.Beam(k).Turn;
        var (chosen, ps, pe, worst) = (0.0, 0.0, 0.0, most ? double.NegativeInfinity : double.PositiveInfinity);
        for (var i = 0; i < bed.Stretches.Count; i++)
        {
            var (modulus, sunk) = (bed.Stretches[i].Modulus, bed.Extremes(k, i));
            var (x, w) = most ? sunk.Most : sunk.Least;
            var (p, e) = (modulus * (w + (turn * at)), modulus * (w + (turn * edge)));
            var turns = Linear(p, e, 1).Moment;
            if (most ? turns > worst : turns < worst)
            {
                (chosen, ps, pe, worst) = (x, p, e, turns);
            }
        }

        return (chosen, ps, pe);
    }

    // Of what presses linearly between the section and the edge, without tension: its force and its moment about the section.
    private static (double Force, double Moment) Linear(double at, double edge, double length)
    {
        if (at >= 0 && edge >= 0)
        {
            return (length * (at + edge) / 2, length * length * (at + (2 * edge)) / 6);
        }

        if (at <= 0 && edge <= 0)
        {
            return default;
        }

        var bears = length * Math.Max(at, edge) / Math.Abs(edge - at);
        var force = Math.Max(at, edge) * bears / 2;
        return (force, edge > 0 ? force * (length - (bears / 3)) : force * bears / 3);
    }

    // What acts beyond the section at d is asked for again and again by bars of one size: kept for the last distance.
    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        kept ??= new (int, double, SectionForces)[2 * Combinations.Length];
        ref var own = ref kept[(2 * k) + (side > 0 ? 1 : 0)];
        if (own.Generation != Trial.Generation || own.FromFace != fromFace)
        {
            own = (Trial.Generation, fromFace, Find(k, side, fromFace));
        }

        return own.Forces;
    }

    private (int Generation, double FromFace, SectionForces Forces)[]? kept;

    private SectionForces Find(int k, int side, double fromFace)
    {
        var (at, length) = (side * ((Body.RibBreadth / 2) + fromFace), Overhang(side) - fromFace);
        if (length <= 0)
        {
            return new SectionForces(side, at, length, 0, 0, 0, 0, 1);
        }

        var (_, p, edge) = Metre(k, side, at);
        var ((force, moment), u, weight) = (Linear(p, edge, length), Body.GroundLoad(k).WaterPressure, Weight(k));
        var (down, downTurns) = (weight * length * Breadth, weight * length * length * Breadth / 2);
        if (Trial.Foundation.Loads.Count > 0)
        {
            const double every = double.PositiveInfinity;
            var (y0, y1) = side > 0 ? (at, every) : (-every, at);
            var (beside, _, besideY) = Body.LoadsWithin(k, -every, y0, every, y1);
            (down, downTurns) = (down + beside, downTurns + (side * (besideY - (at * beside))));
        }

        var (wedge, corner) = Body.Rising(k);
        if (wedge != 0)
        {
            down += (wedge * (Breadth + (2 * length))) + (2 * corner);
            downTurns += (((wedge * Breadth) + (2 * corner)) * length) + (wedge * length * length);
        }

        return new SectionForces(side, at, length, (force + (u * length)) * Breadth, (moment + (u * length * length / 2)) * Breadth, down,
            downTurns, Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        if (!T.Records)
        {
            return;
        }

        var (side, at, length) = (forces.Side, forces.At, forces.Overhang);
        var (x, p, edge) = Metre(k, side, at);
        trace.Remark($"The metre at {Unit.Length.FormatWithSymbol(x, Units)} along x, where the flange is pressed "
            + $"{(most ? "most" : "least")}, counts for the whole length L.");
        trace.Given("y,s", at, Unit.Length, $"section from the base's centre, the part beyond it towards {(side > 0 ? "+" : "−")}y");
        trace.Given("l", length, Unit.Length, "length of the part beyond");
        trace.Given("ps", Math.Max(0, p), Unit.Pressure, "pressure at the section" + (p < 0 ? ", where the base is lifted" : ""));
        trace.Given("pe", Math.Max(0, edge), Unit.Pressure, edge < 0 ? "pressure at the edge, where it is lifted" : "pressure at the edge");
        var u = Body.GroundLoad(k).WaterPressure;
        if (u > 0)
        {
            trace.Given("u", u, Unit.Pressure, "push of the water");
        }

        var weight = trace.Given("w", Weight(k), Unit.Pressure, "factored weight of flange, soil and surcharge");
        var (l, breadth) = (new Sym("l", length, Unit.Length), new Sym("L", Breadth, Unit.Length));
        var (unit, pressed, pressing, result) = moment ? (Unit.Moment, "Mp", "Mw", "Mu") : (Unit.Force, "Vp", "Vw", "Vu");
        var (value, down) = moment ? (forces.UpMoment, forces.DownMoment) : (forces.UpShear, forces.DownShear);
        trace.Given(pressed, value, unit, $"{(moment ? "∫(p + u)·distance" : "∫(p + u)")} dy·L over the part beyond, p linear without "
            + "tension");
        var own = moment ? weight * length * length * Breadth / 2 : weight * length * Breadth;
        if (moment)
        {
            trace.Let(pressing, own, unit, $"{new Sym("w", weight, Unit.Pressure)}·{breadth}·{l}^2/2");
        }
        else
        {
            trace.Let(pressing, own, unit, $"{new Sym("w", weight, Unit.Pressure)}·{breadth}·{l}");
        }

        if (Math.Abs(down - own) > 1e-9 * Math.Max(1, Math.Abs(down)))
        {
            trace.Let(pressing, down, unit, $"{new Sym(pressing, own, unit)} + {new Sym(pressing + ",beside", down - own, unit)}");
        }

        var net = moment ? up ? forces.MomentUp : forces.MomentDown : up ? forces.ShearUp : forces.ShearDown;
        var (first, second) = up ? (new Sym(pressed, value, unit), new Sym(pressing, down, unit))
            : (new Sym(pressing, down, unit), new Sym(pressed, value, unit));
        if (up && forces.Deduct == 0)
        {
            trace.Let(result, net, unit, $"max(0; {first})");
        }
        else
        {
            trace.Let(result, net, unit, $"max(0; {first} − {second})");
        }
    }
}

/// <summary>Bars along in one side of the flange beside the rib; both sides are alike.</summary>
/// <param name="trial">The trial.</param>
internal sealed class RibSide(Trial trial) : BarZone(trial, 0, "flange", true)
{
    /// <summary>Takes the breadth beside the rib.</summary>
    public void Resize() => Breadth = (Body.Width - Body.RibBreadth) / 2;

    public override double From => Body.RibBreadth / 2;

    public override bool Has(bool bottom) => bottom && Breadth > 1e-6;

    public override bool IsInner => true;
}
