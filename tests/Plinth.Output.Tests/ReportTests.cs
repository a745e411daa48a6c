using System.Text;
using System.Text.RegularExpressions;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Validation;
using DocumentFormat.OpenXml.Wordprocessing;
using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Reports.Building;
using Plinth.Reports.Writers;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Outline;

namespace Plinth.Output.Tests;

/// <summary>Reports, read back from every format.</summary>
public class ReportTests
{
    private static ReportInput Input(ReportDepth depth = ReportDepth.Full, string name = "Test", string label = "C",
        UnitSystem units = UnitSystem.Metric)
    {
        var (project, designs) = Buildings.Grid(units, name, label);
        var reports =
            designs.Select(d => new FoundationReport(d.Item1, d.Item2, new Checker(project, d.Item1).Check(d.Item2)) { Room = 0.05 })
                .ToList();
        return new ReportInput(project, reports, BarSchedule.Of(project, designs), WholeBuilding.Of(project, designs),
            Auditor.Run(project, new Dictionary<string, StatedTotal> { ["DEAD"] = new(3010, null, null) }),
            [new("ground", "bearing", "200 kPa", "plinth.toml:9:3", true),
                new("ground", "adhesion", "0 kPa", "default", false)])
        { Depth = depth, Revision = "B", Version = "1.2" };
    }

    private static byte[] Written(IReportWriter writer, ReportInput input)
    {
        using var stream = new MemoryStream();
        writer.Write(ReportBuilder.Of(input), stream);
        return stream.ToArray();
    }

    private static string Html(ReportInput input) => Encoding.UTF8.GetString(Written(new HtmlReport(), input));

    [Fact]
    public void Every_link_of_the_page_leads_somewhere_and_nothing_is_fetched()
    {
        var html = Html(Input());
        var ids = Regex.Matches(html, "id=\"([^\"]+)\"").Select(m => m.Groups[1].Value).ToList();
        ids.Should().OnlyHaveUniqueItems();
        Regex.Matches(html, "href=\"#([^\"]+)\"").Select(m => m.Groups[1].Value).Distinct().Should().BeSubsetOf(ids);
        Regex.Matches(html, "(src|href)=\"(?!#)").Should().BeEmpty("it works offline");
        html.Should().NotContain("@import").And.NotContain("url(");
        foreach (var tag in new[] { "section", "table", "tbody", "div", "figure", "svg", "p", "main", "nav", "tr", "td" })
        {
            Regex.Count(html, $"<{tag}[ >]").Should().Be(Regex.Count(html, $"</{tag}>"), tag);
        }
    }

    [Fact]
    public void The_page_holds_every_check_of_every_footing_and_every_step_of_it()
    {
        var input = Input();
        var html = Html(input);
        foreach (var r in input.Reports)
        {
            var g = r.Result!.Governing;
            html.Should().Contain($">{r.Foundation.Mark}</a></td>").And.Contain(Wording.Words(g));
            var checker = new Checker(input.Project, r.Foundation);
            foreach (var check in r.Result.Checks)
            {
                html.Should().Contain($">{System.Security.SecurityElement.Escape(Wording.Words(check))}");
                var (steps, _) = checker.Trace(r.Design!, check.Id, check.Place, null)!.Value;
                foreach (var s in steps.Where(s => s.Kind is Core.Tracing.TraceKind.Formula or Core.Tracing.TraceKind.Empirical
                    && s.Formula.Any(p => p.Text is null)))
                {
                    html.Should().Contain("= " + System.Security.SecurityElement.Escape(s.FormulaText)).And.Contain("= "
                        + System.Security.SecurityElement.Escape(s.Substituted(UnitSystem.Metric)));
                }
            }
        }
    }

    [Fact]
    public void What_checks_of_a_footing_share_is_told_once()
    {
        var html = Html(Input());
        var one = html[html.IndexOf("id=\"f-1\"", StringComparison.Ordinal)..html.IndexOf("id=\"f-2\"", StringComparison.Ordinal)];
        Regex.Count(one, "<td colspan=\"4\">Loads at the centre of the underside, A</td>").Should().Be(1);
        Regex.Count(one, "Loads at the centre of the underside, A: as under equilibrium at C1, A\\.").Should().BeGreaterThan(5);
    }

    [Fact]
    public void Labels_are_no_mark_up_in_any_format()
    {
        const string Name = "<script>alert(1)</script> & \"Co\"";
        var input = Input(ReportDepth.Checks, Name, "<b>C");
        var html = Html(input);
        Regex.Count(html, "<script").Should().Be(1, "the page's own");
        html.Should().Contain("&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;Co&quot;").And.Contain("&lt;b&gt;C1").And.NotContain(
            "<b>C");
        using var pdf = PdfDocument.Open(Written(new PdfReport(), input));
        Letters(pdf.GetPage(1)).Should().Contain("<script>alert(1)</script>&\"Co\"");
        using var docx = WordprocessingDocument.Open(new MemoryStream(Written(new DocxReport(), input)), false);
        docx.MainDocumentPart!.Document!.Body!.Descendants<Text>().Select(t => t.Text).Should().Contain(Name + ", 12");
    }

    private static string Letters(UglyToad.PdfPig.Content.Page page) =>
        string.Concat(page.Letters.Select(l => l.Value)).Replace(" ", "", StringComparison.Ordinal);

    [Theory]
    [InlineData(UnitSystem.Metric, 595.28, 841.89)]
    [InlineData(UnitSystem.Us, 611.9, 792)]
    public void The_contents_and_bookmarks_of_the_pdf_name_the_pages_on_which_headings_stand(UnitSystem units, double width, double height)
    {
        var input = Input(ReportDepth.Checks, units: units);
        var bytes = Written(new PdfReport(), input);
        using var pdf = PdfDocument.Open(bytes);
        pdf.GetPage(1).Width.Should().BeApproximately(width, 1);
        pdf.GetPage(1).Height.Should().BeApproximately(height, 1);
        pdf.TryGetBookmarks(out var bookmarks).Should().BeTrue();
        var nodes = bookmarks!.GetNodes().OfType<DocumentBookmarkNode>().ToList();
        nodes.Select(n => n.Title).Should().Contain(["Basis of design", "Loads", "Results", "Schedules", "Footings"]);
        var contents = Letters(pdf.GetPage(1));
        foreach (var (r, i) in input.Reports.Select((r, i) => (r, i)))
        {
            var node = nodes.Single(n => n.Title.StartsWith(r.Foundation.Mark + " ", StringComparison.Ordinal));
            var heading = $"{r.Foundation.Mark},isolatedfootingunder{r.Foundation.Places[0].Name}";
            Letters(pdf.GetPage(node.PageNumber)).Should().Contain(heading);
            contents.Should().Contain(heading);
        }

        nodes.Select(n => n.PageNumber).Should().BeInAscendingOrder();
        for (var p = 1; p <= pdf.NumberOfPages; p++)
        {
            var text = Letters(pdf.GetPage(p));
            text.Should().Contain("Test,12").And.Contain("revisionB").And.Contain($"page{p}of{pdf.NumberOfPages}");
        }

        Written(new PdfReport(), input).SequenceEqual(bytes).Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void Nothing_of_the_pdf_lies_outside_its_margins()
    {
        using var pdf = PdfDocument.Open(Written(new PdfReport(), Input()));
        foreach (var page in pdf.GetPages())
        {
            page.Letters.Where(l => !string.IsNullOrWhiteSpace(l.Value))
                .Should().OnlyContain(l => l.BoundingBox.Left > 40 && l.BoundingBox.Right < page.Width - 40 && l.BoundingBox.Bottom > 15
                    && l.BoundingBox.Top < page.Height - 15, $"page {page.Number}");
        }
    }

    [Fact]
    public void The_docx_is_valid_with_styles_real_tables_and_links_that_lead_somewhere()
    {
        var input = Input(ReportDepth.Full);
        var bytes = Written(new DocxReport(), input);
        using var docx = WordprocessingDocument.Open(new MemoryStream(bytes), false);
        new OpenXmlValidator(DocumentFormat.OpenXml.FileFormatVersions.Office2019).Validate(docx)
            .Select(e => e.Description + " " + e.Path?.XPath)
            .Should().BeEmpty();
        var body = docx.MainDocumentPart!.Document!.Body!;
        var bookmarks = body.Descendants<BookmarkStart>().Select(b => b.Name!.Value!).ToList();
        body.Descendants<Hyperlink>().Select(h => h.Anchor!.Value!).Distinct().Should().NotBeEmpty().And.BeSubsetOf(bookmarks);
        var styles = docx.MainDocumentPart.StyleDefinitionsPart!.Styles!.Elements<Style>().Select(s => s.StyleId!.Value!).ToHashSet();
        body.Descendants<ParagraphStyleId>().Select(s => s.Val!.Value!).Distinct().Should().BeSubsetOf(styles);
        body.Elements<Paragraph>()
            .Where(p => p.ParagraphProperties?.ParagraphStyleId?.Val?.Value == "Heading2")
            .Select(p => p.InnerText)
            .Should().HaveCount(input.Reports.Count);
        var cells = body.Elements<Table>()
            .SelectMany(t => t.Elements<TableRow>())
            .Select(r => r.Elements<TableCell>().Select(c => c.InnerText).ToList())
            .ToList();
        foreach (var check in input.Reports[0].Result!.Checks)
        {
            cells.Should().Contain(r => r[0] == Wording.Words(check)
                && r.Contains(Wording.Utilisation(check.Utilisation, check.Outcome.Passes)), check.Id);
        }

        docx.MainDocumentPart.ImageParts.Should().HaveCountGreaterThan(4 * input.Reports.Count);
        docx.MainDocumentPart.HeaderParts.Single().Header!.InnerText.Should().Contain("Test, 12").And.Contain("revision B");
        Written(new DocxReport(), input).SequenceEqual(bytes).Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void A_summary_is_short_and_tells_totals_against_the_analysis_and_what_fails()
    {
        var input = Input(ReportDepth.Summary);
        using var pdf = PdfDocument.Open(Written(new PdfReport(), input));
        pdf.NumberOfPages.Should().BeLessThanOrEqualTo(4);
        var html = Html(input);
        html.Should().Contain("3000.0").And.Contain("3010.0").And.Contain("−10.0",
            "what the supports bring less what the analysis says").And.Contain(Wording.Summary(input.Reports)).And.Contain(
                "Not checked: ").And.Contain("200 kPa").And.NotContain("adhesion", "a default is not stated");
        html.Should().NotContain("id=\"f-1\"");
    }

    [Fact]
    public void Chapters_are_those_asked_for()
    {
        var html = Html(Input() with { Chapters = ["loads"] });
        html.Should().Contain("id=\"c-loads\"").And.NotContain("id=\"c-basis\"").And.NotContain("id=\"c-footings\"");
        Regex.Matches(html, "href=\"#([^\"]+)\"").Select(m => m.Groups[1].Value).Distinct().Should().Equal("c-loads");
    }

    [Fact]
    public void A_footing_that_is_not_sized_is_told_of_as_such()
    {
        var input = Input();
        var html = Html(input with { Reports = [.. input.Reports.Skip(1), input.Reports[0] with { Design = null, Result = null }] });
        html.Should().Contain("✗ not sized").And.Contain("1 not sized");
        html.IndexOf("✗ not sized", StringComparison.Ordinal)
            .Should().BeLessThan(html.IndexOf("✓ ok", StringComparison.Ordinal) is > 0 and var ok ? ok : int.MaxValue,
                "what fails stands first");
    }
}
