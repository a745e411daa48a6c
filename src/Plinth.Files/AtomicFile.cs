using System.Text;

namespace Plinth.Files;

/// <summary>A file under way: what it replaces stays in force until it is whole.</summary>
public sealed class AtomicFile : IDisposable
{
    private readonly string target;
    private readonly string temporary;
    private readonly FileStream stream;
    private bool closed;

    internal AtomicFile(string path)
    {
        var full = Path.GetFullPath(path);
        target = File.Exists(full) ? File.ResolveLinkTarget(full, true)?.FullName ?? full : full;
        temporary = TextFile.TemporaryFor(target);
        stream = new FileStream(temporary, FileMode.Create, FileAccess.Write, FileShare.None);
        Writer = new StreamWriter(stream, new UTF8Encoding(false), 1 << 16);
    }

    /// <summary>Receives the content, as UTF-8.</summary>
    public TextWriter Writer { get; }

    /// <summary>Receives the content as bytes, in place of <see cref="Writer"/>.</summary>
    public Stream Stream => stream;

    /// <summary>Puts the file in its place.</summary>
    public void Commit()
    {
        Writer.Flush();
        stream.Flush(flushToDisk: true);
        Close();
        File.Move(temporary, target, overwrite: true);
    }

    /// <summary>Leaves no trace of what was not committed.</summary>
    public void Dispose()
    {
        Close();
        File.Delete(temporary);
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
