using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>The critical sections of one-way and two-way shear on the plan of a base, with shears and stresses beside strengths.</summary>
public static class SectionsView
{
    private const double Side = 22;
    private const double Below = 15;
    private const double Above = 8;
    private const double TableGap = 4;

    /// <summary>Draws them.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="combinations">The combination of two-way shear, and of one-way shear across x and across y.</param>
    /// <param name="width">Width of the figure, mm.</param>
    /// <param name="height">Greatest height of the figure, mm.</param>
    public static Figure Of(string mark, Trial s, (int TwoWay, int AcrossX, int AcrossY) combinations, double width = 175,
        double height = 140)
    {
        ArgumentNullException.ThrowIfNull(s);
        var units = s.Units;
        var same = s.Punched.IsEmpty
            || (combinations.TwoWay == combinations.AcrossX && combinations.TwoWay == combinations.AcrossY);
        var rows = new List<IReadOnlyList<string>>();
        var lines = new List<(bool AlongX, CheckedSection Section, string Tag)>();
        foreach (var alongX in new[] { true, false })
        {
            if (ForceDiagram.Of(s, alongX ? combinations.AcrossX : combinations.AcrossY, alongX) is not { } diagram)
            {
                continue;
            }

            foreach (var section in diagram.Shears)
            {
                var tag = (lines.Count + 1).ToString(System.Globalization.CultureInfo.InvariantCulture);
                lines.Add((alongX, section, tag));
                rows.Add([tag, alongX ? "shear across x" : "shear across y", s.Named(alongX ? combinations.AcrossX : combinations.AcrossY),
                    s.Code.Letter("Vu") + " " + Unit.Force.FormatWithSymbol(section.Demand, units),
                    s.Code.Letter("φVc") + " " + Unit.Force.FormatWithSymbol(diagram.ShearStrength, units),
                    Used(section.Demand, diagram.ShearStrength)]);
            }
        }

        var punching = s.Punched.IsEmpty ? null : PunchingFigure.Of(s.Punched[0], combinations.TwoWay);
        if (punching is { Stress: { } alike })
        {
            rows.Add(["A", "two-way shear", s.Named(combinations.TwoWay),
                s.Code.Letter("vu") + " " + Unit.Stress.FormatWithSymbol(alike, units),
                s.Code.Letter("φvc") + " " + Unit.Stress.FormatWithSymbol(punching.Strength, units), Used(alike, punching.Strength)]);
        }

        for (var i = 0; i < 4 && punching is not null; i++)
        {
            if (punching.Stresses[i] is { } stress)
            {
                rows.Add([((char)('A' + i)).ToString(), "two-way shear", s.Named(combinations.TwoWay),
                    "vu " + Unit.Stress.FormatWithSymbol(stress, units), "φvc " + Unit.Stress.FormatWithSymbol(punching.Strength, units),
                    Used(stress, punching.Strength)]);
            }
        }

        string[] heads = ["", "section", "combination", "demand", "strength", "util."];
        bool[] numbers = [false, false, false, true, true, true];
        var table = Layout.Size(heads, rows);
        var scale = Canvas.Fit(units, (s.Body.Length, width - table.Width - TableGap - (2 * Side)), (s.Body.Width, height - Above - Below));
        var per = 1000 / scale.Ratio;
        var tall = Math.Max((s.Body.Width * per) + Above + Below, table.Height + (4 * Canvas.Line));
        var view = BaseView.About(s, scale, new At(Side + (s.Body.Length * per / 2), tall - Above - (s.Body.Width * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        DetailPiles.Plan(to, view);
        if (punching is not null)
        {
            var corners = view.Punched(to, punching);
            if (punching.Stress is not null)
            {
                to.Tag(Layers.Result, new At((corners[0].X + corners[1].X) / 2, corners[punching.OpenY > 0 ? 0 : 2].Y)
                    + (0, punching.OpenY > 0 ? -2.6 : 2.6), "A");
            }

            for (var i = 0; i < 4; i++)
            {
                if (punching.Stresses[i] is not null)
                {
                    to.Tag(Layers.Result, corners[i] + (i is 1 or 2 ? 2.6 : -2.6, i >= 2 ? 2.6 : -2.6), ((char)('A' + i)).ToString());
                }
            }
        }

        view.Standing(to);
        foreach (var (alongX, section, tag) in lines)
        {
            var (a, b) = alongX
                ? (new At(view.At(section.At, 0).X, view.Low.Y - 3), new At(view.At(section.At, 0).X, view.High.Y + 3))
                : (new At(view.Low.X - 3, view.At(0, section.At).Y), new At(view.High.X + 3, view.At(0, section.At).Y));
            to.Path(Layers.Result, new Stroke(0.35, Dash.Chain), a, b);
            to.Tag(Layers.Result, b + (alongX ? (0, 2) : (2, 0)), tag);
        }

        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 10, Canvas.Length(s.Body.Length, units));
        to.Measure(view.Low, new(view.Low.X, view.High.Y), true, view.Low.X - 10, Canvas.Length(s.Body.Width, units));
        BaseView.Axes(to, new At(4, view.Low.Y - 10));
        var left = width - table.Width;
        var title = same
            ? s.Named(s.Punched.IsEmpty ? combinations.AcrossY : combinations.TwoWay)
            : "Each in the combination that governs it";
        Layout.Table(to.Items, new(left, tall), title, heads, numbers, rows);
        string[] notes = s.Punched.IsEmpty
            ? ["One-way shear: at d from the face, chain lines."]
            : punching is null
            ? ["One-way shear: at d from the face, chain lines.", "Two-way shear: no section lies within the base,",
                "or the column pulls up without top steel."]
            : ["One-way shear: at d from the face, chain lines.",
                "Two-way shear, dashed"
                    + $"{(punching.Distance is { } off ? $", {Unit.Section.FormatWithSymbol(off, units)} from the column" : "")}: "
                    + $"{(punching.Distance is null ? "bo" : "u")} {Unit.Section.FormatWithSymbol(punching.Perimeter, units)}, d "
                    + $"{Unit.Section.FormatWithSymbol(punching.Depth, units)},",
                $"{(punching.Distance is > 0 && !punching.Pulled ? "VEd,red" : s.Code.Letter("Vu"))} "
                    + $"{Unit.Force.FormatWithSymbol(punching.Shear, units)}{(punching.Pulled ? ", pulled up" : "")}."];
        for (var i = 0; i < notes.Length; i++)
        {
            to.Write(Layers.Note, new(left, tall - table.Height - 4 - (i * Canvas.Line)), notes[i], Anchor.Left, 1.8);
        }

        return new Figure($"{mark}: critical sections", width, tall, scale, to.Items);
    }

    private static string Used(double demand, double strength)
    {
        var o = Outcome.Ratio(demand, strength);
        return Wording.Utilisation(o.Utilisation, o.Passes);
    }
}
