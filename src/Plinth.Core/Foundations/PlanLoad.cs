using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Foundations;

/// <summary>How a load lies on a base.</summary>
public enum PlanLoadShape
{
    /// <summary>At a point; its value is a force.</summary>
    Point,

    /// <summary>Along a line; its value is a force per length.</summary>
    Line,

    /// <summary>Over a rectangle along the base's axes; its value is a pressure.</summary>
    Rectangle,

    /// <summary>Over the whole base, whatever its size; its value is a pressure.</summary>
    WholeBase,
}

/// <summary>A vertical load that stands on a base beside its column, such as a wall, a machine or a stored load.</summary>
/// <param name="Case">Index of its case.</param>
/// <param name="Shape">How it lies.</param>
/// <param name="Value">Downwards: kN, kN/m or kPa by its shape; negative lifts.</param>
/// <param name="X0">Point, beginning of the line, or corner; from the column's centre along the base's x, m.</param>
/// <param name="Y0">The same along y.</param>
/// <param name="X1">End of the line, or opposite corner, m.</param>
/// <param name="Y1">The same along y.</param>
public sealed record PlanLoad(int Case, PlanLoadShape Shape, double Value, double X0, double Y0, double X1, double Y1)
{
    /// <summary>Whether it lies wholly on a base.</summary>
    /// <param name="column">Column's centre from the base's centre, m.</param>
    /// <param name="size">The base.</param>
    public bool LiesOn(in Contact.PlanPoint column, in BaseSize size)
    {
        const double Slack = 1e-9;
        bool Within(double at, double side) => Math.Abs(at) <= (side / 2) + Slack;
        return Shape == PlanLoadShape.WholeBase
            || (Within(column.X + X0, size.Length) && Within(column.X + X1, size.Length) && Within(column.Y + Y0, size.Width)
                && Within(column.Y + Y1, size.Width));
    }

    /// <summary>The load on a base of a size.</summary>
    public PlacedLoad On(in Contact.PlanPoint column, in BaseSize size) => Shape switch
    {
        PlanLoadShape.WholeBase =>
            new PlacedLoad(Case, Value * size.Length * size.Width, -size.Length / 2, -size.Width / 2, size.Length / 2, size.Width / 2),
        PlanLoadShape.Rectangle => Placed(column, Value * Math.Abs(X1 - X0) * Math.Abs(Y1 - Y0)),
        PlanLoadShape.Line => Placed(column, Value * Math.Sqrt(((X1 - X0) * (X1 - X0)) + ((Y1 - Y0) * (Y1 - Y0)))),
        _ => Placed(column, Value),
    };

    /// <summary>In words: "12.0 kN/m of WALL along a line".</summary>
    public string Words(string caseName, UnitSystem units)
    {
        string At(double x, double y) =>
            string.Create(CultureInfo.InvariantCulture, $"({Unit.Length.Format(x, units)}, {Unit.Length.Format(y, units)})");
        return Shape switch
        {
            PlanLoadShape.Point => $"{Unit.Force.FormatWithSymbol(Value, units)} of {caseName} at {At(X0, Y0)}",
            PlanLoadShape.Line => $"{Unit.LineLoad.FormatWithSymbol(Value, units)} of {caseName} from {At(X0, Y0)} to {At(X1, Y1)}",
            PlanLoadShape.Rectangle => $"{Unit.Pressure.FormatWithSymbol(Value, units)} of {caseName} over {At(X0, Y0)} to {At(X1, Y1)}",
            _ => $"{Unit.Pressure.FormatWithSymbol(Value, units)} of {caseName} over the whole base",
        };
    }

    private PlacedLoad Placed(in Contact.PlanPoint c, double n) => new(Case, n, c.X + X0, c.Y + Y0, c.X + X1, c.Y + Y1);
}

/// <summary>
/// A vertical load on a base of known size, spread evenly from one end to the other; from the base's centre, its own axes.
/// </summary>
/// <param name="Case">Index of its case.</param>
/// <param name="N">Downwards in all, kN.</param>
/// <param name="X0">One end along x, m.</param>
/// <param name="Y0">One end along y, m.</param>
/// <param name="X1">The other end along x, m.</param>
/// <param name="Y1">The other end along y, m.</param>
public readonly record struct PlacedLoad(int Case, double N, double X0, double Y0, double X1, double Y1)
{
    /// <summary>Its centre along x, m.</summary>
    public double X => (X0 + X1) / 2;

    /// <summary>Its centre along y, m.</summary>
    public double Y => (Y0 + Y1) / 2;

    /// <summary>The part within a strip across an axis: its share of the load and where its centre lies along the axis.</summary>
    /// <param name="alongX">The strip is bounded along x, or along y.</param>
    /// <param name="from">Lower bound, m.</param>
    /// <param name="to">Upper bound, m.</param>
    public (double Share, double At) Within(bool alongX, double from, double to)
    {
        var (a, b) = alongX ? (Math.Min(X0, X1), Math.Max(X0, X1)) : (Math.Min(Y0, Y1), Math.Max(Y0, Y1));
        if (b - a < 1e-12)
        {
            return (a >= from && a <= to ? 1 : 0, a);
        }

        var (low, high) = (Math.Max(a, from), Math.Min(b, to));
        return high <= low ? (0, 0) : ((high - low) / (b - a), (low + high) / 2);
    }
}
