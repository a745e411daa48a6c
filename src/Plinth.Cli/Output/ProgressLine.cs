namespace Plinth.Cli.Output;

/// <summary>A bar on standard error while long work runs, if that is a terminal; nothing else otherwise.</summary>
/// <param name="what">What is done: "sizing".</param>
/// <param name="of">How many there are.</param>
internal sealed class ProgressLine(string what, int of) : IDisposable
{
    private const int Least = 50;
    private const int Width = 24;

    private readonly bool shows = of >= Least && !Console.IsErrorRedirected;
    private readonly Lock turn = new();
    private int done;
    private int drawn = -1;

    /// <summary>One more is done.</summary>
    public void Step() => At(Interlocked.Increment(ref done));

    /// <summary>So many are done.</summary>
    public void At(int count)
    {
        if (!shows)
        {
            return;
        }

        lock (turn)
        {
            var filled = Width * count / of;
            if (filled > drawn || count == of)
            {
                drawn = filled;
                Streams.Cursor.Write($"\r{what} {new string('█', filled)}{new string('░', Width - filled)} {count} of {of} ");
            }
        }
    }

    /// <summary>Takes the bar away.</summary>
    public void Dispose()
    {
        if (shows && drawn >= 0)
        {
            Streams.Cursor.Write("\r" + new string(' ', what.Length + Width + 24) + "\r");
        }
    }
}
