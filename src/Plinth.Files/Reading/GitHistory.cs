using System.ComponentModel;
using System.Diagnostics;
using System.Globalization;
using System.Text;

namespace Plinth.Files.Reading;

/// <summary>
/// Reads files out of a repository's history and runs nothing that the repository names: git is the one of PATH by its whole path, it is
/// only asked for objects
/// as they are stored (no filters, hooks, pagers, replaced or fetched objects), and no protocol is allowed.
/// </summary>
/// <param name="directory">The project's folder.</param>
internal sealed class GitHistory(string directory)
{
    /// <summary>No revision of a project holds more, bytes.</summary>
    public const long MostBytes = 256L << 20;

    // An object that is no file, such as a pipe, would be waited for without end.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    // What a repository's own settings could name to be run, turned off by settings that stand above its own.
    private static readonly string[] Settings =
    [
        "protocol.allow=never", "core.fsmonitor=false", "core.hooksPath=/dev/null", "core.attributesFile=/dev/null", "core.pager=cat",
        "core.useReplaceRefs=false",
        "core.sshCommand=false", "core.gitProxy=", "credential.helper=", "safe.bareRepository=explicit", "log.showSignature=false",
    ];

    /// <summary>The commit that a name stands for.</summary>
    /// <param name="revision">A commit, tag or branch.</param>
    /// <param name="fault">What git said.</param>
    /// <returns>Null if there is none.</returns>
    public string? Commit(string revision, out string? fault) =>
        Run(out fault, null, "rev-parse", "--verify", "--quiet", "--end-of-options", revision + "^{commit}") is { } said
            ? Encoding.ASCII.GetString(said).Trim()
            : null;

    /// <summary>Lays down the files that the project's folder held in a commit; links and modules are left out.</summary>
    /// <param name="commit">The commit.</param>
    /// <param name="to">An empty folder.</param>
    /// <param name="fault">Why it could not be.</param>
    public bool LayDown(string commit, string to, out string? fault)
    {
        if (Run(out fault, null, "ls-tree", "-r", "-l", "-z", commit, "./") is not { } listed)
        {
            return false;
        }

        var blobs = new List<(string Id, string Path)>();
        var bytes = 0L;
        foreach (var row in Encoding.UTF8.GetString(listed).Split('\0', StringSplitOptions.RemoveEmptyEntries))
        {
            // Mode, kind, object, size, a tab, the path.
            var (head, path) = (row[..row.IndexOf('\t', StringComparison.Ordinal)].Split(' ', StringSplitOptions.RemoveEmptyEntries),
                row[(row.IndexOf('\t', StringComparison.Ordinal) + 1)..]);
            if (head[0] is "100644" or "100755"
                && !path.Split('/').Any(part => part is "" or "." or ".." || part.Equals(".git", StringComparison.OrdinalIgnoreCase)))
            {
                blobs.Add((head[2], path));
                bytes += long.TryParse(head[3], NumberStyles.None, CultureInfo.InvariantCulture, out var size) ? size : 0;
            }
        }

        if (bytes > MostBytes)
        {
            fault = string.Create(CultureInfo.InvariantCulture,
                $"the project's folder holds {bytes >> 20} MB in that revision, more than the {MostBytes >> 20} MB that are read");
            return false;
        }

        if (Run(out fault, string.Concat(blobs.Select(b => b.Id + "\n")), "cat-file", "--batch") is not { } content)
        {
            return false;
        }

        var at = 0;
        foreach (var (_, path) in blobs)
        {
            // Object, kind, size, a line feed, the content, a line feed.
            var end = Array.IndexOf(content, (byte)'\n', at);
            var head = end < 0 ? [] : Encoding.ASCII.GetString(content, at, end - at).Split(' ');
            if (head.Length != 3 || head[1] != "blob"
                || !int.TryParse(head[2], NumberStyles.None, CultureInfo.InvariantCulture, out var size) || end + 1 + size > content.Length)
            {
                fault = $"git: {path} is not in the repository in that revision";
                return false;
            }

            var file = Path.Combine(to, path);
            Directory.CreateDirectory(Path.GetDirectoryName(file)!);
            File.WriteAllBytes(file, content.AsSpan(end + 1, size));
            at = end + 2 + size;
        }

        return true;
    }

    /// <summary>The program that PATH names, by its whole path; never one of the current folder or of the project's.</summary>
    /// <param name="path">The value of PATH.</param>
    /// <param name="kept">Folders in which it is not looked for.</param>
    internal static string? Find(string? path, params ReadOnlySpan<string> kept)
    {
        foreach (var entry in (path ?? "").Split(Path.PathSeparator))
        {
            // A part that is empty or relative counts from the current folder.
            if (!Path.IsPathRooted(entry))
            {
                continue;
            }

            var within = false;
            foreach (var folder in kept)
            {
                within |= (Path.TrimEndingDirectorySeparator(Path.GetFullPath(entry))
                    + "/").StartsWith(Path.TrimEndingDirectorySeparator(Path.GetFullPath(folder)) + "/", StringComparison.Ordinal);
            }

            var file = new FileInfo(Path.Combine(entry, "git"));
            if (!within && file.Exists
                && (file.UnixFileMode & (UnixFileMode.UserExecute | UnixFileMode.GroupExecute | UnixFileMode.OtherExecute)) != 0)
            {
                return file.FullName;
            }
        }

        return null;
    }

    private byte[]? Run(out string? fault, string? input, params ReadOnlySpan<string> arguments)
    {
        const string missing = "git is not installed, so no revision can be read; name a folder or a table of reactions";
        fault = missing;
        if (Find(Environment.GetEnvironmentVariable("PATH"), directory, Environment.CurrentDirectory) is not { } program)
        {
            return null;
        }

        var start = new ProcessStartInfo(program)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = directory
        };
        foreach (var name in start.Environment.Keys.Where(k => k.StartsWith("GIT_", StringComparison.Ordinal)).ToList())
        {
            start.Environment.Remove(name);
        }

        // Older versions know no GIT_NO_LAZY_FETCH: they would fetch, by a protocol that is not allowed.
        foreach (var (name, value) in new[] { ("GIT_NO_LAZY_FETCH", "1"), ("GIT_ALLOW_PROTOCOL", "none"), ("GIT_NO_REPLACE_OBJECTS", "1"),
            ("GIT_OPTIONAL_LOCKS", "0"), ("GIT_TERMINAL_PROMPT", "0"), ("GIT_PAGER", "cat"), ("LC_ALL", "C") })
        {
            start.Environment[name] = value;
        }

        start.ArgumentList.Add("--no-pager");
        foreach (var setting in Settings)
        {
            start.ArgumentList.Add("-c");
            start.ArgumentList.Add(setting);
        }

        foreach (var argument in arguments)
        {
            start.ArgumentList.Add(argument);
        }

        try
        {
            using var process = Process.Start(start)!;
            var late = false;
            using var ends = new Timer(
                _ =>
                {
                    late = true;
                    process.Kill(true);
                },
                null,
                Patience,
                Timeout.InfiniteTimeSpan);
            var errors = process.StandardError.ReadToEndAsync();
            var feeding = Task.Run(() => Feed(process.StandardInput, input));
            using var output = new MemoryStream();
            process.StandardOutput.BaseStream.CopyTo(output);
            process.WaitForExit();
            feeding.Wait();
            var said = errors.Result.Trim();
            fault = late
                ? string.Create(CultureInfo.InvariantCulture,
                    $"git had not answered after {Patience.TotalSeconds:0} s, so no revision was read; name a folder or a table "
                        + $"of reactions")
                : process.ExitCode == 0 || said.Length == 0 ? null
                : "git: " + said.Split('\n')[0];
            return process.ExitCode == 0 ? output.ToArray() : null;
        }
        catch (Win32Exception)
        {
            fault = missing;
            return null;
        }
    }

    private static void Feed(StreamWriter to, string? input)
    {
        try
        {
            to.Write(input);
            to.Close();
        }
        catch (IOException)
        {
            // It ended before it read all: its exit code says why.
        }
    }
}
