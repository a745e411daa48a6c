using Plinth.Core.Contact;
using Plinth.Core.Numerics;

namespace Plinth.Core.Concrete;

/// <summary>A bar in a column's section.</summary>
/// <param name="X">m from the centre.</param>
/// <param name="Y">m from the centre.</param>
/// <param name="Area">m2.</param>
public readonly record struct SectionBar(double X, double Y, double Area)
{
    /// <summary>Of a round bar of that area, m.</summary>
    public double Diameter { get; } = Math.Sqrt(4 * Area / Math.PI);
}

/// <summary>Nominal strength of a section in the direction of a load.</summary>
/// <param name="Scale">Times the load that the section holds at nominal strength; 0: none of it.</param>
/// <param name="Strain">Strain of the outermost bar in tension, positive; negative where all bars are pressed.</param>
/// <param name="NeutralDepth">Depth of the neutral axis from the most pressed point, m.</param>
/// <param name="AxisDegrees">Direction of the compressed side, degrees anticlockwise from x.</param>
public readonly record struct SectionStrength(double Scale, double Strain, double NeutralDepth, double AxisDegrees);

/// <summary>
/// A concrete section under axial force and moments both ways: plane strains, a rectangular stress block, elastic and plastic bars,
/// concrete in place of bars
/// deducted (ACI 318 22.2, 22.4). Exact over the polygon or circular segment that is pressed.
/// </summary>
/// <remarks>
/// Force downwards presses. Moments follow the project's signs: a force at (x, y) gives My = N·x and Mx = −N·y. The load is scaled as a
/// whole, so what is
/// found is how many times all actions the section holds.
/// </remarks>
public sealed class ColumnSection
{
    private const double LeastDepth = 1e-14;
    private const double MostDepth = 1e4;

    // By how much the logarithm of the depth may differ between directions that are looked at one after the other.
    private const double FirstWidth = 0.5;
    private const double LeastWidth = 1e-6;

    // A direction nearer to the y axis than this is along it.
    private const double Upright = 1e-12;

    private readonly PlanPoint[] corners;
    private readonly PlanPoint[] hollow;
    private readonly SectionBar[] all;
    private readonly double radius;

    // All bars on its y axis: it bends about x alone, as a strip of wall does.
    private readonly bool isStrip;

    /// <summary>Makes a section.</summary>
    /// <param name="sizeX">Side along x, or diameter, m.</param>
    /// <param name="sizeY">Side along y, m.</param>
    /// <param name="round">Whether it is round.</param>
    /// <param name="bars">Its bars.</param>
    /// <param name="block">Stress of the block, kPa: 0.85·f'c.</param>
    /// <param name="blockDepth">β1: depth of the block over that of the neutral axis.</param>
    /// <param name="ultimateStrain">εcu.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="elasticity">Es, kPa.</param>
    /// <param name="hollowX">Clear size along x of a hollow in the middle of a rectangle, m; 0: none.</param>
    /// <param name="hollowY">The same along y, m.</param>
    public ColumnSection(double sizeX, double sizeY, bool round, IReadOnlyList<SectionBar> bars, double block, double blockDepth,
        double ultimateStrain, double yield, double elasticity, double hollowX = 0, double hollowY = 0)
    {
        ArgumentNullException.ThrowIfNull(bars);
        (SizeX, SizeY, Round, Block, BlockDepth, UltimateStrain, Yield, Elasticity) = (sizeX, sizeY, round, block, blockDepth,
            ultimateStrain, yield, elasticity);
        all = [.. bars];
        radius = sizeX / 2;
        isStrip = !round && hollowX * hollowY <= 0 && Array.TrueForAll(all, b => b.X == 0);
        static PlanPoint[] Rectangle(double x, double y) =>
            [new(-x / 2, -y / 2), new(x / 2, -y / 2), new(x / 2, y / 2), new(-x / 2, y / 2)];
        corners = Rectangle(sizeX, sizeY);
        hollow = hollowX * hollowY > 0 ? Rectangle(hollowX, hollowY) : [];
        (HollowX, HollowY) = (hollowX, hollowY);
        Gross = round ? Math.PI * sizeX * sizeX / 4 : (sizeX * sizeY) - (hollowX * hollowY);
        Steel = all.Sum(b => b.Area);
    }

    /// <summary>Side along x, or diameter, m.</summary>
    public double SizeX { get; }

    /// <summary>Side along y, m.</summary>
    public double SizeY { get; }

    /// <summary>Whether it is round.</summary>
    public bool Round { get; }

    /// <summary>Whether it has a hollow in its middle.</summary>
    public bool IsHollow => hollow.Length > 0;

    /// <summary>Clear size of the hollow along x, m; 0: none.</summary>
    public double HollowX { get; }

    /// <summary>Clear size of the hollow along y, m.</summary>
    public double HollowY { get; }

    /// <summary>The bars.</summary>
    public IReadOnlyList<SectionBar> Bars => all;

    /// <summary>Stress of the block, kPa.</summary>
    public double Block { get; }

    /// <summary>β1.</summary>
    public double BlockDepth { get; }

    /// <summary>εcu.</summary>
    public double UltimateStrain { get; }

    /// <summary>fy, kPa.</summary>
    public double Yield { get; }

    /// <summary>Es, kPa.</summary>
    public double Elasticity { get; }

    /// <summary>
    /// Strain that a section pressed all over keeps in its fibres at εc/εcu of its height from the far side (EN 1992-1-1 figure 6.1); 0:
    /// none is known, and the outermost fibre has εcu whatever is pressed.
    /// </summary>
    public double AxialStrain { get; init; }

    /// <summary>Ag, m2.</summary>
    public double Gross { get; }

    /// <summary>Ast, m2.</summary>
    public double Steel { get; }

    /// <summary>The same section of which only a share of the concrete counts.</summary>
    /// <param name="share">From 0 to 1.</param>
    public ColumnSection WithConcrete(double share) =>
        new(SizeX, SizeY, Round, all, Block * share, BlockDepth, UltimateStrain, Yield, Elasticity, HollowX, HollowY)
        { AxialStrain = AxialStrain };

    /// <summary>Po: nominal strength under axial force alone, kN (22.4.2.2).</summary>
    public double Squash => (Block * (Gross - Steel))
        + ((!pressedBars ? 0 : AxialStrain > 0 ? Math.Min(Yield, AxialStrain * Elasticity) : Yield) * Steel);

    /// <summary>The same section whose bars hold pull alone: what it holds calls on no pressed bar.</summary>
    public ColumnSection TensionOnly => tensionOnly ??= new(SizeX, SizeY, Round, all, Block, BlockDepth, UltimateStrain, Yield, Elasticity,
        HollowX, HollowY)
    { AxialStrain = AxialStrain, pressedBars = false };

    /// <summary>The same section with a tenth less stress in its block, as where it narrows towards its most pressed fibre.</summary>
    public ColumnSection Narrowing => narrowing ??= WithConcrete(0.9);

    private ColumnSection? narrowing;
    private ColumnSection? tensionOnly;
    private bool pressedBars = true;

    // Strain of the outermost fibre at a depth of the neutral axis.
    private double Outermost(double cos, double sin, double depth)
    {
        var height = 2 * Most(cos, sin);
        return AxialStrain <= 0 || depth <= height
            ? UltimateStrain
            : AxialStrain * depth / (depth - ((1 - (AxialStrain / UltimateStrain)) * height));
    }

    /// <summary>
    /// Bars round a section at equal distances: at a rectangle's corners and between them, as evenly as their number allows; on a circle in
    /// a round one.
    /// </summary>
    /// <param name="sizeX">Side along x, or diameter, m.</param>
    /// <param name="sizeY">Side along y, m.</param>
    /// <param name="round">Whether it is round.</param>
    /// <param name="layer">The bars.</param>
    /// <param name="toCentre">Distance of their centres from the face, m.</param>
    public static IReadOnlyList<SectionBar> Around(double sizeX, double sizeY, bool round, BarLayer layer, double toCentre)
    {
        if (layer.Size is not { } size)
        {
            return [];
        }

        if (round)
        {
            var r = (sizeX / 2) - toCentre;
            return [.. Enumerable.Range(0, layer.Count)
                .Select(i => new SectionBar(r * Math.Cos(2 * Math.PI * i / layer.Count), r * Math.Sin(2 * Math.PI * i / layer.Count),
                    size.Area))];
        }

        var (nx, ny) = Sides(layer.Count, sizeX - (2 * toCentre), sizeY - (2 * toCentre));
        var (hx, hy) = ((sizeX / 2) - toCentre, (sizeY / 2) - toCentre);
        var bars = new List<SectionBar>();
        for (var i = 0; i < nx; i++)
        {
            var x = -hx + (2 * hx * i / (nx - 1));
            bars.Add(new SectionBar(x, -hy, size.Area));
            bars.Add(new SectionBar(x, hy, size.Area));
        }

        for (var j = 1; j < ny - 1; j++)
        {
            var y = -hy + (2 * hy * j / (ny - 1));
            bars.Add(new SectionBar(-hx, y, size.Area));
            bars.Add(new SectionBar(hx, y, size.Area));
        }

        return bars;
    }

    /// <summary>Least distance of neighbours among bars that stand as <see cref="Around"/> says, centre to centre, m.</summary>
    /// <param name="sizeX">Side along x, or diameter, m.</param>
    /// <param name="sizeY">Side along y, m.</param>
    /// <param name="round">Whether the section is round.</param>
    /// <param name="count">How many bars.</param>
    /// <param name="toCentre">Distance of their centres from the face, m.</param>
    public static double LeastGap(double sizeX, double sizeY, bool round, int count, double toCentre)
    {
        if (round)
        {
            return (sizeX - (2 * toCentre)) * Math.Sin(Math.PI / Math.Max(2, count));
        }

        var (x, y) = (sizeX - (2 * toCentre), sizeY - (2 * toCentre));
        var (nx, ny) = Sides(Math.Max(4, count), x, y);
        return Math.Min(x / (nx - 1), y / (ny - 1));
    }

    /// <summary>
    /// Bars on a side along x and on one along y, corners counted in both: 2(nx + ny) − 4 in all, the widest gap the least.
    /// </summary>
    /// <param name="count">An even number from 4.</param>
    /// <param name="x">Distance of corner bars along x, m.</param>
    /// <param name="y">The same along y.</param>
    public static (int X, int Y) Sides(int count, double x, double y)
    {
        var sum = (count + 4) / 2;
        var best = (X: 2, Y: sum - 2);
        var gap = double.PositiveInfinity;
        for (var nx = 2; nx <= sum - 2; nx++)
        {
            var widest = Math.Max(x / (nx - 1), y / (sum - nx - 1));
            if (widest < gap - 1e-12)
            {
                (best, gap) = ((nx, sum - nx), widest);
            }
        }

        return best;
    }

    /// <summary>How many times a load the section holds at nominal strength, without a cap on axial force.</summary>
    /// <param name="n">Downwards, kN.</param>
    /// <param name="mx">About x, kNm.</param>
    /// <param name="my">About y, kNm.</param>
    public SectionStrength Along(double n, double mx, double my)
    {
        var (tx, ty) = (my, -mx);
        var moment = Math.Sqrt((tx * tx) + (ty * ty));
        if (moment <= 1e-9 * Math.Max(1, Math.Abs(n) * Math.Max(SizeX, SizeY)))
        {
            return n > 1e-9 ? new SectionStrength(Squash / n, -UltimateStrain, MostDepth, 0)
                : n < -1e-9 ? new SectionStrength(Yield * Steel / -n, double.PositiveInfinity, 0, 0)
                : new SectionStrength(double.PositiveInfinity, 0, 0, 0);
        }

        (tx, ty) = (tx / moment, ty / moment);
        var direction = Math.Atan2(ty, tx);

        var axis = new NeutralAxis(this, n, tx, ty, moment);
        var found = Math.Abs(axis.At(direction)) <= 1e-12
            ? direction
            : Root.Between(ref axis, direction - (Math.PI / 2), direction + (Math.PI / 2));

        var (s, c) = Math.SinCos(found);
        var neutral = axis.Depth(found);
        var (force, fx, fy) = Resultant(c, s, neutral);
        var scale = moment >= Math.Abs(n) * 1e-3 ? ((fx * tx) + (fy * ty)) / moment : force / n;
        return new SectionStrength(Math.Max(0, scale), TensionStrain(c, s, neutral), neutral, found * 180 / Math.PI);
    }

    /// <summary>
    /// Force and first moments ∫σx, ∫σy for a direction of the compressed side and a depth of the neutral axis, kN and kNm.
    /// </summary>
    /// <param name="cos">Cosine of the direction.</param>
    /// <param name="sin">Its sine.</param>
    /// <param name="depth">Depth of the neutral axis from the most pressed point, m.</param>
    public (double Force, double X, double Y) Resultant(double cos, double sin, double depth)
    {
        var most = Most(cos, sin);
        var limit = most - (BlockDepth * depth);
        var (area, ax, ay) = Round ? Segment(limit, cos, sin)
            : isStrip && Math.Abs(cos) < Upright ? Band(limit, sin)
            : Clipped(corners, limit, cos, sin);
        if (IsHollow)
        {
            var (lost, lx, ly) = Clipped(hollow, limit, cos, sin);
            (area, ax, ay) = (area - lost, ax - lx, ay - ly);
        }

        var (force, x, y) = (Block * area, Block * ax, Block * ay);
        var outermost = Outermost(cos, sin, depth);
        foreach (ref readonly var bar in all.AsSpan())
        {
            var s = (bar.X * cos) + (bar.Y * sin);
            var stress = Math.Clamp(outermost * (1 - ((most - s) / depth)) * Elasticity, -Yield, pressedBars ? Yield : 0);

            // Of the concrete in its place what is pressed is deducted, so that nothing jumps as the edge of the block passes over it.
            var pressed = Math.Clamp(0.5 + ((s - limit) / bar.Diameter), 0, 1);
            var own = bar.Area * (stress - (Block * pressed));
            (force, x, y) = (force + own, x + (own * bar.X), y + (own * bar.Y));
        }

        return (force, x, y);
    }

    // For a direction of the neutral axis: the depth at which force and moment stand in the load's proportion, sought round that of the
    // direction before; its value is
    // the moment across the load's own.
    private struct NeutralAxis(ColumnSection section, double n, double tx, double ty, double moment) : IFunction
    {
        private double last = double.NaN;
        private double width = double.PositiveInfinity;

        public double At(double x)
        {
            var (sin, cos) = Math.SinCos(x);
            var depth = Depth(x);
            var (_, mx, my) = section.Resultant(cos, sin, depth);
            return (tx * my) - (ty * mx);
        }

        public double Depth(double angle)
        {
            var (sin, cos) = Math.SinCos(angle);
            var balance = new Balance(section, cos, sin, n, tx, ty, moment);
            var (least, most) = (Math.Log(LeastDepth), Math.Log(MostDepth));
            while (true)
            {
                var (low, high) = double.IsNaN(last) ? (least, most) : (Math.Max(least, last - width), Math.Min(most, last + width));
                var (atLow, atHigh) = (balance.At(low), balance.At(high));
                if (atLow < 0 && atHigh > 0)
                {
                    var found = Root.Between(ref balance, low, atLow, high, atHigh);
                    (last, width) = (found,
                        double.IsNaN(last) ? FirstWidth : Math.Clamp(4 * Math.Abs(found - last), LeastWidth, FirstWidth));
                    return Math.Exp(found);
                }

                // Nearly pure tension or compression may lie beyond either end: the end is as near.
                if (low == least && high == most)
                {
                    last = double.NaN;
                    return atLow >= 0 ? LeastDepth : MostDepth;
                }

                width *= 16;
            }
        }
    }

    // How far force and moment are from the load's proportion at a depth, given by its logarithm.
    private readonly struct Balance(ColumnSection section, double cos, double sin, double n, double tx, double ty, double moment)
        : IFunction
    {
        public double At(double x)
        {
            var (p, mx, my) = section.Resultant(cos, sin, Math.Exp(x));
            return (p * moment) - (n * ((mx * tx) + (my * ty)));
        }
    }

    private double Most(double cos, double sin) => Round ? radius : (SizeX * Math.Abs(cos) / 2) + (SizeY * Math.Abs(sin) / 2);

    private double TensionStrain(double cos, double sin, double depth)
    {
        var least = double.PositiveInfinity;
        foreach (ref readonly var bar in all.AsSpan())
        {
            least = Math.Min(least, (bar.X * cos) + (bar.Y * sin));
        }

        return Outermost(cos, sin, depth) * (((Most(cos, sin) - least) / depth) - 1);
    }

    private static (double Area, double X, double Y) Clipped(PlanPoint[] polygon, double limit, double cos, double sin)
    {
        Span<PlanPoint> clipped = stackalloc PlanPoint[8];
        var count = ConvexPolygon.Clip(polygon, -limit, cos, sin, clipped);
        var m = ConvexPolygon.Moments(clipped[..count]);
        return (m.Area, m.X, m.Y);
    }

    // Of a rectangle what lies beyond a limit along y.
    private (double Area, double X, double Y) Band(double limit, double sin)
    {
        var deep = Math.Clamp((SizeY / 2) - limit, 0, SizeY);
        var area = SizeX * deep;
        return (area, 0, area * Math.Sign(sin) * ((SizeY - deep) / 2));
    }

    private (double Area, double X, double Y) Segment(double limit, double cos, double sin)
    {
        var t = Math.Clamp(limit / radius, -1, 1);
        var half = Math.Acos(t);
        var chord = Math.Sqrt(1 - (t * t));
        var area = radius * radius * (half - (t * chord));
        var first = 2.0 / 3 * radius * radius * radius * chord * chord * chord;
        return (area, first * cos, first * sin);
    }
}
