using Plinth.Files.Issuing;

namespace Plinth.Files.Access;

/// <summary>
/// What may be written: never an input of the project, an issue, or what is no regular file; by names that come from files, nothing outside
/// the project.
/// </summary>
public static class OutputRules
{
    private const string TableEnding = ".csv";

    /// <summary>Why a file that the user names may not be written; null: it may.</summary>
    /// <param name="path">The file.</param>
    /// <param name="project">The project's folder.</param>
    /// <param name="inputs">The files that the project is read from.</param>
    public static string? Fault(string path, string project, IEnumerable<string> inputs)
    {
        ArgumentNullException.ThrowIfNull(inputs);
        var real = RealPath.Of(path);
        var there = Posix.At(real);
        if (there is { IsRegular: false } other)
        {
            return $"{path} is {other.Kind}, which is never written; name a file";
        }

        foreach (var input in inputs)
        {
            if (RealPath.Of(input) == real || (there is { } a && Posix.At(input) is { } b && a.Same(b)))
            {
                return $"{path} is an input of the project, which no output replaces; name another file";
            }
        }

        return InputFile.IsWithin(real, Path.Combine(project, IssuedFolder.Name))
            ? $"{path} lies among the issues, which are never changed; name a file elsewhere"
            : null;
    }

    /// <summary>Why a file that the project or the program names may not be written; null: it may.</summary>
    /// <param name="path">The file.</param>
    /// <param name="project">The project's folder.</param>
    /// <param name="inputs">Files that it must not be.</param>
    public static string? FaultOfOwn(string path, string project, IEnumerable<string> inputs) =>
        InputFile.IsWithin(path, project)
            ? Fault(path, project, inputs)
            : $"{path} leads out of the project's folder, where nothing is written by a name that stands in a file";

    /// <summary>Why a path cannot name the table that an import writes; null: it can.</summary>
    /// <param name="name">The path, from the project's folder.</param>
    public static string? FaultOfTable(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        return name.EndsWith(TableEnding, StringComparison.OrdinalIgnoreCase)
            && !name.Split('/').Any(p => p.StartsWith('.') && p.Length > 0)
            ? null
            : "it is written by plinth import, so it must be a table of the project's folder whose name ends with .csv and begins with no "
                + "point, for example \"reactions.csv\"";
    }
}
