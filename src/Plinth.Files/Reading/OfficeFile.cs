using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>
/// Lays an office's defaults under a project: what plinth.toml does not say is taken from the file that extends names, and so on from that
/// one.
/// </summary>
internal static class OfficeFile
{
    /// <summary>The key that names the file.</summary>
    public const string Key = "extends";

    // More than anyone stacks; beyond it two files extend each other.
    private const int Deepest = 8;

    /// <summary>Lays the defaults under a table.</summary>
    /// <param name="root">The project's table.</param>
    /// <param name="directory">The folder from which the path is read.</param>
    /// <param name="elsewhere">Where that folder really stands, if it is a copy; null: it is none.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <param name="files">Receives the files that were read.</param>
    /// <returns>False if a file cannot be read.</returns>
    public static bool Under(TomlTable root, string directory, string? elsewhere, DiagnosticBag bag, List<string> files)
    {
        var (table, folder, real) = (root, directory, elsewhere);
        for (var depth = 0; table[Key] is { } node; depth++)
        {
            if (node.Value is not string path || path.Trim().Length == 0)
            {
                bag.Error(node.Place, "extends names a file in quotes; write for example extends = \"../office.toml\"");
                return false;
            }

            if (depth == Deepest)
            {
                bag.Error(node.Place,
                    $"extends \"{path}\": more than {Deepest} files extend each other, perhaps in a circle; let one of them extend none");
                return false;
            }

            var full = Path.GetFullPath(Path.Combine(folder, path));
            if (!File.Exists(full) && real is not null)
            {
                full = Path.GetFullPath(Path.Combine(real, path));
            }

            if (!File.Exists(full))
            {
                bag.Error(node.Place, $"extends \"{path}\": there is no such file ({full})");
                return false;
            }

            if (TextFile.Read(full, path, bag) is not { } text || TomlTree.Parse(text, path, bag) is not { } basis)
            {
                return false;
            }

            files.Add(full);
            root.FallBackOn(basis);
            (table, folder, real) = (basis, Path.GetDirectoryName(full)!, null);
        }

        return true;
    }
}
