using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Least bottom steel within a strip at the column where two-way shear is high (ACI 318-19 8.6.1.2 by 13.3.3.1).</summary>
internal readonly struct PunchingSteel : ICheckRule<Nothing>
{
    private const double Beside = 1.5;

    public static Nothing Capacity(BaseState s) => default;

    // What is asked knows no bars but by their depth.
    public static double GoverningKey(BaseState s) => s.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!s.Rules.Steel.PunchingSteel || s.Code.PunchingSteelClause is null || !s.LooksAt(Face.Bottom) || s.Contact(k).State == ContactState.NoEquilibrium
            || !TwoWayShear.Direct(s, k, out var section, out var vu) || vu <= 0)
        {
            return Outcome.NotDone;
        }

        var o = s.Outline;
        var shape = new TwoWaySection(Math.Max(o.X, o.Y) / Math.Min(o.X, o.Y), section.AlphaS, section.Perimeter, section.Depth);
        var none = default(NoTrace);
        var (x, y) = (One(s, true, shape, section, vu, ref none), One(s, false, shape, section, vu, ref none));
        var worst = x.Utilisation >= y.Utilisation ? x : y;
        if (T.Records)
        {
            trace.Heading($"Least steel at the column, {section.Words}");
            trace.Let("vuv", vu / (section.Perimeter * section.Depth), Unit.Stress, $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", section.Perimeter, Unit.Section)}·{new Sym("d", section.Depth, Unit.Section)})");
            One(s, x.Utilisation >= y.Utilisation, shape, section, vu, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio, $"{new Sym("As,strip", worst.Demand, Unit.SteelArea)}/{new Sym("As", worst.Capacity, Unit.SteelArea)}");
        }

        if (T.Notes)
        {
            trace.Note($"bars along {(x.Utilisation >= y.Utilisation ? "x" : "y")}");
        }

        return worst;
    }

    /// <summary>The same for the bars of one direction.</summary>
    public static Outcome Along(BaseState s, int k, bool alongX)
    {
        if (!s.Rules.Steel.PunchingSteel || s.Code.PunchingSteelClause is null || !s.LooksAt(Face.Bottom) || s.Contact(k).State == ContactState.NoEquilibrium
            || !TwoWayShear.Direct(s, k, out var section, out var vu) || vu <= 0)
        {
            return Outcome.NotDone;
        }

        var o = s.Outline;
        var none = default(NoTrace);
        return One(s, alongX, new TwoWaySection(Math.Max(o.X, o.Y) / Math.Min(o.X, o.Y), section.AlphaS, section.Perimeter, section.Depth), section, vu, ref none);
    }

    private static Outcome One<T>(BaseState s, bool alongX, in TwoWaySection shape, in PunchingSection section, double vu, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(alongX, true);
        var (breadth, column, side) = alongX ? (s.Width, s.ColumnY, s.Outline.Y) : (s.Length, s.ColumnX, s.Outline.X);
        var reach = (side / 2) + (Beside * s.Thickness);
        var strip = Math.Min(breadth / 2, column + reach) - Math.Max(-breadth / 2, column - reach);
        trace.Given("bslab", strip, Unit.Section, $"column and 1.5 h beside it across the bars along {(alongX ? "x" : "y")}, within the base");
        var stress = vu / (section.Perimeter * section.Depth);
        var least = s.Code.PunchingSteel(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, stress, strip, shape);
        var there = trace.Let("As", layer.Area * strip / breadth, Unit.SteelArea, $"{new Sym("As,all", layer.Area, Unit.SteelArea)}·{new Sym("bslab", strip, Unit.Section)}/{new Sym("b", breadth, Unit.Section)}");
        return Outcome.Ratio(least, there) with { Face = Face.Bottom };
    }
}

/// <summary>The same for one direction, by which sizing knows which bars are too few.</summary>
internal readonly struct PunchingSteelAlong<TAxis> : ICheckRule<Nothing>
    where TAxis : struct, IAxis
{
    public static Nothing Capacity(BaseState s) => default;

    public static double GoverningKey(BaseState s) => s.Looking == Face.Bottom ? s.MeanDepth(true) : double.NaN;

    public static Outcome Evaluate<T>(BaseState s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace => PunchingSteel.Along(s, k, TAxis.IsX);
}
