using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// Pressure and settlement along a base that bends on ground springs, with their values at its columns and where they are most.
/// </summary>
internal static class SpringProfile
{
    /// <summary>Height that both need, mm.</summary>
    public const double Height = 56;

    private const double Tall = 13;
    private const double Apart = 25;

    /// <summary>Draws both, pressure above, each downwards from its own line.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="f">Its contact.</param>
    /// <param name="at">Where a point along it lies on the sheet, mm.</param>
    /// <param name="top">The line of the pressure, mm.</param>
    public static void Draw(Canvas to, Trial s, ContactFigure f, Func<double, double> at, double top)
    {
        Curve(to, s, f, at, top, "p", Unit.Pressure, p => p.High);
        Curve(to, s, f, at, top - Apart, s.Bodies[0].Bed is { Grounds.Count: > 1 } ? "w" : "s", Unit.Settlement, p => p.Settles);
    }

    private static void Curve(Canvas to, Trial s, ContactFigure f, Func<double, double> at, double line, string name, Unit unit,
        Func<(double X, double High, double Low, double Settles), double> of)
    {
        var most = f.Profile.Max(of);
        var per = most > 0 ? Tall / most : 0;
        var (low, high) = (f.Profile[0].X, f.Profile[^1].X);
        to.Area(Layers.Result, Stroke.Thin,
            [new(at(low), line), .. f.Profile.Select(p => new At(at(p.X), line - (per * of(p)))), new(at(high), line)], Fill.Light);
        to.Path(Layers.Result, Stroke.Edge, new At(at(low), line), new At(at(high), line));
        to.Write(Layers.Result, new(at(low) - 2, line - 1), $"{name} {unit.Symbol(s.Units)}", Anchor.Right);

        // At both ends; of its columns a value that would lie on one before it is left out, as they stand close on short bases.
        var taken = new List<double>();
        foreach (var x in (double[])[low, high, .. s.Columns.ToArray().Select(c => c.X).Order()])
        {
            var there = f.Profile.MinBy(p => Math.Abs(p.X - x));
            if (taken.Exists(t => Math.Abs(at(x) - t) < 12))
            {
                continue;
            }

            taken.Add(at(x));
            to.Write(Layers.Result, new(at(x), line - (per * of(there)) - 3.4), unit.Format(of(there), s.Units), Anchor.Middle,
                Canvas.Text, of(there) >= most * (1 - 1e-6));
        }

        var deepest = f.Profile.MaxBy(of);
        to.Write(Layers.Result, new(at(high), line + 2.2), $"most {unit.FormatWithSymbol(most, s.Units)} at x "
            + Canvas.Signed(Unit.Length, deepest.X, s.Units), Anchor.Right, 1.8);
    }
}
