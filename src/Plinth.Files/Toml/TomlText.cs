using System.Globalization;
using System.Text;

namespace Plinth.Files.Toml;

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

    /// <summary>A length, exact to a micrometre.</summary>
    /// <param name="metres">m.</param>
    /// <param name="us">Whether in inches, else in millimetres.</param>
    public static string Length(double metres, bool us) => Quote(us
        ? string.Create(CultureInfo.InvariantCulture, $"{Math.Round(metres / 0.0254, 6)} in")
        : string.Create(CultureInfo.InvariantCulture, $"{Math.Round(metres * 1000, 6)} mm"));

    /// <summary>A key, bare where TOML allows it.</summary>
    public static string Key(string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        return key.Length > 0 && key.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_') ? key : Quote(key);
    }
}
