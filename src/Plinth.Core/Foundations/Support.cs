namespace Plinth.Core.Foundations;

/// <summary>The shape of what stands on a base.</summary>
public enum ColumnShape
{
    /// <summary>A rectangular concrete column.</summary>
    Rectangular,

    /// <summary>A round concrete column.</summary>
    Round,

    /// <summary>A steel profile on a base plate.</summary>
    Steel,

    /// <summary>A masonry pier.</summary>
    Masonry,

    /// <summary>A wall: its length lies along its own x.</summary>
    Wall,
}

/// <summary>A column base with its label and position; of a wall the middle of its centreline.</summary>
/// <param name="Label">As the analysis names it.</param>
/// <param name="X">m.</param>
/// <param name="Y">m.</param>
/// <param name="Level">Where the reactions act, m; null: top of the base.</param>
/// <param name="Shape">Its shape.</param>
/// <param name="SizeX">Column's size along its own x, m; a round one's diameter; a steel profile's overall size.</param>
/// <param name="SizeY">Along its own y, m.</param>
/// <param name="PlateX">Base plate along the column's x, m; 0 for concrete.</param>
/// <param name="PlateY">Base plate along the column's y, m; 0 for concrete.</param>
/// <param name="AngleDegrees">Of the column, anticlockwise.</param>
/// <param name="Ground">Name of its ground; empty: the default.</param>
/// <param name="Grid">Its grid label; empty if none.</param>
public sealed record Support(
    string Label,
    double X,
    double Y,
    double? Level,
    ColumnShape Shape,
    double SizeX,
    double SizeY,
    double PlateX,
    double PlateY,
    double AngleDegrees,
    string Ground,
    string Grid)
{
    /// <summary>Whether it is of concrete, so that dowels may hold it.</summary>
    public bool IsConcrete => Shape is ColumnShape.Rectangular or ColumnShape.Round;

    /// <summary>Whether it is a wall.</summary>
    public bool IsWall => Shape == ColumnShape.Wall;

    /// <summary>Whether it is a wall of masonry.</summary>
    public bool IsMasonryWall { get; init; }

    /// <summary>A wall between two points.</summary>
    /// <param name="label">Its label.</param>
    /// <param name="x">First end of its centreline, m.</param>
    /// <param name="y">m.</param>
    /// <param name="x2">Second end, m.</param>
    /// <param name="y2">m.</param>
    /// <param name="thickness">m.</param>
    /// <param name="level">Where its reactions act, m; null: top of the base.</param>
    /// <param name="ground">Name of its ground; empty: the default.</param>
    /// <param name="grid">Its grid label; empty if none.</param>
    public static Support Wall(string label, double x, double y, double x2, double y2, double thickness, double? level, string ground,
        string grid)
    {
        var (dx, dy) = (x2 - x, y2 - y);
        return new Support(label, (x + x2) / 2, (y + y2) / 2, level, ColumnShape.Wall, Math.Sqrt((dx * dx) + (dy * dy)), thickness, 0, 0,
            Math.Round(Math.Atan2(dy, dx) * 180 / Math.PI, 9), ground, grid);
    }

    /// <summary>Plan area of the column, which displaces soil, m2.</summary>
    public double Area => Shape == ColumnShape.Round ? Math.PI * SizeX * SizeX / 4 : SizeX * SizeY;
}

/// <summary>A column as the critical sections of a base see it: sides along the base's axes, m.</summary>
/// <param name="X">Side along the base's x, between the faces from which sections count.</param>
/// <param name="Y">Side along the base's y.</param>
/// <param name="FaceX">Outer size along the base's x, for edges flush with the column.</param>
/// <param name="FaceY">Outer size along the base's y.</param>
/// <param name="Note">What was taken in place of the true shape; null if it is the true one.</param>
public readonly record struct ColumnOutline(double X, double Y, double FaceX, double FaceY, string? Note)
{
    /// <summary>Diameter of a round one, m; 0: it is none.</summary>
    public double Diameter { get; init; }

    /// <summary>
    /// The outline of a column on a base: round columns as the square of equal area (ACI 318 13.2.7.3); steel columns by the lines halfway
    /// between
    /// profile face and plate edge, masonry by those halfway between centre and face (13.2.7.1); turned columns by the rectangle of equal
    /// area whose sides are in the proportion of their projections, the square of equal area if regular (13.2.7.3).
    /// </summary>
    /// <param name="support">The column.</param>
    /// <param name="baseAngle">The base's angle, degrees.</param>
    public static ColumnOutline Of(Support support, double baseAngle)
    {
        ArgumentNullException.ThrowIfNull(support);
        if (support.Shape == ColumnShape.Round)
        {
            return Circle(support.SizeX, "round column taken as the square of equal area");
        }

        if (support.Shape == ColumnShape.Masonry)
        {
            var (whole, half) = (Of(support with { Shape = ColumnShape.Rectangular }, baseAngle),
                Of(support with { Shape = ColumnShape.Rectangular, SizeX = support.SizeX / 2, SizeY = support.SizeY / 2 }, baseAngle));
            return new ColumnOutline(half.X, half.Y, whole.FaceX, whole.FaceY,
                "sections counted from halfway between centre and face of the masonry");
        }

        var straight = Straight(support, baseAngle);
        return support.IsMasonryWall
            ? straight with { Y = straight.Y / 2, Note = "sections counted from halfway between centre and face of the masonry" }
            : straight;
    }

    /// <summary>The outline of a pedestal: round ones as the square of equal area (ACI 318 13.2.7.3).</summary>
    public static ColumnOutline Of(Pedestal pedestal)
    {
        ArgumentNullException.ThrowIfNull(pedestal);
        return pedestal.Round
            ? Circle(pedestal.SizeX, "round pedestal taken as the square of equal area")
            : new ColumnOutline(pedestal.SizeX, pedestal.SizeY, pedestal.SizeX, pedestal.SizeY, null);
    }

    private static ColumnOutline Circle(double diameter, string note)
    {
        var side = diameter * Math.Sqrt(Math.PI) / 2;
        return new ColumnOutline(side, side, diameter, diameter, note) { Diameter = diameter };
    }

    private static ColumnOutline Straight(Support support, double baseAngle)
    {
        var steel = support.Shape == ColumnShape.Steel;
        var (x, y) = steel ? ((support.SizeX + support.PlateX) / 2, (support.SizeY + support.PlateY) / 2) : (support.SizeX, support.SizeY);
        var (fx, fy) = steel ? (support.PlateX, support.PlateY) : (x, y);
        var note = steel ? "sections counted from halfway between profile face and plate edge" : null;
        var turn = Math.IEEERemainder(support.AngleDegrees - baseAngle, 180);
        if (Math.Abs(turn) > 90 - 1e-9)
        {
            (x, y, fx, fy) = (y, x, fy, fx);
            turn = 0;
        }

        if (Math.Abs(turn) < 1e-9)
        {
            return new ColumnOutline(x, y, fx, fy, note);
        }

        var (sin, cos) = Math.SinCos(Math.Abs(turn) * Math.PI / 180);
        var (px, py) = ((x * cos) + (y * sin), (x * sin) + (y * cos));
        var scale = Math.Sqrt(x * y / (px * py));
        return new ColumnOutline(
            scale * px,
            scale * py,
            (fx * cos) + (fy * sin),
            (fx * sin) + (fy * cos),
            Math.Abs(x - y) < 1e-9
                ? "turned column taken as the square of equal area along the base"
                : "turned column taken as the rectangle of its area with the proportion of its projections");
    }
}
