using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Numerics;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Least steel of the stretched faces of a beam, distances of their bars, and bars along the sides of a deep one.
/// </summary>
internal readonly struct BeamSteel : ICheckRule<Subject, LeastOfBeam>
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => trial.Beams;

    public static LeastOfBeam Capacity(Subject subject)
    {
        var (s, none) = ((BeamSpan)subject, default(NoTrace));
        double Worst(bool bottom) => s.LooksAt(bottom ? Face.Bottom : Face.Top) && Distances(s, bottom, ref none) is { Done: true } o
            ? o.Utilisation : 0;
        return new((Area(true), Area(false)), Math.Max(Math.Max(Worst(true), Worst(false)),
            Sides(s, ref none) is { Done: true } sides ? sides.Utilisation : 0));

        double Area(bool bottom) =>
            s.Code.LeastBeamSteel(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, s.LeastSteelBreadth(bottom), s.Depth(bottom));
    }

    public static Outcome Evaluate<T>(Subject subject, in LeastOfBeam least, int k, ref T trace)
        where T : struct, ITrace
    {
        var s = (BeamSpan)subject;
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        if (!T.Records && !T.Notes)
        {
            var most = Math.Max(least.Distances,
                Math.Max(Utilised(s, k, true, least.Areas.Bottom), Utilised(s, k, false, least.Areas.Top)));
            return most > 0 ? Outcome.Ratio(most, 1) : Outcome.NotDone;
        }

        var (worst, part) = (Outcome.NotDone, 0);
        for (var i = 0; i < Checked; i++)
        {
            var o = One(s, k, i, ref none);
            if (o.Done && (!worst.Done || o.Utilisation > worst.Utilisation))
            {
                (worst, part) = (o, i);
            }
        }

        if (worst.Done && (T.Records || T.Notes))
        {
            worst = One(s, k, part, ref trace);
        }

        // Areas and lengths alike: what is told is their ratio.
        return worst.Done ? Outcome.Ratio(worst.Utilisation, 1) : worst;
    }

    // Least steel below and on top, distances below and on top, sides.
    private const int Checked = 5;

    private static Outcome One<T>(BeamSpan s, int k, int part, ref T trace)
        where T : struct, ITrace =>
        part == Checked - 1 ? Sides(s, ref trace)
            : !s.LooksAt(part % 2 == 0 ? Face.Bottom : Face.Top) ? Outcome.NotDone
            : part < 2 ? Least(s, k, part == 0, ref trace)
            : Distances(s, part == 2, ref trace);

    // The same as below where nobody asks how.
    private static double Utilised(BeamSpan s, int k, bool bottom, double least)
    {
        ref readonly var layer = ref s.Layer(bottom);
        var moment = s.Greatest(k, bottom).Moment;
        if (moment == 0 || !layer.Any || !s.LooksAt(bottom ? Face.Bottom : Face.Top))
        {
            return 0;
        }

        return layer.Area >= least ? least / layer.Area
            : Math.Min(least, s.Code.LeastSteelRelief * Required(s, bottom, Math.Abs(moment))) / layer.Area;
    }

    // 9.6.1.3: a third more than is required needs no least.
    private static Outcome Least<T>(BeamSpan s, int k, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var moment = s.Greatest(k, bottom);
        var layer = s.Layer(bottom);
        if (moment.Moment == 0 || !layer.Any)
        {
            return Outcome.NotDone;
        }

        trace.Heading($"Least {(bottom ? "bottom" : "top")} steel of the {s.Noun}");
        BeamTrace.Bars(s, bottom, ref trace);
        var least = s.Code.LeastBeamSteel(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, s.LeastSteelBreadth(bottom), s.Depth(bottom));
        if (layer.Area < least)
        {
            var required = Required(s, bottom, Math.Abs(moment.Moment));
            trace.Given("As,required", required, Unit.SteelArea,
                $"for the greatest moment {Unit.Moment.FormatWithSymbol(moment.Moment, s.Units)} that stretches this face");
            var relief = s.Code.LeastSteelRelief;
            least = trace.Let("As,least", Math.Min(least, relief * required), Unit.SteelArea,
                $"min({new Sym("As,min", least, Unit.SteelArea)}; "
                    + $"{new Sym("relief", relief, Unit.Ratio)}·{new Sym("As,required", required, Unit.SteelArea)})",
                s.Code.BeamSteelClause);
        }
        else
        {
            trace.Given("As,least", least, Unit.SteelArea, "As,min");
        }

        trace.Let("utilisation", least / layer.Area, Unit.Ratio,
            $"{new Sym("As,least", least, Unit.SteelArea)}/{new Sym("As", layer.Area, Unit.SteelArea)}");
        trace.Note($"least {(bottom ? "bottom" : "top")} steel of the {s.Noun}");
        return Outcome.Ratio(least, layer.Area);
    }

    // The strength grows with the steel as long as the section is tension-controlled.
    private static double Required(BeamSpan s, bool bottom, double moment)
    {
        var most = s.Layer(bottom).Area;
        var lacks = new Lack(s, bottom, moment);
        return lacks.At(most) <= 0 ? most : Root.Between(ref lacks, 0, most);
    }

    // By how much the strength of an area of steel exceeds a moment.
    private readonly struct Lack(BeamSpan s, bool bottom, double moment) : IFunction
    {
        public double At(double area)
        {
            var none = default(NoTrace);
            return s.StrengthOf(bottom, area, ref none).Strength - moment;
        }
    }

    private static Outcome Distances<T>(BeamSpan s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(bottom);
        if (!layer.Any)
        {
            return Outcome.NotDone;
        }

        trace.Heading($"Distances of the {(bottom ? "bottom" : "top")} bars of the {s.Noun}");
        if (layer.Count < 2)
        {
            trace.Note($"a face of the {s.Noun} has a bar in each corner of the stirrups");
            return Outcome.Ratio(1, 0);
        }

        var (db, cover, centres) = (layer.Diameter, s.SideCover, s.Farthest(bottom));
        var near = new Sym("s", s.Closest(bottom), Unit.Section);
        if (s.HasExtra(bottom))
        {
            trace.Let("s", near.Value, Unit.Section,
                $"({new Sym("bw", s.Width, Unit.Section)} − 2·{new Sym("cover", cover, Unit.Section)} − {new Sym("db", db, Unit.Section)})/"
                    + $"({new Sym("n", layer.Count, Unit.Ratio)} + {new Sym("n,extra", s.Extra!.Most(bottom), Unit.Ratio)} − 1)");
            trace.Let("s,through", centres, Unit.Section, $"2·{near}");
        }
        else
        {
            trace.Let("s", centres, Unit.Section,
                $"({new Sym("bw", s.Width, Unit.Section)} − 2·{new Sym("cover", cover, Unit.Section)} − {new Sym("db", db, Unit.Section)})/"
                    + $"({new Sym("n", layer.Count, Unit.Ratio)} − 1)");
        }

        var most = trace.Given("s,most", s.Code.CrackSpacing(s.Rules.Steel.Yield, s.Cover(bottom)), Unit.Section,
            "for cracks, at two thirds of the yield stress", $"{s.Code.Name} 9.7.2.2, 24.3.2");
        var least = trace.Given("clear,least", s.Code.LeastClear(db, s.Rules.Concrete.Aggregate), Unit.Section,
            "the code's least, a bar, 4/3 of the aggregate", $"{s.Code.Name} 25.2.1");
        var clear = near.Value - db;
        if (clear <= 0 || least / clear >= centres / most)
        {
            trace.Let("utilisation", clear > 0 ? least / clear : Outcome.NoCapacity, Unit.Ratio,
                $"{new Sym("clear,least", least, Unit.Section)}/({near} − {new Sym("db", db, Unit.Section)})");
            trace.Note($"the {(bottom ? "bottom" : "top")} bars of the {s.Noun} stand near each other: fewer and "
                + $"thicker ones, or a wider {s.Noun}");
            return Outcome.Ratio(least, Math.Max(0, clear));
        }

        trace.Let("utilisation", centres / most, Unit.Ratio,
            $"{new Sym(s.HasExtra(bottom) ? "s,through" : "s", centres, Unit.Section)}/{new Sym("s,most", most, Unit.Section)}");
        trace.Note($"the {(bottom ? "bottom" : "top")} bars of the {s.Noun} stand far apart");
        return Outcome.Ratio(centres, most);
    }

    // Either face may be the stretched one: bars stand along the whole of the sides.
    private static Outcome Sides<T>(BeamSpan s, ref T trace)
        where T : struct, ITrace
    {
        if (s.Height <= s.Code.SideBarsFrom)
        {
            return Outcome.NotDone;
        }

        trace.Heading($"Bars along the sides of the {s.Noun}");
        var between = trace.Let("z", s.Depth(true) + s.Depth(false) - s.Height, Unit.Section,
            $"{new Sym("d,bottom", s.Depth(true), Unit.Section)} + {new Sym("d,top", s.Depth(false), Unit.Section)} − "
                + $"{new Sym("h", s.Height, Unit.Section)}");
        var count = s.Sides.Count;
        var apart = trace.Let("s,sides", between / (count + 1), Unit.Section,
            $"{new Sym("z", between, Unit.Section)}/({new Sym("n,sides", count, Unit.Ratio)} + 1)");
        var most = trace.Given("s,most", s.Code.CrackSpacing(s.Rules.Steel.Yield, s.SideCover), Unit.Section,
            "by the clear cover of the bars along the sides", $"{s.Code.Name} 9.7.2.3, 24.3.2");
        trace.Let("utilisation", apart / most, Unit.Ratio,
            $"{new Sym("s,sides", apart, Unit.Section)}/{new Sym("s,most", most, Unit.Section)}");
        trace.Note($"bars along the sides of the {s.Noun}");
        return Outcome.Ratio(apart, most);
    }
}

/// <summary>Least areas of a beam's steel below and on top by its section alone, m2, and how far its bars' distances are used.</summary>
internal readonly record struct LeastOfBeam((double Bottom, double Top) Areas, double Distances);
