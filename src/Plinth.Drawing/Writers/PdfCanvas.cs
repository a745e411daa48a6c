using Plinth.Drawing.Sheets;
using UglyToad.PdfPig.Core;
using UglyToad.PdfPig.Graphics.Operations;
using UglyToad.PdfPig.Graphics.Operations.General;
using UglyToad.PdfPig.Graphics.Operations.PathConstruction;
using UglyToad.PdfPig.Graphics.Operations.PathPainting;
using UglyToad.PdfPig.Graphics.Operations.SpecialGraphicsState;
using UglyToad.PdfPig.Outline.Destinations;
using UglyToad.PdfPig.Writer;

namespace Plinth.Drawing.Writers;

/// <summary>A page of a PDF on which items and texts are painted, in millimetres from its lower left corner.</summary>
public sealed class PdfCanvas
{
    private const double PointsPerMillimetre = 72 / 25.4;

    // A circle by four curves (A. Riškus, Information Technology and Control 35 (2006) 371).
    private const double Kappa = 0.5522847498;

    private readonly PdfPageBuilder page;
    private readonly PdfFaces faces;

    // Points to the thousandth: 0.4 µm of paper, and no digits that say nothing.
    private static double Points(double millimetres) => Math.Round(millimetres * PointsPerMillimetre, 3);

    internal PdfCanvas(PdfPageBuilder page, PdfFaces faces)
    {
        this.page = page;
        this.faces = faces;
        Add(new SetLineJoin(1));
    }

    /// <summary>Number of the page, from 1.</summary>
    public int Number => page.PageNumber;

    /// <summary>Paints items.</summary>
    /// <param name="items">The items.</param>
    /// <param name="x">Where their origin lies, mm.</param>
    /// <param name="y">The same upwards.</param>
    public void Paint(IEnumerable<Item> items, double x = 0, double y = 0)
    {
        ArgumentNullException.ThrowIfNull(items);
        foreach (var item in items)
        {
            Paint(item, x, y);
        }
    }

    /// <summary>Writes a text with its base line at a point.</summary>
    /// <param name="text">The text; what the face has no glyph for is replaced.</param>
    /// <param name="x">Left end, mm.</param>
    /// <param name="y">Base line, mm.</param>
    /// <param name="size">Size of the face, mm.</param>
    /// <param name="bold">Whether bold.</param>
    /// <param name="colour">0xRRGGBB.</param>
    public void Text(string text, double x, double y, double size, bool bold = false, int colour = 0)
    {
        ArgumentNullException.ThrowIfNull(text);
        page.SetTextAndFillColor((byte)(colour >> 16), (byte)(colour >> 8), (byte)colour);
        foreach (var (run, font) in faces.Runs(text, bold))
        {
            if (!string.IsNullOrWhiteSpace(run))
            {
                page.AddText(run, Points(size), new PdfPoint(Points(x), Points(y)), font);
            }

            x += Lettering.Ems(run, bold) * size;
        }
    }

    /// <summary>Fills a rectangle.</summary>
    public void Fill(double x, double y, double width, double height, int colour)
    {
        Colour(colour);
        Add(new AppendRectangle(Points(x), Points(y), Points(width), Points(height)));
        Add(FillPathNonZeroWinding.Value);
    }

    /// <summary>Draws a straight line.</summary>
    public void Line(double x0, double y0, double x1, double y1, double width, int colour = 0)
    {
        page.SetStrokeColor((byte)(colour >> 16), (byte)(colour >> 8), (byte)colour);
        Stroked(new Stroke(width));
        Add(new BeginNewSubpath(Points(x0), Points(y0)));
        Add(new AppendStraightLineSegment(Points(x1), Points(y1)));
        Add(StrokePath.Value);
        page.SetStrokeColor(0, 0, 0);
    }

    /// <summary>Makes a rectangle lead to a page.</summary>
    public void Link(double x, double y, double width, double height, int toPage, double top) => page.AddLink(new LinkAnnotation(
        new UglyToad.PdfPig.Actions.GoToAction(new ExplicitDestination(toPage, ExplicitDestinationType.XyzCoordinates,
            new ExplicitDestinationCoordinates(0, Points(top)))),
        new PdfRectangle(Points(x), Points(y), Points(x + width), Points(y + height)),
        new UglyToad.PdfPig.Annotations.AnnotationBorder(0, 0, 0, null)));

    private void Add(IGraphicsStateOperation operation) => page.CurrentStream.Operations.Add(operation);

    private void Colour(int colour) => page.SetTextAndFillColor((byte)(colour >> 16), (byte)(colour >> 8), (byte)colour);

    private void Stroked(Stroke stroke)
    {
        Add(new SetLineWidth(Points(stroke.Width)));
        Add(new SetLineDashPattern([.. Strokes.Pattern(stroke.Dash).Select(v => Points(v))], 0));
    }

    private void Paint(Item item, double x, double y)
    {
        double X(double v) => Points(x + v);
        double Y(double v) => Points(y + v);
        switch (item)
        {
            case PathItem p:
                void Trace()
                {
                    Add(new BeginNewSubpath(X(p.Points[0].X), Y(p.Points[0].Y)));
                    foreach (var point in p.Points.Skip(1))
                    {
                        Add(new AppendStraightLineSegment(X(point.X), Y(point.Y)));
                    }

                    if (p.Closed)
                    {
                        Add(CloseSubpath.Value);
                    }
                }

                if (Inside(p.Fill, p.Tint) is { } fill && p.Closed)
                {
                    Colour(fill);
                    Trace();
                    Add(FillPathNonZeroWinding.Value);
                }

                Paint(Strokes.Hatch(p), x, y);
                if (p.Stroke.Width > 0)
                {
                    Stroked(p.Stroke);
                    Trace();
                    Add(StrokePath.Value);
                }

                break;
            case CircleItem c:
                void Round()
                {
                    var (cx, cy, r, k) = (X(c.Centre.X), Y(c.Centre.Y), Points(c.Radius), Points(c.Radius * Kappa));
                    Add(new BeginNewSubpath(cx + r, cy));
                    Add(new AppendDualControlPointBezierCurve(cx + r, cy + k, cx + k, cy + r, cx, cy + r));
                    Add(new AppendDualControlPointBezierCurve(cx - k, cy + r, cx - r, cy + k, cx - r, cy));
                    Add(new AppendDualControlPointBezierCurve(cx - r, cy - k, cx - k, cy - r, cx, cy - r));
                    Add(new AppendDualControlPointBezierCurve(cx + k, cy - r, cx + r, cy - k, cx + r, cy));
                    Add(CloseSubpath.Value);
                }

                if (Inside(c.Fill, null) is { } inner)
                {
                    Colour(inner);
                    Round();
                    Add(FillPathNonZeroWinding.Value);
                }

                if (c.Stroke.Width > 0)
                {
                    Stroked(c.Stroke);
                    Round();
                    Add(StrokePath.Value);
                }

                break;
            case TextItem t:
                var width = Lettering.Width(Texts.Clean(t.Text), t.Height, t.Bold);
                var start = t.Anchor switch { Anchor.Left => 0, Anchor.Middle => -width / 2, _ => -width };
                if (t.Angle == 0)
                {
                    Text(t.Text, x + t.Point.X + start, y + t.Point.Y, Lettering.SizeOf(t.Height), t.Bold);
                    break;
                }

                var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(t.Angle);
                Add(Push.Value);
                Add(new ModifyCurrentTransformationMatrix([cos, sin, -sin, cos, X(t.Point.X), Y(t.Point.Y)]));
                Text(t.Text, start, 0, Lettering.SizeOf(t.Height), t.Bold);
                Add(Pop.Value);
                break;
            case DimensionItem d:
                Paint(Strokes.Of(d), x, y);
                break;
        }
    }

    private static int? Inside(Fill fill, int? tint) =>
        tint ?? fill switch { Sheets.Fill.Paper => 0xFFFFFF, Sheets.Fill.Light => 0xE6E9EC, Sheets.Fill.Solid => 0, _ => null };
}

/// <summary>
/// The faces of a PDF. A simple font of the format holds 255 characters, so the same face is added again where a document has more.
/// </summary>
internal sealed class PdfFaces(PdfDocumentBuilder document)
{
    private const int MostCharacters = 250;
    private const char Missing = '\uFFFD';

    private readonly Dictionary<(char Character, bool Bold), int> slots = [];
    private readonly Dictionary<bool, (int Count, List<PdfDocumentBuilder.AddedFont> Fonts)> added = [];

    /// <summary>A text in runs of one font each.</summary>
    public IEnumerable<(string Run, PdfDocumentBuilder.AddedFont Font)> Runs(string text, bool bold)
    {
        var shown = Shown(text, bold);
        var from = 0;
        while (from < shown.Length)
        {
            var slot = Slot(shown[from], bold);
            var to = from + 1;
            while (to < shown.Length && Slot(shown[to], bold) == slot)
            {
                to++;
            }

            yield return (shown[from..to], added[bold].Fonts[slot]);
            from = to;
        }
    }

    private static string Shown(string text, bool bold)
    {
        var shown = new System.Text.StringBuilder(text.Length);
        foreach (var rune in Texts.Clean(text).EnumerateRunes())
        {
            shown.Append(rune.IsBmp && Lettering.Has(rune.Value, bold) ? (char)rune.Value : Missing);
        }

        return shown.ToString();
    }

    private int Slot(char character, bool bold)
    {
        if (slots.TryGetValue((character, bold), out var slot))
        {
            return slot;
        }

        var (count, fonts) = added.TryGetValue(bold, out var there) ? there : (0, []);
        slot = count / MostCharacters;
        if (slot == fonts.Count)
        {
            fonts.Add(document.AddTrueTypeFont(Lettering.File(bold)));
        }

        added[bold] = (count + 1, fonts);
        slots[(character, bold)] = slot;
        return slot;
    }
}
