using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Shear and moment along a base both ways, with what is checked and the strengths.</summary>
public static class ForcesView
{
    private const double Plot = 34;
    private const double Elevation = 13;
    private const double Gap = 8;
    private const double Left = 4;
    private const double Right = 24;

    // A strength more than so many times the highest value is not drawn.
    private const double Far = 3;

    /// <summary>Draws them side by side.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(string mark, Trial s, int k, double width = 240)
    {
        ArgumentNullException.ThrowIfNull(s);
        var to = new Canvas();
        var height = Elevation + (2 * (Plot + Gap)) + 10;
        bool[] axes = s.Spans(true)[0].Carries ? [true, false] : [false];
        var each = axes.Length == 2 ? (width - 6) / 2 : width * 0.6;
        for (var i = 0; i < axes.Length; i++)
        {
            if (ForceDiagram.Of(s, k, axes[i]) is { } diagram)
            {
                One(to, s, diagram, i * (each + 6), each, height);
            }
            else
            {
                to.Write(Layers.Note, new(i * (each + 6), height - 8), "no equilibrium: no forces");
            }
        }

        var words =
            $"{s.Named(k)}: {s.Combinations[k].Rule}. Shear of the "
                + "part towards −; moment drawn on the side that it stretches. The column's load acts at its centre.";
        to.Write(Layers.Note, new(Left, 1), words, Anchor.Left, Layout.Fitted(words, Canvas.Text, width - (2 * Left)));
        return new Figure($"{mark}: shear and moment", width, height, null, to.Items);
    }

    private static void One(Canvas to, Trial s, ForceDiagram d, double x0, double width, double height)
    {
        var units = s.Units;
        var per = (width - Left - Right) / (d.Ends.High - d.Ends.Low);
        var axis = d.AlongX ? "x" : "y";
        double X(double at) => x0 + Left + ((at - d.Ends.Low) * per);
        var (from, end) = (X(d.Ends.Low), X(d.Ends.High));
        var top = height - 4;
        to.Write(Layers.Note, new(x0 + Left, top), $"along {axis}", Anchor.Left, Canvas.Heading, true);

        // The base from the side, its column where it stands; heights are not to scale.
        var ground = top - Elevation + 2;
        to.Box(Layers.Footing, Stroke.Edge, new(from, ground), new(end, ground + 4), Fill.Light);
        to.Box(Layers.Column, Stroke.Thin, new(X(d.Faces.Low), ground + 4), new(X(d.Faces.High), ground + 8), Fill.Light);
        var shearZero = ground - Gap - (Plot / 2);
        Curve(to, d, X, shearZero, Plot / 2, p => p.Shear, d.ShearStrength, -d.ShearStrength, out var shear);
        Strength(to, new(x0 + width - Right, 0), from, shearZero, shear, d.ShearStrength, "φVc", s.Code, Unit.Force, units);
        foreach (var v in d.Shears)
        {
            var sign = d.Points.MinBy(p => Math.Abs(p.At - v.At)).Shear >= 0 ? 1 : -1;
            Point(to, new(X(v.At), shearZero + (sign * v.Demand * shear)), Unit.Force.Format(v.Demand, units), sign > 0,
                v.At < (d.Faces.Low + d.Faces.High) / 2 ? Anchor.Right : Anchor.Left, (from, end));
        }

        to.Write(Layers.Note, new(x0 + width - Right + 1, shearZero - 0.9), "V " + Unit.Force.Symbol(units));
        var momentZero = shearZero - (Plot / 2) - Gap - (Plot / 4);
        Curve(to, d, X, momentZero, Plot / 2, p => -p.Moment, -d.MomentStrength,
            d.MomentStrengthTop > 0 && d.Points.Any(p => p.Moment < 0) ? d.MomentStrengthTop : 0, out var moment);
        Strength(to, new(x0 + width - Right, 0), from, momentZero, moment, -d.MomentStrength, "φMn", s.Code, Unit.Moment, units);
        foreach (var (m, sign) in d.Moments.Select(m => (m, -1)).Concat(d.MomentsTop.Select(m => (m, 1))).Where(m => m.m.Demand > 0))
        {
            Point(to, new(X(m.At), momentZero + (sign * m.Demand * moment)), Unit.Moment.Format(m.Demand, units), sign > 0,
                Math.Abs(m.At - d.Faces.Low) < 1e-9 ? Anchor.Right : Anchor.Left, (from, end));
        }

        to.Write(Layers.Note, new(x0 + width - Right + 1, momentZero - 0.9), "M " + Unit.Moment.Symbol(units));
        foreach (var face in new[] { d.Faces.Low, d.Faces.High }.Where(v => v > d.Ends.Low && v < d.Ends.High))
        {
            to.Path(Layers.Result, new Stroke(0.13, Dash.Hidden), new(X(face), ground), new(X(face), momentZero - (Plot / 2)));
        }
    }

    private static void Curve(Canvas to, ForceDiagram d, Func<double, double> x, double zero, double room, Func<SectionPoint, double> value,
        double strength, double other, out double per)
    {
        // The whole curve has room, the peak under the column's centre too; a strength far beyond it is only said.
        var highest = d.Points.Max(p => Math.Abs(value(p)));
        var most = Math.Max(Math.Max(Math.Abs(strength) <= Far * highest ? Math.Abs(strength) : 0,
            Math.Abs(other) <= Far * highest ? Math.Abs(other) : 0), Math.Max(highest, 1e-9));
        var scale = room / most;
        per = scale;
        double Y(SectionPoint p) => zero + (value(p) * scale);
        to.Area(Layers.Result, Stroke.Thin,
            [new(x(d.Points[0].At), zero), .. d.Points.Select(p => new At(x(p.At), Y(p))), new(x(d.Points[^1].At), zero)], Fill.Light);
        to.Path(Layers.Result, Stroke.Fine, new(x(d.Points[0].At), zero), new(x(d.Points[^1].At), zero));
    }

    private static void Strength(Canvas to, At right, double left, double zero, double per, double strength, string symbol,
        ConcreteCode code, Unit unit, UnitSystem units)
    {
        var words = $"{code.Letter(symbol)} {unit.Format(Math.Abs(strength), units)}";
        var offset = strength * per;
        if (Math.Abs(offset) > (Plot / 2) + 0.01)
        {
            // Far beyond the plot: said, not drawn.
            to.Write(Layers.Result, new(right.X + 1, zero + (Math.Sign(strength) * ((Plot / 4) + 2))), words + (strength > 0 ? " ↑" : " ↓"),
                Anchor.Left, 1.8);
            return;
        }

        to.Path(Layers.Result, new Stroke(0.35, Dash.Hidden), new(left, zero + offset), new(right.X, zero + offset));
        if (symbol == "φVc")
        {
            to.Path(Layers.Result, new Stroke(0.35, Dash.Hidden), new(left, zero - offset), new(right.X, zero - offset));
        }

        to.Write(Layers.Result, new(right.X + 1, zero + offset - 0.9), words, Anchor.Left, 1.8);
    }

    private static void Point(Canvas to, At at, string text, bool above, Anchor anchor, (double From, double To) within)
    {
        to.Circle(Layers.Result, Stroke.Thin, at, 0.6, Fill.Solid);
        var width = Lettering.Width(text, 1.8);

        // By the edge its value stands towards the middle.
        anchor = anchor == Anchor.Right && at.X - 1 - width < within.From ? Anchor.Left
            : anchor == Anchor.Left && at.X + 1 + width > within.To ? Anchor.Right : anchor;
        var place = at + (anchor == Anchor.Right ? -1 : 1, above ? 1.2 : -3);
        var left = anchor == Anchor.Right ? place.X - width : place.X;
        to.Box(Layers.Result, Stroke.None, new(left - 0.3, place.Y - 0.4), new(left + width + 0.3, place.Y + 2.2), Fill.Paper);
        to.Write(Layers.Result, place, text, anchor, 1.8);
    }
}
