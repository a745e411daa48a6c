using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>
/// The base as it spans across its wall, as if all of its length were pressed as the metre at one of its ends is: pressure is plane, so
/// that it presses most at one end and lifts most at the other.
/// </summary>
/// <param name="trial">The trial.</param>
/// <param name="end">−1: the end at −x; +1: that at +x.</param>
internal sealed class AcrossWall(Trial trial, int end) : SlabSpan(trial, end < 0 ? 0 : 1, $"{(end < 0 ? "−" : "+")}x end", false)
{
    /// <summary>Takes the sides of the body.</summary>
    public void Resize() => Set(Body.Width, Body.Length);

    // Bars across a wall are no short way of a slab that spans both ways.
    public override double ShortWayFactor => 1;

    public override double Overhang(int side) => (Length / 2) - (side * Wall.Y) - (Wall.Outline.Y / 2);

    public override bool PlainOnTop(int k) => Wall.Plain(k).OnTop;

    private Standing Wall => Trial.Columns[0];

    // Pressures at the section and at the edge on the metre at this end, by the plane: below nothing where it lifts.
    private (double Section, double Edge) Plane(int k, int side, double at)
    {
        var p = Body.Contact(k).Pressure;
        var x = end * Body.Length / 2;
        return (p.Plane(x, at), p.Plane(x, side * Length / 2));
    }

    // What water pushes up at a distance from the centroid, kPa.
    private double Water(int k, double y)
    {
        var even = Body.GroundLoad(k).WaterPressure;
        return Body.Backing is { Soil: { } soil } behind ? even + (behind.Head(k) * ((soil.Side * y / Length) + 0.5)) : even;
    }

    // What presses down on a side of the wall, kPa: base, soil and what stands on it.
    private double Weight(int k, int side)
    {
        var even = Combinations[k].WeightFactor * Body.GroundLoad(k).WeightPerArea;
        if (Body.Backing is not { Soil: { } soil } behind)
        {
            return even + (Place.SurchargeFactors[k] * Ground.Surcharge);
        }

        var (heel, toe) = behind.Over(k);
        return side == soil.Side
            ? even + (Combinations[k].WeightFactor * heel) + behind.Standing(k)
            : even + (Combinations[k].WeightFactor * toe) + (Place.SurchargeFactors[k] * Ground.Surcharge);
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

    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        var (at, length) = (Wall.Y + (side * ((Wall.Outline.Y / 2) + fromFace)), Overhang(side) - fromFace);
        if (length <= 0)
        {
            return new SectionForces(side, at, length, 0, 0, 0, 0, 1);
        }

        var (p, edge) = Plane(k, side, at);
        var (force, moment) = Linear(p, edge, length);
        var (u, far) = (Water(k, at), Water(k, side * Length / 2));
        var (pushed, turned) = (length * (u + far) / 2, length * length * (u + (2 * far)) / 6);
        var weight = Weight(k, side);
        var (down, downTurns) = (weight * length * Breadth, weight * length * length * Breadth / 2);
        if (Body.PlacedLoads.Length > 0)
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

        return new SectionForces(side, at, length, (force + pushed) * Breadth, (moment + turned) * Breadth, down, downTurns,
            Rules.Concrete.Pressure == SectionPressure.Net ? 1 : 0);
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
    {
        if (!T.Records)
        {
            return;
        }

        var (side, at, length) = (forces.Side, forces.At, forces.Overhang);
        var (p, edge) = Plane(k, side, at);
        var heel = Body.Backing?.Soil is { } soil ? side == soil.Side ? ", the heel" : ", the toe" : "";
        trace.Remark($"A metre at the {At}, where the base is pressed or lifted most, counts for the whole length L"
            + $"{(Body.Contact(k).Pressure.B == 0 ? "; here the pressure is the same all along" : "")}.");
        trace.Given("y,s", at, Unit.Length,
            $"section from the base's centre, the part beyond it towards {(side > 0 ? "+" : "−")}y{heel}");
        trace.Given("l", length, Unit.Length, "length of the part beyond");
        trace.Given("ps", Math.Max(0, p), Unit.Pressure, "pressure at the section" + (p < 0 ? ", where the base is lifted" : ""));
        trace.Given("pe", Math.Max(0, edge), Unit.Pressure, edge < 0 ? "pressure at the edge, where it is lifted" : "pressure at the edge");
        var (u, far) = (Water(k, at), Water(k, side * Length / 2));
        var wet = u != 0 || far != 0;
        if (wet)
        {
            trace.Given("us", u, Unit.Pressure, "push of the water at the section");
            trace.Given("ue", far, Unit.Pressure, "push of the water at the edge");
        }

        var weight = trace.Given("w", Weight(k, side), Unit.Pressure, "factored weight of base, soil and surcharge beyond the section");
        var (l, breadth, upward) = (new Sym("l", length, Unit.Length), new Sym("L", Breadth, Unit.Length),
            new Sym("w", weight, Unit.Pressure));
        var (unit, value, down, own) = moment
            ? (Unit.Moment, forces.UpMoment, forces.DownMoment, weight * length * length * Breadth / 2)
            : (Unit.Force, forces.UpShear, forces.DownShear, weight * length * Breadth);
        var (pressed, pressing, result) = moment ? ("Mp", "Mw", "Mu") : ("Vp", "Vw", "Vu");
        if (p >= 0 && edge >= 0 && !wet)
        {
            var (ps, pe) = (new Sym("ps", p, Unit.Pressure), new Sym("pe", edge, Unit.Pressure));
            if (moment)
            {
                trace.Let(pressed, value, unit, $"{breadth}·{l}^2·({ps} + 2·{pe})/6");
            }
            else
            {
                trace.Let(pressed, value, unit, $"{breadth}·{l}·({ps} + {pe})/2");
            }
        }
        else
        {
            trace.Given(pressed, value, unit, $"{(moment ? "∫(p + u)·distance" : "∫(p + u)")} dy·L over the part beyond, p linear without "
                + "tension");
        }

        if (moment)
        {
            trace.Let(pressing, own, unit, $"{upward}·{breadth}·{l}^2/2");
        }
        else
        {
            trace.Let(pressing, own, unit, $"{upward}·{breadth}·{l}");
        }

        if (Math.Abs(down - own) > 1e-9 * Math.Max(1, Math.Abs(down)))
        {
            trace.Let(pressing, down, unit,
                $"{new Sym(pressing, own, unit)} + {new Sym(pressing + ",beside", down - own, unit)}");
        }

        var (first, second) = up ? (new Sym(pressed, value, unit), new Sym(pressing, down, unit))
            : (new Sym(pressing, down, unit), new Sym(pressed, value, unit));
        var net = moment ? up ? forces.MomentUp : forces.MomentDown : up ? forces.ShearUp : forces.ShearDown;
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

/// <summary>The base along its wall, which carries it: nothing bends it there.</summary>
/// <param name="trial">The trial.</param>
internal sealed class AlongWall(Trial trial) : SlabSpan(trial, 0, null, true)
{
    /// <summary>Takes the sides of the body.</summary>
    public void Resize() => Set(Body.Length, Body.Width);

    public override bool Carries => false;

    public override double ShortWayFactor => 1;

    public override double Overhang(int side) => (Length - Trial.Columns[0].Outline.X) / 2;

    public override bool PlainOnTop(int k) => Trial.Columns[0].Plain(k).OnTop;

    internal override SectionForces Beyond(int k, int side, double fromFace) =>
        new(side, side * ((Trial.Columns[0].Outline.X / 2) + fromFace), Overhang(side) - fromFace, 0, 0, 0, 0, 1);

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace) =>
        trace.Remark("The wall carries the base along its length.");
}
