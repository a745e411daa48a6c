using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <content>Where extra bars end, and what of those that run through goes on.</content>
internal readonly partial struct Curtailment
{
    /// <summary>How far the shear is used where extra bars end on a side in a stretched face; 0 where that is not stretched.</summary>
    public static double UsedAtEnd(ExtraZone z, in ThroughBars through, int k, int side)
    {
        var none = default(NoTrace);
        return !z.RunsOut(side) && WhereTheyEnd(z, through, k, side, ref none) is { Done: true } o ? o.Utilisation : 0;
    }

    private static Outcome WhereTheyEnd<T>(ExtraZone z, in ThroughBars through, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        var section = z.Along.Section(k, z.End(side));
        var (moment, shear) = (z.Along.Stretch(z.Bottom, k, section), Math.Abs(section.Shear));
        if (moment <= 1e-9 * Math.Abs(z.Along.Body.Loads(k).N) * (z.Along.High - z.Along.Low))
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var alone = Math.Max(through.Shear, z.Along.Sheared(z.Bottom, z.Along.Layer(z.Bottom).Area, section.X, ref none));
        var low = shear / (TwoThirds * alone);
        var more = z.Layer.Diameter <= Thickest
            ? Math.Max(moment / through.Half, shear / (ThreeQuarters * alone)) : double.PositiveInfinity;
        var used = Math.Min(low, more);
        if (T.Records)
        {
            trace.Given("x,end", section.X, Unit.Length, "where the extra bars end, from the base's centroid");
            var v = new Sym("V", trace.Given("V", shear, Unit.Force, "shear there"), Unit.Force);
            var m = new Sym("M", trace.Given("M", moment, Unit.Moment, "stretches this face there"), Unit.Moment);
            z.Along.Sheared(z.Bottom, z.Along.Layer(z.Bottom).Area, section.X, ref trace);
            var vn = new Sym("φVn", trace.Given("φVn", alone, Unit.Force, "with the bars that run through"), Unit.Force);
            var clause = $"{z.Code.Name} {z.Along.CutClause}.5";
            trace.Let("u,a", low, Unit.Ratio, $"{v}/(2/3·{vn})", clause + "(a)");
            if (double.IsFinite(more))
            {
                trace.Given("φMn,half", through.Half, Unit.Moment, "of half of the bars that run through");
                trace.Let("u,b", more, Unit.Ratio,
                    $"max({m}/{new Sym("φMn,half", through.Half, Unit.Moment)}; {v}/(3/4·{vn}))", clause + "(b)");
                trace.Let("utilisation", used, Unit.Ratio, $"min({new Sym("u,a", low, Unit.Ratio)}; {new Sym("u,b", more, Unit.Ratio)})");
            }
            else
            {
                trace.Let("utilisation", used, Unit.Ratio, $"{new Sym("u,a", low, Unit.Ratio)}");
            }
        }

        if (T.Notes)
        {
            trace.Note($"shear where they end towards {Way(side)}");
        }

        return Outcome.Ratio(used, 1);
    }

    /// <summary>
    /// Bars for the moment in a bay are so thin that those that run through are developed over Mn/Vu and la beyond where the moment is nil
    /// (7.7.3.8.3, 9.7.3.8.3): on the safe side by φMn.
    /// </summary>
    internal static Outcome AtInflection<T>(ExtraZone z, in ThroughBars through, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        if (z.Bottom || z.Needed(k, side, 0) is not var (_, nil))
        {
            return Outcome.NotDone;
        }

        var section = z.Along.Section(k, nil);
        var shear = Math.Abs(section.Shear);
        if (shear <= 0 || Math.Abs(section.Moment) > 1e-6 * through.Moment)
        {
            return Outcome.NotDone;
        }

        var there = (through.Moment / shear) + through.Beyond;
        if (T.Records)
        {
            Through(z, k, nil, "where the moment is nil", ref trace);
            var beyond = new Sym("la", trace.Let("la", through.Beyond, Unit.Section,
                $"max({new Sym("d", z.Along.Depth(false), Unit.Section)}; 12·{new Sym("db", z.Layer.Diameter, Unit.Section)})"),
                Unit.Section);
            var v = new Sym("Vu", trace.Given("Vu", shear, Unit.Force, "where the moment is nil"), Unit.Force);
            trace.Given("ld", z.Developed, Unit.Section, "straight development of bars as near each other", z.Code.AnchorageClause);
            trace.Let("there", there, Unit.Section, $"{new Sym("φMn", through.Moment, Unit.Moment)}/{v} + {beyond}",
                $"{z.Code.Name} {z.Along.CutClause}.8.3");
            trace.Let("utilisation", z.Developed / there, Unit.Ratio,
                $"{new Sym("ld", z.Developed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
        }

        if (T.Notes)
        {
            trace.Note($"bond where the moment is nil towards {Way(side)}");
        }

        return Outcome.Ratio(z.Developed, there);
    }

    private static Outcome RunsOn<T>(ExtraZone z, in ThroughBars through, int k, int side, ref T trace)
        where T : struct, ITrace
    {
        if (z.Needed(k, side, through.Moment) is not var (_, cut))
        {
            return Outcome.NotDone;
        }

        var there = (side < 0 ? cut - z.Along.Low : z.Along.High - cut) - z.Rules.Concrete.CoverSide;
        if (T.Records)
        {
            Through(z, k, cut, Alone, ref trace);
            var needed = new Sym("needed", z.Along.AtEnd(z.Bottom, ref trace), Unit.Section);
            trace.Given("there", there, Unit.Section, "from there to the end of the base, less the cover",
                $"{z.Code.Name} {z.Along.CutClause}.4");
            if (there > 0)
            {
                trace.Let("utilisation", through.AtEnd / there, Unit.Ratio, $"{needed}/{new Sym("there", there, Unit.Section)}");
            }
        }

        if (T.Notes)
        {
            trace.Note($"development of the bars that run on towards {Way(side)}");
        }

        return Outcome.Ratio(through.AtEnd, Math.Max(0, there));
    }

    private static Outcome RunThrough<T>(ExtraZone z, ref T trace)
        where T : struct, ITrace
    {
        var (n, extra) = (z.Along.Layer(z.Bottom).Count, z.Layer.Count);
        var used = (n + extra) / (double)(Parts * n);
        if (used <= 1)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            trace.Let("utilisation", used, Unit.Ratio,
                $"({new Sym("n", n, Unit.Ratio)} + {new Sym("n,extra", extra, Unit.Ratio)})/(3·{new Sym("n", n, Unit.Ratio)})",
                $"{z.Code.Name} {z.Along.CutClause}.8");
        }

        if (T.Notes)
        {
            trace.Note("a third of the bars runs through");
        }

        return Outcome.Ratio(used, 1);
    }
}
