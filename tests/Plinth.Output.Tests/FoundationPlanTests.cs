using System.Globalization;
using System.Xml.Linq;
using CsCheck;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using UglyToad.PdfPig;

namespace Plinth.Output.Tests;

/// <summary>The foundation plan, read back from every format and compared with the design.</summary>
public class FoundationPlanTests
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";

    private static List<(double X, double Y)> Points(string path) =>
        [.. path.Trim('M', 'Z').Split('L')
            .Select(p => p.Split(' '))
            .Select(p => (double.Parse(p[0], CultureInfo.InvariantCulture), double.Parse(p[1], CultureInfo.InvariantCulture)))];

    private static double Distance((double X, double Y) a, (double X, double Y) b) =>
        Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));

    [Fact]
    public void Footings_in_svg_are_as_large_and_lie_as_designed()
    {
        var (project, designs) = Buildings.Grid();
        var sheet = Buildings.Plan();
        var svg = XElement.Parse(System.Text.Encoding.UTF8.GetString(SvgWriter.Write(sheet)));
        svg.Attribute("width")!.Value.Should().Be(sheet.Paper.Width.ToString(CultureInfo.InvariantCulture) + "mm");
        var drawn = svg.Elements(Svg + "g")
            .Where(g => g.Attribute("class")!.Value == Layers.Footing)
            .Elements(Svg + "path")
            .Select(p => Points(p.Attribute("d")!.Value))
            .ToList();
        drawn.Should().HaveCount(designs.Count);
        var per = 1000 / sheet.Scale.Ratio;
        for (var i = 0; i < designs.Count; i++)
        {
            var (f, design) = designs[i];
            Distance(drawn[i][0], drawn[i][1]).Should().BeApproximately(design.Size.Length * per, 0.002);
            Distance(drawn[i][1], drawn[i][2]).Should().BeApproximately(design.Size.Width * per, 0.002);

            // Centres apart as the building has them.
            (double X, double Y) Middle(int k) => (drawn[k].Average(p => p.X), drawn[k].Average(p => p.Y));
            var (own, first) = (BaseGeometry.Centre(f, f.Places[0], design),
                BaseGeometry.Centre(designs[0].Item1, designs[0].Item1.Places[0], designs[0].Item2));
            (Middle(i).X - Middle(0).X).Should().BeApproximately((own.X - first.X) * per, 0.003);
            (Middle(0).Y - Middle(i).Y).Should().BeApproximately((own.Y - first.Y) * per, 0.003,
                "y upwards in the building, downwards in the file");
        }
    }

    [Fact]
    public void A_column_between_the_grid_lines_has_none_and_spoils_no_name()
    {
        var (project, designs) = Buildings.Grid();
        var between = project.Supports[0] with { Label = "C7", X = 2.5, Grid = "" };
        var f = designs[0].Item1 with { Mark = "F7", Places = [new Place(between, 0, Plinth.Core.Tests.Given.DefaultGround)] };
        project = project with { Supports = [.. project.Supports, between], Foundations = [.. project.Foundations, f] };
        var sheet = FoundationPlan.Of(project, [.. designs, (f, designs[0].Item2)], new DrawingRequest("Foundation plan"))!;
        sheet.Items.OfType<TextItem>()
            .Where(t => t.Layer == Layers.Grid)
            .Select(t => t.Text)
            .Should().BeEquivalentTo(["A", "B", "C", "1", "2"]);
    }

    [Fact]
    public void A_base_under_columns_between_the_grid_lines_is_tied_to_the_nearest()
    {
        var (project, designs) = Buildings.Grid();
        Support[] pair = [.. new[] { ("C7", 5.5),
            ("C8", 5.8) }.Select(c => project.Supports[0] with { Label = c.Item1, X = c.Item2, Grid = "" })];
        var kind = FoundationKinds.For(2);
        var f = designs[0].Item1 with { Mark = "CF1", Kind = kind, Places = [new Place(pair, 0, Plinth.Core.Tests.Given.DefaultGround)] };
        var design = (CombinedDesign)kind.Blank(["C7", "C8"]) with { Size = new BaseSize(2, 1.5, 0.5), HighWidth = 1.5 };
        project = project with { Supports = [.. project.Supports, .. pair], Foundations = [.. project.Foundations, f] };
        var sheet = FoundationPlan.Of(project, [.. designs, (f, design)], new DrawingRequest("Foundation plan"))!;
        SheetChecks.Dimensions(sheet, sheet.Scale);
        var along = sheet.Items.OfType<DimensionItem>()
            .Where(d => !d.Vertical)
            .GroupBy(d => d.Line)
            .Select(g => string.Join(" ", g.OrderBy(d => d.From.X).Select(d => d.Text)))
            .ToList();
        var texts = sheet.Items.OfType<DimensionItem>()
            .Where(d => !d.Vertical)
            .Select(d => (d.Line, Text: Strokes.TextOf(d)))
            .Select(t => (t.Line, t.Text.Point.X, Half: Lettering.Width(t.Text.Text, t.Text.Height) / 2))
            .ToList();
        texts.Where((a, i) => texts.Skip(i + 1).Any(b => a.Line == b.Line && Math.Abs(a.X - b.X) < a.Half + b.Half))
            .Should().BeEmpty("no text stands on another");
        along.Should().Contain("850 300 850", "from edge to edge by both columns").And.Contain("200", "from the second column to line B");
    }

    [Fact]
    public void Every_dimension_says_what_it_measures_and_chains_close()
    {
        var sheet = Buildings.Plan();
        SheetChecks.Dimensions(sheet, sheet.Scale);
        var dimensions = sheet.Items.OfType<DimensionItem>().ToList();

        var along = dimensions.Where(d => !d.Vertical).ToList();
        var overall = along.MaxBy(d => d.To.X - d.From.X)!;
        overall.Text.Should().Be("13500");
        along.Where(d => d != overall && d.Line > overall.Line && Math.Abs(d.Line - overall.Line) < 10)
            .Sum(d => int.Parse(d.Text, CultureInfo.InvariantCulture))
            .Should().Be(13500, "6000 + 7500");

        // The base that is off its column: 2.0 m long, column 0.35 m from its middle.
        along.Select(d => d.Text).Should().Contain(["1350", "650"]);
    }

    [Fact]
    public void No_text_lies_on_another_and_all_lie_within_the_paper()
    {
        foreach (var sheet in new[] { Buildings.Plan(), Buildings.Plan(UnitSystem.Us), Buildings.Plan(paper: "A1"),
            Buildings.Plan(scale: 200), Buildings.Plan(scale: 500) })
        {
            SheetChecks.Legible(sheet, sheet.Title);
        }
    }

    [Theory]
    [InlineData(null, 0, 0)]
    [InlineData(0.0, 0, 1)]
    [InlineData(90.0, -1, 0)]
    public void North_points_where_the_site_says_or_is_not_drawn(double? angle, double x, double y)
    {
        var (project, designs) = Buildings.Grid();
        var sheet = FoundationPlan.Of(project with { Site = project.Site with { NorthDegrees = angle } }, designs,
            new DrawingRequest("Plan"))!;
        var letter = sheet.Items.OfType<TextItem>().SingleOrDefault(t => t.Layer == Layers.Note && t.Text == "N");
        if (angle is null)
        {
            letter.Should().BeNull("nothing is drawn that could be taken for it");
            return;
        }

        var ring = sheet.Items.OfType<CircleItem>().Single(c => c.Layer == Layers.Note).Centre;
        var (dx, dy) = (letter!.Point.X - ring.X, letter.Point.Y + 1.1 - ring.Y);
        (dx / 7.4).Should().BeApproximately(x, 1e-9);
        (dy / 7.4).Should().BeApproximately(y, 1e-9);
    }

    [Fact]
    public void Bubbles_of_close_grid_lines_stand_in_rows()
    {
        var (project, designs) = Buildings.Grid();
        var moved = project.Supports.Select(s => s.X == 6 ? s with { X = 0.5 } : s).ToList();
        var close = project with
        {
            Supports = moved,
            Foundations = [.. project.Foundations.Zip(moved, (f, s) => f with { Places = [f.Places[0] with { Supports = [s] }] })]
        };
        var sheet = FoundationPlan.Of(close, [.. close.Foundations.Zip(designs, (f, d) => (f, d.Item2))], new DrawingRequest("Plan"))!;
        var bubbles = sheet.Items.OfType<CircleItem>().Where(c => c.Layer == Layers.Grid).ToList();
        bubbles.Should().HaveCount(5);
        for (var i = 0; i < bubbles.Count; i++)
        {
            foreach (var other in bubbles.Skip(i + 1))
            {
                Distance((bubbles[i].Centre.X, bubbles[i].Centre.Y), (other.Centre.X, other.Centre.Y))
                    .Should().BeGreaterThan(bubbles[i].Radius * 2);
            }

            (bubbles[i].Centre.X > bubbles[i].Radius && bubbles[i].Centre.Y > bubbles[i].Radius).Should().BeTrue();
        }
    }

    [Fact]
    public void Every_place_has_its_mark_once_and_the_schedule_every_row()
    {
        var (_, designs) = Buildings.Grid();
        var sheet = Buildings.Plan();
        sheet.Items.OfType<TextItem>()
            .Where(t => t.Layer == Layers.Mark && t.Bold)
            .Select(t => t.Text)
            .Should().BeEquivalentTo(designs.Select(d => d.Item1.Mark));
        sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.Mark && !t.Bold).Select(t => t.Text).Should().Equal("30°");
        var schedule = sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.Schedule).Select(t => t.Text).ToList();
        foreach (var (f, design) in designs)
        {
            schedule.Should().Contain(f.Mark).And.Contain(design.Size.Length.ToString("0.000", CultureInfo.InvariantCulture));
        }

        sheet.Items.OfType<TextItem>().Where(t => t.Layer == Layers.Grid).Select(t => t.Text).Should().Equal("A", "B", "C", "1", "2");
    }

    [Theory]
    [InlineData("A3", null, 200)]
    [InlineData("A1", null, 50)]
    [InlineData("A2", 200.0, 200)]
    [InlineData("A3", 20.0, 0)]
    public void Paper_and_scale_are_as_asked_or_nothing(string paper, double? scale, double found)
    {
        var (project, designs) = Buildings.Grid();
        var sheet = FoundationPlan.Of(project, designs, new DrawingRequest("Plan", Paper: Paper.Find(paper), Scale: scale));
        (sheet?.Scale.Ratio ?? 0).Should().Be(found);
    }

    [Theory]
    [InlineData(3.6576, "12'-0\"")]
    [InlineData(3.8227, "12'-6 1/2\"")]
    [InlineData(0.0015875, "0'-0 1/16\"")]
    [InlineData(-0.3048, "−1'-0\"")]
    [InlineData(0.30479, "1'-0\"")]
    public void Feet_and_inches(double metres, string words) => Dimension.Feet(metres).Should().Be(words);

    [Fact]
    public void The_pdf_holds_its_texts_on_a_page_of_the_papers_size()
    {
        var sheet = Buildings.Plan(name: "Ünïted <b>&amp;");
        var bytes = PdfWriter.Write([sheet, sheet]);
        using var pdf = PdfDocument.Open(bytes);
        pdf.NumberOfPages.Should().Be(2);
        var page = pdf.GetPage(1);
        page.Width.Should().BeApproximately(sheet.Paper.Width / 25.4 * 72, 0.5);
        page.Height.Should().BeApproximately(sheet.Paper.Height / 25.4 * 72, 0.5);
        var text = string.Concat(page.Letters.Select(l => l.Value)).Replace(" ", "", StringComparison.Ordinal);
        text.Should().Contain("F6").And.Contain("13500").And.Contain("Footingschedule").And.Contain("Ünïted<b>&amp;");
        PdfWriter.Write([sheet, sheet]).SequenceEqual(bytes).Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void The_schedule_in_the_pdf_has_the_numbers_of_the_design()
    {
        var (_, designs) = Buildings.Grid();
        using var pdf = PdfDocument.Open(PdfWriter.Write([Buildings.Plan()]));
        var rows = pdf.GetPage(1).Letters.Where(l => l.StartBaseLine.Y > 300)
            .GroupBy(l => Math.Round(l.StartBaseLine.Y, 1))
            .Select(g => string.Concat(g.OrderBy(l => l.StartBaseLine.X).Select(l => l.Value)).Replace(" ", "", StringComparison.Ordinal))
            .ToList();
        foreach (var (f, design) in designs)
        {
            var row = string.Create(CultureInfo.InvariantCulture, $"{f.Mark}1{design.Size.Length:0.000}{design.Size.Width:0.000}450");
            rows.Should().Contain(r => r.Contains(row, StringComparison.Ordinal), f.Mark);
        }
    }

    [Fact]
    public void The_png_is_as_large_as_the_paper_at_its_resolution()
    {
        var sheet = Buildings.Plan();
        var png = PngWriter.Write(sheet, 100);
        png.AsSpan(1, 3).SequenceEqual("PNG"u8).Should().BeTrue();
        System.Buffers.Binary.BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(16))
            .Should().Be((int)Math.Round(sheet.Paper.Width / 25.4 * 100));
    }

    [Fact]
    public void Hatching_stays_inside_what_it_fills() => Gen.Select(Gen.Double[5, 60], Gen.Double[5, 60], Gen.Double[0, 90]).Sample(
        (w, h, angle) =>
        {
            var (sin, cos) = Math.SinCos(angle * Math.PI / 180);
            At Turn(double x, double y) => new(100 + (x * cos) - (y * sin), 100 + (x * sin) + (y * cos));
            var area = new PathItem(Layers.Site, [Turn(0, 0), Turn(w, 0), Turn(w, h), Turn(0, h)], true, Stroke.Thin, Fill.Hatch);
            foreach (var end in Strokes.Hatch(area).SelectMany(l => l.Points))
            {
                var (x, y) = (((end.X - 100) * cos) + ((end.Y - 100) * sin), ((end.Y - 100) * cos) - ((end.X - 100) * sin));
                (x >= -1e-9 && x <= w + 1e-9 && y >= -1e-9 && y <= h + 1e-9).Should().BeTrue();
            }
        },
        iter: 200);
}
