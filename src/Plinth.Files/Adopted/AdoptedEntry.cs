using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Adopted;

/// <summary>A place as written: its supports, and how the design lies there.</summary>
/// <param name="Supports">Its supports.</param>
/// <param name="Lie">How the design lies there.</param>
public sealed record WrittenPlace(IReadOnlyList<string> Supports, Lie Lie)
{
    /// <summary>As a value of the list `alike`: a list of supports, or a table where the design is turned or mirrored.</summary>
    public override string ToString()
    {
        var supports = "[" + string.Join(", ", Supports.Select(TomlText.Quote)) + "]";
        return Lie == Lie.AsDrawn ? supports
            : "{ supports = " + supports
                + (Lie.QuarterTurns == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $", turned = \"{90 * Lie.QuarterTurns} deg\""))
                + (Lie.Mirrored ? ", mirrored = true" : "") + " }";
    }
}

/// <summary>A table of adopted.toml as read.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Alike">Whether it is one design for several places.</param>
/// <param name="Places">Its places.</param>
/// <param name="Design">Sizes and bars.</param>
/// <param name="Found">The digest that sizing wrote; null if the table was written by hand.</param>
/// <param name="Digest">The digest of the table as it stands.</param>
/// <param name="Spots">Where each key stands; the empty key is the table.</param>
public sealed record AdoptedEntry(
    string Mark,
    FoundationKind Kind,
    bool Alike,
    IReadOnlyList<WrittenPlace> Places,
    FoundationDesign Design,
    string? Found,
    string Digest,
    IReadOnlyDictionary<string, FilePlace> Spots)
{
    /// <summary>Whether the table was written or changed by hand since sizing wrote it: then it is held.</summary>
    public bool ByHand => Found is null || !string.Equals(Found, Digest, StringComparison.Ordinal);

    /// <summary>All its supports.</summary>
    public IEnumerable<string> Supports => Places.SelectMany(p => p.Supports);

    /// <summary>Where a key stands, or the table.</summary>
    public FilePlace Spot(string key) => Spots.TryGetValue(key, out var place) ? place : Spots[""];

    /// <summary>The keys and values of a design as sizing writes them, with their digest.</summary>
    public static IReadOnlyList<(string Key, string Value)> Write(Foundation foundation, FoundationDesign design, bool us)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var values = new List<(string Key, string Value)>
        {
            ("kind", TomlText.Quote(foundation.Kind.Id)),
            foundation.Alike || foundation.Places.Any(p => p.Lie != Lie.AsDrawn)
                ? ("alike",
                    "[" + string.Join(", ", foundation.Places.Select(p => new WrittenPlace([.. p.Supports.Select(s => s.Label)], p.Lie)))
                        + "]")
                : ("supports", "[" + string.Join(", ", foundation.Supports.Select(s => TomlText.Quote(s.Label))) + "]"),
        };
        foreach (var field in foundation.Kind.Fields(foundation.Places[0]))
        {
            values.AddRange(FieldText.Write(field, design, us));
        }

        values.Add(("found", TomlText.Quote(DigestOf(values.Select(v => (v.Key, v.Value))))));
        return values;
    }

    /// <summary>Whether two designs are written alike: sizes that differ by less than is written are the same.</summary>
    public static bool Same(Foundation foundation, FoundationDesign a, FoundationDesign b) =>
        Write(foundation, a, false).SequenceEqual(Write(foundation, b, false));

    /// <summary>Digest of the content of a table: keys and values as written, in order of key, whitespace and comments aside.</summary>
    public static string DigestOf(IEnumerable<(string Key, string Source)> values)
    {
        var text = string.Join('\n',
            values.Where(v => v.Key != "found").OrderBy(v => v.Key, StringComparer.Ordinal).Select(v => v.Key + "=" + Squeeze(v.Source)));
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..8];
    }

    private static string Squeeze(string source)
    {
        var result = new StringBuilder();
        var quoted = false;
        foreach (var c in source)
        {
            quoted ^= c == '"';
            if (quoted || !char.IsWhiteSpace(c))
            {
                result.Append(c);
            }
        }

        return result.ToString();
    }
}
