using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>A base in plan, in its own axes, at a scale.</summary>
/// <param name="State">The base, its design set.</param>
/// <param name="Scale">The scale.</param>
/// <param name="Centre">Where its centre lies on the figure.</param>
internal sealed record BaseView(BaseState State, DrawingScale Scale, At Centre)
{
    /// <summary>Millimetres of paper to a metre.</summary>
    public double Per => 1000 / Scale.Ratio;

    public double HalfX => State.Length / 2 * Per;

    public double HalfY => State.Width / 2 * Per;

    public At At(double x, double y) => Centre + (x * Per, y * Per);

    public At At(PlanPoint p) => At(p.X, p.Y);

    public At Low => At(-State.Length / 2, -State.Width / 2);

    public At High => At(State.Length / 2, State.Width / 2);

    /// <summary>Draws its outline.</summary>
    public void Outline(Canvas to, Fill fill = Fill.None) => to.Box(Layers.Footing, Stroke.Edge, Low, High, fill);

    /// <summary>Draws what stands on it: pedestal and column.</summary>
    public void Standing(Canvas to)
    {
        var (x, y) = (State.ColumnX, State.ColumnY);
        if (State.Pedestal is { } p)
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
                    to.Box(Layers.Pedestal, Stroke.Thin, At(x - (p.ClearX / 2), y - (p.ClearY / 2)), At(x + (p.ClearX / 2), y + (p.ClearY / 2)));
                }
            }
        }

        var s = State.Place.Place.Support;
        if (s.Shape == ColumnShape.Round)
        {
            to.Circle(Layers.Column, Stroke.Thin, At(x, y), s.SizeX / 2 * Per, Fill.Light);
            return;
        }

        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(s.AngleDegrees - State.Place.Place.AngleDegrees);
        At Corner(double a, double b) => At(x + (a * cos) - (b * sin), y + (a * sin) + (b * cos));
        void Rectangle(double sizeX, double sizeY, Stroke stroke, Fill fill) => to.Area(Layers.Column, stroke, [Corner(-sizeX / 2, -sizeY / 2), Corner(sizeX / 2, -sizeY / 2), Corner(sizeX / 2, sizeY / 2), Corner(-sizeX / 2, sizeY / 2)], fill);
        if (s.Shape == ColumnShape.Steel)
        {
            Rectangle(s.PlateX, s.PlateY, Stroke.Fine, Fill.None);
        }

        Rectangle(s.SizeX, s.SizeY, Stroke.Thin, Fill.Light);
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
