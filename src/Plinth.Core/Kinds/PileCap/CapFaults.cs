using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What makes a design of a cap impossible, whatever its loads.</summary>
internal static class CapFaults
{
    // Of more piles room is made only where the layout is stated.
    private const int MostUnstated = 16;

    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    public static (string Key, string Message)? Of(Foundation f, CapDesign d, UnitSystem units)
    {
        var rules = f.Rules.Piles;
        var where = d.Own.IsEmpty ? "layout" : "piles.at";
        if (d.Own.IsEmpty && PileLayout.Fault(d.Layout) is { } unknown)
        {
            return (where, unknown);
        }

        if (d.Sides is { Size: not null, Spacing: <= 0 })
        {
            return ("sides", "bars along the sides are a size and a spacing; write for example sides = \"T12 @ 200 mm\"");
        }

        if (OfLength(f, d, units) is { } ofLength)
        {
            return ofLength;
        }

        if (d.Own.IsEmpty && d.Piles.Length > MostUnstated && CapFields.HeldLayout(f.Held) != d.Layout && !rules.Layouts.Contains(d.Layout))
        {
            return ("layout",
                $"layout \"{d.Layout}\" has {d.Piles.Length} piles and is not among those allowed; write it in [piles] layouts, or hold it "
                    + "in the [[foundation]] table");
        }

        if (rules.Count is { } count && d.Piles.Length != count)
        {
            return (where,
                $"{(d.Own.IsEmpty ? $"layout \"{d.Layout}\"" : "piles.at")} has {d.Piles.Length} piles, and piles.count = {count} holds "
                    + "another number; make the two agree");
        }

        if (rules.Size is { } size && rules.Embedment > d.Size.Thickness / 2)
        {
            return ("thickness",
                $"piles of {Dimension.Section(size, units)} reach {Dimension.Section(rules.Embedment, units)} into a cap "
                    + $"{Dimension.Section(d.Size.Thickness, units)} thick, more than half of it; thicken the cap, or make [piles] "
                    + "embedment less");
        }

        if (d.ToEdge is { } edge && (!d.Own.IsEmpty || d.Layout != CapPlan.OfThree))
        {
            return ("to-edge",
                $"to-edge is of caps on three piles at a triangle (layout = \"{CapPlan.OfThree}\"); give length and width in its place");
        }

        if (d.ToEdge is { } beyond && rules.Size is { } size0 && beyond < size0 / 2)
        {
            return ("to-edge", $"the piles stand beyond the cap; make to-edge at least {Dimension.Section(rules.ToEdge, units)}");
        }

        if (OfBands(f, d) is { } ofBands)
        {
            return ofBands;
        }

        var outline = d.ToEdge is null ? null : d.Outline;
        var (low, high) = CapPlan.Extent(d.Piles.AsSpan());
        if (outline is null && rules.Size is { } side
            && (high.X - low.X + side > d.Size.Length + 1e-6 || high.Y - low.Y + side > d.Size.Width + 1e-6))
        {
            var alongX = high.X - low.X + side > d.Size.Length + 1e-6;
            return (alongX ? "length" : "width",
                $"piles stand beyond the cap along {(alongX ? "x" : "y")}; make the cap at least "
                    + $"{Dimension.Section((alongX ? high.X - low.X : high.Y - low.Y) + (2 * rules.ToEdge), units)} there, or "
                    + $"{(d.Own.IsEmpty ? "their spacing less" : "move the piles")}");
        }

        foreach (var place in f.Places)
        {
            var at = place.InOwnAxes();
            for (var i = 0; i < at.Count; i++)
            {
                var face = BaseGeometry.Outline(place, place.Supports[i], d.Under(i).Pedestal);
                if (outline is not null
                    && !Holds(outline, at[i].X + d.FromCentroid.X, at[i].Y + d.FromCentroid.Y, face.FaceX / 2, face.FaceY / 2))
                {
                    return ("to-edge",
                        $"the {(d.Under(i).Pedestal is null ? "column" : "pedestal")} of {place.Supports[i].Label} stands beyond the cap; "
                            + "make the cap larger, or change its offset");
                }

                var (x, y) = (Math.Abs(at[i].X + d.FromCentroid.X), Math.Abs(at[i].Y + d.FromCentroid.Y));
                if (outline is null
                    && (x + (face.FaceX / 2) > (d.Size.Length / 2) + 1e-9 || y + (face.FaceY / 2) > (d.Size.Width / 2) + 1e-9))
                {
                    var what = d.Under(i).Pedestal is null ? "column" : "pedestal";
                    return (x + (face.FaceX / 2) > (d.Size.Length / 2) + 1e-9 ? "length" : "width",
                        $"the {what} of {place.Supports[i].Label} stands beyond the cap; make the cap larger, or change its offset");
                }
            }

            if (f.Loads.Any(l => !LiesOn(l, d)))
            {
                return ("length",
                    $"a load of [[foundation.load]] lies beyond the cap at {place.Name}; make the cap larger, or mend its place");
            }
        }

        return null;
    }

    // Of bars that lie closer over the piles.
    private static (string Key, string Message)? OfBands(Foundation f, CapDesign d)
    {
        if (f.Rules.Piles.Size is null)
        {
            return null;
        }

        var bars = d.Bars(f.Rules.Concrete.CoverSide);
        foreach (var (key, alongX, bottom, layer) in ((string, bool, bool, BarLayer)[])[("bottom-x", true, true, bars.BottomX),
            ("bottom-y", false, true, bars.BottomY), ("top-x", true, false, bars.TopX), ("top-y", false, false, bars.TopY)])
        {
            if (CapStrips.Fault(f, d, alongX, bottom, layer) is { } fault)
            {
                return (key, $"{key}: {fault}");
            }
        }

        return null;
    }

    // Of the length of the piles.
    private static (string Key, string Message)? OfLength(Foundation f, CapDesign d, UnitSystem units)
    {
        var rules = f.Rules.Piles;
        if ((d.PileBars.Size is not null && rules.Bars is null) || (d.PileTies.Size is not null && rules.Ties is null))
        {
            var key = d.PileBars.Size is not null && rules.Bars is null ? "bars" : "ties";
            return ($"piles.{key}",
                $"the {key} of the piles are stated in plinth.toml, in [piles] or [[foundation]] as piles.{key}, by which they are "
                    + "checked; write them there");
        }

        if ((d.PileLength ?? rules.Length) is not { } length)
        {
            return f.Places.Any(p => rules.IsFoundFrom(p.Ground))
                ? ("piles.length",
                    "what the piles may carry is found from the ground's layers, and their length is missing; give piles.length, for "
                        + "example \"14 m\"")
                : null;
        }

        if (length <= rules.Embedment)
        {
            return ("piles.length",
                $"piles {Dimension.Plan(length, units)} long that reach {Dimension.Section(rules.Embedment, units)} into the cap end above "
                    + "its underside; make them longer");
        }

        foreach (var place in f.Places.Where(p => rules.IsFoundFrom(p.Ground)))
        {
            var (bottom, toe) = (place.Ground.Layers.Sum(l => l.Thickness),
                place.Ground.Level - place.Ground.Underside(d.Size.Thickness) + length - rules.Embedment);
            if (toe >= bottom - 1e-9)
            {
                return ("piles.length",
                    $"the toes lie {Unit.Length.FormatWithSymbol(toe, units)} below the ground at {place.Name}, and its layers are stated "
                        + $"to {Unit.Length.FormatWithSymbol(bottom, units)}; make the piles shorter, or state the layer below (the lowest "
                        + "needs no thickness)");
            }
        }

        return null;
    }

    // Whether a rectangle about a point lies within an outline.
    private static bool Holds(IReadOnlyList<PlanPoint> outline, double x, double y, double halfX, double halfY)
    {
        foreach (var (sx, sy) in (ReadOnlySpan<(int, int)>)[(-1, -1), (1, -1), (1, 1), (-1, 1)])
        {
            if (!PlanPolygon.Contains(outline, new PlanPoint(x + (sx * halfX), y + (sy * halfY))))
            {
                return false;
            }
        }

        return true;
    }

    private static bool LiesOn(PlanLoad load, CapDesign d)
    {
        if (d.ToEdge is not null)
        {
            var outline = d.Outline;
            bool On(double x, double y) => Holds(outline, x + d.FromCentroid.X, y + d.FromCentroid.Y, 0, 0);
            return load.Shape == PlanLoadShape.WholeBase
                || (On(load.X0, load.Y0) && On(load.X1, load.Y1) && On(load.X0, load.Y1) && On(load.X1, load.Y0));
        }

        bool Within(double x, double y) =>
            Math.Abs(x + d.FromCentroid.X) <= (d.Size.Length / 2) + 1e-9 && Math.Abs(y + d.FromCentroid.Y) <= (d.Size.Width / 2) + 1e-9;
        return load.Shape == PlanLoadShape.WholeBase
            || (Within(load.X0, load.Y0) && Within(load.X1, load.Y1) && Within(load.X0, load.Y1) && Within(load.X1, load.Y0));
    }
}
