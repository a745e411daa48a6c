using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>What makes a wall's footing impossible, whatever its loads.</summary>
internal static class WallFaults
{
    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, WallDesign d, UnitSystem units)
    {
        foreach (var place in f.Places)
        {
            var (low, high) = d.Edges.From(place.Support.SizeY, f.Wall.Retained?.Side ?? 1);
            if (Math.Min(low, high) < (place.Support.SizeY / 2) - 1e-9)
            {
                return (d.Edges.ByFaces ? "heel" : low < high ? "edge-y0" : "edge-y1",
                    $"the wall {place.Name}, {Dimension.Section(place.Support.SizeY, units)} thick, stands beyond the base; move the edge "
                        + "out");
            }
        }

        if (d.Edges.ByFaces && f.Wall.Retained is null)
        {
            return ("heel", "heel and toe are counted from the faces of a wall that holds back soil; write edge-y0 and edge-y1, or give "
                + "the foundation retained = { … } in plinth.toml");
        }

        if (d.Size.Width > 0 && f.Loads.Any(l => !l.LiesOn(new Contact.PlanPoint(0, -d.Size.ShiftY), d.Size)))
        {
            return ("edge-y0", "a load of [[foundation.load]] lies beyond the base; make the base larger, or mend its place");
        }

        foreach (var (key, bars) in new[] { (WallFields.SoilKey, d.Stem.Soil), (WallFields.FreeKey, d.Stem.Free),
            (WallFields.LevelKey, d.Stem.Level) })
        {
            if (OfBars(key, bars) is { } fault)
            {
                return (key, fault);
            }
        }

        return d.Stem.Soil.Size is not null && !Stems.Designed(f)
            ? (WallFields.SoilKey, "has bars of the wall, which plinth.toml does not state; write stem = { height = \"3 m\" } there, or "
                + "delete them here")
            : null;
    }

    /// <summary>Why values that are held cannot stand together; null: they can.</summary>
    public static string? OfHeld(Foundation f)
    {
        var wall = f.Wall;
        if (f.Places.FirstOrDefault(p => Math.Abs(p.Support.SizeX - f.Places[0].Support.SizeX) > 1e-3
            || Math.Abs(p.Support.SizeY - f.Places[0].Support.SizeY) > 1e-3) is { } other)
        {
            return $"the walls {f.Places[0].Name} and {other.Name} differ in length or thickness; one design is for walls alike to 1 mm: "
                + "give them marks of their own";
        }

        if (f.Places.Any(p => p.Lie != Lie.AsDrawn))
        {
            return "a wall's footing lies as its wall does, from its first to its second end; write it without turned and mirrored";
        }

        if (wall.Stem is { Propped: true, Height: null })
        {
            return "the wall is propped at its top, but how high it is is not stated; write stem.height, for example stem.height = "
                + "\"3.2 m\"";
        }

        if (wall.Stem?.Height is { } high && wall.Retained is { Height: var soil } && soil > high + 1e-9)
        {
            return "the soil stands higher than the wall that holds it back; mend retained.height or stem.height, both over the base's top";
        }

        if (f.Held is { EdgeY0: null, EdgeY1: null, OffsetYGiven: false, Width: not null } && wall.Retained is not null)
        {
            return "the width of a wall's footing that holds back soil is held, but not where it lies; write heel and toe in its place";
        }

        return wall.Retained is null && (WallFields.Length(f.Held, "heel") ?? WallFields.Length(f.Held, "toe")) is not null
            ? "heel and toe are counted from the faces of a wall that holds back soil; write edge-y0 and edge-y1, or give retained = { … }"
            : null;
    }

    /// <summary>Why bars may not be as written: those of a wall and its footing lie at a spacing.</summary>
    public static string? OfBars(string key, BarSpec bars) =>
        bars.Band > 0 ? $"{key}: bars of a wall's footing lie evenly; write them at a spacing, for example \"{bars.Size!.Name} @ 200 mm\""
        : key.StartsWith("stem.", StringComparison.Ordinal) && bars is { Size: { } size, Count: > 0 }
            ? $"{key} \"{bars}\" is a number; bars of a wall are spaced: write for example \"{size.Name} @ 200 mm\""
        : null;
}
