using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Reading;

/// <summary>Finds designs that contradict what is held, their levels or their columns.</summary>
public static class DesignFaults
{
    internal static void Find(IReadOnlyList<Foundation> foundations, IReadOnlyDictionary<string, AdoptedEntry> adopted, UnitSystem units, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, DiagnosticBag bag)
    {
        foreach (var f in foundations)
        {
            Levels(f, units, supports, bag);
            if (adopted.TryGetValue(f.Mark, out var entry))
            {
                Held(f, entry, bag);
                if (Impossible(f, entry.Design, units) is { } fault)
                {
                    bag.Error(entry.Spot(fault.Key), $"[{f.Mark}] {fault.Message}");
                }
            }
        }
    }

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
                string Show(double v) => Unit.Length.FormatWithSymbol(v, units);
                bag.Error(supports[place.Name].Place, $"support \"{place.Name}\": its reactions act at level {Show(level)}, below the top of its base at {Show(place.Ground.Level - top)} (top-depth); give its foundation a deeper ground.top-depth or a ground.founding-depth, or mend the level");
            }
        }
    }

    private static void Held(Foundation f, AdoptedEntry entry, DiagnosticBag bag)
    {
        void Differs(string key, bool differs, string held)
        {
            if (differs)
            {
                bag.Error(entry.Spot(key), $"[{f.Mark}] {key} differs from {held}, which plinth.toml holds for it; delete the table to have it sized anew, or make the two agree");
            }
        }

        var (held, size) = (f.Held, entry.Design.Size);
        Differs("length", held.Length is { } l && Math.Abs(l - size.Length) > 1e-6, "length");
        Differs("width", held.Width is { } w && Math.Abs(w - size.Width) > 1e-6, "width");
        Differs("thickness", held.Thickness is { } h && Math.Abs(h - size.Thickness) > 1e-6, "thickness");
        var outline = BaseGeometry.Outline(f.Places[0], entry.Design.Pedestal);
        Differs("length", BaseGeometry.HeldSide(held.EdgeX0, held.EdgeX1, outline.FaceX) is { } x && Math.Abs(x - size.Length) > 1e-6, "edge-x0 and edge-x1");
        Differs("width", BaseGeometry.HeldSide(held.EdgeY0, held.EdgeY1, outline.FaceY) is { } y && Math.Abs(y - size.Width) > 1e-6, "edge-y0 and edge-y1");
        var side = f.Rules.Concrete.CoverSide;
        var bars = entry.Design.Bars(side);
        var (stated, pedestal) = (f.Rules.Pedestal, entry.Design.Pedestal);
        Differs("pedestal", pedestal is not null && ((stated.SizeX is { } px && Math.Abs(px - pedestal.SizeX) > 1e-6) || (stated.SizeY is { } py && Math.Abs(py - pedestal.SizeY) > 1e-6) || (stated.Bars is { } pb && pb != pedestal.Bars) || (stated.Ties is { } pt && pt != pedestal.Ties)), "pedestal");
        Differs("pedestal.socket", pedestal?.Socket is { } socket && ((stated.Sockets.Depth is { } depth && Math.Abs(depth - socket.Depth) > 1e-6) || (stated.Sockets.Wall is { } wall && Math.Abs(wall - socket.Wall) > 1e-6)), "socket.depth or socket.wall");
        Differs("dowels", f.Rules.Column.Dowels is { } dowels && dowels != entry.Design.Dowels, "column.dowels");
        Differs("bottom-x", held.BottomX is { } bx && bx.Resolve(size.Width, side) != bars.BottomX, "bottom-x");
        Differs("bottom-y", held.BottomY is { } by && by.Resolve(size.Length, side) != bars.BottomY, "bottom-y");
        Differs("top-x", held.TopX is { } tx && tx.Resolve(size.Width, side) != bars.TopX, "top-x");
        Differs("top-y", held.TopY is { } ty && ty.Resolve(size.Length, side) != bars.TopY, "top-y");
    }
}
