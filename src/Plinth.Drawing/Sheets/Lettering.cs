using SkiaSharp;

namespace Plinth.Drawing.Sheets;

/// <summary>The lettering of all drawings: DejaVu Sans, built in, so that widths are the same on every machine.</summary>
public static class Lettering
{
    private static readonly Lazy<SKTypeface> RegularFace = new(() => Load(false));
    private static readonly Lazy<SKTypeface> BoldFace = new(() => Load(true));

    private const string RegularFile = "DejaVuSans.ttf";
    private const string BoldFile = "DejaVuSans-Bold.ttf";

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
    public static double Width(string text, double height, bool bold = false) => Ems(text, bold) * SizeOf(height);

    /// <summary>Width of a text in sizes of the face: the sum of its characters' advances.</summary>
    /// <param name="text">The text.</param>
    /// <param name="bold">Whether bold.</param>
    public static double Ems(string text, bool bold = false)
    {
        ArgumentNullException.ThrowIfNull(text);
        var advances = bold ? BoldAdvances : RegularAdvances;
        var sum = 0.0;
        foreach (var c in text.EnumerateRunes())
        {
            sum += advances.GetOrAdd(c.Value, bold ? MeasureBold : MeasureRegular);
        }

        return sum;
    }

    private static readonly System.Collections.Concurrent.ConcurrentDictionary<int, double> RegularAdvances = new();
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<int, double> BoldAdvances = new();
    private static readonly Func<int, double> MeasureRegular = c => Measure(c, false);
    private static readonly Func<int, double> MeasureBold = c => Measure(c, true);

    // Measured large and scaled down, as small sizes are rounded to pixels.
    private static double Measure(int character, bool bold)
    {
        using var font = new SKFont(Face(bold), 1000) { Hinting = SKFontHinting.None, Subpixel = true };
        return font.MeasureText(char.ConvertFromUtf32(character)) / 1000.0;
    }

    /// <summary>Whether a face has a glyph for a character.</summary>
    public static bool Has(int character, bool bold) => Glyphs.GetOrAdd((character, bold), c =>
    {
        using var font = new SKFont(Face(c.Item2), 10);
        return font.ContainsGlyph(c.Item1);
    });

    private static readonly System.Collections.Concurrent.ConcurrentDictionary<(int, bool), bool> Glyphs = new();

    /// <summary>The font file of a face.</summary>
    public static byte[] File(bool bold)
    {
        var name = bold ? BoldFile : RegularFile;
        using var stream = typeof(Lettering).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"The font {name} is not built in.");
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }

    private static SKTypeface Load(bool bold)
    {
        using var data = SKData.CreateCopy(File(bold));
        return SKTypeface.FromData(data);
    }
}
