using System.Globalization;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Tests;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>What stands on sheets beside the footings: clouds, notes, boundaries, plates, the combination of each number.</summary>
public class SheetContentTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("WX", LoadSymbol.W, true), new("WY", LoadSymbol.W, true)];

    private static readonly CombinationSet Combinations = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases,
        new LoadOptions(), []);

    private static Project Windy(double mx, double my) =>
        Given.Project(Cases, [new(700, 0, 0, 0, 0, 0), new(0, 20, 0, 0, my, 0), new(0, 0, 25, -mx, 0, 0)], Combinations,
            Given.Rules with { Ground = Given.DefaultGround with { FoundingDepth = 1.4, Bearing = 400 } });

    private static List<string> Texts(IEnumerable<Item> items) => [.. items.OfType<TextItem>().Select(t => t.Text)];

    private static (double X0, double Y0, double X1, double Y1) Box(TextItem t)
    {
        var w = Lettering.Width(t.Text, t.Height, t.Bold);
        var start = t.Anchor switch { Anchor.Left => 0, Anchor.Middle => -w / 2, _ => -w };
        return t.Angle == 0
            ? (t.Point.X + start, t.Point.Y, t.Point.X + start + w, t.Point.Y + t.Height)
            : (t.Point.X - t.Height, t.Point.Y + start, t.Point.X, t.Point.Y + start + w);
    }

    [Fact]
    public void Each_section_bears_the_combination_that_governs_it_with_its_numbers() =>
        Gen.Select(Gen.Double[0, 220], Gen.Double[0, 220]).Sample(
        (mx, my) =>
        {
            var project = Windy(mx, my);
            var f = project.Foundations[0];
            var design = Given.Design(2.6, 2.6, 0.55, "14 T16", "14 T16", "10 T12", "10 T12");
            var result = new Checker(project, f).Check(design);
            var figure = new FoundationFigures(project, f, design).Make(FigureKind.Sections, null, 235, 140)!;
            var texts = Texts(figure.Items);
            foreach (var (id, name, symbol) in new[] { ("one-way-shear-x", "shear across x", "Vu "),
                ("one-way-shear-y", "shear across y", "Vu "), ("two-way-shear", "two-way shear", "vu ") })
            {
                var check = result.Of(id);
                if (check.Outcome.Face == Face.Top || check.Utilisation == 0)
                {
                    continue;
                }

                // Its row: the name, then its combination, then the demand; the largest of them is the check's own.
                var rows = Enumerable.Range(0, texts.Count - 4)
                    .Where(i => texts[i] == name)
                    .Select(i => (Combination: texts[i + 1], Demand: texts[i + 2], Used: texts[i + 4]))
                    .ToList();
                rows.Should().OnlyContain(r => r.Combination == check.Combination, id);
                rows.Should().Contain(r => r.Demand == symbol + check.Unit.FormatWithSymbol(check.Outcome.Demand, UnitSystem.Metric),
                    $"{id} {check.Outcome.Demand}");
                rows.Max(r => double.Parse(r.Used, CultureInfo.InvariantCulture))
                    .Should().BeApproximately(Math.Min(1, check.Utilisation), 0.0051);
            }

            SheetChecks.Legible(figure.Alone(UnitSystem.Metric), "sections");
        },
        iter: 25);

    [Fact]
    public void A_combination_that_is_asked_for_stands_over_all_of_them()
    {
        var project = Windy(60, 90);
        var name = project.Combinations.Used.First(c => c.IsFor(Family.Concrete)).Name;
        var figure = new FoundationFigures(project, project.Foundations[0], Given.Design(2.6, 2.6, 0.55)).Make(FigureKind.Sections, name,
            235, 140)!;
        Texts(figure.Items).Should().Contain(name).And.NotContain("Each in the combination that governs it");
    }

    [Fact]
    public void Clouds_go_round_the_dimensions_of_their_own_footings() =>
        Gen.Select(Gen.Double[-0.5, 0.5], Gen.Double[-0.5, 0.5], Gen.Bool).Sample(
        (offX, offY, us) =>
        {
            var (project, designs) = Buildings.Grid(us ? UnitSystem.Us : UnitSystem.Metric);
            var moved =
                designs.Select((d, i) => i == 4
                    ? d
                    : (d.Item1 with { Held = new HeldValues { OffsetX = Math.Round(offX, 2), OffsetY = Math.Round(offY, 2) } }, d.Item2))
                    .ToList();
            var sheet = FoundationPlan.Of(project with { Foundations = [.. moved.Select(m => m.Item1)] }, moved,
                new DrawingRequest("Plan", Revision: "C"), new HashSet<string> { "F1", "F2", "F4", "F6" })!;
            var clouds = sheet.Items.OfType<PathItem>().Where(p => p.Layer == Layers.Revision).ToList();
            clouds.Should().HaveCount(4);
            var footings = sheet.Items.OfType<PathItem>().Where(p => p.Layer == Layers.Footing).ToList();
            foreach (var cloud in clouds)
            {
                // The footing within this cloud, and the dimensions that begin at its corners.
                var box = (X0: cloud.Points.Min(p => p.X), X1: cloud.Points.Max(p => p.X), Y0: cloud.Points.Min(p => p.Y),
                    Y1: cloud.Points.Max(p => p.Y));
                var own = footings.Where(f => f.Points.All(p => p.X > box.X0 && p.X < box.X1 && p.Y > box.Y0 && p.Y < box.Y1)).ToList();
                foreach (var dimension in sheet.Items.OfType<DimensionItem>()
                    .Where(d => own.Exists(f => f.Points.Any(p => Math.Abs(p.X - d.From.X) < 1e-6 && Math.Abs(p.Y - d.From.Y) < 1e-6))))
                {
                    var text = Box(Strokes.TextOf(dimension));
                    cloud.Points.Should().NotContain(p => p.X > text.X0 && p.X < text.X1 && p.Y > text.Y0 && p.Y < text.Y1,
                        $"the cloud does not run through {dimension.Text}");
                    (text.X0 > box.X0 && text.X1 < box.X1 && text.Y0 > box.Y0
                        && text.Y1 < box.Y1).Should().BeTrue($"{dimension.Text} lies within");
                }
            }
        },
        iter: 25);

    [Fact]
    public void Notes_are_numbered_broken_between_words_and_keep_clear_of_the_schedule() =>
        Gen.Select(Gen.String[Gen.Char['a', 'z'], 1, 12].Array[1, 60].Array[0, 12], Gen.Bool).Sample(
        (paragraphs, us) =>
        {
            var notes = paragraphs.Select(p => string.Join(' ', p)).ToList();
            var (project, designs) = Buildings.Grid(us ? UnitSystem.Us : UnitSystem.Metric);
            var sheet = FoundationPlan.Of(project with { Drawings = DrawingRules.None with { Plan = "S-101", Notes = notes } }, designs,
                new DrawingRequest("Plan", "S-101"))!;
            SheetChecks.Legible(sheet, $"{notes.Count} notes");
            var texts = Texts(sheet.Items);
            texts.Should().Contain("S-101");

            // Every word of every note stands there, in order.
            var written = string.Join(' ', sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.Note).Select(t => t.Text.Trim()));
            foreach (var note in notes)
            {
                written.Should().Contain(note);
            }
        },
        iter: 20);

    [Fact]
    public void A_plate_its_grout_and_its_rods_are_drawn_to_scale()
    {
        var plate = new BasePlate(0.025, 0.040, 4, 0.020, 0.300, 0.050);
        var rules = Given.Rules with
        {
            Ground = Given.DefaultGround with { FoundingDepth = 1.8 },
            Pedestal = new PedestalRules { Under = PedestalUnder.Steel, Height = 0.8 },
            Column = ColumnRules.Nothing with { Plate = plate }
        };
        var column = Given.Column(0.2, 0.3) with { Shape = ColumnShape.Steel, PlateX = 0.40, PlateY = 0.50 };
        var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0), rules, column);
        var f = project.Foundations[0];
        var design = Given.Design(2, 2,
            0.5) with
        { Pedestal = new Pedestal(0.6, 0.7, false, Given.Bars("8 T20"), Given.Bars("T10 @ 200 mm")) };
        var model = new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)]));
        var scale = DrawingScale.For(UnitSystem.Metric).First(s => s.Ratio == 20);
        foreach (var (alongX, side, apart) in new[] { (true, 0.40, 0.30), (false, 0.50, 0.40) })
        {
            var cut = DetailSection.Of(model, alongX, scale);
            Texts(cut.Items)
                .Should().Contain("plate 400 × 500 mm × 25 mm").And.Contain("grout 40 mm").And.Contain("4 rods 20 mm, 300 mm deep");
            var boxes = cut.Items.OfType<PathItem>()
                .Where(p => p.Layer == Layers.Column && p.Closed)
                .Select(p => (Width: (p.Points.Max(q => q.X) - p.Points.Min(q => q.X)) * 20 / 1000,
                    Height: (p.Points.Max(q => q.Y) - p.Points.Min(q => q.Y)) * 20 / 1000))
                .ToList();
            boxes.Should().Contain(b => Math.Abs(b.Width - side) < 1e-9 && Math.Abs(b.Height - 0.025) < 1e-9,
                "the plate").And.Contain(b => Math.Abs(b.Width - side) < 1e-9 && Math.Abs(b.Height - 0.040) < 1e-9, "the grout");
            var rods = cut.Items.OfType<PathItem>()
                .Where(p => p.Layer == Layers.Column && !p.Closed && p.Points.Count == 2 && Math.Abs(p.Points[0].X - p.Points[1].X) < 1e-9)
                .ToList();
            rods.Select(r => r.Points[0].X).Distinct().Should().HaveCount(2);
            ((rods.Max(r => r.Points[0].X) - rods.Min(r => r.Points[0].X)) * 20 / 1000).Should().BeApproximately(apart, 1e-9,
                "50 mm from the edges of the plate");
            (rods.Max(r => Math.Abs(r.Points[0].Y - r.Points[1].Y)) * 20 / 1000).Should().BeApproximately(0.300 + 0.065 + 0.040, 1e-9,
                "from its end to two diameters over the plate");
        }

        var plan = DetailPlan.Of(model, scale);
        plan.Items.OfType<CircleItem>().Count(c => c.Layer == Layers.Column).Should().Be(4);
        SheetChecks.Legible(FigureSheet.Detail(model, new DrawingRequest("Detail"))!, "with a plate");
    }

    [Theory]
    [InlineData(0.0)]
    [InlineData(30.0)]
    [InlineData(90.0)]
    public void The_boundary_lies_on_a_detail_where_it_lies_on_the_plan(double angle)
    {
        // A line 0.9 m east of the column, whatever way the base is turned; the base is 2 m square, so that it lies 0.1 m within.
        var site = new Site([new(-20, -20), new(0.9, -20), new(0.9, 20), new(-20, 20)], []);
        var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0), angle: angle,
            column: Given.Column(angle: angle)) with
        { Site = site };
        var f = project.Foundations[0];
        var design = Given.Design(2, 2, 0.5);
        var model = new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)]));
        var scale = DrawingScale.For(UnitSystem.Metric).First(s => s.Ratio == 20);
        var plan = DetailPlan.Of(model, scale);
        var line = plan.Items.OfType<PathItem>().Single(p => p.Layer == Layers.Site);
        var outline = plan.Items.OfType<PathItem>().First(p => p.Layer == Layers.Footing);
        var centre = (X: (outline.Points.Min(p => p.X) + outline.Points.Max(p => p.X)) / 2,
            Y: (outline.Points.Min(p => p.Y) + outline.Points.Max(p => p.Y)) / 2);

        // Its distance from the middle of the base, and the way it runs, in the base's own axes.
        var (a, b) = (line.Points[0], line.Points[1]);
        var length = Math.Sqrt(Math.Pow(b.X - a.X, 2) + Math.Pow(b.Y - a.Y, 2));
        var distance = Math.Abs(((b.X - a.X) * (centre.Y - a.Y)) - ((b.Y - a.Y) * (centre.X - a.X))) / length * 20 / 1000;
        distance.Should().BeApproximately(0.9, 1e-6);
        var runs = Math.Atan2(b.Y - a.Y, b.X - a.X) * 180 / Math.PI;
        Math.IEEERemainder(runs - (90 - angle), 180).Should().BeApproximately(0, 1e-6);
        Texts(plan.Items).Should().Contain("site boundary");
    }

    [Fact]
    public void Far_from_the_boundary_no_line_is_drawn()
    {
        var project =
            Given.OneAction(new SupportAction(500, 0, 0, 0, 0,
                0)) with
            { Site = new Site([new(-20, -20), new(20, -20), new(20, 20), new(-20, 20)], []) };
        var f = project.Foundations[0];
        var design = Given.Design(2, 2, 0.5);
        var model = new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)]));
        var scale = DrawingScale.For(UnitSystem.Metric).First(s => s.Ratio == 20);
        foreach (var figure in new[] { DetailPlan.Of(model, scale), DetailSection.Of(model, true, scale),
            DetailSection.Of(model, false, scale) })
        {
            figure.Items.Should().NotContain(i => i.Layer == Layers.Site);
        }
    }

    [Theory]
    [InlineData(UnitSystem.Us, 16.0)]
    [InlineData(UnitSystem.Metric, 25.0)]
    public void Details_are_drawn_large_where_any_paper_holds_them(UnitSystem units, double most)
    {
        foreach (var side in new[] { 1.2, 2.4, 3.6, 4.8 })
        {
            var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0)) with { Units = units };
            var f = project.Foundations[0];
            var design = Given.Design(side, side, 0.6);
            var sheet = FigureSheet.Detail(new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)])),
                new DrawingRequest("Detail"))!;
            sheet.Scale.Ratio.Should().BeLessThanOrEqualTo(most, $"{side} m, {sheet.Paper.Name}");
            SheetChecks.Legible(sheet, $"{side} m");
        }

        // What fits on no paper so is drawn smaller, not left out.
        var large = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0)) with { Units = units };
        var wide = Given.Design(9, 9, 1.2);
        FigureSheet.Detail(new DetailModel(large, large.Foundations[0], wide, BarSchedule.Of(large, [(large.Foundations[0], wide)])),
            new DrawingRequest("Detail"))!.Scale.Ratio.Should().BeGreaterThan(most);
    }

    [Fact]
    public void Materials_and_bearing_stand_on_plan_and_details_of_both_systems()
    {
        foreach (var (units, code, strength, words) in new[] { (UnitSystem.Metric, "aci318m-19", "f'c 30 MPa", "reinforcement Grade 420"),
            (UnitSystem.Us, "aci318-19", "f'c 4,351 psi", "reinforcement Grade 60.92") })
        {
            var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0), code: code) with { Units = units };
            var f = project.Foundations[0];
            var design = Given.Design(2, 2, 0.5);
            var sheet = FigureSheet.Detail(new DetailModel(project, f, design, BarSchedule.Of(project, [(f, design)])),
                new DrawingRequest("Detail"))!;
            Texts(sheet.Items)
                .Should().Contain(t => t.Contains(strength, StringComparison.Ordinal) && t.Contains(words, StringComparison.Ordinal)
                    && t.Contains("allowable bearing ", StringComparison.Ordinal) && t.EndsWith(" gross.", StringComparison.Ordinal));
        }
    }
}
