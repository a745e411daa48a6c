using System.Globalization;

namespace Plinth.Core.Concrete;

/// <summary>A layer of bars as written: a count and a size, or a size and a spacing, or none.</summary>
/// <param name="Size">The size; null: no bars.</param>
/// <param name="Count">How many; 0 if a spacing is given.</param>
/// <param name="Spacing">Greatest distance centre to centre, m; 0 if a count is given.</param>
public sealed record BarSpec(BarSize? Size, int Count, double Spacing)
{
    private const int MostBars = 1000;

    /// <summary>No bars.</summary>
    public static readonly BarSpec None = new(null, 0, 0);

    /// <summary>Whether both ends have standard 90° hooks.</summary>
    public bool Hooked { get; init; }

    /// <summary>How many of them lie in the bands: of a rectangular footing in its middle, of a cap over its piles; 0: evenly.</summary>
    public int Band { get; init; }

    /// <summary>The bars in a base of a breadth: count = ⌈(breadth − 2·side cover − db)/s⌉ + 1.</summary>
    /// <param name="breadth">Breadth over which the bars lie, m.</param>
    /// <param name="sideCover">Cover at the sides, m.</param>
    public BarLayer Resolve(double breadth, double sideCover)
    {
        if (Size is null)
        {
            return BarLayer.None;
        }

        return Count > 0
            ? new BarLayer(Count, Size) { Hooked = Hooked, Band = Band }
            : new BarLayer((int)Math.Ceiling(((breadth - (2 * sideCover) - Size.Diameter) / Spacing) - 1e-9) + 1, Size)
            {
                Hooked = Hooked,
                Spacing = Spacing
            };
    }

    /// <summary>
    /// The bars within a strip whose edges are no edges of the base, each in the middle of an equal part: count = ⌈breadth/s⌉.
    /// </summary>
    /// <param name="breadth">Breadth of the strip, m.</param>
    public BarLayer ResolveWithin(double breadth) => Size is null ? BarLayer.None
        : Count > 0 ? new BarLayer(Count, Size) { Hooked = Hooked }
        : new BarLayer((int)Math.Ceiling((breadth / Spacing) - 1e-9), Size) { Hooked = Hooked, Spacing = Spacing };

    /// <summary>The layer as a specification by count.</summary>
    public static BarSpec Of(BarLayer layer) =>
        layer.Any
            ? new BarSpec(layer.Size, layer.Spacing > 0 ? 0 : layer.Count, layer.Spacing) { Hooked = layer.Hooked, Band = layer.Band }
            : None;

    /// <summary>As written for people: "13 T16", "13 T16 hooked", "9 + 4 T16 banded", "9 T16 banded" where all lie in the band.</summary>
    public override string ToString() => Straight + (Hooked ? " hooked" : "");

    /// <summary>The same on drawings and in schedules, where inches bear their mark: #3 @ 10".</summary>
    public string Drawn => Spacing > 0 && Size is { IsUs: true } ? ToString().Replace(" in", "\"", StringComparison.Ordinal) : ToString();

    /// <summary>The same without its ends.</summary>
    public string Straight => Size is null ? "none"
        : Band > 0 ? (Count > Band ? $"{Band} + {Count - Band} {Size.Name} banded" : $"{Band} {Size.Name} banded")
        : Count > 0 ? $"{Count} {Size.Name}"
        : Size.IsEuropean ? string.Create(CultureInfo.InvariantCulture, $"{Size.Name}-{Spacing * 1000:0.###}")
        : Size.Name[0] == '#' ? string.Create(CultureInfo.InvariantCulture, $"{Size.Name} @ {Spacing / 0.0254:0.###} in")
        : string.Create(CultureInfo.InvariantCulture, $"{Size.Name} @ {Spacing * 1000:0.###} mm");

    /// <summary>A layer with some of its bars in bands; null if they are none.</summary>
    /// <param name="band">How many lie in the bands.</param>
    /// <param name="rest">Those beside them, of the same size.</param>
    public static BarSpec? WithBand(int band, BarSpec rest)
    {
        ArgumentNullException.ThrowIfNull(rest);
        return band >= 2 && rest.Size is not null && rest.Spacing == 0
            ? rest with { Count = band + rest.Count, Band = band }
            : null;
    }

    /// <summary>Reads "13 T16", "T16 @ 180 mm", "13 T16 hooked", "9 + 4 T16 banded", "9 T16 banded", "none".</summary>
    /// <param name="text">The text.</param>
    /// <param name="spec">What it says.</param>
    /// <param name="fault">Why it cannot be read; null if it can.</param>
    public static bool TryParse(string text, out BarSpec spec, out string? fault) => TryParse(text, 2, out spec, out fault);

    /// <summary>The same of those beside bands, where one may lie alone.</summary>
    /// <param name="text">The text.</param>
    /// <param name="spec">What it says.</param>
    /// <param name="fault">Why it cannot be read; null if it can.</param>
    public static bool TryParseBeside(string text, out BarSpec spec, out string? fault) => TryParse(text, 1, out spec, out fault);

    private static bool TryParse(string text, int least, out BarSpec spec, out string? fault)
    {
        ArgumentNullException.ThrowIfNull(text);
        spec = None;
        fault = null;
        var t = text.Trim();
        if (t.Equals("none", StringComparison.OrdinalIgnoreCase))
        {
            return true;
        }

        const string Hooks = " hooked";
        if (t.EndsWith(Hooks, StringComparison.Ordinal))
        {
            var straight = TryParse(t[..^Hooks.Length], out spec, out fault);
            spec = spec.Size is null ? spec : spec with { Hooked = true };
            return straight;
        }

        if (t.EndsWith(" banded", StringComparison.Ordinal) && t.IndexOf('+', StringComparison.Ordinal) is > 0 and var plus)
        {
            if (int.TryParse(t.AsSpan(0, plus), NumberStyles.None | NumberStyles.AllowTrailingWhite, CultureInfo.InvariantCulture,
                out var band) && TryParseBeside(t[(plus + 1)..^" banded".Length], out var rest, out fault) && rest.Count > 0
                && WithBand(band, rest) is { } whole)
            {
                spec = whole;
                return true;
            }

            fault ??= $"\"{text}\" is not a banded layer; write for example \"9 + 4 T16 banded\": those in the band, and those beside it";
            return false;
        }

        if (t.EndsWith(" banded", StringComparison.Ordinal))
        {
            var read = TryParse(t[..^" banded".Length], out spec, out fault);
            spec = read && spec.Count > 0 && WithBand(spec.Count, spec with { Count = 0 }) is { } all ? all : spec;
            fault = read && spec.Band == 0
                ? $"\"{text}\" is not a banded layer; write for example \"9 T16 banded\", all in the band"
                : fault;
            return fault is null;
        }

        var at = t.IndexOf('@', StringComparison.Ordinal);
        if (at >= 0)
        {
            if (!BarSize.TryParse(t.AsSpan(0, at), out var size))
            {
                fault = $"\"{text}\": \"{t[..at].Trim()}\" is not a bar size; write for example \"T16 @ 180 mm\" or \"#5 @ 8 in\"";
                return false;
            }

            if (!Units.Quantity.TryRead(t[(at + 1)..].Trim(), Units.Measure.Length, out var spacing, out fault))
            {
                return false;
            }

            if (spacing <= size.Diameter)
            {
                fault = $"\"{text}\": the spacing must be more than the bar's diameter";
                return false;
            }

            spec = new BarSpec(size, 0, spacing);
            return true;
        }

        // Short, in millimetres: H16-200.
        if (t.IndexOf('-', StringComparison.Ordinal) is > 0 and var dash && BarSize.TryParse(t.AsSpan(0, dash), out var spaced)
            && !spaced.IsUs
            && double.TryParse(t.AsSpan(dash + 1), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var apart))
        {
            if (apart / 1000 <= spaced.Diameter)
            {
                fault = $"\"{text}\": the spacing must be more than the bar's diameter";
                return false;
            }

            spec = new BarSpec(spaced, 0, apart / 1000);
            return true;
        }

        var gap = t.IndexOf(' ', StringComparison.Ordinal);
        if (gap > 0 && int.TryParse(t.AsSpan(0, gap), NumberStyles.None, CultureInfo.InvariantCulture, out var count)
            && BarSize.TryParse(t.AsSpan(gap), out var counted))
        {
            if (count < least || count > MostBars)
            {
                fault = $"\"{text}\": a layer has {least} to {MostBars} bars, or is \"none\"";
                return false;
            }

            spec = new BarSpec(counted, count, 0);
            return true;
        }

        fault = $"\"{text}\" is not a layer of bars; write for example \"13 T16\", \"T16 @ 180 mm\", \"9 #6\" or \"none\"";
        return false;
    }
}
