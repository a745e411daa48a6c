using System.Globalization;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using Plinth.Reports.Documents;
using Plinth.Shared;
using A = DocumentFormat.OpenXml.Drawing;
using Block = Plinth.Reports.Documents.Block;
using Heading = Plinth.Reports.Documents.Heading;
using P = DocumentFormat.OpenXml.Drawing.Pictures;
using Paragraph = Plinth.Reports.Documents.Paragraph;
using Table = Plinth.Reports.Documents.Table;
using W = DocumentFormat.OpenXml.Wordprocessing;
using Wp = DocumentFormat.OpenXml.Drawing.Wordprocessing;

namespace Plinth.Reports.Writers;

/// <summary>
/// Writes a report as DOCX (ISO/IEC 29500) to be edited: styles, real tables, contents, project and revision in the header.
/// </summary>
public sealed class DocxReport : IReportWriter
{
    private const double TwipsPerMillimetre = 1440 / 25.4;
    private const double EmuPerMillimetre = 36000;
    private const double Margin = 18;
    private const double PictureDots = 200;

    // Texts of tables, 7.5 points, and the room beside them.
    private const double TableSize = 2.65;
    private const double TablePad = 1.3;

    /// <inheritdoc/>
    public void Write(ReportDocument report, Stream stream)
    {
        ArgumentNullException.ThrowIfNull(report);
        ArgumentNullException.ThrowIfNull(stream);
        using var made = new MemoryStream();
        using (var document = WordprocessingDocument.Create(made, WordprocessingDocumentType.Document))
        {
            new Writing(document, report).Run();
        }

        UndatedArchive.Repack(made, stream);
    }

    private sealed class Writing(WordprocessingDocument document, ReportDocument report)
    {
        private readonly MainDocumentPart main = document.AddMainDocumentPart();
        private readonly Paper paper = Paper.Find(report.Units == UnitSystem.Us ? "ANSI A" : "A4")!;
        private int bookmarks;
        private uint pictures;

        private double TextWidth => paper.Height - (2 * Margin);

        public void Run()
        {
            document.ChangeIdOfPart(main, "main");
            Styles();
            main.AddNewPart<DocumentSettingsPart>("settings").Settings = new Settings(
                new Compatibility(new CompatibilitySetting
                {
                    Name = CompatSettingNameValues.CompatibilityMode,
                    Uri = "http://schemas.microsoft.com/office/word",
                    Val = "15"
                }));
            HeaderAndFooter();
            using var to = OpenXmlWriter.Create(main);
            to.WriteStartElement(new Document());
            to.WriteStartElement(new Body());
            to.WriteElement(Text(report.Title, "Title"));
            to.WriteElement(Text(report.ProjectWords, "Subtitle"));
            foreach (var (name, value) in new[] { ("client", report.Project.Client), ("site", report.Project.Site),
                ("engineer", report.Project.Engineer), ("checker", report.Project.Checker), ("date", report.Project.Date),
                ("revision", report.Revision.Length == 0 ? "preliminary" : report.Revision), ("made by", report.Program) })
            {
                if (value.Length > 0)
                {
                    to.WriteElement(Text($"{name}: {value}", null));
                }
            }

            Contents(to);
            foreach (var block in report.Blocks)
            {
                Write(to, block);
            }

            to.WriteElement(new SectionProperties(
                new HeaderReference { Type = HeaderFooterValues.Default, Id = "header" },
                new FooterReference { Type = HeaderFooterValues.Default, Id = "footer" },
                new PageSize { Width = Twips(paper.Height), Height = Twips(paper.Width) },
                new PageMargin
                {
                    Left = Twips(Margin),
                    Right = Twips(Margin),
                    Top = (int)Twips(22),
                    Bottom = (int)Twips(18),
                    Header = Twips(10),
                    Footer = Twips(8)
                }));
            to.WriteEndElement();
            to.WriteEndElement();
        }

        private static uint Twips(double mm) => (uint)Math.Round(mm * TwipsPerMillimetre);

        private void Contents(OpenXmlWriter to)
        {
            if (report.Contents.Count < 2)
            {
                return;
            }

            to.WriteElement(Text("Contents", "ContentsHeading"));
            foreach (var entry in report.Contents)
            {
                to.WriteElement(new W.Paragraph(
                    new ParagraphProperties(new ParagraphStyleId { Val = entry.Level == 1 ? "TOC1" : "TOC2" }),
                    new Hyperlink(
                        Run(entry.Text + (entry.Tone == Tone.Fail ? "   ✗ FAIL" : ""), entry.Tone),
                        new Run(new TabChar()),
                        new Run(new FieldChar { FieldCharType = FieldCharValues.Begin }),
                        new Run(new FieldCode($" PAGEREF {Bookmark(entry.Anchor)} \\h ") { Space = SpaceProcessingModeValues.Preserve }),
                        new Run(new FieldChar { FieldCharType = FieldCharValues.Separate }),
                        new Run(new W.Text("")),
                        new Run(new FieldChar { FieldCharType = FieldCharValues.End }))
                    { Anchor = Bookmark(entry.Anchor), History = true }));
            }
        }

        private static string Bookmark(string anchor) => "_" + anchor.Replace('-', '_');

        private void Write(OpenXmlWriter to, Block block)
        {
            switch (block)
            {
                case Heading h:
                    var heading = new W.Paragraph(
                        new ParagraphProperties(new ParagraphStyleId { Val = "Heading" + h.Level.ToString(CultureInfo.InvariantCulture) }));
                    if (h.NewPage || (h.Level == 1 && bookmarks == 0 && report.Contents.Count > 1))
                    {
                        heading.ParagraphProperties!.Append(new PageBreakBefore());
                    }

                    if (h.Anchor.Length > 0)
                    {
                        var id = (++bookmarks).ToString(CultureInfo.InvariantCulture);
                        heading.Append(new BookmarkStart { Id = id, Name = Bookmark(h.Anchor) }, Run(h.Text, Tone.Plain),
                            new BookmarkEnd { Id = id });
                    }
                    else
                    {
                        heading.Append(Run(h.Text, Tone.Plain));
                    }

                    to.WriteElement(heading);
                    break;
                case Paragraph p:
                    to.WriteElement(new W.Paragraph(Run(p.Text, p.Tone)));
                    break;
                case Table t:
                    Write(to, t);
                    break;
                case Steps s:
                    to.WriteElement(Made(s));
                    to.WriteElement(new W.Paragraph());
                    break;
                case FigureRow f:
                    Write(to, f);
                    break;
            }
        }

        private void Write(OpenXmlWriter to, Table t)
        {
            if (t.Caption.Length > 0)
            {
                to.WriteElement(Text(t.Caption, "Caption"));
            }

            var widths = TableWidths.Of(TextWidth, t, TableSize, TablePad);
            var table = new W.Table(new TableProperties(new TableStyle { Val = "PlinthTable" },
                new TableWidth { Width = Twips(widths.Sum()).ToString(CultureInfo.InvariantCulture), Type = TableWidthUnitValues.Dxa },
                new TableLayout { Type = TableLayoutValues.Fixed }, new TableLook { FirstRow = true }));
            table.Append(new TableGrid(widths.Select(w => new GridColumn { Width = Twips(w).ToString(CultureInfo.InvariantCulture) })));
            if (t.Columns.Any(c => c.Title.Length > 0))
            {
                table.Append(new TableRow([new TableRowProperties(new CantSplit(), new TableHeader()),
                    .. t.Columns.Select(c => (OpenXmlElement)CellOf(c.Title, Tone.Strong, c.Number, true, null))]));
            }

            foreach (var row in t.Rows)
            {
                table.Append(new TableRow([new TableRowProperties(new CantSplit()),
                    .. row.Select((c, i) => (OpenXmlElement)CellOf(c.Text, c.Tone, t.Columns[i].Number, false, c.Link))]));
            }

            to.WriteElement(table);
            to.WriteElement(new W.Paragraph());
        }

        private static TableCell CellOf(string text, Tone tone, bool number, bool head, string? link)
        {
            var properties = new TableCellProperties();
            if (head)
            {
                properties.Append(new Shading { Val = ShadingPatternValues.Clear, Fill = "EEF1F4" });
            }

            var paragraph = new W.Paragraph(new ParagraphProperties(new ParagraphStyleId { Val = "TableText" },
                new Justification { Val = number ? JustificationValues.Right : JustificationValues.Left }));
            paragraph.Append(link is null ? Run(text, tone) : new Hyperlink(Run(text, tone)) { Anchor = Bookmark(link), History = true });
            return new TableCell(properties, paragraph);
        }

        private W.Table Made(Steps steps)
        {
            double[] widths = [22, TextWidth - 22 - 30 - 30, 30, 30];
            var table = new W.Table(new TableProperties(new TableWidth { Width = "5000", Type = TableWidthUnitValues.Pct },
                new TableLayout { Type = TableLayoutValues.Fixed }),
                new TableGrid(widths.Select(w => new GridColumn { Width = Twips(w).ToString(CultureInfo.InvariantCulture) })));
            foreach (var s in steps.List)
            {
                if (s.Kind is TraceKind.Heading or TraceKind.Remark)
                {
                    table.Append(new TableRow(new TableRowProperties(new CantSplit()),
                        new TableCell(new TableCellProperties(new GridSpan { Val = 4 }),
                            new W.Paragraph(new ParagraphProperties(new ParagraphStyleId { Val = "TableText" }),
                                Run(s.Symbol, s.Kind == TraceKind.Heading ? Tone.Strong : Tone.Plain)))));
                    continue;
                }

                var middle = s.Substituted.Length > 0
                    ? Two("= " + s.Formula, "= " + s.Substituted)
                    : CellOf(s.Formula, Tone.Quiet, false, false, null);
                table.Append(new TableRow(new TableRowProperties(new CantSplit()), CellOf(s.Symbol, Tone.Strong, false, false, null),
                    middle, CellOf("= " + s.Result, Tone.Plain, true, false, null), CellOf(s.Clause, Tone.Quiet, false, false, null)));
            }

            return table;
        }

        private static TableCell Two(string first, string second)
        {
            W.Paragraph Of(string text) => new(new ParagraphProperties(new ParagraphStyleId { Val = "TableText" }), Run(text, Tone.Plain));
            return new TableCell(new TableCellProperties(), Of(first), Of(second));
        }

        private void Write(OpenXmlWriter to, FigureRow row)
        {
            foreach (var figure in row.Figures)
            {
                to.WriteElement(Text(figure.Title + (figure.Scale is { } scale ? ", " + scale.Words : ""), "Caption"));
                var id = "picture" + (++pictures).ToString(CultureInfo.InvariantCulture);
                var part = main.AddNewPart<ImagePart>("image/png", id);
                using (var bytes = new MemoryStream(PngWriter.Write(figure.Alone(report.Units), PictureDots)))
                {
                    part.FeedData(bytes);
                }

                to.WriteElement(new W.Paragraph(new Run(Picture(figure, id))));
            }
        }

        private W.Drawing Picture(Figure figure, string id)
        {
            var shrink = Math.Min(1, TextWidth / figure.Width);
            var (cx, cy) = ((long)(figure.Width * shrink * EmuPerMillimetre), (long)(figure.Height * shrink * EmuPerMillimetre));
            var name = Texts.Clean(figure.Title);
            return new W.Drawing(new Wp.Inline(
                new Wp.Extent { Cx = cx, Cy = cy },
                new Wp.DocProperties { Id = pictures, Name = id, Description = name },
                new A.Graphic(new A.GraphicData(new P.Picture(
                    new P.NonVisualPictureProperties(new P.NonVisualDrawingProperties { Id = pictures, Name = id, Description = name },
                        new P.NonVisualPictureDrawingProperties()),
                    new P.BlipFill(new A.Blip { Embed = id }, new A.Stretch(new A.FillRectangle())),
                    new P.ShapeProperties(new A.Transform2D(new A.Offset { X = 0, Y = 0 }, new A.Extents { Cx = cx, Cy = cy }),
                        new A.PresetGeometry(new A.AdjustValueList()) { Preset = A.ShapeTypeValues.Rectangle })))
                { Uri = "http://schemas.openxmlformats.org/drawingml/2006/picture" }))
            { DistanceFromTop = 0, DistanceFromBottom = 0, DistanceFromLeft = 0, DistanceFromRight = 0 });
        }

        private void HeaderAndFooter()
        {
            var tab = new Tabs(new TabStop { Val = TabStopValues.Right, Position = (int)Twips(TextWidth) });
            main.AddNewPart<HeaderPart>("header").Header = new Header(
                new W.Paragraph(new ParagraphProperties(new ParagraphStyleId { Val = "Header" }, (Tabs)tab.CloneNode(true)),
                    Run(report.ProjectWords, Tone.Quiet), new Run(new TabChar()), Run(report.RevisionWords, Tone.Quiet)));
            main.AddNewPart<FooterPart>("footer").Footer = new Footer(new W.Paragraph(
                new ParagraphProperties(new ParagraphStyleId { Val = "Footer" }, tab), Run(report.Title, Tone.Quiet),
                new Run(new TabChar()), Run("page ", Tone.Quiet),
                new SimpleField(new Run(new W.Text("1"))) { Instruction = " PAGE " }, Run(" of ", Tone.Quiet),
                new SimpleField(new Run(new W.Text("1"))) { Instruction = " NUMPAGES " }));
        }

        private void Styles()
        {
            Style Of(string id, string name, double points, bool bold, double before, double after, int? outline = null, bool keep = false)
            {
                var paragraph = new StyleParagraphProperties();
                if (keep)
                {
                    paragraph.Append(new KeepNext());
                }

                paragraph.Append(new SpacingBetweenLines { Before = Points20(before), After = Points20(after) });
                if (outline is { } level)
                {
                    paragraph.Append(new OutlineLevel { Val = level });
                }

                var run = new StyleRunProperties();
                if (bold)
                {
                    run.Append(new Bold());
                }

                run.Append(new FontSize { Val = ((int)(points * 2)).ToString(CultureInfo.InvariantCulture) });
                return new Style(new StyleName { Val = name }, new BasedOn { Val = "Normal" }, paragraph,
                    run)
                { Type = StyleValues.Paragraph, StyleId = id };
            }

            Style Contents(string id, string name, double indent)
            {
                var style = Of(id, name, 9.5, false, 0, 2);
                style.StyleParagraphProperties!.InsertAt(new Tabs(new TabStop
                {
                    Val = TabStopValues.Right,
                    Leader = TabStopLeaderCharValues.Dot,
                    Position = (int)Twips(TextWidth)
                }), 0);
                style.StyleParagraphProperties.Append(new Indentation { Left = Twips(indent).ToString(CultureInfo.InvariantCulture) });
                return style;
            }

            static string Points20(double points) => ((int)(points * 20)).ToString(CultureInfo.InvariantCulture);
            BorderType Border(BorderType border)
            {
                (border.Val, border.Size, border.Color) = (BorderValues.Single, 4, "C9CFD4");
                return border;
            }

            main.AddNewPart<StyleDefinitionsPart>("styles").Styles = new W.Styles(
                new DocDefaults(
                    new RunPropertiesDefault(new RunPropertiesBaseStyle(new RunFonts
                    {
                        Ascii = "DejaVu Sans",
                        HighAnsi = "DejaVu Sans",
                        ComplexScript = "DejaVu Sans"
                    }, new FontSize { Val = "18" }, new Languages { Val = "en" }))),
                new Style(new StyleName { Val = "Normal" },
                    new StyleParagraphProperties(new SpacingBetweenLines { After = Points20(3) }))
                {
                    Type = StyleValues.Paragraph,
                    StyleId = "Normal",
                    Default = true
                },
                Of("Title", "Title", 22, true, 0, 6), Of("Subtitle", "Subtitle", 14, true, 0, 8),
                Of("ContentsHeading", "Contents heading", 13, true, 14, 4, null, true),
                Of("Heading1", "heading 1", 16, true, 14, 5, 0, true), Of("Heading2", "heading 2", 13, true, 12, 4, 1, true),
                Of("Heading3", "heading 3", 10, true, 9, 3, 2, true),
                Of("Caption", "caption", 8.5, true, 5, 2, null, true), Of("TableText", "Table text", 7.5, false, 0, 0),
                Of("Header", "header", 8, false, 0, 0), Of("Footer", "footer", 8, false, 0, 0),
                Contents("TOC1", "toc 1", 0), Contents("TOC2", "toc 2", 6),
                new Style(
                    new StyleName { Val = "Plinth table" },
                    new StyleTableProperties(new TableBorders(Border(new TopBorder()), Border(new BottomBorder()),
                        Border(new InsideHorizontalBorder())),
                        new TableCellMarginDefault(new TopMargin { Width = "25", Type = TableWidthUnitValues.Dxa },
                            new TableCellLeftMargin { Width = 60, Type = TableWidthValues.Dxa },
                            new BottomMargin { Width = "25", Type = TableWidthUnitValues.Dxa },
                            new TableCellRightMargin { Width = 60, Type = TableWidthValues.Dxa })))
                { Type = StyleValues.Table, StyleId = "PlinthTable", CustomStyle = true });
        }

        private static W.Paragraph Text(string text, string? style) =>
            new(style is null
                ? [Run(text, Tone.Plain)]
                : [new ParagraphProperties(new ParagraphStyleId { Val = style }), Run(text, Tone.Plain)]);

        private static Run Run(string text, Tone tone)
        {
            var properties = new RunProperties();
            if (tone is Tone.Strong or Tone.Fail)
            {
                properties.Append(new Bold());
            }

            if (PdfReport.Colour(tone) is > 0 and var colour)
            {
                properties.Append(new Color { Val = colour.ToString("X6", CultureInfo.InvariantCulture) });
            }

            return new Run(properties, new W.Text(Texts.Clean(text)) { Space = SpaceProcessingModeValues.Preserve });
        }
    }
}
