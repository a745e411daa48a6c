using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The detail of bases that a beam holds together: plan with a bar of each layer, elevation of the beam with its stirrups through both
/// bases, a section across at each column and one of the beam between the bases.
/// </summary>
public static partial class BeamDetail
{
    private const double Left = 44;
    private const double Right = 48;
    private const double Below = 34;
    private const double Above = 12;
    private const double UnderSection = 26;
    private const double OverSection = 8;

    // How much of a column is shown over what it stands on, m.
    private const double Stub = 0.3;

    /// <summary>Space that it takes beside the bases along the beam, mm.</summary>
    public static double Around => Left + Right;

    /// <summary>The elevation of the beam with both bases cut along it, or a section across.</summary>
    /// <param name="m">The footing.</param>
    /// <param name="scale">The scale.</param>
    public static Figure Elevation(DetailModel m, DrawingScale scale)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(scale);
        var (s, units, concrete, per) = (m.State, m.Units, m.State.Rules.Concrete, 1000 / scale.Ratio);
        var beam = s.BeamFigure!;
        var (low, high) = (s.Body.LowX, s.Body.HighX);
        var to = new Canvas();
        var under = UnderSection + DetailExtra.Tall(m) + DetailStirrups.Tall(m);
        At P(double u, double z) => new(Left + ((u - low) * per), under + ((z + concrete.Blinding) * per));
        foreach (var p in Pads(s))
        {
            if (concrete.Blinding > 0)
            {
                to.Box(Layers.Ground, Stroke.Fine, P(p.Middle + p.LowX - concrete.BlindingBeyond, -concrete.Blinding),
                    P(p.Middle + p.HighX + concrete.BlindingBeyond, 0), Fill.Hatch);
            }

            to.Box(Layers.Footing, Stroke.Edge, P(p.Middle + p.LowX, 0), P(p.Middle + p.HighX, p.Thickness), Fill.Light);
        }

        to.Box(Layers.Footing, Stroke.Edge, P(beam.From, beam.Underside), P(beam.To, beam.Top), Fill.Light);
        var calls = new List<(At From, string Text)>();
        var top = Math.Max(s.Columns.ToArray().Max(c => c.ColumnFoot) - s.Body.Underside, beam.Top) + Stub;
        foreach (var c in s.Columns)
        {
            Column(to, m, c, true, c.PlanX, beam.Top, top, P, calls, (c.Body.Middle + c.Body.LowX, c.Body.Middle + c.Body.HighX));
        }

        Beam(to, m, beam, P, calls);
        for (var i = 0; i < Pads(s).Length; i++)
        {
            Base(to, m, i, true, per, P, calls, i == Pads(s).Length - 1);
        }

        Calls(to, calls, P(high, 0).X);
        DetailSection.Levels(to, m, [.. s.Columns.ToArray().Select(c => (c.PlanX, c.Outline.FaceX))], (low, high), P);
        string L(double v) => Canvas.Length(v, units);
        var beneath = P(low, -concrete.Blinding).Y;
        double[] stops = s.Body.Parts.Length > 0 ? [.. Ends(s)]
            : [low, .. s.Columns.ToArray().Select(c => c.PlanX).Order(), high];
        for (var i = 1; i < stops.Length; i++)
        {
            to.Measure(new(P(stops[i - 1], 0).X, beneath), new(P(stops[i], 0).X, beneath), false, beneath - 6, L(stops[i] - stops[i - 1]));
        }

        to.Measure(new(P(beam.From, 0).X, beneath), new(P(beam.To, 0).X, beneath), false, beneath - 12, L(beam.To - beam.From));
        DetailExtra.Along(to, m, P, bottom => bottom ? beam.BottomAt : beam.TopAt, beneath - 12);
        DetailStirrups.Along(to, m, P, beneath - 12 - DetailExtra.Tall(m));

        // Outside the bases: within, stirrups would cross the numbers; the inner base's own thickness stands on its section.
        to.Measure(P(low, 0), P(low, Pads(s)[0].Thickness), true, P(low, 0).X - 4, L(Pads(s)[0].Thickness));

        // Feet and inches of the gap may find no room in it: the notes say it too.
        var line = P(low, 0).X - 10;
        if (beam.Underside <= 0 || (units == UnitSystem.Us && Lettering.Width(L(beam.Underside), Canvas.Text) > beam.Underside * per))
        {
            to.Measure(P(low, beam.Underside), P(low, beam.Top), true, line, L(beam.Top - beam.Underside));
        }
        else
        {
            PlanDimensions.Pair(to.Items, P(low, 0), P(low, beam.Underside), P(low, beam.Top), true, line,
                (L(beam.Underside), L(beam.Top - beam.Underside)));
        }

        var width = Left + Right + ((high - low) * per);
        Notes(to, m, width);
        var what = s.Body.Parts.Length > 0 ? "beam, bases" : "rib, the flange";
        return new Figure($"{m.Foundation.Mark}: elevation of the {what} cut along it", width,
            under + OverSection + ((concrete.Blinding + Math.Max(top, s.Ground.Level - s.Body.Underside)) * per), scale, to.Items);
    }

    private static void Notes(Canvas to, DetailModel m, double width)
    {
        var (concrete, units) = (m.State.Rules.Concrete, m.Units);
        string S(double v) => Dimension.Section(v, units);
        string[] lines =
        [
            m.State.Body.Parts.Length == 0 ? "The rib's stirrups stand on the bars across, which lie at the cover."
                : $"The beam's underside lies {S(m.State.BeamFigure!.Underside)} above the bases'; "
                    + "between them the ground is kept clear of it.",
            (concrete.Blinding > 0 ? $"{S(concrete.Blinding)} {Wording.Blinding(units)}. " : $"No {Wording.Blinding(units)}. ")
                + $"Cover: bottom {S(concrete.CoverBottom)}, sides {S(concrete.CoverSide)}, top {S(concrete.CoverTop)}, "
                + (m.State.Body.Parts.Length == 0 ? "in the rib to stirrups." : "to stirrups in the beam."),
            PlanNotes.Materials(m.Project, m.Foundation),
        ];
        for (var i = 0; i < lines.Length; i++)
        {
            to.Write(Layers.Note, new(2, 1 + ((lines.Length - 1 - i) * Canvas.Line)), lines[i], Anchor.Left,
                Layout.Fitted(lines[i], Canvas.Text, width - 4));
        }
    }

    // Its bases: two of a strap, the flange of a strip with a rib.
    private static ReadOnlySpan<GroundBody> Pads(Trial s) => s.Body.Parts.Length > 0 ? s.Body.Parts : s.Bodies;

    private static List<double> Ends(Trial s) =>
        [.. Pads(s).ToArray().SelectMany(p => new[] { p.Middle + p.LowX, p.Middle + p.HighX })];

    private static double Between(Trial s)
    {
        if (s.Body.Parts.Length == 0)
        {
            return s.Columns.Length > 1 ? (s.Columns[0].X + s.Columns[1].X) / 2 : 0;
        }

        var (first, last) = (s.Body.Parts[0], s.Body.Parts[^1]);
        return (first.Middle + first.HighX + last.Middle + last.LowX) / 2;
    }

    private static BarRow? RowOf(DetailModel m, BarRole role, string part) =>
        m.Rows.FirstOrDefault(r => r.Group.Role == role
            && (m.State.Body.Parts.Length == 0 || r.Group.Where == $"in the {part} base"));

    private static string CallOf(DetailModel m, BarRole role, string part) => RowOf(m, role, part) is { } row ? m.Call(row) : "";

    private static void Extent(Canvas to, At first, At last)
    {
        to.Path(Layers.BarMark, Stroke.Fine, first, last);
        foreach (var end in new[] { first, last })
        {
            to.Path(Layers.BarMark, Stroke.Thin, end + (-0.9, -0.9), end + (0.9, 0.9));
        }
    }

    private static void Calls(Canvas to, List<(At From, string Text)> calls, double edge) =>
        DetailSection.Calls(to, [.. calls.Where(c => c.Text.Length > 0)], edge);
}
