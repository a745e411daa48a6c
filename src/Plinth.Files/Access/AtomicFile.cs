using System.Text;

namespace Plinth.Files.Access;

/// <summary>
/// A file under way: what it replaces stays in force until it is whole. Permissions, owner and further names of what it replaces are kept.
/// </summary>
public sealed class AtomicFile : IDisposable
{
    private readonly FileFacts? replaced;
    private readonly FileStream stream;
    private bool closed;

    /// <summary>Begins a file.</summary>
    /// <param name="path">Where it is to stand; a link is followed.</param>
    /// <exception cref="IOException">It cannot be written, or what stands there is no regular file.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public AtomicFile(string path)
    {
        Target = RealPath.Of(path);
        replaced = Posix.At(Target);
        if (replaced is { } old)
        {
            MayReplace(path, old);
        }

        var folder = Path.GetDirectoryName(Target)!;
        Temporary.Sweep(folder, whole: false);
        Made = Path.Combine(folder, Temporary.Name());

        // Never opened through a link that somebody has laid there.
        stream = new FileStream(Made, FileMode.CreateNew, FileAccess.Write, FileShare.Read);
        Writer = new StreamWriter(stream, new UTF8Encoding(false), 1 << 16);
    }

    /// <summary>Receives the content, as UTF-8.</summary>
    public TextWriter Writer { get; }

    /// <summary>Receives the content as bytes, in place of <see cref="Writer"/>.</summary>
    public Stream Stream => stream;

    /// <summary>Where it is to stand, links followed.</summary>
    internal string Target { get; }

    /// <summary>Where it stands until then.</summary>
    internal string Made { get; }

    /// <summary>
    /// Whether putting it in its place takes more than one step, as what it replaces has other names or an owner that would be lost.
    /// </summary>
    internal bool InPlace { get; private set; }

    /// <summary>Puts the file in its place.</summary>
    public void Commit()
    {
        Finish();
        Put(Made, Target, InPlace);
    }

    /// <summary>Leaves no trace of what was not committed.</summary>
    public void Dispose()
    {
        Close();
        File.Delete(Made);
    }

    /// <summary>Ends the content: all of it is on disk, none of it in its place.</summary>
    internal void Finish()
    {
        Writer.Flush();
        if (replaced is { } old)
        {
            var made = Posix.Of(stream.SafeFileHandle);
            var given = (made.Owner == old.Owner && made.Group == old.Group) || Posix.TryGive(stream.SafeFileHandle, old.Owner, old.Group);
            if (!OperatingSystem.IsWindows())
            {
                File.SetUnixFileMode(stream.SafeFileHandle, old.Permissions);
            }

            InPlace = old.Links > 1 || !given;
        }

        stream.Flush(flushToDisk: true);
        Close();
    }

    /// <summary>Puts a finished file in its place.</summary>
    /// <param name="made">Where it stands.</param>
    /// <param name="target">Where it is to stand.</param>
    /// <param name="inPlace">Whether what stands there stays the same file and only its content changes.</param>
    internal static void Put(string made, string target, bool inPlace)
    {
        if (!inPlace)
        {
            File.Move(made, target, overwrite: true);
            return;
        }

        using (var from = new FileStream(made, FileMode.Open, FileAccess.Read))
        using (var to = new FileStream(target, FileMode.Open, FileAccess.Write, FileShare.Read))
        {
            from.CopyTo(to);
            to.SetLength(to.Position);
            to.Flush(flushToDisk: true);
        }

        File.Delete(made);
    }

    private static void MayReplace(string path, FileFacts old)
    {
        if (!old.IsRegular)
        {
            throw new IOException($"{path} is {old.Kind}, which is never written; name a file");
        }

        // The folder's permission alone would let a file be replaced that is not to be written.
        if (old.ReadOnly)
        {
            throw new UnauthorizedAccessException(
                $"{path} is read-only, so nothing was written; allow writing (chmod u+w) or name another file");
        }

        try
        {
            File.OpenHandle(path, FileMode.Open, FileAccess.Write, FileShare.ReadWrite | FileShare.Delete).Dispose();
        }
        catch (UnauthorizedAccessException)
        {
            throw new UnauthorizedAccessException($"{path} may not be written by this user, so nothing was written");
        }
    }

    private void Close()
    {
        if (!closed)
        {
            closed = true;
            Writer.Dispose();
            stream.Dispose();
        }
    }
}
