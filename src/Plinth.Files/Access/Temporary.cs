using System.Globalization;

namespace Plinth.Files.Access;

/// <summary>Names of files and folders under way, by which those of dead processes are told and swept.</summary>
public static class Temporary
{
    private const string Before = ".plinth-";
    private const string After = ".new";

    // One of another machine or container cannot be asked whether it lives.
    private static readonly TimeSpan ForeignAge = TimeSpan.FromDays(1);
    private static readonly string Machine = string.Concat(Environment.MachineName.Where(char.IsAsciiLetterOrDigit).Take(24));
    private static int count;

    /// <summary>A name that no other process and no other call gives. It is short, so that what it stands for may have any name.</summary>
    public static string Name() =>
        string.Create(CultureInfo.InvariantCulture, $"{Before}{Machine}-{Environment.ProcessId}-{Interlocked.Increment(ref count)}{After}");

    /// <summary>Whether a name is one of these.</summary>
    public static bool IsName(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        return name.StartsWith(Before, StringComparison.Ordinal) && name.EndsWith(After, StringComparison.Ordinal)
            && name.IndexOf('/', StringComparison.Ordinal) < 0;
    }

    /// <summary>Deletes what processes that are dead have left in a folder.</summary>
    /// <param name="folder">The folder; it need not be there.</param>
    /// <param name="whole">Whether folders are swept too: within a project alone, as in a folder that all may write somebody else may
    /// change them meanwhile.</param>
    public static void Sweep(string folder, bool whole)
    {
        if (!Directory.Exists(folder))
        {
            return;
        }

        foreach (var left in new DirectoryInfo(folder).EnumerateFileSystemInfos(Before + "*" + After).Where(IsLeft).ToList())
        {
            try
            {
                // A link is deleted itself, never what it leads to.
                if (left is not DirectoryInfo { LinkTarget: null } made)
                {
                    left.Delete();
                }
                else if (whole)
                {
                    made.Delete(recursive: true);
                }
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                // Another user's, or swept by another process at this moment: it hinders nothing.
            }
        }
    }

    private static bool IsLeft(FileSystemInfo file)
    {
        var parts = file.Name[Before.Length..^After.Length].Split('-');
        return parts.Length == 3 && parts[0] == Machine
            && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var process)
            ? !Posix.IsAlive(process)
            : DateTime.UtcNow - file.LastWriteTimeUtc > ForeignAge;
    }
}
