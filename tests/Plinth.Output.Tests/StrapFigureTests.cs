using System.Globalization;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Strap;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Tests;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>Detail and figures of straps of any size, read back and compared with the design.</summary>
public class StrapFigureTests
{
    private static (Project Project, StrapDesign Design) Made(double span, double[] sides, double[] thick, double width, double depth, int stirrups,
        int bars, UnitSystem units)
    {
        var rules = Given.Rules with { Ground = Given.DefaultGround with { FoundingDepth = 2.6, Bearing = 400 } };
        Support At(string label, double x) => new(label, x, 0, null, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", "");
        Support[] supports = [At("C1", 0), At("C2", span)];
        SupportAction[] actions = [new(450, 5, 4, 6, 20, 0), new(800, -5, 2, 4, 10, 0)];
        var project = Given.OneAction(actions[0], rules) with
        {
            Units = units,
            Supports = supports,
            Actions = new Dictionary<string, SupportAction[]> { ["C1"] = [actions[0]], ["C2"] = [actions[1]] },
            Foundations =
            [
                new Foundation("SF1", [new Place(supports, 0, rules.Ground)], false, HeldValues.Nothing, rules) { Kind = FoundationKinds.Find("strap")! },
            ],
        };
        var (x, y) = (Given.Bars("T16 @ 200 mm"), Given.Bars("T20 @ 150 mm"));
        var none = Given.Bars("none");
        return (project, new StrapDesign(new StrapBase(sides[0], sides[1], thick[0], x, y, none, none),
            new StrapBase(sides[2], sides[3], thick[1], x, y, bars % 2 == 0 ? none : x, bars % 2 == 0 ? none : y),
            new BeamDesign(width, depth, 0.1, Given.Bars(bars > 2 ? "4 T25 hooked" : "5 T20"), Given.Bars("4 T20"),
                Given.Bars(string.Create(CultureInfo.InvariantCulture, $"T10 @ {stirrups * 25} mm")),
                depth > 0.9 ? Given.Bars("4 T16") : none),
            [new CarriedColumn("C1", new Upright(null, Given.Bars("8 T16"))), new CarriedColumn("C2", new Upright(null, none))]));
    }

    private static readonly Gen<(Project Project, StrapDesign Design)> Some =
        from span in Gen.Double[4.5, 8]
        from sides in Gen.Double[1.2, 3.2].Array[4]
        from thick in Gen.Double[0.4, 0.9].Array[2]
        from width in Gen.Double[0.4, 0.8]
        from depth in Gen.Double[0.9, 1.8]
        from stirrups in Gen.Int[4, 16]
        from bars in Gen.Int[0, 3]
        from us in Gen.Bool
        select Made(span, sides, thick, width, depth, stirrups, bars, us ? UnitSystem.Us : UnitSystem.Metric);

    private static string Said(double v, UnitSystem units) =>
        units == UnitSystem.Us ? Dimension.Feet(v) : Math.Round(v * 1000).ToString("0", CultureInfo.InvariantCulture);

    [Fact]
    public void Its_detail_is_legible_and_the_dimensions_close() => Some.Sample(
        g =>
        {
            var (project, f, d) = (g.Project, g.Project.Foundations[0], g.Design);
            var sheet = FigureSheet.Detail(new DetailModel(project, f, d, BarSchedule.Of(project, [(f, d)])), new DrawingRequest("Detail"));
            sheet.Should().NotBeNull();
            SheetChecks.Legible(sheet!, $"{d.Edge.Size} {d.Inner.Size} {d.Beam}");
            SheetChecks.Dimensions(sheet!, sheet!.Scale);
            sheet.Items.OfType<DimensionItem>().Select(x => x.Text).Should().Contain(
            [
                Said(d.Edge.Length, project.Units), Said(d.Edge.Width, project.Units), Said(d.Edge.Thickness, project.Units),
                Said(d.Inner.Length, project.Units), Said(d.Inner.Width, project.Units), Said(d.Inner.Thickness, project.Units),
                Said(d.Beam.Width, project.Units), Said(d.Beam.Depth, project.Units),
            ]);
            DxfWriter.Write(sheet).Should().NotBeEmpty();
        },
        iter: 40);

    [Fact]
    public void Its_sections_and_pressure_are_legible_and_to_scale() => Some.Sample(
        g =>
        {
            var figures = new FoundationFigures(g.Project, g.Project.Foundations[0], g.Design);
            foreach (var kind in (FigureKind[])[FigureKind.Pressure, FigureKind.Sections])
            {
                var figure = figures.Make(kind, null, 235, 150);
                figure.Should().NotBeNull(kind.ToString());
                SheetChecks.Legible(figure!.Alone(g.Project.Units), $"{kind} {g.Design.Edge.Size} {g.Design.Inner.Size}", 1.5);
                if (figure.Scale is { } scale)
                {
                    SheetChecks.Dimensions(figure.Alone(g.Project.Units), scale);
                }
            }
        },
        iter: 30);

    [Fact]
    public void Every_stirrup_is_drawn_where_it_is_counted() => Some.Sample(
        g =>
        {
            var (project, f, d) = (g.Project, g.Project.Foundations[0], g.Design);
            var row = BarSchedule.Of(project, [(f, d)]).Rows.Single(r => r.Group.Role == BarRole.Stirrups);
            var model = new DetailModel(project, f, d, BarSchedule.Of(project, [(f, d)]));
            var at = model.State.BeamFigure!.Stirrups;
            at.Should().HaveCount(row.Group.Count);
            for (var i = 1; i < at.Count; i++)
            {
                (at[i] - at[i - 1]).Should().BeLessThanOrEqualTo(d.Beam.Stirrups.Spacing + 1e-9, "none stand farther apart than is stated");
            }

            model.Call(row).Should().Contain(Dimension.Section(d.Beam.Stirrups.Spacing, project.Units), "as stated, not as the rest comes out");
        },
        iter: 30);
}
