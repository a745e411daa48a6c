using System.IO.Compression;

namespace Plinth.Shared;

/// <summary>
/// Packs a document made of parts so that the same input gives the same bytes: parts in order, none dated. Compiled into each package that
/// writes such documents.
/// </summary>
internal static class UndatedArchive
{
    /// <summary>Packs it anew.</summary>
    /// <param name="made">The document as its library packed it.</param>
    /// <param name="stream">Where to.</param>
    public static void Repack(Stream made, Stream stream)
    {
        made.Position = 0;
        using var from = new ZipArchive(made, ZipArchiveMode.Read, leaveOpen: true);
        using var to = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        foreach (var part in from.Entries.OrderBy(e => e.FullName, StringComparer.Ordinal))
        {
            var entry = to.CreateEntry(part.FullName);
            entry.LastWriteTime = new DateTimeOffset(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);
            using var source = part.Open();
            using var target = entry.Open();
            source.CopyTo(target);
        }
    }
}
