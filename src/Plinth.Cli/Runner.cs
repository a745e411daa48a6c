using System.CommandLine;
using System.CommandLine.Help;
using Plinth.Cli.Output;
using Plinth.Files.Diagnostics;

namespace Plinth.Cli;

/// <summary>How a command ends.</summary>
internal static class ExitCode
{
    /// <summary>All well.</summary>
    public const int Ok = 0;

    /// <summary>A foundation fails, is not sized, or none was found for it.</summary>
    public const int Fails = 1;

    /// <summary>The input or the call is wrong.</summary>
    public const int Wrong = 2;

    /// <summary>A defect in plinth.</summary>
    public const int Defect = 70;

    /// <summary>Stopped by the user.</summary>
    public const int Stopped = 130;
}

/// <summary>The input or the call is wrong; the message says what and how to mend it.</summary>
internal sealed class CallException(string message) : Exception(message);

/// <summary>The input files are wrong.</summary>
internal sealed class InputException(DiagnosticBag bag) : Exception("the input is wrong")
{
    public DiagnosticBag Bag { get; } = bag;
}

/// <summary>Runs a command and turns whatever happens into an exit code and a message.</summary>
internal static class Runner
{
    private const int LeastHelpWidth = 60;

    private static readonly CancellationTokenSource Cancel = new();

    /// <summary>Set when the user stops the work.</summary>
    public static CancellationToken Token => Cancel.Token;

    public static int Run(RootCommand root, string[] args)
    {
        Streams.Guard();
        Console.CancelKeyPress += (_, e) =>
        {
            e.Cancel = true;
            Cancel.Cancel();
        };
        try
        {
            if (args is [] or ["--help" or "-h" or "-?"])
            {
                return Overview(root);
            }

            var parsed = root.Parse(args);
            if (parsed.Errors.Count > 0)
            {
                foreach (var error in parsed.Errors)
                {
                    Console.Error.WriteLine("plinth: error: " + error.Message);
                }

                Console.Error.WriteLine(
                    $"See: plinth {(parsed.CommandResult.Command is RootCommand ? "" : parsed.CommandResult.Command.Name + " ")}--help");
                return ExitCode.Wrong;
            }

            // A help text squeezed into a few columns would be cut letter by letter, or never end.
            foreach (var help in root.Options.OfType<HelpOption>())
            {
                ((HelpAction)help.Action!).MaxWidth = Math.Max(LeastHelpWidth, ((HelpAction)help.Action).MaxWidth);
            }

            return parsed.Invoke(new InvocationConfiguration { EnableDefaultExceptionHandler = false });
        }
        catch (CallException e)
        {
            Console.Error.WriteLine("plinth: error: " + e.Message);
            return ExitCode.Wrong;
        }
        catch (InputException e)
        {
            foreach (var d in e.Bag.Sorted)
            {
                Console.Error.WriteLine(d);
            }

            return ExitCode.Wrong;
        }
        catch (ResultsLostException e)
        {
            Console.Error.WriteLine(
                $"plinth: error: the results could not be written to standard output: {e.Message.TrimEnd('.')}; what the command writes to "
                    + "files stands");
            return ExitCode.Fails;
        }
        catch (OperationCanceledException)
        {
            Console.Error.WriteLine("plinth: stopped; nothing was written");
            return ExitCode.Stopped;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // A reader that closes its end of a pipe (head, less) is no fault.
            if (e.Message.Contains("Broken pipe", StringComparison.Ordinal))
            {
                return ExitCode.Ok;
            }

            Console.Error.WriteLine("plinth: error: " + e.Message);
            return ExitCode.Wrong;
        }
#pragma warning disable CA1031 // The last line of defence: no input shows a stack trace.
        catch (Exception e)
#pragma warning restore CA1031
        {
            Console.Error.WriteLine($"plinth: defect: {e.GetType().Name}: {e.Message.ReplaceLineEndings(" ")}");
            Console.Error.WriteLine("This is a defect in plinth, not in your project. PLINTH_TRACE=1 shows where.");
            if (Environment.GetEnvironmentVariable("PLINTH_TRACE") == "1")
            {
                Console.Error.WriteLine(e.ToString());
            }

            return ExitCode.Defect;
        }
    }

    // One line a command, in the order of the work; examples stand in each command's own help.
    private static int Overview(RootCommand root)
    {
        Console.Out.WriteLine(root.Description);
        Console.Out.WriteLine();
        Console.Out.WriteLine("plinth COMMAND [arguments] [options]");
        Console.Out.WriteLine();
        var width = root.Subcommands.Max(c => c.Name.Length) + 2;
        foreach (var command in root.Subcommands)
        {
            // Its first sentence.
            var text = string.Join(' ', (command.Description ?? "").Split('\n').TakeWhile(l => l.Trim().Length > 0).Select(l => l.Trim()));
            var end = text.IndexOfAny(['.', ':', ';']);
            Console.Out.WriteLine("  " + command.Name.PadRight(width) + (end > 0 ? text[..end] : text));
        }

        Console.Out.WriteLine();
        Console.Out.WriteLine(
            "Every command takes --project DIR, --format table|json|csv, --quiet, --verbose, --no-color; plinth COMMAND --help shows "
                + "its examples.");
        Console.Out.WriteLine("plinth --version prints the version.");
        return ExitCode.Ok;
    }
}
