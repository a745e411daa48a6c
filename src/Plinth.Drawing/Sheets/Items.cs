namespace Plinth.Drawing.Sheets;

/// <summary>A point on a sheet, mm from its lower left corner, y upwards.</summary>
/// <param name="X">mm.</param>
/// <param name="Y">mm.</param>
public readonly record struct At(double X, double Y)
{
    /// <summary>The point so much further.</summary>
    public static At operator +(At a, (double X, double Y) b) => new(a.X + b.X, a.Y + b.Y);
}

/// <summary>How a line is broken.</summary>
public enum Dash
{
    /// <summary>Unbroken: edges that are seen.</summary>
    Solid,

    /// <summary>Dashed: edges that are hidden.</summary>
    Hidden,

    /// <summary>Long dash, dot: grid and centre lines.</summary>
    Chain,

    /// <summary>Long dash, two dots: boundaries.</summary>
    Boundary,
}

/// <summary>How an area is filled.</summary>
public enum Fill
{
    /// <summary>Not at all.</summary>
    None,

    /// <summary>Paper white, over what lies below.</summary>
    Paper,

    /// <summary>Light grey: concrete in plan.</summary>
    Light,

    /// <summary>Black: columns.</summary>
    Solid,

    /// <summary>Lines at 45°: no entry.</summary>
    Hatch,
}

/// <summary>A line's width and kind (ISO 128: one width for edges, half of it for what is beside them).</summary>
/// <param name="Width">mm.</param>
/// <param name="Dash">How it is broken.</param>
public readonly record struct Stroke(double Width, Dash Dash = Dash.Solid)
{
    /// <summary>Edges: 0.5 mm.</summary>
    public static readonly Stroke Edge = new(0.5);

    /// <summary>Lesser edges, frames: 0.25 mm.</summary>
    public static readonly Stroke Thin = new(0.25);

    /// <summary>Dimension lines, tables: 0.18 mm.</summary>
    public static readonly Stroke Fine = new(0.18);

    /// <summary>Reinforcing bars: 0.6 mm.</summary>
    public static readonly Stroke Bar = new(0.6);

    /// <summary>Bars of the top, where bottom ones are shown too.</summary>
    public static readonly Stroke TopBar = new(0.6, Dash.Hidden);

    /// <summary>Hidden edges.</summary>
    public static readonly Stroke Hidden = new(0.25, Dash.Hidden);

    /// <summary>No line.</summary>
    public static readonly Stroke None = new(0);

    /// <summary>Grid lines.</summary>
    public static readonly Stroke Grid = new(0.18, Dash.Chain);

    /// <summary>The site's boundary.</summary>
    public static readonly Stroke Boundary = new(0.35, Dash.Boundary);
}

/// <summary>Layers by content, as they are named in every format that has them.</summary>
public static class Layers
{
    /// <summary>Grid lines and their bubbles.</summary>
    public const string Grid = "GRID";

    /// <summary>Columns.</summary>
    public const string Column = "COLUMN";

    /// <summary>Footings.</summary>
    public const string Footing = "FOOTING";

    /// <summary>Piles and their numbers.</summary>
    public const string Pile = "PILE";

    /// <summary>Pedestals and sockets.</summary>
    public const string Pedestal = "PEDESTAL";

    /// <summary>Marks of footings.</summary>
    public const string Mark = "MARK";

    /// <summary>Reinforcing bars.</summary>
    public const string Bar = "REBAR";

    /// <summary>Bar marks and what they call.</summary>
    public const string BarMark = "BARMARK";

    /// <summary>Blinding, levels of the ground.</summary>
    public const string Ground = "GROUND";

    /// <summary>Pressures, forces and utilisations.</summary>
    public const string Result = "RESULT";

    /// <summary>Dimensions.</summary>
    public const string Dimension = "DIMENSION";

    /// <summary>The site's boundary and zones.</summary>
    public const string Site = "SITE";

    /// <summary>Clouds round what changed.</summary>
    public const string Revision = "REVISION";

    /// <summary>Notes, scale bar.</summary>
    public const string Note = "NOTE";

    /// <summary>Schedules.</summary>
    public const string Schedule = "SCHEDULE";

    /// <summary>Frame and title block.</summary>
    public const string Frame = "FRAME";
}

/// <summary>Where a text stands about its point.</summary>
public enum Anchor
{
    /// <summary>Its left end.</summary>
    Left,

    /// <summary>Its middle.</summary>
    Middle,

    /// <summary>Its right end.</summary>
    Right,
}

/// <summary>Something on a sheet.</summary>
/// <param name="Layer">Its layer.</param>
public abstract record Item(string Layer)
{
    /// <summary>The same elsewhere.</summary>
    /// <param name="x">mm to the right.</param>
    /// <param name="y">mm upwards.</param>
    public abstract Item Moved(double x, double y);
}

/// <summary>A line through points.</summary>
/// <param name="Layer">Its layer.</param>
/// <param name="Points">At least two.</param>
/// <param name="Closed">Whether its ends are joined.</param>
/// <param name="Stroke">How it is drawn.</param>
/// <param name="Fill">How what it encloses is filled.</param>
public sealed record PathItem(string Layer, IReadOnlyList<At> Points, bool Closed, Stroke Stroke, Fill Fill = Fill.None) : Item(Layer)
{
    /// <summary>A colour that fills it, 0xRRGGBB, where colours are shown; it never says anything that is not written too.</summary>
    public int? Tint { get; init; }

    /// <inheritdoc/>
    public override Item Moved(double x, double y) => this with { Points = [.. Points.Select(p => p + (x, y))] };
}

/// <summary>A circle.</summary>
/// <param name="Layer">Its layer.</param>
/// <param name="Centre">Its centre.</param>
/// <param name="Radius">mm.</param>
/// <param name="Stroke">How it is drawn.</param>
/// <param name="Fill">How it is filled.</param>
public sealed record CircleItem(string Layer, At Centre, double Radius, Stroke Stroke, Fill Fill = Fill.None) : Item(Layer)
{
    /// <inheritdoc/>
    public override Item Moved(double x, double y) => this with { Centre = Centre + (x, y) };
}

/// <summary>A line of text; its point lies on the base line.</summary>
/// <param name="Layer">Its layer.</param>
/// <param name="Point">Where.</param>
/// <param name="Height">Height of capitals, mm.</param>
/// <param name="Text">What.</param>
/// <param name="Anchor">About which end.</param>
/// <param name="Angle">Degrees anticlockwise.</param>
/// <param name="Bold">Whether bold.</param>
public sealed record TextItem(string Layer, At Point, double Height, string Text, Anchor Anchor = Anchor.Left, double Angle = 0,
    bool Bold = false) : Item(Layer)
{
    /// <inheritdoc/>
    public override Item Moved(double x, double y) => this with { Point = Point + (x, y) };
}

/// <summary>A linear dimension: measured between two points along a direction, its line at a distance from the first.</summary>
/// <param name="From">First point measured.</param>
/// <param name="To">Second point measured.</param>
/// <param name="Vertical">Whether it measures along y; else along x.</param>
/// <param name="Line">Where its line runs: y for one along x, x for one along y, mm.</param>
/// <param name="Text">What it says.</param>
public sealed record DimensionItem(At From, At To, bool Vertical, double Line, string Text) : Item(Layers.Dimension)
{
    /// <summary>Height of its text, mm.</summary>
    public const double TextHeight = 2.0;

    /// <summary>How many times as large as the sheet's scale what it measures is drawn: in a section at a scale of its own.</summary>
    public double Times { get; init; } = 1;

    /// <summary>Where on the line its text stands, 0 to 1.</summary>
    public double TextShare { get; init; } = 0.5;

    /// <inheritdoc/>
    public override Item Moved(double x, double y) =>
        this with { From = From + (x, y), To = To + (x, y), Line = Line + (Vertical ? x : y) };

    /// <summary>Ends of the dimension line.</summary>
    public (At From, At To) Ends => Vertical ? (new(Line, From.Y), new(Line, To.Y)) : (new(From.X, Line), new(To.X, Line));
}
