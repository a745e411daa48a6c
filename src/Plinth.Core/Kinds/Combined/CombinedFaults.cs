using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What makes a design of a combined footing impossible on its plan, whatever its loads.</summary>
internal static class CombinedFaults
{
    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, CombinedDesign design, UnitSystem units)
    {
        foreach (var place in f.Places)
        {
            if (new CombinedPlace(place, i => design.Under(i).Pedestal) is var plan && plan.Beyond(design) is >= 0 and var i)
            {
                var what = design.Under(i).Pedestal is null ? "column" : "pedestal";
                var within = plan.Within(design);
                return (Math.Min(within.X0, within.X1) < 0 ? "length" : "width",
                    $"the {what} of {place.Supports[i].Label} stands beyond the base; make the base larger, or change its offset "
                        + "or held edges");
            }

            if (f.Loads.Any(l => !LiesOn(l, design)))
            {
                return ("length",
                    $"a load of [[foundation.load]] lies beyond the base at {place.Name}; make the base larger, or mend its place");
            }
        }

        if (Banded(design) is { } banded)
        {
            return banded;
        }

        var (low, high) = (Math.Min(design.Size.Width, design.HighWidth), Math.Max(design.Size.Width, design.HighWidth));
        return Shared(f.Places[0], design) is { } shared ? shared
            : high > MostTaper * low
                ? ("width",
                    $"its ends are {Dimension.Section(design.Size.Width, units)} and {Dimension.Section(design.HighWidth, units)} wide; a "
                        + $"trapezoid whose one end is more than {MostTaper} times the other is not designed")
            : null;
    }

    // Beyond this a base is a triangle more than a trapezoid, and plane sections across it say little.
    private const int MostTaper = 4;

    private static bool LiesOn(PlanLoad load, CombinedDesign design)
    {
        if (load.Shape == PlanLoadShape.WholeBase)
        {
            return true;
        }

        var low = -CombinedDesign.TrapezoidCentroid(design.Size.Length, design.Size.Width, design.HighWidth);
        bool Within(double x, double y)
        {
            var (along, across) = (x + design.Offset.X - low, y + design.Offset.Y);
            const double slack = 1e-9;
            return along >= -slack && along <= design.Size.Length + slack
                && Math.Abs(across) <= ((design.Size.Width + ((design.HighWidth - design.Size.Width) * along / design.Size.Length)) / 2)
                    + slack;
        }

        return Within(load.X0, load.Y0) && Within(load.X1, load.Y1) && Within(load.X0, load.Y1) && Within(load.X1, load.Y0);
    }

    /// <summary>Its bands across stand under the columns: none of its layers is banded in itself.</summary>
    public static string? OfBars(string key, BarSpec bars) =>
        bars.Band > 0
            ? $"{key}: bars of a combined footing lie closer only under its columns, by bottom-y.at; write them in one number, for example "
                + $"\"{bars.Count} {bars.Size!.Name}\""
            : null;

    private static (string Key, string Message)? Banded(CombinedDesign d)
    {
        foreach (var (key, spec) in ((string, BarSpec)[])[("bottom-x", d.BottomX), ("top-x", d.TopX), ("top-y", d.TopY),
            ("bottom-y.rest", d.Rest), .. d.At.Select(c => (Key(c.Label), c.Band))])
        {
            if (OfBars(key, spec) is { } fault)
            {
                return (key, fault);
            }
        }

        return null;
    }

    // Columns side by side share a band, whose bars stand under the first of them.
    private static (string Key, string Message)? Shared(Place place, CombinedDesign design)
    {
        foreach (var group in CombinedPlace.Groups(place, i => design.Under(i).Pedestal))
        {
            var first = design.At[group[0]];
            if (first.Band.Size is null)
            {
                return (Key(first.Label), $"has no bottom bars across at {first.Label}; write {Key(first.Label)} = \"9 T16\"");
            }

            foreach (var i in group.Skip(1).Where(i => design.At[i].Band.Size is not null))
            {
                return (Key(design.At[i].Label),
                    $"{Key(design.At[i].Label)}: {design.At[i].Label} stands beside {first.Label} and shares its band of bars across; "
                        + $"delete the key, the band's bars stand under {Key(first.Label)}");
            }
        }

        return null;
    }

    private static string Key(string label) => CombinedFields.Make([label]).First(f => f.Path is ["bottom-y", "at", _]).Key;
}
