using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <content>A column that pulls up.</content>
internal readonly partial struct PerimeterShear
{
    // A column that pulls: at 2d, or as far as the base reaches, without the help of a strut to the column (6.4.3); without top bars by
    // plain concrete at its face (12.6.3). What of the base hangs within is not deducted.
    private static Outcome Pulled<T>(PunchedArea s, int k, ref T trace)
        where T : struct, ITrace
    {
        var reinforced = s.TopIsReinforced;
        if (!reinforced && !s.PlainOnTop(k))
        {
            trace.Note("the column pulls up: top steel is needed both ways");
            return Outcome.Ratio(1, 0) with { Demand = -s.Force(k), Face = Face.Top };
        }

        if (!reinforced)
        {
            if (T.Records)
            {
                BaseLoadCase.Contact(s.Body, k, true, ref trace);
            }

            var plain = OnPlain(s, k, ref trace);
            trace.Note(plain.Passes ? "plain concrete holds the pull" : "the column pulls up: top steel is needed both ways");
            return plain;
        }

        var set = Perimeters(s, false);
        var (worst, at) = Farthest(s, set, k);
        if (at is not { } which)
        {
            trace.Note("no perimeter lies within the base");
            return Outcome.Ratio(0, 1) with { Face = Face.Top };
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Punching by a pull, {which.Form.Words}");
            TellShape(s, ref trace);
            Far(s, set, which, k, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("vEd", worst.Demand, Unit.Stress)}/{new Sym("vRd,c", worst.Capacity, Unit.Stress)}");
        }

        if (T.Notes)
        {
            trace.Note("the column pulls up: " + Words(which, set));
        }

        return worst with { Face = Face.Top };
    }

    private static Outcome Far<T>(PunchedArea s, PerimeterSet set, in HeldPerimeter at, int k, ref T trace)
        where T : struct, ITrace
    {
        var p = at.Perimeter;
        trace.Given("a", p.Distance, Unit.Section, "from the column's face: 2d, or as far as the base reaches", $"{s.Code.Name} 6.4.2(1)");
        trace.Given("u", p.Length, Unit.Length, "of the perimeter");
        var n = trace.Given("VEd", -s.Force(k), Unit.Force, "the pull; what hangs within is not deducted");
        var moments = OfColumn(s, p, k, ref trace);
        var d = trace.Given("d", set.Depth, Unit.Section, "mean of both top layers");
        var stress = Uneven(s, p, new Sym("VEd", n, Unit.Force), moments, new Sym("d", d, Unit.Section), "eq. 6.38, 6.39", ref trace);
        var counts = set.Counts(at);
        return Outcome.Ratio(stress,
            ((IShearPerimeters)s.Code).PunchingResistance(ref trace, s.Rules.Concrete, new PunchedSlab(d, counts ? set.Steel : 0)));
    }

    private static Outcome OnPlain<T>(PunchedArea s, int k, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Punching by a pull, plain concrete at the face of the column");
        var (n, mx, my) = Brought(s, k, s.X, s.Y);
        var h = s.Code.PlainThickness(s.Body.Thickness);
        var diameter = s.Columns.Length == 1 ? s.First.Outline.Diameter : 0;
        var (cx, cy) = diameter > 0 ? (diameter / 2, diameter / 2) : (s.SideX / 2, s.SideY / 2);
        var at = new ShearPerimeter(0, (s.X, s.Y, cx, cy), diameter > 0, 0, 0, (s.Body.LowX, s.Body.HighX, s.Body.LowY, s.Body.HighY));
        trace.Given("VEd", -n, Unit.Force, "the pull; what hangs within is not deducted");
        trace.Given("MEd,x", mx, Unit.Moment, "of the column at the underside");
        trace.Given("MEd,y", my, Unit.Moment, "of the column at the underside");
        trace.Given("u", at.Length, Unit.Length, "the column's own perimeter");
        var stress = Uneven(s, at, new Sym("VEd", -n, Unit.Force), (mx, my), new Sym("h", h, Unit.Section), "12.6.3", ref trace);
        var outcome = Outcome.Ratio(stress, s.Code.PlainTwoWayShear(ref trace, s.Rules.Concrete, s.Beta));
        trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
            $"{new Sym("vEd", stress, Unit.Stress)}/{new Sym("vRd", outcome.Capacity, Unit.Stress)}");
        return outcome with { Face = Face.Top, Plain = true };
    }

    private static (Outcome Outcome, HeldPerimeter? At) Farthest(PunchedArea s, PerimeterSet set, int k)
    {
        var none = default(NoTrace);
        var (worst, which) = (Outcome.NotDone, (HeldPerimeter?)null);
        foreach (var (first, count, _) in set.Runs)
        {
            var far = set.Grid[first + count - 1];
            var o = Far(s, set, far, k, ref none);
            (worst, which) = !worst.Done || o.Utilisation > worst.Utilisation ? (o, far) : (worst, which);
        }

        return (worst, which);
    }
}
