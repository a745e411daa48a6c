using System.Globalization;
using Plinth.Files.Access;

namespace Plinth.Files.Diagnostics;

/// <summary>How grave a diagnostic is.</summary>
public enum Severity
{
    /// <summary>The work goes on.</summary>
    Warning,

    /// <summary>The input must be mended first.</summary>
    Error,
}

/// <summary>A place in a file. Lines and columns count from 1; 0: the file as a whole.</summary>
/// <param name="File">The file's name as shown.</param>
/// <param name="Line">Line.</param>
/// <param name="Column">Column, in characters.</param>
public readonly record struct FilePlace(string File, int Line, int Column)
{
    /// <summary>file:line:column, as compilers write it.</summary>
    public override string ToString() => Line == 0 ? File : string.Create(CultureInfo.InvariantCulture, $"{File}:{Line}:{Column}");
}

/// <summary>A fault or a doubt in an input file.</summary>
/// <param name="Severity">How grave.</param>
/// <param name="Place">Where.</param>
/// <param name="Message">What is wrong and how to mend it.</param>
/// <param name="Code">Its code, by which a script tells it from others; "input" where it has none of its own.</param>
public sealed record Diagnostic(Severity Severity, FilePlace Place, string Message, string Code = "input")
{
    /// <summary>As printed: place, grade, message.</summary>
    public override string ToString() => $"{Place}: {(Severity == Severity.Error ? "error" : "warning")}: {Message}";
}

/// <summary>Collects all diagnostics of a reading, so that they are reported at once.</summary>
public sealed class DiagnosticBag
{
    private const int Most = 200;
    private const int Longest = 1000;
    private const string Concealed =
        "is not as it is read here; what stands there is not shown, as the file lies outside the project's folder (--verbose shows it)";
    private readonly List<Diagnostic> list = [];
    private readonly HashSet<string> outside = new(StringComparer.Ordinal);
    private readonly HashSet<string> named = new(StringComparer.Ordinal);

    /// <summary>The project's folder: what lies outside it is never quoted in messages; null: everything may be.</summary>
    public string? Project { get; set; }

    /// <summary>Whether also files outside the project are quoted, as the user asked.</summary>
    public bool QuotesAll { get; init; }

    /// <summary>Whether any is an error.</summary>
    public bool HasErrors { get; private set; }

    /// <summary>All, by file, line and column, errors and warnings together.</summary>
    public IReadOnlyList<Diagnostic> Sorted
    {
        get
        {
            var sorted = list.OrderBy(d => d.Place.File, StringComparer.Ordinal)
                .ThenBy(d => d.Place.Line)
                .ThenBy(d => d.Place.Column)
                .Distinct()
                .ToList();
            if (sorted.Count <= Most)
            {
                return sorted;
            }

            // Errors first of all must not be cut away by warnings.
            var kept = sorted.OrderByDescending(d => d.Severity).Take(Most).ToHashSet();
            var cut = sorted.Count - Most;
            return [.. sorted.Where(kept.Contains),
                new Diagnostic(Severity.Warning, new FilePlace("plinth", 0, 0),
                    string.Create(CultureInfo.InvariantCulture, $"{cut} more messages are not shown"))];
        }
    }

    /// <summary>Notes that a file is read, before anything is said of what it holds.</summary>
    /// <param name="path">The file.</param>
    /// <param name="name">Its name in messages.</param>
    public void Reads(string path, string name)
    {
        if (Project is { } project && !QuotesAll && !named.Contains(Path.GetFullPath(path)) && !InputFile.IsWithin(path, project))
        {
            outside.Add(name);
        }
    }

    /// <summary>Notes that the user named a file, so that it may be quoted wherever it lies.</summary>
    public void Names(string path) => named.Add(Path.GetFullPath(path));

    /// <summary>Whether what a file holds is not to be told, as it lies outside the project.</summary>
    public bool IsConcealed(string name) => outside.Contains(name);

    /// <summary>Adds an error.</summary>
    public void Error(FilePlace place, string message)
    {
        HasErrors = true;
        list.Add(new Diagnostic(Severity.Error, place, Told(place, message)));
    }

    /// <summary>Adds a warning.</summary>
    public void Warning(FilePlace place, string message, string code = "input") =>
        list.Add(new Diagnostic(Severity.Warning, place, Told(place, message), code));

    // What is quoted may be as long as its file.
    private string Told(FilePlace place, string message) =>
        outside.Contains(place.File) ? Concealed
            : message.Length <= Longest ? message
            : message[..(Longest / 2)] + " … " + message[^(Longest / 2)..];
}

/// <summary>Finds the known word nearest to one that is not known.</summary>
public static class Nearest
{
    /// <summary>
    /// What may stand in place of an unknown word, with the nearest first where one is near: the end of a message after "is not known; ".
    /// </summary>
    public static string OneOf(string word, IEnumerable<string> words)
    {
        string[] all = [.. words];
        return (Of(word, all) is { } near ? $"did you mean \"{near}\"? It is" : "it is") + " one of "
            + string.Join(", ", all.Select(w => $"\"{w}\""));
    }

    /// <summary>The nearest by edits, or null if none is near enough to be meant.</summary>
    public static string? Of(string word, IEnumerable<string> known)
    {
        ArgumentNullException.ThrowIfNull(word);
        ArgumentNullException.ThrowIfNull(known);
        var best = known.Select(k => (Word: k, Edits: Edits(word.ToLowerInvariant(), k.ToLowerInvariant())))
            .OrderBy(p => p.Edits)
            .ThenBy(p => p.Word, StringComparer.Ordinal)
            .FirstOrDefault();
        return best.Word is not null && best.Edits <= Math.Max(2, word.Length / 2) ? best.Word : null;
    }

    private static int Edits(string a, string b)
    {
        var row = Enumerable.Range(0, b.Length + 1).ToArray();
        for (var i = 1; i <= a.Length; i++)
        {
            var previous = row[0];
            row[0] = i;
            for (var j = 1; j <= b.Length; j++)
            {
                var old = row[j];
                row[j] = Math.Min(Math.Min(row[j] + 1, row[j - 1] + 1), previous + (a[i - 1] == b[j - 1] ? 0 : 1));
                previous = old;
            }
        }

        return row[b.Length];
    }
}
