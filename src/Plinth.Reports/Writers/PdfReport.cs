using System.Globalization;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Writers;

/// <summary>Writes a report as PDF: contents with page numbers, bookmarks, project and revision on every page.</summary>
public sealed class PdfReport : IReportWriter
{
    private const double Body = 3.1;
    private const double Small = 2.55;
    private const double Leading = 1.38;
    private const double ContentsLine = 5;
    private const int QuietColour = 0x5B6670;
    private const int RuleColour = 0xB8C0C7;
    private const int HeadColour = 0xEEF1F4;

    private static readonly double[] HeadingSizes = [5.6, 4.4, 3.4];

    /// <inheritdoc/>
    public void Write(ReportDocument report, Stream stream)
    {
        ArgumentNullException.ThrowIfNull(report);
        ArgumentNullException.ThrowIfNull(stream);
        using var pdf = new PdfWriter($"{report.ProjectWords}: {report.Title}");
        var paper = Paper.Find(report.Units == UnitSystem.Us ? "ANSI A" : "A4")!;
        var flow = new PdfFlow(pdf, paper.Height, paper.Width);
        Title(flow, report);
        var contents = Contents(flow, report);
        var places = new Dictionary<string, (int Page, double Top)>(StringComparer.Ordinal);
        foreach (var block in report.Blocks)
        {
            Block(flow, block, places);
        }

        // Page numbers are known now.
        foreach (var (entry, page, y) in contents)
        {
            var (at, top) = places[entry.Anchor];
            var number = at.ToString(CultureInfo.InvariantCulture);
            var right = flow.PageWidth - PdfFlow.Margin;
            page.Text(number, right - (Lettering.Ems(number) * Body), y, Body);
            page.Link(PdfFlow.Margin, y - 1, flow.Width, ContentsLine, at, top);
        }

        Frame(flow, report);
        stream.Write(pdf.Build([.. report.Contents.Select(e => (e.Brief, e.Level - 1, places[e.Anchor].Page, places[e.Anchor].Top))]));
    }

    private static void Title(PdfFlow flow, ReportDocument report)
    {
        Lines(flow, report.Title, 7.5, true, 0);
        flow.Down(2);
        Lines(flow, report.ProjectWords, 4.6, true, 0);
        flow.Down(3);
        foreach (var (name, value) in new[] { ("client", report.Project.Client), ("site", report.Project.Site),
            ("engineer", report.Project.Engineer), ("checker", report.Project.Checker), ("date", report.Project.Date),
            ("revision", report.Revision.Length == 0 ? "preliminary" : report.Revision), ("made by", report.Program) })
        {
            if (value.Length > 0)
            {
                flow.Page.Text(name, PdfFlow.Margin, flow.Y - Body, Body, false, QuietColour);
                flow.Page.Text(value, PdfFlow.Margin + 24, flow.Y - Body, Body);
                flow.Down(Body * 1.6);
            }
        }

        flow.Down(6);
    }

    // The lines of the contents are written at once, their page numbers when they are known.
    private static List<(ContentsEntry Entry, PdfCanvas Page, double Y)> Contents(PdfFlow flow, ReportDocument report)
    {
        var places = new List<(ContentsEntry, PdfCanvas, double)>();
        if (report.Contents.Count < 2)
        {
            return places;
        }

        Lines(flow, "Contents", HeadingSizes[1], true, 0);
        flow.Down(1.5);
        foreach (var entry in report.Contents)
        {
            flow.Need(ContentsLine);
            var y = flow.Y - Body;
            var left = PdfFlow.Margin + (entry.Level > 1 ? 6 : 0);
            var text = PdfFlow.Wrap(entry.Text + (entry.Tone == Tone.Fail ? "   ✗ FAIL" : ""), Body, flow.Width - 24, entry.Level == 1)[0];
            flow.Page.Text(text, left, y, Body, entry.Level == 1, Colour(entry.Tone));
            var from = left + (Lettering.Ems(text, entry.Level == 1) * Body) + 2;
            flow.Page.Line(from, y, flow.PageWidth - PdfFlow.Margin - 10, y, 0.1, RuleColour);
            places.Add((entry, flow.Page, y));
            flow.Down(ContentsLine);
        }

        flow.NewPage();
        return places;
    }

    private static void Frame(PdfFlow flow, ReportDocument report)
    {
        var (left, right) = (PdfFlow.Margin, flow.PageWidth - PdfFlow.Margin);
        var top = flow.PageHeight - 14;
        void Right(PdfCanvas page, string text, double y) =>
            page.Text(text, right - (Lettering.Ems(text) * Small), y, Small, false, QuietColour);
        string Fitted(string text, double width) => PdfFlow.Wrap(text, Small, width)[0];
        for (var i = 0; i < flow.Pages.Count; i++)
        {
            var page = flow.Pages[i];
            page.Text(Fitted(report.ProjectWords, flow.Width - 40), left, top, Small, false, QuietColour);
            Right(page, Fitted(report.RevisionWords, 38), top);
            page.Line(left, top - 2, right, top - 2, 0.15, RuleColour);
            page.Text(Fitted(report.Title, flow.Width - 40), left, 10, Small, false, QuietColour);
            Right(page, string.Create(CultureInfo.InvariantCulture, $"page {i + 1} of {flow.Pages.Count}"), 10);
        }
    }

    private static void Block(PdfFlow flow, Block block, Dictionary<string, (int, double)> places)
    {
        switch (block)
        {
            case Heading h:
                var size = HeadingSizes[h.Level - 1];
                if (h.NewPage && !flow.AtTop)
                {
                    flow.NewPage();
                }

                // A heading keeps some of what follows with it.
                flow.Need((size * 2) + (h.Level < 3 ? 30 : 16));
                flow.Down(flow.AtTop ? 0 : size * 0.9);
                if (h.Anchor.Length > 0)
                {
                    places[h.Anchor] = (flow.Page.Number, flow.Y + 4);
                }

                Lines(flow, h.Text, size, true, 0);
                if (h.Level == 1)
                {
                    flow.Page.Line(PdfFlow.Margin, flow.Y, flow.PageWidth - PdfFlow.Margin, flow.Y, 0.4);
                }

                flow.Down(size * 0.35);
                break;
            case Paragraph p:
                Lines(flow, p.Text, Body, p.Tone is Tone.Strong or Tone.Fail, Colour(p.Tone));
                flow.Down(1);
                break;
            case Table t:
                PdfTables.Table(flow, t);
                break;
            case Steps s:
                PdfTables.Steps(flow, s);
                break;
            case FigureRow f:
                Figures(flow, f);
                break;
        }
    }

    private static void Figures(PdfFlow flow, FigureRow row)
    {
        const double Caption = 5;
        const double Between = 2;
        var x = 0.0;
        var some = new List<(Figure Figure, double X)>();
        void Place()
        {
            if (some.Count == 0)
            {
                return;
            }

            var height = some.Max(s => s.Figure.Height) + Caption + 2;
            flow.Need(height);
            foreach (var (figure, at) in some)
            {
                flow.Page.Text(figure.Title + (figure.Scale is { } scale ? ", " + scale.Words : ""), PdfFlow.Margin + at, flow.Y - Small,
                    Small, true);
                flow.Page.Paint(figure.Items, PdfFlow.Margin + at, flow.Y - Caption - figure.Height);
            }

            flow.Down(height);
            (x, some) = (0, []);
        }

        foreach (var figure in row.Figures)
        {
            if (x > 0 && x + figure.Width > flow.Width + 0.5)
            {
                Place();
            }

            some.Add((figure, x));
            x += figure.Width + Between;
        }

        Place();
    }

    private static void Lines(PdfFlow flow, string text, double size, bool bold, int colour)
    {
        foreach (var line in PdfFlow.Wrap(text, size, flow.Width, bold))
        {
            flow.Need(size * Leading);
            flow.Page.Text(line, PdfFlow.Margin, flow.Y - size, size, bold, colour);
            flow.Down(size * Leading);
        }
    }

    /// <summary>The colour of a tone; it never says anything that is not written too.</summary>
    internal static int Colour(Tone tone) =>
        tone switch { Tone.Quiet => QuietColour, Tone.Pass => 0x1D6B35, Tone.Fail => 0xA3200D, Tone.Leave => 0x8A5A00, _ => 0 };

    /// <summary>Tables and steps on pages.</summary>
    private static class PdfTables
    {
        private const double Pad = 0.8;
        private const double Line = Small * 1.32;

        public static void Table(PdfFlow flow, Table t)
        {
            var widths = TableWidths.Of(flow.Width, t, Small, Pad);
            var heads = t.Columns.Any(c => c.Title.Length > 0);
            var cells = heads ? t.Columns.Select((c, i) => PdfFlow.Wrap(c.Title, Small, widths[i] - (2 * Pad), true)).ToList() : [];
            void Head()
            {
                if (!heads)
                {
                    return;
                }

                var height = (cells.Max(c => c.Count) * Line) + (2 * Pad);
                flow.Page.Fill(PdfFlow.Margin, flow.Y - height, widths.Sum(), height, HeadColour);
                Row(flow, widths, cells, i => (t.Columns[i].Number, true, 0), height);
            }

            if (t.Caption.Length > 0)
            {
                flow.Need(24);
                flow.Down(1.5);
                Lines(flow, t.Caption, Small + 0.2, true, 0);
                flow.Down(0.5);
            }

            Head();
            foreach (var row in t.Rows)
            {
                var wrapped = row.Select((c, i) => PdfFlow.Wrap(c.Text, Small, widths[i] - (2 * Pad), c.Tone is Tone.Strong or Tone.Fail))
                    .ToList();
                var height = (wrapped.Max(c => c.Count) * Line) + (2 * Pad);
                if (flow.Need(height))
                {
                    Head();
                }

                Row(flow, widths, wrapped, i => (t.Columns[i].Number, row[i].Tone is Tone.Strong or Tone.Fail, Colour(row[i].Tone)),
                    height);
            }

            flow.Down(2.5);
        }

        private static void Row(PdfFlow flow, double[] widths, List<IReadOnlyList<string>> cells,
            Func<int, (bool Number, bool Bold, int Colour)> style, double height)
        {
            var x = PdfFlow.Margin;
            for (var i = 0; i < cells.Count; i++)
            {
                var (number, bold, colour) = style(i);
                for (var l = 0; l < cells[i].Count; l++)
                {
                    var text = cells[i][l];
                    var left = number ? x + widths[i] - Pad - (Lettering.Ems(text, bold) * Small) : x + Pad;
                    flow.Page.Text(text, left, flow.Y - Pad - (Small * 0.82) - (l * Line), Small, bold, colour);
                }

                x += widths[i];
            }

            flow.Down(height);
            flow.Page.Line(PdfFlow.Margin, flow.Y, PdfFlow.Margin + widths.Sum(), flow.Y, 0.1, RuleColour);
        }

        public static void Steps(PdfFlow flow, Steps steps)
        {
            var (symbol, result, clause) = (21.0, 27.0, 30.0);
            var middle = flow.Width - symbol - result - clause - 4;
            foreach (var s in steps.List)
            {
                if (s.Kind is TraceKind.Heading or TraceKind.Remark)
                {
                    flow.Need(s.Kind == TraceKind.Heading ? 12 : 6);
                    flow.Down(s.Kind == TraceKind.Heading ? 1.6 : 0);
                    Lines(flow, s.Symbol, Small + 0.2, s.Kind == TraceKind.Heading, 0);
                    continue;
                }

                var given = s.Substituted.Length == 0;
                var whole = given ? s.Formula : $"= {s.Formula} = {s.Substituted}";
                var one = Lettering.Ems(whole) * Small <= middle;
                var formula = PdfFlow.Wrap(given || one ? whole : "= " + s.Formula, Small, middle);
                var values = given || one ? [] : PdfFlow.Wrap("= " + s.Substituted, Small, middle);
                var clauses = PdfFlow.Wrap(s.Clause, Small, clause);
                var height = Math.Max(formula.Count + values.Count, clauses.Count) * Line;
                flow.Need(height);
                var y = flow.Y - (Small * 0.82);
                var x = PdfFlow.Margin;
                flow.Page.Text(s.Symbol, x, y, Small, true);
                for (var i = 0; i < formula.Count + values.Count; i++)
                {
                    flow.Page.Text(i < formula.Count ? formula[i] : values[i - formula.Count], x + symbol, y - (i * Line), Small, false,
                        given ? QuietColour : 0);
                }

                // The result stands with the values put in.
                var last = y - ((given ? 0 : formula.Count + values.Count - 1) * Line);
                var text = "= " + s.Result;
                flow.Page.Text(text, x + symbol + middle + result - (Lettering.Ems(text) * Small), last, Small);
                for (var i = 0; i < clauses.Count; i++)
                {
                    flow.Page.Text(clauses[i], x + symbol + middle + result + 4, y - (i * Line), Small, false, QuietColour);
                }

                flow.Down(height + 0.5);
            }

            flow.Down(1);
        }
    }
}
