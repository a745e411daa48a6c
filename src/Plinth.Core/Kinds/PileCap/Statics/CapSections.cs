using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What acts on the part of a cap beyond a section across it.</summary>
internal static class CapSections
{
    /// <summary>
    /// An upward shear, kN, that no section between two falls below, under one column without loads beside it; 0 or less: none is known.
    /// </summary>
    /// <param name="t">The trial.</param>
    /// <param name="k">The combination.</param>
    /// <param name="alongX">The parts span along x, or along y.</param>
    /// <param name="side">+1 or −1.</param>
    /// <param name="near">Where the one nearer to the column lies from the cap's centroid, m.</param>
    /// <param name="far">Where the farther one lies, m.</param>
    /// <param name="thinner">By how much thinner the cap may be, m.</param>
    public static double LeastShear(CapTrial t, int k, bool alongX, int side, double near, double far, double thinner = 0)
    {
        var (shear, shares, apart, moved) = (0.0, 0.0, default(PlanPoint), 0.0);
        foreach (var p in t.Piles)
        {
            var along = p.Along(alongX);
            var (least, most) = (t.Group.ShareOutside(side * (along - far)), t.Group.ShareOutside(side * (along - near)));
            if (most <= 0)
            {
                continue;
            }

            var (r, g) = (t.Group.Force(k, p.Index), t.Group.Group.Response(p.Index));
            (shear, shares) = (shear + ((r < 0 ? most : least) * r), shares + most);
            apart = new PlanPoint(apart.X + (least * g.X), apart.Y + (least * g.Y));
            moved += (most - least) * Math.Sqrt((g.X * g.X) + (g.Y * g.Y));
        }

        var (weights, water) = (SectionForces.Of(t.Body, k, alongX, side, near), SectionForces.Of(t.Body, k, alongX, side, far));
        if (thinner > 0)
        {
            // A thinner cap weighs less on its piles, in place or not, and column loads across them have less of an arm.
            var weight = t.Combinations[k].WeightFactor * t.Rules.Concrete.Weight * thinner * t.Body.Area;
            var (response, l) = (Length(apart) + moved, t.Body.Loads(k));
            shear -= weight * ((shares / t.Piles.Length) + (response * (Length(t.Group.Centroid) + t.Group.Deviation)));
            shear -= response * thinner * (Math.Abs(l.Fx) + Math.Abs(l.Fy));
        }

        return shear + water.UpShear - weights.DownShear
            + Math.Max(0, t.Group.SpreadOf(k, apart) - t.Group.SpreadOf(k, new PlanPoint(moved, 0)));

        static double Length(in PlanPoint p) => Math.Sqrt((p.X * p.X) + (p.Y * p.Y));
    }

    /// <summary>
    /// Piles beyond the section: their moment at their centres, their shear by the share of their size beyond; weights, water, columns
    /// beyond.
    /// </summary>
    /// <param name="t">The trial.</param>
    /// <param name="k">The combination.</param>
    /// <param name="alongX">The part spans along x, or along y.</param>
    /// <param name="side">+1 or −1.</param>
    /// <param name="at">Where the section lies from the cap's centroid, m.</param>
    /// <param name="under">The column under which the section lies, whose load is no part of what is beyond; null: none.</param>
    public static SectionForces At(CapTrial t, int k, bool alongX, int side, double at, Standing? under = null)
    {
        var f = SectionForces.Of(t.Body, k, alongX, side, at) with { Deduct = 1 };
        if (f.Overhang <= 0)
        {
            return f;
        }

        var (shear, moment) = (0.0, 0.0);
        var (ofShear, ofMoment) = (default(PlanPoint), default(PlanPoint));
        foreach (var p in t.Piles)
        {
            var beyond = side * (p.Along(alongX) - at);
            var (share, arm) = (t.Group.ShareOutside(beyond), Math.Max(0, beyond));
            if (share <= 0)
            {
                continue;
            }

            var (r, g) = (t.Group.Force(k, p.Index), t.Group.Group.Response(p.Index));
            (shear, moment) = (shear + (share * r), moment + (arm * r));
            ofShear = new PlanPoint(ofShear.X + (share * g.X), ofShear.Y + (share * g.Y));
            ofMoment = new PlanPoint(ofMoment.X + (arm * g.X), ofMoment.Y + (arm * g.Y));
        }

        var (down, downMoment) = (0.0, 0.0);
        foreach (var c in t.Columns)
        {
            if (ReferenceEquals(c, under))
            {
                continue;
            }

            var arm = side * ((alongX ? c.X : c.Y) - at);
            if (arm > 0)
            {
                var n = c.Action(k).N + c.PrismWeight(k);
                (down, downMoment) = (down + n, downMoment + (n * arm) + (side * (alongX ? c.My(k) : -c.Mx(k))));
            }
        }

        return f with
        {
            UpShear = f.UpShear + shear,
            UpMoment = f.UpMoment + moment,
            DownShear = f.DownShear + down,
            DownMoment = f.DownMoment + downMoment,
            SpreadShear = t.Group.SpreadOf(k, ofShear),
            SpreadMoment = t.Group.SpreadOf(k, ofMoment),
        };
    }

    /// <summary>Area of the bars of a face across a section of a cap that is no rectangle, m2, and the cap's breadth there, m.</summary>
    /// <param name="s">The span.</param>
    /// <param name="bottom">The bottom bars, or those on top.</param>
    /// <param name="at">Where the section lies from the cap's centroid, m.</param>
    /// <param name="developed">Only as far as they are developed, for bending; else all that cross it.</param>
    /// <param name="trace">Records the steps.</param>
    public static (double Area, double Breadth) Across<T>(SlabSpan s, bool bottom, double at, bool developed, ref T trace)
        where T : struct, ITrace
    {
        var (from, to) = s.Body.Chord(s.AlongX, at);
        var breadth = trace.Given("b", to - from, Unit.Section, "of the cap at the section");
        return (developed
            ? trace.Given("As", CapMat.Developed(s, bottom, at), Unit.SteelArea,
                "of the bars that cross it, each as far as it is developed there on both sides")
            : trace.Given("As", CapMat.Crossing(s, bottom, at), Unit.SteelArea, "of the bars that cross it"), breadth);
    }

    /// <summary>Tells them.</summary>
    public static void Tell<T>(CapTrial t, bool alongX, in SectionForces f, int k, bool up, bool moment, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return;
        }

        var axis = alongX ? "x" : "y";
        trace.Given(axis + ",s", f.At, Unit.Length,
            $"section from the cap's centre, the part beyond it towards {(f.Side > 0 ? "+" : "−")}{axis}");
        var parts = new List<FormulaPart>();
        foreach (var p in t.Piles)
        {
            var beyond = f.Side * (p.Along(alongX) - f.At);
            var (share, arm) = (t.Group.ShareOutside(beyond), Math.Max(0, beyond));
            var weight = moment ? arm : share;
            if (weight <= 0)
            {
                continue;
            }

            var factor = moment ? new Sym($"a[{p.Number}]", arm, Unit.Length) : new Sym($"share[{p.Number}]", share, Unit.Ratio);
            if (moment)
            {
                trace.Given(factor.Symbol, arm, Unit.Length, $"{p.Name} beyond the section, centre");
            }
            else
            {
                trace.Given(factor.Symbol, share, Unit.Ratio, $"of {p.Name} beyond the section", t.Code.PileShareClause);
            }

            parts.AddRange([new FormulaPart(parts.Count == 0 ? "" : " + ", default),
                new FormulaPart(null, new Sym($"R[{p.Number}]", t.Group.Force(k, p.Index), Unit.Force)), new FormulaPart("·", default),
                new FormulaPart(null, factor)]);
        }

        var body = SectionForces.Of(t.Body, k, alongX, f.Side, f.At);
        var (unit, total, water, down, own, spread) = moment
            ? (Unit.Moment, f.UpMoment, body.UpMoment, f.DownMoment, body.DownMoment, f.SpreadMoment)
            : (Unit.Force, f.UpShear, body.UpShear, f.DownShear, body.DownShear, f.SpreadShear);
        var (pushes, weighs) = moment ? ("Mp", "Mw") : ("Vp", "Vw");
        if (parts.Count == 0)
        {
            parts.Add(new FormulaPart("0", default));
        }

        trace.Add(new TraceStep(TraceKind.Formula, pushes, total - water, unit, parts, null));
        if (water != 0)
        {
            trace.Given("water", water, unit, moment ? "of the water's push beyond the section" : "the water's push beyond the section");
            trace.Let(pushes, total, unit, $"{new Sym(pushes, total - water, unit)} + {new Sym("water", water, unit)}");
        }

        trace.Given(weighs, own, unit,
            "of the factored weight of cap, soil and surcharge beyond the section, and of loads beside the columns there");
        if (down != own)
        {
            trace.Given("columns", down - own, unit, "of the columns beyond the section" + (moment ? ": Σ N·(x − xi) − Mi" : ""));
            trace.Let(weighs, down, unit, $"{new Sym(weighs, own, unit)} + {new Sym("columns", down - own, unit)}");
        }

        var (first, second) = up
            ? (new Sym(pushes, total, unit), new Sym(weighs, down, unit))
            : (new Sym(weighs, down, unit), new Sym(pushes, total, unit));
        var result = moment ? (up ? f.MomentUp : f.MomentDown) : up ? f.ShearUp : f.ShearDown;
        var symbol = moment ? "Mu" : "Vu";
        if (spread > 0)
        {
            var off = new Sym("Δ", spread, unit);
            trace.Given("Δ", spread, unit,
                "more where the piles stand out of place, all of them in the direction that is worst here: |ΣN|·δ times what this sum "
                    + "answers to moments of one");
            trace.Let(symbol, result, unit, $"max(0; {first} − {second} + {off})");
        }
        else
        {
            trace.Let(symbol, result, unit, $"max(0; {first} − {second})");
        }
    }
}
