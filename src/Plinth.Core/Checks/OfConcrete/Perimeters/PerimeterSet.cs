using System.Runtime.InteropServices;
using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Perimeters of one form: closed, or open to certain edges, over the distances at which they are looked at.</summary>
/// <param name="OpenX">−1, +1: open to that edge; 0: closed along x.</param>
/// <param name="OpenY">The same along y.</param>
/// <param name="Low">Least distance from the column, m.</param>
/// <param name="High">Greatest distance, m.</param>
/// <param name="Anchored">Distance up to which the bars run far enough beyond the perimeter to count, m; negative: nowhere.</param>
internal readonly record struct PerimeterForm(int OpenX, int OpenY, double Low, double High, double Anchored)
{
    /// <summary>The form in words.</summary>
    public string Words => (OpenX, OpenY) switch
    {
        (0, 0) => "closed perimeter",
        (_, 0) => $"perimeter open to the {(OpenX > 0 ? "+" : "−")}x edge",
        (0, _) => $"perimeter open to the {(OpenY > 0 ? "+" : "−")}y edge",
        _ => $"perimeter open to the {(OpenX > 0 ? "+" : "−")}x and {(OpenY > 0 ? "+" : "−")}y edges",
    };
}

/// <summary>A perimeter with what does not depend on loads.</summary>
/// <param name="Perimeter">The perimeter.</param>
/// <param name="Form">Its form.</param>
/// <param name="Strength">vRd: what it holds at its distance, kPa.</param>
internal readonly record struct HeldPerimeter(ShearPerimeter Perimeter, PerimeterForm Form, double Strength);

/// <summary>
/// The perimeters of punching round a column at one size of base and one depth of bars: of the closed form and of those open to edges
/// which the column is nearer to than to the opposite ones, where they are shorter than every form with fewer open sides or none
/// such fits (EN 1992-1-1 6.4.2(4), 6.4.4(2)).
/// </summary>
internal sealed partial class PerimeterSet
{
    /// <summary>So many distances of a form are looked at before the worst is sought between neighbours.</summary>
    private const int Steps = 20;

    private const double Slack = 1e-9;

    // A column stands nearer to one edge than to the other from half a millimetre off the middle.
    private const double Nearer = 0.0005;

    private readonly List<HeldPerimeter> grid = [];
    private readonly List<(int First, int Count, double Low)> runs = [];
    private readonly List<PerimeterForm> forms = [];
    private (BarLayer X, BarLayer Y, int Generation, ConcreteCode? Code) taken = (default, default, -1, null);
    private (double DepthX, double DepthY, double Steel, double Reach, int Generation, ConcreteCode? Code) madeFor;
    private (double X, double Y, double HalfX, double HalfY) column;
    private (double X0, double X1, double Y0, double Y1) edges;
    private bool round;

    /// <summary>Perimeters of every form, from near to far.</summary>
    public ReadOnlySpan<HeldPerimeter> Grid => CollectionsMarshal.AsSpan(grid);

    /// <summary>
    /// Where in the grid each run of one form begins, how many it has, and its least distance; the bars count over all of a run or none.
    /// </summary>
    public ReadOnlySpan<(int First, int Count, double Low)> Runs => CollectionsMarshal.AsSpan(runs);

    /// <summary>d, mean of both layers, m.</summary>
    public double Depth { get; private set; }

    /// <summary>ρl of the bars, where they count.</summary>
    public double Steel { get; private set; }

    /// <summary>Length by which bars must run beyond a perimeter to count, m.</summary>
    public double Reach { get; private set; }

    /// <summary>Whether there are closed perimeters alone, from the column on.</summary>
    public bool AllClosed => forms.Count == 1 && forms[0] is { OpenX: 0, OpenY: 0, Low: 0 };

    /// <summary>What decides which combination governs, besides the size.</summary>
    public double Key { get; private set; }

    /// <summary>vRd,c of the bars that are there, kPa.</summary>
    public double Resistance { get; private set; }

    /// <summary>vRd,c without any bars: vmin, kPa.</summary>
    public double LeastResistance { get; private set; }

    /// <summary>u1 of 2d round the column, wherever the base ends, m; with W1 for moments about y and about x, m2.</summary>
    public (double U, double ForY, double ForX) Basic { get; private set; }

    /// <summary>The column's own perimeter, wherever the base ends.</summary>
    public ShearPerimeter AtColumnItself { get; private set; }

    /// <summary>u0: the perimeter of the column, where it stands near edges what of it holds, m (6.4.5(3)).</summary>
    public double AtColumn { get; private set; }

    /// <summary>The perimeter of a form at a distance.</summary>
    public HeldPerimeter At(in PerimeterForm form, double distance, bool counts) =>
        new(new ShearPerimeter(distance, column, round, form.OpenX, form.OpenY, edges), form,
            Strength(distance, counts));

    /// <summary>vRd at a distance: vRd,c·2d/a (eq. 6.50), kPa.</summary>
    private double Strength(double distance, bool counts) => (counts ? Resistance : LeastResistance) * 2 * Depth / distance;

    /// <summary>Takes the size and bars that the column's base has now.</summary>
    /// <param name="s">The column.</param>
    /// <param name="bottom">By the bottom bars, or the top ones.</param>
    public void Take(PunchedArea s, bool bottom)
    {
        var now = (s.Layer(true, bottom), s.Layer(false, bottom), s.Trial.Generation, s.Code);
        if (taken == now)
        {
            return;
        }

        // Of bars that are not spread evenly more than those of the column's own zones may have changed.
        taken = s.SpreadEvenly ? now : taken;
        var code = (IShearPerimeters)s.Code;
        var none = default(NoTrace);
        var (dx, dy, steel) = (s.Depth(true, bottom), s.Depth(false, bottom), SteelRatio(s, bottom));
        var reach = Math.Max(Beyond(s, true, bottom, ref none), Beyond(s, false, bottom, ref none));
        if (madeFor == (dx, dy, steel, reach, s.Trial.Generation, s.Code))
        {
            return;
        }

        madeFor = (dx, dy, steel, reach, s.Trial.Generation, s.Code);
        (Depth, Steel, Reach) = (s.MeanDepth(bottom), steel, reach);
        Resistance = code.PunchingResistance(ref none, s.Rules.Concrete, new PunchedSlab(Depth, steel));
        LeastResistance = code.PunchingResistance(ref none, s.Rules.Concrete, new PunchedSlab(Depth, 0));
        Key = Depth + (1e-7 * Resistance) + (1e-3 * reach);
        var diameter = s.First.Outline.Diameter;
        round = diameter > 0 && s.Columns.Length == 1;
        column = round ? (s.X, s.Y, diameter / 2, diameter / 2) : (s.X, s.Y, s.SideX / 2, s.SideY / 2);
        edges = Edges(s, code.Farthest * Depth);
        FindForms(s, code.Farthest * Depth);
        var basic = new ShearPerimeter(code.Farthest * Depth, column, round, 0, 0, edges);
        Basic = (basic.Length, basic.AbsoluteX, basic.AbsoluteY);
        AtColumnItself = new ShearPerimeter(0, column, round, 0, 0, edges);
        AtColumn = FindAtColumn();
        grid.Clear();
        runs.Clear();
        foreach (var form in forms)
        {
            if (form.Anchored > form.Low + Slack)
            {
                Fill(form, form.Low, Math.Min(form.High, form.Anchored), true);
            }

            if (form.Anchored < form.High - Slack)
            {
                Fill(form, Math.Max(form.Low, form.Anchored), form.High, false);
            }
        }
    }

    /// <summary>Whether the bars count over a run.</summary>
    public bool Counts(in HeldPerimeter held) =>
        Math.Abs((held.Strength * held.Perimeter.Distance / (2 * Depth)) - Resistance) <= 1e-9 * Resistance;

    private void Fill(in PerimeterForm form, double low, double high, bool counts)
    {
        var first = grid.Count;
        for (var i = low > Slack ? 0 : 1; i <= Steps; i++)
        {
            grid.Add(At(form, low + ((high - low) * i / Steps), counts));
        }

        runs.Add((first, grid.Count - first, low));
    }

    // 6.4.5(3): at an edge c2 + 3d but no more than c2 + 2c1, at a corner 3d but no more than c1 + c2; what stands off an edge has more of
    // it, up to all.
    private double FindAtColumn()
    {
        var (c, e) = (column, edges);
        var (c1, c2) = (2 * c.HalfX, 2 * c.HalfY);
        var all = round ? Math.PI * c1 : 2 * (c1 + c2);
        var (offX, offY) = (Math.Max(0, Math.Min(c.X - c.HalfX - e.X0, e.X1 - c.X - c.HalfX)),
            Math.Max(0, Math.Min(c.Y - c.HalfY - e.Y0, e.Y1 - c.Y - c.HalfY)));
        var (toX, toY) = (c2 + Math.Min(2 * c1, 3 * Depth) + (2 * offX), c1 + Math.Min(2 * c2, 3 * Depth) + (2 * offY));
        var toBoth = Math.Min(c1 + c2, 3 * Depth) + offX + offY;
        return Math.Min(all, Math.Min(toBoth, Math.Min(toX, toY)));
    }

    /// <summary>ρl: √(ρx·ρy) of the bars within the column and 3d on each side, at most 0.02.</summary>
    public static double SteelRatio(PunchedArea s, bool bottom) =>
        Math.Min(0.02, Math.Sqrt(Ratio(s, true, bottom) * Ratio(s, false, bottom)));

    /// <summary>ρ of the bars along an axis within the column and 3d on each side.</summary>
    public static double Ratio(PunchedArea s, bool alongX, bool bottom)
    {
        var layer = s.Layer(alongX, bottom);
        var depth = s.Depth(alongX, bottom);
        if (!layer.Any || depth <= 0)
        {
            return 0;
        }

        if (s.SpreadEvenly && layer.Band == 0 && s.Body.IsRectangle)
        {
            return layer.Area / ((alongX ? s.Body.Width : s.Body.Length) * depth);
        }

        var (from, to) = Strip(s, alongX, depth);
        return s.SteelWithin(alongX, bottom, from, to) / ((to - from) * depth);
    }

    /// <summary>Where the strip of the column and 3d beside it lies across the bars along an axis, within the base, m.</summary>
    public static (double From, double To) Strip(PunchedArea s, bool alongX, double depth)
    {
        var (at, side) = alongX ? (s.Y, s.SideY) : (s.X, s.SideX);
        var (low, high) = alongX ? (s.Body.LowY, s.Body.HighY) : (s.Body.LowX, s.Body.HighX);
        var reach = (side / 2) + (3 * depth);
        return (Math.Max(low, at - reach), Math.Min(high, at + reach));
    }

    /// <summary>lbd + d of the bars along an axis, m; 0 without.</summary>
    public static double Beyond<T>(PunchedArea s, bool alongX, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var span = alongX ? s.First.SpanX : s.First.SpanY;
        if (!span.Layer(bottom).Any)
        {
            return 0;
        }

        var bar = Anchorage.Bar(span, bottom, ref trace);
        if (!s.SpreadEvenly)
        {
            // Of bars in several zones the thickest, which run on farthest.
            foreach (var zone in s.Trial.Zones(alongX))
            {
                bar = zone.Body == s.Body && zone.Layer(bottom).Diameter > bar.Size.Diameter
                    ? bar with { Size = zone.Layer(bottom).Size! }
                    : bar;
            }
        }

        return ((IShearPerimeters)s.Code).ShearSteelBeyond(ref trace, s.Rules.Concrete, bar, span.Layer(bottom).Hooked,
            s.MeanDepth(bottom));
    }
}
