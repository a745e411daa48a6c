using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>What makes a design of a strap footing impossible on its plan, whatever its loads.</summary>
internal static class StrapFaults
{
    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, StrapDesign d, UnitSystem units) => OfPlan(f, d, units) ?? OfBars(f, d);

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
                    return ($"{part}.length", $"the {what} of {place.Supports[i].Label} stands beyond its base along x; "
                        + $"make {part}.length more");
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

    /// <summary>
    /// Why held values cannot stand together: bases that touch, a beam wider than a base, too narrow for its stirrups or under both bases.
    /// </summary>
    public static string? OfHeld(Foundation f)
    {
        double? Held(int part, string key) => StrapFields.Length(f.Held, StrapFields.Parts[part], key);
        foreach (var place in f.Places)
        {
            var (at, outline) = (place.InOwnAxes(), BaseGeometry.Outline(place, place.Supports[0], null));
            var plan = StrapPlace.Of(at[0].X, at[1].X, StrapPlace.Edge(f.Held).From(outline.FaceX), 0, Held(0, "length") ?? 0,
                Held(1, "length") ?? 0, true);
            if (plan.Clear < 1e-6)
            {
                return $"its bases {(plan.Clear < -1e-6 ? "overlap" : "touch")} at {place.Name}; make edge.length or inner.length "
                    + $"less, or put both columns "
                    + "on one base: kind = \"combined\"";
            }
        }

        for (var i = 0; i < 2; i++)
        {
            if (Held(2, "width") > Held(i, "width") + 1e-9)
            {
                return $"beam.width is more than {StrapFields.Parts[i]}.width; make it less";
            }

            if (Held(2, "gap") >= Held(i, "thickness") - 1e-9)
            {
                return $"beam.gap puts the beam's underside at or over the top of the {StrapFields.Parts[i]} base "
                    + $"({StrapFields.Parts[i]}.thickness); make it less";
            }

            if ((Held(2, "gap") ?? 0) + Held(2, "depth") < Held(i, "thickness") - 1e-9)
            {
                return $"beam.depth ends below the top of the {StrapFields.Parts[i]} base ({StrapFields.Parts[i]}.thickness); make it more";
            }
        }

        var stirrup = StrapFields.Bars(f.Held, StrapFields.Parts[2], "stirrups")?.Size?.Diameter ?? ThinnestStirrup;
        return Held(2, "width") is { } width && TooNarrow(width, f.Rules.Concrete.CoverSide, stirrup) ? Narrow : null;
    }

    // Ø 3/8 in, the least of either system.
    private const double ThinnestStirrup = 0.0095;
    private const string Narrow = "within the side covers the stirrups are wider than the beam; make beam.width more, or "
        + "[concrete] cover-side less";

    private static bool TooNarrow(double width, double cover, double stirrup) => width - (2 * cover) <= 4 * stirrup;

    /// <summary>
    /// Why a layer may not be as written: bars of the beam are counted, its stirrups spaced, those of its bases evenly laid.
    /// </summary>
    public static string? OfBars(string key, BarSpec bars) => key switch
    {
        "beam.stirrups" => bars is { Size: { } stirrup, Spacing: 0 }
            ? $"{key} \"{bars}\" is a number; write their spacing, for example \"{stirrup.Name} @ 200 mm\""
            : null,
        _ when key.StartsWith("beam.", StringComparison.Ordinal) => bars is { Size: { } size, Count: 0 }
            ? $"{key} \"{bars}\" is a spacing; bars of a beam are counted: write for example \"4 {size.Name}\""
            : null,
        _ => bars.Band > 0
            ? $"{key}: bars of a base that the beam holds over its whole length lie evenly; write them in one number, for example "
                + $"\"{bars.Count} {bars.Size!.Name}\""
            : null,
    };

    private static (string Key, string Message)? OfBars(Foundation f, StrapDesign d)
    {
        var beam = d.Beam;
        foreach (var (key, bars) in (ReadOnlySpan<(string, BarSpec)>)
        [
            ("beam.top", beam.Top), ("beam.bottom", beam.Bottom), ("beam.sides", beam.Sides), ("beam.stirrups", beam.Stirrups),
            .. Layers("edge", d.Edge), .. Layers("inner", d.Inner),
        ])
        {
            if (OfBars(key, bars) is { } fault)
            {
                return (key, fault);
            }
        }

        return TooNarrow(beam.Width, f.Rules.Concrete.CoverSide, beam.Stirrups.Size?.Diameter ?? 0) ? ("beam.width", Narrow) : null;

        static (string, BarSpec)[] Layers(string part, StrapBase b) =>
            [(part + ".bottom-x", b.BottomX), (part + ".bottom-y", b.BottomY), (part + ".top-x", b.TopX), (part + ".top-y", b.TopY)];
    }
}
