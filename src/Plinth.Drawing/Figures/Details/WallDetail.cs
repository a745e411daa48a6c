using Plinth.Core.Buildings;
using Plinth.Core.Figures;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// A wall's footing cut across: the base with its bars, the wall with its starters, upright and level bars, the soil on both sides, levels.
/// </summary>
public static class WallDetail
{
    private const double Left = 44;
    private const double Right = 46;
    private const double Below = 25;
    private const double Above = 6;

    // How much of a wall whose height is not stated is shown, m.
    private const double Stub = 0.6;

    /// <summary>The scale at which it fits in a room.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="width">Width of the room, mm.</param>
    /// <param name="height">Height of the room, mm.</param>
    public static DrawingScale Scale(DetailModel m, double width, double height)
    {
        ArgumentNullException.ThrowIfNull(m);
        return Canvas.Fit(m.Units, (m.State.Body.Width, width - Left - Right), (Height(m), height - Below - Above));
    }

    // From the underside of the blinding to the top of what is shown, m.
    private static double Height(DetailModel m)
    {
        var w = m.State.WallFigure!;
        return m.State.Rules.Concrete.Blinding + Math.Max(Math.Max(Top(m, w), w.Behind), w.Before);
    }

    private static double Top(DetailModel m, WallFigure w) => w.Top ?? (Math.Max(m.State.Body.Thickness, w.Behind) + Stub);

    /// <summary>Draws it at a scale.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Of(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete, w) = (m.State, m.Units, m.State.Rules.Concrete, m.State.WallFigure!);
        var per = 1000 / scale.Ratio;
        var (lowest, highest, base0) = (s.Body.LowY, s.Body.HighY, s.Body.Thickness);
        At P(double u, double z) => new(Left + ((u - lowest) * per), Below + ((z + concrete.Blinding) * per));
        string L(double v) => Canvas.Length(v, units);
        string S(double v) => Dimension.Section(v, units);
        var (to, calls) = (new Canvas(), new List<(At From, string Text)>());
        if (concrete.Blinding > 0)
        {
            to.Box(Layers.Ground, Stroke.Fine, P(lowest - concrete.BlindingBeyond, -concrete.Blinding),
                P(highest + concrete.BlindingBeyond, 0), Fill.Hatch);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(lowest, 0), P(highest, base0), Fill.Light);
        var (low, high, top) = (w.At - (w.Thickness / 2), w.At + (w.Thickness / 2), Top(m, w));
        if (w.Top is not null)
        {
            to.Box(Layers.Column, Stroke.Edge, P(low, base0), P(high, top), Fill.Light);
        }
        else
        {
            var (a, b, mid) = (P(low, top), P(high, top), P(w.At, top));
            to.Path(Layers.Column, Stroke.Edge, a, P(low, base0), P(high, base0), b);
            to.Path(Layers.Column, Stroke.Fine, a + (-2, 0), mid + (-1.2, 0), mid + (-0.5, 1.6), mid + (0.5, -1.6), mid + (1.2, 0),
                b + (2, 0));
        }

        Soil(to, m, w, P, (lowest, low, high, highest));
        DetailSection.Mats(to, m, false, s.Body.Width, per, P, calls);
        Bars(to, m, w, P, per, calls);
        DetailSection.Calls(to, calls, P(highest, 0).X);
        Levels(to, m, w, P, lowest);
        var edge = P(lowest, 0);
        to.Measure(edge, P(lowest, base0), true, edge.X - 8, L(base0));
        if (w.Top is not null)
        {
            to.Measure(P(lowest, base0), P(lowest, top), true, edge.X - 8, L(top - base0));
        }

        var beneath = P(0, -concrete.Blinding).Y;
        foreach (var (from, till) in new[] { (lowest, low), (low, high), (high, highest) })
        {
            if (till - from > 1e-6)
            {
                to.Measure(new(P(from, 0).X, beneath), new(P(till, 0).X, beneath), false, beneath - 4, L(till - from));
            }
        }

        to.Measure(new(edge.X, beneath), new(P(highest, 0).X, beneath), false, beneath - 9.5, L(s.Body.Width));
        var width = Left + Right + (s.Body.Width * per);
        var stem = m.Foundation.Wall.Stem;
        string[] notes =
        [
            $"Cover: bottom {S(concrete.CoverBottom)}, sides {S(concrete.CoverSide)}, top {S(concrete.CoverTop)}"
                + (w.Uprights.Count > 0 ? $", wall {S(stem?.Cover ?? concrete.CoverSide)} to the upright bars" : "") + ".",
            (concrete.Blinding > 0 ? $"{S(concrete.Blinding)} {Wording.Blinding(units)}. " : "")
                + Drawings.PlanNotes.Materials(m.Project, m.Foundation),
        ];
        for (var i = 0; i < notes.Length; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((notes.Length - 1 - i) * Canvas.Line)), notes[i], Anchor.Left,
                Drawings.Layout.Fitted(notes[i], Canvas.Text, width - 4));
        }

        return new Figure($"{m.Foundation.Mark}: section B–B", width, Below + Above + (Height(m) * per), scale, to.Items);
    }

    // The ground on both sides, and the water behind the wall.
    private static void Soil(Canvas to, DetailModel m, WallFigure w, Func<double, double, At> p,
        (double Lowest, double Low, double High, double Highest) at)
    {
        var (left, right) = w.SoilSide < 0 ? (w.Behind, w.Before) : (w.Before, w.Behind);
        var stroke = new Stroke(0.35, Dash.Chain);
        foreach (var (z, from, till) in new[] { (left, at.Lowest, at.Low), (right, at.High, at.Highest) })
        {
            if (z > m.State.Body.Thickness + 1e-6 && till - from > 1e-6)
            {
                to.Path(Layers.Ground, stroke, p(from, z), p(till, z));
            }
        }

        if (w.SoilSide != 0)
        {
            var soil = m.Foundation.Wall.Retained!;
            var (from, till) = w.SoilSide > 0 ? (at.High, at.Highest) : (at.Lowest, at.Low);
            var mid = p((from + till) / 2, w.Behind - ((w.Behind - m.State.Body.Thickness) / 3));
            string[] words = ["retained soil", $"φ {soil.FrictionAngle:0.#}°, {(soil.AtRest ? "at rest" : "active")}"];
            for (var i = 0; i < words.Length; i++)
            {
                to.Write(Layers.Ground, mid + (0, -i * Canvas.Line), words[i], Anchor.Middle, 1.8);
            }

            if (w.Water is { } water)
            {
                to.Path(Layers.Ground, new Stroke(0.25, Dash.Hidden), p(from, water), p(till, water));
                var mark = p(from + ((till - from) * 0.8), water);
                to.Area(Layers.Ground, Stroke.Fine, [mark, mark + (-1.3, 2), mark + (1.3, 2)], Fill.Paper);
            }

            if (soil.Surcharge > 0)
            {
                var q = p((from + till) / 2, w.Behind) + (0, 1.2);
                to.Write(Layers.Ground, q, Unit.Pressure.FormatWithSymbol(soil.Surcharge, m.Units), Anchor.Middle, 1.8);
            }
        }
    }

    private static void Bars(Canvas to, DetailModel m, WallFigure w, Func<double, double, At> p, double per, List<(At, string)> calls)
    {
        var s = m.State;
        var (cover, lowest, highest) = (s.Rules.Concrete.CoverSide, s.Body.LowY, s.Body.HighY);
        var outwards = w.SoilSide == 0 ? 1 : w.SoilSide;
        foreach (var (at, atSoil) in w.Uprights)
        {
            var own = m.Rows.Where(r => r.Group.Where.Length == 0 || (r.Group.Where == "at the soil's face") == atSoil).ToList();
            if (own.Find(r => r.Group.Role == BarRole.Starters) is not { } starter)
            {
                continue;
            }

            // The pull of the bars at the soil's face turns round into the toe's bottom, that of the others into the heel's.
            var way = atSoil ? -outwards : outwards;
            var (z, foot) = (m.FootHeight(starter), starter.Group.Shape.B - (starter.Group.Size.Diameter / 2));
            way = DetailSection.FootWay(at, foot, way, (lowest + cover, highest - cover));
            to.Path(Layers.Bar, Stroke.Bar, p(at + (way * foot), z), p(at, z), p(at, w.StarterTop));
            calls.Add((p(at, w.StarterTop - (atSoil ? 0.05 : 0.15)), m.Call(starter)));
            if (own.Find(r => r.Group.Role == BarRole.WallUpright) is { } upright && w.Top is { } top)
            {
                // Beside its starter, drawn so that both are seen.
                var beside = at + (Math.Sign(w.At - at) * upright.Group.Size.Diameter);
                to.Path(Layers.Bar, new Stroke(0.35), p(beside, s.Body.Thickness + 0.005),
                    p(beside, top - (s.Rules.Concrete.CoverSide / 2)));
                calls.Add((p(beside, w.StarterTop + ((top - w.StarterTop) * (atSoil ? 0.45 : 0.3))), m.Call(upright)));
            }
        }

        if (m.Row(BarRole.WallLevel) is { } level && w.Levels.Count > 0)
        {
            foreach (var (at, up) in w.Levels)
            {
                to.Circle(Layers.Bar, Stroke.None, p(at, up), Math.Max(level.Group.Size.Diameter / 2 * per, 0.35), Fill.Solid);
            }

            var last = w.Levels.Where(l => l.Up < w.Levels.Max(o => o.Up) - 1e-6).DefaultIfEmpty(w.Levels[^1]).MaxBy(l => (l.Up, l.At));
            calls.Add((p(last.At, last.Up), m.Call(level)));
        }
    }

    private static void Levels(Canvas to, DetailModel m, WallFigure w, Func<double, double, At> p, double lowest)
    {
        var (s, units) = (m.State, m.Units);
        var zero = s.Body.Underside;
        List<(double Level, string Name)> levels =
        [
            (zero, Wording.Underside(units)), (zero + s.Body.Thickness, units == UnitSystem.Us ? "top of footing" : "top of base"),
        ];
        if (w.Top is { } top)
        {
            levels.Add((zero + top, "top of wall"));
        }

        void Add(double z, string name)
        {
            if (levels.TrueForAll(l => Math.Abs(l.Level - zero - z) > 1e-6))
            {
                levels.Add((zero + z, name));
            }
        }

        Add(w.Before, w.SoilSide == 0 ? "ground" : "ground in front");
        if (w.SoilSide != 0)
        {
            Add(w.Behind, "retained soil");
        }

        if (w.Water is { } water)
        {
            Add(water, "water");
        }

        var x = p(lowest, 0).X - 14;
        var y = double.NegativeInfinity;
        foreach (var (level, name) in levels.OrderBy(l => l.Level))
        {
            var at = new At(x, p(0, level - zero).Y);
            y = Math.Max(at.Y, y + 6);
            to.Path(Layers.Note, Stroke.Fine, new(x + 2.5, at.Y), at, new(x - 2, y), new(x - 28, y));
            to.Area(Layers.Note, Stroke.Fine, [new(x - 5, y), new(x - 6.2, y + 1.8), new(x - 3.8, y + 1.8)], Fill.Paper);
            to.Write(Layers.Note, new(x - 28, y + 0.7), DetailSection.Level(level, units), Anchor.Left, 1.8, true);
            to.Write(Layers.Note, new(x - 28, y - 2.4), name, Anchor.Left, 1.8);
        }
    }
}
