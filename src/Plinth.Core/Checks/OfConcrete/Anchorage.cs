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

/// <summary>Development of the bars on both sides of the column's faces: straight, or with hooks at their ends.</summary>
internal readonly struct Anchorage<TAxis> : ICheckRule<AnchorageLengths>
    where TAxis : struct, IAxis
{
    public static AnchorageLengths Capacity(BaseState s)
    {
        var none = default(NoTrace);
        var (bottom, top) = (s.LooksAt(Face.Bottom) ? Anchorage.Length(s, TAxis.IsX, true, ref none) : 0, s.LooksAt(Face.Top) ? Anchorage.Length(s, TAxis.IsX, false, ref none) : 0);
        var hook = Math.Max(Anchorage.HookFits(s, TAxis.IsX, true), Anchorage.HookFits(s, TAxis.IsX, false));
        var there = Anchorage.Shortest(s, TAxis.IsX);
        var needed = Math.Max(bottom, top);
        return new AnchorageLengths(bottom, top, hook, Math.Max(hook, needed <= 0 ? 0 : there > 0 ? needed / there : double.PositiveInfinity));
    }

    public static double UpperBound(BaseState s, in AnchorageLengths lengths, int k) => lengths.Most;

    public static Outcome Evaluate<T>(BaseState s, in AnchorageLengths lengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var worst = Outcome.NotDone;
        var governing = 0;
        for (var side = -1; side <= 1; side += 2)
        {
            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                var bottom = face == Face.Bottom;
                if (!s.LooksAt(face) || !s.Layer(TAxis.IsX, bottom).Any)
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
            var layer = s.Layer(TAxis.IsX, bottom);
            trace.Heading($"Anchorage of the {(bottom ? "bottom" : "top")} bars along {TAxis.Name}, {(layer.Hooked ? "hooked" : "straight")}");
            Anchorage.Length(s, TAxis.IsX, bottom, ref trace);
            Side(s, k, governing, bottom, bottom ? lengths.Bottom : lengths.Top, ref trace);
            if (worst.Utilisation < Outcome.NoCapacity)
            {
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio, $"{new Sym("needed", worst.Demand, Unit.Section)}/{new Sym("there", worst.Capacity, Unit.Section)}");
            }
            else
            {
                trace.Given("utilisation", worst.Utilisation, Unit.Ratio, worst.Utilisation > 0 ? "there is no length beyond the face" : "nothing is to be anchored there");
            }
        }

        if (worst.Done && T.Notes)
        {
            trace.Note(s.Layer(TAxis.IsX, worst.Face == Face.Bottom).Hooked ? "hooked ends" : "straight ends");
        }

        return worst;
    }

    private static Outcome Side<T>(BaseState s, int k, int side, bool bottom, double needed, ref T trace)
        where T : struct, ITrace
    {
        var (half, column, face) = TAxis.IsX ? (s.Length / 2, s.ColumnX, s.Outline.X / 2) : (s.Width / 2, s.ColumnY, s.Outline.Y / 2);
        var overhang = half - (side * column) - face;
        var cover = s.Rules.Concrete.CoverSide;
        if (overhang <= 0)
        {
            return Outcome.NotDone;
        }

        var layer = s.Layer(TAxis.IsX, bottom);
        var depth = s.Depth(TAxis.IsX, bottom);
        var there = trace.Let("there", Math.Max(0, overhang - cover), Unit.Section, $"max(0; {new Sym("overhang", overhang, Unit.Section)} − {new Sym("cover", cover, Unit.Section)})");
        var shortArm = overhang < depth;
        if ((shortArm || (s.Rules.Steel.AnchorageExcess && !layer.Hooked)) && s.Contact(k).State != ContactState.NoEquilibrium)
        {
            // 13.2.8.2: what is calculated is what is anchored; an overhang shorter than d carries by pressure, not by its bars.
            var forces = SectionForces.Beyond(s, k, TAxis.IsX, side, 0);
            var none = default(NoTrace);
            var breadth = TAxis.IsX ? s.Width : s.Length;
            var strength = s.Code.Flexure(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, layer.Area, breadth, depth).Strength;
            var moment = bottom ? forces.MomentUp : forces.MomentDown;
            var plain = shortArm && moment <= s.Code.PlainFlexure(ref none, s.Rules.Concrete, breadth, s.Code.PlainThickness(s.Thickness));
            var share = plain ? 0 : strength > 0 ? Math.Min(1, moment / strength) : 1;
            var why = plain ? "the overhang is shorter than d and plain concrete carries it" : shortArm ? "Mu/φMn: the overhang is shorter than d, its calculated tension is anchored" : "Mu/φMn: only the steel required is anchored (anchorage-excess)";
            trace.Given("share", share, Unit.Ratio, why, $"{s.Code.Name} {(plain ? "14.5" : shortArm ? "13.2.8.2" : "25.4.10")}");
            needed = trace.Let("needed", needed * share, Unit.Section, $"{new Sym(layer.Hooked ? "ldh" : "ld", needed, Unit.Section)}·{new Sym("share", share, Unit.Ratio)}");
        }
        else
        {
            trace.Let("needed", needed, Unit.Section, $"{new Sym(layer.Hooked ? "ldh" : "ld", needed, Unit.Section)}");
        }

        return Outcome.Ratio(needed, there);
    }
}

/// <summary>What anchorage and the search for bars share.</summary>
internal static class Anchorage
{
    /// <summary>Length that a layer needs by its ends, m; 0 without bars.</summary>
    public static double Length<T>(BaseState s, bool alongX, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(alongX, bottom);
        if (layer.Size is not { } size)
        {
            return 0;
        }

        var rules = s.Rules.Concrete;
        var (db, breadth) = (size.Diameter, alongX ? s.Width : s.Length);
        var spacing = trace.Let("s", (breadth - (2 * rules.CoverSide) - db) / (layer.Count - 1), Unit.Section, $"({new Sym("b", breadth, Unit.Section)} − 2·{new Sym("cover", rules.CoverSide, Unit.Section)} − {new Sym("db", db, Unit.Section)})/({new Sym("n", layer.Count, Unit.Ratio)} − 1)");
        if (layer.Band > 0)
        {
            spacing = BarGaps.Of(s, alongX, layer).Least;
            trace.Given("s", spacing, Unit.Section, "least distance, in the band");
        }

        var depth = s.Depth(alongX, bottom);
        var toFace = Math.Min(s.Thickness - depth, rules.CoverSide + (db / 2));
        var bar = new DevelopedBar(size, s.Rules.Steel.Yield, spacing, toFace, rules.CoverSide, bottom ? 0 : depth - (db / 2));
        return layer.Hooked ? s.Code.HookedDevelopment(ref trace, rules, bar) : s.Code.StraightDevelopment(ref trace, rules, bar);
    }

    /// <summary>Whether the bars of a layer are long enough without hooks on every side of the column.</summary>
    public static bool StraightFits(BaseState s, bool alongX, bool bottom)
    {
        var none = default(NoTrace);
        return Length(s, alongX, bottom, ref none) <= Shortest(s, alongX) * (1 + 1e-9);
    }

    /// <summary>The least length of bar beyond a face of the column, of the sides on which the base reaches beyond it, m; infinite where it reaches on neither.</summary>
    public static double Shortest(BaseState s, bool alongX)
    {
        var (half, column, face) = alongX ? (s.Length / 2, s.ColumnX, s.Outline.X / 2) : (s.Width / 2, s.ColumnY, s.Outline.Y / 2);
        var (low, high) = (half + column - face, half - column - face);
        var shortest = Math.Min(low > 0 ? low : double.PositiveInfinity, high > 0 ? high : double.PositiveInfinity);
        return Math.Max(0, shortest - s.Rules.Concrete.CoverSide);
    }

    /// <summary>Height of a layer's hooks over the height between the covers; 0 without hooks.</summary>
    public static double HookFits(BaseState s, bool alongX, bool bottom)
    {
        var layer = s.Layer(alongX, bottom);
        if (!layer.Hooked)
        {
            return 0;
        }

        var height = s.Thickness - s.Rules.Concrete.CoverTop - s.Rules.Concrete.CoverBottom;
        return height > 0 ? s.Code.HookHeight(layer.Diameter) / height : Outcome.NoCapacity;
    }
}
