namespace Plinth.Files;

/// <summary>Names of files from labels that may hold anything.</summary>
public static class FileNames
{
    // Room for what stands before and after it within the 255 bytes of a file's name.
    private const int Longest = 100;

    /// <summary>A name for each label, none twice, letters, digits, points, dashes and underscores only.</summary>
    /// <param name="labels">The labels.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<string> labels)
    {
        ArgumentNullException.ThrowIfNull(labels);
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var names = new List<string>();
        foreach (var label in labels)
        {
            var plain = string.Concat(label.Select(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_' or '.' ? c : '_')).Trim('.');
            plain = plain.Length == 0 ? "_" : plain.Length > Longest ? plain[..Longest] : plain;
            var name = plain;
            for (var n = 2; !taken.Add(name); n++)
            {
                name = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{plain}-{n}");
            }

            names.Add(name);
        }

        return names;
    }
}
