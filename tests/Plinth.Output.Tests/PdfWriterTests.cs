using Plinth.Core.Units;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Outline;

namespace Plinth.Output.Tests;

/// <summary>PDF read back by a reader of its own.</summary>
public class PdfWriterTests
{
    private static Sheet Of(params Item[] items) => new("t", Paper.Find("A4")!, new DrawingScale(100, "1:100"), UnitSystem.Metric, items);

    [Fact]
    public void More_characters_than_a_simple_font_holds_are_all_there()
    {
        // Latin, Greek, Cyrillic: more than 255 in one document, so in more than one font.
        var all = Enumerable.Range(0x21, 0x5E).Concat(Enumerable.Range(0xA1, 0x0C)).Concat(Enumerable.Range(0xC0, 0x17F - 0xC0))
            .Concat(Enumerable.Range(0x3B1, 24)).Concat(Enumerable.Range(0x410, 64))
            .Select(c => (char)c)
            .Where(c => Lettering.Has(c, false))
            .ToList();
        all.Should().HaveCountGreaterThan(300);
        var lines = all.Chunk(40)
            .Select((c, i) => (Item)new TextItem(Layers.Note, new(20, 180 - (6 * i)), 2.5, string.Concat(c)))
            .ToArray();
        using var pdf = PdfDocument.Open(PdfWriter.Write([Of(lines)]));
        var letters = pdf.GetPage(1).Letters.Select(l => l.Value).ToHashSet();
        all.Where(c => !letters.Contains(c.ToString())).Should().BeEmpty();
    }

    [Fact]
    public void A_character_without_a_glyph_is_replaced_and_stops_nothing()
    {
        using var pdf = PdfDocument.Open(PdfWriter.Write([Of(new TextItem(Layers.Note, new(20, 100), 2.5, "A\u4E2D\U0001F600B"))]));
        string.Concat(pdf.GetPage(1).Letters.Select(l => l.Value)).Should().StartWith("A").And.EndWith("B").And.HaveLength(4);
    }

    [Theory]
    [InlineData(Anchor.Left, 0)]
    [InlineData(Anchor.Middle, 0.5)]
    [InlineData(Anchor.Right, 1)]
    public void Texts_stand_where_the_sheet_has_them(Anchor anchor, double before)
    {
        var width = Lettering.Width("HHHH", 5);
        using var pdf = PdfDocument.Open(PdfWriter.Write([Of(new TextItem(Layers.Note, new(100, 50), 5, "HHHH", anchor))]));
        var letters = pdf.GetPage(1).Letters;
        var left = letters.Min(l => l.StartBaseLine.X) / 72 * 25.4;
        left.Should().BeApproximately(100 - (before * width), 0.05);
        (letters[0].StartBaseLine.Y / 72 * 25.4).Should().BeApproximately(50, 0.05);
        (letters.Max(l => l.EndBaseLine.X) / 72 * 25.4).Should().BeApproximately(left + width, 0.1);
    }

    [Fact]
    public void A_turned_text_runs_upwards()
    {
        using var pdf = PdfDocument.Open(PdfWriter.Write([Of(new TextItem(Layers.Note, new(100, 50), 3, "HIJ", Anchor.Left, 90))]));
        var letters = pdf.GetPage(1).Letters;
        letters.Select(l => l.StartBaseLine.X / 72 * 25.4).Should().OnlyContain(x => Math.Abs(x - 100) < 0.1);
        letters.Select(l => l.StartBaseLine.Y).Should().BeInAscendingOrder();
    }

    // At 1:100 a millimetre of the building is a hundredth of one on paper: piles are set out from the sheet that DXF and PDF both draw.
    [Fact]
    public void Circles_stand_where_the_sheet_has_them_to_a_millimetre_of_the_building()
    {
        At[] at = [new(20.2, 30.1), new(101.2345, 57.8913), new(137.7771, 90.0049), new(99.999, 41.003)];
        using var pdf =
            PdfDocument.Open(PdfWriter.Write([Of([.. at.Select(a => (Item)new CircleItem(Layers.Pile, a, 2.25, Stroke.Edge))])]));
        var centres = pdf.GetPage(1).Paths.Select(p => p.GetBoundingRectangle()!.Value)
            .Select(b => ((b.Left + b.Right) / 2 / 72 * 25.4, (b.Bottom + b.Top) / 2 / 72 * 25.4))
            .ToList();
        centres.Should().HaveCount(at.Length);
        foreach (var ((x, y), a) in centres.Zip(at))
        {
            x.Should().BeApproximately(a.X, 0.01);
            y.Should().BeApproximately(a.Y, 0.01);
        }
    }

    [Fact]
    public void Lines_are_as_long_as_on_the_sheet()
    {
        using var pdf =
            PdfDocument.Open(
                PdfWriter.Write(
                    [Of(new PathItem(Layers.Footing, [new(20, 30), new(120, 30), new(120, 80), new(20, 80)], true, Stroke.Edge,
                        Fill.Light) { Tint = 0x3F7DB5 })]));
        var box = pdf.GetPage(1).Paths.Select(p => p.GetBoundingRectangle()!.Value).ToList();
        box.Should().HaveCount(2, "what is filled and its edge");
        box.Should().OnlyContain(b => Math.Abs(b.Width - (100 / 25.4 * 72)) < 0.1 && Math.Abs(b.Height - (50 / 25.4 * 72)) < 0.1);
    }

    [Fact]
    public void Bookmarks_lie_within_each_other()
    {
        using var writer = new PdfWriter("Title");
        for (var i = 0; i < 4; i++)
        {
            writer.Page(210, 297).Text($"page {i + 1}", 20, 250, 4);
        }

        var bytes = writer.Build([("A", 0, 1, 250), ("A1", 1, 2, 250), ("A2", 1, 3, 200), ("B", 0, 4, 250)]);
        using var pdf = PdfDocument.Open(bytes);
        pdf.Information.Title.Should().Be("Title");
        pdf.TryGetBookmarks(out var bookmarks).Should().BeTrue();
        bookmarks!.Roots.Select(r => r.Title).Should().Equal("A", "B");
        bookmarks.Roots[0].Children.Select(c => c.Title).Should().Equal("A1", "A2");
        bookmarks.GetNodes().OfType<DocumentBookmarkNode>().Select(n => n.PageNumber).Should().Equal(1, 2, 3, 4);
    }
}
