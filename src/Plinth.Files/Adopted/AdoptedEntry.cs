using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Files.Diagnostics;

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
            : "{ supports = " + supports + (Lie.QuarterTurns == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $", turned = \"{90 * Lie.QuarterTurns} deg\"")) + (Lie.Mirrored ? ", mirrored = true" : "") + " }";
    }
}

/// <summary>A table of adopted.toml as read.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Alike">Whether it is one design for several places.</param>
/// <param name="Places">Its places.</param>
/// <param name="Design">Sizes and bars.</param>
/// <param name="Found">The digest that sizing wrote; null if the table was written by hand.</param>
/// <param name="Digest">The digest of the table as it stands.</param>
/// <param name="Spots">Where each key stands; the empty key is the table.</param>
public sealed record AdoptedEntry(
    string Mark,
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
        string Length(double metres) => TomlText.Quote(us
            ? string.Create(CultureInfo.InvariantCulture, $"{Math.Round(metres / 0.0254, 6)} in")
            : string.Create(CultureInfo.InvariantCulture, $"{Math.Round(metres * 1000, 6)} mm"));
        var values = new List<(string Key, string Value)>
        {
            ("kind", TomlText.Quote(foundation.Kind.Id)),
            foundation.Alike || foundation.Places.Any(p => p.Lie != Lie.AsDrawn)
                ? ("alike", "[" + string.Join(", ", foundation.Places.Select(p => new WrittenPlace([p.Support.Label], p.Lie))) + "]")
                : ("supports", "[" + string.Join(", ", foundation.Places.Select(p => TomlText.Quote(p.Support.Label))) + "]"),
            ("length", Length(design.Size.Length)),
            ("width", Length(design.Size.Width)),
            ("thickness", Length(design.Size.Thickness)),
            ("bottom-x", Bars(design.BottomX)),
            ("bottom-y", Bars(design.BottomY)),
            ("top-x", Bars(design.TopX)),
            ("top-y", Bars(design.TopY)),
        };
        if (design.Size.ShiftX != 0)
        {
            values.Add(("shift-x", Length(design.Size.ShiftX)));
        }

        if (design.Size.ShiftY != 0)
        {
            values.Add(("shift-y", Length(design.Size.ShiftY)));
        }

        if (design.Dowels.Size is not null)
        {
            values.Add(("dowels", Bars(design.Dowels)));
        }

        if (design.Pedestal is { } p)
        {
            if (p.Round)
            {
                values.Add(("pedestal.shape", TomlText.Quote("round")));
            }

            values.Add(("pedestal.size", p.Round ? Length(p.SizeX) : $"[{Length(p.SizeX)}, {Length(p.SizeY)}]"));
            values.Add(("pedestal.bars", Bars(p.Bars)));
            values.Add(("pedestal.ties", TomlText.Quote(p.Ties.ToString())));
            if (p.Socket is { } socket)
            {
                values.Add(("pedestal.socket", Length(socket.Depth)));
                values.Add(("pedestal.wall", Length(socket.Wall)));
            }
        }

        values.Add(("found", TomlText.Quote(DigestOf(values.Select(v => (v.Key, v.Value))))));
        return values;
    }

    /// <summary>Whether two designs are written alike: sizes that differ by less than is written are the same.</summary>
    public static bool Same(Foundation foundation, FoundationDesign a, FoundationDesign b) => Write(foundation, a, false).SequenceEqual(Write(foundation, b, false));

    /// <summary>A layer of bars as TOML: text where it is straight and even, else a table.</summary>
    public static string Bars(BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        if (!bars.Hooked && bars.Band == 0)
        {
            return TomlText.Quote(bars.ToString());
        }

        var what = bars.Band > 0
            ? string.Create(CultureInfo.InvariantCulture, $"band = \"{bars.Band} {bars.Size!.Name}\", rest = \"{(bars.Count > bars.Band ? $"{bars.Count - bars.Band} {bars.Size.Name}" : "none")}\"")
            : $"bars = \"{bars.Straight}\"";
        return "{ " + what + (bars.Hooked ? ", ends = \"hooked\"" : "") + " }";
    }

    /// <summary>Digest of the content of a table: keys and values as written, in order of key, whitespace and comments aside.</summary>
    public static string DigestOf(IEnumerable<(string Key, string Source)> values)
    {
        var text = string.Join('\n', values.Where(v => v.Key != "found").OrderBy(v => v.Key, StringComparer.Ordinal).Select(v => v.Key + "=" + Squeeze(v.Source)));
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

/// <summary>Writes TOML text.</summary>
public static class TomlText
{
    /// <summary>A basic string.</summary>
    public static string Quote(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var result = new StringBuilder("\"");
        foreach (var c in text)
        {
            result.Append(c switch
            {
                '"' => "\\\"",
                '\\' => "\\\\",
                _ when char.IsControl(c) => $"\\u{(int)c:X4}",
                _ => c.ToString(),
            });
        }

        return result.Append('"').ToString();
    }

    /// <summary>A key, bare where TOML allows it.</summary>
    public static string Key(string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        return key.Length > 0 && key.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_') ? key : Quote(key);
    }
}
