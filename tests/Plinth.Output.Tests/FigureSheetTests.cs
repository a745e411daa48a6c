using System.Globalization;
using System.Xml.Linq;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Tests;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>Details and figures of one footing, read back and compared with the design.</summary>
public class FigureSheetTests
{
    private static readonly RuleSet Deep = Given.Rules with
    {
        Ground = Given.DefaultGround with { FoundingDepth = 1.5 },
        Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = 0 },
        Column = ColumnRules.Nothing with { Strength = 40e3, Dowels = Given.Bars("8 T20") },
    };

    private static IsolatedDesign Rich(double length = 2.4, double width = 2.0, double thickness = 0.5) =>
        Given.Design(length, width, thickness, "13 T16 hooked", "15 T16", "9 T12",
            "11 T12") with
        {
            Pedestal = new Pedestal(0.5, 0.6, false, Given.Bars("8 T20"), Given.Bars("T10 @ 200 mm")),
            Dowels = Given.Bars("8 T20")
        };

    private static (Project Project, Foundation Foundation, DetailModel Model) Made(IsolatedDesign design,
        UnitSystem units = UnitSystem.Metric, HeldValues? held = null, RuleSet? rules = null)
    {
        var project = Given.OneAction(new SupportAction(600, 10, 0, 20, 60, 0), rules ?? Deep, held: held) with { Units = units };
        var f = project.Foundations[0];
        return (project, f, new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)])));
    }

    private static int Dots(Figure figure) => figure.Items.OfType<CircleItem>().Count(c => c.Layer == Layers.Bar);

    [Theory]
    [InlineData(UnitSystem.Metric)]
    [InlineData(UnitSystem.Us)]
    public void Details_are_legible_and_their_dimensions_close(UnitSystem units) =>
        Gen.Select(Gen.Double[1.2, 3.6], Gen.Double[1.2, 3.6], Gen.Double[0.35, 0.9], Gen.Double[-0.2, 0.2], Gen.Bool).Sample(
        (length, width, thickness, offset, rich) =>
        {
            var held = new HeldValues { OffsetX = Math.Round(offset, 2) };
            var (project, f, model) = rich
                ? Made(Rich(length, width, thickness), units, held)
                : Made(Given.Design(length, width, thickness), units, held, Given.Rules);
            var sheet = FigureSheet.Detail(model, new DrawingRequest("Detail"));
            sheet.Should().NotBeNull();
            SheetChecks.Legible(sheet!, $"{length:0.00} × {width:0.00} × {thickness:0.00}, column {offset:0.00} off");
            SheetChecks.Dimensions(sheet!, sheet!.Scale);
            var said = sheet.Items.OfType<DimensionItem>().Select(d => d.Text).ToList();
            string L(double v) =>
                units == UnitSystem.Us ? Dimension.Feet(v) : Math.Round(v * 1000).ToString("0", CultureInfo.InvariantCulture);
            said.Should().Contain([L(length), L(width), L(thickness)]);
            DxfWriter.Write(sheet).Should().NotBeEmpty();
        },
        iter: 40);

    [Fact]
    public void A_section_shows_every_bar_that_it_cuts_at_its_depth()
    {
        var (_, _, m) = Made(Rich());
        var scale = DrawingScale.For(UnitSystem.Metric).First(s => s.Ratio == 20);
        var cut = DetailSection.Of(m, true, scale);
        Dots(cut).Should().Be(15 + 11, "the bars along y of both faces");
        Dots(DetailSection.Of(m, false, scale)).Should().Be(13 + 9);

        // Heights of dots over the concrete's underside are those that the checks take: h − d at the bottom, d at the top.
        var base0 = cut.Items.OfType<PathItem>().First(p => p.Layer == Layers.Footing);
        var low = base0.Points.Min(p => p.Y);
        var heights = cut.Items.OfType<CircleItem>()
            .Where(c => c.Layer == Layers.Bar)
            .Select(c => Math.Round((c.Centre.Y - low) * 20, 3))
            .Distinct()
            .Order()
            .ToList();
        heights.Should().Equal(Math.Round((m.State.Body.Thickness - m.State.Spans(false)[0].Depth(true)) * 1000, 3),
            Math.Round(m.State.Spans(false)[0].Depth(false) * 1000, 3));
        (base0.Points.Max(p => p.X) - base0.Points.Min(p => p.X)).Should().BeApproximately(2400 / 20.0, 1e-9);

        // A hooked bar turns up at both ends, within its cover.
        var hooked = cut.Items.OfType<PathItem>().Single(p => p.Layer == Layers.Bar && p.Points.Count == 4);
        ((hooked.Points.Min(p => p.X) - base0.Points.Min(p => p.X)) * 20).Should().BeApproximately(75 + 8, 1e-6,
            "side cover and half a bar");
    }

    [Theory]
    [InlineData(0.75)]
    [InlineData(-0.75)]
    [InlineData(0)]
    public void Feet_of_upright_bars_stay_within_the_cover_of_a_base_whose_column_stands_at_its_edge(double offset)
    {
        var (_, _, m) = Made(Rich(), held: new HeldValues { OffsetX = offset });
        var cut = DetailSection.Of(m, true, DrawingScale.For(UnitSystem.Metric).First(s => s.Ratio == 20));
        var concrete = cut.Items.OfType<PathItem>().First(p => p.Layer == Layers.Footing).Points;
        var feet = cut.Items.OfType<PathItem>().Where(p => p.Layer == Layers.Bar && p.Points.Count == 3).ToList();
        feet.Should().HaveCount(4, "two bars of the pedestal, two dowels");
        feet.SelectMany(f => f.Points)
            .Should().OnlyContain(p => p.X >= concrete.Min(c => c.X) + (75 / 20.0) - 1e-6
                && p.X <= concrete.Max(c => c.X) - (75 / 20.0) + 1e-6);
    }

    [Fact]
    public void Calls_and_the_table_of_bars_are_rows_of_the_bar_schedule()
    {
        var (project, f, m) = Made(Rich());
        var rows = BarSchedule.Of(project, [(f, Rich())]).Rows;
        var sheet = FigureSheet.Detail(m, new DrawingRequest("Detail"))!;
        var calls = sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.BarMark).Select(t => t.Text).ToList();
        foreach (var row in rows)
        {
            calls.Should().Contain(c => c.StartsWith($"{row.Group.Count} {row.Group.Size.Name}-{row.BarMark}", StringComparison.Ordinal),
                row.BarMark);
            sheet.Items.OfType<TextItem>()
                .Where(t => t.Layer == Layers.Schedule)
                .Select(t => t.Text)
                .Should().Contain((row.Group.Shape.Length * 1000).ToString("0", CultureInfo.InvariantCulture));
        }

        var levels = sheet.Items.OfType<TextItem>().Select(t => t.Text).ToList();
        levels.Should().Contain("−1.50 m").And.Contain("−1.00 m").And.Contain("0.00 m", "underside, top of the base, top of the pedestal");
    }

    [Fact]
    public void The_view_of_the_bars_has_as_many_lines_as_there_are_bars()
    {
        var (_, _, m) = Made(Rich());
        var view = BarsView.Of(m);
        var open = view.Items.OfType<PathItem>().Where(p => p.Layer == Layers.Bar && !p.Closed).ToList();
        open.Should().HaveCount(13 + 15 + 9 + 11 + 8 + 8 + (m.Row(BarRole.CrossTiesX)?.Group.Count ?? 0)
            + (m.Row(BarRole.CrossTiesY)?.Group.Count ?? 0));
        view.Items.OfType<PathItem>().Count(p => p.Layer == Layers.Bar && p.Closed).Should().Be(m.Row(BarRole.Ties)!.Group.Count);
        view.Items.SelectMany(i => i is PathItem p ? p.Points : [])
            .Should().OnlyContain(p => p.X >= 0 && p.X <= view.Width && p.Y >= 0 && p.Y <= view.Height);
    }

    [Fact]
    public void Figures_of_any_footing_are_legible_and_to_scale() =>
        Gen.Select(Gen.Double[1.2, 4.5], Gen.Double[1.2, 4.5], Gen.Double[-80, 80], Gen.Double[-80, 80],
            Gen.OneOf(Gen.Const(86.0), Gen.Const(174.0), Gen.Const(235.0))).Sample(
        (length, width, mx, my, wide) =>
        {
            var project = Given.OneAction(new SupportAction(700, 5, -8, mx, my, 0));
            var f = project.Foundations[0];
            var figures = new FoundationFigures(project, f, Given.Design(length, width, 0.6));
            foreach (var kind in Enum.GetValues<FigureKind>())
            {
                if (wide < 100 && kind != FigureKind.Pressure)
                {
                    continue;
                }

                if (figures.Make(kind, null, wide, 110) is { } figure)
                {
                    // Points that nearly touch on a diagram may have their values close; all else lies apart.
                    if (kind is FigureKind.Pressure or FigureKind.Sections or FigureKind.Steel)
                    {
                        SheetChecks.Legible(figure.Alone(UnitSystem.Metric),
                            $"{kind} of {length:0.00} × {width:0.00}, {wide} wide, M {mx:0}, {my:0}", 1.5);
                    }

                    if (figure.Scale is { } scale)
                    {
                        SheetChecks.Dimensions(figure.Alone(UnitSystem.Metric), scale);
                    }
                }
            }
        },
        iter: 60);

    [Fact]
    public void The_picture_of_the_pressure_says_what_the_check_found_and_is_to_scale_in_svg()
    {
        var action = new SupportAction(700, 0, 0, 30, 90, 0);
        var project = Given.OneAction(action);
        var design = Given.Design(2.4, 2.0, 0.5);
        var result = Given.Check(project, design);
        var figure = new FoundationFigures(project, project.Foundations[0], design).Make(FigureKind.Pressure, null, 150, 120)!;
        var texts = figure.Items.OfType<TextItem>().ToList();
        var bearing = Unit.Pressure.FormatWithSymbol(result.Of("bearing").Outcome.Demand, UnitSystem.Metric);
        texts.Should().Contain(t => t.Text == bearing && t.Bold, "the highest corner is what the check compares");
        var svg = XElement.Parse(SvgWriter.Element(figure.Alone(UnitSystem.Metric)));
        XNamespace ns = "http://www.w3.org/2000/svg";
        var outline =
            svg.Elements(ns + "g")
                .Where(g => g.Attribute("class")!.Value == Layers.Footing)
                .Elements(ns + "path")
                .Single()
                .Attribute("d")!.Value.Trim('M', 'Z').Split('L')
                .Select(p => p.Split(' ').Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray())
                .ToList();
        (outline.Max(p => p[0]) - outline.Min(p => p[0])).Should().BeApproximately(2400 / figure.Scale!.Ratio, 0.002);
        (outline.Max(p => p[1]) - outline.Min(p => p[1])).Should().BeApproximately(2000 / figure.Scale.Ratio, 0.002);

        // The resultant is drawn where the loads meet.
        var ring = figure.Items.OfType<CircleItem>().Single(c => c.Layer == Layers.Result);
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        var at = ContactFigure.Of(checker.Trials[0].Body, 0).Resultant;
        var centre = figure.Items.OfType<PathItem>().Single(p => p.Layer == Layers.Footing && p.Closed);
        ((ring.Centre.X - centre.Points.Average(p => p.X)) * figure.Scale.Ratio / 1000).Should().BeApproximately(at.X, 1e-9);
        ((ring.Centre.Y - centre.Points.Average(p => p.Y)) * figure.Scale.Ratio / 1000).Should().BeApproximately(at.Y, 1e-9);
    }

    [Fact]
    public void The_map_says_what_fails_and_how_much_room_the_others_have()
    {
        var (project, designs) = Buildings.Grid();
        var reports =
            designs.Select((d, i) => new FoundationReport(d.Item1, d.Item2,
                new Checker(project, d.Item1).Check(d.Item2))
            { Room = i * 0.1 }).ToList();
        reports.Should().Contain(r => !r.Passes).And.Contain(r => r.Passes, "the grid has both");
        var sheet = ResultPlan.Utilisation(project, reports, new DrawingRequest("Map"))!;
        SheetChecks.Legible(sheet, "utilisation");
        var texts = sheet.Items.OfType<TextItem>().Select(t => t.Text).ToList();
        foreach (var r in reports)
        {
            var g = r.Result!.Governing;
            texts.Should().Contain((r.Passes ? "" : "FAIL ") + Wording.Utilisation(g.Utilisation, g.Outcome.Passes));
            texts.Should().Contain("room " + Wording.Room(r.Room!.Value));
        }

        sheet.Items.OfType<PathItem>()
            .Count(p => p.Layer == Layers.Footing && p.Fill == Fill.Hatch)
            .Should().Be(reports.Count(r => !r.Passes));
        var first = sheet.Items.OfType<TextItem>().First(t => t.Layer == Layers.Schedule && designs.Any(d => d.Item1.Mark == t.Text)).Text;
        reports.First(r => r.Foundation.Mark == first).Passes.Should().BeFalse("what fails stands first");
    }

    [Fact]
    public void The_plan_of_loads_adds_up()
    {
        var (project, designs) = Buildings.Grid();
        var actions = project.Supports.Select((s, i) => (s.Label, Action: new SupportAction[] { new(100 + (10 * i), i, -i, 0, 2 * i, 0) }))
            .ToDictionary(a => a.Label, a => a.Action);
        var sheet = ResultPlan.Loads(project with { Actions = actions }, designs, 0, new DrawingRequest("Loads"))!;
        SheetChecks.Legible(sheet, "loads");
        var texts = sheet.Items.OfType<TextItem>().Select(t => t.Text).ToList();
        texts.Should().Contain("750.0", "100 + 110 + … + 150").And.Contain("15.0").And.Contain("−15.0").And.Contain("N 130.0").And.Contain(
            "F 3.0; −3.0").And.Contain("M 0.0; 6.0");
    }

    [Fact]
    public void A_cloud_goes_round_what_changed_and_its_row_has_the_revision()
    {
        var (project, designs) = Buildings.Grid();
        var sheet = FoundationPlan.Of(project, designs, new DrawingRequest("Plan", Revision: "C"), new HashSet<string> { "F2" })!;
        var cloud = (PathItem)sheet.Items.Single(i => i.Layer == Layers.Revision);
        var footing = sheet.Items.OfType<PathItem>().Where(p => p.Layer == Layers.Footing).ElementAt(1);
        var (x0, x1, y0, y1) = (cloud.Points.Min(p => p.X), cloud.Points.Max(p => p.X), cloud.Points.Min(p => p.Y),
            cloud.Points.Max(p => p.Y));
        footing.Points.Should().OnlyContain(p => p.X > x0 && p.X < x1 && p.Y > y0 && p.Y < y1);
        var rows = sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.Schedule).ToList();
        var mark = rows.Single(t => t.Text == "F2");
        rows.Single(t => t.Text == "C").Point.Y.Should().BeApproximately(mark.Point.Y, 1e-9);
    }

    [Fact]
    public void A_schedule_too_long_for_any_sheet_leaves_the_plan_and_says_so()
    {
        var (project, designs) = Buildings.Grid();
        var many = Enumerable.Range(0, 40)
            .SelectMany(_ => designs)
            .Select((d, i) => (d.Item1 with { Mark = $"F{i + 1}" }, d.Item2))
            .ToList();
        var sheet = FoundationPlan.Of(project with { Foundations = [.. many.Select(m => m.Item1)] }, many, new DrawingRequest("Plan"))!;
        sheet.Items.OfType<TextItem>().Select(t => t.Text).Should().Contain(t => t.EndsWith("The footing schedule is issued apart."));
        sheet.Items.Should().NotContain(i => i.Layer == Layers.Schedule);
    }

    [Fact]
    public void The_pedestals_curves_have_both_ends_of_their_axes_written()
    {
        var (project, f, _) = Made(Rich());
        var figure = new FoundationFigures(project, f, Rich()).Make(FigureKind.Pedestal, null, 235, 100)!;
        SheetChecks.Legible(figure.Alone(UnitSystem.Metric), "pedestal");
        var checker = new Checker(project, f);
        checker.Set(Rich());
        var shown = InteractionFigure.Of(checker.Trials[0].Columns[0])!;
        string M(double v) => Unit.Moment.Format(v, UnitSystem.Metric).Replace('-', '−');
        var texts = figure.Items.OfType<TextItem>().Select(t => t.Text).ToList();
        foreach (var curve in new[] { shown.AboutX, shown.AboutY })
        {
            texts.Should().Contain(M(curve.Min(p => p.M))).And.Contain(M(curve.Max(p => p.M))).And.Contain(
                Unit.Force.Format(curve.Max(p => p.N), UnitSystem.Metric));
        }

        texts.Should().Contain(t => t.Contains(Wording.Utilisation(shown.Loads[0].Utilisation, true), StringComparison.Ordinal)
            && t.StartsWith("Most used", StringComparison.Ordinal));
    }

    [Fact]
    public void What_cannot_be_shown_is_said()
    {
        // A pull without equilibrium: no pressure, no forces, no sections; each figure says so.
        var project = Given.OneAction(new SupportAction(-400, 0, 0, 0, 0, 0));
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(Given.Design(2, 2, 0.5));
        var s = checker.Trials[0];
        string Texts(Figure f) => string.Join('\n', f.Items.OfType<TextItem>().Select(t => t.Text));
        Texts(PressureView.Of("F1", s, 0)).Should().Contain("no equilibrium, the base tips or lifts");
        Texts(ForcesView.Of("F1", s, 0)).Should().Contain("no equilibrium: no forces");
        Texts(SectionsView.Of("F1", s, (0, 0, 0))).Should().Contain("Two-way shear: no section lies within the base,");

        // A column as wide as its base leaves no section within it.
        var wide = Given.OneAction(new SupportAction(400, 0, 0, 0, 0, 0), column: Given.Column(1.9, 1.9));
        var other = new Checker(wide, wide.Foundations[0]);
        other.Set(Given.Design(2, 2, 0.5));
        PunchingFigure.Of(other.Trials[0].Punched[0], 0).Should().BeNull();
        Texts(SectionsView.Of("F1", other.Trials[0], (0, 0, 0))).Should().Contain("Two-way shear: no section lies within the base,");
    }

    [Fact]
    public void Diagrams_are_drawn_whole_at_one_scale() => Gen.Select(Gen.Double[300, 900], Gen.Double[-80, 80], Gen.Double[1.6, 3]).Sample(
        (n, my, length) =>
        {
            var project = Given.OneAction(new SupportAction(n, 0, 0, 0, my, 0));
            var checker = new Checker(project, project.Foundations[0]);
            checker.Set(Given.Design(length, 2, 0.5));
            var s = checker.Trials[0];
            var curves = ForcesView.Of("F1", s, 0).Items.OfType<PathItem>()
                .Where(p => p.Layer == Layers.Result && p.Closed && p.Fill == Fill.Light)
                .ToList();
            curves.Should().HaveCount(4, "shear and moment, along x and along y");
            foreach (var (alongX, shear, drawn) in new[] { (true, true, curves[0]), (true, false, curves[1]), (false, true, curves[2]),
                (false, false, curves[3]) })
            {
                var values = ForceDiagram.Of(s, 0, alongX)!.Points.Select(p => shear ? p.Shear : -p.Moment).ToList();
                var zero = drawn.Points[0].Y;
                var heights = drawn.Points.Skip(1).Take(values.Count).Select(p => p.Y - zero).ToList();
                var k = values.IndexOf(values.MaxBy(Math.Abs));
                var scale = heights[k] / values[k];
                scale.Should().BeGreaterThan(0);
                heights.Zip(values, (h, v) => Math.Abs(h - (v * scale))).Max().Should().BeLessThan(1e-6, "no value is cut off");
                heights.Max(Math.Abs).Should().BeLessThanOrEqualTo(17 + 1e-6, "within its half of the plot");
            }
        },
        iter: 60);
}
