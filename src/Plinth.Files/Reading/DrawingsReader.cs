using Plinth.Core.Buildings;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [drawings]: numbers of sheets, and the file of the office's general notes.</summary>
internal static class DrawingsReader
{
    private static readonly string[] Parts = ["{n}", "{nn}", "{mark}"];

    /// <summary>Reads the table.</summary>
    /// <param name="t">The table.</param>
    /// <param name="directory">The project's folder.</param>
    /// <param name="elsewhere">Where that folder really stands, if it is a copy; null: it is none.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <param name="files">The files read so far; receives the notes.</param>
    public static DrawingRules Read(TableReader t, string directory, string? elsewhere, DiagnosticBag bag, List<string> files)
    {
        var (plan, details, others) = (t.Text("plan") ?? "", t.Text("details") ?? "", t.Text("others") ?? "");
        foreach (var (key, pattern, example) in new[] { ("details", details, "S-2{nn}"), ("others", others, "C-{n}") })
        {
            if (pattern.Length > 0 && !Parts.Any(p => pattern.Contains(p, StringComparison.Ordinal)))
            {
                t.Fault(key,
                    $"{key} = \"{pattern}\" would number every sheet alike; put {{n}} (1, 2 …), {{nn}} (01, 02 …) or {{mark}} into it, for "
                        + $"example {key} = \"{example}\"");
            }
        }

        IReadOnlyList<string> notes = t.Text("notes") is { } path ? Notes(path, t.PlaceOf("notes"), directory, elsewhere, bag, files) : [];
        t.Done();
        return new DrawingRules(plan, details, others, notes);
    }

    // A path counts from the file in which it stands: an office's file names its own notes.
    private static List<string> Notes(string path, FilePlace place, string directory, string? elsewhere, DiagnosticBag bag,
        List<string> files)
    {
        var from =
            files.Find(f => files.Exists(by => Path.GetFullPath(Path.Combine(Path.GetDirectoryName(by)!, place.File)) == f)) is { } stated
                ? Path.GetDirectoryName(stated)!
                : directory;
        var full = Path.GetFullPath(Path.Combine(from, path));
        if (!File.Exists(full) && elsewhere is not null)
        {
            full = Path.GetFullPath(Path.Combine(elsewhere, path));
        }

        if (!File.Exists(full))
        {
            bag.Error(place, $"notes = \"{path}\": there is no such file ({full}); it is a text, a note a line");
            return [];
        }

        if (TextFile.Read(full, path, bag) is not { } text)
        {
            return [];
        }

        files.Add(full);
        return [.. text.Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0)];
    }
}
