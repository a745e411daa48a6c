using Plinth.Core.Bodies;

namespace Plinth.Core.Checks.OfConcrete;

/// <content>Which forms there are, and how far each may lie from the column.</content>
internal sealed partial class PerimeterSet
{
    // Each form's length grows in proportion to the distance, so that one is shorter than another from one distance on.
    private void FindForms(PunchedArea s, double farthest)
    {
        forms.Clear();
        var (c, e) = (column, edges);
        var room = (X0: c.X - c.HalfX - e.X0, X1: e.X1 - c.X - c.HalfX);
        var (middleX, middleY) = ((e.X0 + e.X1) / 2, (e.Y0 + e.Y1) / 2);
        for (var open = 0; open <= 2; open++)
        {
            var before = forms.Count;
            for (var i = 0; i < 9; i++)
            {
                var (ox, oy) = ((i / 3) - 1, (i % 3) - 1);
                if (Math.Abs(ox) + Math.Abs(oy) != open || (ox != 0 && ox * (c.X - middleX) <= Nearer)
                    || (oy != 0 && oy * (c.Y - middleY) <= Nearer))
                {
                    continue;
                }

                var fits = Math.Min(
                    Math.Min(ox < 0 ? double.PositiveInfinity : room.X0, ox > 0 ? double.PositiveInfinity : room.X1),
                    Math.Min(oy < 0 ? double.PositiveInfinity : ToSide(s.Body, ox, -1),
                        oy > 0 ? double.PositiveInfinity : ToSide(s.Body, ox, 1)));
                var high = Math.Min(farthest, Math.Min(fits, ToOthers(s, ox, oy)));
                var low = 0.0;
                for (var j = 0; j < before; j++)
                {
                    low = Math.Max(low, ShorterFrom(ox, oy, forms[j]));
                }

                if (high > low + Slack)
                {
                    forms.Add(new PerimeterForm(ox, oy, low, high, fits - s.Rules.Concrete.CoverSide - Reach));
                }
            }
        }
    }

    // The edges to which open forms run: of a trapezoid those of the rectangle as wide as it is where it is narrowest within reach, which
    // is shorter and encloses less that pushes.
    private static (double X0, double X1, double Y0, double Y1) Edges(PunchedArea s, double reach)
    {
        var b = s.Body;
        if (b.IsRectangle)
        {
            return (b.LowX, b.HighX, b.LowY, b.HighY);
        }

        var narrow = Math.Min(b.WidthAt(Math.Max(b.LowX, s.X - (s.SideX / 2) - reach)),
            b.WidthAt(Math.Min(b.HighX, s.X + (s.SideX / 2) + reach))) / 2;
        return (b.LowX, b.HighX, -narrow, narrow);
    }

    // How far a form may lie from the column within a long side of the base: what keeps so far off all round lies within a slanted one as
    // long as that stands no nearer; a form that is open to the narrow end is square there.
    private double ToSide(GroundBody body, int openX, int side)
    {
        var (c, slope) = (column, (body.HighWidth - body.LowWidth) / (2 * body.Length));
        var narrow = slope > 0 ? -1 : 1;
        double Off(double x, double half) => (body.WidthAt(x) / 2) - (side * c.Y) - half;
        return slope == 0 ? Off(c.X, c.HalfY)
            : openX == narrow ? Off(narrow < 0 ? body.LowX : body.HighX, c.HalfY)
            : round ? (Off(c.X, 0) / Math.Sqrt(1 + (slope * slope))) - c.HalfX
            : Off(c.X + (narrow * c.HalfX), c.HalfY) / Math.Sqrt(1 + (slope * slope));
    }

    // How far a form may lie from the column until it reaches one that stands beside it, whose force it would then enclose in part.
    private double ToOthers(PunchedArea s, int openX, int openY)
    {
        var free = double.PositiveInfinity;
        var (c, e) = (column, edges);
        var (x0, x1) = (openX < 0 ? e.X0 : c.X - c.HalfX, openX > 0 ? e.X1 : c.X + c.HalfX);
        var (y0, y1) = (openY < 0 ? e.Y0 : c.Y - c.HalfY, openY > 0 ? e.Y1 : c.Y + c.HalfY);
        foreach (var other in s.Body.Columns)
        {
            if (other.IsHere && !IsAmong(s.Columns, other))
            {
                var (gapX, gapY) = (Math.Max(x0 - other.Face(true, 1), other.Face(true, -1) - x1),
                    Math.Max(y0 - other.Face(false, 1), other.Face(false, -1) - y1));
                free = Math.Min(free, gapX > 0 && gapY > 0 ? Math.Sqrt((gapX * gapX) + (gapY * gapY)) : Math.Max(0, Math.Max(gapX, gapY)));
            }
        }

        return free;
    }

    private static bool IsAmong(ReadOnlySpan<Standing> columns, Standing other)
    {
        foreach (var c in columns)
        {
            if (c == other)
            {
                return true;
            }
        }

        return false;
    }

    // From which distance on a form is shorter than another with fewer open sides, or that one no longer fits.
    private double ShorterFrom(int openX, int openY, in PerimeterForm other)
    {
        var (near, far) = (new ShearPerimeter(0, column, round, openX, openY, edges),
            new ShearPerimeter(1, column, round, openX, openY, edges));
        var (otherNear, otherFar) = (new ShearPerimeter(0, column, round, other.OpenX, other.OpenY, edges),
            new ShearPerimeter(1, column, round, other.OpenX, other.OpenY, edges));
        var (more, slower) = (near.Length - otherNear.Length, otherFar.Length - otherNear.Length - (far.Length - near.Length));
        var from = more <= 0 ? 0 : slower > 0 ? more / slower : double.PositiveInfinity;
        return Math.Min(from, other.High);
    }
}
