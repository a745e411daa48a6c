using System.Security.Cryptography;
using System.Text.Json;

namespace Plinth.Files.Access;

/// <summary>
/// Puts several files of a project in their places as one: a process that dies between them leaves a list by which the next command
/// finishes what it began.
/// </summary>
public static class PendingWrites
{
    /// <summary>The list, in the project's folder while files are put in their places.</summary>
    public const string ListName = ".plinth-pending.json";

    private const string Schema = "keen-plinth/pending/1";

    /// <summary>Whether a process died while it put files in their places, or still does.</summary>
    /// <param name="project">The project's folder.</param>
    public static bool Any(string project) => File.Exists(Path.Combine(project, ListName));

    /// <summary>Puts files in their places; with the project's lock held.</summary>
    /// <param name="project">The project's folder.</param>
    /// <param name="files">The files, their content complete.</param>
    /// <exception cref="IOException">They cannot be written.</exception>
    public static void Commit(string project, params IReadOnlyList<AtomicFile> files)
    {
        ArgumentNullException.ThrowIfNull(files);
        foreach (var file in files)
        {
            file.Finish();
        }

        // One that takes its place in one step needs no list.
        var listed = files.Count > 1 || files.Any(f => f.InPlace);
        if (listed)
        {
            using var list = new AtomicFile(Path.Combine(project, ListName));
            Write(list.Stream, RealPath.Of(project), files);
            list.Commit();
        }

        foreach (var file in files)
        {
            AtomicFile.Put(file.Made, file.Target, file.InPlace);
        }

        if (listed)
        {
            File.Delete(Path.Combine(project, ListName));
        }
    }

    /// <summary>Finishes what a dead process began; with the project's lock held.</summary>
    /// <param name="project">The project's folder.</param>
    /// <returns>The files put in their places, as named in the project; empty: there was nothing to do.</returns>
    /// <exception cref="IOException">The list is not one of plinth's, or what it names is gone.</exception>
    public static IReadOnlyList<string> Mend(string project)
    {
        var path = Path.Combine(project, ListName);
        if (!File.Exists(path))
        {
            return [];
        }

        var mended = new List<string>();
        foreach (var (target, made, digest, inPlace) in Read(path))
        {
            // The list may have come with the folder: it moves nothing but files of plinth within the project.
            var (to, from) = (Path.Combine(project, target), Path.Combine(project, Path.GetDirectoryName(target)!, made));
            if (!Temporary.IsName(made) || OutputRules.FaultOfOwn(to, project, []) is not null
                || OutputRules.FaultOfTable(target) is not null && target is not ("adopted.toml" or "supports.csv"))
            {
                throw Damaged(path);
            }

            if (!File.Exists(from))
            {
                continue;
            }

            if (Digest(from) != digest)
            {
                throw Damaged(path);
            }

            AtomicFile.Put(from, RealPath.Of(to), inPlace && File.Exists(to));
            mended.Add(target);
        }

        File.Delete(path);
        return mended;
    }

    private static void Write(Stream to, string project, IReadOnlyList<AtomicFile> files)
    {
        using var json = new Utf8JsonWriter(to);
        json.WriteStartObject();
        json.WriteString("schema", Schema);
        json.WriteStartArray("files");
        foreach (var file in files)
        {
            json.WriteStartObject();
            json.WriteString("target", Path.GetRelativePath(project, file.Target));
            json.WriteString("made", Path.GetFileName(file.Made));
            json.WriteString("sha256", Digest(file.Made));
            json.WriteBoolean("in_place", file.InPlace);
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static List<(string Target, string Made, string Digest, bool InPlace)> Read(string path)
    {
        try
        {
            using var json = JsonDocument.Parse(InputFile.ReadAll(path));
            var root = json.RootElement;
            return root.GetProperty("schema").GetString() != Schema
                ? throw Damaged(path)
                : [.. root.GetProperty("files").EnumerateArray()
                    .Select(f => (f.GetProperty("target").GetString()!, f.GetProperty("made").GetString()!,
                        f.GetProperty("sha256").GetString()!, f.GetProperty("in_place").GetBoolean()))];
        }
        catch (Exception e) when (e is JsonException or KeyNotFoundException or InvalidOperationException)
        {
            throw Damaged(path);
        }
    }

    private static IOException Damaged(string path) =>
        new($"{path} is not a list that plinth wrote, or what it names is no more; delete it, then run plinth import again");

    private static string Digest(string file)
    {
        using var stream = InputFile.Open(file);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }
}
