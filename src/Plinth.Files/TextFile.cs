using System.Buffers;
using System.Text;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;

namespace Plinth.Files;

/// <summary>Reads and writes text files: encodings told apart strictly, writing whole or not at all.</summary>
public static class TextFile
{
    private static readonly UTF8Encoding StrictUtf8 = new(false, true);

    // What turns the direction of all that follows would show one label in the place of another.
    private const string Turning = "\u202A\u202B\u202C\u202D\u202E\u2066\u2067\u2068\u2069";
    private static readonly SearchValues<char> Unfit =
        SearchValues.Create([.. Enumerable.Range(0, 0xA0)
            .Select(c => (char)c)
            .Where(c => char.IsControl(c) && c is not ('\t' or '\n' or '\r')), .. Turning, '\uFFFE', '\uFFFF']);

    /// <summary>Reads a file as UTF-8 (with or without byte-order mark) or UTF-16 (with one, or told by its zeros).</summary>
    /// <param name="path">The file.</param>
    /// <param name="name">Its name in messages.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <returns>The text; null if it cannot be read.</returns>
    public static string? Read(string path, string name, DiagnosticBag bag) => Read(path, name, bag, out _);

    /// <summary>Reads a file and tells its encoding, so that it can be written back in it.</summary>
    public static string? Read(string path, string name, DiagnosticBag bag, out Encoding encoding)
    {
        ArgumentNullException.ThrowIfNull(bag);
        encoding = StrictUtf8;
        byte[] bytes;
        try
        {
            bytes = InputFile.ReadAll(path);
        }
        catch (FileNotFoundException)
        {
            bag.Error(new FilePlace(name, 0, 0), $"there is no such file at {path}");
            return null;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            bag.Error(new FilePlace(name, 0, 0), $"cannot be read: {e.Message}");
            return null;
        }

        bag.Reads(path, name);
        if (Decode(bytes, name, bag, out encoding) is not { } text)
        {
            return null;
        }

        var unfit = text.AsSpan().IndexOfAny(Unfit);
        if (unfit >= 0)
        {
            bag.Error(PlaceAt(name, text, unfit), UnfitMessage(text[unfit]));
            return null;
        }

        return text;
    }

    /// <summary>
    /// Finds a character that no document can hold or show for what it is (XML 1.0 2.2, Unicode Annex 9): control characters but tabs and
    /// ends of lines, those that turn the direction of a text, and what is no character.
    /// </summary>
    /// <returns>What is wrong; null if nothing is.</returns>
    internal static string? FaultOf(string text) => text.AsSpan().IndexOfAny(Unfit) is >= 0 and var i ? UnfitMessage(text[i]) : null;

    private static string UnfitMessage(char c) => c == '\0'
        ? "holds a zero character, so it is not a text file; save it as UTF-8 text"
        : string.Create(System.Globalization.CultureInfo.InvariantCulture,
            $"holds a {Nature(c)}, U+{(int)c:X4}, which no drawing or document can show; take it out");

    private static string Nature(char c) => char.IsControl(c) ? "control character"
        : Turning.Contains(c) ? "character that turns the direction of the text after it"
        : "code that is no character";

    /// <summary>
    /// Writes a file so that a reader sees the old content or the new, never a part: to a temporary file beside it, flushed, then renamed
    /// over it.
    /// </summary>
    /// <param name="path">The file.</param>
    /// <param name="text">The content.</param>
    /// <param name="encoding">How it is written; null: UTF-8 without byte-order mark.</param>
    /// <exception cref="IOException">It cannot be written.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public static void WriteAtomically(string path, string text, Encoding? encoding = null)
    {
        encoding ??= StrictUtf8;
        WriteAtomically(path, [.. encoding.GetPreamble(), .. encoding.GetBytes(text)]);
    }

    /// <summary>The same for bytes.</summary>
    /// <param name="path">The file.</param>
    /// <param name="content">What it will hold.</param>
    public static void WriteAtomically(string path, byte[] content)
    {
        using var file = new AtomicFile(path);
        file.Stream.Write(content);
        file.Commit();
    }

    /// <summary>
    /// Opens a file to be written whole or not at all: to a temporary file beside it, put in its place by <see cref="AtomicFile.Commit"/>.
    /// </summary>
    /// <exception cref="IOException">It cannot be written.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public static AtomicFile WriteAtomically(string path) => new(path);

    private static string? Decode(byte[] bytes, string name, DiagnosticBag bag, out Encoding encoding)
    {
        encoding = StrictUtf8;
        try
        {
            if (bytes is [0xEF, 0xBB, 0xBF, ..])
            {
                encoding = new UTF8Encoding(true, true);
                return StrictUtf8.GetString(bytes, 3, bytes.Length - 3);
            }

            if (bytes is [0xFF, 0xFE, ..] or [0xFE, 0xFF, ..])
            {
                encoding = new UnicodeEncoding(bytes[0] == 0xFE, true, true);
                return encoding.GetString(bytes, 2, bytes.Length - 2);
            }

            // UTF-16 without a mark: our files begin with an ASCII character, whose other byte is zero.
            if (bytes.Length >= 2 && (bytes[0] == 0) != (bytes[1] == 0))
            {
                encoding = new UnicodeEncoding(bytes[0] == 0, false, true);
                return encoding.GetString(bytes);
            }

            return StrictUtf8.GetString(bytes);
        }
        catch (DecoderFallbackException e)
        {
            var before = Encoding.Latin1.GetString(bytes, 0, Math.Clamp(e.Index, 0, bytes.Length));
            bag.Error(PlaceAt(name, before, before.Length), "is neither UTF-8 nor UTF-16 text; save it as UTF-8");
            return null;
        }
        catch (ArgumentException)
        {
            bag.Error(new FilePlace(name, 0, 0), "is neither UTF-8 nor UTF-16 text; save it as UTF-8");
            return null;
        }
    }

    private static FilePlace PlaceAt(string name, string text, int index)
    {
        var line = 1 + text.AsSpan(0, index).Count('\n');
        return new FilePlace(name, line, index - text.LastIndexOf('\n', Math.Max(0, index - 1)));
    }
}
