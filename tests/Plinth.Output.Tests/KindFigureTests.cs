using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Tests;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>Details, figures and plan of foundations of every kind as sizing finds them.</summary>
public class KindFigureTests
{
    private static readonly Gen<(double A, double B, double C, bool Us)> Numbers =
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1], Gen.Bool);

    public static TheoryData<string> Kinds => [.. SomeKinds.All];

    private static void Each(string kind, int iter, Action<Project, Foundation, FoundationDesign> holds) => Numbers.Sample(
        n =>
        {
            var project = SomeKinds.Of(kind, n.A, n.B, n.C, n.Us ? UnitSystem.Us : UnitSystem.Metric);
            var f = project.Foundations[0];
            if (FoundationSizer.Of(project, f).Size().Design is { } design)
            {
                holds(project, f, design);
            }
            else
            {
                FoundationSizer.Of(project, f).Size().Stop.Should().NotBeNull("what is not found is told");
            }
        },
        iter: iter);

    private static DetailModel Model(Project project, Foundation f, FoundationDesign design) =>
        new(project, f, design, BarSchedule.Of(project, [(f, design)]));

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Its_detail_is_legible_and_its_dimensions_close(string kind) => Each(kind, 4, (project, f, design) =>
    {
        var sheet = FigureSheet.Detail(Model(project, f, design), new DrawingRequest("Detail"));
        sheet.Should().NotBeNull();
        SheetChecks.Legible(sheet!, $"{kind} {design}");
        SheetChecks.Dimensions(sheet!, sheet!.Scale);
        var said = sheet.Items.OfType<DimensionItem>().Select(d => d.Text).ToList();

        // Of a strap these are those of all of it; its parts' stand on its own sheet.
        foreach (var side in kind == "strap" ? [] : (double[])[design.Size.Length, design.Size.Width, design.Size.Thickness])
        {
            said.Should().Contain(project.Units == UnitSystem.Us ? Dimension.Feet(side)
                : Math.Round(side * 1000).ToString("0", System.Globalization.CultureInfo.InvariantCulture), $"{kind} {design.Size}");
        }
    });

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Every_bar_of_the_schedule_is_called_on_the_detail(string kind) => Each(kind, 3, (project, f, design) =>
    {
        var schedule = BarSchedule.Of(project, [(f, design)]);
        var sheet = FigureSheet.Detail(new DetailModel(project, f, design, schedule), new DrawingRequest("Detail"))!;
        var texts = string.Join('\n', sheet.Items.OfType<TextItem>().Select(t => t.Text));
        foreach (var row in schedule.Rows)
        {
            texts.Should().Contain(row.BarMark, $"{row.Group.Role} of {kind} stand in what is drawn");
        }
    });

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Its_figures_are_legible_and_to_scale(string kind) => Each(kind, 3, (project, f, design) =>
    {
        var figures = new FoundationFigures(project, f, design);
        var made = 0;
        foreach (var what in Enum.GetValues<FigureKind>())
        {
            if (figures.Make(what, null, 235, 150) is not { } figure)
            {
                continue;
            }

            made++;
            var alone = figure.Alone(project.Units);
            SheetChecks.Legible(alone, $"{what} of {kind} {design}", 1.5);
            if (figure.Scale is { } scale)
            {
                SheetChecks.Dimensions(alone, scale);
            }
        }

        made.Should().BeGreaterThanOrEqualTo(2, "at least sections and steel");
    });

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Its_figures_read_alike_in_every_combination(string kind) => Each(kind, 1, (project, f, design) =>
    {
        var figures = new FoundationFigures(project, f, design);
        foreach (var combination in project.Combinations.Used.Where((_, i) => i % 4 == 0))
        {
            foreach (var what in (FigureKind[])[FigureKind.Pressure, FigureKind.Forces])
            {
                if (figures.Make(what, combination.Name, 235, 150) is { } figure)
                {
                    SheetChecks.Legible(figure.Alone(project.Units), $"{what} of {kind} under {combination.Name}", 1.5);
                }
            }
        }
    });

    [Theory]
    [MemberData(nameof(Kinds))]
    public void The_plan_shows_it_with_its_mark_to_scale(string kind) => Each(kind, 2, (project, f, design) =>
    {
        var sheet = FoundationPlan.Of(project, [(f, design)], new DrawingRequest("Plan"));
        sheet.Should().NotBeNull();
        SheetChecks.Legible(sheet!, $"{kind} {design.Size}");
        SheetChecks.Dimensions(sheet!, sheet!.Scale);
        sheet.Items.OfType<TextItem>().Select(t => t.Text).Should().Contain(t => t.Contains(f.Mark, StringComparison.Ordinal));
    });

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_is_written_is_the_same_twice_and_all_of_it(string kind) => Each(kind, 1, (project, f, design) =>
    {
        Sheet Detail() => FigureSheet.Detail(Model(project, f, design), new DrawingRequest("Detail"))!;
        var (one, two) = (DxfWriter.Write(Detail()), DxfWriter.Write(Detail()));
        two.Should().Equal(one, "the same input gives the same bytes");
        var dxf = System.Text.Encoding.UTF8.GetString(one);
        foreach (var d in Detail().Items.OfType<DimensionItem>())
        {
            dxf.Should().Contain(d.Text);
        }

        SvgWriter.Write(Detail()).Should().Equal(SvgWriter.Write(Detail()));
    });
}
