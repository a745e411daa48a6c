
namespace Plinth.Cli;

/// <summary>Repeats work whenever a file of the project is saved.</summary>
internal static class Watch
{
    // Saved and checked within a tenth of a second: two looks that agree, and the check.
    private const int LookEvery = 20;

    private static readonly string[] Kinds = [".toml", ".csv"];

    /// <summary>
    /// Does the work, then again after every save, until the user stops it. Files that are half saved or wrong are told of and waited for.
    /// </summary>
    public static int Repeat(Call call, Func<int> work)
    {
        // Looked at before the work: what is saved while it runs is seen afterwards.
        var seen = State(call);
        var exit = Try(work);
        if (!call.Quiet)
        {
            Console.Error.WriteLine("Watching for saved files; Ctrl-C ends.");
        }

        while (!Runner.Token.WaitHandle.WaitOne(LookEvery))
        {
            var now = State(call);
            if (now == seen)
            {
                continue;
            }

            // An editor may still be writing: what it leaves must stand still for one look.
            string before;
            do
            {
                before = now;
                if (Runner.Token.WaitHandle.WaitOne(LookEvery))
                {
                    return exit;
                }

                now = State(call);
            }
            while (now != before);

            seen = now;
            Console.Out.WriteLine();
            exit = Try(work);
        }

        return exit;
    }

    private static int Try(Func<int> work)
    {
        try
        {
            return work();
        }
        catch (InputException e)
        {
            foreach (var d in e.Bag.Sorted)
            {
                Console.Error.WriteLine(d);
            }
        }
        catch (CallException e)
        {
            Console.Error.WriteLine("plinth: error: " + e.Message);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine("plinth: error: " + e.Message);
        }

        return ExitCode.Wrong;
    }

    private static string State(Call call)
    {
        var text = new System.Text.StringBuilder();
        foreach (var file in new DirectoryInfo(call.Find()).EnumerateFiles()
            .Where(f => Kinds.Contains(f.Extension))
            .OrderBy(f => f.Name, StringComparer.Ordinal))
        {
            text.Append(file.Name).Append(' ').Append(file.LastWriteTimeUtc.Ticks).Append(' ').Append(file.Exists ? file.Length : 0)
                .Append(' ');
        }

        return text.ToString();
    }
}
