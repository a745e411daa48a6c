using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>What makes a strip with a rib impossible, whatever its loads.</summary>
internal static class RibFaults
{
    // Ø 3/8 in, the least of either system.
    private const double ThinnestStirrup = 0.0095;

    private const string Narrow = "within the side covers the stirrups are wider than the rib; make the rib broader, or [concrete] "
        + "cover-side less";

    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, RibDesign d, UnitSystem units)
    {
        string S(double v) => Dimension.Section(v, units);
        if (d.Rib.Depth <= d.Size.Thickness + 1e-9)
        {
            return (RibFields.RibKey, $"the rib is {S(d.Rib.Depth)} deep from the underside, no more than the flange "
                + $"({S(d.Size.Thickness)}); write its breadth and whole depth, for example rib = [\"400 mm\", \"900 mm\"]");
        }

        if (d.Rib.Width > d.Size.Width - 1e-9)
        {
            return (RibFields.RibKey, $"the rib is {S(d.Rib.Width)} broad, the strip {S(d.Size.Width)} wide; make the strip wider, or "
                + "leave the rib out");
        }

        foreach (var place in f.Places)
        {
            var at = place.InOwnAxes();
            for (var i = 0; i < at.Count; i++)
            {
                var outline = BaseGeometry.Outline(place, place.Supports[i], d.Under(i).Pedestal);
                var what = d.Under(i).Pedestal is null ? "column" : "pedestal";
                if (Math.Abs(at[i].Y) + (outline.FaceY / 2) > (d.Rib.Width / 2) + 1e-9)
                {
                    return (RibFields.RibKey, $"the {what} of {place.Supports[i].Label} stands beyond the rib; make the rib "
                        + $"{S(2 * (Math.Abs(at[i].Y) + (outline.FaceY / 2)))} broad or more");
                }

                var x = at[i].X + d.Offset;
                if (Math.Abs(x) + (outline.FaceX / 2) > (d.Size.Length / 2) + 1e-9)
                {
                    return ("ends", $"the {what} of {place.Supports[i].Label} stands beyond the strip; make its ends more");
                }
            }
        }

        if (f.Loads.Any(l => !l.LiesOn(new Contact.PlanPoint(d.Offset, 0), d.Size)))
        {
            return ("ends", "a load of [[foundation.load]] lies beyond the strip; make it larger, or mend its place");
        }

        foreach (var (key, bars) in (ReadOnlySpan<(string, BarSpec)>)[("bottom-x", d.Rib.Bottom), ("top-x", d.Rib.Top),
            ("sides", d.Rib.Sides), ("stirrups", d.Rib.Stirrups), ("bottom-y", d.BottomY), ("top-y", d.TopY), ("flange", d.Flange)])
        {
            if (OfBars(key, bars) is { } fault)
            {
                return (key, fault);
            }
        }

        return TooNarrow(d.Rib.Width, f.Rules.Concrete.CoverSide, d.Rib.Stirrups.Size?.Diameter ?? 0) ? (RibFields.RibKey, Narrow)
            : StirrupFields.Fault(f, d, units)
                ?? ExtraFields.Fault(f, d.Extra, bottom => Through(bottom ? d.Rib.Bottom : d.Rib.Top), units);

        static BarLayer Through(BarSpec bars) => new(bars.Count, bars.Size);
    }

    /// <summary>Why held values cannot stand together; null: they can.</summary>
    public static string? OfHeld(Foundation f)
    {
        var (breadth, depth) = RibFields.HeldRib(f.Held);
        if (depth <= f.Held.Thickness + 1e-9)
        {
            return "the rib is no deeper than the thickness of the flange; rib = [breadth, whole depth from the underside]";
        }

        if (breadth >= f.Held.Width - 1e-9)
        {
            return "the rib is as broad as the strip is wide, or broader; make width more, or leave the rib out";
        }

        var stirrup = RibFields.Held(f.Held, "stirrups")?.Size?.Diameter ?? ThinnestStirrup;
        return TooNarrow(breadth, f.Rules.Concrete.CoverSide, stirrup) ? Narrow : null;
    }

    private static bool TooNarrow(double width, double cover, double stirrup) => width - (2 * cover) <= 4 * stirrup;

    /// <summary>Why a layer may not be as written: bars of the rib are counted, its stirrups spaced, others evenly laid.</summary>
    public static string? OfBars(string key, BarSpec bars) => key switch
    {
        "stirrups" => bars is { Size: { } stirrup, Spacing: 0 }
            ? $"{key} \"{bars}\" is a number; write their spacing, for example \"{stirrup.Name} @ 200 mm\""
            : null,
        "bottom-x" or "top-x" or "sides" => bars is { Size: { } size, Count: 0 }
            ? $"{key} \"{bars}\" is a spacing; bars of a rib are counted: write for example \"4 {size.Name}\""
            : null,
        _ => bars.Band > 0
            ? $"{key}: bars of a flange lie evenly; write them in one number, for example \"{bars.Count} {bars.Size!.Name}\""
            : null,
    };
}
