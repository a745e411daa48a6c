using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>
/// The critical sections of shear on the plan of a base under several columns: across its length, round every column and round two
/// together, with shears and stresses beside strengths.
/// </summary>
internal static class SpanSectionsView
{
    private const double Side = 22;
    private const double Below = 15;
    private const double Above = 8 + Apart;

    // Tags of sections so near each other stand in two rows, mm.
    private const double Apart = 4.6;
    private const double Between = 6;

    /// <summary>Draws them.</summary>
    /// <param name="mark">The foundation's mark.</param>
    /// <param name="s">The base, its design set.</param>
    /// <param name="k">The combination of one-way shear.</param>
    /// <param name="punched">The combination of two-way shear for an area.</param>
    /// <param name="width">Width of the figure, mm.</param>
    /// <param name="height">Greatest height of the figure, mm.</param>
    public static Figure? Of(string mark, Trial s, int k, Func<PunchedArea, int> punched, double width, double height)
    {
        if (s.Along(k) is not { } d)
        {
            return null;
        }

        var units = s.Units;
        string Used(double demand, double strength) =>
            Outcome.Ratio(demand, strength) is var o ? Wording.Utilisation(o.Utilisation, o.Passes) : "";
        var rows = new List<IReadOnlyList<string>>();
        var lines = new List<(double At, string Tag)>();
        foreach (var x in d.Sections.Where(x => x.Mark == SpanMark.Shear))
        {
            var tag = (lines.Count + 1).ToString(CultureInfo.InvariantCulture);
            lines.Add((x.At, tag));
            rows.Add([tag, "shear across x, " + x.Words, s.Named(k),
                s.Code.Letter("Vu") + " " + Unit.Force.FormatWithSymbol(x.Demand, units),
                s.Code.Letter(s.BeamFigure is null ? "φVc" : "φVn") + " " + Unit.Force.FormatWithSymbol(x.Strength, units),
                Used(x.Demand, x.Strength)]);
        }

        foreach (var b in d.Bands)
        {
            rows.Add(["", s.Body.Parts.Length > 0 ? "shear across y, " + b.Column : "shear across y at " + b.Column, s.Named(k),
                s.Code.Letter("Vu") + " " + Unit.Force.FormatWithSymbol(b.Shear, units),
                s.Code.Letter("φVc") + " " + Unit.Force.FormatWithSymbol(b.ShearStrength, units), Used(b.Shear, b.ShearStrength)]);
        }

        var round = new List<(PunchingFigure Figure, string Tag, bool Joint)>();
        foreach (var area in s.Punched)
        {
            var c = punched(area);
            if (PunchingFigure.Of(area, c) is not { } p)
            {
                continue;
            }

            var tag = ((char)('A' + round.Count)).ToString();
            round.Add((p with
            {
                Low = p.Low with { X = p.Low.X + area.Body.Middle },
                High = p.High with { X = p.High.X + area.Body.Middle }
            }, tag,
                area.Columns.Length > 1));
            var most = p.Stress ?? p.Stresses.Max(v => v ?? 0);
            rows.Add([tag, "two-way shear at " + area.At, s.Named(c),
                s.Code.Letter("vu") + " " + Unit.Stress.FormatWithSymbol(most, units),
                s.Code.Letter("φvc") + " " + Unit.Stress.FormatWithSymbol(p.Strength, units), Used(most, p.Strength)]);
        }

        string[] heads = ["", "section", "combination", "demand", "strength", "util."];
        var table = Layout.Size(heads, rows);
        var scale = Canvas.Fit(units, (s.Body.Length, width - (2 * Side)), (BaseView.Widest(s), Math.Max(30, height - Above - Below)));
        var per = 1000 / scale.Ratio;
        var plan = (BaseView.Widest(s) * per) + Above + Below;
        var tall = plan + Between + table.Height + 8;
        var view = new BaseView(s, scale,
            new At((width / 2) - ((s.Body.LowX + s.Body.HighX) / 2 * per), tall - Above - (BaseView.Widest(s) * per / 2)));
        var to = new Canvas();
        view.Outline(to);
        DetailPiles.Plan(to, view);
        foreach (var (p, tag, joint) in round)
        {
            var corners = view.Punched(to, p);
            var middle = (corners[0].X + corners[1].X) / 2;

            // Round two columns the same corners lie under those round one: their letter stands below.
            to.Tag(Layers.Result, new(middle, corners[joint ? 0 : 2].Y), tag);
        }

        view.Standing(to);
        var last = new List<double>();
        foreach (var same in lines.GroupBy(l => Math.Round(l.At, 6)).OrderBy(g => g.Key))
        {
            var (at, tag) = (same.Key, string.Join(",", same.Select(l => l.Tag)));

            // Sections that nearly meet have their tags one over the other.
            var x = view.At(at, 0).X;
            var row = last.FindIndex(end => end < x - Apart);
            if (row < 0)
            {
                row = last.Count;
                last.Add(x);
            }

            last[row] = x;
            var (a, b) = (new At(view.At(at, 0).X, view.Low.Y - 3), new At(view.At(at, 0).X, view.High.Y + 3 + (row * Apart)));
            to.Path(Layers.Result, new Stroke(0.35, Dash.Chain), a, b);
            to.Tag(Layers.Result, b + (0, 2), tag);
        }

        to.Measure(view.Low, new(view.High.X, view.Low.Y), false, view.Low.Y - 10, Canvas.Length(s.Body.Length, units));
        to.Measure(new(view.Low.X, view.At(0, -s.Body.LowWidth / 2).Y), new(view.Low.X, view.At(0, s.Body.LowWidth / 2).Y), true,
            view.Low.X - 10, Canvas.Length(s.Body.LowWidth, units));
        if (s.Body.Parts.Length > 0 && s.Body.HighWidth != s.Body.LowWidth)
        {
            to.Measure(new(view.High.X, view.At(0, -s.Body.HighWidth / 2).Y), new(view.High.X, view.At(0, s.Body.HighWidth / 2).Y), true,
                view.High.X + 10, Canvas.Length(s.Body.HighWidth, units));
        }

        BaseView.Axes(to, new At(4, view.Low.Y - 10));
        Layout.Table(to.Items, new(2, table.Height + 8),
            "One-way shear in the combination that governs it, chain lines; two-way each in its own, dashed", heads,
            [false, false, false, true, true, true], rows);
        return new Figure($"{mark}: critical sections", width, tall, scale, to.Items);
    }
}
