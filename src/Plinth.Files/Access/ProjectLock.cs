using System.Globalization;
using Microsoft.Win32.SafeHandles;

namespace Plinth.Files.Access;

/// <summary>
/// The project as one process alone may change it. The lock lies on the folder itself: it leaves no file behind and ends with its process.
/// </summary>
public sealed class ProjectLock : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1);
    private readonly SafeFileHandle folder;

    private ProjectLock(SafeFileHandle folder) => this.folder = folder;

    /// <summary>What a dead process had begun and was finished now.</summary>
    public IReadOnlyList<string> Mended { get; private init; } = [];

    /// <summary>Takes the lock: waits a second for another process, finishes what a dead one began, and sweeps what it left.</summary>
    /// <param name="project">The project's folder.</param>
    /// <exception cref="IOException">Another process has it; the message says which.</exception>
    public static ProjectLock Take(string project)
    {
        var folder = Posix.OpenToRead(project);
        try
        {
            var until = DateTime.UtcNow + Patience;
            while (Posix.TryLock(folder) is false)
            {
                if (DateTime.UtcNow > until)
                {
                    throw new IOException(
                        $"{Holder(Posix.Of(folder))} is changing this project; nothing was read or written; try again when it has ended");
                }

                Thread.Sleep(10);
            }

            var mended = PendingWrites.Mend(project);
            Temporary.Sweep(project, whole: true);
            Temporary.Sweep(Path.Combine(project, Issuing.IssuedFolder.Name), whole: true);
            return new ProjectLock(folder) { Mended = mended };
        }
        catch
        {
            folder.Dispose();
            throw;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => folder.Dispose();

    // /proc/locks has a line a lock: number, FLOCK, ADVISORY, WRITE, process, major:minor:inode, range.
    private static string Holder(FileFacts folder)
    {
        var inode = ":" + folder.Inode.ToString(CultureInfo.InvariantCulture);
        try
        {
            foreach (var line in File.ReadLines("/proc/locks"))
            {
                var parts = line.Split(' ', StringSplitOptions.RemoveEmptyEntries);
                if (parts.Length > 5 && parts[1] == "FLOCK" && parts[5].EndsWith(inode, StringComparison.Ordinal))
                {
                    string[] words = [.. File.ReadAllText($"/proc/{parts[4]}/cmdline").Split('\0').Take(3)];
                    return $"{string.Join(' ', words.Select((w, i) => i == 0 ? Path.GetFileName(w) : w)).Trim()} (process {parts[4]})";
                }
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // It ended meanwhile, or its name is not for us to see.
        }

        return "another process";
    }
}
