using System.Globalization;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Units;

namespace Plinth.Files.Toml;

/// <content>Bars and points.</content>
public sealed partial class TableReader
{
    private const double MostNumber = 1e12;
    private const double LeastNumber = 1e-12;

    /// <summary>A layer of bars: "13 T16", "T16 @ 180 mm", "none"; null if the key is absent or wrong.</summary>
    public BarSpec? Bars(string key)
    {
        var bars = ReadBars(key, false);
        return Keep(key, bars, bars?.ToString(), null);
    }

    private BarSpec? ReadBars(string key, bool beside)
    {
        if (Node(key) is { Value: TomlTable written })
        {
            return BarsOf(key, written);
        }

        if (Text(key) is not { } text)
        {
            return null;
        }

        if (beside ? BarSpec.TryParseBeside(text, out var spec, out var fault) : BarSpec.TryParse(text, out spec, out fault))
        {
            return spec;
        }

        Fault(key, $"{key} {fault}");
        return null;
    }

    // { bars = "13 T16", ends = "hooked" } or { band = "9 T16", rest = "4 T16", ends = … }; rest may be "none"
    private BarSpec? BarsOf(string key, TomlTable written)
    {
        var t = new TableReader(written, key, bag);
        var (all, band, rest) = (t.Bars("bars"), t.Bars("band"), t.ReadBars("rest", true));
        var hooked = t.Choice("ends", false, ("straight", false), ("hooked", true));
        t.Done();
        var spec = (all, band, rest) switch
        {
            ({ } bars, null, null) => bars,
            (null, { Size: not null, Count: > 0 } within, { Size: not null, Count: > 0 } beside) when within.Size == beside.Size =>
                BarSpec.WithBand(within.Count, beside),
            (null, { Size: not null, Count: > 0 } within, { Size: null }) => BarSpec.WithBand(within.Count, within with { Count = 0 }),
            _ => null,
        };
        if (spec is null)
        {
            Fault(key,
                $"{key} as a table has bars and ends, or band and rest of one size; write for example {key} = {{ bars = \"13 T16\", ends "
                    + $"= \"hooked\" }} or {{ band = \"9 T16\", rest = \"4 T16\" }}");
            return null;
        }

        return hooked ? spec with { Hooked = true } : spec;
    }

    /// <summary>A list of points in plan, x and y each; null if the key is absent or wrong.</summary>
    /// <param name="key">The key.</param>
    /// <param name="least">How many there must be at least.</param>
    public IReadOnlyList<PlanPoint>? Points(string key, int least)
    {
        if (Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is not List<TomlNode> list || list.Count < least || list.Any(p => p.Value is not List<TomlNode> { Count: 2 }))
        {
            bag.Error(node.Place,
                string.Create(CultureInfo.InvariantCulture,
                    $"{key} is a list of at least {least} points, x and y each; write for example {key} = [[\"0 m\", \"0 m\"], [\"24 m\", "
                        + $"\"0 m\"], [\"24 m\", \"12 m\"]]"));
            return null;
        }

        var points = new List<PlanPoint>();
        foreach (var point in list.Select(p => (List<TomlNode>)p.Value!))
        {
            if (Quantity(key, point[0], Measure.Length, Sign.Any) is { } x && Quantity(key, point[1], Measure.Length, Sign.Any) is { } y)
            {
                points.Add(new PlanPoint(x, y));
            }
        }

        return points.Count == list.Count ? points : null;
    }

    /// <summary>A width, or those of both ends in a list of two; nothing where the key is absent or wrong.</summary>
    /// <param name="key">The key.</param>
    /// <returns>The width at −x, or the only one, and that at +x, m.</returns>
    public (double? Low, double? High) Widths(string key)
    {
        if (Node(key) is not { Value: List<TomlNode> list } node)
        {
            return (QuantityOrNull(key, Measure.Length, Sign.Positive), null);
        }

        if (list.Count != 2)
        {
            bag.Error(node.Place,
                (key == "width" ? "width of a trapezoid" : key)
                    + $" is a list of two, at −x and at +x; write for example {key} = [\"2.4 m\", \"1.6 m\"]");
            return (null, null);
        }

        return Quantity(key, list[0], Measure.Length, Sign.Positive) is { } low
            && Quantity(key, list[1], Measure.Length, Sign.Positive) is { } high ? (low, high) : (null, null);
    }

    private bool InRange(string key, TomlNode node, double value, Sign sign)
    {
        if (!double.IsFinite(value))
        {
            bag.Error(node.Place, $"{key} = {node.Source} is not a finite number");
            return false;
        }

        if (Math.Abs(value) > MostNumber || (value > 0 && value < LeastNumber))
        {
            bag.Error(node.Place,
                string.Create(CultureInfo.InvariantCulture,
                    $"{key} = {node.Source} is beyond what is read here ({LeastNumber} to {MostNumber}); look at its digits"));
            return false;
        }

        if ((sign == Sign.Positive && value <= 0) || (sign == Sign.NotNegative && value < 0))
        {
            bag.Error(node.Place, $"{key} = {node.Source} must be {(sign == Sign.Positive ? "more than zero" : "zero or more")}");
            return false;
        }

        return true;
    }
}
