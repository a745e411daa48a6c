using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <content>What acts on a perimeter.</content>
internal readonly partial struct PerimeterShear
{
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
        var stress = Uneven(s, p, new Sym("VEd,red", net, Unit.Force), (mx, my), new Sym("d", depth, Unit.Section), "eq. 6.51", ref trace);
        return new PerimeterStress(stress, net, mx, my);
    }

    // A force and the share of both moments on a perimeter over a depth.
    private static double Uneven<T>(PunchedArea s, in ShearPerimeter p, Sym force, (double X, double Y) moments, Sym depth, string equation,
        ref T trace)
        where T : struct, ITrace
    {
        var (kx, ky) = Shares(s, ref trace);
        trace.Given("Wx", p.AbsoluteY, Unit.Area, "∫|y| dl about the perimeter's centroid", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        trace.Given("Wy", p.AbsoluteX, Unit.Area, "∫|x| dl about it", $"{s.Code.Name} 6.4.3(3), eq. 6.40");
        return trace.Let("vEd",
            ((force.Value / p.Length) + (kx * Math.Abs(moments.X) / p.AbsoluteY) + (ky * Math.Abs(moments.Y) / p.AbsoluteX)) / depth.Value,
            Unit.Stress,
            $"({force}/{new Sym("u", p.Length, Unit.Length)} + {new Sym("kx", kx, Unit.Ratio)}·"
                + $"|{new Sym("MEd,x", moments.X, Unit.Moment)}|/{new Sym("Wx", p.AbsoluteY, Unit.Area)} + {new Sym("ky", ky, Unit.Ratio)}·"
                + $"|{new Sym("MEd,y", moments.Y, Unit.Moment)}|/{new Sym("Wy", p.AbsoluteX, Unit.Area)})/{depth}",
            $"{s.Code.Name} {equation}, both moments added");
    }

    private static (double X, double Y) Shares<T>(PunchedArea s, ref T trace)
        where T : struct, ITrace
    {
        var code = (IShearPerimeters)s.Code;
        return (trace.Given("kx", Share(s, false), Unit.Ratio, "of MEd,x, by c1/c2 with c1 along y", code.ShareOfMomentClause),
            trace.Given("ky", Share(s, true), Unit.Ratio, "of MEd,y, by c1/c2 with c1 along x", code.ShareOfMomentClause));
    }

    // What the columns bring, about a point.
    private static (double N, double Mx, double My) Brought(PunchedArea s, int k, double x, double y)
    {
        var (n, mx, my) = (0.0, 0.0, 0.0);
        foreach (var c in s.Columns)
        {
            var (own, ownX, ownY) = c.BringsBelow(k);
            (n, mx, my) = (n + own, mx + ownX - (own * (c.Y - y)), my + ownY + (own * (c.X - x)));
        }

        return (n, mx, my);
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
        var ground = s.Body.Bed is null
            ? p.Pushed(s.Body.Contact(k).Pressure)
            : p.PushedOnSprings(s.Body, k);
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
            trace.Given("P", up, Unit.Force,
                (u > 0 ? "∫(p + u) dA within" : "∫p dA within")
                    + (s.Body.Bed is null ? ", exact" : ", at round corners by their middles"));
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
        var (_, mx, my) = Brought(s, k, p.CentroidX, p.CentroidY);
        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside, not reduced", $"{s.Code.Name} eq. 6.51");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside, not reduced", $"{s.Code.Name} eq. 6.51");
        return (mx, my);
    }

    // About the centroid of an open perimeter: what the column brings and the net pressure within leave to it.
    private static (double Mx, double My) About<T>(PunchedArea s, in ShearPerimeter p, int k, in PressureResultant within, ref T trace)
        where T : struct, ITrace
    {
        var (cx, cy) = (p.CentroidX, p.CentroidY);
        var (_, sumX, sumY) = Brought(s, k, cx, cy);
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
}
