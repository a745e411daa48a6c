using System.Globalization;
using System.Security;
using System.Text;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using Plinth.Drawing.Writers;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Writers;

/// <summary>Writes a report as one page of HTML that holds all it needs: style, script and figures; works offline and prints.</summary>
public sealed class HtmlReport : IReportWriter
{
    /// <inheritdoc/>
    public void Write(ReportDocument report, Stream stream)
    {
        ArgumentNullException.ThrowIfNull(report);
        using var to = new StreamWriter(stream, new UTF8Encoding(false), 1 << 16, leaveOpen: true) { NewLine = "\n" };
        to.WriteLine("<!DOCTYPE html>");
        to.WriteLine("<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\">");
        to.WriteLine($"<title>{T(report.ProjectWords)}: {T(report.Title)}</title>");
        to.WriteLine($"<style>\n{Asset("report.css")}</style></head><body>");
        Navigation(report, to);
        to.WriteLine("<main>");
        to.WriteLine($"<header><h1>{T(report.Title)}</h1>");
        string[] lines = [report.ProjectWords,
            .. new[] { ("client", report.Project.Client), ("site", report.Project.Site), ("engineer", report.Project.Engineer),
                ("checker", report.Project.Checker), ("date", report.Project.Date) }.Where(l => l.Item2.Length > 0)
                .Select(l => $"{l.Item1} {l.Item2}"), report.RevisionWords, report.Program];
        to.WriteLine($"<p class=\"quiet\">{string.Join(" · ", lines.Select(T))}</p></header>");
        var depth = 0;
        foreach (var block in report.Blocks)
        {
            depth = Block(block, to, depth);
        }

        Close(to, depth, 0);
        to.WriteLine($"</main>\n<script>\n{Asset("report.js")}</script>\n</body></html>");
    }

    private static void Navigation(ReportDocument report, StreamWriter to)
    {
        to.WriteLine($"<nav aria-label=\"contents\"><h2>{T(report.Project.Name)}</h2><p>{T(report.Title)}, {T(report.RevisionWords)}</p>");
        var marks = report.Contents.Count(e => e.Level > 1);
        foreach (var entry in report.Contents)
        {
            to.WriteLine($"<a href=\"#{entry.Anchor}\"{Class(entry.Level > 1 ? "two" : "", entry.Tone)}>{T(entry.Brief)}</a>");
            if (entry.Level == 1 && entry.Anchor == "c-footings" && marks > 8)
            {
                to.WriteLine("<input type=\"search\" placeholder=\"find a mark or support\" aria-label=\"find a mark or support\">");
            }
        }

        to.WriteLine("</nav>");
    }

    private static int Block(Block block, StreamWriter to, int depth)
    {
        switch (block)
        {
            case Heading h:
                if (h.Anchor.Length > 0)
                {
                    Close(to, depth, h.Level - 1);
                    depth = h.Level;
                    to.WriteLine($"<section id=\"{h.Anchor}\"{(h.Level > 1 ? " class=\"footing\"" : "")}>");
                }

                var level = h.Level + 1;
                to.WriteLine(
                    $"<h{level}>{(h.Level == 2 ? "<a class=\"up\" href=\"#c-results\">↑ results</a>" : "")}{T(h.Text)}</h{level}>");
                break;
            case Paragraph p:
                to.WriteLine($"<p{Class("", p.Tone)}>{T(p.Text)}</p>");
                break;
            case Table t:
                Table(t, to);
                break;
            case Steps s:
                Steps(s, to);
                break;
            case FigureRow f:
                to.WriteLine("<div class=\"figures\">");
                foreach (var figure in f.Figures)
                {
                    var wide = (figure.Width / 10).ToString("0.#", CultureInfo.InvariantCulture);
                    var printed = figure.Scale is { } scale ? $", {T(scale.Words)} as printed at {wide} cm" : "";
                    to.Write($"<figure><figcaption>{T(figure.Title)}{printed}</figcaption>");
                    to.Write(SvgWriter.Element(figure.Alone(UnitSystem.Metric)));
                    to.WriteLine("</figure>");
                }

                to.WriteLine("</div>");
                break;
        }

        return depth;
    }

    private static void Close(StreamWriter to, int from, int until)
    {
        for (var i = from; i > until; i--)
        {
            to.WriteLine("</section>");
        }
    }

    private static void Table(Table t, StreamWriter to)
    {
        to.WriteLine($"<div class=\"wide\"><table{(t.Sorts ? " class=\"sorts\"" : "")}>");
        if (t.Caption.Length > 0)
        {
            to.WriteLine($"<caption>{T(t.Caption)}</caption>");
        }

        if (t.Columns.Any(c => c.Title.Length > 0))
        {
            to.Write("<thead><tr>");
            foreach (var c in t.Columns)
            {
                to.Write($"<th scope=\"col\"{(c.Number ? " class=\"n\"" : "")}>{T(c.Title)}</th>");
            }

            to.WriteLine("</tr></thead>");
        }

        to.WriteLine("<tbody>");
        foreach (var row in t.Rows)
        {
            to.Write("<tr>");
            for (var i = 0; i < row.Count; i++)
            {
                var text = T(row[i].Text);
                to.Write(
                    $"<td{Class(t.Columns[i].Number ? "n" : "", row[i].Tone)}>"
                        + $"{(row[i].Link is { } link ? $"<a href=\"#{link}\">{text}</a>" : text)}</td>");
            }

            to.WriteLine("</tr>");
        }

        to.WriteLine("</tbody></table></div>");
    }

    private static void Steps(Steps steps, StreamWriter to)
    {
        to.WriteLine("<table class=\"steps\"><tbody>");
        foreach (var s in steps.List)
        {
            if (s.Kind is TraceKind.Heading or TraceKind.Remark)
            {
                to.WriteLine($"<tr class=\"h\"><td colspan=\"4\">{T(s.Symbol)}</td></tr>");
                continue;
            }

            var formula = s.Substituted.Length > 0
                ? $"<span class=\"f\">= {T(s.Formula)}</span> <span class=\"s\">= {T(s.Substituted)}</span>"
                : $"<span class=\"quiet\">{T(s.Formula)}</span>";
            to.WriteLine(
                $"<tr><td>{T(s.Symbol)}</td><td>{formula}</td><td class=\"r\">= {T(s.Result)}</td><td "
                    + $"class=\"quiet\">{T(s.Clause)}</td></tr>");
        }

        to.WriteLine("</tbody></table>");
    }

    private static string Class(string own, Tone tone)
    {
        var words = string.Join(' ', new[] { own, tone == Tone.Plain ? "" : tone.ToString().ToLowerInvariant() }.Where(w => w.Length > 0));
        return words.Length == 0 ? "" : $" class=\"{words}\"";
    }

    private static string T(string text) => SecurityElement.Escape(Texts.Clean(text)) ?? "";

    private static string Asset(string name)
    {
        using var stream = typeof(HtmlReport).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"{name} is not built in.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
