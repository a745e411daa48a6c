using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>A base in plan, in its own axes, at a scale.</summary>
/// <param name="State">The base, its design set.</param>
/// <param name="Scale">The scale.</param>
/// <param name="Centre">Where its centre lies on the figure.</param>
internal sealed record BaseView(Trial State, DrawingScale Scale, At Centre)
{
    /// <summary>Millimetres of paper to a metre.</summary>
    public double Per => 1000 / Scale.Ratio;

    public At At(double x, double y) => Centre + (x * Per, y * Per);

    public At At(PlanPoint p) => At(p.X, p.Y);

    /// <summary>The lower left corner of the rectangle round it.</summary>
    public At Low => At(State.Body.LowX, State.Body.Low(false));

    /// <summary>The upper right corner of the rectangle round it.</summary>
    public At High => At(State.Body.HighX, State.Body.High(false));

    /// <summary>Width of the rectangle round a base, m.</summary>
    public static double Widest(Trial s) => s.Body.High(false) - s.Body.Low(false);

    /// <summary>The view with the middle of the rectangle round the base at a point.</summary>
    public static BaseView About(Trial s, DrawingScale scale, At middle)
    {
        var per = 1000 / scale.Ratio;
        return new BaseView(s, scale,
            middle + (-(s.Body.LowX + s.Body.HighX) / 2 * per, -(s.Body.Low(false) + s.Body.High(false)) / 2 * per));
    }

    /// <summary>Draws its outline.</summary>
    public void Outline(Canvas to, Fill fill = Fill.None)
    {
        foreach (var outline in Outlines(State))
        {
            to.Area(Layers.Footing, Stroke.Edge, [.. outline.Select(At)], fill);
        }

        if (State.BeamFigure is { } beam)
        {
            // Its sides between the bases, and on them.
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                to.Path(Layers.Footing, Stroke.Edge, At(beam.From, side * beam.Width / 2), At(beam.To, side * beam.Width / 2));
            }

            to.Path(Layers.Footing, Stroke.Edge, At(beam.To, -beam.Width / 2), At(beam.To, beam.Width / 2));
        }
    }

    /// <summary>Corners of its bases about the centroid of all.</summary>
    public static IReadOnlyList<PlanPoint[]> Outlines(Trial s) => s.Body.Parts.Length == 0
        ? [[.. s.Body.Outline]]
        : [.. s.Body.Parts.ToArray().Select(p => p.Outline.ToArray().Select(c => c with { X = c.X + p.Middle }).ToArray())];

    /// <summary>Draws what stands on it: pedestal and column.</summary>
    public void Standing(Canvas to)
    {
        foreach (var c in State.Columns)
        {
            Standing(to, c);
        }
    }

    /// <summary>The label of a column beside it; on its other side where it would run over the end of the base.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="column">The column.</param>
    /// <param name="x">Where its middle is drawn, mm.</param>
    public void Label(Canvas to, Standing column, double x)
    {
        const double height = 1.8;
        var beside = (column.Outline.FaceX / 2 * Per) + 1;
        var ends = x + beside + Lettering.Width(column.Support.Label, height, true) > High.X - 1;
        to.Write(Layers.Note, new(ends ? x - beside : x + beside, At(0, column.Y).Y + 1), column.Support.Label,
            ends ? Anchor.Right : Anchor.Left, height, true);
    }

    /// <summary>The edges of rows of a grid that cross it, and their marks below.</summary>
    public void Crossing(Canvas to)
    {
        const double beyond = 2;
        foreach (var crossing in State.Place.Row?.Crossings ?? [])
        {
            if (State.Place.Row!.ShareOf(crossing) is not { } share)
            {
                continue;
            }

            var x = State.Columns[crossing.Column].X;
            foreach (var edge in (ReadOnlySpan<double>)[x - share.Low, x + share.High])
            {
                // One that ends with it is its own end.
                if (edge > State.Body.LowX + 1e-6 && edge < State.Body.HighX - 1e-6)
                {
                    to.Path(Layers.Footing, Stroke.Hidden, new(At(edge, 0).X, Low.Y - beyond), new(At(edge, 0).X, High.Y + beyond));
                }
            }

            var mark = Core.Grids.GridRow.MarkOf(State.Place.Row.Grid, crossing.Other);
            to.Write(Layers.Note, new(At(x, 0).X - 1.5, Low.Y - 4), mark, Anchor.Right);
        }
    }

    private void Standing(Canvas to, Standing column)
    {
        var (x, y) = (column.PlanX, column.Y);
        if (column.Pedestal is { } p)
        {
            if (p.Round)
            {
                to.Circle(Layers.Pedestal, Stroke.Thin, At(x, y), p.SizeX / 2 * Per);
            }
            else
            {
                to.Box(Layers.Pedestal, Stroke.Thin, At(x - (p.SizeX / 2), y - (p.SizeY / 2)), At(x + (p.SizeX / 2), y + (p.SizeY / 2)));
                if (p.Socket is not null)
                {
                    to.Box(Layers.Pedestal, Stroke.Thin, At(x - (p.ClearX / 2), y - (p.ClearY / 2)),
                        At(x + (p.ClearX / 2), y + (p.ClearY / 2)));
                }
            }
        }

        var s = column.Support;
        if (s.Shape == ColumnShape.Round)
        {
            to.Circle(Layers.Column, Stroke.Thin, At(x, y), s.SizeX / 2 * Per, Fill.Light);
            return;
        }

        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(s.AngleDegrees - State.Place.Place.AngleDegrees);
        At Corner(double a, double b) => At(x + (a * cos) - (b * sin), y + (a * sin) + (b * cos));
        void Rectangle(double sizeX, double sizeY, Stroke stroke, Fill fill) =>
            to.Area(Layers.Column, stroke,
                [Corner(-sizeX / 2, -sizeY / 2), Corner(sizeX / 2, -sizeY / 2), Corner(sizeX / 2, sizeY / 2),
                    Corner(-sizeX / 2, sizeY / 2)], fill);
        if (s.Shape == ColumnShape.Steel)
        {
            Rectangle(s.PlateX, s.PlateY, Stroke.Fine, Fill.None);
            var plate = State.Rules.Column.Plate;
            foreach (var rod in plate.RodsOn(s.PlateX, s.PlateY))
            {
                to.Circle(Layers.Column, Stroke.Fine, Corner(rod.X, rod.Y), Math.Max(plate.RodDiameter / 2 * Per, 0.4), Fill.Solid);
            }
        }

        Rectangle(s.SizeX, s.SizeY, Stroke.Thin, Fill.Light);
    }

    /// <summary>Draws a section round a column or two, dashed but for sides that are the base's own edge.</summary>
    /// <returns>Its corners (−x, −y), (+x, −y), (+x, +y), (−x, +y).</returns>
    public At[] Punched(Canvas to, PunchingFigure p)
    {
        var (low, high) = (At(p.Low), At(p.High));
        At[] corners = [low, new(high.X, low.Y), high, new(low.X, high.Y)];
        if (p.Radius > 0)
        {
            Rounded(to, p);
            return corners;
        }

        for (var i = 0; i < 4; i++)
        {
            var open = i switch { 0 => p.OpenY < 0, 1 => p.OpenX > 0, 2 => p.OpenY > 0, _ => p.OpenX < 0 };
            if (!open)
            {
                to.Path(Layers.Result, new Stroke(0.5, Dash.Hidden), corners[i], corners[(i + 1) % 4]);
            }
        }

        return corners;
    }

    // Side by side anticlockwise from the lower one, each with the round corner at its end.
    private void Rounded(Canvas to, PunchingFigure p)
    {
        var stroke = new Stroke(0.5, Dash.Hidden);
        (int X, int Y)[] ends = [(-1, -1), (1, -1), (1, 1), (-1, 1)];
        PlanPoint Corner((int X, int Y) c) => new(c.X < 0 ? p.Low.X : p.High.X, c.Y < 0 ? p.Low.Y : p.High.Y);
        for (var i = 0; i < 4; i++)
        {
            var (from, end) = (ends[i], ends[(i + 1) % 4]);
            var along = end.X != from.X;
            if (i switch { 0 => p.OpenY >= 0, 1 => p.OpenX <= 0, 2 => p.OpenY <= 0, _ => p.OpenX >= 0 })
            {
                // From the end of one corner to the beginning of the next.
                var way = along ? Math.Sign(end.X - from.X) : Math.Sign(end.Y - from.Y);
                PlanPoint Off((int X, int Y) c, double by) =>
                    along ? Corner(c) with { X = Corner(c).X + by } : Corner(c) with { Y = Corner(c).Y + by };
                to.Path(Layers.Result, stroke, At(Off(from, p.IsRound(from.X, from.Y) ? way * p.Radius : 0)),
                    At(Off(end, p.IsRound(end.X, end.Y) ? -way * p.Radius : 0)));
            }

            if (p.IsRound(end.X, end.Y))
            {
                var (cx, cy) = (Corner(end).X - (end.X * p.Radius), Corner(end).Y - (end.Y * p.Radius));
                var start = i * Math.PI / 2;
                to.Path(Layers.Result, stroke, [.. Enumerable.Range(0, QuarterSteps + 1)
                    .Select(j => start - (Math.PI / 2) + (j * Math.PI / 2 / QuarterSteps))
                    .Select(t => At(new PlanPoint(cx + (p.Radius * Math.Cos(t)), cy + (p.Radius * Math.Sin(t)))))]);
            }
        }
    }

    private const int QuarterSteps = 12;

    /// <summary>A point of the project on the base, in the base's own axes.</summary>
    public PlanPoint Local(PlanPoint p)
    {
        var place = State.Place.Place;
        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(place.AngleDegrees);
        var first = State.Columns[0];
        var (x, y) = (p.X - first.Support.X, p.Y - first.Support.Y);
        var local = place.Lie.Of(new PlanPoint((x * cos) + (y * sin), (y * cos) - (x * sin)));
        return new PlanPoint(local.X + first.PlanX, local.Y + first.Y);
    }

    /// <summary>Draws the site's boundary where it passes by or under the base.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="boundary">The boundary, project axes.</param>
    /// <param name="beyond">How far beyond the base it is followed, mm.</param>
    /// <param name="words">What it is called.</param>
    public void Boundary(Canvas to, IReadOnlyList<PlanPoint> boundary, double beyond, string words)
    {
        var (named, low, high) = (false, Low + (-beyond, -beyond), High + (beyond, beyond));
        for (var i = 0; i < boundary.Count; i++)
        {
            if (Drawings.Layout.Clipped(At(Local(boundary[i])), At(Local(boundary[(i + 1) % boundary.Count])), low, high) is not { } line)
            {
                continue;
            }

            to.Path(Layers.Site, Stroke.Boundary, line.From, line.To);
            if (!named)
            {
                var upright = Math.Abs(line.From.X - line.To.X) < Math.Abs(line.From.Y - line.To.Y);
                var (a, b) = upright == line.From.Y < line.To.Y ? (line.From, line.To) : (line.To, line.From);
                (a, b) = upright || line.From.X < line.To.X ? (a, b) : (b, a);
                to.Write(Layers.Site, upright ? new(a.X - 0.8, a.Y + 1) : new(a.X + 1, a.Y + 0.8), words, Anchor.Left, 1.8, false,
                    upright ? 90 : 0);
                named = true;
            }
        }
    }

    /// <summary>Draws the two axes at a point.</summary>
    public static void Axes(Canvas to, At at)
    {
        to.Path(Layers.Note, Stroke.Fine, at + (0, 7), at, at + (7, 0));
        to.Area(Layers.Note, Stroke.Fine, [at + (-0.6, 5.6), at + (0, 7.4), at + (0.6, 5.6)], Fill.Solid);
        to.Area(Layers.Note, Stroke.Fine, [at + (5.6, -0.6), at + (7.4, 0), at + (5.6, 0.6)], Fill.Solid);
        to.Write(Layers.Note, at + (8.2, -0.9), "x");
        to.Write(Layers.Note, at + (-0.7, 8.2), "y");
    }
}
