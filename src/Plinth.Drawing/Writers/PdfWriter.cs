using Plinth.Drawing.Sheets;
using UglyToad.PdfPig.Outline;
using UglyToad.PdfPig.Outline.Destinations;
using UglyToad.PdfPig.Writer;

namespace Plinth.Drawing.Writers;

/// <summary>
/// Writes PDF: pages in order with the characters that they use embedded, and bookmarks. The same input gives the same bytes.
/// </summary>
public sealed class PdfWriter : IDisposable
{
    private const double PointsPerMillimetre = 72 / 25.4;

    private readonly PdfDocumentBuilder document;
    private readonly PdfFaces faces;

    /// <summary>Begins a document.</summary>
    /// <param name="title">Its title.</param>
    public PdfWriter(string title)
    {
        document = new PdfDocumentBuilder { DocumentInformation = { Title = Texts.Clean(title), Creator = "plinth", Producer = "plinth" } };
        faces = new PdfFaces(document);
    }

    /// <summary>Writes sheets, a page each.</summary>
    public static byte[] Write(IReadOnlyList<Sheet> sheets)
    {
        ArgumentNullException.ThrowIfNull(sheets);
        using var pdf = new PdfWriter(sheets.Count > 0 ? sheets[0].Title : "");
        foreach (var sheet in sheets)
        {
            pdf.Page(sheet.Paper.Width, sheet.Paper.Height).Paint(sheet.Items);
        }

        return pdf.Build(sheets.Count > 1 ? [.. sheets.Select((s, i) => (s.Title, 0, i + 1, s.Paper.Height))] : []);
    }

    /// <summary>Adds a page.</summary>
    /// <param name="width">mm.</param>
    /// <param name="height">mm.</param>
    public PdfCanvas Page(double width, double height) =>
        new(document.AddPage(width * PointsPerMillimetre, height * PointsPerMillimetre), faces);

    /// <summary>The bytes of the document.</summary>
    /// <param name="bookmarks">Title, depth from 0, page from 1 and height on it in mm of each, in order; a deeper one lies within the one
    /// before.</param>
    public byte[] Build(IReadOnlyList<(string Title, int Depth, int Page, double Top)> bookmarks)
    {
        ArgumentNullException.ThrowIfNull(bookmarks);
        if (bookmarks.Count > 0)
        {
            var at = 0;
            document.Bookmarks = new Bookmarks(Nodes(bookmarks, ref at, bookmarks[0].Depth));
        }

        return Identified(document.Build());
    }

    // The file's identity (ISO 32000-1 14.4) from what it holds in place of a random one: 32 digits twice, after the last /ID.
    private static byte[] Identified(byte[] pdf)
    {
        var at = pdf.AsSpan().LastIndexOf("/ID ["u8);
        if (at < 0)
        {
            throw new InvalidOperationException("The PDF has no identity.");
        }

        var identity =
            System.Text.Encoding.ASCII.GetBytes(Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(pdf.AsSpan(0, at)))[..32]);
        for (var part = 0; part < 2; part++)
        {
            at += pdf.AsSpan(at).IndexOf((byte)'<') + 1;
            if (pdf[at + identity.Length] != '>')
            {
                throw new InvalidOperationException("The PDF's identity is not 32 digits long.");
            }

            identity.CopyTo(pdf, at);
        }

        return pdf;
    }

    private static List<BookmarkNode> Nodes(IReadOnlyList<(string Title, int Depth, int Page, double Top)> all, ref int at, int depth)
    {
        var nodes = new List<BookmarkNode>();
        while (at < all.Count && all[at].Depth >= depth)
        {
            var own = all[at++];
            var within = at < all.Count && all[at].Depth > own.Depth ? Nodes(all, ref at, own.Depth + 1) : [];
            nodes.Add(new DocumentBookmarkNode(Texts.Clean(own.Title), own.Depth,
                new ExplicitDestination(own.Page, ExplicitDestinationType.XyzCoordinates,
                    new ExplicitDestinationCoordinates(0, own.Top * PointsPerMillimetre)), within));
        }

        return nodes;
    }

    /// <inheritdoc/>
    public void Dispose() => document.Dispose();
}
