using Plinth.Core.Checks.OfConcrete;

namespace Plinth.Core.Bodies;

/// <summary>
/// What a critical section for two-way shear is drawn round: a column, or neighbours together; sides along the body's axes.
/// </summary>
public sealed class PunchedArea : Subject
{
    private readonly Standing[] columns;

    /// <summary>Makes one of columns that stand on their body.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which it is.</param>
    /// <param name="at">What results call it; null where there is but one.</param>
    /// <param name="columns">The columns within.</param>
    public PunchedArea(Trial trial, int index, string? at, params Standing[] columns)
        : base(trial, index, at)
    {
        ArgumentNullException.ThrowIfNull(trial);
        ArgumentNullException.ThrowIfNull(columns);
        this.columns = columns;
        Body = columns[0].Body;
    }

    internal void Release()
    {
        Bottom.Release();
        Top.Release();
    }

    /// <summary>The columns within.</summary>
    public ReadOnlySpan<Standing> Columns => columns;

    /// <summary>The first of them, by whose bars the depth goes.</summary>
    public Standing First => columns[0];

    /// <summary>The body.</summary>
    public GroundBody Body { get; }

    /// <summary>Its centre from the body's centroid along x, m.</summary>
    public double X { get; private set; }

    /// <summary>Its centre along y, m.</summary>
    public double Y { get; private set; }

    /// <summary>Its side along x, m.</summary>
    public double SideX { get; private set; }

    /// <summary>Its side along y, m.</summary>
    public double SideY { get; private set; }

    /// <summary>β: its longer side over the shorter.</summary>
    public double Beta { get; private set; }

    /// <summary>Takes the places and outlines of its columns.</summary>
    internal void Enclose()
    {
        (X, Y, SideX, SideY) = columns.Length == 1
            ? (columns[0].X, columns[0].Y, columns[0].Outline.X, columns[0].Outline.Y)
            : ((Low(true) + High(true)) / 2, (Low(false) + High(false)) / 2, High(true) - Low(true), High(false) - Low(false));
        Beta = Math.Max(SideX, SideY) / Math.Min(SideX, SideY);
    }

    /// <summary>What was taken in place of a column's true shape; null: nothing.</summary>
    public string? ShapeNote => columns[0].Outline.Note;

    /// <summary>Force downwards of its columns in a combination, kN.</summary>
    public double Force(int k)
    {
        var sum = 0.0;
        foreach (var c in columns)
        {
            sum += c.Brings(k).N;
        }

        return sum;
    }

    /// <summary>Whether any of its columns stands on a pedestal.</summary>
    public bool HasPedestals
    {
        get
        {
            foreach (var c in columns)
            {
                if (c.Pedestal is not null)
                {
                    return true;
                }
            }

            return false;
        }
    }

    /// <summary>Whether both top layers have bars there.</summary>
    public bool TopIsReinforced => First.SpanX.Layer(false).Any && First.SpanY.Layer(false).Any;

    /// <summary>Whether plain concrete may count on top in a combination: under every column of it.</summary>
    public bool PlainOnTop(int k) => columns.PlainOnTop(k);

    /// <summary>Effective depth of the bars along an axis, m.</summary>
    public double Depth(bool alongX, bool bottom) => First.Depth(alongX, bottom);

    /// <summary>Mean effective depth of both layers of a face, m.</summary>
    public double MeanDepth(bool bottom) => First.MeanDepth(bottom);

    /// <summary>Bars along an axis of a face.</summary>
    public ref readonly Concrete.BarLayer Layer(bool alongX, bool bottom) => ref (alongX ? First.SpanX : First.SpanY).Layer(bottom);

    /// <summary>Whether each layer of bars is spread evenly over the whole body, in one zone.</summary>
    public bool SpreadEvenly { get; init; } = true;

    /// <summary>Area of the bars along an axis of a face within a strip across them, m2.</summary>
    public double SteelWithin(bool alongX, bool bottom, double from, double to)
    {
        var sum = 0.0;
        foreach (var zone in Trial.Zones(alongX))
        {
            sum += zone.Within(bottom, from, to);
        }

        return sum;
    }

    /// <summary>The critical sections with the depth to the bottom bars.</summary>
    internal PunchingFace Bottom { get; } = new();

    /// <summary>The critical sections with the depth to the top bars.</summary>
    internal PunchingFace Top { get; } = new();

    /// <summary>The perimeters with the depth to the bottom bars, of codes that look at all within 2d.</summary>
    internal PerimeterSet BottomPerimeters { get; } = new();

    /// <summary>The same with the depth to the top bars.</summary>
    internal PerimeterSet TopPerimeters { get; } = new();

    private double Low(bool alongX)
    {
        var low = double.PositiveInfinity;
        foreach (var c in columns)
        {
            low = Math.Min(low, alongX ? c.X - (c.Outline.X / 2) : c.Y - (c.Outline.Y / 2));
        }

        return low;
    }

    private double High(bool alongX)
    {
        var high = double.NegativeInfinity;
        foreach (var c in columns)
        {
            high = Math.Max(high, alongX ? c.X + (c.Outline.X / 2) : c.Y + (c.Outline.Y / 2));
        }

        return high;
    }
}
