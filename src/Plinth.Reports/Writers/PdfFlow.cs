using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Reports.Writers;

/// <summary>Pages that are filled from top to bottom, millimetres.</summary>
internal sealed class PdfFlow
{
    public const double Margin = 18;
    private const double Top = 24;
    private const double Bottom = 18;

    private readonly PdfWriter pdf;
    private readonly List<PdfCanvas> pages = [];

    public PdfFlow(PdfWriter pdf, double width, double height)
    {
        (this.pdf, PageWidth, PageHeight) = (pdf, width, height);
        NewPage();
    }

    public double PageWidth { get; }

    public double PageHeight { get; }

    /// <summary>Width of the text.</summary>
    public double Width => PageWidth - (2 * Margin);

    /// <summary>Where the next line goes, from the bottom of the page.</summary>
    public double Y { get; private set; }

    public PdfCanvas Page => pages[^1];

    public IReadOnlyList<PdfCanvas> Pages => pages;

    /// <summary>Whether nothing stands on the page yet.</summary>
    public bool AtTop => Y >= PageHeight - Top - 0.001;

    public void NewPage()
    {
        pages.Add(pdf.Page(PageWidth, PageHeight));
        Y = PageHeight - Top;
    }

    /// <summary>Begins a page unless so much room is left; says whether it did.</summary>
    public bool Need(double height)
    {
        if (Y - height >= Bottom || AtTop)
        {
            return false;
        }

        NewPage();
        return true;
    }

    public void Down(double height) => Y -= height;

    /// <summary>A text in lines no wider than a width; a word that is wider is broken.</summary>
    public static IReadOnlyList<string> Wrap(string text, double size, double width, bool bold = false)
    {
        double W(string s) => Lettering.Ems(s, bold) * size;
        text = Texts.Clean(text);
        if (W(text) <= width)
        {
            return [text];
        }

        var lines = new List<string>();
        var line = "";
        foreach (var word in text.Split(' '))
        {
            var rest = word;
            var longer = line.Length == 0 ? rest : line + " " + rest;
            if (W(longer) <= width)
            {
                line = longer;
                continue;
            }

            if (line.Length > 0)
            {
                lines.Add(line);
            }

            // A formula breaks where an operator stands, else anywhere.
            while (W(rest) > width && rest.Length > 1)
            {
                var fits = rest.Length;
                while (fits > 1 && W(rest[..fits]) > width)
                {
                    fits--;
                }

                var operatorAt = rest.LastIndexOfAny(['·', '/', '+', ';', '(', '−'], fits - 1);
                var cut = operatorAt > 0 ? operatorAt : fits;
                if (char.IsLowSurrogate(rest[cut]) && cut > 1)
                {
                    cut--;
                }

                lines.Add(rest[..cut]);
                rest = rest[cut..];
            }

            line = rest;
        }

        lines.Add(line);
        return lines;
    }
}
