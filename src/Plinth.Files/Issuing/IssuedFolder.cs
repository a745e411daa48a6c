using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Issuing;

/// <summary>An issue as it stands on disk.</summary>
/// <param name="Revision">Its revision.</param>
/// <param name="Number">How many issues there were, itself counted.</param>
/// <param name="Directory">Its folder.</param>
/// <param name="Project">The frozen project's folder, within it.</param>
public sealed record Issue(string Revision, int Number, string Directory, string Project);

/// <summary>The issues of a project: issued/REV/, each written whole or not at all, none ever overwritten.</summary>
/// <param name="project">The project's folder.</param>
public sealed class IssuedFolder(string project)
{
    /// <summary>The folder of all issues.</summary>
    public const string Name = "issued";

    /// <summary>The file that says what an issue is.</summary>
    public const string ManifestName = "issue.toml";

    private const string Inputs = "inputs";

    private string Root => Path.Combine(project, Name);

    /// <summary>The issues, first to last.</summary>
    /// <param name="bag">Receives what is wrong with their manifests.</param>
    public IReadOnlyList<Issue> All(DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(bag);
        if (!Directory.Exists(Root))
        {
            return [];
        }

        var found = new List<Issue>();
        foreach (var folder in Directory.GetDirectories(Root)
            .Where(d => Path.GetFileName(d)[0] != '.' && File.Exists(Path.Combine(d, ManifestName)))
            .Order(StringComparer.Ordinal))
        {
            var name = $"{Name}/{Path.GetFileName(folder)}/{ManifestName}";
            if (TextFile.Read(Path.Combine(folder, ManifestName), name, bag) is { } text && TomlTree.Parse(text, name, bag) is { } root)
            {
                var t = new TableReader(root, "", bag);
                var (revision, number, at) = (t.Text("revision"), t.Text("number"), t.Text("project"));
                if (revision is null || at is null || !int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var n))
                {
                    bag.Error(new FilePlace(name, 1, 1), "does not say revision, number and project; restore it from version control");
                    continue;
                }

                found.Add(new Issue(revision, n, folder, Path.Combine(folder, at)));
            }
        }

        return [.. found.OrderBy(i => i.Number)];
    }

    /// <summary>What is wrong with a revision as the name of an issue; null: nothing.</summary>
    public string? Fault(string revision)
    {
        ArgumentNullException.ThrowIfNull(revision);
        if (revision.Length is 0 or > 40 || revision[0] == '.'
            || !revision.All(c => char.IsAsciiLetterOrDigit(c) || c is '.' or '-' or '_'))
        {
            return $"revision \"{revision}\" cannot name a folder: write letters, digits, points, dashes and underscores, for example C2";
        }

        return Directory.Exists(Path.Combine(Root, revision))
            ? $"{Name}/{revision} is there already and is never overwritten; give the next revision"
            : null;
    }

    /// <summary>Writes an issue: frozen inputs, what is made from them, and what they are.</summary>
    /// <param name="revision">Its revision.</param>
    /// <param name="number">How many issues there are with it.</param>
    /// <param name="files">The files that the project was read from.</param>
    /// <param name="facts">What is to be said in its manifest: key and value.</param>
    /// <param name="make">Makes the outputs in a folder.</param>
    /// <returns>Its folder.</returns>
    /// <exception cref="IOException">It cannot be written.</exception>
    public string Write(string revision, int number, IReadOnlyList<string> files, IReadOnlyList<(string Key, string Value)> facts,
        Action<string> make)
    {
        ArgumentNullException.ThrowIfNull(files);
        ArgumentNullException.ThrowIfNull(facts);
        ArgumentNullException.ThrowIfNull(make);
        if (!InputFile.IsWithin(Root, project))
        {
            throw new IOException($"{Root} leads out of the project's folder, where no issue is written; make it a folder of the project");
        }

        Directory.CreateDirectory(Root);
        var made = Path.Combine(Root, Temporary.Name());
        var whole = Path.Combine(Root, revision);
        try
        {
            // Files lie to each other as they do now, so that the frozen project reads as it stands.
            var common = Common(files);
            foreach (var file in files)
            {
                var to = Path.Combine(made, Inputs, Path.GetRelativePath(common, file));
                Directory.CreateDirectory(Path.GetDirectoryName(to)!);
                File.Copy(file, to);
            }

            make(made);
            var at = Path.GetRelativePath(common, Path.GetFullPath(project));
            TextFile.WriteAtomically(Path.Combine(made, ManifestName),
                Manifest(made,
                    [("revision", revision), ("number", number.ToString(CultureInfo.InvariantCulture)),
                        ("project", at == "." ? Inputs : Inputs + "/" + at.Replace('\\', '/')), .. facts]));
            Directory.Move(made, whole);
        }
        catch
        {
            if (Directory.Exists(made))
            {
                Directory.Delete(made, recursive: true);
            }

            throw;
        }

        return whole;
    }

    /// <summary>Files of an issue that no longer are what was issued: changed or gone, by their manifest.</summary>
    /// <param name="issue">The issue.</param>
    /// <param name="bag">Receives what is wrong with its manifest.</param>
    public static IReadOnlyList<string> Altered(Issue issue, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(issue);
        ArgumentNullException.ThrowIfNull(bag);
        var text = TextFile.Read(Path.Combine(issue.Directory, ManifestName), ManifestName, bag);
        if (text is null || TomlTree.Parse(text, ManifestName, bag) is not { } root)
        {
            return [];
        }

        var digests = new TableReader(root, "", bag).Inner("sha256");
        return [.. digests.All()
            .Where(d => !File.Exists(Path.Combine(issue.Directory, d.Key))
                || Digest(Path.Combine(issue.Directory, d.Key)) != d.Node.Value as string)
            .Select(d => d.Key)];
    }

    private static string Common(IReadOnlyList<string> files)
    {
        var common = Path.GetDirectoryName(files[0])!;
        while (files.Any(f => Path.GetRelativePath(common, f).StartsWith("..", StringComparison.Ordinal)))
        {
            common = Path.GetDirectoryName(common) ?? throw new IOException("The files of the project have no folder in common.");
        }

        return common;
    }

    private static string Manifest(string folder, IReadOnlyList<(string Key, string Value)> facts)
    {
        static string Quoted(string value) =>
            "\"" + value.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal) + "\"";
        var text = new StringBuilder("# What was issued. Nothing in this folder is to be changed.\n");
        foreach (var (key, value) in facts)
        {
            text.Append(key).Append(" = ").Append(Quoted(value)).Append('\n');
        }

        text.Append("\n[sha256]\n");
        foreach (var file in Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Select(f => (Path: f, Name: Path.GetRelativePath(folder, f).Replace('\\', '/')))
            .OrderBy(f => f.Name, StringComparer.Ordinal))
        {
            text.Append(Quoted(file.Name)).Append(" = ").Append(Quoted(Digest(file.Path))).Append('\n');
        }

        return text.ToString();
    }

    private static string Digest(string file)
    {
        using var stream = InputFile.Open(file);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }
}
