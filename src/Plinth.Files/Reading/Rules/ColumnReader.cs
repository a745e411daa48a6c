using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [column], [pedestal] and [socket].</summary>
internal static class ColumnReader
{
    public static ColumnRules Column(TableReader t, ColumnRules basis)
    {
        var result = new ColumnRules
        {
            Strength = CodeReader.StrengthOrNull(t, "strength") ?? basis.Strength,
            Bars = Upright(t, "bars") ?? basis.Bars,
            Dowels = Upright(t, "dowels") ?? basis.Dowels,
            Cover = t.Quantity("cover", Measure.Length, basis.Cover),
            Joint = t.Choice("joint", basis.Joint, ("plain", JointSurface.Plain), ("roughened", JointSurface.Roughened),
                ("monolithic", JointSurface.Monolithic)),
            Plate = Plate(t, basis.Plate),
        };
        t.Done();
        return result;
    }

    private static BasePlate Plate(TableReader t, BasePlate basis)
    {
        var rods = t.Number("rods", basis.Rods);
        if (rods % 2 != 0)
        {
            t.Fault("rods", $"rods = {rods} cannot stand in two equal rows; write an even number, for example rods = 4");
        }

        var result = new BasePlate(
            t.QuantityOrNull("plate-thickness", Measure.Length, Sign.Positive) ?? basis.Thickness,
            t.Quantity("plate-grout", Measure.Length, basis.Grout),
            (int)rods,
            t.Quantity("rod-diameter", Measure.Length, basis.RodDiameter),
            t.Quantity("rod-embedment", Measure.Length, basis.Embedment),
            t.Quantity("rod-edge", Measure.Length, basis.RodEdge));
        foreach (var (key, value) in new[] { ("rod-diameter", result.RodDiameter), ("rod-embedment", result.Embedment) })
        {
            if (rods > 0 && value == 0)
            {
                t.Fault(key,
                    $"rods are given without {key}; write for example {key} = "
                        + $"{(key == "rod-diameter" ? "\"3/4 in\" or \"20 mm\"" : "\"12 in\" or \"300 mm\"")}");
            }
        }

        return result;
    }

    public static PedestalRules Pedestal(TableReader t, PedestalRules basis)
    {
        var (top, height) = (t.QuantityOrNull("top", Measure.Length, Sign.Any), t.QuantityOrNull("height", Measure.Length, Sign.Positive));
        if (top is not null && height is not null)
        {
            t.Fault("height", "top and height are both given; keep one");
        }

        var round = t.Choice("shape", basis.Round, ("rect", false), ("round", true));
        var size = Size(t, round);
        var result = basis with
        {
            Under = t.Choice("under", t.Has("size") && basis.Under == PedestalUnder.None ? PedestalUnder.All : basis.Under,
                ("none", PedestalUnder.None), ("steel", PedestalUnder.Steel), ("all", PedestalUnder.All)),
            Top = top ?? (height is null ? basis.Top : null),
            Height = height ?? (top is null ? basis.Height : null),
            Round = round,
            SizeX = size?.X ?? basis.SizeX,
            SizeY = size?.Y ?? basis.SizeY,
            Ledge = t.Quantity("ledge", Measure.Length, basis.Ledge),
            Step = t.Quantity("round-to", Measure.Length, basis.Step, Sign.Positive),
            MostSize = t.Quantity("most", Measure.Length, basis.MostSize, Sign.Positive),
            Cover = t.Quantity("cover", Measure.Length, basis.Cover),
            Strength = CodeReader.StrengthOrNull(t, "strength") ?? basis.Strength,
            Bars = Upright(t, "bars") ?? basis.Bars,
            Ties = Ties(t, "ties") ?? basis.Ties,
        };
        t.Done();
        return result;
    }

    public static PedestalRules Socket(TableReader t, PedestalRules pedestal)
    {
        var basis = pedestal.Sockets;
        var held = t.Has("depth") || t.Has("wall");
        var result = basis with
        {
            Used = t.Choice("under", held || basis.Used, ("none", false), ("concrete", true)),
            Depth = t.QuantityOrNull("depth", Measure.Length, Sign.Positive) ?? basis.Depth,
            Wall = t.QuantityOrNull("wall", Measure.Length, Sign.Positive) ?? basis.Wall,
            Face = t.Choice("face", basis.Face, ("smooth", SocketFace.Smooth), ("keyed", SocketFace.Keyed)),
            Gap = t.Quantity("gap", Measure.Length, basis.Gap, Sign.Positive),
            Bed = t.Quantity("bed", Measure.Length, basis.Bed),
            Grout = t.QuantityOrNull("grout", Measure.Pressure, Sign.Positive) ?? basis.Grout,
            DepthRatio = t.Number("least-ratio", basis.DepthRatio, Sign.Positive),
            MostDepthRatio = t.Number("most-ratio", basis.MostDepthRatio, Sign.Positive),
            LeastWall = t.Quantity("least-wall", Measure.Length, basis.LeastWall, Sign.Positive),
            MostWall = t.Quantity("most-wall", Measure.Length, basis.MostWall, Sign.Positive),
        };
        if (result.Used && pedestal.Round)
        {
            t.Fault("under", "a socket is rectangular, but [pedestal] shape is \"round\"; keep one");
        }

        t.Done();
        return pedestal with { Sockets = result };
    }

    /// <summary>The pedestal of a table of adopted.toml: size, bars, ties, and a socket's depth and walls.</summary>
    public static (Pedestal? Pedestal, BarSpec? Dowels) Adopted(TableReader t)
    {
        var round = t.Choice("shape", false, ("rect", false), ("round", true));
        foreach (var (key, example) in new[] { ("size", "[\"450 mm\", \"450 mm\"]"), ("bars", "\"8 T20\""), ("ties", "\"T10 @ 150 mm\"") })
        {
            if (!t.Has(key))
            {
                t.Missing(key, example);
            }
        }

        var (size, bars, ties, dowels) = (Size(t, round), Upright(t, "bars"), Ties(t, "ties"), Upright(t, "dowels"));
        var (depth, wall) = (t.QuantityOrNull("socket", Measure.Length, Sign.Positive),
            t.QuantityOrNull("wall", Measure.Length, Sign.Positive));
        if (t.Has("socket") != t.Has("wall"))
        {
            t.Missing(t.Has("socket") ? "wall" : "socket", t.Has("socket") ? "\"200 mm\"" : "\"600 mm\"");
            return (null, dowels);
        }

        t.Done();
        return (size is { } s && bars is not null && ties is not null
            ? new Pedestal(s.X, s.Y, round, bars, ties) { Socket = depth is { } d && wall is { } w ? new Socket(d, w) : null }
            : null, dowels);
    }

    /// <summary>Upright bars: an even number from 4; null if the key is absent or wrong.</summary>
    public static BarSpec? Upright(TableReader t, string key)
    {
        if (t.Bars(key) is not { } bars)
        {
            return null;
        }

        if (bars.Size is null)
        {
            return bars;
        }

        if (bars.Count < 4 || bars.Count % 2 != 0 || bars.Hooked || bars.Band > 0)
        {
            t.Fault(key, $"{key} stand round the section, an even number from 4; write for example {key} = \"8 T20\"");
            return null;
        }

        return bars;
    }

    private static BarSpec? Ties(TableReader t, string key)
    {
        if (t.Bars(key) is not { } ties)
        {
            return null;
        }

        if (ties.Size is null || ties.Spacing <= 0)
        {
            t.Fault(key, $"{key} are a size and a spacing; write for example {key} = \"T10 @ 150 mm\"");
            return null;
        }

        return ties;
    }

    private static (double X, double Y)? Size(TableReader t, bool round)
    {
        if (t.Node("size") is not { } node)
        {
            return null;
        }

        if (node.Value is string)
        {
            return t.Quantity("size", node, Measure.Length, Sign.Positive) is { } side ? (side, side) : null;
        }

        if (node.Value is List<TomlNode> { Count: 2 } list && !round)
        {
            return t.Quantity("size", list[0], Measure.Length, Sign.Positive) is { } x
                && t.Quantity("size", list[1], Measure.Length, Sign.Positive) is { } y ? (x, y) : null;
        }

        t.Fault("size",
            round
                ? "size of a round pedestal is its diameter; write for example size = \"500 mm\""
                : "size is both sides of the pedestal; write for example size = [\"450 mm\", \"450 mm\"]");
        return null;
    }
}
