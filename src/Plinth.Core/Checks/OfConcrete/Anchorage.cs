using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Lengths that the bars of a direction need to take up their yield stress.</summary>
/// <param name="Bottom">Of the bottom bars, m; 0 without.</param>
/// <param name="Top">Of the top bars, m; 0 without.</param>
/// <param name="Hook">Height of the highest hook over the height there.</param>
/// <param name="Most">The utilisation if all of it were needed on every side: no combination exceeds it.</param>
internal readonly record struct AnchorageLengths(double Bottom, double Top, double Hook, double Most);

/// <summary>
/// Development of the bars on both sides of the column's faces: straight, or with hooks at their ends (ACI 318 13.2.8, 25.4).
/// </summary>
internal readonly struct Anchorage<TAxis> : ICheckRule<SlabSpan, AnchorageLengths>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => trial.Spans(TAxis.IsX);

    public static AnchorageLengths Capacity(SlabSpan s)
    {
        var none = default(NoTrace);
        var (bottom, top) = (s.LooksAt(Face.Bottom) ? Anchorage.Length(s, true, 1, ref none) : 0,
            s.LooksAt(Face.Top) ? Anchorage.Length(s, false, 1, ref none) : 0);
        var hook = Math.Max(Anchorage.HookFits(s, true), Anchorage.HookFits(s, false));
        var there = Anchorage.Shortest(s);
        var needed = Math.Max(bottom, top);
        return new AnchorageLengths(bottom, top, hook,
            Math.Max(hook, needed <= 0 ? 0 : there > 0 ? needed / there : double.PositiveInfinity));
    }

    public static double UpperBound(SlabSpan s, in AnchorageLengths lengths, int k) => lengths.Most;

    public static Outcome Evaluate<T>(SlabSpan s, in AnchorageLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var worst = Outcome.NotDone;
        var governing = 0;
        for (var side = -1; side <= 1; side += 2)
        {
            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                var bottom = face == Face.Bottom;
                if (!s.LooksAt(face) || !s.Layer(bottom).Any)
                {
                    continue;
                }

                var none = default(NoTrace);
                var o = Side(s, k, side, bottom, bottom ? lengths.Bottom : lengths.Top, ref none) with { Face = face };
                if (o.Done && (!worst.Done || o.Utilisation > worst.Utilisation))
                {
                    (worst, governing) = (o, side);
                }
            }
        }

        if (lengths.Hook > Math.Max(1, worst.Utilisation) && worst.Done)
        {
            trace.Note("the hooks are higher than the base: thinner bars or a thicker base");
            trace.Given("utilisation", lengths.Hook, Unit.Ratio, "height of the hooks over the height between the covers");
            return Outcome.Ratio(lengths.Hook, 1) with { Face = worst.Face };
        }

        if (worst.Done && T.Records)
        {
            var bottom = worst.Face == Face.Bottom;
            var layer = s.Layer(bottom);
            trace.Heading(
                $"Anchorage of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}, {(layer.Hooked ? "hooked" : "straight")}");
            Side(s, k, governing, bottom, bottom ? lengths.Bottom : lengths.Top, ref trace);
        }

        if (worst.Done && T.Notes)
        {
            trace.Note((s.Layer(worst.Face == Face.Bottom).Hooked ? "hooked ends" : "straight ends")
                + (!worst.Plain ? ""
                    : worst.Passes ? "; plain concrete holds the moment at the face (14.5)"
                    : " are too short, and plain concrete does not hold the moment at the face either"));
        }

        return worst;
    }

    private static Outcome Side<T>(SlabSpan s, int k, int side, bool bottom, double full, ref T trace)
        where T : struct, ITrace
    {
        var overhang = s.Overhang(side);
        if (overhang <= Anchorage.Touch)
        {
            return Outcome.NotDone;
        }

        var (length, cover) = (s.Length, s.Rules.Concrete.CoverSide);
        var (o, c) = (new Sym("overhang", overhang, Unit.Section), new Sym("cover", cover, Unit.Section));
        var there = trace.Let("there", Math.Max(0, Math.Min(overhang, length - overhang) - cover), Unit.Section,
            $"max(0; min({o}; {new Sym("L", length, Unit.Section)} − {o}) − {c})", $"{s.Code.Name} 13.2.8.2 (both sides of the section)");
        var layer = s.Layer(bottom);
        var contact = s.Body.Contact(k).State != ContactState.NoEquilibrium;
        var excess = contact && s.Rules.Steel.AnchorageExcess && s.Code.ExcessReduces(layer.Hooked, s.Trial.Category);
        var forces = contact ? s.AtFace(k, side) : default;
        var moment = bottom ? forces.MomentUp : OneWayShear<TAxis>.Significant(forces.MomentDown, forces.DownMoment);
        var breadth = s.NarrowBreadth;
        var none = default(NoTrace);
        var share = 1.0;
        if (excess)
        {
            var strength = s.Code.Flexure(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, layer.Area, breadth, s.Depth(bottom)).Strength;
            share = strength > 0 ? Math.Min(1, moment / strength) : 1;
            trace.Given("share", share, Unit.Ratio, "Mu/φMn: only the steel required is anchored (anchorage-excess)",
                $"{s.Code.Name} 25.4.10");
        }

        var needed = T.Records || excess ? Anchorage.Length(s, bottom, share, ref trace) : full;
        var outcome = Outcome.Ratio(needed, there);
        var symbol = layer.Hooked ? "ldh" : "ld";

        // The bars are there; where plain concrete alone holds the moment no stress of them is called on, as at a short overhang. Whichever
        // is used less counts.
        var thickness = s.Code.PlainThickness(s.Thickness);
        if (contact && thickness > 0 && outcome.Utilisation > 0)
        {
            var plain = moment / s.Code.PlainFlexure(ref none, s.Rules.Concrete, breadth, thickness);
            if (plain < outcome.Utilisation)
            {
                if (T.Records)
                {
                    s.Tell(forces, k, bottom, moment: true, ref trace);
                    var held = s.Code.PlainFlexure(ref trace, s.Rules.Concrete, breadth, thickness);
                    trace.Let("utilisation", plain, Unit.Ratio,
                        $"{new Sym("Mu", moment, Unit.Moment)}/{new Sym("φMn", held, Unit.Moment)}");
                }

                return outcome with { Utilisation = plain, Plain = true };
            }
        }

        if (T.Records)
        {
            if (outcome.Utilisation < Outcome.NoCapacity)
            {
                trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                    $"{new Sym(symbol, needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
            else
            {
                trace.Given("utilisation", outcome.Utilisation, Unit.Ratio, "there is no length on one side of the face");
            }
        }

        return outcome;
    }
}

/// <summary>What anchorage and the search for bars share.</summary>
internal static class Anchorage
{
    /// <summary>An overhang no longer than this is none, m.</summary>
    public const double Touch = 1e-6;

    /// <summary>Length that a layer needs by its ends, m; 0 without bars.</summary>
    /// <param name="s">The base.</param>
    /// <param name="bottom">The bottom layer, or the top.</param>
    /// <param name="share">Steel required over steel there, where that counts.</param>
    /// <param name="trace">Records the steps.</param>
    public static double Length<T>(SlabSpan s, bool bottom, double share, ref T trace)
        where T : struct, ITrace => Length(s, bottom, share, s.Layer(bottom).Hooked, ref trace);

    /// <summary>The same with straight ends, whatever ends they have.</summary>
    public static double Straight<T>(SlabSpan s, bool bottom, ref T trace)
        where T : struct, ITrace => Length(s, bottom, 1, false, ref trace);

    private static double Length<T>(SlabSpan s, bool bottom, double share, bool hooked, ref T trace)
        where T : struct, ITrace
    {
        if (!s.Layer(bottom).Any)
        {
            return 0;
        }

        var bar = Bar(s, bottom, hooked, ref trace) with { Share = share };
        return hooked
            ? s.Code.HookedDevelopment(ref trace, s.Rules.Concrete, bar)
            : s.Code.StraightDevelopment(ref trace, s.Rules.Concrete, bar);
    }

    /// <summary>A bar of a layer that there is, as it lies.</summary>
    /// <param name="s">The span.</param>
    /// <param name="bottom">The bottom layer, or the top.</param>
    /// <param name="trace">Records the steps.</param>
    public static DevelopedBar Bar<T>(SlabSpan s, bool bottom, ref T trace)
        where T : struct, ITrace => Bar(s, bottom, s.Layer(bottom).Hooked, ref trace);

    private static DevelopedBar Bar<T>(SlabSpan s, bool bottom, bool hooked, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(bottom);
        var (rules, size) = (s.Rules.Concrete, layer.Size!);
        var (db, breadth) = (size.Diameter, s.NarrowBreadth);
        var spacing = trace.Let("s", (breadth - (2 * rules.CoverSide) - db) / (layer.Count - 1), Unit.Section,
            $"({new Sym("b", breadth, Unit.Section)} − 2·{new Sym("cover", rules.CoverSide, Unit.Section)} − "
                + $"{new Sym("db", db, Unit.Section)})/({new Sym("n", layer.Count, Unit.Ratio)} − 1)");
        // Hooks stand at the ends of the base, where extra bars that end before them are none.
        if (s.HasBetween(bottom, hooked))
        {
            spacing = trace.Let("s,extra", spacing / 2, Unit.Section, $"{new Sym("s", spacing, Unit.Section)}/2");
        }

        if (layer.Band > 0)
        {
            spacing = BarGaps.Of(s, bottom).Least;
            trace.Given("s", spacing, Unit.Section, "least distance, in a band");
        }

        var depth = s.Depth(bottom);
        var toFace = Math.Min(s.Thickness - depth, rules.CoverSide + (db / 2));
        return new DevelopedBar(size, s.Rules.Steel.Yield, spacing, toFace, rules.CoverSide, bottom ? 0 : depth - (db / 2));
    }

    /// <summary>Whether the bars of a layer are long enough without hooks on both sides of every face of the column.</summary>
    public static bool StraightFits(SlabSpan s, bool bottom)
    {
        var none = default(NoTrace);
        return Length(s, bottom, 1, ref none) <= Shortest(s) * (1 + 1e-9);
    }

    /// <summary>
    /// The least length of bar on either side of a face of the column beyond which the base reaches, m; infinite where it reaches beyond
    /// none.
    /// </summary>
    public static double Shortest(SlabSpan s)
    {
        var (low, high, length) = (s.Overhang(-1), s.Overhang(1), s.Length);
        var shortest = double.PositiveInfinity;
        foreach (var overhang in (ReadOnlySpan<double>)[low, high])
        {
            shortest = overhang > Touch ? Math.Min(shortest, Math.Min(overhang, length - overhang)) : shortest;
        }

        return Math.Max(0, shortest - s.Rules.Concrete.CoverSide);
    }

    /// <summary>Height of a layer's hooks over the height between the covers; 0 without hooks.</summary>
    public static double HookFits(SlabSpan s, bool bottom)
    {
        var layer = s.Layer(bottom);
        if (!layer.Hooked)
        {
            return 0;
        }

        var height = s.Thickness - s.Rules.Concrete.CoverTop - s.Rules.Concrete.CoverBottom;
        return height > 0 ? s.Code.HookHeight(layer.Diameter) / height : Outcome.NoCapacity;
    }
}
