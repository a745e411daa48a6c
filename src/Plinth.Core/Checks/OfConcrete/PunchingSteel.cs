using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Least bottom steel within a strip at the column where two-way shear is high (ACI 318-19 8.6.1.2 by 13.3.3.1).</summary>
internal readonly struct PunchingSteel : ICheckRule<PunchedArea, Nothing>
{
    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    private const double Beside = 1.5;

    public static Nothing Capacity(PunchedArea s) => default;

    // What is asked knows no bars but by their depth.
    public static double GoverningKey(PunchedArea s) => s.Trial.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var (x, y, at) = Worst(s, k);
        if (!x.Done)
        {
            return Outcome.NotDone;
        }

        var alongX = x.Utilisation >= y.Utilisation;
        var worst = alongX ? x : y;
        if (T.Records)
        {
            var face = TwoWayShear.Sections(s);
            var section = face.Sections[at];
            trace.Heading($"Least steel at the column, {section.Words}");
            var vu = trace.Given("Vu", TwoWayShear.Direct(s, k, face, at), Unit.Force,
                "of the section without moments, as for two-way shear");
            trace.Let("vuv", vu / (section.Perimeter * section.Depth), Unit.Stress,
                $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", section.Perimeter, Unit.Section)}·"
                    + $"{new Sym("d", section.Depth, Unit.Section)})");
            One(s, alongX, section, vu, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("As,strip", worst.Demand, Unit.SteelArea)}/{new Sym("As", worst.Capacity, Unit.SteelArea)}");
        }

        if (T.Notes)
        {
            trace.Note($"bars along {(alongX ? "x" : "y")}");
        }

        return worst;
    }

    /// <summary>
    /// The worst section for the bars along x and along y, and which it is: vuv knows no moments, so it need not be the one of the highest
    /// stress.
    /// It is one for both, since what is needed is in proportion to the strip of each.
    /// </summary>
    public static (Outcome X, Outcome Y, int Section) Worst(PunchedArea s, int k)
    {
        var (worst, at, most) = (Outcome.NotDone, 0, 0.0);
        if (!s.Rules.Steel.PunchingSteel || s.Code.PunchingSteelClause is null || !s.LooksAt(Face.Bottom)
            || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return (worst, worst, at);
        }

        var none = default(NoTrace);
        var face = TwoWayShear.Sections(s);
        for (var i = 0; i < face.Count; i++)
        {
            var vu = TwoWayShear.Direct(s, k, face, i);
            if (vu <= 0)
            {
                continue;
            }

            var o = One(s, true, face.Sections[i], vu, ref none);
            if (!worst.Done || o.Demand > worst.Demand)
            {
                (worst, at, most) = (o, i, vu);
            }
        }

        return (worst, worst.Done ? One(s, false, face.Sections[at], most, ref none) : worst, at);
    }

    /// <summary>
    /// Breadth of the strip at the column across the bars of a direction: its side and 1.5 h on each side of it, within the base
    /// (8.4.2.2.3), m.
    /// </summary>
    public static double Strip(PunchedArea s, bool alongX)
    {
        if (!s.Body.IsRectangle)
        {
            var (from, to) = Bounds(s, alongX);
            return to - from;
        }

        var (breadth, column, side) = alongX ? (s.Body.Width, s.Y, s.SideY) : (s.Body.Length, s.X, s.SideX);
        var reach = (side / 2) + (Beside * s.Body.Thickness);
        return Math.Min(breadth / 2, column + reach) - Math.Max(-breadth / 2, column - reach);
    }

    /// <summary>Where that strip begins and ends, m from the body's centroid.</summary>
    public static (double From, double To) Bounds(PunchedArea s, bool alongX)
    {
        var (low, high) = s.Body.IsPolygon ? s.Body.Chord(alongX, alongX ? s.X : s.Y)
            : alongX ? (-s.Body.WidthAt(s.X) / 2, s.Body.WidthAt(s.X) / 2)
            : (s.Body.LowX, s.Body.HighX);
        var (column, side) = alongX ? (s.Y, s.SideY) : (s.X, s.SideX);
        var reach = (side / 2) + (Beside * s.Body.Thickness);
        return (Math.Max(low, column - reach), Math.Min(high, column + reach));
    }

    /// <summary>The bars of a direction and face within the strip, m2.</summary>
    public static double Steel<T>(PunchedArea s, bool alongX, bool bottom, string symbol, double strip, ref T trace)
        where T : struct, ITrace
    {
        if (!s.SpreadEvenly || !s.Body.IsRectangle)
        {
            var (from, to) = Bounds(s, alongX);
            return trace.Given(symbol, s.SteelWithin(alongX, bottom, from, to), Unit.SteelArea, "bars within the strip, by zones");
        }

        var (layer, breadth) = (s.Layer(alongX, bottom), alongX ? s.Body.Width : s.Body.Length);
        return trace.Let(symbol, layer.Area * strip / breadth, Unit.SteelArea,
            $"{new Sym("As,all", layer.Area, Unit.SteelArea)}·{new Sym("bslab", strip, Unit.Section)}/"
                + $"{new Sym("b", breadth, Unit.Section)}");
    }

    private static Outcome One<T>(PunchedArea s, bool alongX, in PunchingSection section, double vu, ref T trace)
        where T : struct, ITrace
    {
        var shape = new TwoWaySection(s.Beta, section.AlphaS, section.Perimeter, section.Depth);
        var strip = trace.Given("bslab", Strip(s, alongX), Unit.Section,
            $"column and 1.5 h beside it across the bars along {(alongX ? "x" : "y")}, within the base");
        var stress = vu / (section.Perimeter * section.Depth);
        var least = s.Code.PunchingSteel(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, stress, strip, shape);
        var there = Steel(s, alongX, true, "As", strip, ref trace);
        return Outcome.Ratio(least, there) with { Face = Face.Bottom };
    }
}

/// <summary>The same for one direction, by which sizing knows which bars are too few.</summary>
internal readonly struct PunchingSteelAlong<TAxis> : ICheckRule<PunchedArea, Nothing>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<PunchedArea> Of(Trial trial) => trial.Punched;

    public static Nothing Capacity(PunchedArea s) => default;

    public static double GoverningKey(PunchedArea s) => s.Trial.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Outcome Evaluate<T>(PunchedArea s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace => PunchingSteel.Worst(s, k) is var (x, y, _) && TAxis.IsX ? x : y;
}
