using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The free body of a base under several columns: what presses on it above, what the ground pushes below, every force with its value and
/// place.
/// </summary>
internal sealed class FreeBodyView
{
    private const double Letters = 1.8;
    private const double Row = 2.6;
    private const double Arrow = 8;
    private const double Stub = 4;
    private const double Slab = 4;
    private const double Push = 14;

    // A label of a column: its name, its force, its moment.
    private const double Label = 3 * Row;
    private const double Apart = 1.5;

    // Below the push: its values at the ends, its resultant.
    private const double Below = 12;

    // A sum that closes but for rounding, kN or kNm; a foot, m.
    private const double Nil = 1e-6;
    private const double Feet = 0.3048;

    private readonly Trial s;
    private readonly SpanDiagram d;
    private readonly Func<double, double> x;
    private readonly List<(double At, IReadOnlyList<string> Lines, int Level, bool Up)> labels = [];

    /// <summary>Prepares it.</summary>
    /// <param name="s">The base, its design set.</param>
    /// <param name="d">Its forces.</param>
    /// <param name="x">Where a place along the base lies on the figure, mm.</param>
    public FreeBodyView(Trial s, SpanDiagram d, Func<double, double> x)
    {
        (this.s, this.d, this.x) = (s, d, x);
        var ends = new List<double>();
        foreach (var f in d.Body.Where(f => f.Kind is BodyForceKind.Column or BodyForceKind.Beside).OrderBy(f => f.At))
        {
            IReadOnlyList<string> lines = [f.Kind == BodyForceKind.Column ? f.Words : "beside", Canvas.Signed(Unit.Force, f.Force, s.Units),
                f.Turns == 0 ? "" : Canvas.Signed(Unit.Moment, f.Turns, s.Units)];
            var half = lines.Max(l => Lettering.Width(l, Letters)) / 2;
            var level = ends.FindIndex(e => x(f.At) - half > e + Apart);
            if (level < 0)
            {
                level = ends.Count;
                ends.Add(0);
            }

            ends[level] = x(f.At) + half;
            labels.Add((f.At, lines, level, f.Force < 0));
        }

        Height = ((ends.Count - 1) * (Label + 1)) + Label + Arrow + Stub + Slab + Push + Below;
    }

    /// <summary>How tall it is, mm.</summary>
    public double Height { get; }

    /// <summary>Draws it, its top at a height.</summary>
    public void Draw(Canvas to, double top)
    {
        var units = s.Units;
        var under = top - Height + Below + Push;
        var (low, high) = (x(s.Body.LowX), x(s.Body.HighX));
        if (s.BeamFigure is { } beam)
        {
            to.Box(Layers.Footing, Stroke.Edge, new(x(beam.From), under + (s.Body.Parts.Length > 0 ? Slab / 3 : 0)),
                new(x(beam.To), under + Slab), Fill.Light);
            if (s.Body.Parts.Length == 0)
            {
                to.Path(Layers.Footing, Stroke.Fine, new(x(beam.From), under + (Slab / 2)), new(x(beam.To), under + (Slab / 2)));
            }

            foreach (var p in s.Body.Parts)
            {
                to.Box(Layers.Footing, Stroke.Edge, new(x(p.Middle + p.LowX), under),
                    new(x(p.Middle + p.HighX), under + (Slab * 0.75)), Fill.Light);
            }
        }
        else
        {
            to.Box(Layers.Footing, Stroke.Edge, new(low, under), new(high, under + Slab), Fill.Light);
        }

        foreach (var c in d.Columns)
        {
            to.Box(Layers.Column, Stroke.Thin, new(x(c.Low), under + Slab), new(x(c.High), under + Slab + Stub), Fill.Light);
        }

        var foot = under + Slab + Stub;
        foreach (var (at, lines, level, up) in labels)
        {
            var from = foot + Arrow + (level * (Label + 1));
            Arrowed(to, new(x(at), up ? foot : from - 0.6), new(x(at), up ? from - 0.6 : foot));
            for (var i = 0; i < lines.Count; i++)
            {
                to.Write(Layers.Note, new(x(at), from + ((lines.Count - 1 - i) * Row)), lines[i], Anchor.Middle, Letters, i == 0);
            }
        }

        Ground(to, under);

        // What is even over the base stands beside it: what presses above the underside, the water below.
        var y = foot + Arrow;
        foreach (var f in d.Body.Where(f => f.Kind is BodyForceKind.Weights or BodyForceKind.Upright or BodyForceKind.Rising)
            .GroupBy(f => f.Kind)
            .Select(g => g.First() with { Force = g.Sum(f => f.Force) }))
        {
            Named(to, new(high + 1, y),
                f.Kind switch { BodyForceKind.Weights => "weights", BodyForceKind.Upright => "uprights", _ => "soil beside" }, f.Force);
            y -= (2 * Row) + 0.8;
        }

        foreach (var f in d.Body.Where(f => f.Kind == BodyForceKind.Water)
            .GroupBy(f => f.Kind)
            .Select(g => g.First() with { Force = g.Sum(f => f.Force) }))
        {
            Named(to, new(high + 1, under - Push), "water", f.Force);
        }

        // The centroid, where no column hides it.
        if (!d.Columns.Any(c => x(c.Low) < x(0) + 4 && x(c.High) > x(0) - 4))
        {
            to.Path(Layers.Result, new Stroke(0.18, Dash.Chain), new(x(0), under - 0.5), new(x(0), under + Slab + 1.2));
            to.Write(Layers.Note, new(x(0), under + Slab + 1.8), "x = 0", Anchor.Middle, Letters);
        }
    }

    private void Named(Canvas to, At at, string words, double force)
    {
        to.Write(Layers.Note, at, words, Anchor.Left, Letters);
        to.Write(Layers.Note, at + (0, -Row), Canvas.Signed(Unit.Force, force, s.Units), Anchor.Left, Letters);
    }

    // Push of the ground on each metre, with its values at the ends, its resultant where it acts.
    private void Ground(Canvas to, double under)
    {
        var most = d.Points.Max(p => p.Push);
        if (most <= 0)
        {
            return;
        }

        var scale = (Push - 2) / most;
        double Y(double push) => under - 1 - (push * scale);
        var (first, last) = (d.Points[0], d.Points[^1]);
        to.Area(Layers.Result, Stroke.Thin,
            [new(x(first.At), Y(0)), .. d.Points.Select(p => new At(x(p.At), Y(p.Push))), new(x(last.At), Y(0))], Fill.Light);
        string Line(double push) => Unit.LineLoad.FormatWithSymbol(push, s.Units);
        foreach (var (from, till) in Pushed(first, last))
        {
            to.Write(Layers.Result, new(x(from.At), Y(from.Push) - Row), Line(from.Push), Anchor.Left, Letters);
            to.Write(Layers.Result, new(x(till.At), Y(till.Push) - Row), Line(till.Push), Anchor.Right, Letters);
        }

        foreach (var ground in d.Body.Where(f => f.Kind == BodyForceKind.Ground))
        {
            Arrowed(to, new(x(ground.At), under - Push - 7), new(x(ground.At), under - 1));
            to.Write(Layers.Result, new(x(ground.At) + 1.5, under - Push - 7), "ground " + Canvas.Signed(Unit.Force, ground.Force, s.Units),
                Anchor.Left, Letters, true);
        }
    }

    // From end to end, of several bases each.
    private IEnumerable<(SpanPoint From, SpanPoint To)> Pushed(SpanPoint first, SpanPoint last)
    {
        if (s.Body.Parts.Length == 0)
        {
            return [(first, last)];
        }

        const double near = 1e-6;
        return s.Body.Parts.ToArray().Select(p => (Low: p.Middle + p.LowX, High: p.Middle + p.HighX))
            .Select(p => (d.Points.First(q => q.At > p.Low - near && q.Breadth > 0),
                d.Points.Last(q => q.At < p.High + near && q.Breadth > 0)));
    }

    private static void Arrowed(Canvas to, At from, At head)
    {
        var side = head.Y > from.Y ? -1 : 1;
        to.Path(Layers.Result, Stroke.Thin, from, head);
        to.Area(Layers.Result, Stroke.None, [head, head + (-0.8, side * 2.2), head + (0.8, side * 2.2)], Fill.Solid);
    }

    /// <summary>Heads and rows of the table of all forces.</summary>
    public (IReadOnlyList<string> Heads, IReadOnlyList<IReadOnlyList<string>> Rows) Table()
    {
        var units = s.Units;
        string Force(double v) => Unit.Force.Format(v, units);
        string Moment(double v) => Unit.Moment.Format(v, units);
        string At(double metres) => (metres / (units == UnitSystem.Us ? Feet : 1)).ToString("0.000", CultureInfo.InvariantCulture);
        double Closed(Func<BodyForce, double> of) => d.Body.Sum(of) is var sum && Math.Abs(sum) < Nil ? 0 : sum;
        var rows = d.Body.Select(f => (IReadOnlyList<string>)[f.Words, Force(f.Force), At(f.At), Moment(f.Turns), Moment(f.Moment)])
            .ToList();
        rows.Add(["sum", Force(Closed(f => f.Force)), "", "", Moment(Closed(f => f.Moment))]);
        return (["force", $"down {Unit.Force.Symbol(units)}", $"x {Unit.Length.Symbol(units)}", $"own M {Unit.Moment.Symbol(units)}",
            $"M about x = 0 {Unit.Moment.Symbol(units)}"], rows);
    }
}
