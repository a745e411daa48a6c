using System.Globalization;
using System.Text;
using System.Xml;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Writers;

/// <summary>Writes a sheet as SVG 1.1: millimetres, a group for each layer, texts as texts.</summary>
public static class SvgWriter
{
    private const string Namespace = "http://www.w3.org/2000/svg";

    /// <summary>Writes a sheet.</summary>
    public static byte[] Write(Sheet sheet)
    {
        using var stream = new MemoryStream();
        using (var xml = XmlWriter.Create(stream,
            new XmlWriterSettings { Encoding = new UTF8Encoding(false), Indent = true, NewLineChars = "\n" }))
        {
            Write(xml, sheet);
        }

        stream.WriteByte((byte)'\n');
        return stream.ToArray();
    }

    /// <summary>A sheet as an element to stand within a page of HTML.</summary>
    public static string Element(Sheet sheet)
    {
        var text = new StringBuilder();
        using (var xml = XmlWriter.Create(text, new XmlWriterSettings { OmitXmlDeclaration = true }))
        {
            Write(xml, sheet);
        }

        return text.ToString();
    }

    private static void Write(XmlWriter xml, Sheet sheet)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        xml.WriteStartElement("svg", Namespace);
        xml.WriteAttributeString("width", N(sheet.Paper.Width) + "mm");
        xml.WriteAttributeString("height", N(sheet.Paper.Height) + "mm");
        xml.WriteAttributeString("viewBox", $"0 0 {N(sheet.Paper.Width)} {N(sheet.Paper.Height)}");
        xml.WriteElementString("title", Namespace, sheet.Title);
        Element(xml, "rect", ("width", N(sheet.Paper.Width)), ("height", N(sheet.Paper.Height)), ("fill", "#fff"));
        string? layer = null;
        foreach (var item in sheet.Items)
        {
            if (item.Layer != layer)
            {
                if (layer is not null)
                {
                    xml.WriteEndElement();
                }

                layer = item.Layer;
                xml.WriteStartElement("g", Namespace);
                xml.WriteAttributeString("class", layer);
                xml.WriteAttributeString("stroke-linejoin", "round");
                xml.WriteAttributeString("font-family", $"{Lettering.Family}, Verdana, sans-serif");
            }

            Item(xml, sheet, item);
        }

        if (layer is not null)
        {
            xml.WriteEndElement();
        }

        xml.WriteEndElement();
    }

    private static void Item(XmlWriter xml, Sheet sheet, Item item)
    {
        double Y(double y) => sheet.Paper.Height - y;
        switch (item)
        {
            case PathItem p:
                Element(xml, "path",
                    [("d", Path(p.Points, p.Closed, Y)),
                        ("fill", p.Tint is { } rgb ? "#" + rgb.ToString("x6", CultureInfo.InvariantCulture) : Colour(p.Fill)),
                        .. Line(p.Stroke)]);
                foreach (var line in Strokes.Hatch(p))
                {
                    Element(xml, "path", ("d", Path(line.Points, false, Y)), ("fill", "none"), ("stroke", "#000"),
                        ("stroke-width", N(line.Stroke.Width)));
                }

                break;
            case CircleItem c:
                Element(xml, "circle",
                    [("cx", N(c.Centre.X)), ("cy", N(Y(c.Centre.Y))), ("r", N(c.Radius)), ("fill", Colour(c.Fill)), .. Line(c.Stroke)]);
                break;
            case TextItem t:
                xml.WriteStartElement("text", Namespace);
                xml.WriteAttributeString("font-size", N(Lettering.SizeOf(t.Height)));
                xml.WriteAttributeString("text-anchor", t.Anchor switch { Anchor.Left => "start", Anchor.Middle => "middle", _ => "end" });
                if (t.Bold)
                {
                    xml.WriteAttributeString("font-weight", "bold");
                }

                xml.WriteAttributeString("transform",
                    $"translate({N(t.Point.X)} {N(Y(t.Point.Y))})" + (t.Angle == 0 ? "" : $" rotate({N(-t.Angle)})"));
                xml.WriteString(Texts.Clean(t.Text));
                xml.WriteEndElement();
                break;
            case DimensionItem d:
                foreach (var part in Strokes.Of(d))
                {
                    Item(xml, sheet, part);
                }

                break;
        }
    }

    private static string Path(IReadOnlyList<At> points, bool closed, Func<double, double> y)
    {
        var d = new StringBuilder();
        for (var i = 0; i < points.Count; i++)
        {
            d.Append(i == 0 ? 'M' : 'L').Append(N(points[i].X)).Append(' ').Append(N(y(points[i].Y)));
        }

        return d.Append(closed ? "Z" : "").ToString();
    }

    private static IEnumerable<(string, string)> Line(Stroke stroke)
    {
        yield return ("stroke", stroke.Width > 0 ? "#000" : "none");
        yield return ("stroke-width", N(stroke.Width));
        if (Strokes.Pattern(stroke.Dash) is { Length: > 0 } pattern)
        {
            yield return ("stroke-dasharray", string.Join(' ', pattern.Select(N)));
        }
    }

    private static string Colour(Fill fill) =>
        fill switch { Fill.Paper => "#fff", Fill.Light => "#e6e9ec", Fill.Solid => "#000", _ => "none" };

    private static void Element(XmlWriter xml, string name, params IEnumerable<(string Name, string Value)> attributes)
    {
        xml.WriteStartElement(name, Namespace);
        foreach (var (attribute, value) in attributes)
        {
            xml.WriteAttributeString(attribute, value);
        }

        xml.WriteEndElement();
    }

    // To the thousandth of a millimetre.
    private static string N(double value) => Math.Round(value, 3).ToString("0.###", CultureInfo.InvariantCulture);
}
