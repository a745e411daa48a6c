using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Least steel over the gross section: of the bottom, and of the top where it is stretched by more than plain concrete may hold, or top
/// steel is asked.
/// </summary>
internal readonly struct MinimumSteel<TAxis> : ICheckRule<BarZone, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<BarZone> Of(Trial trial) => trial.Zones(TAxis.IsX);

    public static Nothing Capacity(BarZone s) => default;

    public static Outcome Evaluate<T>(BarZone s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var breadth = s.GrossBreadth;
        trace.Heading($"Minimum steel along {TAxis.Name}");
        var ratio = s.Code.MinimumSteelRatio(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield);
        var last = "";
        double Least(bool bottom, ref T trace)
        {
            var depth = s.Code.LeastSteelDepth(s.Thickness, s.Depth(bottom));
            var least = ratio * breadth * depth.Value;
            // By the thickness it is the same for both faces, and told once.
            if (last != depth.Symbol || depth.Symbol == "d")
            {
                trace.Let("As,min", least, Unit.SteelArea,
                    $"{new Sym("ρmin", ratio, Unit.Ratio)}·{new Sym("b", breadth, Unit.Section)}·"
                        + $"{new Sym(depth.Symbol, depth.Value, Unit.Section)}");
            }

            last = depth.Symbol;
            return least;
        }

        var bottomLeast = Least(true, ref trace);
        var worst = s.LooksAt(Face.Bottom) && s.Has(true) ? One(s, true, bottomLeast, ref trace) : Outcome.NotDone;
        if (s.LooksAt(Face.Top) && s.Has(false) && Asked(s))
        {
            trace.Remark(s.Rules.Steel.TopSteel == Concrete.TopSteel.Least
                ? "[steel] top-steel = \"least\" asks it of the top too."
                : "The top is stretched in some combination.");
            var top = One(s, false, Least(false, ref trace), ref trace);
            var higher = !worst.Done || top.Utilisation > worst.Utilisation ? top : worst;
            trace.Let("utilisation", higher.Utilisation, Unit.Ratio,
                $"max({new Sym("bottom", worst.Utilisation, Unit.Ratio)}; {new Sym("top", top.Utilisation, Unit.Ratio)})");
            worst = higher;
        }

        return worst;
    }

    // Bars where nothing stretches the top may be fewer; where there are none at all, flexure tells.
    private static bool Asked(BarZone s) =>
        s.Rules.Steel.TopSteel == Concrete.TopSteel.Least || (s.Layer(false).Any && s.Trial.NeedsTopSteel);

    private static Outcome One<T>(BarZone s, bool bottom, double least, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(bottom);
        if (T.Records && layer.Any)
        {
            var area = trace.Let(bottom ? "As,bottom" : "As,top", layer.Area, Unit.SteelArea,
                $"{new Sym("n", layer.Count, Unit.Ratio)}·{new Sym("Ab", layer.Size!.Area, Unit.SteelArea)}");
            trace.Let("utilisation", least / area, Unit.Ratio,
                $"{new Sym("As,min", least, Unit.SteelArea)}/{new Sym("As", area, Unit.SteelArea)}");
        }

        var whole = Outcome.Ratio(least, layer.Area) with { Face = bottom ? Face.Bottom : Face.Top };
        if (layer.Band > 0 && ((SlabSpan)s).BesideBands(bottom) is > 0 and var breadth)
        {
            var beside = Beside(s, layer, breadth, least, ref trace) with { Face = whole.Face };
            var higher = beside.Utilisation > whole.Utilisation ? beside : whole;
            trace.Let("utilisation", higher.Utilisation, Unit.Ratio,
                $"max({new Sym("whole", whole.Utilisation, Unit.Ratio)}; {new Sym("beside", beside.Utilisation, Unit.Ratio)})");
            return higher;
        }

        if (!bottom && !layer.Any)
        {
            trace.Note("top steel is asked ([steel] top-steel = \"least\"), and there is none");
        }

        return whole;
    }

    // Beside the bands the code's least is asked of its own.
    private static Outcome Beside<T>(BarZone s, in BarLayer layer, double breadth, double least, ref T trace)
        where T : struct, ITrace
    {
        var (of, there) = (least * breadth / s.GrossBreadth, (layer.Count - layer.Band) * (layer.Size?.Area ?? 0));
        if (T.Records)
        {
            trace.Remark("Beside the bands");
            of = trace.Let("As,min,beside", of, Unit.SteelArea,
                $"{new Sym("As,min", least, Unit.SteelArea)}·{new Sym("b,beside", breadth, Unit.Section)}/"
                    + $"{new Sym("b", s.GrossBreadth, Unit.Section)}");
            if (there > 0)
            {
                trace.Let("As,beside", there, Unit.SteelArea,
                    $"{new Sym("n", layer.Count - layer.Band, Unit.Ratio)}·{new Sym("Ab", layer.Size!.Area, Unit.SteelArea)}");
                trace.Let("utilisation", of / there, Unit.Ratio,
                    $"{new Sym("As,min,beside", of, Unit.SteelArea)}/{new Sym("As,beside", there, Unit.SteelArea)}");
            }
        }

        return Outcome.Ratio(of, there);
    }
}

/// <summary>Distances between bars of each face that has bars: not too far apart, not too near.</summary>
internal readonly struct BarSpacing<TAxis> : ICheckRule<BarZone, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<BarZone> Of(Trial trial) => trial.Zones(TAxis.IsX);

    public static Nothing Capacity(BarZone s) => default;

    public static Outcome Evaluate<T>(BarZone s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading($"Bar spacing along {TAxis.Name}");
        var worst = s.LooksAt(Face.Bottom) && s.Has(true) ? One(s, true, ref trace) : Outcome.NotDone;
        if (s.LooksAt(Face.Top) && s.Has(false) && s.Layer(false).Any)
        {
            var top = One(s, false, ref trace);
            var higher = !worst.Done || top.Utilisation > worst.Utilisation ? top : worst;
            trace.Let("utilisation", higher.Utilisation, Unit.Ratio,
                $"max({new Sym("bottom", worst.Utilisation, Unit.Ratio)}; {new Sym("top", top.Utilisation, Unit.Ratio)})");
            worst = higher;
        }

        return worst;
    }

    private static Outcome One<T>(BarZone s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(bottom);
        var face = bottom ? Face.Bottom : Face.Top;
        if (layer.Count < 2)
        {
            trace.Note("no bars");
            return Outcome.Ratio(1, 0) with { Face = face };
        }

        var (breadth, db) = (s.Breadth, layer.Diameter);
        var rules = s.Rules.Steel;
        if (db < s.Code.LeastDiameter - 1e-9)
        {
            trace.Note($"{layer.Size!.Name}: bars of a base are thicker");
            trace.Given("utilisation", s.Code.LeastDiameter / db, Unit.Ratio, "least diameter of bars in a base over theirs",
                s.Code.SpacingClause);
            return Outcome.Ratio(s.Code.LeastDiameter, db) with { Face = face };
        }

        trace.Remark(bottom ? "Bottom bars" : "Top bars");
        if (layer.Band > 0)
        {
            return Banded(s, layer, face, ref trace);
        }

        var centres = s.IsInner
            ? trace.Let("s", breadth / layer.Count, Unit.Section,
                $"{new Sym("b", breadth, Unit.Section)}/{new Sym("n", layer.Count, Unit.Ratio)}")
            : trace.Let("s", (breadth - (2 * s.Rules.Concrete.CoverSide) - db) / (layer.Count - 1), Unit.Section,
                $"({new Sym("b", breadth, Unit.Section)} − 2·{new Sym("cover", s.Rules.Concrete.CoverSide, Unit.Section)} − "
                    + $"{new Sym("db", db, Unit.Section)})/({new Sym("n", layer.Count, Unit.Ratio)} − 1)");
        var most = Most(s, bottom, ref trace);
        var (narrow, near) = (s.NarrowBreadth, centres);
        if (narrow < breadth)
        {
            near = trace.Let("s,narrow", (narrow - (2 * s.Rules.Concrete.CoverSide) - db) / (layer.Count - 1), Unit.Section,
                $"({new Sym("b,narrow", narrow, Unit.Section)} − 2·{new Sym("cover", s.Rules.Concrete.CoverSide, Unit.Section)} − "
                    + $"{new Sym("db", db, Unit.Section)})/({new Sym("n", layer.Count, Unit.Ratio)} − 1)");
        }

        if (s.HasBetween(bottom))
        {
            near = trace.Let("s,extra", near / 2, Unit.Section, $"{new Sym("s", near, Unit.Section)}/2");
        }

        var leastClear = trace.Given("clear,least", s.Code.LeastClear(db, s.Rules.Concrete.Aggregate), Unit.Section,
            s.Code.ClearWords, s.Code.SpacingClause);
        var least = trace.Given("s,least", Math.Max(rules.LeastSpacing, leastClear + db), Unit.Section,
            rules.LeastSpacing >= leastClear + db ? "[steel] spacing" : "least clear distance and a bar");
        if (near > 0 && centres / most >= least / near)
        {
            trace.Let("utilisation", centres / most, Unit.Ratio,
                $"{new Sym("s", centres, Unit.Section)}/{new Sym("s,most", most, Unit.Section)}");
            return Outcome.Ratio(centres, most) with { Face = face };
        }

        // The larger of least/centres and least clear/clear.
        var clear = near - db;
        if (clear <= 0 || leastClear / clear > rules.LeastSpacing / near)
        {
            trace.Let("utilisation", leastClear / clear, Unit.Ratio,
                $"{new Sym("clear,least", leastClear, Unit.Section)}/({new Sym("s", near, Unit.Section)} − "
                    + $"{new Sym("db", db, Unit.Section)})");
            return Outcome.Ratio(leastClear, clear) with { Face = face };
        }

        trace.Let("utilisation", rules.LeastSpacing / near, Unit.Ratio,
            $"{new Sym("s,least", rules.LeastSpacing, Unit.Section)}/{new Sym("s", near, Unit.Section)}");
        return Outcome.Ratio(rules.LeastSpacing, near) with { Face = face };
    }
    private static double Most<T>(BarZone s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var rules = s.Rules.Steel;
        var code = s.Code.MostSpacing(s.Thickness);
        var most = trace.Given("s,most", Math.Min(rules.MostSpacing, code), Unit.Section,
            rules.MostSpacing <= code ? "[steel] spacing" : s.Code.SpacingWords, s.Code.SpacingClause);
        return rules.CrackSpacing
            ? Math.Min(most,
                trace.Given("s,crack", s.Code.CrackSpacing(rules.Yield, bottom ? s.Rules.Concrete.CoverBottom : s.Rules.Concrete.CoverTop),
                    Unit.Section, "for cracks, at two thirds of the yield stress", $"{s.Code.Name} 24.3.2"))
            : most;
    }

    private const string AtEnd = ", from the bar at the end of the layer, which has half a part";

    // Strip by strip: each bar in the middle of an equal part of it, but for one at an end of the layer.
    private static void Tell<T>(SlabSpan s, in BarLayer layer, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        trace.Remark(s.BandWords);
        var parts = BandedBars.Parts(layer, s.Strips(bottom)) ?? [];
        for (var i = 0; i < parts.Count; i++)
        {
            var (strip, bars, spacing) = parts[i];
            var (number, where) = ((i + 1).ToString(CultureInfo.InvariantCulture), strip.InBand ? "in a band" : "beside");
            var w = new Sym($"w[{number}]", strip.Breadth, Unit.Section);
            trace.Given(w.Symbol, strip.Breadth, Unit.Section, $"strip {number}, {where}{(strip.Ends > 0 ? AtEnd : "")}");
            if (bars == 0)
            {
                continue;
            }

            var (n, ends) = (new Sym($"n[{number}]", bars, Unit.Ratio), new Sym("ends", strip.Ends / 2.0, Unit.Ratio));
            if (strip.Ends == 0)
            {
                trace.Let($"s[{number}]", spacing, Unit.Section, $"{w}/{n}");
            }
            else
            {
                trace.Let($"s[{number}]", spacing, Unit.Section, $"{w}/({n} − {ends})");
            }
        }
    }

    private static Outcome Banded<T>(BarZone s, BarLayer layer, Face face, ref T trace)
        where T : struct, ITrace
    {
        var (gaps, db) = (BarGaps.Of((SlabSpan)s, face == Face.Bottom), layer.Diameter);
        var most = Most(s, face == Face.Bottom, ref trace);
        if (gaps.Least <= 0)
        {
            trace.Note($"{layer}: so many do not share alike over the strips in the bands and beside them");
        }

        if (T.Records)
        {
            Tell((SlabSpan)s, layer, face == Face.Bottom, ref trace);
        }

        trace.Given("s,wide", gaps.Most, Unit.Section, "greatest distance of a banded layer");
        trace.Given("s,near", gaps.Least, Unit.Section, "least distance of a banded layer");
        var least = trace.Given("s,least", Math.Max(s.Rules.Steel.LeastSpacing, s.Code.LeastClear(db, s.Rules.Concrete.Aggregate) + db),
            Unit.Section, "[steel] spacing, or least clear distance and a bar", s.Code.SpacingClause);
        if (gaps.Most / most >= least / gaps.Least)
        {
            trace.Let("utilisation", gaps.Most / most, Unit.Ratio,
                $"{new Sym("s,wide", gaps.Most, Unit.Section)}/{new Sym("s,most", most, Unit.Section)}");
            return Outcome.Ratio(gaps.Most, most) with { Face = face };
        }

        trace.Let("utilisation", least / gaps.Least, Unit.Ratio,
            $"{new Sym("s,least", least, Unit.Section)}/{new Sym("s,near", gaps.Least, Unit.Section)}");
        return Outcome.Ratio(least, gaps.Least) with { Face = face };
    }
}

/// <summary>Least effective depth of the bottom bars: the shallower layer counts.</summary>
internal readonly struct LeastDepth : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Least effective depth");
        var d = trace.Given("d", Shallower(s), Unit.Section, "of the shallower bottom layer");
        var least = trace.Given("d,least", s.Code.LeastEffectiveDepth, Unit.Section, "bottom bars of a footing on soil",
            s.Code.LeastDepthClause);
        trace.Let("utilisation", least / d, Unit.Ratio, $"{new Sym("d,least", least, Unit.Section)}/{new Sym("d", d, Unit.Section)}");
        return Outcome.Ratio(least, d);
    }

    private static double Shallower(GroundBody s)
    {
        var least = double.PositiveInfinity;
        foreach (var zone in s.Trial.Zones(true))
        {
            least = zone.Has(true) ? Math.Min(least, zone.Depth(true)) : least;
        }

        foreach (var zone in s.Trial.Zones(false))
        {
            least = zone.Has(true) ? Math.Min(least, zone.Depth(true)) : least;
        }

        return least;
    }
}
