using System.Globalization;

namespace Plinth.Files.Access;

/// <summary>Opens files to read: regular files only, none longer than the limit.</summary>
public static class InputFile
{
    /// <summary>The limit where none is given, MB.</summary>
    public const int UsualLimit = 256;

    /// <summary>What is longest of a file that is read, MB; set once as the program starts.</summary>
    public static int Limit { get; set; } = UsualLimit;

    /// <summary>Opens a file.</summary>
    /// <param name="path">The file.</param>
    /// <exception cref="FileNotFoundException">There is none.</exception>
    /// <exception cref="IOException">It is no regular file, too long, or cannot be read.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be read.</exception>
    public static FileStream Open(string path)
    {
        var handle = Posix.OpenToRead(path);
        try
        {
            var facts = Posix.Of(handle);
            if (!facts.IsRegular)
            {
                throw new IOException($"is {facts.Kind}; only regular files are read");
            }

            if (facts.Size > (long)Limit << 20)
            {
                throw new IOException(string.Create(CultureInfo.InvariantCulture,
                    $"has {(facts.Size + (1 << 20) - 1) >> 20} MB; files up to {Limit} MB are read (--limit "
                        + $"{(facts.Size + (1 << 20) - 1) >> 20} reads it)"));
            }

            return new FileStream(handle, FileAccess.Read, 1 << 16);
        }
        catch
        {
            handle.Dispose();
            throw;
        }
    }

    /// <summary>Reads a file whole; the exceptions are those of <see cref="Open"/>.</summary>
    public static byte[] ReadAll(string path)
    {
        using var stream = Open(path);
        var bytes = new byte[stream.Length];
        var read = stream.ReadAtLeast(bytes, bytes.Length, throwOnEndOfStream: false);
        return read == bytes.Length ? bytes : bytes[..read];
    }

    /// <summary>Whether a file is a folder's own: in it or below it, once links are followed.</summary>
    /// <param name="path">The file.</param>
    /// <param name="folder">The folder.</param>
    public static bool IsWithin(string path, string folder)
    {
        var (file, root) = (RealPath.Of(path), RealPath.Of(folder));
        return file.StartsWith(Path.TrimEndingDirectorySeparator(root) + "/", StringComparison.Ordinal) || root == "/";
    }
}
