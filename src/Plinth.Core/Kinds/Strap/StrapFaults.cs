using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>What makes a design of a strap footing impossible on its plan, whatever its loads.</summary>
internal static class StrapFaults
{
    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, StrapDesign d, UnitSystem units) => OfPlan(f, d, units) ?? OfBars(f, d, units);

    /// <summary>The same of its sizes alone.</summary>
    public static (string Key, string Message)? OfPlan(Foundation f, StrapDesign d, UnitSystem units = UnitSystem.Metric)
    {
        string L(double v) => Dimension.Plan(v, units);
        string S(double v) => Dimension.Section(v, units);
        foreach (var place in f.Places)
        {
            var plan = StrapPlace.Of(f.Held, place, d);
            if (plan.Clear < 1e-6)
            {
                return ("edge.length",
                    $"its bases {(plan.Clear < -1e-6 ? $"overlap by {L(-plan.Clear)}" : "touch")} at {place.Name}; make edge.length or "
                        + "inner.length less, or put both columns on one base: kind = \"combined\"");
            }

            var at = place.InOwnAxes();
            for (var i = 0; i < 2; i++)
            {
                var outline = BaseGeometry.Outline(place, place.Supports[i], d.Under(i).Pedestal);
                var (from, to) = i == 0 ? (plan.EdgeFrom, plan.EdgeTo) : (plan.InnerFrom, plan.InnerTo);
                var what = d.Under(i).Pedestal is null ? "column" : "pedestal";
                var part = StrapFields.Parts[i];
                if (at[i].X - (outline.FaceX / 2) < from - 1e-9 || at[i].X + (outline.FaceX / 2) > to + 1e-9)
                {
                    return ($"{part}.length", $"the {what} of {place.Supports[i].Label} stands beyond its base along x; make {part}.length more");
                }

                if (outline.FaceY > d.Base(i).Width + 1e-9)
                {
                    return ($"{part}.width", $"the {what} of {place.Supports[i].Label} is wider than its base; make {part}.width more");
                }
            }
        }

        if (f.Loads.Count > 0)
        {
            return ("", "has loads beside its columns ([[foundation.load]]), which are not designed on a strap footing; give them to the "
                + "columns, or choose kind = \"combined\"");
        }

        for (var i = 0; i < 2; i++)
        {
            if (d.Beam.Width > d.Base(i).Width + 1e-9)
            {
                return ("beam.width", $"the beam is {S(d.Beam.Width)} wide, more than the {StrapFields.Parts[i]} base "
                    + $"({L(d.Base(i).Width)}); make beam.width less");
            }

            if (d.Beam.Gap + d.Beam.Depth < d.Base(i).Thickness - 1e-9)
            {
                return ("beam.depth", $"the beam ends {S(d.Base(i).Thickness - d.Beam.Gap - d.Beam.Depth)} below the top of the "
                    + $"{StrapFields.Parts[i]} base; make beam.depth more");
            }

            if (d.Beam.Gap >= d.Base(i).Thickness - 1e-9)
            {
                return ("beam.gap", $"the beam's underside lies {S(d.Beam.Gap)} over that of the bases, at or over the top of the "
                    + $"{StrapFields.Parts[i]} base; make beam.gap less");
            }
        }

        return null;
    }

    // Bars of the beam are counted, its stirrups spaced.
    private static (string Key, string Message)? OfBars(Foundation f, StrapDesign d, UnitSystem units)
    {
        var (beam, cover) = (d.Beam, f.Rules.Concrete.CoverSide);
        foreach (var (key, bars) in new[] { ("beam.top", beam.Top), ("beam.bottom", beam.Bottom), ("beam.sides", beam.Sides) })
        {
            if (bars is { Size: { } size, Count: 0 })
            {
                return (key, $"{key} \"{bars}\" is a spacing; bars of a beam are counted: write for example \"4 {size.Name}\"");
            }
        }

        if (beam.Stirrups is { Size: { } stirrup, Spacing: 0 })
        {
            return ("beam.stirrups", $"beam.stirrups \"{beam.Stirrups}\" is a number; write their spacing, for example \"{stirrup.Name} @ 200 mm\"");
        }

        if (beam.Width - (2 * cover) <= 4 * (beam.Stirrups.Size?.Diameter ?? 0))
        {
            return ("beam.width", $"within the side covers of {Dimension.Section(cover, units)} the stirrups are wider than the beam; make "
                + "beam.width more, or [concrete] cover-side less");
        }

        foreach (var part in StrapFields.Parts.Take(2))
        {
            var own = part == StrapFields.Parts[0] ? d.Edge : d.Inner;
            foreach (var (key, bars) in new[] { ("bottom-x", own.BottomX), ("bottom-y", own.BottomY), ("top-x", own.TopX), ("top-y", own.TopY) })
            {
                if (bars.Band > 0)
                {
                    return ($"{part}.{key}", $"{part}.{key}: bars of a base that the beam holds over its whole length lie evenly; write them in "
                        + $"one number, for example \"{bars.Count} {bars.Size!.Name}\"");
                }
            }
        }

        return null;
    }
}
