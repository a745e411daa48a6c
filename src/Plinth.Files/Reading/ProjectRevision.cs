using System.ComponentModel;
using System.Diagnostics;
using System.Formats.Tar;

namespace Plinth.Files.Reading;

/// <summary>A project as it stood in a revision of its git history, laid down in a temporary folder until it is disposed.</summary>
public sealed class ProjectRevision : IDisposable
{
    private ProjectRevision(string directory) => Directory = directory;

    /// <summary>The temporary folder.</summary>
    public string Directory { get; }

    /// <summary>Lays down a revision.</summary>
    /// <param name="directory">The project's folder.</param>
    /// <param name="revision">A commit, tag or branch.</param>
    /// <param name="fault">Why it cannot be.</param>
    /// <returns>Null if the folder is in no repository, or the revision is not known.</returns>
    public static ProjectRevision? Open(string directory, string revision, out string? fault)
    {
        ArgumentNullException.ThrowIfNull(revision);
        fault = null;

        // A revision that looks like an option must not become one.
        if (revision.StartsWith('-') || Git(directory, null, out fault, "rev-parse", "--verify", "--quiet", revision + "^{commit}") is null)
        {
            fault ??= $"\"{revision}\" is no folder, no table of reactions and no revision of the project's git history";
            return null;
        }

        var folder = System.IO.Directory.CreateTempSubdirectory("plinth-").FullName;
        var result = new ProjectRevision(folder);
        var archive = Path.Combine(folder, "archive.tar");
        if (Git(directory, archive, out fault, "archive", "--format=tar", revision, "--", ".") is null)
        {
            result.Dispose();
            return null;
        }

        var project = System.IO.Directory.CreateDirectory(Path.Combine(folder, "project")).FullName;
        TarFile.ExtractToDirectory(archive, project, overwriteFiles: true);
        File.Delete(archive);
        if (!File.Exists(Path.Combine(project, ProjectReader.FileName)))
        {
            fault = $"the project was not there yet in revision {revision}: it has no {ProjectReader.FileName}";
            result.Dispose();
            return null;
        }

        return new ProjectRevision(project);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        var top = Path.GetFileName(Directory) == "project" ? Path.GetDirectoryName(Directory)! : Directory;
        if (System.IO.Directory.Exists(top))
        {
            System.IO.Directory.Delete(top, recursive: true);
        }
    }

    private static string? Git(string directory, string? toFile, out string? fault, params ReadOnlySpan<string> arguments)
    {
        fault = null;
        var start = new ProcessStartInfo("git") { RedirectStandardOutput = true, RedirectStandardError = true, WorkingDirectory = directory };
        foreach (var argument in arguments)
        {
            start.ArgumentList.Add(argument);
        }

        try
        {
            using var process = Process.Start(start)!;
            var errors = process.StandardError.ReadToEndAsync();
            var text = "";
            if (toFile is null)
            {
                text = process.StandardOutput.ReadToEnd();
            }
            else
            {
                using var file = File.Create(toFile);
                process.StandardOutput.BaseStream.CopyTo(file);
            }

            process.WaitForExit();
            if (process.ExitCode == 0)
            {
                return text;
            }

            var said = errors.Result.Trim();
            fault = said.Length == 0 ? null : "git: " + said.Split('\n')[0];
            return null;
        }
        catch (Win32Exception)
        {
            fault = "git is not installed, so no revision can be read; name a folder or a table of reactions";
            return null;
        }
    }
}
