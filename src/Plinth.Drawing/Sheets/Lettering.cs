using SkiaSharp;

namespace Plinth.Drawing.Sheets;

/// <summary>The lettering of all drawings: DejaVu Sans, built in, so that widths are the same on every machine.</summary>
public static class Lettering
{
    private static readonly Lazy<SKTypeface> RegularFace = new(() => Load("DejaVuSans.ttf"));
    private static readonly Lazy<SKTypeface> BoldFace = new(() => Load("DejaVuSans-Bold.ttf"));

    // Height of capitals over the size of the face (DejaVu Sans: 1493 of 2048 units).
    private const double CapitalShare = 1493.0 / 2048;

    /// <summary>The family's name.</summary>
    public const string Family = "DejaVu Sans";

    /// <summary>The face.</summary>
    public static SKTypeface Face(bool bold) => bold ? BoldFace.Value : RegularFace.Value;

    /// <summary>Size of the face for a height of capitals, mm.</summary>
    public static double SizeOf(double height) => height / CapitalShare;

    /// <summary>Width of a text, mm.</summary>
    /// <param name="text">The text.</param>
    /// <param name="height">Height of its capitals, mm.</param>
    /// <param name="bold">Whether bold.</param>
    public static double Width(string text, double height, bool bold = false)
    {
        // Measured large and scaled down, as small sizes are rounded to pixels.
        using var font = new SKFont(Face(bold), 1000) { Hinting = SKFontHinting.None, Subpixel = true };
        return font.MeasureText(text) / 1000.0 * SizeOf(height);
    }

    private static SKTypeface Load(string name)
    {
        using var stream = typeof(Lettering).Assembly.GetManifestResourceStream(name) ?? throw new InvalidOperationException($"The font {name} is not built in.");
        using var data = SKData.Create(stream);
        return SKTypeface.FromData(data);
    }
}
