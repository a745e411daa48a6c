using Plinth.Core.Contact;
using Plinth.Core.Schedules;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>A footing seen from above one corner with all its bars, in isometric projection (ISO 5456-3); not to scale.</summary>
public static class BarsView
{
    private static readonly double Cos30 = Math.Sqrt(3) / 2;

    /// <summary>Draws it.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="width">Width of the figure, mm.</param>
    public static Figure Of(DetailModel m, double width = 160)
    {
        ArgumentNullException.ThrowIfNull(m);
        var s = m.State;
        var (x0b, x1b, y0b, y1b) = (s.Body.LowX, s.Body.HighX, s.Body.Low(false), s.Body.High(false));
        var top = Math.Max(s.Columns[0].ColumnFoot - s.Body.Underside, s.Body.Thickness) + 0.15;
        foreach (var role in new[] { BarRole.Dowels, BarRole.Pedestal })
        {
            top = m.Row(role) is { } row ? Math.Max(top, m.FootHeight(row) + row.Group.Shape.A) : top;
        }

        static At Raw(double x, double y, double z) => new((x + y) * Cos30, ((y - x) / 2) + z);
        At[] extremes = [Raw(x0b, y0b, 0), Raw(x1b, y1b, 0), Raw(x1b, y0b, 0), Raw(x0b, y1b, s.Body.Thickness),
            Raw(s.Columns[0].X - (s.Columns[0].Outline.FaceX / 2), s.Columns[0].Y + (s.Columns[0].Outline.FaceY / 2), top)];
        var (x0, x1, y0, y1) = (extremes.Min(e => e.X), extremes.Max(e => e.X), extremes.Min(e => e.Y), extremes.Max(e => e.Y));
        var per = (width - 8) / (x1 - x0);
        At P(double x, double y, double z)
        {
            var r = Raw(x, y, z);
            return new At(4 + ((r.X - x0) * per), 9 + ((r.Y - y0) * per));
        }

        var to = new Canvas();
        if (s.Body.IsPolygon)
        {
            Prism(to, P, [.. s.Body.Outline], s.Body.Thickness);
        }
        else
        {
            Block(to, P, Layers.Footing, 0, 0, s.Body.Length, s.Body.Width, 0, s.Body.Thickness);
        }

        foreach (var (alongX, bottom) in new[] { (true, true), (false, true), (true, false), (false, false) })
        {
            if (m.Row(DetailModel.Role(alongX, bottom)) is not { } row)
            {
                continue;
            }

            var z = m.Height(alongX, bottom);
            var shape = row.Group.Shape;
            var tip = z + ((bottom ? 1 : -1) * shape.A);
            var stroke = new Stroke(bottom ? 0.35 : 0.25);
            foreach (var v in m.Across(alongX, bottom))
            {
                var (half0, half1) = m.Extent(row, alongX, v);
                At Q(double u, double h) => alongX ? P(u, v, h) : P(v, u, h);
                to.Path(Layers.Bar, stroke,
                    shape.Code == "21" ? [Q(half0, tip), Q(half0, z), Q(half1, z), Q(half1, tip)] : [Q(half0, z), Q(half1, z)]);
            }
        }

        if (m.Design.Under(0).Pedestal is { } p)
        {
            var height = s.Columns[0].PedestalHeight;
            if (!p.Round)
            {
                Block(to, P, Layers.Pedestal, s.Columns[0].X, s.Columns[0].Y, p.SizeX, p.SizeY, s.Body.Thickness,
                    s.Body.Thickness + height);
            }

            if (m.Row(BarRole.Ties) is not null)
            {
                var cover = s.Rules.Pedestal.Cover;
                var (tx, ty) = ((p.SizeX / 2) - cover, ((p.Round ? p.SizeX : p.SizeY) / 2) - cover);
                var set = m.PedestalTies()!;
                foreach (var level in set.Levels)
                {
                    var z = s.Body.Thickness + level;
                    foreach (var x in set.AlongY)
                    {
                        to.Path(Layers.Bar, new Stroke(0.2), P(s.Columns[0].X + x, s.Columns[0].Y - ty, z),
                            P(s.Columns[0].X + x, s.Columns[0].Y + ty, z));
                    }

                    foreach (var y in set.AlongX)
                    {
                        to.Path(Layers.Bar, new Stroke(0.2), P(s.Columns[0].X - tx, s.Columns[0].Y + y, z),
                            P(s.Columns[0].X + tx, s.Columns[0].Y + y, z));
                    }

                    to.Area(Layers.Bar, new Stroke(0.2), p.Round
                        ? [.. Enumerable.Range(0, 24)
                            .Select(k => P(s.Columns[0].X + (tx * Math.Cos(k * Math.PI / 12)),
                                s.Columns[0].Y + (tx * Math.Sin(k * Math.PI / 12)), z))]
                        : [P(s.Columns[0].X - tx, s.Columns[0].Y - ty, z), P(s.Columns[0].X + tx, s.Columns[0].Y - ty, z),
                            P(s.Columns[0].X + tx, s.Columns[0].Y + ty, z), P(s.Columns[0].X - tx, s.Columns[0].Y + ty, z)]);
                }
            }
        }

        foreach (var role in new[] { BarRole.Pedestal, BarRole.Dowels })
        {
            if (m.Row(role) is not { } row)
            {
                continue;
            }

            var z = m.FootHeight(row);
            foreach (var bar in m.UprightBars(role))
            {
                // Feet turn outwards, along the side on which the bar stands farther out.
                var length = row.Group.Shape.B;
                var (fx, fy) = Math.Abs(bar.X) >= Math.Abs(bar.Y) ? (Math.Sign(bar.X) * length, 0.0) : (0.0, Math.Sign(bar.Y) * length);
                var (x, y) = (s.Columns[0].X + bar.X, s.Columns[0].Y + bar.Y);
                to.Path(Layers.Bar, new Stroke(0.35), P(x + fx, y + fy, z), P(x, y, z), P(x, y, z + row.Group.Shape.A));
            }
        }

        to.Write(Layers.Note, new(2, 1), "Isometric, not to scale. x runs down to the right, y up to the right.", Anchor.Left, 1.8);
        return new Figure($"{m.Foundation.Mark}: bars", width, 9 + ((y1 - y0) * per) + 5, null, to.Items);
    }

    private static void Prism(Canvas to, Func<double, double, double, At> p, PlanPoint[] outline, double height)
    {
        var n = outline.Length;
        bool Seen(int i)
        {
            var (a, b) = (outline[i % n], outline[(i + 1) % n]);
            return (b.Y - a.Y) + (b.X - a.X) > 1e-9;
        }

        for (var i = 0; i < n; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % n]);
            to.Path(Layers.Footing, Seen(i) ? Stroke.Edge : Stroke.Hidden, p(a.X, a.Y, 0), p(b.X, b.Y, 0));
            to.Path(Layers.Footing, Seen(i) || Seen(i + n - 1) ? Stroke.Edge : Stroke.Hidden, p(a.X, a.Y, 0), p(a.X, a.Y, height));
        }

        to.Area(Layers.Footing, Stroke.Edge, [.. outline.Select(c => p(c.X, c.Y, height))]);
    }

    private static void Block(Canvas to, Func<double, double, double, At> p, string layer, double x, double y, double length, double width,
        double low, double high)
    {
        var (a, b, c, d) = (x - (length / 2), x + (length / 2), y - (width / 2), y + (width / 2));
        to.Path(layer, Stroke.Hidden, p(a, d, high), p(a, d, low), p(b, d, low));
        to.Path(layer, Stroke.Hidden, p(a, d, low), p(a, c, low));
        to.Area(layer, Stroke.Edge, [p(a, c, high), p(b, c, high), p(b, d, high), p(a, d, high)]);
        to.Path(layer, Stroke.Edge, p(a, c, high), p(a, c, low), p(b, c, low), p(b, d, low), p(b, d, high));
        to.Path(layer, Stroke.Edge, p(b, c, high), p(b, c, low));
    }
}
