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
        var history = new GitHistory(directory);
        if (revision.StartsWith('-') || history.Commit(revision, out fault) is not { } commit)
        {
            fault ??= $"\"{revision}\" is no folder, no table of reactions and no revision of the project's git history";
            return null;
        }

        var folder = System.IO.Directory.CreateTempSubdirectory("plinth-").FullName;
        var result = new ProjectRevision(folder);
        var project = System.IO.Directory.CreateDirectory(Path.Combine(folder, "project")).FullName;
        try
        {
            if (!history.LayDown(commit, project, out fault))
            {
                result.Dispose();
                return null;
            }
        }
        catch
        {
            result.Dispose();
            throw;
        }

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
}
