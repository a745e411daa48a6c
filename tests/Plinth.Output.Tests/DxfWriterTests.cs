using System.Globalization;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>DXF read back pair by pair.</summary>
public class DxfWriterTests
{
    private sealed record Entity(string Type, List<(int Code, string Value)> Pairs)
    {
        public string Text(int code) => Pairs.First(p => p.Code == code).Value;

        public double Number(int code) => double.Parse(Text(code), CultureInfo.InvariantCulture);

        public List<double> Numbers(int code) =>
            [.. Pairs.Where(p => p.Code == code).Select(p => double.Parse(p.Value, CultureInfo.InvariantCulture))];
    }

    private static List<(int Code, string Value)> Pairs(byte[] dxf)
    {
        var lines = System.Text.Encoding.ASCII.GetString(dxf).Split('\n');
        return [.. Enumerable.Range(0, lines.Length / 2)
            .Select(i => (int.Parse(lines[2 * i], CultureInfo.InvariantCulture), lines[(2 * i) + 1]))];
    }

    private static List<Entity> Entities(byte[] dxf)
    {
        var pairs = Pairs(dxf);
        var from = pairs.IndexOf((2, "ENTITIES")) + 1;
        var list = new List<Entity>();
        for (var i = from; pairs[i] != (0, "ENDSEC"); i++)
        {
            if (pairs[i].Code == 0)
            {
                list.Add(new Entity(pairs[i].Value, []));
            }

            list[^1].Pairs.Add(pairs[i]);
        }

        return list;
    }

    [Fact]
    public void Footings_are_drawn_at_full_size_in_millimetres()
    {
        var (_, designs) = Buildings.Grid();
        var footings = Entities(DxfWriter.Write(Buildings.Plan()))
            .Where(e => e.Type == "LWPOLYLINE" && e.Text(8) == Layers.Footing)
            .ToList();
        footings.Should().HaveCount(designs.Count);
        foreach (var (e, (_, design)) in footings.Zip(designs))
        {
            var (x, y) = (e.Numbers(10), e.Numbers(20));
            Math.Sqrt(Math.Pow(x[1] - x[0], 2) + Math.Pow(y[1] - y[0], 2)).Should().BeApproximately(1000 * design.Size.Length, 1e-3);
            Math.Sqrt(Math.Pow(x[2] - x[1], 2) + Math.Pow(y[2] - y[1], 2)).Should().BeApproximately(1000 * design.Size.Width, 1e-3);
        }
    }

    [Fact]
    public void Dimensions_are_entities_that_measure_what_they_say()
    {
        var dimensions = Entities(DxfWriter.Write(Buildings.Plan())).Where(e => e.Type == "DIMENSION").ToList();
        dimensions.Should().NotBeEmpty();
        foreach (var d in dimensions)
        {
            var vertical = d.Number(50) == 90;
            var measured = Math.Abs(d.Number(vertical ? 24 : 14) - d.Number(vertical ? 23 : 13));
            double.Parse(d.Text(1), CultureInfo.InvariantCulture).Should().BeApproximately(measured, 0.5);
            d.Number(42).Should().BeApproximately(measured, 1e-3);
            d.Text(8).Should().Be(Layers.Dimension);
        }
    }

    [Fact]
    public void A_details_dimensions_measure_the_design_in_the_file()
    {
        var (project, designs) = Buildings.Grid();
        var (f, design) = designs[2];
        var model = new Plinth.Drawing.Figures.DetailModel(project, f, design, Plinth.Core.Schedules.BarSchedule.Of(project, designs));
        var sheet = Plinth.Drawing.Figures.FigureSheet.Detail(model, new Plinth.Drawing.Drawings.DrawingRequest("Detail"))!;
        var dimensions = Entities(DxfWriter.Write(sheet)).Where(e => e.Type == "DIMENSION").ToList();
        foreach (var d in dimensions)
        {
            double.Parse(d.Text(1), CultureInfo.InvariantCulture).Should().BeApproximately(d.Number(42), 0.5);
        }

        // 2.0 m long with its column 0.35 m off the middle, 1.7 m wide, 0.45 m thick.
        var measured = dimensions.Select(d => Math.Round(d.Number(42))).ToList();
        measured.Should().Contain([2000, 1350, 650, 1700, 450]);
        Entities(DxfWriter.Write(sheet))
            .Where(e => e.Type == "CIRCLE" && e.Text(8) == Layers.Bar)
            .Should().HaveCount(26, "13 bars cut in each section");
    }

    [Fact]
    public void Us_drawings_are_in_inches()
    {
        var bytes = DxfWriter.Write(Buildings.Plan(UnitSystem.Us));
        var pairs = Pairs(bytes);
        pairs[pairs.IndexOf((9, "$INSUNITS")) + 1].Should().Be((70, "1"));
        var first = Entities(bytes).First(e => e.Type == "LWPOLYLINE" && e.Text(8) == Layers.Footing);
        (first.Numbers(10)[1] - first.Numbers(10)[0]).Should().BeApproximately(1.8 / 0.0254, 1e-3);
    }

    [Fact]
    public void Every_handle_is_its_own_and_every_owner_layer_and_block_is_there()
    {
        var pairs = Pairs(DxfWriter.Write(Buildings.Plan()));
        var handles = pairs.Where((p, i) => p.Code == 5 && pairs[i - 1] != (9, "$HANDSEED"))
            .Select(p => p.Value)
            .Concat(pairs.Where(p => p.Code == 105).Select(p => p.Value))
            .ToList();
        handles.Should().OnlyHaveUniqueItems();
        pairs.Where(p => p.Code == 330 && p.Value != "0").Select(p => p.Value).Distinct().Should().BeSubsetOf(handles);
        pairs[^1].Should().Be((0, "EOF"));
        var layers = Enumerable.Range(0, pairs.Count - 5)
            .Where(i => pairs[i] == (0, "LAYER"))
            .Select(i => pairs.Skip(i).First(p => p.Code == 2).Value)
            .ToList();
        Entities(DxfWriter.Write(Buildings.Plan())).Select(e => e.Text(8)).Distinct().Should().BeSubsetOf(layers);
        var blocks = Enumerable.Range(0, pairs.Count)
            .Where(i => pairs[i] == (0, "BLOCK"))
            .Select(i => pairs.Skip(i).First(p => p.Code == 2).Value)
            .ToList();
        Entities(DxfWriter.Write(Buildings.Plan()))
            .Where(e => e.Type == "DIMENSION")
            .Select(e => e.Text(2))
            .Should().BeSubsetOf(blocks).And.OnlyHaveUniqueItems();
        pairs.Where(p => p.Code == 6).Select(p => p.Value).Distinct().Should().BeSubsetOf(["Continuous", "CHAIN", "BOUNDARY", "HIDDEN"]);
    }

    [Theory]
    [InlineData("100 %", "100 %%%")]
    [InlineData("%%c16", "%%%%%%c16")]
    [InlineData("a\\Pb{c}", "a\\U+005CPb\\U+007Bc\\U+007D")]
    [InlineData("a^Jb", "a\\U+005EJb")]
    [InlineData("4 × Ø", "4 \\U+00D7 \\U+00D8")]
    [InlineData("two\nlines", "two lines")]
    public void Labels_begin_no_code(string text, string written)
    {
        var sheet = new Sheet("t", Paper.Find("A4")!, new DrawingScale(100, "1:100"), UnitSystem.Metric,
            [new TextItem(Layers.Note, new(10, 10), 2, text)]);
        Entities(DxfWriter.Write(sheet)).Single().Text(1).Should().Be(written);
    }
}
