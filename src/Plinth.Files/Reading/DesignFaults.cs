using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Reading;

/// <summary>Finds designs that contradict what is held, their levels or their columns.</summary>
public static class DesignFaults
{
    /// <summary>Finds them. What the engineer wrote by hand and contradicts is an error; what sizing wrote is stale, and sized anew.</summary>
    /// <returns>Marks whose tables are stale.</returns>
    internal static HashSet<string> Find(IReadOnlyList<Foundation> foundations, IReadOnlyDictionary<string, AdoptedEntry> adopted, UnitSystem units, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, DiagnosticBag bag)
    {
        var stale = new HashSet<string>(StringComparer.Ordinal);
        foreach (var f in foundations)
        {
            Levels(f, units, supports, bag);
            if (!adopted.TryGetValue(f.Mark, out var entry))
            {
                continue;
            }

            var faults = Held(f, entry.Design, units);
            if (Impossible(f, entry.Design, units) is { } impossible)
            {
                faults.Add((impossible.Key, impossible.Message, true));
            }

            foreach (var (key, message, breaks) in faults)
            {
                if (entry.ByHand)
                {
                    bag.Error(entry.Spot(key), $"[{f.Mark}] {message}" + (breaks ? "" : "; delete the table to have it sized anew, or make the two agree"));
                }
                else if (stale.Add(f.Mark))
                {
                    bag.Warning(entry.Spot(key), $"[{f.Mark}] {message}; it was sized before that: plinth size finds it anew", "stale");
                }
            }
        }

        return stale;
    }

    /// <summary>What of a design differs from what plinth.toml holds for its foundation; null: nothing.</summary>
    public static string? Contradiction(Foundation f, FoundationDesign design, UnitSystem units) => Held(f, design, units) is [var first, ..] ? first.Message : null;

    /// <summary>What makes a design impossible, whatever its loads: column beyond the base, levels that cross.</summary>
    public static (string Key, string Message)? Impossible(Foundation f, FoundationDesign design, UnitSystem units)
    {
        foreach (var place in f.Places)
        {
            var outline = BaseGeometry.Outline(place, design.Pedestal);
            if (!BaseGeometry.ColumnOnBase(f.Held, outline, design.Size))
            {
                var o = BaseGeometry.Offset(f.Held, outline, design.Size);
                var alongX = Math.Abs(o.X) + (outline.FaceX / 2) > (design.Size.Length / 2) + 1e-9;
                return (alongX ? "length" : "width", $"the {(design.Pedestal is null ? "column" : "pedestal")} of {place.Name} stands beyond the base; make the base larger, or change its offset or held edges");
            }

            if (!BaseGeometry.AllOnBase(f, outline, design.Size))
            {
                return ("length", $"a load of [[foundation.load]] lies beyond the base at {place.Name}; make the base larger, or mend its place");
            }
        }

        if (Standing(f, design) is { } standing)
        {
            return standing;
        }

        return BaseLevels.Fault(f, design.Size.Thickness, units) is { } level ? ("thickness", level) : null;
    }

    // What is adopted between column and base must be what plinth.toml asks for, and hold the column.
    private static (string Key, string Message)? Standing(Foundation f, FoundationDesign design)
    {
        var (fit, place) = BaseGeometry.Standing(f, design);
        return fit switch
        {
            PedestalFit.Fits => null,
            PedestalFit.Missing => ("", "has no pedestal, which plinth.toml asks for; delete the table to have it sized anew, or write pedestal.size, pedestal.bars and pedestal.ties"),
            PedestalFit.NotAsked => ("pedestal", "has a pedestal, which plinth.toml does not ask for; write [pedestal] under = \"all\", or delete its keys here"),
            PedestalFit.SocketMissing => ("pedestal", "has no socket, which plinth.toml asks for; delete the table to have it sized anew, or write pedestal.socket and pedestal.wall"),
            PedestalFit.SocketNotAsked => ("pedestal", "has a socket, which plinth.toml does not ask for; write [socket] under = \"concrete\", or delete pedestal.socket and pedestal.wall"),
            PedestalFit.ColumnBeyond => ("pedestal", $"the column or its plate at {place.Name} stands beyond the pedestal; make the pedestal larger"),
            PedestalFit.SocketNarrow => ("pedestal", $"the column of {place.Name} with [socket] gap on every side does not go into the socket; make pedestal.size larger or pedestal.wall thinner"),
            _ => ("pedestal", $"the socket of {place.Name} with its bed reaches below the top of the base; make it less deep, raise the rim, or found the base deeper"),
        };
    }

    // With the top held, no thickness can help a level that lies below it.
    private static void Levels(Foundation f, UnitSystem units, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, DiagnosticBag bag)
    {
        foreach (var place in f.Places)
        {
            if (f.Rules.Pedestal.HoldsInSocket(place.Support) && Math.Abs(Math.IEEERemainder(place.Support.AngleDegrees - place.AngleDegrees, 90)) > 1e-6)
            {
                bag.Error(supports[place.Name].Place, $"support \"{place.Name}\": its precast column is turned against its base, and a socket is not designed for that; give the foundation the column's angle");
            }

            if (place.Ground.TopDepth is { } top && place.Support.Level is { } level && level < place.Ground.Level - top - 1e-6)
            {
                string Show(double v) => Dimension.Plan(v, units);
                bag.Error(supports[place.Name].Place, $"support \"{place.Name}\": its reactions act at level {Show(level)}, below the top of its base at {Show(place.Ground.Level - top)} (top-depth); give its foundation a deeper ground.top-depth or a ground.founding-depth, or mend the level");
            }
        }
    }

    private static List<(string Key, string Message, bool Breaks)> Held(Foundation f, FoundationDesign design, UnitSystem units)
    {
        var found = new List<(string Key, string Message, bool Breaks)>();
        void Differs(string key, bool differs, string held, string here, string there)
        {
            if (differs)
            {
                found.Add((key, $"{key} {here} differs from {held} {there}, which plinth.toml holds for it", false));
            }
        }

        string L(double v) => Dimension.Section(v, units);
        void Length(string key, double? stated, double value, string? name = null) => Differs(key, stated is { } v && Math.Abs(v - value) > 1e-6, name ?? key, L(value), L(stated ?? 0));
        var (held, size) = (f.Held, design.Size);
        Length("length", held.Length, size.Length);
        Length("width", held.Width, size.Width);
        Length("thickness", held.Thickness, size.Thickness);
        var outline = BaseGeometry.Outline(f.Places[0], design.Pedestal);
        Length("length", BaseGeometry.HeldSide(held.EdgeX0, held.EdgeX1, outline.FaceX), size.Length, "edge-x0 and edge-x1, together");
        Length("width", BaseGeometry.HeldSide(held.EdgeY0, held.EdgeY1, outline.FaceY), size.Width, "edge-y0 and edge-y1, together");
        var side = f.Rules.Concrete.CoverSide;
        var bars = design.Bars(side);
        var (stated, column) = (f.Rules.Pedestal, f.Rules.Column);
        if (design.Pedestal is { } p)
        {
            Length("pedestal.size", stated.SizeX, p.SizeX, "[pedestal] size");
            Length("pedestal.size", stated.SizeY, p.SizeY, "[pedestal] size");
            Differs("pedestal.bars", stated.Bars is { } pb && pb != p.Bars, "[pedestal] bars", $"\"{p.Bars}\"", $"\"{stated.Bars}\"");
            Differs("pedestal.ties", stated.Ties is { } pt && pt != p.Ties, "[pedestal] ties", $"\"{p.Ties}\"", $"\"{stated.Ties}\"");
            if (p.Socket is { } socket)
            {
                Length("pedestal.socket", stated.Sockets.Depth, socket.Depth, "[socket] depth");
                Length("pedestal.wall", stated.Sockets.Wall, socket.Wall, "[socket] wall");
            }
        }

        Differs("dowels", column.Dowels is { } dowels && dowels != design.Dowels, "[column] dowels", $"\"{design.Dowels}\"", $"\"{column.Dowels}\"");
        if (design.Dowels.Size is not null && !f.Places.Any(p => p.Support.Shape is ColumnShape.Rectangular or ColumnShape.Round))
        {
            found.Add(("dowels", $"has dowels \"{design.Dowels}\", but no concrete column stands on it; delete dowels here", true));
        }

        void Layer(string key, BarSpec? spec, double breadth, BarLayer layer, BarSpec here) => Differs(key, spec is { } v && v.Resolve(breadth, side) != layer, key, $"\"{here}\"", $"\"{spec}\"");
        Layer("bottom-x", held.BottomX, size.Width, bars.BottomX, design.BottomX);
        Layer("bottom-y", held.BottomY, size.Length, bars.BottomY, design.BottomY);
        Layer("top-x", held.TopX, size.Width, bars.TopX, design.TopX);
        Layer("top-y", held.TopY, size.Length, bars.TopY, design.TopY);
        return found;
    }
}
