using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>The contact pressure under a base: bands, corner values, zero line, resultant.</summary>
public static class PressureView
{
    // A narrow figure leaves the key of the bands away: its corners say the same.
    private const double Narrow = 100;
    private const double NarrowBase = 34;
    private const double Below = 34;
    private const double Above = 7;

    // Light to dark; every band is also named by its limits.
    private static readonly int[] Bands = [0xEEF4FA, 0xD5E5F3, 0xB4D0E9, 0x8DB7DC, 0x659BCB, 0x3F7DB5];

    /// <summary>Draws it.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="width">Width of the figure, mm.</param>
    /// <param name="height">Greatest height of the figure, mm.</param>
    public static Figure Of(string mark, Trial s, int k, double width = 120, double height = 130)
    {
        ArgumentNullException.ThrowIfNull(s);
        var units = s.Units;
        var f = ContactFigure.Of(s.Body, k);
        var (left, right) = width < Narrow ? (18.0, 8.0) : (26, 24);
        var scale = Canvas.Fit(units, (s.Body.Length, width - left - right), (BaseView.Widest(s), height - Above - Below));
        var per = 1000 / scale.Ratio;

        // The scale of colours may be higher than a narrow base.
        var below = Below + (f.Profile.Count > 0 ? SpringProfile.Height : 0);
        var tall = Math.Max((BaseView.Widest(s) * per) + Above, width >= Narrow ? (Bands.Length * 5) + 2 : 0) + below;
        var view = new BaseView(s, scale,
            new At(left + ((width - left - right) / 2) - ((s.Body.LowX + s.Body.HighX) / 2 * per), below + (BaseView.Widest(s) * per / 2)));
        var to = new Canvas();
        string P(double v) => Unit.Pressure.FormatWithSymbol(v, units);
        if (f.State != ContactState.NoEquilibrium && f.Most > 0)
        {
            for (var i = 0; i < Bands.Length; i++)
            {
                foreach (var piece in f.Pieces)
                {
                    var part = ContactFigure.Between(piece, f.Most * i / Bands.Length,
                        f.Most * (i + 1) / Bands.Length * (i + 1 == Bands.Length ? 1 + 1e-9 : 1));
                    if (part.Count > 2)
                    {
                        to.Area(Layers.Result, Stroke.None, [.. part.Select(view.At)], Fill.None, Bands[i]);
                    }
                }

                if (width >= Narrow)
                {
                    var at = new At(width - right + 7, view.Low.Y + (i * 5));
                    to.Box(Layers.Result, Stroke.Fine, at, at + (4, 5), Fill.None, Bands[i]);
                    to.Write(Layers.Result, at + (5, 4.1), Unit.Pressure.Format(f.Most * (i + 1) / Bands.Length, units), Anchor.Left, 1.8);
                }
            }

            if (width >= Narrow)
            {
                to.Write(Layers.Result, new(width - right + 12, view.Low.Y - 0.9), "0 " + Unit.Pressure.Symbol(units), Anchor.Left, 1.8);
            }
        }

        view.Outline(to);
        view.Standing(to);
        if (f.ZeroLine.Count == 2)
        {
            to.Path(Layers.Result, new Stroke(0.35, Dash.Chain), view.At(f.ZeroLine[0]), view.At(f.ZeroLine[1]));
        }

        if (s.Body.Parts.Length > 0)
        {
            Corners(to, s, f, view);
        }

        for (var i = 0; i < f.Corners.Count && s.Body.Parts.Length == 0; i++)
        {
            var (onRight, top) = (i is 1 or 2, i >= 2);

            // Flush with the corners; on a small base outwards from its middle, so that none lies on another.
            var small = view.High.X - view.Low.X < NarrowBase;
            var corner = view.At(s.Body.Outline[i]);
            var at = new At(small ? view.Centre.X + (onRight ? 0.8 : -0.8) : onRight ? view.High.X : view.Low.X,
                top ? corner.Y + 1.5 : corner.Y - 3.6);
            to.Write(Layers.Result, at, P(f.Corners[i]), onRight == small ? Anchor.Left : Anchor.Right, Canvas.Text,
                f.Corners[i] >= f.Most * (1 - 1e-9));
        }

        if (f.Peak is { } peak && f.Corners.All(c => c < f.Most * (1 - 1e-9)))
        {
            // Where it is highest, outside the edge; near a corner a line farther out than that one's value.
            var (top, text, at) = (peak.Y > 0, P(f.Most), view.At(peak));
            var half = Lettering.Width(text, Canvas.Text, true) / 2;
            var near = s.Body.Parts.Length == 0 && Math.Min(at.X - view.Low.X, view.High.X - at.X) < 3 * half;
            to.Write(Layers.Result, at + (0, (top ? 1.5 : -3.6) + (near ? top ? Canvas.Line : -Canvas.Line : 0)), text, Anchor.Middle,
                Canvas.Text, true);
        }

        var within = f.N > 0 && Math.Abs(f.Resultant.X) <= s.Body.Length && Math.Abs(f.Resultant.Y) <= BaseView.Widest(s);
        if (within && f.State != ContactState.NoEquilibrium)
        {
            var at = view.At(f.Resultant);
            to.Circle(Layers.Result, Stroke.Thin, at, 1.3, Fill.Paper);
            to.Path(Layers.Result, Stroke.Thin, at + (-2.2, 0), at + (2.2, 0));
            to.Path(Layers.Result, Stroke.Thin, at + (0, -2.2), at + (0, 2.2));
        }

        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 10, Canvas.Length(s.Body.Length, units));
        to.Measure(new(view.Low.X, view.At(0, -s.Body.LowWidth / 2).Y), new(view.Low.X, view.At(0, s.Body.LowWidth / 2).Y), true,
            view.Low.X - 6, Canvas.Length(s.Body.LowWidth, units));
        if (!s.Body.IsRectangle && !(s.Body.Parts.Length > 0 && s.Body.HighWidth == s.Body.LowWidth))
        {
            to.Measure(new(view.High.X, view.At(0, -s.Body.HighWidth / 2).Y), new(view.High.X, view.At(0, s.Body.HighWidth / 2).Y), true,
                view.High.X + 6, Canvas.Length(s.Body.HighWidth, units));
        }

        BaseView.Axes(to, new At(4, view.Low.Y - 10));
        if (f.Profile.Count > 0)
        {
            SpringProfile.Draw(to, s, f, x => view.At(new Core.Contact.PlanPoint(x, 0)).X, Below + SpringProfile.Height - 18);
        }

        string[] lines = f.State == ContactState.NoEquilibrium
            ? [$"{s.Combinations[k].Name}: ΣN {Unit.Force.FormatWithSymbol(f.N, units)}: no equilibrium, the base tips or lifts"]
            :
            [
                $"{s.Named(k)}: ΣN "
                    + $"{Unit.Force.FormatWithSymbol(f.N, units)} (⊕) at x {Canvas.Signed(Unit.Length, f.Resultant.X, units)}, y "
                    + $"{Canvas.Signed(Unit.Length, f.Resultant.Y, units)}",
                $"highest {P(f.Most)}; {string.Create(CultureInfo.InvariantCulture, $"{Math.Floor(f.Share * 1000) / 10:0.#}")} % of the "
                    + $"base in contact{(f.ZeroLine.Count == 2 ? "; chain line: zero pressure" : "")}"
                    + $"{(f.Water > 0 ? $"; water's {P(f.Water)} apart" : "")}",
                s.Combinations[k].Rule,
            ];
        for (var i = 0; i < lines.Length; i++)
        {
            to.Write(Layers.Note, new(2, Below - 20 - (i * Canvas.Line)), lines[i], Anchor.Left,
                Drawings.Layout.Fitted(lines[i], Canvas.Text, width - 4));
        }

        return new Figure($"{mark}: contact pressure", width, tall, scale, to.Items);
    }

    // Of several bases each has its corners' values outside its own ends, which stand apart.
    private static void Corners(Canvas to, Trial s, ContactFigure f, BaseView view)
    {
        foreach (var outline in BaseView.Outlines(s))
        {
            // On a small one outwards from its middle, so that none lies on another.
            var small = view.At(outline[1]).X - view.At(outline[0]).X < NarrowBase;
            var middle = (view.At(outline[0]).X + view.At(outline[1]).X) / 2;
            foreach (var (c, i) in outline.Select((c, i) => (c, i)))
            {
                var value = f.State == ContactState.NoEquilibrium ? 0 : f.Field.At(c.X, c.Y);
                var (onRight, top) = (i is 1 or 2, i >= 2);
                var at = new At(small ? middle + (onRight ? 0.8 : -0.8) : view.At(c).X, view.At(c).Y + (top ? 1.5 : -3.6));
                to.Write(Layers.Result, at, Unit.Pressure.FormatWithSymbol(value, s.Units), onRight == small ? Anchor.Left : Anchor.Right,
                    Canvas.Text, value >= f.Most * (1 - 1e-9));
            }
        }
    }
}
