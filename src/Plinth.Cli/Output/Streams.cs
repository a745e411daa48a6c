using System.Buffers;
using System.Text;
using Plinth.Files.Access;

namespace Plinth.Cli.Output;

/// <summary>Results could not be written to standard output: what was asked for is done, but nobody has seen it.</summary>
internal sealed class ResultsLostException(string message) : Exception(message);

/// <summary>
/// The streams of the process, guarded: results that are lost are told, messages that nobody can receive stop nothing, and nothing that
/// stands in a file steers a terminal.
/// </summary>
internal static class Streams
{
    private static readonly UTF8Encoding Plain = new(false);

    // Controls but tabs and ends of lines, and what turns the direction of the text that follows.
    private static readonly SearchValues<char> Steering =
        SearchValues.Create([.. Enumerable.Range(0, 0xA0).Select(c => (char)c).Where(c => char.IsControl(c) && c is not ('\t' or '\n')),
            .. "\u061C\u200E\u200F\u2028\u2029\u202A\u202B\u202C\u202D\u202E\u2066\u2067\u2068\u2069"]);

    /// <summary>Messages as they are, for what moves the cursor on purpose.</summary>
    public static TextWriter Cursor { get; private set; } = TextWriter.Null;

    /// <summary>Puts the guards in the place of the console's own streams.</summary>
    public static void Guard()
    {
        Posix.OpenStandardStreams();
        Console.SetOut(new StreamWriter(Results(), Plain) { AutoFlush = true });
        Cursor = new StreamWriter(new Messages(Console.OpenStandardError()), Plain) { AutoFlush = true };
        Console.SetError(new Visible(Cursor));
    }

    /// <summary>Receives results as bytes.</summary>
    public static Stream Results() => new ResultStream(Console.OpenStandardOutput());

    /// <summary>A text whose characters all show: one that would steer the terminal stands as its code.</summary>
    public static string Shown(string text)
    {
        if (text.AsSpan().IndexOfAny(Steering) < 0)
        {
            return text;
        }

        var shown = new StringBuilder(text.Length + 16);
        foreach (var c in text)
        {
            if (Steering.Contains(c))
            {
                shown.Append(System.Globalization.CultureInfo.InvariantCulture, $"<U+{(int)c:X4}>");
            }
            else
            {
                shown.Append(c);
            }
        }

        return shown.ToString();
    }

    private sealed class ResultStream(Stream to) : Writing(to)
    {
        protected override void Failed(Exception e) => throw new ResultsLostException(e.Message);
    }

    // With nobody to receive it a message is lost; the exit code still tells.
    private sealed class Messages(Stream to) : Writing(to)
    {
        protected override void Failed(Exception e)
        {
        }
    }

    private abstract class Writing(Stream to) : Stream
    {
        public override bool CanRead => false;

        public override bool CanSeek => false;

        public override bool CanWrite => true;

        public override long Length => throw new NotSupportedException();

        public override long Position { get => throw new NotSupportedException(); set => throw new NotSupportedException(); }

        public override void Flush() => Try(() => to.Flush());

        public override void Write(byte[] buffer, int offset, int count) => Write(buffer.AsSpan(offset, count));

        public override void Write(ReadOnlySpan<byte> buffer)
        {
            try
            {
                to.Write(buffer);
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                Failed(e);
            }
        }

        public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        protected abstract void Failed(Exception e);

        private void Try(Action write)
        {
            try
            {
                write();
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                Failed(e);
            }
        }
    }

    private sealed class Visible(TextWriter to) : TextWriter
    {
        public override Encoding Encoding => to.Encoding;

        public override void Write(char value) => to.Write(Shown(value.ToString()));

        public override void Write(string? value) => to.Write(Shown(value ?? ""));

        public override void Write(char[] buffer, int index, int count) => to.Write(Shown(new string(buffer, index, count)));

        public override void WriteLine(string? value) => to.Write(Shown(value ?? "") + "\n");
    }
}
