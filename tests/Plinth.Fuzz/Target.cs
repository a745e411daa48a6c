using System.Diagnostics;
using System.Globalization;
using System.Reflection;

namespace Plinth.Fuzz;

/// <summary>What a run of the program came to.</summary>
/// <param name="Exit">Its exit code; over 128: the signal that ended it.</param>
/// <param name="Seconds">How long it ran.</param>
/// <param name="Megabytes">The most memory it was seen to hold.</param>
/// <param name="Out">Standard output.</param>
/// <param name="Error">Standard error.</param>
internal sealed record Ran(int Exit, double Seconds, long Megabytes, string Out, string Error);

/// <summary>The built program, run with bounds on time and memory.</summary>
/// <param name="program">Its path.</param>
internal sealed class Target(string program)
{
    public const double MostSeconds = 5;
    public const long MostMegabytes = 1024;

    // A program that has hung must end for the harness to go on.
    private const int Patience = 20_000;
    private const int LookEvery = 10;

    public static string Root =>
        typeof(Target).Assembly.GetCustomAttributes<AssemblyMetadataAttribute>().Single(a => a.Key == "Root").Value!;

    /// <summary>Starts it without waiting.</summary>
    public Process Start(string folder, params IEnumerable<string> arguments)
    {
        var start = new ProcessStartInfo(program)
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            RedirectStandardInput = true
        };
        foreach (var a in arguments)
        {
            start.ArgumentList.Add(a);
        }

        start.Environment["NO_COLOR"] = "1";
        return Process.Start(start)!;
    }

    /// <summary>Runs it to its end.</summary>
    public Ran Run(string folder, params IEnumerable<string> arguments)
    {
        var watch = Stopwatch.StartNew();
        using var process = Start(folder, arguments);
        process.StandardInput.Close();
        var (output, error) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        long most = 0;
        while (!process.WaitForExit(LookEvery))
        {
            most = Math.Max(most, Held(process.Id));
            if (watch.ElapsedMilliseconds > Patience || most > 4 * MostMegabytes)
            {
                process.Kill(true);
            }
        }

        process.WaitForExit();
        return new Ran(process.ExitCode, watch.Elapsed.TotalSeconds, most, output.Result, error.Result);
    }

    private static long Held(int process)
    {
        try
        {
            var line = File.ReadLines($"/proc/{process}/status").FirstOrDefault(l => l.StartsWith("VmHWM:", StringComparison.Ordinal));
            return line is null
                ? 0
                : long.Parse(line.Split(' ', StringSplitOptions.RemoveEmptyEntries)[^2].Split('\t')[^1],
                    CultureInfo.InvariantCulture) / 1024;
        }
        catch (IOException)
        {
            return 0;
        }
    }
}

/// <summary>Folders of files.</summary>
internal static class Folders
{
    /// <summary>A folder for one run, deleted after it.</summary>
    public static string Fresh() => Directory.CreateTempSubdirectory("plinth-fuzz-").FullName;

    /// <summary>Copies a folder with all in it, but for what is made.</summary>
    public static void Copy(string from, string to)
    {
        foreach (var file in Directory.EnumerateFiles(from, "*", SearchOption.AllDirectories))
        {
            var target = Path.Combine(to, Path.GetRelativePath(from, file));
            Directory.CreateDirectory(Path.GetDirectoryName(target)!);
            File.Copy(file, target, true);
        }
    }

    /// <summary>What each file of a folder holds, by a digest.</summary>
    public static SortedDictionary<string, string> Digests(string folder)
    {
        var found = new SortedDictionary<string, string>(StringComparer.Ordinal);
        foreach (var file in Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Where(f => new FileInfo(f).LinkTarget is null))
        {
            found[Path.GetRelativePath(folder,
                file)] = Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(File.ReadAllBytes(file)));
        }

        return found;
    }

    /// <summary>Files and folders under way that were left behind.</summary>
    public static IReadOnlyList<string> Left(string folder) =>
        [.. Directory.EnumerateFileSystemEntries(folder, ".plinth*", SearchOption.AllDirectories)
            .Select(p => Path.GetRelativePath(folder, p))];
}
